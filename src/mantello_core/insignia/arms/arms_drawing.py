"""Arms drawn on a surface: every piece with its tincture, what is seen of it in mm², and the thinnest of it."""

import math
from collections.abc import Iterable
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import groupby

from shapely import affinity
from shapely.geometry import box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...errors import OutOfRange
from ...geometry.overlay import difference, intersection, union_all
from ...memory import remembered
from .coat import Arms, Charged, Coat, Group, Impaled, Ordinary, Parted, Plain, Quartered, Strewn
from .group_drawing import beside_band, group_pieces
from .line import frame
from .ordinary import laid_shape, ordinary_shape, trim_shape
from .partition import parts_of, pieces
from .shape import SHAPES, shape_polygon
from .tincture import TINCTURES
from .undrawn import undrawn
from .worn import SLIVER, Piece, strewn_pieces, tinted, worn

#: mm² below which nothing of a part is left
LEAST_SEEN = 0.005
#: how far what stands within an orle of charges keeps from the edge, as a share of the surface's size
_ORLE_OF_CHARGES = 0.235
#: share of itself within which the narrowest part is found, and how much wider or narrower is tried at once
_NEAR, _STRIDE = 0.005, 1.35


@dataclass(frozen=True, eq=False)
class ArmsDrawing:
    """Arms on a surface, in units of the surface's drawing."""

    surface: BaseGeometry
    pieces: tuple[Piece, ...]
    #: what is said of charges and not drawn
    undrawn: tuple[str, ...] = ()

    def areas(self, width_mm: float) -> dict[str, float]:
        """mm² of every tincture when the surface is so wide.

        Raises: OutOfRange unless it is 0.5 to 500 mm.
        """
        scale = self.scale(width_mm)
        found: dict[str, float] = {}
        for _, tincture, area in self._seen:
            found[tincture] = found.get(tincture, 0.0) + area
        return {tincture: area * scale * scale for tincture, area in reversed(found.items()) if area > SLIVER}

    def unseen(self, width_mm: float) -> tuple[str, ...]:
        """What is said and of which nothing is left at that width: parts under 0.005 mm², covered by what lies over them or too
        small, and details that are not drawn."""
        scale = self.scale(width_mm)
        return (*(of for of, area in self._left.items() if area * scale * scale < LEAST_SEEN), *self.undrawn)

    @cached_property
    def _left(self) -> dict[str, float]:
        """Square units that are seen of every part besides the field."""
        found = dict.fromkeys((one.of for one in self.pieces if one.of != "field"), 0.0)
        for of, _, area in self._seen:
            if of in found:
                found[of] += area
        return found

    @cached_property
    def _seen(self) -> tuple[tuple[str, str, float], ...]:
        """What is seen of the pieces, from the top: part, tincture, square units. Those that are alike and lie on each other are
        taken together."""
        left, over, found = self.surface, None, []
        for (of, tincture), run in groupby(reversed(self.pieces), key=lambda piece: (piece.of, piece.tincture)):
            shape = union_all([piece.shape for piece in run])
            left = left if over is None else difference(left, over)
            found.append((of, tincture, intersection(shape, left).area))
            over = shape
        return tuple(found)

    @cached_property
    def lying(self) -> tuple[tuple[Piece, str], ...]:
        """Every piece besides the field that lies on another, with the tincture it mostly lies on."""
        found = []
        for at, piece in enumerate(self.pieces):
            beneath: dict[str, float] = {}
            for lower in self.pieces[:at] if piece.of != "field" else ():
                area = lower.shape.intersection(piece.shape).area if lower.of != piece.of else 0.0
                if area > 1e-6:
                    beneath = {name: max(0.0, known - area) for name, known in beneath.items()}
                    beneath[lower.tincture] = beneath.get(lower.tincture, 0.0) + area
            if beneath:
                found.append((piece, max(beneath, key=beneath.__getitem__)))
        return tuple(found)

    def thinnest(self, width_mm: float) -> tuple[float, str]:
        """mm of the narrowest stroke of any piece at that width, and the piece: how wide a brush may be that draws it."""
        scale = self.scale(width_mm)
        width, of = self._thinnest
        return width * scale, of

    @cached_property
    def _thinnest(self) -> tuple[float, str]:
        alike = {(one.of, round(one.shape.area, 3), round(one.shape.length, 3)): one for one in self.pieces}
        return min((narrowest(piece.shape), piece.of) for piece in alike.values())

    def scale(self, width_mm: float) -> float:
        """mm to one unit.

        Raises: OutOfRange unless the width is 0.5 to 500 mm.
        """
        if not 0.5 <= width_mm <= 500:
            raise OutOfRange(f"A width of {width_mm:g} mm; allowed is 0.5 to 500.", "width")
        left, _, right, _ = self.surface.bounds
        return width_mm / (right - left)


@remembered(16_000)
def drawn_arms(arms: Arms, shape_id: str = "heater", *, mirrored: bool = False) -> ArmsDrawing:
    """Arms on a surface. mirrored: the other side of a banner or cloth, where beasts face the pole again.

    Raises: UnknownName for the surface.
    """
    surface = shape_polygon(shape_id)
    if mirrored:
        turned = affinity.scale(surface, -1, 1, origin=(0, 0))
        return ArmsDrawing(turned, arms_on(arms, turned, SHAPES[shape_id].low, True), undrawn(arms))
    return ArmsDrawing(surface, arms_on(arms, surface, SHAPES[shape_id].low, False), undrawn(arms))


def arms_on(arms: Arms, surface: BaseGeometry, low: float, mirrored: bool) -> tuple[Piece, ...]:
    """The pieces of arms on any surface. low: where the middle of the field lies, below the surface's own middle."""
    if not mirrored:
        return tuple(_arms(arms, surface, low))

    def turned(shape: BaseGeometry) -> BaseGeometry:
        return affinity.scale(shape, -1, 1, origin=((surface.bounds[0] + surface.bounds[2]) / 2, 0))

    return tuple(Piece(turned(one.shape), one.tincture, one.of) for one in _arms(arms, turned(surface), low))


def _arms(arms: Arms, surface: BaseGeometry, low: float) -> Iterable[Piece]:
    left, top, right, bottom, size = frame(surface)
    if isinstance(arms, Impaled):
        middle = (left + right) / 2
        for mine, part in (
            (arms.dexter, box(left, top, middle, bottom)),
            (arms.sinister, box(middle, top, right, bottom)),
        ):
            yield from _arms(mine, surface.intersection(part), low)
    elif isinstance(arms, Quartered):
        columns = 2 if arms.quarters == 4 else 3
        whole, border = surface, next((one for one in arms.across if getattr(one, "kind", "") == "bordure"), None)
        if border:
            # the quarters lie within it
            surface = surface.difference(ordinary_shape(border, surface, low))
            left, top, right, bottom, size = frame(surface)
        wide, tall = (right - left) / columns, (bottom - top) / 2
        for numbers, mine in arms.parts:
            for number in numbers:
                row, column = divmod(number - 1, columns)
                part = box(left + column * wide, top + row * tall, left + (column + 1) * wide, top + (row + 1) * tall)
                yield from _arms(mine, surface.intersection(part), 0.0)
        yield from _elements(Coat(Plain("argent"), arms.across), whole, low, [(whole, "argent")])
        if arms.overall:
            small = affinity.scale(shape_polygon("heater"), 0.34 * size / 100, 0.34 * size / 100, origin=(0, 0))
            yield from _coat(arms.overall, affinity.translate(small, (left + right) / 2, (top + bottom) / 2 + low), 0.0)
    else:
        yield from _coat(arms, surface, low)


def _coat(coat: Coat, surface: BaseGeometry, low: float) -> Iterable[Piece]:
    if isinstance(coat.field, Parted):
        shapes = parts_of(coat.field, surface, low)
        parts = [
            (shape, arms.field.tinctures[0] if isinstance(arms, Coat) else "argent")
            for shape, arms in zip(shapes, coat.field.coats, strict=True)
        ]
        for shape, arms in zip(shapes, coat.field.coats, strict=True):
            yield from _arms(arms, shape, 0.0)
    else:
        parts = pieces(coat.field, surface, low)
        yield from (Piece(shape, tincture, "field") for shape, tincture in parts)
    if isinstance(coat.field, Strewn):
        strewn = list(strewn_pieces(coat.field, surface))
        yield from strewn
        # what is counterchanged takes the strewn tincture on the field, and the field's where something is strewn
        over = unary_union([one.shape for one in strewn])
        parts = [(surface.difference(over), coat.field.tincture), (over, coat.field.of)]
    yield from _elements(coat, surface, low, parts)


def _elements(coat: Coat, surface: BaseGeometry, low: float, parts) -> Iterable[Piece]:
    chief = next((one for one in coat.elements if isinstance(one, Ordinary) and one.kind == "chief"), None)
    free = surface.difference(ordinary_shape(chief, surface, low)) if chief else surface
    border = next((one for one in coat.elements if isinstance(one, Ordinary) and one.kind == "bordure"), None)
    taken: list[BaseGeometry] = [ordinary_shape(border, surface, low)] if border else []
    inside = surface.difference(taken[0]) if border else surface
    ringed = _within_orle(coat, inside)
    crossed: list[tuple[BaseGeometry, str]] = []
    # what lies over all is drawn last, whatever stands behind it in the words
    for one in sorted(coat.elements, key=lambda one: one.overall):
        whole = surface if isinstance(one, Ordinary) and one.kind in _OF_WHOLE else free
        if one.overall and crossed:
            parts = crossed
        if isinstance(one, Charged):
            blocked = [shape for shape in taken if shape.area < 0.5 * surface.area or (border and shape is taken[0])]
            room = (
                free if one.overall or one.group.arrangement.endswith(_ROOMY) else free.difference(unary_union(blocked))
            )
            room = room if room.area > 0.1 * surface.area else free
            if ringed and one.group.arrangement != "in orle" and not one.overall:
                room = room.intersection(ringed)
            yield from group_pieces(one.group, room, parts, "")
            continue
        lower = low if whole is surface else low + (surface.area - free.area) / surface.area * 20
        shape = ordinary_shape(one, whole, lower)
        trim = trim_shape(one, whole, lower)
        if trim is not None:
            yield from tinted(trim, one.trim or one.tincture, parts, f"{' '.join(one.manners)} {one.kind}")
        yield from worn(shape, one, parts, f"{one.line} {one.kind}".strip())
        if one.laid:
            yield from worn(laid_shape(one, whole, lower), one.laid, parts, f"{one.laid.kind} on it")
        for group in one.bears:
            yield from _borne(group, one, shape, parts)
        if len({tincture for _, tincture in parts}) == 1 and one.pattern is None and not one.overall:
            # what lies over all and is counterchanged changes with the ordinary beneath it
            crossed = [(surface.difference(shape), parts[0][1]), (shape, one.tincture)]
        if one.between:
            yield from beside_band(one.between, whole.intersection(inside).difference(shape), parts)
        if not one.overall:
            taken.append(shape)


def _within_orle(coat: Coat, inside: BaseGeometry) -> BaseGeometry | None:
    """What charges set in an orle leave in their midst; None where there are none, or no room."""
    if not any(isinstance(one, Charged) and one.group.arrangement == "in orle" for one in coat.elements):
        return None
    left_over = inside.buffer(-_ORLE_OF_CHARGES * frame(inside)[-1])
    return left_over if left_over.area > 0.15 * inside.area else None


def _borne(group: Group, one: Ordinary, shape: BaseGeometry, parts) -> Iterable[Piece]:
    """What lies on an ordinary; of several, each bears one, or as many as its share is."""
    rooms = [room for room in getattr(shape, "geoms", ()) if room.area > SLIVER]
    if one.kind == "flaunch":
        # each bears as many, one above the other
        for room in rooms:
            yield from group_pieces(group, room, parts, "pale")
        return
    if one.count < 2 or len(rooms) != one.count or group.count not in (1, one.count):
        yield from group_pieces(group, shape, parts, one.kind)
        return
    for room in rooms:
        yield from group_pieces(replace(group, count=1), room, parts, one.kind)


#: ordinaries that reach over all of the surface, a chief or not
_OF_WHOLE = ("chief", "bordure", "orle", "tressure", "double tressure", "canton", "label", "quarter")
#: places that are told of the whole field
_ROOMY = (
    "in chief",
    "in base",
    "in dexter chief",
    "in sinister chief",
    "in dexter base",
    "in sinister base",
    "in dexter",
    "in sinister",
)


def narrowest(shape: BaseGeometry) -> float:
    """Width of the narrowest part that counts, within a quarter of a per cent: a brush so wide loses a tenth of the shape."""
    shape = shape.simplify(0.1)
    low, high = 0.0, max(0.5, shape.area**0.5)
    # twice the area by the outline is the width of a plain stroke: looked for from there
    width = min(2.2 * shape.area / max(shape.length, 1e-9), 0.9 * high)
    while high > _NEAR and high - low > _NEAR * high:
        low, high = (width, high) if _keeps(shape, width) else (low, width)
        width = max(high / _STRIDE, min((low + high) / 2, low * _STRIDE))
    return (low + high) / 2


def _keeps(shape: BaseGeometry, width: float) -> bool:
    """Whether a brush of a width can go over nine tenths of a shape."""
    wanted, reach = 0.9 * shape.area, width / 2
    core = shape.buffer(-reach, quad_segs=3)
    if core.area >= wanted:
        return True
    # what lies within reach of a core is no more than this, wherever it bends
    most = core.area + core.length * reach + math.pi * reach * reach * len(getattr(core, "geoms", (core,)))
    return most >= wanted and core.buffer(reach, quad_segs=3).area >= wanted


def tinctures_of(drawing: ArmsDrawing) -> list[str]:
    """The tinctures of a drawing in the customary order."""
    seen = {piece.tincture for piece in drawing.pieces}
    return [id_ for id_ in TINCTURES if id_ in seen]
