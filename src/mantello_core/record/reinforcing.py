"""More figures like finished ones: what was really used on them, what is gone of it, and what comes nearest."""

from collections import Counter
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime

from ..colour.difference import difference
from ..errors import MantelloError
from ..mixing.matching import Match, apart_under_lamp, matches
from ..paints.catalogue import Catalogue
from ..paints.paint import Paint
from ..paints.stock import Stock
from ..recipes.step import Mix

#: a difference of this much is seen side by side (CIEDE2000)
SEEN = 1.0


@dataclass(frozen=True)
class Logged:
    """One entry of the log, as far as it matters here. paints: (id, name, parts)."""

    role: str
    step: str
    name: str
    mix: str
    paints: tuple[tuple[str, str, float], ...]
    coats: int
    ordinals: tuple[int, ...]
    done_at: datetime
    version: int
    note: str = ""


@dataclass(frozen=True)
class Substitute:
    """What stands in for a mix that cannot be made any more, and how far it lies off, by day and under a lamp."""

    match: Match
    apart: float
    under_lamp: float

    @property
    def verdict(self) -> str:
        """How that is seen beside the old figures."""
        if self.apart < SEEN and self.under_lamp < 2 * SEEN:
            return "not told apart, even beside the old ones"
        if self.apart < 2 * SEEN:
            return "told apart only side by side" + (", more so under a lamp" if self.under_lamp > 2 * SEEN else "")
        return "seen across the table: paint whole units from it, never half of one"


@dataclass(frozen=True)
class PaintedStep:
    """One step as the chosen figures had it."""

    role: str
    step: str
    name: str
    mix: str
    coats: int
    #: figures of those chosen that had it so, and all that had it
    figures: int
    of: int
    #: other mixes that some of them had, in words
    otherwise: tuple[str, ...]
    last: datetime
    version: int
    notes: tuple[str, ...]
    #: names of paints that are known no more, or no longer made and not on the shelf
    gone: tuple[str, ...]
    #: names of paints that are not on the shelf but can be bought
    to_buy: tuple[str, ...]
    substitute: Substitute | None


def as_painted(
    entries: Iterable[Logged],
    ordinals: Sequence[int],
    shelf: Mapping[str, Stock],
    catalogue: Catalogue,
    usable: Sequence[Paint],
    mix_of: Callable[[str, str, int], Mix | None],
) -> tuple[PaintedStep, ...]:
    """Every step of the chosen figures as most of them had it, in the order it was painted.

    usable: paints that may stand in. mix_of: the mix of a role's step as a version of the scheme had it, for its look;
    None if it had none.
    """
    found: dict[tuple[str, str], list[Logged]] = {}
    wanted = set(ordinals)
    for one in sorted(entries, key=lambda each: each.done_at):
        if wanted & set(one.ordinals):
            found.setdefault((one.role, one.step), []).append(one)
    made = []
    for (role, step), known in found.items():
        counts = Counter({one.mix: 0 for one in known})
        latest: dict[int, Logged] = {ordinal: one for one in known for ordinal in set(one.ordinals) & wanted}
        for one in latest.values():
            counts[one.mix] += 1
        mix = counts.most_common(1)[0][0]
        told = max((one for one in known if one.mix == mix), key=lambda one: one.done_at)
        gone = tuple(name for id_, name, _ in told.paints if _gone(id_, shelf, catalogue))
        to_buy = tuple(
            name for id_, name, _ in told.paints if name not in gone and not (id_ in shelf and shelf[id_].pots)
        )
        substitute = _substitute(mix_of(role, step, told.version), usable) if gone else None
        made.append(
            PaintedStep(
                role, step, told.name, mix, told.coats, counts[mix], len(latest),
                tuple(f"{other}: {count}" for other, count in counts.most_common()[1:] if count), told.done_at, told.version,
                tuple(dict.fromkeys(one.note for one in known if one.note)), gone, to_buy, substitute,
            )
        )  # fmt: skip
    return tuple(made)


def _gone(paint_id: str, shelf: Mapping[str, Stock], catalogue: Catalogue) -> bool:
    if paint_id not in catalogue:
        return True
    stock = shelf.get(paint_id)
    return bool(stock and stock.discontinued and not stock.pots)


def _substitute(mix: Mix | None, usable: Sequence[Paint]) -> Substitute | None:
    """The nearest mix of paints that can be had; None where the old look is not known or nothing can be mixed."""
    if mix is None:
        return None
    try:
        best = matches(mix.film.masstone, list(usable), limit=1)[0]
    except (MantelloError, IndexError):
        return None
    return Substitute(best, difference(mix.film.masstone, best.colour), apart_under_lamp(mix.film, best.mix.film))
