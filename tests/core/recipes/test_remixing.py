"""Mixes of mixes and a little more: parts stay whole, small and true."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.paints.range import paint
from mantello_core.recipes.mix_words import mix_said
from mantello_core.recipes.remixing import mixed_of, with_more_of
from mantello_core.recipes.step import MOST_PARTS, Mix

GREEN, LINEN, BLUE = (paint(name) for name in ("brine-green", "salt-linen", "ferry-blue"))
BASE = Mix(((GREEN, 2.0), (LINEN, 1.0)), "water", 3.0)


class Mixed(TestCase):
    def test_one_part_of_the_base_mix_to_one_of_another(self):
        self.assertEqual(mixed_of([(BASE, 1), (LINEN, 1)]), ((GREEN, 1.0), (LINEN, 2.0)))
        self.assertEqual(mixed_of([(BASE, 3), (BLUE, 1)]), ((GREEN, 2.0), (LINEN, 1.0), (BLUE, 1.0)))
        with self.assertRaises(OutOfRange):
            mixed_of([])

    def test_it_is_said_in_words(self):
        pots = (GREEN, LINEN, BLUE)
        said = mix_said("1 base mix : 1 Salt Linen : 1 water", pots, {"base mix": BASE})
        self.assertEqual(said, Mix(((GREEN, 1.0), (LINEN, 2.0)), "water", 1.5))
        self.assertEqual(mix_said("base mix", pots, {"base mix": BASE}), Mix(((GREEN, 2.0), (LINEN, 1.0))))
        with self.assertRaisesRegex(Exception, "base mix"):
            mix_said("1 base mix : 1 Salt Linen", pots)

    @given(st.lists(st.tuples(st.sampled_from([GREEN, LINEN, BLUE, BASE]), st.integers(1, 12)), min_size=1, max_size=4))
    def test_parts_are_whole_small_and_near(self, sides):
        made = dict(mixed_of(sides))
        self.assertTrue(all(parts == int(parts) and 1 <= parts <= MOST_PARTS for parts in made.values()))
        wanted: dict = {}
        whole = sum(parts for _, parts in sides)
        for side, parts in sides:
            for pot, share in ((GREEN, 2 / 3), (LINEN, 1 / 3)) if side is BASE else ((side, 1.0),):
                wanted[pot] = wanted.get(pot, 0.0) + share * parts / whole
        total = sum(made.values())
        for pot, parts in made.items():
            self.assertAlmostEqual(parts / total, wanted[pot], delta=0.1)


class More(TestCase):
    def test_a_little_more_is_an_eighth_of_the_whole(self):
        mix = with_more_of(Mix(((GREEN, 1.0), (LINEN, 1.0)), "water", 2.0), "salt-linen")
        self.assertEqual(mix.parts, ((GREEN, 4.0), (LINEN, 5.0)))
        self.assertAlmostEqual(mix.dilution, 1.0, delta=0.02)

    def test_pressed_again_and_again_it_only_grows(self):
        mix, shares = BASE, []
        for _ in range(6):
            mix = with_more_of(mix, "salt-linen")
            shares.append(dict(mix.parts)[LINEN] / sum(parts for _, parts in mix.parts))
        self.assertEqual(shares, sorted(set(shares)))
        with self.assertRaises(UnknownName):
            with_more_of(BASE, "ferry-blue")
