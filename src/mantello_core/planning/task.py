"""Atoms and edges: the smallest pieces of work, and what must come before what."""

from dataclasses import dataclass

from ..schemes.mark_work import MARK


@dataclass(frozen=True)
class Atom:
    """One recipe step on one role's areas of one rank of one unit; each figure needs it once."""

    id: str
    unit: str
    rank: str
    #: role id; '' for the undercoat; for a mark 'mark:' and the id of its site
    role: str
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

    @property
    def mark(self) -> str:
        """The site whose mark it works on; '' for none."""
        return self.role.removeprefix(MARK) if self.role.startswith(MARK) else ""

    @property
    def recipe_role(self) -> str:
        """The role whose recipe it is a step of; '' for undercoat and marks."""
        return "" if self.mark else self.role


@dataclass(frozen=True)
class OrderRule:
    """A named reason why one step comes before another."""

    id: str
    name: str
    because: str
    hard: bool
    #: how firmly a soft rule holds; firmer ones are kept first
    weight: float


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
METALS_AFTER = OrderRule("D-53", "metals after colours", "flakes foul the rinse water and the brushes", False, 1)
#: every rule, by id
RULES = {
    rule.id: rule
    for rule in (
        RECIPE_ORDER, UNDERCOAT_FIRST, MARK_ON_DRY, MESSY_FIRST, MARK_AFTER_MESS, RIM_LAST, INNER_FIRST, METALS_AFTER,
    )
}  # fmt: skip
