"""Whole recipes, highlight routes, ladders, shared shades, stop points, materials."""

from itertools import pairwise
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.advice.light_width import FINEST_BRUSH, ladder, smallest_seen
from mantello_core.advice.stopping import contrast, stops
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import lab_of_hex
from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.film.surface import solid
from mantello_core.mixing.generating import generated
from mantello_core.mixing.route import MOST_DROPS, route, routes
from mantello_core.mixing.shade_group import shade_groups
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.material import material, materials
from mantello_core.recipes.method import METHODS
from mantello_core.recipes.step import MOST_PARTS, Mix, Recipe, Step, checked

EVERY = tuple(paints().values())
BRINE, MADDER = Mix(((paint("brine-green"), 1.0),)), Mix(((paint("madder-rope"), 1.0),))
MIXED = Mix(((paint("mudflat"), 3.0), (paint("tern-gull"), 4.0)))
LIGHTS = [pot for pot in EVERY if pot.kind == "acrylic"]
SLATE = Ground(paint("undercoat-slate"))


class Routes(TestCase):
    def test_steps_differ_alike_and_rise_as_asked(self):
        for base in (BRINE, MADDER, MIXED):
            for one in routes(base, LIGHTS)[:6]:
                self.assertEqual(len(one.steps), 4)
                self.assertLess(max(one.steps), 2 * min(one.steps), one.light.name)
                self.assertGreaterEqual(one.gain, 12.5)
                light = [colour.lightness for colour in one.colours]
                self.assertEqual(light, sorted(light))

    def test_every_step_is_what_its_mix_gives_in_whole_drops(self):
        for base in (MADDER, MIXED):
            one = routes(base, LIGHTS)[0]
            for mix, colour in zip(one.mixes, one.colours[1:], strict=True):
                self.assertLess(difference(solid(mix.film).colour, colour), 0.01)
                self.assertTrue(all(parts == round(parts) and parts <= MOST_PARTS for _, parts in mix.parts))
                if len(base.parts) == 1:
                    self.assertLessEqual(sum(parts for _, parts in mix.parts), MOST_DROPS)

    def test_red_turns_as_painters_know_it_to(self):
        red = Mix(((paint("madder-rope"), 1.0),))
        white, bone, yellow = (route(red, paint(id_)) for id_ in ("gull-white", "salt-linen", "lantern-amber"))
        self.assertLess(white.hue_drift, 0)
        self.assertGreater(yellow.hue_drift, bone.hue_drift)
        self.assertGreater(bone.hue_drift, white.hue_drift)
        self.assertEqual(yellow.turns_to, "yellow")
        self.assertLess(white.chroma_drift, 0)

    def test_steps_that_lose_their_chroma_are_told(self):
        found = routes(MADDER, LIGHTS, 4, 40)
        for one in found:
            least = 0.6 * one.colours[0].chroma
            self.assertEqual(
                list(one.dull), [at for at, colour in enumerate(one.colours[1:], 1) if colour.chroma < least]
            )
        self.assertTrue(any(one.dull for one in found))

    def test_what_cannot_lighten_is_left_out(self):
        self.assertIsNone(route(Mix(((paint("gull-white"), 1.0),)), paint("rain-grey")))
        self.assertNotIn("brine-green", {one.light.id for one in routes(BRINE, LIGHTS)})
        for steps, rise, where in ((0, 25, "steps"), (9, 25, "steps"), (4, 4, "rise"), (4, 61, "rise")):
            with self.assertRaises(OutOfRange) as refused:
                route(MADDER, paint("gull-white"), steps, rise)
            self.assertEqual(refused.exception.where, where)


class WholeRecipes(TestCase):
    def test_every_method_gives_every_tier_a_recipe_that_is_allowed(self):
        for method in METHODS:
            lengths = []
            for tier in ("rank", "leader", "centrepiece"):
                made = generated(BRINE, EVERY, tier, method)
                self.assertEqual(made.missing, (), (method, tier))
                for step in made.recipe.steps:
                    checked(step)
                self.assertEqual(len({step.id for step in made.recipe.steps}), len(made.recipe.steps))
                lengths.append(len(made.recipe.steps))
            self.assertEqual(lengths, sorted(lengths), method)
            self.assertGreater(lengths[2], lengths[0], method)

    def test_a_method_does_what_it_says(self):
        kinds = {
            method: [step.kind for step in generated(MADDER, EVERY, "leader", method).recipe.steps]
            for method in METHODS
        }
        self.assertIn("stain", kinds["stains"])
        self.assertEqual(kinds["oil"][kinds["oil"].index("oil") - 1], "varnish")
        self.assertIn("sponge", kinds["airbrush"])
        self.assertNotIn("shade", kinds["airbrush"])
        self.assertIn("powder", kinds["speed"])
        self.assertEqual({name for name, one in METHODS.items() if one.solvent}, {"oil"})

    def test_the_shade_darkens_recesses_and_lights_rise(self):
        tones = predicted(generated(MADDER, EVERY, "leader", "classic").recipe, SLATE).tones
        light = [tones[zone].lightness for zone in ("shade", "base", "layer", "highlight", "edge")]
        self.assertEqual(light, sorted(light))
        self.assertGreater(light[1] - light[0], 5)
        self.assertGreater(light[4] - light[1], 15)

    @settings(max_examples=8, deadline=None)
    @given(st.integers(0, 0xFFFFFF), st.sampled_from(sorted(METHODS)))
    def test_any_colour_can_be_worked_out(self, number, method):
        made = generated(lab_of_hex(f"#{number:06x}"), EVERY, "centrepiece", method)
        self.assertIsNotNone(made.apart)
        for step in made.recipe.steps:
            checked(step)

    def test_only_the_paints_that_may_be_used_are_and_what_is_wanting_is_told(self):
        few = tuple(paint(id_) for id_ in ("brine-green", "salt-linen"))
        made = generated(BRINE, few, "leader", "classic")
        used = {pot.id for step in made.recipe.steps for pot in step.mix.paints}
        self.assertEqual(used, {"brine-green", "salt-linen"})
        self.assertEqual(made.missing, ("shade",))
        self.assertIn("oil", generated(BRINE, few, "rank", "oil").missing)

    def test_metals_are_shaded_by_their_warmth(self):
        brass, steel = (
            generated(Mix(((paint(id_), 1.0),)), EVERY, "leader").recipe for id_ in ("lamp-brass", "ferry-steel")
        )
        washes = [next(step.mix.paints[0] for step in one.steps if step.kind == "shade") for one in (brass, steel)]
        self.assertGreater(washes[0].swatch.b, washes[1].swatch.b)
        self.assertEqual(steel.steps[-1].kind, "edge")

    def test_unknown_words_and_no_paint_are_refused(self):
        for arguments, kind in (((BRINE, EVERY, "rank", "magic"), UnknownName), ((BRINE, EVERY, "king"), UnknownName)):
            with self.assertRaises(kind):
                generated(*arguments)
        with self.assertRaises(OutOfRange):
            generated(lab_of_hex("#123456"), (), "rank")


class Ladders(TestCase):
    RECIPE = generated(BRINE, EVERY, "centrepiece", "classic").recipe

    def test_each_light_is_half_as_wide_as_the_one_before(self):
        widths = [rung.width for rung in ladder(self.RECIPE, 28, 0.6)]
        self.assertGreater(len(widths), 2)
        for one, two in pairwise(widths):
            self.assertAlmostEqual(one, 2 * two)

    def test_widths_grow_with_the_figure_and_never_start_below_what_is_seen(self):
        small, large = (ladder(self.RECIPE, height, 1.2)[0].width for height in (28, 54))
        self.assertLess(small, large)
        self.assertGreaterEqual(ladder(self.RECIPE, 6, 1.8)[0].width, smallest_seen(1.8))
        self.assertAlmostEqual(smallest_seen(1.0), 0.29, places=2)

    def test_the_colour_laid_again_is_no_light(self):
        self.assertNotIn("relay", [rung.step.id for rung in ladder(self.RECIPE)])

    def test_what_no_brush_draws_is_told(self):
        for rung in ladder(self.RECIPE, 15, 1.2):
            self.assertEqual(rung.too_fine, rung.width < FINEST_BRUSH)
            self.assertEqual(rung.lost, rung.width < smallest_seen(1.2))

    def test_limits(self):
        for height, metres, where in ((1, 1, "height"), (201, 1, "height"), (28, 0.01, "metres"), (28, 21, "metres")):
            with self.assertRaises(OutOfRange) as refused:
                ladder(self.RECIPE, height, metres)
            self.assertEqual(refused.exception.where, where)


class SharedShades(TestCase):
    BASES = {pot.id: Mix(((pot, 1.0),)) for pot in LIGHTS[:24]}

    def test_every_colour_with_room_to_darken_is_in_one_group_and_served_within_tolerance(self):
        groups = shade_groups(self.BASES, EVERY, 5)
        served = [one.key for group in groups for one in group.members]
        self.assertEqual(len(served), len(set(served)))
        dark = {id_ for id_, mix in self.BASES.items() if solid(mix.film).colour.lightness < 14}
        self.assertEqual(set(served), set(self.BASES) - dark)
        for group in groups:
            for one in group.members:
                self.assertLessEqual(one.apart, 5)
                self.assertAlmostEqual(one.apart, difference(one.recess, one.best))

    def test_the_more_may_be_off_the_fewer_shades_there_are(self):
        counts = [len(shade_groups(self.BASES, EVERY, tolerance)) for tolerance in (0, 2, 5, 12)]
        self.assertEqual(counts, sorted(counts, reverse=True))
        self.assertGreater(counts[0], counts[3])

    def test_without_washes_there_is_nothing_to_share_and_nonsense_is_refused(self):
        self.assertEqual(shade_groups(self.BASES, tuple(LIGHTS)), ())
        with self.assertRaises(OutOfRange):
            shade_groups(self.BASES, EVERY, 31)


class Stops(TestCase):
    def test_minutes_add_up_and_contrast_falls_with_distance(self):
        prediction = predicted(generated(MADDER, EVERY, "leader", "classic").recipe, SLATE)
        minutes = tuple(float(at + 1) for at in range(len(prediction.outcomes)))
        found = stops(prediction, minutes)
        self.assertEqual([one.minutes for one in found], [sum(minutes[: at + 1]) for at in range(len(minutes))])
        for one in found:
            self.assertGreaterEqual(one.contrast["hand"], one.contrast["arm"])
            self.assertGreaterEqual(one.contrast["arm"], one.contrast["table"])
        self.assertAlmostEqual(found[0].gain, found[0].contrast["arm"] / minutes[0])
        self.assertEqual(found[-1].contrast["arm"], contrast(prediction.tones, 0.6))

    def test_one_even_coat_has_no_contrast(self):
        flat = predicted(Recipe((Step("a", "base", BRINE),)), SLATE)
        self.assertLess(contrast(flat.tones, 0.3), 0.01)


class Materials(TestCase):
    def test_all_that_were_asked_for_are_there_with_a_plain_and_a_better_recipe(self):
        groups = {one.group for one in materials().values()}
        self.assertEqual(groups, {"hide and cloth", "skin", "natural", "metal", "small and bright", "dirt and wear"})
        for word in (
            "leather",
            "skin",
            "bone",
            "hair",
            "wood",
            "stone",
            "black",
            "white",
            "gold",
            "steel",
            "brass",
            "lens",
            "gem",
            "glow",
            "mud",
            "rust",
            "chips",
        ):
            self.assertTrue(any(word in id_ for id_ in materials()), word)
        for one in materials().values():
            tiers = dict(one.recipes)
            self.assertGreaterEqual(len(tiers["leader"].steps), len(tiers["rank"].steps), one.name)

    def test_every_step_is_allowed_and_every_recipe_can_be_predicted(self):
        for one in materials().values():
            for _, recipe in one.recipes:
                self.assertEqual(len({step.id for step in recipe.steps}), len(recipe.steps))
                self.assertLessEqual(max(outcome.coats for outcome in predicted(recipe, SLATE).outcomes), 12, one.name)

    def test_skins_come_in_several_tones(self):
        light = [
            predicted(dict(one.recipes)["rank"], SLATE).tones.flats.lightness
            for one in materials().values()
            if one.group == "skin"
        ]
        self.assertGreater(max(light) - min(light), 30)

    def test_an_unknown_material_is_refused_with_a_near_one(self):
        with self.assertRaises(UnknownName) as refused:
            material("leather-brwn", "material")
        self.assertIn("leather-brown", refused.exception.message)
