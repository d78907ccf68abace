"""Nothing that is let in breaks an army's pages."""

import os
from collections import Counter

from mantello_core.design.edit import with_part_ground, with_step
from mantello_core.film.ground import Ground
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix, Step
from mantello_core.recipes.where import Where
from tests.archive.case import RecordCase
from tests.archive.mutated import Mutator, tried
from tests.samples import rule, small_design

#: how many are tried, and from which seed; the bench tries thousands
COUNT, SEED = int(os.environ.get("MANTELLO_MUTATED", "24")), int(os.environ.get("MANTELLO_MUTATED_SEED", "1"))


class Mutated(RecordCase):
    @staticmethod
    def design():
        design = small_design(rule("all", "army", "", "field"), rule("b", "first", "torso.coat.lapel", "facing"))
        design = with_part_ground(design, "first", "", Ground(paint("undercoat-oxide"), paint("undercoat-rose")))
        worn = Mix(((paint("pitch-barrel"), 1.0),))
        for where in (
            Where("scratches", count=10.0, length=2.0),
            Where("sprayed", angle=30.0, spread=0.5),
            Where("beside", beside="facing"),
        ):
            design = with_step(design, "field", "rank", Step("", "freehand", worn, spot=where))
        return design

    def test_each_is_refused_or_its_pages_open(self):
        self.keep_record("note")
        mutator, found = Mutator(self.archived(), SEED), Counter()
        for number in range(COUNT):
            data = mutator.mutant()
            with self.subTest(number=number, seed=SEED):
                found[tried(self.client, data)] += 1
        self.assertEqual(sum(found.values()), COUNT)
        self.assertGreater(min(found["refused"], found["let in"]), 0, found)

    def test_designs_alone_are_refused_or_their_pages_open(self):
        mutator, found = Mutator(self.archived(), SEED), Counter()
        for number in range(COUNT):
            data = mutator.design()
            with self.subTest(number=number, seed=SEED):
                found[tried(self.client, data, "import-army", "design.json")] += 1
        self.assertEqual(sum(found.values()), COUNT)
        self.assertGreater(min(found["refused"], found["let in"]), 0, found)
