"""Dress of sources as part of the document."""

from ...army.tree import Army
from ...colour.spaces import Lab
from ...uniforms.campaign import Campaign
from ...uniforms.colour_word import ColourWord
from ...uniforms.dress import Departure, Dress, DressRole, checked_dress
from ..almanac_document import almanac_of, read_colour, read_wearer, write_almanac, write_colour, write_wearer


def write_dress(dress: Dress) -> dict:
    """A dress, JSON-ready; what is as usual is left out."""
    return {
        "year": dress.year,
        "accuracy": dress.accuracy,
        "worn": [{"node": node, "wearer": write_wearer(who)} for node, who in dress.worn],
        **({"ranks": [list(one) for one in dress.ranks]} if dress.ranks else {}),
        "roles": [_write_role(one) for one in dress.roles],
        **({"departures": [vars(one) for one in dress.departures]} if dress.departures else {}),
        **({"first": list(dress.first)} if dress.first else {}),
        **({"origin": dress.origin} if dress.origin else {}),
        **({"aims": [_write_aim(*one) for one in dress.aims]} if dress.aims else {}),
        **({"left_out": list(dress.left_out)} if dress.left_out else {}),
        **({"campaign": _write_campaign(dress.campaign)} if dress.campaign else {}),
        "almanac": write_almanac(dress.almanac),
    }


def read_dress(data: dict, army: Army, roles, where: str = "/scheme/dress") -> Dress:
    """A dress from its mapping. Raises: what ``checked_dress`` and ``almanac_of`` refuse, with a JSON pointer."""
    dress = Dress(
        almanac_of(data["almanac"], f"{where}/almanac"),
        data["year"],
        data["accuracy"],
        tuple((one["node"], read_wearer(one["wearer"])) for one in data["worn"]),
        tuple((rank, said) for rank, said in data.get("ranks", ())),
        tuple(_read_role(one, f"{where}/roles/{index}") for index, one in enumerate(data["roles"])),
        tuple(Departure(**one) for one in data.get("departures", ())),
        tuple(data.get("first", ())),
        data.get("origin", ""),
        _read_campaign(data["campaign"]) if "campaign" in data else None,
        tuple(data.get("left_out", ())),
        tuple(_read_aim(one, f"{where}/aims/{at}") for at, one in enumerate(data.get("aims", ()))),
    )
    return checked_dress(dress, army.nodes, roles, where)


def _write_role(one: DressRole) -> dict:
    return {
        "colour": write_colour(one.colour),
        "role": one.role,
        **({"metal": True} if one.metal else {}),
        **({"tone": one.tone} if one.tone else {}),
        **({"why": one.why} if one.why else {}),
    }


def _read_role(data: dict, where: str) -> DressRole:
    colour = read_colour(data["colour"], f"{where}/colour")
    return DressRole(colour, data.get("metal", False), data["role"], data.get("tone", ""), data.get("why", ""))


def _write_aim(colour: ColourWord, metal: bool, lab: Lab) -> dict:
    return {"colour": write_colour(colour), **({"metal": True} if metal else {}), "lab": list(lab)}


def _read_aim(data: dict, where: str) -> tuple[ColourWord, bool, Lab]:
    return read_colour(data["colour"], f"{where}/colour"), data.get("metal", False), Lab(*map(float, data["lab"]))


def _write_campaign(campaign: Campaign) -> dict:
    return vars(campaign) | {"ground": list(campaign.ground)}


def _read_campaign(data: dict) -> Campaign:
    return Campaign(**(data | {"ground": Lab(*map(float, data["ground"]))}))
