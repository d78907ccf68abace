"""What checks keep from one edit to the next: after any of them they say what they would say from nothing."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as some

from mantello_core.checks.inspect import inspect
from mantello_core.design.design import Design
from mantello_core.design.edit import with_scheme, with_step
from mantello_core.formats.sample import calvessa, camouflaged_levy
from mantello_core.memory import memories
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix
from mantello_core.scheme.cascade import resolve


def said(design: Design) -> list:
    """All that the checks tell, fixes in words."""
    return [
        (check.id, check.verdict, check.worst, [
            (one.what, one.key, one.number, one.cause, one.roles, one.areas, one.figures, one.fix and one.fix.words)
            for one in check.findings
        ])
        for check in inspect(design, resolve(design.army, design.scheme))
    ]  # fmt: skip


def with_mix(design: Design, at: int, pot: str) -> Design:
    role = design.scheme.roles[at % len(design.scheme.roles)]
    if not role.recipes or not role.recipes[0][1].steps:
        return design
    tier, recipe = role.recipes[0]
    return with_step(design, role.id, tier, replace(recipe.steps[0], mix=Mix(((paint(pot), 1.0),))))


def renamed(design: Design, at: int, word: str) -> Design:
    """A role and a formation with other names."""
    roles = list(design.scheme.roles)
    number = at % len(roles)
    roles[number] = replace(roles[number], name=f"{word} role")
    root = design.army.root
    child = replace(root.children[0], name=f"{word} first")
    army = replace(design.army, root=replace(root, children=(child, *root.children[1:])))
    return replace(with_scheme(design, replace(design.scheme, roles=tuple(roles))), army=army)


def with_threshold(design: Design, id_: str, value: float) -> Design:
    aims = design.scheme.aims
    return with_scheme(design, replace(design.scheme, aims=replace(aims, thresholds=((id_, value),))))


def without_rule(design: Design, at: int) -> Design:
    rules = design.scheme.rules
    return with_scheme(design, replace(design.scheme, rules=rules[: at % len(rules)] + rules[at % len(rules) + 1 :]))


EDITS = some.one_of(
    some.tuples(some.just(with_mix), some.integers(0, 40), some.sampled_from(("pitch-barrel", "harbour-rose", "lamp-brass"))),
    some.tuples(some.just(renamed), some.integers(0, 40), some.sampled_from(("Quay", "Tide"))),
    some.tuples(some.just(with_threshold), some.sampled_from(("neighbours", "seam", "metals", "focus")), some.sampled_from((1.0, 3.0, 12.0))),
    some.tuples(some.just(without_rule), some.integers(0, 40)),
)  # fmt: skip


class Standing(TestCase):
    @settings(max_examples=6, deadline=None)
    @given(some.lists(EDITS, min_size=2, max_size=4))
    def test_checks_say_after_edits_what_they_say_from_nothing(self, edits):
        design = calvessa()
        for change, *how in edits:
            design = change(design, *how)
            after = said(design)
        for memory in memories():
            memory.empty()
        self.assertEqual(after, said(design))

    def test_what_is_worn_and_named_alike_is_not_gone_over_again(self):
        design = camouflaged_levy()
        worn = resolve(design.army, design.scheme).worn
        said(design)
        before = {what: made for what, (_, made) in worn._last.items()}
        edited = with_mix(design, 0, "harbour-rose")
        said(edited)
        self.assertIs(resolve(edited.army, edited.scheme).worn, worn)
        self.assertEqual({what for what, (_, made) in worn._last.items() if made is not before[what]}, set())
        said(renamed(edited, 0, "Quay"))
        again = {what for what, (_, made) in worn._last.items() if made is not before[what]}
        self.assertEqual(again, {"gaps", "materials", "metals"})

    def test_an_army_without_figures_has_no_weak_neighbours_and_no_values(self):
        design = calvessa()
        root = replace(design.army.root, children=())
        bare = replace(design, army=replace(design.army, root=root))
        found = {check.id: check.worst for check in inspect(bare, resolve(bare.army, bare.scheme))}
        self.assertEqual(
            (found["neighbours"], found["values"], found["focus"]),
            (
                "all touching areas can be told apart",
                "nothing to weigh yet",
                "head and chest hold the strongest contrast",
            ),
        )
