"""Points spread over the areas of a drawing, and how each of them lies: to the light, in a recess, at an edge.

Lights are directions towards the lamp, x right, y down, z to the viewer. Source: docs/methods/places.md.
"""

import math

import numpy as np
import shapely

from ..geometry.polygon import pieces_of, polygon_of
from .drafting import RELIEF, stacked
from .edging import Outline, corners_of, outlines
from .figure import FIGURES
from .overlap import UNIT_MM, Layers
from .sample import LIGHTS, Sample, joined, thinned

#: figures that the usual one is made of, points of each of their areas, and points that are kept
USUAL = (
    "fusilier", "knight", "captain", "warden", "ranger", "skirmisher", "gunner", "sluicer", "reedcutter", "artificer",
    "drummer", "sergeant",
)  # fmt: skip
USUAL_EACH, USUAL_POINTS = 120, 360
#: units between points at least and at most
LEAST_STEP, MOST_STEP = 0.45, 4.0
#: how far forms turn away at their outline: the sine of the angle there
TURNED = {"ball": 0.97, "cyl": 0.92}
#: a flat piece with lift rolls off within so many mm of its edge, by this sine
ROLL_MM, ROLL = 0.16, 0.45
#: figures stand a little below the eye: tilt of everything that is drawn upright
TILT = 0.12
#: what is drawn as a long form, longer than wide by this, is round across its axis alone
LONG = 1.35
#: mm within which what lies above darkens, and shades
SHADED_MM, DEEP_MM = 0.35, 0.28
#: farther than any distance that is asked for, mm
FAR = 99.0


def usual_mapping() -> dict[str, list]:
    """What ships as the usual figure's points: of shipped figures that stand on a base, bases left out. Takes half a minute."""
    known = {figure.id: figure for figure in FIGURES}
    samples = [
        sample
        for figure in (known[name] for name in USUAL)
        for view in figure.views
        for area, sample in sampled(stacked(figure, view), USUAL_EACH).items()
        if not area.startswith("base.")
    ]
    return thinned(joined(samples), USUAL_POINTS).mapping()


def sampled(stack: Layers, points: int) -> dict[str, Sample]:
    """About so many points of every area of a view."""
    return {name: _sample(stack, name, outline, points) for name, outline in outlines(stack).items()}


def _sample(stack: Layers, name: str, outline: Outline, points: int) -> Sample:
    shape, first = stack.seen(name), next(area for area in stack.areas if area.name == name)
    at = _points(shape, points)
    spots = shapely.points(at)
    feet, free = outline.cut[outline.foot], outline.cut[outline.free]
    under, which = _nearest(spots, feet)
    above = outline.beside_lift[outline.foot][which] if len(feet) else np.zeros(len(at))
    proud, edge = _nearest(spots, free)
    edge_up = free[edge, 6] if len(free) else np.zeros(len(at))
    normal, mm = _normals(shape, stack, name, first.shade, outline.lift, at)
    height = (shape.bounds[3] - at[:, 1]) / max(shape.bounds[3] - shape.bounds[1], 1e-6)
    marks = {
        kind: [mark for mark in stack.marks if mark.kind == kind and name in mark.on]
        for kind in ("dark", "lite", "ink")
    }
    drawn = {kind: _within(some, at) for kind, some in marks.items()}
    fold = drawn["lite"] - drawn["dark"]
    sky = 1 - 0.45 * np.exp(-((under / SHADED_MM) ** 2)) * np.clip(0.4 + above / 3, 0, 1)
    lights = [np.clip((np.clip((normal @ lamp + 0.35) / 1.35, 0, 1) + 0.14 * (height - 0.5) + 0.16 * fold) * sky, 0, 1)
              for lamp in LIGHTS.values()]  # fmt: skip
    up = -normal[:, 1]
    depth = np.exp(-((under / DEEP_MM) ** 2)) * np.clip(0.45 + above / 3, 0, 1) * (under < FAR)
    depth = np.clip(depth + 0.45 * (fold < 0) + 0.8 * drawn["ink"] + 0.1 * (up < -0.35), 0, 1)
    stands = 1 / np.clip(normal[:, 2], 0.35, 1)
    surface = shape.area * UNIT_MM**2 * RELIEF[first.shade]
    return Sample(
        stands * surface / stands.sum(), np.column_stack(lights), depth, under, proud, edge_up,
        _corner_distance(shape, free, spots), mm / max(mm.max(), 1e-6), height, up, drawn["ink"],
    )  # fmt: skip


def _points(shape, points: int) -> np.ndarray:
    step = float(np.clip(math.sqrt(shape.area / points), LEAST_STEP, MOST_STEP))
    left, top, right, bottom = shape.bounds
    across, down = np.meshgrid(np.arange(left + step / 2, right, step), np.arange(top + step / 2, bottom, step))
    at = np.column_stack([across.ravel(), down.ravel()])
    shapely.prepare(shape)
    at = at[shapely.contains_xy(shape, *at.T)]
    return at if len(at) else np.array([shape.representative_point().coords[0]])


def _nearest(spots: np.ndarray, cut: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Of every spot the mm to the nearest piece of outline, and its number."""
    if not len(cut):
        return np.full(len(spots), FAR), np.zeros(len(spots), int)
    lines = shapely.linestrings(cut[:, :4].reshape(-1, 2, 2))
    pairs, far = shapely.STRtree(lines).query_nearest(spots, return_distance=True, all_matches=False)
    which, distance = np.zeros(len(spots), int), np.full(len(spots), FAR)
    which[pairs[0]], distance[pairs[0]] = pairs[1], far * UNIT_MM
    return distance, which


def _normals(shape, stack: Layers, name: str, form: str, lift: float, at: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """How every point is turned, (n, 3), and its mm from the area's own outline as it is seen."""
    own = shapely.union_all([area.poly for area in stack.areas if area.name == name])
    big = max(pieces_of(own), key=lambda piece: piece.area)
    radius = max(shapely.maximum_inscribed_circle(big, tolerance=1).length, 1.0)
    ends = shapely.get_coordinates(shapely.shortest_line(shapely.points(at), own.boundary)).reshape(-1, 2, 2)
    way = ends[:, 1] - ends[:, 0]
    distance = np.hypot(*way.T)
    toward = way / np.maximum(distance, 1e-6)[:, None]
    if form in TURNED:
        sine = (1 - np.clip(distance / radius, 0, 1)) * TURNED[form]
        if form == "cyl":
            corners = np.asarray(big.minimum_rotated_rectangle.exterior.coords)
            sides = corners[1:3] - corners[:2]
            lengths = np.hypot(*sides.T)
            if lengths.max() > LONG * lengths.min():
                axis = sides[lengths.argmax()] / lengths.max()
                sine = sine * np.sqrt(np.clip(1 - 0.9 * (toward @ axis) ** 2, 0, 1))
    else:
        sine = np.clip(1 - distance * UNIT_MM / ROLL_MM, 0, 1) * ROLL * (lift > 0)
    normal = np.column_stack([toward * sine[:, None], np.sqrt(np.clip(1 - sine**2, 0.02, 1))])
    if stack.view == "top":
        normal = normal[:, [0, 2, 1]] * np.array([1, -1, 1])  # seen from above, what faces the eye faces up
    else:
        normal[:, 1] -= TILT
    normal /= np.linalg.norm(normal, axis=1)[:, None]
    return normal, shapely.distance(shapely.points(at), shape.boundary) * UNIT_MM


def _within(marks: list, at: np.ndarray) -> np.ndarray:
    inside = np.zeros(len(at))
    for mark in marks:
        inside[shapely.contains_xy(polygon_of(mark.cmds), *at.T)] = 1
    return inside


def _corner_distance(shape, free: np.ndarray, spots: np.ndarray) -> np.ndarray:
    """Of every spot the mm to the nearest corner between free edges."""
    corners = corners_of(shape, free)
    return shapely.distance(spots, shapely.multipoints(corners)) * UNIT_MM if len(corners) else np.full(len(spots), FAR)
