"""The batch that a whole recipe asks for."""

from dataclasses import replace
from math import ceil
from unittest import TestCase

from mantello_core.planning.chain_batch import chain_batch
from mantello_core.planning.compiling import rank_sheets
from mantello_core.scheme.cascade import resolve
from tests.samples import calvessa


class Chain(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        design = calvessa()
        cls.sheet = next(
            one for one in rank_sheets(design, resolve(design.army, design.scheme)) if one.rank == "fusilier"
        )

    def test_it_is_the_most_of_what_the_steps_ask_for(self):
        found = chain_batch(self.sheet)
        self.assertEqual(found.figures, 1 + ceil(found.drying / found.hands_on))
        rows = [row for row in self.sheet.rows if row.atom.kind == "shade"]
        self.assertTrue(rows)
        for row in rows:
            self.assertGreaterEqual(found.figures, 1 + ceil(row.atom.drying / row.atom.seconds))

    def test_a_step_of_four_minutes_that_dries_eight_asks_for_three(self):
        row = next(row for row in self.sheet.rows if row.atom.kind == "base" and row.atom.coats == 1)
        alone = replace(self.sheet, rows=(replace(row, atom=replace(row.atom, seconds=240.0, drying=480.0)),))
        self.assertEqual(chain_batch(alone).figures, 3)
        self.assertEqual(chain_batch(alone, stick=4).figures, 4)

    def test_what_dries_for_hours_is_left_for_another_evening(self):
        row = next(row for row in self.sheet.rows if row.atom.kind == "base")
        slow = replace(self.sheet, rows=(replace(row, atom=replace(row.atom, coats=1, drying=8 * 3600.0)),))
        self.assertIsNone(chain_batch(slow))
