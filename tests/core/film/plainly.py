"""The plain scalar code that the arrays are held against: one film over one ground, band by band, by the textbook."""

import math

import numpy as np

from mantello_core.colour.difference import difference
from mantello_core.film.coverage import LIMIT, tolerance_of
from mantello_core.film.surface import Surface, grey, solid
from tests.samples import film

#: flat films that it counts
FLAT = ("white", "black", "yellow", "red", "phthalo blue", "bone")


def coats_plainly(name: str, ground: Surface, dilution: float, allowed: float) -> int | None:
    """Coats counted one after the other with the textbook hyperbolic formula, band by band; for flat films."""
    pot = film(name)
    goal, seen = solid(pot).colour, ground.diffuse
    for coats in range(LIMIT + 1):
        if difference(Surface(np.array(seen)).colour, goal) <= allowed:
            return coats
        seen = [
            _over(k, s, pot.thickness(dilution), beneath)
            for k, s, beneath in zip(pot.absorption, pot.scattering, seen, strict=True)
        ]
    return None


def all_plainly() -> int:
    """Coats of every flat film over sixteen greys, added up: a piece of work that takes a machine its own time."""
    return sum(
        coats_plainly(name, grey(at / 17), 0.0, tolerance_of(film(name))) or LIMIT
        for name in FLAT
        for at in range(1, 17)
    )


def _over(absorption: float, scattering: float, thickness: float, beneath: float) -> float:
    """Kubelka's formula for a film over a ground, with a = (K + S) / S and b = sqrt(a^2 - 1)."""
    a = (absorption + scattering) / scattering
    b = math.sqrt(a * a - 1)
    turned = b / math.tanh(b * scattering * thickness)
    return (1 - beneath * (a - turned)) / (a - beneath + turned)
