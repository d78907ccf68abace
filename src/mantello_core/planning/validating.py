"""Whether a plan is legal: every rule it must keep, read from the plan itself and not from how it was made."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from itertools import pairwise

from ..calendar.session import elapsed, later, sessions
from ..design.design import Design
from ..order.phases import phase_list
from ..order.rules import LAID_ON, PHASES
from ..order.subject import Subject
from ..scheme.cascade import Resolution
from .compiling import compiled
from .desk_room import desk_limit
from .done import Done

#: seconds that rounding may cost
SLACK = 1.5
#: sessions that a plan is held against, at most
_MOST_SESSIONS = 600


@dataclass(frozen=True)
class Painted:
    """One stretch of a plan: figures of a unit taken through steps with one pot, on the painter's clock."""

    start: datetime
    end: datetime
    #: seconds before the start in which the pot is opened or the mix is made
    opening: float
    pot: str
    unit: str
    #: (rank, ordinal), in the order they are painted
    figures: tuple[tuple[str, int], ...]
    #: (rank, subject, step)
    steps: tuple[tuple[str, Subject, str], ...]
    #: figures of a unit that go through together have one number
    lot: int = 0


@dataclass(frozen=True)
class Fault:
    """One rule that is broken: 'missing', 'twice', 'unknown', 'order', 'hands', 'session', 'spray', 'opening', 'mix',
    'window' or 'desk'."""

    rule: str
    what: str


def faults_of(
    design: Design,
    resolution: Resolution,
    start: datetime,
    stretches: Sequence[Painted],
    *,
    done: Done = frozenset(),
    units: tuple[str, ...] = (),
    complete: bool = True,
) -> tuple[Fault, ...]:
    """What is wrong with a plan; nothing if it is legal.

    Every step of every figure comes once; each figure's steps keep their hard order with drying; one pair of hands, in
    the painter's sessions; sprays in their hours; a mix is opened once in a session; a mix of several paints is used up in the session it is made in, if
    a whole session would hold it; what is wiped is wiped inside its window. complete: whether steps that are not planned at all are a fault.
    Raises: OutOfRange if there are no evenings.
    """
    work = compiled(design, resolution, done, units)
    ordered = sorted(stretches, key=lambda one: one.start)
    evenings = sessions(design.evenings, start, _MOST_SESSIONS)
    zone = evenings[0].zone if evenings else None
    found = [
        *_coverage(work, ordered, complete), *_hands(ordered, zone), *_in_sessions(ordered, evenings, work),
        *_order(work, ordered, zone), *_openings(work, ordered, evenings), *_mixes(work, ordered, evenings, zone), *_windows(work, ordered, zone),
        *_desk(design, ordered, work),
    ]  # fmt: skip
    return tuple(found)


def _atoms(work) -> dict[tuple[str, str, Subject, str], list]:
    """Atoms by unit, rank, subject and step; several where a mark's step uses several paints."""
    found: dict[tuple[str, str, Subject, str], list] = defaultdict(list)
    for atom in work.atoms:
        found[atom.unit, atom.rank, atom.subject, atom.logged].append(atom)
    return found


def _steps_of(one: Painted):
    """(unit, rank, ordinal, subject, step) of a stretch, in the order of its figures."""
    for rank, ordinal in one.figures:
        for at, subject, step in one.steps:
            if at == rank:
                yield one.unit, rank, ordinal, subject, step


def _coverage(work, stretches: Sequence[Painted], complete: bool):
    wanted = {
        (atom.unit, atom.rank, ordinal, atom.subject, atom.logged) for atom in work.atoms for ordinal in atom.ordinals
    }
    known = _atoms(work)
    counted: dict[tuple, int] = defaultdict(int)
    for one in stretches:
        for key in _steps_of(one):
            unit, rank, ordinal, subject, step = key
            atoms = known.get((unit, rank, subject, step), [])
            if key in wanted and any(ordinal in atom.ordinals for atom in atoms):
                counted[key] += 1
            elif not atoms:
                yield Fault("unknown", f"{rank} {ordinal} of {unit}: there is no step '{step}' of '{subject.text}'")
            # a stretch may name steps that just some of its figures need: the others are left out by the rank's ordinals
    for key, count in counted.items():
        if count > 1:
            yield Fault("twice", f"{_said(key)} is planned {count} times")
    if complete:
        for key in sorted(wanted - set(counted)):
            yield Fault("missing", f"{_said(key)} is not planned")


def _hands(stretches: Sequence[Painted], zone):
    for one, two in pairwise(stretches):
        if elapsed(one.end, two.start, zone) - two.opening < -SLACK:
            yield Fault("hands", f"{two.pot} begins at {two.start} before {one.pot} has ended at {one.end}")
    for one in stretches:
        if one.end < one.start:
            yield Fault("hands", f"{one.pot} ends at {one.end} before it begins at {one.start}")


def _in_sessions(stretches: Sequence[Painted], evenings, work):
    sprayed = {atom.pot for atom in work.atoms if atom.sprayed}
    for one in stretches:
        zone = evenings[0].zone if evenings else None
        home = next(
            (each for each in evenings if elapsed(each.start, one.start, zone) - one.opening >= -SLACK and elapsed(one.end, each.end, zone) >= -SLACK),
            None,
        )  # fmt: skip
        if home is None:
            yield Fault("session", f"{one.pot} from {one.start} to {one.end} lies in no session")
        elif one.pot in sprayed:
            inside = home.spray and (
                elapsed(home.spray[0], one.start, zone) >= -SLACK and elapsed(one.end, home.spray[1], zone) >= -SLACK
            )
            if not inside:
                yield Fault("spray", f"{one.pot} from {one.start} to {one.end} is sprayed when it may not be")


def _times(work, stretches: Sequence[Painted], zone) -> dict[tuple, tuple[datetime, datetime, int]]:
    """For every step of every figure when the hands are on it, and in which stretch: a stretch's time is shared out by what
    each figure needs."""
    seconds = {
        (atom.unit, atom.rank, ordinal, atom.subject, atom.logged): atom.seconds
        for atom in work.atoms
        for ordinal in atom.ordinals
    }
    found = {}
    for number, one in enumerate(stretches):
        each = [(figure, sum(seconds.get((one.unit, *figure, subject, step), 0.0) for rank, subject, step in one.steps if rank == figure[0]))
                for figure in one.figures]  # fmt: skip
        total = sum(spent for _, spent in each) or 1.0
        length, at = elapsed(one.start, one.end, zone), 0.0
        for figure, spent in each:
            begin = later(one.start, at, zone)
            at += spent / total * length
            for rank, subject, step in one.steps:
                if rank == figure[0]:
                    found[one.unit, *figure, subject, step] = begin, later(one.start, at, zone), number
    return found


def _order(work, stretches: Sequence[Painted], zone):
    times = _times(work, stretches, zone)
    atoms = {atom.id: atom for atom in work.atoms}
    for edge in work.edges:
        if not (edge.rule.hard or edge.rule.id in (PHASES.id, LAID_ON.id)):
            continue
        before, after = atoms[edge.before], atoms[edge.after]
        for ordinal in set(before.ordinals) & set(after.ordinals):
            first = times.get((before.unit, before.rank, ordinal, before.subject, before.logged))
            second = times.get((after.unit, after.rank, ordinal, after.subject, after.logged))
            # with one brush, one after the other on each figure
            if first and second and first[2] == second[2] and not edge.lag:
                continue
            if first and second and elapsed(first[1], second[0], zone) < edge.lag - SLACK:
                yield Fault(
                    "order",
                    f"{before.rank} {ordinal} of {before.unit}: {after.name} begins {second[0]}, but {before.name} ends"
                    f" {first[1]} and dries {edge.lag / 60:.0f} min ({edge.rule.name})",
                )


def _openings(work, stretches: Sequence[Painted], evenings):
    """A mix is opened once in a session, whatever it is used for; what is sprayed is cleaned out between two."""
    sprayed = {atom.pot for atom in work.atoms if atom.sprayed}
    opened: dict[tuple[str, int], datetime] = {}
    for one in stretches:
        home = next((at for at, each in enumerate(evenings) if each.start <= one.start and one.end <= each.end), -1)
        if one.pot in sprayed or not one.opening or home < 0:
            continue
        if (one.pot, home) in opened:
            yield Fault(
                "opening", f"{one.pot} is opened at {opened[one.pot, home]} and again at {one.start}, in one session"
            )
        opened.setdefault((one.pot, home), one.start)


def _mixes(work, stretches: Sequence[Painted], evenings, zone):
    mixed = {atom.pot: atom for atom in work.atoms if atom.mixed}
    shortest = min((one.seconds for one in evenings[1:]), default=0.0)
    by_lot: dict[tuple, list[Painted]] = defaultdict(list)
    for one in stretches:
        if one.pot in mixed:
            by_lot[one.pot, one.unit, one.lot, one.steps].append(one)
    for (pot, unit, lot, _), parts in by_lot.items():
        homes = {
            next((at for at, each in enumerate(evenings) if each.start <= one.start and one.end <= each.end), -1)
            for one in parts
        }
        whole = sum(elapsed(one.start, one.end, zone) for one in parts) + max(one.opening for one in parts)
        if len(homes) > 1 and whole <= shortest:
            yield Fault(
                "mix",
                f"{pot} for lot {lot + 1} of {unit} is mixed again in {len(homes)} sessions, though one would hold it",
            )


def _windows(work, stretches: Sequence[Painted], zone):
    """What is wiped is laid on all figures of a stretch and then wiped on all: the first waits for all others' laying."""
    known = _atoms(work)
    for one in stretches:
        windows = [
            atom.window
            for rank, subject, step in one.steps
            for atom in known.get((one.unit, rank, subject, step), ())
            if atom.window
        ]
        if windows:
            waited = elapsed(one.start, one.end, zone) / 2 * (len(one.figures) - 1) / max(1, len(one.figures))
            if waited > min(windows) + SLACK:
                yield Fault(
                    "window",
                    f"{one.pot} is laid on {len(one.figures)} figures from {one.start}: the first is wiped after"
                    f" {waited / 60:.0f} min, though it can be for {min(windows) / 60:.0f} min",
                )


def _desk(design: Design, stretches: Sequence[Painted], work):
    """Figures whose colours are begun and not finished never exceed the desk, but for one unit, or one run of units, that
    is larger by itself."""
    sealed = phase_list(design).place("matt")
    colours = {
        (atom.unit, atom.rank, atom.subject, atom.logged)
        for atom in work.atoms
        if atom.phase < sealed and not (atom.subject.piece or atom.subject.is_ground)
    }
    spans: dict[str, tuple[datetime, datetime]] = {}
    for one in stretches:
        if any((one.unit, *step) in colours for step in one.steps):
            begun = spans.get(one.unit, (one.start, one.end))
            spans[one.unit] = min(begun[0], one.start), max(begun[1], one.end)
    figures = {unit.id: unit.figures for unit in design.army.units}
    runs = {unit: run.units for run in design.scheme.order.runs for unit in run.units}
    most = desk_limit(design)
    for unit, (start, _) in spans.items():
        together = [other for other, span in spans.items() if span[0] <= start < span[1]]
        groups = {runs.get(other, (other,)) for other in together}
        size = sum(figures.get(one, 0) for group in groups for one in group)
        if size > most and len(groups) > 1:
            yield Fault("desk", f"{size} figures are in hand when {unit} is begun at {start}; the desk takes {most}")


def _said(key) -> str:
    unit, rank, ordinal, subject, step = key
    return f"{step} of '{subject.text or 'undercoat'}' on {rank} {ordinal} of {unit}"
