"""Checks of effort: steps spent where nobody will see them."""

from ..figures.vocabulary import sideless, spoken
from ..recipes.handwork import brushing_seconds
from .finding import Check, Finding, at
from .look import Look

#: kinds of step that only refine what a base coat says already
_REFINING = ("glaze", "layer", "drybrush", "highlight", "edge")


def hidden(look: Look) -> Check:
    """Areas that other parts hide, and the minutes that lights on them would take."""
    design, resolution = look.design, look.resolution
    least = design.scheme.aims.threshold("hidden")
    spent: dict[str, list] = {}
    for one in resolution.classes:
        for name, cell in one.cells.items():
            area = one.plate.areas[name]
            if area.visibility >= least or not cell.role:
                continue
            around = design.around(one.tier, len(one.ordinals))
            recipe = design.scheme.role(cell.role).recipe(one.tier)
            outcomes = design.scheme.predicted(recipe, one.ground_of(name)).outcomes
            seconds = sum(
                brushing_seconds(outcome.step, area.extent, outcome.coats, around)
                for outcome in outcomes
                if outcome.step.kind in _REFINING
            )
            if seconds > 0:
                key = f"{one.type}|{sideless(name)}"
                entry = spent.setdefault(key, [one, name, area.visibility, 0.0, 0])
                entry[3] += seconds * len(one.ordinals) / 60
                entry[4] += len(one.ordinals)
    found: list[Finding] = []
    for key, (one, name, visibility, minutes, _) in spent.items():
        if minutes >= 1:
            said = f"{spoken(sideless(name))} is {visibility:.0%} seen; lights there take {minutes:.0f} min"
            found.append(at(design.army, one, name, said, key, minutes))
    found.sort(key=lambda finding: -finding.number)
    whole = sum(finding.number for finding in found)
    worst = found[0].what if found else "no lights are spent where nobody sees them"
    rule = f"Areas of which less than {least:.0%} is seen on the finished model want a base coat, not lights" + (
        f": {whole:.0f} min could be spared." if found else "."
    )
    return Check("hidden", "Hidden effort", "look" if found else "clear", worst, tuple(found), rule, ("hidden",))
