"""The check of lights: colours that match in one light alone, because they are mixed from other pigments."""

from itertools import combinations

import numpy as np

from ..colour.difference import differences
from ..colour.lamp import LIGHT_WEIGHTS, labs_under
from ..film.surface import solid
from .finding import Check, Finding
from .look import Look

#: CIEDE2000 within which two colours match, and by how much more they have to part in another light to be told
MATCH, PARTED = 2.5, 1.5
#: the lights, in words
_WORDS = {
    "window": "by day",
    "booth": "under a daylight lamp",
    "lamp": "under a warm lamp",
    "tube": "under a cold tube",
}


def lamps(look: Look) -> Check:
    """Flat colours worn on one figure that match in one light and part in another."""
    scheme = look.design.scheme
    worn = {
        pair: one
        for one in look.resolution.classes
        for pair in combinations(sorted({cell.role for cell in one.cells.values() if cell.role}), 2)
    }
    mixes = {
        role.id: step.mix
        for role in scheme.roles
        if (step := role.recipe().base) and step.mix.film.flake is None and not step.mix.paints[0].transparent
    }
    roles = sorted({role for pair in worn for role in pair} & set(mixes))
    found = []
    if len(roles) > 1:
        seen = np.array([solid(mixes[role].film).seen for role in roles])
        lights = tuple(LIGHT_WEIGHTS)
        labs = [labs_under(seen, light) for light in lights]
        apart = np.array([differences(one[:, None], one[None]) for one in labs])
        for first, second in combinations(range(len(roles)), 2):
            pair, there = (roles[first], roles[second]), apart[:, first, second]
            if pair not in worn or there.min() > MATCH or there.max() - there.min() < PARTED:
                continue
            one, near, far = worn[pair], lights[there.argmin()], lights[there.argmax()]
            names = " and ".join(scheme.role(role).name for role in pair)
            said = f"{names} match {_WORDS[near]}, {there.min():.1f} apart, and part {_WORDS[far]}, {there.max():.1f}: mix one from the other's paints"
            area = next(name for name, cell in one.cells.items() if cell.role == pair[0])
            found.append(
                Finding(said, "|".join(pair), one.unit, one.rank, area, one.ordinals[0], float(there.max() - there.min()),
                        cause=said, roles=pair, figures=len(one.ordinals))
            )  # fmt: skip
    listed = tuple(sorted(found, key=lambda finding: -finding.number))
    rule = (
        f"Two flat colours of a figure that match in one light (up to {MATCH:g}, CIEDE2000) do not part by {PARTED:g} more in another:"
        " daylight, daylight lamp, warm lamp, cold tube. Opaque bases are compared."
    )
    worst = listed[0].what if listed else "what matches by day matches under the lamps"
    return Check("lamps", "Under the lamps", "look" if listed else "clear", worst, listed, rule)
