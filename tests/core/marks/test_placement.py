"""Marks through the ladder: who bears what, where it is drawn, and which are alike."""

import re
from dataclasses import replace
from xml.etree import ElementTree

from mantello_core.army.tree import Figure, Rank
from mantello_core.checks.inspect import inspect
from mantello_core.design.bearing import device_words, with_device, without_device
from mantello_core.design.edit import without_role
from mantello_core.design.muster import with_duplicate, with_rank, without_node, without_rank
from mantello_core.design.transfer import transferred
from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName
from mantello_core.figures.catalogue import plate
from mantello_core.formats.document.design import design_bytes, read_design, read_design_bytes, write_design
from mantello_core.formats.drawing import mark_paths, plate_svg
from mantello_core.formats.massing import massed_group
from mantello_core.formats.sample import levy
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.devices.device import ARMS, Device
from mantello_core.insignia.devices.worn import WornMark
from mantello_core.marks.named_arms import with_arms, without_arms
from mantello_core.scheme.cascade import resolve
from tests.core.case import RefusalCase
from tests.samples import FUSILIER, rule, small_design

SITE = "hat.plate"
ONE, TWO = Device("text", "1"), Device("text", "2")


def bears(design, figure=FUSILIER, site=SITE):
    """The device a figure bears on a site; None for none."""
    borne = resolve(design.army, design.scheme).of(figure).borne.get(site)
    return borne.placement.device if borne else None


class Ladder(RefusalCase):
    def test_a_device_reaches_from_its_rung_down_and_the_deeper_one_wins(self):
        design = with_device(small_design(), FUSILIER, SITE, ONE, "metal", 1)
        second = Figure("second-line", "fusilier", 2)
        self.assertEqual((bears(design), bears(design, second)), (ONE, ONE))
        design = with_device(design, second, SITE, TWO, "lace", 3)
        self.assertEqual((bears(design), bears(design, second)), (ONE, TWO))
        self.assertEqual(resolve(design.army, design.scheme).of(second).borne[SITE].rung, 3)

    def test_one_figure_and_one_rank_can_bear_their_own(self):
        design = with_device(small_design(), FUSILIER, SITE, ONE, "metal", 4)
        design = with_device(design, Figure("first-line", "fusilier", 2), SITE, TWO, "metal", 6)
        self.assertEqual([bears(design, Figure("first-line", "fusilier", n)) for n in (1, 2, 3)], [ONE, TWO, ONE])
        classes = resolve(design.army, design.scheme).of_unit("first-line")
        self.assertEqual(sorted(one.ordinals for one in classes if one.rank == "fusilier"), [(1, 3), (2,)])

    def test_a_bare_site_hides_what_is_set_above_and_clearing_shows_it_again(self):
        design = with_device(small_design(), FUSILIER, SITE, ONE, "metal", 1)
        bare = with_device(design, FUSILIER, SITE, None, "", 3)
        self.assertIsNone(bears(bare))
        self.assertEqual(bears(without_device(bare, FUSILIER, SITE, 3)), ONE)
        with self.assertRaises(Contradiction):
            without_device(design, FUSILIER, SITE, 3)

    def test_placing_again_at_a_rung_replaces(self):
        design = with_device(small_design(), FUSILIER, SITE, ONE, "metal", 3)
        design = with_device(design, FUSILIER, SITE, TWO, "lace", 3)
        self.assertEqual((len(design.scheme.placements), bears(design)), (1, TWO))

    def test_what_does_not_exist_is_refused(self):
        design = small_design()
        for site, device, role, rung, kind in (
            ("hat.feather", ONE, "metal", 1, UnknownName),
            (SITE, Device("skull"), "metal", 1, UnknownName),
            (SITE, ONE, "gold", 1, UnknownName),
            (SITE, ONE, "metal", 9, OutOfRange),
            (SITE, Device("text", "long"), "metal", 1, OutOfRange),
        ):
            with self.assertRaises(kind):
                with_device(design, FUSILIER, site, device, role, rung)


class AlongWithTheArmy(RefusalCase):
    def setUp(self):
        self.design = with_device(small_design(rule("a", "army", "", "field")), FUSILIER, SITE, ONE, "metal", 5)

    def test_marks_go_with_renamed_copied_and_removed_formations(self):
        renamed = with_rank(self.design, "first-line", Rank("fusilier", "Private", "fusilier", 3))
        self.assertEqual(bears(renamed, Figure("first-line", "fusilier", 1)), ONE)
        copied = with_duplicate(self.design, "first", "Third")
        self.assertEqual(bears(copied, Figure("line", "fusilier", 1)), ONE)
        self.assertEqual(without_node(self.design, "first").scheme.placements, ())
        self.assertEqual(without_rank(self.design, "first-line", "fusilier").scheme.placements, ())

    def test_a_role_that_marks_are_painted_in_cannot_go(self):
        with self.assertRaisesMessage(Contradiction, "mark"):
            without_role(self.design, "metal")

    def test_marks_are_kept_in_the_document_and_taken_over_with_a_scheme(self):
        self.assertEqual(read_design_bytes(design_bytes(self.design)), self.design)
        bare = with_device(self.design, FUSILIER, SITE, None, "", 6)
        self.assertEqual(read_design_bytes(design_bytes(bare)), bare)
        taken = transferred(small_design(), self.design).design
        self.assertEqual(bears(taken), ONE)

    def test_documents_with_marks_that_cannot_be_are_refused_with_their_place(self):
        for change in ({"device": {"kind": "skull"}}, {"scope": "nowhere"}, {"role": "gold"}, {"site": "<b>"}):
            document = write_design(self.design)
            document["scheme"]["placements"][0].update(change)
            with self.assertRaises(MantelloError) as caught:
                read_design(document)
            self.assertIn("/scheme/placements/0", caught.exception.where)

    def test_two_formations_with_one_mark_are_told_and_different_ones_are_not(self):
        def codes(second):
            design = small_design(rule("a", "army", "", "field"))
            design = with_device(design, FUSILIER, SITE, ONE, "metal", 3)
            design = with_device(design, Figure("second-line", "fusilier", 1), SITE, second, "metal", 3)
            return next(c for c in inspect(design, resolve(design.army, design.scheme)) if c.id == "codes")

        self.assertIn("First and Second all bear '1'", codes(ONE).worst)
        self.assertEqual(codes(TWO).verdict, "clear")

    def test_one_device_in_two_colours_must_be_told_apart_by_every_sight(self):
        def codes(role, other):
            design = small_design(rule("a", "army", "", "field"))
            design = with_device(design, FUSILIER, SITE, ONE, role, 3)
            design = with_device(design, Figure("second-line", "fusilier", 1), SITE, ONE, other, 3)
            return next(c for c in inspect(design, resolve(design.army, design.scheme)) if c.id == "codes")

        self.assertEqual(codes("lace", "field").verdict, "clear")
        near = codes("field", "facing")
        self.assertEqual(near.verdict, "look")
        self.assertIn("First and Second: '1' differs in colour alone", near.worst)

    def test_a_mark_tells_ranks_of_one_figure_apart(self):
        design = small_design(rule("a", "army", "", "field"))
        design = with_rank(design, "second-line", Rank("", "Corporal", "fusilier", 1))

        def ranks(of):
            return next(c for c in inspect(of, resolve(of.army, of.scheme)) if c.id == "ranks").verdict

        self.assertEqual(ranks(design), "look")
        marked = with_device(design, Figure("second-line", "corporal", 1), SITE, Device("chevron"), "metal", 5)
        self.assertEqual(ranks(marked), "clear")


class Drawn(RefusalCase):
    def test_a_device_is_drawn_on_its_area_and_clipped_to_it(self):
        svg = plate_svg(plate("fusilier"), "front", lambda area: "#888888", bearing=((SITE, WornMark(ONE, "#123456")),))
        tree = ElementTree.fromstring(svg)
        drawn = [
            one.tag.split("}")[1] for one in tree.iter() if one.get("class") == "device" or one.tag.endswith("clipPath")
        ]
        self.assertEqual(drawn, ["clipPath", "g"])
        device = next(one for one in tree.iter() if one.get("class") == "device")
        self.assertEqual([one.get("fill") for one in device], ["#123456"])
        order = [
            one.get("data-area") or one.get("class") for one in tree.iter() if one.get("data-area") or one.get("class")
        ]
        self.assertEqual(order[order.index("device") - 1], "head.hat.plate")

    def test_a_view_without_the_site_shows_nothing(self):
        back = plate_svg(plate("fusilier"), "back", lambda area: "#888888", bearing=((SITE, WornMark(ONE, "#123456")),))
        self.assertNotIn("#123456", back)

    def test_every_site_of_every_plate_lies_on_an_area_of_its_view(self):
        for type_id in ("fusilier", "knight", "puntcar", "lancer", "ranger"):
            for view in plate(type_id).views:
                for site in view.sites:
                    self.assertIn(
                        "<path", mark_paths(view, site, WornMark(ONE, "#123456")), (type_id, view.name, site.id)
                    )

    def test_the_mass_bears_them_too(self):
        drawn = massed_group(
            plate("fusilier"), "front", lambda area: "", lambda area: "#888888", ((SITE, WornMark(ONE, "#123456")),)
        )
        self.assertIn("#123456", drawn)

    def test_the_levys_companies_and_cars_are_numbered(self):
        resolution = resolve(levy().army, levy().scheme)
        cars = [one.borne["hull.number"].placement.device.text for one in resolution.of_unit("punt-cars")]
        self.assertEqual(sorted(cars), ["1", "2", "4", "5"], "3 is retired")
        self.assertEqual(
            replace(ONE, text="3"), resolution.of(Figure("3rd-gull-line", "fusilier", 5)).borne[SITE].placement.device
        )


class ArmsBorne(RefusalCase):
    HERON = "Per pale azure and argent, a heron counterchanged"

    def armed(self):
        return with_arms(small_design(rule("a", "army", "", "field")), "", "House Reed", self.HERON)

    def worn(self, blazon=HERON):
        colours = (("azure", "#0000aa"), ("argent", "#eeeeee"))
        return WornMark(Device(ARMS, "house-reed"), "", read_blazon(blazon), colours)

    def test_arms_are_placed_by_their_id_and_need_no_role(self):
        design = with_device(self.armed(), FUSILIER, SITE, Device(ARMS, "house-reed"), "", 2)
        self.assertEqual(bears(design), Device(ARMS, "house-reed"))
        self.assertEqual(device_words(design.scheme, bears(design)), "the arms of House Reed")
        self.assertEqual(read_design_bytes(design_bytes(design)), design)

    def test_arms_that_are_not_there_are_refused(self):
        with self.assertRaises(UnknownName):
            with_device(self.armed(), FUSILIER, SITE, Device(ARMS, "nobody"), "", 2)
        written = write_design(with_device(self.armed(), FUSILIER, SITE, Device(ARMS, "house-reed"), "", 2))
        written["scheme"]["placements"][0]["device"]["text"] = "nobody"
        with self.assertRaises(UnknownName):
            read_design(written)

    def test_with_the_arms_go_the_marks_that_show_them(self):
        design = with_device(self.armed(), FUSILIER, SITE, Device(ARMS, "house-reed"), "", 2)
        self.assertIsNone(bears(without_arms(design, "house-reed")))

    def test_taking_a_scheme_over_takes_arms_and_marks(self):
        design = with_device(self.armed(), FUSILIER, SITE, Device(ARMS, "house-reed"), "", 1)
        taken = transferred(self.armed(), design).design
        self.assertEqual([one.name for one in taken.scheme.arms], ["House Reed", "House Reed"])
        self.assertEqual(bears(taken).text, taken.scheme.arms[1].id)
        self.assertEqual(read_design_bytes(design_bytes(taken)), taken)

    def test_a_shields_face_is_covered_whole_with_the_charge_that_is_cast_on_it(self):
        view = plate("captain").view("front")
        site = next(one for one in view.sites if one.id == "shield.face")
        paths = mark_paths(view, site, self.worn())
        self.assertEqual(paths.count("<path"), 4)
        xs = [float(pair.split(",")[0]) for pair in re.findall(r"[ML](-?[\d.]+,-?[\d.]+)", paths)]
        face = [one for one in view.areas if one.area.startswith("shield.face")]
        wide = [float(x) for one in face for x in re.findall(r"[ML](-?[\d.]+)", one.visible)]
        self.assertAlmostEqual(min(xs), min(wide), delta=1.5)
        self.assertAlmostEqual(max(xs), max(wide), delta=1.5)
        drawn = plate_svg(plate("captain"), "front", lambda area: "#888888", bearing=(("shield.face", self.worn()),))
        self.assertLess(drawn.index('data-area="shield.charge"'), drawn.index('class="device"'))

    def test_on_a_large_cloth_arms_are_a_shield_of_the_sites_size(self):
        view = plate("lancer").view("left")
        site = next(one for one in view.sites if one.id == "trapper.hind")
        xs = [float(x) for x in re.findall(r"[ML](-?[\d.]+)", mark_paths(view, site, self.worn("Azure")))]
        self.assertLessEqual(max(xs) - min(xs), site.width * 10 * 0.85)
        self.assertAlmostEqual((max(xs) + min(xs)) / 2, site.x, delta=0.1)

    def test_the_other_side_is_mirrored(self):
        mark = self.worn("Per pale azure and argent")
        sides = []
        for name in ("front", "back"):
            view = plate("bearer").view(name)
            site = next(one for one in view.sites if one.id == "flag.field")
            paths = re.findall(r'fill="(#\w+)" d="M(-?[\d.]+)', mark_paths(view, site, mark))
            sides.append([fill for fill, _ in sorted(paths, key=lambda one: float(one[1]))])
        self.assertEqual(sides[0], sides[1][::-1])

    def test_two_formations_with_the_same_arms_are_told(self):
        design = self.armed()
        for figure in (FUSILIER, Figure("second-line", "fusilier", 2)):
            design = with_device(design, figure, SITE, Device(ARMS, "house-reed"), "", 3)
        found = next(c for c in inspect(design, resolve(design.army, design.scheme)) if c.id == "codes").findings
        self.assertIn("all bear the arms of House Reed on hat.plate", found[0].what)
