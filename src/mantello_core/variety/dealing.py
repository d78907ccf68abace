"""The first deal of a cast: leaders first, then figure by figure what is furthest below its count and clashes with nothing."""

import random

from .apart import clashing, repeating
from .band import Band
from .counts import wanted_counts
from .tally import brightness

#: how much more an accent is worth to a leader than a bright colour
_ACCENT = 20.0


def dealt(band: Band, rng: random.Random) -> list[list[int]]:
    """Options by figure and garment."""
    left = [list(counts) for counts in wanted_counts(band)]
    for (_, garment), option in band.fixed.items():
        left[garment][option] -= 1
    places = range(len(band.garments))
    rows = [[band.fixed.get((figure, garment), -1) for garment in places] for figure in range(band.figures)]
    bright, clash, alike = brightness(band), clashing(band), repeating(band)
    fewest_first = sorted(places, key=lambda garment: len(band.garments[garment].options))

    def bad(figure: int, garment: int, option: int) -> int:
        row, same = rows[figure], alike[garment][option]
        touching = sum(clash[garment, one][option][row[one]] for one in band.touch[garment] if row[one] >= 0)
        return touching + sum(same[rows[one][garment]] for one in band.near[figure] if rows[one][garment] >= 0)

    def worth(figure: int, garment: int, option: int) -> tuple[bool, int, float]:
        if figure in band.leaders:
            seen = bright[garment][option] + _ACCENT * band.garments[garment].options[option].accent
        else:
            seen = left[garment][option]
        return left[garment][option] > 0, -bad(figure, garment, option), seen + rng.random()

    for figure in sorted(range(band.figures), key=lambda one: (one not in band.leaders, one)):
        for garment in fewest_first:
            if rows[figure][garment] >= 0:
                continue
            worths = [worth(figure, garment, option) for option in range(len(band.garments[garment].options))]
            rows[figure][garment] = worths.index(max(worths))
            left[garment][rows[figure][garment]] -= 1
    return rows
