"""A pass: a step over the whole figure, or over all areas of chosen materials, parts or roles."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass, field

from ..army.figure_filter import Filter
from ..army.tree import TIERS
from ..errors import OutOfRange, UnknownName, Unreadable
from ..figures.exposure import LAWS, exposure
from ..figures.plate import Plate
from ..recipes.step import Step, checked
from .selector import areas_named, checked_selector

MOST_PASSES, MOST_NAME, MOST_REASON = 40, 60, 160
#: less of an area than this is not reached by a law
_REACHED = 0.05


@dataclass(frozen=True)
class WholePass:
    """One step laid over a figure at once: one handling, one mix, one drying.

    It covers the areas that ``select`` names and all areas of ``roles``, but for those that ``leaves`` names or that
    wear a role of ``leaves_roles``. A pass of the same id at a lower rung takes the place of a higher one.
    """

    id: str
    name: str
    step: Step
    #: node of the army; '' for all of it
    scope: str = ""
    filter: Filter = field(default_factory=Filter)
    #: area selectors; '' is the whole figure
    select: tuple[str, ...] = ("",)
    roles: tuple[str, ...] = ()
    leaves: tuple[str, ...] = ()
    leaves_roles: tuple[str, ...] = ()
    #: what of each area it reaches: one of ``LAWS``; for 'ground' up to which share of the figure's height
    law: str = "all"
    height: float = 0.0
    #: id of the phase; '' for the usual one of its kind
    phase: str = ""
    #: tiers that get it; none named: all
    tiers: tuple[str, ...] = ()
    because: str = ""
    #: whether it is left out here, where a higher rung has it
    off: bool = False

    def covered(self, plate: Plate, worn: Mapping[str, str]) -> frozenset[str]:
        """The painted areas of a figure that it is laid on. worn: area to role id, '' for bare."""
        named = set(areas_named(plate, self.select)) if self.select else set()
        named |= {area for area, role in worn.items() if role in self.roles}
        left = set(areas_named(plate, self.leaves)) if self.leaves else set()
        left |= {area for area, role in worn.items() if role in self.leaves_roles}
        kept = {area for area in named - left if worn.get(area)}
        if self.law == "all":
            return frozenset(kept)
        return frozenset(area for area in kept if exposure(plate, area, self.law, self.height) > _REACHED)


def checked_passes(
    passes: tuple[WholePass, ...], roles: Collection[str], where: str = "passes"
) -> tuple[WholePass, ...]:
    """The passes, if everything in them is allowed.

    Raises: OutOfRange, UnknownName or Unreadable at the field.
    """
    if len(passes) > MOST_PASSES:
        raise OutOfRange(f"{len(passes)} passes over the figure; allowed are up to {MOST_PASSES}.", where)
    for index, one in enumerate(passes):
        _check(one, roles, f"{where}/{index}")
    return passes


def _check(one: WholePass, roles: Collection[str], where: str) -> None:
    if not 1 <= len(one.name) <= MOST_NAME:
        raise OutOfRange(f"The name has {len(one.name)} signs; allowed are 1 to {MOST_NAME}.", f"{where}/name")
    if len(one.because) > MOST_REASON:
        raise OutOfRange(
            f"The reason has {len(one.because)} signs; allowed are up to {MOST_REASON}.", f"{where}/because"
        )
    if not one.select and not one.roles:
        raise Unreadable(
            "The pass covers nothing: name areas, materials or roles, or the whole figure.", f"{where}/select"
        )
    for name in ("select", "leaves"):
        for at, selector in enumerate(getattr(one, name)):
            checked_selector(selector, f"{where}/{name}/{at}")
    for name in ("roles", "leaves_roles"):
        for at, role in enumerate(getattr(one, name)):
            if role not in roles:
                raise UnknownName("colour role", role, list(roles), f"{where}/{name}/{at}")
    if one.law not in LAWS:
        raise UnknownName("law of exposure", one.law, list(LAWS), f"{where}/law")
    if not 0 <= one.height <= 1:
        raise OutOfRange(f"A height of {one.height:g}; allowed is 0 to 1 of the figure's.", f"{where}/height")
    for at, tier in enumerate(one.tiers):
        if tier not in TIERS:
            raise UnknownName("tier", tier, list(TIERS), f"{where}/tiers/{at}")
    checked(one.step, f"{where}/step")
