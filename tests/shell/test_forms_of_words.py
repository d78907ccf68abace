"""One form for money, shares, long names and names of files."""

import doctest
from datetime import date
from unittest import mock

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from mantello.shell.download import download, file_of
from mantello.shell.templatetags import icons


class Forms(SimpleTestCase):
    def test_examples_are_true(self):
        wrong, run = doctest.testmod(icons)
        self.assertEqual(wrong, 0)
        self.assertGreater(run, 3)

    @given(st.text(max_size=60), st.integers(6, 40))
    def test_a_name_is_shortened_in_its_middle_and_never_longer_than_asked(self, name, most):
        short = icons.middle(name, most)
        self.assertLessEqual(len(short), most + 1)
        if len(name) <= most:
            self.assertEqual(short, name)

    def test_files_are_named_by_army_and_day(self):
        with mock.patch("mantello.shell.download.timezone.localdate", return_value=date(2026, 11, 30)):
            self.assertEqual(file_of("Levy of Calvessa", "roster.csv"), "levy-of-calvessa-roster-2026-11-30.csv")
            self.assertEqual(file_of("...", "roster.csv"), "roster-2026-11-30.csv")
            self.assertEqual(file_of("Über Wacht", "plan.ics"), "über-wacht-plan-2026-11-30.ics")
        answer = download("x", "über.csv", "text/csv")
        self.assertIn("filename*=utf-8''%C3%BCber.csv", answer["Content-Disposition"])
