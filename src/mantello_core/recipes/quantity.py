"""How much paint a step uses."""

import math
from dataclasses import dataclass

from ..figures.extent import NOTHING, Extent
from .step import Mix, Step

#: wet film of one brushed coat, mm (40 µm)
WET_FILM = 0.040
#: a paste of powder lies thicker, mm (0.25 mm)
PASTE_FILM = 0.25
#: share of the paint that stays in brush, palette and pot
LOSS = 0.3
#: ml in a drop
DROP = 0.05


def millilitres(step: Step, surface: float, coats: int, extent: Extent = NOTHING) -> dict[str, float]:
    """Neat ml of every paint in the step's mix for ``surface`` mm² of painted surface; extent: what was measured of it.

    Source: design formula F6: paint share x area x wet film x coats / (1 - loss).
    """
    film = PASTE_FILM if is_paste(step.mix) else WET_FILM
    wet = surface * step.share_on(extent) * film * coats / 1000 / (1 - LOSS)
    total = sum(parts for _, parts in step.mix.parts) + step.mix.diluent_parts
    return {pot.id: wet * parts / total for pot, parts in step.mix.parts}


def is_paste(mix: Mix) -> bool:
    """Whether it is powder stirred with something wet, or a texture."""
    return any(pot.kind in ("powder", "texture") for pot in mix.paints) and (
        mix.diluent != "neat" or any(pot.kind == "texture" for pot in mix.paints)
    )


@dataclass(frozen=True)
class Portion:
    """What is put together for a batch: drops of every part with its name, diluent last, and ml in all."""

    drops: tuple[tuple[str, int], ...]
    millilitres: float

    @property
    def words(self) -> str:
        """As in '6 drops Brine Green, 3 drops water'."""
        return ", ".join(f"{count} drop{'s' * (count != 1)} {name}" for name, count in self.drops)


def portion(mix: Mix, surface: float, coats: int) -> Portion:
    """The smallest number of whole drops, parts kept, that lays so many coats on ``surface`` mm² of touched surface.

    Source: design formulas F5 and F6, a drop 0.05 ml. Parts that are no whole numbers are rounded to tenths first.

    >>> from mantello_core.paints.range import paint
    >>> portion(Mix(((paint("gull-white"), 1.0),), "water", 1.0), 3500, 1).words
    '2 drops Gull White, 2 drops water'
    """
    named = [(pot.name, parts) for pot, parts in mix.parts]
    if mix.diluent_parts:
        named.append((mix.diluent, mix.diluent_parts))
    whole = [round(parts * 10) for _, parts in named]
    divisor = math.gcd(*whole) or 1
    parts = [max(1, one // divisor) for one in whole]
    wet = surface * (PASTE_FILM if is_paste(mix) else WET_FILM) * coats / 1000 / (1 - LOSS)
    times = max(1, math.ceil(wet / DROP / sum(parts) - 1e-9))
    drops = tuple((name, count * times) for (name, _), count in zip(named, parts, strict=True))
    return Portion(drops, sum(count for _, count in drops) * DROP)
