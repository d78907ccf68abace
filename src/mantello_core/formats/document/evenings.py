"""The evenings as part of the open JSON document; what is written reads back identical."""

from dataclasses import replace

from ...army.tree import Army
from ...calendar.evenings import Evenings, Painter, Spraying, checked_evenings
from .pointer import at

_PLAIN_VALUES = ("attention", "stick", "zone", "air", "aid", "desk", "pace")


def write_evenings(evenings: Evenings) -> dict:
    """The evenings, JSON-ready."""
    written = {
        "pattern": [list(evening) for evening in evenings.pattern],
        "attention": evenings.attention,
        "stick": evenings.stick,
    }
    more = {
        "zone": evenings.zone,
        "exceptions": [list(one) for one in evenings.exceptions],
        "busy": [list(one) for one in evenings.busy],
        "first": list(evenings.first),
        "due": dict(evenings.due),
        "desk": evenings.desk,
        "wishes": [list(one) for one in evenings.wishes],
        "painters": [
            {"id": one.id, "name": one.name, "pattern": [list(each) for each in one.pattern], "units": list(one.units)}
            for one in evenings.painters
        ],
        "air": evenings.air if evenings.air != Evenings.air else "",
        "aid": evenings.aid if evenings.aid != Evenings.aid else "",
        "pace": evenings.pace if evenings.pace != Evenings.pace else "",
    }
    written |= {name: value for name, value in more.items() if value}
    if evenings.spraying:
        spraying = vars(evenings.spraying)
        written["spraying"] = {
            name: list(value) if isinstance(value, tuple) else value
            for name, value in spraying.items()
            if value is not None
        }
    return written


def read_evenings(data: dict, army: Army) -> Evenings:
    """The evenings from their mapping; what is not said is as usual.

    Raises: UnknownName for a unit; what ``checked_evenings`` refuses, with a JSON pointer.
    """
    given = {name: _tuples(data[name]) for name in ("pattern", "exceptions", "busy", "wishes") if name in data}
    given |= {name: data[name] for name in _PLAIN_VALUES if name in data}
    if "spraying" in data:
        given["spraying"] = Spraying(
            **{name: tuple(value) if isinstance(value, list) else value for name, value in data["spraying"].items()}
        )
    for index, unit in enumerate(data.get("first", ())):
        army.node(unit, f"/evenings/first/{index}")
    for unit in data.get("due", {}):
        army.node(unit, "/evenings/due")
    for index, one in enumerate(data.get("painters", ())):
        for unit in one.get("units", ()):
            army.node(unit, f"/evenings/painters/{index}/units")
    painters = tuple(
        Painter(one["id"], one["name"], _tuples(one.get("pattern", ())), tuple(one.get("units", ())))
        for one in data.get("painters", ())
    )
    given["due"] = tuple(sorted(data.get("due", {}).items()))
    made = replace(Evenings(), **given, first=tuple(data.get("first", ())), painters=painters)
    with at("/evenings"):
        return checked_evenings(made)


def _tuples(rows) -> tuple[tuple, ...]:
    return tuple(map(tuple, rows))
