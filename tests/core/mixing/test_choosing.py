"""What a turn of hue costs when a lighter paint is chosen."""

import math
from unittest import TestCase

from mantello_core.colour.spaces import Lab
from mantello_core.mixing.choosing import turned


def hued(chroma: float, hue: float) -> Lab:
    return Lab(50, chroma * math.cos(math.radians(hue)), chroma * math.sin(math.radians(hue)))


class Turning(TestCase):
    def test_strong_colours_pay_a_third_and_a_bit_for_every_degree_the_short_way_round(self):
        self.assertAlmostEqual(turned(hued(40, 20), hued(40, 110)), 0.35 * 90)
        self.assertAlmostEqual(turned(hued(60, 350), hued(60, 10)), 0.35 * 20)
        self.assertAlmostEqual(turned(hued(60, 10), hued(60, 350)), 0.35 * 20)

    def test_weak_colours_pay_by_their_chroma(self):
        self.assertAlmostEqual(turned(hued(20, 0), hued(20, 60)), 0.35 * 60 * 0.5)
        self.assertAlmostEqual(turned(hued(10, 0), hued(40, 60)), 0.35 * 60 * 0.5)

    def test_greys_have_no_hue_to_turn_and_pay_for_what_they_gain(self):
        self.assertAlmostEqual(turned(hued(5.9, 0), hued(16, 180)), 1.2 * 10.1)
        self.assertAlmostEqual(turned(hued(16, 0), hued(5.9, 180)), 1.2 * 10.1)
        self.assertAlmostEqual(turned(hued(6.5, 0), hued(6.5, 90)), 0.35 * 90 * 6.5 / 40)
