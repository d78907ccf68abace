"""The Recipes room and the shelf."""

from django.urls import reverse

from mantello.jobs.models import Job
from mantello.workspace.editing import create_army
from mantello_core.mixing.undercoat import grounds
from mantello_core.recipes.where import Where
from tests.rooms.case import RoomCase

GOOD = {
    "kind": "layer",
    "paint1": "lantern-yellow",
    "parts1": "2",
    "paint2": "salt-linen",
    "parts2": "1",
    "diluent": "water",
    "diluent_parts": "1",
    "coats": "",
    "where": "",
}


class Recipes(RoomCase):
    def test_a_role_shows_its_steps_with_coats_over_this_undercoat(self):
        page = self.see("recipe", "lantern")
        for said in (
            "Lantern facing: Lantern Yellow",
            "3 coats until it is even",
            "4 from its full colour",
            "Lantern Yellow 3, water 1",
            "Amber Wash, neat",
            "predicted on Undercoat Slate",
            "dries 25 min",
        ):
            self.assertContains(page, said)

    def test_another_undercoat_changes_the_coats(self):
        self.post("set-undercoat", undercoat="undercoat-linen", role="lantern")
        self.assertEqual(self.now().scheme.ground.undercoat.id, "undercoat-linen")
        page = self.see("recipe", "lantern")
        self.assertContains(page, "2 coats until it is even")
        self.assertNotContains(page, "3 coats until it is even")

    def test_a_step_goes_where_it_is_told(self):
        step = self.now().scheme.role("lantern").recipe().steps[-1]
        said = {"step": step.id, "kind": "layer", "diluent": "neat", "paint1": "lantern-yellow", "parts1": "1"}
        self.post("keep-step", "lantern", "rank", **said, spot="edges", spot_which="all", spot_width="0.2")
        self.assertEqual(
            self.now().scheme.role("lantern").recipe().step(step.id).spot, Where("edges", width=0.2, which="all")
        )
        self.assertContains(self.see("recipe", "lantern"), "all edges, 0.2 mm")
        self.post("keep-step", "lantern", "rank", **said)
        self.assertIsNone(self.now().scheme.role("lantern").recipe().step(step.id).spot)

    def test_a_place_that_cannot_be_is_refused_at_its_field_and_stays_typed(self):
        step = self.now().scheme.role("lantern").recipe().steps[-1]
        said = {"step": step.id, "kind": "layer", "diluent": "neat", "paint1": "lantern-yellow", "parts1": "1"}
        for given, told in (
            ({"spot": "edges", "spot_share": "40"}, "takes no share"), ({"spot": "raised", "spot_share": "140"}, "Write 2 to 100 per cent"),
            ({"spot_width": "0.2"}, "Choose where it goes first"), ({"spot": "nowhere"}, "is none of the choices"),
        ):  # fmt: skip
            page = self.post("keep-step", "lantern", "rank", status=422, **said, **given)
            self.assertContains(page, told, status_code=422)

    def test_recesses_are_shaded_with_a_wash_of_another_family(self):
        step = next(one for one in self.now().scheme.role("lantern").recipe().steps if one.kind == "shade")
        self.assertContains(self.see("recipe", "lantern"), "Which wash for the recesses")
        self.post("lay-shade", "lantern", "rank", step=step.id, family="blue")
        laid = self.now().scheme.role("lantern").recipe().step(step.id)
        self.assertNotEqual(laid.mix, step.mix)
        self.assertContains(self.see("recipe", "lantern"), laid.mix.words)
        self.post("lay-shade", "lantern", "rank", status=422, step=step.id, family="plaid")
        self.post("lay-shade", "lantern", "rank", status=422, step="none", family="blue")
        self.assertEqual(self.now().scheme.role("lantern").recipe().step(step.id), laid)

    def test_a_wash_is_laid_another_way(self):
        step = next(one for one in self.now().scheme.role("lantern").recipe().steps if one.kind == "shade")
        self.assertContains(self.see("recipe", "lantern"), "How far the wash goes")
        self.post("lay-wash", "lantern", "rank", step=step.id, scope="recesses", passes="1")
        self.assertEqual(self.now().scheme.role("lantern").recipe().step(step.id).kind, "recess")
        self.post("lay-wash", "lantern", "rank", step=step.id, scope="all", passes="2")
        laid = self.now().scheme.role("lantern").recipe().step(step.id)
        self.assertEqual((laid.kind, laid.coats, laid.spot), ("shade", 2, None))
        for wrong in (
            {"scope": "sideways", "passes": "1"},
            {"scope": "all", "passes": "9"},
            {"scope": "all", "passes": "1", "step": "none"},
        ):
            self.post("lay-wash", "lantern", "rank", status=422, **{"step": step.id} | wrong)
        self.assertEqual(self.now().scheme.role("lantern").recipe().step(step.id), laid)

    def test_what_is_no_undercoat_is_refused(self):
        self.assertContains(
            self.post("set-undercoat", undercoat="lantern-yellow", status=422),
            "an undercoat is a spray",
            status_code=422,
        )

    def test_a_step_is_added_changed_moved_and_removed(self):
        self.post("keep-step", "rim", "rank", step="", **GOOD)
        steps = self.now().scheme.role("rim").recipe().steps
        self.assertEqual(
            [(step.id, step.mix.words) for step in steps][-1], ("layer", "Lantern Yellow 2, Salt Linen 1, water 1")
        )
        self.post("keep-step", "rim", "rank", step="layer", **(GOOD | {"coats": "3", "kind": "edge"}))
        self.assertEqual(self.now().scheme.role("rim").recipe().steps[-1].coats, 3)
        self.post("move-step", "rim", "rank", "layer", do="up")
        self.assertEqual(self.now().scheme.role("rim").recipe().steps[0].id, "layer")
        self.post("move-step", "rim", "rank", "layer", do="remove")
        self.assertEqual(len(self.now().scheme.role("rim").recipe().steps), 1)

    def test_a_leaders_step_leaves_rank_and_file_as_they_are(self):
        self.post("keep-step", "rim", "leader", step="", **GOOD)
        role = self.now().scheme.role("rim")
        self.assertEqual((len(role.recipe("rank").steps), len(role.recipe("leader").steps)), (1, 2))

    def test_every_fault_is_told_at_its_field_and_what_was_typed_stays(self):
        faults = {
            "paint1": ({"paint1": ""}, "Choose a paint."),
            "parts1": ({"parts1": "none"}, "Write a number above 0"),
            "parts2": ({"parts2": ""}, "How many parts of it?"),
            "paint2": ({"paint2": ""}, "1 parts of which paint?"),
            "coats": ({"coats": "40"}, "Write 1 to 12"),
            "diluent_parts": ({"diluent_parts": ""}, "How many parts of water to the paint?"),
        }
        for change, said in faults.values():
            answer = self.post(
                "keep-step", "rim", "rank", step="base", status=422, **(GOOD | change | {"where": "upper edge only"})
            )
            self.assertContains(answer, said, status_code=422)
            self.assertContains(answer, "upper edge only", status_code=422)
        self.assertEqual(len(self.now().scheme.role("rim").recipe().steps), 1)

    def test_a_role_without_a_recipe_says_so(self):
        self.post("new-role", name="Undecided", paint="")
        self.assertContains(self.see("recipe", "undecided"), "No recipe yet")
        self.see("recipe", "no-such-role", status=302)
        self.assertContains(self.see("recipes"), "not in the scheme as it stands")

    def test_a_spray_carries_its_caution_and_defers_to_the_label(self):
        page = self.see("recipe", "field")
        self.assertContains(page, "Spray outdoors or in a vented booth")
        self.assertContains(page, "label, its safety sheet and local rules come first")

    def test_another_painter_finds_nothing_here(self):
        self.assert_hidden("recipes")
        self.assert_hidden("paints")
        self.assert_hidden("keep-step", "rim", "rank", post=True)
        self.assert_hidden("move-step", "rim", "rank", "base", post=True)
        self.assert_hidden("set-undercoat", post=True)


class Shelf(RoomCase):
    def test_the_shelf_names_ranges_opacity_uses_and_amounts(self):
        page = self.see("paints", view="all")
        for said in ("Fornace", "Old Customs House", "Candle Yellow", "transparent", "Harbour facing, Plume", "0.21"):
            self.assertContains(page, said)


class Undercoats(RoomCase):
    def test_all_are_compared_and_one_is_used_from_there(self):
        page = self.filled("undercoats")
        self.assertEqual(sum(len(rows) for _, rows in page.context["kinds"]), len(grounds()))
        self.assertContains(page, "is recommended")
        self.assertContains(page, ">in use<", 1)
        self.assertContains(page, "Spray outdoors")
        here = reverse("undercoats", args=[self.army.pk])
        answer = self.post("set-undercoat", undercoat="undercoat-linen", next=here)
        self.assertEqual(answer.url, here)
        rows = self.filled("undercoats").context["kinds"][0][1]
        self.assertEqual([minutes for one, minutes, _ in rows if one.ground.undercoat.id == "undercoat-linen"], [0])

    def test_asked_twice_one_worker_compares_and_a_change_asks_anew(self):
        jobs = [self.see("undercoats").context["job"] for _ in range(2)]
        self.assertEqual(jobs[0], jobs[1])
        self.post("set-undercoat", undercoat="undercoat-oxide")
        self.assertNotEqual(self.see("undercoats").context["job"], jobs[0])
        self.assertEqual(Job.objects.filter(kind=jobs[0].kind).count(), 1)

    def test_a_part_starts_on_another_ground_and_goes_back(self):
        self.post("set-part-ground", assembly="Cloak", undercoat="undercoat-oxide", above="undercoat-rose")
        page = self.see("undercoats")
        self.assertContains(page, "Oxide, Undercoat Rose from above")
        part = self.now().scheme.grounds[0]
        self.assertEqual(
            (part.unit, part.assembly, part.ground.words), ("", "Cloak", "Undercoat Oxide, Undercoat Rose from above")
        )
        self.post("set-part-ground", do="remove", assembly="Cloak")
        self.assertEqual(self.now().scheme.grounds, ())

    def test_a_part_that_is_none_is_refused_at_its_field_and_the_rest_stays(self):
        page = self.post(
            "set-part-ground", status=422, assembly="Cloak", undercoat="undercoat-oxide", above="undercoat-oxide"
        )
        self.assertContains(page, "over itself", status_code=422)
        self.assertContains(page, '<option value="Cloak" selected>', status_code=422)
        page = self.post("set-part-ground", status=422, undercoat="undercoat-oxide")
        self.assertContains(page, "own undercoat", status_code=422)

    def test_an_empty_army_has_nothing_to_compare(self):
        empty = create_army(self.owner, "Empty")
        page = self.client.get(reverse("undercoats", args=[empty.pk]))
        self.assertContains(page, "Nothing to undercoat yet")

    def test_a_bridge_is_laid_beneath_a_weak_hider(self):
        self.post("set-undercoat", undercoat="undercoat-soot")
        step = self.now().scheme.role("lantern").recipe().steps[0]
        weak = {"step": step.id, "kind": "base", "diluent": "neat", "paint1": "candle-yellow", "parts1": "1"}
        self.post("keep-step", "lantern", "rank", **weak)
        self.assertContains(self.see("recipe", "lantern"), "Lay it beneath")
        before = self.now().scheme.role("lantern").recipe().steps
        self.post("lay-bridge", "lantern", "rank")
        steps = self.now().scheme.role("lantern").recipe().steps
        self.assertEqual((steps[0].kind, steps[1:]), ("base", before))
        self.post("lay-bridge", "lantern", "rank")
        self.assertEqual(self.now().scheme.role("lantern").recipe().steps, steps)

    def test_others_do_not_see_them(self):
        self.assert_hidden("undercoats")
        self.assert_hidden("set-part-ground", post=True)
        self.assert_hidden("lay-bridge", "lantern", "rank", post=True)
