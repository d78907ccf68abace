"""The bench: wear of tools, age of mixes, metals found again."""

from datetime import datetime, timedelta
from unittest import TestCase

from mantello_core.formats.sample import levy
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.range import paints
from mantello_core.record.upkeep import Use, leftovers, metal_places, mix_life, wears
from mantello_core.scheme.cascade import resolve

NOW = datetime(2026, 11, 26, 20, 0)
METAL = next(id_ for id_, pot in paints().items() if pot.kind == "metallic")
OIL = next(id_ for id_, pot in paints().items() if pot.kind == "oil")


def use(tool="round brush", kind="base", minutes=60.0, mix="A 1", pots=("salt-linen",), days=1.0):
    kinds = tuple(pot.kind if (pot := SHIPPED.get(id_)) else "" for id_ in pots)
    return Use(tool, kind, minutes, mix, pots, kinds, NOW - timedelta(days=days))


class Wears(TestCase):
    def test_hours_add_up_and_hard_work_counts_half_as_much_again(self):
        found = {
            one.tool: one.hours
            for one in wears([use(), use(minutes=30), use("flat brush", "drybrush"), use("old brush", pots=(METAL,))])
        }
        self.assertEqual(found, {"round brush": 1.5, "flat brush": 1.5, "old brush": 1.5})

    def test_the_most_worn_comes_first_and_is_told_when_it_is_due(self):
        first, second = wears([use("finest brush", minutes=25 * 60), use("flat brush", minutes=25 * 60)])
        self.assertEqual((first.tool, first.share), ("finest brush", 1.0))
        self.assertIn("tip", first.advice)
        self.assertEqual(second.advice, "")

    def test_a_can_is_weighed_not_looked_at(self):
        self.assertIn("can", wears([use("aerosol", "undercoat", 24)])[0].advice)

    def test_no_work_wears_nothing(self):
        self.assertEqual(wears([]), ())


class Leftovers(TestCase):
    def test_a_mix_lives_as_long_as_its_shortest_paint_from_its_last_use(self):
        found = leftovers([use(pots=("salt-linen", METAL), days=2), use(pots=("salt-linen", METAL), days=0.5)], NOW)
        self.assertEqual([one.until for one in found], [NOW + timedelta(days=0.5)])
        (acrylic,) = leftovers([use(pots=("salt-linen", "eel-brown"), days=1)], NOW)
        self.assertEqual(acrylic.until, NOW + timedelta(days=2))
        (oil,) = leftovers([use(pots=("salt-linen", OIL), days=1)], NOW)
        self.assertEqual(oil.until, NOW + timedelta(days=2))

    def test_pots_alone_and_old_mixes_are_left_out(self):
        self.assertEqual(leftovers([use(), use(pots=("salt-linen", "eel-brown"), days=20)], NOW), ())

    def test_a_paint_nobody_knows_counts_as_acrylic(self):
        (one,) = leftovers([use(pots=("gone", "salt-linen"), days=0)], NOW)
        self.assertEqual(one.until, NOW + timedelta(days=3))


class Metals(TestCase):
    def setUp(self):
        design = levy()
        self.scheme, self.resolution = design.scheme, resolve(design.army, design.scheme)

    def test_every_metal_is_told_with_its_areas_and_paints(self):
        found = {one.role: one for one in metal_places(self.scheme, self.resolution)}
        self.assertIn("head.hat.plate", found["Trim metal"].areas)
        self.assertIn("base: Lamp Brass, neat", found["Trim metal"].paints)
        self.assertNotIn("Field", found)

    def test_a_search_wants_every_word(self):
        self.assertEqual(
            [one.role for one in metal_places(self.scheme, self.resolution, ["lamp", "BRASS", "plate"])], ["Trim metal"]
        )
        self.assertEqual(metal_places(self.scheme, self.resolution, ["brass", "nowhere"]), ())


class Lives(TestCase):
    def test_the_shortest_lived_paint_decides(self):
        self.assertEqual(mix_life(("acrylic",)), timedelta(days=3))
        self.assertEqual(mix_life(("acrylic", "metallic")), timedelta(days=1))
        self.assertEqual(mix_life(()), timedelta(days=3))
