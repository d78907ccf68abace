"""Tonight: the plan of an army from its session on, with what the log says is done of it."""

import hashlib
from collections.abc import Iterator
from copy import copy
from dataclasses import replace
from datetime import datetime, timedelta
from functools import cached_property
from itertools import islice

from django.utils import timezone

from mantello.record.log import Line, log_of
from mantello.trials.trial import tried_before
from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.calendar.evenings import Evenings
from mantello_core.calendar.session import sessions
from mantello_core.order.subject import GROUND, of_pass, of_role
from mantello_core.paints.range import paints
from mantello_core.planning.done import is_done
from mantello_core.planning.loose import loose_part
from mantello_core.planning.mark_chain import beneath
from mantello_core.planning.plan import Plan, Prepared, laid_as
from mantello_core.planning.schedule import Block
from mantello_core.record.pace import Pace, pace_of

from .batch import Batch, title_of
from .better import style_found
from .laying import laid_plan, ready_work
from .models import Replan

#: how long a room is aired after spraying, at least; the can's label comes first
AIRING = timedelta(minutes=20)
#: longer than anything dries
LONGEST = timedelta(days=3)
#: minutes after which papers are made anew though nothing was logged: what dries may be ready by then
_FRESH = 10
#: sessions that are laid while work is dragged
_TRIED = 2
#: work that was moved: (id of an atom, moment)
Wishes = tuple[tuple[str, str], ...]


def lately() -> str:
    """The moment as papers are asked for: the same for a while, so that whoever waited for one is given it."""
    now = timezone.now()
    return now.replace(minute=now.minute // _FRESH * _FRESH, second=0, microsecond=0).isoformat()


class Evening:
    """The plan from tonight on, and how it stands."""

    def __init__(self, army: Army, now: datetime, painter: str = ""):
        """painter: id of whose evening it is; '' for the owner's."""
        self.army = army
        self.reading: Reading = reading_of(army.head)
        self.painter = painter
        self.now = timezone.localtime(now)
        evenings = self.reading.design.evenings
        self.evenings: Evenings = evenings.of_painter(painter)
        self.start, since = self._start_and_since()
        self.log = log_of(army)
        self.done_before = self.log.done_before(since)
        self.done = self.log.done
        #: figures whose undercoat went wrong
        self.faults = self.log.faults
        #: minutes logged before this session, and the pace they and the drying give
        self.timed = self.log.timed_before(since, painter)
        tried = () if painter else tried_before(army, self.reading, since)
        self.pace: Pace = pace_of((*self.timed, *tried, *self.log.dried_before(since, painter)))

    @cached_property
    def plan(self) -> Plan:
        """The plan from the start of the session on."""
        found = style_found(self.army, self.painter)
        return laid_plan(self.work, self.evenings, timezone.make_naive(self.start), found)

    def tried(self, wishes: Wishes) -> "Evening":
        """The first sessions as they would be laid with other work moved; nothing is kept of it."""
        other = copy(self)
        for name in ("plan", "tonight", "current"):
            other.__dict__.pop(name, None)
        other.evenings = replace(self.evenings, wishes=wishes)
        other.plan = laid_as(self.work, other.evenings, timezone.make_naive(self.start), self.plan.style, _TRIED)
        return other

    @property
    def work(self) -> Prepared:
        """What is left for this painter, made ready to be laid."""
        return ready_work(self.reading, self.done_before, self.pace, self.painter, self.faults)

    @property
    def count(self) -> int:
        """How many batches there are."""
        return len(self.plan.blocks)

    @cached_property
    def tonight(self) -> list[Batch]:
        """The batches of the first session."""
        return self.batches_of(0)

    @cached_property
    def current(self) -> Batch | None:
        """The first batch that is not done."""
        return next(self._open(1), None)

    @property
    def sessions_left(self) -> int:
        """How many sessions have a batch that is not done."""
        sessions: dict[int, list[Block]] = {}
        for block in self.plan.blocks:
            sessions.setdefault(block.session, []).append(block)
        return sum(any(self._left(block) for block in blocks) for blocks in sessions.values())

    def batches_of(self, session: int) -> list[Batch]:
        """The batches of one session, in order."""
        return [self._batch(number) for number, block in enumerate(self.plan.blocks, 1) if block.session == session]

    def find(self, batch_id: str) -> Batch | None:
        """The batch of that id."""
        if not batch_id:
            return None
        return next(
            (self._batch(number) for number, block in enumerate(self.plan.blocks, 1) if _mark(block) == batch_id), None
        )

    def after(self, batch: Batch, count: int) -> list[Batch]:
        """The next batches after one that are not done."""
        return list(islice(self._open(batch.number + 1), count))

    def _open(self, first: int) -> Iterator[Batch]:
        """The batches from a number on that are not done, made as they are asked for: a plan has hundreds."""
        return (
            self._batch(number) for number in range(first, self.count + 1) if self._left(self.plan.blocks[number - 1])
        )

    def drying_until(self, batch: Batch) -> datetime | None:
        """When the last layer under a batch is dry by the log; None if it is by now."""
        beneath_it = {atom.subject for atom in batch.atoms} | {GROUND}
        beneath_it |= {of_pass(one.id) for one in self.reading.design.scheme.passes}
        if batch.atoms[0].subject.site:
            ranks = {atom.rank for atom in batch.atoms}
            classes = [one for one in self.reading.resolution.of_unit(batch.block.task.unit) if one.rank in ranks]
            beneath_it |= {of_role(role) for known in beneath(classes).values() for role in known}
        whole = bool(batch.atoms[0].subject.piece)
        figures = set(batch.left)
        until = None
        for entry in self.log.since(self.now - LONGEST):
            mine = entry.unit == batch.block.task.unit and (whole or entry.subject in beneath_it)
            if mine and figures & {(entry.rank, ordinal) for ordinal in entry.ordinals}:
                dry = dry_by(entry)
                until = max(until, dry) if until else dry
        return timezone.localtime(until) if until and until > self.now else None

    def still_drying(self) -> list[tuple[datetime, Line]]:
        """Logged entries that are not dry yet, the first to dry first."""
        recent = self.log.since(self.now - LONGEST)
        wet = [(timezone.localtime(dry_by(entry)), entry) for entry in recent]
        return sorted(((dry, entry) for dry, entry in wet if dry > self.now), key=lambda pair: pair[0])

    def airing(self) -> datetime | None:
        """Until when the room is to be aired after the last spraying; None if it was long enough ago."""
        sprayed = {pot.id for pot in paints().values() if pot.sprayed}
        recent = self.log.since(self.now - AIRING)
        last = next((one.done_at for one in recent if not sprayed.isdisjoint(one.paints)), None)
        return timezone.localtime(last + AIRING) if last else None

    def _start_and_since(self) -> tuple[datetime, datetime]:
        """When the plan starts, and since when the log counts as part of it: the end of the last session.

        So what is painted before the session, or in it, is ticked off the plan instead of changing it.
        """
        tonight, since = _sessions_around(self.evenings, self.now)
        asked = Replan.objects.filter(army=self.army).first()
        if asked and asked.start <= self.now:
            return max(tonight, asked.start), max(since, asked.start)
        return tonight, since

    def _left(self, block: Block) -> tuple[tuple[str, int], ...]:
        """Figures of a block that are not logged for all its steps."""
        task = block.task
        return tuple(
            (rank, ordinal)
            for rank, ordinal in block.figures
            if not all(
                is_done(atom, ordinal, self.done)
                for atom in task.atoms
                if atom.rank == rank and ordinal in atom.ordinals
            )
        )

    def _batch(self, number: int) -> Batch:
        block = self.plan.blocks[number - 1]
        task = block.task
        return Batch(
            _mark(block),
            number,
            block,
            title_of(self.reading, task.atoms),
            self.reading.design.army.title(task.unit),
            self._mix(task),
            self._left(block),
            loose_part(self.reading.design, self.reading.resolution, task.atoms),
        )

    def _mix(self, task) -> str:
        return task.pot.split("|", 1)[1]


def dry_by(entry: Line) -> datetime:
    """When what an entry laid is dry: as it was found, or as planned."""
    return entry.done_at + timedelta(minutes=entry.drying if entry.dried is None else entry.dried)


def _mark(block: Block) -> str:
    said = "|".join(
        [
            *sorted(atom.id for atom in block.task.atoms),
            *(f"{rank} {ordinal}" for rank, ordinal in block.figures),
            str(block.start),
        ]
    )
    return hashlib.sha256(said.encode()).hexdigest()[:16]


def _sessions_around(evenings, now: datetime) -> tuple[datetime, datetime]:
    """Start of the session that is on, or of the next one; and the end of the one before it."""
    local = now.replace(tzinfo=None)
    week_ago = local.replace(hour=0, minute=0, second=0, microsecond=0) - timedelta(days=8)
    near = sessions(evenings, week_ago, 9 * len(evenings.pattern))
    coming = next(session for session in near if session.end > local)
    past = [session.end for session in near if session.end <= local]
    return timezone.make_aware(coming.start, now.tzinfo), timezone.make_aware(past[-1], now.tzinfo)
