"""A guide for painting arms by hand: whether a brush can, and the drawing of every stage of the work."""

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from shapely import affinity
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...errors import OutOfRange, UnknownName
from ..arms.arms_drawing import ArmsDrawing
from ..arms.charge import CHARGES
from ..arms.line import frame
from ..arms.worn import Piece
from .simplifying import Simplified, simplified

#: the finest line of a sharp fine brush, mm
FINEST_LINE = 0.3
#: what lighter paint is called among the pieces of a stage
LIGHT = "light"
#: charges that gather light as glass does, and those that shine by themselves
GLASS, SHINING = {"drop", "orb", "eye"}, {"flame", "lantern", "oil lamp", "candle", "sun"}
#: from where the light falls by light plan, x right and y down, and in words; '' is as plates are drawn
LIGHTS = {
    "": ((-0.7, -0.7), "the upper left"), "left": ((-0.7, -0.7), "the upper left"), "right": ((0.7, -0.7), "the upper right"),
    "overhead": ((0.0, -1.0), "up"), "front": ((0.0, -1.0), "up"), "lamps": ((0.0, -1.0), "up"),
}  # fmt: skip
#: widths a brush may draw, mm
FINEST, WIDEST = 0.05, 5.0
#: how small the rough shape is begun, as a share of its own size
_SMALL = 0.6

Segment = tuple[tuple[float, float], tuple[float, float]]


@dataclass(frozen=True, eq=False)
class Stage:
    """One step of the hand: what is on the surface after it, and what it adds."""

    title: str
    words: str
    pieces: tuple[Piece, ...]
    #: pencil lines that are seen in this stage
    lines: tuple[Segment, ...] = ()
    #: what is laid now; None for pencil work
    laid: BaseGeometry | None = None


@dataclass(frozen=True, eq=False)
class Guide:
    """Whether it can be painted at this size, and how."""

    #: 'paintable', 'simplified' or 'transfer'
    verdict: str
    thinnest: float
    thinnest_of: str
    #: mm across from which the whole of it can be painted
    paintable_from: float
    #: what is painted: the arms, or their simplified form
    drawing: ArmsDrawing
    changed: tuple[tuple[str, str], ...]
    lost: tuple[str, ...]
    stages: tuple[Stage, ...]
    #: parts of the arms of which nothing is left at this size
    unseen: tuple[str, ...] = ()


def freehand(
    drawing: ArmsDrawing,
    width_mm: float,
    line_mm: float = FINEST_LINE,
    called: Callable[[str], str] = str,
    light: str = "",
) -> Guide:
    """The guide for arms on a surface so wide, with a brush that draws lines so wide. called: a tincture's paint in words;
    light: the army's light plan, one of ``LIGHTS``.

    Raises: OutOfRange for width or line; UnknownName for the light plan.
    """
    if light not in LIGHTS:
        raise UnknownName("light plan", light, list(LIGHTS), "light")
    if not FINEST <= line_mm <= WIDEST:
        raise OutOfRange(f"A brush line of {line_mm:g} mm; allowed is {FINEST:g} to {WIDEST:g}.", "line")
    thinnest, of = drawing.thinnest(width_mm)
    bold = simplified(drawing, width_mm, line_mm) if thinnest < line_mm else Simplified(drawing, (), ())
    still = bold.drawing.thinnest(width_mm)[0] if bold.changed or bold.lost else thinnest
    lost = bold.lost if bold.lost or still >= 0.8 * line_mm else ("field",)
    verdict = "paintable" if thinnest >= line_mm else "transfer" if lost else "simplified"
    painted = drawing if verdict == "paintable" else bold.drawing
    return Guide(
        verdict, thinnest, of, width_mm * line_mm / max(thinnest, 1e-9), painted,
        () if verdict == "paintable" else bold.changed, lost if verdict == "transfer" else (),
        tuple(_stages(painted, line_mm / painted.scale(width_mm), called, light)), drawing.unseen(width_mm),
    )  # fmt: skip


def _stages(drawing: ArmsDrawing, line: float, called, plan: str) -> list[Stage]:
    towards, words = LIGHTS[plan]
    surface = drawing.surface
    fields = [piece for piece in drawing.pieces if piece.of == "field"]
    rest = [piece for piece in drawing.pieces if piece.of != "field" and piece.shape.area > 1e-6]
    ground = max(dict.fromkeys(piece.tincture for piece in fields), key=lambda one: _area(fields, one))
    laid = [Piece(surface, ground, "field")]
    stages = [
        Stage("Ground", f"Paint the whole surface in {called(ground)} and let it dry. Keep this mix at hand: edges are cut back with it.", tuple(laid), (), surface)
    ]  # fmt: skip
    lines = _marks(surface, rest)
    count = sum(parts[0].of in CHARGES for _, parts in _things(rest))
    each = f"each of {count} charges" if count > 1 else "the charge"
    crosses = f", and a small cross where {each} has its middle" if count else ""
    stages.append(
        Stage("Marks", f"With a sharp soft pencil: the upright through the middle, the cross line, quarter points{crosses}. Look at it upside down before going on.", tuple(laid), lines)
    )  # fmt: skip
    others = [piece for piece in fields if piece.tincture != ground]
    if others:
        names = list(dict.fromkeys(piece.tincture for piece in others))
        laid += others
        stages.append(
            Stage("Divisions", f"Lay {_listed([called(name) for name in names])} over the ground: draw the edge first, fill behind it. Where two pieces meet at a point, stop short and join them last.", tuple(laid), lines, unary_union([piece.shape for piece in others]))
        )  # fmt: skip
    for layer in _layers(rest):
        stages += _built(layer, laid, surface, line, lines, called)
    stages += _lights(rest, laid, line, towards, words)
    return stages


def _built(layer: Sequence[Piece], laid: list[Piece], surface, line: float, lines, called) -> list[Stage]:
    """Rough, grown and cut back: all things of one layer together, so that copies stay alike."""
    names = _listed(list(dict.fromkeys(piece.of for piece in layer)))
    paints = _listed([called(name) for name in dict.fromkeys(piece.tincture for piece in layer)])
    under = tuple(laid)
    small = []
    for whole, parts in _things(layer):
        shape = _smaller(whole, parts[0].of)
        small += [
            Piece(shape.intersection(one.shape.convex_hull) if len(parts) > 1 else shape, one.tincture, one.of)
            for one in parts
        ]
    grown = [Piece(one.shape.buffer(line / 2).intersection(surface), one.tincture, one.of) for one in layer]
    laid += layer
    cut = unary_union([two.shape.difference(one.shape) for one, two in zip(layer, grown, strict=True)])
    return [
        Stage(f"Small: {names}", f"In {paints}: the rough shape at about {round(_SMALL * 100)} % of its size about each cross. Place and count are settled here, while they cost a stroke.", (*under, *small), lines, unary_union([one.shape for one in small])),
        Stage(f"Grown: {names}", "Widen from the inside to the outline, half a brush line over it; two thin coats where the ground shows through.", (*under, *grown), (), unary_union([one.shape for one in grown])),
        Stage(f"Cut back: {names}", "With the colour beneath, draw the outline from outside, turning the figure and not the wrist; close narrow gaps last.", tuple(laid), (), cut),
    ]  # fmt: skip


def _layers(pieces: Sequence[Piece]) -> list[list[Piece]]:
    """Pieces by what lies on what, the lowest first."""
    depth: list[int] = []
    for at, piece in enumerate(pieces):
        under = [
            depth[other]
            for other in range(at)
            if pieces[other].of != piece.of and pieces[other].shape.intersection(piece.shape).area > 0.02 * piece.shape.area
        ]  # fmt: skip
        depth.append(max(under, default=-1) + 1)
    return [[piece for piece, own in zip(pieces, depth, strict=True) if own == one] for one in sorted(set(depth))]


def _lights(rest: list[Piece], laid: list[Piece], line: float, towards: tuple[float, float], words: str) -> list[Stage]:
    """The last stages, as the army's light falls: edges, drops that gather it, and lights that shine by themselves."""
    stages = []

    def stage(title: str, said: str, shapes: Sequence[BaseGeometry]) -> None:
        light = unary_union(shapes)
        if light.area > 0:
            before = [one for done in stages for one in (Piece(done.laid, LIGHT, "light"),)]
            stages.append(Stage(title, said, (*laid, *before, Piece(light, LIGHT, "light")), (), light))

    plain = [one for one in rest if one.of not in GLASS and one.of not in SHINING]
    if plain:
        tops = unary_union([_lit(piece.shape, line, towards) for piece in plain])
        stage(
            "Light", f"A lighter mix along the edges that face {words}, as on the rest of the figure; none at the foot.",
            [unary_union([_edge(piece.shape, line) for piece in plain]).intersection(tops)],
        )  # fmt: skip
    stage(
        "Drops", f"On what is like glass: a dot of the lightest mix on the side that faces {words}, and a thin lighter bow inside the other"
        " side, where the light comes out.",
        [part for piece in rest if piece.of in GLASS for part in _glass(piece.shape, line, towards)],
    )  # fmt: skip
    stage(
        "Lights", "What shines is brightest in its own middle, whatever the light on the figure: two touches, each smaller and lighter."
        " Nothing along its edge; a little of it on what stands beside, on the sides that face it.",
        [_heart(piece.shape) for piece in rest if piece.of in SHINING],
    )  # fmt: skip
    return stages


def _glass(shape: BaseGeometry, line: float, towards: tuple[float, float]) -> tuple[BaseGeometry, BaseGeometry]:
    """The dot of light on a drop, and the bow of light on its far side."""
    inner = shape.buffer(-1.2 * line)
    middle = shape.representative_point() if inner.is_empty else inner.centroid
    far = middle.distance(shape.boundary)
    length = math.hypot(*towards) or 1.0
    dot = affinity.translate(middle, towards[0] / length * 0.5 * far, towards[1] / length * 0.5 * far)
    bow = _lit(inner, line, (-towards[0], -towards[1])) if not inner.is_empty else inner
    return dot.buffer(max(0.5 * line, 0.16 * far), 12).intersection(shape), bow


def _heart(shape: BaseGeometry) -> BaseGeometry:
    """The bright middle of what shines."""
    middle = shape.representative_point() if not shape.contains(shape.centroid) else shape.centroid
    return affinity.scale(shape, 0.5, 0.5, origin=(middle.x, middle.y)).intersection(shape)


def _marks(surface: BaseGeometry, pieces: Sequence[Piece]) -> tuple[Segment, ...]:
    left, top, right, bottom, size = frame(surface)
    x, y, short = (left + right) / 2, (top + bottom) / 2, size * 0.05
    lines: list[Segment] = [((x, top), (x, bottom)), ((left, y), (right, y))]
    for share in (0.25, 0.75):
        across, down = left + share * (right - left), top + share * (bottom - top)
        lines += [((across, y - short), (across, y + short)), ((x - short, down), (x + short, down))]
    for whole, parts in _things(pieces):
        if parts[0].of in CHARGES:
            at = whole.envelope.centroid
            lines += [((at.x - short, at.y), (at.x + short, at.y)), ((at.x, at.y - short), (at.x, at.y + short))]
    return tuple(lines)


def _things(pieces: Sequence[Piece]) -> list[tuple[BaseGeometry, list[Piece]]]:
    """What is one thing to the eye: each with its pieces, which are several where it is counterchanged."""
    found: list[tuple[BaseGeometry, list[Piece]]] = []
    for piece in pieces:
        at = next(
            (
                at for at, (whole, parts) in enumerate(found)
                if parts[0].of == piece.of and parts[-1].tincture != piece.tincture and whole.distance(piece.shape) < 1e-6
            ), None,
        )  # fmt: skip
        if at is None:
            found.append((piece.shape, [piece]))
        else:
            found[at] = found[at][0].union(piece.shape), [*found[at][1], piece]
    return found


def _smaller(shape: BaseGeometry, of: str) -> BaseGeometry:
    """The shape begun small: charges about their middle, bands and borders thin along their length."""
    if of not in CHARGES:
        return shape.buffer(-0.4 * shape.area / shape.length)
    left, top, right, bottom = shape.bounds
    smooth = shape.convex_hull.intersection(shape.buffer(min(right - left, bottom - top) * 0.06))
    return affinity.scale(smooth, _SMALL, _SMALL)


def _edge(shape: BaseGeometry, line: float) -> BaseGeometry:
    """A band of a brush's width inside the outline."""
    return shape.difference(shape.buffer(-line))


def _lit(shape: BaseGeometry, line: float, towards: tuple[float, float]) -> BaseGeometry:
    """What of a shape faces the light: itself less itself moved away from it."""
    return shape.difference(affinity.translate(shape, -towards[0] * line, -towards[1] * line))


def _area(pieces: Sequence[Piece], tincture: str) -> float:
    return sum(piece.shape.area for piece in pieces if piece.tincture == tincture)


def _listed(words: Sequence[str]) -> str:
    return words[0] if len(words) == 1 else f"{', '.join(words[:-1])} and {words[-1]}"
