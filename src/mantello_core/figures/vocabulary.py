"""Area names: which heads exist, how a name is checked, grouped and said in plain words."""

from ..memory import remembered

SIDES = ("left", "right")
#: first step -> allowed second steps ('*' = a side)
TREE = {
    "head": {
        "face", "ears", "eyes", "hair", "moustache", "beard", "hat", "hood", "helm", "mail", "scarf", "queue", "goggles", "cap",
        "coif", "crown", "skull", "mask", "veil", "horns", "tusks", "brow", "teeth", "phones", "lens",
    },
    "torso": {
        "coat", "vest", "stock", "shirt", "tunic", "jerkin", "surcoat", "mail", "plate", "apron", "suit", "cuirass", "tasset",
        "field", "greatcoat", "robe", "stole", "skin", "scale", "bones", "rags", "loincloth", "dress", "tabard", "sash",
    },
    "arm": {"*"},
    "hand": {"*"},
    "leg": {"*"},
    "cloak": {"body", "lining", "trim", "mantle", "clasp", "collar", "wing"},
    "gear": {
        "strap", "box", "scabbard", "pack", "blanket", "belt", "pouch", "knife", "lantern", "sash", "gorget", "drum",
        "valise", "stirrup", "baldric", "bottle", "charm", "device", "hose", "radio", "roll", "rope", "satchel", "tank", "tool",
        "webbing", "horn", "book", "bellows", "quiver", "helmet", "rail", "canteen", "bandolier",
    },
    "weapon": {
        "stock", "barrel", "butt", "bands", "lock", "guard", "sling", "bayonet", "pole", "head", "pennon", "blade",
        "sword", "haft", "club", "limb", "string", "bolt", "grip", "stirrup", "sight", "magazine", "muzzle", "coil", "cell", "body",
        "cage", "lamp", "cord", "shaft", "line", "tube", "claw",
    },
    "shield": {"rim", "face", "charge", "rivets", "back", "strap", "boss"},
    "flag": {"field", "border", "chief", "device", "fringe", "pole", "crossbar", "rings", "cord", "tassel", "finial"},
    "beast": {
        "body", "shell", "head", "neck", "leg", "claw", "tail", "harness", "howdah", "wing", "belly", "horn", "crest", "jaw", "eye",
        "teeth", "scale", "mane", "fin", "spine", "tongue", "skin",
    },
    "mount": {
        "body", "neck", "head", "mane", "tail", "leg", "hoof", "bridle", "breaststrap", "cloth", "girth", "saddle",
        "trapper", "chamfron",
    },
    "base": {"rim", "ground", "pool", "stone", "tuft", "slab", "ring", "weed", "plank", "stem"},
    "vehicle": {
        "hull", "deck", "prow", "fender", "oar", "bitts", "gun", "casemate", "cupola", "hatch", "poles", "spring",
        "lantern", "stowage", "undercarriage", "wheel", "strut", "guard",
        "carriage", "trail", "axle", "mast", "sail", "rigging", "tiller", "cargo", "cabin", "leg", "foot", "arm", "wing", "tail", "cockpit",
        "track", "turret", "skirt", "exhaust", "antenna", "lamp", "canopy", "float", "door", "bed", "tilt", "seat", "frame", "tank",
        "bar", "saddle", "fork", "engine", "grille", "rail", "funnel", "bridge", "light", "window", "bumper", "step", "fan", "nose",
        "intake", "rotor", "plate", "pod", "box", "number", "rib",
    },
}  # fmt: skip
#: heads of names in the order of the mapping table, and the group each belongs to
GROUPS = {
    "head": "Head", "torso": "Torso", "arm": "Arms", "hand": "Arms", "leg": "Legs", "cloak": "Cloak", "gear": "Gear",
    "weapon": "Weapon", "shield": "Shield", "flag": "Flag", "mount": "Mount", "beast": "Beast", "vehicle": "Vehicle", "base": "Base",
}  # fmt: skip
#: heads that stay in the spoken name when one step follows, since the step alone would mislead
_KEEPS_HEAD = {"beast", "mount", "weapon", "shield", "flag", "base", "cloak"}
_SPOKEN_STEPS = {
    "q1": "first quarter", "q2": "second quarter", "q3": "third quarter", "q4": "fourth quarter",
    "mid": "middle", "cross": "cross", "wings": "wings",
}  # fmt: skip


#: groups of areas that are painted together; the others can be kept apart until they are painted
BODY = "Body, arms, legs and gear"
_TOGETHER = {"Torso", "Arms", "Legs", "Gear"}
#: what can be sprayed apart
SUB_ASSEMBLIES = (BODY, *(group for group in dict.fromkeys(GROUPS.values()) if group not in _TOGETHER))


def assembly_of(area: str) -> str:
    """What an area is kept apart with.

    >>> assembly_of("torso.coat"), assembly_of("cloak.body")
    ('Body, arms, legs and gear', 'Cloak')
    """
    group = GROUPS[area.split(".")[0]]
    return BODY if group in _TOGETHER else group


#: steps that a painter's own name may have, and signs of each
MOST_STEPS, MOST_SIGNS = 4, 24


def own_name(text: str) -> str:
    """A painter's own name for an area, under a known head: words become steps; '' where no head is named, or too much.

    >>> own_name("torso corselet"), own_name("left arm cup rim"), own_name("gear hose, right"), own_name("corselet")
    ('torso.corselet', 'arm.left.cup.rim', 'gear.hose.right', '')
    """
    words = "".join(sign if sign.isalnum() else " " for sign in text.casefold()).split()
    sides, said = [word for word in words if word in SIDES], [word for word in words if word not in SIDES]
    if not said or said[0] not in TREE or len(sides) > 1:
        return ""
    head, *rest = said
    name = ".".join([head, *sides, *rest] if "*" in TREE[head] else [head, *rest, *sides])
    return name if fault(name, own=True) is None else ""


def fault(name: str, *, own: bool = False) -> str | None:
    """Why a name is not allowed, or None. own: whether a painter's own second steps are."""
    steps = name.split(".")
    if own and (len(steps) > MOST_STEPS or any(len(step) > MOST_SIGNS for step in steps)):
        return f"a name has up to {MOST_STEPS} steps of up to {MOST_SIGNS} signs"
    if not all(step and step.replace("_", "").isalnum() and step == step.lower() for step in steps):
        return "steps must be lower-case letters and digits"
    if steps[0] not in TREE:
        return f"unknown first step '{steps[0]}'"
    if len(steps) == 1:
        return "needs at least two steps"
    allowed = TREE[steps[0]]
    if "*" in allowed:
        return None if steps[1] in SIDES else f"second step of {steps[0]} must be left or right"
    return None if own or steps[1] in allowed else f"unknown second step '{steps[1]}' of {steps[0]}"


@remembered(2_000, each=80)
def sideless(name: str) -> str:
    """The name with its side replaced by '*', so that left and right share a row.

    >>> sideless("arm.left.cuff")
    'arm.*.cuff'
    """
    return ".".join("*" if step in SIDES else step for step in name.split("."))


def group_of(name: str) -> str:
    """The group a name belongs to in tables, such as 'Head' or 'Arms'."""
    return GROUPS.get(name.split(".")[0], "Other")


@remembered(2_000, each=80)
def spoken(name: str) -> str:
    """The name in plain words.

    >>> spoken("arm.left.cuff.buttons"), spoken("torso.coat.lapel.right"), spoken("base.rim"), spoken("arm.*.cuff")
    ('Left cuff buttons', 'Right lapel', 'Base rim', 'Cuff')
    """
    steps = name.split(".")
    side = next((step for step in steps if step in SIDES), "")
    said = [step for step in steps if step not in SIDES and step != "*"]
    if len(said) > 2 and said[0] == "torso" and said[1] == "coat":
        said = ["coat", *said[2:]] if said[-1] in ("body", "buttons") else said[2:]
    elif len(said) > 1 and not (len(said) == 2 and said[0] in _KEEPS_HEAD):
        said = said[1:]
    words = " ".join(_SPOKEN_STEPS.get(step, step.replace("_", " ")) for step in said)
    return (f"{side} {words}" if side else words).capitalize()
