"""What a dichromat sees: red-, green- and blue-blindness, with severity."""

import numpy as np

from ..errors import OutOfRange, UnknownName
from ..memory import remembered
from .spaces import Lab, labs_of, linear_of, xyz_of_linear

#: linear sRGB to linear sRGB at full severity
_FULL = {
    "protan": [[0.152286, 1.052583, -0.204868], [0.114503, 0.786281, 0.099216], [-0.003882, -0.048116, 1.051998]],
    "deutan": [[0.367322, 0.860646, -0.227968], [0.280085, 0.672501, 0.047413], [-0.011820, 0.042940, 0.968881]],
    "tritan": [[1.255528, -0.076749, -0.178779], [-0.078411, 0.930809, 0.147602], [0.004733, 0.691367, 0.303900]],
}
SIGHTS = tuple(_FULL)


def seen_as(colours, sight: str, severity: float = 1.0) -> np.ndarray:
    """Colours as someone sees them who lacks one kind of cone. colours: CIELAB, (..., 3); the same shape back.

    sight: protan, deutan or tritan. severity: 0 (full sight) to 1 (the cone is missing); between them
    the matrix is interpolated from the identity, which stays within about 3 of the published steps.
    Raises: UnknownName, OutOfRange.
    Source: Machado, Oliveira & Fernandes 2009, IEEE Trans. Vis. Comput. Graph. 15, 1291, severity 1.0.
    """
    if sight not in _FULL:
        raise UnknownName("kind of sight", sight, SIGHTS)
    if not 0 <= severity <= 1:
        raise OutOfRange(f"severity is {severity:g}; allowed is 0 to 1.", "severity")
    matrix = (1 - severity) * np.eye(3) + severity * np.array(_FULL[sight])
    return labs_of(np.maximum(xyz_of_linear(linear_of(colours) @ matrix.T), 0))


@remembered(8_000)
def seen_by(colour: Lab, sight: str, severity: float = 1.0) -> Lab:
    """One colour as someone sees it who lacks one kind of cone, as ``seen_as`` gives it."""
    return Lab(*seen_as(colour, sight, severity).tolist())
