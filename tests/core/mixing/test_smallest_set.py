"""The fewest paints, against trying every set there is."""

from functools import lru_cache
from itertools import combinations
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.design.base_mix import base_mix, with_base_mixes
from mantello_core.errors import OutOfRange
from mantello_core.film.surface import solid
from mantello_core.mixing.mix_index import drops_of
from mantello_core.mixing.smallest_set import smallest_set
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.step import Mix
from tests.samples import calvessa

FLAT = [pot for pot in paints().values() if pot.mixable]
#: eight pots that overlap: greens, blues, yellows, browns, white, black
POTS = [paint(id_) for id_ in (
    "gull-white", "pitch-barrel", "ochre-sail", "reed-bank", "mudflat", "brick-kiln", "eel-brown", "dawn-rose",
)]  # fmt: skip
SINGLES = [Mix(((pot, 1.0),)) for pot in POTS]


@lru_cache(maxsize=4096)
def nearest(mix: Mix, pots) -> float:
    """The nearest these paints come together, in all whole drops, by the plain measures."""
    mixes = [
        Mix(tuple((pot, float(one)) for pot, one in zip(pots, drops, strict=True))) for drops in drops_of(len(pots))
    ]
    return min(difference(solid(one.film).colour, mix.film.masstone) for one in mixes)


def reaches(mix: Mix, some, tolerance: float) -> bool:
    """Whether any one or two of these paints come near enough, by trying them all."""
    return any(nearest(mix, pots) <= tolerance for count in (1, 2) for pots in combinations(some, count))


def fewest(wanted, owned, tolerance: float) -> int:
    """Paints to buy, by trying every set of them, the smallest first."""
    have = [pot for pot in POTS if pot.id in owned]
    rest = [pot for pot in POTS if pot.id not in owned]
    for count in range(len(rest) + 1):
        for more in combinations(rest, count):
            if all(reaches(mix, [*have, *more], tolerance) for mix in wanted):
                return count
    raise AssertionError("even all paints do not reach")


class Fewest(TestCase):
    @settings(max_examples=8, deadline=None)
    @given(
        st.lists(st.sampled_from(SINGLES), min_size=1, max_size=5, unique=True),
        st.sets(st.sampled_from([pot.id for pot in POTS]), max_size=3),
        st.sampled_from([1.0, 3.0, 6.0]),
    )
    def test_no_set_that_is_tried_has_fewer_to_buy(self, wanted, owned, tolerance):
        found = smallest_set(wanted, POTS, owned, tolerance)
        self.assertTrue(found.proven)
        self.assertEqual(found.least, len(found.buy))
        self.assertEqual(len(found.buy), fewest(wanted, owned, tolerance))

    @settings(max_examples=10, deadline=None)
    @given(st.lists(st.sampled_from(SINGLES), min_size=1, max_size=6, unique=True), st.floats(0.5, 8))
    def test_what_is_told_is_within_the_tolerance_and_made_of_the_set(self, wanted, tolerance):
        found = smallest_set(wanted, FLAT, (), tolerance)
        self.assertEqual([one.wanted for one in found.reached], wanted)
        self.assertFalse(found.beyond)
        ids = {pot.id for pot in found.paints}
        self.assertEqual(ids, {pot.id for one in found.reached for pot in one.mix.paints})
        for one in found.reached:
            self.assertLessEqual(one.apart, tolerance)
            self.assertAlmostEqual(one.apart, difference(one.mix.film.masstone, one.wanted.film.masstone), places=4)

    def test_what_is_owned_is_used_as_it_is(self):
        found = smallest_set(SINGLES, POTS, {pot.id for pot in POTS})
        self.assertEqual((found.buy, [one.mix for one in found.reached]), ((), SINGLES))

    def test_a_mix_of_three_that_is_owned_stays_as_it_is(self):
        three = Mix(((paint("gull-white"), 2.5), (paint("reed-bank"), 1.0), (paint("brick-kiln"), 1.0)))
        (one,) = smallest_set([three], POTS, {"gull-white", "reed-bank", "brick-kiln"}, 0.5).reached
        self.assertEqual((one.mix, one.apart), (three, 0))

    def test_metals_and_flat_colours_do_not_stand_in_for_each_other(self):
        metal = next(pot for pot in paints().values() if pot.kind == "metallic")
        grey = Mix(((paint("rain-grey"), 1.0),))
        shiny = Mix(((metal, 1.0),))
        found = smallest_set([shiny, grey], list(paints().values()), (), 10)
        self.assertTrue(all(pot.kind == "metallic" for pot in found.reached[0].mix.paints))
        self.assertTrue(all(pot.kind != "metallic" for pot in found.reached[1].mix.paints))
        self.assertEqual(smallest_set([shiny], FLAT).reached, ())

    def test_what_nothing_reaches_is_told_with_the_nearest(self):
        (one,) = smallest_set([Mix(((paint("cuttle-violet"), 1.0),))], POTS, (), 1).beyond
        self.assertGreater(one.apart, 1)
        wanted = Mix(((paint("cuttle-violet"), 1.0),))
        least = min(nearest(wanted, pots) for count in (1, 2) for pots in combinations(POTS, count))
        self.assertAlmostEqual(one.apart, least, places=2)

    def test_limits(self):
        for pots, tolerance, where in ((POTS, 0.4, "tolerance"), (POTS, 10.1, "tolerance"), ([], 2, "paints")):
            with self.assertRaises(OutOfRange) as refused:
                smallest_set(SINGLES, pots, (), tolerance)
            self.assertEqual(refused.exception.where, where)
        self.assertEqual(smallest_set([], POTS).paints, ())


class BaseMixes(TestCase):
    def test_every_role_that_shares_a_mix_follows_and_others_stay(self):
        design = calvessa()
        old = Mix(base_mix(design.scheme.role("lantern")).parts)
        new = Mix(((paint("candle-yellow"), 4.0), (paint("salt-linen"), 1.0)))
        changed = with_base_mixes(design, {old: new})
        for role in design.scheme.roles:
            before, after = base_mix(role), base_mix(changed.scheme.role(role.id))
            self.assertEqual(after.parts, new.parts if before.parts == old.parts else before.parts)
            self.assertEqual(after.diluent_parts, before.diluent_parts)
        self.assertLess(difference(solid(new.film).colour, solid(old.film).colour), 2)
