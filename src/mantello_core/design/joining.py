"""Edits that paint areas too small for a brush with what they lie beside, type by type, and that take that back."""

from dataclasses import replace

from ..figures.joining import too_small
from .brief import DRAWN_MM
from .design import Design


def size_of(design: Design) -> float:
    """How many times as tall as drawn the army's figures are."""
    return (design.brief.height_mm if design.brief else DRAWN_MM) / DRAWN_MM


def small_areas(design: Design, type_id: str) -> tuple[str, ...]:
    """Areas of a type that are too small to paint apart at the army's size and are not joined yet."""
    return too_small(design.army.plate(type_id), size_of(design))


def with_small_joined(design: Design, type_id: str) -> Design:
    """The design with all that is too small on a type joined to what it lies beside.

    Raises: UnknownName for the type.
    """
    army = design.army
    had = dict(army.joined).get(type_id, ())
    areas = tuple(sorted({*had, *small_areas(design, type_id)}))
    rest = tuple(one for one in army.joined if one[0] != type_id)
    return replace(design, army=replace(army, joined=(*rest, (type_id, areas)) if areas else rest))


def without_joined(design: Design, type_id: str) -> Design:
    """The design with all areas of a type painted apart again."""
    army = design.army
    army.plate(type_id)
    return replace(design, army=replace(army, joined=tuple(one for one in army.joined if one[0] != type_id)))
