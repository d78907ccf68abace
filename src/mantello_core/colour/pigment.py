"""The pigment table, and the optics of a mixture of pigments."""

from dataclasses import dataclass
from functools import cache

import numpy as np

from ..data_table import data_table
from ..errors import UnknownName
from .reflectance import BANDS


@dataclass(frozen=True, eq=False)
class Pigment:
    """One pigment: absorption and scattering per µm of dry film and unit of volume concentration."""

    code: str
    name: str
    typical_concentration: float
    absorption: np.ndarray
    scattering: np.ndarray


@cache
def pigments() -> dict[str, Pigment]:
    """Every pigment by its code."""
    data = data_table(__package__, "pigments")
    return {
        row["code"]: Pigment(
            row["code"], row["name"], row["typical_pvc"], np.array(row["absorption"]), np.array(row["scattering"])
        )
        for row in data["pigment"]
    }


def optics_of(concentrations: dict[str, float], fineness: float = 1.0) -> tuple[np.ndarray, np.ndarray]:
    """Absorption and scattering per µm of a dry film.

    concentrations: pigment code to share of the dry film's volume.
    fineness: factor on scattering; finely ground inks scatter less (0.4), washes 0.7.
    Raises: UnknownName for a code that is not in the table.
    """
    absorption, scattering = np.full(BANDS, 1e-5), np.full(BANDS, 1e-4)
    for code, share in concentrations.items():
        if code not in pigments():
            raise UnknownName("pigment", code, list(pigments()))
        pigment = pigments()[code]
        absorption = absorption + share * pigment.absorption
        scattering = scattering + share * fineness * pigment.scattering
    return absorption, scattering
