"""Orders of inks by school, and what laying them takes."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.design.edit import with_scheme
from mantello_core.errors import Contradiction, UnknownName
from mantello_core.formats.sample import camouflaged_levy
from mantello_core.passes.ink_order import SCHOOLS, in_school, inks_laid, with_inks_ordered
from mantello_core.scheme.cascade import resolve

DESIGN = camouflaged_levy()
PATTERN = DESIGN.scheme.pattern("estuary-blotch")
CAR = resolve(DESIGN.army, DESIGN.scheme).of_rank("punt-cars", "punt-car")[0]


def lightness(ink) -> float:
    role = DESIGN.scheme.role(ink.role)
    return DESIGN.scheme.predicted(role.recipe("rank")).apparent.lightness


class InkOrder(TestCase):
    def ordered(self, school: str, pattern=PATTERN) -> list[str]:
        return [ink.role for ink in in_school(DESIGN, CAR, pattern, school).inks]

    def test_schools_order_by_lightness_and_keep_every_share(self):
        pale = sorted(PATTERN.inks, key=lightness, reverse=True)
        self.assertEqual(self.ordered("light"), [ink.role for ink in pale])
        self.assertEqual(self.ordered("dark"), [ink.role for ink in reversed(pale)])
        dark = in_school(DESIGN, CAR, PATTERN, "dark")
        self.assertEqual(self.ordered("ground", dark), [pale[-1].role, pale[0].role, pale[1].role])
        for school in SCHOOLS:
            self.assertEqual(set(in_school(DESIGN, CAR, PATTERN, school).inks), set(PATTERN.inks))

    def test_fewest_coats_are_not_more_than_in_any_other_order(self):
        def coats(school: str) -> int:
            design = with_inks_ordered(DESIGN, PATTERN.id, school)
            made = design.scheme.pattern(PATTERN.id)
            car = resolve(design.army, design.scheme).of_rank("punt-cars", "punt-car")[0]
            return sum(one.coats for one in inks_laid(design, car, made))

        totals = {school: coats(school) for school in SCHOOLS}
        self.assertEqual(totals["coats"], min(totals.values()), totals)

    def test_a_pattern_that_nobody_wears_has_no_order(self):
        design = with_scheme(DESIGN, replace(DESIGN.scheme, rules=()))
        with self.assertRaises(Contradiction):
            with_inks_ordered(design, PATTERN.id, "light")
        with self.assertRaises(UnknownName):
            with_inks_ordered(design, "reeds", "light")

    def test_a_car_takes_a_few_coats_minutes_and_drops(self):
        rows = inks_laid(DESIGN, CAR, PATTERN)
        self.assertEqual([one.role for one in rows], [ink.role for ink in PATTERN.inks])
        self.assertIsNone(rows[0].minutes)
        for one in rows:
            self.assertTrue(1 <= one.coats <= 4, one)
            self.assertTrue(0.01 < one.millilitres < 1.5, one)
        self.assertTrue(all(2 < one.minutes < 20 for one in rows[1:]), rows)
