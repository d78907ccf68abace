"""What is worn, and the ladder of all that speak of it."""

from dataclasses import dataclass

from .fact import Fact
from .phrase import Phrase

#: how a cell stands, with what that means
STATUSES = {
    "settled": "you chose it",
    "documented": "a source says so",
    "inferred": "a source lets it be inferred",
    "guess": "a source guesses",
    "disputed": "sources disagree",
    "assumed": "no source; taken from something near",
    "open": "nobody tells",
}


@dataclass(frozen=True)
class Rung:
    """One fact that speaks, and the weight it is ordered by: greater is worn."""

    fact: Fact
    weight: tuple
    why: str


@dataclass(frozen=True)
class Verdict:
    """What is worn. status: of ``STATUSES``; strength: 0 to 1, how far an assumption may be trusted."""

    garment: str
    value: Phrase | None
    status: str
    why: str
    ladder: tuple[Rung, ...] = ()
    strength: float = 1.0

    @property
    def fact(self) -> Fact | None:
        """The fact it rests on."""
        return self.ladder[0].fact if self.ladder else None

    @property
    def alternatives(self) -> tuple[Fact, ...]:
        """Facts of the ladder that say something else."""
        parts = self.value.parts if self.value else ()
        return tuple(rung.fact for rung in self.ladder[1:] if rung.fact.phrase.parts != parts)

    @property
    def assumed(self) -> bool:
        """Whether it is filled in rather than told of this wearer in this year."""
        return self.status in ("assumed", "open")

    @property
    def to_settle(self) -> bool:
        """Whether somebody has to look it up, or choose."""
        return self.status in ("open", "disputed")
