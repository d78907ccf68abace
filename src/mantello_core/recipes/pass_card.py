"""What to set and hold at a step that is sprayed: a pass card.

Starting values of general practice for water-based acrylics; docs/methods/minutes.md gives them with their limits.
"""

from dataclasses import dataclass

from .step import Step

#: share of an area below which a pass is fine work
FINE = 0.35
#: fine work, areas, metals: needle mm, bar, cm from the figure
_SETTINGS = {
    "fine": ("0.2", "0.8 to 1.0", "2 to 4"),
    "area": ("0.3 to 0.4", "1.2 to 1.5", "6 to 10"),
    "metal": ("0.4 to 0.5", "1.4 to 1.7", "6 to 10"),
}
#: of a can: cm from the figure
_CAN = "20 to 30"


@dataclass(frozen=True)
class PassCard:
    """How one spray pass is laid."""

    #: airbrush or can
    tool: str
    #: (what, how), in the order they are set
    rows: tuple[tuple[str, str], ...]


def pass_card(step: Step) -> PassCard | None:
    """The card of a step; None where it is brushed."""
    if not step.sprayed:
        return None
    can = step.by_can
    reached = f"about {100 * step.share:.0f} % of each panel" if step.share < 0.95 else "all of it"
    rows = [("Angle", _angle(step)), ("Reaches", reached)]
    if can:
        rows.append(("Distance", f"{_CAN} cm"))
    else:
        metal = any(pot.flake for pot in step.mix.paints)
        needle, bar, distance = _SETTINGS["metal" if metal else "fine" if step.share < FINE else "area"]
        rows += [("Distance", f"{distance} cm"), ("Pressure", f"{bar} bar at the brush, moving air"),
                 ("Needle", f"{needle} mm"), ("Thinned", _thinned(step))]  # fmt: skip
    rows.append(("Coats", "mist coats, each matt before the next"))
    return PassCard("can" if can else "airbrush", tuple(rows))


def _angle(step: Step) -> str:
    if step.goes.place != "sprayed":
        return "from all sides, the stick turned a quarter after each pass"
    angle = 90.0 if step.goes.angle is None else step.goes.angle
    if angle >= 75:
        return f"{angle:g} degrees: from straight above"
    if angle >= 20:
        return f"{angle:g} degrees above the level, once round the figure"
    return f"{angle:g} degrees: level with the figure, from the side the light comes from"


def _thinned(step: Step) -> str:
    if step.mix.diluent == "neat":
        ready = all(pot.kind == "air" for pot in step.mix.paints)
        return "ready as it comes" if ready else "to the thickness of milk first: it is neat here"
    return f"{step.mix.dilution:.2g} {step.mix.diluent} to 1 of paint; milk that leaves the side of the cup clear"
