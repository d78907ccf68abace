"""Details of charges: which are drawn in their own tincture, and which are said and kept but not drawn."""

import math
from collections.abc import Iterator

from shapely import affinity
from shapely.geometry import Point, Polygon
from shapely.geometry.base import BaseGeometry

from .charge import charge_shape
from .coat import Arms, Charged, Detail, Group, Ordinary, coats_of
from .vocabulary import DETAILS

#: what is said of ordinaries and not drawn
_OF_ORDINARIES = ("interlaced",)
#: flowers whose middle and leaves between the petals are drawn, with their petals
_PETALS = {"rose": 5, "sunflower": 0}


def detail_shapes(
    shape: BaseGeometry, charge: str, details: tuple[Detail, ...]
) -> Iterator[tuple[BaseGeometry, str, str]]:
    """Parts of a charge that are drawn in a tincture of their own: shape, tincture, words.

    shape: of the charge as it lies on its field. Barbs lie between the petals, seeds on their middle.
    """
    if charge not in _PETALS or shape.is_empty:
        return
    left, top, right, _ = shape.bounds
    x, y, size = (left + right) / 2, top + (right - left) / 2 * 1.02, right - left
    for detail in details:
        if detail.tincture and "barbed" in detail.what and _PETALS[charge]:
            turn = 2 * math.pi / _PETALS[charge]
            barbs = [_barb(x, y, size, turn * (at + 0.5)).difference(shape) for at in range(_PETALS[charge])]
            for barb in barbs:
                if barb.area > 0:
                    yield barb, detail.tincture, f"barbs of the {charge}"
        if detail.tincture and "seeded" in detail.what:
            yield Point(x, y).buffer(0.15 * size, 16), detail.tincture, f"seeds of the {charge}"


def undrawn(arms: Arms) -> tuple[str, ...]:
    """Details that are said of arms and not drawn, in words; each once. They are kept in the blazon.

    >>> from .blazon import read_blazon
    >>> undrawn(read_blazon("Azure, a lion rampant guardant or, armed and langued gules"))
    ('armed and langued gules of the lion',)
    """
    found: dict[str, None] = {}
    for coat in coats_of(arms):
        for one in coat.elements:
            if isinstance(one, Ordinary):
                untold = (word for word in one.manners if word in _OF_ORDINARIES or word not in DETAILS)
                found.update((f"{word} of the {one.kind}", None) for word in untold if not word.startswith("issuant"))
            groups = [one.group] if isinstance(one, Charged) else [*one.bears, *one.between]
            for group in (each for mine in groups for each in mine.within()):
                for detail in group.details:
                    words = _not_drawn(group, detail)
                    if words:
                        found[
                            f"{' and '.join(words)}{' ' + detail.tincture if detail.tincture else ''} of the {group.charge}"
                        ] = None
    return tuple(found)


def _not_drawn(group: Group, detail: Detail) -> list[str]:
    if detail.tincture:
        drawn = {"barbed", "seeded"} if _PETALS.get(group.charge) else {"seeded"} if group.charge in _PETALS else set()
        return [word for word in detail.what if word not in drawn]
    plain = charge_shape(group.charge, group.attitude, group.manners - set(detail.what), group.demi, group.parts)
    facing = {"combatant", "respectant", "addorsed"}
    return [
        word
        for word in detail.what
        if word not in facing
        and charge_shape(
            group.charge, group.attitude, (group.manners - set(detail.what)) | {word}, group.demi, group.parts
        ).equals(plain)
    ]


def _barb(x: float, y: float, size: float, angle: float) -> BaseGeometry:
    """A leaf's point that looks out between two petals, about the middle, clockwise from the top."""
    leaf = Polygon([(0, -0.53 * size), (0.075 * size, -0.3 * size), (-0.075 * size, -0.3 * size)])
    return affinity.translate(affinity.rotate(leaf, math.degrees(angle), origin=(0, 0)), x, y)
