"""Marks of a scheme as work: how long each takes by hand, what it is painted with, and its steps."""

from ..figures.plate import Site
from ..insignia.arms.arms_drawing import drawn_arms
from ..insignia.arms.coat import Arms
from ..insignia.devices.device import ARMS, MARGIN, Device
from ..insignia.devices.device_drawing import device_drawing
from ..insignia.devices.mark_step import MarkStep, mark_steps, seconds_by_hand
from ..insignia.devices.worn import surface_for
from ..marks.placement import Placement
from ..memory import remembered
from ..scheme.scheme import Scheme


def by_hand(scheme: Scheme, device: Device, site: Site) -> float:
    """Hands-on seconds for one copy by hand on a site."""
    arms = scheme.named_arms(device.text).tree if device.kind == ARMS else None
    return _by_hand(device, arms, site.width, site.height, surface_for(site))


@remembered(1_000)
def _by_hand(device: Device, arms: Arms | None, width: float, height: float, surface: str) -> float:
    if arms is not None:
        return seconds_by_hand(drawn_arms(arms, surface), max(0.5, width * MARGIN))
    return seconds_by_hand(device_drawing(device, width, height), max(0.5, width))


def steps_of(scheme: Scheme, placement: Placement, site: Site) -> tuple[MarkStep, ...]:
    """The steps of a mark on a site, by its method."""
    seconds = by_hand(scheme, placement.device, site) if placement.manner.method == "freehand" else 0.0
    return mark_steps(placement.manner.method, seconds, site.curve)


def painted_with(scheme: Scheme, placement: Placement, step: MarkStep, tier: str) -> str:
    """What a step of a mark uses, in words: its fluid, its role's first mix, or the paints of the arms."""
    if step.uses:
        return step.uses
    if placement.device.kind == ARMS:
        return f"the paints of {scheme.named_arms(placement.device.text).name}"
    role = scheme.role(placement.role)
    base = role.recipe(tier).base
    return base.mix.words if base else role.name


def paints_of(scheme: Scheme, placement: Placement, tier: str) -> tuple:
    """The paints of a mark that is painted: of its role's first step, or of every tincture's."""
    roles = [placement.role]
    if placement.device.kind == ARMS:
        arms = scheme.named_arms(placement.device.text)
        roles = [role for id_ in arms.tinctures if (role := arms.role_of(id_))]
    recipes = [scheme.role(role).recipe(tier) for role in roles if role in scheme.role_by_id]
    return tuple(dict.fromkeys(pot for recipe in recipes if recipe.base for pot in recipe.base.mix.paints))
