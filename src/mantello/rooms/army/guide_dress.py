"""What a unit's painting guide tells of its dress, and of who wears what where it is cast."""

from django.utils.safestring import mark_safe

from mantello.almanacs.swatches import swatch
from mantello.workspace.reading import Reading
from mantello_core.design.cast_words import pots_worn
from mantello_core.design.casting import told
from mantello_core.design.fielding import with_campaign
from mantello_core.scheme.left_to_knife import left_to_knife
from mantello_core.uniforms.campaign import WEATHERS

#: figures of a rank that are drawn as the field left them
_MOST_FIELDED = 3


def dress_told(reading: Reading, unit: str) -> dict | None:
    """The dress that a unit wears: garments with how each is known, and the sources; None for none."""
    dress = reading.design.scheme.dress
    path = reading.design.army.paths[unit]
    worn = [(node, who) for node, who in dress.worn if node in path] if dress else []
    if not worn:
        return None
    _, who = max(worn, key=lambda one: path.index(one[0]))
    rows = [swatch(one) for one in dress.sheet(who)]
    facts = [fact for row in rows for fact in (row.verdict.fact, *row.verdict.alternatives) if fact]
    return {
        "who": who, "year": dress.year, "rows": [(row, [f"{fact.phrase.words} ({dress.almanac.cite(fact)})" for fact in row.verdict.alternatives]) for row in rows],
        "sources": [one for one in dress.almanac.sources if one.id in {fact.source for fact in facts}],
        "campaign": dress.campaign, "weather": WEATHERS[dress.campaign.weather] if dress.campaign else "",
        "ranks": _both_ways(reading, unit) if dress.campaign else [],
        "cut": _cut(reading, unit),
    }  # fmt: skip


def _both_ways(reading: Reading, unit: str) -> list[tuple[str, str, list[tuple[str, str]]]]:
    """Each rank as it was ordered, and some of its figures as the field left them, with their numbers."""
    before = Reading(with_campaign(reading.design, None, {}))
    found = []
    for rank in reading.design.army.nodes[unit].ranks:
        ordered, now = before.resolution.of_rank(unit, rank.id), reading.resolution.of_rank(unit, rank.id)
        if ordered:
            views = [(f"No. {one.ordinals[0]}", mark_safe(reading.drawn(one, one.plate.views[0].name))) for one in now]
            one = ordered[0]
            found.append((rank.name, mark_safe(before.drawn(one, one.plate.views[0].name)), views[:_MOST_FIELDED]))
    return found


def _cut(reading: Reading, unit: str) -> list[tuple[str, str]]:
    """What is to be patched or cut off, with the figures, as 'sergeant 1; fusilier 2, 5'."""
    design = reading.design
    names = {rank.id: rank.name for rank in design.army.nodes[unit].ranks}
    by_word: dict[str, dict[str, list[int]]] = {}
    for (rank, ordinal), words in left_to_knife(design.scheme.dress, design.army, unit).items():
        for word in words:
            by_word.setdefault(word, {}).setdefault(rank, []).append(ordinal)
    return [
        (word, "; ".join(f"{names[rank]} {', '.join(map(str, numbers))}" for rank, numbers in ranks.items()))
        for word, ranks in sorted(by_word.items())
    ]


def clothes_dealt(reading: Reading, unit: str) -> list[tuple[str, int, tuple]]:
    """Who wears what in a unit that is cast, pot by pot: role, figures, garments with numbers."""
    cast = next((one for one in reading.design.scheme.casts if one.unit == unit), None)
    found = told(reading.design, cast) if cast else None
    if cast is None or found is None:
        return []
    return [(reading.design.scheme.role(pot.role).name, pot.figures, pot.work) for pot in pots_worn(cast, found)]
