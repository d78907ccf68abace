"""The search: options are swapped between figures, which keeps every count, where something is wrong."""

from .tally import Place, Tally
from .unavoidable import least_clashes

#: others that a swap is tried with, of a leader more; for how many steps a swap is not undone
_SAMPLE, _LEADERS_SAMPLE, _TABU = 24, 72, 40
#: chance that a swap which makes it worse is taken; that a garment is recoloured once nothing helps for long
_WORSE, _RECOLOUR = 0.1, 0.2
#: how bad a count is that is one too high, and to stay as one is, for recolouring
_OFF, _SAME = 5, 2
#: figures up to which a count may be so far off; of more, as large a share
_BAND = 60
#: where swaps cannot take away every clash, by so much of a stall recolouring begins sooner
_DOOMED = 90
#: tries to bring counts back, and the steps each may take
_REPAIRS, _REPAIR_STEPS = 16, 120


def settled(tally: Tally, steps: int, stall: int, *, recolour: bool) -> tuple[int, int]:
    """Swap until nothing is wrong, or nothing gets better for ``stall`` steps; leaves the best rows.

    The answer: steps that were taken, and how bad what is left is. recolour: whether counts may move where swaps lead nowhere.
    """
    band, rng = tally.band, tally.rng
    movable, forbidden = _movable(tally), {}
    bad = tally.wrong(range(band.figures))
    patience = stall // _DOOMED if recolour and least_clashes(band) else stall // 3
    fewest, best, since, step = tally.weight(bad), _copy(tally), 0, 0
    while bad and step < steps and since < stall:
        step, since = step + 1, since + 1
        figure, garment = bad[rng.randrange(len(bad))]
        touched = {figure}
        stuck = recolour and since > patience and tally.here(figure, garment)
        if not tally.here(figure, garment) and not tally.of_figure(figure) and not _leads_badly(tally, figure):
            pass
        elif stuck and rng.random() < _RECOLOUR:
            _recolour(tally, figure, garment)
            touched |= set(band.near[figure])
        else:
            other = _partner(tally, (figure, garment), movable[garment], forbidden, step)
            if other is None:
                continue
            mine, yours = tally.rows[figure][garment], tally.rows[other][garment]
            tally.swap(figure, other, garment)
            forbidden[figure, garment, mine] = forbidden[other, garment, yours] = step + _TABU
            touched |= {other, *band.near[figure], *band.near[other]}
        bad = [place for place in bad if place[0] not in touched] + tally.wrong(sorted(touched))
        if (weight := tally.weight(bad)) < fewest:
            fewest, best, since = weight, _copy(tally), 0
    if bad:
        tally.back_to(best)
    return step, fewest if bad else 0


def restored(tally: Tally, steps: int) -> int:
    """Bring back counts that recolouring moved: one figure is given what is missing, and swaps settle the rest, or all stays.

    Each clash that swaps cannot take away costs one count; when no more are off, nothing is tried.
    """
    used, movable, least = 0, _movable(tally), least_clashes(tally.band)
    for _ in range(_REPAIRS):
        apart = _off(tally)
        if not apart or used >= steps or _moved(tally) <= least:
            break
        garment, over, under = apart[tally.rng.randrange(len(apart))]
        pool = [figure for figure in movable[garment] if tally.rows[figure][garment] == over]
        if not pool:
            continue
        kept = _copy(tally)
        harms = [tally.at(figure, garment, under) + tally.rng.random() for figure in pool]
        tally.put(pool[harms.index(min(harms))], garment, under)
        spent, left = settled(tally, min(_REPAIR_STEPS, steps - used), _REPAIR_STEPS // 2, recolour=False)
        used += spent
        if left:
            tally.back_to(kept)
    return used


def _off(tally: Tally) -> list[tuple[int, int, int]]:
    """(garment, option of which there are too many, option of which there are too few)."""
    found = []
    for garment, wanted in enumerate(tally.wanted):
        counts = tally.counts[garment]
        over = [one for one, count in enumerate(wanted) if counts[one] > count]
        under = [one for one, count in enumerate(wanted) if counts[one] < count]
        found += [(garment, more, less) for more in over for less in under]
    return found


def _moved(tally: Tally) -> int:
    """Counts that are one too low."""
    return sum(
        max(0, want - count)
        for wanted, counts in zip(tally.wanted, tally.counts, strict=True)
        for want, count in zip(wanted, counts, strict=True)
    )


def _leads_badly(tally: Tally, figure: int) -> bool:
    return figure in tally.band.leaders and bool(tally.led(figure))


def _partner(tally: Tally, place: Place, pool: list[int], forbidden: dict, step: int) -> int | None:
    """The figure to swap with: the best of a sample that is not forbidden; a worse one now and then."""
    figure, garment = place
    mine, rng = tally.rows[figure][garment], tally.rng
    many = _LEADERS_SAMPLE if figure in tally.band.leaders else _SAMPLE
    found: tuple[float, int] | None = None
    for other in rng.sample(pool, min(len(pool), many)):
        yours = tally.rows[other][garment]
        if yours == mine or forbidden.get((figure, garment, yours), 0) > step:
            continue
        change = tally.swapped(figure, other, garment) + rng.random()
        if found is None or change < found[0]:
            found = change, other
    return found[1] if found and (found[0] < 1 or rng.random() < _WORSE) else None


def _recolour(tally: Tally, figure: int, garment: int) -> None:
    """The option of least harm, counts included."""
    mine, wanted, counts = tally.rows[figure][garment], tally.wanted[garment], tally.counts[garment]
    off = _OFF * min(1.0, _BAND / tally.band.figures)
    harms = [
        tally.at(figure, garment, option)
        + off * max(0, counts[option] + (option != mine) - wanted[option])
        + _SAME * (option == mine)
        + tally.rng.random()
        for option in range(len(wanted))
    ]
    tally.put(figure, garment, harms.index(min(harms)))


def _movable(tally: Tally) -> list[list[int]]:
    band = tally.band
    return [
        [figure for figure in range(band.figures) if (figure, garment) not in band.fixed]
        for garment in range(len(band.garments))
    ]


def _copy(tally: Tally) -> list[list[int]]:
    return [row[:] for row in tally.rows]
