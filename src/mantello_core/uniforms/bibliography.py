"""What each source says, decides and loses; and what does not hold together in a year."""

from collections import Counter
from dataclasses import dataclass
from itertools import combinations

from .almanac import Almanac
from .fact import Source, Wearer
from .garments import title_of
from .worn import sheet

_FOREVER = 9999


@dataclass(frozen=True)
class Cited:
    """A source with how often it speaks, is worn, is worn for want of another, and is overruled."""

    source: Source
    says: int
    worn: int
    alone: int
    overruled: int


def bibliography(almanac: Almanac, year: int) -> tuple[Cited, ...]:
    """Every source with what it decides in a year, those that say most first."""
    worn: Counter[str] = Counter()
    overruled: Counter[str] = Counter()
    alone: Counter[str] = Counter()
    for who in almanac.regiments:
        for verdict in sheet(almanac, who, year):
            if verdict.fact is None:
                continue
            told = not verdict.assumed
            worn[verdict.fact.source] += told
            alone[verdict.fact.source] += told and len({rung.fact.source for rung in verdict.ladder}) == 1
            overruled.update(fact.source for fact in verdict.alternatives)
    said = Counter(fact.source for fact in almanac.facts)
    listed = sorted(almanac.sources, key=lambda one: (-said[one.id], one.id))
    return tuple(Cited(one, said[one.id], worn[one.id], alone[one.id], overruled[one.id]) for one in listed)


def anachronisms(almanac: Almanac, who: Wearer, year: int) -> tuple[tuple[tuple[str, ...], str], ...]:
    """What does not hold together in a year: garments that are worn although what is told of them is of other years, and pairs
    that were never worn together; each with the garments it is about."""
    told = [(one.garment, one.fact.period) for one in sheet(almanac, who, year) if one.fact and one.status != "settled"]
    found = [
        ((garment,), f"{title_of(garment)}: told of {span.words}, not of {year}")
        for garment, span in told
        if not span.holds(year)
    ]
    for (garment, one), (other, span) in combinations(told, 2):
        if (one.until or _FOREVER) < (span.since or 0) or (span.until or _FOREVER) < (one.since or 0):
            words = f"{title_of(garment)} ({one.words}) and {title_of(other).lower()} ({span.words}) were never worn together"
            found.append(((garment, other), words))
    return tuple(found)
