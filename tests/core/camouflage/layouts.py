"""Layouts as they are: 'python -m tests.core.camouflage.layouts' writes them down anew; look at what moves before it is committed.

Designs that are kept name a pattern and a seed and no shapes, so a change here moves the paint on somebody's finished vehicle.
"""

import json
from collections.abc import Iterator
from pathlib import Path

from mantello_core.camouflage.fleet import set_apart
from mantello_core.camouflage.laying import Patterned, patterned
from mantello_core.camouflage.masks import mask_pieces
from mantello_core.camouflage.measuring import measured
from mantello_core.camouflage.pattern import Overlay
from mantello_core.camouflage.preparing import surface_of
from mantello_core.camouflage.wearing import worn_over
from mantello_core.camouflage.working import ink_work
from mantello_core.figures.catalogue import plate

from .samples import COLOURS, GROUND, PATTERNS, laid, tagged

BOOK = Path(__file__).with_name("layouts.json")


def _shape(shape) -> list[float]:
    """Area, outline and middle of a shape, mm² and mm; zeros where there is none."""
    if shape.is_empty:
        return [0.0, 0.0, 0.0, 0.0]
    return [round(float(one), 3) for one in (shape.area, shape.length, shape.centroid.x, shape.centroid.y)]


def _laid(found: Patterned) -> list[float]:
    return [
        value
        for view in found.views
        for shapes in (view.laid, view.seen)
        for shape in shapes
        for value in _shape(shape)
    ]


def layouts() -> Iterator[tuple[str, list[float]]]:
    """Every layout by what it is of: areas, outlines and middles of its shapes, and what is measured on some."""
    for family in PATTERNS:
        yield f"{family} on a car", _laid(laid(family))
        yield f"{family} on a smaller car", _laid(laid(family, 2, 100.0))
    figure = plate("crossbowman")
    cloak = surface_of(figure, tagged("crossbowman"))
    for family in ("strokes", "dabs", "blotch", "splinter"):
        yield f"{family} on a cloak", _laid(patterned(cloak, PATTERNS[family].seeded(4), 56.0))
    for family in ("blotch", "splinter", "pixels", "dabs"):
        found = laid(family)
        made = measured(found, COLOURS, GROUND)
        outlines = [
            value for one in made.outlines for value in (one.mm, one.broken, one.changes, one.longest, one.melts)
        ]
        yield (
            f"{family} measured",
            [round(float(value), 4) for value in (*outlines, *made.afar.left.values(), made.lines.runs_on)],
        )
        yield (
            f"{family} masked",
            [value for _, pieces in mask_pieces(found, 1) for piece in pieces[:4] for value in _shape(piece.shape)],
        )
        yield f"{family} apart", [round(set_apart(found, laid(family, 2)), 4)]
    for overlay in (
        Overlay("w", 0.8),
        Overlay("w", 0.6, months=3.0),
        Overlay("w", 0.5, edges=0.2, touch=0.0, low=1.0, chance=0.3),
    ):
        worn = worn_over(laid("blotch"), overlay)
        yield (
            f"worn {overlay.cover:g} {overlay.months:g}",
            [value for _, shape in worn.shapes for value in _shape(shape)],
        )
    for family, pattern in PATTERNS.items():
        yield (
            f"{family} as work",
            [round(float(value), 3) for value in vars(ink_work(pattern, 1, 400.0, 56.0, 1.2)).values()],
        )


def written() -> str:
    """The book's text, a layout a line."""
    lines = ",\n".join(f" {json.dumps(name)}: {json.dumps(values)}" for name, values in layouts())
    return "{\n" + lines + "\n}\n"


if __name__ == "__main__":
    BOOK.write_text(written(), encoding="utf-8")
