"""Pots that painting pot by pot saves in units whose figures differ: casts, and dress that a campaign wore."""

from collections.abc import Iterable
from dataclasses import dataclass

from ..army.tree import Army
from ..scheme.scheme import Scheme
from .schedule import Block


@dataclass(frozen=True)
class PotByPot:
    """A unit whose clothes differ from figure to figure: openings that its plan needs for them, and those that painting
    figure after figure would need."""

    unit: str
    openings: int
    one_by_one: int


def varied_roles(scheme: Scheme, army: Army) -> dict[str, frozenset[str]]:
    """Units whose figures differ, with the roles they differ in."""
    found: dict[str, set[str]] = {}
    for cast in scheme.casts:
        if cast.drawn and cast.unit in army.nodes:
            roles = found.setdefault(cast.unit, set())
            for option in (option for garment in cast.garments for option in garment.options):
                inks = scheme.pattern_by_id[option.pattern].inks if option.pattern in scheme.pattern_by_id else ()
                roles.update([option.role] if option.role else [ink.role for ink in inks])
    dress = scheme.dress
    toned = {one.role for one in dress.roles if one.tone} if dress and dress.campaign else set()
    for node, _ in dress.worn if dress and toned else ():
        for unit in army.nodes[node].walk() if node in army.nodes else ():
            if unit.ranks:
                found.setdefault(unit.id, set()).update(toned)
    return {unit: frozenset(roles) for unit, roles in found.items()}


def pot_by_pot(blocks: Iterable[Block], varied: dict[str, frozenset[str]]) -> tuple[PotByPot, ...]:
    """What the plan's order saves for units whose figures differ. varied: as ``varied_roles`` gives it."""
    opened: dict[str, int] = {}
    alone: dict[str, set[tuple[str, str, tuple[str, int]]]] = {}
    for block in blocks:
        task = block.task
        roles = varied.get(task.unit, frozenset())
        atoms = [atom for atom in task.atoms if atom.subject.role in roles] if roles else []
        if atoms:
            opened[task.unit] = opened.get(task.unit, 0) + (block.opening > 0)
            alone.setdefault(task.unit, set()).update(
                (atom.pot, atom.logged, (rank, ordinal))
                for atom in atoms
                for rank, ordinal in block.figures
                if rank == atom.rank and ordinal in atom.ordinals
            )
    return tuple(PotByPot(unit, opened[unit], len(alone[unit])) for unit in varied if unit in opened)
