"""Colour spaces and back."""

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.spaces import Lab, hex_of, lab_of, lab_of_hex, mean_lab, on_screen, xyz_of_lab
from mantello_core.errors import OutOfRange, Unreadable
from tests.core.case import RefusalCase

HEX = st.integers(0, 0xFFFFFF).map(lambda number: f"#{number:06x}")


class Spaces(RefusalCase):
    def test_published_values_of_srgb_primaries(self):
        for text, expected in {
            "#ff0000": (53.24, 80.09, 67.20),
            "#00ff00": (87.73, -86.18, 83.18),
            "#0000ff": (32.30, 79.19, -107.86),
        }.items():
            for got, want in zip(lab_of_hex(text), expected, strict=True):
                self.assertAlmostEqual(got, want, delta=0.25)

    @given(HEX)
    def test_a_screen_colour_survives_the_way_to_lab_and_back(self, text):
        self.assertEqual(hex_of(lab_of_hex(text)), text)

    @given(st.builds(Lab, st.floats(1, 100), st.floats(-60, 60), st.floats(-60, 60)))
    def test_lab_survives_the_way_to_xyz_and_back(self, lab):
        for got, want in zip(lab_of(xyz_of_lab(lab)), lab, strict=True):
            self.assertAlmostEqual(got, want, places=6)

    def test_half_black_half_white_is_lighter_than_the_mean_of_the_numbers(self):
        self.assertAlmostEqual(mean_lab([Lab(0, 0, 0), Lab(100, 0, 0)], [1, 1]).lightness, 76.07, delta=0.05)

    def test_hue_and_chroma_are_polar(self):
        self.assertAlmostEqual(Lab(50, 0, 30).hue, 90)
        self.assertAlmostEqual(Lab(50, 30, 40).chroma, 50)

    def test_a_vivid_green_is_not_on_screen(self):
        self.assertFalse(on_screen(Lab(60, -120, 60)))
        self.assertTrue(on_screen(Lab(60, 0, 0)))

    def test_nonsense_is_refused_with_what_came(self):
        for text in ("red", "#12345", "#12345g", ""):
            with self.assertRaisesMessage(Unreadable, f"'{text}' is not a colour"):
                lab_of_hex(text)
        with self.assertRaises(OutOfRange):
            mean_lab([Lab(50, 0, 0)], [-1])
