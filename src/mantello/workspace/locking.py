"""An army's row held against others while something of it is read and changed."""

from django.http import Http404

from .models import Army


def locked(army: Army) -> Army:
    """The army as it stands once nobody else changes it; held until the transaction ends.

    The row is locked alone and its head read afterwards: a query that joins the head while it waits for the lock would
    look for the head of before.
    Raises: Http404 if it was deleted meanwhile.
    """
    if not Army.objects.select_for_update().filter(pk=army.pk).values_list("pk", flat=True):
        raise Http404
    return Army.objects.with_head().get(pk=army.pk)
