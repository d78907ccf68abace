"""How many figures wear each option of a garment: the shares, rounded, as far as stands and pots allow."""

from .apart import Matrix, repeating
from .band import Band, Option

#: rounds in which sets of like options are brought under what neighbours allow
_ROUNDS = 12
_CLOSE = 1e-6


def wanted_counts(band: Band) -> tuple[tuple[int, ...], ...]:
    """Figures by garment and option: shares by largest remainder, held between what is fixed and what neighbours allow.

    Options too alike for neighbours share one limit; one whose pot would serve fewer than ``band.least`` figures is dropped.
    """
    alike = repeating(band)
    return tuple(_wanted(band, at, alike[at]) for at in range(len(band.garments)))


def most_alike(band: Band) -> int:
    """The most figures that may share a colour of a garment when no two neighbours do: every stand chequered."""
    full, rest = divmod(band.figures, band.stand)
    return full * -(-band.stand // 2) + -(-rest // 2)


def _wanted(band: Band, at: int, alike: Matrix) -> tuple[int, ...]:
    options, most = band.garments[at].options, most_alike(band)
    held = [0] * len(options)
    for (_, garment), option in band.fixed.items():
        if garment == at:
            held[option] += 1
    caps = [band.figures if one.repeats else max(most, held[index]) for index, one in enumerate(options)]
    sets = _sets(alike)
    live = [index for index, option in enumerate(options) if option.share > 0 or held[index]]
    while True:
        whole = sum(options[index].share for index in live) or 1.0
        shares = {index: options[index].share / whole for index in live}
        exact = _parted(_between(band.figures, shares, caps, held), sets, band.figures, most)
        weak = [
            index
            for index in live
            if not held[index] and (exact[index] < 0.5 or round(_served(band, options[index])) < band.least)
        ]
        if not weak or len(live) <= 2:
            return _rounded(exact, caps, sets, band.figures, most, len(options))
        live.remove(min(weak, key=lambda index: exact[index]))


def _between(total: int, shares: dict[int, float], caps: list[int], held: list[int]) -> dict[int, float]:
    """Exact numbers by share, none under what is held or over its cap."""
    fixed: dict[int, float] = {}
    while True:
        free = [index for index in shares if index not in fixed]
        rest = total - sum(fixed.values())
        weight = sum(shares[index] for index in free)
        found = {index: rest * shares[index] / weight if weight else 0.0 for index in free}
        over = {index: float(caps[index]) for index in free if found[index] > caps[index] + _CLOSE}
        under = {index: float(held[index]) for index in free if found[index] < held[index] - _CLOSE}
        if (not over and not under) or len(free) <= len(over or under):
            return fixed | {index: min(max(found[index], held[index]), caps[index]) for index in free}
        fixed |= over or under


def _parted(exact: dict[int, float], sets: list[frozenset[int]], figures: int, most: int) -> dict[int, float]:
    """Numbers with every set of like options kept to what neighbours allow; what is taken away goes to the others."""
    exact = dict(exact)
    for _ in range(_ROUNDS):
        over = [one & set(exact) for one in sets if sum(exact.get(index, 0.0) for index in one) > most + _CLOSE]
        if not over or len(over[0]) == len(exact):
            break
        total = sum(exact[index] for index in over[0])
        rest = sum(value for index, value in exact.items() if index not in over[0])
        for index in exact:
            exact[index] *= most / total if index in over[0] else (figures - most) / rest if rest else 1.0
    return exact


def _rounded(
    exact: dict[int, float], caps: list[int], sets: list[frozenset[int]], figures: int, most: int, size: int
) -> tuple[int, ...]:
    """Whole numbers that add up, by largest remainder; a limit is passed only where there is no other way."""
    counts = [int(exact.get(index, 0.0)) for index in range(size)]
    rank = sorted(exact, key=lambda index: (counts[index] - exact[index], index))
    for strict in (True, False):
        moved = True
        while moved and sum(counts) < figures:
            moved = False
            for index in rank:
                full = strict and any(index in one and sum(counts[each] for each in one) >= most for one in sets)
                if sum(counts) < figures and counts[index] < caps[index] and not full:
                    counts[index] += 1
                    moved = True
    short = figures - sum(counts)
    if short:  # every option is at its cap: neighbours will have to repeat
        counts[rank[0]] += short
    return tuple(counts)


def _sets(alike: Matrix) -> list[frozenset[int]]:
    """Sets of options of a garment that are all too like each other for neighbours: together they are like one colour."""
    found: list[frozenset[int]] = []
    order = sorted(range(len(alike)), key=lambda one: -sum(alike[one]))
    for start in range(len(alike)):
        members = {start}
        for other in order:
            if other not in members and all(alike[other][one] for one in members):
                members.add(other)
        if len(members) > 1 and frozenset(members) not in found:
            found.append(frozenset(members))
    return found


def _served(band: Band, option: Option) -> float:
    """Figures that the least used pot of an option serves in the whole band, by the shares."""
    uses = []
    for pot in option.pots:
        parts = (
            one.share / sum(other.share for other in garment.options)
            for garment in band.garments
            for one in garment.options
            if pot in one.pots
        )
        uses.append(band.figures * sum(parts))
    return min(uses)
