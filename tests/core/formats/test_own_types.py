"""Own figure types in documents, and drawings from anyone: read with care, named, scaled."""

import copy
import json
from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.design.figure_types import with_type
from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName, Unreadable
from mantello_core.figures.catalogue import plate
from mantello_core.figures.kit import usual_making
from mantello_core.figures.own import made_type
from mantello_core.formats.document.design import design_bytes, read_design, read_design_bytes, write_design
from mantello_core.formats.document.own_types import checked_drawing
from mantello_core.formats.figure_drawing import (
    area_meant,
    measured,
    read_drawing,
    sheet_svg,
    template_svg,
    with_names,
)
from tests.core.case import RefusalCase
from tests.samples import small_design

SVG = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 200">{}</svg>'
FIGURE = SVG.format(
    '<g id="front" transform="translate(10,0)"><rect id="base rim" x="0" y="180" width="80" height="20"/>'
    '<path d="M10 60 L70 60 a5 5 0 0 1 5 5 V180 H10 z"><title>Left trousers</title></path>'
    '<circle id="head.face" cx="40" cy="30" r="25"/><path id="path9" d="M0 0h10v10h-10z"/></g>'
    '<g id="back"><ellipse id="hand.left" rx="10" ry="20" cx="5" cy="5"/></g>'
)


class OwnTypesInDocuments(RefusalCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.own, _ = made_type("own-gun", "Long gun", usual_making("gun"))
        cls.design = with_type(small_design(), cls.own)

    def test_a_design_with_an_own_type_reads_back_identical(self):
        again = read_design_bytes(design_bytes(self.design))
        self.assertEqual(again, self.design)
        self.assertEqual(again.army.plate("own-gun").areas, self.own.plate.areas)

    def test_without_its_drawing_a_type_made_from_parts_is_drawn_anew(self):
        document = write_design(self.design, drawings=False)
        self.assertNotIn("drawings", document)
        again = read_design(document)
        self.assertEqual(again.army.types[0].plate.areas.keys(), self.own.plate.areas.keys())

    def test_drawings_kept_elsewhere_are_asked_for_by_digest(self):
        document = write_design(self.design, drawings=False)
        kept = write_design(self.design)["drawings"]
        self.assertEqual(read_design(document, kept.get), self.design)
        del document["army"]["types"][0]["making"]
        with self.assertRaisesMessage(UnknownName, "no drawing"):
            read_design(document, lambda digest: None)

    def test_a_drawing_that_is_none_is_refused_with_its_place(self):
        good = write_design(self.design)["drawings"][self.own.digest]
        checked_drawing(copy.deepcopy(good))
        for spoil, kind in (
            (lambda view: view["layers"][0].update(d='M0 0"/><script>'), Unreadable),
            (lambda view: view["layers"][0].update(area="vehicle.balloon"), Contradiction),
            (lambda view: view["areas"][0].update(material="cheese"), UnknownName),
            (lambda view: view["areas"].pop(), Contradiction),
            (lambda view: view["seams"].append(["base.rim", "vehicle.gun.barrel", 1]), UnknownName),
            (lambda view: view.update(name="inside"), Unreadable),
            (lambda view: view["areas"][0].update(mm2=-4), Unreadable),
        ):
            bad = copy.deepcopy(good)
            spoil(bad["views"][0])
            with self.assertRaises(kind):
                checked_drawing(bad)
        bad = copy.deepcopy(good)
        bad["views"][1] = bad["views"][0]
        with self.assertRaisesMessage(Contradiction, "Two views"):
            checked_drawing(bad)

    def test_ids_and_parts_from_outside_are_checked(self):
        document = json.loads(design_bytes(self.design))
        for change, said in (
            ({"id": "fusilier"}, "begins with 'own-'"),
            ({"making": {"kit": "gun", "body": "vehicle", "parts": [], "details": []}}, "a figure needs it"),
            ({"making": {"kit": "zeppelin", "body": "vehicle", "parts": [], "details": []}}, "no kit called"),
        ):
            bad = copy.deepcopy(document)
            bad["army"]["types"][0].update(change)
            with self.assertRaisesMessage(MantelloError, said) as caught:
                read_design(bad)
            self.assertIn("/army/types/0", caught.exception.where)
        document["army"]["types"] *= 2
        with self.assertRaisesMessage(Contradiction, "two figure types"):
            read_design(document)


class Drawings(RefusalCase):
    def test_shapes_are_found_view_by_view_and_named_where_they_say_so(self):
        drawing = read_drawing(FIGURE.encode())
        self.assertEqual(drawing.views, ("front", "back"))
        self.assertEqual(
            [(shape.key, shape.area) for shape in drawing.shapes],
            [
                ("front-1", "base.rim"),
                ("front-2", "leg.left.trousers"),
                ("front-3", "head.face"),
                ("front-4", ""),
                ("back-1", "hand.left"),
            ],
        )
        self.assertIn(">4<", sheet_svg(drawing, "front"))

    def test_the_height_sets_every_square_millimetre(self):
        drawing = with_names(read_drawing(FIGURE.encode()), {"front-4": ""})
        rim = {}
        for height in (28.0, 56.0):
            view = measured(drawing, height)["views"][0]
            self.assertAlmostEqual(view["view_box"][3] - 28, height * 10, delta=0.5)
            rim[height] = next(area["mm2"] for area in view["areas"] if area["area"] == "base.rim")
        self.assertAlmostEqual(rim[56.0] / rim[28.0], 4, delta=0.02)
        scale = 28 / 195
        self.assertAlmostEqual(rim[28.0], 80 * 20 * scale**2, delta=0.2)

    def test_what_is_measured_is_a_drawing_that_a_document_may_carry(self):
        drawing = with_names(read_drawing(FIGURE.encode()), {"front-4": "waistcoat"})
        made = measured(drawing, 30, {"head.face": "metal"})
        checked_drawing(made)
        materials = {area["area"]: area["material"] for view in made["views"] for area in view["areas"]}
        self.assertEqual(materials["head.face"], "metal")
        self.assertEqual(materials["torso.vest"], "cloth")

    def test_the_template_reads_back_as_the_plate_it_was_made_of(self):
        shape = plate("gunner")
        drawing = read_drawing(template_svg(shape))
        self.assertEqual(drawing.unnamed, ())
        made = measured(drawing, (shape.views[0].view_box[3] - 28) / 10)
        self.assertEqual(
            {area["area"] for area in made["views"][0]["areas"]}, {one.area for one in shape.views[0].areas}
        )
        coat = {area["area"]: area["mm2"] for area in made["views"][0]["areas"]}
        largest = max(shape.views[0].areas, key=lambda one: one.mm2)
        self.assertAlmostEqual(coat[largest.area] / largest.mm2, 1, delta=0.05)

    def test_hostile_files_are_refused_with_the_line(self):
        for inner, said in (
            ("<script>alert(1)</script>", "<script>"),
            ('<rect onclick="x()" width="4" height="4"/>', "'onclick'"),
            ("<foreignObject/>", "<foreignobject>"),
            ('<image href="http://example.test/a.png"/>', "outside"),
            ('<use href="file:///etc/passwd"/>', "outside"),
            ('<rect style="fill:url(http://example.test/x)" width="4" height="4"/>', "outside"),
            ('<animate attributeName="x"/>', "<animate>"),
        ):
            with self.assertRaisesMessage(Unreadable, said):
                read_drawing(SVG.format(inner).encode())
        bomb = '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg>&b;</svg>'
        for data in (bomb.encode(), bomb.encode("utf-16")):
            with self.assertRaisesMessage(Unreadable, "entities"):
                read_drawing(data)

    def test_nonsense_is_told_from_drawings(self):
        for data, kind in (
            (b"", Unreadable),
            (b"GIF89a", Unreadable),
            (b"<html/>", Unreadable),
            (b"<svg/>", Unreadable),
            (SVG.format('<path d="M0 0 L"/>').encode(), Unreadable),
            (SVG.format('<rect width="wide" height="2"/>').encode(), Unreadable),
            (SVG.format('<g transform="spin(9)"><rect width="9" height="2"/></g>').encode(), Unreadable),
            (SVG.format('<rect width="1e9" height="2"/>').encode(), OutOfRange),
            (SVG.format("<g>" * 80 + "</g>" * 80).encode(), OutOfRange),
            (SVG.format('<rect width="2" height="2"/>' * 401).encode(), OutOfRange),
            (b" " * 1_500_001, OutOfRange),
        ):
            with self.assertRaises(kind, msg=data[:80]):
                read_drawing(data)

    @given(st.binary(max_size=200) | st.text(alphabet="<>svg/path d='M0 zLCA10,-.\"=", max_size=120).map(str.encode))
    @settings(max_examples=150, deadline=None)
    def test_any_bytes_are_read_or_refused(self, data):
        for attempt in (data, b"<svg>" + data + b"</svg>", b'<svg><path d="' + data + b'"/></svg>'):
            try:
                self.assertTrue(read_drawing(attempt).shapes)
            except MantelloError as error:
                self.assertTrue(error.message)

    def test_what_cannot_be_used_is_told(self):
        inner = '<text id="motto">hail</text><rect id="cuff" fill="none" width="3" height="3"/><rect id="base rim" width="9" height="9"/>'
        drawing = read_drawing(SVG.format(inner).encode())
        self.assertEqual(drawing.left_out, ("a text (motto)", "a shape without fill (cuff)"))
        hidden = '<g style="display:none"><rect width="9" height="9"/></g><rect id="base.rim" width="9" height="9"/>'
        self.assertEqual(len(read_drawing(SVG.format(hidden).encode()).shapes), 1)

    def test_a_ring_within_a_ring_is_a_hole_where_the_rule_that_fills_says_so(self):
        inner = '<path id="base rim"{} d="M0 0H20V20H0Z {}"/>'
        for rule, ring, area in (
            (' fill-rule="evenodd"', "M5 5H15V15H5Z", 300), ("", "M5 5V15H15V5Z", 300), ("", "M5 5H15V15H5Z", 400),
            (' fill-rule="evenodd"', "M5 5H15V15H5Z M8 8H12V12H8Z", 316),
        ):  # fmt: skip
            made = measured(read_drawing(SVG.format(inner.format(rule, ring)).encode()), 20)
            self.assertAlmostEqual(made["views"][0]["areas"][0]["mm2"], area, delta=1)

    def test_words_for_areas_are_understood_or_asked_back(self):
        self.assertEqual(area_meant("Left trousers"), "leg.left.trousers")
        self.assertEqual(area_meant("left hose"), "leg.left.hose")
        self.assertEqual(area_meant("waistcoat"), "torso.vest")
        for text in (
            "LeftTrousers",
            "trousers_L",
            "L-trousers",
            "TROUSERS (left)",
            "left_x20_trousers_1_",
            "Trousers left copy 2",
            "leg_left_trousers",
            "Lt. trousers",
        ):
            self.assertEqual(area_meant(text), "leg.left.trousers", text)
        self.assertEqual(area_meant("torso.coat.lapel.left"), "torso.coat.lapel.left")
        for text, kind in (("cuff", Unreadable), ("arm.cuff", Unreadable), ("zeppelin", UnknownName)):
            with self.assertRaises(kind):
                area_meant(text)

    def test_heights_and_materials_beyond_all_bounds_are_refused(self):
        drawing = with_names(read_drawing(FIGURE.encode()), {"front-4": ""})
        for height in (1.0, 401.0, float("nan")):
            with self.assertRaises(OutOfRange):
                measured(drawing, height)
        with self.assertRaises(UnknownName):
            measured(drawing, 28, {"head.face": "cheese"})
        with self.assertRaisesMessage(Unreadable, "no name yet"):
            measured(read_drawing(FIGURE.encode()), 28)
        with self.assertRaises(OutOfRange):
            with_names(drawing, {shape.key: "" for shape in drawing.shapes})
        self.assertEqual(replace(drawing, left_out=()).views, ("front", "back"))
