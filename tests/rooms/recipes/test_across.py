"""Pages across roles: metals, lenses, edges; copying, and a little more."""

from dataclasses import replace
from unittest.mock import patch

from django.urls import reverse

from mantello.workspace.editing import create_army
from mantello_core.design.base_mix import base_mix
from mantello_core.figures.extent import Extent
from tests.rooms.case import RoomCase


class Metals(RoomCase):
    def shiny(self):
        return next(role for role in self.now().scheme.roles if base_mix(role) and base_mix(role).film.flake)

    def test_every_metal_tells_what_it_is_for_and_what_lies_beneath(self):
        page = self.see("metals", role=self.shiny().id)
        self.assertEqual({one.id for one in page.context["beneath"]}, {"none", "black", "brown", "red"})
        self.assertTrue(page.context["shades"])
        self.assertTrue(page.context["others"])
        self.assertContains(page, "blades, barrels and heads")

    def test_a_ground_a_shade_and_another_metal_are_taken(self):
        role = self.shiny().id
        self.post("lay-beneath-metal", role, beneath="red")
        self.assertEqual(self.now().scheme.role(role).recipe().steps[0].mix.paints[0].id, "brick-kiln")
        self.post("lay-beneath-metal", role, beneath="none")
        self.post("take-metal", role, paint="white-tin")
        self.assertEqual(base_mix(self.now().scheme.role(role)).paints[0].id, "white-tin")
        family = self.see("metals", role=role).context["shades"][-1].family
        self.post("shade-metal", role, family=family)
        steps = [
            step for _, recipe in self.now().scheme.role(role).recipes for step in recipe.steps if step.kind == "shade"
        ]
        self.assertEqual({step.mix for step in steps}, {self.see("metals", role=role).context["shades"][-1].mix})

    def test_what_is_no_metal_or_ground_changes_nothing(self):
        role, before = self.shiny().id, self.now()
        self.post("take-metal", role, paint="brine-green")
        self.post("lay-beneath-metal", role, status=422, beneath="gravy")
        self.post("shade-metal", role, status=422, family="plaid")
        self.assertEqual(self.now(), before)

    def test_an_army_without_metal_is_told_so_and_others_see_nothing(self):
        empty = create_army(self.owner, "Empty")
        self.assertContains(self.client.get(reverse("metals", args=[empty.pk])), "No role begins with a metal")
        self.assert_hidden("metals")
        for name in ("lay-beneath-metal", "take-metal", "shade-metal"):
            self.assert_hidden(name, "trim", post=True)


class Lenses(RoomCase):
    def test_every_kind_of_lens_is_shown_in_its_values(self):
        page = self.see("lenses", hue="green")
        rows = page.context["rows"]
        self.assertTrue(rows)
        self.assertTrue(all(len(row.recipe.steps) == row.advice.values for row in rows))
        self.assertContains(page, 'class="lens"', len(rows))

    def test_lenses_alone_are_painted_so_and_a_colour_worn_elsewhere_is_not(self):
        rows = self.see("lenses", hue="green").context["rows"]
        alone = next((row for row in rows if not row.elsewhere), None)
        other = next((row for row in rows if row.elsewhere), None)
        self.assertTrue(alone or other)
        if alone:
            self.post("paint-lens", alone.role.id, hue="green", tier=alone.tier)
            self.assertEqual(
                len(self.now().scheme.role(alone.role.id).own_recipe(alone.tier).steps), alone.advice.values
            )
        if other:
            before = self.now()
            self.post("paint-lens", other.role.id, hue="green", tier=other.tier)
            self.assertEqual(self.now(), before)

    def test_nonsense_and_strangers(self):
        self.see("lenses", status=422, hue="plaid")
        self.assert_hidden("lenses")
        self.assert_hidden("paint-lens", "lampglass", post=True)


class Edges(RoomCase):
    def edge(self):
        return next(
            (role.id, tier, step.id)
            for role in self.now().scheme.roles for tier in ("rank", "leader") for step in role.recipe(tier).steps
            if step.work == "edge" and role.own_recipe(tier)
        )  # fmt: skip

    def test_they_are_ranked_drawn_and_cut_off(self):
        where = self.edge()
        page = self.see("edges", *where)
        rows = page.context["rows"]
        self.assertGreater(len(rows), 2)
        self.assertContains(page, 'class="edge-kept"')
        minutes = page.context["whole"]
        self.post("cut-edges", *where, share=str(rows[0][0].reached))
        step = self.now().scheme.role(where[0]).recipe(where[1]).step(where[2])
        self.assertAlmostEqual(step.manner.share, rows[0][0].reached, places=2)
        after = self.see("edges", *where)
        self.assertEqual([kept for _, _, kept in after.context["rows"]].count(True), 1)
        self.assertLess(after.context["kept"], minutes)
        self.post("cut-edges", *where, share="1")
        self.assertIsNone(self.now().scheme.role(where[0]).recipe(where[1]).step(where[2]).manner.share)

    def test_shares_and_steps_that_cannot_be_are_refused(self):
        where, before = self.edge(), self.now()
        self.post("cut-edges", *where, status=422, share="most")
        self.post("cut-edges", *where, status=422, share="0")
        self.assertEqual(self.now(), before)
        base = self.now().scheme.role(where[0]).recipe(where[1]).steps[0].id
        self.see("edges", where[0], where[1], base, status=404)
        self.see("edges", where[0], "king", where[2], status=404)
        self.assert_hidden("edges", *where)
        self.assert_hidden("cut-edges", *where, post=True)


class Copied(RoomCase):
    def test_a_recipe_goes_to_another_role_and_its_lights_alone(self):
        self.post("copy-recipe", "field", to="facing", what="recipe")
        self.assertEqual(self.now().scheme.role("facing").recipe(), replace(self.now().scheme.role("field").recipe()))
        self.post("undo")
        before = self.now().scheme.role("facing").recipe().steps[0]
        self.post("copy-recipe", "field", to="facing", what="lights")
        self.assertEqual(self.now().scheme.role("facing").recipe().steps[0], before)
        self.assert_hidden("copy-recipe", "field", post=True)

    def test_a_little_more_and_a_mix_from_the_base_mix(self):
        step = {"kind": "layer", "diluent": "neat", "said": "1 base mix : 1 Salt Linen"}
        self.post("keep-step", "field", "rank", **step)
        made = self.now().scheme.role("field").recipe().steps[-1]
        self.assertIn("salt-linen", {pot.id for pot in made.mix.paints})
        share = {pot.id: parts for pot, parts in made.mix.parts}
        answer = self.post("more-of", "field", "rank", made.id, paint="salt-linen")
        self.assertIn(f"edit=rank:{made.id}", answer.url)
        more = {pot.id: parts for pot, parts in self.now().scheme.role("field").recipe().steps[-1].mix.parts}
        self.assertGreater(more["salt-linen"] / sum(more.values()), share["salt-linen"] / sum(share.values()))
        self.assertContains(self.see("recipe", "field", edit=f"rank:{made.id}"), "A little more")
        self.post("more-of", "field", "rank", made.id, status=422, paint="tar-wash")
        self.assert_hidden("more-of", "field", "rank", made.id, post=True)


class There(RoomCase):
    def test_a_place_that_no_area_of_the_role_has_is_told_at_its_field_and_the_rest_stays(self):
        flat = Extent(40.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0, 1, 3.0)
        sent = {
            "kind": "edge",
            "diluent": "neat",
            "paint1": "gull-white",
            "parts1": "1",
            "spot": "edges",
            "note": "along the rim",
        }
        before = self.now()
        with patch("mantello.rooms.recipes.views.worn", return_value=({"rank": 1}, {"rank": flat})):
            page = self.post("keep-step", "field", "rank", status=422, **sent)
        self.assertContains(page, "No area that wears this has an edge", status_code=422)
        self.assertContains(page, "along the rim", status_code=422)
        self.assertEqual(self.now(), before)
        self.post("keep-step", "field", "rank", **sent)
        self.assertEqual(self.now().scheme.role("field").recipe().steps[-1].spot.place, "edges")


class Parts(RoomCase):
    def test_a_ladder_of_more_and_more_of_one_paint_from_a_step(self):
        base = self.now().scheme.role("field").recipe().steps[0]
        asked = {"by": "parts", "steps": "3", "light": "salt-linen", "start": base.id, "pots": "all", "rise": "25"}
        pots = self.see("routes", "field").context["form"].fields["pots"].choices
        asked["pots"] = pots[-1][0]
        rows = self.see("routes", "field", **asked).context["rows"]
        self.assertEqual([row.route.light.id for row in rows], ["salt-linen"])
        shares = [{pot.id: parts for pot, parts in mix.parts}["salt-linen"] / sum(parts for _, parts in mix.parts) for mix, _, _ in rows[0].steps]  # fmt: skip
        self.assertEqual([round(share, 2) for share in shares], [0.25, 0.5, 0.75])
        self.post("take-route", "field", tier="rank", taken="salt-linen", **asked)
        lights = [
            step
            for step in self.now().scheme.role("field").recipe().steps
            if step.kind in ("layer", "highlight", "edge")
        ]
        self.assertTrue(all("salt-linen" in {pot.id for pot in step.mix.paints} for step in lights))
