"""Changes of the log: a step done, an entry taken back, a note written."""

import hashlib
import json
import uuid
from datetime import datetime

from django.db.models import Max
from django.utils import timezone

from mantello.workspace.locking import changing, locked
from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.design.design import Design
from mantello_core.formats.document.design import write_design
from mantello_core.planning.done import is_done
from mantello_core.planning.painted_with import painted_with
from mantello_core.planning.task import Atom
from mantello_core.recipes.step import Mix

from .drifting import Difference
from .models import Entry, Settlement, Version
from .queries import done_steps
from .used import AS_PLANNED, Used


@changing()
def record(
    army: Army,
    atoms: list[Atom],
    figures: set[tuple[str, int]],
    minutes: float | None,
    done_at: datetime,
    batch: uuid.UUID,
    note: str = "",
    painter: str = "",
    used: Used = AS_PLANNED,
) -> list[Entry]:
    """Log the steps of one opened pot on some figures of one unit; a batch is logged once, and so is a figure's step.

    figures: (rank, ordinal). minutes: for all of it together; shared out by the planned time of each. used: what was
    not as planned.
    """
    now = locked(army)
    known = list(army.entries.filter(batch=batch))
    if known:
        return known
    reading = reading_of(now.head)
    done = done_steps(now)
    parts = [
        (
            atom,
            [
                ordinal
                for ordinal in atom.ordinals
                if (atom.rank, ordinal) in figures and not is_done(atom, ordinal, done)
            ],
        )
        for atom in atoms
    ]
    parts = [(atom, ordinals) for atom, ordinals in parts if ordinals]
    if not parts:
        return []
    version = struck(now, reading.design)
    # what the starting values say, not what the painter's own pace made of it: pace is learnt from the difference
    usual = {atom.id: atom.seconds for atom in reading.atoms}
    planned = {atom.id: usual.get(atom.id, atom.seconds) * len(ordinals) / 60 for atom, ordinals in parts}
    whole = sum(planned.values()) or 1.0
    return Entry.objects.bulk_create(
        Entry(
            army=army,
            version=version,
            batch=batch,
            unit=atom.unit,
            unit_name=_unit_name(reading.design, atom.unit),
            rank=atom.rank,
            rank_name=reading.design.army.rank(atom.unit, atom.rank).name,
            role=atom.subject.text,
            step=used.step_of(atom),
            name=atom.name,
            ordinals=ordinals,
            **_laid(reading, atom, used),
            tool=used.tool,
            mishap=used.mishap,
            coats=used.coats_of(atom),
            minutes=None if minutes is None else minutes * planned[atom.id] / whole,
            planned_minutes=planned[atom.id],
            drying=atom.drying / 60,
            note=note,
            painter=painter,
            done_at=done_at,
        )
        for atom, ordinals in parts
    )


def struck(army: Army, design: Design) -> Version:
    """The version that stands for a design's scheme; struck now if the scheme is new."""
    scheme = write_design(design, drawings=False)["scheme"]
    digest = hashlib.sha256(json.dumps(scheme, sort_keys=True).encode()).hexdigest()
    known = army.versions.filter(digest=digest).first()
    if known:
        return known
    number = (army.versions.aggregate(most=Max("number"))["most"] or 0) + 1
    return Version.objects.create(army=army, number=number, edition=army.head, digest=digest)


@changing()
def take_back_batch(army: Army, batch: uuid.UUID) -> list[Entry]:
    """Take back what still stands of one press of 'done'; it stays in the log, struck through."""
    locked(army)
    entries = list(army.entries.standing().filter(batch=batch))
    for entry in entries:
        take_back(entry)
    return entries


def take_back(entry: Entry) -> None:
    """Take an entry back; it stays in the log, struck through."""
    entry.taken_back_at = timezone.now()
    entry.save(update_fields=["taken_back_at"])


@changing()
def found_dry(army: Army, batch: uuid.UUID, moment: datetime) -> int:
    """The entries of a batch were found dry at a moment: minutes are remembered, and paint dry by now wets nothing.

    How many entries that were.
    """
    locked(army)
    known = list(army.entries.standing().filter(batch=batch))
    for entry in known:
        entry.dried = max(0.0, (moment - entry.done_at).total_seconds() / 60)
        entry.save(update_fields=["dried"])
    return len(known)


def restore(entry: Entry) -> None:
    """Let an entry that was taken back stand again."""
    entry.taken_back_at = None
    entry.save(update_fields=["taken_back_at"])


def settle(army: Army, difference: Difference, kind: str, note: str) -> Settlement:
    """Accept figures as they were painted, or ask for the steps of the role again."""
    drift = difference.drift
    return Settlement.objects.create(
        army=army,
        version=difference.version,
        kind=kind,
        key=drift.key,
        words=difference.words[:400],
        unit=drift.unit,
        rank=drift.rank,
        ordinals=list(drift.ordinals),
        role=(drift.now or "") if kind == Settlement.Kind.REPAINT else drift.painted,
        note=note.replace("\x00", "").strip()[:300],
    )


def mix_words(reading: Reading, atom: Atom) -> str:
    """What an atom is painted with, in words."""
    return painted_with(reading.design, reading.resolution, atom).words


def _laid(reading: Reading, atom: Atom, used: Used) -> dict:
    """The mix as it was used, and the planned one where that was another."""
    known = painted_with(reading.design, reading.resolution, atom)
    mix = used.mix or (known.step.mix if known.step else None)
    words, parts = (mix.words, mix.parts) if used.mix else (known.words, known.parts)
    return {
        "mix": words,
        "planned_mix": known.words if words != known.words else "",
        "paints": [{"paint": pot.id, "name": pot.name, "parts": amount} for pot, amount in parts],
        "diluent": mix.diluent if mix else "",
        "diluent_parts": mix.diluent_parts if mix else 0.0,
    }


@changing()
def put_right(
    entry: Entry, *, minutes: float | None, coats: int, mix: Mix | None, note: str, ordinals: list[int]
) -> Entry:
    """The entry as it really was: a new one beside it, the old one struck through; the same where nothing differs.

    mix: another than the entry tells; None if that is right.
    """
    same = (minutes, coats, note, ordinals) == (entry.minutes, entry.coats, entry.note, list(entry.ordinals))
    if same and (mix is None or mix.words == entry.mix):
        return entry
    locked(entry.army)
    old = entry.army.entries.get(pk=entry.pk)
    if old.taken_back_at:
        return old
    take_back(old)
    made = entry.army.entries.get(pk=entry.pk)
    made.pk, made.taken_back_at = None, None
    made.minutes, made.coats, made.note, made.ordinals = minutes, coats, note, ordinals
    if mix is not None and mix.words != entry.mix:
        made.planned_mix = entry.planned_mix or entry.mix
        made.mix, made.diluent, made.diluent_parts = mix.words, mix.diluent, mix.diluent_parts
        made.paints = [{"paint": pot.id, "name": pot.name, "parts": parts} for pot, parts in mix.parts]
    made.save(force_insert=True)
    return made


def _unit_name(design: Design, unit: str) -> str:
    path = design.army.paths[unit][1:]
    return " / ".join(design.army.nodes[node].name for node in path)[:240]
