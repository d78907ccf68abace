"""The Scheme room: plate, ladder, preview, setting and clearing, table, rules, checks."""

import re

from mantello_core.scheme.cascade import resolve
from tests.rooms.case import RoomCase
from tests.samples import LAPEL

LANTERN = {"unit": "2nd-lantern-line", "rank": "fusilier", "figure": "1", "area": LAPEL}


class Plate(RoomCase):
    def worn(self, unit="2nd-lantern-line", area=LAPEL):
        design = self.now()
        one = next(
            one for one in resolve(design.army, design.scheme).classes if (one.unit, one.rank) == (unit, "fusilier")
        )
        return one.cells[area].role

    def test_the_plate_names_the_area_its_role_its_paint_and_the_deciding_rung(self):
        page = self.see("scheme", **LANTERN)
        for said in ("Left lapel", "Lantern facing", "Lantern Yellow", "set by 2nd, the Lantern", "Harbour facing"):
            self.assertContains(page, said)
        self.assertEqual(page.content.count(b'class="rung '), 6)
        self.assertContains(page, "rung win")
        self.assertContains(page, "13")

    def test_unknown_names_in_the_address_fall_back_to_something_that_is_there(self):
        self.assertContains(
            self.see("scheme", unit="x", rank="y", figure="-3", area="z", role="q", rung="99", tone="w"), "Ladder"
        )

    def test_the_preview_counts_figures_and_areas(self):
        self.assertContains(
            self.see("preview", role="gull", rung="3", **LANTERN),
            "<b>8</b> figures, <b>16</b> areas would change",
            html=False,
        )
        self.assertContains(self.see("preview", role="lantern", rung="3", **LANTERN), "Nothing would change")

    def test_the_preview_refuses_what_does_not_exist(self):
        for wrong in ({"area": "torso.cape"}, {"unit": "none"}, {"figure": "x"}, {"figure": "99"}):
            self.see("preview", status=422, role="gull", rung="3", **(LANTERN | wrong))

    def test_setting_at_a_rung_changes_what_was_previewed_and_says_so(self):
        self.post("set-here", role="gull", rung="3", **LANTERN)
        self.assertEqual(self.worn(), "gull")
        self.assertEqual(self.worn("1st-harbour-line"), "harbour")
        self.assertContains(self.see("scheme"), "Gull facing set on lapel at 3 Company: 8 figures, 16 areas changed")

    def test_setting_what_is_set_there_already_makes_no_edition_and_says_so(self):
        self.post("set-here", role="gull", rung="3", **LANTERN)
        before = self.base()
        self.post("set-here", role="gull", rung="3", **LANTERN)
        self.assertEqual(self.base(), before)
        self.assertContains(self.see("scheme"), "Nothing changed: it is so already.")

    def test_by_role_all_areas_that_wear_the_same_move_along(self):
        self.post("set-here", role="gull", rung="4", reach="role", **LANTERN)
        self.assertEqual({self.worn(area=area) for area in (LAPEL, "arm.right.cuff", "head.hat.plume.tip")}, {"gull"})

    def test_one_figure_can_have_its_own(self):
        self.post("set-here", role="field", rung="6", **(LANTERN | {"figure": "4"}))
        design = self.now()
        classes = [
            one
            for one in resolve(design.army, design.scheme).classes
            if (one.unit, one.rank) == ("2nd-lantern-line", "fusilier")
        ]
        self.assertEqual(sorted(len(one.ordinals) for one in classes), [1, 6])

    def test_clearing_falls_back_a_rung(self):
        self.post("set-here", role="gull", rung="4", **LANTERN)
        self.post("clear-here", role="gull", rung="4", **LANTERN)
        self.assertEqual(self.worn(), "lantern")

    def test_clearing_where_nothing_is_set_is_refused_in_words(self):
        answer = self.post("clear-here", role="gull", rung="5", status=422, **LANTERN)
        self.assertContains(answer, "Nothing is set for this area at rung 5", status_code=422)

    def test_ways_of_looking_change_the_stage_and_no_data(self):
        before = self.base()
        ways = (
            {},
            {"distance": "table"},
            {"values": "yes"},
            {"sight": "deutan"},
            {"sight": "deutan", "severity": "30"},
            {"light": "lamp"},
        )
        pages = [self.see("scheme", **(LANTERN | way)).content for way in ways]
        stages = {page[page.index(b'<svg id="plate-svg"') : page.index(b"foreignObject")] for page in pages}
        self.assertEqual(len(stages), len(ways))
        self.assertIn(b"linearRGB", pages[1])
        self.assertIn(b"seen desk lamp light", pages[5])
        self.assertContains(self.see("scheme", ground="turf", **LANTERN), "stage plate on-turf")
        self.assertEqual(self.base(), before)

    def test_roles_are_added_renamed_and_removed(self):
        self.post("new-role", name="Sash", paint="brick-kiln")
        self.assertEqual(self.now().scheme.role("sash").paint_name, "Brick Kiln")
        self.post("rename-role", "sash", name="Waist sash")
        self.assertEqual(self.now().scheme.role("sash").name, "Waist sash")
        self.post("remove-role", "sash")
        self.assertNotIn("sash", self.now().scheme.role_by_id)

    def test_a_role_named_by_a_word_of_the_trade_goes_on_to_its_mixes(self):
        answer = self.post("new-role", name="Old facing", paint="", word="aurora")
        self.assertIn("word=aurora&role=old-facing", answer["Location"])
        page = self.client.get(answer["Location"])
        self.assertContains(page, "aurora, private&#x27;s cloth")
        self.assertContains(page, "Old facing")
        for wrong, said in (
            ({"word": "glurp"}, "glurp"),
            ({"word": "aurora", "paint": "brick-kiln"}, "choose one of them"),
        ):
            page = self.post("new-role", status=422, **{"name": "Other", "paint": ""} | wrong)
            self.assertContains(page, said, status_code=422)
        self.assertNotIn("other", self.now().scheme.role_by_id)

    def test_a_role_of_a_name_that_is_taken_is_refused_at_its_field(self):
        answer = self.post("new-role", name="field", paint="", status=422)
        self.assertContains(answer, "There is a role called", status_code=422)
        self.assertContains(answer, 'value="field"', status_code=422)

    def test_a_name_with_a_sign_that_cannot_be_kept_is_refused(self):
        answer = self.post("rename-role", "field", name="Fi\x00eld", status=422)
        self.assertContains(answer, "U+0000", status_code=422)

    def test_a_role_in_use_is_not_removed(self):
        self.assertContains(self.post("remove-role", "field", status=422), "still named by", status_code=422)

    def test_another_painter_finds_nothing_here(self):
        for name in ("scheme", "table", "rules", "checks", "preview"):
            self.assert_hidden(name)
        for name, *more in (
            ("set-here",),
            ("clear-here",),
            ("new-role",),
            ("new-table",),
            ("rename-role", "field"),
            ("remove-role", "field"),
            ("set-cell", "company-facings"),
            ("set-column", "company-facings"),
            ("change-rule", "r01"),
        ):
            self.assert_hidden(name, *more, post=True)


class Table(RoomCase):
    def test_the_table_has_a_column_for_each_kind_of_figure_and_marks_gaps(self):
        page = self.see("table")
        self.assertContains(page, "8 kinds of figure")
        self.assertEqual(page.content.count(b'<span class="gap"><b>gap</b></span></a>'), 13)

    def test_only_gaps_can_be_shown(self):
        page = self.see("table", show="gaps")
        self.assertContains(page, "Base pool")
        self.assertNotContains(page, ">Eyes</th>")

    def test_the_filter_looks_at_areas_roles_and_paints(self):
        self.assertContains(self.see("table", q="lantern yellow"), ">Lapel</th>")
        self.assertNotContains(self.see("table", q="lantern yellow"), ">Eyes</th>")
        self.assertContains(self.see("table", q="zzz"), "Nothing matches")

    def test_a_chosen_cell_shows_its_ladder_and_neighbours(self):
        page = self.see("table", **LANTERN)
        self.assertContains(page, "Beside it on the figure")
        self.assertContains(page, "coat body")

    def test_several_cells_are_previewed_and_set_at_once(self):
        also = ["3rd-gull-line|fusilier|1|torso.coat.lapel.left", "rangers-skirmish-line|ranger|1|gear.lantern.glass"]
        page = self.see("preview", role="field", rung="4", also=also, **LANTERN)
        self.assertContains(page, "<b>22</b> figures", html=False)
        self.post("set-here", role="field", rung="4", also=also, **LANTERN)
        design = self.now()
        resolution = resolve(design.army, design.scheme)
        worn = {
            (one.unit, area): one.cells[area].role
            for one in resolution.classes
            for area in (LAPEL, "gear.lantern.glass")
            if area in one.cells
        }
        self.assertEqual(
            (worn["3rd-gull-line", LAPEL], worn["rangers-skirmish-line", "gear.lantern.glass"]), ("field", "field")
        )
        self.assertContains(
            self.post("set-here", role="field", rung="4", also="nonsense", status=422, **LANTERN),
            "reload the page",
            status_code=422,
        )

    def test_two_columns_are_compared_by_what_differs(self):
        page = self.see("table", **(LANTERN | {"with": "5"}))
        self.assertContains(page, ">Lapel</th>")
        self.assertNotContains(page, ">Eyes</th>")
        self.assertEqual(page.content.count(b'<th scope="col"'), 2)

    def test_the_table_is_exported(self):
        text = self.see("table-csv").content.decode()
        self.assertIn("torso.coat.lapel.*,Lapel,", text)
        self.assertIn("Lantern facing: Lantern Yellow", text)
        self.assertIn("no colour yet", text)
        self.assert_hidden("table-csv")


class Stage(RoomCase):
    def test_the_stage_alone_before_the_last_edit_and_turned(self):
        self.see("stage", before="yes", status=204)
        now = self.see("stage").content.decode()
        turned = self.see("stage", turned="yes").content.decode()
        self.assertNotEqual(now, turned)
        self.assertEqual(sorted(re.findall(r">(front|back)<", now)), sorted(re.findall(r">(front|back)<", turned)))
        self.post("set-undercoat", undercoat="undercoat-gull")
        self.assertEqual(self.see("stage", before="yes").content.decode(), now)
        self.assert_hidden("stage")


class Rules(RoomCase):
    def test_rules_are_read_as_sentences_and_dead_ones_marked(self):
        page = self.see("rules")
        self.assertContains(page, "Everything of skin in Flesh.")
        self.assertContains(page, "wins nowhere")

    def test_a_cell_of_a_distinction_is_set_and_emptied(self):
        self.post("set-cell", "company-facings", row="1st-harbour", column="facing", role="gull")
        self.assertEqual(self.now().scheme.tables[0].role("1st-harbour", "facing"), "gull")
        self.assertContains(self.see("rules"), "Company facings, 1st, the Harbour: 8 figures")
        self.post("set-cell", "company-facings", row="1st-harbour", column="facing", role="-")
        self.assertIsNone(self.now().scheme.tables[0].role("1st-harbour", "facing"))

    def test_a_table_and_a_mark_are_added_and_a_mark_removed(self):
        self.post("new-table", name="Ranks", key="rank")
        self.post("set-column", "ranks", name="Sash", select="gear.sash, @fur")
        self.assertEqual(self.now().scheme.tables[1].columns[0].select, ("gear.sash", "@fur"))
        self.post("set-column", "ranks", remove="sash")
        self.assertEqual(self.now().scheme.tables[1].columns, ())

    def test_nonsense_in_a_table_is_refused_at_its_field(self):
        self.assertContains(
            self.post("new-table", name="T", key="legion", status=422),
            "There is no kind of formation called",
            status_code=422,
        )
        self.assertContains(
            self.post("set-column", "company-facings", name="Wings", select="wings", status=422),
            "is no area selector",
            status_code=422,
        )

    def test_a_rule_is_switched_off_on_and_removed(self):
        self.post("change-rule", "r03", do="off")
        self.assertFalse(next(rule for rule in self.now().scheme.rules if rule.id == "r03").on)
        self.post("change-rule", "r03", do="on")
        self.assertTrue(next(rule for rule in self.now().scheme.rules if rule.id == "r03").on)
        self.post("change-rule", "r03", do="remove")
        self.assertNotIn("r03", {rule.id for rule in self.now().scheme.rules})

    def test_checks_list_every_finding_with_its_place(self):
        weak = {"kind": "base", "diluent": "neat", "paint1": "candle-yellow", "parts1": "1"}
        step = self.now().scheme.role("lantern").recipe().steps[0]
        self.post("keep-step", "lantern", "rank", step=step.id, **weak)
        self.assertContains(self.see("checks"), "coats over Undercoat Slate")
        page = self.see("checks", check="unmapped", card="Ranger, Saltmarsh Rangers: no colour yet")
        self.assertContains(page, "Ranger, Saltmarsh Rangers: Lantern glass")
        self.assertContains(page, "area=gear.lantern.glass")
