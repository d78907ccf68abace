"""An army's log as pages ask it: all that stands of it, read at once and kept until it changes."""

import json
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, fields
from datetime import datetime
from functools import cached_property
from types import MappingProxyType
from typing import TypeVar
from uuid import UUID

from django.db.models import TextField
from django.db.models.functions import Cast

from mantello.workspace.models import Army
from mantello_core.memory import Memory
from mantello_core.order.subject import Subject, subject_of
from mantello_core.planning.done import Done, step_of
from mantello_core.planning.drying import DRYING
from mantello_core.planning.spray_fault import COSTLY, Faults

from .models import AWAY, Settlement

T = TypeVar("T")
#: types of which the same values come in many entries
_SHARED = (str, tuple, UUID, datetime)
#: bytes that an entry takes as it is kept here with what is told of it: measured
_LINE_BYTES = 1_000
#: entries up to which a log is read anew when it changed: one question is sooner answered than two
_FEW = 200
#: moments before which something was asked of a log that are remembered
_MOMENTS = 12
_kept = Memory("logs", 14 * 2**20)


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
    coats: int
    #: number of the version of the scheme it was painted to
    version: int
    #: whether nobody counted its coats, since it was not done at the desk
    away: bool
    done_at: datetime

    @property
    def subject(self) -> Subject:
        """What it is about."""
        return subject_of(self.role)

    @property
    def spent(self) -> float:
        """Its minutes at the desk: as logged, or as planned where the painter did not know."""
        return self.planned_minutes if self.minutes is None else self.minutes


#: where a field of a line is asked under another name
_ASKED = {"version": "version__number", "away": "note", "ordinals": "ordinals_text", "paints": "paints_text"}
_COLUMNS = tuple(_ASKED.get(one.name, one.name) for one in fields(Line))
#: an entry's number, and the mark of the change that left it as it is
_Key = tuple[int, str]


@dataclass(frozen=True)
class Log:
    """What stands of an army's log, the newest first."""

    mark: str
    lines: tuple[Line, ...]
    #: figures and roles to be painted again, with the moment that was decided
    reopened: Mapping[tuple[str, str, int, str], datetime]
    #: what tells each line from what stood there before it was changed
    keys: tuple[_Key, ...] = ()

    @cached_property
    def done(self) -> Done:
        """Every (unit, rank, ordinal, subject, step) that is logged."""
        return frozenset(self._steps(self.lines))

    def done_before(self, moment: datetime) -> Done:
        """Those that were logged before a moment."""
        earlier = self._before(moment)
        if len(earlier) == len(self.lines):
            return self.done
        return self._told(moment, "done", lambda: frozenset(self._steps(earlier)))

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
        return self._told(
            moment,
            f"timed {painter}",
            lambda: tuple(
                (kind_of(one.step), one.minutes, one.planned_minutes)
                for one in self._before(moment)
                if one.minutes is not None and one.painter == painter
            ),
        )

    def dried_before(self, moment: datetime, painter: str = "") -> tuple[tuple[str, float, float], ...]:
        """(kind under ``DRYING``, minutes after which it was found dry, minutes planned) of entries before a moment."""
        return self._told(
            moment,
            f"dried {painter}",
            lambda: tuple(
                (f"{DRYING}{kind_of(one.step)}", one.dried, one.drying)
                for one in self._before(moment)
                if one.dried is not None and one.drying > 0 and one.painter == painter
            ),
        )

    def _before(self, moment: datetime) -> tuple[Line, ...]:
        since = next((at for at, one in enumerate(self.lines) if one.done_at < moment), len(self.lines))
        return self.lines[since:]

    @cached_property
    def _earlier(self) -> dict[tuple[datetime, str], object]:
        """What was told of the entries before moments."""
        return {}

    def _told(self, moment: datetime, what: str, work: Callable[[], T]) -> T:
        known = self._earlier
        told = known.get((moment, what))  # other threads may empty it meanwhile
        if told is None:
            if len(known) >= _MOMENTS:
                known.clear()
            told = known[moment, what] = work()
        return told

    def taken_over(self, before: "Log") -> None:
        """What is known of the log as it was before follows here too, where nothing that is new speaks of it.

        Once an entry of the one before does not stand as it did, everything is asked anew.
        """
        mine, its = set(self.keys), set(before.keys)
        if not its <= mine or self.reopened != before.reopened:
            return
        added = [line for key, line in zip(self.keys, self.lines, strict=True) if key not in its]
        done = vars(before).get("done")
        if done is not None:
            vars(self)["done"] = done.union(self._steps(added))
        first = min((line.done_at for line in added), default=None)
        known = dict(vars(before).get("_earlier", {}))
        vars(self)["_earlier"] = {key: told for key, told in known.items() if first is None or key[0] <= first}

    def _steps(self, lines) -> Iterator[tuple]:
        subjects: dict[str, Subject] = {}
        for one in lines:
            subject = subjects.get(one.role) or subjects.setdefault(one.role, subject_of(one.role))
            for ordinal in one.ordinals:
                again = self.reopened.get((one.unit, one.rank, ordinal, one.role)) if self.reopened else None
                if again is None or one.done_at >= again:
                    yield one.unit, one.rank, ordinal, subject, one.step


def kind_of(step: str) -> str:
    """The kind of step that an id stands for: 'base-2' is a base."""
    return step_of(step).rstrip("0123456789-")


def log_of(army: Army) -> Log:
    """The log as it is at the mark that an army was read with; no statement where it is known since it changed last.

    Of a log that changed only those entries are read that did: an entry is known by its number and the mark of the change that
    left it as it is.
    """
    known = _kept.get(army.pk)
    if known is not None and known.mark == army.log_mark:
        return known
    made = _read_after(army, known) if known and len(known.lines) > _FEW else _read(army)
    return _kept.renew(army.pk, made, _LINE_BYTES * (1 + len(made.lines)))


def _read(army: Army) -> Log:
    found = _rows(army.entries.standing())
    return Log(army.log_mark, tuple(found.values()), _reopened(army), tuple(found))


def _read_after(army: Army, before: Log) -> Log:
    standing = army.entries.standing()
    keys = list(standing.values_list("pk", "mark"))
    known = dict(zip(before.keys, before.lines, strict=True))
    missing = [pk for pk, mark in keys if (pk, mark) not in known]
    if 2 * len(missing) > len(keys):
        return _read(army)
    known |= _rows(standing.filter(pk__in=missing)) if missing else {}
    # what changed between the two questions has another mark, by which the log will be read again
    found = {key: known[key] for key in keys if key in known}
    made = Log(army.log_mark, tuple(found.values()), _reopened(army), tuple(found))
    made.taken_over(before)
    return made


def _rows(entries) -> dict[_Key, Line]:
    """Entries as lines, in order. What many of them have is read and held once."""
    shared: dict = {}
    share = shared.setdefault
    known: dict[str, tuple] = {}
    rows = entries.annotate(ordinals_text=_text("ordinals"), paints_text=_text("paints"))
    found = {}
    for pk, mark, *row in rows.values_list("pk", "mark", *_COLUMNS):
        for at, read in _READ.items():
            value = row[at]
            row[at] = known[value] if value in known else known.setdefault(value, read(value))
        found[pk, share(mark, mark)] = Line(*[share(one, one) if type(one) in _SHARED else one for one in row])
    return found


def _text(name: str) -> Cast:
    """A column of JSON as it is written: few are, and each is read once."""
    return Cast(name, TextField())


def _paints(text: str) -> tuple[str, ...]:
    return tuple(str(one.get("paint", "")) for one in json.loads(text))


#: how columns are read that are not kept as a line has them, by their place in it
_READ = {
    _COLUMNS.index("ordinals_text"): lambda text: tuple(json.loads(text)),
    _COLUMNS.index("paints_text"): _paints,
    _COLUMNS.index("note"): lambda note: note == AWAY,
}


def _reopened(army: Army) -> Mapping[tuple[str, str, int, str], datetime]:
    rows = army.settlements.filter(kind=Settlement.Kind.REPAINT).order_by("made_at")
    return MappingProxyType({
        (unit, rank, ordinal, role): made_at
        for unit, rank, ordinals, role, made_at in rows.values_list("unit", "rank", "ordinals", "role", "made_at")
        for ordinal in ordinals
    })  # fmt: skip
