"""Edits of what figures bear: a device placed on a site at a rung, or taken away there."""

from dataclasses import replace

from ..errors import Contradiction, UnknownName
from ..insignia.device import ARMS, Device, checked_device
from ..insignia.manner import Manner, checked_manner
from .army import Figure
from .edit import rung_of
from .naming import slug
from .placement import Placement, checked_placement, site_ids
from .rule import Filter
from .scheme import Design, Scheme


def with_device(
    design: Design,
    figure: Figure,
    site: str,
    device: Device | None,
    role: str,
    rung_number: int,
    manner: Manner = Manner(),
) -> Design:
    """Let a device be borne on a site from a rung down, arms in their own paints and others in a role's; None leaves the site bare there, whatever is set above.

    A placement for that site at that rung is replaced.
    Raises: UnknownName for site, role or arms; OutOfRange for the rung or the device; what ``checked_manner`` refuses.
    """
    placement = _placement(design, figure, site, rung_number)
    if device is not None:
        device = checked_device(device)
        if device.kind == ARMS:
            design.scheme.named_arms(device.text, "kind")
            role = ""
        else:
            design.scheme.role(role, "role")
        manner = checked_manner(manner, device, "")
        for name in ("ground", "outline"):
            if getattr(manner, name):
                design.scheme.role(getattr(manner, name), name)
    rest = _others(design, placement)
    placement = replace(placement, device=device, role=role if device else "", manner=manner if device else Manner())
    placements = (*rest, checked_placement(placement, rest))
    return replace(design, scheme=replace(design.scheme, placements=placements))


def without_device(design: Design, figure: Figure, site: str, rung_number: int) -> Design:
    """Take away what is placed on a site at a rung, so that it falls back to the rung above.

    Raises: UnknownName, OutOfRange; Contradiction if nothing is placed there.
    """
    placement = _placement(design, figure, site, rung_number)
    rest = _others(design, placement)
    if len(rest) == len(design.scheme.placements):
        raise Contradiction("Nothing is placed on that site at this rung.", "rung")
    return replace(design, scheme=replace(design.scheme, placements=rest))


def _placement(design: Design, figure: Figure, site: str, rung_number: int) -> Placement:
    army = design.army
    known = site_ids(army.plate(army.rank(figure.unit, figure.rank).type))
    if site not in known:
        raise UnknownName("site for a mark", site, list(known), "site")
    rung = rung_of(army, figure, rung_number)
    filter_ = Filter()
    if rung.reach == "rank":
        filter_ = Filter(rank=figure.rank)
    elif rung.reach == "figure":
        filter_ = Filter(rank=figure.rank, ordinals=(figure.ordinal,))
    taken = {one.id for one in design.scheme.placements}
    return Placement(slug(f"{rung.scope}-{site}".replace(".", "-"), taken), rung.scope, site, None, "", filter_)


def _others(design: Design, placement: Placement) -> tuple[Placement, ...]:
    """Placements but the one for the same site, scope and filter."""
    same = placement.scope, placement.site, placement.filter
    return tuple(one for one in design.scheme.placements if (one.scope, one.site, one.filter) != same)


def device_words(scheme: Scheme, device: Device) -> str:
    """What a device is, in words: arms by their name."""
    return f"the arms of {scheme.named_arms(device.text).name}" if device.kind == ARMS else device.words
