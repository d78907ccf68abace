"""The phases of the work: the method's list or the painter's own, and which phase each kind of work belongs to."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache, cached_property
from types import MappingProxyType

from ..data_table import data_table
from ..design.design import Design
from ..recipes.slots import Slots
from ..scheme.work_order import Phase, WorkOrder

#: slots of the finish: (slot, choice) to the class, its home, the phase it stands behind, and the switch
_SLOTS = {
    ("metals", "first"): ("metal", "metals", "spray", ""),
    ("metals", "shared"): ("metal", "block-in", "", ""),
    ("metals", "after"): ("metal", "metals", "matt", "metals-after-varnish"),
    ("metals", "last"): ("metal", "metals", "lights", "one-cup"),
    ("skin", "early"): ("skin", "skin", "all-over", ""),
    ("skin", "any"): ("skin", "", "", ""),
    ("skin", "late"): ("skin", "skin", "re-light", "skin-late"),
    ("base", "first"): ("ground", "ground", "undercoat", "base-first"),
    ("base", "any"): ("ground", "", "", ""),
    ("base", "last"): ("ground", "base", "", "base-last"),
}
#: switches that a slot turns off when it chooses otherwise
_OF_SLOT = {"metals": ("metals-after-varnish", "one-cup"), "skin": ("skin-late",), "base": ("base-first", "base-last")}


@dataclass(frozen=True)
class PhaseList:
    """The phases of an army's work, in order, with what belongs where."""

    phases: tuple[Phase, ...]
    #: class of role to the usual phase that is its home
    homes: Mapping[str, str]
    #: kind of work to its usual phase, where the method has it otherwise
    kinds: Mapping[str, str]
    #: order rules that are switched on
    switches: frozenset[str]

    @cached_property
    def _places(self) -> dict[str, int]:
        """Usual phase or id to its place, the first that stands for it; one that is missing stands at the next later."""
        found: dict[str, int] = {}
        for at, phase in enumerate(self.phases):
            found.setdefault(phase.usual, at)
        usual = list(usual_phases())
        for at, name in enumerate(usual):
            if name not in found:
                found[name] = next((found[later] for later in usual[at:] if later in found), len(self.phases) - 1)
        return found | {phase.id: at for at, phase in enumerate(self.phases)}

    def place(self, name: str) -> int:
        """The place of a phase by id, or by the usual phase that stands in it; the last for an unknown one."""
        return self._places.get(name, len(self.phases) - 1)

    def of_kind(self, kind: str) -> int:
        """The place of a kind of work."""
        return self.place(self.kinds.get(kind) or _data()["kinds"].get(kind, "block-in"))


@cache
def _data() -> dict:
    return data_table(__package__, "phases")


@cache
def usual_phases() -> Mapping[str, str]:
    """Every usual phase in the usual order: id to what it is for."""
    return MappingProxyType({row["id"]: row["note"] for row in _data()["phase"]})


def _usual_phase(id_: str) -> Phase:
    return Phase(id_, next(row["name"] for row in _data()["phase"] if row["id"] == id_))


def phase_list(design: Design) -> PhaseList:
    """The phases of a design: the painter's own list, or the method's as the finish's slots bend it."""
    method = design.brief.method if design.brief else "classic"
    finishing = design.scheme.finishing
    return _phase_list(method, finishing.slots, design.scheme.order, finishing.assembly.grit == "first")


def method_phases(method: str) -> tuple[Phase, ...]:
    """The phases of a method, in order. Raises: KeyError for a method there is not."""
    return tuple(_usual_phase(id_) for id_ in _data()["methods"][method]["phases"])


def _phase_list(method: str, slots: Slots, order: WorkOrder, grit_first: bool) -> PhaseList:
    row = _data()["methods"][method]
    phases = list(order.phases or method_phases(method))
    homes = dict(_data()["homes"]) | row["homes"]
    switches = set(row["switches"]) | ({"texture-first"} if grit_first else set())
    if "base-last" in switches:
        homes["ground"] = "base"
    for slot, chosen in vars(slots).items():
        if not chosen:
            continue
        owner, home, behind, switch = _SLOTS[slot, chosen]
        switches -= set(_OF_SLOT[slot])
        homes.pop(owner, None)
        if home:
            homes[owner] = home
        if switch:
            switches.add(switch)
        if behind:
            phases = _placed(phases, home, behind)
    switches |= {name for name, on in order.switches if on}
    switches -= {name for name, on in order.switches if not on}
    return PhaseList(
        tuple(phases), MappingProxyType(homes), MappingProxyType(row.get("kinds", {})), frozenset(switches)
    )


def _placed(phases: list[Phase], name: str, behind: str) -> list[Phase]:
    """The phases with one put behind another; where that is missing, behind the next earlier of the usual order."""
    own = next((one for one in phases if one.id == name), _usual_phase(name))
    rest = [one for one in phases if one.id != name]
    usual = list(usual_phases())
    for anchor in reversed(usual[: usual.index(behind) + 1]):
        at = max((at for at, one in enumerate(rest) if one.usual == anchor), default=None)
        if at is not None:
            return [*rest[: at + 1], own, *rest[at + 1 :]]
    return [own, *rest]
