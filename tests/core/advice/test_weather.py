"""Weather at a spray."""

from unittest import TestCase

from mantello_core.advice.weather import Weather, checked_weather, judged
from mantello_core.errors import OutOfRange


class Judged(TestCase):
    def test_a_mild_dry_calm_day_is_right_for_everything(self):
        for varnish in (False, True):
            self.assertEqual(judged(Weather(18, 50, "calm"), varnish=varnish), ())
        self.assertEqual(judged(Weather()), ())

    def test_what_is_wrong_is_told_with_what_to_look_for(self):
        for weather, word in (
            (Weather(4), "runs"), (Weather(35), "grain"), (Weather(humidity=85), "frost"), (Weather(humidity=10), "grain"),
            (Weather(wind="windy"), "missed"),
        ):  # fmt: skip
            (said,) = judged(weather)
            self.assertIn(word, said)

    def test_a_varnish_turns_white_sooner(self):
        self.assertEqual(judged(Weather(humidity=65)), ())
        self.assertIn("white", judged(Weather(humidity=65), varnish=True)[0])

    def test_it_is_said_in_words_and_nonsense_refused(self):
        self.assertEqual(Weather(18, 55, "calm").words, "18 °C, 55 % damp, calm")
        for bad in (Weather(90), Weather(humidity=120), Weather(wind="storm")):
            with self.assertRaises(OutOfRange):
                checked_weather(bad)
