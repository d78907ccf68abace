"""A dress almanac: sources, what they say, and what the painter settled."""

from dataclasses import dataclass, replace
from functools import cached_property

from ..errors import OutOfRange, UnknownName
from .fact import CERTAINTIES, KINDS, OTHERS, Fact, Source, Wearer
from .folding import fold
from .garments import garments

MOST_FACTS, MOST_SOURCES = 6000, 300
#: a garment told of this share of an arm's regiments is one that all of them are asked about
_USUAL = 1 / 3


@dataclass(frozen=True)
class Almanac:
    """Facts of one force with their sources. settled: (wearer's words, garment, id of the fact chosen)."""

    title: str
    facts: tuple[Fact, ...] = ()
    sources: tuple[Source, ...] = ()
    settled: tuple[tuple[str, str, str], ...] = ()
    year: int = 0

    @cached_property
    def source_by_id(self) -> dict[str, Source]:
        """Sources by id."""
        return {one.id: one for one in self.sources}

    def facts_of(self, garment: str, number: int | None) -> tuple[Fact, ...]:
        """What is said of a garment of all regiments or of the one of that number, in order; without what is said of its parts."""
        known = self._by_number.get(garment, {None: ()})
        return known.get(number, known[None])

    @cached_property
    def _by_number(self) -> dict[str, dict[int | None, tuple[Fact, ...]]]:
        by_garment: dict[str, list[Fact]] = {}
        for fact in self.facts:
            if not fact.of:
                by_garment.setdefault(fact.garment, []).append(fact)
        return {
            garment: {
                number: tuple(fact for fact in facts if fact.wearer.number in (None, number))
                for number in {None, *(fact.wearer.number for fact in facts)}
            }
            for garment, facts in by_garment.items()
        }

    @cached_property
    def regiments(self) -> tuple[Wearer, ...]:
        """Every regiment that is named, once, with its title if any fact gives one."""
        found: dict[tuple, Wearer] = {}
        for fact in self.facts:
            one = fact.wearer
            known = found.get(one.regiment)
            title = known.title if known and known.title else one.title
            found[one.regiment] = Wearer(arm=known.arm if known else one.arm, number=one.number, title=title)
        return tuple(one for one in found.values() if one.called_by_name)

    def garments_for(self, who: Wearer) -> tuple[str, ...]:
        """Known garments that belong on the sheet of somebody, in the order of their first mention: what is told of them, and
        what is told of a third of the arm's regiments and more."""
        usual, told = self._told_to(fold(who.arm), who.rank, who.dress)
        return tuple(name for name, of in told.items() if who.regiment in of or len(of) >= usual)

    def _told_to(self, arm: str, rank: str, dress: str) -> tuple[float, dict[str, set[tuple]]]:
        """How many regiments of an arm make a garment a usual one, and of which ones each garment is told."""
        known = self._told.get((arm, rank, dress))
        if known:
            return known
        regiments = {one.regiment for one in self.regiments if fold(one.arm) == arm}
        told: dict[str, set[tuple]] = {}
        for fact in self.facts:
            one = fact.wearer
            if one.rank not in ("", rank) or one.dress not in ("", dress) or fact.of or fact.garment not in garments():
                continue
            if fold(one.arm) not in (arm, ""):
                continue
            of_all = one.number is None and one.title in ("", OTHERS)
            told.setdefault(fact.garment, set()).update(regiments if of_all else {one.regiment})
        return self._told.setdefault((arm, rank, dress), (len(regiments) * _USUAL, told))

    @cached_property
    def _told(self) -> dict[tuple[str, str, str], tuple[float, dict[str, set[tuple]]]]:
        """What was asked of ``_told_to``: as many as there are arms, ranks and orders of dress."""
        return {}

    def cite(self, fact: Fact) -> str:
        """The source of a fact, as it is printed."""
        source = self.source_by_id.get(fact.source)
        return source.title if source else fact.source or (f"line {fact.line}" if fact.line else "no source named")

    def said_in(self, fact: Fact, year: int) -> int:
        """The year a statement was made: its source's, else its period's first, else the year asked."""
        source = self.source_by_id.get(fact.source)
        return source.year if source and source.year else fact.period.since or year

    def fact(self, id_: str) -> Fact:
        """The fact of that id.

        Raises: UnknownName.
        """
        found = next((one for one in self.facts if one.id == id_), None)
        if found is None:
            raise UnknownName("entry", id_)
        return found


def with_facts(almanac: Almanac, facts: tuple[Fact, ...]) -> Almanac:
    """The almanac with more facts, each given an id of its own; sources that no one told of are listed by their word.

    Raises: OutOfRange for more than an almanac may hold.
    """
    if len(almanac.facts) + len(facts) > MOST_FACTS:
        raise OutOfRange(f"{len(almanac.facts) + len(facts)} entries; an almanac holds up to {MOST_FACTS}.", "table")
    last = max((int(one.id[1:]) for one in almanac.facts), default=0)
    added = tuple(replace(fact, id=f"f{last + at}") for at, fact in enumerate(facts, 1))
    known = set(almanac.source_by_id)
    named = dict.fromkeys(one.source for one in added if one.source and one.source not in known)
    sources = (*almanac.sources, *(Source(name, name) for name in named))
    if len(sources) > MOST_SOURCES:
        raise OutOfRange(f"{len(sources)} sources; an almanac names up to {MOST_SOURCES}.", "table")
    return replace(almanac, facts=(*almanac.facts, *added), sources=sources)


def with_source(almanac: Almanac, source: Source) -> Almanac:
    """The almanac with a source told of, new or changed.

    Raises: UnknownName for its kind.
    """
    if source.kind and source.kind not in KINDS:
        raise UnknownName("kind of source", source.kind, KINDS, "kind")
    if source.id in almanac.source_by_id:
        return replace(almanac, sources=tuple(source if one.id == source.id else one for one in almanac.sources))
    return replace(almanac, sources=(*almanac.sources, source))


def with_certainty(almanac: Almanac, fact_id: str, certainty: str) -> Almanac:
    """The almanac with one fact held for surer or less sure.

    Raises: UnknownName.
    """
    if certainty not in CERTAINTIES:
        raise UnknownName("certainty", certainty, CERTAINTIES, "certainty")
    changed = replace(almanac.fact(fact_id), certainty=certainty)
    return replace(almanac, facts=tuple(changed if one.id == fact_id else one for one in almanac.facts))


def with_settled(almanac: Almanac, who: Wearer, garment: str, fact_id: str) -> Almanac:
    """The almanac with one cell settled on a fact; '' for none opens it again.

    Raises: UnknownName for the fact.
    """
    kept = tuple(one for one in almanac.settled if one[:2] != (who.words, garment))
    if not fact_id:
        return replace(almanac, settled=kept)
    almanac.fact(fact_id)
    return replace(almanac, settled=(*kept, (who.words, garment, fact_id)))
