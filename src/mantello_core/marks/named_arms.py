"""Arms of the force: named, blazoned, borne by a formation, each tincture bound to a colour role."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property

from ..errors import MantelloError, OutOfRange
from ..insignia.arms.arms_drawing import drawn_arms, tinctures_of
from ..insignia.arms.blazon import read_blazon
from ..insignia.arms.coat import Arms
from ..insignia.arms.tincture import TINCTURES, tincture
from ..insignia.arms.writing import write_blazon
from ..insignia.devices.device import ARMS, Device
from ..naming import named, slug

#: arms in one scheme at most
MOST_ARMS = 60


@dataclass(frozen=True)
class NamedArms:
    """Arms of the scheme. The blazon is canonical."""

    id: str
    name: str
    blazon: str
    #: tincture to role, for those that are bound
    bound: tuple[tuple[str, str], ...] = ()
    #: id of the formation or unit that bears them; empty if nobody does yet
    bearer: str = ""

    @cached_property
    def tree(self) -> Arms:
        """The arms as a tree."""
        return read_blazon(self.blazon)

    @cached_property
    def tinctures(self) -> tuple[str, ...]:
        """Plain tinctures it is painted in: those of its pieces, furs as what they are made of."""
        found: dict[str, None] = {}
        for id_ in tinctures_of(drawn_arms(self.tree)):
            found |= dict.fromkeys(TINCTURES[id_].made_of or (id_,))
        return tuple(found)

    def role_of(self, id_: str) -> str | None:
        """The role a tincture is painted in."""
        return dict(self.bound).get(id_)


def with_arms(design, arms_id: str, name: str, blazon: str, bearer: str = "", bound: Mapping[str, str] | None = None):
    """The design with arms changed, or added if the id is empty; tinctures they no longer have are unbound.

    Raises: what ``read_blazon`` refuses, at 'blazon'; UnknownName for arms, bearer, role or tincture; OutOfRange for
    name or number.
    """
    scheme = design.scheme
    known = {one.id: one for one in scheme.arms}
    if arms_id and arms_id not in known:
        scheme.named_arms(arms_id)
    if not arms_id and len(known) >= MOST_ARMS:
        raise OutOfRange(f"The scheme has {len(known)} arms; allowed are {MOST_ARMS}.", "name")
    try:
        canonical = write_blazon(read_blazon(blazon))
    except MantelloError as error:
        error.message, error.where = error.message, "blazon"
        raise
    if bearer:
        design.army.node(bearer, "bearer")
    old = known.get(arms_id)
    one = NamedArms(arms_id or slug(name, set(known)), named(name), canonical, old.bound if old else (), bearer)
    pairs = dict(one.bound) | {tincture(id_, "tincture").id: role for id_, role in (bound or {}).items()}
    kept = tuple((id_, pairs[id_]) for id_ in one.tinctures if pairs.get(id_))
    for _, role in kept:
        scheme.role(role, "role")
    one = replace(one, bound=kept)
    arms = tuple(one if each.id == one.id else each for each in scheme.arms) if old else (*scheme.arms, one)
    return replace(design, scheme=replace(scheme, arms=arms))


def without_arms(design, arms_id: str):
    """The design without those arms, and without the marks that show them.

    Raises: UnknownName.
    """
    design.scheme.named_arms(arms_id)
    kept = tuple(one for one in design.scheme.arms if one.id != arms_id)
    shown = Device(ARMS, arms_id)
    marks = tuple(one for one in design.scheme.placements if one.device != shown)
    return replace(design, scheme=replace(design.scheme, arms=kept, placements=marks))
