"""From given pieces to the drawing of a figure type: areas that are right, a partition, measured, in the photograph's light."""

from unittest import TestCase

import numpy as np

from mantello_core.colour.spaces import lab_of_hex
from mantello_core.errors import OutOfRange, Unreadable
from mantello_core.figures.own import own_type
from mantello_core.figures.photographed.figure import Photographed, photographed_type
from mantello_core.figures.photographed.packing import handing_out, packed, unpacked
from mantello_core.figures.photographed.settling import settled
from mantello_core.figures.piecework.partition import polygons, without_specks
from mantello_core.figures.piecework.relief import DARK, LITE, relief
from mantello_core.figures.piecework.telling import label_picture
from mantello_core.figures.plate import plate_from, plate_mapping
from mantello_core.figures.vocabulary import fault, own_name
from mantello_core.formats.document.own_types import checked_drawing
from mantello_core.formats.figure_drawing import own_area, usual_material
from tests.core.figures.photographed.case import clicked, drawn, overlap, sample


def given_of(name: str, view: str, clicks: int) -> Photographed:
    cut, truth, names = sample(name, view)
    return Photographed(view, cut, {piece: names[area - 1] for piece, area in clicked(cut, truth, clicks).items()})


class Areas(TestCase):
    @classmethod
    def setUpClass(cls):
        cls.ranger = given_of("ranger", "front", 3)

    def test_after_three_clicks_an_area_the_ranger_is_mostly_right(self):
        _, truth, names = sample("ranger", "front")
        labels = settled(self.ranger.cut, self.ranger.labels, np.array(sorted(self.ranger.given)))
        # their own order of names to that of the truth
        of = np.array([names.index(name) + 1 for name in self.ranger.names])
        found = np.where(labels >= 0, of[np.maximum(labels, 0)], 0)
        shares = [overlap(found == area, truth == area) for area in np.unique(truth[truth > 0])]
        self.assertGreater(float(np.mean(shares)), 0.82)
        inside = (truth > 0) & self.ranger.cut.mask
        self.assertGreater(float((found == truth)[inside].mean()), 0.93)

    def test_the_drawing_is_a_partition_that_the_product_reads_keeps_and_scales_by_the_base(self):
        materials = {name: usual_material(name) for name in self.ranger.names}
        drawing = photographed_type((self.ranger,), materials, base_mm=25)
        plate = plate_from({**drawing, "id": "own-r", "title": "Ranger"})
        (view,) = plate.views
        self.assertAlmostEqual(sum(one.mm2 for one in view.areas) / view.silhouette_mm2, 1, delta=0.002)
        base = [one for one in view.areas if one.area.startswith("base.")]
        left, right = min(one.box[0] for one in base), max(one.box[2] for one in base)
        self.assertAlmostEqual((right - left) / 10, 25, delta=0.4)
        self.assertEqual(checked_drawing(drawing), drawing)
        self.assertEqual(
            plate_mapping(plate)["views"],
            plate_mapping(plate_from({**plate_mapping(plate), "id": "x", "title": ""}))["views"],
        )
        self.assertEqual({shade.kind for shade in view.shades}, {"dark", "lite"})
        depths = [one.depth for one in plate.areas.values()]
        self.assertGreater(len([depth for depth in depths if depth > 0.1]), 5)
        self.assertTrue(all(one.covered_mm <= one.outline_mm for one in view.areas))
        self.assertTrue(view.sites)
        self.assertTrue(all(site.width <= plate.areas[site.area].mm2 for site in view.sites))
        same = photographed_type((self.ranger,), materials, base_mm=25)
        self.assertEqual(own_type("own-r", "R", drawing).digest, own_type("own-r", "R", same).digest)

    def test_without_a_base_the_height_scales_it(self):
        cut, mask = drawn()[0], drawn()[1]
        one = _plain(cut, {"torso.tunic": (220, 150), "head.face": (90, 150)})
        drawing = photographed_type((one,), {"torso.tunic": "cloth", "head.face": "skin"}, height_mm=40)
        top = min(float(area.box[1]) for area in plate_from({**drawing, "id": "", "title": ""}).views[0].areas)
        self.assertAlmostEqual(-top / 10, 40, delta=0.5)
        self.assertTrue(mask.any())

    def test_what_cannot_be_is_refused_at_its_field(self):
        one = _plain(drawn()[0], {"torso.tunic": (220, 150)})
        for sizes, kind, where in (
            ({}, OutOfRange, "base_mm"), ({"base_mm": 0.5}, OutOfRange, "base_mm"), ({"height_mm": 900.0}, OutOfRange, "height_mm"),
            ({"base_mm": 25.0}, Unreadable, "base_mm"),
        ):  # fmt: skip
            with self.subTest(sizes=sizes), self.assertRaises(kind) as refused:
                photographed_type((one,), {"torso.tunic": "cloth"}, **sizes)
            self.assertEqual(refused.exception.where, where)
        with self.assertRaisesRegex(Unreadable, "Nothing of the front view"):
            photographed_type((Photographed("front", one.cut, {}),), {}, base_mm=25.0)


def _plain(picture, at: dict[str, tuple[int, int]]) -> Photographed:
    from mantello_core.figures.photographed.cutting import cut_up

    cut = cut_up(picture)
    return Photographed("front", cut, {int(cut.labels[place]): name for name, place in at.items()})


class Partition(TestCase):
    labels = np.full((60, 60), -1, np.int32)
    labels[5:55, 5:55] = 0
    labels[20:40, 20:40] = 1
    labels[30, 10] = 1

    def test_neighbours_share_one_line_and_a_hole_is_filled_by_what_is_in_it(self):
        found = polygons(without_specks(self.labels, 10.0), 10.0)
        self.assertEqual(set(found), {0, 1})
        self.assertLess(found[0].intersection(found[1]).area, 1e-6)
        self.assertAlmostEqual(found[0].union(found[1]).area, 2500, delta=15)
        self.assertEqual(len(found[0].interiors), 1)

    def test_specks_go_to_what_is_round_them(self):
        clean = without_specks(self.labels, 10.0)
        self.assertEqual(clean[30, 10], 0)
        self.assertEqual(clean[30, 30], 1)
        self.assertTrue(np.array_equal(clean < 0, self.labels < 0))


class Relief(TestCase):
    def test_steps_of_black_and_white_lay_the_photographs_light_over_a_middling_grey(self):
        areas = np.zeros((40, 400), np.int32)
        shade = np.tile(np.linspace(0.15, 1.6, 400, dtype=np.float32), (40, 1))
        own = float(np.median(shade)) ** 0.5
        shown = np.full((40, 400), 0.55)
        for kind, alpha, shape in relief(shade, areas, 10.0):
            left, _, right, _ = shape.bounds
            span = slice(max(round(left), 0), round(right))
            shown[:, span] = shown[:, span] * (1 - alpha) + (alpha if kind == "lite" else 0)
        wanted = np.clip(0.55 * (shade / own) ** (1 / 2.2), 0, 1)
        off = [abs(_lightness(a) - _lightness(b)) for a, b in zip(shown[20, 20:380], wanted[20, 20:380], strict=True)]
        self.assertLess(float(np.mean(off)), 5)
        self.assertLess(max(off), 12)

    def test_even_light_leaves_the_paint_as_it_is(self):
        self.assertEqual(relief(np.ones((40, 40), np.float32), np.zeros((40, 40), np.int32), 10.0), [])

    def test_each_step_lies_on_those_below_it(self):
        self.assertEqual((list(DARK), list(LITE)), (sorted(DARK), sorted(LITE)))


def _lightness(encoded: float) -> float:
    value = round(255 * float(encoded))
    return lab_of_hex(f"#{value:02x}{value:02x}{value:02x}").lightness


class Kept(TestCase):
    def test_what_is_packed_gives_the_same_pieces_and_the_same_areas(self):
        cut, truth, _ = sample("ranger", "front")
        back = unpacked(packed(cut))
        self.assertTrue(np.array_equal(back.labels, cut.labels))
        given = clicked(cut, truth, 1)
        self.assertTrue(np.array_equal(back.graph.assigned(given), cut.graph.assigned(given)))
        self.assertLess(float(np.abs(back.shade - cut.shade)[cut.mask].max()), 0.05)

    def test_damaged_bytes_are_refused(self):
        for data in (b"", b"no archive", packed(sample("ranger", "front")[0])[:2000]):
            with self.subTest(bytes=len(data)), self.assertRaises(Unreadable):
                unpacked(data)

    def test_a_browser_is_told_every_piece_and_reads_its_number_from_two_channels(self):
        cut, _, _ = sample("ranger", "front")
        told = handing_out(cut)
        self.assertEqual(len(told["pairs"]), 2 * len(told["cost"]))
        self.assertEqual(sum(told["size"]), int(cut.mask.sum()))
        picture = label_picture(cut.labels).astype(int)
        self.assertTrue(np.array_equal(picture[..., 0] + 256 * picture[..., 1] - 1, cut.labels))


class Names(TestCase):
    def test_words_under_a_known_head_are_a_name_of_ones_own(self):
        for words, name in (("torso corselet", "torso.corselet"), ("gear bellows key", "gear.bellows.key"), ("left boot", "leg.left.boot"), ("Right arm cup, rim", "arm.right.cup.rim")):  # fmt: skip
            self.assertEqual(own_area(words), name)

    def test_what_names_no_head_or_too_much_is_refused(self):
        for words in ("corselet", "arm cup", "left right arm", "torso a b c d", "torso " + "x" * 25):
            self.assertEqual(own_name(words), "")
        self.assertIn("second step", fault("torso.corselet"))
        self.assertIsNone(fault("torso.corselet", own=True))
        self.assertIn("left or right", fault("arm.cup", own=True))
