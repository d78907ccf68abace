"""Edits of how roles are made: materials by reference, shared shades, routes, where to stop."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.checks.route_conflict import conflicts, touching_roles
from mantello_core.colour.spaces import Lab
from mantello_core.design.edit import with_step, with_undercoat
from mantello_core.design.worked_out import (
    ladder_start,
    lightened_with,
    with_copied,
    with_material,
    with_more,
    with_recipes,
    with_route,
    with_shades,
    with_stop,
    without_material,
)
from mantello_core.errors import Contradiction, UnknownName
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.mixing.generating import generated
from mantello_core.mixing.route import parts_route, route
from mantello_core.paints.own import by_swatch, own_paint
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.material import material
from mantello_core.recipes.step import Manner, Mix, Recipe, Step
from mantello_core.recipes.where import Where
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.scheme import Role
from tests.samples import calvessa, small_design

EVERY = tuple(paints().values())


class ByReference(TestCase):
    def setUp(self):
        self.design = with_material(with_material(small_design(), "field", "leather-brown"), "lace", "leather-brown")

    def test_a_role_takes_the_recipes_as_they_ship(self):
        self.assertEqual(self.design.scheme.role("field").recipes, material("leather-brown").recipes)
        self.assertEqual(read_design_bytes(design_bytes(self.design)), self.design)

    def test_a_change_in_one_changes_all_and_nothing_else(self):
        step = Step("dot", "dot", Mix(((paint("gull-white"), 1.0),)))
        changed = with_step(self.design, "lace", "rank", step).scheme
        self.assertEqual(changed.role("field").recipe(), changed.role("lace").recipe())
        self.assertEqual(changed.role("field").recipe().steps[-1], step)
        self.assertEqual(changed.role("metal"), self.design.scheme.role("metal"))

    def test_another_that_joins_is_made_as_the_army_makes_it(self):
        step = Step("dot", "dot", Mix(((paint("gull-white"), 1.0),)))
        joined = with_material(with_step(self.design, "lace", "rank", step), "facing", "leather-brown")
        self.assertEqual(joined.scheme.role("facing").recipe().steps[-1], step)

    def test_made_its_own_it_no_longer_follows(self):
        alone = without_material(self.design, "field")
        changed = with_step(alone, "lace", "rank", Step("dot", "dot", Mix(((paint("gull-white"), 1.0),)))).scheme
        self.assertEqual(changed.role("field").recipes, material("leather-brown").recipes)

    def test_unknown_names_are_refused(self):
        for change in (
            lambda: with_material(self.design, "fild", "gold"),
            lambda: with_material(self.design, "field", "gld"),
        ):
            with self.assertRaises(UnknownName):
                change()


class WholeRecipes(TestCase):
    def test_a_worked_out_recipe_replaces_every_tier_and_the_reference(self):
        design = with_material(small_design(), "field", "gold")
        made = {
            tier: generated(Mix(((paint("brine-green"), 1.0),)), EVERY, tier).recipe
            for tier in ("rank", "leader", "centrepiece")
        }
        role = with_recipes(design, "field", made).scheme.role("field")
        self.assertEqual((dict(role.recipes), role.material), (made, ""))

    def test_a_tier_stops_after_a_step(self):
        made = {"rank": generated(Mix(((paint("brine-green"), 1.0),)), EVERY, "centrepiece").recipe}
        design = with_recipes(small_design(), "field", made)
        stopped = with_stop(design, "field", "leader", "shade").scheme.role("field")
        self.assertEqual([step.id for step in stopped.recipe("leader").steps], ["base", "shade"])
        self.assertEqual(stopped.recipe("rank"), made["rank"])
        with self.assertRaises(UnknownName):
            with_stop(design, "field", "leader", "nothing")
        with self.assertRaises(UnknownName):
            with_stop(design, "field", "king", "shade")

    def test_shades_are_shared_in_every_tier_and_only_where_there_is_one(self):
        made = {tier: generated(Mix(((paint("brine-green"), 1.0),)), EVERY, tier).recipe for tier in ("rank", "leader")}
        design = with_recipes(small_design(), "field", made)
        mix = Mix(((paint("peat-wash"), 1.0),), "medium", 2.0)
        scheme = with_shades(design, mix, ("field", "lace")).scheme
        for tier in ("rank", "leader"):
            self.assertEqual(
                [step.mix for step in scheme.role("field").recipe(tier).steps if step.kind == "shade"], [mix]
            )
        self.assertEqual(scheme.role("lace"), design.scheme.role("lace"))


class Routes(TestCase):
    ROUTE = route(Mix(((paint("brine-green"), 1.0),)), paint("salt-linen"))

    def test_lights_take_the_mixes_from_dark_to_light_and_keep_their_thinning(self):
        made = {"rank": generated(Mix(((paint("brine-green"), 1.0),)), EVERY, "leader").recipe}
        design = with_recipes(small_design(), "field", made)
        steps = {
            step.id: step
            for step in with_route(design, "field", "rank", self.ROUTE).scheme.role("field").recipe().steps
        }
        self.assertEqual(steps["layer"].mix.parts, self.ROUTE.mixes[0].parts)
        self.assertEqual(steps["edge"].mix.parts, self.ROUTE.mixes[-1].parts)
        old = {step.id: step for step in made["rank"].steps}
        self.assertEqual(steps["layer"].mix.diluent_parts, old["layer"].mix.diluent_parts)
        self.assertEqual((steps["shade"], steps["relay"]), (old["shade"], old["relay"]))

    def test_a_base_alone_gets_lights_and_nothing_gets_none(self):
        steps = with_route(small_design(), "field", "rank", self.ROUTE).scheme.role("field").recipe().steps
        self.assertEqual([step.kind for step in steps], ["base", "layer", "highlight", "edge"])
        design = small_design()
        bare = replace(design, scheme=design.scheme.with_role(Role("bare", "Bare")))
        with self.assertRaises(Contradiction):
            with_route(bare, "bare", "rank", self.ROUTE)

    def test_a_route_that_ends_near_what_it_touches_is_told(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        touching = touching_roles(resolution, "field")
        self.assertTrue(touching)
        self.assertNotIn("field", touching)
        end = self.ROUTE.colours[-1]
        near, turned, lighter = (
            Lab(end.lightness + 3, end.a, end.b), Lab(end.lightness, -end.a, -end.b), Lab(end.lightness + 20, end.a, end.b),
        )  # fmt: skip
        told = {"near": near, "turned": turned, "lighter": lighter, "none": None, "grey": Lab(end.lightness, 0, 0)}
        self.assertEqual([one.role for one in conflicts(self.ROUTE, tuple(told), told.get)], ["near"])

    def test_two_greys_are_near_by_lightness_alone(self):
        grey = route(Mix(((paint("roof-slate"), 1.0),)), paint("gannet-grey"))
        end = grey.colours[-1]
        (one,) = conflicts(grey, ("other",), lambda _: Lab(end.lightness + 4, 0, 0))
        self.assertEqual((one.hue, round(one.lightness, 3)), (0.0, 4.0))


class InDocuments(TestCase):
    def test_manner_grounds_and_own_paints_read_back_in_a_fresh_register(self):
        pot = own_paint(by_swatch("Stall rose", "acrylic", Lab(50, 40, 10), "opaque"))
        manner = Manner(tool="sponge", share=0.4, drying=15.0, window=2.0, leave=9.0, pose="upside down", note="slowly")
        step = Step("base", "base", Mix(((pot, 1.0),)), 2, "left sleeve", manner)
        design = with_undercoat(
            with_recipes(small_design(), "field", {"rank": Recipe((step,))}),
            paint("undercoat-soot"),
            paint("undercoat-gull"),
            paint("salt-linen"),
        )
        data = design_bytes(design)
        self.assertIn(b"Stall rose", data)
        self.assertEqual(read_design_bytes(data), design)
        step = read_design_bytes(data).scheme.role("field").recipe().steps[0]
        self.assertEqual(
            (step.tool, step.share, step.drying, step.pose, step.window, step.leave),
            ("sponge", 0.4, 15.0, "upside down", 2.0, 9.0),
        )


class Ladders(TestCase):
    RED, IVORY = Mix(((paint("madder-rope"), 1.0),)), paint("egg-skiff")

    def test_more_and_more_of_a_paint_is_one_ladder(self):
        made = parts_route(self.RED, self.IVORY, 3)
        self.assertEqual([mix.parts for mix in made.mixes], [
            ((paint("madder-rope"), 3.0), (self.IVORY, 1.0)), ((paint("madder-rope"), 1.0), (self.IVORY, 1.0)),
            ((paint("madder-rope"), 1.0), (self.IVORY, 3.0)),
        ])  # fmt: skip
        self.assertEqual(
            sorted(colour.lightness for colour in made.colours), [colour.lightness for colour in made.colours]
        )

    def test_it_starts_from_what_most_of_it_ends_in(self):
        base, relay, light = (Step(id_, kind, self.RED, spot=spot) for id_, kind, spot in (
            ("base", "base", None), ("relay", "layer", Where("off recesses")), ("high", "highlight", None)))  # fmt: skip
        self.assertEqual(ladder_start(Recipe((base, relay, light))), relay)
        self.assertEqual(ladder_start(Recipe((base, light))), base)
        self.assertIsNone(ladder_start(Recipe()))

    def test_lights_before_the_start_stay_as_they_are(self):
        design = calvessa()
        role = next(one for one in design.scheme.roles if sum(step.kind in ("layer", "highlight", "edge") for step in one.recipe("leader").steps) > 2)  # fmt: skip
        steps = role.recipe("leader").steps
        first = next(step for step in steps if step.kind == "layer")
        made = parts_route(Mix(first.mix.parts), self.IVORY, 2)
        after = with_route(design, role.id, "leader", made, first.id).scheme.role(role.id).recipe("leader").steps
        self.assertEqual(after[: steps.index(first) + 1], steps[: steps.index(first) + 1])
        self.assertNotEqual(after[-1].mix, steps[-1].mix)

    def test_a_recipe_is_copied_and_a_ladder_made_again_from_the_others_base(self):
        design = calvessa()
        role = next(one for one in design.scheme.roles if lightened_with(one.recipe()))
        light = lightened_with(role.recipe())
        other = next(one for one in design.scheme.roles if one.id != role.id and len(one.recipe().steps) > 1 and light not in one.recipe().steps[0].mix.paints)  # fmt: skip
        whole = with_copied(design, role.id, (other.id,)).scheme.role(other.id)
        self.assertEqual(dict(whole.recipes).items() >= dict(role.recipes).items(), True)
        lit = with_copied(design, role.id, (other.id,), lights=True).scheme.role(other.id).recipe()
        self.assertEqual(lit.steps[0], other.recipe().steps[0])
        self.assertIn(light, lit.steps[-1].mix.paints)

    def test_what_is_not_lightened_has_no_ladder_to_copy(self):
        design = with_recipes(calvessa(), "field", {"rank": Recipe((Step("base", "base", self.RED),))})
        design = replace(design, scheme=design.scheme.with_role(replace(design.scheme.role("field"), recipes=(("rank", Recipe((Step("base", "base", self.RED),))),))))  # fmt: skip
        with self.assertRaises(Contradiction):
            with_copied(design, "field", ("facing",), lights=True)

    def test_a_little_more_of_one_paint(self):
        design = with_recipes(
            calvessa(), "field", {"rank": Recipe((Step("base", "base", Mix((*self.RED.parts, (self.IVORY, 1.0)))),))}
        )
        mix = with_more(design, "field", "rank", "base", self.IVORY.id).scheme.role("field").recipe().steps[0].mix
        self.assertEqual(dict(mix.parts)[self.IVORY], 5.0)
        with self.assertRaises(UnknownName):
            with_more(design, "field", "rank", "base", "tar-wash")
