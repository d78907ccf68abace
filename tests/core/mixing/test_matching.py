"""Matches against exhaustive search, the scalar measures, and what is refused."""

from itertools import combinations, product
from math import gcd
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.difference import difference, differences
from mantello_core.colour.spaces import Lab, lab_of, lab_of_hex, labs_of
from mantello_core.design.base_mix import base_mix, with_base_mix
from mantello_core.design.edit import with_new_role
from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.film.coverage import coat_by_coat, coverage
from mantello_core.film.ground import Ground
from mantello_core.film.surface import solid
from mantello_core.mixing.matching import WORTH, Match, matches
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.step import Mix
from tests.samples import calvessa

FLAT = [pot for pot in paints().values() if pot.mixable]
LABS = st.builds(Lab, st.floats(0, 100), st.floats(-100, 100), st.floats(-100, 100))
FEW = ("brine-green", "salt-linen", "lantern-yellow", "tar-black", "madder-rope", "gull-white", "deep-channel")


def searched(target: Lab, pots, most: int) -> float:
    """The nearest of all mixes of so many paints, one by one by the plain measures."""
    found = []
    for count in range(1, most + 1):
        for some in combinations(pots, count):
            for drops in product(range(1, 9), repeat=count):
                if sum(drops) <= 8 and gcd(*drops) == 1:
                    mix = Mix(tuple((pot, float(one)) for pot, one in zip(some, drops, strict=True)))
                    found.append(difference(solid(mix.film).colour, target))
    return min(found)


class Measures(TestCase):
    @given(LABS, st.lists(LABS, min_size=1, max_size=6))
    def test_many_differences_are_each_the_one(self, target, others):
        for got, other in zip(differences(np.array(others), target), others, strict=True):
            self.assertAlmostEqual(got, difference(target, other), places=6)

    @given(st.lists(st.tuples(*[st.floats(0, 1.2)] * 3), min_size=1, max_size=5))
    def test_many_colours_are_each_the_one(self, seen):
        for got, one in zip(labs_of(np.array(seen)), seen, strict=True):
            self.assertTrue(np.allclose(got, lab_of(np.array(one)), atol=1e-9))

    def test_greys_and_opposite_hues_agree_too(self):
        for one, other in (
            (Lab(50, 0, 0), Lab(50, 0, 0)),
            (Lab(50, 0, 0), Lab(40, 9, 9)),
            (Lab(50, 9, -1), Lab(50, 9, 1)),
        ):
            self.assertAlmostEqual(differences(np.array([other]), one)[0], difference(one, other), places=9)


class Matches(TestCase):
    @settings(max_examples=6, deadline=None)
    @given(st.integers(0, 0xFFFFFF))
    def test_the_best_of_two_is_what_exhaustive_search_finds(self, number):
        target, pots = lab_of_hex(f"#{number:06x}"), [pot for pot in FLAT if pot.id in FEW]
        self.assertGreater(len(pots), 4)
        best = searched(target, pots, 2)
        got = min(one.apart for one in matches(target, pots, limit=40) if len(one.mix.parts) < 3)
        self.assertLess(got - best, WORTH + 0.01)

    @settings(max_examples=4, deadline=None)
    @given(st.integers(0, 0xFFFFFF))
    def test_the_best_of_three_from_five_pots_is_within_the_bound(self, number):
        target, pots = lab_of_hex(f"#{number:06x}"), [pot for pot in FLAT if pot.id in FEW][:5]
        best, got = searched(target, pots, 3), matches(target, pots)[0].apart
        # five pots have ten pairs, all within the beam; two more steps of 0.5 may be saved by fewer paints
        self.assertLess(got - best, 2 * WORTH + 0.01)

    def test_a_paint_on_the_shelf_is_its_own_match_and_nothing_is_mixed_for_it(self):
        found = matches(solid(paint("salt-linen").film).colour, FLAT)
        self.assertEqual((found[0].mix.words, round(found[0].apart, 6)), ("Salt Linen, neat", 0))
        self.assertTrue(all(len(one.mix.parts) == 1 for one in found))

    def test_a_mix_made_from_the_shelf_is_found_again(self):
        mix = Mix(((paint("brine-green"), 2.0), (paint("salt-linen"), 1.0)))
        best = matches(solid(mix.film).colour, FLAT)[0]
        self.assertLess(best.apart, WORTH)
        self.assertLessEqual(len(best.mix.parts), 2)

    def test_what_is_told_is_what_the_mix_is(self):
        for one in matches(lab_of_hex("#7a4b6e"), FLAT, Ground(paint("undercoat-soot"))):
            film = one.mix.film
            self.assertAlmostEqual(one.apart, difference(film.masstone, lab_of_hex("#7a4b6e")), places=4)
            self.assertEqual(one.coats, coverage(film, solid(paint("undercoat-soot").film)).coats)
            self.assertLessEqual(sum(drops for _, drops in one.mix.parts), 8)

    def test_the_nearest_comes_first_and_no_set_of_paints_twice(self):
        found = matches(lab_of_hex("#8a8a40"), list(paints().values()), limit=40)
        self.assertEqual([one.apart for one in found], sorted(one.apart for one in found))
        sets = [frozenset(one.mix.paints) for one in found]
        self.assertEqual(len(sets), len(set(sets)))

    def test_metals_stand_alone_and_washes_do_not_stand_in(self):
        pots = list(paints().values())
        metal = next(pot for pot in pots if pot.kind == "metallic")
        found = matches(metal.swatch, pots, limit=40)
        self.assertEqual(found[0].mix.parts, ((metal, 1.0),))
        for one in found:
            kinds = {pot.kind for pot in one.mix.paints}
            self.assertTrue(kinds <= {"acrylic", "air", "ink"} or (kinds == {"metallic"} and len(one.mix.parts) == 1))

    def test_one_pot_is_enough_and_none_is_refused(self):
        self.assertEqual(len(matches(lab_of_hex("#ffffff"), [paint("salt-linen")])), 1)
        wash = [pot for pot in paints().values() if pot.kind == "wash"]
        for pots, limit, where in ((wash, 8, "paints"), ([], 8, "paints"), (FLAT, 0, "limit"), (FLAT, 41, "limit")):
            with self.assertRaises(OutOfRange) as refused:
                matches(lab_of_hex("#ffffff"), pots, limit=limit)
            self.assertEqual(refused.exception.where, where)

    def test_verdicts_change_at_one_two_and_five(self):
        told = [
            Match(Mix(((paint("salt-linen"), 1.0),)), Lab(0, 0, 0), apart, None, "").verdict
            for apart in (1, 1.1, 2, 5, 5.1)
        ]
        side = "told apart only side by side"
        self.assertEqual(told, ["not told apart", side, side, "near", "another colour"])

    def test_coat_by_coat_starts_at_the_ground_and_comes_nearer_the_opaque_colour(self):
        film, ground = paint("lantern-yellow").film, solid(paint("undercoat-soot").film)
        seen = coat_by_coat(film, ground, 0.0, 6)
        self.assertEqual(len(seen), 7)
        self.assertLess(difference(seen[0], ground.colour), 1e-9)
        left = [difference(colour, film.masstone) for colour in seen]
        self.assertEqual(left, sorted(left, reverse=True))
        self.assertLess(left[-1], left[0] / 3)


class BaseMix(TestCase):
    PARTS = ((paint("brine-green"), 2.0), (paint("salt-linen"), 1.0))

    def test_every_tier_that_shared_the_mix_follows_and_thinning_stays(self):
        design = calvessa()
        role = next(one for one in design.scheme.roles if len(one.recipes) > 1)
        before = base_mix(role)
        after = with_base_mix(design, role.id, self.PARTS).scheme.role(role.id)
        for tier, recipe in role.recipes:
            new = after.own_recipe(tier).steps
            shared = recipe.steps[0].mix == before
            self.assertEqual(new[0].mix.parts, self.PARTS if shared else recipe.steps[0].mix.parts)
            self.assertEqual(new[0].mix.diluent_parts, recipe.steps[0].mix.diluent_parts)
            self.assertEqual(new[1:], recipe.steps[1:])

    def test_a_role_without_a_recipe_gets_one(self):
        design, bare = with_new_role(calvessa(), "Pennon")
        self.assertIsNone(base_mix(bare))
        made = with_base_mix(design, bare.id, self.PARTS).scheme.role(bare.id)
        self.assertEqual(base_mix(made).parts, self.PARTS)

    def test_what_no_mix_can_be_is_refused(self):
        design = calvessa()
        for parts, kind in (((), OutOfRange), (((paint("salt-linen"), 0.0),), OutOfRange)):
            with self.assertRaises(kind):
                with_base_mix(design, "field", parts)
        with self.assertRaises(UnknownName):
            with_base_mix(design, "no-role", self.PARTS)
