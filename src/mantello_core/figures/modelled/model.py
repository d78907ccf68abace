"""A model cut up: its surface, patches, views and sky; and the figure type drawn of what was given to areas."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from functools import cached_property

import numpy as np

from ...errors import Unreadable
from ..measured import measured_mapping
from ..piecework.drawn import drawn_view
from ..piecework.partition import without_specks
from ..piecework.pieces import PieceGraph
from .lighting import Corners, lit
from .measuring import areas_measured
from .patches import joined_in_views, patch_map, patched
from .seen import VIEWS, Seen, seen_from
from .sky import DIRECTIONS, Sky, sky_seen
from .solid import Solid, cleaned, refined

#: pixels a mm at most, and pixels across the largest side
PX_MM, ACROSS = 20.0, 900.0
#: mm by which a part stands before another
_BEFORE_MM = 0.3
#: separate surfaces that a model may be made of
_MOST_SHELLS = 2000
#: a figure lower than it is long is drawn as a vehicle
_FLAT = 0.8
#: sides in the order they are looked at, of what stands and of what lies along the ground
_STANDS, _LIES = ("front", "back", "left", "right", "top"), ("left", "right", "front", "back", "top")
_OF_BODIES = ("head", "torso", "leg")


@dataclass(frozen=True, eq=False)
class Model:
    """A model cut up. patch: of every face."""

    solid: Solid
    patch: np.ndarray
    graph: PieceGraph
    sky: Sky
    views: Mapping[str, Seen] = field(default_factory=dict)

    @property
    def flat(self) -> bool:
        """Whether it lies along the ground, as vehicles do."""
        return _flat(self.solid)

    @cached_property
    def _corners(self) -> Corners:
        return Corners(self.solid)

    def light(self, view: str) -> np.ndarray:
        """Light over its median of every pixel of a view."""
        return lit(self._corners, self.views[view], self.sky.open, VIEWS[view])

    def areas(self, given: Mapping[int, str]) -> tuple[tuple[str, ...], np.ndarray]:
        """The names that patches were given to, and of every patch its place among them, -1 for none."""
        names = tuple(sorted(set(given.values())))
        number = {name: at for at, name in enumerate(names)}
        return names, self.graph.assigned({patch: number[name] for patch, name in given.items()})


def _flat(solid: Solid) -> bool:
    wide, tall, deep = np.ptp(solid.points, axis=0)
    return bool(tall < _FLAT * max(wide, deep))


def views_of(solid: Solid) -> dict[str, Seen]:
    """The surface from all sides, the most telling first."""
    px_mm = min(PX_MM, ACROSS / float(np.ptp(solid.points, axis=0).max()))
    order = _LIES if _flat(solid) else _STANDS
    return {name: seen_from(solid, VIEWS[name], px_mm) for name in order}


def modelled(corners: np.ndarray, directions: int = DIRECTIONS) -> Iterator[tuple[float, str, Model | None]]:
    """A model cut up, from triangles in mm that stand upright: share done, what is done next in words, and last the model.
    directions: from which the sky is looked for.

    Raises: what ``cleaned`` refuses; Unreadable for a heap of scraps.
    """
    yield 0.02, "cleaning the surface", None
    solid = cleaned(refined(corners))
    shells = int(solid.shell.max()) + 1
    if shells > _MOST_SHELLS:
        raise Unreadable(
            f"The model lies in {shells} loose scraps; up to {_MOST_SHELLS} are taken. Mend it first, in the program that made it.",
            "file",
        )
    yield 0.10, "cutting it into pieces", None
    patch, graph = patched(solid)
    yield 0.25, "looking at it from all sides", None
    views = views_of(solid)
    graph = joined_in_views(graph, (patch_map(seen, patch) for seen in views.values()))
    for done, sky in enumerate(sky_seen(solid, directions)):
        if sky is None:
            yield 0.35 + 0.6 * done / directions, "measuring what lies deep", None
        else:
            yield 1.0, "done", Model(solid, patch, graph, sky, views)


def modelled_type(model: Model, given: Mapping[int, str], materials: Mapping[str, str]) -> dict:
    """The drawing of a figure type: ``kind``, ``views`` and ``measured``. given: patch to area; materials: area to material.

    Raises: Unreadable where nothing is given.
    """
    if not given:
        raise Unreadable("Nothing of the model is given to an area yet.", "areas")
    names, by_patch = model.areas(given)
    by_face = by_patch[model.patch]
    views = []
    for name, seen in model.views.items():
        labels = np.where(seen.mask, by_face[np.maximum(seen.face, 0)], -1).astype(np.int32)
        labels = without_specks(labels, seen.px_mm)
        if (labels >= 0).any():
            views.append(
                drawn_view(
                    name, labels, names, materials, model.light(name), seen.px_mm, seen.origin, seen.depth, _BEFORE_MM
                )
            )
    kind = (
        "vehicle" if model.flat and not any(name.partition(".")[0] in ("head", "torso") for name in names) else "figure"
    )
    measured = areas_measured(model.solid, by_face, names, model.sky)
    shown = {area["area"] for view in views for area in view["areas"]}
    kept = {area: one for area, one in measured.items() if area in shown}
    return {"kind": kind, "views": views, "measured": measured_mapping(kept)}


def unseen(model: Model, given: Mapping[int, str]) -> tuple[str, ...]:
    """Areas that were given but show in no view."""
    names, by_patch = model.areas(given)
    shown = {
        int(one) for seen in model.views.values() for one in np.unique(by_patch[model.patch[seen.face[seen.mask]]])
    }
    return tuple(name for number, name in enumerate(names) if number not in shown)
