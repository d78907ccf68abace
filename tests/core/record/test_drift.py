"""Drift: what is on a figure against what the scheme asks of it now."""

import math
from dataclasses import replace
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.design.edit import with_rule, with_step, with_undercoat
from mantello_core.errors import Contradiction
from mantello_core.order.subject import of_role, subject_of
from mantello_core.paints.range import paint
from mantello_core.record.drift import Drift, State, drifts, kept_as_painted
from mantello_core.scheme.cascade import resolve
from tests.samples import LAPEL, base, rule, small_design

BEFORE = small_design(rule("a", "army", "torso", "field"), rule("b", "first", "torso.coat.lapel", "facing"))
ROLES = ("field", "facing", "lace", "metal")


def state(design) -> State:
    return State(design, resolve(design.army, design.scheme))


def told(before, after, layers=((1, ""), (1, "field"), (1, "facing")), ordinals=(1, 2)) -> tuple[Drift, ...]:
    about = tuple((version, subject_of(text)) for version, text in layers)
    painted = {("first-line", "fusilier", ordinal): about for ordinal in ordinals}
    return drifts({1: state(before)}, state(after), painted)


class Words(TestCase):
    def test_four_areas_are_named_and_the_rest_counted(self):
        names = ("head.hat", "head.face", "torso.coat.lapel.left", "torso.belt", "leg.left.boot", "leg.right.boot")
        for count, end in ((4, "Belt"), (5, "and 1 more"), (6, "and 2 more")):
            words = Drift("u", "r", (1,), 1, "field", "facing", names[:count], 3.0, "m").areas_in_words
            self.assertTrue(words.endswith(end), words)
            self.assertEqual(words.count(","), 3)


class Drifts(TestCase):
    def test_nothing_drifts_while_the_scheme_stays(self):
        self.assertEqual(told(BEFORE, BEFORE), ())

    def test_another_role_names_figures_areas_and_how_far_the_colours_are_apart(self):
        (found,) = told(BEFORE, with_rule(BEFORE, rule("b", "first", "torso.coat.lapel", "lace")))
        self.assertEqual((found.kind, found.painted, found.now), ("role", "facing", "lace"))
        self.assertEqual((found.ordinals, found.version), ((1, 2), 1))
        self.assertEqual(set(found.areas), {LAPEL, "torso.coat.lapel.right"})
        self.assertGreater(found.difference, 20)
        self.assertIn("lapel", found.areas_in_words)

    def test_what_was_not_painted_yet_does_not_drift(self):
        after = with_rule(BEFORE, rule("b", "first", "torso.coat.lapel", "lace"))
        self.assertEqual(told(BEFORE, after, layers=((1, ""), (1, "field"))), ())

    def test_another_recipe_is_told_apart_from_another_role(self):
        step = base("salt-linen").steps[0]
        after = with_step(BEFORE, "facing", "rank", step)
        (found,) = told(BEFORE, after)
        self.assertEqual((found.kind, found.painted, found.now), ("recipe", "facing", "facing"))
        self.assertGreater(found.difference, 0)

    def test_another_undercoat_is_told_without_areas(self):
        (found,) = told(BEFORE, with_undercoat(BEFORE, paint("undercoat-soot")))
        self.assertEqual((found.kind, found.areas), ("undercoat", ()))

    def test_a_repainted_area_counts_as_painted_last(self):
        after = with_rule(BEFORE, rule("b", "first", "torso.coat.lapel", "lace"))
        layers = ((1, of_role("field")), (1, of_role("facing")), (2, of_role("lace")))
        painted = {("first-line", "fusilier", 1): layers}
        self.assertEqual(drifts({1: state(BEFORE), 2: state(after)}, state(after), painted), ())
        back = drifts({1: state(BEFORE), 2: state(after)}, state(BEFORE), painted)
        self.assertEqual([(one.version, one.painted, one.now) for one in back], [(2, "lace", "facing")])

    def test_an_area_without_a_role_now_has_no_colour_to_compare(self):
        after = replace(BEFORE, scheme=replace(BEFORE.scheme, rules=BEFORE.scheme.rules[1:]))
        found = next(one for one in told(BEFORE, after) if one.painted == "field")
        self.assertIsNone(found.now)
        self.assertTrue(math.isnan(found.difference))

    def test_figures_that_left_are_left_out(self):
        after = with_rule(BEFORE, rule("b", "first", "torso.coat.lapel", "lace"))
        self.assertEqual(told(BEFORE, after, ordinals=(9,)), ())

    def test_a_renamed_rank_is_the_same_still(self):
        before = state(BEFORE)
        army = BEFORE.army
        unit = army.nodes["first-line"]
        renamed = replace(unit, ranks=(replace(unit.ranks[0], name="Musketeer"), *unit.ranks[1:]))
        company = replace(army.nodes["first"], children=(renamed,))
        regiment = replace(army.nodes["regiment"], children=(company, army.nodes["second"]))
        after = replace(BEFORE, army=replace(army, root=replace(army.root, children=(regiment,))))
        after = with_rule(after, rule("b", "first", "torso.coat.lapel", "lace"))
        painted = {("first-line", "fusilier", 1): ((1, of_role("field")), (1, of_role("facing")))}
        (found,) = drifts({1: before}, state(after), painted)
        self.assertEqual((found.rank, found.painted, found.now), ("fusilier", "facing", "lace"))

    def test_a_key_stays_while_the_drift_does(self):
        after = with_rule(BEFORE, rule("b", "first", "torso.coat.lapel", "lace"))
        other = with_rule(BEFORE, rule("b", "first", "torso.coat.lapel", "metal"))
        self.assertEqual(told(BEFORE, after)[0].key, told(BEFORE, after)[0].key)
        self.assertNotEqual(told(BEFORE, after)[0].key, told(BEFORE, other)[0].key)


class KeptAsPainted(TestCase):
    @given(st.sampled_from(ROLES), st.sampled_from(ROLES), st.sets(st.integers(1, 3), min_size=1))
    def test_a_kept_drift_is_gone_and_others_are_untouched(self, coat, lapel, ordinals):
        after = with_rule(BEFORE, rule("b", "first", "torso.coat.lapel", lapel))
        after = with_rule(after, rule("a", "army", "torso", coat))
        kept = after
        for found in told(BEFORE, after, ordinals=tuple(ordinals)):
            kept = kept_as_painted(kept, found)
        self.assertEqual(told(BEFORE, kept, ordinals=tuple(ordinals)), ())
        rest = {1, 2, 3} - ordinals
        self.assertEqual(
            {
                one.ordinals
                for one in told(after, kept, layers=tuple((1, role) for role in ROLES), ordinals=tuple(rest))
            },
            set(),
        )

    def test_a_binding_rule_is_not_overridden_in_silence(self):
        after = with_rule(BEFORE, rule("c", "army", "torso.coat.lapel", "lace", binding=True))
        with self.assertRaisesRegex(Contradiction, "may not be overridden"):
            kept_as_painted(after, told(BEFORE, after)[0])

    def test_a_role_that_is_gone_cannot_be_kept(self):
        (found,) = told(BEFORE, with_rule(BEFORE, rule("b", "first", "torso.coat.lapel", "lace")))
        with self.assertRaisesRegex(Contradiction, "no longer in the scheme"):
            kept_as_painted(BEFORE, replace(found, painted="gone"))

    def test_a_recipe_is_no_matter_of_rules(self):
        (found,) = told(BEFORE, with_undercoat(BEFORE, paint("undercoat-soot")))
        with self.assertRaisesRegex(Contradiction, "same role"):
            kept_as_painted(BEFORE, found)
