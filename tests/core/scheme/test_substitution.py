"""Substitutions, toned roles, written rules, schemes taken over, and the tree re-ordered."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.army.figure_filter import Filter
from mantello_core.army.tree import Figure
from mantello_core.design import edit, muster, rung_edit
from mantello_core.design.transfer import transferred
from mantello_core.errors import Contradiction, OutOfRange, UnknownName, Unreadable
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.paints.range import paint
from mantello_core.scheme.cascade import ladder, resolve
from mantello_core.scheme.rule import Rule
from tests.samples import FUSILIER, LAPEL, calvessa, rule, small_design

SECOND = Figure("second-line", "fusilier", 1)
COATED = small_design(rule("a", "army", "torso", "field"))


def worn(design, figure=FUSILIER, area=LAPEL):
    return resolve(design.army, design.scheme).of(figure).cells[area]


class Substitutions(TestCase):
    def test_a_formation_wears_another_role_instead_and_only_it(self):
        design = edit.with_replaced_role(COATED, "second", "field", "lace")
        self.assertEqual((worn(design).role, worn(design, SECOND).role), ("field", "lace"))
        self.assertEqual(worn(design, SECOND).instead_of, "field")
        self.assertEqual(worn(design, SECOND).rule.id, "a")

    def test_the_nearest_formation_decides_and_chains_are_not_followed(self):
        design = edit.with_replaced_role(COATED, "regiment", "field", "lace")
        design = edit.with_replaced_role(design, "second", "field", "facing")
        design = edit.with_replaced_role(design, "second", "facing", "metal")
        self.assertEqual((worn(design).role, worn(design, SECOND).role), ("lace", "facing"))

    def test_it_is_taken_back(self):
        design = edit.with_replaced_role(COATED, "second", "field", "lace")
        self.assertEqual(edit.with_replaced_role(design, "second", "field", None), COATED)

    def test_nonsense_is_refused(self):
        for scope, role, use, kind in (
            ("second", "field", "field", Contradiction),
            ("third", "field", "lace", UnknownName),
            ("second", "field", "sky", UnknownName),
        ):
            with self.assertRaises(kind):
                edit.with_replaced_role(COATED, scope, role, use)

    def test_a_role_that_stands_in_for_another_cannot_be_removed(self):
        design = edit.with_replaced_role(COATED, "second", "field", "lace")
        with self.assertRaises(Contradiction):
            edit.without_role(design, "lace")

    def test_it_goes_with_its_formation_and_is_copied_with_it(self):
        design = edit.with_replaced_role(COATED, "second", "field", "lace")
        self.assertEqual(muster.without_node(design, "second").scheme.substitutions, ())
        copy = muster.with_duplicate(design, "second", "Third")
        third = next(unit for unit in copy.army.units if "third" in copy.army.paths[unit.id])
        self.assertEqual(worn(copy, Figure(third.id, "fusilier", 1)).role, "lace")

    def test_it_survives_the_way_to_a_document_and_back(self):
        design = edit.with_replaced_role(COATED, "second", "field", "lace")
        self.assertEqual(read_design_bytes(design_bytes(design)), design)

    def test_as_field_but_darker_is_darker(self):
        design, role = edit.with_toned_role(COATED, "field", "Dark field", paint("pitch-barrel"), 1)
        dark, usual = (design.scheme.role(id_).recipe().steps[0].mix for id_ in (role.id, "field"))
        self.assertEqual(dark.words, "Brine Green 1, Pitch Barrel 1, neat")
        self.assertLess(dark.film.masstone.lightness, usual.film.masstone.lightness)
        with self.assertRaises(OutOfRange):
            edit.with_toned_role(COATED, "field", "Darker", paint("pitch-barrel"), 0)

    def test_washes_stay_as_they_are_in_a_toned_role(self):
        _, role = edit.with_toned_role(calvessa(), "field", "Dark field", paint("pitch-barrel"), 1)
        shade = next(step for step in role.recipe().steps if step.kind == "shade")
        self.assertEqual(
            shade, next(step for step in calvessa().scheme.role("field").recipe().steps if step.kind == "shade")
        )


class WrittenRules(TestCase):
    def test_a_rule_is_added_changed_and_wins_as_it_says(self):
        made = Rule("", "first", ("torso.coat.lapel",), "lace", Filter(rank="fusilier", every=2))
        design = edit.with_rule(COATED, made)
        self.assertEqual(worn(design).role, "lace")
        self.assertEqual(worn(design, Figure("first-line", "fusilier", 2)).role, "field")
        named = design.scheme.rules[-1]
        changed = edit.with_rule(design, replace(named, role="metal", filter=Filter()))
        self.assertEqual(len(changed.scheme.rules), 2)
        self.assertEqual(worn(changed, Figure("first-line", "fusilier", 2)).role, "metal")

    def test_what_is_not_in_the_scope_is_refused(self):
        cases = (
            (Rule("", "third", ("torso",), "field"), UnknownName),
            (Rule("", "first", ("torso",), "sky"), UnknownName),
            (Rule("", "first", ("wings",), "field"), Unreadable),
            (Rule("", "second", ("torso",), "field", Filter(rank="sergeant")), UnknownName),
            (Rule("", "second", ("torso",), "field", Filter(type="ranger")), UnknownName),
            (Rule("", "second", ("torso",), "field", Filter(ordinals=(0,))), OutOfRange),
            (Rule("", "second", ("torso",), "field", Filter(every=2, first=0)), OutOfRange),
        )
        for made, kind in cases:
            with self.assertRaises(kind):
                edit.with_rule(COATED, made)

    def test_a_veterans_rule_speaks_of_tagged_units_only(self):
        design = muster.with_tags(
            edit.with_rule(COATED, Rule("", "army", ("torso",), "lace", Filter(tag="old guard"))),
            "second-line",
            (" Old  Guard ", "flank", "flank"),
        )
        self.assertEqual(design.army.nodes["second-line"].tags, ("old guard", "flank"))
        self.assertEqual((worn(design).role, worn(design, SECOND).role), ("field", "lace"))
        for tags in (("x" * 41,), ("a/b",), tuple(map(str, range(13)))):
            with self.assertRaises(OutOfRange):
                muster.with_tags(COATED, "second-line", tags)


class Transfers(TestCase):
    def test_roles_are_matched_by_name_and_rules_by_formation(self):
        other = calvessa()
        here = muster.with_node_named(COATED, "regiment", "2nd Tidewall Fusiliers")
        taken = transferred(here, other)
        self.assertEqual(taken.matched, ("Field", "Facing"))
        self.assertIn("Trim metal", taken.added)
        self.assertEqual(worn(taken.design, area="torso.coat.body.left").role, "field")
        self.assertEqual(taken.design.scheme.role("field").recipe(), other.scheme.role("field").recipe())
        self.assertTrue(
            taken.left and all(one.scope == "saltmarsh-rangers" or "ranger" in one.scope for one in taken.left)
        )
        self.assertEqual({row for _, row in taken.left_rows}, {"1st, the Harbour", "2nd, the Lantern", "3rd, the Gull"})

    def test_a_scheme_laid_over_its_own_army_resolves_as_before(self):
        design = calvessa()
        over = transferred(design, design).design
        before, after = (resolve(one.army, one.scheme) for one in (design, over))
        for one in before.classes:
            self.assertEqual(
                {name: cell.role for name, cell in after.of(one.first).cells.items()},
                {name: cell.role for name, cell in one.cells.items()},
            )
        self.assertEqual(read_design_bytes(design_bytes(over)), over)


class Tree(TestCase):
    def test_siblings_are_moved_and_stop_at_the_ends(self):
        order = lambda design: [node.id for node in design.army.nodes["regiment"].children]  # noqa: E731
        self.assertEqual(order(muster.with_node_moved(COATED, "second", -1)), ["second", "first"])
        self.assertEqual(order(muster.with_node_moved(COATED, "first", -5)), ["first", "second"])
        with self.assertRaises(Contradiction):
            muster.with_node_moved(COATED, "army", 1)

    def test_a_company_moves_under_another_formation_with_its_rules(self):
        design = rung_edit.set_here(COATED, SECOND, (LAPEL,), "lace", 3)
        moved = muster.with_node_under(design, "second", "army")
        self.assertEqual([node.id for node in moved.army.root.children], ["regiment", "second"])
        self.assertEqual((worn(moved, SECOND).role, worn(moved, SECOND).rung), ("lace", 2))
        self.assertEqual(ladder(moved.army, moved.scheme, SECOND, LAPEL)[0].rung, 2)

    def test_it_cannot_move_into_itself_or_into_a_unit(self):
        for node, parent in (("regiment", "first"), ("second", "first-line")):
            with self.assertRaises(Contradiction):
                muster.with_node_under(COATED, node, parent)
