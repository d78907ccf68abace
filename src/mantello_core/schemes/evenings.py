"""When the painter paints: a weekly pattern with exceptions, busy times, when spraying is possible, and on whose clock."""

from dataclasses import dataclass, replace
from datetime import date, datetime
from functools import cache
from zoneinfo import ZoneInfo, available_timezones

from ..errors import OutOfRange, UnknownName

#: exceptions, busy times and days without spraying, at most
MOST_DATES, MOST_BUSY = 400, 2000
_DAY = 1440


@dataclass(frozen=True)
class Spraying:
    """When a can or an airbrush may be used: days, hours, dates when it may not, and whether only by daylight."""

    weekdays: tuple[int, ...] = (0, 1, 2, 3, 4, 5, 6)
    #: minutes of the day
    start: int = 0
    end: int = _DAY
    #: dates when weather or neighbours forbid it
    off: tuple[str, ...] = ()
    #: latitude and longitude in degrees, north and east positive; given, only daylight there counts
    place: tuple[float, float] | None = None


@dataclass(frozen=True)
class Evenings:
    """When the painter paints, and how many figures are in hand at once."""

    #: weekday (0 = Monday) to (start minute of the day, minutes)
    pattern: tuple[tuple[int, int, int], ...] = ((1, 1140, 150), (3, 1140, 150), (5, 840, 180))
    #: figures in hand at once
    attention: int = 10
    #: figures to a painting stick
    stick: int = 3
    #: the clock's time zone, such as 'Europe/Rome'; '' where all times are of one clock that never changes
    zone: str = ""
    #: (date, start minute, minutes) in place of the pattern on that date; 0 minutes: no painting
    exceptions: tuple[tuple[str, int, int], ...] = ()
    #: (start, end) on the same clock, when there is no time
    busy: tuple[tuple[str, str], ...] = ()
    #: None: whenever there is a session
    spraying: Spraying | None = None
    #: ids of units that come first, in their order
    first: tuple[str, ...] = ()


def checked_evenings(evenings: Evenings) -> Evenings:
    """The evenings, with dates in order and each said once.

    Raises: OutOfRange or UnknownName at the field's name.
    """
    if evenings.zone and evenings.zone not in _zones():
        raise UnknownName("time zone", evenings.zone, sorted(_zones()), "zone")
    for day, start, minutes in evenings.exceptions:
        _date(day, "exceptions")
        if not (0 <= start < _DAY and 0 <= minutes <= 720):
            raise OutOfRange(
                f"{day}: {minutes} minutes from minute {start}; allowed are 0 to 720 minutes.", "exceptions"
            )
    for begin, end in evenings.busy:
        if _moment(begin) >= _moment(end):
            raise OutOfRange(f"Busy from {begin} to {end}; the end comes after the start.", "busy")
    if len(evenings.exceptions) > MOST_DATES or len(evenings.busy) > MOST_BUSY:
        raise OutOfRange(
            f"{len(evenings.exceptions)} exceptions, {len(evenings.busy)} busy times; allowed are {MOST_DATES} and {MOST_BUSY}.",
            "exceptions",
        )
    if evenings.spraying:
        _check_spraying(evenings.spraying)
    return replace(evenings, exceptions=tuple(sorted(set(evenings.exceptions))), busy=tuple(sorted(set(evenings.busy))))


@cache
def _zones() -> frozenset[str]:
    # reading the directory of zones takes longer than reading a design
    return frozenset(available_timezones())


def zone_of(evenings: Evenings) -> ZoneInfo | None:
    """The time zone; None where none is said."""
    return ZoneInfo(evenings.zone) if evenings.zone else None


def _check_spraying(spraying: Spraying) -> None:
    if not spraying.weekdays or not set(spraying.weekdays) <= set(range(7)):
        raise OutOfRange("Mark at least one weekday for spraying.", "weekdays")
    if not 0 <= spraying.start < spraying.end <= _DAY:
        raise OutOfRange(
            f"Spraying from minute {spraying.start} to {spraying.end}; the end comes after the start.", "spray_end"
        )
    for day in spraying.off:
        _date(day, "off")
    if spraying.place and not (-90 <= spraying.place[0] <= 90 and -180 <= spraying.place[1] <= 180):
        raise OutOfRange(f"{spraying.place}: latitude is -90 to 90, longitude -180 to 180.", "latitude")


def _date(text: str, where: str) -> date:
    try:
        return date.fromisoformat(text)
    except ValueError:
        raise OutOfRange(f"'{text[:20]}' is no date; write it as 2026-12-24.", where) from None


def _moment(text: str) -> datetime:
    try:
        found = datetime.fromisoformat(text)
    except ValueError:
        raise OutOfRange(f"'{text[:20]}' is no date and time; write it as 2026-12-24T19:00.", "busy") from None
    if found.tzinfo is not None:
        raise OutOfRange(f"'{text[:25]}' has a zone of its own; busy times are on the painter's clock.", "busy")
    return found
