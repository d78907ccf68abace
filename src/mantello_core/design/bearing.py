"""Edits of what figures bear: a device placed on a site at a rung, or taken away there."""

from dataclasses import replace

from ..army.figure_filter import Filter
from ..army.tree import Figure
from ..errors import Contradiction, UnknownName
from ..figures.plate import CLOTH
from ..insignia.devices.device import ARMS, Device, checked_device
from ..insignia.devices.manner import PLAIN_MANNER, Manner, checked_manner
from ..marks.placement import Placement, checked_placement, site_ids
from ..naming import slug
from ..scheme.scheme import Scheme
from .design import Design
from .rung_edit import rung_of


def with_device(
    design: Design,
    figure: Figure,
    site: str,
    device: Device | None,
    role: str,
    rung_number: int,
    manner: Manner = PLAIN_MANNER,
) -> Design:
    """Let a device be borne on a site from a rung down, arms in their own paints and others in a role's; None leaves the site bare there, whatever is set above.

    A placement for that site at that rung is replaced.
    Raises: UnknownName for site, role or arms; OutOfRange for the rung or the device; what ``checked_manner`` refuses.
    """
    placement = _placement(design, figure, site, rung_number)
    if device is not None:
        device = checked_device(device)
        if bool(device.cloth) != site.startswith(CLOTH):
            raise Contradiction("Patterns of cloth cover an area; other marks go on a site with room for them.", "kind")
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


def with_manner(design: Design, mark_id: str, **changes) -> Design:
    """Put a mark on in another manner: changes of the fields of ``Manner``. Of a marking system all marks change.

    Raises: UnknownName if there is no such mark; what ``checked_manner`` refuses.
    """
    scheme = design.scheme
    mark = next((one for one in scheme.marks if one.id == mark_id), None)
    if mark is None or mark.device is None:
        raise UnknownName("mark", mark_id, [one.id for one in scheme.marks], "mark")
    manner = checked_manner(replace(mark.manner, **changes), mark.device, "")
    system, colon, _ = mark_id.partition(":")
    if colon:
        systems = tuple(replace(one, manner=manner) if one.id == system else one for one in scheme.code_systems)
        return replace(design, scheme=replace(scheme, code_systems=systems))
    marks = tuple(replace(one, manner=manner) if one.id == mark_id else one for one in scheme.placements)
    return replace(design, scheme=replace(scheme, placements=marks))


def _placement(design: Design, figure: Figure, site: str, rung_number: int) -> Placement:
    army = design.army
    plate = army.plate(army.rank(figure.unit, figure.rank).type)
    known = site_ids(plate)
    if not plate.named_sites(site):
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
