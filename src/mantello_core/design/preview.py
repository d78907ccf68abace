"""What an edit would change, before it is made."""

from ..scheme.cascade import resolve
from ..scheme.change import Preview, changes, relaid
from .design import Design


def changed(before: Design, after: Design) -> Preview:
    """What an edit that made ``after`` of ``before`` changes."""
    return changes(
        resolve(before.army, before.scheme), resolve(after.army, after.scheme), relaid(before.scheme, after.scheme)
    )
