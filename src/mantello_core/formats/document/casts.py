"""Who wears what in units of irregulars, as part of the document."""

from dataclasses import fields

from ...army.tree import Army
from ...errors import Contradiction, OutOfRange, UnknownName
from ...scheme.scheme import Scheme
from ...scheme.selector import checked_selector
from ...scheme.unit_cast import CastGarment, CastOption, UnitCast

_PLAIN = ("seed", "stand", "abreast", "least", "accents")
_OPTION = {one.name: one.default for one in fields(CastOption) if one.name != "id"}


def write_cast(cast: UnitCast) -> dict:
    """A cast, JSON-ready; options of figures are named by their place, one text a figure."""
    places = [{option.id: at for at, option in enumerate(one.options)} for one in cast.garments]
    return {
        "unit": cast.unit,
        **{name: getattr(cast, name) for name in _PLAIN},
        **({"leaders": list(cast.leaders)} if cast.leaders else {}),
        "garments": [
            {
                "id": one.id, "name": one.name, "select": list(one.select),
                "options": [
                    {"id": option.id} | {name: value for name, usual in _OPTION.items() if (value := getattr(option, name)) != usual}
                    for option in one.options
                ],
            }
            for one in cast.garments
        ],
        **({"pins": [list(one) for one in cast.pins]} if cast.pins else {}),
        "drawn": {
            rank: [[places[at][option] for at, option in enumerate(row)] for row in rows] for rank, rows in cast.drawn
        },
    }  # fmt: skip


def read_cast(data: dict, army: Army, scheme: Scheme, where: str) -> UnitCast:
    """A cast from its mapping.

    Raises: UnknownName, OutOfRange, Contradiction or Unreadable with a JSON pointer.
    """
    unit = army.node(data["unit"], f"{where}/unit")
    garments = tuple(_read_garment(one, scheme, f"{where}/garments/{at}") for at, one in enumerate(data["garments"]))
    ranks = {rank.id: rank for rank in unit.ranks}
    drawn = []
    for rank, rows in data["drawn"].items():
        if rank not in ranks:
            raise UnknownName(f"rank in {unit.name}", rank, list(ranks), f"{where}/drawn/{rank}")
        drawn.append(
            (rank, tuple(_read_row(row, garments, f"{where}/drawn/{rank}/{at}") for at, row in enumerate(rows)))
        )
    pins = tuple((rank, ordinal, garment, option) for rank, ordinal, garment, option in data.get("pins", ()))
    known = {one.id: one for one in garments}
    for at, (rank, ordinal, garment, option) in enumerate(pins):
        if rank not in ranks or ordinal < 1 or garment not in known or known[garment].option(option) is None:
            raise UnknownName("pin", f"{rank} {ordinal}, {garment}: {option}", (), f"{where}/pins/{at}")
    plain = {name: data[name] for name in _PLAIN if name in data}
    return UnitCast(
        data["unit"], garments, leaders=tuple(data.get("leaders", ())), pins=pins, drawn=tuple(drawn), **plain
    )


def _read_row(row: list[int], garments: tuple[CastGarment, ...], where: str) -> tuple[str, ...]:
    if len(row) != len(garments) or not all(0 <= at < len(one.options) for at, one in zip(row, garments, strict=True)):
        raise OutOfRange(f"{row} names no option of each of {len(garments)} garments.", where)
    return tuple(one.options[at].id for at, one in zip(row, garments, strict=True))


def _read_garment(data: dict, scheme: Scheme, where: str) -> CastGarment:
    options = tuple(CastOption(**one) for one in data["options"])
    ids = [one.id for one in options]
    if len(set(ids)) < len(ids):
        raise Contradiction(f"Two options of {data['name']} have one id.", f"{where}/options")
    for at, one in enumerate(options):
        if one.pattern:
            scheme.pattern(one.pattern, f"{where}/options/{at}/pattern")
        else:
            scheme.role(one.role, f"{where}/options/{at}/role")
    for at, selector in enumerate(data["select"]):
        checked_selector(selector, f"{where}/select/{at}")
    return CastGarment(data["id"], data["name"], tuple(data["select"]), options)
