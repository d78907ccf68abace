"""The massed block: a formation in ranks beside one figure of it, to be seen and recoloured together."""

from dataclasses import dataclass
from html import escape

from mantello_core.army.tree import Node
from mantello_core.formats.drawing import blurred, plate_group
from mantello_core.formats.massing import massed_group
from mantello_core.scheme.cascade import FigureClass

from .pick import Pick

WIDTH, HEIGHT = 704, 472
#: figures that a block shows at most, and from how many it is a mass
MOST, FEW = 60, 18
#: where the single figure stands, and the frame of the block: left, top, right, bottom
SINGLE_X, SINGLE_WIDE, GROUND = 132, 220, 424
FRAME = (262, 196, 690, 424)
#: how much of a figure's height a rank stands behind the one before it
DEEP = 0.42


@dataclass(frozen=True)
class Mass:
    """The formation that is massed, and its figures in order."""

    node: Node
    figures: tuple[FigureClass, ...]


def mass_of(pick: Pick) -> Mass:
    """The nearest formation around the picked figure that makes a mass, or the army."""
    army = pick.reading.design.army
    path = [army.nodes[id_] for id_ in army.paths[pick.figure.unit]]
    node = next((one for one in reversed(path) if one.figures >= FEW), path[0])
    units = {unit.id for unit in node.walk()}
    figures = [one for one in pick.reading.resolution.classes if one.unit in units for _ in one.ordinals]
    return Mass(node, tuple(figures[:MOST]))


def mass_svg(pick: Pick) -> str:
    """The stage's drawing: one figure of the pick, and its formation in ranks."""
    mass = mass_of(pick)
    seeing, fill = pick.seeing, pick.reading.fill
    kinds = {id(one): one for one in mass.figures}
    names = {key: f"mass-{number}" for number, key in enumerate(kinds)}
    defined = []
    for key, one in kinds.items():
        drawn = massed_group(
            one.plate,
            one.plate.views[0].name,
            lambda area, one=one: one.cells[area].role or "",
            lambda area, one=one: fill(one, area, seeing),
            pick.reading.bearing(one, seeing),
            pick.reading.camouflage(one, one.plate.views[0].name, one.ordinals[0], seeing) if one.patterns else (),
            names[key],
        )
        defined.append(f'<g id="{names[key]}">{drawn}</g>')
    placed = [f'<use href="#{names[id(one)]}" transform="{where}"/>' for one, where in _ranked(mass.figures)]
    block = blurred("".join(placed), seeing.blur * _scale(mass.figures), "mass-")
    said = f"{escape(pick.plate.title)} alone, and {len(mass.figures)} figures of {escape(mass.node.name)}"
    shown = len(mass.figures)
    more = f", {shown} shown" if shown < mass.node.figures else ""
    caption = f"{mass.node.name}: {mass.node.figures} figures{more}"
    note = f'<text x="{WIDTH - 14}" y="22" font-size="13" text-anchor="end">{seeing.note}</text>' if seeing.note else ""
    return (
        f'<svg id="plate-svg" viewBox="0 0 {WIDTH} {HEIGHT}" preserveAspectRatio="xMidYMid meet" role="img" aria-label="{said}">'
        f"<defs>{''.join(defined)}</defs>{_single(pick)}{block}{note}"
        f'<text class="cap" x="{SINGLE_X}" y="{HEIGHT - 14}" text-anchor="middle">alone</text>'
        f'<text class="cap" x="{(FRAME[0] + FRAME[2]) / 2:.0f}" y="{HEIGHT - 14}" text-anchor="middle">{escape(caption)}</text></svg>'
    )


def _single(pick: Pick) -> str:
    shape, one = pick.plate, pick.figures
    view = shape.views[0]
    left, top, width, height = view.view_box
    scale = min(SINGLE_WIDE / width, (GROUND - 30) / height)
    drawn = plate_group(
        shape,
        view.name,
        lambda area: pick.reading.fill(one, area, pick.seeing),
        prefix="alone-",
        said_of=lambda area: f' data-role="{one.cells[area].role or ""}"',
        bearing=pick.reading.bearing(one, pick.seeing),
        camouflage=pick.reading.camouflage(one, view.name, pick.figure.ordinal, pick.seeing),
    )
    x, y = SINGLE_X - scale * (left + width / 2), GROUND - scale * (top + height)
    return (
        f'<g transform="translate({x:.1f} {y:.1f}) scale({scale:.4f})">{blurred(drawn, pick.seeing.blur, "alone-")}</g>'
    )


def _files(count: int) -> int:
    """How many stand beside each other: about three times as many as ranks."""
    return max(1, min(count, round((3 * count) ** 0.5)))


def _scale(figures: tuple[FigureClass, ...]) -> float:
    wide, tall = _cell(figures)
    files = _files(len(figures))
    ranks = -(-len(figures) // files)
    left, top, right, bottom = FRAME
    return min((right - left) / (wide * (files + 0.5)), (bottom - top) / (tall * (1 + DEEP * (ranks - 1))))


def _cell(figures: tuple[FigureClass, ...]) -> tuple[float, float]:
    """Room of one figure in drawing units: ordinary ones set it, the largest may overlap."""
    boxes = sorted((one.plate.views[0].view_box[2:] for one in figures), key=lambda box: box[0] * box[1])
    wide, tall = boxes[len(boxes) // 2]
    return wide * 0.86, tall


def _ranked(figures: tuple[FigureClass, ...]):
    """Every figure with its transform, the rear rank first so that those in front cover it."""
    wide, tall = _cell(figures)
    scale, files = _scale(figures), _files(len(figures))
    left, _, right, bottom = FRAME
    ranks = [figures[at : at + files] for at in range(0, len(figures), files)]
    middle = (left + right) / 2
    for number in range(len(ranks) - 1, -1, -1):
        row = ranks[number]
        shift = 0.25 if number % 2 else -0.25
        y = bottom - scale * tall * DEEP * number - scale * 30
        for at, one in enumerate(row):
            x = middle + scale * wide * (at - (len(row) - 1) / 2 + (shift if len(ranks) > 1 else 0))
            box = one.plate.views[0].view_box
            yield one, f"translate({x - scale * (box[0] + box[2] / 2):.1f} {y:.1f}) scale({scale:.4f})"
