"""The order of one figure: what is kept, what gives way, and what is told."""

from dataclasses import replace
from random import Random
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.design.brief import Brief
from mantello_core.design.order_edit import (
    with_own_rule,
    with_phase_added,
    with_phase_moved,
    with_phase_renamed,
    with_rule_given_up,
    with_work_moved,
    without_own_rule,
    without_phase,
)
from mantello_core.errors import Contradiction, OutOfRange, UnknownName
from mantello_core.formats.sample import levy
from mantello_core.order.arranging import arranged
from mantello_core.order.figure_order import order_of, rank_pieces
from mantello_core.order.nodes import nodes_of
from mantello_core.order.pairs import Figure, pairs_of
from mantello_core.order.phases import phase_list
from mantello_core.order.reference import reference_of
from mantello_core.order.relations import relations_of
from mantello_core.order.subject import of_role
from mantello_core.paints.range import paint
from mantello_core.recipes.method import METHODS
from mantello_core.recipes.step import Mix, Recipe, Step
from mantello_core.recipes.where import Where
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import Finishing
from mantello_core.scheme.whole_pass import WholePass
from mantello_core.scheme.work_order import OwnRule
from tests.samples import calvessa

UNIT, RANK = "1st-harbour-line", "fusilier"
PALE, DARK = Mix(((paint("salt-linen"), 1.0),)), Mix(((paint("pitch-barrel"), 1.0),))


def ranked(design, unit=UNIT, rank=RANK):
    """The order of one rank's figures."""
    resolution = resolve(design.army, design.scheme)
    return order_of(design, [one for one in resolution.of_unit(unit) if one.rank == rank])


def places(order) -> dict[str, int]:
    """Names of steps to their places."""
    return {node.name: at for at, node in enumerate(order.line)}


def finished(design, **given):
    """The design with a finish."""
    return replace(design, scheme=replace(design.scheme, finishing=Finishing(**given)))


class Everyday(TestCase):
    def test_colours_are_blocked_in_before_any_is_shaded_and_shaded_before_any_is_lit(self):
        order = ranked(calvessa())
        stages = {
            stage: [at for at, node in enumerate(order.line) if node.sort == "step" and node.stage == stage and "rim" not in node.classes]
            for stage in ("block", "shade", "relay", "light")
        }  # fmt: skip
        self.assertLess(max(stages["block"]), min(stages["shade"]))
        self.assertLess(max(stages["shade"]), min(stages["relay"]))

    def test_what_lies_on_another_comes_after_it(self):
        at = places(ranked(calvessa()))
        self.assertLess(at["Field base"], at["Belting base"])
        self.assertLess(at["Field base"], at["Harbour facing base"])

    def test_a_mark_comes_after_its_field_and_the_rim_after_the_varnish(self):
        design = finished(levy(), varnish="matt")
        resolution = resolve(design.army, design.scheme)
        bearer = next(one for one in resolution.classes if one.borne)
        order = ranked(design, bearer.unit, bearer.rank)
        marks = [(at, node) for at, node in enumerate(order.line) if node.sort == "mark"]
        self.assertTrue(marks)
        fields = [at for at, node in enumerate(order.line) if node.sort == "step" and node.areas & marks[0][1].areas]
        self.assertLess(max(fields), marks[0][0])
        at = places(order)
        self.assertLess(marks[-1][0], at["Matt varnish"])
        self.assertLess(at["Matt varnish"], at["Rim base"])

    def test_every_pair_has_a_reason_and_every_recipe_its_order(self):
        for method in METHODS:
            order = ranked(replace(calvessa(), brief=Brief(method=method)))
            self.assertEqual(len(order.reasons), len(order.line) - 1)
            last: dict[str, int] = {}
            for node in order.line:
                if node.sort == "step":
                    self.assertGreater(node.at, last.get(node.owner, -1), f"{method}: {node.name}")
                    last[node.owner] = node.at
            self.assertEqual([node.phase for node in order.line], sorted(node.phase for node in order.line))


class Choices(TestCase):
    def test_a_rule_of_ones_own_beats_a_wish_and_moves_the_least(self):
        plain = places(ranked(calvessa()))
        self.assertLess(plain["Field base"], plain["Belting base"])
        order = ranked(with_own_rule(calvessa(), "role:belting", "role:field", "I like it so"))
        at = places(order)
        self.assertLess(at["Belting base"], at["Field base"])
        self.assertEqual(order.told, ())
        self.assertTrue(any("your rule" in one.why for one in order.gave_way))

    def test_metals_before_the_wash_pull_one_step_and_leave_the_wash(self):
        design = with_own_rule(calvessa(), "role:arms/highlight", "role:arms/shade")
        told = ranked(design).told
        self.assertEqual(len(told), 1)
        self.assertIn("Cannot be kept", told[0])
        self.assertIn("change the recipe", told[0])

    def test_two_rules_that_disagree_are_both_named(self):
        design = with_own_rule(calvessa(), "role:field", "role:belting", "first")
        with self.assertRaises(Contradiction) as caught:
            with_own_rule(design, "role:belting", "role:field")
        self.assertIn("says the opposite", caught.exception.message)
        ring = with_own_rule(with_own_rule(design, "role:belting", "role:flesh"), "role:flesh", "role:field")
        told = ranked(ring).told
        self.assertEqual(len(told), 1)
        for name in ("Flesh base", "Field base", "Belting base", "your rule"):
            self.assertIn(name, told[0])

    def test_a_choice_that_does_harm_is_kept_and_told(self):
        design = finished(calvessa(), varnish="matt", apart=("Cloak",))
        design = with_own_rule(design, "pass:join-cloak", "role:cloak")
        unit = next(
            unit
            for unit in design.army.units
            if any(area.startswith("cloak") for rank in unit.ranks for area in design.army.plate(rank.type).areas)
        )
        order = ranked(design, unit.id, unit.ranks[0].id)
        self.assertTrue(any("does harm" in said for said in order.told), order.told)

    def test_a_step_put_into_a_phase_is_there_and_nothing_else_moves_but_what_follows_it(self):
        plain, design = ranked(calvessa()), with_work_moved(calvessa(), "role:flesh", "lights", "skin last")
        order, phases = ranked(design), phase_list(design)
        standing = {node.name: node.phase for node in order.line}
        self.assertEqual(standing["Flesh base"], phases.place("lights"))
        changed = {node.name for node in plain.line if standing[node.name] != node.phase}
        self.assertEqual(changed, {"Flesh base", "Flesh shade", "Flesh layer"} & set(standing))

    def test_a_rule_that_is_given_up_asks_for_nothing_any_more(self):
        design = with_rule_given_up(calvessa(), "D-14", given_up=True)
        self.assertFalse(any(bond.rule.id == "D-14" for bond in ranked(design).bonds))
        again = with_rule_given_up(design, "D-14", given_up=False)
        self.assertTrue(any(bond.rule.id == "D-14" for bond in ranked(again).bonds))

    def test_a_rule_that_is_dropped_leaves_the_order_as_it_was(self):
        design = with_own_rule(calvessa(), "role:belting", "role:field")
        (rule,) = design.scheme.order.rules
        self.assertEqual(ranked(without_own_rule(design, rule.id)), ranked(calvessa()))
        with self.assertRaises(UnknownName):
            without_own_rule(calvessa(), rule.id)

    @given(st.data())
    @settings(max_examples=60, deadline=None)
    def test_every_rule_of_ones_own_is_kept_or_told(self, data):
        order = ranked(calvessa())
        works = [reference_of(node) for node in order.line if reference_of(node)]
        before, after = data.draw(st.lists(st.sampled_from(works), min_size=2, max_size=2, unique=True))
        found = ranked(with_own_rule(calvessa(), before, after))
        at = {reference_of(node): place for place, node in enumerate(found.line)}
        self.assertTrue(at[before] < at[after] or any("Cannot be kept" in said for said in found.told))


class Phases(TestCase):
    def test_a_phase_is_moved_renamed_repeated_and_removed(self):
        design = calvessa()
        phases = phase_list(design).phases
        names = [phase.id for phase in phases]
        moved = with_phase_moved(design, phases, "lights", names.index("shade"))
        order = ranked(moved)
        self.assertLess(names.index("shade"), names.index("lights"))
        now = [phase.id for phase in phase_list(moved).phases]
        self.assertLess(now.index("lights"), now.index("shade"))
        # what lies on the shade cannot be lit before it: it stays behind, and that is told as moved
        self.assertTrue(order.moved)
        called = with_phase_renamed(design, phases, "shade", "The one wash")
        self.assertIn("The one wash", [phase.name for phase in phase_list(called).phases])
        again = with_phase_added(design, phases, "re-light", "Wash again", "shade")
        added = next(phase for phase in phase_list(again).phases if phase.name == "Wash again")
        self.assertEqual(added.usual, "shade")
        put = with_work_moved(again, "role:belting/shade", added.id)
        standing = {node.name: phase_list(put).phases[node.phase].name for node in ranked(put).line}
        self.assertEqual(standing["Belting shade"], "Wash again")
        gone = without_phase(put, phase_list(put).phases, added.id)
        self.assertEqual(gone.scheme.order.moved, ())

    def test_what_cannot_be_is_refused(self):
        design = calvessa()
        phases = phase_list(design).phases
        for change, error in (
            (lambda: with_phase_moved(design, phases, "nowhere", 0), UnknownName),
            (lambda: with_phase_moved(design, phases, "shade", 99), OutOfRange),
            (lambda: with_phase_renamed(design, phases, "shade", "  "), OutOfRange),
        ):
            with self.assertRaises(error):
                change()


class Properties(TestCase):
    @given(st.integers(0, 10_000))
    @settings(max_examples=20, deadline=None)
    def test_the_order_in_which_things_are_given_never_matters(self, seed):
        design = finished(calvessa(), varnish="matt", touch_up=True)
        resolution = resolve(design.army, design.scheme)
        classes = [one for one in resolution.of_unit(UNIT) if one.rank == RANK]
        phases = phase_list(design)
        nodes = list(nodes_of(design, classes, rank_pieces(design, classes), phases))
        own = (OwnRule("a", "role:belting", "role:field"),)
        names = tuple(phase.name for phase in phases.phases)
        first = arranged(tuple(nodes), classes[0].plate, names, phases.switches, own)
        Random(seed).shuffle(nodes)
        self.assertEqual(arranged(tuple(nodes), classes[0].plate, names, phases.switches, own), first)

    def test_what_a_plan_must_keep_is_kept_by_the_line(self):
        for method in METHODS:
            order = ranked(finished(replace(calvessa(), brief=Brief(method=method)), varnish="satin"))
            at = {node.id: place for place, node in enumerate(order.line)}
            for bond in order.bonds:
                self.assertLess(at[bond.before], at[bond.after], f"{method}: {bond}")


class Traces(TestCase):
    """Steps that are drawn one by one, by where they go."""

    def bound(self, *steps) -> dict[str, set[tuple[str, str]]]:
        """Order rules by id with the steps of one coat that they speak of, for a coat of these steps."""
        design = calvessa()
        role = design.scheme.role("field")
        made = replace(role, recipes=(("rank", Recipe((role.recipe("rank").steps[0], *steps))),))
        return self.asked(replace(design, scheme=design.scheme.with_role(made)), UNIT, RANK, "field")

    def asked(self, design, unit: str, rank: str, role: str) -> dict[str, set[tuple[str, str]]]:
        classes = [one for one in resolve(design.army, design.scheme).of_unit(unit) if one.rank == rank]
        phases = phase_list(design)
        nodes = nodes_of(design, classes, rank_pieces(design, classes), phases)
        figure = Figure(nodes, relations_of(classes[0].plate), phases.switches | {"chip-dark-first"})
        found = {}
        for one in pairs_of(figure, (), ()):
            if of_role(role).text in (one.before.partition("|")[0], one.after.partition("|")[0]):
                found.setdefault(one.rule.id, set()).add((one.before.partition("|")[2], one.after.partition("|")[2]))
        return found

    def test_stripes_dry_before_the_colour_between_them(self):
        stripes = Step("stripes", "freehand", PALE, spot=Where("stripes", count=6.0))
        fill = Step("between", "layer", DARK)
        self.assertEqual(self.bound(stripes, fill).get("D-16"), {("stripes", "between")})
        self.assertNotIn("D-16", self.bound(fill, stripes))

    def test_what_mutes_a_colour_comes_before_chips_that_are_laid_over_the_figure(self):
        design = calvessa()
        role = design.scheme.role("field")
        muted = replace(role, recipes=(("rank", Recipe((role.recipe("rank").steps[0], Step("mute", "glaze", DARK)))),))
        chips = WholePass("chips", "Chips", Step("chips", "sponge", DARK))
        scheme = replace(design.scheme.with_role(muted), passes=(chips,))
        found = self.asked(replace(design, scheme=scheme), UNIT, RANK, "field")
        self.assertEqual({one for one, _ in found["D-40"]}, {"mute"})

    def test_runs_come_after_the_marks_and_the_lights_before_the_glaze_that_unites_them(self):
        runs = Step("runs", "freehand", DARK, spot=Where("runs", count=4.0))
        design = levy()
        resolution = resolve(design.army, design.scheme)
        bearer = next(one for one in resolution.classes if one.borne)
        worn = next(role for role in bearer.roles_worn.values() if role)
        role = design.scheme.role(worn)
        made = replace(role, recipes=((bearer.tier, Recipe((*role.recipe(bearer.tier).steps, runs))),))
        found = self.asked(replace(design, scheme=design.scheme.with_role(made)), bearer.unit, bearer.rank, role.id)
        self.assertTrue(found["D-42r"])
        self.assertEqual({after for _, after in found["D-42r"]}, {"runs"})
        light, unites = Step("light", "highlight", PALE), Step("unites", "glaze", DARK)
        self.assertEqual(self.bound(light, unites).get("D-37"), {("light", "unites")})
        self.assertNotIn("D-37", self.bound(unites, light))
