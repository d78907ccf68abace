"""Cloth: dyes, grades, fading, issues, and what the field does."""

import subprocess
import sys
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.acuity import seen_on
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.uniforms.campaign import TONES, Campaign, checked_campaign, option_of, options_of, ordered, tone
from mantello_core.uniforms.colour_word import ColourWord, terms
from mantello_core.uniforms.dye import bounds, issued, target
from mantello_core.uniforms.visible import BRUSH, MOST_WIDER, READS, sighted

_TERMS = st.sampled_from(sorted(terms()))


class Dyes(TestCase):
    def test_poorer_and_worn_cloth_is_lighter_and_duller(self):
        for term in ("red", "blue", "green", "yellow", "violet", "scarlet"):
            with self.subTest(term=term):
                new, worn, poor = (
                    target(ColourWord(term), *more) for more in (("officer",), ("officer", 18.0), ("private",))
                )
                self.assertGreater(worn.lab.lightness, new.lab.lightness)
                self.assertLess(worn.lab.chroma, new.lab.chroma)
                self.assertLess(poor.lab.chroma, new.lab.chroma)

    def test_white_darkens_and_greens_go_blue(self):
        white, green = ColourWord("white"), ColourWord("green")
        self.assertLess(target(white, months=12.0).lab.lightness, target(white).lab.lightness)
        self.assertGreater(target(green, months=24.0).lab.hue, target(green).lab.hue)

    def test_white_and_yellow_of_metal_are_pewter_and_brass(self):
        self.assertEqual(target(ColourWord("white"), metal=True).term, "pewter")
        self.assertEqual(target(ColourWord("yellow"), metal=True).term, "brass")

    @given(_TERMS, st.integers(0, 999), st.sampled_from(["2nd", "5th"]))
    def test_an_issue_lies_within_its_bounds_and_repeats(self, term, seed, unit):
        aim = target(ColourWord(term), "private", 9.0)
        low, high = bounds(aim)
        lab = issued(aim, seed, unit)
        self.assertEqual(lab, issued(aim, seed, unit))
        self.assertLessEqual(low.lightness - 1e-6, lab.lightness)
        self.assertLessEqual(lab.lightness, high.lightness + 1e-6)
        self.assertLessEqual(lab.chroma, high.chroma + 1e-6)

    def test_the_word_itself_is_faithful_and_another_colour_is_not(self):
        aim = target(ColourWord("red"))
        self.assertEqual(aim.off(aim.lab), 0)
        self.assertGreater(aim.off(target(ColourWord("blue")).lab), aim.radius)

    def test_unknown_words_and_grades_are_refused(self):
        for asked in ((ColourWord("mauvish"), "private"), (ColourWord("red"), "general")):
            with self.assertRaises(UnknownName):
                target(*asked)


class Field(TestCase):
    campaign = Campaign(months=6, seed=4)

    def dealt(self, figures: int) -> list:
        return [option_of(self.campaign, "breeches", "private", "u", "Fusilier", n) for n in range(1, figures + 1)]

    def test_more_figures_change_nobody_and_shares_hold_in_every_stretch(self):
        self.assertEqual(self.dealt(20), self.dealt(60)[:20])
        shares = dict(options_of(self.campaign, "breeches", "private"))
        for stretch in (self.dealt(60)[:30], self.dealt(60)[30:], self.dealt(60)):
            patched = sum(option == "patched" for option, _ in stretch)
            self.assertAlmostEqual(patched / len(stretch), shares["patched"], delta=0.08)

    def test_a_cloth_has_three_tones_however_many_figures(self):
        tones = {name for option, name in self.dealt(400) if option != "replaced"}
        self.assertEqual(tones, {name for name, _, _ in TONES})

    def test_faded_is_lighter_than_newer(self):
        found = {name: tone(self.campaign, ColourWord("blue"), name, "private", "u") for name, _, _ in TONES}
        self.assertGreater(found["faded"].lightness, found["newer"].lightness)
        self.assertGreater(difference(found["faded"], found["newer"]), 2.3)

    def test_without_spread_all_is_as_issued(self):
        still = Campaign(spread=0, dust=0)
        self.assertEqual(
            {tone(still, ColourWord("blue"), name, "private", "u") for name, _, _ in TONES},
            {target(ColourWord("blue"), "private", 6).lab},
        )

    def test_foul_weather_orders_more_greatcoats(self):
        def units(weather: int) -> int:
            return sum(ordered(Campaign(weather=weather), f"u{n}", "greatcoat") for n in range(200))

        self.assertEqual(units(0), 0)
        self.assertGreater(units(3), units(1))

    def test_it_is_the_same_on_a_fresh_machine(self):
        asked = "from tests.core.uniforms.test_cloth import Field; print(Field().dealt(30))"
        env = {"PYTHONPATH": ":".join(sys.path), "PYTHONHASHSEED": "7"}
        answer = subprocess.run(
            [sys.executable, "-c", asked], capture_output=True, text=True, check=True, env=env
        ).stdout
        self.assertEqual(answer.strip(), str(self.dealt(30)))

    def test_what_is_out_of_range_is_refused_at_its_field(self):
        for changed, field in (
            ({"months": 61}, "months"),
            ({"weather": 4}, "weather"),
            ({"dust": -0.1}, "dust"),
            ({"seed": -1}, "seed"),
        ):
            with self.subTest(field=field), self.assertRaises(OutOfRange) as refused:
                checked_campaign(Campaign(**changed))
            self.assertEqual(refused.exception.where, f"campaign/{field}")


class Seen(TestCase):
    red, blue, white = Lab(43, 39, 28), Lab(24, 2, -13), Lab(85, 0, 10)

    def test_a_mark_shrinks_with_size(self):
        left = [sighted("cuff", self.red, self.blue, height, 1.2).left for height in (6, 10, 15, 28)]
        self.assertEqual(left, sorted(left))

    def test_piping_and_buttons_never_read_across_a_table(self):
        for height in (6, 10, 15, 28):
            self.assertEqual(sighted("piping", self.white, self.blue, height, 1.2).verdict, "gone")

    def test_advice_is_never_thinner_than_a_brush_nor_wider_than_looks_right(self):
        for height in (6, 10, 15, 28):
            found = sighted("cuff", self.red, self.blue, height, 1.2)
            if found.verdict != "reads" and found.wider and found.wider <= MOST_WIDER:
                self.assertGreaterEqual(found.mm * found.wider, BRUSH)
                wider = sighted("cuff", self.red, self.blue, height, 1.2, plate_mm=found.mm * found.wider * 28 / height)
                self.assertGreaterEqual(wider.left, READS - 0.1)

    def test_a_wide_strip_keeps_its_colour_and_a_thin_one_takes_the_grounds(self):
        self.assertLess(difference(seen_on(self.red, self.blue, 30, 0.3), self.red), 0.1)
        self.assertLess(difference(seen_on(self.red, self.blue, 0.02, 1.2), self.blue), 2)
