"""Whole numbers as they are written: what digits say, and nothing else."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.numerals import whole_number


class WholeNumbers(TestCase):
    @given(st.integers(0, 10**12), st.integers(0, 10**12))
    def test_a_number_is_read_up_to_the_most(self, number, most):
        self.assertEqual(whole_number(f" {number:04d} ", most), number if number <= most else None)

    @given(st.text(max_size=12), st.integers(0, 10**6))
    def test_every_text_is_a_number_within_or_none(self, text, most):
        found = whole_number(text, most)
        self.assertTrue(found is None or (0 <= found <= most and int(text) == found))

    def test_what_only_looks_like_digits_is_none(self):
        for text in ("", " ", "²", "٣", "１", "½", "-1", "+1", "1.0", "1e3", "1_0", "0x1", "9" * 5000):
            self.assertIsNone(whole_number(text, 10**9), text)
