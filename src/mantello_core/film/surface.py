"""Painted surfaces as they stand, one or many at once: a diffuse body, and perhaps a metal's flash above it."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np

from ..colour.film import free_film, opaque
from ..colour.reflectance import BANDS, to_air, to_film, xyz_of
from ..colour.spaces import Lab, labs_of
from ..paints.paint import STANDARD_COAT, STANDARD_SOLIDS, Film

#: µm of metallic film that hides all but 1/e of what is beneath: of aluminium flakes, and more where they are tinted as in
#: gold and copper, by how much redder than blue they shine
FLAKE_HIDING, TINTED_HIDING = 4.0, 4.0
#: gain and path length of the metal lobe: facing its glint, at a middling angle, turned away from it
VIEWS = {"facing": (1.8, 1.05), "middling": (0.9, 1.1), "turned": (0.35, 1.25)}
MEAN_GAIN = 0.915
#: wet µm of a neat wash on raised parts and in recesses, and how each changes with dilution
WASH_RAISED, WASH_RAISED_POWER = 8.0, -0.33
WASH_RECESS, WASH_RECESS_POWER = 50.0, 0.08
#: pigment that settles in a wash's clear binder darkens and does not hide: share of its scattering that is left, and what
#: binds with it as black, as a share of its mean absorption
SETTLED, BLACKENED = 0.2, 0.2
#: how films grow with depth, as a power
POOLING = 1.5
#: film of a glaze, drawn out with an unloaded brush, as a share of a brushed coat
GLAZE = 0.1
#: wet µm of a one-coat stain, laid generously and not pulled off
STAIN_RAISED, STAIN_RECESS = 20.0, 62.0
#: internal reflectance that no ground beneath a film exceeds
BRIGHTEST = 0.98
#: how far a wash dulls a metal's flash
WASH_MATT = 0.35


#: what a surface consists of: what it has in every band, and what it has once
FIELDS = ("diffuse", "lobe", "veil", "matt", "haze")


@dataclass(frozen=True, eq=False)
class Surface:
    """What the next coat falls on: one surface, or many at once in axes before the bands."""

    #: internal diffuse reflectance, (..., 16 bands)
    diffuse: np.ndarray
    #: a metal's directional reflectance, (..., 16)
    lobe: np.ndarray = field(default_factory=lambda: np.zeros(BANDS))
    #: optical depth of the coats above the metal, (..., 16)
    veil: np.ndarray = field(default_factory=lambda: np.zeros(BANDS))
    #: 0 keeps the metal's flash, 1 removes it, (...)
    matt: np.ndarray | float = 0.0
    #: share of the light that a varnish scatters back before it reaches the paint, (...)
    haze: np.ndarray | float = 0.0

    @property
    def seen(self) -> np.ndarray:
        """Seen reflectance in the bands, at a middling angle where there is metal, (..., 16)."""
        return self.seen_from("middling")

    def seen_from(self, view: str) -> np.ndarray:
        """Seen reflectance in the bands from one of ``VIEWS``, (..., 16); the same from all where there is no metal."""
        own, path = VIEWS[view]
        gain = MEAN_GAIN + (own - MEAN_GAIN) * (1 - _by_band(self.matt))
        haze = _by_band(self.haze)
        body = to_air(self.diffuse) + 0.92 * gain * self.lobe * np.exp(-self.veil * path)
        return haze + (1 - haze) * body

    @property
    def labs(self) -> np.ndarray:
        """CIELAB of what is seen by daylight, (..., 3)."""
        return labs_of(xyz_of(self.seen))

    def labs_from(self, view: str) -> np.ndarray:
        """CIELAB of what is seen by daylight from one of ``VIEWS``, (..., 3)."""
        return labs_of(xyz_of(self.seen_from(view)))

    @cached_property
    def colour(self) -> Lab:
        """What is seen of one surface by daylight."""
        return Lab(*self.labs.tolist())

    @property
    def views(self) -> dict[str, Lab]:
        """What is seen of one surface by daylight from every view: a metal is three colours, never one."""
        return {view: Lab(*self.labs_from(view).tolist()) for view in VIEWS}

    @property
    def glints(self) -> bool:
        """Whether there is metal in it, bare or veiled."""
        return bool(self.lobe.any())

    def at(self, index) -> "Surface":
        """Of many surfaces those at an index of their axes."""
        shape = self.diffuse.shape
        return Surface(
            self.diffuse[index], *(_of_all(one, shape, index, 1) for one in (self.lobe, self.veil)),
            *(_of_all(one, shape[:-1], index, 0) for one in (self.matt, self.haze)),
        )  # fmt: skip

    def where(self, condition: np.ndarray, other: "Surface") -> "Surface":
        """This surface where a condition holds, (...), and the other one elsewhere."""
        banded = _by_band(condition)
        return Surface(
            *(np.where(banded, one, two) for one, two in
              ((self.diffuse, other.diffuse), (self.lobe, other.lobe), (self.veil, other.veil))),
            *(np.where(condition, one, two) for one, two in ((self.matt, other.matt), (self.haze, other.haze))),
        )  # fmt: skip


def stacked(surfaces: Sequence[Surface]) -> Surface:
    """Surfaces of one shape as one, in a new first axis."""
    shape = surfaces[0].diffuse.shape
    return Surface(
        np.stack([one.diffuse for one in surfaces]),
        *(np.stack([np.broadcast_to(getattr(one, name), shape) for one in surfaces]) for name in ("lobe", "veil")),
        *(np.stack([np.broadcast_to(getattr(one, name), shape[:-1]) for one in surfaces]) for name in ("matt", "haze")),
    )


def in_a_row(surfaces: Sequence[Surface]) -> Surface:
    """Surfaces of any shapes as one, (all, 16): what lies in their axes, one after the other."""

    def joined(name: str, axes: int | None) -> np.ndarray:
        return np.concatenate(
            [np.broadcast_to(getattr(one, name), one.diffuse.shape[:axes]).ravel() for one in surfaces]
        )

    return Surface(
        *(joined(name, None).reshape(-1, BANDS) for name in FIELDS[:3]), *(joined(name, -1) for name in FIELDS[3:])
    )


def tiled(surface: Surface, count: int) -> Surface:
    """One surface so many times, in a new first axis."""
    shape = (count, BANDS)
    return Surface(
        *(np.broadcast_to(one, shape) for one in (surface.diffuse, surface.lobe, surface.veil)),
        *(np.broadcast_to(one, shape[:1]) for one in (surface.matt, surface.haze)),
    )  # fmt: skip


def _of_all(value, shape: tuple[int, ...], index, own: int):
    """A field at an index of the axes of all; one that is the same for all, with no more than its own axes, stays."""
    if np.ndim(value) <= own:
        return value
    return (value if value.shape == shape else np.broadcast_to(value, shape))[index]


def _by_band(value) -> np.ndarray | float:
    """A value a surface, (...), so that it counts for every band of it."""
    return value[..., None] if isinstance(value, np.ndarray) and value.ndim else value


def grey(seen: float) -> Surface:
    """A flat grey that is seen with this reflectance, 0 to 1."""
    return Surface(np.full(BANDS, to_film(np.float64(seen))))


def solid(film: Film) -> Surface:
    """The surface of an opaque film; of metal mixed with colour, both by their share, an estimate."""
    if film.flake is None:
        return Surface(opaque(film.absorption, film.scattering))
    if film.flake_share >= 1:
        return Surface(np.full(BANDS, film.flake.diffuse), film.flake.lobe)
    body = Surface(opaque(film.absorption, film.scattering))
    return _flaked(body, film, Flakes.of(film), STANDARD_COAT, film.flake_share)


@dataclass(frozen=True, eq=False)
class Flakes:
    """The metal in films: of one film single numbers, of many an axis for them before the zones."""

    #: share of the solids that it makes up, and µm that hide all but 1/e: gold and copper flakes are thinner spread than
    #: aluminium, an estimate
    share: np.ndarray | float
    hiding: np.ndarray | float
    #: its body, and its directional reflectance in the bands
    diffuse: np.ndarray | float
    lobe: np.ndarray

    @classmethod
    def of(cls, film: Film) -> "Flakes":
        """The metal in a film."""
        flake = film.flake
        tinted = abs(flake.high - flake.low) / max(flake.high, flake.low)
        return cls(film.flake_share, FLAKE_HIDING + TINTED_HIDING * tinted, flake.diffuse, flake.lobe)

    @classmethod
    def of_each(cls, films: Sequence[Film]) -> "Flakes":
        """The metal in many films: shares and hiding (films, 1), reflectances (films, 1, 1) and (films, 1, bands)."""
        every = [cls.of(one) for one in films]
        share, hiding, diffuse = (
            np.array([getattr(one, name) for one in every])[:, None] for name in ("share", "hiding", "diffuse")
        )
        return cls(share, hiding, diffuse[..., None], np.stack([one.lobe for one in every])[:, None])


def _flaked(surface: Surface, film: Film, flakes: Flakes, thickness, cover) -> Surface:
    """Flakes that lie in a film of colour: half of it, on average, lies above them."""
    tinted = (film.absorption + 2 * film.scattering) * _by_band(thickness) * (1 - _by_band(flakes.share)) / 2
    covered = _by_band(cover)
    return replace(
        surface,
        diffuse=covered * flakes.diffuse * np.exp(-2 * tinted) + (1 - covered) * surface.diffuse,
        lobe=covered * flakes.lobe * np.exp(-tinted) + (1 - covered) * surface.lobe * np.exp(-surface.veil),
        veil=np.zeros(BANDS),
        matt=surface.matt * (1 - cover),
    )


def blended(one: Surface, other: Surface, share) -> Surface:
    """A speckle of two surfaces, ``share`` of the second: what is seen is the mean by area, in linear light.

    share: 0 to 1, one for all or one a surface. A spray's transition, dabs of a sponge, what a drybrush leaves on a ridge.
    """
    if np.ndim(share):
        if (share >= 1).all():
            return other
        if not ((share > 0) & (share < 1)).any():
            return one.where(share <= 0, other)
    kept, laid = 1 - _by_band(share), _by_band(share)
    mean = Surface(
        to_film(kept * to_air(one.diffuse) + laid * to_air(other.diffuse)),
        kept * one.lobe * np.exp(-one.veil) + laid * other.lobe * np.exp(-other.veil),
        matt=(1 - share) * one.matt + share * other.matt,
        haze=(1 - share) * one.haze + share * other.haze,
    )
    if np.ndim(share):
        return one.where(share <= 0, other.where(share >= 1, mean))
    return mean if 0 < share < 1 else other if share >= 1 else one


def coated(surface: Surface, film: Film, thickness) -> Surface:
    """The surface under one more dry film of ``thickness`` µm, one for all or one a surface.

    A metal replaces body and lobe with cover 1 - exp(-t / 4 µm); a colour over metal veils the lobe
    once going through, and sees the metal as ground for what it scatters back.
    """
    if film.flake:
        return metalled(surface, replace(film, flake=None), Flakes.of(film), thickness)
    laid = _by_band(thickness)
    reflected, passed = free_film(film.absorption, film.scattering, laid)
    lit = (1 - np.exp(-2 * film.scattering * laid)) * surface.lobe * np.exp(-1.1 * surface.veil)
    ground = np.minimum(surface.diffuse + lit, BRIGHTEST)
    return replace(
        surface,
        diffuse=reflected + passed * passed * ground / (1 - reflected * ground),
        veil=surface.veil + (film.absorption + 2 * film.scattering) * laid,
        haze=0.0,
    )


def metalled(surface: Surface, film: Film, flakes: Flakes, thickness) -> Surface:
    """``coated`` for films of metal: the flakes, and the colour they lie in where they are mixed."""
    cover = flakes.share * (1 - np.exp(-thickness / flakes.hiding))
    ground, mixed = replace(surface, haze=0.0), flakes.share < 1
    if np.all(mixed):
        ground = coated(ground, film, thickness)
    elif np.any(mixed):
        ground = coated(ground, film, thickness).where(np.broadcast_to(mixed, np.shape(thickness)), ground)
    return _flaked(ground, film, flakes, thickness, cover)


def wash_thickness(film: Film, dilution: float) -> tuple[float, float]:
    """Dry µm a wash leaves on raised parts and in recesses; thinning keeps the recess ahead."""
    kept = film.solids / (1 + dilution)
    raised = WASH_RAISED * (1 + dilution) ** WASH_RAISED_POWER * kept
    return raised, WASH_RECESS * (1 + dilution) ** WASH_RECESS_POWER * kept


def washed(surface: Surface, film: Film, dilution: float, *, recess) -> Surface:
    """The surface after a wash has dried on it. recess: how deep it lies, 0 or False open to 1 or True, one for all or one
    a surface; the film grows with its power of 1.5."""
    dried = coated(surface, settled(film), wash_pooled(film, dilution, recess))
    return replace(dried, matt=np.maximum(surface.matt, WASH_MATT))


def washed_each(surface: Surface, washes: Sequence[tuple[Film, float]], *, recess) -> Surface:
    """One surface after each of some washes, ``washed`` of many at once, (washes, 16). washes: films without metal, each with its
    dilution; recess: how deep it lies, one for all."""
    sunk = {film: settled(film) for film, _ in washes}
    films = [sunk[film] for film, _ in washes]
    stack = Film(
        *(np.stack([getattr(film, name) for film in films]) for name in ("absorption", "scattering")), STANDARD_SOLIDS
    )
    pooled = np.array([wash_pooled(film, dilution, recess) for film, dilution in washes])
    return replace(coated(surface, stack, pooled), matt=np.maximum(surface.matt, WASH_MATT))


def settled(film: Film) -> Film:
    """A wash's film as it dries: its pigment sinks in clear binder."""
    return replace(
        film, scattering=film.scattering * SETTLED, absorption=film.absorption + BLACKENED * film.absorption.mean()
    )


def wash_pooled(film: Film, dilution: float, depth) -> np.ndarray:
    """Dry µm of a wash where it lies so deep, 0 open to 1 deepest, one for all or one a surface."""
    return _pooled(*wash_thickness(film, dilution), depth)


def stain_pooled(film: Film, dilution: float, depth) -> np.ndarray:
    """Dry µm of a one-coat stain where it lies so deep, 0 open to 1 deepest, one for all or one a surface."""
    wet = _pooled(STAIN_RAISED * (1 + dilution) ** WASH_RAISED_POWER, STAIN_RECESS, depth)
    return wet * film.solids / (1 + dilution)


def _pooled(raised: float, recess: float, depth) -> np.ndarray:
    return raised + (recess - raised) * np.asarray(depth, float) ** POOLING


def stained(surface: Surface, film: Film, dilution: float, *, recess) -> Surface:
    """The surface after a one-coat stain has dried on it: a fuller film on raised parts than a wash leaves."""
    return coated(surface, film, stain_pooled(film, dilution, recess))
