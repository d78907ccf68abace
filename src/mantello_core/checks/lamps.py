"""The check of lights: colours that match in one light alone, because they are mixed from other pigments."""

import numpy as np

from ..colour.difference import differences_among
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
    worn = look.resolution.worn.together
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
        labs = np.array([labs_under(seen, light) for light in lights])
        apart = differences_among(labs)
        parted = (apart.min(0) <= MATCH) & (np.ptp(apart, 0) >= PARTED)
        for first, second in np.argwhere(np.triu(parted, 1)).tolist():
            pair, there = (roles[first], roles[second]), apart[:, first, second]
            if pair not in worn:
                continue
            one, near, far = worn[pair], lights[there.argmin()], lights[there.argmax()]
            names = " and ".join(scheme.role(role).name for role in pair)
            said = f"{names} match {_WORDS[near]}, {there.min():.1f} apart, and part {_WORDS[far]}, {there.max():.1f}: mix one from the other's paints"
            area = look.resolution.worn.areas(one)[pair[0]][0]
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
