"""The tree: rosters, units, ranks, copies; each edit can be undone."""

import json
import subprocess

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from django.utils.html import escape

from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.rooms.army.guide import muster_cards, muster_sheets
from mantello.workspace.codes import legend_of
from mantello.workspace.editing import edit, keep_design
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.design.design import Design
from mantello_core.design.muster import Entry, with_entries
from mantello_core.formats.document.design import write_design
from mantello_core.formats.sample import levy
from tests.rooms.case import RoomCase
from tests.samples import calvessa, pared

UNIT = "1st-harbour-line"


class Rosters(RoomCase):
    def test_a_pasted_roster_grows_the_tree(self):
        self.post("roster", text="unit,type,rank,figures,formation\nScouts,ranger,Ranger,5,Marsh Watch")
        self.assertEqual(self.now().army.figures, 36)
        self.assertContains(self.see("army"), "Marsh Watch")

    def test_an_uploaded_roster_is_read_too(self):
        self.post(
            "roster", text="", file=SimpleUploadedFile("r.csv", "Scouts;ranger;Ranger;5;Marsh".encode("utf-8-sig"))
        )
        self.assertEqual(self.now().army.figures, 36)

    def test_lines_in_doubt_come_back_with_everything_that_was_typed(self):
        answer = self.post("roster", text="Scouts,rangr,Ranger,5,Marsh\nLine,fusilier,Fusilier,lots,1st", status=422)
        for kept in ("rangr", "did you mean ranger", "lots", "Scouts", "Marsh"):
            self.assertContains(answer, kept, status_code=422)
        self.assertEqual(self.now().army.figures, 31)

    def test_a_tapped_picture_answers_for_every_line_that_has_the_word(self):
        text = "Scouts,rangr,Ranger,5,Marsh\nPickets,rangr,Ranger,4,Marsh"
        page = self.post("roster", text=text, status=422)
        self.assertContains(page, 'name="near-1" value="ranger"', status_code=422)
        self.assertNotContains(page, 'name="near-2"', status_code=422)
        self.assertContains(page, reverse("photographs", args=[self.army.pk]), status_code=422)
        fields = {"line": ["1", "2"], "near-1": "ranger"}
        for number, unit in (("1", "Scouts"), ("2", "Pickets")):
            fields |= {f"unit-{number}": unit, f"type-{number}": "rangr", f"rank-{number}": "Ranger", f"figures-{number}": "5", f"formation-{number}": "Marsh"}  # fmt: skip
        self.post("roster", **fields)
        added = [unit for unit in self.now().army.units if unit.name in ("Scouts", "Pickets")]
        self.assertEqual([unit.ranks[0].type for unit in added], ["ranger", "ranger"])

    def test_types_are_found_by_words_and_what_is_not_there_leads_to_photographs(self):
        page = self.see("figure-types", q="lantern")
        self.assertContains(page, "types/ranger.svg")
        self.assertNotContains(page, "types/fusilier.svg")
        self.assertContains(self.see("figure-types", q="zzxqv"), "No type is called so")

    def test_corrected_lines_are_added_and_one_may_be_left_out(self):
        fields = {
            "line": ["1", "2"],
            "unit-1": "Scouts",
            "type-1": "ranger",
            "rank-1": "Ranger",
            "figures-1": "5",
            "formation-1": "Marsh",
        }
        fields |= {
            "unit-2": "Line",
            "type-2": "fusilier",
            "rank-2": "Fusilier",
            "figures-2": "lots",
            "formation-2": "",
            "skip-2": "yes",
        }
        self.post("roster", **fields)
        self.assertEqual(self.now().army.figures, 36)

    SHEET = "Name,How,What,Notes\nLine A,10,Zouave,bases\nScouts,6,Zouave,\nTotal,20"

    def test_what_adds_no_figures_is_told_before_lines_are_taken(self):
        page = self.post("roster", text="9 fusiliers\n// bought in spring\nTotal: 12", status=200)
        self.assertContains(page, "The total says 12; read were 9")
        self.assertContains(page, "bought in spring")
        self.assertEqual(self.now().army.figures, 31)

    def test_columns_are_chosen_by_hand(self):
        page = self.post("roster", text=self.SHEET, status=422)
        self.assertContains(page, "Which column is what", status_code=422)
        chosen = {"column-0": "formation", "column-1": "figures", "column-2": "unit", "column-3": ""}
        page = self.post("roster", columns="yes", source=self.SHEET, header="1", status=422, **chosen)
        self.assertContains(page, 'name="formation-1" value="Line A"', status_code=422)
        self.assertContains(page, 'name="unit-1" value="Zouave"', status_code=422)
        self.assertContains(page, "no field of a roster; its 1 cell is not kept", status_code=422)
        self.assertContains(
            self.post("roster", columns="yes", source="", header="x", status=422), "empty", status_code=422
        )

    def test_ticked_lines_are_answered_at_once_and_what_is_left_out_stays_on_the_page(self):
        fields = {
            "line": ["2", "3"],
            "source": self.SHEET,
            "bulk": "give",
            "bulk-type": "ranger",
            "bulk-tier": "leader",
        }
        for at, unit in ((1, "Line A"), (2, "Scouts")):
            fields |= {f"unit-{at}": unit, f"type-{at}": "Zouave", f"figures-{at}": "5", f"pick-{at}": "yes"}
        page = self.post("roster", status=200, **fields)
        self.assertContains(page, 'value="ranger" aria-label="Type, line 2"')
        self.assertContains(page, 'name="tier-2" value="leader"')
        self.assertContains(page, "The total says 20")
        page = self.post("roster", status=200, **(fields | {"bulk": "leave"}))
        self.assertContains(page, 'name="skip-1" value="yes" aria-label="Leave out line 2" checked')
        self.assertEqual(self.now().army.figures, 31)

    def test_what_is_there_already_is_asked_and_added_when_it_is_more_of_the_same(self):
        unit = self.now().army.units[0]
        rank, path = (
            unit.ranks[0],
            " / ".join(self.now().army.nodes[one].name for one in self.now().army.paths[unit.id][1:-1]),
        )
        text = f'{unit.name},{rank.type},{rank.name},2,"{path}"'
        page = self.post("roster", text=text, status=422)
        self.assertContains(page, "in the army already", status_code=422)
        fields = {
            "line": "1",
            "unit-1": unit.name,
            "type-1": rank.type,
            "rank-1": rank.name,
            "figures-1": "2",
            "formation-1": path,
        }
        self.assertContains(self.post("roster", **fields, status=422), "in the army already", status_code=422)
        self.post("roster", **fields, **{"more-1": "yes"})
        self.assertEqual(self.now().army.figures, 33)

    def test_an_empty_roster_and_a_file_of_another_kind_are_refused_at_their_field(self):
        self.assertContains(self.post("roster", text=" ", status=422), "The roster is empty", status_code=422)
        answer = self.post("roster", text="", file=SimpleUploadedFile("r.csv", b"\xff\xd8\xff\xe0\x00"), status=422)
        self.assertContains(answer, "not text", status_code=422)

    def test_a_roster_that_contradicts_the_army_is_refused_whole(self):
        text = 'Line,ranger,Fusilier,5,"2nd Tidewall Fusiliers / 1st, the Harbour"\nScouts,ranger,Ranger,5,Marsh'
        answer = self.post("roster", text=text, status=422)
        self.assertContains(answer, "drawn as fusilier already", status_code=422)
        self.assertEqual(self.now().army.figures, 31)


class Units(RoomCase):
    def test_a_typed_unit_is_added(self):
        self.post(
            "add-unit",
            unit="Gunners",
            type="gunner",
            rank="Gunner",
            figures="3",
            formation="Harbour Artillery",
            tier="rank",
        )
        self.assertEqual(self.now().army.figures, 34)

    def test_a_count_out_of_bounds_is_asked_back_and_the_typed_unit_stays(self):
        answer = self.post(
            "add-unit", unit="Gunners", type="gunner", rank="Gunner", figures="0", formation="", tier="rank", status=422
        )
        self.assertContains(answer, "Write a whole number from 1 to 2000", status_code=422)
        self.assertContains(answer, 'value="Gunners"', status_code=422)

    def test_a_rank_is_changed_and_removed(self):
        self.post("change-rank", UNIT, id="fusilier", rank="Fusilier", type="fusilier", figures="9", tier="leader")
        rank = self.now().army.rank(UNIT, "fusilier")
        self.assertEqual((rank.figures, rank.tier), (9, "leader"))
        self.post("change-rank", UNIT, id="sergeant", remove="yes")
        self.assertEqual([one.name for one in self.now().army.node(UNIT).ranks], ["Fusilier"])

    def test_all_units_of_a_formation_are_changed_at_once_and_undone_at_once(self):
        self.assertContains(self.see("army", node="army"), "Change all units in it")
        node = self.now().army.paths[UNIT][1]
        before = self.now()
        self.post("change-units", node, only="fusilier", all_tier="leader", add_tag="line", drop_tag="")
        units = [unit for unit in self.now().army.nodes[node].walk() if unit.is_unit]
        self.assertEqual({unit.tags for unit in units}, {("line",)})
        self.assertEqual({unit.ranks[-1].tier for unit in units}, {"leader"})
        self.post("undo")
        self.assertEqual(self.now(), before)

    def test_nonsense_for_all_units_comes_back_at_its_field(self):
        answer = self.post("change-units", "army", add_tag="a/b", status=422)
        self.assertContains(answer, "is no tag", status_code=422)
        self.assertContains(answer, 'value="a/b"', status_code=422)
        self.assertContains(self.post("change-units", "army", status=422), "Nothing was chosen", status_code=422)
        self.post("change-units", "army", all_tier="emperor", status=422)
        self.assert_hidden("change-units", "army", post=True)

    def test_two_ranks_of_one_name_are_refused_at_the_field(self):
        answer = self.post(
            "change-rank", UNIT, id="sergeant", rank="Fusilier", type="sergeant", figures="1", tier="rank", status=422
        )
        self.assertContains(answer, "has a rank called", status_code=422)

    def test_a_company_is_renamed_duplicated_and_removed(self):
        self.post("change-node", "1st-harbour", name="1st, the Quay", kind="company")
        self.assertEqual(self.now().army.nodes["1st-harbour"].name, "1st, the Quay")
        self.post("duplicate-node", "1st-harbour", name="4th, the Weir")
        self.assertEqual(self.now().army.figures, 39)
        self.post("remove-node", "1st-harbour")
        self.assertEqual(self.now().army.figures, 31)

    def test_a_company_is_duplicated_with_its_distinctions_carried_on(self):
        answer = self.see("army", node="2nd-lantern")
        self.assertContains(answer, 'value="4th"')
        self.assertContains(answer, "Carry its distinctions on")
        self.post("duplicate-node", "2nd-lantern", name="4th", advance="yes")
        table = self.now().scheme.tables[0]
        self.assertNotIn(table.role("4th", "facing"), ("lantern", "gull", None))
        self.post("duplicate-node", "2nd-lantern", name="5th")
        self.assertEqual(self.now().scheme.tables[0].role("5th", "facing"), "lantern")
        self.post("duplicate-node", "army", name="All", status=404)

    def test_the_muster_is_looked_at_closer_down_to_one_figure(self):
        self.assertContains(self.see("army", node="2nd-lantern"), "Closer to 2nd, the Lantern")
        near = self.see("army", look="2nd-lantern")
        self.assertContains(near, '<a class="m-block', count=1)
        self.assertContains(near, "Farther")
        unit = self.see("army", look="2nd-lantern-line")
        self.assertContains(unit, "rank=fusilier&amp;figure=7")
        one = self.see("army", look="2nd-lantern-line", rank="fusilier", figure="7")
        self.assertContains(one, "Fusilier 7 of 7")
        self.assertContains(one, "/figures/back.svg")
        self.assertContains(one, "rank=sergeant&amp;figure=1")
        for figure in ("8", "0", "x", "99999999"):
            self.assertNotContains(
                self.see("army", look="2nd-lantern-line", rank="fusilier", figure=figure), "single-facts"
            )
        self.assertContains(self.see("army", look="nowhere"), "Saltmarsh Rangers")

    def test_a_unit_gets_tags_and_a_formation_moves(self):
        self.post("change-node", UNIT, name="Line", kind="", tags="veteran, flank")
        self.assertEqual(self.now().army.nodes[UNIT].tags, ("veteran", "flank"))
        self.assertContains(
            self.post("change-node", UNIT, name="Line", kind="", tags="a/b", status=422), "is no tag", status_code=422
        )
        self.post("move-node", "3rd-gull", do="earlier")
        order = [node.id for node in self.now().army.nodes["2nd-tidewall"].children]
        self.assertEqual(order, ["1st-harbour", "3rd-gull", "2nd-lantern"])
        self.post("move-node", "3rd-gull", under="army")
        self.assertEqual(self.now().army.root.children[-1].id, "3rd-gull")
        self.assertContains(
            self.post("move-node", "2nd-tidewall", under="1st-harbour", status=422), "cannot hold it", status_code=422
        )

    def test_what_is_not_there_is_not_found(self):
        self.post("remove-node", "9th-nowhere", status=404)
        self.post("change-rank", "9th-nowhere", old="x", status=404)
        self.see("figure", "front", status=404, unit=UNIT, rank="fusilier", figure="99")
        self.see("figure", "front", status=404, unit=UNIT, rank="Admiral", figure="1")
        self.see("figure", "front", status=404, unit=UNIT, rank="fusilier", figure="one")

    def test_names_with_any_sign_in_them_are_drawn_everywhere(self):
        name = "Sergeant/Drummer & <left> 50% #1?"
        self.post("change-rank", UNIT, id="sergeant", rank=name, type="sergeant", figures="1", tier="rank")
        self.post("change-node", "1st-harbour", name='The "Harbour" / <b>', kind="")
        for page in ("army", "scheme", "table", "rules", "checks", "plan", "desk"):
            answer = self.see(page)
            self.assertNotContains(answer, "<left>")
            self.assertNotContains(answer, "<b>&")
        self.see("figure", "front", unit=UNIT, rank="sergeant", figure="1")
        name = "Drummer/'75 & <left> 50% #1?"
        self.post("add-unit", unit="Band", type="drummer", rank=name, figures="2", formation="", tier="rank")
        rank = self.now().army.node("band").ranks[-1]
        self.assertEqual((rank.id, rank.name), ("drummer-75-left-50-1", name))
        self.see("figure", "front", unit="band", rank=rank.id, figure="2")
        self.see("guide", UNIT, status=202)


class UndoAndRedo(RoomCase):
    def test_every_edit_can_be_undone_and_redone(self):
        before = self.now()
        self.post("change-node", "1st-harbour", name="Quay", kind="company")
        after = self.now()
        self.post("undo")
        self.assertEqual(self.now(), before)
        self.post("redo")
        self.assertEqual(self.now(), after)

    def test_there_is_an_end_to_undo_and_redo(self):
        before = self.now()
        self.assertContains(
            self.client.post(f"/armies/{self.army.pk}/undo/", {"base": self.base()}, follow=True), "nothing to undo"
        )
        self.assertContains(
            self.client.post(f"/armies/{self.army.pk}/redo/", {"base": self.base()}, follow=True), "nothing to redo"
        )
        self.assertEqual(self.now(), before)

    def test_an_edit_after_undo_keeps_what_was_undone(self):
        self.post("change-node", "1st-harbour", name="Quay", kind="")
        self.post("undo")
        self.post("change-node", "1st-harbour", name="Weir", kind="")
        self.assertEqual(self.army.editions.count(), 3)
        self.post("undo")
        self.post("redo")
        self.assertEqual(self.now().army.nodes["1st-harbour"].name, "Weir")


class NothingIsLost(RoomCase):
    def test_an_edit_from_an_older_page_is_held_back_and_what_was_typed_stays(self):
        old = self.base()
        self.post("change-node", "1st-harbour", name="Quay", kind="")
        answer = self.post("change-node", "2nd-lantern", name="The Beacon", kind="", base=old, status=409)
        for said in ("older than the work", "Renamed to Quay", "The Beacon", "Apply it now"):
            self.assertContains(answer, said, status_code=409)
        self.assertEqual(self.now().army.nodes["2nd-lantern"].name, "2nd, the Lantern")

    def test_the_held_back_edit_can_be_applied_to_the_work_as_it_stands(self):
        old = self.base()
        self.post("change-node", "1st-harbour", name="Quay", kind="")
        answer = self.post("change-node", "2nd-lantern", name="The Beacon", kind="", base=old, status=409)
        self.assertContains(answer, f'name="base" value="{self.base()}"', status_code=409)
        self.post("change-node", "2nd-lantern", name="The Beacon", kind="")
        names = {node.name for node in self.now().army.nodes.values()}
        self.assertLessEqual({"Quay", "The Beacon"}, names)

    def test_a_request_sent_twice_edits_once(self):
        token = "5f2b8a54-0b6f-4a53-9f0b-8a1f0f6d2b11"
        base = self.base()
        for _ in range(2):
            self.post("duplicate-node", "1st-harbour", name="Copy", token=token, base=base)
        self.assertEqual(self.now().army.figures, 39)

    def test_a_page_without_its_state_is_refused_and_nothing_is_done(self):
        answer = self.client.post(f"/armies/{self.army.pk}/nodes/1st-harbour/remove/", {"base": "x"})
        self.assertContains(answer, "reload the page", status_code=422)
        self.assertEqual(self.now().army.figures, 31)

    def test_a_next_address_of_another_site_is_not_followed(self):
        answer = self.post("change-node", "1st-harbour", name="Quay", kind="", next="//elsewhere.test/")
        self.assertEqual(answer.url, f"/armies/{self.army.pk}/")


class Pictures(RoomCase):
    def test_a_figure_is_drawn_as_designed_and_as_painted(self):
        designed = self.see("figure", "front", unit=UNIT, rank="fusilier", figure="1", v="1")
        self.assertEqual(designed["Content-Type"], "image/svg+xml")
        self.assertIn("immutable", designed["Cache-Control"])
        painted = self.see("figure", "front", unit=UNIT, rank="fusilier", figure="1", **{"as": "painted"})
        self.assertIn(b"#c4c4c4", painted.content)
        self.assertNotEqual(designed.content, painted.content)

    def test_the_muster_is_looked_at_through_other_eyes_and_from_afar(self):
        page = self.see("army", sight="protan", distance="table", ground="mud")
        self.assertContains(page, "Seen across the table, severe protan sight")
        self.assertContains(page, "on-mud")
        self.assertContains(page, "sight=protan")
        near = self.see("figure", "front", unit=UNIT, rank="fusilier", figure="1")
        far = self.see("figure", "front", unit=UNIT, rank="fusilier", figure="1", distance="table", sight="protan")
        self.assertNotIn(b"feGaussianBlur", near.content)
        self.assertIn(b"feGaussianBlur", far.content)

    def test_a_grey_plate_needs_no_account(self):
        self.client.logout()
        self.assertEqual(self.client.get("/plates/knight.svg").status_code, 200)
        self.assertEqual(self.client.get("/plates/dragoon.svg").status_code, 404)

    def test_units_in_no_formation_stand_together(self):
        def titles():
            return [
                (section.title, section.figures, len(section.blocks))
                for section in self.see("army").context["sections"]
            ]

        before = titles()
        army = Army.objects.select_related("head").get(pk=self.army.pk)
        guns = [Entry(name, "quaygun", "Gun", 2) for name in ("Long gun", "Short gun")]
        edit(army, army.head.number, lambda design: with_entries(design, guns), "Guns added")
        self.assertEqual(titles(), [*before, ("In no formation", 4, 2)])
        blocks = self.see("army").context["sections"][-1].blocks
        self.assertEqual([block.title for block in blocks], ["Long gun", "Short gun"])

    def test_the_muster_shows_every_figure_of_every_unit(self):
        page = self.see("army").content.decode()
        self.assertEqual(page.count("Fusilier 7, "), 3)
        self.assertIn("Ranger 6, ", page)


class Guide(RoomCase):
    @staticmethod
    def design() -> Design:
        return pared(calvessa(), {"2nd-lantern-line": "fusilier", "3rd-gull-line": "sergeant"})

    def test_the_printed_guide_is_a_pdf_that_tells_steps_and_cautions(self):
        answer = self.printed("guide", "2nd-lantern-line")
        text = subprocess.run(
            ["pdftotext", "-layout", "-", "-"], input=answer.content, capture_output=True, check=True
        ).stdout.decode()
        for said in (
            "Fusilier, 2nd, the Lantern",
            "Lantern Yellow 3, water 1",
            "3 coats",
            "Undercoat Slate",
            "Spray outdoors",
            "come first",
            "No colour yet: base pool",
        ):
            self.assertIn(said, text)

    def test_marks_are_printed_with_their_steps(self):
        self.army = keep_design(self.owner, pared(levy(), {"1st-harbour-line": "fusilier"}), "Imported")
        sheet = self.printed("guide", "1st-harbour-line").content
        text = subprocess.run(["pdftotext", "-", "-"], input=sheet, capture_output=True, check=True).stdout.decode()
        for said in (
            "'1' in Blacking: hat plate",
            "made as transfer",
            "softening fluid",
            "Square in Harbour facing: pack flap",
        ):
            self.assertIn(said, " ".join(text.split()))

    def test_the_muster_is_printed_sheet_by_sheet_and_each_look_once(self):
        cards = muster_cards(reading_of(self.army.head))
        kinds = [kind for card in cards for kind in card.kinds]
        classes = reading_of(self.army.head).resolution.classes
        self.assertEqual(len(kinds), len(classes))
        self.assertEqual(len({tuple(svg for svg, _ in card.views) for card in cards}), len(cards))
        for card in cards:
            self.assertLess(sum(width for _, width in card.views), 88 * card.columns)
        self.assertContains(self.see("muster-pdf", status=202), "progress", status_code=202)
        (job,) = Job.objects.going_on()
        carry_out(job)
        job.refresh_from_db()
        self.assertEqual((job.reached, job.of), (job.of, -(-len(cards) // 6)))
        info = subprocess.run(
            ["pdfinfo", "-"], input=self.see("muster-pdf").content, capture_output=True, check=True
        ).stdout.decode()
        self.assertRegex(info, rf"Pages: +{job.of}\n")

    def test_the_whole_army_is_printed_as_plates_and_drawn_as_one_picture(self):
        text = subprocess.run(
            ["pdftotext", "-", "-"], input=self.printed("muster-pdf").content, capture_output=True, check=True
        ).stdout.decode()
        self.assertEqual(text.count("figure"), 2)
        svg = self.made(reverse("muster-svg", args=[self.army.pk])).content.decode()
        self.assertEqual(svg.count("<text"), 2)
        self.assertIn("Fusilier, 2nd, the Lantern: 7", svg)
        for name in ("muster-pdf", "muster-svg", "export-roster-json"):
            self.assert_hidden(name)

    def test_a_unit_that_is_not_there_has_no_guide(self):
        self.see("guide", "1st-harbour", status=404)


class Legend(RoomCase):
    @staticmethod
    def design():
        return levy()

    def test_the_plates_end_with_a_legend_of_all_codes(self):
        reading = reading_of(self.army.head)
        legend = dict(legend_of(reading))
        self.assertEqual({len(rows) for rows in legend.values()}, {4, 3})
        for rows in legend.values():
            self.assertTrue(all(svg.startswith("<svg") for svg, _, _ in rows))
        sheets = muster_sheets(self.army, {})
        last = sheets[-1]()
        self.assertIn("Who bears which code", last)
        for _, words, who in (row for rows in legend.values() for row in rows):
            self.assertIn(escape(who), last)
            self.assertIn(escape(words[1:]), last)

    def test_an_army_without_codes_has_no_legend(self):
        plain = keep_design(self.owner, calvessa(), "Plain")
        self.assertEqual(legend_of(reading_of(plain.head)), [])
        self.assertNotIn("Who bears", muster_sheets(plain, {})[-1]())


class WithoutRanks(RoomCase):
    def test_a_unit_that_came_without_ranks_is_shown_and_its_army_opens(self):
        document = write_design(self.now())

        def units(node):
            return [node] if node["kind"] == "unit" else [one for child in node["children"] for one in units(child)]

        for unit in units(document["army"]["root"])[1:]:
            unit["ranks"] = []
        file = SimpleUploadedFile("design.json", json.dumps(document).encode())
        answer = self.client.post(reverse("import-army"), {"file": file})
        self.assertEqual(answer.status_code, 302, answer.content[:600])
        number = Army.objects.latest("pk").pk
        for page in ("army", "scheme", "recipes", "plan", "log"):
            self.assertIn(self.client.get(reverse(page, args=[number])).status_code, (200, 302), page)
