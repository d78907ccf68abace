"""How figures come together: what they are made of, which glue holds it, when the grit comes, what they stand on meanwhile."""

from dataclasses import dataclass
from functools import cache

from ..data_table import data_table
from ..errors import UnknownName

#: what figures are made of; bases may be of wood or card besides
MATERIALS = ("plastic", "resin", "metal")
BASE_MATERIALS = (*MATERIALS, "wood")
#: when grit is glued to the bases: before the undercoat, which seals it; or on it; '' for never
GRIT = {"": "none", "first": "before the undercoat, which seals it", "after": "on the undercoat, before its colours"}


@dataclass(frozen=True)
class Assembly:
    """What is done to the figures before they are painted, as far as the plan shall tell it."""

    #: whether choosing options, cleaning and gluing are part of the plan
    planned: bool = False
    #: one of ``MATERIALS``, and of ``BASE_MATERIALS``
    material: str = "plastic"
    base: str = "plastic"
    #: id of the glue for the figures' own joints; '' for the usual one of their material
    glue: str = ""
    #: one of ``GRIT``
    grit: str = ""
    #: whether they stand on something else while they are painted
    temporary: bool = False


@dataclass(frozen=True)
class Glue:
    """One kind of glue: minutes until what it holds may be handled, how it is used, and ids of its hazards."""

    id: str
    name: str
    sets: float
    words: str
    hazards: tuple[str, ...]


@dataclass(frozen=True)
class Cleaning:
    """What one material asks for before it is glued: seconds a figure, what to do, ids of hazards."""

    seconds: float
    words: str
    hazards: tuple[str, ...]


@cache
def _data() -> dict:
    return data_table(__package__, "adhesives")


@cache
def glues() -> dict[str, Glue]:
    """Every glue by id."""
    return {
        id_: Glue(id_, row["name"], float(row["sets"]), row["words"], tuple(row["hazards"]))
        for id_, row in _data()["glue"].items()
    }


def cleaning_of(material: str) -> Cleaning:
    """What a material asks for. Raises: KeyError for one that there is not."""
    row = _data()["work"][material]
    return Cleaning(float(row["seconds"]), row["words"], tuple(row["hazards"]))


def glue_for(one: str, other: str) -> Glue:
    """The usual glue between two materials, in either order. Raises: UnknownName if one is no material."""
    for name in (one, other):
        if name not in BASE_MATERIALS:
            raise UnknownName("material", name, list(BASE_MATERIALS), "material")
    row = next(row for row in _data()["pair"] if sorted(row["of"]) == sorted((one, other)))
    return glues()[row["glue"]]


def joint_glue(assembly: Assembly) -> Glue:
    """The glue of the figures' own joints: the one that was chosen, else the usual one."""
    return glues()[assembly.glue] if assembly.glue else glue_for(assembly.material, assembly.material)


def wrong_glue(assembly: Assembly) -> str:
    """Why the chosen glue will not hold; '' if it will."""
    glue = joint_glue(assembly)
    if glue.id == "cement" and assembly.material != "plastic":
        return f"Plastic cement melts plastic only; it does not hold {assembly.material}. {glue_for(assembly.material, assembly.material).name.capitalize()} does."
    if glue.id == "white":
        return f"White glue is too weak for joints of {assembly.material}."
    return ""


def checked_assembly(assembly: Assembly, where: str = "assembly") -> Assembly:
    """The assembly, if everything in it is known. Raises: UnknownName at the field."""
    for name, known in (
        ("material", MATERIALS),
        ("base", BASE_MATERIALS),
        ("grit", tuple(GRIT)),
        ("glue", ("", *glues())),
    ):
        if getattr(assembly, name) not in known:
            raise UnknownName(name, getattr(assembly, name), [one for one in known if one], f"{where}/{name}")
    return assembly
