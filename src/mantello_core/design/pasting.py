"""Cells of the mapping table set by the names of roles, as they come from a spreadsheet or another block of the table."""

from collections.abc import Iterable
from difflib import get_close_matches

from ..army.tree import Figure
from ..figures.vocabulary import sideless
from ..naming import folded
from ..scheme.scheme import Scheme
from .design import Design
from .rung_edit import Setting, set_many

#: what is written for an area that is left bare on purpose
BARE = ("bare", "left bare")
#: near names that are offered, and how near they must be
_NEAR, _CUTOFF = 4, 0.5


def role_named(scheme: Scheme, words: str) -> str | None:
    """The role of a name, whatever its capitals and spaces; '' for an area left bare; None for no name of a role.

    What follows a colon, as in the table's own file ('Field: Brine Green'), says how the role is made and is passed over.
    """
    name = folded(words.partition(":")[0])
    if name in BARE:
        return ""
    return next((role.id for role in scheme.roles if folded(role.name) == name), None)


def near_roles(scheme: Scheme, words: str) -> tuple[str, ...]:
    """Roles whose names come near some words, the nearest first."""
    names = {folded(role.name): role.id for role in reversed(scheme.roles)}
    near = get_close_matches(folded(words.partition(":")[0]), list(names), _NEAR, _CUTOFF)
    return tuple(names[name] for name in near)


def with_cells(design: Design, cells: Iterable[tuple[Figure, str, str]]) -> Design:
    """The design with (figure, area, role) set, each on both sides of the area, for all figures of the figure's rank.

    Raises: what ``set_many`` refuses.
    """
    settings = []
    for figure, area, role in cells:
        rungs = design.army.rungs(figure)
        rank = next((at for at, rung in enumerate(rungs, 1) if rung.kind == "rank"), len(rungs))
        shape = design.army.plate(design.army.rank(figure.unit, figure.rank).type)
        sides = tuple(name for name in shape.areas if sideless(name) == sideless(area)) or (area,)
        settings.append(Setting(figure, sides, role, rank))
    return set_many(design, settings)
