"""What happens to a colour between the brush and the shelf: it dries, is varnished, or is wiped away again."""

from dataclasses import replace

import numpy as np

from ..colour.difference import difference
from ..colour.film import opaque
from ..colour.reflectance import to_air, xyz_of
from ..colour.spaces import Lab, lab_of
from ..errors import UnknownName
from ..paints.paint import Film
from .surface import Surface

#: share of the light a varnish scatters back, and how far it takes a metal's flash
VARNISHES = {"gloss": (0.0, 0.0), "satin": (0.007, 0.5), "matt": (0.02, 1.0)}
#: scattering of the milky binder in a wet film, per µm of wet film
MILK = 0.012


def varnished(surface: Surface, finish: str) -> Surface:
    """The surface under a clear varnish: matt lays a veil over darks and takes a metal's flash, gloss lays none.

    Raises: UnknownName for the finish. An estimate: a veil of 0 (gloss) to 0.02 (matt) on what is seen.
    """
    if finish not in VARNISHES:
        raise UnknownName("finish", finish, list(VARNISHES), "finish")
    haze, matt = VARNISHES[finish]
    return replace(surface, haze=haze, matt=np.maximum(surface.matt, matt) if finish != "gloss" else surface.matt)


def wet_colour(film: Film) -> Lab:
    """The colour of the paint while it is wet, seen thick.

    Pigment is diluted by water (its share is ``solids``), and the binder's droplets still scatter: so wet paint
    looks paler, and most so where the pigment itself scatters little, as in reds. An estimate.
    """
    if film.flake:
        return film.masstone
    absorbed, scattered = film.absorption * film.solids, film.scattering * film.solids + MILK
    return lab_of(xyz_of(to_air(opaque(absorbed, np.asarray(scattered)))))


def drying_shift(film: Film) -> float:
    """CIEDE2000 between the wet and the dried paint: from 3 on, do not judge it before it is dry."""
    return difference(wet_colour(film), film.masstone)


def left_of(thickness, left, strength: float = 1.0):
    """µm that are left of an oil or enamel film that is wiped within its window.

    thickness: of the film as laid, left: share of it that wiping leaves, both one for all or one a surface; strength:
    0 wipes nothing away, 1 as usual.
    """
    return thickness * (1 - (1 - left) * strength)
