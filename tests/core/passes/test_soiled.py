"""The colours of roles under an army's dirt, against laying each pass by hand."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import mean_lab
from mantello_core.design.edit import with_scheme
from mantello_core.figures.exposure import exposure, exposure_of
from mantello_core.formats.sample import levy
from mantello_core.passes import soiled
from mantello_core.passes.soiled import Shown
from mantello_core.recipes.step import Recipe
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import MOST_LEVEL


def soiled_roles(design, shown):
    return soiled.soiled_roles([(design, shown)])[0]


class Roles(TestCase):
    def setUp(self):
        design = levy()
        finishing = replace(design.scheme.finishing, level=MOST_LEVEL)
        self.design = with_scheme(design, replace(design.scheme, finishing=finishing))
        self.assertGreater(len(self.dirt), 0)
        self.resolution = resolve(design.army, design.scheme)
        self.one = next(one for one in self.resolution.classes if one.tier == "rank")
        self.shown = [self.shown_on(self.design, role) for role in self.resolution.worn.areas(self.one)]

    @property
    def dirt(self):
        return self.design.scheme.finishing.dirt

    def shown_on(self, design, role):
        recipe, areas = design.scheme.role(role).recipe("rank"), self.resolution.worn.areas(self.one)[role]
        return Shown(recipe, None, None, self.one.plate, areas)

    def by_hand(self, shown):
        """Each pass over all of the role, mixed in by the share of its surface that is reached."""
        scheme = self.design.scheme
        found = scheme.predicted(shown.recipe).apparent
        areas = {area: self.one.plate.areas[area].surface_mm2 for area in shown.areas}
        for each in self.dirt:
            reached = [exposure(self.one.plate, area, each.law, each.height) * mm2 for area, mm2 in areas.items()]
            share = sum(reached) / sum(areas.values())
            under = scheme.predicted(Recipe((*shown.recipe.steps, each.step))).apparent
            found = mean_lab([found, under], [1 - share, share])
        return found

    def test_each_pass_takes_what_it_reaches_of_the_role(self):
        for shown, found in zip(self.shown, soiled_roles(self.design, self.shown), strict=True):
            self.assertLess(difference(found, self.by_hand(shown)), 1e-6)

    def test_a_role_by_itself_is_as_among_others(self):
        together = soiled_roles(self.design, self.shown)
        self.assertEqual([soiled_roles(self.design, [one])[0] for one in self.shown], together)

    def test_a_clean_army_shows_its_recipes(self):
        clean = with_scheme(
            self.design, replace(self.design.scheme, finishing=replace(self.design.scheme.finishing, level=0))
        )
        found = soiled_roles(clean, self.shown)
        self.assertEqual(found, [clean.scheme.predicted(one.recipe).apparent for one in self.shown])
        self.assertNotEqual(found, soiled_roles(self.design, self.shown))

    def test_without_a_plate_no_dirt_reaches_it(self):
        bare = replace(self.shown[0], plate=None, areas=())
        self.assertEqual(soiled_roles(self.design, [bare]), [self.design.scheme.predicted(bare.recipe).apparent])


class Reached(TestCase):
    def test_areas_together_lie_between_the_least_and_the_most_reached(self):
        one = resolve(levy().army, levy().scheme).classes[0]
        names = tuple(one.plate.areas)
        each = [exposure(one.plate, name, "ground", 0.4) for name in names]
        together = exposure_of(one.plate, names, "ground", 0.4)
        self.assertTrue(min(each) < together < max(each))
        self.assertEqual(exposure_of(one.plate, (), "ground", 0.4), 0.0)
