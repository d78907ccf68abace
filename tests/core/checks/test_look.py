"""What checks see of tinctures: of a fur what its parts come to from where they are looked at."""

from unittest import TestCase

from mantello_core.checks.look import Look
from mantello_core.colour.spaces import Lab, xyz_of_lab
from mantello_core.marks.named_arms import NamedArms

SEEN = {"white": Lab(95, 0, 2), "black": Lab(12, 0, 0)}
ARMS = NamedArms("a", "A", "Ermine", (("argent", "white"), ("sable", "black")))


class PlainLook(Look):
    def __init__(self):
        """No design: two roles with colours that are known."""

    def apparent(self, role, tier):
        return SEEN[role]


class Tinctures(TestCase):
    def test_ermine_is_four_fifths_silver_by_light(self):
        light = xyz_of_lab(PlainLook().tincture(ARMS, "ermine", "rank"))
        wanted = 0.8 * xyz_of_lab(SEEN["white"]) + 0.2 * xyz_of_lab(SEEN["black"])
        for one, other in zip(light, wanted, strict=True):
            self.assertAlmostEqual(one, other, places=6)

    def test_a_plain_tincture_is_the_role_it_is_bound_to(self):
        self.assertEqual(PlainLook().tincture(ARMS, "sable", "rank"), SEEN["black"])
