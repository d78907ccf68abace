"""Which parts are better painted apart: what they hide from the brush, and whether the joint can be hidden."""

from dataclasses import dataclass

from .plate import Plate
from .vocabulary import group_of, spoken

#: groups of parts that can stay loose until they are painted, and how their joint is hidden
LOOSE = {
    "Cloak": "the joint lies under the collar",
    "Shield": "the joint lies behind the shield, at the arm",
    "Weapon": "pinned through the hand",
    "Flag": "the pole slides through the hand",
    "Head": "the joint lies under the collar or the scarf",
    "Mount": "the rider sits on a peg in the saddle",
}
#: groups of parts that hands may wear, or that bend
HELD = (*LOOSE, "Base")
#: share of a neighbour that must be hidden before it is worth while, and mm² of it
WORTH_SHARE, WORTH_MM2 = 0.25, 10.0


@dataclass(frozen=True)
class LooseAdvice:
    """One group of parts of one figure type: what it hides."""

    group: str
    #: mm² of painted surface of other parts that it hides, an estimate
    hidden_mm2: float
    #: areas of which it hides most, worst first
    areas: tuple[str, ...]
    joint: str

    @property
    def words(self) -> str:
        """As in 'hides 14 mm² of sword belt, left cuff'."""
        names = list(dict.fromkeys(spoken(area).lower() for area in self.areas))
        return f"hides {self.hidden_mm2:.0f} mm² of {', '.join(names[:4])}" + (
            f" and {len(names) - 4} more" if len(names) > 4 else ""
        )


def loose_advice(plate: Plate) -> tuple[LooseAdvice, ...]:
    """Groups that hide enough of others to be painted apart, the most hidden first.

    The drawing tells how much of an area others hide, not which: what is hidden is shared out over the parts that touch
    it and lie above it, by the length of the seam.
    """
    hidden: dict[str, dict[str, float]] = {}
    for name, area in plate.areas.items():
        if area.visibility >= 1 or group_of(name) == "Base":
            continue
        above = {
            other: length
            for other, length in plate.neighbours[name].items()
            if plate.areas[other].z > area.z and group_of(other) != group_of(name)
        }
        whole = area.surface_mm2 * (1 / max(area.visibility, 0.05) - 1)
        for other, length in above.items():
            group = group_of(other)
            if group in LOOSE and 1 - area.visibility >= WORTH_SHARE:
                mine = hidden.setdefault(group, {})
                mine[name] = mine.get(name, 0.0) + whole * length / sum(above.values())
    found = [
        LooseAdvice(group, sum(areas.values()), tuple(sorted(areas, key=lambda one: (-areas[one], one))), LOOSE[group])
        for group, areas in hidden.items()
        if sum(areas.values()) >= WORTH_MM2
    ]
    return tuple(sorted(found, key=lambda one: -one.hidden_mm2))
