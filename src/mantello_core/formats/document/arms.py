"""Arms in the design document, and a coat of arms as a tree of JSON."""

from dataclasses import fields, is_dataclass

from ...insignia.arms.blazon import read_blazon
from ...insignia.arms.tincture import tincture
from ...insignia.arms.writing import write_blazon
from ...marks.named_arms import NamedArms
from .pointer import at


def write_arms(one: NamedArms) -> dict:
    """Arms of a scheme, JSON-ready."""
    bound = [{"tincture": id_, "role": role} for id_, role in one.bound]
    return {"id": one.id, "name": one.name, "blazon": one.blazon, "bearer": one.bearer, "bound": bound}


def read_arms(data: dict, where: str) -> NamedArms:
    """Arms from their mapping; the blazon is written anew in the canonical way.

    Raises: what ``read_blazon`` refuses, with a pointer; UnknownName for a tincture.
    """
    with at(f"{where}/blazon"):
        blazon = write_blazon(read_blazon(data["blazon"]))
    bound = tuple((tincture(one["tincture"], f"{where}/bound").id, one["role"]) for one in data.get("bound", ()))
    return NamedArms(data["id"], data["name"], blazon, bound, data.get("bearer", ""))


def as_tree(value: object) -> object:
    """A coat of arms as nested mappings, each with its kind; empty members are left out."""
    if is_dataclass(value):
        known = {one.name: getattr(value, one.name) for one in fields(value)}
        return {"is": type(value).__name__.lower()} | {
            name: as_tree(one) for name, one in known.items() if one not in ("", (), 0, None, False)
        }
    return [as_tree(one) for one in value] if isinstance(value, tuple) else value
