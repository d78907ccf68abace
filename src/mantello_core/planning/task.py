"""Atoms and edges: the smallest pieces of work, and what must come before what."""

from dataclasses import dataclass

from ..frozen import but
from ..order.rules import OrderRule
from ..order.subject import Subject

#: between step and coat in records
COAT_SIGN = "~"


@dataclass(frozen=True)
class Atom:
    """One step of one subject on one rank of one unit; each figure needs it once."""

    id: str
    unit: str
    rank: str
    subject: Subject
    #: step id; 'undercoat' for the undercoat
    step: str
    kind: str
    #: what is opened for it: wet, dry or sprayed, and the mix; alike for atoms that may share an opening
    pot: str
    #: hands-on seconds per figure, of this coat
    seconds: float
    #: drying after it, seconds; of a coat before the last until the next one
    drying: float
    coats: int
    #: figures, counted from 1
    ordinals: tuple[int, ...]
    #: painted surface per figure, mm², an estimate
    surface: float
    #: in words, such as 'Field base'
    name: str
    mess: int = 3
    sprayed: bool = False
    #: whether several paints are mixed for it
    mixed: bool = False
    #: seconds after laying in which it must be wiped; 0 if it is not wiped
    window: float = 0.0
    #: which coat it is, of how many
    coat: int = 1
    of: int = 1
    #: whether it has as many coats as cover, and gives an area its colour
    counted: bool = False
    #: place of its phase, and of its node in the order of its figures
    phase: int = 0
    place: int = 0

    def but(self, **changed) -> "Atom":
        """The same with some fields changed; a plan makes thousands."""
        return but(self, **changed)

    @property
    def logged(self) -> str:
        """The step as records write it: 's2', or 's2~1' for a coat before the last."""
        return self.step if self.coat == self.of else f"{self.step}{COAT_SIGN}{self.coat}"


@dataclass(frozen=True, slots=True)
class Edge:
    """``before`` must end, and dry for ``lag`` seconds, before ``after`` may start on the same figure."""

    before: str
    after: str
    lag: float
    rule: OrderRule
