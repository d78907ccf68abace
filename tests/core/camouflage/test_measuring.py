"""What a layout does: views that agree, symmetry, distance, outline, fleets; and what a painter is told."""

from dataclasses import replace
from unittest import TestCase

import numpy as np

from mantello_core.camouflage.chances import chance, symmetry
from mantello_core.camouflage.fleet import apart, fleet, kinship
from mantello_core.camouflage.laying import patterned
from mantello_core.camouflage.lines_crossed import agreement, lines_of
from mantello_core.camouflage.measuring import measured
from mantello_core.camouflage.pattern import Ink, Pattern
from mantello_core.camouflage.seen_afar import seen_from
from mantello_core.camouflage.sizing import lightened, lightening, sized
from mantello_core.colour.spaces import Lab, lab_of_hex
from tests.core.camouflage.samples import COLOURS, GROUND, PATTERNS, car, laid


class Views(TestCase):
    def test_places_seen_twice_agree(self):
        for family, least in (
            ("blotch", 0.85),
            ("stripes", 0.85),
            ("bands", 0.85),
            ("splinter", 0.7),
            ("blocks", 0.65),
        ):
            found = agreement(laid(family))
            self.assertGreater(found.places, 1000)
            self.assertGreaterEqual(found.share, least, family)
        for family in ("lozenge", "pixels", "dabs"):
            found = agreement(laid(family))
            self.assertGreaterEqual(found.share, found.chance + 0.25, family)

    def test_the_pattern_runs_on_over_panel_lines(self):
        for family in ("blotch", "bands", "splinter"):
            self.assertGreater(lines_of(laid(family)).runs_on, 0.7, family)


class Symmetry(TestCase):
    def test_nine_of_ten_layouts_read_as_nothing(self):
        faces = sum(max(symmetry(laid("blotch", seed)).values()) > 0.3 for seed in range(1, 6))
        self.assertLessEqual(faces, 1)

    def test_a_mirrored_layout_is_told(self):
        found = laid("blotch")
        left, right = (
            next(at for at, view in enumerate(found.surface.views) if view.name == name) for name in ("left", "right")
        )
        labels = list(found.labels)
        labels[right] = labels[left][:, ::-1]
        found = replace(found)
        found.__dict__["labels"] = tuple(labels)
        told = [one for one in measured(found, COLOURS).told if one.help == "layout"]
        self.assertTrue(any("left and right are alike" in one.words for one in told), told)

    def test_chance_of_equal_shares(self):
        self.assertAlmostEqual(chance([0.5, 0.5]), 0.5)
        self.assertAlmostEqual(chance([0.5, 0.3, 0.2]), 0.38)


def _chequered(view):
    """The nodes of a view in squares of three by three of the raster (1.05 mm), in two inks by turns."""
    rows, columns = (np.arange(count) // 3 for count in view.camo.shape)
    return np.where(view.camo, (rows[:, None] + columns[None]) % 2, -1).astype(np.int8)


class Distance(TestCase):
    def test_less_is_left_the_farther_one_stands(self):
        left = [seen_from(laid("blotch"), metres, COLOURS) for metres in (0.3, 1.2, 6.0)]
        self.assertEqual(left, sorted(left, reverse=True))
        self.assertGreater(left[0], 10)

    def test_small_patches_are_flat_from_six_metres(self):
        tiny = Pattern("t", "T", "pixels", (Ink("a", 0.5), Ink("b", 0.5)), 0.056, "brush", rough=0.0)
        found = patterned(car(), tiny, 56.0, 0.3)
        self.assertAlmostEqual(found.sized.size, 1.0)
        told = measured(found, (Lab(60, 0, 0), Lab(40, 0, 0)), None, 6.0).told
        self.assertTrue(any("one flat tone" in one.words for one in told), told)

    def test_black_and_white_patches_of_a_millimetre_laid_evenly_are_flat_from_three_metres(self):
        found = patterned(car(), Pattern("t", "T", "pixels", (Ink("a", 0.5), Ink("b", 0.5)), 0.056, "brush"), 56.0, 0.3)
        found.__dict__["labels"] = tuple(map(_chequered, found.surface.views))
        inks = (Lab(2, 0, 0), Lab(98, 0, 0))
        self.assertGreater(seen_from(found, 0.6, inks), 10)
        self.assertTrue(any("one flat tone" in one.words for one in measured(found, inks, None, 3.0).told))

    def test_two_inks_three_apart_are_one(self):
        near = (lab_of_hex("#66703f"), lab_of_hex("#6a7342"), lab_of_hex("#c9b183"))
        told = measured(laid("blotch"), near, GROUND).told
        self.assertTrue(any("look like one" in one.words and one.help == "ink" for one in told))

    def test_a_mean_far_from_the_ground_is_told(self):
        snow = (Lab(95, 0, 0), Lab(85, 0, 0), Lab(75, 0, 0))
        self.assertTrue(
            any("stands out on its own base" in one.words for one in measured(laid("blotch"), snow, GROUND).told)
        )
        self.assertFalse(any("stands out" in one.words for one in measured(laid("blotch"), COLOURS, GROUND).told))


class Scale(TestCase):
    def test_lightening_by_its_rule(self):
        self.assertEqual(lightening(10), 0)
        self.assertAlmostEqual(lightening(56), 0.076, delta=0.001)
        self.assertEqual(lightening(1000), 0.15)
        self.assertAlmostEqual(lightened(Lab(45, 10, 20), 0.1).lightness, 49)

    def test_a_patch_is_never_smaller_than_tool_and_eye_allow(self):
        pattern = replace(PATTERNS["blotch"], size_m=0.05)
        found = sized(pattern, 56, 1.2)
        self.assertGreater(found.widened, 1)
        self.assertAlmostEqual(found.size, 4.0)
        self.assertIn("no line under 2 mm", found.told[0])
        self.assertIn("less is not seen from 6 m", sized(replace(pattern, tool="brush"), 56, 6.0).told[0])
        self.assertEqual(sized(PATTERNS["blotch"], 56, 1.2).widened, 1)

    def test_a_smaller_model_is_measured_on_its_own_mm(self):
        half = sized(PATTERNS["blotch"], 112, 1.2)
        self.assertAlmostEqual(half.per_mm, 0.5)
        self.assertAlmostEqual(half.size * half.per_mm, 4.0)  # 3.75 true, widened to what an airbrush makes


class Fleet(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.models = [
            one for _, one in fleet(lambda seed: patterned(car(), PATTERNS["blotch"].seeded(seed)), range(1, 7))
        ]

    def test_no_two_are_alike_nor_each_others_mirror_image(self):
        found = kinship(self.models)
        self.assertGreaterEqual(found.apart, 0.75)
        self.assertGreaterEqual(found.mirrored, 0.67)
        self.assertLessEqual(found.varies, 0.12)
        self.assertLessEqual(found.share_error, 0.005)

    def test_more_of_them_change_none_before(self):
        more = fleet(lambda seed: patterned(car(), PATTERNS["blotch"].seeded(seed)), range(1, 8))
        seeds = [seed for seed, _ in more]
        self.assertEqual(seeds[:6], [one.pattern.seed for one in self.models])

    def test_a_copy_is_drawn_again(self):
        seeds = [
            seed for seed, _ in fleet(lambda seed: patterned(car(), PATTERNS["splinter"].seeded(seed % 1000)), (3, 3))
        ]
        self.assertEqual(seeds[0], 3)
        self.assertAlmostEqual(apart(laid("splinter", 3), laid("splinter", 3)), 0)

    def test_labels_are_read_off_the_shapes(self):
        found = laid("blotch")
        for shown, worn in zip(found.surface.views, found.labels, strict=True):
            self.assertEqual((worn >= 0).tolist(), shown.camo.tolist())
        counts = np.bincount(np.concatenate([worn[worn >= 0] for worn in found.labels]), minlength=3)
        for at, share in enumerate((0.5, 0.3, 0.2)):
            self.assertAlmostEqual(counts[at] / counts.sum(), share, delta=0.02)
