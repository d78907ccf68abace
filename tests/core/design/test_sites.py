"""Sites placed by a painter on shipped and own types: what bears marks there, kept, moved, refused."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.army.tree import Figure
from mantello_core.design.bearing import with_device
from mantello_core.design.sites import with_site, without_site
from mantello_core.errors import MantelloError, OutOfRange, UnknownName, Unreadable
from mantello_core.figures.catalogue import plate
from mantello_core.figures.placed_site import PlacedSite, area_at, with_sites
from mantello_core.figures.plate import Site
from mantello_core.formats.document.design import design_bytes, read_design, read_design_bytes, write_design
from mantello_core.formats.sample import calvessa
from mantello_core.insignia.devices.device import Device
from mantello_core.scheme.cascade import resolve

PLATE = plate("fusilier")
SLEEVE = next(one for one in PLATE.views[0].areas if one.area == "arm.left.sleeve")
SHOULDER = PlacedSite(
    "fusilier",
    PLATE.views[0].name,
    Site("shoulder.left", "arm.left.sleeve", *SLEEVE.label, 2.4, 3.0, "shield", "cyl:3"),
)


class Placed(TestCase):
    def setUp(self):
        self.design = with_site(calvessa(), SHOULDER)

    def test_every_fusilier_offers_it_and_bears_what_is_placed_there(self):
        figure = Figure("1st-harbour-line", "fusilier", 1)
        borne = with_device(self.design, figure, "shoulder.left", Device("disc"), "facing", 1)
        one = resolve(borne.army, borne.scheme).of_rank("1st-harbour-line", "fusilier")[0]
        self.assertIn("shoulder.left", one.borne)
        self.assertIn("shoulder.left", {site.id for site in one.plate.sites["arm.left.sleeve"]})
        with self.assertRaises(MantelloError):
            with_device(calvessa(), figure, "shoulder.left", Device("disc"), "facing", 1)

    def test_a_shipped_site_is_moved_and_given_back(self):
        known = PLATE.views[0].named_site("hat.plate")
        moved = with_site(self.design, PlacedSite("fusilier", PLATE.views[0].name, replace(known, width=2.0)))
        self.assertEqual(moved.army.plate("fusilier").views[0].named_site("hat.plate").width, 2.0)
        self.assertEqual(len(moved.army.plate("fusilier").views[0].sites), len(PLATE.views[0].sites) + 1)
        back = without_site(moved, "fusilier", PLATE.views[0].name, "hat.plate")
        self.assertEqual(back.army.plate("fusilier").views[0].named_site("hat.plate"), known)
        self.assertIs(
            without_site(self.design, "fusilier", PLATE.views[0].name, "shoulder.left").army.plate("fusilier"), PLATE
        )

    def test_the_same_sites_are_the_same_plate_and_other_types_stay_theirs(self):
        self.assertIs(self.design.army.plate("fusilier"), with_site(calvessa(), SHOULDER).army.plate("fusilier"))
        self.assertIs(self.design.army.plate("ranger"), plate("ranger"))
        self.assertIs(with_sites(PLATE, ()), PLATE)

    def test_it_reads_back_identical_and_a_document_is_refused_at_its_place(self):
        self.assertEqual(read_design_bytes(design_bytes(self.design)), self.design)
        document = write_design(self.design)
        for wrong, where in (
            ({"area": "head.beak"}, "/army/sites/0"),
            ({"view": "top"}, "/army/sites/0"),
            ({"width": 900}, "/army/sites/0"),
        ):
            site = document["army"]["sites"][0] | wrong
            changed = document | {"army": document["army"] | {"sites": [site]}}
            with self.subTest(wrong=wrong), self.assertRaises(MantelloError) as refused:
                read_design(changed)
            self.assertTrue(refused.exception.where.startswith(where), refused.exception.where)
        twice = document | {"army": document["army"] | {"sites": document["army"]["sites"] * 2}}
        with self.assertRaisesRegex(MantelloError, "two sites called 'shoulder.left'"):
            read_design(twice)

    def test_the_area_beneath_a_point_is_the_one_that_is_seen_there(self):
        view = PLATE.views[0]
        for seen in view.areas:
            if seen.room > 1:
                self.assertEqual(area_at(view, *seen.label), seen.area)
        self.assertEqual(area_at(view, view.view_box[0], view.view_box[1]), "")

    def test_what_cannot_be_is_refused_at_its_field(self):
        site = SHOULDER.site
        for changed, kind, where in (
            ({"area": "head.beak"}, UnknownName, "area"), ({"id": "Shoulder!"}, Unreadable, "name"), ({"width": 0.1}, OutOfRange, "width"),
            ({"height": 500.0}, OutOfRange, "height"), ({"shape": "star"}, UnknownName, "shape"), ({"curve": "cyl"}, UnknownName, "curve"),
            ({"curve": "cyl:0.1"}, OutOfRange, "radius"), ({"curve": "dome:x"}, OutOfRange, "radius"), ({"x": 9000.0}, OutOfRange, "x"),
        ):  # fmt: skip
            with self.subTest(changed=changed), self.assertRaises(kind) as refused:
                with_site(self.design, replace(SHOULDER, site=replace(site, **changed)))
            self.assertEqual(refused.exception.where, where)
        with self.assertRaises(UnknownName):
            with_site(self.design, replace(SHOULDER, view="below"))
        with self.assertRaises(UnknownName):
            without_site(self.design, "fusilier", "front", "knee")
