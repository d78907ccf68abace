"""Points of a figure with how each of them lies; and those of the usual figure, for colours that no one wears yet."""

import json
from dataclasses import dataclass, fields
from functools import cache
from importlib.resources import files

import numpy as np

#: light plans and where their lamp stands: x right, y down, z to the viewer; four lamps are the mean of four round the figure
LIGHTS = {
    "overhead": np.array([0.0, -0.90, 0.43]) / np.linalg.norm([0.0, -0.90, 0.43]),
    "front": np.array([0.0, -0.6, 0.8]),
    "left": np.array([-0.5, -0.7, 0.5]) / np.linalg.norm([-0.5, -0.7, 0.5]),
    "right": np.array([0.5, -0.7, 0.5]) / np.linalg.norm([0.5, -0.7, 0.5]),
}
#: names of light plans; lamps are the mean of all lamps that are known one by one
LIGHT_PLANS = (*LIGHTS, "lamps")
#: digits that a sample is kept with
_DIGITS = 3


@dataclass(frozen=True, eq=False)
class Sample:
    """Points by the surface they stand for, mm², and their fields, each (n,), light (n, plans)."""

    mm2: np.ndarray
    #: 0 dark to 1 lit under each of ``LIGHTS``
    light: np.ndarray
    #: 0 open to 1 in the deepest recess
    depth: np.ndarray
    #: mm to where something lies over it, to its own free edge and to a corner of that
    under: np.ndarray
    proud: np.ndarray
    #: how the nearest edge faces up, -1 to 1
    edge_up: np.ndarray
    corner: np.ndarray
    #: 0 at the outline to 1 in the heart; 0 at the foot to 1 at the head of the area
    middle: np.ndarray
    height: np.ndarray
    #: how it faces up, -1 to 1
    up: np.ndarray
    #: 1 under a drawn line
    ink: np.ndarray

    def mapping(self) -> dict[str, list]:
        """The fields, JSON-ready."""
        return {one.name: np.round(getattr(self, one.name), _DIGITS).tolist() for one in fields(self)}


def sample_from(mapping: dict[str, list]) -> Sample:
    """The sample that a mapping holds."""
    return Sample(**{one.name: np.array(mapping[one.name], float) for one in fields(Sample)})


def joined(samples: list[Sample]) -> Sample:
    """The points of several samples as one."""
    return Sample(**{one.name: np.concatenate([getattr(each, one.name) for each in samples]) for one in fields(Sample)})


def thinned(sample: Sample, points: int) -> Sample:
    """About so many points that stand for the same surface: every so-manyth in the order of depth, light and edges."""
    order = np.lexsort((sample.proud, np.round(sample.light[:, 0] * 8), np.round(sample.depth * 6)))
    ends = np.cumsum(sample.mm2[order]) / sample.mm2.sum() * points
    kept = order[np.searchsorted(ends, np.arange(points) + 0.5).clip(0, len(order) - 1)]
    each = np.full(points, sample.mm2.sum() / points)
    return Sample(
        **{one.name: each if one.name == "mm2" else getattr(sample, one.name)[kept] for one in fields(sample)}
    )


@cache
def usual_sample() -> Sample:
    """The usual figure's points: of all the shipped ones that stand on a base, bases left out."""
    return sample_from(json.loads((files(__package__) / "data" / "sample.json").read_text(encoding="utf-8")))
