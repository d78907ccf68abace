"""What the log says: which steps are done, and how far the figures are."""

from django.db.models import Max

from mantello.rooms.army.models import Army
from mantello.rooms.army.reading import Reading
from mantello_core.planning.compiling import Done
from mantello_core.planning.progress import FigureProgress, progress_of, summed

from .models import Entry


def done_steps(army: Army, before=None) -> Done:
    """Every (unit, rank, ordinal, role, step) that is logged, or was before a moment."""
    entries = army.entries.standing()
    if before is not None:
        entries = entries.filter(done_at__lt=before)
    rows = entries.values_list("unit", "rank", "ordinals", "role", "step")
    return frozenset(
        (unit, rank, ordinal, role, step) for unit, rank, ordinals, role, step in rows for ordinal in ordinals
    )


def progress(army: Army, reading: Reading) -> dict[tuple[str, str, int], FigureProgress]:
    """Every figure's progress."""
    return progress_of(reading.work, done_steps(army))


def painted_share(army: Army, reading: Reading) -> float:
    """Share of the army's minutes that is painted."""
    if not army.entries.standing().exists():
        return 0.0
    return summed(one.progress for one in progress(army, reading).values()).share


def log_mark(army: Army) -> str:
    """Changes whenever the log does; part of addresses of pictures that show progress."""
    entries = Entry.objects.filter(army=army)
    newest = entries.aggregate(id=Max("pk"), back=Max("taken_back_at"))
    back = newest["back"]
    return f"{newest['id'] or 0}-{int(back.timestamp()) if back else 0}"
