"""Masks for hard sprayed edges: per view the numbered pieces that cover what stays of an ink."""

from dataclasses import dataclass

import shapely

from ..geometry import overlay as safe
from .laying import Patterned

#: mm over which a mask bridges rivets, straps and shutters that lie in it; mm² below which a piece is left to the brush
BRIDGE, LEAST_MM2 = 1.4, 1.5
#: drawing mm: hairs along seams that are nobody's; how far pieces keep off other inks; columns by which they are numbered
_HAIR, _OFF, _COLUMN = 0.08, 0.02, 8.0


@dataclass(frozen=True)
class MaskPiece:
    """One piece of a mask, in mm of the drawing."""

    #: as in 'L3': the third of the left view
    name: str
    shape: object
    #: whether it is large enough to be cut; else it is left to the brush
    cut: bool


def mask_pieces(result: Patterned, ink: int) -> tuple[tuple[str, tuple[MaskPiece, ...]], ...]:
    """For every view the pieces that cover what stays of an ink, numbered from bow to stern and from above.

    Small things in a piece that do not wear the pattern are covered with it and painted after, since a piece full of holes
    for rivets cannot be cut. A piece never covers what shall become another ink.
    """
    reach, found = BRIDGE / result.sized.per_mm, []
    for view in result.views:
        others = safe.union_all([shape for at, shape in enumerate(view.seen) if at != ink])
        others = shapely.buffer(shapely.buffer(others, -_HAIR, join_style="mitre"), _HAIR, join_style="mitre")
        grown = shapely.buffer(view.seen[ink], reach, join_style="mitre", mitre_limit=1.5)
        whole = shapely.buffer(grown, -reach, join_style="mitre", mitre_limit=1.5)
        whole = shapely.simplify(safe.difference(whole, shapely.buffer(others, _OFF)), 0.05)
        parts = [
            shapely.Polygon(
                part.exterior, [hole for hole in part.interiors if shapely.intersects(shapely.Polygon(hole), others)]
            )
            for part in shapely.get_parts(whole)
            if part.geom_type == "Polygon" and part.area > _OFF
        ]
        parts.sort(key=lambda part: (round(part.centroid.x / _COLUMN), part.centroid.y))
        least = LEAST_MM2 / result.sized.per_mm**2
        pieces = (
            MaskPiece(f"{view.name[0].upper()}{number}", part, part.area >= least)
            for number, part in enumerate(parts, 1)
        )
        found.append((view.name, tuple(pieces)))
    return tuple(found)
