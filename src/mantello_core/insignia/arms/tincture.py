"""Tinctures: metals, colours, stains and furs, by their customary names and how they are also written."""

from dataclasses import dataclass

from ...errors import UnknownName


@dataclass(frozen=True)
class Tincture:
    """One tincture."""

    id: str
    #: 'metal', 'colour', 'stain' or 'fur'
    kind: str
    #: other spellings and plain words
    also: tuple[str, ...] = ()
    #: a fur's field and its tufts, as tinctures
    made_of: tuple[str, str] | None = None


_ALL = (
    Tincture("or", "metal", ("gold", "golden", "ore")),
    Tincture("argent", "metal", ("silver", "white", "argento")),
    Tincture("gules", "colour", ("red", "goules", "gueules")),
    Tincture("azure", "colour", ("blue", "azur", "azurre")),
    Tincture("vert", "colour", ("green", "verte")),
    Tincture("sable", "colour", ("black", "sabel", "sables")),
    Tincture("purpure", "colour", ("purple", "purpur")),
    Tincture("tenny", "stain", ("tenne", "tawny", "orange")),
    Tincture("sanguine", "stain", ("sanguin",)),
    Tincture("murrey", "stain", ("mulberry", "murry")),
    Tincture("ermine", "fur", ("ermin",), ("argent", "sable")),
    Tincture("ermines", "fur", ("counter-ermine",), ("sable", "argent")),
    Tincture("erminois", "fur", (), ("or", "sable")),
    Tincture("pean", "fur", (), ("sable", "or")),
    Tincture("vair", "fur", ("vair ancient", "vair in pale"), ("argent", "azure")),
    Tincture("counter-vair", "fur", ("counter vair", "countervair"), ("argent", "azure")),
    Tincture("potent", "fur", (), ("argent", "azure")),
)
#: every tincture by its id, in the customary order
TINCTURES = {one.id: one for one in _ALL}
#: drawn as cut from nature; takes any ground
PROPER = "proper"
#: takes the field's tinctures the other way round
COUNTERCHANGED = "counterchanged"


def tincture(id_: str, where: str = "tincture") -> Tincture:
    """The tincture of that id.

    Raises: UnknownName, with near ones.
    """
    if id_ not in TINCTURES:
        raise UnknownName("tincture", id_, list(TINCTURES), where)
    return TINCTURES[id_]
