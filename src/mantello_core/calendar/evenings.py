"""When the painter paints: a weekly pattern with exceptions, busy times, when spraying is possible, and on whose clock."""

from dataclasses import dataclass, replace
from datetime import date, datetime
from functools import cache
from zoneinfo import ZoneInfo, available_timezones

from ..errors import Contradiction, OutOfRange, UnknownName
from ..recipes.handwork import PACES

#: exceptions, busy times and days without spraying, at most
MOST_DATES, MOST_BUSY = 400, 2000
#: the air of the room, and what helps drying: factor on minutes of drying, and in words
AIR = {"usual": (1.0, "as usual"), "warm": (0.7, "warm and dry"), "damp": (1.5, "damp and cold")}
AIDS = {
    "none": (1.0, "nothing"), "fan": (0.6, "a fan"), "radiator": (0.5, "near a radiator"), "hairdryer": (0.3, "a hairdryer"),
}  # fmt: skip
#: what a painter is told who warms paint
HEAT = (
    "Heat only what is thinned with water, from a hand's length and more. Never warm cans, solvents, fresh sprays or"
    " soaked cloths; let vapours clear first, keep cable and water apart; the labels come first."
)
MOST_PAINTERS, MOST_WISHES, MOST_DESK = 12, 200, 400
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
class Painter:
    """Someone else who paints at this army: their evenings and the units that are theirs."""

    id: str
    name: str
    #: as in ``Evenings``
    pattern: tuple[tuple[int, int, int], ...] = ()
    #: ids of units
    units: tuple[str, ...] = ()


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
    #: (id of a unit, day by which it is wanted), where that is another than the army's
    due: tuple[tuple[str, str], ...] = ()
    #: (id of an atom, moment on the painter's clock): work that was moved there by hand
    wishes: tuple[tuple[str, str], ...] = ()
    #: those who paint besides the owner, who has every unit that is nobody else's
    painters: tuple[Painter, ...] = ()
    #: keys of ``AIR`` and ``AIDS``
    air: str = "usual"
    aid: str = "none"
    #: figures on the desk at most, before the next unit is begun; 0 for as usual: 40, in armies over 300 figures 60
    desk: int = 0
    #: how fast the owner paints until the log tells, a key of ``PACES``
    pace: str = "usual"

    def painter(self, painter_id: str, where: str = "painter") -> Painter:
        """The painter of that id.

        Raises: UnknownName.
        """
        found = next((one for one in self.painters if one.id == painter_id), None)
        if found is None:
            raise UnknownName("painter", painter_id, [one.id for one in self.painters], where)
        return found

    def painter_of(self, unit: str) -> str:
        """Id of the painter who has a unit; '' for the owner."""
        return next((one.id for one in self.painters if unit in one.units), "")

    def of_painter(self, painter_id: str) -> "Evenings":
        """The evenings of one painter; another's have no exceptions and busy times of the owner's."""
        if not painter_id:
            return self
        return replace(self, pattern=self.painter(painter_id).pattern, exceptions=(), busy=())


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
    for _, day in evenings.due:
        _date(day, "due")
    for begin, end in evenings.busy:
        if _moment(begin) >= _moment(end):
            raise OutOfRange(f"Busy from {begin} to {end}; the end comes after the start.", "busy")
    if len(evenings.exceptions) > MOST_DATES or len(evenings.busy) > MOST_BUSY:
        raise OutOfRange(
            f"{len(evenings.exceptions)} exceptions, {len(evenings.busy)} busy times; allowed are {MOST_DATES} and {MOST_BUSY}.",
            "exceptions",
        )
    if not 0 <= evenings.desk <= MOST_DESK:
        raise OutOfRange(f"{evenings.desk} figures on the desk; allowed are 0 to {MOST_DESK}.", "desk")
    if evenings.spraying:
        _check_spraying(evenings.spraying)
    for name, known in (("air", AIR), ("aid", AIDS), ("pace", PACES)):
        if getattr(evenings, name) not in known:
            raise UnknownName(name, getattr(evenings, name), list(known), name)
    if len(evenings.wishes) > MOST_WISHES:
        raise OutOfRange(f"{len(evenings.wishes)} pieces of work are moved; allowed are {MOST_WISHES}.", "wishes")
    for _, moment in evenings.wishes:
        _moment(moment)
    _check_painters(evenings.painters)
    return replace(evenings, exceptions=tuple(sorted(set(evenings.exceptions))), busy=tuple(sorted(set(evenings.busy))))


def _check_painters(painters: tuple[Painter, ...]) -> None:
    if len(painters) > MOST_PAINTERS:
        raise OutOfRange(f"{len(painters)} painters besides you; allowed are {MOST_PAINTERS}.", "painters")
    ids, units = [one.id for one in painters], [unit for one in painters for unit in one.units]
    for what, given in (("painter", ids), ("unit of a painter", units)):
        twice = next((one for one in given if given.count(one) > 1), None)
        if twice:
            raise Contradiction(f"The {what} '{twice}' is there twice.", "painters")
    for one in painters:
        if any(
            not (0 <= day <= 6 and 0 <= start < _DAY and 15 <= minutes <= 960) for day, start, minutes in one.pattern
        ):
            raise OutOfRange(f"{one.name}: evenings have 15 to 960 minutes, on weekdays 0 to 6.", "painters")


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
