"""Own figure types in a design document: what they are made of, and their drawings beside them."""

from collections.abc import Callable

from ...errors import Contradiction, OutOfRange, UnknownName, Unreadable
from ...figures.kit import Making, kit_of, made_figure
from ...figures.measured import measured_from
from ...figures.own import MOST_TYPES, PREFIX, OwnType, made_type, own_type
from ...figures.part import MATERIALS
from ...figures.plate import plate_mapping
from ...figures.vocabulary import fault
from ..validation import check
from .pointer import at


def write_types(types: tuple[OwnType, ...]) -> list[dict]:
    """The types without their drawings, which ``write_drawings`` gives."""
    return [
        {
            "id": one.id,
            "title": one.title,
            "drawing": one.digest,
            **({"making": _making(one.making)} if one.making else {}),
        }
        for one in types
    ]


def write_drawings(types: tuple[OwnType, ...]) -> dict[str, dict]:
    """The drawings the types name, by digest."""
    return {one.digest: plate_mapping(one.plate) for one in types}


def read_types(
    written: list[dict], drawings: dict, drawing_of: Callable[[str], dict | None] | None
) -> tuple[OwnType, ...]:
    """The types of a document that follows the schema.

    drawings: those the document carries, by digest; each is checked. drawing_of: gives drawings that were
    checked before; without it, and without a drawing, a type that was made from parts is drawn anew.
    Raises: Contradiction, OutOfRange, Unreadable or UnknownName with a JSON pointer.
    """
    if len(written) > MOST_TYPES:
        raise OutOfRange(f"There are {len(written)} own figure types; allowed are up to {MOST_TYPES}.", "/army/types")
    found: dict[str, OwnType] = {}
    for index, one in enumerate(written):
        where = f"/army/types/{index}"
        if not one["id"].startswith(PREFIX):
            raise Unreadable(f"'{one['id']}' is no id of an own type; it begins with '{PREFIX}'.", f"{where}/id")
        if one["id"] in found:
            raise Contradiction(f"There are two figure types called '{one['id']}'.", f"{where}/id")
        making = _read_making(one["making"], f"{where}/making") if "making" in one else None
        if one["drawing"] in drawings:
            drawing = checked_drawing(drawings[one["drawing"]], f"/drawings/{one['drawing']}")
            found[one["id"]] = own_type(one["id"], one["title"], drawing, making)
            continue
        kept = drawing_of(one["drawing"]) if drawing_of else None
        if kept is not None:
            found[one["id"]] = own_type(one["id"], one["title"], kept, making, one["drawing"])
        elif making is not None:
            found[one["id"]], _ = made_type(one["id"], one["title"], making)
        else:
            raise UnknownName("drawing", one["drawing"], list(drawings), f"{where}/drawing")
    return tuple(found.values())


def checked_drawing(drawing: dict, where: str = "") -> dict:
    """A drawing from outside, if it can be trusted to be one: shapes, names and measures that fit each other.

    Raises: Unreadable or UnknownName with a JSON pointer.
    """
    check(drawing, "drawing", where)
    for number, view in enumerate(drawing["views"]):
        place = f"{where}/views/{number}"
        names = [area["area"] for area in view["areas"]]
        for area in view["areas"]:
            wrong = fault(area["area"], own=True)
            if wrong:
                raise Unreadable(f"The area '{area['area']}' cannot be: {wrong}.", place)
            if area["material"] not in MATERIALS:
                raise UnknownName("material", area["material"], list(MATERIALS), place)
        drawn = {layer["area"] for layer in view["layers"]}
        if len(set(names)) != len(names) or drawn != set(names):
            raise Contradiction("The areas that are drawn are not those that are measured, each once.", place)
        touched = {name for a, b, _ in view["seams"] for name in (a, b)}
        if not touched <= drawn:
            raise UnknownName("area", min(touched - drawn), names, f"{place}/seams")
    shown = {area["area"] for view in drawing["views"] for area in view["areas"]}
    unknown = set(measured_from(drawing.get("measured", {}))) - shown
    if unknown:
        raise UnknownName("area", min(unknown), sorted(shown), f"{where}/measured")
    if len({view["name"] for view in drawing["views"]}) != len(drawing["views"]):
        raise Contradiction("Two views have one name.", f"{where}/views")
    return drawing


def _making(making: Making) -> dict:
    return {
        "kit": making.kit,
        "body": making.body,
        "parts": [{"slot": slot, "part": part} for slot, part in making.parts],
        "details": list(making.details),
    }


def _read_making(data: dict, where: str) -> Making:
    parts = tuple((one["slot"], one["part"]) for one in data["parts"])
    making = Making(data["kit"], data["body"], parts, tuple(data["details"]))
    with at(where):
        kit_of(making.kit)
        made_figure(f"{PREFIX}x", "", making)
    return making
