"""Which source is worn: by narrowness, certainty, nearness in time, kind; and what fills the gaps."""

from collections import Counter
from collections.abc import Iterator
from dataclasses import replace

from .almanac import Almanac
from .fact import CERTAINTIES, KINDS, Fact, Wearer, narrowness
from .folding import fold
from .garments import title_of
from .verdict import Rung, Verdict

#: marks that tell regiments apart: never filled from other regiments
DISTINCTIVE = (
    "facing", "collar", "cuff", "lapel", "turnback", "plume", "pompom", "buttons", "lace", "piping", "plume_tip",
    "cuff_flap", "collar_patch",
)  # fmt: skip
#: what a mark is taken from when it is not named itself
_STANDS_FOR = {
    "collar": ("facing",), "cuff": ("facing",), "lapel": ("facing",), "lining": ("turnback",), "turnback": ("lining",),
    "dolman": ("coat",),
}  # fmt: skip
#: years a gap may be filled over; share of regiments that have to agree, and of how many at least
_MOST_YEARS, _AGREE, _FEWEST = 12, 0.6, 2
#: equally firm sources this many years apart contradict each other; farther apart, the later follows the earlier
_SAME_TIME = 3


def worn(almanac: Almanac, who: Wearer, garment: str, year: int) -> Verdict:
    """What somebody has on at a garment in a year, with the ladder of all that speak of it."""
    found = _told(almanac, who, garment, year)
    for other in _STANDS_FOR.get(garment, ()) if found is None else ():
        told = _told(almanac, who, other, year)
        if told is not None:
            found = replace(told, garment=garment, why=f"As the {title_of(other).lower()}: {told.why}")
            break
    found = found or _filled(almanac, who, garment, year)
    found = found or Verdict(garment, None, "open", "No source speaks of it, and nothing near enough does.", (), 0.0)
    return _referred(almanac, found, who, year)


def sheet(almanac: Almanac, who: Wearer, year: int, wanted: tuple[str, ...] = ()) -> tuple[Verdict, ...]:
    """All garments of somebody: those asked for, or every one the almanac speaks of for the arm."""
    return tuple(worn(almanac, who, garment, year) for garment in wanted or almanac.garments_for(who))


def open_questions(almanac: Almanac, year: int) -> tuple[tuple[Wearer, Verdict], ...]:
    """What nobody tells and what is disputed, regiment by regiment: the list of things to look up."""
    return tuple((who, one) for who in almanac.regiments for one in sheet(almanac, who, year) if one.to_settle)


def _referred(almanac: Almanac, found: Verdict, who: Wearer, year: int) -> Verdict:
    """'as the facing', 'as the coat': the colour of that garment."""
    ground = found.value.ground if found.value else None
    if ground is None or not ground.refers_to or ground.refers_to == found.garment:
        return found
    other = worn(almanac, who, ground.refers_to, year)
    why = f"{found.why} It is as the {ground.refers_to}: {other.why}"
    return Verdict(found.garment, other.value, found.status, why, found.ladder, other.strength)


def _told(almanac: Almanac, who: Wearer, garment: str, year: int) -> Verdict | None:
    """What sources say of it in that year; None if none does, or the best says that it is not known."""
    spoken = (_rung(almanac, fact, who, year) for fact in almanac.facts_of(garment, who.number))
    rungs = sorted((rung for rung in spoken if rung), key=lambda rung: rung.weight, reverse=True)
    if not rungs or rungs[0].fact.phrase.kind == "unknown":
        return None
    chosen = {settled[2] for settled in almanac.settled if settled[:2] == (who.words, garment)}
    if any(rung.fact.id in chosen for rung in rungs):
        rungs.sort(key=lambda rung: rung.fact.id not in chosen)
        return Verdict(garment, rungs[0].fact.phrase, "settled", f"You settled on this: {rungs[0].why}", tuple(rungs))
    first = rungs[0]
    others = [rung for rung in rungs[1:] if rung.fact.phrase.parts != first.fact.phrase.parts]
    rival = next((rung for rung in others if _just_as_firm(almanac, first, rung, year)), None)
    status = "disputed" if rival or first.fact.phrase.alternatives else first.fact.certainty
    return Verdict(garment, first.fact.phrase, status, _why(almanac, first, others, rival), tuple(rungs))


def _just_as_firm(almanac: Almanac, one: Rung, other: Rung, year: int) -> bool:
    apart = abs(almanac.said_in(one.fact, year) - almanac.said_in(other.fact, year))
    return other.weight[:2] == one.weight[:2] and apart <= _SAME_TIME


def _why(almanac: Almanac, first: Rung, others: list[Rung], rival: Rung | None) -> str:
    if rival:
        said = f"{almanac.cite(rival.fact)} says {rival.fact.phrase.words} just as firmly"
        return f"{first.why} {said}; the nearer in time is worn until you settle it."
    if not others:
        return first.why
    other = others[0]
    narrower, firmer = first.weight[0] > other.weight[0], first.weight[1] > other.weight[1]
    step = "speaks more narrowly" if narrower else "is firmer" if firmer else "is nearer in time"
    return f"{first.why} It {step} than {almanac.cite(other.fact)} ({other.fact.phrase.words})."


def _rung(almanac: Almanac, fact: Fact, who: Wearer, year: int) -> Rung | None:
    narrow = narrowness(fact, who)
    if narrow is None or not fact.period.holds(year):
        return None
    source = almanac.source_by_id.get(fact.source)
    away = abs(almanac.said_in(fact, year) - year)
    firm = len(CERTAINTIES) - CERTAINTIES.index(fact.certainty) if fact.certainty in CERTAINTIES else 0
    kind = KINDS.index(source.kind) if source and source.kind in KINDS else len(KINDS)
    return Rung(fact, (narrow, firm, -away, -kind, fact.line), _cited(almanac, fact))


def _cited(almanac: Almanac, fact: Fact) -> str:
    return f"{almanac.cite(fact)}, {fact.certainty}, {fact.period.words}."


def _filled(almanac: Almanac, who: Wearer, garment: str, year: int) -> Verdict | None:
    """A gap filled by a stated analogy, the nearest first; it is marked as assumed and says from where."""
    for words, strength, found in _analogies(almanac, who, garment, year):
        if found is not None and found.value is not None and found.value.kind != "unknown":
            return Verdict(
                garment, found.value, "assumed", f"Assumed from {words}: {found.why}", found.ladder, strength
            )
    return None


def _analogies(almanac: Almanac, who: Wearer, garment: str, year: int) -> Iterator[tuple[str, float, Verdict | None]]:
    """What a gap may be filled from, in words, how far that may be trusted, and what it says."""
    if who.dress:
        yield "another order of dress", 0.8, _told(almanac, replace(who, dress=""), garment, year)
    if who.rank:
        words = f"the men's dress, as nothing is said of the {who.rank}"
        yield words, 0.7, _told(almanac, replace(who, rank="", dress=""), garment, year)
    elsewhen = [
        fact
        for fact in almanac.facts_of(garment, who.number)
        if fact.certainty in CERTAINTIES and narrowness(fact, who) is not None and not fact.period.holds(year)
    ]
    nearest = min(elsewhen, key=lambda one: (one.period.distance(year), CERTAINTIES.index(one.certainty)), default=None)
    if nearest and (gap := nearest.period.distance(year)) <= _MOST_YEARS:
        rung = Rung(nearest, (0,), _cited(almanac, nearest))
        told = Verdict(garment, nearest.phrase, nearest.certainty, rung.why, (rung,))
        yield f"the same regiment, {gap} years off", max(0.3, 0.8 - 0.05 * gap), told
    if garment in DISTINCTIVE:
        return
    for off in range(_MOST_YEARS + 1):
        for near in dict.fromkeys((year - off, year + off)):
            common = _common(almanac, who, garment, near)
            if common is not None:
                yield f"the same arm{f', {off} years off' if off else ''}", 0.6 - 0.03 * off, common
                return


def _common(almanac: Almanac, who: Wearer, garment: str, year: int) -> Verdict | None:
    """What most other regiments of the arm wear."""
    told = [
        said
        for other in almanac.regiments
        if fold(other.arm) == fold(who.arm) and other.regiment != who.regiment
        if (said := _told(almanac, other, garment, year)) is not None and said.value and said.value.kind == "colour"
    ]
    counts = Counter(one.value.parts for one in told if one.value)
    if len(told) < _FEWEST or counts.most_common(1)[0][1] < _AGREE * len(told):
        return None
    parts, many = counts.most_common(1)[0]
    first = next(one for one in told if one.value and one.value.parts == parts)
    words = first.value.words if first.value else ""
    why = f"{many} of {len(told)} regiments of the arm that are told of wear {words}."
    return Verdict(garment, first.value, "assumed", why, first.ladder)
