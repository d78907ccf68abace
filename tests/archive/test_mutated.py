"""Nothing that is let in breaks an army's pages."""

import os
from collections import Counter

from tests.archive.case import RecordCase
from tests.archive.mutated import Mutator, tried
from tests.samples import rule, small_design

#: how many are tried, and from which seed; the bench tries thousands
COUNT, SEED = int(os.environ.get("MANTELLO_MUTATED", "40")), int(os.environ.get("MANTELLO_MUTATED_SEED", "1"))


class Mutated(RecordCase):
    @staticmethod
    def design():
        return small_design(rule("all", "army", "", "field"), rule("b", "first", "torso.coat.lapel", "facing"))

    def test_each_is_refused_or_its_pages_open(self):
        self.keep_record("note")
        mutator, found = Mutator(self.archived(), SEED), Counter()
        for number in range(COUNT):
            data = mutator.mutant()
            with self.subTest(number=number, seed=SEED):
                found[tried(self.client, data)] += 1
        self.assertEqual(sum(found.values()), COUNT)
        self.assertGreater(min(found["refused"], found["let in"]), 0, found)
