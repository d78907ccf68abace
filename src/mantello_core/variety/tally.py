"""The state of a search: who wears what, what is wrong where, and how much."""

import random
from collections import Counter

from .apart import clashing, repeating
from .band import Band
from .counts import wanted_counts

#: how bad each fault is: garments that cannot be told apart, a colour that a neighbour has, twins, accents too many, a dull leader
CLASH, REPEAT, TWIN, ACCENT, LEADER = 12, 12, 4, 3, 3
#: how much more a leader catches the eye than those beside him: chroma and 0.35 L*, by area
BRIGHTER, _LIGHT = 3.0, 0.35
#: up to so many wrong places their weights are summed; beyond, they are counted
_FEW, _HARD = 60, 8
Place = tuple[int, int]


class Tally:
    """Rows of options by figure and garment, with the tallies that tell faults at once."""

    def __init__(self, band: Band, rows: list[list[int]], rng: random.Random):
        self.band, self.rows, self.rng = band, rows, rng
        self.clashing, self.repeating, self.wanted = clashing(band), repeating(band), wanted_counts(band)
        self._touching = [
            [(one, self.clashing[garment, one]) for one in band.touch[garment]] for garment in range(len(band.garments))
        ]
        self.outfits = Counter(map(tuple, rows))
        self.counts = [
            [sum(row[at] == option for row in rows) for option in range(len(one.options))]
            for at, one in enumerate(band.garments)
        ]
        self._bright, self._accent = brightness(band), [[one.accent for one in each.options] for each in band.garments]
        self.bright = [sum(self._bright[at][option] for at, option in enumerate(row)) for row in rows]
        self.accents = [sum(self._accent[at][option] for at, option in enumerate(row)) for row in rows]
        self._any_accent = any(map(any, self._accent))

    def at(self, figure: int, garment: int, option: int, but: int = -1) -> int:
        """Weight of what would be wrong at a place with an option; but: a neighbour that is not looked at."""
        rows, found = self.rows, 0
        row, same = rows[figure], self.repeating[garment][option]
        for one, clashes in self._touching[garment]:
            if clashes[option][row[one]]:
                found += CLASH
        for one in self.band.near[figure]:
            if same[rows[one][garment]] and one != but:
                found += REPEAT
        return found

    def here(self, figure: int, garment: int) -> int:
        """Weight of what is wrong at a place as it is."""
        return self.at(figure, garment, self.rows[figure][garment])

    def of_figure(self, figure: int) -> int:
        """Weight of what is wrong with a figure as such: a twin, too many accents."""
        twin = self.outfits[tuple(self.rows[figure])] > 1 and figure >= len(self.band.kept)
        return TWIN * twin + ACCENT * self.accents_over(figure)

    def accents_over(self, figure: int) -> int:
        """Accents that a figure has too many."""
        return max(0, self.accents[figure] - self.band.accents - (figure in self.band.leaders))

    def dull(self, leader: int) -> bool:
        """Whether a leader is not clearly the brightest of those beside him, or has no accent where there are any."""
        beside = (one for one in self.band.near[leader] if one not in self.band.leaders)
        outshone = any(self.bright[one] + BRIGHTER > self.bright[leader] for one in beside)
        return outshone or (self._any_accent and not self.accents[leader])

    def led(self, figure: int) -> int:
        """Weight of dull leaders at a figure and beside it."""
        return sum(LEADER for one in (figure, *self.band.near[figure]) if one in self.band.leaders and self.dull(one))

    def put(self, figure: int, garment: int, option: int) -> None:
        """Give a figure an option."""
        row = self.rows[figure]
        old, key = row[garment], tuple(row)
        self.outfits[key] -= 1
        if not self.outfits[key]:
            del self.outfits[key]
        self.counts[garment][old] -= 1
        self.counts[garment][option] += 1
        self.bright[figure] += self._bright[garment][option] - self._bright[garment][old]
        self.accents[figure] += self._accent[garment][option] - self._accent[garment][old]
        row[garment] = option
        self.outfits[tuple(row)] += 1

    def swap(self, figure: int, other: int, garment: int) -> None:
        """Two figures change an option; counts stay."""
        mine, yours = self.rows[figure][garment], self.rows[other][garment]
        self.put(figure, garment, yours)
        self.put(other, garment, mine)

    def swapped(self, figure: int, other: int, garment: int) -> int:
        """Change of weight if two figures changed an option."""
        mine, yours = self.rows[figure][garment], self.rows[other][garment]
        before = self.at(figure, garment, mine, other) + self.at(other, garment, yours, figure)
        change = self.at(figure, garment, yours, other) + self.at(other, garment, mine, figure) - before
        if change < TWIN + ACCENT + LEADER:
            change -= self._soft(figure, other)
            self.swap(figure, other, garment)
            change += self._soft(figure, other)
            self.swap(figure, other, garment)
        return change

    def _soft(self, figure: int, other: int) -> int:
        return self.of_figure(figure) + self.of_figure(other) + self.led(figure) + self.led(other)

    def back_to(self, rows: list[list[int]]) -> None:
        """Return to rows that were kept."""
        for figure, row in enumerate(rows):
            for garment, option in enumerate(row):
                if self.rows[figure][garment] != option:
                    self.put(figure, garment, option)

    def wrong(self, figures) -> list[Place]:
        """Places of some figures where something is wrong and may be changed."""
        found = []
        for figure in figures:
            whole = self.of_figure(figure) + (self.led(figure) if figure in self.band.leaders else 0)
            found += [
                (figure, garment)
                for garment in range(len(self.band.garments))
                if (figure, garment) not in self.band.fixed and (whole or self.here(figure, garment))
            ]
        return found

    def weight(self, bad: list[Place]) -> int:
        """How bad wrong places are together: hard faults count most."""
        if len(bad) >= _FEW:
            return (_HARD + 1) * len(bad)
        return len(bad) + sum(_HARD for place in bad if self.here(*place))


def brightness(band: Band) -> tuple[tuple[float, ...], ...]:
    """How far an option catches the eye on a garment: chroma and lightness, by the garment's part of a figure."""
    whole = sum(garment.mm2 for garment in band.garments)
    return tuple(
        tuple((one.lab.chroma + _LIGHT * one.lab.lightness) * garment.mm2 / whole for one in garment.options)
        for garment in band.garments
    )
