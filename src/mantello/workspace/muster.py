"""The muster: every unit as ranked figures on one scale, with its progress."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from itertools import groupby
from urllib.parse import urlencode

from django.urls import reverse

from mantello_core.army.tree import Figure, Node
from mantello_core.record.progress import STATES, FigureProgress, Progress, summed
from mantello_core.scheme.cascade import FigureClass

from .reading import NEUTRAL
from .seeing import MOMENT_WORDS, Seeing

#: pixels a drawing unit (0.1 mm) takes, by how many figures stand on the stage; and the name of that size
_SCALES = (
    (4, 0.7, "close"),
    (12, 0.48, "near"),
    (24, 0.36, "mid"),
    (45, 0.26, "0"),
    (110, 0.22, "1"),
    (260, 0.16, "2"),
    (100_000, 0.12, "3"),
)
#: pixels that the views of a single figure may take together
SINGLE_WIDE, SINGLE_TALL = 800, 520


@dataclass(frozen=True)
class Picture:
    """One figure as an image: where it comes from, and its size in pixels."""

    src: str
    width: int
    height: int
    name: str
    #: where a click leads; empty where the block as a whole does
    query: str = ""


@dataclass(frozen=True)
class Block:
    """One unit on the stage."""

    node: Node
    title: str
    #: figures in ranks, the rear one first
    ranks: tuple[tuple[Picture, ...], ...]
    progress: Progress
    said: str


def _ranked(pictures: tuple[Picture, ...]) -> tuple[tuple[Picture, ...], ...]:
    """Figures one deep up to four, two deep up to twenty, then as many ranks as rows of ten ask."""
    if not pictures:
        return ()
    deep = 1 if len(pictures) <= 4 else max(2, -(-len(pictures) // 10))
    wide = -(-len(pictures) // deep)
    first = len(pictures) % wide or wide
    rows = [pictures[:first]]
    rows += [pictures[at : at + wide] for at in range(first, len(pictures), wide)]
    return tuple(rows)


@dataclass(frozen=True)
class Section:
    """One formation below the army, or the units beside each other that stand in none, with their blocks."""

    #: the formation, or the army
    node: Node
    title: str
    figures: int
    blocks: tuple[Block, ...]


@dataclass(frozen=True)
class TreeRow:
    """One line of the army tree."""

    node: Node
    depth: int
    progress: Progress


@dataclass(frozen=True)
class Single:
    """One figure looked at alone."""

    one: FigureClass
    ordinal: int
    #: how many its rank has
    of: int
    views: tuple[Picture, ...]
    done: FigureProgress | None
    #: queries of the figures before and after it in its unit
    before: str
    after: str


def moments_of(army, reading, one: FigureClass, ordinal: int, height: float) -> list[tuple[str, Picture]]:
    """A whole figure as designed after the shade, painted, and varnished and dirty, with the words for each."""
    unit = reading.design.army.nodes[one.unit]
    return [
        (
            words,
            Muster(army, reading, {}, "", painted=False, seeing=Seeing(moment=moment)).picture(
                unit, one, ordinal, height
            ),
        )
        for moment, words in MOMENT_WORDS.items()
    ]


def moments_of_role(army, reading, role_id: str, height: float) -> list[tuple[str, Picture]]:
    """The figure that shows most of a role, at moments of the work; nothing where none wears it."""
    one = reading.resolution.showing_most(role_id)
    return moments_of(army, reading, one, one.ordinals[0], height) if one else []


class Muster:
    """All of an army's figures, as designed or as painted today."""

    def __init__(
        self,
        army,
        reading,
        progress,
        mark: str,
        *,
        painted: bool,
        seeing: Seeing = NEUTRAL,
        focus: Node | None = None,
        drawn_at: Callable[[str], str] | None = None,
    ):
        """drawn_at: the name of a view to where figures are drawn from it; the army's own address if nothing is said."""
        self.drawn_at = drawn_at or (lambda view: reverse("figure", args=[army.pk, view]))
        self.army, self.reading, self.progress, self.painted = army, reading, progress, painted
        self.seeing = seeing
        self.version = f"{army.head.number}-{mark}" if painted else str(army.head.number)
        self.focus = focus or reading.design.army.root
        figures = self.focus.figures
        self.scale, self.size = next((scale, size) for most, scale, size in _SCALES if figures <= most)
        self._firsts: dict[tuple, int] = {}

    def sections(self) -> list[Section]:
        """Formations below what is looked at, in tree order; units that stand in none are gathered."""
        root = self.focus
        if root.is_unit:
            return [self._section(root, self.reading.design.army.title(root.id), [root])]
        found = []
        for loose, run in groupby(root.children, key=lambda node: node.is_unit):
            nodes = list(run)
            if loose:
                title = root.name if len(nodes) == len(root.children) else "In no formation"
                found.append(self._section(root, title, nodes))
            else:
                found += [self._section(node, node.name, [one for one in node.walk() if one.is_unit]) for node in nodes]
        return found

    def rows(self) -> list[TreeRow]:
        """The army tree, top down."""
        army = self.reading.design.army
        return [TreeRow(node, len(army.paths[node.id]) - 1, self.of(node)) for node in army.root.walk()]

    def of(self, node: Node) -> Progress:
        """Progress of a node and all below it."""
        units = {unit.id for unit in node.walk() if unit.is_unit}
        return summed(one.progress for (unit, _, _), one in self.progress.items() if unit in units)

    def states(self) -> dict[str, int]:
        """How many figures are in each state."""
        counts = dict.fromkeys(STATES, 0)
        for one in self.progress.values():
            counts[one.state] += 1
        return counts

    def picture(self, unit: Node, one, ordinal: int, height: float = 0.0) -> Picture:
        """One figure of a class; figures that look alike share an address."""
        shape = one.plate
        _, _, width, tall = shape.views[0].view_box
        scale = height / tall if height else self.scale
        # dirt lies otherwise on every figure
        own = self.seeing.moment == "finished"
        shown = self._first_alike(one, ordinal) if self.painted else ordinal if own else one.ordinals[0]
        query = urlencode(
            {
                "unit": one.unit,
                "rank": one.rank,
                "figure": shown,
                "as": "painted" if self.painted else "designed",
                "v": self.version,
            }
            | self.seeing.query(ground="neutral")
        )
        src = f"{self.drawn_at(shape.views[0].name)}?{query}"
        return Picture(src, round(width * scale), round(tall * scale), f"{one.rank_name} {ordinal}, {unit.name}")

    def single(self, unit: Node, rank: str, ordinal: int) -> Single:
        """One figure as large as the stage allows, from every side."""
        army = self.reading.design.army
        one = self.reading.resolution.of(Figure(unit.id, rank, ordinal))
        views = one.plate.views
        wide, tall = sum(view.view_box[2] for view in views), max(view.view_box[3] for view in views)
        scale = min(SINGLE_WIDE / wide, SINGLE_TALL / tall)
        pictures = []
        for view in views:
            small = self.picture(unit, one, ordinal)
            src = small.src.replace(f"/{views[0].name}.svg", f"/{view.name}.svg")
            size = round(view.view_box[2] * scale), round(view.view_box[3] * scale)
            pictures.append(Picture(src, *size, f"{small.name}, {view.name}"))
        everyone = [(rank_.id, number) for rank_ in unit.ranks for number in range(1, rank_.figures + 1)]
        at = everyone.index((rank, ordinal))
        before, after = everyone[at - 1], everyone[(at + 1) % len(everyone)]
        queries = [urlencode({"look": unit.id, "rank": id_, "figure": number}) for id_, number in (before, after)]
        done = self.progress.get((unit.id, rank, ordinal))
        return Single(one, ordinal, army.rank(unit.id, rank).figures, tuple(pictures), done, *queries)

    def _first_alike(self, one, ordinal: int) -> int:
        done = self.progress[one.unit, one.rank, ordinal].done
        return self._firsts.setdefault((one.unit, one.rank, one.ordinals[0], done), ordinal)

    def _section(self, node: Node, title: str, units: list[Node]) -> Section:
        blocks = tuple(self._block(unit, node) for unit in units)
        return Section(node, title, sum(unit.figures for unit in units), blocks)

    def _block(self, unit: Node, section: Node) -> Block:
        classes = self.reading.resolution.of_unit(unit.id)
        pictures = tuple(self.picture(unit, one, ordinal) for one in classes for ordinal in one.ordinals)
        if self.focus.is_unit:
            pairs = [(one, ordinal) for one in classes for ordinal in one.ordinals]
            pictures = tuple(
                replace(picture, query=urlencode({"look": unit.id, "rank": one.rank, "figure": ordinal}))
                for picture, (one, ordinal) in zip(pictures, pairs, strict=True)
            )
        progress = self.of(unit)
        title = self.reading.design.army.title(unit.id).removeprefix(f"{section.name}, ")
        return Block(unit, title, _ranked(pictures), progress, self._said(unit, progress))

    def _said(self, unit: Node, progress: Progress) -> str:
        if not progress.figures:
            return "no figures yet"
        if progress.finished == progress.figures:
            return "finished"
        states = [one.state for (unit_id, _, _), one in self.progress.items() if unit_id == unit.id]
        return max(states, key=STATES.index) if progress.done_steps else "bare"
