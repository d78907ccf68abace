"""Arms by hand: whether a brush can, simpler forms, stages, and equal divisions."""

import json
import re
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import box
from shapely.ops import unary_union

from mantello_core.errors import OutOfRange
from mantello_core.formats.command import BAD_INPUT, GOOD, answer
from mantello_core.formats.freehand_svg import stage_svg
from mantello_core.insignia.arms.arms_drawing import drawn_arms, narrowest
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.spacing import divisions, spacing
from mantello_core.insignia.devices.freehand import LIGHT, freehand
from mantello_core.insignia.devices.simplifying import simplified
from tests.core.insignia.arms.seen import seen
from tests.core.insignia.arms.test_blazon import ARMS


def drawing(text: str, shape: str = "heater"):
    return drawn_arms(read_blazon(text), shape)


LANTERNS = drawing("Gules, a fess wavy or between three lanterns argent")
HERON = drawing("Per pale azure and argent, a heron counterchanged")


def few(arms) -> bool:
    """Whether arms have so few pieces that they are drawn in no time."""
    return len(drawn_arms(arms).pieces) < 40


class Verdicts(TestCase):
    def test_what_a_brush_draws_is_painted_as_it_is(self):
        guide = freehand(LANTERNS, 14)
        self.assertEqual((guide.verdict, guide.changed, guide.lost), ("paintable", (), ()))
        self.assertIs(guide.drawing, LANTERNS)

    def test_the_least_width_is_where_the_verdict_turns(self):
        least = freehand(LANTERNS, 6).paintable_from
        self.assertEqual(freehand(LANTERNS, least * 1.01).verdict, "paintable")
        self.assertNotEqual(freehand(LANTERNS, least * 0.99).verdict, "paintable")

    def test_what_is_finer_is_made_bold_and_says_how(self):
        guide = freehand(HERON, 4.5)
        self.assertEqual(guide.verdict, "simplified")
        self.assertGreaterEqual(guide.drawing.thinnest(4.5)[0], 0.27)
        self.assertEqual([of for of, _ in guide.changed], ["heron"])

    def test_a_field_of_stripes_finer_than_the_brush_needs_a_transfer(self):
        guide = freehand(drawing("Barry of 12 or and azure"), 2)
        self.assertEqual((guide.verdict, guide.lost), ("transfer", ("field",)))
        self.assertEqual(freehand(drawing("Barry of 12 or and azure"), 8).verdict, "paintable")

    def test_drops_take_a_dot_towards_the_light_and_a_bow_away_from_it(self):
        for plan, side in (("left", -1), ("right", 1)):
            guide = freehand(drawing("Gules, a drop argent"), 20, 0.3, light=plan)
            drops = next(stage for stage in guide.stages if stage.title == "Drops")
            parts = sorted(drops.laid.geoms, key=lambda part: part.area / part.minimum_rotated_rectangle.area)
            self.assertGreater(side * parts[-1].centroid.x, 0)
            self.assertLess(side * parts[0].centroid.x, 0)
            self.assertNotIn("Light", [stage.title for stage in guide.stages])

    def test_what_shines_is_brightest_in_its_middle_whatever_the_plan(self):
        left, right = (
            freehand(drawing("Sable, a flame or"), 20, 0.3, light=plan).stages[-1] for plan in ("left", "right")
        )
        self.assertEqual((left.title, left.laid), ("Lights", right.laid))

    def test_small_charges_are_lost_in_time(self):
        guide = freehand(drawing("Azure semy of stars or"), 1.2)
        self.assertEqual((guide.verdict, guide.lost), ("transfer", ("star",)))

    def test_things_of_one_kind_are_treated_alike(self):
        bold = simplified(LANTERNS, 6.5, 0.3).drawing
        holes = {bool(piece.shape.interiors) for piece in bold.pieces if piece.of == "lantern"}
        self.assertEqual(len(holes), 1)

    def test_limits(self):
        for width, line in ((0.1, 0.3), (900, 0.3), (6, 0.01), (6, 9)):
            with self.assertRaises(OutOfRange):
                freehand(HERON, width, line)

    @settings(max_examples=3, deadline=None)
    @given(ARMS.filter(few), st.floats(2, 30), st.floats(0.15, 0.8))
    def test_no_simpler_form_leaves_the_surface_or_is_finer_than_told(self, arms, width, line):
        drawn = drawn_arms(arms)
        guide = freehand(drawn, width, line)
        for piece in guide.drawing.pieces:
            if piece.of != "field":
                # less than the print of a brush's point, mm²
                self.assertLess(piece.shape.difference(drawn.surface).area, 0.02, piece.of)
        self.assertIn(guide.verdict, ("paintable", "simplified", "transfer"))
        self.assertEqual(bool(guide.lost), guide.verdict == "transfer")
        if guide.verdict == "simplified":
            self.assertGreaterEqual(guide.drawing.thinnest(width)[0], 0.8 * line)


class Stages(TestCase):
    def test_they_go_from_the_ground_to_the_light(self):
        titles = [one.title.split(":")[0] for one in freehand(HERON, 14).stages]
        self.assertEqual(titles, ["Ground", "Marks", "Divisions", "Small", "Grown", "Cut back", "Light"])

    def test_what_lies_on_a_band_is_built_after_it(self):
        titles = [one.title for one in freehand(drawing("Sable, on a bend argent three roses gules"), 14).stages]
        self.assertLess(titles.index("Cut back: bend"), titles.index("Small: rose"))

    def test_the_last_cut_leaves_the_arms_as_they_are_drawn(self):
        guide = freehand(LANTERNS, 14)
        done = next(one for one in guide.stages if one.title.startswith("Cut back"))
        for tincture, shape in seen(LANTERNS).items():
            painted = unary_union(
                [piece.shape for piece in done.pieces if piece.tincture == tincture and piece.of != "field"]
            )
            if tincture != "gules":
                self.assertAlmostEqual(painted.area, shape.area, delta=0.01 * shape.area)

    def test_small_is_smaller_and_grown_is_larger_by_half_a_line(self):
        small, grown, cut = freehand(drawing("Azure, a star or"), 14).stages[2:5]
        star = next(piece.shape for piece in cut.pieces if piece.of == "star")
        self.assertLess(small.laid.area, 0.6 * star.area)
        half = 0.15 / drawing("Azure, a star or").scale(14)
        self.assertAlmostEqual(grown.laid.area, star.buffer(half).area, delta=0.01 * star.area)

    def test_light_falls_from_the_upper_left(self):
        light = freehand(drawing("Azure, a roundel or"), 14).stages[-1].laid
        disc = next(piece.shape for piece in drawing("Azure, a roundel or").pieces if piece.of == "roundel")
        self.assertLess(light.centroid.x, disc.centroid.x)
        self.assertLess(light.centroid.y, disc.centroid.y)

    def test_each_charge_has_a_cross_and_a_counterchanged_one_has_one(self):
        marks = {len(freehand(one, 14).stages[1].lines) for one in (HERON, drawing("Azure, a heron or"))}
        self.assertEqual(len(marks), 1)
        self.assertEqual(len(freehand(LANTERNS, 14).stages[1].lines) - marks.pop(), 4)

    def test_paints_are_named_as_they_are_called(self):
        stages = freehand(HERON, 14, called=lambda id_: f"{id_} (Marsh)").stages
        self.assertIn("azure (Marsh)", stages[0].words)

    def test_the_drawing_of_a_stage_has_pencil_lines_and_light(self):
        guide = freehand(HERON, 14)
        self.assertIn("<line", stage_svg(guide.stages[1], HERON.surface))
        self.assertIn("fill-opacity", stage_svg(guide.stages[-1], HERON.surface))
        printed = stage_svg(guide.stages[0], HERON.surface, width_mm=14)
        wide, left, across = (
            float(re.search(pattern, printed)[1])
            for pattern in (r'width="([\d.]+)mm"', r'viewBox="(\S+)', r'viewBox="\S+ \S+ (\S+)')
        )
        self.assertAlmostEqual(wide / across, 14 / -(2 * (left + 1.5)), places=3)
        self.assertNotIn(LIGHT, {piece.tincture for piece in guide.drawing.pieces})

    def test_the_verb_answers_and_refuses(self):
        status, text = answer("freehand", json.dumps({"blazon": "Azure, a star or", "width": 3}).encode())
        told = json.loads(text)
        self.assertEqual((status, told["stages"][0]["title"]), (GOOD, "Ground"))
        for wrong in (
            {"blazon": "azure, a fes"},
            {"blazon": "Or", "width": 0},
            {"blazon": "Or", "line": 40},
            {"blazon": "Or", "shape": "moon"},
        ):
            self.assertEqual(answer("freehand", json.dumps(wrong).encode())[0], BAD_INPUT)


class Borders(TestCase):
    def test_charges_keep_inside_a_bordure_and_bands_run_under_it(self):
        arms = drawing("Gules, a fess or between three lanterns argent, a bordure azure")
        border = next(piece.shape for piece in arms.pieces if piece.of == "bordure")
        lanterns = [piece.shape for piece in arms.pieces if piece.of == "lantern"]
        self.assertEqual(len(lanterns), 3)
        for shape in lanterns:
            self.assertLess(shape.intersection(border).area, 1e-3)
        fess = next(piece.shape for piece in arms.pieces if piece.of == "fess")
        self.assertGreater(fess.intersection(border).area, 1)


class Widths(TestCase):
    def test_the_narrowest_of_a_bar_is_its_width(self):
        bar = box(0, 0, 60, 8)
        self.assertAlmostEqual(narrowest(bar), 8, delta=0.05)
        self.assertAlmostEqual(narrowest(bar.union(box(20, 8, 40, 30))), 8, delta=0.1)


class Divisions(TestCase):
    def test_quarter_marks_meet_what_they_should(self):
        for count, meets in (
            (4, (1, 2, 3, 4)),
            (8, (1, 3, 5, 7)),
            (6, (1, 4)),
            (5, (1,)),
            (12, (1, 4, 7, 10)),
            (1, (1,)),
        ):
            self.assertEqual(spacing(count).meets, meets, count)

    def test_how_they_are_found_and_where_they_stand(self):
        self.assertEqual(spacing(8).words, "halve three times")
        self.assertEqual(spacing(6).words, "divide by thirds, then halve once")
        self.assertIn("5 equal parts", spacing(10).words)
        self.assertEqual(spacing(4).clock, ("12:00", "3:00", "6:00", "9:00"))
        self.assertEqual(spacing(8).clock[1], "1:30")

    def test_what_is_divided_equally_in_arms_is_told(self):
        told = dict(divisions(read_blazon("Gyronny of eight or and azure, six stars in orle argent")))
        self.assertEqual({one.count for one in told.values()}, {8, 6})
        self.assertEqual(divisions(read_blazon("Azure, a star or")), ())
        halves = divisions(read_blazon("Barry of six or and azure, impaling gyronny of eight or and gules"))
        self.assertEqual([one.count for _, one in halves], [6, 8])

    def test_limits(self):
        for count in (0, 49):
            with self.assertRaises(OutOfRange):
                spacing(count)
