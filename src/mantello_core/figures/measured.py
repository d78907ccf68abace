"""What a surface in space tells of an area, where a drawing could only estimate it."""

from dataclasses import asdict, dataclass, fields

from ..errors import Unreadable
from .extent import Extent

#: mm and mm² that an area can have at most, so that nothing absurd is read in
_MOST = 1e6


@dataclass(frozen=True)
class Measured:
    """One area of a model. Lengths mm, surfaces mm²; shares 0 to 1."""

    #: what a brush can reach, and what shows from nowhere, such as what stands in another part
    surface_mm2: float
    hidden_mm2: float
    #: of the surface, what sees little of the sky; how much of it faces up and sees it
    recess_share: float
    upward_share: float
    #: the mean share of the sky that it sees
    exposure: float
    #: edges that a brush's side catches; of them, level or facing up, and facing up
    edge_mm: float
    exposed_mm: float
    sharp_mm: float
    #: hollow lines in it and along its border, in which washes pool
    seam_mm: float
    #: points at which three sharp edges meet
    corners: int

    def extent(self, room_mm: float) -> Extent:
        """What a brush goes over. room_mm: how wide there is room for it in the views."""
        return Extent(
            self.surface_mm2, self.edge_mm, self.exposed_mm, self.sharp_mm, self.seam_mm, 0.0, self.corners, 1, room_mm,
            measured_mm2=self.surface_mm2, recess_mm2=self.surface_mm2 * self.recess_share,
            upward_mm2=self.surface_mm2 * self.upward_share,
        )  # fmt: skip


def measured_from(data: object) -> dict[str, Measured]:
    """Area to what was measured of it, as ``measured_mapping`` wrote it.

    Raises: Unreadable for what it did not write.
    """
    if not isinstance(data, dict):
        raise Unreadable("What was measured of areas is no table of areas.", "measured")
    names = {one.name for one in fields(Measured)}
    found = {}
    for area, told in data.items():
        if not isinstance(told, dict) or set(told) != names:
            raise Unreadable(f"What was measured of {str(area)[:60]} is not whole.", f"measured/{str(area)[:60]}")
        for name, value in told.items():
            if isinstance(value, bool) or not isinstance(value, int | float) or not 0 <= value <= _MOST:
                raise Unreadable(f"{name} of {str(area)[:60]} is no number from 0 up.", f"measured/{str(area)[:60]}")
        found[area] = Measured(**told)
    return found


def measured_mapping(measured: dict[str, Measured]) -> dict[str, dict]:
    """JSON-ready."""
    return {area: asdict(one) for area, one in measured.items()}
