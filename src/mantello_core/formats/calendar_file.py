"""iCalendar files: the plan's sessions and 'dry by' times written, busy times read."""

import hashlib
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, time, timedelta
from zoneinfo import ZoneInfo

from dateutil.rrule import rrulestr
from icalendar import Calendar, Event

from ..errors import OutOfRange, Unreadable

#: bytes of a file, events in it and repeats of one that are read: by the hour for a year
MOST_BYTES, MOST_EVENTS, MOST_REPEATS = 2_000_000, 5000, 10_000
#: days after which a rule comes again, by its frequency, where it can be looked up later without counting all before
_PERIODS = {"DAILY": 1, "WEEKLY": 7}


@dataclass(frozen=True)
class Entry:
    """One event to write: when on the painter's clock, what, and more words. id: stays while the event does."""

    id: str
    start: datetime
    end: datetime
    title: str
    words: str = ""


def write_calendar(name: str, entries: Sequence[Entry], zone: ZoneInfo | None, stamp: datetime) -> bytes:
    """A calendar of entries as iCalendar (RFC 5545). stamp: when it is written, aware.

    With a zone times are written in UTC, so that every program shows them right; without one they float.
    """
    calendar = Calendar()
    calendar.add("prodid", "-//Mantello//plan//EN")
    calendar.add("version", "2.0")
    calendar.add("x-wr-calname", name)
    for one in entries:
        event = Event()
        event.add("uid", f"{hashlib.sha256(one.id.encode()).hexdigest()[:24]}@mantello")
        event.add("dtstamp", stamp.astimezone(UTC))
        event.add("dtstart", _written(one.start, zone))
        event.add("dtend", _written(one.end, zone))
        event.add("summary", one.title)
        if one.words:
            event.add("description", one.words)
        calendar.add_component(event)
    return calendar.to_ical()


def read_busy(data: bytes, zone: ZoneInfo | None, first: date, last: date) -> tuple[tuple[str, str], ...]:
    """Busy times of an iCalendar file between two dates, on the painter's clock, repeats counted out, overlaps joined.

    Events that are marked free or cancelled are no hindrance; whole days are busy from midnight to midnight. A rule that is never
    met, such as a thirtieth of February, is looked for to the end of the calendar: whoever reads files of others sets a time.
    Raises: Unreadable if it is no such file; OutOfRange if it is too large.
    """
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The file has {len(data)} bytes; allowed are {MOST_BYTES}.", "file")
    try:
        events = Calendar.from_ical(data).walk("VEVENT")
    except (ValueError, IndexError, KeyError, UnicodeError) as error:
        raise Unreadable("This is no iCalendar file; it begins with BEGIN:VCALENDAR.", "file") from error
    if len(events) > MOST_EVENTS:
        raise OutOfRange(f"The file has {len(events)} events; allowed are {MOST_EVENTS}.", "file")
    low, high = datetime.combine(first, time.min), datetime.combine(last, time.min) + timedelta(days=1)
    found = []
    for event in events:
        if str(event.get("TRANSP", "")).upper() == "TRANSPARENT" or str(event.get("STATUS", "")).upper() == "CANCELLED":
            continue
        try:
            if event.errors:
                raise ValueError(str(event.errors[0]))
            found += _times(event, zone, low, high)
        except (ValueError, TypeError, AttributeError, KeyError, OverflowError) as error:
            name = str(event.get("SUMMARY", "without a name"))[:40]
            raise Unreadable(f"The event '{name}' has times that cannot be read.", "file") from error
    return tuple(
        (start.isoformat(timespec="minutes"), end.isoformat(timespec="minutes")) for start, end in _joined(found)
    )


def _written(moment: datetime, zone: ZoneInfo | None) -> datetime:
    return moment if zone is None else moment.replace(tzinfo=zone).astimezone(UTC)


def _clock(moment: date | datetime, zone: ZoneInfo | None) -> datetime:
    """A date or moment of a file as the painter's clock shows it."""
    if not isinstance(moment, datetime):
        return datetime.combine(moment, time.min)
    if moment.tzinfo is None:
        return moment
    return moment.astimezone(zone or UTC).replace(tzinfo=None)


def _times(event, zone: ZoneInfo | None, low: datetime, high: datetime) -> list[tuple[datetime, datetime]]:
    start = event.decoded("DTSTART")
    begin = _clock(start, zone)
    if "DTEND" in event:
        length = _clock(event.decoded("DTEND"), zone) - begin
    elif "DURATION" in event:
        length = event.decoded("DURATION")
    else:
        length = timedelta(0) if isinstance(start, datetime) else timedelta(days=1)
    starts = [begin]
    if "RRULE" in event:
        rule = event["RRULE"]
        # the end of a rule may be in UTC while its events are not: on the painter's clock both are plain
        parts = [part for part in rule.to_ical().decode().split(";") if not part.upper().startswith("UNTIL=")]
        until = rule.get("UNTIL")
        limit = (
            min(high, _clock(until[0], zone) + timedelta(days=not isinstance(until[0], datetime))) if until else high
        )
        starts = []
        if limit + length >= low:
            repeats = rrulestr(";".join(parts), dtstart=_nearer(begin, rule, low - length))
            for moment in repeats:
                if moment > limit or len(starts) >= MOST_REPEATS:
                    break
                if moment + length >= low:
                    starts.append(moment)
        left_out = _excepted(event, zone)
        starts = [moment for moment in starts if moment not in left_out]
    return [
        (max(moment, low), min(moment + length, high))
        for moment in starts
        if length > timedelta(0) and moment < high and moment + length > low
    ]


def _nearer(begin: datetime, rule, low: datetime) -> datetime:
    """The last moment on a rule's grid of days or weeks that lies a whole period before ``low``, so that years that are over need
    not be counted; the beginning itself for rules that are counted."""
    period = _PERIODS.get(str(rule.get("FREQ", [""])[0]).upper(), 0) * int(rule.get("INTERVAL", [1])[0])
    if not period or "COUNT" in rule:
        return begin
    return begin + timedelta(days=period * max(0, (low - begin).days // period - 1))


def _excepted(event, zone: ZoneInfo | None) -> set[datetime]:
    given = event.get("EXDATE", [])
    lists = given if isinstance(given, list) else [given]
    return {_clock(one.dt, zone) for dates in lists for one in dates.dts}


def _joined(times: list[tuple[datetime, datetime]]) -> list[tuple[datetime, datetime]]:
    joined: list[tuple[datetime, datetime]] = []
    for start, end in sorted(times):
        if joined and start <= joined[-1][1]:
            joined[-1] = joined[-1][0], max(joined[-1][1], end)
        else:
            joined.append((start, end))
    return joined
