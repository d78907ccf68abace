"""Figures that were dirtied when the army was to be cleaner or dirtier than now."""

from dataclasses import dataclass

from django.db import transaction

from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.order.subject import of_pass

from .models import Settlement, Version
from .queries import done_steps


@dataclass(frozen=True)
class Dirtied:
    """Figures of one pass of dirt that were painted at another level than the army's now."""

    piece: str
    name: str
    was: int
    now: int
    #: (unit, rank) to figures, and the version they were painted to
    figures: dict[tuple[str, str], tuple[int, ...]]
    version: Version

    @property
    def count(self) -> int:
        """How many figures."""
        return sum(map(len, self.figures.values()))


def dirtied_otherwise(army: Army, reading: Reading) -> list[Dirtied]:
    """Passes of dirt that are logged for another level than the army's now, by pass and level."""
    passes, now = {one.id: one.name for one in reading.design.scheme.finishing.dirt}, reading.design.dirt_level
    done = done_steps(army)
    levels: dict[int, int] = {}
    found: dict[tuple[str, int], Dirtied] = {}
    for entry in army.entries.standing().filter(role__startswith=of_pass("").text).select_related("version"):
        if entry.step not in passes:
            continue
        if entry.version_id not in levels:
            levels[entry.version_id] = reading_of(entry.version.edition).design.dirt_level
        was = levels[entry.version_id]
        figures = tuple(
            one for one in entry.ordinals if (entry.unit, entry.rank, one, entry.subject, entry.step) in done
        )
        if was == now or not figures:
            continue
        one = found.setdefault((entry.step, was), Dirtied(entry.step, passes[entry.step], was, now, {}, entry.version))
        known = one.figures.get((entry.unit, entry.rank), ())
        one.figures[entry.unit, entry.rank] = tuple(sorted({*known, *figures}))
    return list(found.values())


@transaction.atomic
def dirty_again(army: Army, reading: Reading, piece: str) -> int:
    """Ask for a pass again on all figures that had it at another level; how many that are."""
    count = 0
    for one in dirtied_otherwise(army, reading):
        if one.piece != piece:
            continue
        for (unit, rank), ordinals in one.figures.items():
            Settlement.objects.create(
                army=army, version=one.version, kind=Settlement.Kind.REPAINT, key=f"dirt-{piece}"[:16], unit=unit, rank=rank,
                words=f"{len(ordinals)} {reading.design.army.rank(unit, rank).name}: {one.name} at dirt {one.was}, now {one.now}", ordinals=list(ordinals), role=of_pass(piece).text,
            )  # fmt: skip
        count += one.count
    return count
