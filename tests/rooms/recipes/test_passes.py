"""The page of passes over the figure."""

from tests.rooms.case import RoomCase

GIVEN = {
    "name": "One wash", "kind": "shade", "paint": "tar-wash", "diluent": "medium", "diluent_parts": "2", "coats": "1",
    "covers": [], "leaves": ["base", "@skin"], "law": "all", "height": "", "phase": "", "scope": "", "note": "", "because": "one tone",
}  # fmt: skip


class Passes(RoomCase):
    def passes(self):
        return self.now().scheme.passes

    def test_a_pass_is_added_shown_in_order_and_recipe_and_taken_away(self):
        self.assertContains(self.see("passes"), "No pass yet")
        self.post("keep-pass", **GIVEN)
        (one,) = self.passes()
        self.assertEqual(
            (one.id, one.select, one.leaves, one.because), ("one-wash", ("",), ("base", "@skin"), "one tone")
        )
        page = self.see("passes")
        for words in ("One wash", "Tar Wash 1, medium 2", "because one tone", "whole army"):
            self.assertContains(page, words)
        self.assertContains(self.see("order"), "One wash")
        self.assertContains(self.see("recipe", "field"), "A pass over the figure")
        self.post("drop-pass", **{"pass": "0"})
        self.assertEqual(self.passes(), ())

    def test_it_is_changed_where_it_stands(self):
        self.post("keep-pass", **GIVEN)
        self.assertContains(self.see("passes", **{"pass": "0"}), 'value="One wash"')
        self.post("keep-pass", **(GIVEN | {"pass": "0", "name": "Brown wash", "law": "ground", "height": "25"}))
        (one,) = self.passes()
        self.assertEqual((one.id, one.name, one.law, one.height), ("one-wash", "Brown wash", "ground", 0.25))

    def test_one_of_the_same_name_lower_down_takes_its_place_or_leaves_it_out(self):
        self.post("keep-pass", **GIVEN)
        self.post("keep-pass", **(GIVEN | {"scope": "1st-harbour-line", "off": "on"}))
        self.assertEqual(
            [(one.id, one.scope, one.off) for one in self.passes()],
            [("one-wash", "", False), ("one-wash", "1st-harbour-line", True)],
        )
        self.assertNotContains(self.see("order", unit="1st-harbour-line", rank="fusilier"), "One wash")
        self.assertContains(self.see("order", unit="2nd-lantern-line", rank="fusilier"), "One wash")

    def test_single_figures_of_a_rank_can_be_meant(self):
        self.post("keep-pass", **(GIVEN | {"rank": "fusilier", "figures": "2, 1", "scope": "1st-harbour-line"}))
        (one,) = self.passes()
        self.assertEqual((one.scope, one.filter.rank, one.filter.ordinals), ("1st-harbour-line", "fusilier", (1, 2)))
        self.assertContains(self.see("passes", **{"pass": "0"}), 'value="1, 2"')
        page = self.post("keep-pass", status=422, **(GIVEN | {"figures": "all"}))
        self.assertContains(page, "is no figure", status_code=422)

    def test_what_cannot_be_read_is_told_at_its_field_and_stays(self):
        page = self.post("keep-pass", status=422, **(GIVEN | {"name": "", "coats": "99"}))
        self.assertContains(page, "Nothing is written here", status_code=422)
        self.assertContains(page, "Write 1 to 12", status_code=422)
        self.assertContains(page, "one tone", status_code=422)
        self.assertEqual(self.passes(), ())

    def test_a_wash_of_many_roles_becomes_one(self):
        page = self.see("passes")
        self.assertContains(page, "Make it one pass")
        offer = page.context["offers"][0][0]
        self.post("take-pass-offer", offer=offer.id)
        self.assertEqual(self.passes()[0].roles, offer.roles)

    def test_another_painter_finds_nothing_here(self):
        self.assert_hidden("passes")
        for name in ("keep-pass", "drop-pass", "take-pass-offer"):
            self.assert_hidden(name, post=True)
