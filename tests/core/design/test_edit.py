"""Edits of scheme and army: each gives a new design, and refuses what cannot be."""

from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.army.tree import Figure, Rank
from mantello_core.checks.inspect import inspect
from mantello_core.design import edit, muster, rung_edit
from mantello_core.design.design import Design
from mantello_core.design.muster import Entry
from mantello_core.errors import Contradiction, OutOfRange, UnknownName, Unreadable
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix, Step
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.change import changes
from mantello_core.scheme.rule import Rule
from mantello_core.scheme.scheme import Scheme
from mantello_core.scheme.sentence import areas_words, rule_sentence
from mantello_core.scheme.share import paint_needed, painted_surface, role_shares
from tests.core.case import RefusalCase
from tests.samples import FUSILIER, LAPEL, calvessa, rule, small_design

LANTERN = Figure("2nd-lantern-line", "fusilier", 3)


def moved(before: Design, after: Design):
    return changes(resolve(before.army, before.scheme), resolve(after.army, after.scheme))


class SetHere(RefusalCase):
    def test_at_each_rung_it_reaches_just_that_far(self):
        design = small_design()
        figures = {1: 6, 2: 6, 3: 4, 4: 4, 5: 3, 6: 1}
        for rung, count in figures.items():
            after = rung_edit.set_here(design, FUSILIER, ("head.face",), "field", rung)
            self.assertEqual(moved(design, after).figures, count, f"rung {rung}")

    def test_setting_twice_keeps_one_rule(self):
        once = rung_edit.set_here(small_design(), FUSILIER, (LAPEL,), "field", 3)
        twice = rung_edit.set_here(once, FUSILIER, (LAPEL,), "lace", 3)
        self.assertEqual(len(twice.scheme.rules), 1)
        self.assertEqual(resolve(twice.army, twice.scheme).of(FUSILIER).cells[LAPEL].role, "lace")

    def test_setting_what_the_rung_says_already_keeps_the_design(self):
        once = rung_edit.set_here(small_design(rule("a", "army", "torso", "field")), FUSILIER, (LAPEL,), "lace", 3)
        self.assertIs(rung_edit.set_here(once, FUSILIER, (LAPEL,), "lace", 3), once)
        self.assertIs(rung_edit.set_here(once, FUSILIER, ("torso.coat.turnback.left",), "field", 1), once)
        ranked = rung_edit.set_here(once, FUSILIER, (LAPEL,), "field", 5)
        self.assertIsNot(ranked, once)
        self.assertIs(rung_edit.set_here(ranked, FUSILIER, (LAPEL,), "field", 5), ranked)

    def test_setting_further_down_what_is_worn_there_pins_it(self):
        design = small_design(rule("a", "army", "torso", "field"))
        pinned = rung_edit.set_here(design, FUSILIER, (LAPEL,), "field", 3)
        self.assertEqual(moved(design, pinned).figures, 0)
        self.assertEqual(len(pinned.scheme.rules), 2)

    def test_a_weaker_rule_of_the_rung_that_says_so_is_set_above_the_stronger(self):
        design = small_design(rule("a", "army", "torso", "field"), rule("b", "army", "torso.coat", "lace"))
        after = rung_edit.set_here(design, FUSILIER, (LAPEL,), "field", 1)
        self.assertEqual(resolve(after.army, after.scheme).of(FUSILIER).cells[LAPEL].role, "field")

    def test_clearing_falls_back_to_the_rung_above(self):
        design = small_design(rule("a", "army", "torso", "field"))
        there = rung_edit.set_here(design, FUSILIER, (LAPEL,), "lace", 4)
        self.assertEqual(rung_edit.clear_here(there, FUSILIER, LAPEL, 4), design)

    def test_clearing_where_nothing_is_set_is_refused(self):
        with self.assertRaisesMessage(OutOfRange, "Nothing is set for this area at rung 4"):
            rung_edit.clear_here(small_design(), FUSILIER, LAPEL, 4)

    def test_where_a_table_decides_the_cell_is_changed(self):
        design = calvessa()
        table = design.scheme.tables[0]
        areas = [name for name in resolve(design.army, design.scheme).of(LANTERN).cells if name == "head.hat.plume.tip"]
        after = rung_edit.set_here(design, LANTERN, tuple(areas), "gull", 3)
        self.assertEqual(after.scheme.tables[0].role("2nd-lantern", "plume-tip"), "gull")
        self.assertEqual(after.scheme.rules, design.scheme.rules)
        self.assertNotEqual(after.scheme.tables[0], table)

    def test_what_does_not_exist_is_refused(self):
        design = small_design()
        for areas, role, rung, kind in (
            ((LAPEL,), "sky", 3, UnknownName),
            (("torso.wing",), "field", 3, UnknownName),
            ((), "field", 3, OutOfRange),
            ((LAPEL,), "field", 9, OutOfRange),
        ):
            with self.assertRaises(kind):
                rung_edit.set_here(design, FUSILIER, areas, role, rung)


class RolesAndTables(RefusalCase):
    def test_a_new_role_starts_with_a_base_step_of_its_paint(self):
        design, role = edit.with_new_role(small_design(), "Sash red", paint("madder-rope"))
        self.assertEqual((role.id, design.scheme.role("sash-red").paint_name), ("sash-red", "Madder Rope"))

    def test_a_second_role_of_that_name_is_refused(self):
        with self.assertRaisesMessage(Contradiction, "There is a role called 'field' already"):
            edit.with_new_role(small_design(), "field")

    def test_a_role_in_use_cannot_go_and_one_that_is_not_can(self):
        design = small_design(rule("a", "army", "", "field"))
        with self.assertRaisesMessage(Contradiction, "still named by 1 rule"):
            edit.without_role(design, "field")
        self.assertNotIn("lace", edit.without_role(design, "lace").scheme.role_by_id)

    def test_a_table_is_made_filled_and_emptied(self):
        design, table = edit.with_new_table(small_design(), "Facings", "company")
        design = edit.with_column(design, table.id, "Facing", ("torso.coat.lapel",))
        design = edit.set_cell(design, table.id, "first", "facing", "lace")
        self.assertEqual(resolve(design.army, design.scheme).of(FUSILIER).cells[LAPEL].role, "lace")
        design = edit.set_cell(design, table.id, "first", "facing", None)
        self.assertIsNone(resolve(design.army, design.scheme).of(FUSILIER).cells[LAPEL].role)
        self.assertEqual(edit.without_column(design, table.id, "facing").scheme.tables[0].columns, ())

    def test_a_table_of_a_kind_the_army_lacks_is_refused(self):
        with self.assertRaisesMessage(UnknownName, "near it: company"):
            edit.with_new_table(small_design(), "Facings", "companies")

    def test_an_unreadable_selector_is_refused_with_what_is_allowed(self):
        design, table = edit.with_new_table(small_design(), "Facings", "company")
        for selector in ("wings", "@silk", "torso.co at"):
            with self.assertRaises(Unreadable):
                edit.with_column(design, table.id, "Facing", (selector,))

    def test_an_undercoat_must_be_one(self):
        self.assertEqual(
            edit.with_undercoat(small_design(), paint("undercoat-gull")).scheme.ground.undercoat.id, "undercoat-gull"
        )
        with self.assertRaisesMessage(OutOfRange, "an undercoat is a spray"):
            edit.with_undercoat(small_design(), paint("madder-rope"))


class Recipes(RefusalCase):
    def test_a_tier_that_followed_another_gets_its_own_copy_first(self):
        design = small_design()
        step = replace(design.scheme.role("field").recipe().steps[0], coats=3)
        after = edit.with_step(design, "field", "leader", step).scheme.role("field")
        self.assertEqual(after.recipe("leader").steps[0].coats, 3)
        self.assertIsNone(after.recipe("rank").steps[0].coats)
        self.assertEqual(after.recipe("centrepiece").steps, after.recipe("leader").steps)

    def test_steps_are_added_moved_and_removed(self):
        design = small_design()
        new = replace(design.scheme.role("field").recipe().steps[0], id="", kind="layer")
        design = edit.with_step(design, "field", "rank", new)
        self.assertEqual([step.id for step in design.scheme.role("field").recipe().steps], ["base", "layer"])
        design = edit.with_step_moved(design, "field", "rank", "layer", -1)
        self.assertEqual([step.id for step in design.scheme.role("field").recipe().steps], ["layer", "base"])
        design = edit.without_step(design, "field", "rank", "layer")
        self.assertEqual([step.id for step in design.scheme.role("field").recipe().steps], ["base"])


class UnitsAtOnce(RefusalCase):
    def test_type_and_tier_go_to_one_rank_of_every_unit_below(self):
        design, changed = muster.with_units_changed(
            small_design(), "regiment", rank="fusilier", type_id="skirmisher", tier="leader"
        )
        self.assertEqual(changed, ("first-line", "second-line"))
        self.assertEqual(
            [(rank.name, rank.type, rank.tier) for rank in design.army.nodes["first-line"].ranks],
            [("Fusilier", "skirmisher", "leader"), ("Sergeant", "sergeant", "leader")],
        )

    def test_tags_are_added_and_taken_away_below_the_formation_only(self):
        design, changed = muster.with_units_changed(small_design(), "first", add_tag="Flank", drop_tag="veteran")
        self.assertEqual((changed, design.army.nodes["first-line"].tags), (("first-line",), ("flank",)))
        self.assertEqual(design.army.nodes["second-line"], small_design().army.nodes["second-line"])

    def test_units_that_are_so_already_do_not_count(self):
        self.assertEqual(muster.with_units_changed(small_design(), "first", add_tag="veteran"), (small_design(), ()))
        self.assertEqual(muster.with_units_changed(small_design(), "second", rank="sergeant", tier="leader")[1], ())

    def test_nothing_asked_for_and_nonsense_are_refused(self):
        for asked, kind in (
            ({}, OutOfRange),
            ({"rank": "fusilier"}, OutOfRange),
            ({"add_tag": "a/b"}, OutOfRange),
            ({"type_id": "dragoon"}, UnknownName),
            ({"tier": "emperor"}, UnknownName),
        ):
            with self.assertRaises(kind):
                muster.with_units_changed(small_design(), "regiment", **asked)


class Muster(RefusalCase):
    def test_roster_lines_make_the_tree_their_paths_ask(self):
        empty = Design(muster.empty_army("River Watch"), Scheme("Scheme"))
        design = muster.with_entries(
            empty,
            [
                Entry("Line", "fusilier", "Fusilier", 9, ("1st", "Blue")),
                Entry("Line", "sergeant", "Sergeant", 1, ("1st", "Blue"), "leader"),
                Entry("Line", "fusilier", "Fusilier", 3, ("1st", "Blue")),
            ],
        )
        self.assertEqual(
            [(node.kind, node.name) for node in design.army.nodes.values()],
            [("army", "River Watch"), ("regiment", "1st"), ("company", "Blue"), ("unit", "Line")],
        )
        self.assertEqual(
            [(rank.name, rank.figures) for rank in design.army.units[0].ranks], [("Fusilier", 12), ("Sergeant", 1)]
        )
        self.assertEqual(design.army.title(design.army.units[0].id), "Blue")

    def test_one_rank_cannot_be_drawn_two_ways(self):
        with self.assertRaisesMessage(Contradiction, "drawn as fusilier already"):
            muster.with_entries(small_design(), [Entry("Line", "ranger", "Fusilier", 1, ("Tidewall", "First"))])

    def test_too_many_figures_are_refused(self):
        with self.assertRaisesMessage(OutOfRange, "allowed is up to 2000"):
            muster.with_entries(small_design(), [Entry("Line", "fusilier", "Fusilier", 2000, ("Tidewall", "First"))])

    def test_rules_follow_a_renamed_rank(self):
        design = rung_edit.set_here(small_design(), FUSILIER, (LAPEL,), "lace", 5)
        after = muster.with_rank(design, "first-line", Rank("fusilier", "Private", "fusilier", 3))
        self.assertEqual(
            resolve(after.army, after.scheme).of(Figure("first-line", "fusilier", 1)).cells[LAPEL].role, "lace"
        )

    def test_a_removed_formation_takes_its_rules_along(self):
        design = rung_edit.set_here(small_design(), FUSILIER, (LAPEL,), "lace", 3)
        after = muster.without_node(design, "first")
        self.assertEqual((after.army.figures, after.scheme.rules), (2, ()))
        with self.assertRaises(Contradiction):
            muster.without_node(design, "army")

    def test_a_copy_of_a_company_wears_what_the_company_wears(self):
        design = rung_edit.set_here(small_design(), FUSILIER, (LAPEL,), "lace", 3)
        after = muster.with_duplicate(design, "first", "Third")
        copy = next(node for node in after.army.nodes.values() if node.name == "Third")
        self.assertEqual(copy.figures, 4)
        self.assertEqual(
            resolve(after.army, after.scheme).of(Figure(copy.children[0].id, "fusilier", 1)).cells[LAPEL].role, "lace"
        )


class Telling(RefusalCase):
    def test_rules_are_read_as_sentences(self):
        design = small_design(
            rule("a", "first", "arm.*.cuff @metal", "lace", rank="fusilier", binding=True), rule("b", "army", "", "")
        )
        said = [rule_sentence(one, design.army, design.scheme) for one in design.scheme.rules]
        self.assertEqual(
            said[0], "First, of rank Fusilier: cuff and everything of metal in Lace, and no rule below may change it."
        )
        self.assertEqual(said[1], "Small force: everything left bare.")
        self.assertEqual(areas_words(("=arm.left.cuff", "=arm.right.cuff")), "cuff")

    def test_shares_and_surface_add_up(self):
        design = small_design(rule("a", "army", "", "field"))
        resolution = resolve(design.army, design.scheme)
        self.assertAlmostEqual(role_shares(resolution)["field"], 1)
        self.assertGreater(painted_surface(resolution)["field", "rank"], 3000)

    def test_twice_the_figures_take_twice_the_paint(self):
        design = small_design(rule("a", "second", "", "field"))
        one = paint_needed(design.scheme, resolve(design.army, design.scheme))["brine-green"]
        more = muster.with_rank(design, "second-line", Rank("fusilier", "Fusilier", "fusilier", 4))
        self.assertAlmostEqual(paint_needed(more.scheme, resolve(more.army, more.scheme))["brine-green"], 2 * one)

    def test_the_inspection_finds_gaps_likeness_coats_and_dead_rules(self):
        design = small_design(
            rule("a", "army", "torso", "field"),
            rule("b", "army", "torso.coat.lapel", "lace"),
            rule("c", "army", "vehicle", "facing"),
        )
        found = {check.id: check for check in inspect(design, resolve(design.army, design.scheme))}
        self.assertEqual(found["unmapped"].verdict, "wrong")
        self.assertTrue(any("head" in finding.area for finding in found["unmapped"].findings))
        self.assertIn("Facing on vehicle", found["dead"].findings[0].what)
        self.assertTrue(any("Metal" in finding.what for finding in found["dead"].findings))

    def test_two_roles_of_one_paint_are_weak_neighbours(self):
        design = small_design(rule("a", "army", "torso", "field"), rule("b", "army", "torso.coat.lapel", "lace"))
        lace = replace(design.scheme.role("lace"), recipes=design.scheme.role("field").recipes)
        design = replace(design, scheme=design.scheme.with_role(lace))
        check = next(one for one in inspect(design, resolve(design.army, design.scheme)) if one.id == "neighbours")
        self.assertEqual(check.verdict, "look")
        self.assertIn("0 apart", check.worst)

    def test_a_demo_of_many_coats_names_the_worst_first(self):
        thin = Step("base", "base", Mix(((paint("lantern-yellow"), 1.0),), "water", 2.0))
        design = edit.with_undercoat(edit.with_step(calvessa(), "lantern", "rank", thin), paint("undercoat-soot"))
        check = next(one for one in inspect(design, resolve(design.army, design.scheme)) if one.id == "coats")
        self.assertEqual(check.worst, "Lantern facing: 5 coats over Undercoat Soot")


class Many(RefusalCase):
    """Settings in one go are what they are one after another."""

    @settings(max_examples=40, deadline=None)
    @given(
        st.lists(
            st.tuples(st.sampled_from((LAPEL, "head.face", "torso.coat.turnback.left")), st.sampled_from(("field", "lace", "")), st.integers(1, 6)),
            max_size=7,
        )
    )  # fmt: skip
    def test_the_same_is_worn_as_set_one_by_one(self, wanted):
        design = small_design(rule("a", "army", "torso", "field"), rule("b", "first", "torso.coat", "lace"))
        single = design
        for area, role, rung in wanted:
            single = rung_edit.set_here(single, FUSILIER, (area,), role, rung)
        many = rung_edit.set_many(
            design, [rung_edit.Setting(FUSILIER, (area,), role, rung) for area, role, rung in wanted]
        )
        worn = [resolve(one.army, one.scheme).of(FUSILIER).cells for one in (single, many)]
        self.assertEqual(*({area: cell.role for area, cell in cells.items()} for cells in worn))

    def test_where_a_pattern_stands_a_colour_takes_its_place(self):
        design = small_design(rule("a", "army", "torso", "field"))
        laid = replace(
            design, scheme=replace(design.scheme, rules=(*design.scheme.rules, Rule("p", "army", (f"={LAPEL}",), "", pattern="reeds")))
        )  # fmt: skip
        after = rung_edit.set_here(laid, FUSILIER, (LAPEL,), "lace", 1)
        self.assertEqual([(one.role, one.pattern) for one in after.scheme.rules], [("field", ""), ("lace", "")])
