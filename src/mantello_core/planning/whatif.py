"""What if: the plan with other settings; where minutes go, what could be left out, and what must give for a deadline."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import date

from ..army.tree import TIERS
from ..calendar.session import elapsed
from ..design.design import Design
from ..design.edit import with_undercoat
from ..paints.paint import Paint
from ..recipes.step import Recipe
from ..scheme.scheme import Role
from .plan import Plan
from .task import Atom

#: kinds of step that a figure can do without, those missed least first, and how they are called together
DISPENSABLE = {
    "edge": "edge lights", "line": "lines", "dot": "dots", "glaze": "glazes", "powder": "powders", "sponge": "chips",
    "recess": "recess shades", "highlight": "highlights", "layer": "layers", "drybrush": "drybrushing", "overbrush": "overbrushing",
}  # fmt: skip
#: what does nearly the same in less time
CHEAPER = {
    "layer": "a drybrush of the same mix on everything that is not smooth",
    "highlight": "one edge light on the uppermost edges only",
    "edge": "the flat of the brush along the edges, or none on the backs",
    "glaze": "a wash that does shade and glaze at once",
    "base": "an undercoat or a bridge colour nearer to it, so that it covers in fewer coats",
    "recess": "a wash over all, wiped off the raised parts",
    "shade": "one wash for all browns and metals together",
}


@dataclass(frozen=True)
class WhatIf:
    """Settings that are tried; empty ones stay as they are."""

    attention: int = 0
    undercoat: Paint | None = None
    #: tiers that are painted like rank and file
    plain: tuple[str, ...] = ()
    #: (tier, kind) of steps that are left out
    without: tuple[tuple[str, str], ...] = ()
    #: figures on the desk at most
    desk: int = 0


@dataclass(frozen=True)
class Lever:
    """Something that could be left out, and the hands-on minutes that saves."""

    tier: str
    kind: str
    words: str
    minutes: float

    @property
    def id(self) -> str:
        """Its tier and kind in one word."""
        return f"{self.tier}:{self.kind}"


@dataclass(frozen=True)
class Load:
    """One step of one role over the whole army: hands-on minutes, figures, coats, and what would be cheaper."""

    name: str
    role: str
    minutes: float
    figures: int
    coats: int
    cheaper: str


def changed(design: Design, tried: WhatIf) -> Design:
    """The design with the settings tried. Raises: what ``with_undercoat`` refuses."""
    if tried.undercoat:
        design = with_undercoat(design, tried.undercoat)
    if tried.attention:
        design = replace(design, evenings=replace(design.evenings, attention=tried.attention))
    if tried.desk:
        design = replace(design, evenings=replace(design.evenings, desk=tried.desk))
    if not (tried.plain or tried.without):
        return design
    roles = tuple(_lighter(role, tried) for role in design.scheme.roles)
    return replace(design, scheme=replace(design.scheme, roles=roles))


def _lighter(role: Role, tried: WhatIf) -> Role:
    recipes = []
    for tier in TIERS:
        own = role.recipe("rank" if tier in tried.plain else tier)
        left_out = {kind for at, kind in tried.without if at == tier}
        steps = tuple(step for step in own.steps if step.kind not in left_out)
        recipes.append((tier, Recipe(steps)))
    return replace(role, recipes=tuple(recipes))


def levers(design: Design, atoms: Iterable[Atom]) -> tuple[Lever, ...]:
    """What could be left out, in the order in which it is missed least: rank and file first, edges before layers."""
    minutes: dict[tuple[str, str], float] = {}
    for atom in atoms:
        if atom.subject.role and atom.kind in DISPENSABLE:
            key = design.army.rank(atom.unit, atom.rank).tier, atom.kind
            minutes[key] = minutes.get(key, 0.0) + atom.seconds * len(atom.ordinals) / 60
    return tuple(
        Lever(tier, kind, f"No {words} on {TIERS[tier].lower()}", minutes[tier, kind])
        for tier in TIERS
        for kind, words in DISPENSABLE.items()
        if minutes.get((tier, kind), 0.0) >= 1
    )


def giving_way(known: Sequence[Lever], lacking: float) -> tuple[tuple[Lever, ...], float]:
    """Levers to pull, those missed least first, until so many minutes are saved; and the minutes still lacking then.

    One that turns out needless because later ones save enough alone is let go again.
    """
    chosen: list[Lever] = []
    for one in known:
        if sum(each.minutes for each in chosen) >= lacking:
            break
        chosen.append(one)
    for one in sorted(chosen, key=lambda each: each.minutes):
        if sum(each.minutes for each in chosen) - one.minutes >= lacking:
            chosen.remove(one)
    return tuple(chosen), max(0.0, lacking - sum(one.minutes for one in chosen))


def late_minutes(plan: Plan, deadline: date) -> float:
    """Desk minutes that the plan lays after a day; those that found no room at all included."""
    late = sum(
        elapsed(block.start, block.end, block.zone) + block.opening
        for block in plan.blocks
        if block.start.date() > deadline
    )
    return (late + sum(task.seconds for task in plan.unplaced)) / 60


def loads(atoms: Iterable[Atom], most: int = 12) -> tuple[Load, ...]:
    """The steps that take most minutes over the whole army, with what would be cheaper."""
    found: dict[tuple[str, str], list[Atom]] = {}
    for atom in atoms:
        found.setdefault((atom.subject, atom.step), []).append(atom)
    rows = [
        Load(
            known[0].name, subject.role, sum(atom.seconds * len(atom.ordinals) for atom in known) / 60,
            sum(len(atom.ordinals) for atom in known if atom.coat == atom.of), max(atom.of for atom in known), _cheaper(known),
        )
        for (subject, _), known in found.items()
    ]  # fmt: skip
    return tuple(sorted(rows, key=lambda one: -one.minutes)[:most])


def _cheaper(atoms: Sequence[Atom]) -> str:
    """What would do nearly the same in less time; nothing for marks, the undercoat, and bases that cover at once."""
    kind = atoms[0].kind
    if not atoms[0].subject.role or (kind == "base" and max(atom.of for atom in atoms) < 2):
        return ""
    return CHEAPER.get(kind, "")
