"""The check of what figures are built with: options that are over their number, and parts still looked for."""

from .finding import Check, Finding
from .look import Look


def build(look: Look) -> Check:
    """Options of units that are built more often than allowed; parts that are missing where building has begun."""
    army, found = look.design.army, []
    for unit in army.units:
        rank = unit.ranks[0].id if unit.ranks else ""
        for one in unit.equipment:
            said = ""
            if one.over:
                said = f"{army.title(unit.id)}: {one.built} with {one.name}, allowed {one.allowed}"
            elif one.built and one.state == "looked for":
                said = f"{army.title(unit.id)}: parts for {one.built} with {one.name} are still looked for"
            if said:
                key = f"{unit.id}|{one.name}|{'over' if one.over else 'parts'}"
                found.append(Finding(said, key, unit.id, rank, number=one.over or 0.5, figures=one.built))
    found.sort(key=lambda finding: -finding.number)
    worst = found[0].what if found else "what is built is allowed, and its parts are there"
    rule = "No option is built more often than its unit may have it, and none whose parts are still looked for."
    return Check("build", "What is built", "look" if found else "clear", worst, tuple(found), rule)
