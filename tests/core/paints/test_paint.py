"""Paints and ranges: films, opacity, mixes."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.colour.pigment import pigments
from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.film.surface import solid
from mantello_core.paints.paint import PAINT_KINDS, mixed
from mantello_core.paints.range import paint, paints, ranges
from tests.samples import film


class Films(TestCase):
    def test_contrast_of_single_pigments_is_as_published_in_the_method(self):
        for name, contrast in {
            "white": 0.61,
            "red oxide": 0.99,
            "ultramarine": 0.67,
            "yellow": 0.23,
            "orange": 0.36,
            "red": 0.49,
        }.items():
            self.assertAlmostEqual(film(name).contrast, contrast, delta=0.012, msg=name)

    def test_masstones_are_as_published_in_the_method(self):
        for name, lab in {
            "white": (97, -1, 2),
            "red oxide": (35, 35, 25),
            "yellow": (79, 11, 90),
            "ultramarine": (23, 23, -52),
        }.items():
            for got, want in zip(film(name).masstone, lab, strict=True):
                self.assertAlmostEqual(got, want, delta=0.8, msg=name)

    def test_opacity_is_said_in_classes(self):
        said = {name: film(name).opacity for name in ("yellow", "red", "white", "opaque yellow", "red oxide")}
        self.assertEqual(said["yellow"], "transparent")
        self.assertEqual(said["red"], "semi-transparent")
        self.assertEqual(said["white"], "semi-opaque")
        self.assertEqual(said["red oxide"], "very opaque")

    def test_thinning_thins_the_dry_film(self):
        self.assertAlmostEqual(film("red").thickness(), 12)
        self.assertAlmostEqual(film("red").thickness(2), 4)

    @given(st.floats(0.5, 10))
    def test_a_mix_of_a_paint_with_itself_is_that_paint(self, drops):
        self.assertLess(
            difference(mixed([(film("red"), drops), (film("red"), 1)]).masstone, film("red").masstone), 1e-6
        )

    def test_metal_in_a_mix_shows_by_its_share_of_the_solids(self):
        self.assertAlmostEqual(mixed([(film("gold"), 3), (film("red"), 1)]).flake_share, 0.75)
        some, mostly = (solid(mixed([(film("gold"), part), (film("red"), 4 - part)])).views for part in (1, 3))
        glint = [seen["facing"].lightness - seen["turned"].lightness for seen in (some, mostly)]
        self.assertLess(5, glint[0])
        self.assertLess(glint[0], glint[1])
        self.assertIsNone(mixed([(film("red"), 1)]).flake)

    def test_a_mix_of_nothing_is_refused(self):
        for parts in ([], [(film("red"), 0)]):
            with self.assertRaises(OutOfRange):
                mixed(parts)


class Ranges(TestCase):
    def test_there_are_four_and_every_paint_is_made_of_known_pigments(self):
        self.assertEqual([shelf.name for shelf in ranges()], ["Fornace", "Quay & Lamb", "Tern", "Old Customs House"])
        for pot in paints().values():
            self.assertIn(pot.kind, PAINT_KINDS)
            self.assertLessEqual(set(pot.pigments), set(pigments()), pot.id)
            self.assertTrue(pot.flake or pot.pigments or pot.kind in ("varnish", "medium"), pot.id)

    def test_no_two_paints_share_an_id_or_a_name(self):
        every = [pot for shelf in ranges() for pot in shelf.paints]
        self.assertEqual(len({pot.id for pot in every}), len(every))
        self.assertEqual(len({pot.name for pot in every}), len(every))

    def test_a_transparent_paint_shows_its_film_over_white(self):
        self.assertGreater(paint("bottle-wash").swatch.lightness, paint("bottle-wash").film.masstone.lightness)

    def test_a_misspelt_paint_is_refused_with_near_ones(self):
        with self.assertRaises(UnknownName) as refusal:
            paint("lantern-yelow", "/mix/parts/0")
        self.assertIn("lantern-yellow", refusal.exception.near)
        self.assertEqual(refusal.exception.where, "/mix/parts/0")
