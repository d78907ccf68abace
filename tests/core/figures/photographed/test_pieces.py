"""Pieces given to areas: shortest ways, against a plain count."""

from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.figures.piecework.pieces import BORDER, STEP, PieceGraph, nearest_start, touching


def graph(count: int, edges: dict[tuple[int, int], float]) -> PieceGraph:
    pairs = np.array(list(edges), np.int64).reshape(-1, 2)
    return PieceGraph(np.ones(count, int), pairs, np.array(list(edges.values()), float), np.ones(len(edges), int))


def plainly(count: int, edges: dict[tuple[int, int], float], starts: dict[int, int]) -> list[set[int]]:
    """Areas that are nearest to every piece, by going over all edges again and again."""
    least = [{area: 0.0 for piece, area in starts.items() if piece == one} for one in range(count)]
    for _ in range(count):
        for (one, other), strength in edges.items():
            for here, there in ((one, other), (other, one)):
                for area, cost in least[here].items():
                    further = cost + STEP + BORDER * strength**2
                    least[there][area] = min(least[there].get(area, np.inf), further)
    return [{area for area, cost in costs.items() if cost <= min(costs.values()) + 1e-9} for costs in least]


class Assigned(TestCase):
    def test_a_strong_border_is_gone_round_or_holds(self):
        # 0 - 1 - 2 - 3 in a row, a strong border between 1 and 2
        row = graph(4, {(0, 1): 0.1, (1, 2): 0.9, (2, 3): 0.1})
        self.assertEqual(row.assigned({0: 7, 3: 8}).tolist(), [7, 7, 8, 8])
        self.assertEqual(row.assigned({0: 7}).tolist(), [7, 7, 7, 7])
        self.assertEqual(row.assigned({}).tolist(), [-1, -1, -1, -1])

    def test_an_island_that_no_way_leads_to_has_no_area(self):
        self.assertEqual(graph(3, {(0, 1): 0.2}).assigned({0: 1}).tolist(), [1, 1, -1])

    @settings(max_examples=60, deadline=None)
    @given(st.integers(2, 9), st.data())
    def test_every_piece_goes_where_a_plain_count_says_and_a_given_one_stays(self, count, data):
        every = [(one, other) for one in range(count) for other in range(one + 1, count)]
        chosen = data.draw(st.lists(st.sampled_from(every), min_size=1, unique=True))
        edges = {pair: data.draw(st.floats(0, 1)) for pair in chosen}
        starts = data.draw(st.dictionaries(st.integers(0, count - 1), st.integers(0, 3), min_size=1, max_size=3))
        found = graph(count, edges).assigned(starts)
        for piece, area in starts.items():
            self.assertEqual(found[piece], area)
        for piece, allowed in enumerate(plainly(count, edges, starts)):
            self.assertIn(found[piece], allowed or {-1})


class Cut(TestCase):
    def test_nodes_go_to_their_nearest_start_and_islands_get_numbers_of_their_own(self):
        pairs = np.array([[0, 1], [1, 2], [3, 4]])
        found = nearest_start(pairs, np.array([1.0, 5.0, 1.0]), 5, np.array([0, 2]))
        self.assertEqual(found.tolist(), [0, 0, 1, 2, 2])

    def test_borders_are_as_long_as_the_pixels_that_touch_and_as_strong_as_their_mean(self):
        piece = np.array([0, 0, 1, -1])
        joined, strength, length = touching(
            piece, np.array([[0, 1], [1, 2], [0, 2], [2, 3]]), np.array([9.0, 0.2, 0.4, 9.0])
        )
        self.assertEqual((joined.tolist(), length.tolist()), ([[0, 1]], [2]))
        self.assertAlmostEqual(strength[0], 0.3)
