"""Which undercoat a colour wants."""

from dataclasses import dataclass
from functools import lru_cache

from ..paints.paint import Paint
from ..paints.range import paints
from .coverage import Coverage, coverage
from .step import Mix
from .surface import solid


@dataclass(frozen=True)
class UndercoatChoice:
    """One undercoat and how a mix covers it."""

    undercoat: Paint
    coverage: Coverage


def undercoats() -> tuple[Paint, ...]:
    """The sprayed undercoats on the shelf."""
    return tuple(pot for pot in paints().values() if pot.kind == "spray")


@lru_cache(maxsize=2048)
def undercoat_choices(mix: Mix) -> tuple[UndercoatChoice, ...]:
    """How the mix covers every undercoat, in shelf order."""
    film, dilution = mix.film, mix.dilution
    return tuple(UndercoatChoice(pot, coverage(film, solid(pot.film), dilution)) for pot in undercoats())


def best_undercoat(mix: Mix) -> UndercoatChoice:
    """The undercoat that asks for the fewest coats; the earlier on the shelf at a tie."""
    return min(undercoat_choices(mix), key=lambda choice: (choice.coverage.coats is None, choice.coverage.coats or 0))
