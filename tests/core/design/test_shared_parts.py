"""Designs read anew share what is equal with what is known, and stay what they are."""

import json
from dataclasses import replace
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.design.edit import with_renamed_role, with_rule_on, with_scheme, without_rule
from mantello_core.design.muster import with_node_named, with_rank, without_node
from mantello_core.design.shared_parts import with_parts_of
from mantello_core.formats.document.design import read_design, write_design
from mantello_core.formats.sample import calvessa, levy
from mantello_core.scheme.cascade import resolve

CALVESSA, LEVY = calvessa(), levy()


def anew(design):
    """The design as another process reads it: equal, of new objects."""
    return read_design(json.loads(json.dumps(write_design(design))))


def one_rule_fewer(design):
    return without_rule(design, design.scheme.rules[-1].id)


def one_unit_fewer(design):
    return without_node(design, design.army.units[-1].id)


def more_figures(design):
    unit = design.army.units[0]
    return with_rank(design, unit.id, replace(unit.ranks[0], figures=unit.ranks[0].figures + 1))


def other_aims(design):
    return with_scheme(
        design, replace(design.scheme, aims=replace(design.scheme.aims, accents=(design.scheme.roles[0].id,)))
    )


EDITS = (
    lambda design: design,
    lambda design: with_node_named(design, design.army.root.id, "Another"),
    lambda design: with_renamed_role(design, design.scheme.roles[2].id, "Another"),
    lambda design: with_rule_on(design, design.scheme.rules[0].id, on=False),
    lambda design: replace(design, evenings=replace(design.evenings, pace="rapid")),
    one_rule_fewer, one_unit_fewer, more_figures, other_aims,
)  # fmt: skip


class Shared(TestCase):
    @given(st.sampled_from((CALVESSA, LEVY)), st.lists(st.sampled_from(EDITS), max_size=3))
    @settings(deadline=None, max_examples=25)
    def test_a_design_stays_equal_to_what_was_read(self, before, edits):
        after = before
        for edit in edits:
            after = edit(after)
        read = anew(after)
        self.assertEqual(with_parts_of(read, before), read)

    def test_what_an_edit_left_is_the_same_object(self):
        after = with_parts_of(anew(with_renamed_role(CALVESSA, CALVESSA.scheme.roles[2].id, "Another")), CALVESSA)
        self.assertIs(after.army, CALVESSA.army)
        self.assertIs(after.scheme.rules, CALVESSA.scheme.rules)
        same = [one is other for one, other in zip(after.scheme.roles, CALVESSA.scheme.roles, strict=True)]
        self.assertEqual(same.count(False), 1)
        self.assertFalse(same[2])

    def test_its_figures_are_not_resolved_again_where_no_rule_changed(self):
        after = with_parts_of(anew(with_renamed_role(LEVY, LEVY.scheme.roles[2].id, "Another")), LEVY)
        self.assertIs(resolve(after.army, after.scheme), resolve(LEVY.army, LEVY.scheme))

    def test_units_beside_the_one_that_changed_are_the_same(self):
        after = with_parts_of(anew(more_figures(LEVY)), LEVY)
        changed = [one.id for one in after.army.units if one is not LEVY.army.nodes[one.id]]
        self.assertEqual(changed, [LEVY.army.units[0].id])

    def test_all_of_an_equal_design_is_taken_over(self):
        self.assertIs(with_parts_of(anew(LEVY), LEVY), LEVY)
