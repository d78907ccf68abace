"""What checks see of tinctures: of a fur what its parts come to from where they are looked at."""

import math
from unittest import TestCase

from mantello_core.checks.inspect import inspect
from mantello_core.checks.look import Look
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab, xyz_of_lab
from mantello_core.formats.sample import calvessa
from mantello_core.marks.named_arms import NamedArms
from mantello_core.scheme.cascade import resolve
from tests.samples import small_design

SEEN = {"white": Lab(95, 0, 2), "black": Lab(12, 0, 0)}
ARMS = NamedArms("a", "A", "Ermine", (("argent", "white"), ("sable", "black")))


class PlainLook(Look):
    def __init__(self):
        """No design: two roles with colours that are known."""

    def apparent(self, role, tier):
        return SEEN[role]


class Bare(TestCase):
    def test_an_army_that_wears_no_colour_yet_is_looked_over_too(self):
        design = small_design()
        checks = inspect(design, resolve(design.army, design.scheme))
        found = {check.id: check.findings for check in checks}
        self.assertGreater(len(found["unmapped"]), 0)
        self.assertEqual([found[id_] for id_ in ("neighbours", "focus", "values", "materials", "metals")], [()] * 5)


class Numbers(TestCase):
    def test_roles_have_the_numbers_under_which_they_are_apart(self):
        design = calvessa()
        look = Look(design, resolve(design.army, design.scheme))
        for one in look.resolution.classes:
            on, roles = look.resolution.worn.numbers(one), look.resolution.worn.roles
            worn = [one.cells[area].role for area in one.plate.areas]
            self.assertEqual([roles[at] if at >= 0 else "" for at in on.tolist()], [role or "" for role in worn])
            matrix, light = look.matrix(one.tier), look.lightness(one.tier)
            for at, role in zip(on.tolist()[:8], worn[:8], strict=True):
                here = look.apparent(role, one.tier) if role else None
                apart = difference(here, look.apparent(roles[0], one.tier)) if role else math.inf
                self.assertAlmostEqual(matrix[at, 0], apart, places=9)
                self.assertTrue(light[at] == here.lightness if role else math.isnan(light[at]))


class Tinctures(TestCase):
    def test_ermine_is_four_fifths_silver_by_light(self):
        light = xyz_of_lab(PlainLook().tincture(ARMS, "ermine", "rank"))
        wanted = 0.8 * xyz_of_lab(SEEN["white"]) + 0.2 * xyz_of_lab(SEEN["black"])
        for one, other in zip(light, wanted, strict=True):
            self.assertAlmostEqual(one, other, places=6)

    def test_a_plain_tincture_is_the_role_it_is_bound_to(self):
        self.assertEqual(PlainLook().tincture(ARMS, "sable", "rank"), SEEN["black"])
