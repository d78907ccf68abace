"""Which undercoat a colour wants."""

from dataclasses import dataclass

from ..colour.difference import difference
from ..film.coverage import Coverage, coverages
from ..film.ground import Ground
from ..film.surface import solid, stacked
from ..memory import remembered
from ..paints.paint import Paint
from ..paints.range import paint, paints
from ..recipes.step import Mix


@dataclass(frozen=True)
class UndercoatChoice:
    """One undercoat and how a mix covers it."""

    undercoat: Paint
    coverage: Coverage


#: undercoats that are sprayed in two tones: the dark one from all sides, the light one from above
TWO_TONES = (
    ("undercoat-soot", "undercoat-gull"), ("undercoat-soot", "undercoat-linen"), ("undercoat-slate", "undercoat-gull"),
    ("undercoat-cask", "undercoat-linen"), ("undercoat-tide", "undercoat-pearl"), ("undercoat-oxide", "undercoat-rose"),
)  # fmt: skip


def undercoats() -> tuple[Paint, ...]:
    """The sprayed undercoats on the shelf."""
    return tuple(pot for pot in paints().values() if pot.kind == "spray")


def palest() -> Paint:
    """The lightest of the undercoats, which lets most of a transparent colour show."""
    return max(undercoats(), key=lambda pot: pot.film.masstone.lightness)


def grounds() -> tuple[Ground, ...]:
    """Everything that is compared as a ground: each spray, two tones, and cans under a coat of the pot they match."""
    sprays = undercoats()
    return (
        *(Ground(pot) for pot in sprays),
        *(Ground(paint(dark), paint(light)) for dark, light in TWO_TONES),
        *(Ground(pot, pot_coat=paint(pot.twin)) for pot in sprays if pot.twin),
    )


def twin_apart(pot: Paint) -> float | None:
    """CIEDE2000 between an aerosol and the pot it is sold as the twin of; None if it is no twin."""
    return difference(solid(pot.film).colour, solid(paint(pot.twin).film).colour) if pot.twin else None


@remembered(8_000)
def undercoat_choices(mix: Mix) -> tuple[UndercoatChoice, ...]:
    """How the mix covers every undercoat, in shelf order."""
    sprays = undercoats()
    found = coverages(mix.film, stacked([solid(pot.film) for pot in sprays]), mix.dilution)
    return tuple(UndercoatChoice(*one) for one in zip(sprays, found, strict=True))


def best_undercoat(mix: Mix) -> UndercoatChoice:
    """The undercoat that asks for the fewest coats; the earlier on the shelf at a tie."""
    return min(undercoat_choices(mix), key=lambda choice: (choice.coverage.coats is None, choice.coverage.coats or 0))
