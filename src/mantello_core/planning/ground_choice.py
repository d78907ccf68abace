"""Which undercoat is recommended, by the method and the main colour, with the reason."""

from collections.abc import Sequence
from dataclasses import dataclass

from ..design.design import Design
from ..scheme.cascade import Resolution
from ..scheme.share import role_shares
from .undercoating import UndercoatAdvice

#: share of the quickest's minutes within which an undercoat counts as as quick
AS_QUICK = 1.05
#: L* by which missed recesses may stand out before they are told
GLARES = 8.0


@dataclass(frozen=True)
class Recommended:
    """One undercoat, and why."""

    advice: UndercoatAdvice
    reason: str


def recommended(design: Design, resolution: Resolution, known: Sequence[UndercoatAdvice]) -> Recommended | None:
    """The undercoat to take; None for an army without work.

    One that lets every colour show, is about as quick as the quickest, and in whose missed recesses least stands out. Stains
    ask first for the lightest ground from above, since the ground is their light.
    """
    if not known:
        return None
    sound = [one for one in known if not one.lost] or list(known)
    main = _main_colour(design, resolution)
    if design.method.works_on_ground:
        chosen = max(sound, key=lambda one: (one.ground.above is not None, one.colour.lightness, -one.cost.minutes))
        why = "stains take their light from the ground, so it is light where light falls and dark beneath"
        return Recommended(chosen, f"{design.method.title}: {why}{main}.")
    quickest = min(one.cost.minutes for one in sound)
    close = [one for one in sound if one.cost.minutes <= AS_QUICK * quickest]
    chosen = min(close, key=lambda one: (one.glare, one.cost.minutes))
    now = next((one for one in known if one.ground == design.scheme.ground), chosen)
    spared = (now.cost.minutes - chosen.cost.minutes) / 60
    said = [
        f"{design.method.title}: within 5 % of the quickest"
        + (f", {spared:.0f} h less than now" if spared >= 1 else "")
    ]
    if chosen.glare >= GLARES:
        said.append(f"missed recesses would show {chosen.glare:.0f} L* too light, so look into them")
    else:
        said.append("recesses that no brush reaches pass for shadow")
    return Recommended(chosen, f"{', '.join(said)}{main}.")


def _main_colour(design: Design, resolution: Resolution) -> str:
    shares = role_shares(resolution, design.scheme)
    role = next((design.scheme.role(one) for one in shares if design.scheme.role(one).recipe().steps), None)
    return f"; {role.name}, {100 * shares[role.id]:.0f} % of the army, is {role.paint_name}" if role else ""
