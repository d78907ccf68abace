"""Edges ranked: what is seen and faces up first, minutes with them, a cut-off by length."""

from unittest import TestCase

from mantello_core.advice.edge_list import edge_list
from mantello_core.colour.spaces import Lab
from mantello_core.figures.catalogue import plate
from mantello_core.paints.range import paint
from mantello_core.recipes.handwork import Circumstances, brushing_seconds
from mantello_core.recipes.step import Manner, Mix, Step
from mantello_core.recipes.where import Where

KNIGHT = plate("knight")
WHITE, BLACK = Mix(((paint("gull-white"), 1.0),), "water", 0.3), Mix(((paint("lamp-smut"), 1.0),), "water", 0.5)
PLATES = [name for name, area in KNIGHT.areas.items() if area.material == "plate"]


class Ranked(TestCase):
    def rows(self, step, colours=None, tier="rank"):
        return edge_list(KNIGHT, PLATES, step, colours or {}, Circumstances(tier))

    def test_the_best_come_first_and_all_together_make_the_whole(self):
        rows = self.rows(Step("edge", "edge", WHITE))
        self.assertGreater(len(rows), 8)
        self.assertEqual([row.worth for row in rows], sorted((row.worth for row in rows), reverse=True))
        self.assertAlmostEqual(sum(row.own for row in rows), 1.0)
        self.assertAlmostEqual(rows[-1].reached, 1.0)
        self.assertTrue(all(0 <= row.worth <= 1 and row.sharp_mm <= row.mm for row in rows))

    def test_a_cut_off_keeps_the_best_and_never_nothing(self):
        rows = self.rows(Step("edge", "edge", WHITE))
        for share in (0.0, 0.3, 0.7, 1.0):
            kept = [row.kept(share) for row in rows]
            self.assertTrue(kept[0])
            self.assertEqual(kept, sorted(kept, reverse=True))
        self.assertTrue(all(row.kept(1.0) for row in rows))

    def test_lighting_all_of_full_plate_takes_what_painters_need(self):
        every = Step("edge", "edge", WHITE, spot=Where("edges", which="all"))
        minutes = sum(row.seconds for row in self.rows(every)) / 60
        self.assertTrue(8 <= minutes <= 15, minutes)

    def test_lines_are_worth_more_where_they_stand_out(self):
        line = Step("line", "line", BLACK)
        bright, dark = (self.rows(line, dict.fromkeys(PLATES, Lab(lightness, 0, 0))) for lightness in (90, 10))
        self.assertGreater(max(row.worth for row in bright), 2 * max(row.worth for row in dark))

    def test_a_share_of_the_lines_takes_its_share_of_the_time(self):
        area = max((KNIGHT.areas[name] for name in PLATES), key=lambda one: one.extent.foot_mm)
        whole, half = (
            brushing_seconds(Step("line", "line", BLACK, manner=Manner(share=share)), area.extent, 1)
            for share in (None, 0.5)
        )
        self.assertAlmostEqual(half / whole, 0.5, delta=0.1)
