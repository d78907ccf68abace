"""Masks round sprays on part of a figure that would hit what is painted already."""

from collections.abc import Mapping, Sequence
from dataclasses import replace

from .bond import Bond
from .node import Node
from .rules import MASK_ROUND

_PAINTED = frozenset({"block", "shade", "relay", "light"})


def masked(
    line: Sequence[Node], soils: Mapping[str, frozenset[str]], always: bool = False
) -> tuple[list[Node], list[Bond], list[str]]:
    """The line with a mask put on before such sprays and taken off after them, their bonds, and what is told.

    soils: what every node reaches beside its own areas. Sprays of one role in a row share a mask.
    """
    found: list[Node] = []
    bonds: list[Bond] = []
    told: list[str] = []
    count: dict[str, int] = {}
    at = 0
    while at < len(line):
        node = line[at]
        if node.sort != "step" or not node.sprayed:
            found.append(node)
            at += 1
            continue
        sprays = [node]
        while at + len(sprays) < len(line) and _goes_on(line[at + len(sprays)], node):
            sprays.append(line[at + len(sprays)])
        at += len(sprays)
        hit = [done for done in found if _is_hit(done, node, soils)]
        if not hit and not (always and soils[node.id]):
            found += sprays
            continue
        count[node.owner] = count.get(node.owner, 0) + 1
        on, off = _masks(node, count[node.owner], frozenset().union(*(done.areas & soils[node.id] for done in hit)))
        found += [on, *sprays, off]
        bonds += [Bond(done.id, on.id, done.drying, MASK_ROUND, MASK_ROUND.weight) for done in hit]
        bonds += [Bond(on.id, one.id, 0.0, MASK_ROUND, MASK_ROUND.weight) for one in sprays]
        bonds.append(Bond(sprays[-1].id, off.id, sprays[-1].drying, MASK_ROUND, MASK_ROUND.weight))
        if hit:
            names = list(dict.fromkeys(done.name for done in hit))
            more = f" and {len(names) - 3} more" if len(names) > 3 else ""
            told.append(
                f"{node.name} is sprayed after {', '.join(names[:3])}{more}: a mask goes on before it and comes off after it."
            )
    return found, bonds, told


def _goes_on(node: Node, first: Node) -> bool:
    return node.sort == "step" and node.sprayed and node.owner == first.owner


def _is_hit(done: Node, spray: Node, soils: Mapping[str, frozenset[str]]) -> bool:
    """Whether a spray lands on finished work: neat work, or a painted base."""
    return (
        done.sort in ("step", "mark")
        and done.owner != spray.owner
        and (done.stage in _PAINTED or done.sort == "mark")
        and (done.neat or "ground" in done.classes)
        and not done.areas.isdisjoint(soils[spray.id])
    )


def _masks(node: Node, number: int, areas: frozenset[str]) -> tuple[Node, Node]:
    role = node.owner + (f"-{number}" if number > 1 else "")
    plain = replace(
        node, sort="hand", stage="other", areas=areas, mix="", tool="hand", drying=0.0, messy=False, at=0, classes=frozenset(),
        tags=frozenset(), pinned=False,
    )  # fmt: skip
    spoken = node.name.rpartition(" ")[0] or node.name
    return tuple(
        replace(plain, id=f"army:{kind}-{role}|{kind}-{role}", owner=f"army:{kind}-{role}", kind=kind, name=name)
        for kind, name in (("mask", f"Mask for {spoken}"), ("unmask", f"Mask of {spoken} off"))
    )
