"""Which pairs of nodes the order rules, the stack and the painter's own rules speak of."""

from collections import defaultdict
from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from functools import cache
from itertools import pairwise

from ..memory import remembered
from ..scheme.work_order import OwnRule
from .bond import Bond, bond
from .node import Node
from .relations import AROUND, DEEPER, ON, TOUCH, Relations
from .rules import (
    ABOVE_ON_DARK,
    LISTED,
    OVER_SINGLE,
    RECIPE_ORDER,
    UNDER_SINGLE,
    UNDERCOAT_FIRST,
    OrderRule,
    Selector,
    order_rules,
)

_FLAGS = {"touch": TOUCH, "on": ON, "around": AROUND, "deeper": DEEPER}
#: kinds that come before the undercoat, or are it
GROUNDS = ("undercoat", "undercoat-above", "pot-coat")
_EARLY = ("magnet", "choose", "glue", "mount", "prime-base", "mask", "unmask", *GROUNDS)
#: what a pass of this kind lies on within its phase: less than 9 goes beneath what is painted singly
_PASS_PLACE = {"base": 0, "spray": 0, "overbrush": 1, "drybrush": 1, "stipple": 1}


class Figure:
    """The nodes of one figure with what lies where; sets of areas are kept as bits besides."""

    def __init__(self, nodes: Sequence[Node], relations: Relations, switches: Collection[str]):
        self.nodes = {node.id: node for node in nodes}
        self.switches = switches
        self._relations = relations
        every = frozenset().union(*(node.areas for node in nodes)) if nodes else frozenset()
        self._beside: dict[frozenset[str], frozenset[str]] = {}
        self.soils = {node.id: self._soiled(node, every) for node in nodes}
        self._known: dict[frozenset[str], int] = {}
        #: by node, as bits: its areas, what it soils
        self.areas = {node.id: self.bits(node.areas) for node in nodes}
        self.soiled = {id_: self.bits(areas) for id_, areas in self.soils.items()}
        self._lying: dict[tuple[frozenset[str], int], tuple[int, int]] = {}
        self._meant: dict[int, list[Node]] = defaultdict(list)
        for node in nodes:
            fitting = _fitting(
                node.kind, node.sort, node.classes, node.tool, node.stage, node.tags, node.neat, node.sort != "step"
            )
            for selector in fitting:
                self._meant[selector].append(node)

    def bits(self, areas: frozenset[str]) -> int:
        """Areas as bits."""
        if areas not in self._known:
            of = self._relations.bits
            self._known[areas] = sum(of[area] for area in areas)
        return self._known[areas]

    def meant_by(self, selector: int) -> list[Node]:
        """The nodes that a selector of the order rules speaks of, 'first', 'last' and mess aside. selector: its place among all."""
        return self._meant.get(selector, [])

    def lying(self, node: Node, flag: int) -> tuple[int, int]:
        """The areas that are ``flag`` to those of a node, and the other way, as ``Relations.lying`` tells."""
        key = node.areas, flag
        if key not in self._lying:
            self._lying[key] = self._relations.lying(*key)
        return self._lying[key]

    def _soiled(self, node: Node, every: frozenset[str]) -> frozenset[str]:
        if node.sprayed:
            return (every & self._relations.with_(node.areas)) - node.areas
        if not node.messy:
            return frozenset()
        if node.areas not in self._beside:
            self._beside[node.areas] = self._relations.touching(node.areas)
        return self._beside[node.areas]

    def standing(self, relation: str, one: Node, others: Iterable[Node]) -> list[Node]:
        """Those of others that stand in a relation to a node by their areas; never itself."""
        if relation == "any":
            return [two for two in others if two.id != one.id]
        owner, areas = one.owner, self.areas
        if relation == "owner":
            return [two for two in others if two.owner == owner and two.id != one.id]
        own = areas[one.id]
        if relation in ("same", "field", "member", "covers"):
            return [two for two in others if own & areas[two.id] and two.owner != owner]
        if relation == "reach":
            soiled = self.soiled[one.id]
            return [two for two in others if soiled & areas[two.id] and two.owner != owner] if soiled else []
        flag = _FLAGS[relation]
        forth, back = self.lying(one, flag)
        if not forth:
            return []
        against = own | back if flag in (ON, DEEPER) else own
        return [two for two in others if forth & areas[two.id] and not against & areas[two.id] and two.owner != owner]


def pairs_of(figure: Figure, own: Sequence[OwnRule], given_up: Collection[str]) -> Iterator[Bond]:
    """Every bond that something asks for: the stack, the painter, and every rule that is on and not given up."""
    yield from _stack(figure)
    yield from _own(figure, own)
    for place, rule in enumerate(order_rules()):
        if rule.id in given_up or (rule.switch and rule.switch not in figure.switches):
            continue
        befores = _picked(figure, rule.before, 2 * place)
        afters = _picked(figure, rule.after, 2 * place + 1) if befores else ()
        if not afters:
            continue
        for one in befores:
            lag = max(one.drying, one.curing) if rule.lag == "cure" else None
            for two in figure.standing(rule.relation, one, afters):
                if not rule.only or _member(rule, one, two):
                    yield bond(one, two, rule, weight=_weight(rule, figure, one, two), lag=lag)


def _weight(rule: OrderRule, figure: Figure, one: Node, two: Node) -> float:
    """Rough work weighs more the more it soils; what comes later by its phase weighs little."""
    if rule.relation != "reach" or rule.level != "wish":
        return rule.weight
    if one.phase > two.phase:
        return rule.weight / 4
    return rule.weight + min(1.0, (figure.soiled[one.id] & figure.areas[two.id]).bit_count() / 8)


def _member(rule: OrderRule, one: Node, two: Node) -> bool:
    """Whether a rule that has some pairs only speaks of one; what begins after a shade by its phase is laid on it, and no
    member of it."""
    return one.phase <= two.phase and (rule.only == "not later" or two.sort == "pass")


def _stack(figure: Figure) -> Iterator[Bond]:
    nodes = list(figure.nodes.values())
    owners: dict[str, list[Node]] = defaultdict(list)
    for node in nodes:
        if node.sort in ("step", "mark"):
            owners[node.owner].append(node)
    for chain in owners.values():
        chain.sort(key=lambda one: one.at)
        yield from (bond(one, two, RECIPE_ORDER, lag=one.drying) for one, two in pairwise(chain) if one.at < two.at)
    grounds = sorted((node for node in nodes if node.kind in GROUNDS), key=lambda one: one.at)
    for one, two in pairwise(grounds):
        if one.areas & two.areas:
            yield bond(one, two, ABOVE_ON_DARK)
    heads = [node for node in nodes if node.kind not in _EARLY and (node.at == 0 or node.sort in ("pass", "hand"))]
    for head in heads:
        beneath = [coat for coat in grounds if coat.areas & head.areas]
        if head.kind == "texture" and "texture-first" in figure.switches:
            continue
        yield from (bond(coat, head, UNDERCOAT_FIRST) for coat in beneath[-1:])
        yield from (bond(coat, head, UNDERCOAT_FIRST) for coat in beneath[:-1] if not coat.areas & beneath[-1].areas)
    yield from _passes(nodes)


def _passes(nodes: Sequence[Node]) -> Iterator[Bond]:
    """A pass and what is on the same areas in its phase: passes as they are listed, rough ones under single steps, wet over."""
    for one in nodes:
        if one.sort != "pass":
            continue
        place = _PASS_PLACE.get(one.kind, 9)
        for other in nodes:
            if other.id == one.id or other.phase != one.phase or one.areas.isdisjoint(other.areas):
                continue
            if other.kind in _EARLY:
                continue
            if other.sort == "pass":
                if (place, one.at, one.id) < (_PASS_PLACE.get(other.kind, 9), other.at, other.id):
                    yield bond(one, other, LISTED)
            elif place < 9:
                yield bond(one, other, UNDER_SINGLE)
            else:
                yield bond(other, one, OVER_SINGLE)


def _own(figure: Figure, own: Sequence[OwnRule]) -> Iterator[Bond]:
    for at, rule in enumerate(own):
        said = OrderRule(
            f"own:{rule.id}", "your rule", rule.because or "you said so", "chosen", 50.0 + (len(own) - at) / 1000
        )
        for one in meant(figure.nodes, rule.before, last=True):
            for two in meant(figure.nodes, rule.after, last=False):
                if one.id != two.id:
                    yield bond(one, two, said, lag=one.drying if one.areas & two.areas else 0.0)


def meant(nodes: Mapping[str, Node], what: str, *, last: bool) -> list[Node]:
    """The nodes that a reference names, as ``OwnRule`` writes them. last: of a whole role the last step, else the first."""
    sort, _, rest = what.partition(":")
    if sort == "kind":
        return [node for node in nodes.values() if node.kind == rest]
    if sort == "class":
        return [node for node in nodes.values() if rest in node.classes and node.at == 0]
    owner, _, step = rest.partition("/")
    written = {"role": "", "pass": "army:", "mark": "mark:"}[sort]
    own = sorted((node for node in nodes.values() if node.owner == written + owner.rstrip("*")), key=lambda one: one.at)
    if step:
        return [node for node in own if node.id.split("|")[1] == step]
    if owner.endswith("*"):
        return own[-1:] if last else own[:1]
    return own[:1]


def _picked(figure: Figure, selector: Selector, place: int) -> list[Node]:
    found = figure.meant_by(place)
    if not found:
        return found
    if selector.mess:
        found = [node for node in found if figure.soils[node.id]]
    if selector.which == "first-pass":
        low = min((node.phase for node in found), default=0)
        return [node for node in found if node.phase == low]
    if not selector.which:
        return found
    per_owner: dict[str, Node] = {}
    for node in sorted(found, key=lambda one: (one.owner, one.at)):
        if selector.which == "last" or node.owner not in per_owner:
            per_owner[node.owner] = node
    return list(per_owner.values())


@cache
def _selectors() -> tuple[Selector, ...]:
    """Every selector of the order rules."""
    return tuple(one for rule in order_rules() for one in (rule.before, rule.after))


@remembered(1_000)
def _fitting(kind, sort, classes, tool, stage, tags, neat, over) -> tuple[int, ...]:
    """The places of the selectors that speak of work of such a kind; 'first' and 'last' aside."""
    return tuple(
        place
        for place, one in enumerate(_selectors())
        if (not one.kinds or kind in one.kinds)
        and kind not in one.not_kinds
        and (not one.sorts or sort in one.sorts)
        and (not one.tools or tool in one.tools)
        and (not one.stages or stage in one.stages)
        and (not one.classes or not classes.isdisjoint(one.classes))
        and classes.isdisjoint(one.not_classes)
        and (not one.tags or not tags.isdisjoint(one.tags))
        and tags.isdisjoint(one.not_tags)
        and (not one.neat or neat)
        and (not one.part or not over)
    )
