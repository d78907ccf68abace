"""Documents that were kept by who wrote them: their form is not gone over again."""

from collections.abc import Callable
from typing import TypeVar

from ..errors import MantelloError

T = TypeVar("T")


def read_kept(document: dict, version: int, plainly: Callable[[dict], T], whole: Callable[[dict], T]) -> T:
    """What ``plainly`` makes of a document of this version, whose form is taken for granted; what ``whole`` makes of one of an
    earlier version, and of one that is found damaged.

    Raises: what either refuses.
    """
    if document.get("version") != version:
        return whole(document)
    try:
        return plainly(document)
    except MantelloError:
        raise
    except Exception:
        return whole(document)
