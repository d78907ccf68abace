"""The order of the whole army: every step by phase and evening, with who gets it, as the plan lays it."""

from collections.abc import Iterator
from dataclasses import dataclass, field
from datetime import date, datetime

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.workspace.page import army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import Lab
from mantello_core.order.phases import phase_list, usual_phases
from mantello_core.planning.painted_with import painted_with
from mantello_core.planning.task import Atom

from .evening import Evening
from .painters import can_plan, painter_in_hand

#: units named in a row
_MOST_UNITS = 1
#: px that the strip of evenings is wide
_STRIP = 300


@dataclass
class ArmyRow:
    """One step of the army, wherever it is laid."""

    atom: Atom
    first: datetime
    last: datetime
    figures: set = field(default_factory=set)
    minutes: float = 0.0
    openings: int = 0
    units: dict = field(default_factory=dict)
    #: places of the sessions it is laid in
    sessions: set = field(default_factory=set)
    colour: Lab | None = None

    @property
    def mix(self) -> str:
        """What is opened for it; '' for handwork."""
        return "" if self.atom.pot.startswith("hand|") else self.atom.pot.partition("|")[2]

    def strip(self, days: list[date]) -> str:
        """The evenings it is laid in, along the plan from its first to its last. days: of every session of the plan."""
        first, span = days[0], max(1, (days[-1] - days[0]).days)
        marks = sorted({(days[at] - first).days for at in self.sessions})
        start, end = (at / span * (_STRIP - 4) for at in (marks[0], marks[-1]))
        bars = "".join(f'<rect x="{at / span * (_STRIP - 4):.1f}" y="3" width="4" height="12"/>' for at in marks)
        said = f"{len(self.sessions)} evening{'s' * (len(self.sessions) != 1)}"
        return (
            f'<svg class="o-strip" viewBox="0 0 {_STRIP} 18" role="img" aria-label="{said}">'
            f'<path d="M0 9H{_STRIP}"/><path class="on" d="M{start:.1f} 9H{end + 4:.1f}"/>{bars}</svg>'
        )

    @property
    def named(self) -> list[str]:
        """The units that come first, in words."""
        return list(self.units.values())[:_MOST_UNITS]

    @property
    def more(self) -> int:
        """How many units besides."""
        return max(0, len(self.units) - _MOST_UNITS)


@login_required
@require_safe
def army_order(request, army_id):
    """Every step of the army by phase, in the order in which the plan first comes to it."""
    army = army_for(request, army_id)
    painter = painter_in_hand(request, army)
    if not can_plan(army, painter):
        return redirect("plan", army.pk)
    evening = Evening(army, timezone.now(), painter)
    reading = reading_of(army.head)
    phases, notes = phase_list(reading.design).phases, usual_phases()
    rows: dict[int, list[ArmyRow]] = {}
    for row in _rows(evening):
        rows.setdefault(row.atom.phase, []).append(row)
    last = max((block.session for block in evening.plan.blocks), default=0)
    days = [one.start.date() for one in evening.plan.sessions[: last + 1]]
    bands = [
        (phase, notes[phase.usual], [(row, mark_safe(row.strip(days))) for row in rows[at]])
        for at, phase in enumerate(phases)
        if at in rows
    ]
    figures = [
        (f"{one.unit}|{one.rank}", f"{reading.design.army.title(one.unit)}: {one.classes[0].rank_name}")
        for one in reading.sheets
    ]
    context = {
        "title": "Order of the army's work",
        "bands": bands,
        "figures": figures,
        "method": reading.design.method,
        "days": days,
    }
    return room_page(request, army, "plan", "plan/army_order.html", context)


def _rows(evening: Evening) -> Iterator[ArmyRow]:
    """One row for every subject and step, all coats of it together."""
    army, found = evening.reading.design.army, {}
    for block in evening.plan.blocks:
        for atom in block.task.atoms:
            key = atom.phase, atom.subject, atom.step, atom.pot
            row = found.get(key)
            if row is None:
                row = found[key] = ArmyRow(atom, block.start, block.start, colour=_colour(evening, atom))
            row.last = max(row.last, block.start)
            row.openings += block.opening > 0
            row.sessions.add(block.session)
            mine = {
                (atom.unit, *figure)
                for figure in block.figures
                if figure[0] == atom.rank and figure[1] in atom.ordinals
            }
            row.figures |= mine
            row.minutes += atom.seconds * len(mine) / 60
            row.units.setdefault(atom.unit, army.title(atom.unit))
    yield from sorted(found.values(), key=lambda row: (row.first, row.atom.name))


def _colour(evening: Evening, atom: Atom) -> Lab | None:
    reading = evening.reading
    if atom.subject.is_ground:
        return reading.undercoat
    step = painted_with(reading.design, reading.resolution, atom).step
    return step.mix.film.masstone if step else None
