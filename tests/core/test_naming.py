"""Names in every script: what joins and turns letters is kept, what is for machines is refused with its reason."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import OutOfRange
from mantello_core.naming import named, noted, slug, strange_in
from tests.core.case import RefusalCase


class Kept(TestCase):
    def test_what_scripts_and_joined_signs_need_is_kept(self):
        for name in (
            "می\u200cخواهم", "क्\u200dष", "\U0001f3f4\u200d☠\ufe0f", "\U0001f468\u200d\U0001f3a8", "\u2067שלום\u2069 Company", "Name\u200e (1)",
            "\U0001f3f4\U000e0067\U000e0062\U000e007f", "\U0001fae9 painter", "Ünïcödé", "Line\u00a0A",
        ):  # fmt: skip
            self.assertEqual(named(name), " ".join(name.split()))

    def test_tabs_and_breaks_in_notes_become_blanks(self):
        self.assertEqual(noted(" a\tb\nc  d\u2028e "), "a b c d e")

    @given(st.text(st.characters(categories=("L", "M", "N", "P", "S")), min_size=1, max_size=80))
    def test_letters_marks_numbers_and_signs_are_always_kept(self, text):
        self.assertIsNone(strange_in(text))

    @given(st.text(max_size=60))
    def test_what_is_kept_can_be_written_as_utf_8_and_is_one_line(self, text):
        try:
            kept = noted(text)
        except OutOfRange:
            return
        self.assertEqual(kept.encode("utf-8").decode("utf-8"), kept)
        self.assertEqual(len(kept.splitlines()), 1 if kept else 0)
        self.assertFalse({"\0", "\u202e"} & set(kept))


class Refused(RefusalCase):
    def test_the_reason_is_the_true_one(self):
        for text, why in (
            ("a\x07b", "for machines"), ("a\x00b", "U+0000"), ("half\ud800", "half of a sign"), ("a\u200d", "nothing to join"), ("\u200cb", "nothing to join"),
            ("a \u200d b", "nothing to join"), ("x\u202ey", "turn about"), ("\u2067open", "not ended"), ("close\u2069", "not begun"),
            ("soft\u00adhyphen", "cannot be seen"), ("\ue000", "every font"), ("\ufdd0", "no sign at all"), ("a\U000e0067", "no flag"), ("\ufeffb", "cannot be seen"),
        ):  # fmt: skip
            with self.assertRaisesMessage(OutOfRange, why):
                named(text)

    def test_length_is_told(self):
        with self.assertRaisesMessage(OutOfRange, "81 characters"):
            named("x" * 81)
        with self.assertRaisesMessage(OutOfRange, "0 characters"):
            named(" \t")


class Ids(TestCase):
    def test_an_id_is_made_of_any_name_and_taken_ones_are_counted_on(self):
        self.assertEqual(
            [slug("Blue Company"), slug("Blue Company", {"blue-company"}), slug("שלום")],
            ["blue-company", "blue-company-2", "item"],
        )
