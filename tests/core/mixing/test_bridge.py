"""Bridge colours against plain counting, and undercoats for a whole army."""

from dataclasses import replace
from types import SimpleNamespace
from unittest import TestCase

from mantello_core.colour.spaces import Lab
from mantello_core.design.base_mix import with_bridge
from mantello_core.design.edit import with_new_role, with_step, with_undercoat
from mantello_core.errors import Contradiction, UnknownName
from mantello_core.film.coverage import coverage
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import HARD, predicted
from mantello_core.film.surface import coated, solid
from mantello_core.mixing.bridge import Bridge, bridge_for
from mantello_core.mixing.undercoat import grounds
from mantello_core.paints.range import paint, paints
from mantello_core.planning.compiling import compiled
from mantello_core.planning.cost import cost_of
from mantello_core.planning.undercoating import assembly_advice, look_of, undercoat_advice, with_ground
from mantello_core.recipes.first_step import first_step
from mantello_core.recipes.step import Mix
from mantello_core.scheme.cascade import resolve
from tests.samples import calvessa

LANTERN = Mix(((paint("lantern-yellow"), 1.0),), "water", 1.0)


def counted(mix: Mix, undercoat: str) -> int:
    """The fewest coats in all over every bridge, without any short cut."""
    found = []
    for pot in paints().values():
        if pot.mixable and mix.parts != ((pot.id, 1.0),):
            surface = solid(paint(undercoat).film)
            for coats in (1, 2, 3):
                surface = coated(surface, pot.film, pot.film.thickness(1 / 3))
                then = coverage(mix.film, surface, mix.dilution).coats
                if then:
                    found.append(coats + then)
    return min(found)


class Bridges(TestCase):
    def test_the_bridge_is_the_best_there_is(self):
        for undercoat in ("undercoat-slate", "undercoat-soot", "undercoat-gull"):
            bridge = bridge_for(LANTERN, Ground(paint(undercoat)))
            alone = coverage(LANTERN.film, solid(paint(undercoat).film), LANTERN.dilution).coats
            best = counted(LANTERN, undercoat)
            if best >= alone:
                self.assertIsNone(bridge)
            else:
                self.assertEqual(
                    (bridge.coats + bridge.then, bridge.without, bridge.saved), (best, alone, alone - best)
                )

    def test_a_colour_that_covers_at_once_needs_none(self):
        self.assertIsNone(bridge_for(Mix(((paint("pitch-barrel"), 1.0),)), Ground(paint("undercoat-slate"))))

    def test_laid_beneath_it_the_plan_counts_what_was_promised(self):
        soot = Ground(paint("undercoat-soot"))
        design = with_step(
            with_undercoat(calvessa(), soot.undercoat), "lantern", "rank", first_step(paint("candle-yellow"))
        )
        mix = design.scheme.role("lantern").recipe().steps[0].mix
        bridge = bridge_for(mix, soot)
        changed = with_bridge(design, "lantern", "rank", bridge)
        outcomes = predicted(changed.scheme.role("lantern").recipe(), soot).outcomes
        self.assertEqual([one.coats for one in outcomes[:2]], [bridge.coats, bridge.then])
        self.assertEqual(outcomes[1].step.mix, mix)
        before = design.scheme.role("lantern").recipe().steps
        self.assertEqual(changed.scheme.role("lantern").recipe().steps[1:], before)

    def test_without_a_step_or_by_a_wrong_name_it_is_refused(self):
        design, bare = with_new_role(calvessa(), "Pennon")
        bridge = Bridge(Mix(((paint("gull-white"), 1.0),), "water", 1.0), 1, 1, 5)
        for role, tier, kind in (
            (bare.id, "rank", Contradiction), ("nobody", "rank", UnknownName), ("lantern", "admiral", UnknownName),
        ):  # fmt: skip
            with self.assertRaises(kind):
                with_bridge(design, role, tier, bridge)
        with self.assertRaises(UnknownName):
            bridge_for(LANTERN, Ground(paint("undercoat-of-nothing")))


class Undercoats(TestCase):
    def test_every_undercoat_is_counted_as_the_plan_counts_it(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        advice = undercoat_advice(design, resolution)
        self.assertEqual({one.ground for one in advice}, set(grounds()))
        self.assertEqual([one.cost.minutes for one in advice], sorted(one.cost.minutes for one in advice))
        for one in advice:
            changed = replace(design, scheme=with_ground(design, one.ground).scheme)
            wanted = cost_of(compiled(changed, resolve(changed.army, changed.scheme)).atoms)
            self.assertEqual((one.cost.coats, one.cost.mixes), (wanted.coats, wanted.mixes))
            self.assertAlmostEqual(one.cost.minutes, wanted.minutes)

    def test_hard_colours_are_those_that_take_many_coats(self):
        design = calvessa()
        by_id = {
            one.ground.undercoat.id: one
            for one in undercoat_advice(design, resolve(design.army, design.scheme))
            if one.ground == Ground(one.ground.undercoat)
        }
        first = design.scheme.role("lantern").recipe().steps[0].mix
        for id_ in ("undercoat-soot", "undercoat-linen"):
            coats = coverage(first.film, solid(paint(id_).film), first.dilution).coats
            told = {role.id: role.coats for role in by_id[id_].hard}
            self.assertEqual(told.get("lantern"), coats if coats >= HARD else None)
        self.assertNotIn("lantern", {role.id for role in by_id["undercoat-gull"].hard})

    def test_looks_in_words(self):
        for lab, words in (
            (Lab(5, 0, 0), "deep, neutral"), (Lab(45, 5, 20), "middling, warm"), (Lab(90, -10, -20), "bright, cold"),
            (Lab(25, 0, 5.9), "middling, neutral"), (Lab(65, 0, 6), "middling, warm"),
        ):  # fmt: skip
            self.assertEqual(look_of(SimpleNamespace(colour=lab, above="")), words)
        self.assertEqual(look_of(Ground(paint("undercoat-soot"), paint("undercoat-linen"))), "lit from above, warm")

    def test_what_is_sprayed_apart_never_takes_more_coats_and_says_how_many(self):
        design = calvessa()
        advice = assembly_advice(design, resolve(design.army, design.scheme))
        self.assertTrue(any(one.then < one.now for one in advice))
        for one in advice:
            self.assertLessEqual(one.then, one.now)
            self.assertEqual(one.then < one.now, one.best != design.scheme.ground)
        alone = with_ground(design, Ground(design.scheme.ground.undercoat))
        self.assertEqual(alone, design)

    def test_coats_counted_fast_are_those_predicted(self):
        design = calvessa()
        for ground in grounds()[::4]:
            scheme = with_ground(design, ground).scheme
            for role in scheme.roles:
                for _, recipe in role.recipes:
                    self.assertEqual(
                        scheme.coats(recipe), tuple(one.coats for one in scheme.predicted(recipe).outcomes)
                    )
