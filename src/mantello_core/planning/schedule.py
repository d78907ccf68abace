"""Lay runs into sessions: one pair of hands, drying enforced per figure, waiting filled with other work."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import datetime
from zoneinfo import ZoneInfo

from ..calendar.session import Session, elapsed, later
from .style import PLAIN_STYLE, Style
from .task import Atom, Edge

#: seconds to open, shake and thin a pot, more where paints are mixed, and to get ready to spray
OPENING, MIXING, OPENING_SPRAY = 25.0, 40.0, 300.0
#: number of the lot that holds all figures of a unit, for spraying: figures on sticks go through in one go
WHOLE = -1
#: what a wish of the painter weighs against time lost, seconds
WISHED = 1e6
#: what taking up another open pot weighs against time lost, seconds: it costs a rinse, but no opening
SWITCH = 15.0
#: seconds of drying from which paint is slow, and what laying it early in a session weighs, seconds
SLOW, EARLY = 6 * 3600.0, 240.0
#: less time than this is not worth opening a pot for
SCRAP = 180.0


@dataclass(eq=False, slots=True)
class Task:
    """One run on one lot of figures."""

    run: int
    pot: str
    unit: str
    lot: int
    atoms: list[Atom]
    #: (rank, ordinal) to hands-on seconds
    figures: dict[tuple[str, int], float]
    #: tasks of the same lot that come before, with the drying after them
    before: list[tuple["Task", float]] = field(default_factory=list)
    after: list["Task"] = field(default_factory=list)
    #: seconds of work and drying still to come from its start, along the longest chain
    tail: float = 0.0
    waiting: int = 0
    #: when the hands leave each figure that is placed, in seconds of the laying's clock
    ends: dict[tuple[str, int], float] = field(default_factory=dict)
    #: figures not yet placed, in order, with their hands-on seconds; None until laying starts
    left: dict[tuple[str, int], float] | None = None
    #: earliest start in seconds of the laying's clock, once everything before it is placed
    ready: float = float("-inf")
    #: hands-on seconds of ``left``
    unplaced: float = 0.0
    #: what speaks for taking it early whenever it is offered; seconds to open its pot; those of its next figure
    worth: float = 0.0
    opens: float = OPENING
    next_figure: float = 0.0
    #: whether it dries for hours: then it is laid when the evening ends, if there is other work before
    slow: bool = False
    #: whether it is sprayed; whether several paints are mixed for it
    sprayed: bool = False
    mixed: bool = False
    #: seconds from its start until the hands come to each figure, worked out once for all layings
    offsets: dict[tuple[str, int], float] = field(default_factory=dict)

    #: figures at most in one go, so that the first is wiped in time; 0 for any number
    in_one_go: int = 0
    #: when the painter wants it, in seconds of the laying's clock; not before, and then before all else
    wish: float | None = None

    @property
    def seconds(self) -> float:
        """Hands-on seconds of the figures not yet placed."""
        return sum((self.figures if self.left is None else self.left).values())

    @property
    def drying(self) -> float:
        """Drying after it, seconds: the slowest governs."""
        return max(atom.drying for atom in self.atoms)


@dataclass(frozen=True, eq=False, slots=True)
class Block:
    """Part of a session: figures of one lot taken through one opened pot."""

    session: int
    #: the pot is opened from ``start - opening``
    opening: float
    start: datetime
    end: datetime
    task: Task
    figures: tuple[tuple[str, int], ...]
    zone: ZoneInfo | None = None

    @property
    def dry_at(self) -> datetime:
        """When the last figure of it is dry."""
        return later(self.end, self.task.drying, self.zone)


def tasks_of(runs: list[list[Atom]], edges: list[Edge], attention: int) -> list[Task]:
    """One task for every run and lot, linked along the edges; a lot is at most ``attention`` figures, save for spraying."""
    lots = _lots(runs, attention)
    tasks: list[Task] = []
    home: dict[tuple[str, int], Task] = {}
    parts: dict[tuple, dict[int, list[tuple[str, int]]]] = {}
    known: dict[tuple[str, int], tuple[str, int]] = {}
    for number, run in enumerate(runs):
        found: dict[tuple[str, int], Task] = {}
        for atom in run:
            unit, seconds = atom.unit, atom.seconds
            key = unit, atom.rank, atom.ordinals, atom.sprayed
            if key not in parts:
                parts[key] = _parts(atom, lots, known)
            for lot, figures in parts[key].items():
                task = found.get((unit, lot))
                if task is None:
                    task = found[unit, lot] = Task(number, atom.pot, unit, lot, [], {})
                task.atoms.append(atom)
                home[atom.id, lot] = task
                mine = task.figures
                for figure in figures:
                    mine[figure] = mine.get(figure, 0.0) + seconds
        tasks += found.values()
    _link(home, edges)
    return tasks


def fresh(tasks: Sequence[Task]) -> list[Task]:
    """The same tasks and links with nothing placed, for another way of laying them."""
    copies = {
        id(task): Task(
            task.run, task.pot, task.unit, task.lot, task.atoms, task.figures, tail=task.tail, offsets=task.offsets
        )
        for task in tasks
    }
    for task in tasks:
        copy = copies[id(task)]
        copy.before = [(copies[id(one)], lag) for one, lag in task.before]
        copy.after = [copies[id(one)] for one in task.after]
        copy.waiting = len(copy.before)
    return list(copies.values())


def laid(
    tasks: list[Task],
    sessions: list[Session],
    style: Style = PLAIN_STYLE,
    wishes: Mapping[str, datetime] | None = None,
) -> list[Block]:
    """Blocks in time order: always the offered task that loses least, and of those the one with most to come.

    wishes: atoms that the painter moved, with the moment they shall start; what holds them up still holds.
    Tasks that find no room in the given sessions stay unplaced.
    """
    blocks: list[Block] = []
    if not sessions:
        return blocks
    zero, zone = sessions[0].start, sessions[0].zone
    starts, ends = (
        [elapsed(zero, moment, zone) for moment in moments]
        for moments in zip(*((one.start, one.end) for one in sessions), strict=True)
    )
    sprays = [tuple(elapsed(zero, moment, zone) for moment in one.spray) if one.spray else None for one in sessions]
    patience = style.patience
    moments = {atom: elapsed(zero, moment, zone) for atom, moment in (wishes or {}).items()}
    for task, weight in zip(tasks, style.weights(len(tasks)), strict=True):
        task.left, task.unplaced = dict(task.figures), sum(task.figures.values())
        task.sprayed, task.mixed = task.atoms[0].sprayed, task.atoms[0].mixed
        task.slow = task.drying >= SLOW
        task.worth = style.chain * weight * task.tail + (900 if task.sprayed else 0)
        task.opens = OPENING_SPRAY if task.sprayed else OPENING + MIXING * task.mixed
        task.next_figure = next(iter(task.left.values()))
        task.in_one_go = _in_one_go(task)
        if moments:
            task.wish = max((moments[atom.id] for atom in task.atoms if atom.id in moments), default=None)
    offered = [task for task in tasks if not task.waiting]
    session, now, pot, opened = 0, 0.0, "", set()
    while offered and session < len(sessions):
        length = ends[session] - starts[session]
        best = _best(offered, now, pot, opened, ends[session], patience, sprays[session], length)
        if best is None and ends[session] - now > 2 * patience:
            # better to wait than to leave most of the evening unused
            best = _best(offered, now, pot, opened, ends[session], (ends[session] - now) / 2, sprays[session], length)
        if best is None:
            session += 1
            if session < len(sessions):
                now, pot, opened = starts[session], "", set()
            continue
        task, start, opening = best
        end = min(ends[session], sprays[session][1]) if task.sprayed else ends[session]
        block, now = _placed(task, session, start, opening, end, zero, zone)
        blocks.append(block)
        pot = task.pot
        if not task.sprayed:
            opened.add(pot)
        if not task.left:
            offered.remove(task)
            for child in task.after:
                child.waiting -= 1
                if not child.waiting:
                    child.ready = _ready(child)
                    offered.append(child)
    return blocks


def _parts(atom: Atom, lots, known: dict) -> dict[int, list[tuple[str, int]]]:
    """The figures of an atom lot by lot, in order. known: every figure told before, so that thousands of tasks share them."""
    found: dict[int, list[tuple[str, int]]] = {}
    for ordinal in atom.ordinals:
        figure = atom.rank, ordinal
        lot = WHOLE if atom.sprayed else lots[atom.unit, atom.rank, ordinal]
        found.setdefault(lot, []).append(known.setdefault(figure, figure))
    return found


def _lots(runs, attention):
    """(unit, rank, ordinal) to lot number: a unit's figures in order, in even lots."""
    worked = {(atom.unit, atom.rank, atom.ordinals) for run in runs for atom in run}
    figures: dict[str, set[tuple[str, int]]] = defaultdict(set)
    for unit, rank, ordinals in worked:
        figures[unit].update((rank, ordinal) for ordinal in ordinals)
    lots = {}
    for unit, found in figures.items():
        count = -(-len(found) // attention)
        for at, (rank, ordinal) in enumerate(sorted(found)):
            lots[unit, rank, ordinal] = at * count // len(found)
    return lots


def _link(home, edges):
    per_atom: dict[str, dict[int, Task]] = defaultdict(dict)
    for (atom_id, lot), task in home.items():
        per_atom[atom_id][lot] = task
    lags: dict[Task, dict[Task, float]] = defaultdict(dict)
    for edge in edges:
        following, lag = per_atom[edge.after], edge.lag
        everywhere = WHOLE in following
        for lot, one in per_atom[edge.before].items():
            # what is sprayed is one lot, whatever lots come before and after it
            if everywhere or lot == WHOLE:
                matching = following.values()
            elif lot in following:
                matching = (following[lot],)
            else:
                continue
            known = lags[one]
            for two in matching:
                if two is not one and lag > known.get(two, -1.0):
                    known[two] = lag
    for one, found in lags.items():
        for two, lag in found.items():
            two.before.append((one, lag))
            one.after.append(two)
            two.waiting += 1
    every = {id(task): task for task in home.values()}
    for task in sorted(every.values(), key=lambda one: -one.run):
        following = max((child.tail + lags[task][child] for child in task.after), default=0.0)
        task.tail = task.seconds + following


def _best(offered, now, pot, opened, end, patience, spray, length):
    """The offered task that loses least time, with its start and the seconds its pot takes to open: once an evening, for a
    mix on the palette stays open while others are used; an airbrush is cleaned between two.

    Spraying keeps to its hours. A mix of several paints is not begun where the session ends before it is used up, if a
    whole session would hold it: mixed again it would be another colour.
    """
    best, whole = None, end - now
    for task in offered:
        opening = 0.0 if task.pot == pot or task.pot in opened else task.opens
        until = task.ready - now
        if task.wish is not None and until < task.wish - now:
            until = task.wish - now
        if until < opening:
            until = opening
        left = whole
        if task.sprayed:
            if spray is None:
                continue
            until, left = max(until, spray[0] - now), min(end, spray[1]) - now
        wait = until - opening
        if wait > patience:
            continue
        room, seconds = left - until, task.unplaced
        if room < seconds and task.mixed and seconds + task.opens <= length:
            continue
        if room < task.next_figure or (opening and room < SCRAP and room < seconds):
            continue
        cut = opening if room < seconds < 5400 else 0.0
        late = EARLY if task.slow and room - seconds > 2 * SCRAP else 0.0
        score = (
            late + wait + opening + (0.0 if task.pot == pot else SWITCH) + cut - task.worth - (300 if task.ends else 0)
        )
        if task.wish is not None and task.wish <= now:
            score -= WISHED
        if best is None or score < best[0]:
            best = score, task, until, opening
    return (best[1], now + best[2], best[3]) if best else None


def _ready(task: Task) -> float:
    """Earliest start at which every figure is dry when its own turn comes; after all of a task that shares no figure."""
    offsets, at = task.offsets, 0.0
    if not offsets:
        for figure, seconds in task.figures.items():
            offsets[figure] = at
            at += seconds
    earliest = float("-inf")
    for before, lag in task.before:
        ends = before.ends
        shared = offsets.keys() & ends.keys()
        if shared:
            earliest = max(earliest, lag + max(ends[figure] - offsets[figure] for figure in shared))
        else:
            earliest = max(earliest, lag + max(ends.values(), default=earliest))
    return earliest


def _in_one_go(task: Task) -> int:
    """How many figures can be laid and then wiped before the first has set; 0 where nothing is wiped.

    Half of the time is laying, half wiping, so the first waits for the laying of all others.
    """
    window = min((atom.window for atom in task.atoms if atom.window), default=0.0)
    longest = max(task.figures.values())
    return 1 + int(window / (longest / 2)) if window else 0


def _placed(
    task: Task, session: int, start: float, opening: float, end: float, zero: datetime, zone: ZoneInfo | None
) -> tuple[Block, float]:
    """A block of as many of its figures as find room, and when it ends."""
    room, used, figures = end - start, 0.0, []
    for figure, seconds in list(task.left.items()):
        if used + seconds > room + 1e-6 or (task.in_one_go and len(figures) >= task.in_one_go):
            break
        used += seconds
        figures.append(figure)
        task.ends[figure] = start + used
        del task.left[figure]
    task.unplaced = sum(task.left.values())
    task.next_figure = next(iter(task.left.values()), 0.0)
    moments = (later(zero, seconds, zone) for seconds in (start, start + used))
    return Block(session, opening, *moments, task, tuple(figures), zone), start + used
