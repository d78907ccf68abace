"""The army's finish as part of the open JSON document; what is written reads back identical."""

from dataclasses import asdict

from ...paints.catalogue import Catalogue
from ...recipes.slots import Slots
from ...scheme.assembly import Assembly
from ...scheme.finishing import Basing, DirtPass, Finishing, Glow, Plant, checked_finishing
from .recipes import read_step, write_step

_PLAIN_VALUES = (
    "varnish",
    "can",
    "use",
    "varnish_last",
    "barrier",
    "masks",
    "touch_up",
    "level",
    "light",
    "tidy",
    "look",
    "photograph",
    "mend",
    "mixed",
    "bases",
)
#: groups of parts and of roles, each a tuple
_LISTS = ("shiny", "apart", "handled", "fragile")


def write_finishing(finishing: Finishing) -> dict:
    """What differs from no finish at all, JSON-ready; empty where nothing does."""
    usual = Finishing()
    written = {
        name: getattr(finishing, name) for name in _PLAIN_VALUES if getattr(finishing, name) != getattr(usual, name)
    }
    if finishing.slots != usual.slots:
        written["slots"] = {name: value for name, value in vars(finishing.slots).items() if value}
    written |= {name: list(getattr(finishing, name)) for name in _LISTS if getattr(finishing, name)}
    if finishing.apart_in:
        written["apart_in"] = [list(one) for one in finishing.apart_in]
    if finishing.assembly != usual.assembly:
        written["assembly"] = asdict(finishing.assembly)
    if finishing.dirt:
        written["dirt"] = [vars(one) | {"step": write_step(one.step)} for one in finishing.dirt]
    if finishing.glow:
        written["glow"] = vars(finishing.glow) | {"step": write_step(finishing.glow.step)}
    if finishing.basing != usual.basing:
        written["basing"] = asdict(finishing.basing) | {"plants": [vars(one) for one in finishing.basing.plants]}
    return written


def read_finishing(
    data: dict, roles: tuple[str, ...], catalogue: Catalogue, where: str = "/scheme/finishing"
) -> Finishing:
    """A finish from its mapping; what is not said is as usual. catalogue: the paints it may name.

    Raises: what ``read_step`` and ``checked_finishing`` refuse, with a JSON pointer.
    """
    given = {name: data[name] for name in _PLAIN_VALUES if name in data}
    given |= {name: tuple(data[name]) for name in _LISTS if name in data}
    if "apart_in" in data:
        given["apart_in"] = tuple((node, group) for node, group in data["apart_in"])
    if "assembly" in data:
        given["assembly"] = Assembly(**data["assembly"])
    if "slots" in data:
        given["slots"] = Slots(**data["slots"])
    if "dirt" in data:
        given["dirt"] = tuple(
            DirtPass(
                one["id"],
                one["name"],
                read_step(one["step"], f"{where}/dirt/{index}/step", catalogue),
                one["law"],
                one.get("height", 0.0),
            )
            for index, one in enumerate(data["dirt"])
        )
    if "glow" in data:
        glow = data["glow"]
        given["glow"] = Glow(
            glow["role"], read_step(glow["step"], f"{where}/glow/step", catalogue), float(glow["reach"])
        )
    if "basing" in data:
        basing = data["basing"]
        plants = tuple(Plant(**one) for one in basing.get("plants", ()))
        given["basing"] = Basing(**basing | {"plants": plants})
    return checked_finishing(Finishing(**given), roles, where)
