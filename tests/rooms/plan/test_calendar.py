"""The calendar page: exceptions, spraying, priorities, busy times in and the plan out as a calendar file."""

from datetime import UTC, date, datetime
from unittest.mock import patch

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from icalendar import Calendar

from mantello.jobs.models import Job
from mantello.rooms.plan import busy_times
from mantello.shell.refusal import StaleEdit
from mantello.workspace.editing import create_army, edit
from mantello_core.calendar.evenings import Spraying
from tests.core.calendar.test_session import ICS, event
from tests.rooms.plan.test_plan import DeskCase

FORM = {
    "zone": "Europe/Rome", "exceptions": "2026-11-26 none\n2026-11-29 10:00 180", "spray": "on", "spray_start": "14:00", "spray_end": "17:30",
    "weekdays": ["5", "6"], "off": "2026-12-05", "latitude": "41.9", "longitude": "12.5", "first": ["2nd-lantern-line"],
}  # fmt: skip


class CalendarPage(DeskCase):
    def test_it_shows_the_next_sessions(self):
        page = self.see("calendar")
        self.assertContains(page, "Tue 24 Nov")
        self.assertContains(page, "Calendar file")
        self.assertContains(self.see("plan"), "Calendar</a>")

    def test_what_is_kept_changes_the_sessions_and_the_plan(self):
        self.post("keep-calendar", **FORM)
        evenings = self.now().evenings
        self.assertEqual(evenings.exceptions, (("2026-11-26", 0, 0), ("2026-11-29", 600, 180)))
        self.assertEqual(evenings.spraying, Spraying((5, 6), 840, 1050, ("2026-12-05",), (41.9, 12.5)))
        self.assertEqual((evenings.zone, evenings.first), ("Europe/Rome", ("2nd-lantern-line",)))
        page = self.see("calendar")
        self.assertNotContains(page, "Thu 26 Nov")
        self.assertContains(page, "Sun 29 Nov")
        self.assertContains(page, "2026-11-26 none")
        self.post("keep-calendar", **{name: value for name, value in FORM.items() if name not in ("spray", "first")})
        self.assertEqual((self.now().evenings.spraying, self.now().evenings.first), (None, ()))

    def test_what_makes_no_sense_is_told_and_stays(self):
        for wrong, said in (
            ({"exceptions": "Christmas off"}, "is not understood"), ({"exceptions": "2026-13-24 none"}, "is no date"), ({"zone": "Moon/Base"}, "no time zone"),
            ({"spray_start": "18:00"}, "the end comes after"), ({"longitude": ""}, "both latitude and longitude"), ({"weekdays": []}, "at least one weekday"),
            ({"off": "soon"}, "is no date"), ({"first": ["nobody"]}, "is none of the choices"),
        ):  # fmt: skip
            page = self.post("keep-calendar", status=422, **FORM | wrong)
            self.assertContains(page, said, status_code=422)
        self.assertContains(page, 'value="Europe/Rome"', status_code=422)

    def busy(self, *events) -> str:
        """A calendar file given; the address of the page that tells when it is read."""
        file = SimpleUploadedFile("busy.ics", ICS.format("".join(events)).encode())
        return self.post("calendar-busy", file=file)["Location"]

    def test_busy_times_are_read_by_a_worker_and_forgotten(self):
        page = self.busy(event("DTSTART:20261124T190000", "DTEND:20261124T213000"))
        self.assertContains(self.client.get(page), 'data-behaviour="poll"')
        self.assertEqual(self.now().evenings.busy, ())
        self.carried_out()
        self.assertEqual(self.now().evenings.busy, (("2026-11-24T19:00", "2026-11-24T21:30"),))
        self.assertContains(self.client.get(page), "1 busy time read from the file.")
        self.assertContains(self.see("plan"), "Thursday 26 November")
        self.post("calendar-busy", do="forget")
        self.assertEqual(self.now().evenings.busy, ())

    def test_what_was_edited_while_a_calendar_was_read_stays(self):
        self.busy(event("DTSTART:20261124T190000", "DTEND:20261124T213000"))
        self.post("change-node", self.now().army.root.id, name="River Levy", kind="")
        stale = StaleEdit(self.army, self.base(), [])
        tries = [stale, None]

        def edited_beside(*given):
            if refused := tries.pop(0):
                raise refused
            return edit(*given)

        with patch.object(busy_times, "edit", edited_beside):
            self.carried_out()
        self.assertEqual(tries, [])
        self.assertEqual(self.now().army.root.name, "River Levy")
        self.assertEqual(len(self.now().evenings.busy), 1)

    def test_files_that_are_no_calendar_are_refused_at_their_field(self):
        for file, said in (
            (None, "Choose a calendar file"),
            (SimpleUploadedFile("x.ics", b"hello"), "no iCalendar file"),
            (SimpleUploadedFile("x.ics", b"\xff\xfe"), "not UTF-8"),
            (SimpleUploadedFile("x.ics", b"BEGIN:VCALENDAR" + b" " * 2_000_000), "2000015 bytes"),
        ):
            page = self.post("calendar-busy", status=422, **({"file": file} if file else {}))
            self.assertContains(page, said, status_code=422)
        self.assertEqual(Job.objects.count(), 0)

    def test_what_a_worker_cannot_read_is_told_on_the_page(self):
        page = self.busy(event("DTSTART:soon"))
        self.carried_out()
        self.assertContains(self.client.get(page), "has times that cannot be read")
        never = self.busy(
            event("DTSTART:20261124T190000", "DURATION:PT5M", "RRULE:FREQ=SECONDLY;BYMONTH=2;BYMONTHDAY=30")
        )
        with patch.object(busy_times, "PATIENCE", 0.01):
            self.carried_out()
        self.assertContains(self.client.get(never), "take too long to count out")
        self.assertEqual(self.now().evenings.busy, ())

    def test_a_reading_is_its_painters_own(self):
        page = self.busy(event("DTSTART:soon"))
        self.client.force_login(self.other)
        self.assertEqual(self.client.get(page).status_code, 404)

    def test_the_plan_goes_out_as_a_calendar_file(self):
        answer = self.made(reverse("calendar-file", args=[self.army.pk]))
        self.assertEqual(answer["Content-Type"], "text/calendar")
        self.assertIn("plan-2026-11-24.ics", answer["Content-Disposition"])
        events = Calendar.from_ical(answer.content).walk("VEVENT")
        titles = [str(one["SUMMARY"]) for one in events]
        self.assertIn("Paint:", titles[0])
        self.assertIn("Undercoat the figures", str(events[0]["DESCRIPTION"]))
        self.assertTrue(any(title.startswith("Dry by now") for title in titles))

    def test_what_a_worker_makes_is_of_the_painters_evening_and_not_of_the_servers(self):
        self.client.cookies["mantello-zone"] = "America/Los_Angeles"
        # Tuesday, 20:00 where the painter sits
        self.at(datetime(2026, 11, 25, 4, tzinfo=UTC))
        self.assertContains(self.see("plan"), "Tuesday 24 November")
        first = Calendar.from_ical(self.made(reverse("calendar-file", args=[self.army.pk])).content).walk("VEVENT")[0]
        self.assertEqual(first["DTSTART"].dt.date(), date(2026, 11, 24))

    def test_without_figures_the_calendar_file_is_empty(self):
        army = create_army(self.owner, "Nobody yet")
        answer = self.made(reverse("calendar-file", args=[army.pk]))
        self.assertEqual(Calendar.from_ical(answer.content).walk("VEVENT"), [])

    def test_nobody_else_comes_near(self):
        for name, post in (
            ("calendar", False),
            ("keep-calendar", True),
            ("calendar-busy", True),
            ("calendar-file", False),
        ):
            self.assert_hidden(name, post=post)
