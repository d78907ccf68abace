"""An army's log as pages ask it: all that stands of it, read at once and kept until it changes."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, fields
from datetime import datetime
from functools import cached_property
from types import MappingProxyType
from uuid import UUID

from mantello.workspace.models import Army
from mantello_core.memory import Memory
from mantello_core.order.subject import Subject, subject_of
from mantello_core.planning.done import Done
from mantello_core.planning.drying import DRYING
from mantello_core.planning.spray_fault import COSTLY, Faults

from .models import Settlement
from .pace import kind_of

#: bytes that an entry takes as it is kept here with what is told of it: measured
_LINE_BYTES = 1_300
_kept = Memory("logs", 12 * 2**20)


@dataclass(frozen=True, slots=True)
class Line:
    """An entry that stands, as ``Entry`` has it; of its paints the ids."""

    batch: UUID
    unit: str
    unit_name: str
    rank: str
    rank_name: str
    ordinals: tuple[int, ...]
    role: str
    step: str
    name: str
    mix: str
    paints: tuple[str, ...]
    mishap: str
    minutes: float | None
    planned_minutes: float
    drying: float
    dried: float | None
    painter: str
    done_at: datetime

    @property
    def subject(self) -> Subject:
        """What it is about."""
        return subject_of(self.role)


_COLUMNS = tuple(one.name for one in fields(Line))


@dataclass(frozen=True)
class Log:
    """What stands of an army's log, the newest first."""

    mark: str
    lines: tuple[Line, ...]
    #: figures and roles to be painted again, with the moment that was decided
    reopened: Mapping[tuple[str, str, int, str], datetime]

    @cached_property
    def done(self) -> Done:
        """Every (unit, rank, ordinal, subject, step) that is logged."""
        return frozenset(self._steps(self.lines))

    def done_before(self, moment: datetime) -> Done:
        """Those that were logged before a moment."""
        earlier = [one for one in self.lines if one.done_at < moment]
        return self.done if len(earlier) == len(self.lines) else frozenset(self._steps(earlier))

    @cached_property
    def faults(self) -> Faults:
        """Figures whose undercoat went wrong, unless they were sprayed again since without a fault."""
        found: set[tuple[str, str, int]] = set()
        for one in reversed(self.lines):
            if not one.role:
                figures = {(one.unit, one.rank, ordinal) for ordinal in one.ordinals}
                found = found | figures if one.mishap in COSTLY else found - figures
        return frozenset(found)

    @cached_property
    def paints(self) -> frozenset[str]:
        """Ids of the paints that anything was logged with."""
        return frozenset(paint for one in self.lines for paint in one.paints)

    @cached_property
    def roles(self) -> frozenset[str]:
        """What anything was logged of, as entries write it."""
        return frozenset(one.role for one in self.lines)

    def since(self, moment: datetime) -> Iterator[Line]:
        """The entries from a moment on, the newest first."""
        for one in self.lines:
            if one.done_at < moment:
                return
            yield one

    def timed_before(self, moment: datetime, painter: str = "") -> tuple[tuple[str, float, float], ...]:
        """(kind, logged, planned minutes) of every entry of a painter that was timed before a moment."""
        return tuple(
            (kind_of(one.step), one.minutes, one.planned_minutes)
            for one in self.lines
            if one.minutes is not None and one.done_at < moment and one.painter == painter
        )

    def dried_before(self, moment: datetime, painter: str = "") -> tuple[tuple[str, float, float], ...]:
        """(kind under ``DRYING``, minutes after which it was found dry, minutes planned) of entries before a moment."""
        return tuple(
            (f"{DRYING}{kind_of(one.step)}", one.dried, one.drying)
            for one in self.lines
            if one.dried is not None and one.drying > 0 and one.done_at < moment and one.painter == painter
        )

    def _steps(self, lines) -> Iterator[tuple]:
        for one in lines:
            for ordinal in one.ordinals:
                again = self.reopened.get((one.unit, one.rank, ordinal, one.role))
                if again is None or one.done_at >= again:
                    yield one.unit, one.rank, ordinal, one.subject, one.step


def log_of(army: Army) -> Log:
    """The log as it is at the mark that an army was read with; no statement where it is known since it changed last."""
    key = army.pk, army.log_mark
    known = _kept.get(key)
    if known is None:
        lines = tuple(map(_line, army.entries.standing().values_list(*_COLUMNS)))
        known = _kept.put(key, Log(army.log_mark, lines, _reopened(army)), _LINE_BYTES * (1 + len(lines)))
    return known


def _line(row: tuple) -> Line:
    told = dict(zip(_COLUMNS, row, strict=True))
    paints = tuple(str(one.get("paint", "")) for one in told["paints"])
    return Line(**told | {"ordinals": tuple(told["ordinals"]), "paints": paints})


def _reopened(army: Army) -> Mapping[tuple[str, str, int, str], datetime]:
    rows = army.settlements.filter(kind=Settlement.Kind.REPAINT).order_by("made_at")
    return MappingProxyType({
        (unit, rank, ordinal, role): made_at
        for unit, rank, ordinals, role, made_at in rows.values_list("unit", "rank", "ordinals", "role", "made_at")
        for ordinal in ordinals
    })  # fmt: skip
