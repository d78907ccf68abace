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
    made = _written(type_id)
    kept = json.loads((_FOLDER.parent / "boxes" / f"{type_id}.json").read_bytes())
    for view, boxes in zip(made.views, kept, strict=True):
        for seen, box in zip(view.areas, boxes, strict=True):
            vars(seen)["box"] = tuple(box)
    return made


def _written(type_id: str) -> Plate:
    return plate_from(json.loads((_FOLDER / f"{type_id}.json").read_text(encoding="utf-8")))


@cache
def _index() -> dict[str, dict]:
    return json.loads((_FOLDER.parent / "plates_index.json").read_text(encoding="utf-8"))


@cache
def shipped_titles() -> dict[str, str]:
    """The shipped figure types, id to title."""
    return {type_id: one["title"] for type_id, one in _index().items()}


@cache
def materials_of_areas() -> dict[str, str]:
    """Every area name the shipped plates have, and what it is most often made of there."""
    counts: dict[str, Counter] = {}
    for one in _index().values():
        for name, material in one["areas"].items():
            counts.setdefault(name, Counter())[material] += 1
    return {name: count.most_common(1)[0][0] for name, count in counts.items()}


def index_of_plates() -> dict[str, dict]:
    """Title and areas, each with its material, of every shipped type: what is wanted without reading the plates."""
    made = {type_id: _written(type_id) for type_id in plate_types()}
    return {
        type_id: {"title": one.title, "areas": {name: area.material for name, area in one.areas.items()}}
        for type_id, one in made.items()
    }


def boxes_of(type_id: str) -> list[list[tuple[float, float, float, float]]]:
    """The boxes about what every view of a type shows of its areas, which would else be read out of each of their outlines."""
    return [[seen.box for seen in view.areas] for view in _written(type_id).views]


def read_all_plates() -> None:
    """Read every plate with its areas and neighbours now, instead of when it is first asked for."""
    for type_id in plate_types():
        shape = plate(type_id)
        shape.neighbours  # noqa: B018  reading it keeps it
