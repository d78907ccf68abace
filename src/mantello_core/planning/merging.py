"""Open a pot once: join atoms of one pot and kind of work into runs, without closing a ring.

Least-constraining pairwise merging: every atom starts as its own run; again and again the two runs
of one pot are joined whose union adds the fewest before-and-after relations. Reachability is kept
in bit sets, so that a join that would need another pot in between is refused at once.
"""

import hashlib
from collections import defaultdict
from collections.abc import Collection
from heapq import heapify, heappop, heappush

import numpy as np

from ..memory import Memory
from ..order.rules import LAID_ON
from .task import Atom, Edge

#: bytes of runs that are kept
KEPT_BYTES = 8 * 2**20


_kept = Memory("runs", KEPT_BYTES)


def runs(atoms: list[Atom], edges: list[Edge], alone: Collection[str] = ()) -> list[list[Atom]]:
    """Groups of atoms, one for each opening of a pot, in an order that all edges allow. alone: units whose atoms are grouped with
    no other unit's."""
    index = {atom.id: number for number, atom in enumerate(atoms)}
    links: list[tuple[int, int]] = []
    layered: list[bool] = []
    for edge in edges:
        if edge.before in index and edge.after in index:
            links.append((index[edge.before], index[edge.after]))
            layered.append(edge.lag > 0 or edge.rule.hard or edge.rule.id == LAID_ON.id)
    pots = [f"{atom.kind}|{atom.pot}{f'|{atom.unit}' if atom.unit in alone else ''}" for atom in atoms]
    # what an edit left as it was is asked again: told by a digest, for the question is larger than the answer
    asked = hashlib.blake2b(repr(pots).encode(), digest_size=16)
    asked.update(np.array(links, np.int32).tobytes() + np.array(layered, bool).tobytes())
    groups = _kept.answer(asked.digest(), lambda: _grouped(pots, links, layered))
    return [[atoms[number] for number in group] for group in groups]


def _grouped(pots: list[str], links: list[tuple[int, int]], layered: list[bool]) -> tuple[tuple[int, ...], ...]:
    """Numbers of atoms by run, in order. layered: of every link whether the one must dry before the other."""
    before, after = _reach(len(pots), links)
    wet = [0] * len(pots)
    for (one, two), dries in zip(links, layered, strict=True):
        if dries:
            wet[one] |= 1 << two
            wet[two] |= 1 << one
    return tuple(map(tuple, _sorted_groups(_joined(pots, before, after, wet), links)))


def _reach(count: int, links: list[tuple[int, int]]) -> tuple[list[int], list[int]]:
    """Bit sets of all earlier and all later atoms."""
    succ: list[list[int]] = [[] for _ in range(count)]
    pred: list[list[int]] = [[] for _ in range(count)]
    for one, two in links:
        succ[one].append(two)
        pred[two].append(one)
    need = [len(parents) for parents in pred]
    queue, order = [number for number in range(count) if not need[number]], []
    while queue:
        here = queue.pop()
        order.append(here)
        for child in succ[here]:
            need[child] -= 1
            if not need[child]:
                queue.append(child)
    before, after = [0] * count, [0] * count
    for here in order:
        for parent in pred[here]:
            before[here] |= before[parent] | 1 << parent
    for here in reversed(order):
        for child in succ[here]:
            after[here] |= after[child] | 1 << child
    return before, after


def _joined(pots: list[str], before: list[int], after: list[int], wet: list[int]) -> list[list[int]]:
    """wet: for every atom the bits of those that must dry before it or after it, and so want openings of their own."""
    member = {number: [number] for number in range(len(pots))}
    holds = [1 << number for number in range(len(pots))]

    def price(one: int, two: int) -> int | None:
        if after[one] & before[two] or after[two] & before[one]:
            return None  # another pot must come in between
        if wet[one] & holds[two]:
            return None  # the one must dry before the other
        grown = (before[one] | before[two]).bit_count() * (after[one] | after[two]).bit_count()
        own = before[one].bit_count() * after[one].bit_count() + before[two].bit_count() * after[two].bit_count()
        return grown - own

    by_pot: dict[str, list[int]] = defaultdict(list)
    for number, pot in enumerate(pots):
        by_pot[pot].append(number)
    heap = [
        (cost, one, two)
        for group in by_pot.values()
        for at, one in enumerate(group)
        for two in group[:at]
        if (cost := price(one, two)) is not None
    ]
    heapify(heap)
    alive = (1 << len(pots)) - 1
    while heap:
        cost, one, two = heappop(heap)
        now = price(one, two) if one in member and two in member else None
        if now is None:
            continue
        if now > cost + abs(cost) * 0.05 + 1:
            heappush(heap, (now, one, two))  # the price went stale
            continue
        member[one] += member.pop(two)
        wet[one] |= wet[two]
        holds[one] |= holds[two]
        bit_one, bit_two = 1 << one, 1 << two
        alive ^= bit_two
        before[one] = up = (before[one] | before[two]) & ~bit_one & ~bit_two
        after[one] = down = (after[one] | after[two]) & ~bit_one & ~bit_two
        # whatever comes before either comes before both now, and the other way round
        kept, down, up = ~bit_two, down | bit_one, up | bit_one
        for other in _set(up & alive & ~bit_one):
            after[other] = after[other] & kept | down
        for other in _set(down & alive & ~bit_one):
            before[other] = before[other] & kept | up
    return list(member.values())


def _set(bits: int) -> list[int]:
    """The places of the bits that are set."""
    whole = np.frombuffer(bits.to_bytes((bits.bit_length() + 7) // 8, "little"), np.uint8)
    return np.flatnonzero(np.unpackbits(whole, bitorder="little")).tolist()


def _sorted_groups(groups: list[list[int]], links: list[tuple[int, int]]) -> list[list[int]]:
    home = {number: at for at, group in enumerate(groups) for number in group}
    following: dict[int, set[int]] = defaultdict(set)
    need = [0] * len(groups)
    for one, two in links:
        if home[one] != home[two] and home[two] not in following[home[one]]:
            following[home[one]].add(home[two])
            need[home[two]] += 1
    ready = sorted(at for at in range(len(groups)) if not need[at])
    heapify(ready)
    result = []
    while ready:
        at = heappop(ready)
        result.append(sorted(groups[at]))
        for child in sorted(following[at]):
            need[child] -= 1
            if not need[child]:
                heappush(ready, child)
    return result
