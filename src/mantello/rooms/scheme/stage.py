"""The stage: both views of a figure on one ground line, the millimetre tape, leaders and selection."""

from html import escape

from mantello_core.figures.plate import View
from mantello_core.figures.vocabulary import sideless, spoken
from mantello_core.formats.drawing import blurred, plate_group

from .pick import Pick

WIDTH, HEIGHT = 704, 472
GROUND, CENTRES = 408, (298, 496)
#: where figures stand that are seen from their sides
SIDE_CENTRES = (296, 500)
#: left, top, right and bottom of what views of a vehicle may fill; between two of them; for a caption
FRAME, GAP, CAPTION = (200, 12, 604, 462), 14, 20
#: standing distances and how much smaller a figure is seen there than in hand at 0.3 m
DISTANCES = (("at 0.6 m", 0.5, 96), ("at 1.2 m", 0.25, 166))
#: where the callout ends, and where the names of what moves along begin
CALLOUT_EDGE, NAMES_X = 188, 610
#: how far down names go: what is below belongs to the buttons that bring the figure closer
NAMES_END = 384
MOST_NAMES = 7
TAPE_MM = 28


def stage_svg(pick: Pick, callout: str = "", *, turned: bool = False) -> str:
    """The stage's drawing for a pick, as one SVG text; the callout's markup is set inside it, so that its leader meets it.

    turned: the two sides of a standing figure change their places.
    """
    shape = pick.plate
    parts = [
        f'<svg id="plate-svg" viewBox="0 0 {WIDTH} {HEIGHT}" preserveAspectRatio="xMidYMid meet" role="img" aria-label="{escape(_said(pick))}">'
    ]
    places = _places(shape.views, shape.kind)
    if turned and shape.kind == "figure" and len(places) == 2:
        places = places[::-1]
    for number, (view, (x, y, scale)) in enumerate(zip(shape.views, places, strict=True)):
        drawing = plate_group(
            shape,
            view.name,
            lambda area: pick.reading.fill(pick.figures, area, pick.seeing),
            prefix=f"stage{number}-",
            bearing=pick.reading.bearing(pick.figures, pick.seeing),
            lit_of=lambda area: pick.reading.lit(pick.figures, area, pick.seeing),
            camouflage=pick.reading.camouflage(pick.figures, view.name, pick.figure.ordinal, pick.seeing),
        )
        parts.append(f'<g transform="translate({x:g} {y:g}) scale({scale:.4f})">')
        drawing = f'<g id="stage-view{number}">{drawing}</g>'
        parts.append(f"{blurred(drawing, pick.seeing.blur, f'stage{number}-')}{_selection(pick, view)}</g>")
        middle, foot = (
            x + scale * (view.view_box[0] + view.view_box[2] / 2),
            y + scale * (view.view_box[1] + view.view_box[3]) + 16,
        )
        parts.append(
            f'<text class="cap" x="{middle:.0f}" y="{min(foot, HEIGHT - 6):.0f}" text-anchor="middle">{view.name}</text>'
        )
    if shape.kind == "figure":
        parts.append(_tape(places[0][2]))
        parts.append(_standing(places[0][2]))
    parts.append(_leaders(pick, places))
    if pick.seeing.note:
        parts.append(
            f'<text x="{WIDTH - 14}" y="{HEIGHT - 8}" font-size="13" text-anchor="end" fill="#333">{pick.seeing.note}</text>'
        )
    if callout:
        parts.append(f'<foreignObject x="20" y="16" width="{CALLOUT_EDGE - 20}" height="150">{callout}</foreignObject>')
    parts.append("</svg>")
    return "".join(parts)


def _places(views: tuple[View, ...], kind: str) -> list[tuple[float, float, float]]:
    """Origin and scale of every view."""
    if kind == "figure" and len(views) <= 2:
        sided = views[0].name == "left"
        centres, widest = (SIDE_CENTRES, 200) if sided else (CENTRES, 226)
        centres = centres if len(views) == 2 else (sum(centres) / 2,)
        scale = min(
            392 / -min(view.view_box[1] for view in views), widest / max(view.view_box[2] for view in views), 0.9
        )
        return [(centre, GROUND, scale) for centre, _ in zip(centres, views, strict=True)]
    return max(
        (_in_rows(views, rows) for rows in _arrangements(len(views), kind)),
        key=lambda places: places[0][2] if places else 0,
    )


def _arrangements(count: int, kind: str) -> list[list[list[int]]]:
    """Ways to set out views in rows: one below the other, and the first two side by side; of what stands upright also all in
    one row, and in two."""
    stacked, every = [[number] for number in range(count)], list(range(count))
    upright = [[every], [every[: (count + 1) // 2], every[(count + 1) // 2 :]]] if kind == "figure" else []
    return [stacked, [[0, 1], *stacked[2:]], *upright] if count > 2 else [stacked]


def _in_rows(views: tuple[View, ...], rows: list[list[int]]) -> list[tuple[float, float, float]]:
    """Origin and scale of every view, rows below each other, as large as the frame allows."""
    left, top, right, bottom = FRAME
    wide = max(sum(views[number].view_box[2] for number in row) for row in rows)
    tall = sum(max(views[number].view_box[3] for number in row) for row in rows)
    most = max(len(row) for row in rows)
    scale = min((right - left - GAP * (most - 1)) / wide, (bottom - top - CAPTION * len(rows)) / tall)
    found: dict[int, tuple[float, float, float]] = {}
    y = top
    for row in rows:
        height = scale * max(views[number].view_box[3] for number in row)
        x = (left + right - scale * sum(views[number].view_box[2] for number in row) - GAP * (len(row) - 1)) / 2
        for number in row:
            box_left, box_top, width, box_height = views[number].view_box
            found[number] = (x - scale * box_left, y + height - scale * (box_top + box_height), scale)
            x += scale * width + GAP
        y += height + CAPTION
    return [found[number] for number in sorted(found)]


def _selection(pick: Pick, view: View) -> str:
    seen = {area.area: area.visible for area in view.areas}
    mates = [name for name in (pick.areas if pick.reach == "role" else pick.areas[1:]) if name != pick.area]
    drawn = [f'<path class="mate" d="{seen[name]}"/>' for name in mates if name in seen]
    if pick.area in seen:
        drawn.append(f'<path class="sel-case" d="{seen[pick.area]}"/><path class="sel-stitch" d="{seen[pick.area]}"/>')
    return "".join(drawn)


def _tape(scale: float) -> str:
    parts = [f'<g stroke="#333" stroke-width="1"><path d="M20 {GROUND}V{GROUND - scale * 10 * TAPE_MM:.1f}"/>']
    labels = []
    for mm in range(0, TAPE_MM + 1, 2):
        y = GROUND - mm * 10 * scale
        parts.append(f'<path d="M20 {y:.1f}H{28 if mm % 10 == 0 else 24}"/>')
        if mm % 10 == 0:
            labels.append(f'<text x="32" y="{y + 4:.1f}" font-size="13">{mm}</text>')
    return f'{"".join(parts)}</g>{"".join(labels)}<text x="20" y="{GROUND + 20}" font-size="13">mm</text>'


def _standing(scale: float) -> str:
    parts = []
    for words, factor, x in DISTANCES:
        parts.append(f'<use href="#stage-view0" transform="translate({x} {GROUND}) scale({scale * factor:.4f})"/>')
        parts.append(
            f'<text x="{x}" y="{GROUND + 62 * scale * factor + 15:.0f}" font-size="13" text-anchor="middle" fill="#333">{words}</text>'
        )
    return f'<g pointer-events="none">{"".join(parts)}</g>'


def _point(pick: Pick, places, area: str, *, last: bool = False) -> tuple[float, float] | None:
    views = list(zip(pick.plate.views, places, strict=True))
    for view, (x, y, scale) in reversed(views) if last else views:
        seen = next((one for one in view.areas if one.area == area), None)
        if seen:
            return x + scale * seen.label[0], y + scale * seen.label[1]
    return None


def _leaders(pick: Pick, places) -> str:
    parts = []
    point = _point(pick, places, pick.area)
    if point:
        x, y = point
        start = min(max(y, 40), 110)
        parts.append(
            f'<g pointer-events="none"><path d="M{CALLOUT_EDGE} {start:.0f}L{x:.0f} {y:.0f}" stroke="#111" stroke-width="3.4" fill="none"/>'
            f'<path d="M{CALLOUT_EDGE} {start:.0f}L{x:.0f} {y:.0f}" stroke="#f0c14b" stroke-width="1.6" fill="none"/>'
            f'<circle cx="{x:.0f}" cy="{y:.0f}" r="3.6" fill="#111" stroke="#f0c14b" stroke-width="1.6"/></g>'
        )
    names = _names(pick, places)
    if names:
        parts.append(f'<text x="{NAMES_X}" y="{names[0][2] - 18:.0f}" font-size="13" fill="#333">Same role</text>')
    for words, (x, y), row in names:
        parts.append(
            f'<g pointer-events="none"><path d="M{NAMES_X - 5} {row:.0f}H{NAMES_X - 16}L{x:.0f} {y:.0f}" stroke="#1b1b1b" stroke-width=".9" fill="none"/>'
            f'<circle cx="{x:.0f}" cy="{y:.0f}" r="2.4" fill="#1b1b1b" stroke="#a6a6a6" stroke-width=".8"/></g>'
            f'<text x="{NAMES_X}" y="{row + 4:.0f}" font-size="14" font-weight="500">{escape(words)}</text>'
        )
    return "".join(parts)


def _names(pick: Pick, places) -> list[tuple[str, tuple[float, float], float]]:
    found: dict[str, tuple[float, float]] = {}
    for area in pick.mates:
        key = sideless(area)
        if key == sideless(pick.area) or key in found:
            continue
        point = _point(pick, places, area, last=True)
        if point:
            found[key] = point
    largest = sorted(found, key=lambda key: -_size(pick, key))[:MOST_NAMES]
    rows, last = [], 24.0
    for key in sorted(largest, key=lambda key: found[key][1]):
        last = max(found[key][1], last + 22)
        words = spoken(key)
        rows.append((words if len(words) <= 15 else words[:14] + "…", found[key], last))
    over = rows[-1][2] - NAMES_END if rows else 0
    return [(words, point, row - over) for words, point, row in rows] if over > 0 else rows


def _size(pick: Pick, key: str) -> float:
    return sum(area.mm2 for name, area in pick.plate.areas.items() if sideless(name) == key)


def _said(pick: Pick) -> str:
    scheme = pick.reading.design.scheme
    role = scheme.role_by_id[pick.cell.role].name if pick.cell.role else "no colour yet"
    return f"{pick.plate.title}, {', '.join(view.name for view in pick.plate.views)}. Selected: {spoken(pick.area)}, {role}."
