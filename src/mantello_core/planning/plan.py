"""The plan of a design: compile, order, merge, lay into sessions, and say how good it is."""

from collections.abc import Hashable
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property

from ..calendar.evenings import Evenings
from ..calendar.session import Session, elapsed, sessions
from ..design.design import Design
from ..order.phases import phase_list
from ..scheme.cascade import Resolution, resolve
from .compiling import RankSheet, compiled
from .desk_room import desk_limit
from .done import Done
from .merging import runs
from .schedule import OPENING, Block, Task, fresh, laid, tasks_of
from .spray_fault import Faults
from .style import PATIENCE, PLAIN_STYLE, Style
from .task import Atom, Edge
from .validating import Painted

#: minutes of waiting from which on it is a break: one leaves the desk and comes back
BREAK = 15.0
#: sessions looked ahead
HORIZON = 120
#: share of the desk time that waiting may take without another style being tried
WAITS_LITTLE = 0.06
#: tasks up to which other weights of the chain to come are tried too: it takes no time then
SMALL = 600
_SMALL_STYLES = (Style(chain=0.003), Style(chain=0.01), Style(chain=0.03))


@dataclass(frozen=True, eq=False)
class Plan:
    """What to paint in which session."""

    sessions: tuple[Session, ...]
    blocks: tuple[Block, ...]
    tasks: tuple[Task, ...]
    edges: tuple[Edge, ...]
    #: how it was laid
    style: Style = PLAIN_STYLE

    @property
    def finish(self) -> datetime | None:
        """When the last brush stroke is done; None if there is work the horizon does not hold."""
        return self.blocks[-1].end if self.blocks and not self.unplaced else None

    @cached_property
    def unplaced(self) -> list[Task]:
        """Tasks that found no room."""
        return [task for task in self.tasks if task.seconds > 0.5]

    @cached_property
    def hands_on(self) -> float:
        """Brush minutes."""
        return sum(elapsed(block.start, block.end, block.zone) for block in self.blocks) / 60

    @cached_property
    def openings(self) -> int:
        """How often a pot is opened."""
        return sum(block.opening > 0 for block in self.blocks)

    @cached_property
    def _waits(self) -> tuple[float, ...]:
        """Minutes waited before every block, inside its session."""
        waits, last = [], {}
        for block in self.blocks:
            free = last.get(block.session, self.sessions[block.session].start)
            waits.append((elapsed(free, block.start, block.zone) - block.opening) / 60)
            last[block.session] = block.end
        return tuple(waits)

    @property
    def idle(self) -> float:
        """Minutes waited inside sessions, breaks included."""
        return sum(self._waits)

    @cached_property
    def breaks(self) -> tuple[float, ...]:
        """Waits so long that nobody stays at the desk, minutes each."""
        return tuple(wait for wait in self._waits if wait >= BREAK)

    @cached_property
    def desk_minutes(self) -> float:
        """Minutes at the desk: brush, opening and waiting; in a break one leaves it."""
        return self.hands_on + self.idle - sum(self.breaks) + sum(block.opening for block in self.blocks) / 60

    @property
    def rating(self) -> tuple[int, float]:
        """What plans are compared by: work that finds no room, then minutes from first to last of every session."""
        return len(self.unplaced), self.desk_minutes + sum(self.breaks)

    @cached_property
    def bound(self) -> float:
        """Minutes no plan can beat: all brushwork, and every pot opened once."""
        return self.hands_on + len({task.pot for task in self.tasks}) * OPENING / 60

    @property
    def gap(self) -> float:
        """How far the desk minutes lie above the bound, as a share of it."""
        return self.desk_minutes / self.bound - 1 if self.bound else 0.0

    def stretches(self) -> list[Painted]:
        """The plan as its validator reads it."""
        return [
            Painted(
                block.start, block.end, block.opening, block.task.pot, block.task.unit, block.figures,
                tuple((atom.rank, atom.subject, atom.logged) for atom in block.task.atoms), block.task.lot,
            )
            for block in self.blocks
        ]  # fmt: skip

    def of(self, session: int) -> list[Block]:
        """The blocks of one session, in order."""
        return self._by_session.get(session, [])

    @cached_property
    def _by_session(self) -> dict[int, list[Block]]:
        found: dict[int, list[Block]] = {}
        for block in self.blocks:
            found.setdefault(block.session, []).append(block)
        return found


def plan(
    design: Design,
    start: datetime,
    *,
    done: Done = frozenset(),
    units: tuple[str, ...] = (),
    horizon: int = HORIZON,
    resolution: Resolution | None = None,
) -> Plan:
    """Plan what is left from ``start`` on.

    Raises: OutOfRange if no evening is marked.
    """
    resolution = resolution or resolve(design.army, design.scheme)
    return laid_out(prepared(design, resolution, done, units), design.evenings, start, horizon)


@dataclass(frozen=True, eq=False)
class Prepared:
    """Work made ready to be laid: what does not change with calendar and date."""

    tasks: tuple[Task, ...]
    edges: tuple[Edge, ...]


def cut_by(design: Design) -> Hashable:
    """All of a design, besides its rank sheets, by which ``prepared`` cuts work: the same while it cuts the same."""
    evenings, order = design.evenings, design.scheme.order
    return (
        tuple(unit.id for unit in design.army.units), design.army.figures, phase_list(design).place("matt"),
        order.alone, order.runs, evenings.first, evenings.due, evenings.attention, evenings.desk, evenings.air, evenings.aid,
        evenings.pace,
    )  # fmt: skip


def prepared(
    design: Design,
    resolution: Resolution,
    done: Done = frozenset(),
    units: tuple[str, ...] = (),
    pace: tuple[tuple[str, float], ...] = (),
    sheets: tuple[RankSheet, ...] | None = None,
    faults: Faults = frozenset(),
) -> Prepared:
    """What is left, compiled, put in order, merged and cut into lots, wave by wave.

    pace: kinds of step with what this painter takes longer or less by; see ``pace``. sheets, faults: as ``compiled`` takes them.
    """
    work = compiled(design, resolution, done, units, pace, sheets, faults)
    waves = _waves(design, work.atoms)
    wave_of = {atom.id: number for number, wave in enumerate(waves) for atom in wave}
    within: list[list[Edge]] = [[] for _ in waves]
    for edge in work.edges:
        number = wave_of.get(edge.before)
        if number is not None and number == wave_of.get(edge.after):
            within[number].append(edge)
    alone = frozenset(design.scheme.order.alone)
    ready = [(runs(list(wave), edges, alone), edges) for wave, edges in zip(waves, within, strict=True)]
    kept = [edge for edges in within for edge in edges]
    return Prepared(tuple(_all_tasks(ready, design.evenings.attention, phase_list(design).place("matt"))), tuple(kept))


def laid_out(
    work: Prepared, evenings: Evenings, start: datetime, horizon: int = HORIZON, found: Style | None = None
) -> Plan:
    """Prepared work laid into sessions.

    A second, more patient style is tried where the first waits much, several where there is little to lay, and one that a
    search ``found``; the plan with the fewest desk minutes is kept.
    Raises: OutOfRange if no evening is marked.
    """
    best = laid_as(work, evenings, start, PLAIN_STYLE, horizon)
    others = list(_SMALL_STYLES) if len(work.tasks) <= SMALL else []
    if best.unplaced or best.idle > WAITS_LITTLE * best.desk_minutes:
        others.append(Style(2.4 * PATIENCE))
    if found:
        others.append(found)
    for style in others:
        candidate = laid_as(work, evenings, start, style, horizon)
        if candidate.rating < best.rating:
            best = candidate
    return best


def laid_as(work: Prepared, evenings: Evenings, start: datetime, style: Style, horizon: int = HORIZON) -> Plan:
    """Prepared work laid into sessions in one style.

    Raises: OutOfRange if no evening is marked.
    """
    coming, tasks = sessions(evenings, start, horizon), fresh(work.tasks)
    wishes = {atom: datetime.fromisoformat(moment) for atom, moment in evenings.wishes}
    blocks = laid(tasks, coming, style, wishes)
    return Plan(tuple(coming), tuple(blocks), tuple(tasks), work.edges, style)


def _waves(design: Design, atoms: tuple[Atom, ...]) -> list[tuple[Atom, ...]]:
    """Units in tree order, those that shall come first and those that are wanted soonest before them, taken together up
    to the desk limit; units that are joined for a run stay together."""
    waves: list[list[str]] = []
    size, most = 0, desk_limit(design)
    first, due = {unit: at for at, unit in enumerate(design.evenings.first)}, dict(design.evenings.due)
    known = {unit.id: unit for unit in design.army.units}
    joined: dict[str, tuple[str, ...]] = {unit: run.units for run in design.scheme.order.runs for unit in run.units}
    placed: set[str] = set()
    for unit in sorted(known.values(), key=lambda one: (first.get(one.id, len(first)), due.get(one.id, "9"))):
        together = [one for one in joined.get(unit.id, (unit.id,)) if one in known and one not in placed]
        if unit.id in placed:
            continue
        figures = sum(known[one].figures for one in together)
        if not waves or size + figures > most:
            waves.append([])
            size = 0
        waves[-1] += together
        placed.update(together)
        size += figures
    grouped = (tuple(atom for atom in atoms if atom.unit in wave) for wave in waves)
    return [wave for wave in grouped if wave]


def _all_tasks(ready, attention: int, sealed: int) -> list[Task]:
    """Tasks of all waves; each wave's first tasks wait for the colours of the one before. What that one gets besides them
    (varnish, dirt, plants, the rim) goes on meanwhile, and fills the waits."""
    tasks: list[Task] = []
    offset, previous = 0, []
    for groups, edges in ready:
        wave = tasks_of(groups, edges, attention)
        for task in wave:
            task.run += offset
        if previous:
            late = _finishing(previous, sealed)
            ends = [task for task in previous if task not in late and all(one in late for one in task.after)]
            for task in wave:
                if not task.before:
                    for end in ends:
                        task.before.append((end, 0.0))
                        end.after.append(task)
                        task.waiting += 1
        offset += len(groups)
        tasks += wave
        previous = wave
    return tasks


def _finishing(tasks: list[Task], sealed: int) -> set[Task]:
    """What figures get from the phase on in which they are sealed, and all that comes after it, such as plants; but no colour of
    an earlier phase that was put behind it: its figures are still in hand."""
    found: set[Task] = set()
    waiting = [task for task in tasks if all(atom.phase >= sealed for atom in task.atoms)]
    while waiting:
        task = waiting.pop()
        if task not in found and not any(_is_colour(atom, sealed) for atom in task.atoms):
            found.add(task)
            waiting += task.after
    return found


def _is_colour(atom: Atom, sealed: int) -> bool:
    return atom.phase < sealed and not (atom.subject.piece or atom.subject.is_ground)
