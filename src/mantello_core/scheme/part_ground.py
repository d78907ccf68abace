"""Other grounds than the army's: for a unit with all below it, for what is kept apart until it is painted, or for both."""

from collections.abc import Iterable
from dataclasses import dataclass

from ..errors import Contradiction, OutOfRange, UnknownName
from ..figures.vocabulary import SUB_ASSEMBLIES
from ..film.ground import Ground, checked_ground

#: grounds besides the army's that a scheme may have
MOST = 24


@dataclass(frozen=True)
class PartGround:
    """What part of the army starts on."""

    ground: Ground
    #: node of the army with all below it; '' for everywhere
    unit: str = ""
    #: one of ``SUB_ASSEMBLIES``; '' for whole figures
    assembly: str = ""


def grounds_here(grounds: Iterable[PartGround], path: tuple[str, ...]) -> dict[str, Ground]:
    """Sub-assembly to ground ('' for whole figures) in a unit, where it is not the army's.

    path: ids from the army's root to the unit. What is said of a sub-assembly counts before what is said of whole
    figures, and of each what is said nearest to the unit.
    """
    found: dict[str, tuple[int, Ground]] = {}
    for one in grounds:
        depth = path.index(one.unit) if one.unit in path else -1 if not one.unit else None
        if depth is not None and depth >= found.get(one.assembly, (-2, None))[0]:
            found[one.assembly] = depth, one.ground
    return {assembly: ground for assembly, (_, ground) in found.items()}


def checked_part_grounds(
    grounds: tuple[PartGround, ...], units: Iterable[str], where: str = ""
) -> tuple[PartGround, ...]:
    """The grounds, if each may be: its part is known, none is said twice.

    Raises: UnknownName for a unit or sub-assembly; Contradiction for one said twice or for the whole army; OutOfRange for
    too many; what ``checked_ground`` refuses.
    """
    known, seen = set(units), set()
    if len(grounds) > MOST:
        raise OutOfRange(f"{len(grounds)} other grounds; allowed is up to {MOST}.", where)
    for index, one in enumerate(grounds):
        at = f"{where}/{index}"
        if one.unit and one.unit not in known:
            raise UnknownName("unit", one.unit, sorted(known), f"{at}/unit")
        if one.assembly and one.assembly not in SUB_ASSEMBLIES:
            raise UnknownName("sub-assembly", one.assembly, list(SUB_ASSEMBLIES), f"{at}/assembly")
        if not one.unit and not one.assembly:
            raise Contradiction("It names neither unit nor sub-assembly; that would be the army's own undercoat.", at)
        if (one.unit, one.assembly) in seen:
            raise Contradiction("Two grounds are said of one part; one of them is to go.", at)
        seen.add((one.unit, one.assembly))
        checked_ground(one.ground, f"{at}/")
    return grounds
