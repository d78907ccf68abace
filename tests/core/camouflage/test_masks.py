"""Masks: they cover what stays, keep off other inks, and lie on the sheet at true size, both columns alike."""

import re
from unittest import TestCase

import shapely

from mantello_core.camouflage.masks import LEAST_MM2, mask_pieces
from mantello_core.formats.mask_sheets import BAR, MARGIN, PAGE, guide_sheets, mask_sheets
from mantello_core.geometry import overlay as safe
from tests.core.camouflage.samples import laid

NAMES = ("Sand", "Olive", "Rust")


class Pieces(TestCase):
    def test_they_cover_what_stays_and_touch_little_else(self):
        for family in ("splinter", "lozenge", "pixels"):
            found = laid(family)
            for ink in range(2):
                covered = whole = touched = 0.0
                for (_, pieces), view in zip(mask_pieces(found, ink), found.views, strict=True):
                    united = safe.union_all([one.shape for one in pieces])
                    whole += view.seen[ink].area
                    covered += safe.intersection(united, view.seen[ink]).area
                    touched += sum(
                        safe.intersection(united, shape).area for at, shape in enumerate(view.seen) if at != ink
                    )
                self.assertGreaterEqual(covered / whole, 0.96, family)
                self.assertLessEqual(touched / found.mm2, 0.003, family)

    def test_each_has_a_name_of_its_own_and_small_ones_are_left_to_the_brush(self):
        pieces = [one for _, view in mask_pieces(laid("splinter"), 0) for one in view]
        names = [one.name for one in pieces]
        self.assertEqual(len(names), len(set(names)))
        self.assertEqual({name[0] for name in names}, {"L", "R", "T"})
        self.assertTrue(all(one.cut == (one.shape.area >= LEAST_MM2) for one in pieces))
        self.assertTrue(any(one.cut for one in pieces) and not all(one.cut for one in pieces))


class Sheets(TestCase):
    def marks(self, svg: str) -> list[list[float]]:
        """Places of the registration marks on the page, mm, by column."""
        found = []
        for matrix, inner in re.findall(r'<g transform="matrix\(([^)]*)\)">(.*?)</g>', svg, re.S):
            a, _, _, d, e, f = map(float, matrix.split())
            at = re.findall(r"M(-?[\d.]+),(-?[\d.]+)h3M(-?[\d.]+),", inner)
            found.append(sorted((round(a * float(x) + e, 2), round(d * float(y) + f, 2)) for _, y, x in at))
        return found

    def test_one_for_every_ink_but_the_last_with_a_bar_of_fifty_mm(self):
        sheets = list(mask_sheets(laid("splinter"), NAMES, "Harbour splinter, car 1"))
        self.assertEqual(
            [one.title for one in sheets], [f"Harbour splinter, car 1: cover what stays {name}" for name in NAMES[:2]]
        )
        for one in sheets:
            self.assertIn(
                f'width="{PAGE[0]:g}mm" height="{PAGE[1]:g}mm" viewBox="0 0 {PAGE[0]:g} {PAGE[1]:g}"', one.svg
            )
            x, length = re.search(r'data-bar="50" d="M([\d.]+),12h([\d.]+)M', one.svg).groups()
            self.assertEqual((float(x), float(length)), (PAGE[0] - MARGIN - BAR, BAR))

    def test_marks_of_both_columns_fall_on_one_another_turned_over_or_not(self):
        for mirrored in (False, True):
            columns = self.marks(next(mask_sheets(laid("splinter"), NAMES, "x", mirrored=mirrored)).svg)
            self.assertEqual(len(columns), 6)
            for lies, cut in zip(columns[::2], columns[1::2], strict=True):
                self.assertEqual(len(lies), 4)
                spans = [(column[-1][0] - column[0][0], column[0][1], column[-1][1]) for column in (lies, cut)]
                self.assertAlmostEqual(spans[0][0], spans[1][0], places=1)
                self.assertEqual(spans[0][1:], spans[1][1:])

    def test_turned_over_is_the_mirror_image_at_the_same_size(self):
        plain, turned = (next(mask_sheets(laid("splinter"), NAMES, "x", mirrored=way)).svg for way in (False, True))
        scales = [re.findall(r"matrix\(([-\d.]+) 0 0 ([-\d.]+)", svg) for svg in (plain, turned)]
        self.assertEqual({one for one, _ in scales[0]}, {"1"})
        self.assertEqual([one for one, _ in scales[1]], ["1", "-1"] * 3)
        self.assertEqual({two for _, two in scales[1]}, {"1"})

    def test_a_smaller_model_is_smaller_on_the_sheet(self):
        half = next(mask_sheets(laid("splinter", 1, 112.0), NAMES, "x")).svg
        self.assertEqual(set(re.findall(r"matrix\(([-\d.]+) 0 0", half)), {"0.5"})

    def test_a_guide_shows_each_ink_on_those_before(self):
        sheets = list(guide_sheets(laid("blotch"), NAMES, "Estuary, car 1"))
        self.assertEqual(
            [one.title for one in sheets], ["Estuary, car 1: 1 of 2, Olive", "Estuary, car 1: 2 of 2, Rust"]
        )
        self.assertEqual([one.svg.count('fill="#c9c9c9"') for one in sheets], [0, 3])
        self.assertEqual([one.svg.count('fill="#4a4a4a"') for one in sheets], [3, 3])

    def test_pieces_on_the_sheet_are_those_of_the_layout(self):
        found = laid("splinter")
        whole = sum(one.shape.area for _, view in mask_pieces(found, 0) for one in view if one.cut)
        self.assertGreater(whole, 300)
        self.assertLess(whole, shapely.union_all([view.region for view in found.surface.views]).area)
