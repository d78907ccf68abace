"""Many surfaces, grounds and films at once give what each gives alone, coat by coat, by the plain formulas."""

from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.film.coverage import coverages, coverages_of, tolerance_of
from mantello_core.film.ground import Ground
from mantello_core.film.laying import coats_laid, first_covers, followed, zones_on
from mantello_core.film.prediction import mean_of, predicted
from mantello_core.film.surface import coated, grey, solid, stacked, washed
from mantello_core.mixing.generating import generated
from mantello_core.mixing.starting import light_for, shade_for, started, worked_out_table
from mantello_core.mixing.undercoat import grounds, undercoats
from mantello_core.paints.range import digest_of_ranges, paint, paints
from mantello_core.proposals.on_grounds import on_grounds, shipped_table, worked_out
from mantello_core.recipes.method import METHODS
from mantello_core.recipes.step import MOST_COATS, Mix
from tests.core.film.plainly import FLAT, coats_plainly
from tests.samples import film

FILMS = ("white", "black", "yellow", "red", "brown wash", "silver", "gold", "red ink", "phthalo blue")
GREYS = st.lists(st.floats(0.02, 0.9), min_size=1, max_size=5)


class Arrays(TestCase):
    @given(GREYS, st.sampled_from(FILMS), st.sampled_from((0.0, 0.5, 2.0)))
    @settings(max_examples=25)
    def test_coats_over_many_grounds_are_those_over_each(self, greys, name, dilution):
        some = [grey(one) for one in greys]
        together = coverages(film(name), stacked(some), dilution)
        for one, ground in zip(together, some, strict=True):
            alone = coverages(film(name), stacked([ground]), dilution)[0]
            self.assertEqual(one.coats, alone.coats)
            self.assertAlmostEqual(one.left, alone.left, places=6)

    @given(st.floats(0.02, 0.85), st.sampled_from(FLAT))
    @settings(max_examples=25)
    def test_coats_are_those_of_the_textbook_one_by_one(self, seen, name):
        ground, allowed = grey(seen), tolerance_of(film(name))
        (found,) = coverages(film(name), stacked([ground]), full=allowed)
        self.assertEqual(found.coats, max(1, coats_plainly(name, ground, 0.0, allowed) or 1))

    @given(st.floats(0.02, 0.85), st.sampled_from(FLAT))
    @settings(max_examples=25)
    def test_coats_are_even_where_thin_and_thick_laid_one_by_one_look_alike(self, seen, name):
        ground, pot = grey(seen), film(name)
        (found,) = coverages(pot, stacked([ground]), 0.5)
        goal = solid(pot).colour
        for coats in range(1, (found.coats or MOST_COATS) + 1):
            swing = 0.3 / coats**0.5
            thin, mean, thick = (
                coated(ground, pot, pot.thickness(0.5) * coats * one).colour for one in (1 - swing, 1, 1 + swing)
            )
            livelier = mean.lightness >= goal.lightness and mean.chroma >= goal.chroma
            veil = coats == 1 and difference(mean, goal) > 3 and not livelier
            even = difference(thin, thick) <= 2.5 and not veil
            self.assertEqual(even, coats == found.coats)

    def test_many_films_at_once_cover_as_each_does(self):
        some = stacked([*(grey(one) for one in (0.03, 0.3, 0.8)), solid(film("gold"))])
        asked = [(film(name), 0.5, even) for name in FILMS for even in (1.5, 2.5)]
        for found, (pot, dilution, even) in zip(coverages_of(asked, some), asked, strict=True):
            for one, alone in zip(found, coverages(pot, some, dilution, even), strict=True):
                self.assertEqual(one.coats, alone.coats)
                self.assertAlmostEqual(one.left, alone.left, places=6)

    def test_a_thickness_for_each_surface_is_laid_on_each(self):
        some = stacked([grey(0.2), grey(0.5), solid(film("gold"))])
        for pot in (film("red"), film("silver")):
            together = coated(some, pot, np.array([2.0, 8.0, 5.0]))
            for at, thickness in enumerate((2.0, 8.0, 5.0)):
                self.assertLess(difference(together.at(at).colour, coated(some.at(at), pot, thickness).colour), 1e-9)

    def test_a_wash_pools_only_where_it_is_told_to(self):
        some = stacked([grey(0.5)] * 2)
        dried = washed(some, film("brown wash"), 1.0, recess=np.array([True, False]))
        self.assertLess(*dried.labs[:, 0])

    def test_where_takes_each_field_of_the_one_or_the_other(self):
        metal, flat = solid(film("gold")), washed(grey(0.5), film("black wash"), 0.0, recess=True)
        both = stacked([metal, metal]).where(np.array([True, False]), stacked([flat, flat]))
        self.assertEqual([both.at(0).glints, both.at(1).glints], [True, False])
        self.assertEqual([float(both.at(at).matt) for at in range(2)], [0.0, float(flat.matt)])

    def test_recipes_on_all_grounds_are_those_on_each(self):
        known = grounds()
        for method in METHODS:
            recipe = generated(Mix(((paint("madder-rope"), 1.0),)), tuple(paints().values()), "leader", method).recipe
            laid = list(followed(recipe, known))
            self.assertEqual(len(laid), len(recipe.steps))
            for at in range(0, len(known), 5):
                alone = predicted(recipe, known[at])
                self.assertEqual([one.coats for one in alone.outcomes], [int(one.coats[at]) for one in laid])
                zones = zones_on(recipe, known)
                (apparent,) = (mean_of(laid[-1].after.labs[at, 1:], zones.share[1:]),)
                self.assertLess(difference(apparent, alone.apparent), 1.5)
            self.assertEqual(coats_laid(recipe, known).tolist(), np.stack([one.coats for one in laid], 1).tolist())
            for base, covers in first_covers([recipe], known).items():
                self.assertEqual(base, recipe)
                self.assertEqual([one.laid for one in covers], laid[0].coats.tolist())


class Shipped(TestCase):
    def test_shades_and_lights_that_ship_are_what_would_be_chosen(self):
        made = worked_out_table()
        self.assertEqual(made["ranges"], digest_of_ranges())
        self.assertGreater(len(made["paints"]), 100)
        for id_, one in made["paints"].items():
            shade, light = shade_for(paint(id_)), light_for(paint(id_))
            told = [shade.paints[0].id, shade.diluent, shade.diluent_parts] if shade else None
            self.assertEqual((told, light and light.id), (one["shade"], one["light"]))

    def test_colours_on_grounds_that_ship_are_what_would_be_predicted(self):
        for method in METHODS:
            self.assertEqual(shipped_table(method)["ranges"], digest_of_ranges())
        for method in tuple(METHODS)[:2]:
            shipped, made = shipped_table(method)["paints"], worked_out(method)
            self.assertEqual(set(shipped), set(made))
            apart = np.abs(np.array(list(shipped.values())) - np.array(list(made.values())))
            self.assertLess(apart.max(), 1e-3)
        spray, pot = undercoats()[1], paint("brine-green")
        found, recipe = on_grounds("classic")[spray.id], started(pot)
        alone = predicted(recipe, Ground(spray))
        self.assertEqual(found.coats_of(pot.id), sum(one.coats for one in alone.outcomes))
        self.assertLess(np.abs(found.labs[found.ids.index(pot.id)] - alone.apparent).max(), 1e-3)
