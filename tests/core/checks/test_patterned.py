"""Camouflage among the checks: grouped by cause, mended by another layout, accepted like any other finding."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.camouflage.pattern import MOST_SEED, Ink, Pattern
from mantello_core.checks.card import cards_of, fixed
from mantello_core.checks.patterned import PatternTold, camouflage_check
from mantello_core.colour.spaces import Lab
from mantello_core.design.camouflaged import layout_on, layout_seed
from mantello_core.design.edit import with_scheme
from mantello_core.design.other_layout import larger_size, other_layout
from mantello_core.design.pattern_edit import with_pattern
from mantello_core.formats.sample import levy
from mantello_core.scheme.aim import with_accepted
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.rule import Rule

UNIT, RANK = "punt-cars", "punt-car"
INKS = (Ink("hullpale", 0.5), Ink("hull", 0.3), Ink("blacking", 0.2))
COLOURS = [Lab(70, 0, 20), Lab(45, 0, 10), Lab(15, 0, 0)]


def told(ordinal: int, cause: str = "Stops at panel lines", better: int | None = None) -> PatternTold:
    return PatternTold("estuary", UNIT, RANK, ordinal, f"{cause}, {ordinal}0 %.", cause, better)


class Found(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        pattern = Pattern("estuary", "Estuary", "blotch", INKS, 0.42, "airbrush", 1.0, 18, 1.5, 0.5)
        cls.design = with_pattern(levy(), pattern, Rule("", "punt-car-troop", ("#camo",), ""))

    def test_one_card_for_each_cause_the_commonest_first(self):
        check = camouflage_check(self.design, [told(1, "Seen from afar"), told(1), told(2)], 2)
        cards = cards_of(check)
        self.assertEqual([card.words for card in cards], ["Estuary: stops at panel lines", "Estuary: seen from afar"])
        self.assertEqual([len(card.findings) for card in cards], [2, 1])
        self.assertEqual(cards[0].roles, ("hullpale", "hull", "blacking"))
        self.assertEqual((check.verdict, check.worst), ("look", "Punt-car 1: Stops at panel lines, 10 %."))

    def test_nothing_told_is_clear_and_says_of_how_many(self):
        check = camouflage_check(self.design, [], 6)
        self.assertEqual((check.verdict, check.worst), ("clear", "nothing to mend on 6 figures"))

    def test_another_layout_is_pinned_for_that_figure_alone(self):
        check = camouflage_check(self.design, [told(2, better=77), told(3)], 3)
        (card,) = cards_of(check)
        self.assertEqual([fix.words for fix in card.fixes], ["lay Punt-car 2 out otherwise"])
        self.assertEqual(fixed(self.design, card).scheme.pattern("estuary").layouts, ((UNIT, RANK, 2, 77),))

    def test_larger_patches_mend_it_for_every_figure_at_once(self):
        both = [replace(told(at), size=0.6) for at in (1, 2)]
        (card,) = cards_of(camouflage_check(self.design, both, 2))
        self.assertEqual([fix.words for fix in card.fixes], ["patches of 60 cm"])
        self.assertEqual(fixed(self.design, card).scheme.pattern("estuary").size_m, 0.6)

    def test_what_was_accepted_is_set_apart(self):
        key = cards_of(camouflage_check(self.design, [told(1)], 1))[0].first.key
        aims = with_accepted(self.design.scheme.aims, "camouflage", key, "old paint")
        noted = with_scheme(self.design, replace(self.design.scheme, aims=aims))
        check = camouflage_check(noted, [told(1)], 1)
        self.assertEqual((check.verdict, [note for _, note in check.accepted]), ("clear", ["old paint"]))

    def test_figures_and_patterns_that_are_gone_say_nothing(self):
        gone = [replace(told(1), pattern="reeds"), replace(told(1), rank="admiral")]
        self.assertEqual(camouflage_check(self.design, gone, 2).findings, ())


class Sizes(TestCase):
    def test_patches_too_small_for_the_tool_are_written_as_they_are_laid(self):
        pattern = Pattern("estuary", "Estuary", "blotch", INKS, 0.05, "airbrush", None, 18, 1.5, 0.5)
        design = with_pattern(levy(), pattern, Rule("", "punt-car-troop", ("#camo",), ""))
        pattern = design.scheme.pattern("estuary")
        one = resolve(design.army, design.scheme).of_rank(UNIT, RANK)[0]
        widened = layout_on(design, one, 1, pattern).sized.widened
        self.assertGreater(widened, 1)
        size = larger_size(design, one, 1, pattern, COLOURS, None)
        self.assertGreaterEqual(size, round(0.05 * widened, 2))
        self.assertEqual(layout_on(design, one, 1, replace(pattern, size_m=size)).sized.widened, 1)

    def test_where_it_cannot_help_none_is_given(self):
        pattern = Pattern("estuary", "Estuary", "blotch", INKS, 0.42, "airbrush", 1.0, 18, 1.5, 0.5)
        design = with_pattern(levy(), pattern, Rule("", "punt-car-troop", ("#camo",), ""))
        pattern = design.scheme.pattern("estuary")
        one = resolve(design.army, design.scheme).of_rank(UNIT, RANK)[0]
        # inks that are one colour run together at any size
        self.assertIsNone(larger_size(design, one, 1, pattern, [Lab(50, 0, 10)] * 3, None))


class OtherLayouts(TestCase):
    def test_one_without_its_fault_and_unlike_its_kin_is_found(self):
        pattern = Pattern("estuary", "Estuary", "blotch", INKS, 0.42, "airbrush", 1.0, 18, 1.5, 0.5)
        design = with_pattern(levy(), pattern, Rule("", "punt-car-troop", ("#camo",), ""))
        pattern = design.scheme.pattern("estuary")
        one = resolve(design.army, design.scheme).of_rank(UNIT, RANK)[0]
        kin = [layout_on(design, one, 2, pattern)]
        seed = other_layout(design, one, 1, pattern, kin, COLOURS, Lab(50, 0, 20))
        self.assertIsNotNone(seed)
        self.assertNotEqual(seed, layout_seed(pattern, UNIT, RANK, 1))
        # the next seed is tried first, the sixth last
        first = (layout_seed(pattern, UNIT, RANK, 1) + 1) % MOST_SEED
        self.assertIn((seed - first) % MOST_SEED, range(6))
        self.assertEqual(other_layout(design, one, 1, pattern, (), COLOURS, Lab(50, 0, 20)), first)
        # unlike itself it cannot be
        same = replace(pattern, layouts=((UNIT, RANK, 1, seed),))
        other = other_layout(design, one, 1, pattern, [layout_on(design, one, 1, same)], COLOURS, Lab(50, 0, 20))
        self.assertNotEqual(other, seed)
