"""Nothing that is let in breaks an army's pages."""

import os
import uuid
from collections import Counter

from django.utils import timezone

from mantello.record import logging as log
from mantello.rooms.plan.evening import Evening
from mantello.trials.models import Photo, TestPiece
from mantello.trials.trial import begun
from mantello.workspace.reading import reading_of
from tests.archive.mutated import Mutator, tried
from tests.archive.test_archive import jpeg
from tests.rooms.case import RoomCase
from tests.samples import rule, small_design

#: how many are tried, and from which seed; the bench tries thousands
COUNT, SEED = int(os.environ.get("MANTELLO_MUTATED", "40")), int(os.environ.get("MANTELLO_MUTATED_SEED", "1"))


class Mutated(RoomCase):
    @staticmethod
    def design():
        return small_design(rule("all", "army", "", "field"), rule("b", "first", "torso.coat.lapel", "facing"))

    def test_each_is_refused_or_its_pages_open(self):
        batch = Evening(self.army, timezone.now()).current
        log.record(self.army, batch.atoms, set(batch.block.figures), 4, timezone.now(), uuid.uuid4(), "note")
        test = begun(self.army, reading_of(self.army.head), "field", "rank")
        test.verdict = TestPiece.Verdict.ACCEPTED
        test.save()
        Photo.objects.create(
            test=test, moment="before", jpeg=jpeg(), width=40, height=30, patches={"card": [0.5, 0.5, "#808080"]}
        )
        self.post("new-variant", name="Summer dress")
        mutator, found = Mutator(self.archived(), SEED), Counter()
        for number in range(COUNT):
            data = mutator.mutant()
            with self.subTest(number=number, seed=SEED):
                found[tried(self.client, data)] += 1
        self.assertEqual(sum(found.values()), COUNT)
        self.assertGreater(min(found["refused"], found["let in"]), 0, found)
