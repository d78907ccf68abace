"""Who bears what: copies of every mark by site and size, and who of a house's people shows its arms nowhere."""

import math
from dataclasses import dataclass

from ..army.tree import Army
from ..figures.plate import Plate, Site
from ..insignia.devices.device import ARMS, Device
from ..insignia.devices.manner import PLAIN_MANNER, Manner
from ..marks.placement import Placement
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.scheme import Scheme

#: spare copies for each that is made, for those that tear or slip
SPARE = 0.1
#: sites that go round the figure, so that two views show one and the same
_ROUND = ("base.rim.name",)


@dataclass(frozen=True)
class Allotment:
    """One mark at one size: where it goes and how often."""

    device: Device
    #: role of a plain device; '' for arms
    role: str
    site: Site
    figures: int
    copies: int
    #: unit and rank of every class that bears it, as first figures
    bearers: tuple[FigureClass, ...]
    manner: Manner = PLAIN_MANNER

    @property
    def ground(self) -> str:
        """The role of what its first bearer has it on: the patch beneath, or the area; '' where that is bare."""
        if self.manner.ground:
            return self.manner.ground
        first = self.bearers[0]
        own = first.plate.areas_within(self.site.area)
        return (first.cells[own[0]].role or "") if own else ""

    @property
    def placement(self) -> Placement:
        """The placement its first bearer has it from."""
        return self.bearers[0].borne[self.site.id].placement

    @property
    def with_spares(self) -> int:
        """Copies to make: a tenth more, one at least."""
        return self.copies + max(1, math.ceil(self.copies * SPARE - 1e-9))


@dataclass(frozen=True)
class Lack:
    """A leader or centrepiece of a bearer who shows the arms nowhere. sites: those that would have room."""

    arms: str
    bearer: FigureClass
    sites: tuple[str, ...]


def allotments(resolution: Resolution) -> tuple[Allotment, ...]:
    """Every mark by device, colour, site, size and manner; the most copies first."""
    found: dict[tuple, list[FigureClass]] = {}
    sites: dict[tuple, Site] = {}
    for one in resolution.classes:
        for site_id, borne in one.borne.items():
            site = _site(one.plate, site_id)
            placement = borne.placement
            key = placement.device, placement.role, site_id, site.width, site.height, placement.manner
            found.setdefault(key, []).append(one)
            sites.setdefault(key, site)
    made = [
        Allotment(
            key[0], key[1], sites[key], sum(len(one.ordinals) for one in bearers),
            sum(len(one.ordinals) * _faces(one.plate, key[2]) for one in bearers), tuple(bearers), key[5],
        )
        for key, bearers in found.items()
    ]  # fmt: skip
    return tuple(sorted(made, key=lambda one: (-one.copies, one.site.id, one.device.kind, one.device.text)))


def lacks(army: Army, scheme: Scheme, resolution: Resolution) -> tuple[Lack, ...]:
    """Leaders and centrepieces of every bearer that show its arms on none of their sites."""
    found = []
    for arms in scheme.arms:
        for one in resolution.classes if arms.bearer else ():
            if one.tier == "rank" or arms.bearer not in army.paths[one.unit]:
                continue
            shown = [borne.placement.device for borne in one.borne.values()]
            if Device(ARMS, arms.id) not in shown:
                room = dict.fromkeys(
                    site.id
                    for view in one.plate.views
                    for site in view.sites
                    if site.id not in one.borne and site.shape == "shield"
                )
                found.append(Lack(arms.id, one, tuple(room)))
    return tuple(found)


def _site(plate: Plate, site_id: str) -> Site:
    return plate.named_sites(site_id)[0][1]


def _faces(plate: Plate, site_id: str) -> int:
    """How many copies one figure takes: one for each view that shows the site, save where it goes round."""
    return 1 if site_id in _ROUND else len(plate.named_sites(site_id))
