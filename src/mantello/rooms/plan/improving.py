"""A search for a better plan carried out: it tells after every try how it stands, and ends when it is stopped."""

from django.utils import timezone

from mantello_core.planning.search import search
from mantello_core.planning.style import Style

from .evening import Evening
from .models import Search


def carry_out(found: Search) -> None:
    """Search until all ways are tried or it is stopped, telling after each how it stands; what goes wrong is told too."""
    going_on = Search.objects.filter(pk=found.pk, state__in=(Search.State.WAITING, Search.State.RUNNING))
    try:
        _search(found, going_on)
    except Exception:
        going_on.update(state=Search.State.FAILED)
        raise
    going_on.update(state=Search.State.DONE)


def _search(found: Search, going_on) -> None:
    evening = Evening(found.army, timezone.now(), found.painter)
    for told in search(evening.work, evening.evenings, timezone.make_naive(evening.start), found.tries, seed=found.pk):
        kept = going_on.update(
            state=Search.State.RUNNING, tried=told.tries, started=told.started, best=told.best, bound=told.bound,
            style=as_style(told.style),
        )  # fmt: skip
        if not kept:
            return


def as_style(style: Style | None) -> dict | None:
    """A style as it is kept."""
    return vars(style) | {"seeds": list(style.seeds)} if style else None
