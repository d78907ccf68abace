"""Areas too small to paint apart at a figure's size, painted with what they lie beside: one area of the plate, not two."""

from collections.abc import Iterable
from dataclasses import replace

from ..memory import remembered
from .measured import Measured
from .plate import Plate, PlateArea, SeenArea, View

#: mm of room that the finest touch of a brush needs
LEAST_ROOM = 0.25
#: from this share of the drawn height on every area is painted as it is drawn: what is narrow there is a sliver behind something
WHOLE = 0.9
#: areas that are never joined: the base has work of its own
_BASE = "base."


def too_small(plate: Plate, size: float) -> tuple[str, ...]:
    """Areas with less room than a brush's finest touch on a figure ``size`` times as tall as it is drawn, which lie beside one
    that has enough; lowest first. None from nine tenths of the drawn height on."""
    if size >= WHOLE:
        return ()
    narrow = {
        name
        for name, area in plate.areas.items()
        if not name.startswith(_BASE) and area.extent.room_mm * size < LEAST_ROOM
    }
    targets = _targets(plate, narrow)
    return tuple(name for name in plate.areas if name in targets)


def with_joined(plate: Plate, areas: Iterable[str]) -> Plate:
    """The plate with areas made part of what they lie beside longest; the same object for the same plate and areas. Areas it
    has not, or that lie beside none but others of them, stay as they are."""
    small = frozenset(area for area in areas if area in plate.areas)
    if not small:
        return plate
    return _joined(plate, small)


@remembered(8_000)
def _joined(plate: Plate, small: frozenset[str]) -> Plate:
    """The same joined areas are the same plate, for as long as it is kept."""
    into = _targets(plate, set(small))
    kept = {name: plate.areas[name] for name in into.values()}
    views = tuple(_joined_view(view, into, kept) for view in plate.views)
    tags = {area: tags for area, tags in plate.tags.items() if area not in into}
    return replace(plate, views=views, tags=tags, measured=_joined_measures(plate.measured, into))


def _targets(plate: Plate, small: set[str]) -> dict[str, str]:
    """For each small area the one it becomes part of: that with the longest seam among those that are not small, or what a small
    neighbour becomes part of."""
    found: dict[str, str] = {}
    waiting = sorted(small)
    while waiting:
        left = []
        for area in waiting:
            beside = {
                found.get(other, other): length
                for other, length in sorted(plate.neighbours[area].items())
                if (other not in small or other in found) and not other.startswith(_BASE)
            }
            if beside:
                found[area] = max(beside, key=lambda other: (beside[other], other))
            else:
                left.append(area)
        if len(left) == len(waiting):
            break
        waiting = left
    return found


def _joined_view(view: View, into: dict[str, str], kept: dict[str, PlateArea]) -> View:
    groups: dict[str, list[SeenArea]] = {}
    for seen in view.areas:
        groups.setdefault(into.get(seen.area, seen.area), []).append(seen)
    seams: dict[tuple[str, str], float] = {}
    for one, other, length in view.seams:
        pair = tuple(sorted((into.get(one, one), into.get(other, other))))
        if pair[0] != pair[1]:
            seams[pair] = round(seams.get(pair, 0.0) + length, 2)
    return replace(
        view,
        layers=tuple(replace(layer, area=into.get(layer.area, layer.area)) for layer in view.layers),
        areas=tuple(_joined_area(name, group, kept.get(name)) for name, group in groups.items()),
        seams=tuple((*pair, length) for pair, length in sorted(seams.items(), key=lambda item: (-item[1], item[0]))),
        sites=tuple(replace(site, area=into.get(site.area, site.area)) for site in view.sites),
    )


def _joined_area(name: str, group: list[SeenArea], kept: PlateArea | None) -> SeenArea:
    """One area of several: surfaces added, edges and seams those of the largest. kept: what the area is on the whole plate, if
    others are joined to it: they change neither its material nor the room there is on it."""
    first = next((one for one in group if one.area == name), max(group, key=lambda one: one.mm2))
    if kept:
        first = replace(first, area=name, material=kept.material, room=max(first.room, kept.extent.room_mm))
    if len(group) == 1:
        return first
    return replace(
        first, area=name, mm2=round(sum(one.mm2 for one in group), 2),
        surface_mm2=round(sum(one.surface_mm2 for one in group), 2), alone_mm2=round(sum(one.alone_mm2 for one in group), 2),
        visible="".join(one.visible for one in group),
    )  # fmt: skip


def _joined_measures(measured: dict[str, Measured], into: dict[str, str]) -> dict[str, Measured]:
    found = {area: one for area, one in measured.items() if area not in into}
    for area, target in into.items():
        if area in measured and target in found:
            had, more = found[target], measured[area]
            found[target] = replace(
                had, surface_mm2=round(had.surface_mm2 + more.surface_mm2, 2),
                hidden_mm2=round(had.hidden_mm2 + more.hidden_mm2, 2),
            )  # fmt: skip
    return found
