"""Unit codes: marking systems of a scheme, who holds which code, codes retired, and the marks that follow."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace

from ..army.figure_filter import Filter
from ..army.tree import Army, Node
from ..colour.spaces import Lab
from ..errors import Contradiction, OutOfRange, UnknownName
from ..insignia.devices.device import Device
from ..insignia.devices.manner import PLAIN_MANNER, Manner, checked_manner
from ..insignia.systems.code import Code, CodePlan, CodeSite, Holder, allotted, checked_plan
from ..naming import named, slug
from .placement import Placement

#: who gets a code
BEARERS = {"unit": "each unit", "formation": "each formation", "figure": "each figure of a type"}
#: systems in one scheme; retired codes in one system, at most
MOST_SYSTEMS, MOST_RETIRED = 12, 300
#: sets of signs that are offered, by name
SIGN_SETS = {
    "numerals": tuple(str(number) for number in range(1, 25)),
    "letters": tuple("ABCDEFGHJKLMNPQRSTUVWXYZ"),
    "none": (),
}


@dataclass(frozen=True)
class Held:
    """A code and who holds it: a node's id, or 'unit/rank/ordinal' with the rank's. name: what the holder was called when it got it."""

    holder: str
    code: Code
    name: str = ""
    pinned: bool = False


@dataclass(frozen=True)
class Retired:
    """A code nobody gets again until it is freed: who held it, and why it was retired."""

    code: Code
    name: str
    why: str


@dataclass(frozen=True)
class CodeSystem:
    """A marking system: what codes are made of, where they are shown, who holds them."""

    id: str
    name: str
    plan: CodePlan
    #: id of the site that shows the code
    site: str
    bearers: str = "unit"
    #: the node whose units, formations or figures get codes
    scope: str = ""
    #: figure type that shows them; '' for every type with the site, but wanted for 'figure'
    type: str = ""
    manner: Manner = PLAIN_MANNER
    held: tuple[Held, ...] = ()
    retired: tuple[Retired, ...] = ()
    #: ranks shown beside the code: a site, and for the id of each rank a plain figure and the role it is painted in
    rank_site: str = ""
    rank_role: str = ""
    rank_marks: tuple[tuple[str, str], ...] = ()
    code_of: dict = field(init=False, repr=False, compare=False, hash=False)

    def __post_init__(self):
        object.__setattr__(self, "code_of", {one.holder: one for one in self.held})

    @property
    def roles(self) -> tuple[str, ...]:
        """Every role it names."""
        used = (*self.plan.colours, *(one.code.colour for one in (*self.held, *self.retired)))
        more = (self.rank_role, self.manner.ground, self.manner.outline)
        return tuple(dict.fromkeys(role for role in (*used, *more) if role))


def holders(army: Army, system: CodeSystem) -> tuple[tuple[Holder, str], ...]:
    """Who should hold a code, in the order of the tree, each with its name."""
    if system.scope not in army.nodes:
        return ()
    inside = list(army.nodes[system.scope].walk())
    units = [node for node in inside if node.is_unit and (not system.type or _musters(node, system.type))]
    if system.bearers == "unit":
        return tuple((Holder(one.id, army.paths[one.id][-2]), army.title(one.id)) for one in units)
    if system.bearers == "formation":
        found = dict.fromkeys(army.paths[one.id][-2] for one in units)
        return tuple(
            (Holder(id_, army.paths[id_][-2] if len(army.paths[id_]) > 1 else ""), army.nodes[id_].name)
            for id_ in found
        )
    return tuple(
        (Holder(f"{unit.id}/{rank.id}/{ordinal}", unit.id), f"{rank.name} {ordinal}, {army.title(unit.id)}")
        for unit in units
        for rank in unit.ranks
        if rank.type == system.type
        for ordinal in range(1, rank.figures + 1)
    )


def _musters(unit: Node, type_: str) -> bool:
    return any(rank.type == type_ and rank.figures for rank in unit.ranks)


def taken_codes(army: Army, system: CodeSystem) -> tuple[Code, ...]:
    """Codes that nobody gets: retired ones, and those whose holder has left the army."""
    here = {one.id for one, _ in holders(army, system)}
    return tuple(one.code for one in system.retired) + tuple(one.code for one in system.held if one.holder not in here)


def marks_of(system: CodeSystem) -> tuple[Placement, ...]:
    """The marks that a system's codes put on figures; their ids are the system's and the holder's, with a colon between."""
    found = []
    for one in system.held:
        scope, filter_ = one.holder, Filter(type=system.type)
        if system.bearers == "figure":
            scope, rank, ordinal = _figure_of(one.holder)
            filter_ = Filter(type=system.type, rank=rank, ordinals=(int(ordinal),))
        id_ = f"{system.id}:{one.holder}"
        found.append(Placement(id_, scope, system.site, one.code.device, one.code.colour, filter_, system.manner))
    for rank, kind in system.rank_marks:
        place = Placement(f"{system.id}:{rank}", system.scope, system.rank_site, Device(kind), system.rank_role,
                          Filter(rank=rank), replace(system.manner, ground="", outline=""))  # fmt: skip
        found.append(place)
    return tuple(found)


def with_system(design, system: CodeSystem):
    """The design with a marking system added (an id of '') or changed; its codes stay.

    Raises: OutOfRange, UnknownName or Contradiction, at the field's name.
    """
    scheme, army = design.scheme, design.army
    known = {one.id: one for one in scheme.code_systems}
    if system.id and system.id not in known:
        raise UnknownName("marking system", system.id, list(known), "system")
    if not system.id and len(known) >= MOST_SYSTEMS:
        raise OutOfRange(f"There are {len(known)} marking systems; allowed are {MOST_SYSTEMS}.", "name")
    checked_plan(system.plan)
    for role in system.plan.colours:
        scheme.role(role, "colours")
    checked_manner(system.manner, Device("text", "1"), "")
    army.node(system.scope, "scope")
    if system.bearers not in BEARERS:
        raise UnknownName("bearers", system.bearers, list(BEARERS), "bearers")
    if system.bearers == "figure" and not system.type:
        raise Contradiction("Say which figure type gets a code for each figure.", "type")
    if system.rank_marks:
        scheme.role(system.rank_role, "rank_role")
        if system.rank_site in ("", system.site):
            raise Contradiction("Ranks want a site of their own beside the code's.", "rank_site")
    made = replace(system, id=system.id or slug(system.name, set(known)), name=named(system.name))
    rest = tuple(made if one.id == made.id else one for one in scheme.code_systems)
    return _kept(design, rest if made.id in known else (*rest, made))


def with_codes(
    design, system_id: str, colour_of: Callable[[str], Lab], site: tuple[float, float], ground: Lab, *, anew: bool
):
    """The design with codes for all holders of a system: for those who have none, or (anew) for all but the pinned.

    colour_of: a role's apparent colour. site: mm across and down. ground: what codes lie on.
    Raises: OutOfRange if the codes do not suffice.
    """
    system = design.scheme.code_system(system_id)
    wanted = holders(design.army, system)
    here = {one.id for one, _ in wanted}
    kept = {one.holder: one.code for one in system.held if one.holder in here and (one.pinned or not anew)}
    found = allotted(
        [one for one, _ in wanted], system.plan, kept, taken_codes(design.army, system),
        CodeSite(site[0], site[1], ground, colour_of),
    )  # fmt: skip
    names = {one.id: name for one, name in wanted}
    lost = tuple(one for one in system.held if one.holder not in here)
    held = tuple(
        Held(id_, code, names[id_], id_ in system.code_of and system.code_of[id_].pinned) for id_, code in found.items()
    )
    return _changed(design, replace(system, held=(*held, *lost)))


def with_pin(design, system_id: str, holder: str, *, on: bool):
    """The design with a holder's code pinned, so that designing anew leaves it; or no longer.

    Raises: UnknownName.
    """
    system = design.scheme.code_system(system_id)
    one = _held(system, holder)
    held = tuple(replace(each, pinned=on) if each is one else each for each in system.held)
    return _changed(design, replace(system, held=held))


def with_retired(design, system_id: str, holder: str, why: str):
    """The design with a holder's code retired: the holder is without, and nobody gets it again until it is freed.

    Raises: UnknownName; OutOfRange for the reason or the number.
    """
    system = design.scheme.code_system(system_id)
    one = _held(system, holder)
    why = " ".join(why.split())
    if not 1 <= len(why) <= 120:
        raise OutOfRange(f"The reason has {len(why)} characters; allowed is 1 to 120.", "why")
    if len(system.retired) >= MOST_RETIRED:
        raise OutOfRange(
            f"{len(system.retired)} codes are retired; allowed are {MOST_RETIRED}. Free some first.", "why"
        )
    held = tuple(each for each in system.held if each is not one)
    return _changed(design, replace(system, held=held, retired=(*system.retired, Retired(one.code, one.name, why))))


def with_freed(design, system_id: str, code: Code):
    """The design with a retired code free again, or that of a holder who has left the army.

    Raises: UnknownName.
    """
    system = design.scheme.code_system(system_id)
    here = {one.id for one, _ in holders(design.army, system)}
    retired = tuple(one for one in system.retired if one.code != code)
    held = tuple(one for one in system.held if one.code != code or one.holder in here)
    if (retired, held) == (system.retired, system.held):
        raise UnknownName("retired code", "".join((code.frame, code.sign)) or code.colour, [], "code")
    return _changed(design, replace(system, retired=retired, held=held))


def _figure_of(holder: str) -> tuple[str, str, str]:
    """Unit, rank and ordinal of a figure that holds a code; a rank's id may hold any sign."""
    unit, _, rest = holder.partition("/")
    rank, _, ordinal = rest.rpartition("/")
    return unit, rank, ordinal


def taken_over(
    system: CodeSystem, places: Mapping[str, str], new_id: Mapping[str, str], ranks: Mapping[str, str]
) -> CodeSystem:
    """A system of another design in this one's names.

    places, new_id, ranks: node, role and rank there to those here.
    """

    def code(one: Code) -> Code:
        return replace(one, colour=new_id[one.colour])

    manner = replace(system.manner, ground=new_id[system.manner.ground], outline=new_id[system.manner.outline])
    held = []
    for one in system.held:
        node, slash, _ = one.holder.partition("/")
        if node in places:
            _, rank, ordinal = _figure_of(one.holder)
            figure = f"/{ranks.get(rank, rank)}/{ordinal}" if slash else ""
            held.append(replace(one, holder=f"{places[node]}{figure}", code=code(one.code)))
    return replace(
        system, plan=replace(system.plan, colours=tuple(dict.fromkeys(new_id[role] for role in system.plan.colours))),
        manner=manner, held=tuple(held), retired=tuple(replace(one, code=code(one.code)) for one in system.retired),
        rank_role=new_id[system.rank_role],
        rank_marks=tuple((ranks.get(rank, rank), kind) for rank, kind in system.rank_marks),
    )  # fmt: skip


def without_system(design, system_id: str):
    """The design without a marking system and its codes.

    Raises: UnknownName.
    """
    design.scheme.code_system(system_id)
    return _kept(design, tuple(one for one in design.scheme.code_systems if one.id != system_id))


def _held(system: CodeSystem, holder: str) -> Held:
    if holder not in system.code_of:
        raise UnknownName("holder of a code", holder, list(system.code_of), "holder")
    return system.code_of[holder]


def _changed(design, system: CodeSystem):
    return _kept(design, tuple(system if one.id == system.id else one for one in design.scheme.code_systems))


def _kept(design, systems: tuple[CodeSystem, ...]):
    return replace(design, scheme=replace(design.scheme, code_systems=systems))
