"""Passes over the figure and what the painter chose of the order, as parts of the document."""

from ...order.phases import usual_phases
from ...paints.catalogue import Catalogue
from ...scheme.whole_pass import WholePass, checked_passes
from ...scheme.work_order import Moved, OwnRule, Phase, Run, WorkOrder, checked_order
from .recipes import read_step, refuse_twice, write_step
from .rules import read_filter, write_filter

_USUAL_PASS = {"law": "all", "height": 0.0, "phase": "", "because": "", "off": False, "scope": ""}
_LISTS = ("select", "roles", "leaves", "leaves_roles", "tiers")


def write_pass(one: WholePass) -> dict:
    """A pass, JSON-ready; what is as usual is left out."""
    plain = {name: getattr(one, name) for name, usual in _USUAL_PASS.items() if getattr(one, name) != usual}
    lists = {name: list(getattr(one, name)) for name in _LISTS if getattr(one, name)}
    return {"id": one.id, "name": one.name, "step": write_step(one.step), **plain, **lists, **write_filter(one.filter)}


def read_passes(data: list, roles: tuple[str, ...], catalogue: Catalogue, where: str) -> tuple[WholePass, ...]:
    """The passes from their mappings.

    Raises: what ``read_step`` and ``checked_passes`` refuse, with a JSON pointer.
    """
    passes = tuple(
        WholePass(
            id=one["id"],
            name=one["name"],
            step=read_step(one["step"], f"{where}/{index}/step", catalogue),
            filter=read_filter(one.get("filter", {})),
            select=tuple(one.get("select", ())),
            **{name: tuple(one[name]) for name in _LISTS if name in one and name != "select"},
            **{name: one[name] for name in _USUAL_PASS if name in one and name != "height"},
            height=float(one.get("height", 0.0)),
        )
        for index, one in enumerate(data)
    )
    return checked_passes(passes, roles, where)


def write_order(order: WorkOrder) -> dict:
    """What was chosen, JSON-ready; empty where nothing was."""
    written: dict = {}
    if order.phases:
        written["phases"] = [
            {"id": one.id, "name": one.name} | ({"like": one.like} if one.like else {}) for one in order.phases
        ]
    if order.switches:
        written["switches"] = dict(order.switches)
    for name in ("moved", "rules"):
        rows = [
            {
                key: value
                for key, value in vars(one).items()
                if value or key in ("id", "what", "phase", "before", "after")
            }
            for one in getattr(order, name)
        ]
        if rows:
            written[name] = rows
    if order.given_up:
        written["given_up"] = list(order.given_up)
    if order.runs:
        written["runs"] = [
            {"units": list(one.units)} | ({"because": one.because} if one.because else {}) for one in order.runs
        ]
    if order.alone:
        written["alone"] = list(order.alone)
    return written


def read_order(data: dict, where: str) -> WorkOrder:
    """What was chosen, from its mapping.

    Raises: what ``checked_order`` refuses, with a JSON pointer.
    """
    order = WorkOrder(
        tuple(Phase(**one) for one in data.get("phases", ())),
        tuple(sorted(data.get("switches", {}).items())),
        tuple(Moved(**one) for one in data.get("moved", ())),
        tuple(OwnRule(**one) for one in data.get("rules", ())),
        tuple(data.get("given_up", ())),
        tuple(Run(tuple(one["units"]), one.get("because", "")) for one in data.get("runs", ())),
        tuple(dict.fromkeys(data.get("alone", ()))),
    )
    refuse_twice([one.id for one in order.rules], f"{where}/rules", "rule of the order")
    return checked_order(order, tuple(usual_phases()), where)
