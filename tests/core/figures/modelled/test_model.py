"""From a 3D file to the drawing of a figure type: right by truth, the same again, kept and read back."""

from unittest import TestCase

import numpy as np

from mantello_core.errors import MantelloError, Unreadable
from mantello_core.figures.measured import measured_from
from mantello_core.figures.modelled.measuring import areas_measured
from mantello_core.figures.modelled.model import modelled, modelled_type, unseen
from mantello_core.figures.modelled.packing import handing_out, packed, unpacked
from mantello_core.figures.modelled.patches import patch_map
from mantello_core.figures.modelled.sky import _spread
from mantello_core.figures.own import digest_of, own_type
from mantello_core.figures.plate import plate_from, plate_mapping
from mantello_core.formats.document.own_types import checked_drawing
from mantello_core.formats.figure_drawing import usual_material

from .case import box, carrier, clicked, cut, shown


def named(given: dict[int, int], names: list[str]) -> dict[int, str]:
    return {patch: names[area] for patch, area in given.items()}


class Progress(TestCase):
    def test_it_only_grows_and_ends_with_the_model(self):
        told = list(modelled(box(10, 20, 30), 6))
        shares = [share for share, _, _ in told]
        self.assertEqual(shares, sorted(shares))
        self.assertGreater(len(set(shares)), 7)
        self.assertEqual((shares[-1], [model for *_, model in told[:-1]]), (1.0, [None] * (len(told) - 1)))
        self.assertIsNotNone(told[-1][2])


class Sky(TestCase):
    def test_the_sky_is_looked_at_as_much_from_above_as_from_below(self):
        for count in (12, 60):
            ways = _spread(count)
            self.assertAlmostEqual(float(ways[:, 1].sum()), 0.0, places=9)
            self.assertLess(np.abs(ways.sum(0)).max(), 1.5)
            np.testing.assert_allclose(np.linalg.norm(ways, axis=1), 1.0)


class Carrier(TestCase):
    @classmethod
    def setUpClass(cls):
        cls.model, cls.true, cls.names = carrier()
        cls.given = named(clicked(cls.model, cls.true, 2), cls.names)
        cls.materials = {name: usual_material(name) for name in cls.names}
        cls.drawing = modelled_type(cls.model, cls.given, cls.materials)

    def test_two_clicks_an_area_are_right_on_a_plain_model(self):
        names, found = self.model.areas(self.given)
        right = np.array([self.names.index(name) for name in names])[found] == self.true
        self.assertGreater(float(shown(self.model)[right].sum() / shown(self.model).sum()), 0.98)
        overlaps = []
        for seen in self.model.views.values():
            labels = patch_map(seen, self.model.patch)[seen.mask]
            for number, name in enumerate(self.names):
                mine, theirs = np.array(names)[found[labels]] == name, self.true[labels] == number
                if theirs.any():
                    overlaps.append((mine & theirs).sum() / (mine | theirs).sum())
        self.assertGreater(float(np.mean(overlaps)), 0.91)

    def test_mm2_of_its_areas_are_those_of_the_truth_after_three(self):
        found = self.model.graph.assigned(clicked(self.model, self.true, 3))
        made, wanted = (
            areas_measured(self.model.solid, of[self.model.patch], self.names, self.model.sky)
            for of in (found, self.true)
        )
        self.assertEqual(set(made), set(self.names))
        for name, one in made.items():
            self.assertAlmostEqual(one.surface_mm2, wanted[name].surface_mm2, delta=0.01, msg=name)

    def test_it_is_a_vehicle_seen_from_its_side_first_a_partition_and_read_back(self):
        self.assertEqual(self.drawing["kind"], "vehicle")
        self.assertEqual([view["name"] for view in self.drawing["views"]], ["left", "right", "front", "back", "top"])
        plate = own_type("own-c", "Carrier", self.drawing).plate
        for view in plate.views:
            self.assertAlmostEqual(sum(one.mm2 for one in view.areas) / view.silhouette_mm2, 1, delta=0.002)
        self.assertEqual(checked_drawing(self.drawing), self.drawing)
        again = plate_mapping(plate)
        self.assertEqual(again["measured"], self.drawing["measured"])
        self.assertEqual(plate_mapping(plate_from({**again, "id": "x", "title": ""})), again)

    def test_what_was_measured_feeds_the_plate(self):
        plate = own_type("own-c", "Carrier", self.drawing).plate
        told = plate.measured["vehicle.track.left"]
        area = plate.areas["vehicle.track.left"]
        self.assertEqual((area.surface_mm2, area.depth), (told.surface_mm2, round(told.recess_share, 2)))
        self.assertEqual((area.extent.free_mm, area.extent.foot_mm), (told.edge_mm, told.seam_mm))
        self.assertGreater(told.surface_mm2, 1.5 * area.mm2)
        self.assertGreater(plate.neighbours["vehicle.turret"]["vehicle.turret.bustle"], 5)

    def test_a_browser_is_told_the_same_graph_for_every_view_and_where_pieces_show(self):
        left, top = handing_out(self.model, "left"), handing_out(self.model, "top")
        self.assertEqual(
            (left["pairs"], left["cost"], len(left["size"])), (top["pairs"], top["cost"], len(top["middles"]))
        )
        shown = set(np.unique(patch_map(self.model.views["left"], self.model.patch)).tolist()) - {-1}
        self.assertEqual({at for at, middle in enumerate(left["middles"]) if middle}, shown)

    def test_light_is_even_on_flat_faces_and_darker_below(self):
        light, seen = self.model.light("left"), self.model.views["left"]
        self.assertAlmostEqual(float(np.median(light[seen.mask])), 1, places=6)
        skirt = self.names.index("vehicle.skirt.left")
        face = self.true[patch_map(seen, self.model.patch)]
        here = light[seen.mask & (face == skirt)]
        self.assertLess(float(np.percentile(here, 90) - np.percentile(here, 10)), 0.12)
        track = light[seen.mask & (face == self.names.index("vehicle.hull"))]
        self.assertLess(float(np.percentile(track, 5)), float(np.median(here)))


class Asked(TestCase):
    def test_the_same_clicks_make_the_same_drawing_from_what_was_kept(self):
        corners = np.concatenate([box(20, 4, 20), box(8, 20, 8, (0, 4, 0))])
        given, materials = {0: "base.rim", 40: "torso.coat"}, {"base.rim": "paint", "torso.coat": "cloth"}
        data = packed(cut(corners))
        self.assertEqual(data, packed(cut(corners)))
        one, other = (digest_of(modelled_type(unpacked(data), given, materials)) for _ in range(2))
        self.assertEqual(one, other)
        with self.assertRaises(Unreadable):
            unpacked(data[:200])

    def test_nothing_given_scraps_and_hidden_areas_are_told(self):
        model = cut(np.concatenate([box(20, 4, 20), box(8, 20, 8, (0, 4, 0))]))
        with self.assertRaisesRegex(Unreadable, "Nothing of the model"):
            modelled_type(model, {}, {})
        rng = np.random.default_rng(5)
        scraps = rng.random((2500, 1, 3)) * 40 + rng.random((2500, 3, 3)) * 0.3
        with self.assertRaisesRegex(Unreadable, "loose scraps"):
            list(modelled(scraps))

    def test_what_stands_before_another_covers_its_border_in_the_views_that_show_it(self):
        model = cut(np.concatenate([box(20, 30, 10), box(8, 8, 8, (0, 11, 9))]))
        before = model.solid.centre[:, 2] > model.solid.points[:, 2].max() - 7
        given = {int(one): "gear.box" for one in np.unique(model.patch[before])}
        given = {int(one): "torso.coat" for one in np.unique(model.patch)} | given
        drawing = modelled_type(model, given, {"gear.box": "leather", "torso.coat": "cloth"})
        front = next(view for view in drawing["views"] if view["name"] == "front")
        told = {area["area"]: area["covered_mm"] for area in front["areas"]}
        self.assertAlmostEqual(told["torso.coat"], 32, delta=8)
        self.assertEqual(told["gear.box"], 0)

    def test_an_area_that_shows_from_no_side_is_named(self):
        model = cut(np.concatenate([box(20, 20, 20), box(4, 4, 4, (0, 8, 0))]))
        inside = np.abs(model.solid.centre - [0, 10, 0]).max(1) < 2.1
        given = {int(one): "gear.knife" for one in np.unique(model.patch[inside])}
        given[int(model.patch[~inside][0])] = "gear.box"
        self.assertEqual(unseen(model, given), ("gear.knife",))
        drawing = modelled_type(model, given, {"gear.knife": "metal", "gear.box": "leather"})
        self.assertEqual(set(drawing["measured"]), {"gear.box"})

    def test_what_was_measured_is_checked_when_it_comes_from_outside(self):
        model = cut(box(10, 20, 10))
        drawing = modelled_type(model, {0: "gear.box"}, {"gear.box": "leather"})
        whole = drawing["measured"]["gear.box"]
        for wrong in (
            {"gear.box": whole | {"edge_mm": -1}}, {"gear.box": whole | {"edge_mm": "many"}}, {"gear.box": {"edge_mm": 1}},
            {"gear.belt": whole}, {"gear.box": whole | {"recess_share": float("nan")}}, [],
        ):  # fmt: skip
            with self.assertRaises(MantelloError):
                checked_drawing(drawing | {"measured": wrong})
        with self.assertRaises(Unreadable):
            measured_from({"gear.box": whole | {"corners": True}})
