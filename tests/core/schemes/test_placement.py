"""Marks through the ladder: who bears what, where it is drawn, and which are alike."""

from dataclasses import replace
from xml.etree import ElementTree

from django.test import SimpleTestCase

from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName
from mantello_core.figures.catalogue import plate
from mantello_core.formats.document import design_bytes, read_design, read_design_bytes, write_design
from mantello_core.formats.drawing import area_under, plate_svg
from mantello_core.formats.massing import massed_group
from mantello_core.formats.sample import levy
from mantello_core.insignia.device import Device
from mantello_core.schemes.army import Figure, Rank
from mantello_core.schemes.bearing import with_device, without_device
from mantello_core.schemes.cascade import resolve
from mantello_core.schemes.edit import without_role
from mantello_core.schemes.inspection.inspect import inspect
from mantello_core.schemes.muster import with_duplicate, with_rank, without_node, without_rank
from mantello_core.schemes.transfer import transferred
from tests.samples import FUSILIER, rule, small_design

SITE = "hat.plate"
ONE, TWO = Device("text", "1"), Device("text", "2")


def bears(design, figure=FUSILIER, site=SITE):
    """The device a figure bears on a site; None for none."""
    borne = resolve(design.army, design.scheme).of(figure).borne.get(site)
    return borne.placement.device if borne else None


class Ladder(SimpleTestCase):
    def test_a_device_reaches_from_its_rung_down_and_the_deeper_one_wins(self):
        design = with_device(small_design(), FUSILIER, SITE, ONE, "metal", 1)
        second = Figure("second-line", "Fusilier", 2)
        self.assertEqual((bears(design), bears(design, second)), (ONE, ONE))
        design = with_device(design, second, SITE, TWO, "lace", 3)
        self.assertEqual((bears(design), bears(design, second)), (ONE, TWO))
        self.assertEqual(resolve(design.army, design.scheme).of(second).borne[SITE].rung, 3)

    def test_one_figure_and_one_rank_can_bear_their_own(self):
        design = with_device(small_design(), FUSILIER, SITE, ONE, "metal", 4)
        design = with_device(design, Figure("first-line", "Fusilier", 2), SITE, TWO, "metal", 6)
        self.assertEqual([bears(design, Figure("first-line", "Fusilier", n)) for n in (1, 2, 3)], [ONE, TWO, ONE])
        classes = resolve(design.army, design.scheme).of_unit("first-line")
        self.assertEqual(sorted(one.ordinals for one in classes if one.rank == "Fusilier"), [(1, 3), (2,)])

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


class AlongWithTheArmy(SimpleTestCase):
    def setUp(self):
        self.design = with_device(small_design(rule("a", "army", "", "field")), FUSILIER, SITE, ONE, "metal", 5)

    def test_marks_go_with_renamed_copied_and_removed_formations(self):
        renamed = with_rank(self.design, "first-line", "Fusilier", Rank("Private", "fusilier", 3))
        self.assertEqual(bears(renamed, Figure("first-line", "Private", 1)), ONE)
        copied = with_duplicate(self.design, "first", "Third")
        self.assertEqual(bears(copied, Figure("line", "Fusilier", 1)), ONE)
        self.assertEqual(without_node(self.design, "first").scheme.placements, ())
        self.assertEqual(without_rank(self.design, "first-line", "Fusilier").scheme.placements, ())

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
            design = with_device(design, Figure("second-line", "Fusilier", 1), SITE, second, "metal", 3)
            return next(c for c in inspect(design, resolve(design.army, design.scheme)) if c.id == "codes")

        self.assertIn("First and Second all bear '1'", codes(ONE).worst)
        self.assertEqual(codes(TWO).verdict, "clear")

    def test_one_device_in_two_colours_must_be_told_apart_by_every_sight(self):
        def codes(role, other):
            design = small_design(rule("a", "army", "", "field"))
            design = with_device(design, FUSILIER, SITE, ONE, role, 3)
            design = with_device(design, Figure("second-line", "Fusilier", 1), SITE, ONE, other, 3)
            return next(c for c in inspect(design, resolve(design.army, design.scheme)) if c.id == "codes")

        self.assertEqual(codes("lace", "field").verdict, "clear")
        near = codes("field", "facing")
        self.assertEqual(near.verdict, "look")
        self.assertIn("First and Second: '1' differs in colour alone", near.worst)

    def test_a_mark_tells_ranks_of_one_figure_apart(self):
        design = small_design(rule("a", "army", "", "field"))
        design = with_rank(design, "second-line", "", Rank("Corporal", "fusilier", 1))

        def ranks(of):
            return next(c for c in inspect(of, resolve(of.army, of.scheme)) if c.id == "ranks").verdict

        self.assertEqual(ranks(design), "look")
        marked = with_device(design, Figure("second-line", "Corporal", 1), SITE, Device("chevron"), "metal", 5)
        self.assertEqual(ranks(marked), "clear")


class Drawn(SimpleTestCase):
    def test_a_device_is_drawn_on_its_area_and_clipped_to_it(self):
        svg = plate_svg(plate("fusilier"), "front", lambda area: "#888888", bearing=((SITE, (ONE, "#123456")),))
        tree = ElementTree.fromstring(svg)
        drawn = [
            one.tag.split("}")[1] for one in tree.iter() if one.get("class") == "device" or one.tag.endswith("clipPath")
        ]
        self.assertEqual(drawn, ["clipPath", "path"])
        device = next(one for one in tree.iter() if one.get("class") == "device")
        self.assertEqual(device.get("fill"), "#123456")
        order = [one.get("data-area") or one.get("class") for one in tree.iter() if one.tag.endswith("path")]
        self.assertEqual(order[order.index("device") - 2], "head.hat.plate")

    def test_a_view_without_the_site_shows_nothing(self):
        back = plate_svg(plate("fusilier"), "back", lambda area: "#888888", bearing=((SITE, (ONE, "#123456")),))
        self.assertNotIn("#123456", back)

    def test_every_site_of_every_plate_lies_on_an_area_of_its_view(self):
        for type_id in ("fusilier", "knight", "puntcar", "lancer", "ranger"):
            for view in plate(type_id).views:
                for site in view.sites:
                    self.assertIsNotNone(area_under(view, site), (type_id, view.name, site.id))

    def test_the_mass_bears_them_too(self):
        drawn = massed_group(
            plate("fusilier"), "front", lambda area: "", lambda area: "#888888", ((SITE, (ONE, "#123456")),)
        )
        self.assertIn("#123456", drawn)

    def test_the_levys_companies_and_cars_are_numbered(self):
        resolution = resolve(levy().army, levy().scheme)
        cars = [one.borne["hull.number"].placement.device.text for one in resolution.of_unit("punt-cars")]
        self.assertEqual(sorted(cars), ["1", "2", "3", "4"])
        self.assertEqual(
            replace(ONE, text="3"), resolution.of(Figure("3rd-gull-line", "Fusilier", 5)).borne[SITE].placement.device
        )
