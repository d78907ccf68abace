"""Tones drawn along seams and sharp edges, from the outline that was told apart."""

import re
from itertools import pairwise
from unittest import TestCase

from mantello_core.figures.catalogue import plate, plate_types
from mantello_core.formats.drawing import Lit, plate_svg

TONES = Lit("#101010", "#e0e0e0", "#ffffff")


class Drawn(TestCase):
    def test_a_large_drawing_shows_recess_and_edge_within_each_area(self):
        knight = plate("knight")
        drawn = plate_svg(knight, "front", lambda area: "#808080", lit_of=lambda area: TONES)
        groups = re.findall(r'<clipPath id="([^"]+)"><path clip-rule="evenodd" d="[^"]+"/></clipPath><g class="tones" clip-path="url\(#([^)]+)\)"', drawn)  # fmt: skip
        self.assertGreater(len(groups), 30)
        self.assertTrue(all(one == other for one, other in groups))
        self.assertEqual(len({one for one, _ in groups}), len(groups))
        for colour in TONES[:3]:
            self.assertIn(f'stroke="{colour}"', drawn)

    def test_small_ones_and_areas_of_one_tone_stay_flat(self):
        knight = plate("knight")
        for drawn in (
            plate_svg(knight, "front", lambda area: "#808080", detail="small", lit_of=lambda area: TONES),
            plate_svg(knight, "front", lambda area: "#808080", lit_of=lambda area: None),
            plate_svg(knight, "front", lambda area: "#808080"),
        ):
            self.assertNotIn('class="tones"', drawn)

    def test_lines_are_as_long_as_was_measured(self):
        count = 0
        for name in plate_types():
            for view in plate(name).views:
                for seen in view.areas:
                    for text, measured in ((seen.sharp_d, seen.sharp_mm), (seen.foot_d, seen.foot_mm)):
                        self.assertEqual(bool(text), measured > 0, (name, seen.area))
                        length = 0.0
                        for run in filter(None, text.split("M")):
                            points = [tuple(map(float, one.split(","))) for one in run.split("L")]
                            length += sum(((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2) ** 0.5 for a, b in pairwise(points))  # fmt: skip
                        self.assertLess(abs(length / 10 - measured), 0.5 * measured + 0.6, (name, seen.area))
                        count += bool(text)
        self.assertGreater(count, 1000)
