"""Proposals in plain words: a character for every school, no number in any sentence, and the weak ones told as such."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.design.brief import Brief
from mantello_core.proposals.palette import SCHOOLS, palettes_for
from mantello_core.proposals.plain_words import plain_words
from mantello_core.proposals.proposal import proposals
from tests.samples import calvessa


class PlainWords(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.made = proposals(calvessa().army, Brief())
        cls.palette = max(palettes_for(Brief(), "triad", 3, ()), key=lambda one: one.score)

    def said(self, **changed):
        return " ".join(plain_words(replace(self.palette, **changed), self.made[0].harmony))

    def test_every_school_has_a_character_of_its_own(self):
        said = {self.said(school=school) for school in SCHOOLS}
        self.assertEqual(len(said), len(SCHOOLS))

    def test_no_sentence_needs_a_number(self):
        self.assertTrue(self.made)
        for one in self.made:
            self.assertGreaterEqual(len(one.plain), 2)
            self.assertFalse(any(sign.isdigit() for words in one.plain for sign in words), one.plain)

    def test_marks_that_are_near_each_other_or_their_cloth_are_told(self):
        self.assertIn("told apart at a glance", self.said(apart=20.0))
        self.assertIn("when you look for it", self.said(apart=19.9))
        self.assertIn("hard to tell apart", self.said(apart=10.9))
        self.assertIn("stand out on", self.said(beside=22.0))
        self.assertIn("lie quietly on", self.said(beside=21.9))

    def test_one_mark_is_not_told_from_itself(self):
        self.assertNotIn("told apart", self.said(marks=self.palette.marks[:1]))
