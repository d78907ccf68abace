"""The vocabulary of blazon but for tinctures and charges: numbers, ordinaries, lines, variations, places, details.

Each table gives a word as it is written back, and how else it is said.
"""

from .tincture import COUNTERCHANGED

NUMBERS = (
    "a", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve", "thirteen", "fourteen",
    "fifteen", "sixteen", "seventeen", "eighteen", "nineteen", "twenty",
)  # fmt: skip
ORDINALS = ("first", "second", "third", "fourth", "fifth", "sixth")
#: ordinaries: singular to plural (empty for those that come once)
ORDINARIES = {
    "fess": "", "bar": "bars", "pale": "", "pallet": "pallets", "bend": "", "bend sinister": "", "bendlet": "bendlets",
    "bendlet sinister": "bendlets sinister", "chevron": "", "chevronel": "chevronels", "cross": "", "saltire": "", "chief": "", "base": "",
    "bordure": "", "orle": "", "tressure": "", "double tressure": "", "canton": "", "quarter": "", "pile": "piles", "pall": "",
    "flaunch": "flaunches", "fillet": "", "inescutcheon": "inescutcheons", "gyron": "gyrons", "bar gemel": "bars gemelles",
}  # fmt: skip
#: lines that ordinaries and divisions may have
LINES = {
    "engrailed": ("ingrailed",), "invected": ("invecked",), "wavy": ("undy", "unde", "undee"),
    "embattled": ("embattelled", "battled", "crenelly", "crenellated", "embattled counter embattled", "bretessed"),
    "indented": (), "dancetty": ("dancette", "danced"), "nebuly": ("nebule", "nebulee"), "raguly": ("ragule", "ragged"),
    "dovetailed": ("dove tailed", "patty dovetailed"), "potenty": ("potente",), "rayonny": ("rayonne", "rayonnant", "radiant"),
    "urdy": ("urde", "champagne"),
}  # fmt: skip
DIVISIONS = ("pale", "fess", "bend sinister", "bend", "chevron", "saltire", "pall", "cross")
VARIED = {
    "barry": ("burely", "bary"), "paly": ("palewise barry",), "bendy sinister": (), "bendy": ("bendily",), "chevronny": ("chevrony", "chevronelly"),
    "checky": ("checquy", "chequy", "checkered", "chequered", "checkerwise", "counter compony", "counter gobony", "counter componed"),
    "lozengy": ("lozengee",), "fusily": ("fusilly", "fusillee"), "masculy": (),
    "pily": (), "vairy": ("vaire",), "compony": ("gobony", "componed", "gobonated", "gobone"), "barry bendy": (), "paly bendy": (),
    "scaly": ("papelonny", "papellony", "papelone"), "barry pily": (),
}  # fmt: skip
ARRANGEMENTS = {
    "in pale": ("one above the other", "one above another"), "in fess": ("side by side", "in bar"), "in bend": (),
    "in bend sinister": (), "in chevron": ("chevronwise", "chevronways"), "in triangle": ("triangularly",), "in chief": ("in the chief",), "between the attires": ("between the antlers", "between the horns", "between the wings", "between the tails", "between the towers", "between the turrets", "between the masts"), "in base": ("in the base", "in foot"),
    "in saltire": ("saltirewise", "saltireways", "crossed", "crossed in saltire", "crosswise in saltire"), "in cross": ("crosswise",),
    "in orle": ("orlewise",), "in pile": (), "in pall": (), "in dexter": ("in the dexter", "on the dexter", "on the dexter side", "in dexter flank"),
    "in sinister": ("in the sinister", "on the sinister", "on the sinister side", "in sinister flank"), "in dexter chief": ("in the dexter chief", "in chief dexter", "in the dexter chief quarter", "in dexter chief quarter", "in the dexter chief point", "in the dexter canton", "in dexter canton"),
    "in sinister chief": ("in the sinister chief", "in chief sinister", "in the sinister chief quarter", "in sinister chief quarter", "in the sinister chief point", "in the sinister canton", "in sinister canton"), "in dexter base": ("in the dexter base", "in the dexter base quarter"),
    "in sinister base": ("in the sinister base", "in the sinister base quarter"), "in honour point": (), "in the middle": ("in fess point", "at fess point", "in the fess point", "in the centre", "in centre", "in middle", "in the centre point", "in centre point", "in the centre of the quarters", "in the centre of the shield", "in the centre of the field", "in the middle of the shield"),
}  # fmt: skip
#: what more is said of a charge; those that change its outline are drawn
DETAILS = {
    "guardant": ("gardant",), "reguardant": ("regardant",), "couped": ("coupe", "couped at the neck", "couped at the shoulders", "couped at the shoulder", "cut off", "cut off at the wrist", "couped below the knee", "couped above the knee", "couped below the elbow", "couped at the ankle", "couped close", "couped at the base", "couped at the wrist", "couped at the elbow", "couped at the knee", "couped at the thigh", "couped a la cuisse", "couped a la quise", "cut"), "erased": ("erazed", "rased", "erased at the neck", "erased at the shoulders", "erased at the shoulder", "erased at the wrist", "erased at the knee", "erased at the thigh", "erased a la cuisse", "erased a la quise", "erased close"),
    "eradicated": ("uprooted",), "embowed": ("bowed",), "tail forked": ("queue fourchy", "queue fourche", "double queued", "double tailed", "tail fourchy", "forked tail", "with forked tail", "tails forked", "with forked tails", "tails fourchy"),
    "voided": (), "quarter pierced": ("quarterly pierced", "square pierced"), "three masted": ("of three masts", "with three masts"), "sailed": (), "oars in action": ("with oars in action", "oars in use", "oars in saltire", "with oars in use", "oars out"), "stocked": ("stock", "the stock"), "beamed": ("beam", "the beam"), "two masted": ("of two masts", "with two masts"), "one masted": ("of one mast", "with one mast", "of a single mast"), "eclipsed": (), "appaumy": ("appaumee", "appaume", "appalmed", "showing the palm"), "elbow to dexter": ("the elbow to dexter", "elbow to the dexter", "the elbow to the dexter"), "elbow to sinister": ("the elbow to sinister", "elbow to the sinister", "the elbow to the sinister"), "in lure": ("conjoined in lure",), "coward": (), "counter passant": ("counterpassant",), "gate open": ("the gate open", "with open gate", "gates open", "the gates open"), "gate closed": ("the gate closed", "the gate shut", "gates closed"), "two towered": ("with two towers", "of two towers", "double towered"), "two arched": ("of two arches", "with two arches"), "one arched": ("of one arch", "of a single arch", "single arched"), "four arched": ("of four arches",), "five arched": ("of five arches",), "fisted": ("the hand", "the fist", "the hands"), "chain reflexed over the back": ("line reflexed over the back", "the chain reflexed over the back", "the line reflexed over the back", "chain reflexed", "line reflexed"), "fitchy": ("fitche", "fitchee", "fitched", "fitchy at the foot", "fitched at the foot", "fitchy in the foot"), "jessant de lis": ("jessant de lys", "jessant of a fleur de lis", "jessant fleur de lis", "jessant fleurs de lis"), "fimbriated": ("hemmed", "edged"), "reversed": ("inverted", "point downwards", "points downwards", "point downward", "points downward", "point in base", "points in base", "upside down"),
    "erect": ("upright", "haurient"), "palewise": ("paleways", "in pale throughout"), "fesswise": ("fessways", "barwise", "barways"), "bendwise": ("bendways",),
    "bendwise sinister": ("bendways sinister",), "to sinister": ("contourny", "contourne", "facing sinister", "turned to sinister", "towards sinister"),
    "combatant": ("combattant",), "respectant": ("face to face", "facing each other", "confronty"), "addorsed": ("endorsed", "back to back"),
    "conjoined": ("joined", "conjoined at the shoulders", "conjoined at the thighs", "conjoined in the fess point", "conjoined in fess point", "conjoined in pairle"), "interlaced": ("linked", "interlocked"), "throughout": (), "affronty": ("affronte",), "cabossed": ("caboshed", "trunked"),
    "double headed": ("two headed", "with two heads"), "triple towered": ("with three towers", "tripletowered"), "slipped": ("stalked", "stemmed", "with stalk"), "leaved": ("leafed",),
    "fructed": ("with fruit", "fruited"), "stringed": ("strung", "corded", "string", "strings", "the string", "the strings"), "pierced": (), "in splendour": ("in his splendour", "in their splendour", "in its splendour", "in glory", "in its glory", "in his glory"), "nowed": ("knotted",),
    "coiled": (), "in its vigilance": ("in her vigilance", "in his vigilance", "in vigilance"), "horns outwards": ("horns outward", "horns turned outward", "horns turned outwards", "horns to the edges"), "horns inwards": ("horns inward", "horns turned inward", "horns turned inwards", "horns to the centre"), "wings elevated": ("wings raised", "wings expanded", "wings addorsed", "with wings raised", "wings endorsed", "wings elevated and addorsed", "wings elevated and endorsed", "with wings addorsed", "with wings elevated"), "wings inverted": ("wings lowered",), "enflamed": ("flamant", "inflamed", "burning", "in flames", "amid flames", "amidst flames", "rising from flames", "issuant from flames", "on fire"), "pierced through the nose": ("pierced through the nostrils", "through the nose", "ringed through the nose", "with a ring through the nose", "pierced through the nose with a ring", "pierced through the nostrils with a ring", "pierced through the nostrils with an annulet"),
    "in full sail": ("in sail", "under sail", "sails set"), "sails furled": ("sail furled", "with sails furled", "with sail furled"), "points to the centre": ("points towards the centre", "points inwards", "points inward", "points meeting in the centre"), "to dexter": ("points to the dexter", "pointing to the dexter"), "vambraced": ("in armour",), "belled": (), "jessed": (), "hooded": (), "port": ("door", "the port", "ports", "the ports", "doors", "the gate", "portcullised"), "wards upwards": ("wards upward",), "wards downwards": (), "wards outwards": ("wards outward", "wards to dexter", "wards to the dexter"), "wards inwards": ("wards inward",), "wards to sinister": ("wards to the sinister",), "tail extended": ("tail straight",), "queued": ("tailed", "tail"), "trunk": ("stem",), "scaled": (), "spotted": (), "jewelled": ("gemmed",), "pendent": ("pendant", "dependent", "hanging"), "naked": (), "in profile": (), "wrapped": ("wreathed",), "fretted": (), "braced": (), "couchy": (), "raised": (), "lowered": (), "ribbed": (), "twisted": ("wreathy",), "nimbed": ("haloed",), "smoking": (), "windows": ("windowed",), "roofed": ("roof", "roofs", "the roof", "the roofs"), "curved": (), "bent": (), "embrued": ("imbrued", "bloodied", "embrued at the top", "embrued at the point", "imbrued at the point"), "clasped": (), "hilts in base": ("hilt in base", "hilts downwards", "hilt downwards", "points upwards", "point upwards", "points upward", "point upward"), "rompu": ("broken", "fracted", "removed"), "issuant": ("issuing", "emergent", "naissant", "jessant"), "open": (), "closed": ("shut",), "armed": (), "langued": ("tongued",), "crowned": ("ducally crowned",),
    "gorged with a coronet": ("gorged with a ducal coronet", "gorged with a crown", "ducally gorged"), "crowned with a coronet": ("crowned with a ducal coronet",), "collared": ("gorged",), "winged": (), "beaked": ("billed",), "membered": ("legged", "footed"), "barbed": (), "seeded": (), "hilted": ("hilt", "hilts", "the hilt", "the hilts", "hafted"), "bristled": (), "sprouting": ("sprouting to dexter", "sprouting to sinister", "sprouting afresh"), "looking upwards": ("looking at the sun", "looking up", "looking to the sun", "looking back"), "pommelled": ("pommeled", "pommel", "pommels"),
    "garnished": (), "inscribed": ("inscribed with letters", "inscribed with words", "inscribed with a word", "lettered"), "masoned": (), "lit": ("the candles lit", "the candle lit", "candles lit", "lighted"), "crined": ("maned",), "unguled": ("hoofed", "hooved"), "attired": ("antlered",), "horned": ("the horns",), "tusked": (), "eyed": (), "finned": (),
    "tufted": (), "feathered": ("flighted", "fletched"), "headed": ("pointed",), "shafted": ("shaft", "shafts", "the shaft", "the shafts"), "handled": ("helved",), "bladed": ("blades", "blade", "the blade", "the blades"), "blades inward": ("blades inwards", "blades outward", "blades outwards", "blade to dexter", "blade to sinister", "blades addorsed"), "rigged": (), "pennoned": (), "flagged": ("with flags", "flags flying", "flags and pennons", "flags and pennons flying", "pennons flying", "the flags"), "bridled": (),
    "saddled": (), "combed": ("crested",), "wattled": ("jelloped",), "banded": ("bound", "tied"), "tasselled": ("tasseled",), "buckled": (), "lined": (), "studded": ("nailed",), "rayed": ("irradiated",),
    "chained": (), "muzzled": (), "ringed": (), "vorant": ("swallowing",), "vulned": ("wounded",), "in her piety": ("in its piety", "in their piety", "in his piety"), "in his pride": ("in pride", "in its pride", "in their pride"),
    "flory": ("flory counter flory", "flory and counter flory", "flowered", "flory counterflory", "fleury", "fleury counter fleury"), "cotised": ("coticed", "cotissed", "endorsed with cotises"), "double cotised": ("doubly cotised", "cotised double"),
    "enhanced": (), "abased": (), "in point": ("meeting in base", "meeting in point", "converging in base", "meeting in the base"), "veined": (), "capped": (), "covered": (), "clad": ("vested", "habited"), "cuffed": (), "ensigned": (), "caparisoned": (), "curled": ("convoluted",), "sanglant": ("bleeding", "bloody"), "lying": (), "flamed": ("fired",), "vomiting flames": ("spouting flames", "breathing flames", "breathing fire", "vomiting fire", "incensed", "emitting flames", "flames issuing from the mouth", "flames issuant from the mouth"),
}  # fmt: skip
_LOOKING = ("rowel", "head", "bow", "fluke", "mouth", "bell", "beak", "hook", "stem", "tail", "handle", "flame", "barb", "feather", "nib", "tine",
    "prong", "edge", "butt", "ring", "stalk", "bill", "foot", "leg", "claw", "palm", "sole", "toe")  # fmt: skip
_WHITHER = (
    "downwards",
    "upwards",
    "outwards",
    "inwards",
    "to the dexter",
    "to the sinister",
    "to the chief",
    "to the base",
)


def _turned() -> dict[str, tuple[str, ...]]:
    """Which way parts of a thing look, 'rowels downwards': kept as it is said, with how else it is."""
    return {
        f"{part}s {way}": (
            f"{part} {way}",
            *(f"{one} {way[:-1]}" for one in (part, f"{part}s") if way.endswith("wards")),
        )
        for part in _LOOKING
        for way in _WHITHER
    }


DETAILS = _turned() | DETAILS
PARTS = {
    "points": ("point",),
    "teeth": ("tooth", "cogs"),
    "rays": ("ray",),
    "spokes": ("spoke",),
    "towers": ("turrets",),
    "petals": ("leaves",),
    "rungs": ("steps",),
}
#: charges whose name says their tincture
TINCTURED = {
    **{name: ("roundel", tincture) for names, tincture in (
        ("bezant bezants bezaunt bezaunts", "or"), ("plate plates", "argent"), ("torteau torteaux torteaus tortoe tortoes", "gules"), ("hurt hurts", "azure"),
        ("pellet pellets ogress ogresses gunstone gunstones", "sable"), ("pomme pommes pomeis pomey pomeys", "vert"), ("golpe golpes", "purpure"), ("guze guzes", "sanguine"),
    ) for name in names.split()},
    **{f"{drop} {name}": ("drop", tincture) for drop in ("goutte", "gouttes", "gutte", "drop", "drops") for name, tincture in (
        ("dor", "or"), ("deau", "argent"), ("de sang", "gules"), ("de larmes", "azure"), ("de poix", "sable"), ("dhuile", "vert"), ("dolive", "vert"),
        ("of gold", "or"), ("of water", "argent"), ("of blood", "gules"), ("of tears", "azure"), ("of pitch", "sable"), ("of oil", "vert"),
    )},
}  # fmt: skip
#: fields that are strewn by their adjective: charge, and the tincture that the adjective says
STREWN = {
    **{name: ("roundel", tincture) for name, tincture in (
        ("bezanty", "or"), ("bezantee", "or"), ("platy", "argent"), ("platee", "argent"), ("hurty", "azure"), ("pelletty", "sable"), ("pellety", "sable"), ("tortelly", "gules"),
        ("semy de torteaux", "gules"),
    )},
    "billety": ("billet", ""), "billetty": ("billet", ""), "crusily": ("crosslet", ""), "crusilly": ("crosslet", ""), "estoilly": ("estoile", ""), "semy de lis": ("lily", ""), "semy de lys": ("lily", ""),
    "seme de lis": ("lily", ""), "seme de lys": ("lily", ""), "semy of fleurs de lis": ("lily", ""), "mulletty": ("star", ""), "mullety": ("star", ""), "crescenty": ("crescent", ""), "semy de roses": ("rose", ""),
    "annuletty": ("annulet", ""), "goutty": ("drop", ""), "gutty": ("drop", ""), "goutte": ("drop", ""), "gutte": ("drop", ""), "gouttee": ("drop", ""), "guttee": ("drop", ""),
    **{f"{drop} {name}": ("drop", tincture) for drop in ("goutty", "gutty", "gouttee", "guttee") for name, tincture in (
        ("dor", "or"), ("deau", "argent"), ("de sang", "gules"), ("de larmes", "azure"), ("de poix", "sable"), ("dhuile", "vert"), ("dolive", "vert"),
    )},
}  # fmt: skip


def _holdings() -> tuple[str, ...]:
    """How it is said that something is held: 'holding in its dexter paw', 'in his beak'."""
    limbs = ("beak", "bill", "mouth", "jaws", "teeth", "paw", "paws", "forepaw", "forepaws", "claws", "claw", "talons", "talon", "hand", "hands", "foot", "feet", "hoof", "forefeet")  # fmt: skip
    held = tuple(
        f"{verb}{where} {whose}{side}{limb}"
        for verb in (
            "",
            "holding ",
            "grasping ",
            "bearing ",
            "carrying ",
            "supporting ",
            "brandishing ",
            "and holding ",
        )
        for where in ("in", "with", "between")
        for whose in ("the ", "its ", "his ", "her ", "their ", "each ", "")
        for side in ("", "dexter ", "sinister ")
        for limb in limbs
        if verb or (where == "in" and whose)
    )
    sided = tuple(
        f"in {whose}{side}" for whose in ("its ", "his ", "her ", "their ") for side in ("dexter", "sinister")
    )
    resting = tuple(f"resting {whose}{side}{limb} on" for whose in ("the ", "its ", "his ", "her ", "") for side in ("", "dexter ", "sinister ") for limb in limbs)  # fmt: skip
    pierced = tuple(f"pierced {where} {by}" for where in ("in the shoulder", "through the neck", "in the neck", "in the breast", "through the breast", "through the body", "in the side", "through the heart", "in the back") for by in ("with", "by"))  # fmt: skip
    shouldered = tuple(f"{verb} {where} {whose}{side}shoulder" for verb in ("holding", "bearing", "carrying") for where in ("over", "on", "upon") for whose in ("the ", "its ", "his ", "her ", "their ") for side in ("", "dexter ", "sinister "))  # fmt: skip
    return (*held, *sided, *pierced, *resting, *shouldered, *(f"{verb} the {side} on" for verb in ("resting", "leaning") for side in ("dexter", "sinister")), "cracking", "devouring", "eating", "gnawing", "preying on", "playing", "playing on", "blowing", "wielding", "drawing", "holding aloft", "supporting between them", "holding between them", "bearing between them", "holding up", "raising", "holding in the gauntlet", "the gauntlet holding", "holding in his gauntlet", "holding", "grasping", "supporting", "brandishing", "carrying", "the hand holding", "the hand grasping", "the dexter hand holding", "the dexter hand grasping")  # fmt: skip


def _thereof() -> tuple[str, ...]:
    """How it is said that something comes out of a part of what was named."""
    parts = ("battlements", "top", "summit", "chief", "base", "mouth", "middle", "sides", "foot", "centre")
    how = ("issuant", "issuing", "rising", "growing", "pendent", "springing")
    return (
        *(f"from the {part} thereof {one}" for part in parts for one in how),
        *(f"{one} from the {part} thereof" for part in parts for one in how),
        *(f"{one} from the {part}" for part in parts if part not in ("chief", "base") for one in how),
    )


#: words by themselves
ALSO = {
    **dict.fromkeys(_thereof(), ("THEREFROM", "issuant")),
    "field": ("FIELD", "field"), "border": ("ORDINARY", "bordure"), "borders": ("ORDINARY", "bordure"), "barrulet": ("ORDINARY", "bar"), "barrulets": ("ORDINARY", "bar"), "closet": ("ORDINARY", "bar"),
    "fesse": ("ORDINARY", "fess"), "fece": ("ORDINARY", "fess"), "saltier": ("ORDINARY", "saltire"), "cheveron": ("ORDINARY", "chevron"), "pairle": ("ORDINARY", "pall"), "shakefork": ("ORDINARY", "pall"),
    "escutcheon": ("ORDINARY", "inescutcheon"), "escutcheons": ("ORDINARY", "inescutcheon"), "escocheon": ("ORDINARY", "inescutcheon"), "small shield": ("ORDINARY", "inescutcheon"), "escutcheon of pretence": ("ORDINARY", "inescutcheon"), "inescutcheon of pretence": ("ORDINARY", "inescutcheon"),
    "shield": ("ORDINARY", "inescutcheon"), "shields": ("ORDINARY", "inescutcheon"), "baton": ("ORDINARY", "bendlet"), "riband": ("ORDINARY", "bendlet"), "ribbon": ("ORDINARY", "bendlet"), "bar gemelle": ("ORDINARY", "bar gemel"), "bars gemel": ("ORDINARY", "bar gemel"),
    "baton sinister": ("ORDINARY", "bendlet sinister"), "flanche": ("ORDINARY", "flaunch"), "flanches": ("ORDINARY", "flaunch"), "flasques": ("ORDINARY", "flaunch"), "champagne base": ("ORDINARY", "base"), "chiefs": ("ORDINARY", "chief"),
    "fesses": ("ORDINARY", "bar"), "pales": ("ORDINARY", "pallet"), "bends": ("ORDINARY", "bendlet"), "bends sinister": ("ORDINARY", "bendlet sinister"), "chevrons": ("ORDINARY", "chevronel"), "crosses": ("CHARGE", ("cross couped", "")), "saltires": ("CHARGE", ("saltire couped", "")), "double tressure flory counter flory": ("ORDINARY", "double tressure flory"),
    "water": ("WATER", "water"), "waves": ("WATER", "water"), "waves of the sea": ("WATER", "water"), "the sea": ("WATER", "water"), "sea": ("WATER", "water"), "another": ("ANOTHER", "another"), "fountain": ("CHARGE", ("fountain", "")), "fountains": ("CHARGE", ("fountain", "")),
    "cotise": ("COTISE", 1), "cotises": ("COTISE", 1), "cottises": ("COTISE", 1),
    "overall": ("OVERALL", "overall"), "over all": ("OVERALL", "overall"), "surmounted by": ("OVERALL", "overall"), "surmounted of": ("OVERALL", "overall"), "debruised by": ("OVERALL", "overall"), "debruised of": ("OVERALL", "overall"),
    "impaling": ("IMPALING", "impaling"), "impaled with": ("IMPALING", "impaling"), "charged with": ("BEARING", "charged with"), "each charged with": ("BEARING", "charged with"), "bearing": ("BEARING", "charged with"), "thereon": ("BEARING", "charged with"), "charged on": ("BEARING", "charged with"), "the whole charged with": ("BEARING", "charged with"), "charged on the dexter with": ("BEARING", "in dexter"), "charged on the sinister with": ("BEARING", "in sinister"), "charged in chief with": ("BEARING", "in chief"), "charged in base with": ("BEARING", "in base"), "charged in the centre with": ("BEARING", "in the middle"), **{f"{said} {whose} {part}{more}": ("BEARING", "charged with") for said, more in (("on", ""), ("charged on", " with")) for whose in ("the", "its", "his", "her") for part in ("breast", "shoulder", "body", "wings", "wing", "neck", "back", "head", "top", "battlements", "roof", "rim", "blade", "sail")}, "for difference": ("DIFFERENCE", ""), "for a difference": ("DIFFERENCE", ""), "for due difference": ("DIFFERENCE", ""), "as a difference": ("DIFFERENCE", ""), "as a mark of difference": ("DIFFERENCE", ""), "as a mark of cadency": ("DIFFERENCE", ""), "for cadency": ("DIFFERENCE", ""),
    "semee of": ("SEMY", "semy of"), "semy of": ("SEMY", "semy of"), "seme of": ("SEMY", "semy of"), "strewn with": ("SEMY", "semy of"), "strewed with": ("SEMY", "semy of"), "powdered with": ("SEMY", "semy of"), "sown with": ("SEMY", "semy of"), "semee": ("SEMY", "semy of"), "semy": ("SEMY", "semy of"), "seme": ("SEMY", "semy of"),
    "fretty": ("FRETTY", "fretty"), "trellised": ("FRETTY", "fretty"), "between": ("BETWEEN", "between"), "accompanied by": ("BETWEEN", "between"), "accosted by": ("BETWEEN", "between"), "accompanied with": ("BETWEEN", "between"), "accosted with": ("BETWEEN", "between"), "cantoned with": ("BETWEEN", "between"), "cantoned by": ("BETWEEN", "between"), "cantonned with": ("BETWEEN", "between"), "cantonned by": ("BETWEEN", "between"), "flanked by": ("BETWEEN", "between"), "surrounded by": ("BETWEEN", "between"), "environed by": ("BETWEEN", "between"), "all between": ("BETWEEN", "between"), "on": ("ON", "on"), "upon": ("ON", "on"), "over": ("ON", "on"), "in": ("IN", "in"),
    "within": ("WITHIN", "within"), "all within": ("WITHIN", "within"), "the whole within": ("WITHIN", "within"), "all in": ("WITHIN", "within"), "impaled": ("IMPALING", "impaling"), "and": ("AND", "and"), "&": ("AND", "and"), "with": ("AND", "and"), "of": ("OF", "of"), "the": ("THE", "the"), "per": ("PER", "per"), "party per": ("PER", "per"), "parted per": ("PER", "per"), "divided per": ("PER", "per"),
    "party": ("PARTY", "party"), "parted": ("PARTY", "party"), "quarterly": ("QUARTERLY", "quarterly"), "party per cross": ("QUARTERLY", "quarterly"), "per cross": ("QUARTERLY", "quarterly"), "quartered": ("QUARTERLY", "quarterly"), "gyronny": ("GYRONNY", "gyronny"), "girony": ("GYRONNY", "gyronny"), "tierced": ("TIERCED", "tierced"), "tierced in": ("TIERCED", "tierced"),
    "barruly": ("BARRULY", 10), "label": ("LABEL", "label"), "file": ("LABEL", "label"), "counter-changed": ("TINCTURE", COUNTERCHANGED), "countercharged": ("TINCTURE", COUNTERCHANGED), "counterchanged of the same": ("TINCTURE", COUNTERCHANGED), "counterchanged of the field": ("TINCTURE", COUNTERCHANGED),
    "an": ("NUMBER", 1), "one": ("NUMBER", 1), "a single": ("NUMBER", 1), "dozen": ("NUMBER", 12), "as many": ("ASMANY", 0), "pair of": ("PAIR", 2), "brace of": ("PAIR", 2), "pairs of": ("PAIR", 2), "braces of": ("PAIR", 2), "pieces": ("PIECES", 0), "rows": ("PIECES", "rows"), "tracts": ("PIECES", "rows"), "tracks": ("PIECES", "rows"), "ranges": ("PIECES", "rows"), "panes": ("PIECES", "rows"), "demi": ("DEMI", "demi"), "half": ("DEMI", "demi"),
    "dexter": ("SIDE", 1), "sinister": ("SIDE", 2), "dexter side": ("SIDE", 1), "sinister side": ("SIDE", 2), "dexter flank": ("SIDE", 1), "sinister flank": ("SIDE", 2), "dexter half": ("SIDE", 1), "sinister half": ("SIDE", 2), "quarters": ("QUARTERS", 0), "grand quarters": ("QUARTERS", 0), "grand quarter": ("QUARTERS", 0), "grand quarterly": ("QUARTERLY", "quarterly"),
    "last": ("LAST", 0), "same": ("LAST", 0), "latter": ("LAST", 0), "last mentioned": ("LAST", 0), "as": ("AS", "as"), "therefrom": ("THEREFROM", "issuant"), "issuant therefrom": ("THEREFROM", "issuant"), "issuing therefrom": ("THEREFROM", "issuant"), "therefrom issuant": ("THEREFROM", "issuant"), "therefrom issuing": ("THEREFROM", "issuant"), "rising therefrom": ("THEREFROM", "issuant"), "growing therefrom": ("THEREFROM", "issuant"), "thereout": ("THEREFROM", "issuant"), "his": ("THE", "the"), "its": ("THE", "the"), "her": ("THE", "the"), "their": ("THE", "the"), "each head": ("SILENT", ""), "each point": ("SILENT", ""), "before": ("BEFORE", "before"), "in front of": ("BEFORE", "before"), "pendent therefrom": ("THEREFROM", "pendent"), "pendant therefrom": ("THEREFROM", "pendent"), "hanging therefrom": ("THEREFROM", "pendent"), "suspended therefrom": ("THEREFROM", "pendent"), "pendent from a branch thereof": ("THEREFROM", "pendent"), "pendent from a branch": ("THEREFROM", "pendent"), "between them": ("SILENT", ""), "between the two": ("SILENT", ""), "from": ("OUTOF", "issuant from"),
    ",": ("COMMA", ","), ";": ("SEMICOLON", ";"), ":": ("COMMA", ","), ".": ("STOP", "."), "(": ("OPEN", "("), ")": ("CLOSE", ")"), "[": ("OPEN", "("), "]": ("CLOSE", ")"),
    "en surtout": ("SURTOUT", "en surtout"), "in surtout": ("SURTOUT", "en surtout"), "on an escutcheon of pretence": ("SURTOUT", "en surtout"), "on an escutcheon over all": ("SURTOUT", "en surtout"), "over all on an inescutcheon": ("SURTOUT", "en surtout"), "over all in an inescutcheon": ("SURTOUT", "en surtout"), "over all in an escutcheon": ("SURTOUT", "en surtout"), "within the horns of": ("AMID", "in the middle"), "between the horns of": ("AMID", "in the middle"), "over all on an escutcheon": ("SURTOUT", "en surtout"),
    **dict.fromkeys(_holdings(), ("HOLDING", "holding")),
    "growing out of": ("OUTOF", "issuant from"), "out of": ("OUTOF", "issuant from"), "issuing out of": ("OUTOF", "issuant from"), "springing from": ("OUTOF", "issuant from"), "rising out of": ("OUTOF", "issuant from"), "emerging from": ("OUTOF", "issuant from"), "growing from": ("OUTOF", "issuant from"), "issuant from": ("OUTOF", "issuant from"), "issuing from": ("OUTOF", "issuant from"), "issuant out of": ("OUTOF", "issuant from"), "standing on": ("OUTOF", "issuant from"), "statant on": ("OUTOF", "issuant from"), "rising from": ("OUTOF", "issuant from"), "sitting on": ("OUTOF", "issuant from"), "perched on": ("OUTOF", "issuant from"), "resting on": ("OUTOF", "issuant from"),
    "entwined by": ("OVERALL", "overall"), "entwined with": ("OVERALL", "overall"), "enfiled by": ("OVERALL", "overall"), "enfiled with": ("OVERALL", "overall"), "transfixed by": ("OVERALL", "overall"), "pierced by": ("OVERALL", "overall"),
    # attitudes by what custom calls them of one beast or another
    "trippant": ("ATTITUDE", "passant"), "tripping": ("ATTITUDE", "passant"), "walking": ("ATTITUDE", "passant"), "lodged": ("ATTITUDE", "couchant"), "springing": ("ATTITUDE", "salient"), "leaping": ("ATTITUDE", "salient"), "forcene": ("ATTITUDE", "salient"), "rearing": ("ATTITUDE", "rampant"), "grazing": ("ATTITUDE", "statant"), "browsing": ("ATTITUDE", "statant"), "pascuant": ("ATTITUDE", "statant"), "soaring": ("ATTITUDE", "rising"), "hovering": ("ATTITUDE", "displayed"), "stooping": ("ATTITUDE", "volant"), "in flight": ("ATTITUDE", "volant"), "volant en arriere": ("ATTITUDE", "volant"), "above": ("ABOVE", "above"), "in full flight": ("ATTITUDE", "volant"), "prancing": ("ATTITUDE", "rampant"), "lying down": ("ATTITUDE", "couchant"), "resting": ("ATTITUDE", "couchant"), "crouching": ("ATTITUDE", "couchant"), "galloping": ("ATTITUDE", "courant"),
    "segreant": ("ATTITUDE", "rampant"), "running": ("ATTITUDE", "courant"), "in full course": ("ATTITUDE", "courant"), "standing": ("ATTITUDE", "statant"), "sitting": ("ATTITUDE", "sejant"), "seated": ("ATTITUDE", "sejant"), "sleeping": ("ATTITUDE", "dormant"), "climant": ("ATTITUDE", "rampant"),
    "clymant": ("ATTITUDE", "rampant"), "swimming": ("ATTITUDE", "naiant"), "flying": ("ATTITUDE", "volant"), "rousant": ("ATTITUDE", "rising"), "at gaze": ("ATTITUDE", "statant"), "urinant": ("ATTITUDE", "urinant"), "spread": ("ATTITUDE", "displayed"), "vigilant": ("ATTITUDE", "close"), "roosting": ("ATTITUDE", "close"), "trussed": ("ATTITUDE", "close"),
}  # fmt: skip
#: what people write, and the word of blazon that means it
INSTEAD = {
    "horizontal": "fess", "vertical": "pale", "diagonal": "bend", "stripe": "fess, pale or bend", "stripes": "barry, paly or bendy", "striped": "barry, paly or bendy", "checked": "checky", "checkerboard": "checky",
    "diamonds": "lozenges", "diamond": "lozenge", "circle": "roundel or annulet", "circles": "roundels or annulets", "edge": "bordure", "frame": "bordure", "top": "chief", "bottom": "base", "left": "sinister (the bearer's) or dexter",
    "right": "dexter (the bearer's) or sinister", "background": "the field's tincture alone", "spotted": "semy of roundels", "dotted": "semy of roundels", "brown": "tenny", "pink": "gules or murrey", "grey": "argent", "gray": "argent", "square": "billet or delf",
    "triangle": "pile", "flipped": "reversed", "dog": "hound", "flower": "rose", "fire": "flame",
}  # fmt: skip
