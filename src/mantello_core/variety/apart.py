"""Which options cannot lie beside each other: on one figure where garments touch, and on neighbours in a stand."""

import numpy as np

from ..colour.acuity import seen_differences
from ..colour.difference import differences_among
from ..memory import remembered
from .band import Band

#: CIEDE2000 that two touching garments differ by at least where they are seen from; that neighbours' garments do
TOUCHING, NEIGHBOURS = 12.0, 8.0
Matrix = tuple[tuple[bool, ...], ...]


def clashing(band: Band) -> dict[tuple[int, int], Matrix]:
    """For touching garments, both ways round: whether an option of one cannot be told from an option of the other."""
    return _known(band)[0]


def repeating(band: Band) -> tuple[Matrix, ...]:
    """For every garment: whether two options of it are too alike for two neighbours."""
    return _known(band)[1]


@remembered(2_000)
def _known(band: Band) -> tuple[dict[tuple[int, int], Matrix], tuple[Matrix, ...]]:
    labs = [np.array([option.lab for option in garment.options]) for garment in band.garments]
    clash: dict[tuple[int, int], Matrix] = {}
    for one, other in band.touching:
        width = min(band.garments[one].mm, band.garments[other].mm)
        seen = seen_differences(labs[one][:, None], labs[other][None], width, band.metres) < TOUCHING
        clash[one, other], clash[other, one] = _matrix(seen), _matrix(seen.T)
    repeat = []
    for garment, lab in zip(band.garments, labs, strict=True):
        alike = differences_among(lab) < NEIGHBOURS
        may = np.array([option.repeats for option in garment.options])
        repeat.append(_matrix((alike | np.eye(len(lab), dtype=bool)) & ~(may[:, None] & may[None])))
    return clash, tuple(repeat)


def _matrix(found: np.ndarray) -> Matrix:
    return tuple(tuple(map(bool, row)) for row in found)
