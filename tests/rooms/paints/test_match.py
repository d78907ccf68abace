"""A colour matched from the shelf, and a mix taken as a base."""

from mantello_core.colour.difference import difference
from mantello_core.design.base_mix import base_mix
from mantello_core.film.surface import solid
from mantello_core.paints.range import paint
from tests.rooms.case import RoomCase


class MatchPage(RoomCase):
    def test_a_role_is_matched_without_the_paint_it_is_made_from(self):
        page = self.see("match", wanted="role:lantern")
        self.assertContains(page, "wanted without Lantern Yellow")
        rows = page.context["rows"]
        self.assertTrue(rows)
        for row in rows:
            self.assertNotIn("lantern-yellow", [pot.id for pot, _, _ in row.shares])
            self.assertAlmostEqual(sum(share for _, _, share in row.shares), 1)
            ground = solid(self.now().scheme.ground.undercoat.film).colour
            self.assertLess(difference(row.coats[0], ground), 1e-9)
        self.assertContains(page, "Take as base", len(rows))

    def test_a_paint_that_ran_out_is_replaced_but_is_no_role_to_take_it(self):
        page = self.see("match", wanted="paint:salt-linen")
        self.assertContains(page, "wanted without Salt Linen")
        self.assertNotContains(page, "Take as base")

    def test_without_a_question_the_first_role_is_looked_at(self):
        first = next(role for role in self.now().scheme.roles if base_mix(role))
        self.assertEqual(self.see("match").context["target"].role.id, first.id)

    def test_any_colour_from_one_range_alone(self):
        page = self.see("match", wanted="", colour="#6f7f5a", shelves="fornace")
        self.assertEqual({pot.range for row in page.context["rows"] for pot, _, _ in row.shares}, {"Fornace"})
        self.assertContains(page, "#6f7f5a")

    def test_a_word_of_the_trade_is_matched_as_cloth_of_a_grade_for_a_role(self):
        page = self.see("match", wanted="", word="dunkelgrün", grade="private", months="12", role="lantern")
        self.assertContains(page, "dark green, private")
        self.assertContains(page, "Take as base")
        self.assertContains(page, "months out")
        new = self.see("match", wanted="", word="dark green", grade="officer").context["target"].colour
        self.assertLess(new.lightness, page.context["target"].colour.lightness)
        answer = self.see("match", wanted="", word="mauvish", status=422)
        self.assertContains(answer, "is no colour word that is known", status_code=422)
        self.assertContains(answer, 'value="mauvish"', status_code=422)

    def test_far_from_every_paint_the_page_says_that_the_order_is_rough(self):
        self.assertContains(self.see("match", wanted="", colour="#00ff00"), "Nothing on these shelves comes near")

    def test_a_mix_that_parts_under_a_lamp_is_told_and_a_picked_colour_has_none(self):
        page = self.see("match", wanted="paint:brine-green")
        parted = [row for row in page.context["rows"] if row.parts_under_lamp]
        self.assertTrue(parted)
        self.assertLess(len(parted), len(page.context["rows"]))
        self.assertContains(page, "apart under a lamp", len(parted))
        picked = self.see("match", wanted="", colour="#6f7f5a")
        self.assertNotContains(picked, "under a lamp")
        self.assertEqual({row.lamp for row in picked.context["rows"]}, {None})

    def test_what_is_no_colour_range_or_role_is_told_at_its_field(self):
        for asked, said in (
            ({"wanted": "", "colour": "green"}, "&#x27;green&#x27; is not a colour"),
            ({"wanted": "role:nobody"}, "role:nobody"),
            ({"wanted": "role:field", "shelves": "attic"}, "attic"),
        ):
            page = self.see("match", status=422, **asked)
            self.assertContains(page, said, status_code=422)
            self.assertContains(page, 'role="alert"', status_code=422)

    def test_a_mix_is_taken_as_base_and_can_be_undone(self):
        before = self.now().scheme.role("lantern")
        answer = self.post("take-match", role="lantern", part=["candle-yellow:4", "salt-linen:1"])
        self.assertIn("/recipes/lantern/", answer.url)
        after = self.now().scheme.role("lantern")
        self.assertEqual(base_mix(after).parts, ((paint("candle-yellow"), 4.0), (paint("salt-linen"), 1.0)))
        self.assertEqual(after.recipe().steps[1:], before.recipe().steps[1:])
        self.post("undo")
        self.assertEqual(self.now().scheme.role("lantern"), before)

    def test_a_mix_that_cannot_be_changes_nothing(self):
        before = self.now()
        for part in (
            ["candle-yellow:0"],
            ["no-such:1"],
            ["candle-yellow"],
            ["candle-yellow:-1"],
            [],
            ["salt-linen:1"] * 4,
        ):
            self.post("take-match", role="lantern", part=part, status=422)
        self.post("take-match", role="nobody", part=["salt-linen:1"], status=422)
        self.assertEqual(self.now(), before)

    def test_others_do_not_see_it(self):
        self.assert_hidden("match")
        self.assert_hidden("take-match", post=True)

    def test_the_paints_and_recipes_lead_here(self):
        self.assertContains(self.see("paints"), "/paints/match/")
        self.assertContains(self.see("paints", pot="salt-linen"), "?wanted=paint:salt-linen")
        self.assertContains(self.see("recipe", "lantern"), "?wanted=role:lantern")
