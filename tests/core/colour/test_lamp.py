"""Colours under a lamp: the light's published white, and pairs that part under it."""

from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.colour.lamp import LAMP_WEIGHTS, LAMP_WHITE, A, lamp_lab
from mantello_core.colour.light import LIGHTS
from mantello_core.colour.reflectance import BANDS, WAVELENGTHS, xyz_of
from mantello_core.colour.spaces import lab_of
from mantello_core.mixing.matching import apart_under_lamp
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix


class Lamp(TestCase):
    def test_published_powers_of_the_lamp(self):
        # ISO/CIE 11664-2, table 1
        for wavelength, power in ((400, 14.7080), (500, 59.8611), (560, 100.0), (600, 129.043), (700, 198.261)):
            self.assertAlmostEqual(float(A[list(WAVELENGTHS).index(wavelength)]), power, places=2)

    def test_its_white_is_the_published_one(self):
        x, y = LAMP_WHITE[:2] / LAMP_WHITE.sum()
        for got, published in zip((x, y), LIGHTS["lamp"][1], strict=True):
            self.assertLess(abs(got - published), 0.002)
        self.assertAlmostEqual(LAMP_WHITE[1], 1.0)

    @given(st.floats(0.01, 1))
    def test_greys_stay_grey_and_as_light(self, seen):
        flat = np.full(BANDS, seen)
        self.assertLess(difference(lamp_lab(flat), lab_of(xyz_of(flat))), 0.02)

    def test_red_gains_light_under_it_and_blue_loses(self):
        red, blue = np.where(WAVELENGTHS > 600, 0.8, 0.05), np.where(WAVELENGTHS < 480, 0.8, 0.05)
        self.assertGreater((red @ LAMP_WEIGHTS)[1], xyz_of(red)[1] + 0.05)
        self.assertLess((blue @ LAMP_WEIGHTS)[1], 0.9 * xyz_of(blue)[1])

    def test_a_film_is_like_itself_and_a_metamer_parts(self):
        green = paint("brine-green").film
        self.assertEqual(apart_under_lamp(green, green), 0)
        other = Mix(((paint("deep-channel"), 1.0), (paint("candle-yellow"), 2.0))).film
        by_day = difference(green.masstone, other.masstone)
        self.assertGreater(apart_under_lamp(green, other), by_day + 1)
