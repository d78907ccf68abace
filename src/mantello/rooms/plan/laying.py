"""Plans as they are laid and kept: the work of a design made ready once, laid into a painter's evenings again and again."""

from datetime import datetime

from mantello.workspace.reading import Reading
from mantello_core.calendar.evenings import Evenings
from mantello_core.design.design import Design
from mantello_core.planning.done import Done
from mantello_core.planning.plan import Plan, Prepared, laid_out, prepared
from mantello_core.planning.spray_fault import Faults
from mantello_core.planning.style import Style
from mantello_core.record.pace import Pace

#: the work of the latest designs made ready, and the latest plans; newest last
_ready: list[tuple] = []
_laid: list[tuple] = []
_MOST_READY, _MOST_LAID = 8, 24
_NOTHING = Prepared((), ())


def ready_work(reading: Reading, done: Done, pace: Pace, painter: str, faults: Faults = frozenset()) -> Prepared:
    """The work of a painter made ready; the same while nothing but the calendar changes, so that it can be laid anew at once."""
    design, evenings = reading.design, reading.design.evenings
    units = units_of(design, painter)
    key = (
        evenings.first,
        evenings.attention,
        evenings.desk,
        evenings.air,
        evenings.aid,
        evenings.pace,
        units,
        done,
        pace,
        faults,
    )
    for army, scheme, brief, known, work in _ready:
        if army is design.army and scheme is design.scheme and brief == design.brief and known == key:
            return work
    work = prepared(design, reading.resolution, done, units, pace, reading.sheets, faults) if units else _NOTHING
    _ready.append((design.army, design.scheme, design.brief, key, work))
    del _ready[:-_MOST_READY]
    return work


def laid_plan(work: Prepared, evenings: Evenings, start: datetime, found: Style | None) -> Plan:
    """Work laid into evenings; the same plan for the same."""
    key = evenings, start, found
    for known_work, known, plan in _laid:
        if known_work is work and known == key:
            return plan
    plan = laid_out(work, evenings, start, found=found)
    _laid.append((work, key, plan))
    del _laid[:-_MOST_LAID]
    return plan


def units_of(design: Design, painter: str) -> tuple[str, ...]:
    """Ids of the units that a painter has."""
    return tuple(unit.id for unit in design.army.units if design.evenings.painter_of(unit.id) == painter)
