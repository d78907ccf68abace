"""A painted surface as it stands: a diffuse body, and perhaps a metal's flash above it."""

import math
from dataclasses import dataclass, field, replace

import numpy as np

from ..colour.film import free_film, opaque
from ..colour.reflectance import BANDS, to_air, to_film, xyz_of
from ..colour.spaces import Lab, lab_of
from ..paints.paint import Film

#: µm of metallic film that hides all but 1/e of what is beneath
FLAKE_HIDING = 4.0
#: gain and path length of the metal lobe when seen at a middling angle
MID_GAIN, MID_PATH, MEAN_GAIN = 0.9, 1.1, 0.915
#: wet µm of a neat wash on raised parts and in recesses, and how each changes with dilution
WASH_RAISED, WASH_RAISED_POWER = 8.0, -0.33
WASH_RECESS, WASH_RECESS_POWER = 70.0, 0.08
#: how far a wash dulls a metal's flash
WASH_MATT = 0.35


@dataclass(frozen=True, eq=False)
class Surface:
    """What the next coat falls on."""

    #: internal diffuse reflectance, 16 bands
    diffuse: np.ndarray
    #: a metal's directional reflectance
    lobe: np.ndarray = field(default_factory=lambda: np.zeros(BANDS))
    #: optical depth of the coats above the metal
    veil: np.ndarray = field(default_factory=lambda: np.zeros(BANDS))
    #: 0 keeps the metal's flash, 1 removes it
    matt: float = 0.0

    @property
    def seen(self) -> np.ndarray:
        """Seen reflectance in the bands, at a middling angle where there is metal."""
        gain = MEAN_GAIN + (MID_GAIN - MEAN_GAIN) * (1 - self.matt)
        return to_air(self.diffuse) + 0.92 * gain * self.lobe * np.exp(-self.veil * MID_PATH)

    @property
    def colour(self) -> Lab:
        """What is seen by daylight."""
        return lab_of(xyz_of(self.seen))


def grey(seen: float) -> Surface:
    """A flat grey that is seen with this reflectance, 0 to 1."""
    return Surface(np.full(BANDS, to_film(np.float64(seen))))


def solid(film: Film) -> Surface:
    """The surface of an opaque film."""
    if film.flake:
        return Surface(np.full(BANDS, film.flake.diffuse), film.flake.lobe)
    return Surface(opaque(film.absorption, film.scattering))


def coated(surface: Surface, film: Film, thickness: float) -> Surface:
    """The surface under one more dry film of ``thickness`` µm.

    A metal replaces body and lobe with cover 1 - exp(-t / 4 µm); a colour over metal veils the lobe
    once going through, and sees the metal as ground for what it scatters back.
    """
    if film.flake:
        cover = 1 - math.exp(-thickness / FLAKE_HIDING)
        return Surface(
            cover * film.flake.diffuse + (1 - cover) * surface.diffuse,
            cover * film.flake.lobe + (1 - cover) * surface.lobe * np.exp(-surface.veil),
            matt=surface.matt * (1 - cover),
        )
    reflected, passed = free_film(film.absorption, film.scattering, thickness)
    lit = (1 - np.exp(-2 * film.scattering * thickness)) * surface.lobe * np.exp(-1.1 * surface.veil)
    ground = np.minimum(surface.diffuse + lit, 0.98)
    return replace(
        surface,
        diffuse=reflected + passed * passed * ground / (1 - reflected * ground),
        veil=surface.veil + (film.absorption + 2 * film.scattering) * thickness,
    )


def wash_thickness(film: Film, dilution: float) -> tuple[float, float]:
    """Dry µm a wash leaves on raised parts and in recesses; thinning keeps the recess ahead."""
    kept = film.solids / (1 + dilution)
    raised = WASH_RAISED * (1 + dilution) ** WASH_RAISED_POWER * kept
    return raised, WASH_RECESS * (1 + dilution) ** WASH_RECESS_POWER * kept


def washed(surface: Surface, film: Film, dilution: float, *, recess: bool) -> Surface:
    """The surface after a wash has dried on it, on a raised part or in a recess."""
    raised_film, recess_film = wash_thickness(film, dilution)
    dried = coated(surface, film, recess_film if recess else raised_film)
    return replace(dried, matt=max(surface.matt, WASH_MATT))
