"""Surfaces are cleaned, set upright, cut finer and measured as geometry says."""

from itertools import pairwise
from math import pi
from unittest import TestCase

import numpy as np

from mantello_core.errors import OutOfRange, Unreadable
from mantello_core.figures.modelled.measuring import areas_measured
from mantello_core.figures.modelled.patches import crease_strength, patched
from mantello_core.figures.modelled.seen import VIEWS, seen_from
from mantello_core.figures.modelled.sky import sky_seen
from mantello_core.figures.modelled.solid import UP, cleaned, refined, set_upright, upright_side

from .case import ball, box


def sky_of(solid):
    *_, sky = sky_seen(solid)
    return sky


class Cleaned(TestCase):
    def test_a_box_has_its_corners_faces_and_edges_once(self):
        solid = cleaned(np.concatenate([box(2, 3, 4), box(2, 3, 4)[:3], box(2, 3, 4)[:1] * 0 + 1]))
        self.assertEqual((len(np.unique(solid.faces)), len(solid.faces), len(solid.pairs)), (8, 12, 18))
        self.assertAlmostEqual(float(solid.mm2.sum()), 2 * (6 + 8 + 12))
        turns = np.degrees(solid.turn)
        self.assertEqual(sorted(set(np.round(turns).astype(int).tolist())), [0, 90])

    def test_what_is_inside_out_is_turned_out(self):
        solid = cleaned(box(2, 3, 4)[:, ::-1])
        top = solid.normal[solid.centre[:, 1] > 2.9]
        self.assertTrue((top[:, 1] > 0.9).all())

    def test_what_has_no_surface_is_told(self):
        for nothing in (np.ones((4, 3, 3)), np.array([[[0, 0, 0], [1, 0, 0], [2, 0, 0]]], float)):
            with self.assertRaisesRegex(Unreadable, "no surface"):
                cleaned(nothing)

    def test_long_edges_are_halved_from_both_sides_alike(self):
        fine = refined(box(40, 60, 80))
        solid = cleaned(fine)
        self.assertGreater(len(solid.faces), 500)
        # no edge gapes: each is shared by two faces
        self.assertEqual(len(solid.pairs), len(solid.faces) * 3 // 2)
        self.assertAlmostEqual(float(solid.mm2.sum()), 2 * (2400 + 3200 + 4800), places=3)


class Upright(TestCase):
    def test_the_way_up_is_told_by_what_it_stands_on(self):
        # a post on a wide plate
        figure = np.concatenate([box(30, 3, 30), box(8, 30, 8, (0, 3, 0))])
        self.assertEqual(upright_side(figure), "+y")
        for side, turned in (
            ("+z", figure[..., [0, 2, 1]]),
            ("-y", figure * [1, -1, 1]),
            ("+x", figure[..., [1, 0, 2]]),
        ):
            self.assertEqual(upright_side(turned), side)
        self.assertEqual(upright_side(ball(10)), "+z")

    def test_every_side_can_be_up_and_nothing_is_mirrored(self):
        figure = np.concatenate([box(10, 2, 4), box(2, 2, 2, (3, 2, 1))])
        volume = float(np.linalg.det(figure).sum())
        for side in UP:
            for quarters in range(4):
                turned = set_upright(figure, side, quarters, 20)
                flat = turned.reshape(-1, 3)
                self.assertAlmostEqual(float(flat[:, 1].min()), 0)
                self.assertAlmostEqual(float(flat[:, 1].max()), 20)
                self.assertGreater(float(np.linalg.det(turned).sum()) * volume, 0)
        once, twice = set_upright(figure, "+y", 1), set_upright(figure, "+y", 2)
        self.assertTrue(np.allclose(set_upright(once, "+y", 1), twice))

    def test_a_file_in_other_units_is_asked_for_its_height(self):
        for height in (0.03, 4000):
            with self.assertRaisesRegex(OutOfRange, "Say its height") as caught:
                set_upright(box(1, height, 1), "+y", 0)
            self.assertEqual(caught.exception.where, "height_mm")
        self.assertAlmostEqual(float(np.ptp(set_upright(box(1, 0.03, 1), "+y", 0, 28)[..., 1])), 28)


class SeenAndMeasured(TestCase):
    def test_every_view_shows_the_outline_and_the_nearest_face(self):
        solid = cleaned(np.concatenate([box(10, 20, 6), box(4, 4, 4, (0, 8, 6))]))
        for name, mm2 in (("front", 200), ("back", 200), ("left", 120 + 16), ("top", 60 + 12 + 4)):
            seen = seen_from(solid, VIEWS[name], 12.0)
            self.assertAlmostEqual(float(seen.mask.sum()) / 144, mm2, delta=0.02 * mm2 + 2)
        front = seen_from(solid, VIEWS["front"], 12.0)
        column, row = front.origin
        near = front.depth[int(row - 10 * 12), int(column)]
        self.assertAlmostEqual(float(near), float(solid.points[:, 2].max()), places=3)
        left = seen_from(solid, VIEWS["left"], 12.0)
        # the front is at the left of the picture that shows the left side
        self.assertTrue(left.mask[int(left.origin[1] - 10 * 12), int(left.origin[0] - 7 * 12)])

    def test_a_box_is_measured_as_it_is(self):
        solid = cleaned(refined(box(10, 10, 10)))
        (one,) = areas_measured(solid, np.zeros(len(solid.faces), int), ["gear.box"], sky_of(solid)).values()
        # what it stands on is not painted: five faces; twelve edges, of which four are half a painted one
        self.assertAlmostEqual(one.surface_mm2, 500, delta=0.1)
        self.assertAlmostEqual(one.edge_mm, 80 + 40 / 2, delta=1)
        self.assertAlmostEqual(one.sharp_mm, 40, delta=0.5)
        self.assertEqual((one.recess_share, one.corners), (0, 8))
        self.assertGreater(one.exposure, 0.9)
        self.assertAlmostEqual(one.upward_share, 0.2, delta=0.03)

    def test_a_rounded_edge_counts_as_one_edge_and_a_ball_has_none(self):
        turns = np.linspace(0, 2 * pi, 25)
        ring = np.stack([0.5 * np.cos(turns), 0.5 * np.sin(turns)], 1)
        sides = []
        for (x1, z1), (x2, z2) in pairwise(ring):
            a, b, c, d = (x1, 0, z1), (x2, 0, z2), (x2, 20, z2), (x1, 20, z1)
            sides += [(a, c, b), (a, d, c), (d, (0, 20, 0), c), (a, b, (0, 0, 0))]
        rod = cleaned(np.array(sides, float))
        bar = cleaned(box(1, 20, 1))
        found = [
            areas_measured(one, np.zeros(len(one.faces), int), ["weapon.pole"], sky_of(one))["weapon.pole"].edge_mm
            for one in (rod, bar)
        ]
        # all round a thin rod is four right angles, as a square bar has
        self.assertAlmostEqual(found[0], 80 + pi * 1.5, delta=1)
        self.assertAlmostEqual(found[1], 80 + 4 * 1.5, delta=1)
        globe = cleaned(ball(10) + np.array([0, 15, 0]))
        (none,) = areas_measured(globe, np.zeros(len(globe.faces), int), ["gear.ball"], sky_of(globe)).values()
        self.assertAlmostEqual(none.surface_mm2, 4 * pi * 100, delta=10)
        self.assertLess(none.edge_mm, 1)

    def test_the_floor_of_a_well_is_a_recess_and_its_foot_a_seam(self):
        walls = [box(2, 12, 14, (x, 0, 0)) for x in (-6, 6)] + [box(10, 12, 2, (0, 0, z)) for z in (-6, 6)]
        solid = cleaned(refined(np.concatenate([*walls, box(10, 1, 10)])))
        floor = (np.abs(solid.centre[:, 1] - 1) < 0.01) & (solid.normal[:, 1] > 0.9)
        found = areas_measured(solid, np.where(floor, 0, 1), ["base.ground", "base.rim"], sky_of(solid))
        self.assertGreater(found["base.ground"].recess_share, 0.8)
        self.assertLess(found["base.rim"].recess_share, 0.5)
        self.assertLess(found["base.ground"].exposure, found["base.rim"].exposure)

    def test_patches_end_at_creases(self):
        solid = cleaned(refined(box(30, 30, 30)))
        patch, graph = patched(solid, 150)
        way = np.argmax(np.abs(solid.normal), 1) * 2 + (solid.normal.max(1) > 0.5)
        for one in np.unique(patch):
            self.assertEqual(len(set(way[patch == one].tolist())), 1, one)
        strength = crease_strength(solid)
        self.assertEqual(float(strength[np.abs(solid.turn) < 0.01].max()), 0)
        self.assertAlmostEqual(float(graph.size.sum()), 5400, delta=1)
        # the border of two patches is as long on the surface as in the graph
        self.assertAlmostEqual(
            float(graph.length.sum()),
            float(solid.edge_mm[patch[solid.pairs[:, 0]] != patch[solid.pairs[:, 1]]].sum()),
            places=6,
        )
