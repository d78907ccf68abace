"""What a painter may decide and write down: subjects of a design, and how the design has each of them now."""

import hashlib

from ..army.tree import TIERS
from ..errors import UnknownName
from ..scheme.cascade import resolve
from .design import Design

#: subjects that every design has, and what each is called
_ALWAYS = {
    "undercoat": "Undercoat",
    "order": "Method and order of work",
    "varnish": "Varnish",
    "dirt": "Dirt",
    "bases": "Bases",
    "deadline": "Deadline",
}
_ROLE, _UNIT, _LOOK = "role:", "unit:", "look:"


def subjects_of(design: Design) -> dict[str, str]:
    """Everything that something can be decided about: id to its name."""
    roles = {f"{_ROLE}{role.id}": f"{role.name}, how it is made" for role in design.scheme.roles}
    units = {f"{_UNIT}{unit.id}": f"{design.army.title(unit.id)}, who is in it" for unit in design.army.units}
    looks = {f"{_LOOK}{unit.id}": f"{design.army.title(unit.id)}, how it looks" for unit in design.army.units}
    return _ALWAYS | roles | units | looks


def stands(design: Design, subject: str) -> str:
    """How a design has a subject, in words that change whenever it does; '' where it is gone.

    Raises: UnknownName for what is no subject at all.
    """
    scheme, finishing = design.scheme, design.scheme.finishing
    if subject.startswith(_ROLE):
        role = scheme.role_by_id.get(subject.removeprefix(_ROLE))
        return _role_words(role) if role else ""
    if subject.startswith(_UNIT):
        unit = design.army.nodes.get(subject.removeprefix(_UNIT))
        return ", ".join(f"{one.figures} {one.name} as {TIERS[one.tier].lower()}" for one in unit.ranks) if unit else ""
    if subject.startswith(_LOOK):
        return _look_words(design, subject.removeprefix(_LOOK))
    if subject == "undercoat":
        return scheme.ground_words
    if subject == "order":
        slots = ", ".join(f"{name} {given}" for name, given in vars(finishing.slots).items() if given)
        return design.method.title + (f"; {slots}" if slots else "")
    if subject == "varnish":
        how = "can" if finishing.can else "brush"
        return f"{finishing.varnish} by {how}, {finishing.use}" if finishing.varnish else "none"
    if subject == "dirt":
        return f"{design.dirt_level}: {', '.join(f'{one.name} in {one.step.mix.words}' for one in finishing.dirt) or 'no pass'}"
    if subject == "bases":
        plants = [f"{one.name} {one.in_ten:g} in ten" for one in finishing.basing.plants]
        return ", ".join([*plants, *(["magnets"] if finishing.basing.magnets else [])]) or "ground and rim alone"
    if subject == "deadline":
        return (design.brief.deadline if design.brief else "") or "none"
    raise UnknownName("subject", subject, list(subjects_of(design)), "about")


def _role_words(role) -> str:
    told = []
    for tier, recipe in role.recipes:
        steps = "; ".join(f"{step.technique.verb} {step.mix.words}" for step in recipe.steps)
        told.append(f"{TIERS[tier]}: {steps or 'no step'}")
    return ". ".join(told) or "no recipe"


def _look_words(design: Design, unit: str) -> str:
    """What a unit wears, in a line with a mark of it all: areas, roles, how they are made, marks and undercoat."""
    if unit not in design.army.nodes:
        return ""
    roles: dict[str, None] = {}
    told = [design.scheme.ground_words]
    for one in resolve(design.army, design.scheme).of_unit(unit):
        told.append(f"{one.rank_name} {one.ordinals}")
        told += [f"{area} {cell.role}" for area, cell in sorted(one.cells.items())]
        told += [f"{site} {borne.placement.device} {borne.placement.role}" for site, borne in sorted(one.borne.items())]
        roles |= dict.fromkeys(cell.role for cell in one.cells.values() if cell.role)
    told += [_role_words(design.scheme.role(role)) for role in roles]
    names = ", ".join(design.scheme.role(role).name for role in list(roles)[:6])
    more = f" and {len(roles) - 6} more" if len(roles) > 6 else ""
    return f"{names}{more} (mark {hashlib.sha256('|'.join(told).encode()).hexdigest()[:8]})"
