"""What a painter may look for in an army by a word: areas, roles, paints, units, figures, arms, emblems."""

from collections.abc import Iterable
from dataclasses import dataclass

from ..army.types_found import types_found
from ..figures.synonym import areas_called
from ..figures.vocabulary import spoken
from ..naming import folded, match_rank
from ..paints.catalogue import Catalogue
from .design import Design

#: kinds of things, in the order in which equals are shown
KINDS = ("role", "unit", "figure", "area", "paint", "arms", "emblem")
#: hits of one kind at most
MOST_OF_KIND = 6


@dataclass(frozen=True)
class Hit:
    """One thing that was found."""

    kind: str
    id: str
    name: str
    #: where it is, or what more there is to tell it by
    more: str = ""


def found_in(design: Design, catalogue: Catalogue, words: str) -> tuple[Hit, ...]:
    """What the words may mean, the best first; at most six of a kind, nothing for no words.

    A name that begins so comes before one with a word that begins so, one that holds it, and one that is spelt nearly so.
    """
    asked = folded(words)
    if not asked:
        return ()
    army = design.army
    everything: list[tuple[int, int, Hit]] = []
    named = [Hit("role", role.id, role.name, role.paint_name) for role in design.scheme.roles]
    named += [
        Hit("unit", node.id, node.name, army.title(node.id) if node.is_unit else node.kind)
        for node in army.nodes.values()
        if node.kind != "army"
    ]
    named += [Hit("paint", pot.id, pot.name, f"{pot.range}, {pot.kind_words}") for pot in catalogue]
    named += [Hit("arms", one.id, one.name, one.blazon) for one in design.scheme.arms]
    named += [Hit("emblem", one.text, one.text) for one in design.scheme.devices]
    for at, hit in enumerate(named):
        rank = match_rank(asked, hit.name)
        if rank is None and hit.kind == "role" and hit.more:
            rank = match_rank(asked, hit.more)
        if rank is not None:
            everything.append((rank, at, hit))
    worn = {rank.type for unit in army.units for rank in unit.ranks}
    for at, type_id in enumerate(types_found(army, asked, 40)):
        if type_id in worn:
            everything.append(
                (
                    1 if match_rank(asked, army.type_titles[type_id]) is not None else 3,
                    at,
                    Hit("figure", type_id, army.type_titles[type_id]),
                )
            )
    areas = list(dict.fromkeys(name for type_id in sorted(worn) for name in army.plate(type_id).areas))
    for at, name in enumerate(areas_called(asked, areas)):
        bearers = [army.type_titles[type_id] for type_id in sorted(worn) if name in army.plate(type_id).areas]
        everything.append(
            (1, at, Hit("area", name, spoken(name), f"on {len(bearers)} figure type{'s' * (len(bearers) != 1)}"))
        )
    return tuple(_fewest_of_each(sorted(everything, key=lambda one: (one[0], KINDS.index(one[2].kind), one[1]))))


def _fewest_of_each(ranked: list[tuple[int, int, Hit]]) -> Iterable[Hit]:
    counts: dict[str, int] = {}
    for _, _, hit in ranked:
        counts[hit.kind] = counts.get(hit.kind, 0) + 1
        if counts[hit.kind] <= MOST_OF_KIND:
            yield hit
