"""A painter's own pace: how logged minutes compare with planned ones, kind by kind, believed the more the more there are."""

import math
from collections.abc import Iterable
from datetime import date
from statistics import median, pstdev

from ..planning.plan import Plan

#: observations that the starting values weigh as much as; spread of a painter's minutes while nothing is known (log)
PRIOR, SPREAD = 5.0, 0.25
#: ratios beyond are slips of the clock
_LEAST, _MOST = 0.1, 10.0
#: standard normal quantile of 90 %
_Z = 1.2816

#: kind of step and factor, in a fixed order, so that it can be remembered by value
Pace = tuple[tuple[str, float], ...]


def pace_of(timed: Iterable[tuple[str, float, float]]) -> Pace:
    """The factor of every kind that was timed: the median log-ratio, shrunk towards 1 by a prior of five observations.

    timed: (kind, logged minutes, planned minutes). Medians, since a telephone call is no brush stroke.
    """
    found: dict[str, list[float]] = {}
    for kind, minutes, planned in timed:
        if planned > 0 and _LEAST <= minutes / planned <= _MOST:
            found.setdefault(kind, []).append(math.log(minutes / planned))
    return tuple(
        (kind, math.exp(len(ratios) / (len(ratios) + PRIOR) * median(ratios))) for kind, ratios in sorted(found.items())
    )


def spread_of(timed: Iterable[tuple[str, float, float]]) -> float:
    """Standard deviation of the log-ratios over all kinds, shrunk towards the starting value."""
    ratios = [
        math.log(minutes / planned)
        for _, minutes, planned in timed
        if planned > 0 and _LEAST <= minutes / planned <= _MOST
    ]
    own = pstdev(ratios) if len(ratios) > 1 else SPREAD
    return (len(ratios) * own + PRIOR * SPREAD) / (len(ratios) + PRIOR)


def finish_range(plan: Plan, spread: float, batches: int = 0) -> tuple[date, date] | None:
    """From when to when the plan ends with a chance of 80 %; None if it does not end within the sessions known.

    spread: of one batch's log-ratio; batches average out, so the whole is as uncertain as the pace itself (half the
    spread) and its batches (spread / sqrt(n)). Later ends are read off the sessions as they are filled now.
    """
    if plan.finish is None or not plan.blocks:
        return None
    count = batches or len(plan.blocks)
    whole = math.hypot(spread / 2, spread / math.sqrt(count))
    used = plan.blocks[-1].session + 1
    dates = []
    for factor in (math.exp(-_Z * whole), math.exp(_Z * whole)):
        at = math.ceil(used * factor) - 1
        if at >= len(plan.sessions):
            return None
        dates.append(plan.sessions[max(0, at)].end.date())
    return dates[0], dates[1]
