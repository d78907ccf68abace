"""The army tree: formations of any depth, units as leaves, ranks with counts. Figures are derived."""

from collections.abc import Iterator
from dataclasses import dataclass, field
from functools import cached_property

from ..errors import OutOfRange, UnknownName
from ..figures.catalogue import plate, plate_types, shipped_titles
from ..figures.joining import with_joined
from ..figures.own import OwnType
from ..figures.placed_site import PlacedSite, with_sites
from ..figures.plate import Plate
from .equipment import Equipment

#: quality tiers, plainest first: id to the name on screen
TIERS = {"rank": "Rank and file", "leader": "Leader", "centrepiece": "Centrepiece"}
#: the most figures one army may hold
MOST_FIGURES = 2000


@dataclass(frozen=True)
class Rank:
    """One rank of a unit: its figures, the plate they are drawn with and the tier they are painted to.

    ``id`` is no other rank's of the unit and stays when the rank is called otherwise: rules, holders and the record
    name it. Ranks of several units that are one to the painter (every company's sergeants) share an id, so that one
    rule can speak of them all.
    """

    id: str
    name: str
    type: str
    figures: int
    tier: str = "rank"


@dataclass(frozen=True)
class Node:
    """A formation, or a unit when it has ranks. ``kind`` is the painter's own word: regiment, company ..."""

    id: str
    kind: str
    name: str
    children: tuple["Node", ...] = ()
    ranks: tuple[Rank, ...] = ()
    tags: tuple[str, ...] = ()
    #: of a unit, what its figures may carry
    equipment: tuple[Equipment, ...] = ()

    @property
    def is_unit(self) -> bool:
        """Whether it is a leaf with figures of its own."""
        return self.kind == "unit"

    @cached_property
    def build(self) -> tuple:
        """All of it and below but what formations are called, and what kind of formation they are: figures, and what is told of
        them by ids, follow from it."""
        below = tuple(child.build for child in self.children)
        return self.id, self.is_unit, self.ranks, self.tags, self.equipment, below

    def walk(self) -> Iterator["Node"]:
        """This node and everything below it, top down."""
        yield self
        for child in self.children:
            yield from child.walk()

    @cached_property
    def figures(self) -> int:
        """Figures in it and below."""
        return sum(rank.figures for rank in self.ranks) + sum(child.figures for child in self.children)


@dataclass(frozen=True, order=True)
class Figure:
    """One figure: the nth of a rank of a unit, counted from 1; unit and rank by their ids."""

    unit: str
    rank: str
    ordinal: int


@dataclass(frozen=True)
class Rung:
    """One level of the scope ladder as one figure sees it."""

    number: int
    kind: str
    name: str
    #: the node a rule at this rung is scoped to
    scope: str
    #: 'node', 'rank' or 'figure'
    reach: str = "node"


@dataclass(frozen=True)
class Army:
    """The whole force."""

    root: Node
    #: kinds given to new levels of formation below the army, by depth
    levels: tuple[str, ...] = field(default=("regiment", "company", "squad"))
    #: figure types of the painter's own, besides the shipped ones
    types: tuple[OwnType, ...] = ()
    #: places for marks that the painter put on figure types, shipped or own
    sites: tuple[PlacedSite, ...] = ()
    #: type to areas that are painted with what they lie beside, being too small to paint apart
    joined: tuple[tuple[str, tuple[str, ...]], ...] = ()

    @cached_property
    def nodes(self) -> dict[str, Node]:
        """Every node by id, top down."""
        return {node.id: node for node in self.root.walk()}

    @cached_property
    def paths(self) -> dict[str, tuple[str, ...]]:
        """For every node, the ids from the army down to it."""
        found: dict[str, tuple[str, ...]] = {}

        def follow(node: Node, above: tuple[str, ...]):
            found[node.id] = (*above, node.id)
            for child in node.children:
                follow(child, found[node.id])

        follow(self.root, ())
        return found

    @cached_property
    def type_titles(self) -> dict[str, str]:
        """Every figure type there is a plate for, own ones first: id to title."""
        return {one.id: one.title for one in self.types} | shipped_titles()

    def plate(self, type_id: str) -> Plate:
        """The plate of a figure type, own or shipped, as it is painted: with its placed sites, and small areas joined.

        Raises: UnknownName, with near names.
        """
        return with_joined(self.plate_apart(type_id), self._joined.get(type_id, ()))

    @cached_property
    def _joined(self) -> dict[str, tuple[str, ...]]:
        return dict(self.joined)

    def plate_apart(self, type_id: str) -> Plate:
        """The same with every area that is drawn, joined or not.

        Raises: UnknownName, with near names.
        """
        found = next((one.plate for one in self.types if one.id == type_id), None)
        if found is None and type_id not in plate_types():
            raise UnknownName("figure type", type_id, list(self.type_titles))
        return with_sites(found or plate(type_id), self.sites)

    @property
    def units(self) -> list[Node]:
        """The units, in tree order."""
        return [node for node in self.nodes.values() if node.is_unit]

    @property
    def figures(self) -> int:
        """How many figures there are."""
        return self.root.figures

    def node(self, node_id: str, where: str = "") -> Node:
        """The node of that id.

        Raises: UnknownName, with near ids.
        """
        if node_id not in self.nodes:
            raise UnknownName("formation or unit", node_id, list(self.nodes), where)
        return self.nodes[node_id]

    def title(self, unit_id: str) -> str:
        """A unit in words: its formation's name, and its own where the formation has several or is the army."""
        path = self.paths[unit_id]
        parent = self.nodes[path[-2]]
        if parent.kind == "army":
            return self.nodes[unit_id].name
        return parent.name if len(parent.children) == 1 else f"{parent.name}, {self.nodes[unit_id].name}"

    def rank(self, unit_id: str, rank_id: str) -> Rank:
        """A rank of a unit.

        Raises: UnknownName for either.
        """
        ranks = self.node(unit_id).ranks
        found = next((rank for rank in ranks if rank.id == rank_id), None)
        if found is None:
            raise UnknownName(f"rank of {self.node(unit_id).name}", rank_id, [rank.id for rank in ranks])
        return found

    def figure(self, unit_id: str, rank_id: str, ordinal: int) -> Figure:
        """The figure of that place.

        Raises: UnknownName or OutOfRange if there is none.
        """
        rank = self.rank(unit_id, rank_id)
        if not 1 <= ordinal <= rank.figures:
            raise OutOfRange(f"Figure {ordinal} of {rank.name}; there are {rank.figures}.", "figure")
        return Figure(unit_id, rank_id, ordinal)

    def called(self, unit_id: str, rank_id: str, ordinal: int) -> str:
        """A figure in words: 'Fusilier 3'.

        Raises: UnknownName for unit or rank.
        """
        return f"{self.rank(unit_id, rank_id).name} {ordinal}"

    @cached_property
    def rank_names(self) -> dict[str, str]:
        """What the ranks of every id are called, in tree order; several names where units call them otherwise."""
        found: dict[str, dict[str, None]] = {}
        for unit in self.units:
            for rank in unit.ranks:
                found.setdefault(rank.id, {})[rank.name] = None
        return {id_: " or ".join(names) for id_, names in found.items()}

    def rungs(self, figure: Figure) -> tuple[Rung, ...]:
        """The ladder of a figure: army, formations, unit, rank, figure, numbered from 1.

        Raises: UnknownName or OutOfRange if there is no such figure.
        """
        self.figure(figure.unit, figure.rank, figure.ordinal)
        rank = self.rank(figure.unit, figure.rank)
        path = [self.nodes[node_id] for node_id in self.paths[figure.unit]]
        rungs = [Rung(number, node.kind, node.name, node.id) for number, node in enumerate(path, 1)]
        last = len(rungs)
        rungs.append(Rung(last + 1, "rank", rank.name, figure.unit, "rank"))
        rungs.append(Rung(last + 2, "figure", f"no. {figure.ordinal} of {rank.figures}", figure.unit, "figure"))
        return tuple(rungs)
