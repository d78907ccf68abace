"""What metal on a figure is for: structure, weapon, ornament or fittings; painters give each one metal."""

from ..memory import remembered

#: functions in the order in which they are told
FUNCTIONS = {
    "structure": "armour and structure", "weapon": "blades, barrels and heads", "ornament": "ornament and emblems",
    "fittings": "buckles, buttons and fittings",
}  # fmt: skip
METALS = ("metal", "plate", "mail")
#: second steps of weapons and vehicles that hurt
_HURTS = {"blade", "head", "barrel", "bayonet", "lock", "gun"}
#: last steps that adorn
_ADORNS = {
    "badge", "boss", "bosses", "finial", "crest", "mount", "gorget", "rim", "trim", "crown", "brow", "keel", "pommel", "plate",
    "clasp", "knob", "earring", "dolphins", "eye", "spike",
}  # fmt: skip


@remembered(1_000, each=60)
def function_of(area: str, material: str) -> str:
    """What the metal of an area is for, a key of ``FUNCTIONS``; '' where it is none.

    >>> function_of("weapon.blade.edge", "metal"), function_of("arm.left.vambrace", "plate"), function_of("gear.belt.buckle", "metal")
    ('weapon', 'structure', 'fittings')
    """
    if material not in METALS:
        return ""
    steps = area.split(".")
    if material in ("plate", "mail"):
        return "structure"
    if steps[0] in ("weapon", "vehicle") and steps[1] in _HURTS:
        return "weapon"
    if steps[-1] in _ADORNS:
        return "ornament"
    return (
        "structure" if steps[0] == "vehicle" and steps[-1] not in ("rivets", "bolts", "hinge", "ring") else "fittings"
    )
