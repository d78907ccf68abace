"""The verb about variety: who of a band of irregulars wears what."""

from collections.abc import Sequence

from ...colour.spaces import lab_of_hex
from ...errors import UnknownName
from ...variety.band import Band, Garment, Option, checked_band
from ...variety.casting import Cast, cast
from ...variety.counts import wanted_counts
from ...variety.openings import openings, pots_of
from ...variety.unavoidable import least_clashes
from ..validation import check

#: fields that a band takes as they are
_PLAIN = ("stand", "abreast", "metres", "seed", "accents", "least")


def varied(document: dict) -> dict:
    """garments with options and shares, for so many figures, to who wears what, what is wrong with it, pots and openings"""
    check(document, "variety")
    band = _band(document)
    return _written(band, cast(band))


def _band(document: dict) -> Band:
    garments = tuple(_garment(one) for one in document["garments"])
    ids = [one.id for one in garments]
    figures = document["figures"]
    touching = tuple(
        (_place(ids, one, f"/touching/{at}/0", "garment"), _place(ids, other, f"/touching/{at}/1", "garment"))
        for at, (one, other) in enumerate(document.get("touching", ()))
    )
    pins = []
    for at, pin in enumerate(document.get("pins", ())):
        garment = _place(ids, pin["garment"], f"/pins/{at}/garment", "garment")
        pins.append((pin["figure"] - 1, garment, _option(garments[garment], pin["option"], f"/pins/{at}/option")))
    kept = tuple(
        tuple(_option(one, row.get(one.id, ""), f"/kept/{at}/{one.id}") for one in garments)
        for at, row in enumerate(document.get("kept", ()))
    )
    plain = {name: document[name] for name in _PLAIN if name in document}
    leaders = frozenset(one - 1 for one in document.get("leaders", ()))
    return checked_band(Band(figures, garments, touching, leaders=leaders, pins=tuple(pins), kept=kept, **plain), "")


def _garment(said: dict) -> Garment:
    options = tuple(
        Option(
            one["id"], tuple((pot, lab_of_hex(colour), share) for pot, colour, share in one["colours"]),
            one.get("share", 1.0), one.get("accent", False), one.get("repeats", False),
        )
        for one in said["options"]
    )  # fmt: skip
    sizes = {name: said[name] for name in ("mm2", "mm", "depth") if name in said}
    return Garment(said["id"], options, **sizes)


def _place(ids: Sequence[str], name: str, where: str, kind: str) -> int:
    if name not in ids:
        raise UnknownName(kind, name, list(ids), where)
    return list(ids).index(name)


def _option(garment: Garment, name: str, where: str) -> int:
    return _place([one.id for one in garment.options], name, where, f"option of {garment.id}")


def _written(band: Band, made: Cast) -> dict:
    ids = [one.id for one in band.garments]
    wanted = wanted_counts(band)
    return {
        "figures": [
            {one.id: one.options[option].id for one, option in zip(band.garments, row, strict=True)} for row in made.rows
        ],
        "counts": {
            one.id: {
                each.id: {"wanted": wanted[at][index], "is": sum(row[at] == index for row in made.rows)}
                for index, each in enumerate(one.options)
            }
            for at, one in enumerate(band.garments)
        },
        "faults": [
            {"kind": one.kind, "figures": [figure + 1 for figure in one.figures], "garments": [ids[at] for at in one.garments]}
            for one in made.faults
        ],
        "unavoidable_clashes": least_clashes(band),
        "pots": pots_of(band, made),
        "openings": [
            {"pot": one.pot, "work": [{"figure": figure + 1, "garment": ids[at]} for figure, at in one.work]}
            for one in openings(band, made)
        ],
    }  # fmt: skip
