"""How far a wash goes: what each way leaves, loses and takes."""

from dataclasses import replace

from mantello_core.advice.washing import SCOPES, lighter_beneath, oil_like, washed_step, ways
from mantello_core.errors import UnknownName
from mantello_core.figures.catalogue import plate
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.paints.range import paint
from mantello_core.recipes.first_step import first_step
from mantello_core.recipes.handwork import Circumstances
from mantello_core.recipes.step import Mix, Recipe, Step
from tests.core.case import RefusalCase

BONE = Recipe((first_step(paint("parchment-toll")), Step("shade", "shade", Mix(((paint("umber-wash"), 1.0),)))))
SLATE = Ground(paint("undercoat-slate"))


class Ways(RefusalCase):
    def setUp(self):
        self.found = ways(BONE, 1, SLATE, (), plate("warden").extent, Circumstances())
        self.by = {(one.scope, one.passes): one for one in self.found}

    def test_all_over_costs_lightness_and_recesses_alone_cost_none(self):
        self.assertEqual(
            [one.words for one in self.found],
            [
                "all over",
                "all over, 2 passes",
                "all over, 3 passes",
                "recesses alone",
                "along the lines",
                "oil, laid and wiped",
            ],
        )
        lost = [self.by["all", passes].lost for passes in (1, 2, 3)]
        self.assertEqual(lost, sorted(set(lost)))
        self.assertGreater(lost[0], 5)
        self.assertLess(self.by["recesses", 1].lost, 1)
        self.assertLess(self.by["lines", 1].lost, 1)

    def test_recesses_darken_either_way_and_more_with_every_pass(self):
        deep = [self.by["all", passes].tones.recess.lightness for passes in (1, 2, 3)]
        self.assertEqual(deep, sorted(deep, reverse=True))
        self.assertLess(self.by["recesses", 1].tones.recess.lightness, 60)

    def test_what_loses_too_much_asks_for_its_base_again_and_led_along_takes_longer(self):
        self.assertGreater(self.by["all", 1].again, self.by["all", 1].minutes)
        self.assertEqual(self.by["recesses", 1].again, 0)
        self.assertGreater(self.by["recesses", 1].minutes, self.by["all", 1].minutes)

    def test_no_wash_has_no_ways_and_an_unknown_one_is_refused(self):
        self.assertEqual(ways(BONE, 0, SLATE, (), plate("warden").extent, Circumstances()), ())
        self.assertEqual(len(SCOPES), 4)
        with self.assertRaises(UnknownName):
            washed_step(BONE.steps[1], "everywhere", 1)

    def test_an_oil_is_wiped_off_the_flats_and_left_in_the_recesses(self):
        oil = self.by["oil", 1]
        self.assertLess(oil.lost, self.by["all", 1].lost)
        self.assertLess(oil.tones.recess.lightness, oil.tones.flats.lightness - 5)
        mix = oil_like(BONE.steps[1].mix)
        self.assertIn(mix.paints[0].kind, ("oil", "enamel"))
        self.assertEqual(mix.diluent, "thinner")
        self.assertEqual(oil_like(mix), mix)

    def test_begun_lighter_the_wash_brings_it_back(self):
        silt = replace(BONE, steps=(first_step(paint("silt-pale")), BONE.steps[1]))
        base, wash = silt.steps[0].mix, silt.steps[1].mix
        lighter = ways(silt, 1, SLATE, (), plate("warden").extent, Circumstances())[0].lighter
        self.assertEqual(lighter, lighter_beneath(base, wash))
        self.assertGreater(lighter.film.masstone.lightness, base.film.masstone.lightness)
        flats = [
            predicted(Recipe((Step("base", "base", mix), BONE.steps[1])), SLATE).tones.flats.lightness
            for mix in (base, lighter)
        ]
        wanted = predicted(Recipe((Step("base", "base", base),)), SLATE).tones.flats.lightness
        self.assertLess(abs(flats[1] - wanted), abs(flats[0] - wanted))
        self.assertIsNone(self.by["all", 1].lighter)  # nothing is so much lighter than bone: it is laid again
        self.assertIsNone(lighter_beneath(Mix(((paint("pitch-barrel"), 1.0),)), wash))
        self.assertIsNone(lighter_beneath(Mix(((paint("lamp-brass"), 1.0),)), wash))
