"""What recipes start on, as part of an open JSON document."""

from ...film.ground import Ground, checked_ground
from ...paints.catalogue import Catalogue
from ...scheme.part_ground import PartGround


def write_ground(ground: Ground) -> dict:
    """The ids of its paints; what it has none of is left out."""
    return {name: pot.id for name in ("undercoat", "above", "pot_coat") if (pot := getattr(ground, name))}


def read_ground(data: dict, catalogue: Catalogue, where: str = "") -> Ground:
    """A ground from what ``write_ground`` wrote, among other things; catalogue: the paints it may name.

    Raises: UnknownName for a paint; what ``checked_ground`` refuses.
    """
    names = ["undercoat", *(name for name in ("above", "pot_coat") if data.get(name))]
    pots = {name: catalogue.paint(data.get(name, ""), f"{where}{name}") for name in names}
    return checked_ground(Ground(**pots), where)


def write_part_ground(one: PartGround) -> dict:
    """A ground with the part of the army that starts on it."""
    return write_ground(one.ground) | {name: said for name in ("unit", "assembly") if (said := getattr(one, name))}


def read_part_ground(data: dict, catalogue: Catalogue, where: str = "") -> PartGround:
    """What ``write_part_ground`` wrote.

    Raises: what ``read_ground`` refuses.
    """
    return PartGround(read_ground(data, catalogue, where), data.get("unit", ""), data.get("assembly", ""))
