"""A painted surface as it stands: a diffuse body, and perhaps a metal's flash above it."""

import math
from dataclasses import dataclass, field, replace

import numpy as np

from ..colour.film import free_film, opaque
from ..colour.reflectance import BANDS, to_air, to_film, xyz_of
from ..colour.spaces import Lab, lab_of
from ..paints.paint import STANDARD_COAT, Film

#: µm of metallic film that hides all but 1/e of what is beneath
FLAKE_HIDING = 4.0
#: gain and path length of the metal lobe: facing its glint, at a middling angle, turned away from it
VIEWS = {"facing": (1.8, 1.05), "middling": (0.9, 1.1), "turned": (0.35, 1.25)}
MEAN_GAIN = 0.915
#: wet µm of a neat wash on raised parts and in recesses, and how each changes with dilution
WASH_RAISED, WASH_RAISED_POWER = 8.0, -0.33
WASH_RECESS, WASH_RECESS_POWER = 70.0, 0.08
#: wet µm of a one-coat stain, laid generously and not pulled off
STAIN_RAISED, STAIN_RECESS = 20.0, 62.0
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
    #: share of the light that a varnish scatters back before it reaches the paint
    haze: float = 0.0

    @property
    def seen(self) -> np.ndarray:
        """Seen reflectance in the bands, at a middling angle where there is metal."""
        return self.seen_from("middling")

    def seen_from(self, view: str) -> np.ndarray:
        """Seen reflectance in the bands from one of ``VIEWS``; the same from all where there is no metal."""
        own, path = VIEWS[view]
        gain = MEAN_GAIN + (own - MEAN_GAIN) * (1 - self.matt)
        body = to_air(self.diffuse) + 0.92 * gain * self.lobe * np.exp(-self.veil * path)
        return self.haze + (1 - self.haze) * body

    @property
    def colour(self) -> Lab:
        """What is seen by daylight."""
        return lab_of(xyz_of(self.seen))

    @property
    def views(self) -> dict[str, Lab]:
        """What is seen by daylight from every view: a metal is three colours, never one."""
        return {view: lab_of(xyz_of(self.seen_from(view))) for view in VIEWS}


def grey(seen: float) -> Surface:
    """A flat grey that is seen with this reflectance, 0 to 1."""
    return Surface(np.full(BANDS, to_film(np.float64(seen))))


def solid(film: Film) -> Surface:
    """The surface of an opaque film; of metal mixed with colour, both by their share, an estimate."""
    if film.flake is None:
        return Surface(opaque(film.absorption, film.scattering))
    metal = Surface(np.full(BANDS, film.flake.diffuse), film.flake.lobe)
    if film.flake_share >= 1:
        return metal
    return _flaked(Surface(opaque(film.absorption, film.scattering)), metal, film, STANDARD_COAT, film.flake_share)


def _flaked(surface: Surface, metal: Surface, film: Film, thickness: float, cover: float) -> Surface:
    """Flakes that lie in a film of colour: half of it, on average, lies above them."""
    tinted = (film.absorption + 2 * film.scattering) * thickness * (1 - film.flake_share) / 2
    return replace(
        surface,
        diffuse=cover * metal.diffuse * np.exp(-2 * tinted) + (1 - cover) * surface.diffuse,
        lobe=cover * metal.lobe * np.exp(-tinted) + (1 - cover) * surface.lobe * np.exp(-surface.veil),
        veil=np.zeros(BANDS),
        matt=surface.matt * (1 - cover),
    )


def blended(one: Surface, other: Surface, share: float) -> Surface:
    """A speckle of two surfaces, ``share`` of the second: what is seen is the mean by area, in linear light.

    share: 0 to 1. A spray's transition, dabs of a sponge, what a drybrush leaves on a ridge.
    """
    if share <= 0 or share >= 1:
        return other if share >= 1 else one
    return Surface(
        to_film((1 - share) * to_air(one.diffuse) + share * to_air(other.diffuse)),
        (1 - share) * one.lobe * np.exp(-one.veil) + share * other.lobe * np.exp(-other.veil),
        matt=(1 - share) * one.matt + share * other.matt,
        haze=(1 - share) * one.haze + share * other.haze,
    )


def coated(surface: Surface, film: Film, thickness: float) -> Surface:
    """The surface under one more dry film of ``thickness`` µm.

    A metal replaces body and lobe with cover 1 - exp(-t / 4 µm); a colour over metal veils the lobe
    once going through, and sees the metal as ground for what it scatters back.
    """
    if film.flake:
        own = film.flake_share
        cover = own * (1 - math.exp(-thickness / FLAKE_HIDING))
        ground = replace(surface, haze=0.0)
        if own < 1:
            ground = coated(ground, replace(film, flake=None), thickness)
        return _flaked(ground, Surface(np.full(BANDS, film.flake.diffuse), film.flake.lobe), film, thickness, cover)
    reflected, passed = free_film(film.absorption, film.scattering, thickness)
    lit = (1 - np.exp(-2 * film.scattering * thickness)) * surface.lobe * np.exp(-1.1 * surface.veil)
    ground = np.minimum(surface.diffuse + lit, 0.98)
    return replace(
        surface,
        diffuse=reflected + passed * passed * ground / (1 - reflected * ground),
        veil=surface.veil + (film.absorption + 2 * film.scattering) * thickness,
        haze=0.0,
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


def stained(surface: Surface, film: Film, dilution: float, *, recess: bool) -> Surface:
    """The surface after a one-coat stain has dried on it: a fuller film on raised parts than a wash leaves."""
    wet = STAIN_RECESS if recess else STAIN_RAISED * (1 + dilution) ** WASH_RAISED_POWER
    return coated(surface, film, wet * film.solids / (1 + dilution))
