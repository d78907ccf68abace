"""A coat of the pot over its can, proposed where the two would be seen side by side, or where a stain wants to grip."""

from dataclasses import dataclass

from ..design.design import Design
from ..mixing.undercoat import twin_apart
from ..paints.paint import Paint
from ..paints.range import paint
from ..scheme.cascade import Resolution

#: CIEDE2000 under which nobody tells a touch-up from the can around it
SEEN = 1.0


@dataclass(frozen=True)
class PotCoatAdvice:
    """The pot to lay over the can, how far the two are apart, and why it is wanted here."""

    pot: Paint
    apart: float
    reasons: tuple[str, ...]


def pot_coat_advice(design: Design, resolution: Resolution) -> PotCoatAdvice | None:
    """None where the undercoat is no can with a pot, has its coat already, or nothing here asks for it."""
    ground = design.scheme.ground
    apart = twin_apart(ground.undercoat)
    if apart is None or ground.pot_coat or ground.above:
        return None
    reasons = []
    if design.scheme.finishing.touch_up and apart >= SEEN:
        reasons.append(f"Touch-ups are planned: from the pot they would stand {apart:.1f} off the can (CIEDE2000).")
    if apart >= SEEN and any(cell.role == "" for one in resolution.classes for cell in one.cells.values()):
        reasons.append("Some areas keep the can's colour: a slip on them cannot be mended from the can.")
    if stains := _stained(design, resolution):
        reasons.append(
            f"{' and '.join(stains[:2])} {'is a stain' if len(stains) == 1 else 'are stains'}: they grip a brushed coat better than a sprayed one."
        )
    return PotCoatAdvice(paint(ground.undercoat.twin), apart, tuple(reasons)) if reasons else None


def _stained(design: Design, resolution: Resolution) -> list[str]:
    """Names of worn roles that begin with a stain."""
    found: dict[str, None] = {}
    for one in resolution.classes:
        for role in dict.fromkeys(one.roles_worn.values()):
            base = design.scheme.role(role).recipe(one.tier).base if role else None
            if base and base.kind == "stain":
                found[design.scheme.role(role).name] = None
    return list(found)
