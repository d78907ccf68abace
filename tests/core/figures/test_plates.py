"""Every shipped plate: closed, named, measured, and joined."""

import json
import math
import re
from collections import Counter
from importlib.resources import files

import shapely
from shapely.geometry import Polygon
from shapely.ops import unary_union

from mantello_core.errors import UnknownName
from mantello_core.figures.assembly import Assembly
from mantello_core.figures.catalogue import boxes_of, index_of_plates, plate, plate_types
from mantello_core.figures.drafting import drafted
from mantello_core.figures.figure import BODIES, FIGURES
from mantello_core.figures.part import MATERIALS, PARTS, Draw
from mantello_core.figures.vocabulary import GROUPS, TREE, fault, group_of, sideless, spoken
from mantello_core.formats.drawing import plate_svg
from mantello_core.geometry.rings import box_of_path
from tests.core.case import RefusalCase

_NUMBER = re.compile(r"-?\d+(?:\.\d+)?")
DEMO = ("fusilier", "sergeant", "ranger", "warden")


def polygon(d: str):
    """The area a measured outline encloses: straight lines only, even-odd."""
    rings = []
    for part in filter(None, re.split(r"[Mm]", d)):
        values = [float(value) for value in _NUMBER.findall(part)]
        ring = list(zip(values[::2], values[1::2], strict=True))
        if len(ring) > 3:
            rings.append(Polygon(ring).buffer(0))
    shape = Polygon()
    for ring in rings:
        shape = shape.symmetric_difference(ring)
    return shape


class Plates(RefusalCase):
    def each(self):
        for type_id in plate_types():
            for view in plate(type_id).views:
                with self.subTest(plate=type_id, view=view.name):
                    yield plate(type_id), view

    def test_every_figure_type_of_the_kit_has_its_plate(self):
        self.assertEqual(set(plate_types()), {figure.id for figure in FIGURES})
        for type_id in DEMO:
            self.assertEqual([view.name for view in plate(type_id).views], ["front", "back"])
            self.assertGreaterEqual(len(plate(type_id).areas), 20)

    def test_the_kit_is_wide_enough(self):
        self.assertGreaterEqual(len(plate_types()), 41)
        self.assertGreaterEqual(len(PARTS), 50)
        used = {use.part for figure in FIGURES for use in figure.uses}
        self.assertEqual(set(PARTS) - used, set(), "parts no plate shows")
        for type_id in plate_types():
            # little men on strips are painted a colour at a time
            least = 9 if type_id.startswith("strip") else 20
            self.assertGreaterEqual(len(plate(type_id).areas), least, type_id)

    def test_both_sides_of_what_is_seen_from_the_side_share_one_outline(self):
        sided = [type_id for type_id in plate_types() if plate(type_id).views[0].name == "left"]
        self.assertGreaterEqual(len(sided), 8)
        for type_id in sided:
            self.assertEqual(plate(type_id).views[1].name, "right")
            left, right = (polygon(view.silhouette) for view in plate(type_id).views[:2])
            mirrored = shapely.affinity.scale(right, -1, 1, origin=(0, 0))
            share = left.intersection(mirrored).area / unary_union([left, mirrored]).area
            self.assertGreater(share, 0.9, type_id)

    def test_limbs_near_the_viewer_are_named_for_that_side(self):
        left, right = plate("lighthorse").views
        for view, near in ((left, "left"), (right, "right")):
            shown = {seen.area for seen in view.areas}
            self.assertIn(f"leg.{near}.boot", shown)
            self.assertNotIn(f"leg.{'right' if near == 'left' else 'left'}.boot", shown)

    def test_every_outline_is_closed(self):
        for _, view in self.each():
            for layer in view.layers:
                self.assertEqual(layer.d.count("M"), len(re.findall("[Zz]", layer.d)), layer.area)

    def test_every_area_has_a_name_of_the_vocabulary_and_a_material(self):
        for _, view in self.each():
            for area in view.areas:
                self.assertIsNone(fault(area.area), area.area)
                self.assertIn(area.material, MATERIALS)

    def test_no_area_is_hidden_and_none_is_drawn_without_being_measured(self):
        for _, view in self.each():
            self.assertEqual({layer.area for layer in view.layers}, {area.area for area in view.areas})
            self.assertGreaterEqual(min(area.mm2 for area in view.areas), 0.02)

    def test_the_measured_areas_cover_the_silhouette_once(self):
        for _, view in self.each():
            covered = sum(area.mm2 for area in view.areas)
            self.assertAlmostEqual(covered / view.silhouette_mm2, 1, delta=0.012)

    def test_square_millimetres_are_those_of_the_outline(self):
        shape = plate("fusilier")
        for seen in shape.views[0].areas:
            if seen.mm2 > 1:
                self.assertAlmostEqual(
                    polygon(seen.visible).area / 100, seen.mm2, delta=max(0.2, seen.mm2 * 0.06), msg=seen.area
                )

    def test_neighbours_touch_and_are_mutual(self):
        for type_id in plate_types():
            shape = plate(type_id)
            for area, beside in shape.neighbours.items():
                for other, length in beside.items():
                    self.assertEqual(shape.neighbours[other][area], length)
            self.assertLess(sum(not beside for beside in shape.neighbours.values()), len(shape.areas) * 0.1)

    def test_neighbours_of_the_lapel_lie_beside_it_in_the_drawing(self):
        view = plate("fusilier").views[0]
        outline = {seen.area: polygon(seen.visible) for seen in view.areas}
        lapel = outline["torso.coat.lapel.left"]
        beside = [seam for seam in view.seams if "torso.coat.lapel.left" in seam[:2] and seam[2] > 1]
        self.assertGreaterEqual(len(beside), 2)
        for a, b, _ in beside:
            other = outline[b if a == "torso.coat.lapel.left" else a]
            self.assertLess(lapel.distance(other), 1.5, (a, b))

    def test_enough_of_every_area_shows_its_true_colour(self):
        for _, view in self.each():
            for area in view.areas:
                if area.mm2 >= 1.1:
                    self.assertGreaterEqual(area.true_colour, 0.27, area.area)

    def test_front_and_back_share_one_outline(self):
        for type_id in DEMO:
            front, back = (polygon(view.silhouette) for view in plate(type_id).views)
            mirrored = shapely.affinity.scale(back, -1, 1, origin=(0, 0))
            self.assertGreater(front.intersection(mirrored).area / unary_union([front, mirrored]).area, 0.9)

    def test_label_points_lie_on_their_area(self):
        view = plate("fusilier").views[0]
        for seen in view.areas:
            self.assertLess(polygon(seen.visible).distance(shapely.Point(seen.label)), 1.0, seen.area)

    def test_sites_lie_on_areas_that_are_there(self):
        for shape, view in self.each():
            for site in view.sites:
                self.assertTrue(
                    any(name == site.area or name.startswith(site.area + ".") for name in shape.areas), site.id
                )

    def test_assembled_figures_keep_the_sites_and_tags_of_their_parts(self):
        """Every part drawn on its own against the figure it was put into: nothing is lost on the way to the plate."""
        placed = tagged = 0
        for figure in FIGURES:
            for view in plate(figure.id).views:
                whole = Assembly(figure, view.name)
                for use in figure.uses:
                    alone = Draw(use.part, view.name, use.side)
                    PARTS[use.part].draw(alone, **use.opts)
                    sites = {site.id for site in alone.sites}
                    self.assertLessEqual(sites, {site.id for site in whole.sites}, (figure.id, use.part))
                    tags = {(area.name, tuple(area.tags)) for area in alone.areas if area.tags}
                    self.assertLessEqual(tags, {(area.name, tuple(area.tags)) for area in whole.areas}, use.part)
                    placed, tagged = placed + len(sites), tagged + len(tags)
                areas = plate(figure.id).areas
                for area in whole.areas:
                    if area.name in areas:
                        self.assertLessEqual(set(area.tags), set(areas[area.name].tags), (figure.id, area.name))
        self.assertGreater(placed, 50)
        self.assertGreater(tagged, 20)

    def test_room_for_marks_is_told_by_area_and_in_words(self):
        sites = plate("fusilier").sites
        self.assertEqual([site.id for site in sites["head.hat.plate"]], ["hat.plate"])
        self.assertEqual(sites["head.hat.plate"][0].words, "3.2 x 4.2 mm shield, bent over 3 mm")
        faces = [name for name, found in plate("captain").sites.items() if "shield.face" in {site.id for site in found}]
        self.assertEqual(faces, [f"shield.face.q{number}" for number in (1, 2, 3, 4)])
        for type_id in plate_types():
            shape = plate(type_id)
            self.assertLessEqual(set(shape.sites), set(shape.areas))
            placed = [site.id for found in shape.sites.values() for site in found]
            self.assertEqual(set(placed), {site.id for view in shape.views for site in view.sites}, type_id)

    def test_what_is_kept_is_what_the_kit_drafts(self):
        kept, made = plate("sergeant"), drafted(next(figure for figure in FIGURES if figure.id == "sergeant"))
        self.assertEqual(
            [area["area"] for area in made["views"][0]["areas"]], [area.area for area in kept.views[0].areas]
        )
        for new, old in zip(made["views"][0]["areas"], kept.views[0].areas, strict=True):
            self.assertTrue(math.isclose(new["mm2"], old.mm2, abs_tol=0.02), new["area"])

    def test_the_index_tells_of_every_plate_what_is_drawn(self):
        kept = json.loads((files("mantello_core.figures") / "data" / "plates_index.json").read_text(encoding="utf-8"))
        self.assertEqual(kept, index_of_plates(), "run ship")
        for type_id in plate_types():
            drawn = [[list(seen.box) for seen in view.areas] for view in plate(type_id).views]
            self.assertEqual(drawn, json.loads(json.dumps(boxes_of(type_id))), "run ship")
        for view in plate("captain").views:
            for seen in view.areas:
                self.assertEqual(seen.box, box_of_path(seen.visible))

    def test_a_stout_body_is_wider_and_lower(self):
        _, _, wide, tall = plate("sluicer").views[0].view_box
        self.assertLess(BODIES["stout"]["legs"][1], 1)
        self.assertGreater(wide / tall, 0.5)

    def test_an_unknown_type_is_refused_with_near_ones(self):
        with self.assertRaisesMessage(UnknownName, "near it: fusilier"):
            plate("fusileer")


class Names(RefusalCase):
    def test_sides_share_a_row_and_names_are_spoken(self):
        self.assertEqual(sideless("torso.coat.lapel.right"), "torso.coat.lapel.*")
        self.assertEqual(spoken("weapon.barrel"), "Weapon barrel")
        self.assertEqual({group_of(head) for head in TREE}, set(GROUPS.values()))

    def test_a_name_outside_the_vocabulary_is_told_why(self):
        for name, why in {
            "wing.left": "unknown first step",
            "head": "two steps",
            "arm.cuff": "left or right",
            "head.Hat": "lower-case",
        }.items():
            self.assertIn(why, fault(name))


class Drawing(RefusalCase):
    def test_the_same_colours_draw_the_same_text_and_nothing_that_a_policy_forbids(self):
        shape = plate("ranger")
        one, two = (plate_svg(shape, "front", lambda area: "#336644") for _ in range(2))
        self.assertEqual(one, two)
        for forbidden in ("style=", "<script", "http://www.w3.org/1999/xlink", "href="):
            self.assertNotIn(forbidden, one)

    def test_every_layer_is_drawn_in_its_colour_and_ids_are_once(self):
        shape = plate("fusilier")
        svg = plate_svg(
            shape, "back", lambda area: "#123456" if area == "gear.pack.body" else "#abcdef", label="A <sharp> name"
        )
        self.assertIn('data-area="gear.pack.body" fill="#123456"', svg)
        self.assertEqual(svg.count("data-area="), len(shape.view("back").layers))
        self.assertEqual([id_ for id_, count in Counter(re.findall(r'\bid="([^"]+)"', svg)).items() if count > 1], [])
        self.assertIn("A &lt;sharp&gt; name", svg)
