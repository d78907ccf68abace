"""Oil and enamel: laid when an evening ends, varnished when they are cured."""

from dataclasses import replace
from datetime import datetime, timedelta
from unittest import TestCase

from mantello_core.advice.waiting import waits_of
from mantello_core.design.brief import Brief
from mantello_core.design.method_work import with_method_work
from mantello_core.paints.range import paint
from mantello_core.planning.plan import plan
from mantello_core.planning.schedule import SLOW
from mantello_core.recipes.drying import cured
from mantello_core.recipes.step import Mix, Step
from tests.samples import calvessa


class Oiled(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        design = with_method_work(replace(calvessa(), brief=Brief(method="oil")))
        cls.plan = plan(design, datetime(2026, 11, 24, 18))
        cls.oiled, cls.varnished = {}, {}
        for block in cls.plan.blocks:
            for figure in block.figures:
                if block.task.atoms[0].name == "Oil laid and wiped":
                    cls.oiled[block.task.unit, figure] = block
                if block.task.atoms[0].name == "Matt varnish":
                    cls.varnished[block.task.unit, figure] = block

    def test_varnish_waits_until_oil_is_cured_and_not_only_dry(self):
        self.assertGreater(len(self.oiled), 20)
        self.assertEqual(set(self.oiled), set(self.varnished))
        for figure, block in self.oiled.items():
            self.assertGreaterEqual(self.varnished[figure].start - block.end, timedelta(days=2) - timedelta(hours=1))

    def test_it_is_laid_late_while_there_is_other_work(self):
        first = min(block.session for block in self.oiled.values())
        mine = [block for block in self.plan.of(first) if block.task.drying >= SLOW]
        after = [block for block in self.plan.of(first) if block.start > mine[0].start and block.task.drying < SLOW]
        self.assertEqual(after, [])


class Classes(TestCase):
    def test_three_moments_of_a_solvent(self):
        oil = Step("o", "oil", Mix(((paint("oil-burnt-umber"), 1.0),), "thinner", 2.0), 1)
        waits = waits_of(oil)
        self.assertEqual((waits.judge, waits.cured), (1440.0, 2880.0))
        self.assertGreater(waits.lift, 20)
        self.assertLess(waits.lift, waits.judge)
        streak = Step("e", "shade", Mix(((paint("tide-line-streak"), 1.0),)), 1)
        self.assertEqual((cured(streak), streak.drying), (1440.0, 120.0))

    def test_an_acrylic_is_as_good_as_cured_when_it_is_dry(self):
        base = Step("b", "base", Mix(((paint("brine-green"), 1.0),)), 1)
        self.assertEqual(cured(base), 0.0)
        self.assertEqual(waits_of(replace(base, kind="edge")).judge, 0.0)
