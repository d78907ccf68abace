"""Acyclic order: rules are taken from firm to soft, and one that would close a ring is given up, in words."""

from collections import defaultdict, deque
from dataclasses import dataclass

from ..errors import Contradiction
from .task import Atom, Edge


@dataclass(frozen=True)
class Relaxed:
    """A soft rule that was given up for one pair of steps, and why."""

    edge: Edge
    why: str


def ordered(atoms: tuple[Atom, ...], edges: tuple[Edge, ...]) -> tuple[list[Edge], list[Relaxed]]:
    """The edges kept, which close no ring, and those given up.

    Raises: Contradiction, telling the ring, if hard rules alone close one.
    """
    names = {atom.id: atom.name for atom in atoms}
    after: dict[str, list[Edge]] = defaultdict(list)
    kept, relaxed, seen = [], [], set()
    for edge in sorted(edges, key=lambda one: -one.rule.weight):
        if (edge.before, edge.after) in seen or edge.before not in names or edge.after not in names:
            continue
        ring = path(after, edge.after, edge.before)
        if ring is None:
            seen.add((edge.before, edge.after))
            after[edge.before].append(edge)
            kept.append(edge)
            continue
        why = _told(edge, ring, names)
        if edge.rule.hard:
            raise Contradiction(f"These steps cannot be done in any order: {why}")
        relaxed.append(Relaxed(edge, why))
    return kept, relaxed


def path(after: dict[str, list[Edge]], start: str, goal: str) -> list[Edge] | None:
    """The shortest chain of edges from one atom to another, or None."""
    back: dict[str, Edge | None] = {start: None}
    queue = deque([start])
    while queue:
        here = queue.popleft()
        if here == goal:
            chain = []
            while (edge := back[here]) is not None:
                chain.append(edge)
                here = edge.before
            return chain[::-1]
        for edge in after[here]:
            if edge.after not in back:
                back[edge.after] = edge
                queue.append(edge.after)
    return None


def _told(edge: Edge, ring: list[Edge], names: dict[str, str]) -> str:
    links = "; ".join(f"{names[one.before]} comes before {names[one.after]} ({one.rule.name})" for one in ring)
    said = f"{names[edge.before]} should come before {names[edge.after]} ({edge.rule.name}), but {links}."
    soft = next((one for one in ring if not one.rule.hard), None)
    return f"{said} To keep it, give up '{soft.rule.name}' there." if soft else said
