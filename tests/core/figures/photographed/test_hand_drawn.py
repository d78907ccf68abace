"""Borders that a painter draws lie on the nearest edge, and what was given lives through a new cut."""

from unittest import TestCase

import numpy as np

from mantello_core.figures.photographed.cutting import cut_up
from mantello_core.figures.photographed.hand_drawn import REACH, carried_over, snapped
from tests.core.figures.photographed.case import drawn


class Snapped(TestCase):
    def test_a_line_beside_an_edge_is_laid_on_it(self):
        border = np.zeros((60, 80), np.float32)
        border[33, 5:75] = 1
        rows, columns = np.nonzero(snapped(border, np.array([[10.0, 30.0], [40.0, 29.0], [70.0, 30.0]])))
        middle = (columns > 20) & (columns < 60)
        self.assertTrue(middle.any())
        self.assertLessEqual(int(np.abs(rows[middle] - 33).max()), 1)

    def test_where_no_edge_is_it_stays_as_it_was_drawn(self):
        line = np.array([[10.0, 10.0], [40.0, 40.0]])
        rows, columns = np.nonzero(snapped(np.zeros((60, 80), np.float32), line))
        self.assertLessEqual(int(np.abs(rows - columns).max()), 3)
        self.assertGreater(len(rows), 60)

    def test_an_edge_too_far_off_is_not_taken_and_a_line_off_the_picture_is_cut(self):
        border = np.zeros((60, 80), np.float32)
        border[30 + 3 * REACH, :] = 1
        rows, _ = np.nonzero(snapped(border, np.array([[10.0, 30.0], [70.0, 30.0]])))
        self.assertLess(int(rows.max()), 36)
        self.assertTrue(snapped(border, np.array([[-40.0, 30.0], [400.0, 30.0]])).any())


class Cut(TestCase):
    def test_no_piece_reaches_over_a_drawn_border_and_the_given_stays_where_it_lay(self):
        picture, _ = drawn()
        plain = cut_up(picture.astype(np.float32))
        line = np.array([[85.0, 235.0], [215.0, 235.0]])
        parted = cut_up(picture.astype(np.float32), lines=(line,))
        strip = parted.border[227:244, 100:200]
        inside = parted.mask[227:244, 100:200].all(0)
        self.assertGreater(int(inside.sum()), 50)
        self.assertGreaterEqual(float(strip.max(0)[inside].min()), 1)
        over, under = set(np.unique(parted.labels[226, 95:205])), set(np.unique(parted.labels[244, 95:205]))
        self.assertFalse((over & under) - {-1})
        given = {int(plain.labels[90, 150]): "head.face", int(plain.labels[200, 120]): "torso.tunic"}
        carried = carried_over(given, plain.labels, parted.labels)
        self.assertEqual(sorted(carried.values()), ["head.face", "torso.tunic"])
        areas = parted.graph.assigned({piece: at for at, piece in enumerate(carried)})
        self.assertEqual(list(carried.values())[int(areas[parted.labels[90, 150]])], "head.face")
        nothing = np.full(parted.labels.shape, -1)
        self.assertEqual(carried_over(given, plain.labels, nothing), {})
