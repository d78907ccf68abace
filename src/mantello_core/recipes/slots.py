"""Where in the order of work metals, skin and bases come, as schools differ."""

from dataclasses import dataclass

from ..errors import UnknownName

#: what each slot may be, and in words
METALS = {
    "first": "first, so that bare gaps read as wear",
    "shared": "with the other colours, one shade for all",
    "after": "after the varnish, so that they shine",
    "last": "last, since flakes foul the water",
}
SKIN = {
    "early": "early, before the clothes around it",
    "any": "when it fits",
    "late": "late, so that it cuts back spills of the clothes",
}
BASE = {
    "first": "first, masked or painted round afterwards",
    "any": "when it fits",
    "last": "last, when the figure is finished",
}
_KNOWN = {"metals": METALS, "skin": SKIN, "base": BASE}


@dataclass(frozen=True)
class Slots:
    """A profile of the order; an empty slot is as the method has it."""

    metals: str = ""
    skin: str = ""
    base: str = ""

    def over(self, usual: "Slots") -> "Slots":
        """These, and the usual ones where nothing is said."""
        return Slots(self.metals or usual.metals, self.skin or usual.skin, self.base or usual.base)


def checked_slots(slots: Slots, where: str = "slots") -> Slots:
    """The slots, if each is known. Raises: UnknownName at the slot."""
    for name, known in _KNOWN.items():
        given = getattr(slots, name)
        if given and given not in known:
            raise UnknownName(f"place of {name}", given, list(known), f"{where}/{name}")
    return slots
