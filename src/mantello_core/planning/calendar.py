"""The painter's sessions, from a weekly pattern."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from ..errors import OutOfRange
from ..schemes.scheme import Evenings


@dataclass(frozen=True)
class Session:
    """A real evening, half-open: it holds its start and not its end."""

    start: datetime
    end: datetime

    @property
    def seconds(self) -> float:
        """How long it is."""
        return (self.end - self.start).total_seconds()


def sessions(evenings: Evenings, start: datetime, count: int) -> list[Session]:
    """The next ``count`` sessions that end after ``start``; the first is cut to begin no earlier.

    Raises: OutOfRange if the pattern names no evening.
    """
    if not evenings.pattern:
        raise OutOfRange("No evening is marked; mark at least one to plan.", "/evenings/pattern")
    found: list[Session] = []
    day = start.replace(hour=0, minute=0, second=0, microsecond=0)
    while len(found) < count:
        for weekday, minute, length in sorted(evenings.pattern, key=lambda one: one[1]):
            if weekday != day.weekday():
                continue
            begin = day + timedelta(minutes=minute)
            end = begin + timedelta(minutes=length)
            begin = max(begin, start, found[-1].end if found else begin)
            if end - begin >= timedelta(minutes=10):
                found.append(Session(begin, end))
        day += timedelta(days=1)
    return found[:count]
