"""Differences: arms for the sub-units of a house, all near the parent's and as far from each other as can be."""

import random
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, replace

import numpy as np
import shapely

from ...colour.spaces import Lab
from ...colour.vision import SIGHTS, seen_by
from ...errors import OutOfRange
from ...memory import remembered
from .arms_drawing import drawn_arms
from .coat import Charged, Coat, Divided, Group, Ordinary, Plain, Varied
from .tincture import COUNTERCHANGED, PROPER, TINCTURES
from .tincture_rule import keeps_rule
from .writing import write_blazon

#: tinctures that differences are made with, and small charges that are added
TINCTURES_TRIED = ("or", "argent", "gules", "azure", "vert", "sable", "purpure")
_SMALL = ("star", "crescent", "roundel", "annulet", "billet", "lozenge", "trefoil", "shell")
_LINES = ("wavy", "engrailed", "embattled", "indented")
#: places of the shield that are looked at, across and down; the surface it is looked at on
_GRID, _SURFACE = (20, 24), "heater"
#: differences in one set at most, rounds of exchange
MOST, ROUNDS = 24, 40


@dataclass(frozen=True)
class Difference:
    """One differenced coat: how it was made, and how far the nearest other of the set is."""

    arms: Coat
    how: str
    #: distance to the nearest other, by usual sight and by the weakest sight of colours
    nearest: float
    nearest_weak: float
    #: which other that is, by its place in the set; -1 for the parent
    nearest_to: int

    @property
    def blazon(self) -> str:
        """Its blazon."""
        return write_blazon(self.arms)


@dataclass(frozen=True)
class Differenced:
    """A set of differences, with the smallest distance of any two of it and the parent."""

    parent: Coat
    differences: tuple[Difference, ...]
    smallest: float
    smallest_weak: float
    #: how many candidates the set was chosen from
    tried: int


def differenced(
    parent: Coat, count: int, colour_of: Callable[[str], Lab], seed: int = 0, pins: Sequence[Coat] = ()
) -> Differenced:
    """So many differences of a coat that keep the rule of tincture, with the smallest distance of any two as great as found.

    Distance: the mean CIEDE-like (CIELAB) difference over places of the shield, the least of usual sight and three
    dichromats. Chosen greedily, farthest first, then improved by exchange; the same seed gives the same set. pins: coats
    that must be in it.
    Raises: OutOfRange for the count, or if there are too few candidates.
    """
    if not 1 <= count <= MOST:
        raise OutOfRange(f"{count} differences; allowed are 1 to {MOST}.", "count")
    if len(pins) > count:
        raise OutOfRange(f"{len(pins)} are pinned, but only {count} wanted.", "count")
    made = {coat: how for how, coat in _candidates(parent) if keeps_rule(coat) and coat != parent}
    pool = [*pins, *(coat for coat in made if coat not in pins)]
    if len(pool) < count:
        raise OutOfRange(
            f"Only {len(pool)} differences of these arms keep the rule of tincture; {count} were asked for.", "count"
        )
    weak, usual = _distances((parent, *pool), colour_of)
    chosen = _spread(weak, count, list(range(1, len(pins) + 1)), random.Random(seed))
    return Differenced(
        parent,
        tuple(_told(at, chosen, pool, made, usual, weak) for at in chosen),
        *_smallest(chosen, usual, weak),
        len(pool),
    )


def set_of(parent: Coat, differences: Sequence[Difference], colour_of: Callable[[str], Lab], tried: int) -> Differenced:
    """A set that was chosen otherwise, with the distances of each to the nearest other and of any two."""
    pool, made = [one.arms for one in differences], {one.arms: one.how for one in differences}
    weak, usual = _distances((parent, *pool), colour_of)
    rows = list(range(1, len(pool) + 1))
    told = tuple(_told(at, rows, pool, made, usual, weak) for at in rows)
    return Differenced(parent, told, *_smallest(rows, usual, weak), tried)


def _told(at: int, chosen: list[int], pool, made, usual, weak) -> Difference:
    others = [0, *(other for other in chosen if other != at)]
    nearest = min(others, key=lambda other: weak[at, other])
    place = -1 if nearest == 0 else chosen.index(nearest)
    coat = pool[at - 1]
    return Difference(coat, made.get(coat, "pinned"), float(usual[at, nearest]), float(weak[at, nearest]), place)


def _smallest(chosen: list[int], usual, weak) -> tuple[float, float]:
    rows = [0, *chosen]
    pairs = [(one, two) for place, one in enumerate(rows) for two in rows[:place]]
    return tuple(float(min(table[one, two] for one, two in pairs)) for table in (usual, weak))


def _spread(apart: np.ndarray, count: int, kept: list[int], chance: random.Random) -> list[int]:
    """Rows whose smallest distance is great: farthest first, then exchanged while that helps. Row 0 is the parent."""
    rows = list(range(1, len(apart)))
    chance.shuffle(rows)
    chosen = list(kept)
    while len(chosen) < count:
        known = [0, *chosen]
        chosen.append(max((row for row in rows if row not in chosen), key=lambda row: apart[row, known].min()))
    for _ in range(ROUNDS):
        least, worst = _least(apart, chosen, len(kept))
        if worst is None:
            break
        rest = [one for one in chosen if one != worst]
        better = max(
            (row for row in rows if row not in chosen), key=lambda row: apart[row, [0, *rest]].min(), default=None
        )
        if better is None or apart[better, [0, *rest]].min() <= least + 1e-9:
            break
        chosen = [*rest, better] if worst not in chosen[: len(kept)] else chosen
    return chosen


def _least(apart: np.ndarray, chosen: list[int], pinned: int) -> tuple[float, int | None]:
    """The smallest distance of any two, and of the two the one that is not pinned."""
    rows = [0, *chosen]
    least, pair = min((apart[one, two], (one, two)) for place, one in enumerate(rows) for two in rows[:place])
    free = [one for one in pair if one in chosen[pinned:]]
    return float(least), (free[0] if free else None)


@remembered(1_000)
def _tinctures_at(coat: Coat) -> tuple[str, ...]:
    """The tincture at every place of the shield; '' beside it."""
    drawing = drawn_arms(coat, _SURFACE)
    left, top, right, bottom = drawing.surface.bounds
    across, down = (
        np.linspace(low, high, places + 2)[1:-1]
        for low, high, places in ((left, right, _GRID[0]), (top, bottom, _GRID[1]))
    )
    x, y = (one.ravel() for one in np.meshgrid(across, down))
    found = np.full(len(x), "", dtype=object)
    for piece in drawing.pieces:
        found[shapely.contains_xy(piece.shape, x, y)] = piece.tincture
    found[~shapely.contains_xy(drawing.surface, x, y)] = ""
    return tuple(found)


def _distances(coats: Sequence[Coat], colour_of: Callable[[str], Lab]) -> tuple[np.ndarray, np.ndarray]:
    """Between any two, the mean difference over the places: by the weakest sight, and by usual sight.

    What two coats show at a place is one of few pairs of tinctures. So every coat is told by which tincture it has where, and
    again by how far that is from each other one; the sums over all places of all pairs are one product of matrices.
    """
    places = [_tinctures_at(coat) for coat in coats]
    tinctures = list(dict.fromkeys(id_ for shown in places for id_ in shown))
    number = {id_: at for at, id_ in enumerate(tinctures)}
    shown = np.array([[number[id_] for id_ in one] for one in places])
    has = np.eye(len(tinctures))[shown].reshape(len(coats), -1)
    by_sight = []
    for between in _between(tinctures, colour_of):
        apart = between[shown].reshape(len(coats), -1) @ has.T / shown.shape[1]
        by_sight.append(np.round((apart + apart.T) / 2, 9))
    return np.min(by_sight, axis=0), by_sight[0]


def _between(tinctures: Sequence[str], colour_of: Callable[[str], Lab]) -> np.ndarray:
    """How far any two tinctures are apart, by usual sight and by each kind of colour blindness: (sights, tinctures, tinctures)."""
    colours = [colour_of(id_) if id_ else Lab(50, 0, 0) for id_ in tinctures]
    seen = np.array([[seen_by(one, sight) if sight else one for one in colours] for sight in ("", *SIGHTS)])
    return np.sqrt(((seen[:, :, None] - seen[:, None]) ** 2).sum(-1))


def _candidates(parent: Coat) -> Iterable[tuple[str, Coat]]:
    """Every difference that is tried, each with how it is made."""
    for tincture in TINCTURES_TRIED:
        yield from _added(parent, tincture)
        for at, element in enumerate(parent.elements):
            yield from _recoloured(parent, at, element, tincture)
        yield from _other_field(parent, tincture)
    for at, element in enumerate(parent.elements):
        if isinstance(element, Ordinary) and element.kind not in ("label", "canton"):
            for line in _LINES:
                if line != element.line:
                    yield f"the {element.kind} {line}", _changed(parent, at, replace(element, line=line))
    if not _kinds(parent) & {"chief", "canton", "label"}:
        yield from _charged_chiefs(parent)


def _kinds(parent: Coat) -> set[str]:
    return {one.kind for one in parent.elements if isinstance(one, Ordinary)}


def _added(parent: Coat, tincture: str) -> Iterable[tuple[str, Coat]]:
    """Marks laid on the arms in one tincture, where they do not bear their like."""
    kinds = _kinds(parent)
    if "bordure" not in kinds:
        for line in ("", "embattled", "engrailed"):
            said = f"{line} bordure" if line else "bordure"
            yield (
                f"{'an' if said[0] == 'e' else 'a'} {said} {tincture}",
                _with(parent, Ordinary("bordure", tincture, 1, line)),
            )
    if not kinds & {"label", "chief"}:
        yield f"a label {tincture}", _with(parent, Ordinary("label", tincture, 1, "", (), (), 3))
        yield f"a chief {tincture}", _with(parent, Ordinary("chief", tincture))
    if not kinds & {"canton", "chief"}:
        yield f"a canton {tincture}", _with(parent, Ordinary("canton", tincture))
    yield f"overall a bendlet {tincture}", _with(parent, Ordinary("bendlet", tincture, 1, "", (), (), 0, True))


def _other_field(parent: Coat, tincture: str) -> Iterable[tuple[str, Coat]]:
    if isinstance(parent.field, Plain) and parent.field.tincture != tincture:
        yield f"the field {tincture}", replace(parent, field=Plain(tincture))
    if isinstance(parent.field, Divided | Varied) and tincture not in parent.field.tinctures:
        first, *rest = parent.field.tinctures
        field = replace(parent.field, tinctures=(tincture, *rest))
        yield f"{tincture} for {first} in the field", replace(parent, field=field)


def _charged_chiefs(parent: Coat) -> Iterable[tuple[str, Coat]]:
    for charge in _SMALL:
        for tincture in ("or", "argent", "sable"):
            ground = "argent" if tincture == "sable" else "sable"
            chief = Ordinary("chief", ground, 1, "", (Group(3, charge, tincture),))
            yield f"three {charge}s {tincture} on a chief {ground}", _with(parent, chief)


def _recoloured(parent: Coat, at: int, element, tincture: str) -> Iterable[tuple[str, Coat]]:
    own = element.group.tincture if isinstance(element, Charged) else element.tincture
    if own in (tincture, COUNTERCHANGED, PROPER) or own not in TINCTURES:
        return
    if isinstance(element, Charged):
        yield (
            f"the {element.group.charge} {tincture}",
            _changed(parent, at, replace(element, group=replace(element.group, tincture=tincture))),
        )
    else:
        yield f"the {element.kind} {tincture}", _changed(parent, at, replace(element, tincture=tincture))


def _with(parent: Coat, element: Ordinary) -> Coat:
    return replace(parent, elements=(*parent.elements, element))


def _changed(parent: Coat, at: int, element) -> Coat:
    return replace(parent, elements=(*parent.elements[:at], element, *parent.elements[at + 1 :]))
