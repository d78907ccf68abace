"""Order rules as data: what must come before what, where, how firmly, and why."""

from dataclasses import dataclass
from functools import cache, cached_property

from ..data_table import data_table

#: firm to soft
LEVELS = ("structural", "chosen", "hard", "method", "wish")
#: how firmly each level holds, in words
LEVEL_WORDS = {
    "structural": "always: the paint itself asks for it",
    "chosen": "as you chose",
    "hard": "always: else it does harm",
    "method": "by the method",
    "wish": "where it can",
}


@dataclass(frozen=True)
class Selector:
    """Which work a rule speaks of; every condition that is given must hold."""

    kinds: tuple[str, ...] = ()
    not_kinds: tuple[str, ...] = ()
    #: 'step', 'pass', 'mark' or 'hand'
    sorts: tuple[str, ...] = ()
    classes: tuple[str, ...] = ()
    not_classes: tuple[str, ...] = ()
    tools: tuple[str, ...] = ()
    stages: tuple[str, ...] = ()
    tags: tuple[str, ...] = ()
    not_tags: tuple[str, ...] = ()
    #: 'first' or 'last' of each owner, 'first-pass' of all; '' for all
    which: str = ""
    #: what a spill would be seen on; what soils; what is laid on part of the figure
    neat: bool = False
    mess: bool = False
    part: bool = False


@dataclass(frozen=True)
class OrderRule:
    """A named reason why one step comes before another."""

    id: str
    name: str
    because: str
    level: str
    #: how firmly it holds among rules of its level
    weight: float
    #: what turns it on; '' for one that always holds
    switch: str = ""
    before: Selector | None = None
    after: Selector | None = None
    #: in what relation the areas of the two stand; '' for a rule that builds no pairs of its own
    relation: str = ""
    #: of which pairs it speaks besides: 'not later' by their phases, 'pass not later' with a pass after; '' for all
    only: str = ""
    #: 'cure' where it waits until the first is cured; '' for until it can be painted over
    lag: str = ""

    @cached_property
    def firmness(self) -> int:
        """Its level, counted from the firmest."""
        return LEVELS.index(self.level)

    @cached_property
    def hard(self) -> bool:
        """Whether nothing but the painter's word may break it."""
        return self.level in ("structural", "chosen", "hard")


def _structural(id_: str, name: str, because: str) -> OrderRule:
    return OrderRule(id_, name, because, "structural", 100.0)


RECIPE_ORDER = _structural("recipe", "recipe order", "each step lies on the dried one before it")
COAT_ORDER = _structural("D-55", "coat after coat", "each coat must dry before the next: else it tears or marks")
UNDERCOAT_FIRST = _structural("undercoat", "undercoat first", "paint wants a dry undercoat beneath it")
ABOVE_ON_DARK = _structural("D-06", "dark before light from above", "light from above needs a dark beneath")
MASK_ROUND = _structural("mask", "mask round the spray", "the spray would go over what is painted beside it")
LAID_ON = OrderRule("laid", "laid on what lies below", "it lies on the same area and must find it dry", "method", 30.0)
PHASES = OrderRule("phase", "phase after phase", "the method's phases", "method", 25.0)
LISTED = OrderRule(
    "listed", "passes as they are listed", "passes of one phase in the order of the list", "method", 20.0
)
UNDER_SINGLE = OrderRule("pass", "under what is painted singly", "it goes over all and lies beneath", "method", 15.0)
OVER_SINGLE = OrderRule(
    "pass", "over what is painted singly", "it goes over all that its phase painted", "method", 15.0
)


@cache
def order_rules() -> tuple[OrderRule, ...]:
    """Every rule that builds pairs, by id."""
    return tuple(_rule(row) for row in _rows() if "before" in row and row["how"] in ("edge", "insert"))


@cache
def every_rule() -> dict[str, OrderRule]:
    """Every rule there is, by id: those of the table, and those of the stack."""
    stacked = (
        RECIPE_ORDER, COAT_ORDER, UNDERCOAT_FIRST, ABOVE_ON_DARK, MASK_ROUND, LAID_ON, PHASES, LISTED, OVER_SINGLE,
    )  # fmt: skip
    return {row["id"]: _rule(row) for row in _rows()} | {rule.id: rule for rule in stacked}


@cache
def _rows() -> list[dict]:
    return data_table(__package__, "rules")["rule"]


def _rule(row: dict) -> OrderRule:
    return OrderRule(
        row["id"], row["name"], row["because"], row["level"], row.get("weight", 10.0), row.get("switch", ""),
        _selector(row.get("before")), _selector(row.get("after")), row.get("relation", ""), row.get("only", ""),
        row.get("lag", ""),
    )  # fmt: skip


def _selector(row: dict | None) -> Selector | None:
    if row is None:
        return None
    return Selector(**{name: tuple(value) if isinstance(value, list) else value for name, value in row.items()})
