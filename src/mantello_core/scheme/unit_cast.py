"""Who wears what in a unit of irregulars, as the document keeps it: garments, options, pins, and what was drawn."""

from dataclasses import dataclass

from ..army.figure_filter import Filter
from ..army.tree import Army
from .rule import Rule

#: what made a rule, and what begins its id
MADE_BY = "cast"


@dataclass(frozen=True)
class CastOption:
    """What a garment may be worn in: a role, or a pattern of two."""

    id: str
    role: str = ""
    #: id of a pattern that is worn instead of one colour
    pattern: str = ""
    share: float = 1.0
    #: whether it is one of the few bright things that a figure may have
    accent: bool = False


@dataclass(frozen=True)
class CastGarment:
    """A garment, the areas that are it, and what it may be worn in."""

    id: str
    name: str
    select: tuple[str, ...]
    options: tuple[CastOption, ...]

    def option(self, id_: str) -> CastOption | None:
        """The option of that id."""
        return next((one for one in self.options if one.id == id_), None)


@dataclass(frozen=True)
class UnitCast:
    """Who wears what in one unit. What was drawn is kept, so that a better search repaints nobody."""

    unit: str
    garments: tuple[CastGarment, ...]
    seed: int = 1
    #: figures on a stand, and side by side
    stand: int = 6
    abreast: int = 3
    #: a pot is opened for at least so many figures; accents on one at most
    least: int = 2
    accents: int = 1
    #: ids of ranks that lead
    leaders: tuple[str, ...] = ()
    #: (rank, ordinal, garment, option) that stay
    pins: tuple[tuple[str, int, str, str], ...] = ()
    #: rank to option ids of its figures, in the order of the garments
    drawn: tuple[tuple[str, tuple[tuple[str, ...], ...]], ...] = ()

    def worn_by(self, rank: str, ordinal: int) -> tuple[str, ...]:
        """Option ids of one figure, in the order of the garments; none for one that was not cast."""
        rows = dict(self.drawn).get(rank, ())
        return rows[ordinal - 1] if ordinal <= len(rows) else ()

    def rules(self, army: Army) -> tuple[Rule, ...]:
        """One rule for each rank, garment and option, naming its figures: they grow with the options, not with the figures."""
        if self.unit not in army.nodes:
            return ()
        found = []
        for rank, rows in self.drawn:
            for at, garment in enumerate(self.garments):
                worn: dict[str, list[int]] = {}
                for ordinal, row in enumerate(rows, 1):
                    worn.setdefault(row[at], []).append(ordinal)
                for option in garment.options:
                    if option.id in worn:
                        filter_ = Filter(rank=rank, ordinals=tuple(worn[option.id]))
                        id_ = f"{MADE_BY}/{self.unit}/{rank}/{garment.id}/{option.id}"
                        found.append(
                            Rule(
                                id_,
                                self.unit,
                                garment.select,
                                option.role,
                                filter_,
                                pattern=option.pattern,
                                made_by=MADE_BY,
                            )
                        )
        return tuple(found)
