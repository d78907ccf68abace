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

    def test_a_fusilier_is_taken_through_in_a_handful(self):
        found = chain_batch(self.sheet)
        self.assertEqual(found.figures, 1 + ceil(found.drying / found.hands_on))
        self.assertTrue(3 <= found.figures <= 10, found)
        shades = [row.atom for row in self.sheet.rows if row.atom.kind == "shade" and row.atom.phase == found.phase]
        self.assertGreater(len(shades), 4)

    def row(self, **changed):
        row = next(row for row in self.sheet.rows if row.atom.kind == "base" and row.atom.coats == 1)
        return replace(row, atom=replace(row.atom, **changed))

    def test_a_phase_of_four_minutes_that_dries_eight_asks_for_three(self):
        after = self.row(seconds=600.0, drying=480.0, phase=99)
        alone = replace(self.sheet, rows=(self.row(seconds=240.0, drying=480.0), after))
        self.assertEqual(chain_batch(alone).figures, 3)
        self.assertEqual(chain_batch(alone, stick=4).figures, 4)
        two = replace(
            self.sheet, rows=(self.row(seconds=120.0, drying=480.0), self.row(seconds=120.0, drying=60.0), after)
        )
        self.assertEqual(chain_batch(two).figures, 3)

    def test_what_dries_for_hours_is_left_for_another_evening(self):
        after = self.row(seconds=600.0, drying=480.0, phase=99)
        self.assertIsNone(chain_batch(replace(self.sheet, rows=(self.row(drying=8 * 3600.0), after))))
        self.assertIsNone(chain_batch(replace(self.sheet, rows=(self.row(seconds=20.0), after))))
