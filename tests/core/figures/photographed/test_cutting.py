"""Outline, borders and pieces of photographs whose truth is known."""

from unittest import TestCase

import numpy as np

from mantello_core.errors import Unreadable
from mantello_core.figures.photographed.cutting import cut_off, cut_up, graph_of
from mantello_core.figures.photographed.outline import linear, outlined, table_light
from tests.core.figures.photographed.case import drawn, overlap, sample


class Outline(TestCase):
    def test_invented_figures_are_found_within_two_per_cent_without_a_stroke(self):
        for name, view in (("diver", "front"), ("diver", "back"), ("ranger", "front")):
            with self.subTest(figure=name, view=view):
                cut, truth, _ = sample(name, view)
                self.assertGreaterEqual(overlap(cut.mask, truth > 0), 0.98)

    def test_a_shadow_on_the_sheet_is_no_figure(self):
        picture, mask = drawn()
        found = cut_up(picture).mask
        self.assertGreater(overlap(found, mask), 0.97)
        self.assertFalse(found[345, 270], "the shadow")

    def test_a_stroke_brings_back_what_is_as_the_table_and_takes_off_what_is_not_the_figures(self):
        picture, mask = drawn()
        picture[mask & (np.arange(400)[:, None] < 130)] = picture[20, 20]
        light = linear(picture)
        table = table_light(light)
        self.assertFalse(outlined(light, table)[90, 150])
        stroke = np.zeros(mask.shape, bool)
        stroke[80:100, 140:160] = True
        self.assertTrue(outlined(light, table, inside=stroke)[90, 150])
        off = np.zeros(mask.shape, bool)
        off[330:350, 90:210] = True
        self.assertFalse(outlined(light, table, outside=off)[340, 150])

    def test_a_picture_without_a_figure_is_refused_in_words(self):
        empty, _ = drawn(at=-400)
        with self.assertRaisesRegex(Unreadable, "No figure stands out from the table"):
            cut_up(empty)

    def test_a_figure_that_runs_out_of_the_picture_is_told_with_its_edge(self):
        self.assertEqual(cut_off(cut_up(drawn()[0]).mask), ())
        self.assertEqual(cut_off(cut_up(drawn(at=66)[0]).mask), ("left",))
        mask = np.zeros((40, 30), bool)
        mask[10:13, 0], mask[0, 5:9], mask[20:24, -1] = True, True, True
        self.assertEqual(cut_off(mask), ("right", "upper"), "three pixels are dust, four are a part")


class Pieces(TestCase):
    def test_pieces_are_a_partition_of_the_figure_and_come_out_the_same_again(self):
        picture, _ = drawn()
        cut, again = cut_up(picture, pieces=300), cut_up(picture, pieces=300)
        self.assertTrue(np.array_equal(cut.labels, again.labels))
        count = len(cut.graph.size)
        self.assertEqual(set(np.unique(cut.labels)) - {-1}, set(range(count)))
        self.assertTrue(np.array_equal(np.bincount(cut.labels[cut.mask]), cut.graph.size))
        self.assertTrue(200 < count < 500)

    def test_a_fold_of_light_is_a_border(self):
        picture, mask = drawn(grain=0.001)
        border = cut_up(picture).border
        self.assertGreater(border[200:260, 148:153].max(axis=1).mean(), 5 * max(border[200:260, 120:140].mean(), 0.01))
        self.assertTrue(mask[230, 150])


class Borders(TestCase):
    def test_a_change_of_light_parts_pieces_down_to_a_fiftieth_of_it(self):
        labels = np.array([[0, 0, 1, 1]] * 2)

        def parted(one: float, other: float) -> float:
            (weight,) = graph_of(labels, np.zeros((2, 4)), np.where(labels == 0, one, other)).strength
            return float(weight)

        self.assertAlmostEqual(parted(0.022, 0.03), 0.2 * np.log(0.03 / 0.022) / 0.8, places=6)
        self.assertEqual(parted(0.001, 0.02), 0.0)
        self.assertAlmostEqual(parted(0.1, 0.9), 0.2, places=6)
