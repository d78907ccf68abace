"""What was painted to an older version of the scheme, and no longer is as the scheme says."""

import hashlib
import math
from collections.abc import Mapping
from dataclasses import dataclass, replace

from ..army.figure_filter import Filter
from ..colour.difference import difference
from ..colour.spaces import Lab
from ..design.design import Design
from ..errors import Contradiction
from ..figures.vocabulary import spoken
from ..film.ground import Ground
from ..naming import slug
from ..order.subject import Subject
from ..scheme.cascade import FigureClass, Resolution, resolve
from ..scheme.rule import Rule

#: (unit, rank, ordinal) to what was painted on it, oldest first: (version, subject)
Painted = Mapping[tuple[str, str, int], tuple[tuple[int, Subject], ...]]


@dataclass(frozen=True)
class Drift:
    """Figures of one rank of one unit whose painted areas differ from what the scheme asks now."""

    unit: str
    rank: str
    ordinals: tuple[int, ...]
    #: the version they were painted to
    version: int
    #: role as painted; '' for the undercoat
    painted: str
    #: role now; None where nothing is mapped any more, '' where the area is left bare
    now: str | None
    #: empty for the undercoat
    areas: tuple[str, ...]
    #: CIEDE2000 between the colours as painted and as asked for now; nan where one has no recipe
    difference: float
    #: changes whenever what is asked for now does
    mark: str

    @property
    def kind(self) -> str:
        """'role' if the areas wear another role now, 'recipe' if the role is made otherwise, or 'undercoat'."""
        return "undercoat" if not self.areas else "recipe" if self.painted == self.now else "role"

    @property
    def key(self) -> str:
        """Stays the same while the drift does."""
        return _digest(self.unit, self.rank, self.ordinals, self.version, self.painted, self.areas, self.mark)

    @property
    def areas_in_words(self) -> str:
        """The areas as a painter says them, at most four by name."""
        names = [spoken(area) for area in self.areas]
        return ", ".join(names[:4]) + (f" and {len(names) - 4} more" if len(names) > 4 else "")


@dataclass(frozen=True)
class State:
    """A design with its resolution: a version that was painted to, or the scheme as it stands."""

    design: Design
    resolution: Resolution


def drifts(versions: Mapping[int, State], now: State, painted: Painted) -> tuple[Drift, ...]:
    """Every difference between what is on the figures and what the scheme asks of them now.

    On an area is what was painted there last: the latest (version, subject) whose version gives the area
    that role. Figures that left the army, and areas their type no longer has, are left out.
    """
    old = {
        number: {(one.unit, one.rank, ordinal): one for one in state.resolution.classes for ordinal in one.ordinals}
        for number, state in versions.items()
    }
    told: dict[tuple, list[tuple]] = {}
    groups: dict[tuple, list[int]] = {}
    for one in now.resolution.classes:
        for ordinal in one.ordinals:
            found = [
                (number, subject, old[number].get((one.unit, one.rank, ordinal)))
                for number, subject in painted.get((one.unit, one.rank, ordinal), ())
            ]
            layers = [layer for layer in found if layer[2] and layer[2].type == one.type]
            key = (id(one.cells), one.tier, *((number, subject, id(first.cells)) for number, subject, first in layers))
            if key not in told:
                told[key] = _differences(versions, now, one, layers)
            for difference_told in told[key]:
                groups.setdefault((one.unit, one.rank, *difference_told), []).append(ordinal)
    return tuple(Drift(unit, rank, tuple(sorted(ordinals)), *rest) for (unit, rank, *rest), ordinals in groups.items())


def _differences(versions, now: State, one, layers) -> list[tuple]:
    on_area: dict[str, tuple[int, str, str]] = {}
    undercoat = None
    for number, subject, first in layers:
        role = subject.role
        if subject.is_ground:
            undercoat = number
        for area, cell in first.cells.items():
            if role and cell.role == role and area in one.cells:
                on_area[area] = (number, role, first.tier)
    found: dict[tuple, list[str]] = {}
    for area, (number, role, tier) in on_area.items():
        asked = one.cells[area].role
        if asked != role or _recipe(versions[number], role, tier) != _recipe(now, role, one.tier):
            found.setdefault((number, role, tier, asked), []).append(area)
    told = [
        (
            number,
            role,
            asked,
            tuple(areas),
            _apart(_colour(versions[number], role, tier), _colour(now, asked, one.tier)),
            _digest(asked, _recipe(now, asked, one.tier)),
        )
        for (number, role, tier, asked), areas in found.items()
    ]
    if undercoat is not None:
        old = versions[undercoat]
        before = next(first for number, subject, first in reversed(layers) if subject.is_ground)
        for was, wanted in _grounds(old, before, now, one):
            told.append((undercoat, "", "", (), _apart(was.colour, wanted.colour), _digest(wanted.words)))
    return told


def _grounds(old: State, before: FigureClass, now: State, one: FigureClass) -> dict[tuple[Ground, Ground], None]:
    """What areas started on, and what they are to start on, where that is another."""
    pairs = (
        (before.ground_of(area) or old.design.scheme.ground, one.ground_of(area) or now.design.scheme.ground)
        for area in one.cells
        if area in before.cells
    )
    return dict.fromkeys(pair for pair in pairs if pair[0] != pair[1])


def _recipe(state: State, role: str | None, tier: str):
    return state.design.scheme.role(role).recipe(tier) if role else None


def _colour(state: State, role: str | None, tier: str) -> Lab | None:
    recipe = _recipe(state, role, tier)
    if recipe is None or not recipe.steps:
        return None
    return state.design.scheme.predicted(recipe).apparent


def _apart(one: Lab | None, other: Lab | None) -> float:
    return math.nan if one is None or other is None else round(difference(one, other), 2)


def _digest(*what: object) -> str:
    return hashlib.sha256(repr(what).encode()).hexdigest()[:16]


def kept_as_painted(design: Design, drift: Drift) -> Design:
    """The design with the figures wearing what they were painted: an override on just these figures.

    Raises: Contradiction if the role they were painted is gone, or if a binding rule keeps the
    override from deciding; UnknownName if unit or rank is gone.
    """
    scheme = design.scheme
    design.army.rank(drift.unit, drift.rank)
    if drift.kind != "role":
        raise Contradiction("The areas wear the same role still; no rule is needed to keep it.", "drift")
    if drift.painted not in scheme.role_by_id:
        raise Contradiction(
            f"The role '{drift.painted}' they were painted is no longer in the scheme; add it again, or repaint.",
            "drift",
        )
    rule = Rule(
        slug(f"painted-{drift.unit}-{drift.areas[0]}", {one.id for one in scheme.rules}),
        drift.unit,
        tuple(f"={area}" for area in drift.areas),
        drift.painted,
        Filter(rank=drift.rank, ordinals=drift.ordinals),
    )
    kept = replace(design, scheme=replace(scheme, rules=(*scheme.rules, rule)))
    for one in resolve(kept.army, kept.scheme).classes:
        if (one.unit, one.rank) == (drift.unit, drift.rank) and set(one.ordinals) & set(drift.ordinals):
            stubborn = [area for area in drift.areas if one.cells[area].role != drift.painted]
            if stubborn:
                raise Contradiction(
                    f"A rule that may not be overridden decides {spoken(stubborn[0])} of these figures; "
                    "change that rule, or repaint.",
                    "drift",
                )
    return kept
