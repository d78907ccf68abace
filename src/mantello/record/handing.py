"""What a unit's next painter must know: what is done with what, what comes next, and what was noted."""

from dataclasses import dataclass
from datetime import datetime

from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello_core.planning.done import is_done
from mantello_core.planning.painted_with import recipe_step
from mantello_core.planning.task import Atom
from mantello_core.recipes.hazard import cautions_for

from .logging import mix_words
from .queries import done_steps, progress


@dataclass(frozen=True)
class StepRecord:
    """One step of one rank: how many of its figures have it, and what it was really painted with."""

    name: str
    rank: str
    done: int
    of: int
    #: what the scheme asks for, and what the log says was used, where that is something else
    mix: str
    used: str
    last: datetime | None


@dataclass(frozen=True)
class UnitRecord:
    """A unit as it is handed over."""

    figures: int
    finished: int
    minutes_left: float
    steps: tuple[StepRecord, ...]
    #: steps that some figures have and others lack
    uneven: tuple[StepRecord, ...]
    notes: tuple[tuple[datetime, str, str], ...]
    decisions: tuple
    cautions: tuple[str, ...]


def unit_record(army: Army, reading: Reading, unit: str) -> UnitRecord:
    """A unit's record: every step of its ranks, notes of its entries, and what was decided about its roles."""
    done, everyone = done_steps(army), progress(army)
    entries = list(army.entries.standing().filter(unit=unit).order_by("done_at"))
    atoms = [atom for atom in reading.work.atoms if atom.unit == unit]
    steps = tuple(_step(reading, atom, done, entries) for atom in atoms)
    about = {f"role:{atom.subject.role}" for atom in atoms if atom.subject.role} | {f"unit:{unit}", f"look:{unit}"}
    held = army.decisions.filter(closed_at=None)
    decisions = tuple(one for one in held if one.about in about or ":" not in one.about)
    mine = [one for key, one in everyone.items() if key[0] == unit]
    cautions = [caution for atom in atoms if atom.subject.role for caution in _cautions(reading, atom)]
    return UnitRecord(
        len(mine), sum(one.progress.finished for one in mine), sum(one.progress.minutes_left for one in mine), steps,
        tuple(one for one in steps if 0 < one.done < one.of),
        tuple((one.done_at, one.name, one.note) for one in entries if one.note), decisions, tuple(dict.fromkeys(cautions)),
    )  # fmt: skip


def _step(reading: Reading, atom: Atom, done, entries) -> StepRecord:
    had = [one for one in atom.ordinals if is_done(atom, one, done)]
    mine = [one for one in entries if (one.rank, one.subject, one.step) == (atom.rank, atom.subject, atom.logged)]
    mix = mix_words(reading, atom)
    used = dict.fromkeys(one.mix for one in mine if one.mix != mix)
    name = reading.design.army.rank(atom.unit, atom.rank).name
    return StepRecord(
        atom.name, name, len(had), len(atom.ordinals), mix, "; ".join(used), mine[-1].done_at if mine else None
    )


def _cautions(reading: Reading, atom: Atom) -> tuple[str, ...]:
    step = recipe_step(reading.design, atom)
    return cautions_for(step.kind, step.mix.paints, step.mix.diluent)
