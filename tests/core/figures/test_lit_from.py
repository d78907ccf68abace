"""The light read off a photograph of a lit figure."""

from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import OutOfRange
from mantello_core.figures.lit_from import lit_from
from mantello_core.figures.sample import LIGHT_PLANS


def lit(x: float, y: float, z: float, ground: float = 0.9) -> np.ndarray:
    """A grey egg before plain paper, lit from a direction: x right, y down, z to the viewer."""
    down, across = np.mgrid[-1:1:160j, -1:1:120j]
    inside = (across / 0.5) ** 2 + (down / 0.8) ** 2
    nz = np.sqrt(np.clip(1 - inside, 0, 1))
    normal = np.stack([across / 0.5, down / 0.8, nz])
    lamp = np.array([x, y, z]) / np.linalg.norm([x, y, z])
    shade = np.clip(np.tensordot(lamp, normal, 1), 0, 1)
    return np.where(inside < 1, 0.08 + 0.7 * shade, ground)


class Light(TestCase):
    def test_lamps_are_found_where_they_stand(self):
        for plan, lamp in (("left", (-0.8, -0.5, 0.4)), ("right", (0.8, -0.5, 0.4)), ("overhead", (0, -1, 0.3)), ("front", (0, -0.2, 1))):  # fmt: skip
            self.assertEqual(lit_from(lit(*lamp)), plan, plan)
        both = np.maximum(lit(-0.9, -0.3, 0.3, 0.95), lit(0.9, -0.3, 0.3, 0.95))
        self.assertEqual(lit_from(both), "lamps")

    @given(st.floats(0.3, 1.0), st.floats(-0.9, -0.1), st.floats(0.1, 0.6))
    def test_the_other_way_round_it_is_the_other_side(self, x, y, z):
        here, mirrored = lit_from(lit(x, y, z)), lit_from(lit(x, y, z)[:, ::-1])
        self.assertIn(here, LIGHT_PLANS)
        self.assertEqual(mirrored, {"left": "right", "right": "left"}.get(here, here))

    def test_plain_paper_has_no_figure(self):
        with self.assertRaises(OutOfRange):
            lit_from(np.full((100, 100), 0.8))
