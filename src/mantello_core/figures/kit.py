"""Figure types of a painter's own, put together from the parts of one kit."""

from dataclasses import dataclass

from ..errors import Contradiction, OutOfRange, UnknownName
from .figure import Figure, Use


@dataclass(frozen=True)
class Slot:
    """One place of a kit that a part goes to."""

    id: str
    title: str
    parts: tuple[str, ...]
    needed: bool = True
    several: bool = False


@dataclass(frozen=True)
class Kit:
    """Parts that go together, place by place."""

    id: str
    title: str
    slots: tuple[Slot, ...]
    bodies: tuple[str, ...] = ("vehicle",)
    views: tuple[str, ...] = ("front", "back")
    kind: str = "figure"
    #: what can be had with or without: id to words
    details: tuple[tuple[str, str], ...] = ()


@dataclass(frozen=True)
class Making:
    """What was chosen: a kit, a body, (slot, part) pairs and details."""

    kit: str = "foot"
    body: str = "standard"
    parts: tuple[tuple[str, str], ...] = ()
    details: tuple[str, ...] = ()

    def part(self, slot: str) -> tuple[str, ...]:
        """The parts chosen for a slot."""
        return tuple(part for one, part in self.parts if one == slot)


_ARMS = (
    "arm.relaxed", "arm.grip", "arm.bracer", "arm.plate", "arm.plate.raised", "arm.rolled", "arm.sealed", "arm.sealed.grip",
    "arm.field", "arm.field.grip", "arm.bare", "arm.bare.grip", "arm.robe", "arm.bones",
)  # fmt: skip
_HEADS = (
    "head.keelcap", "head.hood", "head.widehat", "head.tidehelm", "head.goggles", "head.headcloth", "head.bare", "head.braids",
    "head.bearded", "head.topknot", "head.lenshelm", "head.fieldhelm", "head.coveredcap", "head.crewcap", "head.beret", "head.cowl",
    "head.mask", "head.circlet", "head.nasalhelm", "head.hornedhelm", "head.skull", "head.brute",
)  # fmt: skip
_TORSOS = (
    "torso.longcoat", "torso.jerkin", "torso.surcoat", "torso.apron", "torso.cuirass", "torso.field", "torso.flakvest",
    "torso.greatcoat", "torso.robe", "torso.bare", "torso.scale", "torso.belly", "torso.bones",
)  # fmt: skip
_LEGS = (
    "legs.gaiters", "legs.waders", "legs.jackboots", "legs.plate", "legs.wraps", "legs.sealed", "legs.field", "legs.kilt",
    "legs.sandals", "legs.baggy", "legs.bones",
)  # fmt: skip
_WEAPONS = (
    "weapon.springlock", "weapon.boathook", "weapon.sword", "weapon.sickle", "weapon.greatkey", "flag.gonfalon", "weapon.drumstick",
    "weapon.rifle", "weapon.carbine", "weapon.coilgun", "weapon.pistol", "weapon.spear", "weapon.trident", "weapon.staff",
    "weapon.greatsword", "weapon.greataxe", "weapon.warhammer", "weapon.mace", "weapon.club", "weapon.crossbow",
)  # fmt: skip
_OFFHAND = (
    "gear.lantern", "weapon.sword", "weapon.sickle", "weapon.drumstick", "weapon.pistol", "weapon.mace", "weapon.bow",
)  # fmt: skip
_GEAR = (
    "gear.crossbelts", "gear.pack", "gear.sash", "gear.gorget", "gear.swordscabbard", "gear.hilt", "gear.slunggun", "gear.drum",
    "gear.bedroll", "gear.radio", "gear.ventpack",
)  # fmt: skip
_SIDED, _TOPPED = ("left", "right"), ("left", "right", "top")
KITS = {
    kit.id: kit
    for kit in (
        Kit("foot", "On foot", (
            Slot("head", "Head", _HEADS),
            Slot("torso", "Body", _TORSOS),
            Slot("legs", "Legs", _LEGS),
            Slot("arm.right", "Right arm", _ARMS),
            Slot("hand.right", "In the right hand", _WEAPONS, needed=False),
            Slot("arm.left", "Left arm", _ARMS),
            Slot("hand.left", "In the left hand", _OFFHAND, needed=False),
            Slot("shield", "Shield on the left arm", ("shield.tide", "shield.wicker", "shield.round", "shield.tower", "shield.buckler"), needed=False),
            Slot("cloak", "Cloak", ("cloak.marsh", "cloak.cape", "cloak.wings"), needed=False),
            Slot("gear", "Worn and carried", _GEAR, needed=False, several=True),
            Slot("stand", "Base", ("base.round25", "base.paved25", "base.oval60")),
        ), bodies=("standard", "stout", "tall", "small", "giant"), details=(("plume", "Plume on the cap"), ("wings", "Shoulder wings on the coat"), ("gloves", "Gloves"))),
        Kit("mounted", "Mounted", (
            Slot("rider", "Rider", ("rider.light", "rider.knight"), needed=False),
            Slot("cloth", "On the horse", ("mount.saddlecloth", "mount.trapper"), needed=False),
            Slot("bridle", "Bridle", ("mount.bridle",), needed=False),
            Slot("mount", "Mount", ("mount.horse",)),
            Slot("stand", "Base", ("base.oval60",)),
        ), views=_SIDED),
        Kit("beast", "Beast", (
            Slot("harness", "Harness", ("beast.harness",), needed=False),
            Slot("beast", "Beast", ("beast.tortoise",)),
            Slot("stand", "Base", ("base.oval60",)),
        ), views=_SIDED),
        Kit("hull", "Boat or car", (
            Slot("top", "On the hull", ("punt.casemate", "punt.mainspring", "boat.mast", "boat.cargo"), needed=False, several=True),
            Slot("hull", "Hull", ("punt.hull",)),
            Slot("wheels", "Wheels", ("punt.wheels",), needed=False),
        ), views=_TOPPED, kind="vehicle"),
        Kit("walker", "Walker", (
            Slot("cabin", "Cabin", ("walker.cabin",)),
            Slot("arm", "Arm", ("walker.arm",), needed=False),
            Slot("legs", "Legs", ("walker.legs",)),
        ), views=_TOPPED, kind="vehicle"),
        Kit("flier", "Flying machine", (
            Slot("hull", "Hull", ("flier.hull",)),
            Slot("wings", "Wings", ("flier.wings",)),
            Slot("tail", "Tail", ("flier.tail",), needed=False),
        ), views=_TOPPED, kind="vehicle"),
        Kit("motor", "Motor vehicle", (
            Slot("top", "On it", ("motor.turret", "motor.tilt", "motor.stowage"), needed=False, several=True),
            Slot("hull", "Hull", ("motor.tracked", "motor.halftrack", "motor.lorry")),
        ), views=_TOPPED, kind="vehicle"),
        Kit("bike", "Motor cycle", (
            Slot("rider", "Rider", ("bike.rider",), needed=False),
            Slot("gun", "On the bar", ("bike.gun",), needed=False),
            Slot("machine", "Machine", ("bike.machine",)),
            Slot("stand", "Base", ("base.oval60",)),
        ), views=_SIDED),
        Kit("skimmer", "Skimmer", (
            Slot("top", "On the hull", ("skim.canopy", "skim.gun"), needed=False, several=True),
            Slot("hull", "Hull", ("skim.hull",)),
        ), views=_TOPPED, kind="vehicle"),
        Kit("plane", "Float plane", (
            Slot("floats", "Beneath", ("plane.floats",), needed=False),
            Slot("hull", "Body", ("plane.fuselage",)),
            Slot("wings", "Wings", ("plane.wings",)),
        ), views=_TOPPED, kind="vehicle"),
        Kit("ship", "Ship, in small", (Slot("hull", "Ship", ("ship.hull",)),), views=_TOPPED, kind="vehicle"),
        Kit("creature", "Great beast", (
            Slot("beast", "Beast", ("beast.drake", "beast.serpent")),
            Slot("stand", "Base", ("base.oval60",)),
        ), views=_SIDED),
        Kit("strip", "Strip of small figures", (Slot("men", "Figures", ("strip.six", "strip.ten", "strip.fifteen")),)),
        Kit("gun", "Gun", (
            Slot("barrel", "Barrel", ("gun.barrel",)),
            Slot("carriage", "Carriage", ("gun.carriage",)),
            Slot("wheels", "Wheels", ("gun.wheels",)),
        ), views=_TOPPED, kind="vehicle"),
    )
}  # fmt: skip
BODY_TITLES = {
    "standard": "Standard",
    "stout": "Stout",
    "tall": "Tall",
    "small": "Small folk",
    "giant": "Giant",
    "vehicle": "As it is",
}
#: parts in plain words, where the id alone does not say it
_TITLES = {
    "head.keelcap": "Keel cap", "head.tidehelm": "Tide helm", "head.widehat": "Wide hat", "head.headcloth": "Head cloth",
    "torso.longcoat": "Long coat", "torso.apron": "Work apron", "arm.relaxed": "Hanging", "arm.grip": "Gripping",
    "arm.bracer": "With bracer", "arm.plate": "In plate", "arm.plate.raised": "In plate, raised", "arm.rolled": "Sleeve rolled",
    "weapon.springlock": "Musket", "weapon.boathook": "Boat hook", "weapon.greatkey": "Great key", "flag.gonfalon": "Banner",
    "shield.tide": "House shield", "shield.wicker": "Wicker shield", "cloak.marsh": "Marsh cloak", "gear.swordscabbard": "Scabbard",
    "gear.hilt": "Sword hilt", "gear.slunggun": "Slung gun", "base.round25": "Shore, 25 mm", "base.paved25": "Paved, 25 mm",
    "base.oval60": "Oval, 60 mm", "rider.light": "Light rider", "rider.knight": "Knight", "mount.saddlecloth": "Saddle cloth",
    "head.lenshelm": "Lensed helm", "head.fieldhelm": "Steel helmet", "head.coveredcap": "Covered cap", "head.crewcap": "Crew cap",
    "head.nasalhelm": "Helm with nose guard", "head.hornedhelm": "Horned helm", "head.circlet": "Crowned", "head.bare": "Bare head",
    "head.bearded": "Bald, bearded", "head.brute": "Brute", "head.skull": "Skull in a kettle helm", "head.mask": "Mask and veil",
    "torso.cuirass": "Sealed cuirass", "torso.field": "Field tunic", "torso.flakvest": "Plated vest", "torso.bare": "Bare chest",
    "torso.scale": "Scale shirt", "torso.belly": "Great belly", "torso.bones": "Ribs", "legs.sealed": "Sealed plate",
    "legs.field": "Field trousers", "legs.baggy": "Baggy trousers", "legs.bones": "Bones", "arm.sealed": "Sealed, hanging",
    "arm.sealed.grip": "Sealed, gripping", "arm.field": "Field sleeve, hanging", "arm.field.grip": "Field sleeve, gripping",
    "arm.bare": "Bare, hanging", "arm.bare.grip": "Bare, gripping", "arm.robe": "Wide sleeve", "arm.bones": "Bones",
    "weapon.coilgun": "Spring-coil gun", "weapon.greatsword": "Two-handed sword", "weapon.greataxe": "Long axe",
    "weapon.warhammer": "War hammer", "weapon.staff": "Lamp staff", "shield.round": "Round shield", "shield.tower": "Tall shield",
    "shield.buckler": "Buckler", "cloak.cape": "Short cape", "cloak.wings": "Feathered wings", "gear.radio": "Far-speaker",
    "gear.ventpack": "Back device with vents", "motor.tracked": "Tracked", "motor.halftrack": "Half-tracked", "motor.lorry": "Lorry",
    "motor.turret": "Turret", "motor.tilt": "Bed under a tilt", "motor.stowage": "Stowage", "bike.machine": "Motor cycle",
    "bike.rider": "Rider in a coat", "bike.gun": "Light gun", "skim.hull": "Keeled hull", "skim.canopy": "Canopy",
    "skim.gun": "Pair of guns", "plane.fuselage": "Body", "plane.wings": "Straight wing", "plane.floats": "Floats",
    "ship.hull": "Steam gunboat", "beast.drake": "Winged drake", "beast.serpent": "Serpent", "strip.six": "Eight foot, for 6 mm",
    "strip.ten": "Four foot, for 10 mm", "strip.fifteen": "Three foot, for 15 mm",
    "punt.casemate": "Casemate", "punt.mainspring": "Mainspring", "boat.mast": "Mast", "boat.cargo": "Cargo",
}  # fmt: skip
#: arms that a shield can hang on
_CARRIES = ("arm.plate", "arm.rolled", "arm.sealed", "arm.field", "arm.bare")
#: where a part sits when it is not just at its anchor
_SETTLED = {"gear.slunggun": {"turn": -27, "dx": -8, "dy": 8}, "shield.wicker": {"dy": 14}}
_GLOVED = ("arm.relaxed", "arm.grip", "arm.rolled", "arm.field", "arm.field.grip")


def kit_of(kit_id: str) -> Kit:
    """The kit of that id.

    Raises: UnknownName.
    """
    if kit_id not in KITS:
        raise UnknownName("kit", kit_id, list(KITS), "kit")
    return KITS[kit_id]


def part_title(part_id: str) -> str:
    """A part in plain words.

    >>> part_title("gear.slunggun"), part_title("legs.gaiters")
    ('Slung gun', 'Gaiters')
    """
    return _TITLES.get(part_id, part_id.split(".")[-1].capitalize())


def usual_making(kit_id: str) -> Making:
    """Where a painter may start: the first part of every slot that needs one, armed and belted on foot."""
    kit = kit_of(kit_id)
    parts = [(slot.id, slot.parts[0]) for slot in kit.slots if slot.needed or kit.id != "foot"]
    if kit.id == "foot":
        parts = [(slot, "arm.grip" if slot == "arm.right" else part) for slot, part in parts]
        parts += [("hand.right", "weapon.springlock"), ("gear", "gear.crossbelts")]
    return Making(kit.id, kit.bodies[0], tuple(parts), ("plume", "wings") if kit.id == "foot" else ())


def made_figure(type_id: str, title: str, making: Making) -> Figure:
    """The figure type a choice of parts makes.

    Raises: UnknownName for a kit, body, slot, part or detail there is not; OutOfRange if a slot has none
    or too many; Contradiction if parts cannot go together.
    """
    kit = kit_of(making.kit)
    if making.body not in kit.bodies:
        raise UnknownName("body", making.body, list(kit.bodies), "body")
    for detail in making.details:
        if detail not in dict(kit.details):
            raise UnknownName("detail", detail, list(dict(kit.details)), "details")
    slots = {slot.id: slot for slot in kit.slots}
    for slot, part in making.parts:
        if slot not in slots:
            raise UnknownName("place of the kit", slot, list(slots), "parts")
        if part not in slots[slot].parts:
            raise UnknownName(f"part for '{slots[slot].title.lower()}'", part, list(slots[slot].parts), slot)
    for slot in kit.slots:
        chosen = making.part(slot.id)
        if slot.needed and not chosen:
            raise OutOfRange(f"Nothing is chosen for '{slot.title.lower()}'; a figure needs it.", slot.id)
        if len(set(chosen)) != len(chosen) or (len(chosen) > 1 and not slot.several):
            raise OutOfRange(f"{len(chosen)} parts for '{slot.title.lower()}'; allowed is each one once.", slot.id)
    if making.part("shield") and making.part("arm.left")[0] not in _CARRIES:
        raise Contradiction(
            "A shield hangs on an arm that hangs: in plate, sealed, sleeve rolled, field sleeve or bare; choose one as left arm, or no shield.",
            "shield",
        )
    uses = [use for slot in reversed(kit.slots) for use in _uses(slot.id, making)]
    held = ("hand.left", "hand.right", "shield.left")
    uses.sort(key=lambda use: use.at in held or use.part.split(".")[0] == "shield")
    return Figure(type_id, title, tuple(uses), making.body, kit.views, kit.kind)


def _uses(slot: str, making: Making) -> list[Use]:
    found = []
    for part in making.part(slot):
        opts: dict = {}
        if part == "head.keelcap":
            opts = {"plume": "plume" in making.details}
        elif part == "torso.longcoat":
            opts = {"wings": "wings" in making.details}
        elif part in _GLOVED:
            opts = {"hand": "leather" if "gloves" in making.details else "skin"}
        side = slot.split(".")[1] if slot.startswith(("arm.", "hand.")) and making.kit == "foot" else ""
        at = slot if slot.startswith("hand.") else "shield.left" if slot == "shield" else ""
        if at and part != "weapon.drumstick":
            side = ""
        found.append(Use(part, side=side, at=at, opts=opts, **_SETTLED.get(part, {})))
    return found
