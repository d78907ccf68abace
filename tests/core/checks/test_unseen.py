"""Lights that nobody sees on small figures, proposed to be left out."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.checks.effort import unseen
from mantello_core.checks.look import Look
from mantello_core.design.brief import Brief
from mantello_core.planning.compiling import atoms_of
from mantello_core.planning.cost import cost_of
from mantello_core.scheme.cascade import resolve
from tests.samples import calvessa


def told(height: float, metres: float):
    design = replace(calvessa(), brief=Brief(height_mm=height, metres=metres))
    return design, unseen(Look(design, resolve(design.army, design.scheme)))


class Unseen(TestCase):
    def test_the_smaller_and_farther_the_more_is_left_out(self):
        near, far, small = (
            sum(one.number for one in told(*asked)[1].findings) for asked in ((28, 0.3), (28, 1.2), (10, 1.2))
        )
        self.assertLessEqual(near, far)
        self.assertGreater(small, 0)
        self.assertEqual(told(28, 0.3)[1].verdict, "clear")

    def test_left_out_its_minutes_are_spared(self):
        design, check = told(10, 1.2)
        finding = check.findings[0]
        after = finding.fix.change(design)
        before, then = (cost_of(atoms_of(one, resolve(one.army, one.scheme))).minutes for one in (design, after))
        self.assertLess(then, before)
        self.assertNotIn(
            finding.key, {one.key for one in unseen(Look(after, resolve(after.army, after.scheme))).findings}
        )
