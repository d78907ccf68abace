"""A figure type: a list of parts on a body."""

from dataclasses import dataclass, field

#: where the foot of a planted weapon stands
GROUND = 5.0


@dataclass(frozen=True)
class Use:
    """One part in its place."""

    part: str
    #: left or right, for limbs
    side: str = ""
    #: another anchor than the part's own
    at: str = ""
    dx: float = 0.0
    dy: float = 0.0
    #: degrees about the attach point
    turn: float = 0.0
    opts: dict = field(default_factory=dict)


@dataclass(frozen=True)
class Figure:
    """A figure type, to be assembled into a plate."""

    id: str
    title: str
    uses: tuple[Use, ...]
    body: str = "standard"
    views: tuple[str, ...] = ("front", "back")
    kind: str = "figure"


def _body(hip, neck, half, legs=(1, 1), torso=(1, 1)):
    """A skeleton from the heights of hip and neck and half the shoulder width."""
    shoulder, back, side = neck + 14, neck + 40, 40 * torso[0]
    anchors = {
        "ground": (0, 0), "hip": (0, hip), "waist": (0, neck + 76), "chest": (0, back), "neck": (0, neck),
        "back": (0, back), "shoulder.left": (half, shoulder), "shoulder.right": (-half, shoulder),
        "hip.left": (side, neck + 90), "hip.right": (-side, neck + 90),
    }  # fmt: skip
    return {"anchors": anchors, "legs": legs, "torso": torso}


#: A body that has a 'whole' is that many times as large, all but its base. Parts are drawn for 'standard'. Legs scale about the hip, torso parts about the neck; heads, arms
#: and weapons never scale, they only move.
BODIES = {
    "standard": _body(-150, -240, 46),
    "stout": _body(-124, -214, 52, legs=(1.12, 124 / 150), torso=(1.13, 1)),
    "tall": _body(-170, -260, 45, legs=(0.98, 170 / 150), torso=(0.98, 1)),
    "small": _body(-96, -178, 42, legs=(0.95, 96 / 150), torso=(0.92, 0.91)),
    "giant": {**_body(-124, -214, 52, legs=(1.12, 124 / 150), torso=(1.13, 1)), "whole": 2.2},
    "vehicle": {"anchors": {"ground": (0, 0)}, "legs": (1, 1), "torso": (1, 1)},
}
#: slots that follow the torso's scale when they hang on neck, back or hip
WORN = ("torso", "cloak", "gear")


def _limb(part, side, **opts):
    return Use(part, side=side, opts=opts)


FIGURES = (
    Figure("fusilier", "Tidewall fusilier", (
        Use("base.round25"), Use("legs.gaiters"), Use("torso.longcoat"), Use("gear.crossbelts"), Use("gear.pack"),
        Use("head.keelcap"), _limb("arm.relaxed", "left"), _limb("arm.grip", "right"),
        Use("weapon.springlock", at="hand.right"),
    )),
    Figure("sergeant", "Tidewall sergeant", (
        Use("base.round25"), Use("legs.gaiters"), Use("torso.longcoat"), Use("gear.sash"), Use("gear.swordscabbard"),
        Use("head.keelcap"), _limb("arm.relaxed", "left"), _limb("arm.grip", "right"),
        Use("weapon.boathook", at="hand.right"),
    )),
    Figure("ranger", "Saltmarsh ranger", (
        Use("base.round25"), Use("legs.waders"), Use("torso.jerkin"), Use("cloak.marsh"), Use("head.hood"),
        _limb("arm.bracer", "left"), _limb("arm.bracer", "right"), Use("weapon.boathook", at="hand.right"),
        Use("gear.lantern", at="hand.left"), Use("gear.slunggun", turn=-27, dx=-8, dy=8),
    )),
    Figure("warden", "Saltmarsh warden", (
        Use("base.round25"), Use("legs.waders"), Use("torso.jerkin"), Use("cloak.marsh"), Use("head.widehat"),
        Use("gear.sash"), _limb("arm.relaxed", "left", hand="leather"), _limb("arm.bracer", "right"),
        Use("weapon.springlock", at="hand.right"),
    )),
    Figure("knight", "House knight", (
        Use("base.paved25"), Use("legs.plate"), Use("torso.surcoat"), Use("gear.swordscabbard"), Use("head.tidehelm"),
        _limb("arm.plate", "left"), _limb("arm.plate.raised", "right"), Use("weapon.sword", at="hand.right"),
        Use("shield.tide", at="shield.left"),
    )),
    Figure("bearer", "Standard bearer", (
        Use("base.paved25"), Use("legs.jackboots"), Use("torso.longcoat", opts={"wings": False}), Use("gear.sash"),
        Use("gear.gorget"), Use("gear.swordscabbard"), Use("gear.hilt"), Use("head.widehat"),
        _limb("arm.relaxed", "left", hand="leather"), _limb("arm.grip", "right", hand="leather"),
        Use("flag.gonfalon", at="hand.right"),
    )),
    Figure("captain", "House captain", (
        Use("base.round25"), Use("legs.jackboots"), Use("torso.longcoat"), Use("gear.sash"), Use("gear.gorget"),
        Use("gear.swordscabbard"), Use("head.tidehelm"), _limb("arm.plate", "left"),
        _limb("arm.plate.raised", "right"), Use("weapon.sword", at="hand.right"), Use("shield.tide", at="shield.left"),
    )),
    Figure("sluicer", "Stout sluice guard", (
        Use("base.paved25"), Use("legs.waders"), Use("torso.jerkin"), Use("gear.pack"),
        Use("head.keelcap", opts={"plume": False}), _limb("arm.bracer", "left"), _limb("arm.bracer", "right"),
        Use("weapon.boathook", at="hand.right"), Use("gear.lantern", at="hand.left"),
    ), body="stout"),
    Figure("gunner", "Quay gunner", (
        Use("base.paved25"), Use("legs.jackboots"), Use("torso.jerkin"), Use("gear.sash"), Use("head.widehat"),
        _limb("arm.relaxed", "left"), _limb("arm.grip", "right"), Use("weapon.springlock", at="hand.right"),
    )),
    Figure("drummer", "Tidewall drummer", (
        Use("base.round25"), Use("legs.gaiters"), Use("torso.longcoat"), Use("gear.drum"), Use("head.keelcap"),
        _limb("arm.relaxed", "left"), _limb("arm.relaxed", "right"), Use("weapon.drumstick", side="left", at="hand.left"),
        Use("weapon.drumstick", side="right", at="hand.right"),
    )),
    Figure("skirmisher", "Tidewall skirmisher", (
        Use("base.round25"), Use("legs.waders"), Use("torso.longcoat", opts={"wings": False}), Use("gear.crossbelts"),
        Use("head.keelcap", opts={"plume": False}), _limb("arm.bracer", "left"), _limb("arm.grip", "right"),
        Use("weapon.springlock", at="hand.right"),
    )),
    Figure("artificer", "Winding-house artificer", (
        Use("base.paved25"), Use("legs.jackboots"), Use("torso.apron"), Use("head.goggles"),
        _limb("arm.rolled", "left", hand="leather"), _limb("arm.rolled", "right", hand="leather"),
        Use("weapon.greatkey", at="hand.right"), Use("gear.lantern", at="hand.left"),
    )),
    Figure("reedcutter", "Marsh reed-cutter", (
        Use("base.round25"), Use("legs.wraps"), Use("torso.jerkin"), Use("head.headcloth"), _limb("arm.rolled", "left"),
        _limb("arm.rolled", "right"), Use("weapon.sickle", at="hand.right"), Use("shield.wicker", at="shield.left", dy=14),
    )),
    Figure("lighthorse", "Estuary light horse", (
        Use("base.oval60"), Use("mount.horse"), Use("mount.saddlecloth"), Use("mount.bridle"), Use("rider.light"),
    ), body="vehicle", views=("left", "right")),
    Figure("lancer", "Mounted house knight", (
        Use("base.oval60"), Use("mount.horse"), Use("mount.trapper"), Use("mount.bridle"), Use("rider.knight"),
    ), body="vehicle", views=("left", "right")),
    Figure("tortoise", "Siege tortoise", (
        Use("base.oval60"), Use("beast.tortoise"), Use("beast.harness"),
    ), body="vehicle", views=("left", "right")),
    Figure("stiltwalker", "Stilt-walker", (
        Use("walker.legs"), Use("walker.cabin"), Use("walker.arm"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("gullflier", "Gull-flier", (
        Use("flier.wings"), Use("flier.hull"), Use("flier.tail"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("quaygun", "Quay gun", (
        Use("gun.carriage"), Use("gun.barrel"), Use("gun.wheels"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("lighter", "Lagoon lighter", (
        Use("punt.hull"), Use("boat.mast"), Use("boat.cargo"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("puntcar", "Punt-car", (
        Use("punt.wheels"), Use("punt.hull"), Use("punt.casemate"), Use("punt.mainspring"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("tidewarden", "Sealed tide-warden", (
        Use("base.paved25"), Use("legs.sealed"), Use("torso.cuirass"), Use("gear.ventpack"), Use("head.lenshelm"),
        _limb("arm.sealed", "left"), _limb("arm.sealed.grip", "right"), Use("weapon.coilgun", at="hand.right"),
    )),
    Figure("wardenhammer", "Tide-warden with hammer", (
        Use("base.paved25"), Use("legs.sealed"), Use("torso.cuirass"), Use("gear.ventpack"), Use("cloak.cape"), Use("head.bearded"),
        _limb("arm.sealed", "left"), _limb("arm.sealed.grip", "right"), Use("weapon.warhammer", at="hand.right"),
    )),
    Figure("rifleman", "Delta rifleman", (
        Use("base.round25"), Use("legs.field"), Use("torso.field"), Use("gear.bedroll"), Use("head.fieldhelm"),
        _limb("arm.field", "left"), _limb("arm.field.grip", "right"), Use("weapon.rifle", at="hand.right"),
    )),
    Figure("farspeaker", "Delta far-speaker", (
        Use("base.round25"), Use("legs.field"), Use("torso.flakvest"), Use("gear.radio"), Use("head.beret"),
        _limb("arm.field", "left"), _limb("arm.field.grip", "right"), Use("weapon.carbine", at="hand.right"),
    )),
    Figure("greatcoat", "Winter rifleman", (
        Use("base.round25"), Use("legs.field"), Use("torso.greatcoat"), Use("head.coveredcap"),
        _limb("arm.field", "left", hand="leather"), _limb("arm.field.grip", "right", hand="leather"), Use("weapon.rifle", at="hand.right"),
    )),
    Figure("crew", "Carrier crewman", (
        Use("base.round25"), Use("legs.field"), Use("torso.jerkin"), Use("head.crewcap"),
        _limb("arm.field", "left", hand="leather"), _limb("arm.field.grip", "right", hand="leather"), Use("weapon.carbine", at="hand.right"),
    )),
    Figure("hillman", "Hill company rifleman", (
        Use("base.round25"), Use("legs.kilt"), Use("torso.field"), Use("head.beret"),
        _limb("arm.field", "left"), _limb("arm.field.grip", "right"), Use("weapon.rifle", at="hand.right"),
    )),
    Figure("brother", "Lamp brother", (
        Use("base.paved25"), Use("legs.sandals"), Use("torso.robe"), Use("head.cowl"),
        _limb("arm.robe", "left"), _limb("arm.robe", "right"), Use("weapon.staff", at="hand.right"),
    )),
    Figure("lady", "Lady of the lagoon", (
        Use("base.paved25"), Use("legs.sandals"), Use("torso.robe"), Use("cloak.cape"), Use("head.circlet"),
        _limb("arm.robe", "left"), _limb("arm.robe", "right"), Use("weapon.greatsword", at="hand.right"),
    )),
    Figure("spearman", "Bare-chested spearman", (
        Use("base.round25"), Use("legs.sandals"), Use("torso.bare"), Use("head.topknot"),
        _limb("arm.bare", "left"), _limb("arm.bare.grip", "right"), Use("weapon.spear", at="hand.right"),
        Use("shield.round", at="shield.left"),
    )),
    Figure("axeman", "Scale-clad axeman", (
        Use("base.round25"), Use("legs.wraps"), Use("torso.scale"), Use("head.nasalhelm"),
        _limb("arm.rolled", "left"), _limb("arm.grip", "right"), Use("weapon.greataxe", at="hand.right"),
        Use("shield.tower", at="shield.left"),
    )),
    Figure("raider", "Sea raider", (
        Use("base.round25"), Use("legs.wraps"), Use("torso.scale"), Use("head.hornedhelm"),
        _limb("arm.bare", "left"), _limb("arm.bare.grip", "right"), Use("weapon.pistol", at="hand.right"),
        Use("shield.buckler", at="shield.left"),
    )),
    Figure("crossbowman", "Quay crossbowman", (
        Use("base.paved25"), Use("legs.gaiters"), Use("torso.jerkin"), Use("head.bare"),
        _limb("arm.field", "left"), _limb("arm.field.grip", "right"), Use("weapon.crossbow", at="hand.right"),
    )),
    Figure("herald", "Winged herald", (
        Use("base.paved25"), Use("legs.sandals"), Use("torso.robe"), Use("cloak.wings"), Use("head.mask"),
        _limb("arm.robe", "left"), _limb("arm.robe", "right"), Use("weapon.mace", at="hand.right"),
    )),
    Figure("drowned", "Drowned pikeman", (
        Use("base.round25"), Use("legs.bones"), Use("torso.bones"), Use("head.skull"),
        _limb("arm.bones", "left"), _limb("arm.bones", "right"), Use("weapon.trident", at="hand.right"),
    )),
    Figure("brute", "Sluice brute", (
        Use("base.round25"), Use("legs.baggy"), Use("torso.belly"), Use("head.brute"),
        _limb("arm.bare", "left"), _limb("arm.bare.grip", "right"), Use("weapon.club", at="hand.right"),
    ), body="stout"),
    Figure("giant", "Marsh giant", (
        Use("base.oval60"), Use("legs.baggy"), Use("torso.belly"), Use("cloak.cape"), Use("head.topknot"),
        _limb("arm.bare", "left"), _limb("arm.bare.grip", "right"), Use("weapon.club", at="hand.right"),
    ), body="giant"),
    Figure("reedling", "Reedling hunter", (
        Use("base.round25"), Use("legs.sandals"), Use("torso.jerkin"), Use("head.braids"),
        _limb("arm.bare.grip", "left"), _limb("arm.bare", "right"), Use("weapon.bow", at="hand.left"),
    ), body="small"),
    Figure("dispatch", "Dispatch rider", (
        Use("base.oval60"), Use("bike.machine"), Use("bike.gun"), Use("bike.rider"),
    ), body="vehicle", views=("left", "right")),
    Figure("drake", "Marsh drake", (
        Use("base.oval60"), Use("beast.drake"),
    ), body="vehicle", views=("left", "right")),
    Figure("serpent", "Lagoon serpent", (
        Use("base.oval60"), Use("beast.serpent"),
    ), body="vehicle", views=("left", "right")),
    Figure("mudcarrier", "Mud carrier with turret", (
        Use("motor.tracked"), Use("motor.turret"), Use("motor.stowage"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("halftrack", "Delta half-track", (
        Use("motor.halftrack"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("lorry", "Supply lorry", (
        Use("motor.lorry"), Use("motor.tilt"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("skimmer", "Tide skimmer", (
        Use("skim.hull"), Use("skim.canopy"), Use("skim.gun"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("floatplane", "Float plane", (
        Use("plane.wings"), Use("plane.fuselage"), Use("plane.floats"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("steamer", "Steam gunboat in small", (
        Use("ship.hull"),
    ), body="vehicle", views=("left", "right", "top"), kind="vehicle"),
    Figure("strip6", "Strip of eight foot", (Use("strip.six"),), body="vehicle"),
    Figure("strip10", "Stand of four foot", (Use("strip.ten"),), body="vehicle"),
    Figure("strip15", "Stand of three foot", (Use("strip.fifteen"),), body="vehicle"),
)  # fmt: skip
