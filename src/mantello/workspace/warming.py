"""The armies that were worked on last, read before there are processes to serve them, so that none is read in a request."""

import logging
from time import monotonic

from django.db import DatabaseError, connections

from .models import Army
from .reading import Reading
from .readings import reading_of

#: armies that are read ahead at most, and the seconds after which no other one is begun
MOST, SECONDS = 4, 1.0
_logger = logging.getLogger(__name__)


def warm_armies() -> list[Reading]:
    """The readings of the armies whose editions are the newest, with what most of their pages ask of them.

    Whatever stands in the way is told in the log and where the army is asked for: a start never ends here.
    """
    begun, found = monotonic(), []
    try:
        newest = list(Army.objects.filter(head__isnull=False).select_related("head").order_by("-head__made_at")[:MOST])
    except DatabaseError:
        return found
    for army in newest:
        if monotonic() - begun > SECONDS:
            break
        try:
            found.append(_read_ahead(reading_of(army.head)))
        except Exception:
            _logger.exception("army %s was not read ahead", army.pk)
    return found


def _read_ahead(reading: Reading) -> Reading:
    reading.ranked_checks, reading.sheets, reading.atoms, reading.cost  # noqa: B018  asking keeps it
    reading.needed, reading.needed_by_unit, reading.shares, reading.role_groups, reading.harmony  # noqa: B018
    return reading


def let_go() -> None:
    """Close what connections there are: processes that are forked make their own."""
    for connection in connections.all(initialized_only=True):
        connection.close()
        if hasattr(connection, "close_pool"):
            connection.close_pool()
