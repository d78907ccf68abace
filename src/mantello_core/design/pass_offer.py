"""Steps that several roles share and that could be one pass over the figure."""

from dataclasses import dataclass, replace

from ..errors import UnknownName
from ..naming import slug
from ..recipes.step import Mix, Step
from ..scheme.scheme import Scheme
from ..scheme.whole_pass import WholePass
from .design import Design
from .edit import with_scheme
from .order_edit import with_pass

#: kinds that are laid over several colours at once
PASS_KINDS = ("shade", "stain", "glaze", "overbrush", "drybrush", "oil", "varnish", "powder")
#: from so many roles on it is worth a pass
LEAST_ROLES = 3


@dataclass(frozen=True)
class Offer:
    """The same step in several recipes."""

    kind: str
    mix: Mix
    #: ids of roles, in order
    roles: tuple[str, ...]

    @property
    def id(self) -> str:
        """Kind and mix in one word."""
        return f"{self.kind}|{self.mix.words}"

    def covers(self, step: Step) -> bool:
        """Whether a step of its roles is the one that they share."""
        return (step.kind, step.mix) == (self.kind, self.mix)


def pass_offers(scheme: Scheme) -> tuple[Offer, ...]:
    """Steps of one kind and mix that three or more roles have for rank and file, those of most roles first."""
    found: dict[tuple[str, Mix], list[str]] = {}
    for role in scheme.roles:
        for step in role.recipe().steps:
            if step.kind in PASS_KINDS:
                roles = found.setdefault((step.kind, step.mix), [])
                if role.id not in roles:
                    roles.append(role.id)
    offers = [Offer(kind, mix, tuple(roles)) for (kind, mix), roles in found.items() if len(roles) >= LEAST_ROLES]
    return tuple(sorted(offers, key=lambda one: (-len(one.roles), one.id)))


def with_offer_taken(design: Design, offer_id: str, name: str = "", taken: tuple[str, ...] = ()) -> Design:
    """The steps leave the recipes of their roles, and one pass over all areas of those roles takes their place.

    taken: ids that other work has. Raises: UnknownName if there is no such offer any more.
    """
    scheme = design.scheme
    offer = next((one for one in pass_offers(scheme) if one.id == offer_id), None)
    if offer is None:
        raise UnknownName("step that roles share", offer_id, [one.id for one in pass_offers(scheme)], "offer")
    known = next(step for step in scheme.role(offer.roles[0]).recipe().steps if offer.covers(step))
    said = name.strip() or f"{known.technique.verb}: {offer.mix.paints[0].name}"
    id_ = slug(said, {*(one.id for one in scheme.passes), *taken})
    roles = tuple(role.without_steps(offer.covers) if role.id in offer.roles else role for role in scheme.roles)
    order = scheme.order
    for role in roles:
        if role.id in offer.roles and not role.recipe().steps:
            order = order.without_role(role.id)
    made = WholePass(id_, said[:60], replace(known, id=id_), select=(), roles=offer.roles)
    return with_pass(with_scheme(design, replace(scheme, roles=roles, order=order)), made)
