"""What the log says: which steps are done, and how far the figures are."""

from collections.abc import Callable
from typing import TypeVar

from mantello.workspace.models import Army, Edition
from mantello.workspace.readings import reading_of
from mantello_core.memory import Memory, size_of
from mantello_core.planning.done import Done
from mantello_core.record.progress import FigureProgress, progress_of, summed

from .log import Log, log_of

T = TypeVar("T")
#: share of what is begun, where nothing more is known
BEGUN = 0.5
_kept = Memory("outcomes of logs", 20 * 2**20)


def done_steps(army: Army) -> Done:
    """Every (unit, rank, ordinal, subject, step) that is logged."""
    return log_of(army).done


def progress(
    army: Army, edition: Edition | None = None, log: Log | None = None
) -> dict[tuple[str, str, int], FigureProgress]:
    """Every figure's progress, in the work of an edition or of the one the army stands at. log: if it is known already."""
    atoms, log = reading_of(edition or army.head).atoms, log or log_of(army)
    # editions that differ in what asks for no other work share their atoms, and so how far the figures are
    key = "progress", army.pk, id(atoms), log.mark
    known = _kept.get(key)
    if known is None:
        made = progress_of(atoms, log.done)
        known = _kept.put(key, (atoms, made), size_of(made))
    return known[1]


def painted_share(army: Army) -> float:
    """Share of the army's minutes that is painted, for the seam: as it was last worked out where the work of the edition is
    not known yet, since no page is to wait for that."""
    log = log_of(army)
    if not log.lines:
        return 0.0
    if not {"work", "atoms"} & set(vars(reading_of(army.head))):
        last = _kept.get(("share", army.pk))
        return BEGUN if last is None else last
    share = summed(one.progress for one in progress(army, log=log).values()).share
    return _kept.renew(("share", army.pk), share, size_of(share))


def remembered(army: Army, what: str, work: Callable[[], T]) -> T:
    """What was worked out from the army's design and log before, or else is now; kept until either changes."""
    key = (what, army.pk, army.head_id, army.log_mark)
    known = _kept.get(key)
    if known is not None:
        return known
    made = work()
    return _kept.put(key, made, size_of(made))
