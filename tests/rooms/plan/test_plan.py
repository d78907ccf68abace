"""The Plan room, the desk, and the log they feed."""

import re
import uuid
from datetime import datetime
from unittest.mock import patch
from zoneinfo import ZoneInfo

from django.urls import reverse
from django.utils import timezone

from mantello.record.models import Entry
from mantello.record.queries import done_steps
from mantello.trials.trial import waive
from mantello.workspace.readings import reading_of
from mantello_core.order.subject import GROUND
from tests.rooms.case import RoomCase

#: a Tuesday evening inside the demo's session, 19:00 to 21:30
TUESDAY = datetime(2026, 11, 24, 19, 10, tzinfo=ZoneInfo("UTC"))
WEDNESDAY = datetime(2026, 11, 25, 12, 0, tzinfo=ZoneInfo("UTC"))


class DeskCase(RoomCase):
    def setUp(self):
        super().setUp()
        self.clock = patch.object(timezone, "now", return_value=TUESDAY)
        self.clock.start()
        self.addCleanup(lambda: self.clock.stop())

    def at(self, moment):
        self.clock.stop()
        self.clock = patch.object(timezone, "now", return_value=moment)
        self.clock.start()

    def batch(self, page=None) -> dict:
        """What the desk's form would send."""
        text = (page or self.see("desk")).content.decode()
        ticked = re.findall(r'name="figure" value="([^"]+)" checked', text)
        return {"batch": re.search(r'name="batch" value="([^"]+)"', text)[1], "figure": ticked, "minutes": "3"}


class Plan(DeskCase):
    def test_tonight_is_laid_out_with_what_no_plan_can_beat(self):
        page = self.see("plan")
        for said in (
            "Tuesday 24 November",
            "19:00 to 21:30",
            "Undercoat the figures",
            "No plan can need less than",
            "8 of 2nd, the Lantern",
            "13 areas",
        ):
            self.assertContains(page, said)

    def test_colours_that_nobody_tried_are_told_with_the_day_they_begin(self):
        self.army.tests.all().delete()
        page = self.see("plan")
        gates = page.context["gates"]
        days = [day for day, _ in gates]
        self.assertEqual(days, sorted(days))
        waiting = {role.id for _, roles in gates for role in roles}
        self.assertIn("field", waiting)
        self.assertContains(page, "Test pieces first.")
        self.assertContains(page, reverse("record-test", args=[self.army.pk, gates[0][1][0].id]))
        waive(self.army, reading_of(self.army.head), sorted(waiting - {"field"}))
        self.assertEqual([role.id for _, roles in self.see("plan").context["gates"] for role in roles], ["field"])
        waive(self.army, reading_of(self.army.head), ["field"])
        self.assertNotContains(self.see("plan"), "Test pieces first.")

    def test_between_sessions_the_next_one_is_shown(self):
        self.at(WEDNESDAY)
        self.assertContains(self.see("plan"), "Thursday 26 November")

    def test_evenings_can_be_changed(self):
        form = {"attention": "6", "on6": "on", "start6": "10:30", "minutes6": "60"}
        self.post("set-evenings", **form)
        evenings = self.now().evenings
        self.assertEqual((evenings.pattern, evenings.attention), (((6, 630, 60),), 6))

    def test_no_evening_and_nonsense_times_are_asked_back(self):
        answer = self.post("set-evenings", attention="6", status=422)
        self.assertContains(answer, "mark at least one", status_code=422)
        answer = self.post("set-evenings", attention="0", on1="on", start1="late", minutes1="5", status=422)
        for said in ("Write 1 to 60.", "Write a time such as 19:00.", "Write 15 to 720 minutes."):
            self.assertContains(answer, said, status_code=422)

    def test_a_merged_pot_is_opened_once_for_all_companies(self):
        rows = re.findall(r"<tr class=\"[^\"]*\">.*?</tr>", self.see("plan").content.decode(), re.DOTALL)
        ground = [row for row in rows if ">Base Ground" in row]
        self.assertEqual(len(ground), 4)
        self.assertEqual(sum("open it" in row for row in ground), 1)

    def test_another_painter_finds_nothing_here(self):
        for name in ("plan", "desk", "log"):
            self.assert_hidden(name)
        for name in ("plan-again", "set-evenings", "desk-done"):
            self.assert_hidden(name, post=True)


class Desk(DeskCase):
    def test_the_step_is_shown_large_with_mix_tool_and_caution(self):
        page = self.see("desk")
        for said in ("Undercoat the figures", "Undercoat Slate", "Spray outdoors", "Sergeant 1", "Fusilier 7"):
            self.assertContains(page, said)

    def test_done_logs_figures_paints_mix_minutes_and_version(self):
        self.post("desk-done", **self.batch())
        entries = Entry.objects.filter(army=self.army)
        self.assertEqual(sum(len(entry.ordinals) for entry in entries), 8)
        first = entries.first()
        self.assertEqual(
            (first.mix, first.paints[0]["paint"], first.version.number, first.coats),
            ("Undercoat Slate", "undercoat-slate", 1, 1),
        )
        self.assertAlmostEqual(sum(entry.minutes for entry in entries), 3)
        self.assertEqual(first.done_at, TUESDAY)

    def test_the_next_batch_comes_and_the_plan_keeps_its_shape(self):
        before = self.see("plan").content.decode().count("<tr class=")
        self.post("desk-done", **self.batch())
        page = self.see("plan")
        self.assertEqual(page.content.decode().count("<tr class="), before)
        self.assertContains(page, '<tr class="done">')
        self.assertContains(self.see("desk"), "1st, the Harbour")

    def test_only_ticked_figures_are_logged_and_the_rest_stays_on_the_desk(self):
        sent = self.batch()
        self.post("desk-done", **(sent | {"figure": sent["figure"][:3]}))
        self.assertEqual(len(done_steps(self.army)), 3)
        self.assertEqual(len(self.batch()["figure"]), 5)

    def test_pressing_done_twice_logs_once(self):
        sent = self.batch() | {"token": str(uuid.uuid4())}
        for _ in range(2):
            self.post("desk-done", **sent)
        self.assertEqual(len(done_steps(self.army)), 8)

    def test_a_batch_that_is_done_or_gone_is_not_logged_again(self):
        sent = self.batch()
        self.post("desk-done", **sent)
        self.post("desk-done", **sent)
        self.post("desk-done", **(sent | {"batch": "feedfacefeedface"}))
        self.assertEqual(len(done_steps(self.army)), 8)
        self.assertContains(self.see("desk"), "The plan has changed")

    def test_no_figure_and_nonsense_minutes_are_asked_back_and_the_note_stays(self):
        sent = self.batch()
        answer = self.post("desk-done", status=422, **(sent | {"figure": [], "note": "spilled"}))
        self.assertContains(answer, "No figure is ticked", status_code=422)
        answer = self.post("desk-done", status=422, **(sent | {"minutes": "-4", "note": "spilled"}))
        self.assertContains(answer, "Write 0 to 1440 minutes", status_code=422)
        self.assertContains(answer, "spilled", status_code=422)

    def test_unknown_minutes_stay_unknown(self):
        self.post("desk-done", **(self.batch() | {"minutes": ""}))
        self.assertEqual(set(Entry.objects.values_list("minutes", flat=True)), {None})
        self.assertContains(self.see("log"), "unknown")

    def test_what_is_still_drying_is_said(self):
        for _ in range(4):
            self.post("desk-done", **self.batch())
        page = self.see("desk")
        self.assertContains(page, "Still drying until 19:40")
        self.assertContains(page, "Base Ground")
        self.at(TUESDAY.replace(hour=20))
        self.assertNotContains(self.see("desk"), "Still drying until")

    def test_a_batch_can_be_skipped(self):
        address = re.search(r'href="(\?batch=[^"]+)"', self.see("desk").content.decode())[1]
        self.assertContains(self.client.get(f"/armies/{self.army.pk}/desk/{address}"), "batch 2 of")

    def test_replanning_leaves_what_is_done_out(self):
        self.post("desk-done", **self.batch())
        self.at(TUESDAY.replace(minute=30))
        self.post("plan-again")
        page = self.see("plan")
        self.assertNotContains(page, '<tr class="done">')
        self.assertContains(page, "19:30 to 21:30")

    def test_progress_reaches_the_army(self):
        self.post("desk-done", **self.batch())
        page = self.see("army")
        self.assertContains(page, "undercoat <b>8</b>", html=False)
        self.assertContains(page, "As painted today")


class Log(DeskCase):
    def test_an_entry_is_taken_back_and_may_stand_again(self):
        self.post("desk-done", **self.batch())
        entry = Entry.objects.first()
        whole = len(done_steps(self.army))
        self.post("change-entry", entry.pk, do="back")
        self.assertEqual(len(done_steps(self.army)), whole - len(entry.ordinals))
        self.assertContains(self.see("log"), 'class="back"')
        self.post("change-entry", entry.pk, do="stand")
        self.assertEqual(len(done_steps(self.army)), whole)

    def test_what_is_painted_stays_painted_when_its_rank_is_renamed_and_when_that_is_undone(self):
        self.post("desk-done", **self.batch())
        before = len(done_steps(self.army))
        self.post(
            "change-rank", "2nd-lantern-line", id="fusilier", rank="Private", type="fusilier", figures="7", tier="rank"
        )
        self.assertIn(("2nd-lantern-line", "fusilier", 7, GROUND, "undercoat"), done_steps(self.army))
        self.assertContains(self.see("army"), "undercoat <b>8</b>", html=False)
        self.post("undo")
        self.assertIn(("2nd-lantern-line", "fusilier", 7, GROUND, "undercoat"), done_steps(self.army))
        self.assertEqual(len(done_steps(self.army)), before)

    def test_a_note_is_kept(self):
        self.post("desk-done", **self.batch())
        self.post("change-entry", Entry.objects.first().pk, do="note", note="Too thick near the hem")
        self.assertContains(self.see("log"), "Too thick near the hem")

    def test_a_changed_scheme_is_another_version_and_the_same_one_the_same(self):
        self.post("desk-done", **self.batch())
        self.post("rename-role", "field", name="Coat")
        self.post("desk-done", **self.batch())
        self.post("undo")
        self.post("desk-done", **self.batch())
        numbers = list(Entry.objects.order_by("pk").values_list("version__number", flat=True).distinct())
        self.assertEqual(sorted(set(numbers)), [1, 2])
        self.assertContains(self.see("log"), "Version 2")
        self.assertEqual(Entry.objects.order_by("pk").last().version.number, 1)

    def test_anothers_entry_is_not_found(self):
        self.post("desk-done", **self.batch())
        entry = Entry.objects.first()
        self.assert_hidden("change-entry", entry.pk, post=True)
        self.post("change-entry", 999_999, do="back", status=404)

    def test_an_empty_log_says_what_to_do(self):
        self.assertContains(self.see("log"), "Nothing painted yet")
