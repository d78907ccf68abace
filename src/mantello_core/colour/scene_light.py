"""The light over a photograph, judged from grey marks and from the plain ground, and colours freed of it.

Each channel of linear light is what a surface sends back times the light there. Grey marks send back 18 %; a plain ground sends
back the same everywhere, so that its picture is the light's, but for a factor. See docs/methods/photographs.md.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from shapely.geometry import MultiPoint, Point

from ..errors import OutOfRange
from .patch import Patch
from .spaces import Lab, coded_light, lab_of, linear_light, xyz_of_linear

#: reflectance of the usual grey card
CARD = 0.18
#: linear light of a mark that is neither lost in shadow nor burnt out
DARKEST, BRIGHTEST = 0.012, 0.95
#: how unequal a mark's channels may be: more, and it is no grey mark
MOST_CAST = 6.0
#: how far marks may differ in colour before the lamps are of two colours, and from the ground's light before something shades one
MOST_MIXED, MOST_SHADE = 0.12, 0.10
#: ground: chromaticity and light that a cell may lie off, share of the edge it must take, and of each side
_TINT, _OFF, _EDGE, _SIDE = 0.12, 0.05, 0.4, 0.2
#: without a ground: how far about a mark it tells the light, of the picture's width; how much light may change among marks
_REACH, _MOST_FALL = 0.12, 1.2
_ROUNDS = 12
_ALONE = (
    "How even the light is cannot be told: no plain ground was found, and the only grey mark is far from here."
    " Add a second mark, or one beside it."
)
_FALLS = "The light changes among the grey marks, and no plain ground tells how. Put a mark beside what you pick."
_OUTSIDE = (
    "It does not lie among the grey marks, and no plain ground tells the light there. Pick among them, or add a mark."
)


@dataclass(frozen=True)
class SceneLight:
    """Light over a picture: for each channel, ln of what a white would come out as, by place."""

    #: for each channel six factors of 1, x, y, x², xy, y²
    terms: tuple[tuple[float, ...], ...]
    #: 'ground', 'marks' or 'one mark'
    by: str
    #: the places of the marks
    marks: tuple[tuple[float, float], ...]
    #: what is not as it should be with the light itself
    doubts: tuple[str, ...] = ()
    #: greatest over least light within the picture; among the marks where they alone tell it
    fall: float = 1.0

    def at(self, x: float, y: float) -> np.ndarray:
        """What a perfect white would come out as there, (3,). x, y: shares of width and height."""
        return np.exp(np.array(self.terms) @ _basis(x, y))


@dataclass(frozen=True)
class Freed:
    """A colour freed of its light, or why none can be told."""

    colour: Lab | None
    doubts: tuple[str, ...]
    #: what was left out or put right
    told: tuple[str, ...]


def scene_light(marks: Sequence[tuple[float, float, Patch]], grid: np.ndarray | None = None) -> SceneLight:
    """The light over a picture.

    marks: x and y as shares of width and height, and the patch, of every grey mark. grid: linear light of the picture in
    coarse cells, (rows, columns, 3), by which a plain ground is found; None if it is not known.
    Raises: OutOfRange without a mark, or for one that is too dark, burnt out or no grey.
    """
    if not marks:
        raise OutOfRange("Point at the grey card first: without it the lamp's colour stays in.", "card")
    for _, _, patch in marks:
        _checked(patch)
    places = tuple((x, y) for x, y, _ in marks)
    whites = np.log(np.array([patch.linear for *_, patch in marks]) / CARD)
    doubts = []
    tints = whites - whites.mean(axis=1, keepdims=True)
    if np.abs(tints - tints.mean(axis=0)).max() > MOST_MIXED:
        doubts.append("The grey marks have different casts: lamps of two colours mix here. Use one kind of lamp.")
    ground = None if grid is None else _ground(np.asarray(grid, float))
    if ground is not None:
        over = np.array([[term @ _basis(x, y) for term in ground] for x, y in places])
        offsets = whites - over
        shaded = np.abs(offsets - np.median(offsets, axis=0)).max()
        if len(marks) > 2 and shaded > MOST_SHADE:
            keep = np.abs(offsets - np.median(offsets, axis=0)).max(axis=1) <= MOST_SHADE
            offsets = offsets[keep] if keep.any() else offsets
        elif shaded > MOST_SHADE:
            doubts.append(
                "The light at the grey marks is not that of the ground beside them: a shadow falls on one. Move it, or the lamp."
            )
        terms = [[*(term[:1] + offset), *term[1:]] for term, offset in zip(ground, offsets.mean(axis=0), strict=True)]
        return _told(terms, "ground", places, doubts)
    fall = float(np.exp(np.ptp(whites.mean(axis=1))))
    by = "marks" if len(marks) > 1 else "one mark"
    return SceneLight(_plain(_by_marks(places, whites)), by, places, tuple(doubts), fall)


def evened(picture: np.ndarray, light: SceneLight) -> np.ndarray:
    """A picture as it would be in even daylight: every place divided by the light there.

    picture: sRGB values, (rows, columns, 3), 0 to 1; so is the answer.
    """
    rows, columns = picture.shape[:2]
    y, x = np.meshgrid((np.arange(rows) + 0.5) / rows, (np.arange(columns) + 0.5) / columns, indexing="ij")
    whites = np.exp(_basis(x, y) @ np.array(light.terms).T)
    return np.clip(coded_light(np.clip(linear_light(picture) / whites, 0, 1)), 0, 1)


def freed(light: SceneLight, x: float, y: float, patch: Patch) -> Freed:
    """The colour of a place, as it would be seen in daylight, or the reasons why it cannot be told."""
    doubts = [*light.doubts, *patch.doubts]
    told = list(patch.told)
    if light.by != "ground":
        doubts += _reach(light, x, y)
    elif light.fall > 1.15:
        told.append(
            f"The light falls off to {100 * (1 / light.fall):.0f} % over the picture; that was put right by the plain ground."
        )
    if doubts:
        return Freed(None, tuple(dict.fromkeys(doubts)), tuple(told))
    share = np.array(patch.linear) / light.at(x, y)
    if share.max() > 1.25:
        words = "It sends back more light than a white could: a gloss, or a lamp of its own shines there."
        return Freed(None, (words,), tuple(told))
    return Freed(lab_of(xyz_of_linear(np.clip(share, 0, 1))), (), tuple(told))


def _checked(patch: Patch) -> None:
    red, green, blue = patch.linear
    if patch.doubts:
        raise OutOfRange(f"The grey card cannot be used. {patch.doubts[0]}", "card")
    low, high = min(red, green, blue), max(red, green, blue)
    if high > DARKEST and high / max(low, 1e-6) > MOST_CAST:
        raise OutOfRange("What was pointed at as the card is no grey in any usual light; pick the grey card.", "card")
    if low < DARKEST or high > BRIGHTEST:
        said = "too dark" if low < DARKEST else "burnt out"
        raise OutOfRange(
            f"The card came out as {red:.3f}, {green:.3f}, {blue:.3f} of full light, which is {said};"
            f" each may be {DARKEST:.3f} to {BRIGHTEST:.2f}.",
            "card",
        )


def _told(terms, by: str, places, doubts) -> SceneLight:
    made = SceneLight(_plain(terms), by, places, tuple(doubts))
    across = [made.at(x, y)[1] for x in (0.03, 0.5, 0.97) for y in (0.03, 0.5, 0.97)]
    return replace(made, fall=float(max(across) / min(across)))


def _plain(terms) -> tuple[tuple[float, ...], ...]:
    return tuple(tuple(float(value) for value in term) for term in terms)


def _basis(x, y) -> np.ndarray:
    x, y = 2 * np.asarray(x, float) - 1, 2 * np.asarray(y, float) - 1
    return np.stack([np.ones_like(x), x, y, x * x, x * y, y * y], axis=-1)


def _by_marks(places, whites: np.ndarray) -> np.ndarray:
    """A plane through the marks, as flat as they allow: (3, 6)."""
    basis = np.array([_basis(x, y)[:3] for x, y in places])
    middle = basis.mean(axis=0)
    middle[0] = 0.0
    mean = whites.mean(axis=0)
    slopes = np.linalg.lstsq((basis - middle)[:, 1:], whites - mean, rcond=1e-3)[0]
    terms = np.zeros((3, 6))
    terms[:, 1:3] = slopes.T
    terms[:, 0] = mean - slopes.T @ middle[1:]
    return terms


def _reach(light: SceneLight, x: float, y: float) -> list[str]:
    """Whether the light at a place is told by marks alone: near one, or among marks between which it hardly changes."""
    nearest = min(np.hypot(x - a, y - b) for a, b in light.marks)
    if nearest <= _REACH:
        return []
    if len(light.marks) == 1:
        return [_ALONE]
    if light.fall > _MOST_FALL:
        return [_FALLS]
    hull = MultiPoint(light.marks).convex_hull.buffer(_REACH)
    return [] if hull.contains(Point(x, y)) else [_OUTSIDE]


def _ground(grid: np.ndarray) -> np.ndarray | None:
    """The light that a plain ground shows, (3, 6) factors of ln, or None if there is none.

    Begins with the cells along the picture's edge that are alike in colour, fits their light as a smooth hill, leaves out
    what does not follow, and lets cells within the picture join that do.
    """
    rows, columns = grid.shape[:2]
    if rows < 6 or columns < 6:
        return None
    y, x = np.meshgrid((np.arange(rows) + 0.5) / rows, (np.arange(columns) + 0.5) / columns, indexing="ij")
    usable = (grid.min(axis=2) > 0.004) & (grid.max(axis=2) < 0.96)
    edge = np.zeros((rows, columns), bool)
    edge[:2], edge[-2:], edge[:, :2], edge[:, -2:] = True, True, True, True
    if (usable & edge).sum() < 0.5 * edge.sum():
        return None
    logs = np.log(np.maximum(grid, 1e-4))
    tint = logs - logs.mean(axis=2, keepdims=True)
    basis = _basis(x, y)
    inside = usable & edge
    middle = np.median(tint[inside], axis=0)
    inside &= np.abs(tint - middle).max(axis=2) <= _TINT
    terms = None
    for step in range(_ROUNDS):
        if inside.sum() < 0.25 * edge.sum():
            return None
        terms = np.linalg.lstsq(basis[inside], logs[inside], rcond=None)[0].T
        off = np.abs(logs - basis @ terms.T).max(axis=2)
        off = np.where(np.abs(tint - np.median(tint[inside], axis=0)).max(axis=2) <= 2 * _TINT, off, np.inf)
        wide = max(_OFF, 0.6 * 0.7**step)
        now = usable & (off <= wide) & (edge | (step > _ROUNDS // 2))
        if step > _ROUNDS // 2 and (now == inside).all():
            break
        inside = now
    if inside.sum() < 0.25 * edge.sum():
        return None
    sides = (inside[:2], inside[-2:], inside[:, :2], inside[:, -2:])
    if (inside & edge).sum() < _EDGE * edge.sum() or sum(side.mean() >= _SIDE for side in sides) < 3:
        return None
    return terms


def coarse(linear: np.ndarray, rows: int = 18, columns: int = 24) -> np.ndarray:
    """A picture's linear light in coarse cells, the median of each, (rows, columns, 3). linear: (height, width, 3)."""
    height, width = linear.shape[:2]
    tall, wide = np.linspace(0, height, rows + 1).astype(int), np.linspace(0, width, columns + 1).astype(int)
    return np.array(
        [
            [
                np.median(
                    linear[
                        tall[row] : max(tall[row + 1], tall[row] + 1), wide[col] : max(wide[col + 1], wide[col] + 1)
                    ].reshape(-1, 3),
                    axis=0,
                )
                for col in range(columns)
            ]
            for row in range(rows)
        ]
    )
