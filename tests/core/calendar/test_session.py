"""Sessions with exceptions, busy times, summer time and hours to spray; the sun; calendar files."""

from dataclasses import replace
from datetime import UTC, date, datetime, timedelta
from itertools import pairwise, takewhile
from unittest import TestCase
from zoneinfo import ZoneInfo

from dateutil.rrule import rrulestr
from hypothesis import given
from hypothesis import strategies as st
from icalendar import Calendar

from mantello_core.calendar.daylight import daylight
from mantello_core.calendar.evenings import Evenings, Spraying, checked_evenings
from mantello_core.calendar.session import elapsed, later, sessions
from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.formats.calendar_file import Entry, read_busy, write_calendar
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from tests.samples import small_design

TUESDAY = datetime(2026, 11, 24, 18, 0)
ROME = ZoneInfo("Europe/Rome")
WEEKLY = Evenings(((1, 1140, 120),))


class Sessions(TestCase):
    def days(self, evenings, count=4, start=TUESDAY):
        return [f"{one.start:%m-%d %H:%M}-{one.end:%H:%M}" for one in sessions(evenings, start, count)]

    def test_exceptions_stand_in_place_of_the_pattern(self):
        evenings = replace(
            WEEKLY, exceptions=(("2026-12-01", 0, 0), ("2026-12-05", 600, 180), ("2026-12-08", 1200, 60))
        )
        self.assertEqual(
            self.days(evenings), ["11-24 19:00-21:00", "12-05 10:00-13:00", "12-08 20:00-21:00", "12-15 19:00-21:00"]
        )

    def test_exceptions_alone_are_a_calendar_and_none_at_all_is_refused(self):
        self.assertEqual(self.days(Evenings((), exceptions=(("2026-12-05", 600, 180),))), ["12-05 10:00-13:00"])
        with self.assertRaises(OutOfRange):
            sessions(Evenings((), exceptions=(("2026-12-05", 0, 0),)), TUESDAY, 2)

    def test_busy_times_cut_sessions_and_scraps_are_dropped(self):
        evenings = replace(
            WEEKLY, busy=(("2026-11-24T19:30", "2026-11-24T20:00"), ("2026-12-01T18:00", "2026-12-01T20:55"))
        )
        self.assertEqual(self.days(evenings, 3), ["11-24 19:00-19:30", "11-24 20:00-21:00", "12-08 19:00-21:00"])

    @given(st.lists(st.tuples(st.integers(0, 3000), st.integers(1, 400)), max_size=8), st.integers(1, 12))
    def test_sessions_never_overlap_busy_times_or_each_other(self, busy, count):
        base = datetime(2026, 11, 23)
        times = tuple(
            ((base + timedelta(minutes=7 * at)).isoformat(timespec="minutes"), (base + timedelta(minutes=7 * at + length)).isoformat(timespec="minutes"))
            for at, length in busy
        )  # fmt: skip
        found = sessions(checked_evenings(replace(Evenings(), busy=times)), TUESDAY, count)
        self.assertEqual(len(found), count)
        for one, two in pairwise(found):
            self.assertLessEqual(one.end, two.start)
        for one in found:
            self.assertGreaterEqual(one.seconds, 600)
            for begin, end in times:
                self.assertFalse(one.start < datetime.fromisoformat(end) and datetime.fromisoformat(begin) < one.end)

    def test_summer_time_is_counted_right(self):
        evenings = Evenings(((6, 60, 180),), zone="Europe/Rome")
        spring = sessions(evenings, datetime(2026, 3, 28, 12), 1)[0]
        self.assertEqual((f"{spring.start:%H:%M} {spring.end:%H:%M}", spring.seconds), ("01:00 05:00", 3 * 3600))
        autumn = sessions(evenings, datetime(2026, 10, 24, 12), 1)[0]
        self.assertEqual((f"{autumn.start:%H:%M} {autumn.end:%H:%M}", autumn.seconds), ("01:00 03:00", 3 * 3600))
        self.assertEqual(elapsed(datetime(2026, 3, 28, 22), datetime(2026, 3, 29, 8), ROME), 9 * 3600)
        self.assertEqual(later(datetime(2026, 3, 28, 22), 9 * 3600, ROME), datetime(2026, 3, 29, 8))
        self.assertEqual(
            sessions(Evenings(((6, 150, 60),), zone="Europe/Rome"), datetime(2026, 3, 28, 12), 1)[0].start,
            datetime(2026, 3, 29, 3, 30),
        )

    def test_spraying_has_its_days_hours_and_daylight(self):
        evenings = Evenings(
            ((1, 1140, 150), (5, 840, 240)), zone="Europe/Rome", spraying=Spraying((5, 6), 870, 1200, ("2026-12-05",))
        )
        tuesday, saturday, _, off = sessions(evenings, TUESDAY, 4)
        self.assertIsNone(tuesday.spray)
        self.assertEqual((f"{saturday.spray[0]:%H:%M}", f"{saturday.spray[1]:%H:%M}"), ("14:30", "18:00"))
        self.assertIsNone(off.spray)
        sunny = replace(evenings, spraying=replace(evenings.spraying, place=(41.9, 12.5)))
        dusk = sessions(sunny, TUESDAY, 2)[1].spray[1]
        self.assertLess(abs(dusk - datetime(2026, 11, 28, 16, 41)), timedelta(minutes=3))

    def test_what_makes_no_sense_is_refused_at_its_field(self):
        for changes, where in (
            ({"zone": "Moon/Base"}, "zone"), ({"exceptions": (("24.12.", 0, 0),)}, "exceptions"), ({"exceptions": (("2026-12-24", 0, 999),)}, "exceptions"),
            ({"busy": (("2026-12-24T10:00", "2026-12-24T09:00"),)}, "busy"), ({"busy": (("now", "then"),)}, "busy"),
            ({"busy": (("2026-12-24T10:00+01:00", "2026-12-24T11:00+01:00"),)}, "busy"), ({"spraying": Spraying(())}, "weekdays"),
            ({"spraying": Spraying(start=900, end=800)}, "spray_end"), ({"spraying": Spraying(off=("soon",))}, "off"), ({"spraying": Spraying(place=(91, 0))}, "latitude"),
        ):  # fmt: skip
            with self.assertRaises(MantelloError) as caught:
                checked_evenings(replace(Evenings(), **changes))
            self.assertEqual(caught.exception.where, where)

    def test_the_document_keeps_them(self):
        evenings = Evenings(
            ((1, 1140, 120),), 8, 4, "Europe/Rome", (("2026-12-05", 600, 180),), (("2026-11-24T19:30", "2026-11-24T20:00"),),
            Spraying((5,), 600, 900, ("2026-12-05",), (41.9, 12.5)), ("first-line",),
        )  # fmt: skip
        design = replace(small_design(), evenings=evenings)
        self.assertEqual(read_design_bytes(design_bytes(design)), design)


class Sun(TestCase):
    def test_it_rises_and_sets_as_published(self):
        # almanac times in UTC for Greenwich, Rome and Sydney, to two minutes
        for day, latitude, longitude, rise, fall in (
            (date(2026, 3, 20), 51.48, 0.0, "06:04", "18:14"), (date(2026, 12, 21), 51.48, 0.0, "08:04", "15:53"),
            (date(2026, 12, 21), 41.9, 12.5, "06:34", "15:42"), (date(2026, 6, 21), -33.87, 151.21, "21:00", "06:54"),
        ):  # fmt: skip
            found = daylight(day, latitude, longitude)
            for moment, wanted in zip(found, (rise, fall), strict=True):
                told = moment.hour * 60 + moment.minute + moment.second / 60
                hour, minute = map(int, wanted.split(":"))
                self.assertLess(abs(told - hour * 60 - minute), 3, (day, latitude, wanted, moment))

    def test_polar_night_and_midnight_sun(self):
        self.assertIsNone(daylight(date(2026, 12, 21), 78.2, 15.6))
        rise, fall = daylight(date(2026, 6, 21), 78.2, 15.6)
        self.assertAlmostEqual((fall - rise).total_seconds(), 86400, delta=2)


ICS = """BEGIN:VCALENDAR\r
VERSION:2.0\r
PRODID:-//x//y//EN\r
{}END:VCALENDAR\r
"""


def event(*lines):
    return (
        "BEGIN:VEVENT\r\nUID:1\r\nDTSTAMP:20261101T000000Z\r\n"
        + "".join(f"{line}\r\n" for line in lines)
        + "END:VEVENT\r\n"
    )


class Files(TestCase):
    def busy(self, *events, zone=ROME):
        return read_busy(ICS.format("".join(events)).encode(), zone, date(2026, 11, 23), date(2026, 12, 31))

    def test_what_is_written_parses_in_a_library_with_the_right_moments(self):
        entries = [
            Entry("a", datetime(2026, 7, 1, 19), datetime(2026, 7, 1, 21), "Paint, then; rest", "Base coat\nShade")
        ]
        for zone, wanted in ((ROME, datetime(2026, 7, 1, 17, tzinfo=UTC)), (None, datetime(2026, 7, 1, 19))):
            (one,) = Calendar.from_ical(write_calendar("Plan", entries, zone, datetime(2026, 6, 1, tzinfo=UTC))).walk(
                "VEVENT"
            )
            self.assertEqual(one.decoded("DTSTART"), wanted)
            self.assertEqual((str(one["SUMMARY"]), str(one["DESCRIPTION"])), ("Paint, then; rest", "Base coat\nShade"))
        again = write_calendar("Plan", entries, ROME, datetime(2026, 6, 1, tzinfo=UTC))
        self.assertIn(str(one["UID"]).encode(), again, "the same session keeps its mark")

    def test_busy_times_are_read_on_the_painters_clock(self):
        found = self.busy(
            event("DTSTART:20261124T180000Z", "DTEND:20261124T190000Z"),
            event("DTSTART;TZID=America/New_York:20261125T130000", "DURATION:PT90M"),
            event("DTSTART;VALUE=DATE:20261201", "DTEND;VALUE=DATE:20261203"),
            event("DTSTART:20261210T100000", "DTEND:20261210T110000"),
        )
        self.assertEqual(found, (
            ("2026-11-24T19:00", "2026-11-24T20:00"), ("2026-11-25T19:00", "2026-11-25T20:30"), ("2026-12-01T00:00", "2026-12-03T00:00"),
            ("2026-12-10T10:00", "2026-12-10T11:00"),
        ))  # fmt: skip

    def test_repeats_are_counted_out_and_exceptions_left_out(self):
        found = self.busy(
            event(
                "DTSTART;TZID=Europe/Rome:20260106T190000",
                "DTEND;TZID=Europe/Rome:20260106T200000",
                "RRULE:FREQ=WEEKLY;UNTIL=20261215T225959Z",
                "EXDATE;TZID=Europe/Rome:20261201T190000",
            )
        )
        self.assertEqual([start[:10] for start, _ in found], ["2026-11-24", "2026-12-08", "2026-12-15"])

    @given(
        st.sampled_from(("DAILY", "WEEKLY")), st.integers(1, 5), st.sets(st.sampled_from(("MO", "WE", "TH", "SU"))),
        st.datetimes(datetime(2019, 1, 1), datetime(2026, 12, 20)), st.sampled_from(("", "COUNT=700", "UNTIL=20261210T000000")),
    )  # fmt: skip
    def test_years_that_are_over_need_not_be_counted(self, often, interval, days, begin, ends):
        begin = begin.replace(second=0, microsecond=0)
        parts = [f"FREQ={often}", f"INTERVAL={interval}", *([f"BYDAY={','.join(sorted(days))}"] if days else []), ends]
        rule = ";".join(filter(None, parts))
        found = self.busy(event(f"DTSTART:{begin:%Y%m%dT%H%M%S}", "DURATION:PT1M", f"RRULE:{rule}"), zone=None)
        plainly = [
            moment.isoformat(timespec="minutes")
            for moment in takewhile(lambda one: one < datetime(2027, 1, 1), rrulestr(rule, dtstart=begin))
            if moment >= datetime(2026, 11, 23)
        ]
        self.assertEqual([start for start, _ in found], plainly)

    def test_what_comes_by_the_hour_is_counted_out_to_the_end(self):
        (times,) = self.busy(event("DTSTART:20200101T000000", "DURATION:PT1H", "RRULE:FREQ=HOURLY"))
        self.assertEqual(times, ("2026-11-23T00:00", "2027-01-01T00:00"))

    def test_a_rule_that_is_over_is_not_looked_for(self):
        over = event("DTSTART:20000101T000000", "DURATION:PT1M", "RRULE:FREQ=SECONDLY;UNTIL=20261101T000000Z")
        self.assertEqual(self.busy(over), ())

    def test_free_and_cancelled_events_are_no_hindrance_and_overlaps_are_joined(self):
        times = ("DTSTART:20261124T180000", "DTEND:20261124T190000")
        self.assertEqual(self.busy(event(*times, "TRANSP:TRANSPARENT"), event(*times, "STATUS:CANCELLED")), ())
        joined = self.busy(event(*times), event("DTSTART:20261124T183000", "DTEND:20261124T200000"))
        self.assertEqual(joined, (("2026-11-24T18:00", "2026-11-24T20:00"),))

    def test_the_last_day_counts_whole_and_the_day_after_not_at_all(self):
        days = (event(f"DTSTART:2026123{day}T190000", f"DTEND:2026123{day}T200000") for day in (0, 1))
        after = event("DTSTART:20270101T190000", "DTEND:20270101T200000")
        before = event("DTSTART:20261122T190000", "DTEND:20261122T200000")
        found = self.busy(*days, after, before)
        self.assertEqual([start[:10] for start, _ in found], ["2026-12-30", "2026-12-31"])

    @given(st.binary(max_size=300))
    def test_other_files_are_refused(self, data):
        try:
            self.assertEqual(read_busy(data, None, date(2026, 1, 1), date(2026, 2, 1)), ())
        except Unreadable as error:
            self.assertEqual(error.where, "file")

    def test_broken_events_and_huge_files_are_refused(self):
        for events in (
            (event("DTSTART:soon"),),
            (event("SUMMARY:no start"),),
            (event("DTSTART:20261124T180000", "RRULE:FREQ=NEVER"),),
        ):
            with self.assertRaises(Unreadable):
                self.busy(*events)
        with self.assertRaises(OutOfRange):
            read_busy(b"x" * 2_000_001, None, date(2026, 1, 1), date(2026, 2, 1))
