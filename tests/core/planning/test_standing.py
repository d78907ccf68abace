"""Work that stands after an edit is what it would be worked out as anew, whatever the edit."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.army.tree import Figure
from mantello_core.design import edit
from mantello_core.design.brief import Brief
from mantello_core.design.muster import with_node_named, with_rank
from mantello_core.design.rung_edit import set_here
from mantello_core.formats.sample import calvessa, levy
from mantello_core.paints.range import paint
from mantello_core.planning.compiling import rank_sheets
from mantello_core.planning.standing import standing_ranks
from mantello_core.recipes.step import Mix, Step
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.whole_pass import WholePass

DARK = Mix(((paint("pitch-barrel"), 1.0),))
DESIGN = calvessa()
FIGURES = [Figure(one.unit, one.rank, one.ordinals[0]) for one in resolve(DESIGN.army, DESIGN.scheme).classes]
AREAS = sorted(DESIGN.army.plate("fusilier").areas)
ROLES = [role.id for role in DESIGN.scheme.roles]
SHEETS = rank_sheets(DESIGN, resolve(DESIGN.army, DESIGN.scheme))


def finished(design, **given):
    return edit.with_scheme(design, replace(design.scheme, finishing=replace(design.scheme.finishing, **given)))


def passed(design):
    wash = WholePass("wash", "Brown wash", Step("wash", "shade", DARK), scope=design.army.units[0].id)
    return edit.with_scheme(design, replace(design.scheme, passes=(wash,)))


EDITS = st.one_of(
    st.builds(
        lambda figure, area, role, rung: lambda design: set_here(design, figure, (area,), role, rung),
        st.sampled_from(FIGURES),
        st.sampled_from(AREAS),
        st.sampled_from([*ROLES, ""]),
        st.integers(1, 5),
    ),
    st.builds(
        lambda role, tier, kind: lambda design: edit.with_step(design, role, tier, Step("late", kind, DARK)),
        st.sampled_from(ROLES),
        st.sampled_from(("rank", "leader")),
        st.sampled_from(("shade", "layer", "edge")),
    ),
    st.builds(lambda role: lambda design: edit.with_renamed_role(design, role, "Another name"), st.sampled_from(ROLES)),
    st.sampled_from([
        passed, lambda design: finished(design, varnish="matt"), lambda design: finished(design, touch_up=True),
        lambda design: replace(design, brief=Brief(height_mm=15.0)),
        lambda design: replace(design, evenings=replace(design.evenings, pace="rapid")),
        lambda design: edit.with_undercoat(design, paint("undercoat-linen"), None, None), lambda design: design,
    ]),
)  # fmt: skip


def worn(design):
    return resolve(design.army, design.scheme)


class Standing(TestCase):
    @settings(max_examples=25, deadline=None)
    @given(st.lists(EDITS, max_size=3))
    def test_what_is_taken_over_is_what_is_worked_out_anew(self, edits):
        after = DESIGN
        for change in edits:
            try:
                after = change(after)
            except Exception as refused:  # an area that figure lacks: the edit is refused, and nothing happened
                self.assertIn("Unknown", type(refused).__name__)
        stand = standing_ranks(DESIGN, worn(DESIGN), after, worn(after))
        known = {(one.unit, one.rank): one for one in SHEETS if (one.unit, one.rank) in stand}
        self.assertEqual(rank_sheets(after, worn(after), standing=known), rank_sheets(after, worn(after)))

    def test_an_edit_of_one_unit_leaves_the_others_standing(self):
        rungs = DESIGN.army.rungs(FIGURES[0])
        rank = next(rung.number for rung in rungs if rung.kind == "rank")
        after = set_here(DESIGN, FIGURES[0], ("head.face",), "field", rank)
        stand = standing_ranks(DESIGN, worn(DESIGN), after, worn(after))
        every = {(one.unit, one.rank) for one in worn(after).classes}
        self.assertEqual(every - stand, {(FIGURES[0].unit, FIGURES[0].rank)})

    def test_what_formations_are_called_touches_no_work(self):
        for id_, node in DESIGN.army.nodes.items():
            after = with_node_named(DESIGN, id_, f"{node.name} of the marshes")
            stand = standing_ranks(DESIGN, worn(DESIGN), after, worn(after))
            self.assertEqual(stand, set(worn(after).ranks), id_)
            self.assertEqual([one.rows for one in rank_sheets(after, worn(after))], [one.rows for one in SHEETS])

    def test_another_figure_in_the_army_leaves_nothing_standing(self):
        unit = DESIGN.army.units[0]
        more = replace(unit.ranks[0], figures=unit.ranks[0].figures + 1)
        after = with_rank(DESIGN, unit.id, more)
        self.assertEqual(standing_ranks(DESIGN, worn(DESIGN), after, worn(after)), frozenset())

    def test_a_recipe_touches_who_wears_it(self):
        design = levy()
        after = edit.with_step(design, "hull", "rank", Step("late", "edge", DARK))
        stand = standing_ranks(design, worn(design), after, worn(after))
        wearing = {(one.unit, one.rank) for one in worn(after).classes if "hull" in one.roles_worn.values()}
        self.assertTrue(wearing)
        self.assertTrue(stand)
        self.assertTrue(stand.isdisjoint(wearing))

    def test_what_all_work_rests_on_leaves_nothing_standing(self):
        for change in (
            lambda design: finished(design, varnish="matt"),
            lambda design: replace(design, brief=Brief(height_mm=15.0)),
            lambda design: replace(design, evenings=replace(design.evenings, pace="rapid")),
            passed,
        ):
            after = change(DESIGN)
            self.assertEqual(standing_ranks(DESIGN, worn(DESIGN), after, worn(after)), frozenset())
