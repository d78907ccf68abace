"""Colours that match in one light alone are told, those of the same pigments are not."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.checks.lamps import MATCH, PARTED
from mantello_core.design.base_mix import with_base_mix
from mantello_core.paints.range import paint

from .test_checks import DRESSED, check, painted


def mixed(role: str, *parts: tuple[str, float]):
    return with_base_mix(
        painted(DRESSED, field="eel-brown", facing="gull-white"),
        role,
        tuple((paint(pot), amount) for pot, amount in parts),
    )


class Lamps(TestCase):
    def test_a_match_of_other_pigments_is_told_with_the_light_in_which_it_is_lost(self):
        found = check(mixed("facing", ("regatta-red", 1.0), ("moss-glaze", 3.0)), "lamps")
        self.assertEqual(found.verdict, "look")
        (one,) = found.findings
        self.assertEqual(set(one.roles), {"field", "facing"})
        self.assertIn("match by day", one.what)
        self.assertIn("part under a warm lamp", one.what)
        self.assertGreaterEqual(one.number, PARTED)
        self.assertEqual(found.worst, one.what)
        self.assertTrue(one.unit and one.rank and one.area and one.figures)

    def test_colours_of_the_same_paint_and_colours_that_differ_anyhow_are_not(self):
        for pots in ((("eel-brown", 1.0),), (("eel-brown", 9.0), ("gull-white", 1.0)), (("gull-white", 1.0),)):
            found = check(mixed("facing", *pots), "lamps")
            self.assertEqual((found.verdict, found.findings), ("clear", ()))
            self.assertIn(f"{MATCH:g}", found.rule)

    def test_metals_and_stains_have_no_flat_colour_to_compare(self):
        design = painted(DRESSED, field="canal-stain", facing="canal-stain", lace="gull-white")
        self.assertEqual(check(design, "lamps").verdict, "clear")

    def test_roles_of_different_figures_are_not_compared(self):
        design = mixed("facing", ("regatta-red", 1.0), ("moss-glaze", 3.0))
        rules = tuple(one for one in design.scheme.rules if one.id != "facing")
        self.assertEqual(check(replace(design, scheme=replace(design.scheme, rules=rules)), "lamps").findings, ())
