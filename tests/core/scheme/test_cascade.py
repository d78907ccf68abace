"""Which rule wins, drawn from small armies; and the laws that hold for all of them."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.army.figure_filter import Filter
from mantello_core.army.tree import Figure
from mantello_core.design.rung_edit import set_here
from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.figures.catalogue import plate
from mantello_core.scheme.cascade import ladder, resolve
from mantello_core.scheme.change import changes
from mantello_core.scheme.rule import Column, Distinction, Rule
from mantello_core.scheme.selector import narrowness
from tests.samples import FUSILIER, LAPEL, calvessa, rule, small_army, small_design

ROLES = ("field", "facing", "lace", "metal", "")
SCOPES = tuple(small_army().nodes)
SELECTORS = (
    "",
    "torso",
    "torso.coat",
    "torso.coat.lapel",
    "=torso.coat.lapel.left",
    "@cloth",
    "@metal",
    "arm.*.cuff",
    "head.hat",
)
FILTERS = st.builds(
    Filter,
    type=st.sampled_from(("", "fusilier", "sergeant")),
    rank=st.sampled_from(("", "fusilier", "sergeant")),
    tag=st.sampled_from(("", "veteran")),
    every=st.sampled_from((0, 0, 2)),
)
RULES = st.lists(
    st.builds(
        Rule, id=st.uuids().map(str), scope=st.sampled_from(SCOPES), select=st.sampled_from(SELECTORS).map(lambda one: (one,)),
        role=st.sampled_from(ROLES), filter=FILTERS, binding=st.booleans(),
    ),
    max_size=9,
)  # fmt: skip


def differing(army, old, new):
    """Every (figure, area) that wears something else."""
    for unit in army.units:
        for rank in unit.ranks:
            for ordinal in range(1, rank.figures + 1):
                figure = Figure(unit.id, rank.id, ordinal)
                was, now = old.of(figure).cells, new.of(figure).cells
                yield from ((figure, area) for area in was if was[area].role != now[area].role)


def worn(*rules: Rule, figure: Figure = FUSILIER, area: str = LAPEL):
    """What one area of one figure wears under the rules."""
    design = small_design(*rules)
    return resolve(design.army, design.scheme).of(figure).cells[area].role


class WhoWins(TestCase):
    def test_nothing_set_is_a_gap_and_an_empty_role_is_bare(self):
        self.assertIsNone(worn())
        self.assertEqual(worn(rule("a", "army", "", "")), "")

    def test_the_deeper_scope_wins_over_the_narrower_selector(self):
        self.assertEqual(worn(rule("a", "army", f"={LAPEL}", "lace"), rule("b", "first", "", "field")), "field")

    def test_at_one_scope_the_narrower_filter_wins_over_the_later_rule(self):
        rank, later = rule("a", "first", "torso", "lace", rank="fusilier"), rule("b", "first", "torso", "field")
        self.assertEqual(worn(rank, later), "lace")

    def test_filters_go_ordinal_rank_tag_type_none(self):
        rules = [
            rule("ordinal", "army", "", "field", ordinals=(1,)),
            rule("rank", "army", "", "facing", rank="fusilier"),
            rule("tag", "army", "", "lace", tag="veteran"),
            rule("type", "army", "", "metal", type="fusilier"),
            rule("none", "army", "", ""),
        ]
        for at, wanted in enumerate(("field", "facing", "lace", "metal", "")):
            self.assertEqual(worn(*rules[at:]), wanted)

    def test_selectors_go_exact_prefix_material_everything(self):
        rules = [
            rule("e", "army", f"={LAPEL}", "field"),
            rule("p", "army", "torso.coat", "facing"),
            rule("m", "army", "@cloth", "lace"),
            rule("x", "army", "", "metal"),
        ]
        for at, wanted in enumerate(("field", "facing", "lace", "metal")):
            self.assertEqual(worn(*rules[at:]), wanted)

    def test_the_longer_prefix_wins(self):
        self.assertEqual(
            worn(rule("a", "army", "torso.coat.lapel", "lace"), rule("b", "army", "torso.coat", "field")), "lace"
        )

    def test_at_a_tie_the_later_rule_wins(self):
        self.assertEqual(worn(rule("a", "army", "torso", "lace"), rule("b", "army", "torso", "field")), "field")

    def test_a_binding_rule_above_beats_an_ordinary_one_below(self):
        self.assertEqual(
            worn(rule("a", "army", "torso", "lace", binding=True), rule("b", "first-line", f"={LAPEL}", "field")),
            "lace",
        )

    def test_between_binding_rules_the_higher_scope_wins(self):
        self.assertEqual(
            worn(
                rule("a", "army", "torso", "lace", binding=True), rule("b", "first", f"={LAPEL}", "field", binding=True)
            ),
            "lace",
        )

    def test_a_rule_that_is_off_does_not_speak(self):
        off = replace(rule("a", "first", "torso", "lace"), on=False)
        self.assertEqual(worn(rule("b", "army", "torso", "field"), off), "field")

    def test_every_second_figure_is_counted_from_the_first_named(self):
        every = rule("a", "first", "", "lace", every=2, first=2, rank="fusilier")
        found = [worn(every, figure=Figure("first-line", "fusilier", ordinal)) for ordinal in (1, 2, 3)]
        self.assertEqual(found, [None, "lace", None])

    def test_a_written_rule_wins_a_tie_with_a_table(self):
        design = small_design(rule("w", "first", "torso.coat.lapel", "lace"))
        table = Distinction(
            "t",
            "Facings",
            "company",
            (Column("c", "Facing", ("torso.coat.lapel",)),),
            (("first", "c", "facing"), ("second", "c", "field")),
        )
        scheme = replace(design.scheme, tables=(table,))
        resolution = resolve(design.army, scheme)
        self.assertEqual(resolution.of(FUSILIER).cells[LAPEL].role, "lace")
        self.assertEqual(resolution.of(Figure("second-line", "fusilier", 1)).cells[LAPEL].role, "field")

    def test_a_table_by_rank_speaks_of_that_rank_everywhere(self):
        design = small_design()
        table = Distinction(
            "t", "Ranks", "rank", (Column("c", "Sash", ("gear.sash",)),), (("sergeant", "c", "facing"),)
        )
        cells = (
            resolve(design.army, replace(design.scheme, tables=(table,))).of(Figure("first-line", "sergeant", 1)).cells
        )
        self.assertEqual({cell.role for name, cell in cells.items() if name.startswith("gear.sash")}, {"facing"})


class Ladders(TestCase):
    def test_the_whole_ladder_is_kept_the_winner_first(self):
        design = small_design(
            rule("a", "army", "", "field"),
            rule("b", "first", "torso", "lace"),
            rule("c", "first-line", "torso", "facing", ordinals=(1,)),
        )
        verdicts = ladder(design.army, design.scheme, FUSILIER, LAPEL)
        self.assertEqual([(one.rule.id, one.rung) for one in verdicts], [("c", 6), ("b", 3), ("a", 1)])

    def test_rungs_are_numbered_from_the_army_to_the_figure(self):
        rungs = small_army().rungs(FUSILIER)
        self.assertEqual([rung.kind for rung in rungs], ["army", "regiment", "company", "unit", "rank", "figure"])
        self.assertEqual([rung.number for rung in rungs], [1, 2, 3, 4, 5, 6])

    def test_a_rank_rule_of_a_unit_stands_on_the_rank_rung(self):
        design = small_design(rule("a", "first-line", "torso", "lace", rank="fusilier"))
        self.assertEqual(resolve(design.army, design.scheme).of(FUSILIER).cells[LAPEL].rung, 5)

    def test_who_is_not_there_is_refused(self):
        design = small_design()
        with self.assertRaises(UnknownName):
            ladder(design.army, design.scheme, FUSILIER, "torso.cape")
        with self.assertRaises(UnknownName):
            ladder(design.army, design.scheme, Figure("third-line", "fusilier", 1), LAPEL)
        with self.assertRaises(OutOfRange):
            design.army.rungs(Figure("first-line", "fusilier", 4))


class Laws(TestCase):
    @given(RULES)
    @settings(max_examples=60, deadline=None)
    def test_classes_answer_as_figure_by_figure_ladders_do(self, rules):
        design = small_design(*rules)
        resolution = resolve(design.army, design.scheme)
        self.assertEqual(sum(len(one.ordinals) for one in resolution.classes), design.army.figures)
        for unit in design.army.units:
            for rank in unit.ranks:
                for ordinal in range(1, rank.figures + 1):
                    figure = Figure(unit.id, rank.id, ordinal)
                    for area in (LAPEL, "head.face", "base.rim", "torso.coat.buttons"):
                        if area in plate(rank.type).areas:
                            verdicts = ladder(design.army, design.scheme, figure, area)
                            cell = resolution.of(figure).cells[area]
                            self.assertEqual(cell.role, verdicts[0].rule.role if verdicts else None)
                            self.assertEqual(cell.rung, verdicts[0].rung if verdicts else 0)

    @given(RULES)
    @settings(max_examples=60, deadline=None)
    def test_the_winner_is_never_beaten_by_any_other_rule_that_speaks(self, rules):
        design = small_design(*rules)
        weights = [one.weight for one in ladder(design.army, design.scheme, FUSILIER, LAPEL)]
        self.assertEqual(weights, sorted(weights, reverse=True))

    @given(RULES, RULES)
    @settings(max_examples=40, deadline=None)
    def test_a_preview_counts_just_what_differs(self, before, more):
        one, two = small_design(*before), small_design(*before, *more)
        old, new = (resolve(design.army, design.scheme) for design in (one, two))
        preview = changes(old, new)
        counted = 0
        for figure in [Figure(u.id, r.id, n) for u in one.army.units for r in u.ranks for n in range(1, r.figures + 1)]:
            was, now = old.of(figure).cells, new.of(figure).cells
            counted += sum(was[area].role != now[area].role for area in was)
        self.assertEqual(preview.areas, counted)
        self.assertEqual(changes(new, new).areas, 0)

    @given(RULES, st.randoms(use_true_random=False))
    @settings(max_examples=60, deadline=None)
    def test_the_order_of_rules_matters_only_where_everything_else_ties(self, rules, chance):
        design = small_design(*rules)
        shuffled = list(rules)
        chance.shuffle(shuffled)
        other = small_design(*shuffled)
        for figure in (FUSILIER, Figure("second-line", "fusilier", 2)):
            for area in (LAPEL, "head.face", "arm.left.cuff"):
                verdicts = ladder(design.army, design.scheme, figure, area)
                tied = [one for one in verdicts if one.weight[:-1] == verdicts[0].weight[:-1]] if verdicts else []
                if len({one.rule.role for one in tied}) < 2:
                    mine = resolve(design.army, design.scheme).of(figure).cells[area].role
                    self.assertEqual(resolve(other.army, other.scheme).of(figure).cells[area].role, mine)

    @given(RULES, st.sampled_from(SCOPES), st.sampled_from(ROLES), st.booleans())
    @settings(max_examples=60, deadline=None)
    def test_a_rule_reaches_nobody_outside_its_formation(self, rules, scope, role, binding):
        design = small_design(*rules)
        grown = small_design(*rules, Rule("new", scope, ("",), role, binding=binding))
        before, after = (resolve(one.army, one.scheme) for one in (design, grown))
        for unit in design.army.units:
            if scope not in design.army.paths[unit.id]:
                for one in after.of_unit(unit.id):
                    for ordinal in one.ordinals:
                        figure = Figure(unit.id, one.rank, ordinal)
                        was = {area: cell.role for area, cell in before.of(figure).cells.items()}
                        self.assertEqual({area: cell.role for area, cell in one.cells.items()}, was)

    @given(RULES, st.sampled_from((1, 2, 3, 4, 5)), st.sampled_from(ROLES[:-1]))
    @settings(max_examples=60, deadline=None)
    def test_what_a_preview_shows_is_what_the_edit_does(self, rules, rung, role):
        design = small_design(*rules)
        after = set_here(design, FUSILIER, (LAPEL,), role, rung)
        old, new = resolve(design.army, design.scheme), resolve(after.army, after.scheme)
        preview = changes(old, new)
        self.assertEqual(preview.areas, sum(1 for _ in differing(design.army, old, new)))
        self.assertEqual(preview.figures, len({figure for figure, _ in differing(design.army, old, new)}))

    @given(RULES)
    @settings(max_examples=40, deadline=None)
    def test_taking_a_dead_rule_away_changes_nothing(self, rules):
        design = small_design(*rules)
        resolution = resolve(design.army, design.scheme)
        dead = {one.id for one in resolution.dead_rules(design.scheme, design.army)}
        without = small_design(*[one for one in rules if one.id not in dead])
        self.assertEqual(changes(resolution, resolve(without.army, without.scheme)).areas, 0)


class Selectors(TestCase):
    def test_a_star_stands_for_one_step_only(self):
        self.assertIsNotNone(narrowness("arm.*.cuff", "arm.left.cuff", "cloth"))
        self.assertIsNone(narrowness("arm.*", "arm", "cloth"))
        self.assertIsNone(narrowness("arm.*.cuff", "arm.left.sleeve", "cloth"))

    def test_equals_names_the_area_and_nothing_below_it(self):
        self.assertIsNotNone(narrowness("=arm.left.cuff", "arm.left.cuff", "cloth"))
        self.assertIsNone(narrowness("=arm.left.cuff", "arm.left.cuff.buttons", "metal"))

    def test_a_tag_names_what_carries_it(self):
        self.assertEqual(narrowness("#camo", "vehicle.hull", "paint", ("camo",)), (1, 0, 0))
        self.assertIsNone(narrowness("#camo", "vehicle.hull", "paint"))

    def test_a_literal_step_beats_a_star(self):
        self.assertGreater(
            narrowness("arm.left.cuff", "arm.left.cuff", "cloth"), narrowness("arm.*.cuff", "arm.left.cuff", "cloth")
        )


class Demo(TestCase):
    def test_the_companies_of_the_demo_wear_their_facings(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        self.assertEqual(design.army.figures, 31)
        worn_by = {
            unit: resolution.of(Figure(unit, "fusilier", 1)).cells[LAPEL].role
            for unit in ("1st-harbour-line", "2nd-lantern-line", "3rd-gull-line")
        }
        self.assertEqual(
            worn_by, {"1st-harbour-line": "harbour", "2nd-lantern-line": "lantern", "3rd-gull-line": "gull"}
        )

    def test_the_gaps_of_the_demo_are_counted(self):
        design = calvessa()
        gaps = resolve(design.army, design.scheme).gaps
        self.assertEqual(
            {area for _, area in gaps}, {"base.pool", "weapon.pennon", "arm.left.frill", "gear.lantern.glass"}
        )
        self.assertEqual(len(gaps), 13)
