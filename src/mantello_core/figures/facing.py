"""Which way figures stand on their stick for a step: where most of it lies, and which side needs no turn."""

from collections.abc import Collection

from .plate import Plate

#: share of what is painted from which on most of it lies on one side
_MOSTLY = 0.7
#: mm² on a side under which it is left to be found on turning
_LEAST = 3.0
_OTHER = {"front": "back", "back": "front", "left": "right", "right": "left"}


def facing_words(plate: Plate, areas: Collection[str]) -> str:
    """One sentence on facing, or '' where both sides want about as much.

    areas: that a step paints, by name.
    """
    seen = {
        view.name: sum(one.mm2 for one in view.areas if one.area in areas)
        for view in plate.views
        if view.name in _OTHER
    }
    total = sum(seen.values())
    if len(seen) < 2 or total <= 0:
        return ""
    side = max(sorted(seen), key=seen.__getitem__)
    other = _OTHER[side]
    if seen.get(other, 0.0) < _LEAST:
        return f"All of it is on the {side}: set them with the {side} to you, nothing is to be turned."
    if seen[side] >= _MOSTLY * total:
        return f"Most of it is on the {side}: set them with the {side} to you, and turn them once at the end."
    return ""
