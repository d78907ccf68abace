"""What each undercoat would cost the whole army or one sub-assembly, and which colours it makes hard."""

from collections import Counter, defaultdict
from dataclasses import dataclass, replace

import numpy as np

from ..colour.spaces import Lab
from ..design.design import Design
from ..figures.vocabulary import assembly_of
from ..film.coats_on import CoatsOn
from ..film.ground import Ground
from ..film.prediction import is_hard
from ..film.reached import Reached, reached, shows_ground
from ..mixing.undercoat import grounds, palest
from ..scheme.cascade import Resolution
from .cost import Cost
from .ground_cost import GroundCosts

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
class LostRole:
    """A role whose transparent first coat cannot show on an undercoat."""

    id: str
    name: str
    reached: Reached


@dataclass(frozen=True)
class UndercoatAdvice:
    """One undercoat for the whole army."""

    ground: Ground
    colour: Lab
    #: such as 'deep, neutral'
    look: str
    cost: Cost
    hard: tuple[HardRole, ...]
    #: transparent colours that are lost in it: role, name, what it looks like and what a pale ground lets it reach
    lost: tuple[LostRole, ...] = ()
    #: L* by which recesses that no brush reaches look lighter than painted ones, over the army
    glare: float = 0.0


@dataclass(frozen=True)
class AssemblyAdvice:
    """The undercoat that spares most coats on what can be sprayed apart, if it is."""

    name: str
    figures: int
    best: Ground
    #: coats of first mixes over all figures, with the army's undercoat and with the best
    now: int
    then: int


def undercoat_advice(design: Design, resolution: Resolution) -> tuple[UndercoatAdvice, ...]:
    """Coats and minutes of all the work over every ground: first those that let all colours show, the fewest minutes first.

    resolution: of the design; a ground changes what steps do, never which role an area wears.
    """
    costs = GroundCosts(design, resolution, _known(design))
    recesses = _recesses(design, resolution)
    found = (
        UndercoatAdvice(
            ground,
            ground.colour,
            look_of(ground),
            costs.cost(at),
            _hard(design, costs, at),
            _lost(design, costs, ground),
            _glare(ground, recesses),
        )
        for at, ground in enumerate(costs.grounds)
    )
    return tuple(sorted(found, key=lambda one: (len(one.lost), one.cost.minutes)))


def _lost(design: Design, costs: GroundCosts, ground: Ground) -> tuple[LostRole, ...]:
    pale, found = palest(), {}
    for role_id, tier in costs.worn:
        role = design.scheme.role(role_id)
        recipe = role.recipe(tier)
        if role_id not in found and shows_ground(recipe):
            seen = reached(recipe, ground, pale, design.scheme.calibrations)
            if seen.lost:
                found[role_id] = LostRole(role_id, role.name, seen)
    return tuple(found.values())


def _recesses(design: Design, resolution: Resolution) -> list[tuple[float, float]]:
    """L* of every painted recess, and its mm²."""
    found, worn = [], resolution.grounds_worn
    design.scheme.predict_together(
        (design.scheme.role(role).recipe(tier), None) for (role, tier), on in worn.items() if None in on
    )
    for (role, tier), on in worn.items():
        recipe = design.scheme.role(role).recipe(tier)
        if recipe.steps and None in on:
            found.append((design.scheme.predicted(recipe).tones.recess.lightness, on[None]))
    return found


def _glare(ground: Ground, recesses: list[tuple[float, float]]) -> float:
    whole = sum(mm2 for _, mm2 in recesses)
    dark = ground.tones.recess.lightness
    return sum(max(0.0, dark - lightness) * mm2 for lightness, mm2 in recesses) / whole if whole else 0.0


def _known(design: Design) -> tuple[Ground, ...]:
    known = grounds()
    return known if design.scheme.ground in known else (*known, design.scheme.ground)


def assembly_advice(design: Design, resolution: Resolution) -> tuple[AssemblyAdvice, ...]:
    """For every sub-assembly the ground that takes the fewest coats of its first mixes, the most spared first.

    Sub-assemblies are groups of areas that can be kept apart: head, cloak, weapon, shield, flag, mount, and the body.
    """
    scheme = design.scheme
    worn: dict[str, dict[tuple[str, str, Ground], int]] = defaultdict(lambda: defaultdict(int))
    figures: dict[str, set] = defaultdict(set)
    for one in resolution.classes:
        here: dict[str, set[tuple[str, Ground]]] = defaultdict(set)
        for area, cell in one.cells.items():
            if cell.role:
                here[assembly_of(area)].add((cell.role, one.ground_of(area) or scheme.ground))
        for name, roles in here.items():
            figures[name].update((one.unit, one.rank, ordinal) for ordinal in one.ordinals)
            for role, ground in roles:
                worn[name][role, one.tier, ground] += len(one.ordinals)
    known = tuple(dict.fromkeys((*_known(design), *(one.ground for one in scheme.grounds))))
    recipes = {key: scheme.recipe(*key[:2]) for roles in worn.values() for key in roles}
    laid = CoatsOn(known, recipes.values(), scheme.calibrations)
    found = []
    for name, roles in worn.items():
        totals, now, most = np.zeros(len(known), int), 0, Counter()
        for key, count in roles.items():
            coats = laid.of(recipes[key])[:, :1].sum(1) * count
            totals, now = totals + coats, now + int(coats[known.index(key[2])])
            most[known.index(key[2])] += count
        best = min(
            range(len(grounds())),
            key=lambda at: (totals[at], known[at].above is not None, known[at].pot_coat is not None, known[at].words),
        )
        best = most.most_common(1)[0][0] if totals[best] >= now else best
        found.append(AssemblyAdvice(name, len(figures[name]), known[best], now, min(now, int(totals[best]))))
    return tuple(sorted(found, key=lambda one: (one.then - one.now, one.name)))


def with_ground(design: Design, ground: Ground) -> Design:
    """The design on another ground."""
    scheme = replace(design.scheme, ground=ground)
    return replace(design, scheme=scheme)


def look_of(ground: Ground) -> str:
    """How a ground steers everything above it, in a few words."""
    colour = ground.colour
    if ground.above:
        depth = "lit from above"
    else:
        depth = "deep" if colour.lightness < DEEP else "bright" if colour.lightness > BRIGHT else "middling"
    if (colour.a**2 + colour.b**2) ** 0.5 < TINTED:
        return f"{depth}, neutral"
    return f"{depth}, {'warm' if colour.a + colour.b > 0 else 'cold'}"


def _hard(design: Design, costs: GroundCosts, at: int) -> tuple[HardRole, ...]:
    found: dict[str, HardRole] = {}
    for role_id, tier in costs.worn:
        role = design.scheme.role(role_id)
        recipe = design.scheme.recipe(role_id, tier)
        if recipe not in costs.laid.covers or recipe.steps[0].coats or not is_hard(costs.laid.covers[recipe][at]):
            continue
        coats = costs.laid.covers[recipe][at].coats
        old = found.get(role_id)
        worst = None if coats is None or (old and old.coats is None) else max(coats, old.coats if old else 0)
        found[role_id] = HardRole(role_id, role.name, worst)
    return tuple(sorted(found.values(), key=lambda one: (one.coats is not None, -(one.coats or 0), one.id)))
