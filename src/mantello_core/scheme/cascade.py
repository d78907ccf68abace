"""Which rule wins: every area of every figure, and why.

Figures that no rule can tell apart are resolved once, as a class; classes to which the same rules
apply share one answer. So the cost grows with the rules, not with the figures.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field
from functools import cached_property

from ..army.tree import Army, Figure, Rank
from ..camouflage.pattern import Pattern
from ..errors import UnknownName
from ..figures.plate import Plate
from ..figures.vocabulary import assembly_of
from ..film.ground import Ground
from ..marks.placement import Borne, Placement, borne_by
from ..memory import Memory
from .part_ground import grounds_here
from .rule import Rule
from .scheme import Scheme
from .selector import areas_named, narrowest
from .substitution import substitutes
from .whole_pass import WholePass
from .worn import Worn


@dataclass(frozen=True)
class Verdict:
    """One rule that speaks of an area, with the weight it is ordered by: greater wins."""

    rule: Rule
    weight: tuple
    #: the rung it stands on, as ``Army.rungs`` numbers them
    rung: int


@dataclass(frozen=True)
class Cell:
    """What one area of a class of figures wears."""

    #: role id; '' is left bare, None is a gap
    role: str | None
    rule: Rule | None
    rung: int
    #: the role the rule names, where a substitution put another in its place; else ''
    instead_of: str = ""
    #: id of the pattern it wears, of which ``role`` is the ground; its inks' roles in order; '' and none for one colour
    pattern: str = ""
    inks: tuple[str, ...] = ()


@dataclass(frozen=True)
class FigureClass:
    """Figures of one rank of one unit that no rule tells apart."""

    #: ids of unit and rank
    unit: str
    rank: str
    #: what the rank is called
    rank_name: str
    type: str
    tier: str
    ordinals: tuple[int, ...]
    cells: dict[str, Cell]
    plate: Plate = field(repr=False)
    #: what its sites bear
    borne: dict[str, Borne] = field(default_factory=dict)
    #: sub-assembly to what it starts on, '' for all of it, where that is not the army's ground
    grounds: dict[str, Ground] = field(default_factory=dict)
    #: passes over them, in the order of the list
    passes: tuple[WholePass, ...] = ()

    def ground_of(self, area: str) -> Ground | None:
        """What an area starts on; None for the army's ground."""
        return (self.grounds.get(assembly_of(area)) or self.grounds.get("")) if self.grounds else None

    def inks_of(self, pattern_id: str) -> tuple[str, ...]:
        """The roles of the inks of a pattern that it wears, as they are worn; none of one that it does not wear."""
        return next((cell.inks for cell in self.cells.values() if cell.pattern == pattern_id), ())

    @property
    def patterns(self) -> dict[str, frozenset[str]]:
        """Every pattern it wears with its areas."""
        found: dict[str, set[str]] = {}
        for area, cell in self.cells.items():
            if cell.pattern:
                found.setdefault(cell.pattern, set()).add(area)
        return {id_: frozenset(areas) for id_, areas in found.items()}

    @property
    def roles_worn(self) -> dict[str, str]:
        """Every area with the role it wears; '' where it is bare or a gap."""
        return {area: cell.role or "" for area, cell in self.cells.items()}

    @property
    def first(self) -> Figure:
        """Its first figure, to stand for all."""
        return Figure(self.unit, self.rank, self.ordinals[0])


@dataclass(frozen=True)
class Resolution:
    """Every area of every figure of an army."""

    classes: tuple[FigureClass, ...]

    @cached_property
    def ranks(self) -> dict[tuple[str, str], tuple[FigureClass, ...]]:
        """The classes of every (unit, rank), in the army's order."""
        found: dict[tuple[str, str], list[FigureClass]] = {}
        for one in self.classes:
            found.setdefault((one.unit, one.rank), []).append(one)
        return {names: tuple(classes) for names, classes in found.items()}

    @cached_property
    def worn(self) -> Worn:
        """What its figures wear."""
        return Worn(self.classes)

    @cached_property
    def grounds_worn(self) -> dict[tuple[str, str], dict[Ground | None, float]]:
        """On what every (role, tier) lies, with mm² of each; None is the army's ground."""
        found: dict[tuple[str, str], dict[Ground | None, float]] = {}
        for one in self.classes:
            areas = one.plate.areas
            for name, cell in one.cells.items():
                if cell.role:
                    on = found.setdefault((cell.role, one.tier), {})
                    ground = one.ground_of(name)
                    on[ground] = on.get(ground, 0.0) + areas[name].surface_mm2 * len(one.ordinals)
        return found

    def ground_under(self, role: str, tier: str) -> Ground | None:
        """What most of a role lies on; None for the army's ground."""
        on = self.grounds_worn.get((role, tier))
        return max(on, key=on.__getitem__) if on else None

    def showing_most(self, role: str, tier: str = "") -> FigureClass | None:
        """The class whose figures show most of a role, those of a tier before others; None where none wears it."""
        if (role, tier) not in self._most:
            worn = ((one.tier == tier, mm2, one) for one, mm2 in self._shown.get(role, ()))
            self._most[role, tier] = max(worn, key=lambda each: each[:2], default=(False, 0.0, None))[2]
        return self._most[role, tier]

    @cached_property
    def _most(self) -> dict[tuple[str, str], FigureClass | None]:
        return {}

    @cached_property
    def _shown(self) -> dict[str, list[tuple[FigureClass, float]]]:
        """For every role the classes of figures that wear it, with the mm² they show of it."""
        found: dict[str, list[tuple[FigureClass, float]]] = {}
        for one in self.classes:
            shape = one.plate.areas
            for role, areas in self.worn.areas(one).items():
                found.setdefault(role, []).append((one, sum(shape[area].mm2 for area in areas)))
        return found

    @property
    def gaps(self) -> list[tuple[FigureClass, str]]:
        """Areas that no rule speaks of."""
        return [(one, area) for one in self.classes for area, cell in one.cells.items() if cell.role is None]

    def of(self, figure: Figure) -> FigureClass:
        """The class a figure belongs to.

        Raises: UnknownName if there is no such figure.
        """
        for one in self.of_rank(figure.unit, figure.rank):
            if figure.ordinal in one.ordinals:
                return one
        raise UnknownName("figure", f"{figure.unit}, {figure.rank} {figure.ordinal}")

    def of_unit(self, unit_id: str) -> tuple[FigureClass, ...]:
        """The classes of a unit, in the order of its ranks."""
        return tuple(one for one in self.classes if one.unit == unit_id)

    def of_rank(self, unit_id: str, rank_id: str) -> tuple[FigureClass, ...]:
        """The classes of one rank of a unit."""
        return self.ranks.get((unit_id, rank_id), ())

    def dead_rules(self, scheme: Scheme, army: Army) -> list[Rule]:
        """Rules that win nowhere."""
        return [rule for rule in scheme.all_rules(army) if rule.id not in self._winners]

    @cached_property
    def _winners(self) -> frozenset[str]:
        """Ids of the rules that win somewhere."""
        return frozenset(cell.rule.id for one in self.classes for cell in one.cells.values() if cell.rule)


#: bytes of a class of figures and of one of its areas, as kept with what checks and pages tell of them: measured
_CLASS_BYTES, _CELL_BYTES = 2000, 350
_KEPT_BYTES = 16 * 2**20
_kept = Memory("resolutions", _KEPT_BYTES)
#: parts of a scheme that say what lies where: recipes, grounds of all, aims and the like change nothing of it
_DECIDING = (
    "dress", "tables", "casts", "rules", "code_systems", "placements", "passes", "substitutions", "grounds", "patterns",
)  # fmt: skip


def resolve(army: Army, scheme: Scheme) -> Resolution:
    """Resolve every area of every figure. A pure function of what an army is built of and of what in a scheme says what lies
    where; the latest are kept, so that a recipe that is changed, or a formation that is renamed, leaves the resolution itself
    standing."""
    deciding = (army.types, army.sites, army.joined, *(getattr(scheme, part) for part in _DECIDING))
    key = army.root.build, *map(id, deciding)
    known = _kept.get(key)
    if known is None:
        made = _resolved(army, scheme)
        size = sum(_CLASS_BYTES + _CELL_BYTES * len(one.cells) for one in made.classes)
        # what a key's numbers stand for is kept beside the answer, so that no other value can get them
        known = _kept.put(key, (deciding, made), size)
    return known[1]


def _resolved(army: Army, scheme: Scheme) -> Resolution:
    rules = [(rule, order) for order, rule in enumerate(scheme.all_rules(army)) if rule.scope in army.nodes]
    placements = [(one, order) for order, one in enumerate(scheme.marks) if one.scope in army.nodes]
    over = [(one, order) for order, one in enumerate(scheme.passes)]
    shared: dict[tuple, dict[str, Cell]] = {}
    said = _Said()
    classes = []
    for unit in army.units:
        path = army.paths[unit.id]
        instead = substitutes(scheme.substitutions, path)
        here = [(rule, order) for rule, order in rules if rule.scope in path]
        placed = [(one, order) for one, order in placements if one.scope in path]
        passing = [(one, order) for one, order in over if not one.scope or one.scope in path]
        grounds = grounds_here(scheme.grounds, path)
        for rank in unit.ranks:
            if not rank.figures:
                continue
            shape = army.plate(rank.type)
            speaking, placing, laid = (
                [one for one in known if one[0].filter.admits(rank.type, rank.id, unit.tags)]
                for known in (here, placed, passing)
            )
            common = [one for one in speaking if not one[0].filter.by_ordinal]
            single = [one for one in speaking if one[0].filter.by_ordinal]
            alike = (
                rank.type, len(path), tuple(order for _, order in common), tuple(path.index(rule.scope) for rule, _ in common),
                tuple(instead.items()),
            )  # fmt: skip
            winning = None
            # what names no single figures is the same on all
            borne_alike = None if any(one.filter.by_ordinal for one, _ in placing) else borne_by(shape, placing, path)
            over_alike = None if any(one.filter.by_ordinal for one, _ in laid) else _passes_here(laid, rank.tier, path)
            depth_of = {id(one): path.index(one.scope) for one, _ in single}
            for ordinals, admitted in _told_apart(rank, [*single, *placing, *laid]):
                own = [one for one in single if id(one[0]) in admitted] if single else single
                key = alike, tuple((order, depth_of[id(rule)]) for rule, order in own)
                if key not in shared:
                    winning = winning or _Winning(shape, path, instead, scheme.pattern_by_id, common, said)
                    shared[key] = winning.cells(own)
                borne = borne_alike
                if borne is None:
                    borne = borne_by(shape, [one for one in placing if _speaks(one[0], admitted)], path)
                worn_over = over_alike
                if worn_over is None:
                    worn_over = _passes_here([one for one in laid if _speaks(one[0], admitted)], rank.tier, path)
                classes.append(
                    FigureClass(
                        unit.id, rank.id, rank.name, rank.type, rank.tier, ordinals, shared[key], shape, borne, grounds, worn_over,
                    )
                )  # fmt: skip
    return Resolution(tuple(classes))


def ladder(army: Army, scheme: Scheme, figure: Figure, area: str) -> tuple[Verdict, ...]:
    """Every rule that speaks of one area of one figure, the winner first.

    Raises: UnknownName if there is no such figure or area.
    """
    return speaking(army, scheme.all_rules(army), figure, area)


def speaking(army: Army, rules: Sequence[Rule], figure: Figure, area: str) -> tuple[Verdict, ...]:
    """Those of some rules, in their order, that speak of one area of one figure, the winner first.

    Raises: UnknownName if there is no such figure or area.
    """
    unit, rank = army.node(figure.unit), army.rank(figure.unit, figure.rank)
    path = army.paths[figure.unit]
    known = army.plate(rank.type).areas
    plate_area = known.get(area)
    if plate_area is None:
        raise UnknownName(f"area of {rank.type}", area, list(known))
    found = []
    for order, rule in enumerate(rules):
        if rule.scope not in path or not rule.filter.admits(rank.type, rank.id, unit.tags):
            continue
        if not rule.filter.admits_ordinal(figure.ordinal):
            continue
        narrow = narrowest(rule.select, plate_area)
        if narrow is not None:
            found.append(Verdict(rule, (*_scope_weight(rule, path), narrow, order), _rung(rule, path)))
    return tuple(sorted(found, key=lambda verdict: verdict.weight, reverse=True))


def _told_apart(rank: Rank, speaking: list[tuple]) -> list[tuple[tuple[int, ...], frozenset[int]]]:
    """The ordinals of a rank, grouped by which of the rules, placements and passes that name single figures admit them; with
    the identities of those that do."""
    picky = [one[0] for one in speaking if one[0].filter.by_ordinal]
    if not picky:
        return [(tuple(range(1, rank.figures + 1)), frozenset())]
    admitted: list[list[int]] = [[] for _ in range(rank.figures + 1)]
    for one in picky:
        for ordinal in one.filter.ordinals or range(1, rank.figures + 1):
            if 1 <= ordinal <= rank.figures and (not one.filter.every or one.filter.admits_ordinal(ordinal)):
                admitted[ordinal].append(id(one))
    groups: dict[tuple[int, ...], list[int]] = {}
    for ordinal in range(1, rank.figures + 1):
        groups.setdefault(tuple(admitted[ordinal]), []).append(ordinal)
    return [(tuple(ordinals), frozenset(known)) for known, ordinals in groups.items()]


def _speaks(one: Placement | WholePass, admitted: frozenset[int]) -> bool:
    """Whether a placement or pass that speaks of a rank speaks of the figures that are admitted by these."""
    return not one.filter.by_ordinal or id(one) in admitted


def _passes_here(laid: list[tuple[WholePass, int]], tier: str, path: tuple[str, ...]) -> tuple[WholePass, ...]:
    """The passes that figures of a tier get, in the order of the list; of one id the narrowest counts, and may leave it out."""
    best: dict[str, tuple[tuple, int, WholePass]] = {}
    for one, order in laid:
        weight = path.index(one.scope) if one.scope else -1, one.filter.narrowness, order
        if one.id not in best or weight > best[one.id][0]:
            first = min(order, best[one.id][1]) if one.id in best else order
            best[one.id] = weight, first, one
    standing = sorted(best.values(), key=lambda found: found[1])
    return tuple(one for _, _, one in standing if not one.off and (not one.tiers or tier in one.tiers))


def _scope_weight(rule: Rule, path: tuple[str, ...]) -> tuple:
    """What orders a rule whatever the area: worn over all, binding, then scope (a binding rule's higher one, else the deeper),
    filter."""
    depth = path.index(rule.scope)
    return rule.over, rule.binding, -depth if rule.binding else depth, rule.filter.narrowness


def _rung(rule: Rule, path: tuple[str, ...]) -> int:
    """The rung a rule stands on: its scope's, or rank and figure for a unit's filtered rules."""
    depth = path.index(rule.scope) + 1
    if depth < len(path):
        return depth
    if rule.filter.by_ordinal:
        return depth + 2
    return depth + 1 if rule.filter.rank else depth


#: an area, and the weight that a rule has there with the rule
_Entry = tuple[str, tuple[tuple, Rule]]


class _Said:
    """What rules say of a plate at a depth, worked out once while an army is resolved."""

    def __init__(self):
        self._entries: dict[tuple[int, int, int], list[_Entry]] = {}

    def of(self, plate: Plate, path: tuple[str, ...], rule: Rule, order: int) -> list[_Entry]:
        """Every area that a rule speaks of, with its weight there."""
        key = id(plate), id(rule), path.index(rule.scope)
        found = self._entries.get(key)
        if found is None:
            head = _scope_weight(rule, path)
            named = areas_named(plate, rule.select).items()
            found = self._entries[key] = [(name, ((*head, narrow, order), rule)) for name, narrow in named]
        return found


class _Winning:
    """Who wins on one rank's plate: what all its figures share is worked out once, and single figures' rules laid over it."""

    def __init__(
        self, plate: Plate, path: tuple[str, ...], instead: dict[str, str], patterns: dict[str, Pattern],
        common: list[tuple[Rule, int]], said: _Said,
    ):  # fmt: skip
        self.plate, self.path, self.instead, self.patterns, self.said = plate, path, instead, patterns, said
        self._made: dict[str, Cell] = {}
        self._best = self._over({}, common)
        gap = Cell(None, None, 0)
        self._cells = dict.fromkeys(plate.areas, gap) | self._laid(self._best)

    def cells(self, own: list[tuple[Rule, int]]) -> dict[str, Cell]:
        """Every area with what it wears where these rules, as (rule, order), speak besides those of all figures."""
        return self._cells | self._laid(self._over(self._best, own)) if own else self._cells

    def _over(
        self, below: dict[str, tuple[tuple, Rule]], rules: list[tuple[Rule, int]]
    ) -> dict[str, tuple[tuple, Rule]]:
        """The areas that rules win over what is below them."""
        won: dict[str, tuple[tuple, Rule]] = {}
        for rule, order in rules:
            for name, entry in self.said.of(self.plate, self.path, rule, order):
                known = won.get(name) or below.get(name)
                if known is None or entry[0] > known[0]:
                    won[name] = entry
        return won

    def _laid(self, won: dict[str, tuple[tuple, Rule]]) -> dict[str, Cell]:
        """What areas wear of the rules that won on them."""
        made, found = self._made, {}
        for name, (_, rule) in won.items():
            cell = made.get(rule.id)
            if cell is None:
                cell = made[rule.id] = _cell(rule, self.path, self.instead, self.patterns)
            found[name] = cell
        return found


def _cell(rule: Rule, path: tuple[str, ...], instead: dict[str, str], patterns: dict[str, Pattern]) -> Cell:
    if rule.pattern in patterns:
        inks = tuple(instead.get(ink.role) or ink.role for ink in patterns[rule.pattern].inks)
        named = patterns[rule.pattern].ground
        return Cell(inks[0], rule, _rung(rule, path), named if inks[0] != named else "", rule.pattern, inks)
    use = instead.get(rule.role)
    return Cell(use, rule, _rung(rule, path), rule.role) if use else Cell(rule.role, rule, _rung(rule, path))
