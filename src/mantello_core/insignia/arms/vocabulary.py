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
    "dovetailed": ("dove tailed",), "potenty": ("potente",), "rayonny": ("rayonne", "rayonnant", "radiant"),
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
    "in bend sinister": (), "in chevron": (), "in chief": ("in the chief",), "between the attires": ("between the antlers", "between the horns", "between the wings", "between the tails"), "in base": ("in the base", "in foot", "in point"),
    "in saltire": ("saltirewise", "saltireways", "crossed", "crossed in saltire", "crosswise in saltire"), "in cross": ("crosswise",),
    "in orle": ("orlewise",), "in pile": (), "in pall": (), "in dexter": ("in the dexter", "on the dexter", "on the dexter side", "in dexter flank"),
    "in sinister": ("in the sinister", "on the sinister", "on the sinister side", "in sinister flank"), "in dexter chief": ("in the dexter chief", "in chief dexter"),
    "in sinister chief": ("in the sinister chief", "in chief sinister"), "in dexter base": ("in the dexter base",),
    "in sinister base": ("in the sinister base",), "in honour point": (), "in the middle": ("in fess point", "at fess point", "in the fess point", "in the centre", "in centre", "in middle"),
}  # fmt: skip
#: what more is said of a charge; those that change its outline are drawn
DETAILS = {
    "guardant": ("gardant",), "reguardant": ("regardant",), "couped": ("coupe", "couped at the neck", "couped at the shoulders", "couped at the wrist", "couped at the elbow", "couped at the knee", "couped at the thigh", "cut"), "erased": ("erazed", "rased", "erased at the neck", "erased at the shoulders"),
    "eradicated": ("uprooted",), "embowed": ("bowed",), "tail forked": ("queue fourchy", "queue fourche", "double queued", "double tailed", "tail fourchy", "forked tail", "with forked tail"),
    "voided": (), "fitchy": ("fitche", "fitchee", "fitched"), "fimbriated": ("hemmed", "edged"), "reversed": ("inverted", "point downwards", "points downwards", "point downward", "points downward", "point in base", "points in base", "upside down"),
    "erect": ("upright", "haurient"), "palewise": ("paleways", "in pale throughout"), "fesswise": ("fessways", "barwise", "barways"), "bendwise": ("bendways",),
    "bendwise sinister": ("bendways sinister",), "to sinister": ("contourny", "contourne", "facing sinister", "turned to sinister", "towards sinister"),
    "combatant": ("combattant",), "respectant": ("face to face", "facing each other", "confronty"), "addorsed": ("endorsed", "back to back"),
    "conjoined": ("joined",), "interlaced": ("linked", "interlocked"), "throughout": (), "affronty": ("affronte",), "cabossed": ("caboshed", "trunked"),
    "double headed": ("two headed", "with two heads"), "triple towered": ("with three towers", "tripletowered"), "slipped": ("stalked", "stemmed", "with stalk"), "leaved": ("leafed",),
    "fructed": ("with fruit", "fruited"), "stringed": ("strung", "corded"), "pierced": (), "in splendour": ("in his splendour", "in glory", "in its glory"), "nowed": ("knotted",),
    "coiled": (), "wings elevated": ("wings raised", "wings expanded", "wings addorsed", "with wings raised"), "wings inverted": ("wings lowered",), "enflamed": ("flamant", "inflamed", "burning"),
    "in full sail": ("in sail", "under sail", "sails set"), "sails furled": (), "to dexter": ("points to the dexter", "pointing to the dexter"), "vambraced": ("in armour",), "belled": (), "jessed": (), "hooded": (), "port": ("door", "the port", "the gate", "portcullised"), "wards upwards": ("wards upward",), "wards downwards": (), "wards outwards": (), "wards to sinister": (), "tail extended": ("tail straight",), "queued": ("tailed", "tail"), "trunk": ("stem",), "scaled": (), "spotted": (), "jewelled": ("gemmed",), "pendent": ("pendant", "dependent", "hanging"), "naked": (), "in profile": (), "wrapped": ("wreathed",), "fretted": (), "braced": (), "couchy": (), "raised": (), "lowered": (), "ribbed": (), "twisted": ("wreathy",), "nimbed": ("haloed",), "smoking": (), "windows": ("windowed",), "roofed": (), "curved": (), "bent": (), "embrued": ("imbrued", "bloodied"), "clasped": (), "hilts in base": ("hilt in base", "hilts downwards", "hilt downwards", "points upwards", "point upwards"), "rompu": ("broken",), "issuant": ("issuing", "emergent", "naissant", "jessant"), "open": (), "closed": ("shut",), "armed": (), "langued": ("tongued",), "crowned": ("ducally crowned",),
    "gorged with a coronet": ("gorged with a ducal coronet", "gorged with a crown", "ducally gorged"), "crowned with a coronet": ("crowned with a ducal coronet",), "collared": ("gorged",), "winged": (), "beaked": ("billed",), "membered": ("legged", "footed"), "barbed": (), "seeded": (), "hilted": ("hilt", "hafted"), "pommelled": ("pommeled",),
    "garnished": (), "masoned": (), "lit": (), "crined": ("maned",), "unguled": ("hoofed", "hooved"), "attired": ("antlered",), "horned": (), "tusked": (), "eyed": (), "finned": (),
    "tufted": (), "feathered": ("flighted", "fletched"), "headed": ("pointed",), "shafted": (), "handled": ("helved",), "bladed": (), "rigged": (), "pennoned": (), "flagged": ("with flags",), "bridled": (),
    "saddled": (), "combed": ("crested",), "wattled": ("jelloped",), "banded": ("bound", "tied"), "tasselled": ("tasseled",), "buckled": (), "lined": (), "studded": ("nailed",), "rayed": ("irradiated",),
    "chained": (), "muzzled": (), "ringed": (), "vorant": ("swallowing",), "vulned": ("wounded",), "in her piety": ("in its piety",), "in his pride": ("in pride", "in its pride"),
    "flory": ("flory counter flory", "flory and counter flory", "flowered", "flory counterflory", "fleury", "fleury counter fleury"), "cotised": ("coticed", "cotissed", "endorsed with cotises"), "double cotised": ("doubly cotised", "cotised double"),
    "enhanced": (), "abased": (), "veined": (), "capped": (), "covered": (), "clad": ("vested", "habited"), "cuffed": (), "ensigned": (), "caparisoned": (), "curled": ("convoluted",), "sanglant": ("bleeding", "bloody"), "lying": (), "flamed": (),
}  # fmt: skip
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
#: words by themselves
ALSO = {
    "field": ("FIELD", "field"), "border": ("ORDINARY", "bordure"), "borders": ("ORDINARY", "bordure"), "barrulet": ("ORDINARY", "bar"), "barrulets": ("ORDINARY", "bar"), "closet": ("ORDINARY", "bar"),
    "fesse": ("ORDINARY", "fess"), "fece": ("ORDINARY", "fess"), "saltier": ("ORDINARY", "saltire"), "cheveron": ("ORDINARY", "chevron"), "pairle": ("ORDINARY", "pall"), "shakefork": ("ORDINARY", "pall"),
    "escutcheon": ("ORDINARY", "inescutcheon"), "escutcheons": ("ORDINARY", "inescutcheon"), "escocheon": ("ORDINARY", "inescutcheon"), "small shield": ("ORDINARY", "inescutcheon"),
    "shield": ("ORDINARY", "inescutcheon"), "shields": ("ORDINARY", "inescutcheon"), "baton": ("ORDINARY", "bendlet"), "riband": ("ORDINARY", "bendlet"), "ribbon": ("ORDINARY", "bendlet"), "bar gemelle": ("ORDINARY", "bar gemel"), "bars gemel": ("ORDINARY", "bar gemel"),
    "baton sinister": ("ORDINARY", "bendlet sinister"), "flanche": ("ORDINARY", "flaunch"), "flanches": ("ORDINARY", "flaunch"), "flasques": ("ORDINARY", "flaunch"), "champagne base": ("ORDINARY", "base"), "chiefs": ("ORDINARY", "chief"),
    "fesses": ("ORDINARY", "bar"), "pales": ("ORDINARY", "pallet"), "bends": ("ORDINARY", "bendlet"), "bends sinister": ("ORDINARY", "bendlet sinister"), "chevrons": ("ORDINARY", "chevronel"), "crosses": ("CHARGE", ("cross couped", "")), "saltires": ("CHARGE", ("saltire couped", "")), "double tressure flory counter flory": ("ORDINARY", "double tressure flory"),
    "water": ("WATER", "water"), "waves": ("WATER", "water"), "waves of the sea": ("WATER", "water"), "the sea": ("WATER", "water"), "sea": ("WATER", "water"), "another": ("ANOTHER", "another"), "fountain": ("CHARGE", ("fountain", "")), "fountains": ("CHARGE", ("fountain", "")),
    "cotise": ("COTISE", 1), "cotises": ("COTISE", 1), "cottises": ("COTISE", 1),
    "overall": ("OVERALL", "overall"), "over all": ("OVERALL", "overall"), "surmounted by": ("OVERALL", "overall"), "surmounted of": ("OVERALL", "overall"), "debruised by": ("OVERALL", "overall"), "debruised of": ("OVERALL", "overall"),
    "impaling": ("IMPALING", "impaling"), "impaled with": ("IMPALING", "impaling"), "charged with": ("BEARING", "charged with"), "each charged with": ("BEARING", "charged with"), "bearing": ("BEARING", "charged with"), "thereon": ("BEARING", "charged with"), "charged on": ("BEARING", "charged with"), "on the breast": ("BEARING", "charged with"), "on its breast": ("BEARING", "charged with"), "on his breast": ("BEARING", "charged with"), "charged on the breast with": ("BEARING", "charged with"), "for difference": ("SILENT", ""), "for a difference": ("SILENT", ""), "as a difference": ("SILENT", ""),
    "semee of": ("SEMY", "semy of"), "semy of": ("SEMY", "semy of"), "seme of": ("SEMY", "semy of"), "strewn with": ("SEMY", "semy of"), "strewed with": ("SEMY", "semy of"), "powdered with": ("SEMY", "semy of"), "sown with": ("SEMY", "semy of"), "semee": ("SEMY", "semy of"), "semy": ("SEMY", "semy of"), "seme": ("SEMY", "semy of"),
    "fretty": ("FRETTY", "fretty"), "trellised": ("FRETTY", "fretty"), "between": ("BETWEEN", "between"), "accompanied by": ("BETWEEN", "between"), "accosted by": ("BETWEEN", "between"), "all between": ("BETWEEN", "between"), "on": ("ON", "on"), "upon": ("ON", "on"), "in": ("IN", "in"),
    "within": ("WITHIN", "within"), "all within": ("WITHIN", "within"), "the whole within": ("WITHIN", "within"), "all in": ("WITHIN", "within"), "impaled": ("IMPALING", "impaling"), "and": ("AND", "and"), "&": ("AND", "and"), "with": ("AND", "and"), "of": ("OF", "of"), "the": ("THE", "the"), "per": ("PER", "per"), "party per": ("PER", "per"), "parted per": ("PER", "per"), "divided per": ("PER", "per"),
    "party": ("PARTY", "party"), "parted": ("PARTY", "party"), "quarterly": ("QUARTERLY", "quarterly"), "party per cross": ("QUARTERLY", "quarterly"), "per cross": ("QUARTERLY", "quarterly"), "quartered": ("QUARTERLY", "quarterly"), "gyronny": ("GYRONNY", "gyronny"), "girony": ("GYRONNY", "gyronny"), "tierced": ("TIERCED", "tierced"), "tierced in": ("TIERCED", "tierced"),
    "barruly": ("BARRULY", 10), "label": ("LABEL", "label"), "file": ("LABEL", "label"), "counter-changed": ("TINCTURE", COUNTERCHANGED), "countercharged": ("TINCTURE", COUNTERCHANGED), "counterchanged of the same": ("TINCTURE", COUNTERCHANGED), "counterchanged of the field": ("TINCTURE", COUNTERCHANGED),
    "an": ("NUMBER", 1), "one": ("NUMBER", 1), "a single": ("NUMBER", 1), "dozen": ("NUMBER", 12), "as many": ("ASMANY", 0), "pair of": ("PAIR", 2), "brace of": ("PAIR", 2), "pairs of": ("PAIR", 2), "braces of": ("PAIR", 2), "pieces": ("PIECES", 0), "demi": ("DEMI", "demi"), "half": ("DEMI", "demi"),
    "dexter": ("SIDE", 1), "sinister": ("SIDE", 2), "dexter half": ("SIDE", 1), "sinister half": ("SIDE", 2), "quarters": ("QUARTERS", 0), "grand quarters": ("QUARTERS", 0), "grand quarter": ("QUARTERS", 0), "grand quarterly": ("QUARTERLY", "quarterly"),
    "last": ("LAST", 0), "same": ("LAST", 0), "his": ("THE", "the"), "its": ("THE", "the"), "her": ("THE", "the"),
    ",": ("COMMA", ","), ";": ("SEMICOLON", ";"), ":": ("COMMA", ","), ".": ("STOP", "."), "(": ("OPEN", "("), ")": ("CLOSE", ")"), "[": ("OPEN", "("), "]": ("CLOSE", ")"),
    "en surtout": ("SURTOUT", "en surtout"), "in surtout": ("SURTOUT", "en surtout"), "on an escutcheon of pretence": ("SURTOUT", "en surtout"), "on an escutcheon over all": ("SURTOUT", "en surtout"), "over all on an inescutcheon": ("SURTOUT", "en surtout"), "over all on an escutcheon": ("SURTOUT", "en surtout"),
    "holding in its forepaws": ("HOLDING", "holding"), "holding in its dexter paw": ("HOLDING", "holding"), "holding in its sinister paw": ("HOLDING", "holding"), "holding in its mouth": ("HOLDING", "holding"), "holding in its claws": ("HOLDING", "holding"), "holding in his forepaws": ("HOLDING", "holding"), "holding in his dexter paw": ("HOLDING", "holding"), "holding in his sinister paw": ("HOLDING", "holding"), "holding in his beak": ("HOLDING", "holding"), "holding in his mouth": ("HOLDING", "holding"), "holding in his claws": ("HOLDING", "holding"), "holding in the forepaws": ("HOLDING", "holding"), "holding in the sinister paw": ("HOLDING", "holding"), "holding in the beak": ("HOLDING", "holding"), "holding in the mouth": ("HOLDING", "holding"), "holding in the claws": ("HOLDING", "holding"), "the hand holding": ("HOLDING", "holding"), "the hand grasping": ("HOLDING", "holding"), "holding": ("HOLDING", "holding"), "grasping": ("HOLDING", "holding"), "supporting": ("HOLDING", "holding"), "holding in his paw": ("HOLDING", "holding"), "holding in the dexter paw": ("HOLDING", "holding"), "holding in its paws": ("HOLDING", "holding"), "holding in its beak": ("HOLDING", "holding"), "brandishing": ("HOLDING", "holding"), "bearing in its beak": ("HOLDING", "holding"), "holding between the paws": ("HOLDING", "holding"),
    "growing out of": ("OUTOF", "issuant from"), "growing from": ("OUTOF", "issuant from"), "issuant from": ("OUTOF", "issuant from"), "issuing from": ("OUTOF", "issuant from"), "issuant out of": ("OUTOF", "issuant from"), "standing on": ("OUTOF", "issuant from"), "statant on": ("OUTOF", "issuant from"), "rising from": ("OUTOF", "issuant from"), "sitting on": ("OUTOF", "issuant from"), "perched on": ("OUTOF", "issuant from"), "resting on": ("OUTOF", "issuant from"),
    "entwined by": ("OVERALL", "overall"), "entwined with": ("OVERALL", "overall"), "enfiled by": ("OVERALL", "overall"), "enfiled with": ("OVERALL", "overall"), "transfixed by": ("OVERALL", "overall"), "pierced by": ("OVERALL", "overall"),
    # attitudes by what custom calls them of one beast or another
    "trippant": ("ATTITUDE", "passant"), "tripping": ("ATTITUDE", "passant"), "walking": ("ATTITUDE", "passant"), "lodged": ("ATTITUDE", "couchant"), "springing": ("ATTITUDE", "salient"), "leaping": ("ATTITUDE", "salient"), "forcene": ("ATTITUDE", "salient"), "rearing": ("ATTITUDE", "rampant"),
    "segreant": ("ATTITUDE", "rampant"), "running": ("ATTITUDE", "courant"), "in full course": ("ATTITUDE", "courant"), "standing": ("ATTITUDE", "statant"), "sitting": ("ATTITUDE", "sejant"), "seated": ("ATTITUDE", "sejant"), "sejant erect": ("ATTITUDE", "sejant"), "sleeping": ("ATTITUDE", "dormant"), "climant": ("ATTITUDE", "rampant"),
    "clymant": ("ATTITUDE", "rampant"), "swimming": ("ATTITUDE", "naiant"), "flying": ("ATTITUDE", "volant"), "rousant": ("ATTITUDE", "rising"), "at gaze": ("ATTITUDE", "statant"), "urinant": ("ATTITUDE", "urinant"), "spread": ("ATTITUDE", "displayed"), "vigilant": ("ATTITUDE", "close"), "roosting": ("ATTITUDE", "close"), "trussed": ("ATTITUDE", "close"),
}  # fmt: skip
#: what people write, and the word of blazon that means it
INSTEAD = {
    "horizontal": "fess", "vertical": "pale", "diagonal": "bend", "stripe": "fess, pale or bend", "stripes": "barry, paly or bendy", "striped": "barry, paly or bendy", "checked": "checky", "checkerboard": "checky",
    "diamonds": "lozenges", "diamond": "lozenge", "circle": "roundel or annulet", "circles": "roundels or annulets", "edge": "bordure", "frame": "bordure", "top": "chief", "bottom": "base", "left": "sinister (the bearer's) or dexter",
    "right": "dexter (the bearer's) or sinister", "background": "the field's tincture alone", "spotted": "semy of roundels", "dotted": "semy of roundels", "brown": "tenny", "pink": "gules or murrey", "grey": "argent", "gray": "argent", "square": "billet or delf",
    "triangle": "pile", "flipped": "reversed", "dog": "hound", "flower": "rose", "fire": "flame",
}  # fmt: skip
