"""Colours under a lamp: the light's published white, and pairs that part under it."""

from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.colour.lamp import D65, LIGHT_WEIGHTS, A, daylight, lab_under, labs_under
from mantello_core.colour.light import LIGHTS
from mantello_core.colour.reflectance import BANDS, WAVELENGTHS, xyz_of
from mantello_core.colour.spaces import lab_of
from mantello_core.errors import UnknownName
from mantello_core.mixing.matching import apart_under_lamp
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix


class Lamp(TestCase):
    def test_published_powers_of_the_lamp(self):
        # ISO/CIE 11664-2, table 1
        for wavelength, power in ((400, 14.7080), (500, 59.8611), (560, 100.0), (600, 129.043), (700, 198.261)):
            self.assertAlmostEqual(float(A[list(WAVELENGTHS).index(wavelength)]), power, places=2)

    def test_daylights_are_the_published_ones(self):
        # CIE 15:2004, table T.1: D65 from its chromaticity, and some powers of D50 and D75
        self.assertLess(np.abs(daylight(0.31272, 0.32903) - D65).max(), 0.2)
        for white, at, power in (
            ((0.34567, 0.35851), 400, 49.308), ((0.34567, 0.35851), 700, 91.604), ((0.34567, 0.35851), 500, 95.724),
            ((0.29902, 0.31485), 400, 101.929),
        ):  # fmt: skip
            self.assertLess(abs(float(daylight(*white)[list(WAVELENGTHS).index(at)]) - power), 0.25, (white, at))

    def test_whites_are_the_published_ones(self):
        for light in ("booth", "lamp", "tube"):
            white = LIGHT_WEIGHTS[light].sum(0)
            for got, published in zip(white[:2] / white.sum(), LIGHTS[light][1], strict=True):
                self.assertLess(abs(got - published), 0.002, light)
            self.assertAlmostEqual(white[1], 1.0)

    @given(st.floats(0.01, 1), st.sampled_from(list(LIGHT_WEIGHTS)))
    def test_greys_stay_grey_and_as_light(self, seen, light):
        flat = np.full(BANDS, seen)
        self.assertLess(difference(lab_under(flat, light), lab_of(xyz_of(flat))), 0.02)

    def test_many_at_once_are_as_one_by_one(self):
        seen = np.random.default_rng(7).random((3, 2, BANDS))
        for light in LIGHT_WEIGHTS:
            for at in np.ndindex(3, 2):
                np.testing.assert_allclose(labs_under(seen, light)[at], lab_under(seen[at], light), atol=1e-9)
        np.testing.assert_allclose(labs_under(seen[0, 0], "window"), lab_of(xyz_of(seen[0, 0])), atol=1e-9)

    def test_a_light_that_is_not_there(self):
        with self.assertRaisesRegex(UnknownName, "candle"):
            labs_under(np.ones(BANDS), "candle")

    def test_red_gains_light_under_it_and_blue_loses(self):
        red, blue = np.where(WAVELENGTHS > 600, 0.8, 0.05), np.where(WAVELENGTHS < 480, 0.8, 0.05)
        self.assertGreater((red @ LIGHT_WEIGHTS["lamp"])[1], xyz_of(red)[1] + 0.05)
        self.assertLess((blue @ LIGHT_WEIGHTS["lamp"])[1], 0.9 * xyz_of(blue)[1])

    def test_a_film_is_like_itself_and_a_metamer_parts(self):
        green = paint("brine-green").film
        self.assertEqual(apart_under_lamp(green, green), 0)
        other = Mix(((paint("deep-channel"), 1.0), (paint("candle-yellow"), 2.0))).film
        by_day = difference(green.masstone, other.masstone)
        self.assertGreater(apart_under_lamp(green, other), by_day + 1)
