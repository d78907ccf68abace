"""Marks: devices placed on the sites of figures, through the same ladder as colours."""

from dataclasses import dataclass, field

from ..army.figure_filter import Filter
from ..errors import Contradiction, OutOfRange
from ..figures.plate import Plate
from ..insignia.devices.device import Device
from ..insignia.devices.manner import PLAIN_MANNER, Manner

#: the most marks a scheme may hold
MOST_PLACEMENTS = 400


@dataclass(frozen=True)
class Placement:
    """In ``scope``, figures that pass the filter bear a device on a site, in a role's colour."""

    id: str
    scope: str
    #: id of a site, such as hat.plate
    site: str
    #: None takes a mark of higher up away
    device: Device | None
    role: str
    filter: Filter = field(default_factory=Filter)
    manner: Manner = PLAIN_MANNER

    @property
    def roles(self) -> tuple[str, ...]:
        """Every role that the mark names: its own, and those of the patch beneath and the line round it."""
        return tuple(role for role in (self.role, self.manner.ground, self.manner.outline) if role)


@dataclass(frozen=True)
class Borne:
    """What one site of a class of figures bears, and the rung it was set at."""

    placement: Placement
    rung: int


def checked_placement(placement: Placement, placements: tuple[Placement, ...]) -> Placement:
    """The mark, if there is room for one more and its id is its own.

    Raises: OutOfRange, Contradiction.
    """
    if len(placements) >= MOST_PLACEMENTS:
        raise OutOfRange(f"There are {len(placements)} marks; allowed are up to {MOST_PLACEMENTS}.", "placements")
    if any(one.id == placement.id for one in placements):
        raise Contradiction(f"There are two marks called '{placement.id}'.", "placements")
    return placement


def site_ids(plate: Plate) -> tuple[str, ...]:
    """Ids of a plate's sites, each once."""
    return tuple(dict.fromkeys(site.id for view in plate.views for site in view.sites))


def borne_by(plate: Plate, placements: list[tuple[Placement, int]], path: tuple[str, ...]) -> dict[str, Borne]:
    """Which mark every site bears: the deeper scope wins, then the narrower filter, then the later mark.

    placements: those that speak of the figures, with their order. path: node ids from the army to the unit.
    """
    best: dict[str, tuple[tuple, Placement]] = {}
    for placement, order in placements:
        weight = (path.index(placement.scope), placement.filter.narrowness, order)
        if placement.site not in best or weight > best[placement.site][0]:
            best[placement.site] = weight, placement
    # whole areas first, so that marks lie over the cloth's pattern
    order = {site: at for at, site in enumerate(site_ids(plate))}
    known = sorted((site for site in best if plate.named_sites(site)), key=lambda site: (order.get(site, -1), site))
    return {site: Borne(best[site][1], _rung(best[site][1], path)) for site in known if best[site][1].device}


def _rung(placement: Placement, path: tuple[str, ...]) -> int:
    depth = path.index(placement.scope) + 1
    if depth < len(path):
        return depth
    if placement.filter.by_ordinal:
        return depth + 2
    return depth + 1 if placement.filter.rank else depth
