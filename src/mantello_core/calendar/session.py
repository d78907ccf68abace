"""The painter's sessions: from a weekly pattern, exceptions and busy times; when spraying is possible in them."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from zoneinfo import ZoneInfo

from ..errors import OutOfRange
from .daylight import daylight
from .evenings import Evenings, Spraying, zone_of

#: shorter stretches are no session
SHORTEST = timedelta(minutes=10)
#: days that are looked through for sessions, at most
_FAR = 3660


@dataclass(frozen=True)
class Session:
    """A real evening on the painter's clock, half-open: it holds its start and not its end."""

    start: datetime
    end: datetime
    #: from when until when spraying is possible in it; None: not at all
    spray: tuple[datetime, datetime] | None = None
    zone: ZoneInfo | None = None

    @property
    def seconds(self) -> float:
        """How long it really is, when the clock is put forward or back too."""
        return elapsed(self.start, self.end, self.zone)


def elapsed(start: datetime, end: datetime, zone: ZoneInfo | None) -> float:
    """Real seconds between two readings of the painter's clock."""
    if zone is None:
        return (end - start).total_seconds()
    return end.replace(tzinfo=zone).timestamp() - start.replace(tzinfo=zone).timestamp()


def later(start: datetime, seconds: float, zone: ZoneInfo | None) -> datetime:
    """What the painter's clock shows so many real seconds after a reading."""
    if zone is None:
        return start + timedelta(seconds=seconds)
    return datetime.fromtimestamp(start.replace(tzinfo=zone).timestamp() + seconds, zone).replace(tzinfo=None)


def sessions(evenings: Evenings, start: datetime, count: int) -> list[Session]:
    """The next ``count`` sessions that end after ``start``; the first is cut to begin no earlier.

    Exceptions stand in place of the pattern on their date, busy times are cut out. Fewer are given if the years ahead
    hold no more.
    Raises: OutOfRange if neither the pattern nor an exception names an evening.
    """
    if not evenings.pattern and not any(minutes for _, _, minutes in evenings.exceptions):
        raise OutOfRange("No evening is marked; mark at least one to plan.", "/evenings/pattern")
    zone, found = zone_of(evenings), []
    busy = sorted((datetime.fromisoformat(begin), datetime.fromisoformat(end)) for begin, end in evenings.busy)
    excepted: dict[str, list[tuple[int, int]]] = {}
    for day, minute, minutes in evenings.exceptions:
        excepted.setdefault(day, []).append((minute, minutes))
    last = max((date.fromisoformat(day) for day in excepted), default=start.date())
    day, latest = start.date(), start
    for _ in range(_FAR):
        if len(found) >= count or (not evenings.pattern and day > last):
            break
        usual = [(minute, minutes) for weekday, minute, minutes in evenings.pattern if weekday == day.weekday()]
        for minute, minutes in sorted(excepted.get(day.isoformat(), usual)):
            begin = _on(day, minute, zone)
            end = later(begin, 60 * minutes, zone)
            for piece in _free(max(begin, latest), end, busy):
                if piece[1] - piece[0] >= SHORTEST:
                    found.append(Session(*piece, _spray(evenings.spraying, day, *piece, zone), zone))
            latest = max(latest, end)
        day += timedelta(days=1)
    return found[:count]


def _on(day: date, minute: int, zone: ZoneInfo | None) -> datetime:
    """A minute of a day; one that the clock skips is read as the one it is put to."""
    moment = datetime.combine(day, datetime.min.time()) + timedelta(minutes=minute)
    return (
        moment
        if zone is None
        else datetime.fromtimestamp(moment.replace(tzinfo=zone).timestamp(), zone).replace(tzinfo=None)
    )


def _free(begin: datetime, end: datetime, busy: Iterable[tuple[datetime, datetime]]) -> list[tuple[datetime, datetime]]:
    pieces = []
    for taken, free in busy:
        if taken >= end:
            break
        if free > begin:
            pieces.append((begin, taken))
            begin = max(begin, free)
    return [*(piece for piece in pieces if piece[0] < piece[1]), *([(begin, end)] if begin < end else [])]


def _spray(
    spraying: Spraying | None, day: date, begin: datetime, end: datetime, zone: ZoneInfo | None
) -> tuple[datetime, datetime] | None:
    if spraying is None:
        return begin, end
    if day.weekday() not in spraying.weekdays or day.isoformat() in spraying.off:
        return None
    first, last = max(begin, _on(day, spraying.start, None)), min(end, _on(day, spraying.end, None))
    if spraying.place:
        light = daylight(day, *spraying.place)
        if light is None:
            return None
        rise, fall = (one.astimezone(zone).replace(tzinfo=None) if zone else one.replace(tzinfo=None) for one in light)
        first, last = max(first, rise), min(last, fall)
    return (first, last) if first < last else None
