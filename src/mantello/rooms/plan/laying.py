"""Plans as they are laid and kept: the work of a design made ready once, laid into a painter's evenings again and again."""

from datetime import datetime

from mantello.shell.soon import kept_beside
from mantello.workspace.reading import Reading
from mantello_core.calendar.evenings import Evenings
from mantello_core.design.design import Design
from mantello_core.memory import Memory
from mantello_core.planning.done import Done
from mantello_core.planning.plan import Plan, Prepared, cut_by, laid_out, prepared
from mantello_core.planning.spray_fault import Faults
from mantello_core.planning.style import Style
from mantello_core.record.pace import Pace

#: bytes of a task and of an edge made ready, and of a block of a plan: measured
_TASK, _EDGE, _BLOCK = 1_900, 120, 500
#: tasks that are laid within a request: a tenth of a second
_FEW = 600
_ready = Memory("work made ready", 32 * 2**20)
_laid = Memory("plans", 20 * 2**20)
_NOTHING = Prepared((), ())


def ready_work(reading: Reading, done: Done, pace: Pace, painter: str, faults: Faults = frozenset()) -> Prepared:
    """The work of a painter made ready; the same while neither the calendar alone nor an edit of other things changes, so that it
    can be laid anew at once."""
    design = reading.design
    units = units_of(design, painter)
    if not units:
        return _NOTHING
    sheets = reading.sheets
    told = tuple((id(one.rows), id(one.arranged)) for one in sheets)
    key = told, cut_by(design), units, done, pace, faults

    def make() -> tuple[object, Prepared]:
        # what a key's numbers stand for is kept beside the answer, so that no other value can get them
        return sheets, prepared(design, reading.resolution, done, units, pace, sheets, faults)

    def size(made: tuple[object, Prepared]) -> int:
        return _TASK * len(made[1].tasks) + _EDGE * len(made[1].edges)

    return kept_beside(_ready, key, make, size, little=reading.is_small)[1]


def laid_plan(work: Prepared, evenings: Evenings, start: datetime, found: Style | None) -> Plan:
    """Work laid into evenings; the same plan for the same."""
    key = id(work), evenings, start, found

    def lay() -> tuple[Prepared, Plan]:
        return work, laid_out(work, evenings, start, found=found)

    def size(made: tuple[Prepared, Plan]) -> int:
        return _TASK * len(made[1].tasks) + _BLOCK * len(made[1].blocks)

    return kept_beside(_laid, key, lay, size, little=len(work.tasks) <= _FEW)[1]


def units_of(design: Design, painter: str) -> tuple[str, ...]:
    """Ids of the units that a painter has."""
    return tuple(unit.id for unit in design.army.units if design.evenings.painter_of(unit.id) == painter)
