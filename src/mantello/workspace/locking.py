"""An army's row held against others while something of it is read and changed."""

from collections.abc import Iterator
from contextlib import contextmanager

from django.db import transaction
from django.http import Http404

from mantello.shell.soon import to_the_end

from .models import Army


@contextmanager
def changing() -> Iterator[None]:
    """A change of an army, a verb or a part of one: all of it or nothing, and the request goes through to its end."""
    with to_the_end(), transaction.atomic():
        yield


def locked(army: Army) -> Army:
    """The army as it stands once nobody else changes it; held until the transaction ends.

    The row is locked alone and its head read afterwards: a query that joins the head while it waits for the lock would
    look for the head of before.
    Raises: Http404 if it was deleted meanwhile.
    """
    if not Army.objects.select_for_update().filter(pk=army.pk).values_list("pk", flat=True):
        raise Http404
    return Army.objects.with_head().get(pk=army.pk)
