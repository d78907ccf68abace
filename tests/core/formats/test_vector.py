"""Shapes of SVG files measured as a browser would draw them, hostile files refused, and nothing left out in silence."""

import math
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st
from shapely import unary_union

from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.formats.vector.placing import Frame, fitted, transform_of
from mantello_core.formats.vector.shapes import read_shapes
from mantello_core.geometry.polygon import polygon_of
from tests.core.case import RefusalCase

NAMESPACES = 'xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink"'


def read(inner: str, frame: str = 'viewBox="0 0 200 200"', before: str = ""):
    return read_shapes(f"{before}<svg {NAMESPACES} {frame}>{inner}</svg>".encode())


def area(inner: str, frame: str = 'viewBox="0 0 200 200"') -> float:
    return unary_union([polygon_of(one.commands) for one in read(inner, frame)[0]]).area


class Placed(TestCase):
    """Areas in square units, worked out by hand; each was compared with what a browser fills."""

    def test_lengths_have_units_and_per_cents(self):
        mm = 96 / 25.4
        self.assertAlmostEqual(area('<rect x="1cm" width="10mm" height="0.5in"/>'), 10 * mm * 48, delta=0.5)
        self.assertAlmostEqual(area('<rect x="50%" width="20%" height="10%"/>'), 40 * 20, delta=0.1)
        self.assertAlmostEqual(area('<rect width="25%" height="50%"/>', 'width="80" height="40"'), 20 * 20, delta=0.1)
        self.assertAlmostEqual(area('<rect width="12pt" height="1pc"/>'), 16 * 16, delta=0.1)

    def test_nested_drawings_are_fitted_and_cut_at_their_edge(self):
        box = '<svg x="20" y="30" width="100" height="50" viewBox="0 0 10 10"{}><rect width="10" height="10"/></svg>'
        self.assertAlmostEqual(area(box.format("")), 2500, delta=1)
        self.assertAlmostEqual(area(box.format(' preserveAspectRatio="none"')), 5000, delta=1)
        self.assertAlmostEqual(area(box.format(' preserveAspectRatio="xMinYMin slice"')), 5000, delta=1)
        self.assertAlmostEqual(
            area('<svg x="10%" y="10%" width="50%" height="50%"><rect x="50%" width="100%" height="50%"/></svg>'),
            2500,
            delta=1,
        )

    def test_a_nested_drawing_is_shown_however_narrow_and_none_without_width(self):
        box = '<svg width="{}" height="50" viewBox="0 0 10 10" preserveAspectRatio="none"><rect width="10" height="10"/></svg>'
        self.assertAlmostEqual(area(box.format(1)), 50, delta=0.5)
        self.assertAlmostEqual(area(box.format(0.5)), 25, delta=0.5)
        self.assertEqual(area(box.format(0)), 0)

    def test_every_way_to_scale_and_skew_moves_points_as_it_says(self):
        for said, bounds in (
            ("scaleX(2)", (20, 20, 60, 40)), ("scaleY(3)", (10, 60, 30, 120)), ("scale(2, 3)", (20, 60, 60, 120)), ("scale(2)", (20, 40, 60, 80)),
            ("translateX(5)", (15, 20, 35, 40)), ("translateY(5)", (10, 25, 30, 45)), ("skewX(45)", (30, 20, 70, 40)), ("skewY(45)", (10, 30, 30, 70)),
        ):  # fmt: skip
            (moved,), _ = read(
                f'<rect x="10" y="20" width="20" height="20" style="transform:{said.replace("45", "45deg")}"/>'
            )
            self.assertEqual(tuple(round(one, 2) for one in polygon_of(moved.commands).bounds), bounds, said)

    def test_a_drawing_pulled_out_of_shape_stays_upright(self):
        (one,), _ = read(
            '<rect x="10" y="20" width="20" height="40"/>',
            'width="200" height="50" viewBox="0 0 100 100" preserveAspectRatio="none"',
        )
        left, top, right, bottom = polygon_of(one.commands).bounds
        self.assertAlmostEqual((right - left) / (bottom - top), (20 * 2) / (40 * 0.5), places=3)
        self.assertAlmostEqual(polygon_of(one.commands).area, (right - left) * (bottom - top), places=3)

    def test_copies_and_symbols(self):
        defined = '<defs><g id="g"><rect width="30" height="30"/></g><symbol id="s" viewBox="0 0 10 20"><rect width="10" height="20"/></symbol></defs>'
        self.assertAlmostEqual(
            area(defined + '<use href="#g" x="20"/><use xlink:href="#g" transform="translate(100 20) scale(2)"/>'),
            900 + 3600,
            delta=1,
        )
        self.assertAlmostEqual(area(defined + '<use href="#s" x="20" y="100" width="60" height="40"/>'), 800, delta=1)
        found, _ = read(defined + '<use id="left cuff" href="#g"/>')
        self.assertEqual(found[0].names[0], "left cuff")

    def test_nested_drawings_lie_where_they_say_and_are_not_slanted(self):
        (nested,), _ = read('<svg x="20" y="30" width="40" height="50"><rect width="40" height="50"/></svg>')
        self.assertEqual(polygon_of(nested.commands).bounds, (20, 30, 60, 80))
        (used,), _ = read(
            '<defs><symbol id="s"><rect width="10" height="20"/></symbol></defs><use href="#s" x="7" y="9" width="10" height="20"/>'
        )
        self.assertEqual(polygon_of(used.commands).bounds, (7, 9, 17, 29))
        self.assertAlmostEqual(polygon_of(used.commands).area, 200, delta=0.1)

    def test_corners_are_round_and_origins_are_heeded(self):
        self.assertAlmostEqual(area('<rect width="80" height="60" rx="20"/>'), 4800 - (4 - 3.14159) * 400, delta=8)
        self.assertAlmostEqual(
            area('<rect width="80" height="60" rx="90" ry="10"/>'), 4800 - (4 - 3.14159) * 40 * 10, delta=8
        )
        (turned,), _ = read(
            '<rect x="40" y="40" width="20" height="10" transform="rotate(90)" transform-origin="50px 45px"/>'
        )
        self.assertEqual([round(one, 3) for one in polygon_of(turned.commands).bounds], [45, 35, 55, 55])
        (turned,), _ = read(
            '<rect x="40" y="40" width="20" height="10" style="transform:rotate(0.25turn);transform-origin:center;transform-box:fill-box"/>'
        )
        self.assertEqual([round(one, 3) for one in polygon_of(turned.commands).bounds], [45, 35, 55, 55])

    def test_cuts_within_cuts(self):
        clip = '<defs><clipPath id="c"><rect width="60" height="60"/><rect x="100" width="20" height="20"/></clipPath></defs>'
        self.assertAlmostEqual(
            area(clip + '<g clip-path="url(#c)"><rect width="200" height="30"/></g>'), 1800 + 400, delta=1
        )
        self.assertAlmostEqual(
            area(
                clip
                + '<g clip-path="url(#c)"><g clip-path="url(#c)" transform="translate(30 0)"><rect width="200" height="60"/></g></g>'
            ),
            1800,
            delta=1,
        )
        self.assertIn("cut away wholly", read(clip + '<rect x="150" width="9" height="9" clip-path="url(#c)"/>')[1][0])


class Shown(TestCase):
    def count(self, inner):
        return len(read(inner)[0])

    def test_fill_and_hiding_are_taken_over_and_overruled(self):
        self.assertEqual(
            self.count(
                '<g fill="none"><rect width="9" height="9"/><rect width="9" height="9" fill="red"/><g style="fill:#123"><rect width="9" height="9"/></g></g>'
            ),
            2,
        )
        self.assertEqual(
            self.count(
                '<g visibility="hidden"><rect width="9" height="9"/><rect width="9" height="9" visibility="visible"/></g>'
            ),
            1,
        )
        self.assertEqual(
            self.count(
                '<g display="none"><rect width="9" height="9" display="inline"/></g><g opacity="0"><rect width="9" height="9"/></g>'
            ),
            0,
        )
        self.assertEqual(
            self.count(
                '<rect width="9" height="9" fill="rgba(1,2,3,0)"/><rect width="9" height="9" fill="#12345600"/><rect width="9" height="9" fill-opacity="0%"/>'
            ),
            0,
        )

    def test_rules_for_classes_ids_and_children_are_weighed(self):
        style = "<style>.a{fill:none} #q{fill:#000} .b > rect{display:none} @media print{rect{display:none}} Rect.c{fill:none !important}</style>"
        self.assertEqual(
            self.count(style + '<rect class="a" width="9" height="9"/><rect id="q" class="a" width="9" height="9"/>'), 1
        )
        self.assertEqual(
            self.count(style + '<g class="b"><rect width="9" height="9"/><g><rect width="9" height="9"/></g></g>'), 1
        )
        self.assertEqual(
            self.count(
                style + '<rect class="c" width="9" height="9"/><rect class="a" style="fill:red" width="9" height="9"/>'
            ),
            1,
        )

    def test_the_first_that_fits_is_taken_of_a_switch(self):
        self.assertEqual(
            self.count(
                '<switch><g requiredExtensions="x"><rect width="9" height="9"/></g><g><rect width="9" height="9"/></g><rect width="9" height="9"/></switch>'
            ),
            1,
        )

    def test_what_is_left_out_or_taken_otherwise_is_told(self):
        inner = (
            '<rect id="half" width="9" height="9" opacity=".5"/><image id="photo" href="data:image/png;base64,AA=="/><use href="#none"/><g id="u"><use href="#u"/></g>'
            '<rect id="m" mask="url(#x)" width="9" height="9"/><rect id="zero" width="0" height="4"/><g id="gone" display="none"/><line id="l"/><blob/>'
        )
        _, told = read(inner)
        for words in ("how much shows through: taken as if it covered (half)", "an embedded picture: it is made of dots", "a copy of 'none', which is not in the file", "within itself", "a mask", "encloses nothing (zero)", "something hidden (gone)", "a line without area (l)", "<blob>, which is no shape"):  # fmt: skip
            self.assertTrue(any(words in one for one in told), (words, told))


class Guarded(RefusalCase):
    def test_a_harmless_document_type_is_taken(self):
        plain = '<!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">'
        self.assertEqual(len(read('<rect width="9" height="9"/>', before=plain)[0]), 1)
        named = '<!DOCTYPE svg [<!ENTITY ns "http://www.w3.org/2000/svg"><!ENTITY nine "9">]>'
        self.assertEqual(len(read('<rect width="&nine;" height="9"/>', before=named)[0]), 1)

    def test_what_may_harm_is_refused(self):
        for inner, before, said in (
            ("", '<!DOCTYPE svg [<!ENTITY a "x"><!ENTITY b "&a;&a;">]>', "could grow"), ("", '<!DOCTYPE svg [<!ENTITY f SYSTEM "file:///etc/passwd">]>', "names a file"),
            ("", "<!DOCTYPE html>", "document type of 'html'"), ("<style>@import 'x.css';</style>", "", "loads or runs"), ("<style>a{fill:url(http://x)}</style>", "", "outside"),
            ('<image href="data:image/svg+xml;base64,AA"/>', "", "outside"), ('<image href="http://x/a.png"/>', "", "outside"), ('<rect filter="url(//x/a#b)"/>', "", "outside"),
        ):  # fmt: skip
            with self.assertRaisesMessage(Unreadable, said):
                read(inner, before=before)

    def test_copies_of_copies_end(self):
        chain = '<g id="a0"><rect width="1" height="1"/></g>' + "".join(
            f'<g id="a{at}">' + f'<use href="#a{at - 1}"/>' * 10 + "</g>" for at in range(1, 9)
        )
        with self.assertRaises(OutOfRange):
            read(chain)

    def test_outlines_that_cross_without_end_or_have_parts_without_end_are_refused(self):
        turns = [2.39996 * at for at in range(20_000)]
        knot = " ".join(f"{math.cos(turn) * 99:.2f} {math.sin(turn) * 99:.2f}" for turn in turns)
        ring = '<circle cx="{0}" cy="{0}" r="90"/>'
        for inner, said in (
            (f'<polygon points="{knot}"/>', "cross themselves"),
            ("".join(ring.format(at / 9) for at in range(300)), "cross themselves"),
            (f'<path d="{"".join(f"M{at} 0h1v1z" for at in range(3000))}"/>', "3000 parts"),
        ):
            with self.assertRaisesMessage(OutOfRange, said):
                read(inner)
        found, _ = read('<polygon points="0,9 9,9 1,15 4,3 8,15"/>' + ring.format(50))
        self.assertEqual(len(found), 2)

    def test_wrong_lengths_boxes_and_transforms_are_told_with_their_line(self):
        for inner, said in (
            ('\n<rect width="4 furlongs" height="2"/>', "line 2 is no length"), ('<svg viewBox="0 0 0 4"/>', "view box"), ('<g transform="rotate(x)"/>', "transform"), ('<g transform="rotate(1"/>', "transform"),
        ):  # fmt: skip
            with self.assertRaisesMessage(Unreadable, said):
                read(inner + '<rect width="9" height="9"/>')

    PARTS = st.sampled_from(["<g>", "</g>", '<rect width="9" height="9"/>', '<use href="#a"/>', '<g id="a" clip-path="url(#a)">', "<style>a{b</style>", '<svg width="5%" viewBox="0 0 1 1">', "</svg>", '<path d="M0 0h9v9z" transform="scale(2)"/>', '<symbol id="a">', "</symbol>", '<clipPath id="a"><use href="#a"/></clipPath>', '<rect style="fill:;;}" rx="1e300" width="3" height="3"/>'])  # fmt: skip

    @settings(max_examples=150, deadline=None)
    @given(st.lists(PARTS | st.text(max_size=8), max_size=10))
    def test_any_parts_are_read_or_refused(self, parts):
        try:
            found, _ = read("".join(parts))
        except MantelloError as error:
            self.assertTrue(error.message)
            return
        for one in found:
            self.assertTrue(one.commands)
            self.assertTrue(polygon_of(one.commands).is_valid)


class Matrices(TestCase):
    NUMBERS = st.floats(-50, 50).map(lambda value: round(value, 3))

    @given(NUMBERS, NUMBERS, st.floats(-360, 360).map(lambda value: round(value, 3)))
    def test_a_turn_about_a_point_leaves_the_point(self, x, y, angle):
        for text, origin in ((f"rotate({angle} {x} {y})", ""), (f"rotate({angle}deg)", f"{x}px {y}px")):
            a, b, c, d, e, f = transform_of(text, Frame(), origin)
            self.assertAlmostEqual(a * x + c * y + e, x, places=6)
            self.assertAlmostEqual(b * x + d * y + f, y, places=6)
            self.assertAlmostEqual(a * d - b * c, 1, places=9)

    @given(
        st.floats(1, 500),
        st.floats(1, 500),
        st.floats(1, 500),
        st.floats(1, 500),
        st.sampled_from(["", "xMinYMax", "xMaxYMid slice", "none"]),
    )
    def test_a_box_is_fitted_into_its_frame(self, wide, tall, width, height, how):
        (a, _, _, d, e, f), _ = fitted(f"0 0 {wide!r} {tall!r}", width, height, how)
        if how == "none":
            self.assertAlmostEqual(a * wide, width, places=4)
        elif "slice" in how:
            self.assertTrue(a * wide >= width - 1e-6 and d * tall >= height - 1e-6)
        else:
            self.assertTrue(
                e >= -1e-6 and f >= -1e-6 and e + a * wide <= width + 1e-6 and f + d * tall <= height + 1e-6
            )
