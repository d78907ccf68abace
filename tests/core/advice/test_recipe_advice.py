"""What experience says against a recipe, what mends a wrong colour, and mixes in words."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.advice.recipe_advice import advice, limits_at
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.mixing.correction import WORTH, corrections
from mantello_core.mixing.generating import generated
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.method import METHODS
from mantello_core.recipes.mix_words import MOST_SIGNS, mix_said
from mantello_core.recipes.step import MOST_PARTS, Manner, Mix, Recipe, Step

POTS = tuple(paints().values())
SLATE = Ground(paint("undercoat-slate"))


def steps(*kinds_and_paints) -> Recipe:
    return Recipe(
        tuple(Step(f"s{at}", kind, Mix(((paint(id_), 1.0),))) for at, (kind, id_) in enumerate(kinds_and_paints))
    )


def about(recipe: Recipe, ground: Ground = SLATE) -> set[str]:
    return {one.about for one in advice(predicted(recipe, ground), ground)} - {"label"}


class Advised(TestCase):
    def test_a_stain_slips_on_sprayed_metal_and_not_on_a_brushed_coat_over_it(self):
        can = Ground(paint("can-ferry-steel"))
        self.assertIn("stain", about(steps(("stain", "madder-stain")), can))
        self.assertNotIn("stain", about(steps(("base", "ferry-steel"), ("stain", "madder-stain")), can))
        self.assertNotIn("stain", about(steps(("stain", "madder-stain"))))

    def test_oil_wants_a_barrier_that_is_not_matt(self):
        oil = ("oil", "oil-burnt-umber")
        self.assertIn("barrier", about(steps(("base", "sailcloth"), oil)))
        self.assertIn("barrier", about(steps(("base", "sailcloth"), ("varnish", "brush-varnish-matt"), oil)))
        self.assertNotIn("barrier", about(steps(("base", "sailcloth"), ("varnish", "brush-varnish-gloss"), oil)))

    def test_matt_over_metal_takes_its_shine(self):
        self.assertIn("shine", about(steps(("base", "lamp-brass"), ("varnish", "brush-varnish-matt"))))
        self.assertNotIn("shine", about(steps(("base", "lamp-brass"), ("varnish", "brush-varnish-gloss"))))
        self.assertNotIn("shine", about(steps(("base", "sailcloth"), ("varnish", "brush-varnish-matt"))))

    def test_white_is_shaded_in_its_recesses(self):
        self.assertIn("white", about(steps(("base", "gull-white"), ("shade", "slate-wash"))))
        self.assertNotIn("white", about(steps(("base", "gull-white"), ("recess", "slate-wash"))))

    def test_lights_may_be_too_faint_or_too_stark(self):
        self.assertIn("faint", about(steps(("base", "brine-green"), ("highlight", "brine-green"))))
        self.assertIn("stark", about(steps(("base", "brine-green"), ("edge", "gull-white"))))

    def test_what_tidies_a_colour_is_never_scolded_for_changing_nothing(self):
        self.assertNotIn("faint", about(steps(("base", "brine-green"), ("layer", "brine-green"))))

    def test_near_by_smaller_lights_are_seen_and_smaller_ones_look_cut_out(self):
        near, far = limits_at(0.3), limits_at(1.2)
        self.assertTrue(near[0] < far[0] and near[1] < far[1])
        edge = predicted(steps(("base", "brine-green"), ("edge", "shallow-green")), SLATE)
        told = {metres: {one.about for one in advice(edge, SLATE, metres)} for metres in (0.1, 4.0)}
        self.assertIn("stark", told[0.1])
        self.assertNotIn("stark", told[4.0])

    def test_tools_and_labels(self):
        rough = Step("a", "stipple", Mix(((paint("mudflat"), 1.0),)), None, "", Manner(tool="finest brush"))
        self.assertIn("tool", about(Recipe((rough,))))
        air = Step("a", "base", Mix(((paint("tern-soot"), 1.0),), "water", 1.0))
        self.assertIn("body", about(Recipe((air,))))
        found = advice(predicted(steps(("base", "roof-slate"), ("layer", "roof-slate")), SLATE), SLATE)
        self.assertEqual(sum("Roof Slade" in one.words for one in found), 1)

    def test_what_a_method_lays_has_no_order_against_it(self):
        for method in METHODS:
            recipe = generated(Mix(((paint("brine-green"), 1.0),)), POTS, "leader", method).recipe
            self.assertFalse(about(recipe) & {"stain", "barrier", "tool"}, method)


class Mended(TestCase):
    @settings(max_examples=8, deadline=None)
    @given(st.builds(Lab, st.floats(25, 80), st.floats(-25, 25), st.floats(-25, 25)))
    def test_every_correction_brings_it_nearer(self, wanted):
        seen = Lab(wanted.lightness + 10, wanted.a + 6, wanted.b)
        found = corrections(seen, wanted, POTS[:40])
        for one in found:
            self.assertLess(one.apart, difference(seen, wanted) - WORTH)
            self.assertAlmostEqual(one.apart, difference(one.then, wanted))
        self.assertEqual([round(one.apart, 1) for one in found], sorted(round(one.apart, 1) for one in found))

    def test_too_pale_is_mended_by_something_darker(self):
        (best, *_) = corrections(Lab(70, 0, 0), Lab(50, 0, 0), POTS)
        self.assertLess(best.then.lightness, 62)
        self.assertIn(best.kind, ("a thin glaze", "a thinned coat", "2 thinned coats", "3 thinned coats"))

    def test_what_is_right_needs_nothing(self):
        self.assertEqual(corrections(Lab(50, 10, 10), Lab(50.2, 10, 10), POTS), ())
        with self.assertRaises(OutOfRange):
            corrections(Lab(50, 0, 0), Lab(60, 0, 0), POTS, 0)


class Said(TestCase):
    def test_both_sides_are_read_however_they_are_written(self):
        wanted = Mix(((paint("brine-green"), 2.0), (paint("salt-linen"), 1.0)), "water", 3.0)
        for text in (
            "2 Brine Green : 1 Salt Linen : 3 water", "Brine Green 2, Salt Linen 1, water 3", "2 drops brine green + Salt Linen and 3 parts of water",
            "2x Brine Green+1 Salt Linen+3 Water",
        ):  # fmt: skip
            self.assertEqual(mix_said(text, POTS), wanted, text)
        self.assertEqual(mix_said("Tar Wash", POTS), Mix(((paint("tar-wash"), 1.0),)))
        self.assertEqual(mix_said("0,5 Tar Wash : 1 medium", POTS), Mix(((paint("tar-wash"), 0.5),), "medium", 1.0))

    @given(
        st.lists(st.sampled_from([pot for pot in POTS if "," not in pot.name]), min_size=1, max_size=3, unique=True),
        st.lists(st.integers(1, MOST_PARTS), min_size=3, max_size=3),
        st.sampled_from((("neat", 0.0), ("water", 2.0), ("medium", 0.5))),
    )
    def test_what_a_mix_says_of_itself_reads_back(self, pots, parts, thinned):
        mix = Mix(tuple((pot, float(count)) for pot, count in zip(pots, parts, strict=False)), *thinned)
        read = mix_said(mix.words, POTS)
        if len(pots) == 1 and thinned[0] == "neat":
            self.assertEqual(read, Mix(((pots[0], 1.0),)))  # alone, its parts do not matter
        else:
            self.assertEqual(read, mix)

    def test_what_is_ambiguous_or_unknown_is_asked_back(self):
        for text, said in (
            ("2:1", "which side"), ("2 : 1 water", "which side"), ("", "no mix"), ("thin Brine Green", "no amount"),
            ("1 Brine Gren", "Brine Green"), ("water 2", "no paint"), ("Brine Green, Brine Green 2", "twice"),
            ("Brine Green : water : medium", "one of them"), ("x" * (MOST_SIGNS + 1), "allowed"),
        ):  # fmt: skip
            with self.assertRaises(Unreadable) as refused:
                mix_said(text, POTS)
            self.assertIn(said, refused.exception.message, text)

    @settings(max_examples=200, deadline=None)
    @given(st.text(max_size=60))
    def test_nothing_crashes(self, text):
        try:
            self.assertTrue(mix_said(text, POTS).parts)
        except MantelloError as error:
            self.assertTrue(error.message)

    def test_the_names_that_are_shown_are_the_names_that_are_read(self):
        for pot in POTS:
            self.assertEqual(mix_said(pot.name, POTS).paints, (pot,))
            self.assertIs(paint(pot.id), pot)
