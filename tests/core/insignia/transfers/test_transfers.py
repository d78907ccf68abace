"""Transfer sheets: nesting, bleed, what lies beneath, cuts for domes, and the size that comes out."""

import json
import math
import re
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import affinity
from shapely.geometry import box
from shapely.ops import unary_union

from mantello_core.errors import OutOfRange
from mantello_core.figures.catalogue import plate
from mantello_core.formats.command import BAD_INPUT, GOOD, answer
from mantello_core.formats.transfer_svg import BAR, transfer_svg
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.devices.device import Device
from mantello_core.insignia.transfers.decal import arms_decal, device_decal
from mantello_core.insignia.transfers.transfer_sheet import (
    BLEED,
    EDGE,
    FOOT,
    PAPERS,
    Decal,
    nested,
    printer_scale,
    relief,
)

SITE = next(site for site in plate("captain").view("front").sites if site.id == "shield.face")


def plain(width: float, height: float, copies: int, label: str = "piece", dark: bool = False) -> Decal:
    shape = box(-width / 2, -height / 2, width / 2, height / 2)
    return Decal(label, ((shape, "#aa0000"),), shape, "#aa0000", copies, dark)


def on_sheet(one):
    turned = affinity.rotate(one.decal.cut, 90 if one.turned else 0, origin=(0, 0))
    return affinity.translate(turned, one.x, one.y)


class Nesting(TestCase):
    @settings(max_examples=30, deadline=None)
    @given(st.lists(st.tuples(st.floats(0.5, 40), st.floats(0.5, 40), st.integers(1, 12)), min_size=1, max_size=6))
    def test_every_copy_lies_once_inside_the_edge_and_none_on_another(self, sizes):
        laid = nested([plain(*size) for size in sizes], "A6")
        self.assertEqual(len(laid), sum(copies for _, _, copies in sizes))
        wide, tall = PAPERS["A6"]
        for sheet in {one.sheet for one in laid}:
            shapes = [on_sheet(one) for one in laid if one.sheet == sheet]
            area = sum(shape.area for shape in shapes)
            self.assertAlmostEqual(unary_union(shapes).area, area, delta=1e-6 * area)
            left, top, right, bottom = unary_union(shapes).bounds
            self.assertGreaterEqual(min(left, top), EDGE - 1e-6)
            self.assertLessEqual(right, wide - EDGE + 1e-6)
            self.assertLessEqual(bottom, tall - EDGE - FOOT + 1e-6)

    def test_a_second_sheet_is_taken_when_the_first_is_full(self):
        self.assertEqual({one.sheet for one in nested([plain(40, 40, 12)], "A6")}, {0, 1, 2})

    def test_limits(self):
        for decals, paper in (([plain(5, 5, 1)], "B7"), ([plain(200, 10, 1)], "A6"), ([plain(1, 1, 4000)], "A4")):
            with self.assertRaises(OutOfRange):
                nested(decals, paper)


class Pieces(TestCase):
    def test_arms_are_as_large_as_the_site_allows_and_their_field_bleeds(self):
        decal = arms_decal("Reed", read_blazon("Azure, a star or"), SITE, {"azure": "#0000aa", "or": "#ffcc00"}.get, 3)
        left, top, right, bottom = decal.outline.bounds
        self.assertAlmostEqual(right - left, SITE.width * 0.84, places=3)
        self.assertLessEqual(bottom - top, SITE.height * 0.84 + 1e-6)
        self.assertEqual(decal.bleeds, "#0000aa")
        cut = decal.cut.bounds
        self.assertAlmostEqual(cut[2] - cut[0], right - left + 2 * BLEED, delta=0.02)

    def test_the_other_side_is_mirrored(self):
        arms = read_blazon("Per pale azure and or")
        fills = {"azure": "#0000aa", "or": "#ffcc00"}.get
        sides = [
            {fill: shape.centroid.x for shape, fill in arms_decal("", arms, SITE, fills, 1, mirrored=turned).pieces}
            for turned in (False, True)
        ]
        self.assertAlmostEqual(sides[0]["#0000aa"], -sides[1]["#0000aa"], places=3)
        self.assertLess(sides[0]["#0000aa"], 0)

    def test_a_zero_keeps_its_hole_and_bleeds_nothing(self):
        decal = device_decal("0", Device("text", "0"), SITE, "#111111", 1)
        shape = decal.pieces[0][0]
        self.assertEqual(len(shape.interiors), 1)
        self.assertEqual(decal.bleeds, "")


class Drawn(TestCase):
    def test_white_lies_beneath_what_goes_on_dark_grounds_only(self):
        laid = nested([plain(5, 5, 2, "dark", True), plain(4, 4, 3, "light")], "A6")
        white = transfer_svg(laid, "A6", 0, layer="white")
        self.assertEqual(white.count('fill="#000000"'), 2)
        self.assertNotIn("#aa0000", white)

    def test_the_bar_the_cuts_and_what_is_on_it(self):
        laid = nested([plain(5, 5, 2, "Reed"), plain(4, 4, 3, "Weir")], "A6")
        svg = transfer_svg(laid, "A6", 0)
        self.assertIn(f"h{BAR:g}v-3", svg)
        self.assertEqual(svg.count('class="cutline"'), 5)
        self.assertIn("Sheet 1, colour: Weir 3; Reed 2.", svg)
        self.assertIn('width="105mm" height="148mm" viewBox="0 0 105 148"', svg)

    def test_mirrored_pieces_keep_their_places_from_the_other_edge(self):
        laid = nested([plain(5, 5, 1)], "A6")
        self.assertIn("translate(105.0 0) scale(-1 1)", transfer_svg(laid, "A6", 0, mirrored=True))
        self.assertNotIn("scale(", transfer_svg(laid, "A6", 0))
        self.assertIn("scale(0.980000)", transfer_svg(laid, "A6", 0, scale=0.98))

    def test_long_lists_are_cut_short_and_hostile_labels_escaped(self):
        laid = nested([plain(2, 2, 1, f"<script>{number}</script> of a long name") for number in range(40)], "A6")
        svg = transfer_svg(laid, "A6", 0)
        self.assertNotIn("<script", svg)
        self.assertLessEqual(len(re.findall("<text", svg)), 5)


class Domes(TestCase):
    def test_the_excess_of_a_flat_disc_is_the_published_one(self):
        self.assertAlmostEqual(relief(2, 3).excess, 2 * math.pi * (1 - 3 * math.sin(1 / 3)), places=9)
        self.assertAlmostEqual(relief(math.pi * 2, 2).excess, 2 * math.pi * (math.pi - 2), places=6)

    def test_a_small_mark_on_a_wide_dome_needs_no_cut_and_a_large_one_several(self):
        self.assertEqual((relief(1.6, 12).cuts, relief(1.6, 12).depth), (0, 0.0))
        cut = relief(4, 3)
        self.assertGreaterEqual(cut.cuts * 0.35, cut.excess)
        self.assertLess(cut.depth, 2)

    def test_limits(self):
        for width, radius in ((0, 3), (2, 0), (10, 3)):
            with self.assertRaises(OutOfRange):
                relief(width, radius)

    def test_a_bar_that_came_out_short_is_printed_larger(self):
        self.assertAlmostEqual(printer_scale(50, 49), 102.0408, places=3)
        for measured in (0, 30, 70):
            with self.assertRaises(OutOfRange):
                printer_scale(50, measured)


class Verb(TestCase):
    def ask(self, **given):
        status, text = answer("transfers", json.dumps(given).encode())
        return status, json.loads(text)

    def test_it_answers_with_sheets_and_cuts(self):
        mark = {"blazon": "Azure, a star or", "width": 4, "copies": 5, "dark": True, "dome": 3}
        status, told = self.ask(marks=[mark], paper="A6")
        self.assertEqual((status, told["pieces"], len(told["sheets"])), (GOOD, 5, 1))
        self.assertEqual(told["sheets"][0]["white"].count('fill="#000000"'), 5)
        self.assertGreater(told["cuts"][0]["cuts"], 1)

    def test_it_refuses(self):
        for wrong in (
            {"marks": []},
            {"marks": [{"blazon": "azure, a fes", "width": 4}]},
            {"marks": [{"blazon": "Azure", "width": 0}]},
            {"marks": [{"blazon": "Azure", "width": 300}], "paper": "A4"},
            {"marks": [{"blazon": "Azure", "width": 3}], "paper": "napkin"},
        ):
            self.assertEqual(self.ask(**wrong)[0], BAD_INPUT, wrong)
