"""Film optics: limits, the semigroup law, the surface."""

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.film import free_film, opaque, over
from mantello_core.colour.pigment import optics_of, pigments
from mantello_core.colour.reflectance import WEIGHTS, WHITE, to_air, to_film
from mantello_core.colour.spaces import lab_of
from mantello_core.errors import UnknownName
from tests.core.case import RefusalCase

OPTICS = st.tuples(st.floats(1e-4, 5), st.floats(1e-3, 2))
THICKNESS = st.floats(0.1, 60)
SEEN = st.floats(0, 1)


class Films(RefusalCase):
    @given(OPTICS, THICKNESS, THICKNESS, SEEN)
    def test_two_coats_are_one_of_their_thickness(self, optics, one, two, ground):
        twice = over(*optics, one, over(*optics, two, ground))
        self.assertAlmostEqual(float(twice), float(over(*optics, one + two, ground)), places=8)

    @given(OPTICS, SEEN)
    def test_a_thick_film_hides_its_ground(self, optics, ground):
        self.assertAlmostEqual(float(over(*optics, 1e5, ground)), float(opaque(*optics)), places=4)

    @given(st.floats(1e-3, 3), THICKNESS)
    def test_without_scattering_light_is_lost_twice_through(self, absorption, thickness):
        self.assertAlmostEqual(
            float(over(absorption, 0.0, thickness, 1.0)), float(np.exp(-2 * min(absorption * thickness, 300))), places=9
        )

    @given(OPTICS, THICKNESS)
    def test_no_film_gives_back_more_than_it_got(self, optics, thickness):
        reflected, passed = free_film(*optics, thickness)
        self.assertLessEqual(float(reflected + passed), 1 + 1e-9)

    @given(SEEN)
    def test_the_surface_is_crossed_there_and_back(self, seen):
        self.assertAlmostEqual(float(to_air(to_film(np.float64(seen)))), seen, places=9)

    def test_a_flat_reflectance_is_neutral(self):
        for level in (0.05, 0.4, 1.0):
            lab = lab_of(np.full(16, level) @ WEIGHTS)
            self.assertAlmostEqual(lab.a, 0, places=6)
            self.assertAlmostEqual(lab.b, 0, places=6)
        self.assertAlmostEqual(float(WHITE[1]), 1, delta=1e-3)

    def test_an_unknown_pigment_is_refused_with_a_near_one(self):
        with self.assertRaisesMessage(UnknownName, "near it: PW6"):
            optics_of({"PW66": 0.1})

    def test_every_pigment_has_sixteen_bands_and_no_negative_number(self):
        for pigment in pigments().values():
            self.assertEqual(pigment.absorption.shape, (16,))
            self.assertTrue((pigment.absorption >= 0).all() and (pigment.scattering > 0).all(), pigment.code)
