"""The order of one figure's steps: bonds from firm to soft, phases mended by what moves least, a reason for every pair.

See ``docs/methods/order.md``. The answer does not depend on the order in which nodes, areas or rules are given.
"""

from collections import defaultdict, deque
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from types import MappingProxyType

from ..figures.plate import Plate
from ..memory import remembered
from ..scheme.work_order import OwnRule
from .bond import Bond
from .masking import masked
from .mending import Move, mended
from .node import Node
from .pairs import Figure, pairs_of
from .relations import TOUCH, relations_of
from .rules import LAID_ON, MASK_ROUND, PHASES

_STAGES = {"rough": 0, "block": 1, "shade": 2, "other": 2, "relay": 3, "light": 4}


@dataclass(frozen=True)
class GaveWay:
    """A bond that is not kept, why, and what would keep it."""

    bond: Bond
    why: str
    way_out: str


@dataclass(frozen=True)
class Arranged:
    """The steps of one figure in order, with what was kept, what gave way and what must be told."""

    line: tuple[Node, ...]
    bonds: tuple[Bond, ...]
    gave_way: tuple[GaveWay, ...]
    #: sentences about the painter's choices: what cannot be kept, and what does harm
    told: tuple[str, ...]
    #: steps that stand in another phase than they asked for
    moved: Mapping[str, Move]
    #: for every step but the first why it stands after the one before it
    reasons: tuple[str, ...]

    @property
    def kept_bytes(self) -> int:
        """About how many bytes it takes, where answers are kept: measured."""
        return 1_200 * len(self.line) + 220 * len(self.bonds)


@remembered(24_000)
def arranged(
    nodes: tuple[Node, ...],
    plate: Plate,
    phases: tuple[str, ...],
    switches: frozenset[str] = frozenset(),
    own: tuple[OwnRule, ...] = (),
    given_up: tuple[str, ...] = (),
    always_masked: bool = False,
    apart: tuple[str, ...] = (),
) -> Arranged:
    """Put the steps of one figure in order.

    nodes: in any order. phases: names in order; a node's phase counts in them. own: in the order they were made.
    always_masked: whether every spray on a part gets a mask, not only one that would hit what is painted.
    apart: groups of parts that are painted loose and joined after.
    """
    relations = relations_of(plate, apart)
    figure = Figure(sorted(nodes, key=lambda node: node.id), relations, switches)
    names = {node.id: node.name for node in nodes}
    bonds = sorted(pairs_of(figure, own, given_up), key=lambda one: one.rank)
    graph, gave_way, told = _Graph(figure.nodes), [], []
    soft = []
    for one in bonds:
        if not one.rule.hard:
            soft.append(one)
            continue
        ring = graph.tie(one)
        if ring is None:
            continue
        lost = _lost(one, ring, names)
        gave_way.append(lost)
        if one.rule.level == "chosen":
            told.append(f"Cannot be kept: {lost.why} {lost.way_out}")
        elif any(link.rule.level == "chosen" for link in ring):
            told.append(f"Kept as you chose, but it does harm: {lost.why} {lost.way_out}")
        else:
            told.append(f"Two firm rules disagree: {lost.why} {lost.way_out}")
    places, moved, more = mended(figure.nodes, graph.kept, phases)
    told += more
    standing = {
        id_: node if node.phase == places[id_] else replace(node, phase=places[id_])
        for id_, node in figure.nodes.items()
    }
    for one in soft:
        before, after = standing[one.before], standing[one.after]
        if before.phase > after.phase:
            here, there = phases[before.phase], phases[after.phase]
            gave_way.append(GaveWay(
                one, f"{before.name} is in '{here}', {after.name} in '{there}', which comes first.",
                f"Move one of them to keep '{one.rule.name}'.",
            ))  # fmt: skip
        elif before.phase < after.phase:
            graph.kept.append(one)
        elif (ring := graph.tie(one)) is not None:
            gave_way.append(_lost(one, ring, names))
    line = _sorted(standing, graph)
    line, masks, words = masked(line, figure.soils, always_masked)
    told += words
    kept = _constraints(line, [*graph.kept, *masks], figure)
    return Arranged(
        tuple(line), tuple(kept), tuple(gave_way), tuple(dict.fromkeys(told)), MappingProxyType(moved),
        tuple(_reasons(line, [*graph.kept, *masks], phases)),
    )  # fmt: skip


class _Graph:
    """Bonds that close no ring; what comes before and after each node is kept as bits."""

    def __init__(self, nodes: Mapping[str, Node]):
        self._at = {id_: at for at, id_ in enumerate(nodes)}
        self._before, self._after = [0] * len(nodes), [0] * len(nodes)
        self.links: dict[str, dict[str, Bond]] = defaultdict(dict)
        self.kept: list[Bond] = []

    def tie(self, one: Bond) -> list[Bond] | None:
        """Keep a bond; or the ring that it would close, from its after to its before."""
        first, second = self._at[one.before], self._at[one.after]
        if self._after[second] >> first & 1:
            return self._path(one.after, one.before)
        self.kept.append(one)
        self.links[one.before].setdefault(one.after, one)
        if not self._after[first] >> second & 1:
            up, down = self._before[first] | 1 << first, self._after[second] | 1 << second
            for at in _set(up):
                self._after[at] |= down
            for at in _set(down):
                self._before[at] |= up
        return None

    def _path(self, start: str, goal: str) -> list[Bond]:
        back: dict[str, Bond | None] = {start: None}
        queue = deque([start])
        while queue:
            here = queue.popleft()
            if here == goal:
                break
            for name in sorted(self.links.get(here, ())):
                if name not in back:
                    back[name] = self.links[here][name]
                    queue.append(name)
        chain, here = [], goal
        while (link := back.get(here)) is not None:
            chain.append(link)
            here = link.before
        return chain[::-1]


def _set(bits: int) -> Iterator[int]:
    """The places of the bits that are set, from the highest."""
    while bits:
        at = bits.bit_length() - 1
        yield at
        bits ^= 1 << at


def _lost(one: Bond, ring: Sequence[Bond], names: Mapping[str, str]) -> GaveWay:
    links = "; ".join(f"{names[link.before]} comes before {names[link.after]} ({link.rule.name})" for link in ring)
    why = f"{names[one.before]} should come before {names[one.after]} ({one.rule.name}), but {links}."
    weak = max(ring, key=lambda link: link.rank)
    if weak.rule.level == "structural":
        return GaveWay(one, why, "To have it so, change the recipe or the pass.")
    return GaveWay(one, why, f"To keep it, give up '{weak.rule.name}' there.")


def _sorted(nodes: Mapping[str, Node], graph: _Graph) -> list[Node]:
    """Phase by phase; of what may come next the mix that is open, then the same role, then the larger."""
    need = dict.fromkeys(nodes, 0)
    for links in graph.links.values():
        for name in links:
            need[name] += 1
    ready, line, mix, owner = [name for name in nodes if not need[name]], [], "", ""
    small = sorted(nodes.values(), key=lambda node: (_STAGES[node.stage], -round(node.mm2, 2), node.id))
    size = {node.id: at for at, node in enumerate(small)}

    def claim(name: str) -> tuple:
        node = nodes[name]
        return node.phase, node.mix != mix, node.owner != owner, size[name]

    while ready:
        here = min(ready, key=claim)
        ready.remove(here)
        line.append(nodes[here])
        mix, owner = nodes[here].mix, nodes[here].owner
        for name in graph.links.get(here, ()):
            need[name] -= 1
            if not need[name]:
                ready.append(name)
    return line


def _constraints(line: Sequence[Node], bonds: Iterable[Bond], figure: Figure) -> list[Bond]:
    """What a plan must keep: every bond, each layer on what it lies on, and phases between what touches or soils.

    A pair of phases that others imply already is left out.
    """
    place = {node.id: at for at, node in enumerate(line)}
    into: dict[str, dict[str, Bond]] = defaultdict(dict)
    for one in bonds:
        known = into[one.after].get(one.before)
        if known is None or known.lag < one.lag:
            into[one.after][one.before] = one
    last: dict[str, Node] = {}
    bared: list[Node] = []
    ancestors: list[int] = []
    in_phase: dict[int, int] = defaultdict(int)
    found = []
    for at, node in enumerate(line):
        beneath = {last[area].id: last[area] for area in node.areas if area in last}
        for below in sorted(beneath.values(), key=lambda one: place[one.id]):
            known = into[node.id].get(below.id)
            if known is None or known.lag < below.drying:
                rule = known.rule if known else LAID_ON
                into[node.id][below.id] = Bond(below.id, node.id, below.drying, rule, rule.weight)
        for off in bared:
            if not off.areas.isdisjoint(node.areas):
                into[node.id].setdefault(off.id, Bond(off.id, node.id, 0.0, MASK_ROUND, MASK_ROUND.weight))
        if node.kind == "unmask":
            bared.append(node)
        reached = 0
        for id_, one in into[node.id].items():
            found.append(one)
            reached |= ancestors[place[id_]] | 1 << place[id_]
        free = ((1 << at) - 1) & ~reached & ~in_phase[node.phase]
        while free:
            earlier = free.bit_length() - 1
            free ^= 1 << earlier
            other = line[earlier]
            if _held_apart(figure, other, node):
                found.append(Bond(other.id, node.id, 0.0, PHASES, PHASES.weight))
                reached |= ancestors[earlier] | 1 << earlier
                free &= ~reached
        ancestors.append(reached)
        in_phase[node.phase] |= 1 << at
        if node.sort != "hand" or node.kind not in ("mask", "unmask"):
            last |= dict.fromkeys(node.areas, node)
    return found


def _held_apart(figure: Figure, one: Node, two: Node) -> bool:
    """Whether a phase between two steps matters on the figure: one is a pass, they touch, or one soils the other."""
    if "pass" in (one.sort, two.sort):
        return True
    if one.id not in figure.soils or two.id not in figure.soils:
        return not one.areas.isdisjoint(two.areas)
    return bool(
        (figure.lying(one, TOUCH)[0] | figure.soiled[one.id]) & figure.areas[two.id]
        or figure.soiled[two.id] & figure.areas[one.id]
    )


def _reasons(line: Sequence[Node], bonds: Iterable[Bond], phases: Sequence[str]) -> Iterable[str]:
    direct: dict[tuple[str, str], Bond] = {}
    into: dict[str, list[Bond]] = defaultdict(list)
    for one in bonds:
        key = one.before, one.after
        if key not in direct or one.rank < direct[key].rank:
            direct[key] = one
        into[one.after].append(one)
    names = {node.id: node.name for node in line}
    for one, two in pairwise(line):
        link = direct.get((one.id, two.id))
        if link:
            yield f"{link.rule.name}: {link.rule.because}"
        elif one.phase != two.phase:
            yield f"'{phases[one.phase]}' comes before '{phases[two.phase]}'"
        elif one.mix and one.mix == two.mix:
            yield "same mix, one opening"
        elif waits := [each for each in into[two.id] if each.rule.level != "structural"]:
            firmest = min(waits, key=lambda each: each.rank)
            yield f"it waited for {names[firmest.before]}: {firmest.rule.because}"
        elif one.stage == two.stage and one.mm2 > two.mm2:
            yield "the larger first; free to swap"
        else:
            yield "free to swap"
