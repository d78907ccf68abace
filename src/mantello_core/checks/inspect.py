"""All checks of a design, in a fixed order."""

from ..design.design import Design
from ..scheme.cascade import Resolution
from . import balance, build, contrast, dress, effort, laid, lamps, mapping, marks, metals, small
from .codes import codes
from .finding import Check, checked
from .look import Look

CHECKS = (
    mapping.unmapped,
    contrast.neighbours,
    contrast.lookalikes,
    balance.trouble,
    mapping.overridden,
    mapping.ranks,
    codes,
    marks.sites,
    marks.emblems,
    marks.arms,
    contrast.values,
    contrast.focus,
    balance.accents,
    balance.shares,
    balance.common,
    balance.signatures,
    metals.metals,
    lamps.lamps,
    balance.materials,
    effort.hidden,
    effort.unseen,
    small.small,
    mapping.dead,
)


def inspect(design: Design, resolution: Resolution, look: Look | None = None) -> tuple[Check, ...]:
    """Every check, accepted findings set apart; passes over the figure and dress only where there are any.

    look: at the same design and resolution, if there is one already.
    """
    look = look or Look(design, resolution)
    asked = (*CHECKS, laid.passes) if design.scheme.passes else CHECKS
    asked = (*asked, build.build) if any(unit.equipment for unit in design.army.units) else asked
    asked = (*asked, dress.losses, dress.sources, dress.words, dress.alike) if design.scheme.dress else asked
    return tuple(checked(check(look), design.scheme.aims) for check in asked)
