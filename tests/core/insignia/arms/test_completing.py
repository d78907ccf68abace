"""What may come next in a blazon; arms as branches; marks as work."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.figures.plate import Site
from mantello_core.insignia.arms.arms_drawing import drawn_arms
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.branch import branch_of
from mantello_core.insignia.arms.completing import completions
from mantello_core.insignia.devices.manner import METHODS
from mantello_core.insignia.devices.mark_step import hand_or_transfer, mark_steps, seconds_by_hand

WHOLE = "gules, a fess wavy or between three lanterns argent, on a chief sable, two stars or"


def phrases(text):
    return [one.phrase for one in completions(text)]


class Completing(TestCase):
    def test_what_is_begun_is_finished(self):
        for text, wanted in (
            ("az", "azure"), ("azure, a fess wa", "wavy"), ("azure, three lan", "lanterns"), ("azure, a lan", "lantern"),
            ("party p", "party per"), ("azure, a fess or bet", "between"), ("azure, on a bend si", "bend sinister"),
        ):  # fmt: skip
            self.assertIn(wanted, phrases(text), text)

    def test_only_what_fits_is_offered(self):
        self.assertNotIn("azure", phrases("azure, a az"))
        self.assertEqual(phrases("azure, a lion ram"), ["rampant"])
        self.assertEqual(phrases("azure, a tower ram"), [])
        self.assertNotIn("lanterns", phrases("azure, a lan"))
        self.assertNotIn("argento", phrases("azure, a fess argent "))

    def test_where_nothing_is_begun_it_shows_what_is_possible(self):
        self.assertTrue({"or", "barry", "quarterly"} <= set(phrases("")))
        self.assertTrue({"a", "three", "on", "within"} <= set(phrases("azure, ")))

    def test_after_what_cannot_be_read_it_keeps_silent(self):
        self.assertEqual(phrases("blurple, a fe"), [])

    def test_taking_what_is_offered_leads_to_words_that_can_be_read_on(self):
        for end in range(3, len(WHOLE), 4):
            text = WHOLE[:end]
            for one in completions(text)[:4]:
                completions(text[: one.start] + one.phrase + " ")
                self.assertLessEqual(one.start, len(text))

    @settings(max_examples=60, deadline=None)
    @given(st.text(max_size=60))
    def test_no_text_makes_it_fall_over(self, text):
        for one in completions(text):
            self.assertTrue(0 <= one.start <= len(text))


class Branches(TestCase):
    def test_everything_hangs_where_it_belongs(self):
        tree = branch_of(read_blazon(WHOLE))
        self.assertEqual((tree.kind, tree.words), ("field", "gules"))
        fess, chief = tree.parts
        self.assertEqual(
            (fess.words, fess.parts[0].words, fess.parts[0].kind),
            ("a fess wavy or", "three lanterns argent", "beside it"),
        )
        self.assertEqual(
            (chief.words, chief.parts[0].words, chief.parts[0].kind), ("a chief sable", "two stars or", "on it")
        )

    def test_quarters_and_halves_are_branches(self):
        tree = branch_of(
            read_blazon("Quarterly, 1 and 4, azure, a sun or; 2 and 3, gules; en surtout, or, a lily azure")
        )
        self.assertEqual([one.words for one in tree.parts], ["quarters 1, 4", "quarters 2, 3", "on a small shield"])
        self.assertEqual(tree.parts[0].parts[0].parts[0].words, "a sun or")
        halves = branch_of(read_blazon("Azure, a bend or, impaling gules")).parts
        self.assertEqual([one.words for one in halves], ["azure", "gules"])


class Work(TestCase):
    def site(self, curve="flat"):
        return Site("s", "a", 0, 0, 5, 6, "shield", curve)

    def test_a_transfer_is_glossed_placed_softened_and_sealed_with_cautions(self):
        steps = mark_steps("transfer", 0, "dome:6")
        self.assertEqual([one.id for one in steps], ["gloss", "place", "soften", "seal"])
        self.assertTrue(all("label comes first" in one.caution for one in steps if one.id != "place"))
        self.assertGreater(steps[2].seconds, mark_steps("transfer", 0)[2].seconds, "domes take more rounds")
        self.assertIn("matt coat last", steps[-1].words)

    def test_every_method_has_steps_that_take_time(self):
        for method in METHODS:
            self.assertTrue(all(step.seconds > 0 and step.drying > 0 for step in mark_steps(method, 60)), method)

    def test_more_pieces_take_longer_by_hand(self):
        plain, busy = (seconds_by_hand(drawn_arms(read_blazon(text)), 6) for text in ("Or, a fess gules", WHOLE))
        self.assertGreater(busy, 2 * plain)

    @given(
        st.floats(10, 4000), st.integers(1, 300), st.sampled_from(("flat", "cyl:3", "dome:4", "drape")), st.booleans()
    )
    def test_from_the_break_even_on_transfers_save_time_and_below_they_do_not(self, seconds, copies, curve, bought):
        choice = hand_or_transfer(seconds, self.site(curve), copies, bought=bought)
        pays = choice.pays_from is not None and copies >= choice.pays_from
        self.assertEqual(choice.better == "transfer", pays)
