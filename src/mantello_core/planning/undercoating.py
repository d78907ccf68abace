"""What each undercoat would cost the whole army, and which colours it makes hard."""

from dataclasses import dataclass, replace

from ..colour.spaces import Lab
from ..paints.paint import Paint
from ..recipes.surface import solid
from ..recipes.undercoat import undercoats
from ..schemes.cascade import Resolution
from ..schemes.scheme import Design
from ..schemes.share import painted_surface
from .compiling import atoms_of
from .cost import Cost, cost_of

#: L* below which an undercoat is deep and above which bright; chroma from which it is not neutral
DEEP, BRIGHT, TINTED = 25.0, 65.0, 6.0


@dataclass(frozen=True)
class HardRole:
    """A role whose first mix takes many coats over an undercoat."""

    id: str
    name: str
    #: None if it never covers
    coats: int | None


@dataclass(frozen=True)
class UndercoatAdvice:
    """One undercoat for the whole army."""

    undercoat: Paint
    colour: Lab
    #: such as 'deep, neutral'
    look: str
    cost: Cost
    hard: tuple[HardRole, ...]


def undercoat_advice(design: Design, resolution: Resolution) -> tuple[UndercoatAdvice, ...]:
    """Coats and minutes of all the work over every undercoat, the fewest minutes first.

    resolution: of the design; an undercoat changes what steps do, never which role an area wears.
    """
    worn = sorted(painted_surface(resolution))
    found = []
    for pot in undercoats():
        changed = replace(design, scheme=replace(design.scheme, undercoat=pot.id))
        colour = solid(pot.film).colour
        found.append(
            UndercoatAdvice(
                pot, colour, look_of(colour), cost_of(atoms_of(changed, resolution)), _hard(changed, worn, pot)
            )
        )
    return tuple(sorted(found, key=lambda one: one.cost.minutes))


def look_of(colour: Lab) -> str:
    """How an undercoat steers everything above it, in two words."""
    depth = "deep" if colour.lightness < DEEP else "bright" if colour.lightness > BRIGHT else "middling"
    if (colour.a**2 + colour.b**2) ** 0.5 < TINTED:
        return f"{depth}, neutral"
    return f"{depth}, {'warm' if colour.a + colour.b > 0 else 'cold'}"


def _hard(design: Design, worn: list[tuple[str, str]], pot: Paint) -> tuple[HardRole, ...]:
    found: dict[str, HardRole] = {}
    for role_id, tier in worn:
        role = design.scheme.role(role_id)
        first = next(iter(design.scheme.predicted(role.recipe(tier)).outcomes), None)
        if first and first.hard:
            coats = first.coverage.coats
            old = found.get(role_id)
            worst = None if coats is None or (old and old.coats is None) else max(coats, old.coats if old else 0)
            found[role_id] = HardRole(role_id, role.name, worst)
    return tuple(sorted(found.values(), key=lambda one: (one.coats is not None, -(one.coats or 0), one.id)))
