"""Layouts stay where they were, so that no edit of the engine moves paint on vehicles that are finished."""

import json
from unittest import TestCase

from .layouts import BOOK, layouts

#: platforms differ by less than this: mm, mm², shares; and of large numbers this share
APART, SHARE = 0.03, 2e-4


class Layouts(TestCase):
    def test_every_shape_lies_where_it_lay(self):
        agreed = json.loads(BOOK.read_text(encoding="utf-8"))
        self.assertGreater(len(agreed), 40)
        found = dict(layouts())
        self.assertEqual(sorted(found), sorted(agreed))
        for name, values in agreed.items():
            with self.subTest(name):
                self.assertEqual(len(found[name]), len(values))
                moved = [
                    (at, was, now)
                    for at, (was, now) in enumerate(zip(values, found[name], strict=True))
                    if abs(was - now) > APART + SHARE * abs(was)
                ]
                self.assertEqual(moved, [])
