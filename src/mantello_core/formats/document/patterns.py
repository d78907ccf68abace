"""Camouflage patterns as part of the document."""

from collections.abc import Collection
from dataclasses import fields

from ...camouflage.pattern import Ink, Overlay, Pattern, checked_pattern

_USUAL = {
    one.name: one.default
    for one in fields(Pattern)
    if one.name not in ("id", "name", "family", "inks", "layouts", "overlays")
}


_LAYER = {one.name: one.default for one in fields(Overlay) if one.name != "role"}


def write_pattern(pattern: Pattern) -> dict:
    """A pattern, JSON-ready; what is as usual is left out."""
    written = {
        "id": pattern.id,
        "name": pattern.name,
        "family": pattern.family,
        "inks": [_ink(ink) for ink in pattern.inks],
    }
    written |= {name: getattr(pattern, name) for name, usual in _USUAL.items() if getattr(pattern, name) != usual}
    if pattern.overlays:
        written["overlays"] = [
            {name: value for name, value in vars(one).items() if name == "role" or value != _LAYER[name]}
            for one in pattern.overlays
        ]
    if pattern.layouts:
        written["layouts"] = [list(one) for one in pattern.layouts]
    return written


def _ink(ink: Ink) -> dict:
    return {"role": ink.role, "share": ink.share, **({"scale": ink.scale} if ink.scale != 1 else {})}


def read_pattern(data: dict, roles: Collection[str], where: str) -> Pattern:
    """A pattern from its mapping. Raises: what ``checked_pattern`` refuses, with a JSON pointer."""
    inks = tuple(Ink(one["role"], float(one["share"]), float(one.get("scale", 1.0))) for one in data["inks"])
    given = {name: data[name] for name in _USUAL if name in data}
    layouts = tuple((unit, rank, int(ordinal), int(seed)) for unit, rank, ordinal, seed in data.get("layouts", ()))
    overlays = tuple(Overlay(**one) for one in data.get("overlays", ()))
    return checked_pattern(
        Pattern(data["id"], data["name"], data["family"], inks, **given, overlays=overlays, layouts=layouts),
        roles,
        where,
    )
