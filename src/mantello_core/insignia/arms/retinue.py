"""What a house's people wear: livery colours and badge from its arms, and who may bear what."""

from collections.abc import Sequence
from dataclasses import dataclass

from .charge import CHARGES
from .coat import Arms, Charged, Coat, Group, Impaled, Quartered, Strewn
from .tincture import COUNTERCHANGED, PROPER, TINCTURES

#: what each tier of a retinue bears
RIGHTS = {
    "centrepiece": ("arms on shield and coat", "banner"),
    "leader": ("arms on shield", "pennon"),
    "rank": ("livery", "badge"),
}


@dataclass(frozen=True)
class Livery:
    """The two colours of a house and its badge."""

    #: plain tinctures, the field's first
    colours: tuple[str, str]
    #: charge and its tincture; None where the arms have no charge
    badge: tuple[str, str] | None

    @property
    def words(self) -> str:
        """As in 'gules and or, a lantern argent for badge'."""
        said = f"{self.colours[0]} and {self.colours[1]}"
        if self.badge is None:
            return said
        name = CHARGES[self.badge[0]].name
        return f"{said}, {'an' if name[0] in 'aeiou' else 'a'} {name} {self.badge[1]} for badge"


def livery_of(arms: Arms) -> Livery:
    """Livery of arms: the field's tincture and that of the main thing on it; the badge is the first charge.

    Of quartered arms the first quarter counts, of impaled ones the dexter. Divided and varied fields give both of
    their tinctures. Furs count as what they are made of.
    """
    coat = _leading(arms)
    field = coat.field
    ground = list(field.tinctures[:2])
    tinctures = [*ground, *([field.of] if isinstance(field, Strewn) else [])]
    groups: list[Group] = []
    for element in coat.elements:
        if isinstance(element, Charged):
            groups.append(element.group)
            tinctures.append(element.group.tincture)
        elif element.kind not in ("bordure", "label", "canton"):
            tinctures.append(element.tincture)
            groups += [*element.bears, *element.between]
    plain = [name for tincture in tinctures for name in _plain(tincture)]
    plain = list(dict.fromkeys([*plain, "argent" if plain[0] != "argent" else "sable"]))
    badge = next(((group.charge, _badge_tincture(group.tincture, plain)) for group in groups), None)
    if badge is None and isinstance(field, Strewn) and field.charge in CHARGES:
        badge = field.charge, _badge_tincture(field.of, plain)
    return Livery((plain[0], plain[1]), badge)


def alike(liveries: Sequence[Livery]) -> tuple[tuple[int, int], ...]:
    """Pairs of liveries, by place, that cannot be told apart: the same two colours, whichever comes first."""
    return tuple(
        (one, two)
        for two in range(len(liveries))
        for one in range(two)
        if set(liveries[one].colours) == set(liveries[two].colours)
    )


def _leading(arms: Arms) -> Coat:
    if isinstance(arms, Impaled):
        return _leading(arms.dexter)
    if isinstance(arms, Quartered):
        return _leading(next(mine for numbers, mine in arms.parts if 1 in numbers))
    return arms


def _plain(tincture: str) -> tuple[str, ...]:
    if tincture in (COUNTERCHANGED, PROPER):
        return ()
    return TINCTURES[tincture].made_of or (tincture,)


def _badge_tincture(tincture: str, plain: list[str]) -> str:
    found = _plain(tincture)
    return found[0] if found else plain[1]
