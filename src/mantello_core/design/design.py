"""A design: an army, its scheme and its evenings."""

from dataclasses import dataclass, field

from ..army.tree import Army
from ..calendar.evenings import Evenings
from ..insignia.transfers.bought_sheet import BoughtSheet
from ..paints.catalogue import Catalogue
from ..recipes.handwork import USUAL_HEIGHT, Circumstances
from ..recipes.method import METHODS, USUAL_METHOD, Method
from ..scheme.scheme import Scheme
from .brief import Brief


@dataclass(frozen=True)
class Design:
    """One army, its scheme and its evenings: the document that is edited, versioned and exported."""

    army: Army
    scheme: Scheme
    evenings: Evenings = field(default_factory=Evenings)
    #: what the army is for; None until it is said
    brief: Brief | None = None
    #: bought transfer sheets in the drawer
    sheets: tuple[BoughtSheet, ...] = ()

    @property
    def method(self) -> Method:
        """How the army is painted: as the brief says, or as most do."""
        return METHODS[self.brief.method if self.brief else USUAL_METHOD]

    @property
    def catalogue(self) -> Catalogue:
        """The paints it may name: those that ship, and its own."""
        return self.scheme.catalogue

    def around(self, tier: str, figures: int) -> Circumstances:
        """Under what circumstances figures of a tier are painted: the pace of the evenings, the height of the brief."""
        return Circumstances(tier, self.evenings.pace, figures, self.brief.height_mm if self.brief else USUAL_HEIGHT)

    @property
    def dirt_level(self) -> int:
        """How dirty the army is: as its finish says, or else its brief; clean where neither does."""
        level = self.scheme.finishing.level
        return level if level is not None else self.brief.dirt if self.brief else 0
