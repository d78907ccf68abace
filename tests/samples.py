"""Named samples: small things that tests share."""

from mantello_core.army.figure_filter import Filter
from mantello_core.army.tree import Army, Figure, Node, Rank
from mantello_core.colour.pigment import optics_of
from mantello_core.design.design import Design
from mantello_core.design.muster import without_node, without_rank
from mantello_core.formats.sample import calvessa
from mantello_core.paints.paint import Film, Flake
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix, Recipe, Step
from mantello_core.scheme.rule import Rule
from mantello_core.scheme.scheme import Role, Scheme

#: films of the colour method's table, by the names it uses
_LOADS = {
    "white": {"PW6": 0.18},
    "black": {"PBk7": 0.045},
    "grey": {"PW6": 0.15, "PBk7": 0.006},
    "bone": {"PW6": 0.17, "PY42": 0.008, "PBr7BU": 0.0014},
    "flesh": {"PW6": 0.15, "PR101": 0.004, "PY42": 0.008},
    "pink": {"PW6": 0.16, "PR254": 0.009},
    "brown": {"PBr7BU": 0.07, "PR101": 0.035, "PY42": 0.02},
    "yellow": {"PY74": 0.11},
    "opaque yellow": {"PY184": 0.13, "PY83": 0.012, "PY42": 0.01},
    "orange": {"PO73": 0.1},
    "red": {"PR254": 0.1},
    "red oxide": {"PR101": 0.15},
    "purple": {"PV23": 0.03, "PR122": 0.05},
    "opaque purple": {"PV23": 0.025, "PR122": 0.03, "PW6": 0.05},
    "ultramarine": {"PB29": 0.18},
    "phthalo blue": {"PB15": 0.06},
}
_WASHES = {"black wash": {"PBk7": 0.012}, "brown wash": {"PBr7BU": 0.045, "PBk7": 0.0012}}
_METALS = {"silver": Flake(0.6, 0.58, 550, 60, 0.1), "gold": Flake(0.12, 0.62, 508, 20, 0.08)}


def film(name: str) -> Film:
    """A film of the colour method's examples."""
    if name in _METALS:
        return Film(*optics_of({}), 0.36, _METALS[name])
    if name in _WASHES:
        return Film(*optics_of(_WASHES[name], 0.7), 0.15)
    if name == "red ink":
        return Film(*optics_of({"PV19": 0.05, "PO73": 0.02}, 0.4), 0.30)
    return Film(*optics_of(_LOADS[name]), 0.36)


def base(paint_id: str, *, diluent: str = "neat", parts: float = 0.0) -> Recipe:
    """A recipe of one base step."""
    return Recipe((Step("base", "base", Mix(((paint(paint_id), 1.0),), diluent, parts)),))


def small_army() -> Army:
    """An army of two companies of one regiment: 3 + 1 and 2 figures."""
    first = Node(
        "first-line",
        "unit",
        "Line",
        ranks=(Rank("fusilier", "Fusilier", "fusilier", 3), Rank("sergeant", "Sergeant", "sergeant", 1, "leader")),
        tags=("veteran",),
    )
    second = Node("second-line", "unit", "Line", ranks=(Rank("fusilier", "Fusilier", "fusilier", 2),))
    companies = (Node("first", "company", "First", (first,)), Node("second", "company", "Second", (second,)))
    regiment = Node("regiment", "regiment", "Tidewall", companies)
    return Army(Node("army", "army", "Small force", (regiment,)))


def small_design(*rules: Rule) -> Design:
    """The small army in a scheme of four roles, with the rules given."""
    roles = tuple(
        Role(id_, id_.capitalize(), (("rank", base(pot)),))
        for id_, pot in (
            ("field", "brine-green"),
            ("facing", "madder-rope"),
            ("lace", "salt-linen"),
            ("metal", "lamp-brass"),
        )
    )
    return Design(small_army(), Scheme("Small scheme", roles, rules))


def rule(id_: str, scope: str, select: str, role: str, *, binding: bool = False, **filters) -> Rule:
    """A rule in one line."""
    return Rule(id_, scope, tuple(select.split()) if select else ("",), role, Filter(**filters), binding)


FUSILIER = Figure("first-line", "fusilier", 1)
LAPEL = "torso.coat.lapel.left"


def pared(design: Design, kept: dict[str, str]) -> Design:
    """The design with one rank only in these units, and without all others: quick to print."""
    for unit in design.army.units:
        for rank in unit.ranks if unit.id in kept else ():
            if rank.id != kept[unit.id]:
                design = without_rank(design, unit.id, rank.id)
        if unit.id not in kept:
            design = without_node(design, unit.id)
    return design


__all__ = ["FUSILIER", "LAPEL", "base", "calvessa", "film", "pared", "rule", "small_army", "small_design"]
