"""How marks are put on: turned, framed, faced, on a patch, with a line round them; furs on figures."""

from dataclasses import replace
from unittest import TestCase

from fontTools.pens.boundsPen import BoundsPen
from fontTools.svgLib.path import parse_path
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import Polygon, box

from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName
from mantello_core.figures.plate import SeenArea, Site
from mantello_core.formats.mark_svg import mark_svg
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.fur import fur_marks
from mantello_core.insignia.devices.device import (
    ARMS,
    FRAMES,
    MARGIN,
    Device,
    checked_device,
    device_outline,
    device_shape,
    figures,
)
from mantello_core.insignia.devices.device_drawing import GROUND, INK, device_drawing
from mantello_core.insignia.devices.freehand import freehand
from mantello_core.insignia.devices.manner import PLAIN_MANNER, Manner, checked_manner, mirrored
from mantello_core.insignia.devices.stroke import device_stroke
from mantello_core.insignia.devices.worn import WornMark, worn

SITE = Site("s", "a", 100, -50, 6, 4, "rect", "flat")
UNDER = (SeenArea.plain("a", 30, 30),)
THREE = Device("text", "3")


def bounds(path: str) -> tuple[float, float, float, float]:
    """Left, top, right and bottom of what a path draws, curves included."""
    pen = BoundsPen(None)
    parse_path(path, pen)
    return pen.bounds


class Devices(TestCase):
    @given(st.sampled_from(sorted(figures())), st.floats(-180, 180), st.floats(0.5, 40), st.floats(0.5, 40))
    def test_every_figure_keeps_to_its_site_however_it_is_turned(self, kind, turn, width, height):
        left, top, right, bottom = device_shape(Device(kind), width, height, turn).bounds
        self.assertLessEqual(right - left, 10 * width * MARGIN + 0.1)
        self.assertLessEqual(bottom - top, 10 * height * MARGIN + 0.1)
        self.assertTrue(
            abs(right - left - 10 * width * MARGIN) < width or abs(bottom - top - 10 * height * MARGIN) < height
        )

    def test_a_quarter_turn_swaps_width_and_height(self):
        tall, wide = (device_shape(Device("pale"), 4, 4, turn).bounds for turn in (0, 90))
        self.assertAlmostEqual(tall[3] - tall[1], wide[2] - wide[0], places=6)
        self.assertGreater(tall[3] - tall[1], tall[2] - tall[0])

    def test_a_numeral_is_cut_out_of_its_frame_and_stays_inside_it(self):
        for frame in FRAMES:
            whole, cut = device_shape(Device(frame), 5, 5), device_shape(Device("text", "8", frame), 5, 5)
            self.assertLess(cut.area, whole.area, frame)
            self.assertAlmostEqual(cut.union(whole).area, whole.area, delta=whole.area * 0.001)
            self.assertGreater(whole.boundary.distance(whole.difference(cut)), 0, f"{frame}: the edge stays whole")
        self.assertEqual(checked_device(Device("text", "b", "disc")), Device("text", "B", "disc"))
        self.assertEqual(Device("text", "3", "lozenge").words, "'3' in a lozenge")

    def test_what_cannot_be_drawn_is_refused(self):
        with self.assertRaises(UnknownName):
            checked_device(Device("text", "3", "crab"))
        for device in (Device("stripes", "thick"), Device("checks", "900"), Device("text", "")):
            with self.assertRaises(OutOfRange):
                checked_device(device)
        with self.assertRaises(Contradiction):
            device_outline(Device(ARMS, "orsolin"), 4, 4)

    def test_a_stroke_shrinks_with_its_site(self):
        self.assertAlmostEqual(device_stroke(THREE, 4, 4), 2 * device_stroke(THREE, 2, 2), places=1)
        self.assertEqual(device_stroke(Device("stripes", "1.2"), 9, 9), 1.2)


class Facing(TestCase):
    def test_arms_turn_to_the_pole_and_numerals_never_do(self):
        arms = Device(ARMS, "x")
        self.assertEqual(
            [mirrored(arms, Manner(), view) for view in ("front", "back", "left", "right")], [False, True, False, True]
        )
        self.assertFalse(mirrored(THREE, Manner(), "back"))
        self.assertTrue(mirrored(Device("crescent"), Manner(facing="turned"), "right"))
        self.assertFalse(mirrored(arms, Manner(facing="same"), "back"))

    def test_manners_that_make_no_sense_are_refused_at_their_field(self):
        for manner, where in (
            (Manner(method="magic"), "method"), (Manner(facing="up"), "facing"), (Manner(turn=400), "turn"),
            (Manner(turn=float("nan")), "turn"), (Manner(line=9), "line"), (Manner(facing="turned"), "facing"),
        ):  # fmt: skip
            with self.assertRaises(MantelloError) as caught:
                checked_manner(manner, THREE, "")
            self.assertEqual(caught.exception.where, where)


class Worn(TestCase):
    def fills(self, manner=PLAIN_MANNER, device=THREE, view="front", **round_it):
        return worn(WornMark(device, "#ff0000", manner=manner, **round_it), SITE, UNDER, view)

    def test_patch_and_line_lie_beneath_the_mark(self):
        fills = [fill for fill, _ in self.fills(ground="#00ff00", outline="#0000ff")]
        self.assertEqual(fills, ["#00ff00", "#0000ff", "#ff0000"])

    def test_the_other_side_is_the_mirror_image(self):
        turned = Manner(facing="turned")
        front, back = (self.fills(turned, Device("crescent"), view)[0][1] for view in ("front", "back"))
        self.assertNotEqual(front, back)
        self.assertEqual(self.fills(device=Device("crescent"), view="back")[0][1], front)
        (left, top, right, bottom), other = bounds(front), bounds(back)
        for seen, wanted in zip(other, (2 * SITE.x - right, top, 2 * SITE.x - left, bottom), strict=True):
            self.assertAlmostEqual(seen, wanted, delta=0.1)

    def test_a_device_lies_in_the_middle_of_its_site_with_its_margin(self):
        """Measured in what is drawn: as large as fits 84 % of the site, which is 6 x 4 mm or as it is told."""
        for device in (Device("bar"), Device("lozenge"), THREE):
            left, top, right, bottom = bounds(self.fills(device=device)[0][1])
            self.assertAlmostEqual((left + right) / 2, SITE.x, delta=0.1)
            self.assertAlmostEqual((top + bottom) / 2, SITE.y, delta=0.1)
            used = max((right - left) / (SITE.width * 10), (bottom - top) / (SITE.height * 10))
            self.assertAlmostEqual(used, 0.84, delta=0.01)

    def test_arms_of_their_own_shape_may_be_turned_and_outlined(self):
        colours = (("or", "#ffcc00"), ("gules", "#aa0000"))
        mark = WornMark(
            Device(ARMS, "x"), "", read_blazon("Or, a fess gules"), colours, Manner(turn=90), outline="#111111"
        )
        wide = (SeenArea.plain("a", 60, 60),)
        fills = worn(mark, SITE, wide, "front")
        self.assertEqual([fill for fill, _ in fills], ["#111111", "#ffcc00", "#aa0000"])
        plain = WornMark(Device(ARMS, "x"), "", read_blazon("Or, a fess gules"), colours)
        self.assertNotEqual(worn(plain, SITE, wide, "front")[-1][1], fills[-1][1])

    def test_what_lies_on_a_triangle_is_cut_at_its_sides(self):
        right_angled = replace(SeenArea.plain("a", 6, 4), visible="M-30,20L30,20L30,-20Z")
        colours = (("or", "#ffcc00"),)
        arms = WornMark(Device(ARMS, "x"), "", read_blazon("Or"), colours)
        ((_, path),) = worn(arms, SITE, (right_angled,), "front")
        left, top, right, bottom = bounds(path)
        self.assertEqual((left, right), (-30, 30))
        self.assertGreater(bottom - top, 30)

    def test_furs_show_their_tufts_on_figures(self):
        colours = (("argent", "#eeeeee"), ("sable", "#111111"), ("gules", "#aa0000"), ("azure", "#0000aa"))
        for blazon, fills in (
            ("Ermine, a chief gules", ["#eeeeee", "#111111", "#aa0000"]),
            ("Vair", ["#eeeeee", "#0000aa"]),
        ):
            mark = WornMark(Device(ARMS, "x"), "", read_blazon(blazon), colours)
            drawn = [fill for fill, _ in worn(mark, SITE, (SeenArea.plain("a", 6, 4),), "front")]
            self.assertEqual(drawn, fills)
        square = box(0, 0, 100, 100)
        self.assertTrue(0.05 < fur_marks("ermine", square, 20).area / square.area < 0.3)
        self.assertAlmostEqual(fur_marks("vair", square, 20).area / square.area, 0.36, delta=0.12)

    def test_a_site_is_drawn_with_its_mark_and_its_name(self):
        svg = mark_svg(SITE, "#808080", WornMark(THREE, "#ff0000"), title="Three <3>")
        self.assertIn("<title>Three &lt;3&gt;</title>", svg)
        self.assertIn('viewBox="-30.0 -20.0 60.0 40.0"', svg)


class ByHand(TestCase):
    def test_a_numeral_has_the_stages_of_arms_in_its_two_colours(self):
        drawing = device_drawing(THREE, 3, 4)
        self.assertEqual({one.tincture for one in drawing.pieces}, {GROUND, INK})
        guide = freehand(drawing, 3, called={GROUND: "Trim", INK: "Blacking"}.get)
        titles = [stage.title for stage in guide.stages]
        self.assertEqual(titles, ["Ground", "Marks", "Small: '3'", "Grown: '3'", "Cut back: '3'", "Light"])
        self.assertIn("Trim", guide.stages[0].words)
        self.assertIn("Blacking", guide.stages[2].words)

    def test_thin_chevrons_want_another_form_or_a_transfer(self):
        self.assertEqual(freehand(device_drawing(Device("chevrons3"), 6, 6), 6).verdict, "paintable")
        self.assertNotEqual(freehand(device_drawing(Device("chevrons3"), 1, 1), 1).verdict, "paintable")

    def test_two_numerals_are_two_parts(self):
        parts = device_drawing(Device("text", "12"), 4, 4).pieces[1:]
        self.assertEqual(len(parts), 2)
        self.assertTrue(all(isinstance(one.shape, Polygon) for one in parts))
