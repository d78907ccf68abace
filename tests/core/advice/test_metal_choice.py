"""Metals: what lies beneath, which stand out, what each is for, and own ones."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.advice.metal_choice import BENEATH, beneath_metal, metals_beside
from mantello_core.checks.look import Look
from mantello_core.checks.metals import metals
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.design.base_mix import base_mix, with_base_mix, with_ground_beneath
from mantello_core.design.edit import with_new_role
from mantello_core.errors import Contradiction
from mantello_core.figures.metalwork import function_of
from mantello_core.film.ground import Ground
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.formats.sample import levy
from mantello_core.order.nodes import classes_of_roles
from mantello_core.paints.estimate import CardReading
from mantello_core.paints.metal import flake_of, off_by
from mantello_core.paints.own import OwnPaint, own_paint
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.step import Mix, Recipe
from mantello_core.scheme.cascade import resolve
from tests.samples import calvessa

GOLD, STEEL = (Mix(((paint(name), 1.0),)) for name in ("pageant-gold", "ferry-steel"))
WHITE, SOOT = (Ground(paint(f"undercoat-{name}")) for name in ("gull", "soot"))


def _metals(scheme, classes) -> set[str]:
    """Roles of a rank that are metal."""
    return {role for role, kinds in classes_of_roles(scheme, classes).items() if "metal" in kinds}


class Beneath(TestCase):
    def test_gold_takes_more_over_white_than_over_brown_and_steel_covers_anything_in_two(self):
        over = {one.id: one for one in beneath_metal(GOLD, WHITE)}
        self.assertEqual(set(over), {"none", *BENEATH})
        self.assertGreater(over["none"].coats, over["red"].coats)
        self.assertEqual({one.coats for one in beneath_metal(STEEL, SOOT)}, {2})
        self.assertTrue(all(2 <= one.coats <= 3 for one in over.values()))

    def test_colours_run_from_beneath_to_the_metal(self):
        for one in beneath_metal(GOLD, SOOT):
            gold = GOLD.film.masstone
            away = [difference(colour, gold) for colour in one.colours]
            self.assertEqual(away, sorted(away, reverse=True))
        self.assertGreater({one.id: one.apart for one in beneath_metal(GOLD, SOOT)}["none"], 3)

    def test_it_is_laid_in_every_tier_taken_away_again_and_is_no_base(self):
        design = calvessa()
        role = next(role for role in design.scheme.roles if base_mix(role) and base_mix(role).film.flake)
        laid = with_ground_beneath(design, role.id, paint("brick-kiln"))
        again = laid.scheme.role(role.id)
        self.assertEqual(
            {recipe.steps[0].mix.paints[0].id for _, recipe in again.recipes if recipe.steps}, {"brick-kiln"}
        )
        self.assertEqual(base_mix(again), base_mix(role))
        self.assertEqual(again.paint_name, role.paint_name)
        self.assertEqual(with_ground_beneath(laid, role.id, None), design)
        other = with_base_mix(laid, role.id, ((paint("white-tin"), 1.0),)).scheme.role(role.id)
        self.assertEqual([step.mix.paints[0].id for step in other.recipe().steps[:2]], ["brick-kiln", "white-tin"])

    def test_what_lies_beneath_it_does_not_hide_a_metal_from_order_and_checks(self):
        design = levy()
        shiny = [role.id for role in design.scheme.roles if base_mix(role) and base_mix(role).film.flake]
        laid = design
        for role in shiny:
            laid = with_ground_beneath(laid, role, paint("pitch-barrel"))
        before, after = (resolve(one.army, one.scheme) for one in (design, laid))
        told = [
            {one.key for one in metals(Look(*both)).findings if not one.key.startswith("alike")}
            for both in ((design, before), (laid, after))
        ]
        self.assertTrue(told[0])
        self.assertEqual(*told)
        classes = [[one] for one in before.classes]
        self.assertEqual(
            [_metals(laid.scheme, one) for one in classes],
            [_metals(design.scheme, one) for one in classes],
        )
        self.assertTrue(any(_metals(laid.scheme, one) for one in classes))

    def test_a_recipe_of_nothing_but_what_lies_beneath_begins_with_that(self):
        role = with_ground_beneath(calvessa(), "trim", paint("brick-kiln")).scheme.role("trim")
        alone = Recipe(role.recipe().steps[:1])
        self.assertEqual(alone.base, role.recipe().steps[0])
        self.assertIsNone(Recipe().base)

    def test_a_role_without_a_recipe_has_nothing_to_lie_beneath(self):
        design, role = with_new_role(calvessa(), "Bare")
        with self.assertRaises(Contradiction):
            with_ground_beneath(design, role.id, paint("brick-kiln"))


class Beside(TestCase):
    def test_warm_metals_stand_out_from_green_and_steel_from_orange(self):
        pots = tuple(paints().values())
        self.assertEqual(metals_beside(paint("brine-green").swatch, pots)[0].leans, "warm")
        orange = metals_beside(paint("buoy-orange").swatch, pots)
        self.assertEqual(orange[-1].leans, "warm")
        self.assertTrue(all(one.paint.kind == "metallic" for one in orange))


class Functions(TestCase):
    def test_what_metal_is_for(self):
        for area, material, function in (
            ("weapon.blade.fuller", "metal", "weapon"), ("vehicle.gun.barrel", "metal", "weapon"), ("head.helm.skull", "plate", "structure"),
            ("vehicle.hull.side.fore", "metal", "structure"), ("shield.boss", "metal", "ornament"), ("torso.coat.buttons", "metal", "fittings"),
            ("torso.coat", "cloth", ""),
        ):  # fmt: skip
            self.assertEqual(function_of(area, material), function, area)

    def test_two_metals_for_one_function_are_told_and_small_metal_too(self):
        design = levy()
        found = metals(Look(design, resolve(design.army, design.scheme))).findings
        keys = [one.key for one in found]
        self.assertTrue(any(key.startswith("function|stiltwalker|structure|bronze|arms") for key in keys), keys)
        self.assertTrue(any(key.startswith("small|") for key in keys))
        self.assertFalse(any(key.startswith("function|knight") for key in keys))


class Own(TestCase):
    def test_shipped_metals_are_found_again_by_their_colour(self):
        for pot in paints().values():
            if pot.kind == "metallic":
                self.assertLess(off_by(pot.swatch), 1.0, pot.id)

    @given(st.floats(50, 72), st.floats(0, 12), st.floats(15, 35))
    def test_golds_and_coppers_are_what_was_said(self, lightness, a, b):
        self.assertLess(off_by(Lab(lightness, a, b)), 6.0)
        self.assertEqual(flake_of(Lab(lightness, a, b)), flake_of(Lab(lightness, a, b)))

    def test_an_own_metal_is_painted_with_kept_and_read_again(self):
        pot = own_paint(OwnPaint("Guild Gold", "metallic", (CardReading("opaque", Lab(62, 6, 36)),), "metallic"))
        self.assertLess(difference(pot.swatch, Lab(62, 6, 36)), 1.0)
        self.assertTrue(pot.covers and not pot.mixable)
        design = calvessa()
        role = next(role for role in design.scheme.roles if base_mix(role))
        painted = with_base_mix(design, role.id, ((pot, 1.0),))
        again = read_design_bytes(design_bytes(painted))
        self.assertEqual(again, painted)
        self.assertEqual(base_mix(again.scheme.role(role.id)).film.masstone, pot.swatch)
