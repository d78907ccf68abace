"""Kubelka-Munk film optics, in the form that has no singularity.

Absorption K and scattering S are per µm of dry film; reflectances are internal (see
``reflectance.to_air``); thickness is µm of dry film.
"""

import numpy as np

#: beyond this optical depth a film is opaque; keeps cosh finite
_DEEPEST = 300.0


def free_film(absorption, scattering, thickness) -> tuple[np.ndarray, np.ndarray]:
    """Reflectance and transmittance of a film that lies on nothing.

    Holds for scattering -> 0 (Beer-Lambert, exp(-2Kt) there and back), absorption -> 0 and
    thickness -> infinity alike.
    Source: Kubelka 1948, J. Opt. Soc. Am. 38, 448, rewritten with tanh(u)/u.
    """
    rate = np.sqrt(absorption * (absorption + 2 * scattering))
    thickness = np.minimum(thickness, _DEEPEST / np.maximum(rate, 1e-30))
    depth = rate * thickness
    ratio = np.where(depth > 1e-6, np.tanh(depth) / np.maximum(depth, 1e-30), 1.0)
    divisor = 1 + (absorption + scattering) * thickness * ratio
    return scattering * thickness * ratio / divisor, 1 / (np.cosh(depth) * divisor)


def over(absorption, scattering, thickness, ground) -> np.ndarray:
    """Internal reflectance of a film over a ground whose internal reflectance is given."""
    reflected, passed = free_film(absorption, scattering, thickness)
    return reflected + passed * passed * ground / (1 - reflected * ground)


def opaque(absorption, scattering) -> np.ndarray:
    """Internal reflectance of a film so thick that the ground no longer matters.

    Source: Kubelka & Munk 1931, Z. techn. Phys. 12, 593.
    """
    ratio = absorption / scattering
    return 1 / (1 + ratio + np.sqrt(ratio * (ratio + 2)))
