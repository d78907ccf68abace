"""What the log says: which steps are done, and how far the figures are."""

from collections.abc import Callable
from datetime import datetime
from typing import TypeVar

from django.db.models import Count, Max, Q

from mantello.workspace.models import Army, Edition
from mantello.workspace.readings import reading_of
from mantello_core.memory import Memory, size_of
from mantello_core.order.subject import subject_of
from mantello_core.planning.done import Done
from mantello_core.planning.spray_fault import COSTLY, Faults
from mantello_core.record.progress import FigureProgress, progress_of, summed

from .models import Entry, Settlement

T = TypeVar("T")
#: share of what is begun, where nothing more is known
BEGUN = 0.5
_kept = Memory("outcomes of logs", 32 * 2**20)


def done_steps(army: Army, before=None) -> Done:
    """Every (unit, rank, ordinal, subject, step) that is logged, or was before a moment."""
    entries = army.entries.standing()
    if before is not None:
        entries = entries.filter(done_at__lt=before)
    rows = entries.values_list("unit", "rank", "ordinals", "role", "step", "done_at")
    reopened = _reopened(army)
    return frozenset(
        (unit, rank, ordinal, subject_of(role), step)
        for unit, rank, ordinals, role, step, done_at in rows
        for ordinal in ordinals
        if not _is_reopened(reopened, (unit, rank, ordinal, role), done_at)
    )


def sprayed_badly(army: Army) -> Faults:
    """Figures whose undercoat went wrong, unless they were sprayed again since without a fault."""
    found: set[tuple[str, str, int]] = set()
    ground = army.entries.standing().filter(role="").order_by("done_at", "pk")
    for unit, rank, ordinals, mishap in ground.values_list("unit", "rank", "ordinals", "mishap"):
        figures = {(unit, rank, ordinal) for ordinal in ordinals}
        found = found | figures if mishap in COSTLY else found - figures
    return frozenset(found)


def _reopened(army: Army) -> dict[tuple[str, str, int, str], datetime]:
    """Figures and roles to be painted again, with the moment that was decided."""
    rows = army.settlements.filter(kind=Settlement.Kind.REPAINT).order_by("made_at")
    return {
        (unit, rank, ordinal, role): made_at
        for unit, rank, ordinals, role, made_at in rows.values_list("unit", "rank", "ordinals", "role", "made_at")
        for ordinal in ordinals
    }


def _is_reopened(reopened, what: tuple[str, str, int, str], done_at: datetime) -> bool:
    return what in reopened and done_at < reopened[what]


def progress(army: Army, edition: Edition | None = None) -> dict[tuple[str, str, int], FigureProgress]:
    """Every figure's progress, in the work of an edition or of the one the army stands at."""
    atoms = reading_of(edition or army.head).atoms
    # editions that differ in what asks for no other work share their atoms, and so how far the figures are
    key = "progress", army.pk, id(atoms), log_mark(army)
    known = _kept.get(key)
    if known is None:
        made = progress_of(atoms, done_steps(army))
        known = _kept.put(key, (atoms, made), size_of(made))
    return known[1]


def painted_share(army: Army) -> float:
    """Share of the army's minutes that is painted, for the seam: as it was last worked out where the work of the edition is
    not known yet, since no page is to wait for that."""
    if not army.entries.standing().exists():
        return 0.0
    if not {"work", "atoms"} & set(vars(reading_of(army.head))):
        last = _kept.get(("share", army.pk))
        return BEGUN if last is None else last
    share = summed(one.progress for one in progress(army).values()).share
    return _kept.renew(("share", army.pk), share, size_of(share))


def log_mark(army: Army) -> str:
    """Changes whenever the log does; part of addresses of pictures that show progress."""
    backs = Count("pk", filter=Q(taken_back_at__isnull=False))
    newest = Entry.objects.filter(army=army).aggregate(id=Max("pk"), back=Max("taken_back_at"), backs=backs)
    settled = army.settlements.aggregate(id=Max("pk"), count=Count("pk"))
    moment = newest["back"].timestamp() * 1e6 if newest["back"] else 0
    return f"{newest['id'] or 0}-{moment:.0f}.{newest['backs']}-{settled['id'] or 0}.{settled['count']}"


def remembered(army: Army, what: str, work: Callable[[], T]) -> T:
    """What was worked out from the army's design and log before, or else is now; kept until either changes."""
    key = (what, army.pk, army.head_id, log_mark(army))
    known = _kept.get(key)
    if known is not None:
        return known
    made = work()
    return _kept.put(key, made, size_of(made))
