"""Other eyes, other lights, other distances."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.acuity import DISTANCES, arc_minutes, blur_millimetres, seen_difference, separable
from mantello_core.colour.difference import difference
from mantello_core.colour.light import LIGHTS, in_light
from mantello_core.colour.spaces import Lab, hex_of, lab_of_hex
from mantello_core.colour.vision import SIGHTS, seen_by
from mantello_core.errors import OutOfRange, UnknownName

GREYS = st.floats(2, 98).map(lambda lightness: Lab(lightness, 0, 0))
COLOURS = st.integers(0, 0xFFFFFF).map(lambda number: lab_of_hex(f"#{number:06x}"))
WHITE, BLACK = Lab(100, 0, 0), Lab(0, 0, 0)


class OtherEyes(TestCase):
    @given(GREYS, st.sampled_from(SIGHTS), st.floats(0, 1))
    def test_greys_stay_grey(self, grey, sight, severity):
        self.assertLess(difference(grey, seen_by(grey, sight, severity)), 0.3)

    @given(COLOURS, st.sampled_from(SIGHTS))
    def test_without_severity_nothing_changes(self, colour, sight):
        self.assertLess(difference(colour, seen_by(colour, sight, 0)), 0.01)

    def test_pure_red_as_published(self):
        self.assertEqual(hex_of(seen_by(lab_of_hex("#ff0000"), "protan")), "#6d5f00")
        self.assertEqual(hex_of(seen_by(lab_of_hex("#ff0000"), "deutan")), "#a39000")

    def test_red_and_green_run_together_and_blue_and_yellow_stay_apart(self):
        red, green = lab_of_hex("#b03a2e"), lab_of_hex("#5f6f1f")
        for sight in ("protan", "deutan"):
            self.assertLess(difference(seen_by(red, sight), seen_by(green, sight)), difference(red, green) / 2)
        blue, yellow = lab_of_hex("#2040a0"), lab_of_hex("#e0c020")
        self.assertGreater(difference(seen_by(blue, "deutan"), seen_by(yellow, "deutan")), 50)

    def test_nonsense_is_refused(self):
        with self.assertRaises(UnknownName):
            seen_by(WHITE, "dog")
        with self.assertRaises(OutOfRange):
            seen_by(WHITE, "protan", 1.5)


class OtherLights(TestCase):
    @given(COLOURS, st.sampled_from(tuple(LIGHTS)))
    def test_a_fully_adapted_eye_sees_daylight_colours(self, colour, light):
        self.assertLess(difference(colour, in_light(colour, light, 1.0)), 0.01)

    @given(COLOURS)
    def test_the_window_changes_nothing(self, colour):
        self.assertLess(difference(colour, in_light(colour, "window")), 0.01)

    def test_the_lamp_warms_and_the_tube_cools(self):
        grey = Lab(60, 0, 0)
        self.assertGreater(in_light(grey, "lamp").b, 5)
        self.assertLess(in_light(grey, "tube").b, -1)
        self.assertGreater(in_light(grey, "lamp").b, in_light(grey, "booth").b)

    def test_an_unknown_light_is_refused(self):
        with self.assertRaises(UnknownName):
            in_light(WHITE, "moon")


class OtherDistances(TestCase):
    def test_angles_are_as_the_method_tells(self):
        for millimetres, metres, minutes in ((1, 0.3, 11.5), (1, 1, 3.4), (1, 1.5, 2.3)):
            self.assertAlmostEqual(arc_minutes(millimetres, metres), minutes, delta=0.05)

    def test_black_and_white_need_one_minute_and_pure_hues_more(self):
        def smallest(one, other):
            return next(w / 10 for w in range(5, 80) if separable(one, other, w / 10 / 3.438, 1.0))

        self.assertAlmostEqual(smallest(BLACK, WHITE), 1.0, delta=0.11)
        self.assertAlmostEqual(smallest(Lab(50, 0, 0), Lab(90, 0, 0)), 1.1, delta=0.11)
        self.assertAlmostEqual(smallest(Lab(50, 0, 0), Lab(60, 0, 0)), 1.6, delta=0.15)
        self.assertGreater(smallest(Lab(50, 40, 0), Lab(50, -40, 0)), 2.0)
        self.assertGreater(smallest(Lab(50, 0, -45), Lab(50, 0, 45)), 2.8)

    @given(COLOURS, COLOURS, st.floats(0.2, 4))
    def test_nothing_is_seen_better_from_afar(self, one, other, width):
        near, far = (seen_difference(one, other, width, metres) for metres in (DISTANCES["hand"], DISTANCES["table"]))
        self.assertLessEqual(far, max(near + 2.5, 1.2 * near))
        self.assertLessEqual(far, difference(one, other))

    def test_the_blur_grows_with_distance(self):
        self.assertAlmostEqual(blur_millimetres(1.2), 0.301, delta=0.002)
        self.assertAlmostEqual(blur_millimetres(0.6) * 2, blur_millimetres(1.2))
        with self.assertRaises(OutOfRange):
            arc_minutes(1, 0)
