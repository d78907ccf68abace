"""Atoms and edges: the smallest pieces of work, and what must come before what."""

from dataclasses import dataclass

from .subject import Subject


@dataclass(frozen=True)
class Atom:
    """One step of one subject on one rank of one unit; each figure needs it once."""

    id: str
    unit: str
    rank: str
    subject: Subject
    #: step id; 'undercoat' for the undercoat
    step: str
    kind: str
    #: what is opened for it: kind of work and mix, alike for atoms that may share an opening
    pot: str
    #: hands-on seconds per figure
    seconds: float
    #: drying after it, seconds
    drying: float
    coats: int
    #: figures, counted from 1
    ordinals: tuple[int, ...]
    #: painted surface per figure, mm², an estimate
    surface: float
    #: in words, such as 'Field base'
    name: str
    mess: int = 3
    sprayed: bool = False
    #: whether several paints are mixed for it
    mixed: bool = False
    #: seconds after laying in which it must be wiped; 0 if it is not wiped
    window: float = 0.0


@dataclass(frozen=True)
class OrderRule:
    """A named reason why one step comes before another."""

    id: str
    name: str
    because: str
    hard: bool
    #: how firmly a soft rule holds; firmer ones are kept first
    weight: float
    #: the slot of the method profile that switches it; '' for one that always holds
    slot: str = ""


@dataclass(frozen=True)
class Edge:
    """``before`` must end, and dry for ``lag`` seconds, before ``after`` may start on the same figure."""

    before: str
    after: str
    lag: float
    rule: OrderRule


RECIPE_ORDER = OrderRule("recipe", "recipe order", "each step lies on the dried one before it", True, 100)
UNDERCOAT_FIRST = OrderRule("undercoat", "undercoat first", "paint wants a dry undercoat beneath it", True, 100)
MESSY_FIRST = OrderRule("D-12", "messy first", "drybrushing spills over neat work", False, 4)
RIM_LAST = OrderRule("D-52", "rim last", "the rim closes the figure, and handling wears it", False, 3)
INNER_FIRST = OrderRule("inner", "inner before outer", "what lies deeper is cut in by what lies above", False, 2)
MARK_ON_DRY = OrderRule(
    "mark", "marks on finished ground", "a mark lies on what is painted and dry beneath it", True, 100
)
MARK_AFTER_MESS = OrderRule(
    "D-13", "marks after rough work", "drybrushing and powders would go over the mark", False, 3
)
METALS_AFTER = OrderRule(
    "D-53", "metals after colours", "flakes foul the rinse water and the brushes", False, 1, "metals"
)
MAGNETS_FIRST = OrderRule("D-47", "magnets first", "glue and hole marks would stay on the paint", False, 5)
MASK_FIRST = OrderRule("mask", "mask before the spray", "the spray would go over what is beside it", True, 100)
UNMASK_LATER = OrderRule("unmask", "mask off after the spray", "the mask keeps off what is sprayed", True, 100)
UNMASK_SOON = OrderRule("masked", "mask off before the rest", "what is masked cannot be painted", False, 5)
JOIN_PAINTED = OrderRule("D-46", "painted before joined", "what the part hides cannot be reached any more", True, 100)
BARRIER_FIRST = OrderRule("D-32", "barrier before solvents", "solvent can lift paint that is not sealed", True, 100)
CURED_FIRST = OrderRule("D-34", "solvents cured first", "solvent shut in below can disturb the film above", True, 100)
VARNISH_LAST = OrderRule("D-19", "varnish when all is tidied", "varnished errors cannot be put right", True, 100)
HELD_LATE = OrderRule("D-51", "touch up what was held", "holding wears paint", False, 6)
DIRT_LAST = OrderRule(
    "D-43", "dirt over lights and marks", "mud covers them on purpose, and marks age with the surface", False, 6
)
COLOURS_FIRST = OrderRule("colours", "colours first", "it lies on finished colours", False, 6)
PLANTS_ON_GROUND = OrderRule("D-48", "plants on the painted ground", "plants cannot be drybrushed", True, 100)
LARGE_PLANTS_FIRST = OrderRule("D-49", "large plants first", "small ones and scatter fill the gaps", False, 5)
METALS_ON_VARNISH = OrderRule("D-35", "metals after the varnish", "varnish takes a metal's shine", True, 100, "metals")
METALS_FIRST = OrderRule("D-17", "metals first", "gaps in the colour read as worn paint", False, 1.5, "metals")
METALS_LAST = OrderRule(
    "DG-01", "metals last", "flakes foul the water, and no colour goes over them", False, 3.5, "metals"
)
SKIN_EARLY = OrderRule("DG-21", "skin early", "the clothes are cut in around it", False, 1.6, "skin")
SKIN_LATE = OrderRule("D-22", "skin late", "the first wash would dirty it, and it cuts back spills", False, 1.6, "skin")
BASE_FIRST = OrderRule("D-08", "base first", "its rough work is out of the way, and can be masked", False, 3.5, "base")
BASE_AT_END = OrderRule("D-57", "base last", "the figure is finished before its ground is", False, 3.5, "base")
#: every rule, by id
RULES = {
    rule.id: rule
    for rule in (
        RECIPE_ORDER, UNDERCOAT_FIRST, MARK_ON_DRY, MESSY_FIRST, MARK_AFTER_MESS, RIM_LAST, INNER_FIRST, METALS_AFTER,
        MAGNETS_FIRST, MASK_FIRST, UNMASK_LATER, UNMASK_SOON, JOIN_PAINTED, BARRIER_FIRST, CURED_FIRST, VARNISH_LAST, HELD_LATE, DIRT_LAST,
        COLOURS_FIRST, PLANTS_ON_GROUND, LARGE_PLANTS_FIRST, METALS_ON_VARNISH, METALS_FIRST, METALS_LAST, SKIN_EARLY,
        SKIN_LATE, BASE_FIRST, BASE_AT_END,
    )
}  # fmt: skip
