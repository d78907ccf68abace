"""Where marks sit on every figure type: each site of each view, what it bears for whom, and which way that faces."""

from dataclasses import dataclass

from ..figures.plate import Plate, Site
from ..insignia.devices.manner import mirrored
from ..marks.placement import Placement
from ..scheme.cascade import FigureClass, Resolution


@dataclass(frozen=True)
class Shown:
    """One mark on a site as one view shows it, and the classes of figures that bear it."""

    placement: Placement
    classes: tuple[FigureClass, ...]
    mirrored: bool


@dataclass(frozen=True)
class Spot:
    """One site in one view: its middle in mm, to the right of the figure's upright and above its soles."""

    view: str
    site: Site
    right: float
    above: float
    shown: tuple[Shown, ...]
    #: figures of the type that bear nothing there
    bare: int


@dataclass(frozen=True)
class TypeMap:
    """All sites of one figure type."""

    plate: Plate
    type: str
    classes: tuple[FigureClass, ...]
    spots: tuple[Spot, ...]

    @property
    def figures(self) -> int:
        """Figures of the type in the army."""
        return sum(len(one.ordinals) for one in self.classes)


def site_map(resolution: Resolution) -> tuple[TypeMap, ...]:
    """The map of every type in the army that has sites, in the order they come."""
    by_type: dict[str, list[FigureClass]] = {}
    for one in resolution.classes:
        by_type.setdefault(one.type, []).append(one)
    maps = (TypeMap(ones[0].plate, id_, tuple(ones), _spots(ones)) for id_, ones in by_type.items())
    return tuple(one for one in maps if one.spots)


def _spots(classes: list[FigureClass]) -> tuple[Spot, ...]:
    found = []
    for view in classes[0].plate.views:
        for site in view.sites:
            groups: dict[tuple, list[FigureClass]] = {}
            for one in classes:
                if site.id in one.borne:
                    placement = one.borne[site.id].placement
                    groups.setdefault((placement.device, placement.role, placement.manner), []).append(one)
            shown = tuple(
                Shown(
                    ones[0].borne[site.id].placement, tuple(ones),
                    mirrored(ones[0].borne[site.id].placement.device, ones[0].borne[site.id].placement.manner, view.name),
                )
                for ones in groups.values()
            )  # fmt: skip
            bare = sum(len(one.ordinals) for one in classes if site.id not in one.borne)
            found.append(Spot(view.name, site, site.x / 10, -site.y / 10, shown, bare))
    return tuple(found)
