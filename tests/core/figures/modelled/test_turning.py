"""The surface that a browser turns: every corner where it is, its way, its light, its area; thinned where it is large."""

import struct
from unittest import TestCase

import numpy as np

from mantello_core.figures.modelled.turning import _CORNER, NO_AREA, turned_surface

from .case import ball, box, cut


def read(data: bytes) -> tuple[float, np.ndarray]:
    count, step = struct.unpack("<If", data[:8])
    return step, np.frombuffer(data, _CORNER, offset=8).reshape(count, 3)


class Turned(TestCase):
    def test_a_box_has_its_corners_ways_and_areas(self):
        model = cut(box(10, 20, 6))
        high = np.array([model.solid.centre[model.patch == one, 1].mean() for one in range(len(model.graph.size))])
        step, corners = read(turned_surface(model, np.where(high > 10, 1, -1)))
        at = corners["at"] * step
        self.assertTrue(np.allclose(at.reshape(-1, 3).min(0), (-5, 0, -3), atol=0.01))
        self.assertTrue(np.allclose(at.reshape(-1, 3).max(0), (5, 20, 3), atol=0.01))
        top = (at[:, :, 1] > 19.99).all(1)
        self.assertTrue((corners["way"][top] == (0, 127, 0)).all())
        self.assertTrue((corners["area"][top] == 1).all())
        self.assertEqual(set(np.unique(corners["area"]).tolist()), {1, NO_AREA})
        self.assertGreater(int(corners["sky"][top].min()), 230)

    def test_a_large_model_is_thinned_and_keeps_its_form(self):
        model = cut(ball(12, 60) + np.array([0, 12, 0]))
        area = np.zeros(len(model.graph.size), int)
        _, whole = read(turned_surface(model, area))
        step, fewer = read(turned_surface(model, area, 2000))
        self.assertEqual(len(whole), len(model.solid.faces))
        self.assertLess(len(fewer), 2400)
        self.assertGreater(len(fewer), 800)
        off = np.linalg.norm(fewer["at"].reshape(-1, 3) * step - (0, 12, 0), axis=1)
        self.assertTrue((np.abs(off - 12) < 0.6).all())
