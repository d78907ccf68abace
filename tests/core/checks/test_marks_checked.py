"""Checks of marks with their fixes, the map of sites, patterns on areas, and marks as work of the plan."""

from dataclasses import replace
from datetime import datetime
from unittest import TestCase

from mantello_core.army.tree import Figure
from mantello_core.bearers.allotment import allotments
from mantello_core.bearers.sheet_stock import needs_of, with_sheet, without_sheet
from mantello_core.bearers.site_map import site_map
from mantello_core.checks.inspect import inspect
from mantello_core.design.bearing import with_device, with_manner
from mantello_core.design.muster import with_rank
from mantello_core.errors import Contradiction, UnknownName
from mantello_core.figures.catalogue import plate
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.formats.drawing import plate_svg
from mantello_core.formats.sample import levy
from mantello_core.formats.site_map_svg import site_map_svg
from mantello_core.insignia.devices.device import Device
from mantello_core.insignia.devices.worn import WornMark
from mantello_core.marks.named_arms import with_arms
from mantello_core.order.subject import of_mark
from mantello_core.planning.compiling import compiled
from mantello_core.planning.mark_chain import mark_paints_of, mark_step_of
from mantello_core.planning.plan import plan
from mantello_core.scheme.cascade import resolve
from tests.core.order.case import pairs_before
from tests.samples import FUSILIER, rule, small_design

LINE = Figure("1st-harbour-line", "fusilier", 3)


def check(design, id_):
    return next(one for one in inspect(design, resolve(design.army, design.scheme)) if one.id == id_)


def said(design, id_):
    return " / ".join(one.what for one in check(design, id_).findings)


class Emblems(TestCase):
    def test_a_mark_like_its_ground_is_found_and_the_line_round_it_mends_it(self):
        design = with_device(levy(), LINE, "hat.plate", Device("text", "1"), "trim", 4)
        found = next(
            one
            for one in check(design, "emblems").findings
            if one.unit == LINE.unit and "Trim metal on Trim metal" in one.what
        )
        self.assertIn("0 L* apart", found.what)
        mended = found.fix.change(design)
        self.assertNotIn("Trim metal on Trim metal", said(mended, "emblems"))
        outline = next(one.manner for one in mended.scheme.placements if one.manner.outline)
        self.assertGreaterEqual(outline.line, 0.3)

    def test_marks_finer_than_a_brush_become_transfers(self):
        design = levy()
        found = [
            one for one in check(design, "emblems").findings if "strokes of" in one.what and "arms" in one.what.lower()
        ]
        self.assertTrue(found)
        mended = found[0].fix.change(design)
        self.assertNotIn(found[0].key, [one.key for one in check(mended, "emblems").findings])
        self.assertIn(
            "transfer",
            {one.manner.method for one in mended.scheme.placements if one.device and one.device.kind == "arms"},
        )

    def test_a_threshold_makes_it_quiet_or_loud(self):
        design = levy()
        deaf = replace(
            design,
            scheme=replace(
                design.scheme, aims=replace(design.scheme.aims, thresholds=(("emblem", 5.0), ("emblem_left", 2.0)))
            ),
        )
        marks = [one for one in check(deaf, "emblems").findings if "L* apart" in one.what]
        self.assertLess(len(marks), len([one for one in check(design, "emblems").findings if "L* apart" in one.what]))

    def test_a_type_without_the_site_is_found_with_the_room_it_has(self):
        self.assertIn("no hat plate on House captain. They have base rim name, gorget", said(levy(), "sites"))
        nowhere = replace(levy().scheme.placements[0], id="x", scope="orsolin-knights", site="pack.flap")
        design = replace(levy(), scheme=replace(levy().scheme, placements=(nowhere,)))
        self.assertEqual(check(design, "sites").verdict, "wrong")
        self.assertIn("it shows nowhere", said(design, "sites"))

    def test_arms_against_custom_are_found(self):
        design = levy()
        self.assertEqual(check(design, "arms").verdict, "clear")
        broken = with_arms(design, "", "House Mire", "Azure, a fess gules", "tremar")
        self.assertIn("House Mire: the fess: colour on colour", said(broken, "arms"))
        twin = with_arms(design, "", "House Twin", design.scheme.arms[0].blazon, "houses")
        for part in ("have the same arms", "wear the same livery", "nowhere"):
            self.assertIn(part, said(twin, "arms"))


class Leaders(TestCase):
    def test_two_ranks_that_could_lead_a_unit_are_asked_about(self):
        design = levy()
        self.assertNotIn("could lead", said(design, "ranks"))
        drummer = design.army.rank("1st-harbour-line", "drummer")
        asked = with_rank(design, "1st-harbour-line", replace(drummer, tier="leader"))
        self.assertIn("1st, the Harbour has 2 ranks that could lead it: Drummer, Sergeant", said(asked, "ranks"))


class Maps(TestCase):
    def test_every_type_shows_its_sites_with_place_and_facing(self):
        design = levy()
        maps = {one.type: one for one in site_map(resolve(design.army, design.scheme))}
        flags = {spot.view: spot for spot in maps["bearer"].spots if spot.site.id == "flag.field"}
        self.assertEqual(
            {view: {one.mirrored for one in spot.shown} for view, spot in flags.items()},
            {"front": {False}, "back": {True}},
        )
        self.assertAlmostEqual(flags["front"].right, -flags["back"].right, places=1)
        self.assertGreater(flags["front"].above, 20)
        self.assertEqual(
            sum(len(one.ordinals) for shown in flags["front"].shown for one in shown.classes) + flags["front"].bare,
            maps["bearer"].figures,
        )

    def test_the_drawing_frames_and_numbers_them(self):
        drawn = site_map_svg(
            plate("fusilier"),
            "front",
            (("hat.plate", WornMark(Device("text", "7"), "#123456")),),
            {site.id: at for at, site in enumerate(plate("fusilier").view("front").sites, 1)},
            "p-",
        )
        self.assertEqual(drawn.count("stroke-dasharray"), len(plate("fusilier").view("front").sites))
        self.assertIn("#123456", drawn)


class Patterned(TestCase):
    def test_a_pattern_covers_its_area_and_lies_under_other_marks(self):
        design = with_device(levy(), LINE, "cloth.torso.vest", Device("stripes", "1.50"), "trim", 4)
        one = resolve(design.army, design.scheme).of(LINE)
        self.assertEqual(next(iter(one.borne)), "cloth.torso.vest")
        self.assertEqual(read_design_bytes(design_bytes(design)), design)
        self.assertEqual(one.borne["cloth.torso.vest"].placement.device.text, "1.5")
        drawn = plate_svg(
            one.plate,
            "front",
            lambda area: "#888888",
            bearing=(("cloth.torso.vest", WornMark(Device("stripes", "1.5"), "#123456")),),
        )
        self.assertIn('fill="#123456"', drawn)

    def test_patterns_want_an_area_and_other_marks_a_site(self):
        with self.assertRaises(Contradiction):
            with_device(small_design(), FUSILIER, "hat.plate", Device("stripes", "1"), "metal", 1)
        with self.assertRaises(Contradiction):
            with_device(small_design(), FUSILIER, "cloth.torso.vest", Device("disc"), "metal", 1)
        with self.assertRaises(UnknownName):
            with_device(small_design(), FUSILIER, "cloth.torso.cape", Device("stripes", "1"), "metal", 1)


class Work(TestCase):
    def setUp(self):
        self.design = levy()
        self.resolution = resolve(self.design.army, self.design.scheme)

    def test_every_mark_is_work_after_what_it_lies_on(self):
        work = compiled(self.design, self.resolution, units=("1st-harbour-line",))
        marks = {atom.id: atom for atom in work.atoms if atom.subject.site}
        self.assertEqual(
            [atom.step for atom in marks.values() if atom.subject.site == "hat.plate" and atom.rank == "fusilier"],
            ["gloss", "place", "soften", "seal"],
        )
        known = pairs_before(work, rank="fusilier")
        beneath = {name for name, after in known if after == "Gloss hat plate"}
        self.assertIn("Trim metal base", beneath)

    def test_done_steps_of_marks_ask_for_no_work(self):
        done = frozenset({("punt-cars", "punt-car", at, of_mark("hull.number"), "stencil") for at in (1, 2)})
        work = compiled(self.design, self.resolution, done, ("punt-cars",))
        self.assertEqual([atom.ordinals for atom in work.atoms if atom.subject.site], [(3, 4)])

    def test_the_plan_keeps_the_order_of_a_transfer(self):
        blocks = plan(self.design, datetime(2026, 11, 24, 18, 0), resolution=self.resolution).blocks
        ends = {}
        for block in blocks:
            for atom in block.task.atoms:
                if (
                    atom.subject.site == "hat.plate"
                    and atom.unit == "1st-harbour-line"
                    and ("fusilier", 1) in block.figures
                ):
                    ends[atom.step] = block.start
        self.assertEqual(sorted(ends, key=ends.get), ["gloss", "place", "soften", "seal"])

    def test_an_atom_tells_its_step_and_its_paints(self):
        work = compiled(self.design, self.resolution)
        atoms = {atom.step: atom for atom in work.atoms if atom.subject.site}
        scheme = self.design.scheme
        self.assertIn("label comes first", mark_step_of(scheme, self.resolution, atoms["soften"]).caution)
        self.assertEqual(mark_paints_of(scheme, self.resolution, atoms["gloss"]), ())
        self.assertTrue(mark_paints_of(scheme, self.resolution, atoms["stencil"]))
        arms = next(atom for atom in work.atoms if atom.subject.site == "shield.face" and atom.step == "freehand")
        self.assertGreater(len(mark_paints_of(scheme, self.resolution, arms)), 1)
        with self.assertRaises(UnknownName):
            mark_step_of(scheme, self.resolution, replace(arms, subject=of_mark("hat.feather")))


class Stock(TestCase):
    def test_needs_come_from_marks_made_as_transfers(self):
        design = levy()
        needs = needs_of(design, allotments(resolve(design.army, design.scheme)), lambda role, tier: None)
        labels = [one.label for one in needs]
        self.assertEqual(labels[:3], ["'1' on hat plate", "'2' on hat plate", "'3' on hat plate"])
        self.assertIn("The arms of House Orsolin on flag field", labels)
        self.assertEqual(len(needs[0].figures), 13)
        none = design
        for mark in [one for one in design.scheme.placements if one.manner.method == "transfer"]:
            none = with_manner(none, mark.id, method="freehand")
        self.assertEqual(needs_of(none, allotments(resolve(none.army, none.scheme)), lambda role, tier: None), ())

    def test_sheets_are_kept_changed_and_removed(self):
        design = with_sheet(small_design(rule("a", "army", "", "field")), "", "Discs", 2, "Spot;disc;#ffffff;2;2;9")
        self.assertEqual(read_design_bytes(design_bytes(design)), design)
        self.assertEqual(with_sheet(design, "discs", "Discs", 5, "Spot;disc;#ffffff;2;2;9").sheets[0].owned, 5)
        self.assertEqual(without_sheet(design, "discs").sheets, ())
        for spoiled in (lambda: without_sheet(design, "x"), lambda: with_sheet(design, "x", "a", 1, "Spot;disc;#ffffff;2;2;9"),
                        lambda: with_sheet(design, "", "a", 1, "House;arms:nobody;#ffffff;2;2;9")):  # fmt: skip
            with self.assertRaises(UnknownName):
                spoiled()
