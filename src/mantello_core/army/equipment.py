"""What a unit's figures may carry: options with how many are allowed and built, and where their parts are."""

from dataclasses import dataclass

from ..errors import Contradiction, OutOfRange, UnknownName

#: how far the parts of an option are, from looked for to on the figures
STATES = ("looked for", "in the box", "cleaned", "built")
MOST_OPTIONS, MOST_COUNT, MOST_SIGNS = 40, 2000, 80


@dataclass(frozen=True)
class Equipment:
    """One option of a unit."""

    name: str
    #: figures of the unit that may have it, and that are built or shall be built with it
    allowed: int
    built: int = 0
    #: where its parts come from: a frame, a box, another kit; and what they are made of, in the painter's words
    source: str = ""
    material: str = ""
    state: str = STATES[0]

    @property
    def over(self) -> int:
        """How many more are built than allowed."""
        return max(0, self.built - self.allowed)


def checked_equipment(options: tuple[Equipment, ...], figures: int, where: str = "equipment") -> tuple[Equipment, ...]:
    """The options of a unit of so many figures, if everything in them is allowed. More built than allowed is: a check tells it.

    Raises: OutOfRange, UnknownName or Contradiction at the field.
    """
    if len(options) > MOST_OPTIONS:
        raise OutOfRange(f"{len(options)} options; allowed are up to {MOST_OPTIONS}.", where)
    seen = set()
    for at, one in enumerate(options):
        here = f"{where}/{at}"
        for name in ("name", "source", "material"):
            signs = len(getattr(one, name))
            if signs > MOST_SIGNS or (name == "name" and not one.name.strip()):
                raise OutOfRange(f"{signs} signs; allowed are 1 to {MOST_SIGNS}.", f"{here}/{name}")
        for name in ("allowed", "built"):
            count = getattr(one, name)
            if not 0 <= count <= MOST_COUNT:
                raise OutOfRange(f"{count}; allowed is 0 to {MOST_COUNT}.", f"{here}/{name}")
        if one.built > figures:
            raise OutOfRange(f"{one.built} of {figures} figures; the unit has no more.", f"{here}/built")
        if one.state not in STATES:
            raise UnknownName("state of parts", one.state, STATES, f"{here}/state")
        if one.name.casefold() in seen:
            raise Contradiction(f"There are two options called '{one.name}'.", f"{here}/name")
        seen.add(one.name.casefold())
    return options
