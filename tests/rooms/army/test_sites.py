"""Sites for marks placed on figure types, in their page."""

from mantello_core.figures.catalogue import plate
from tests.rooms.case import RoomCase

VIEW = plate("fusilier").views[0]
SLEEVE = next(one for one in VIEW.areas if one.area == "arm.left.sleeve")
SITE = {
    "view": VIEW.name, "name": "shoulder.left", "x": SLEEVE.label[0] / 10, "y": -SLEEVE.label[1] / 10, "width": "2.4", "height": "3",
    "shape": "shield", "curve": "cyl", "radius": "3",
}  # fmt: skip


class Sites(RoomCase):
    def test_a_site_is_placed_where_it_was_clicked_then_moved_and_taken_away(self):
        self.assertContains(self.see("type-sites", "fusilier"), "hat.plate")
        self.post("place-site", "fusilier", **SITE)
        (placed,) = self.now().army.sites
        self.assertEqual((placed.site.area, placed.site.curve, placed.site.width), ("arm.left.sleeve", "cyl:3", 2.4))
        page = self.see("type-sites", "fusilier", view=VIEW.name, site="shoulder.left")
        self.assertContains(page, "placed by you")
        self.assertContains(page, 'value="shoulder.left"')
        self.post("place-site", "fusilier", **SITE | {"width": "1.5"})
        (placed,) = self.now().army.sites
        self.assertEqual(placed.site.width, 1.5)
        self.assertContains(self.see("mark-map"), "shoulder left")
        self.post("place-site", "fusilier", view=VIEW.name, site="shoulder.left", remove="yes")
        self.assertEqual(self.now().army.sites, ())

    def test_what_cannot_be_is_told_at_its_field_and_stays_typed(self):
        for wrong, said in (
            ({"x": "900"}, "It lies on no area"), ({"width": "0.1"}, "allowed is 0.5 to 200"), ({"name": "Left Shoulder!"}, "is no name of a site"),
            ({"radius": ""}, "Say the radius of the bend"), ({"height": "tall"}, "Write a number of millimetres"),
        ):  # fmt: skip
            page = self.post("place-site", "fusilier", status=422, **SITE | wrong)
            self.assertContains(page, said, status_code=422)
            self.assertContains(page, 'value="2.4"' if "width" not in wrong else 'value="0.1"', status_code=422)
        self.assertEqual(self.now().army.sites, ())

    def test_unknown_types_and_views_and_another_painters_army_are_not_found(self):
        self.see("type-sites", "nobody", status=404)
        self.post("place-site", "fusilier", status=404, **SITE | {"view": "below"})
        self.assert_hidden("type-sites", "fusilier")
        self.assert_hidden("place-site", "fusilier", post=True)
