"""The grounds of one rank's figures as work: what is sprayed whole, and what is sprayed apart."""

from collections.abc import Sequence
from dataclasses import dataclass

from ..errors import UnknownName
from ..figures.extent import Extent
from ..figures.vocabulary import assembly_of
from ..film.ground import Ground, GroundCoat
from ..naming import slug
from ..scheme.cascade import FigureClass


@dataclass(frozen=True)
class LaidGround:
    """One coat of a ground on the areas that start on it."""

    #: 'undercoat', or 'undercoat-cloak' for what is kept apart
    step: str
    coat: GroundCoat
    #: None for the army's
    ground: Ground | None
    #: '' for the rest of the figure
    assembly: str
    areas: tuple[str, ...]
    extent: Extent

    @property
    def name(self) -> str:
        """As in 'Cloak: undercoat'."""
        return f"{self.assembly}: {self.coat.name.lower()}" if self.assembly else self.coat.name


def laid_grounds(army_ground: Ground, one: FigureClass) -> tuple[LaidGround, ...]:
    """The coats beneath the colours of a figure, in order, the rest of the figure before what is kept apart."""
    if not any(one.grounds):  # whole figures alone, whose key is ''
        ground = one.grounds.get("")
        names, coats = tuple(one.plate.areas), (ground or army_ground).coats
        extent = one.plate.whole_at_once
        return tuple(LaidGround(coat.step, coat, ground, "", names, extent) for coat in coats)
    parts: dict[str, list[str]] = {"": []}
    for area in one.plate.areas:
        assembly = assembly_of(area)
        parts.setdefault(assembly if assembly in one.grounds else "", []).append(area)
    found = []
    for assembly, areas in parts.items():
        ground = one.grounds.get(assembly)
        extent = one.plate.extent_at_once(areas)
        ending = f"-{slug(assembly.split(',')[0], ())}" if assembly else ""
        found += [
            LaidGround(coat.step + ending, coat, ground, assembly, tuple(areas), extent)
            for coat in (ground or army_ground).coats
            if areas
        ]
    return tuple(found)


def laid_ground(army_ground: Ground, classes: Sequence[FigureClass], step: str) -> LaidGround:
    """The coat of that step on figures of one rank.

    Raises: UnknownName if they have no such coat.
    """
    known = laid_grounds(army_ground, classes[0]) if classes else ()
    found = next((one for one in known if one.step == step), None)
    if found is None:
        raise UnknownName("coat of the ground", step, [one.step for one in known], "step")
    return found
