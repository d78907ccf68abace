"""What painters know of paint, held against the film model."""

from unittest import TestCase

from mantello_core.colour.difference import difference
from mantello_core.film.coverage import coverage, coverages, tolerance_of
from mantello_core.film.surface import coated, solid, washed
from mantello_core.paints.paint import mixed
from tests.samples import film

GROUNDS = ("black", "grey", "white", "bone", "pink", "brown", "silver")
#: coats neat / 1:1 / 1:2 until CIEDE2000 <= 2, over GROUNDS: the method's table
COATS = {
    "white": "6/11/16 6/11/16 0 5/9/13 8/15/22 6/11/16 5/9/13",
    "bone": "3/6/8 3/5/8 2/4/6 0 3/5/7 3/5/8 2/4/5",
    "yellow": "18/36/54 17/33/49 9/17/25 4/7/11 9/17/25 17/34/51 10/17/23",
    "opaque yellow": "4/7/10 4/7/10 2/4/6 1/1/2 2/4/6 4/7/10 3/5/6",
    "orange": "8/15/23 7/13/19 6/12/17 2/4/6 4/7/11 7/14/21 2/4/6",
    "red": "3/6/9 2/4/6 3/6/9 3/5/7 3/6/8 3/5/7 1/3/6",
    "red oxide": "1/1/2 1/1/1 1/1/2 1/1/2 1/1/2 1/1/1 1/1/2",
    "purple": "2/3/4 2/3/4 3/5/7 2/4/6 3/5/7 1/1/2 3/6/9",
    "opaque purple": "1/2/3 1/1/1 2/3/4 1/2/3 2/3/4 1/2/2 2/3/4",
    "ultramarine": "2/4/6 1/2/3 3/5/8 1/2/3 1/2/3 2/4/5 3/5/8",
}


def after(paint: str, ground: str, coats: int = 1):
    """The colour of some neat coats over a ground."""
    surface, laid = solid(film(ground)), film(paint)
    for _ in range(coats):
        surface = coated(surface, laid, laid.thickness())
    return surface.colour


def mix(*parts: tuple[str, float]):
    """The opaque colour of a mix."""
    return solid(mixed([(film(name), drops) for name, drops in parts])).colour


def lighter(one, other) -> float:
    return one.lightness - other.lightness


def turned(one, other) -> float:
    """Hue of the first from the second's, degrees, -180 to 180."""
    return (one.hue - other.hue + 180) % 360 - 180


class CoatsToCover(TestCase):
    def test_every_count_of_the_table_comes_out(self):
        for paint, row in COATS.items():
            for ground, told in zip(GROUNDS, row.split(), strict=True):
                wanted = [int(count) for count in told.split("/")] if told != "0" else [1, 1, 1]
                found = [coverage(film(paint), solid(film(ground)), dilution, full=2.0).coats for dilution in (0, 1, 2)]
                self.assertEqual(found, wanted, f"{paint} over {ground}")

    def test_what_hides_is_asked_for_two_and_what_does_not_for_five(self):
        self.assertEqual(tolerance_of(film("red oxide")), 2)
        self.assertEqual(tolerance_of(film("yellow")), 5)

    def test_a_coat_that_cannot_cover_is_said_not_to(self):
        self.assertIsNone(coverage(film("yellow"), solid(film("black")), 20, full=0.1).coats)
        self.assertIsNone(coverages(film("yellow"), solid(film("black")).at(None), 2, limit=2)[0].coats)


class MixesAndLayers(TestCase):
    def test_yellow_needs_fewer_coats_over_pink_than_over_black(self):
        counts = [coverage(film("yellow"), solid(film(ground)), 0, full=2.0).coats for ground in ("pink", "black")]
        self.assertLess(*counts)

    def test_yellow_over_pink_and_brown_is_warmer_than_over_black(self):
        pink, brown, black = (after("yellow", ground, 2).a for ground in ("pink", "brown", "black"))
        self.assertGreater(pink, brown)
        self.assertGreater(brown, black)

    def test_one_coat_of_yellow_over_black_is_greenish(self):
        self.assertLess(after("yellow", "black").a, -8)

    def test_red_and_white_make_a_paler_cooler_pink(self):
        pink = mix(("red", 1), ("white", 1))
        self.assertGreater(lighter(pink, mix(("red", 1))), 8)
        self.assertLess(turned(pink, mix(("red", 1))), -3)

    def test_red_and_yellow_turn_to_orange(self):
        self.assertGreater(turned(mix(("red", 1), ("opaque yellow", 1)), mix(("red", 1))), 3)

    def test_bone_and_flesh_lighten_red_between_white_and_yellow(self):
        red = mix(("red", 1))
        white, yellow = (turned(mix(("red", 1), (other, 1)), red) for other in ("white", "opaque yellow"))
        for other in ("bone", "flesh"):
            self.assertTrue(white < turned(mix(("red", 1), (other, 1)), red) < yellow, other)

    def test_black_and_yellow_make_olive(self):
        olive = mix(("opaque yellow", 4), ("black", 1))
        self.assertTrue(95 < olive.hue < 125, olive)

    def test_blue_and_yellow_make_green_and_ultramarine_a_duller_one(self):
        bright = mix(("phthalo blue", 1), ("opaque yellow", 8))
        dull = mix(("ultramarine", 1), ("opaque yellow", 4))
        self.assertTrue(110 < bright.hue < 200 and 110 < dull.hue < 200)
        self.assertGreater(bright.chroma, dull.chroma)

    def test_bone_mutes_more_than_white(self):
        for colour in ("ultramarine", "orange", "red"):
            self.assertLess(mix((colour, 1), ("bone", 1)).chroma, mix((colour, 1), ("white", 1)).chroma, colour)

    def test_red_ink_over_gold_is_warmer_than_over_silver(self):
        self.assertGreater(after("red ink", "gold").hue, after("red ink", "silver").hue + 5)

    def test_a_mix_does_not_depend_on_the_order_of_its_parts(self):
        self.assertAlmostEqual(difference(mix(("red", 2), ("white", 1)), mix(("white", 1), ("red", 2))), 0, places=6)


class Washes(TestCase):
    def colours(self, wash, ground, dilution):
        return [washed(solid(film(ground)), film(wash), dilution, recess=recess).colour for recess in (False, True)]

    def test_black_on_white_is_dirty_on_top_and_dark_in_the_recess(self):
        raised, recess = self.colours("black wash", "white", 1)
        self.assertAlmostEqual(raised.lightness, 83, delta=2)
        self.assertAlmostEqual(recess.lightness, 36, delta=4)

    def test_brown_on_bone_is_warmer_than_black(self):
        brown, black = (self.colours(wash, "bone", 1)[1] for wash in ("brown wash", "black wash"))
        self.assertGreater(brown.a, black.a + 8)

    def test_thinning_keeps_the_shading_and_spares_the_panels(self):
        neat, thin = (self.colours("black wash", "white", dilution) for dilution in (0, 4))
        self.assertGreater(thin[0].lightness, neat[0].lightness)
        self.assertGreater(thin[0].lightness - thin[1].lightness, 25)
