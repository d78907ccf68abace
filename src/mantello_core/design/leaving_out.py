"""Parts of a dress that nobody would see at the army's size: proposed to be painted with what they lie on."""

from collections import defaultdict
from dataclasses import dataclass, replace

from ..colour.spaces import Lab
from ..errors import Contradiction
from ..uniforms.dress import Dress, DressCell, checked_dress
from ..uniforms.dye import target
from ..uniforms.garments import lies_on
from ..uniforms.visible import MOST_WIDER, Sight, sights
from .design import Design
from .edit import with_scheme


@dataclass(frozen=True)
class Unseen:
    """A part of a dress that is gone at a size and distance wherever it is worn. on: the garment it lies on."""

    garment: str
    on: str
    #: on how many formations and ranks it is worn, and how the one that shows most is seen
    worn: int
    sight: Sight


def unseen_parts(dress: Dress, height: float, metres: float) -> tuple[Unseen, ...]:
    """Parts that could be left out: on none of their wearers they are seen, nor would be if they were widened as far as looks
    right. height: of the figures, mm; metres: from where they are seen."""
    plain = {(cell.node, cell.garment): cell for cell in dress.cells if not cell.rank}
    marks = [
        (cell.garment, _lab(cell), _lab(on))
        for cell in dress.cells
        if (on := plain.get((cell.node, lies_on(cell.garment)))) is not None
    ]
    known, by_part = sights(marks, height, metres), defaultdict[str, list[Sight]](list)
    for mark in marks:
        by_part[mark[0]].append(known[mark])
    return tuple(
        Unseen(garment, lies_on(garment), len(found), max(found, key=lambda one: one.left))
        for garment, found in by_part.items()
        if all(one.verdict == "gone" and (one.wider is None or one.wider > MOST_WIDER) for one in found)
    )


def with_left_out(design: Design, garments: tuple[str, ...], *, out: bool = True) -> Design:
    """The design with parts of its dress painted with what they lie on, or painted apart again.

    Raises: Contradiction without a dress; what ``checked_dress`` refuses.
    """
    dress = design.scheme.dress
    if dress is None:
        raise Contradiction("Nothing wears a dress yet; put one on first.", "garment")
    kept = tuple(one for one in dress.left_out if one not in garments)
    worn = replace(dress, left_out=(*kept, *garments) if out else kept)
    checked_dress(worn, design.army.nodes, design.scheme.role_by_id)
    return with_scheme(design, replace(design.scheme, dress=worn))


def _lab(cell: DressCell) -> Lab:
    return target(cell.colour, metal=cell.metal).lab
