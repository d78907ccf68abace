"""The plates the product ships, by figure type."""

import json
from collections import Counter
from functools import cache
from importlib.resources import files

from ..errors import UnknownName
from .plate import Plate, plate_from

_FOLDER = files(__package__) / "data" / "plates"


@cache
def plate_types() -> tuple[str, ...]:
    """Ids of the figure types there are plates for, in alphabetical order."""
    return tuple(
        sorted(entry.name.removesuffix(".json") for entry in _FOLDER.iterdir() if entry.name.endswith(".json"))
    )


@cache
def plate(type_id: str) -> Plate:
    """The plate of a figure type.

    Raises: UnknownName, with near names, if there is none.
    """
    if type_id not in plate_types():
        raise UnknownName("figure type", type_id, plate_types())
    return plate_from(json.loads((_FOLDER / f"{type_id}.json").read_text(encoding="utf-8")))


@cache
def shipped_titles() -> dict[str, str]:
    """The shipped figure types, id to title."""
    return {type_id: plate(type_id).title for type_id in plate_types()}


@cache
def materials_of_areas() -> dict[str, str]:
    """Every area name the shipped plates have, and what it is most often made of there."""
    counts: dict[str, Counter] = {}
    for type_id in plate_types():
        for name, area in plate(type_id).areas.items():
            counts.setdefault(name, Counter())[area.material] += 1
    return {name: count.most_common(1)[0][0] for name, count in counts.items()}


def read_all_plates() -> None:
    """Read every plate with its areas and neighbours now, instead of when it is first asked for."""
    for type_id in plate_types():
        shape = plate(type_id)
        shape.neighbours  # noqa: B018  reading it keeps it
