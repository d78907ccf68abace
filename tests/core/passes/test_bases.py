"""Bases: where plants stand, what is held in store, which grounds set boots off, what is looked at; and brushes."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.errors import Contradiction
from mantello_core.formats.document.finishing import read_finishing, write_finishing
from mantello_core.formats.sample import calvessa
from mantello_core.paints.range import paint, paints
from mantello_core.passes.basing import STANDS_OUT, Standing, grounds_standing_off
from mantello_core.passes.pieces import pieces_of
from mantello_core.passes.planting import PLACES, planted, spare
from mantello_core.recipes.brush import brush_words
from mantello_core.recipes.step import Mix, Step
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import Basing, Finishing, checked_finishing, usual_plants


def pieces(**given):
    design = calvessa()
    design = replace(design, scheme=replace(design.scheme, finishing=Finishing(**given)))
    one = resolve(design.army, design.scheme).classes[0]
    return {piece.id: piece for piece in pieces_of(design, one)}


class Planting(TestCase):
    @given(st.integers(1, 999), st.text("ab", min_size=1, max_size=3), st.integers(1, 60))
    def test_no_two_plants_share_a_corner_and_none_comes_twice_running(self, seed, unit, ordinal):
        basing = Basing(usual_plants(), seed=seed)
        here, there = (planted(basing, unit, "rank", one) for one in (ordinal, ordinal + 1))
        self.assertEqual(len(set(here.values())), min(len(here), len(PLACES)))
        first = usual_plants()[0].id
        self.assertNotEqual(here[first], there[first])

    def test_seven_figures_have_the_largest_plant_in_every_corner_once(self):
        basing = Basing(usual_plants(), seed=4)
        first = usual_plants()[0].id
        self.assertEqual({planted(basing, "a", "b", one)[first] for one in range(1, 8)}, set(PLACES))

    def test_a_tenth_is_kept_in_store_and_two_at_least(self):
        self.assertEqual([spare(count) for count in (0, 1, 20, 35, 96)], [0, 2, 2, 4, 10])


class Grounds(TestCase):
    def test_brown_boots_want_sand_or_stone_and_the_nearest_first(self):
        brown, ground = Lab(30, 12, 18), Lab(32, 8, 16)
        found = grounds_standing_off([Standing("boots", ("shoe",), 2, 4, 9, brown)], ground, paints().values())
        self.assertTrue(found)
        self.assertTrue(
            all(abs(pot.swatch.lightness - 30) >= STANDS_OUT or difference(pot.swatch, brown) >= 20 for pot in found)
        )
        far = [difference(pot.swatch, ground) for pot in found]
        self.assertEqual(far, sorted(far))
        self.assertFalse([pot.name for pot in found if pot.flake or pot.swatch.chroma > 40])

    def test_no_ground_is_offered_where_boots_of_all_values_stand(self):
        every = [Standing(str(at), (), 0, 0, 1, pot.swatch) for at, pot in enumerate(paints().values())]
        self.assertEqual(grounds_standing_off(every, Lab(40, 5, 10), paints().values()), ())


class LastCoats(TestCase):
    def test_matt_and_gloss_are_brushed_one_to_one_for_satin(self):
        mixed = pieces(varnish="satin", can=False, mixed=True)["varnish"]
        self.assertEqual(
            [(pot.id, parts) for pot, parts in mixed.step.mix.parts],
            [("brush-varnish-matt", 1.0), ("brush-varnish-gloss", 1.0)],
        )
        self.assertEqual(len(pieces(varnish="satin", can=False)["varnish"].step.mix.parts), 1)

    def test_it_is_no_matt_coat_and_comes_from_no_can(self):
        for wrong in ({"varnish": "matt", "can": False}, {"varnish": "satin", "can": True}):
            with self.assertRaises(Contradiction) as caught:
                checked_finishing(Finishing(mixed=True, **wrong), ())
            self.assertEqual(caught.exception.where, "finishing/mixed")

    def test_it_reads_back(self):
        made = Finishing(varnish="satin", can=False, mixed=True, bases=True)
        self.assertEqual(read_finishing(write_finishing(made), (), calvessa().scheme.catalogue), made)


class LookedOver(TestCase):
    def test_what_there_is_on_the_base_is_named(self):
        plain = pieces(bases=True)["bench.bases"]
        self.assertIn("rim in one even colour", plain.words)
        self.assertNotIn("magnet", plain.words)
        full = pieces(bases=True, basing=Basing(usual_plants()[:1], True))["bench.bases"]
        self.assertIn("pulling the same way", full.words)
        self.assertIn("or a touch of matt varnish", full.words)
        dulled = pieces(bases=True, varnish="matt", varnish_last=True, basing=Basing(usual_plants()[:1]))
        self.assertNotIn("or a touch of matt", dulled["bench.bases"].words)
        self.assertNotIn("bench.bases", pieces())


class Brushes(TestCase):
    def test_each_step_has_its_brush(self):
        def said(kind, pot):
            return brush_words(Step("a", kind, Mix(((paint(pot), 1.0),))))

        self.assertEqual(said("base", "ferry-blue"), "Brush 2 to 3.")
        self.assertEqual(said("edge", "gull-white"), "Brush 0 to 1.")
        self.assertIn("kept for metals, with water of their own", said("base", "white-tin"))
        self.assertIn("an old one, which it spoils", said("drybrush", "gull-white"))
        self.assertEqual(said("sponge", "pitch-barrel"), "")
        self.assertEqual(said("base", "undercoat-soot"), "")
