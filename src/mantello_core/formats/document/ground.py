"""What recipes start on, as part of an open JSON document."""

from ...film.ground import Ground, checked_ground
from ...paints.catalogue import Catalogue


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
