"""What the painter chose of the order of work: phases of their own, steps put elsewhere, rules of their own."""

import re
from collections.abc import Collection
from dataclasses import dataclass, field, replace

from ..errors import OutOfRange, UnknownName, Unreadable

MOST_PHASES, MOST_RULES, MOST_RUNS, MOST_IN_RUN, MOST_REASON = 40, 200, 40, 12, 160
#: rules that a painter may turn on or off, and what each asks for
SWITCHES = {
    "base-first": "bases are sprayed and masked before the figure is sprayed",
    "base-last": "the figure is finished before its base",
    "skin-late": "the first wash comes before skin",
    "metal-under": "metal and black lie under the stippled colour",
    "metals-after-varnish": "metals that shall shine wait for the matt or satin coat",
    "one-cup": "colours before metals, so that flakes foul no water",
    "texture-first": "texture lies beneath the undercoat",
    "chip-dark-first": "the dark chip before its light lip",
}
#: how a reference begins: what it names
SORTS = ("role", "pass", "mark", "kind", "class")
_ID = re.compile(r"[a-z0-9][a-z0-9-]{0,39}")


@dataclass(frozen=True)
class Phase:
    """One phase of the work; ``like`` is the usual phase that a repeated one stands for."""

    id: str
    name: str
    like: str = ""

    @property
    def usual(self) -> str:
        """The usual phase it is, or stands for."""
        return self.like or self.id


@dataclass(frozen=True)
class Moved:
    """Work that the painter put into a phase; ``what`` as ``OwnRule`` names it."""

    what: str
    phase: str
    because: str = ""
    #: node of the army that it is for; '' for all of it
    scope: str = ""


@dataclass(frozen=True)
class OwnRule:
    """A rule of the painter's own: this before that.

    Work is named 'role:field/s2' (one step), 'role:field' (its first step), 'role:field*' (all of it), 'pass:wash',
    'mark:hat.plate', 'kind:shade' (all steps of a kind) or 'class:skin' (first steps of roles of a class).
    """

    id: str
    before: str
    after: str
    because: str = ""
    scope: str = ""


@dataclass(frozen=True)
class Run:
    """Units that are painted together, since they share pots."""

    units: tuple[str, ...]
    because: str = ""


@dataclass(frozen=True)
class WorkOrder:
    """All choices of the order; empty where the method has it."""

    #: none: as the method has them
    phases: tuple[Phase, ...] = ()
    #: order rules turned on or off against the method
    switches: tuple[tuple[str, bool], ...] = ()
    moved: tuple[Moved, ...] = ()
    rules: tuple[OwnRule, ...] = ()
    #: ids of order rules that the painter gave up
    given_up: tuple[str, ...] = ()
    runs: tuple[Run, ...] = field(default=())
    #: units that are painted by themselves: no step of theirs is taken together with another unit's
    alone: tuple[str, ...] = ()

    def without_role(self, role_id: str) -> "WorkOrder":
        """These choices without those that speak of a role."""
        return self._where(lambda what: not _is_of(what, "role", role_id))

    def _where(self, stands) -> "WorkOrder":
        moved = tuple(one for one in self.moved if stands(one.what))
        rules = tuple(one for one in self.rules if stands(one.before) and stands(one.after))
        return replace(self, moved=moved, rules=rules)

    def without_nodes(self, gone: Collection[str]) -> "WorkOrder":
        """These choices without those that are for nodes of the army that are no more."""
        runs = (replace(run, units=tuple(unit for unit in run.units if unit not in gone)) for run in self.runs)
        return replace(
            self,
            moved=tuple(one for one in self.moved if one.scope not in gone),
            rules=tuple(one for one in self.rules if one.scope not in gone),
            runs=tuple(run for run in runs if len(run.units) > 1),
            alone=tuple(unit for unit in self.alone if unit not in gone),
        )

    def without_pass(self, pass_id: str) -> "WorkOrder":
        """These choices without those that speak of a pass."""
        return self._where(lambda what: not _is_of(what, "pass", pass_id))


def _is_of(what: str, sort: str, id_: str) -> bool:
    """Whether a reference names a role or pass, or a step of it."""
    said, _, rest = what.partition(":")
    return said == sort and rest.partition("/")[0].rstrip("*") == id_


PLAIN_ORDER = WorkOrder()


def checked_order(order: WorkOrder, usual: Collection[str], where: str = "order") -> WorkOrder:
    """The choices, if everything in them is allowed. usual: ids of the usual phases.

    Raises: OutOfRange, UnknownName or Unreadable at the field.
    """
    for name, most in (("phases", MOST_PHASES), ("moved", MOST_RULES), ("rules", MOST_RULES), ("runs", MOST_RUNS)):
        if len(getattr(order, name)) > most:
            raise OutOfRange(f"{len(getattr(order, name))} {name}; allowed are up to {most}.", f"{where}/{name}")
    known = {one.id for one in order.phases} or set(usual)
    if len(known) < len(order.phases):
        raise Unreadable("Two phases have one id; each needs an id of its own.", f"{where}/phases")
    for index, phase in enumerate(order.phases):
        at = f"{where}/phases/{index}"
        if not _ID.fullmatch(phase.id):
            raise Unreadable(
                f"'{phase.id}' is no id of a phase; write small letters, digits and hyphens, up to 40.", f"{at}/id"
            )
        if phase.usual not in usual:
            raise UnknownName("usual phase", phase.usual, list(usual), f"{at}/like")
        _check_words(phase.name, f"{at}/name", "name")
    for name, _ in order.switches:
        if name not in SWITCHES:
            raise UnknownName("switch of the order", name, list(SWITCHES), f"{where}/switches")
    for index, moved in enumerate(order.moved):
        at = f"{where}/moved/{index}"
        checked_reference(moved.what, f"{at}/what")
        if moved.phase not in known:
            raise UnknownName("phase", moved.phase, list(known), f"{at}/phase")
        _check_words(moved.because, f"{at}/because", "reason")
    for index, rule in enumerate(order.rules):
        at = f"{where}/rules/{index}"
        checked_reference(rule.before, f"{at}/before")
        checked_reference(rule.after, f"{at}/after")
        if rule.before == rule.after:
            raise Unreadable(f"'{rule.before}' cannot come before itself.", f"{at}/after")
        _check_words(rule.because, f"{at}/because", "reason")
    _check_company(order, where)
    return order


def _check_company(order: WorkOrder, where: str) -> None:
    for index, run in enumerate(order.runs):
        if not 2 <= len(run.units) <= MOST_IN_RUN:
            raise OutOfRange(
                f"A run of {len(run.units)} units; allowed are 2 to {MOST_IN_RUN}.", f"{where}/runs/{index}/units"
            )
    for at, unit in enumerate(order.alone):
        if any(unit in run.units for run in order.runs):
            raise Unreadable(
                f"'{unit}' is painted by itself and together with others; say one of the two.", f"{where}/alone/{at}"
            )


def checked_reference(what: str, where: str = "") -> str:
    """The reference, if it can be read. Raises: Unreadable, saying what is allowed."""
    sort, _, rest = what.partition(":")
    if sort not in SORTS or not rest or len(what) > MOST_REASON:
        raise Unreadable(
            f"'{what}' names no work; write role:, pass:, mark:, kind: or class: and what it is, such as role:field/base.",
            where,
        )
    return what


def _check_words(words: str, where: str, what: str) -> None:
    if len(words) > MOST_REASON:
        raise OutOfRange(f"The {what} has {len(words)} signs; allowed is up to {MOST_REASON}.", where)
