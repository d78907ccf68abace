"""What a test piece taught of a paint: that it hides more or less, or dries slower, than predicted."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from statistics import median

import numpy as np

from ..errors import OutOfRange
from ..paints.paint import Film, mixed
from ..recipes.step import EVEN, Mix
from .coverage import coverages_of
from .surface import Surface

#: how far a paint may be taken from what was predicted
LEAST, MOST = 0.25, 4.0


@dataclass(frozen=True)
class Calibration:
    """A paint's own figures: factors on how much a coat hides, and on how long it dries. 1 is as predicted."""

    #: the paint's id
    paint: str
    hiding: float = 1.0
    drying: float = 1.0


def checked_calibration(one: Calibration, where: str = "") -> Calibration:
    """The calibration, if everything in it is allowed.

    Raises: OutOfRange for the factors.
    """
    for name in ("hiding", "drying"):
        if not LEAST <= getattr(one, name) <= MOST:
            raise OutOfRange(
                f"A factor of {getattr(one, name):g} on {name}; allowed is {LEAST:g} to {MOST:g}.", f"{where}/{name}"
            )
    return one


def calibrated_film(mix: Mix, calibrations: tuple[Calibration, ...]) -> Film:
    """The film of a mix with every paint as it was found to be."""
    known = {one.paint: one.hiding for one in calibrations if one.hiding != 1}
    if not known or not any(pot.id in known for pot in mix.paints):
        return mix.film
    return mixed([(_scaled(pot.film, known.get(pot.id, 1.0)), parts) for pot, parts in mix.parts])


def drying_factor(mix: Mix, calibrations: tuple[Calibration, ...]) -> float:
    """The factor of the slowest paint in the mix."""
    known = {one.paint: one.drying for one in calibrations}
    return max((known.get(pot.id, 1.0) for pot in mix.paints), default=1.0)


def hiding_found(mix: Mix, ground: Surface, coats: int) -> float | None:
    """The factor on hiding with which a mix covers its ground in just so many coats; None if no factor does.

    The middle of the factors, between 1/4 and 4, for which ``coats`` are enough and one less is not.
    """
    factors = LEAST * (MOST / LEAST) ** (np.arange(81) / 80)
    films = [(_scaled(mix.film, factor), mix.dilution, EVEN) for factor in factors.tolist()]
    fits = factors[[one.coats == coats for (one,) in coverages_of(films, ground.at(None))]]
    return median(fits.tolist()) if len(fits) else None


def drying_found(predicted: float, measured: float) -> float:
    """The factor on drying for minutes that were measured, within 1/4 and 4."""
    return min(MOST, max(LEAST, measured / predicted)) if predicted > 0 else 1.0


def with_learned(known: Sequence[Calibration], one: Calibration) -> tuple[Calibration, ...]:
    """The calibrations with a paint's replaced; one that says nothing is dropped."""
    kept = tuple(old for old in known if old.paint != one.paint)
    return kept if one.hiding == one.drying == 1 else (*kept, one)


def _scaled(film: Film, factor: float) -> Film:
    return replace(film, absorption=film.absorption * factor, scattering=film.scattering * factor)
