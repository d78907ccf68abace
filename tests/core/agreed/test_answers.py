"""Everyday questions are answered as agreed; a change of an answer is written down with 'python -m tests.core.agreed'."""

import json
from unittest import TestCase

from .book import BOOK, SUBJECTS, answers_of
from .summary import summary


def _close(one: float, other: float) -> bool:
    return abs(one - other) <= 3e-7 * max(1.0, abs(one), abs(other))


class Answers(TestCase):
    maxDiff = None

    def as_agreed(self, name: str):
        agreed = json.loads(BOOK.read_text(encoding="utf-8"))[name]
        found = answers_of(SUBJECTS[name])
        self.assertTrue(agreed)
        self.assertEqual(sorted(found), sorted(agreed))
        for question, one in agreed.items():
            with self.subTest(question):
                *numbers, words = found[question]
                *wanted, agreed_words = one
                self.assertTrue(all(map(_close, numbers, wanted)), (numbers, wanted))
                self.assertEqual(words, agreed_words)


def _test_of(name: str):
    return lambda self: self.as_agreed(name)


for _name in SUBJECTS:
    setattr(Answers, "test_" + _name.replace(".", "_"), _test_of(_name))


class Summaries(TestCase):
    def test_other_numbers_places_or_words_give_another_summary(self):
        plain = summary({"a": [1.0, 2.0], "b": "word"})
        for other in ({"a": [2.0, 1.0], "b": "word"}, {"a": [1.0, 2.001], "b": "word"}, {"a": [1.0, 2.0], "b": "words"},
                      {"a": [1.0, 2.0, 0.0], "b": "word"}):  # fmt: skip
            self.assertNotEqual(summary(other), plain)
