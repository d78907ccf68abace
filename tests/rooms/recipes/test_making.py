"""Whole recipes, lights, materials and shared shades in the Recipes room."""

from django.urls import reverse

from mantello.shelf.models import OwnedPaint
from mantello.workspace.editing import create_army
from mantello_core.paints.stock import Stock
from mantello_core.recipes.material import material
from mantello_core.recipes.method import METHODS
from tests.rooms.case import RoomCase

ALL = {"pots": "all"}


class WorkedOut(RoomCase):
    def test_every_method_shows_a_recipe_for_every_tier(self):
        for method, one in METHODS.items():
            page = self.see("draft-recipe", "field", method=method, aim="base", **ALL)
            self.assertContains(page, one.lights)
            self.assertEqual([draft.tier for draft in page.context["drafts"]], ["rank", "leader", "centrepiece"])
            self.assertContains(page, "Take this recipe")

    def test_it_is_taken_for_every_tier_in_one_edit(self):
        page = self.see("draft-recipe", "field", method="speed", aim="base", **ALL)
        wanted = {draft.tier: draft.made.recipe for draft in page.context["drafts"]}
        answer = self.post("take-draft", "field", method="speed", aim="base", **ALL)
        self.assertEqual(answer.url, reverse("recipe", args=[self.army.pk, "field"]))
        self.assertEqual(dict(self.now().scheme.role("field").recipes), wanted)
        self.assertContains(self.client.get(answer.url), "Powder")

    def test_another_colour_and_the_shelf_alone(self):
        OwnedPaint.objects.keep(self.owner, {id_: Stock(1.0) for id_ in ("madder-rope", "gull-white", "tar-wash")})
        page = self.see("draft-recipe", "field", aim="colour", colour="#a05060", pots="owned", method="classic")
        used = {
            pot.id for draft in page.context["drafts"] for step in draft.made.recipe.steps for pot in step.mix.paints
        }
        self.assertLessEqual(used, {"madder-rope", "gull-white", "tar-wash"})
        self.assertContains(page, "from the colour")

    def test_an_empty_shelf_and_nonsense_are_told_at_their_field(self):
        page = self.see("draft-recipe", "field", status=422, pots="owned", aim="colour", colour="#a05060")
        self.assertIn("Count your shelf", page.context["form"].errors["pots"][0])
        self.assertIn("method", self.see("draft-recipe", "field", status=422, method="magic").context["form"].errors)
        self.assertIn(
            "colour", self.see("draft-recipe", "field", status=422, aim="colour", colour="red").context["form"].errors
        )

    def test_nobody_else_sees_or_takes_it(self):
        self.assert_hidden("draft-recipe", "field")
        self.assert_hidden("take-draft", "field", post=True)


class Lights(RoomCase):
    def test_routes_tell_steps_drift_and_what_they_run_into(self):
        page = self.see("routes", "field", rise="25", steps="4", **ALL)
        rows = page.context["rows"]
        self.assertGreater(len(rows), 4)
        self.assertTrue(all(len(row.steps) == 4 for row in rows))
        every = self.see("routes", "facing", rise="45", steps="4", **ALL)
        self.assertTrue(
            any(row.conflicts for row in every.context["rows"]) or "runs into" not in every.content.decode()
        )
        self.assertContains(page, "hue")

    def test_one_is_taken_for_a_tier(self):
        row = self.see("routes", "field", rise="25", steps="3", **ALL).context["rows"][0]
        self.post("take-route", "field", taken=row.route.light.id, tier="leader", rise="25", steps="3", **ALL)
        lights = [
            step
            for step in self.now().scheme.role("field").recipe("leader").steps
            if step.kind in ("layer", "highlight", "edge")
        ]
        self.assertIn(row.route.light.id, {pot.id for step in lights for pot in step.mix.paints})

    def test_a_gradient_halves_what_each_light_takes(self):
        asked = {"rise": "25", "steps": "3", "laid": "middle", **ALL}
        page = self.see("routes", "field", **asked)
        self.assertContains(page, "gradient to the middle: embers, lamps")
        self.post("take-route", "field", taken=page.context["rows"][0].route.light.id, tier="rank", **asked)
        shares = [step.spot.share for step in self.now().scheme.role("field").recipe().steps if step.spot]
        self.assertEqual(shares, [0.5, 0.25, 0.125])

    def test_one_that_is_gone_changes_nothing(self):
        before = self.now()
        self.post("take-route", "field", taken="pitch-barrel", tier="rank", rise="25", steps="3", **ALL)
        self.assertEqual(self.now(), before)
        self.assertContains(self.see("routes", "field", rise="25", **ALL), "not there any more")

    def test_a_colour_that_nothing_lightens_and_nonsense(self):
        OwnedPaint.objects.keep(self.owner, {"pitch-barrel": Stock(1.0)})
        self.assertContains(self.see("routes", "field", pots="owned"), "Nothing here is light enough")
        self.see("routes", "field", status=422, steps="77")
        self.assert_hidden("routes", "field")
        self.assert_hidden("take-route", "field", post=True)


class Stopping(RoomCase):
    def test_a_tier_ends_after_a_step(self):
        steps = self.now().scheme.role("field").recipe("leader").steps
        self.assertContains(self.see("recipe", "field"), "Stop here")
        self.post("stop-here", "field", "leader", steps[0].id)
        self.assertEqual(self.now().scheme.role("field").recipe("leader").steps, steps[:1])
        self.assertGreater(len(self.now().scheme.role("field").recipe("rank").steps), 1)
        self.post("stop-here", "field", "leader", "nothing", status=422)

    def test_the_page_tells_moments_widths_and_what_to_mind(self):
        page = self.see("recipe", "field")
        for said in (
            "Now, the base laid",
            "After the shade",
            "At the end",
            "How wide the lights are",
            "only a repaint undoes it",
            "contrast",
        ):
            self.assertContains(page, said)

    def test_how_a_step_is_done_can_be_changed(self):
        step = self.now().scheme.role("field").recipe().steps[0]
        given = {
            "step": step.id, "kind": "base", "paint1": "brine-green", "parts1": "1", "diluent": "neat",
            "tool": "sponge", "share": "40", "drying": "20", "window": "", "leave": "15", "pose": "upside down", "note": "gently",
        }  # fmt: skip
        self.post("keep-step", "field", "rank", **given)
        kept = self.now().scheme.role("field").recipe().steps[0]
        self.assertEqual(
            (kept.tool, kept.share, kept.drying, kept.window, kept.leave, kept.pose),
            ("sponge", 0.4, 20, 0, 15, "upside down"),
        )
        self.assertContains(self.see("recipe", "field"), "gently")
        page = self.post("keep-step", "field", "rank", status=422, **(given | {"share": "140", "drying": "soon"}))
        form = next(form for _, rows, _, _ in page.context["stacks"] for _, form, *_ in rows if form)
        self.assertEqual(set(form.errors), {"share", "drying"})
        self.assertContains(page, "upside down", status_code=422)


class MaterialsPage(RoomCase):
    def test_the_library_shows_tones_steps_and_uses(self):
        page = self.see("materials", material="gold")
        self.assertContains(page, "No role follows it yet")
        self.assertContains(page, "Pageant Gold")
        self.assertContains(self.see("materials", material="nothing"), "Leather, brown")

    def test_two_roles_follow_one_and_a_change_reaches_both(self):
        for role in ("trim", "arms"):
            self.post("use-material", role=self.role(role), material="gold")
        self.assertContains(self.see("materials", material="gold"), "A change in one of them changes all 2")
        page = self.see("recipe", self.role("trim"))
        self.assertContains(page, "Made as")
        self.post("stop-here", self.role("trim"), "leader", "base")
        scheme = self.now().scheme
        self.assertEqual(scheme.role(self.role("arms")).recipes, scheme.role(self.role("trim")).recipes)
        self.post("use-material", role=self.role("arms"), do="part")
        self.assertEqual(self.now().scheme.role(self.role("arms")).material, "")
        self.assertEqual(
            dict(material("gold").recipes)["rank"], self.now().scheme.role(self.role("arms")).recipe("rank")
        )

    def role(self, start: str) -> str:
        return next(
            role.id
            for role in self.now().scheme.roles
            if role.id.startswith(start) or role.name.lower().startswith(start)
        )

    def test_nonsense_is_refused_and_others_see_nothing(self):
        self.post("use-material", role="nothing", material="gold", status=422)
        self.post("use-material", role="field", material="nothing", status=422)
        self.assert_hidden("materials")
        self.assert_hidden("use-material", post=True)


class SharedShades(RoomCase):
    def test_groups_are_shown_and_all_are_shared_in_one_edit(self):
        page = self.see("shades", within="10")
        groups = page.context["groups"]
        self.assertLess(len(groups), page.context["roles"])
        self.post("share-shade", within="10", pots="all")
        scheme = self.now().scheme
        for group, members in groups:
            for role, _ in members:
                mixes = {
                    step.mix
                    for _, recipe in scheme.role(role.id).recipes
                    for step in recipe.steps
                    if step.kind == "shade"
                }
                self.assertEqual(mixes, {group.mix})

    def test_one_group_alone(self):
        group, members = self.see("shades", within="5").context["groups"][0]
        others = {role.id for role in self.now().scheme.roles} - {role.id for role, _ in members}
        before = self.now().scheme
        self.post("share-shade", within="5", pots="all", mix=group.mix.words)
        self.assertTrue(all(self.now().scheme.role(id_) == before.role(id_) for id_ in others))

    def test_an_empty_army_a_gone_group_and_nonsense(self):
        before = self.now()
        self.post("share-shade", within="5", pots="all", mix="Nothing 1, neat")
        self.assertEqual(self.now(), before)
        self.see("shades", status=422, within="99")
        empty = create_army(self.owner, "Empty")
        self.assertContains(self.client.get(reverse("shades", args=[empty.pk])), "Nothing to share yet")
        self.assertContains(self.client.get(reverse("materials", args=[empty.pk])), "Leather, brown")
        self.assert_hidden("shades")
        self.assert_hidden("share-shade", post=True)


class Grounds(RoomCase):
    def test_two_tones_and_a_pot_coat_are_chosen_and_planned(self):
        self.post("set-undercoat", undercoat="undercoat-soot", above="undercoat-gull", pot_coat="")
        self.assertEqual(self.now().scheme.ground.words, "Undercoat Soot, Undercoat Gull from above")
        self.assertContains(self.see("recipe", "field"), "Spray from above")
        self.assertContains(self.see("plan"), "Spray from above")
        self.post("set-undercoat", undercoat="can-brine-green", pot_coat="brine-green")
        self.assertContains(self.filled("undercoats"), "a coat of Brine Green")

    def test_what_is_no_spray_is_refused(self):
        before = self.now()
        self.post("set-undercoat", undercoat="undercoat-soot", above="salt-linen", status=422)
        self.assertEqual(self.now(), before)


class Livelier(RoomCase):
    def test_mixes_with_chroma_coats_and_hue(self):
        page = self.see("livelier", "field", more="4", coats="2", turn="25", **ALL)
        rows = page.context["rows"]
        self.assertGreater(len(rows), 1)
        for said in (rows[0].pot.name, rows[0].mix.words, "chroma", "Take"):
            self.assertContains(page, said)
        self.assertContains(self.see("recipe", "field"), reverse("livelier", args=[self.army.pk, "field"]))

    def test_one_is_taken_as_the_base(self):
        asked = {"more": "4", "coats": "2", "turn": "25", **ALL}
        one = self.see("livelier", "field", **asked).context["rows"][0]
        self.post("take-lift", "field", taken=one.pot.id, **asked)
        self.assertEqual(self.now().scheme.role("field").recipe("rank").base.mix.parts, one.mix.parts)

    def test_one_that_is_gone_changes_nothing(self):
        before = self.now()
        self.post("take-lift", "field", taken="pitch-barrel", **ALL)
        self.assertEqual(self.now(), before)
        self.assertContains(self.see("livelier", "field", **ALL), "not there any more")

    def test_an_empty_shelf_a_metal_and_nonsense(self):
        OwnedPaint.objects.keep(self.owner, {"pitch-barrel": Stock(1.0)})
        self.assertContains(self.see("livelier", "field", pots="owned"), "Nothing here lifts it")
        metal = next(
            role for role in self.now().scheme.roles if role.recipe().base and role.recipe().base.mix.film.flake
        )
        self.assertContains(self.see("livelier", metal.id, **ALL), "A metal is not lifted")
        self.see("livelier", "field", status=422, more="77")
        self.assert_hidden("livelier", "field")
        self.assert_hidden("take-lift", "field", post=True)
