"""What an edit would change: the difference of two resolutions, counted in figures and areas."""

from dataclasses import dataclass, replace

from ..army.tree import Figure
from .cascade import Cell, FigureClass, Resolution
from .scheme import Scheme


@dataclass(frozen=True)
class Change:
    """Figures of one class whose areas change."""

    figures: tuple[Figure, ...]
    #: area, old role, new role (None is a gap)
    areas: tuple[tuple[str, str | None, str | None], ...]


@dataclass(frozen=True)
class Preview:
    """All that would change."""

    changes: tuple[Change, ...]

    @property
    def figures(self) -> int:
        """How many figures would change."""
        return sum(len(change.figures) for change in self.changes)

    @property
    def areas(self) -> int:
        """How many areas of single figures would change."""
        return sum(len(change.figures) * len(change.areas) for change in self.changes)

    @property
    def words(self) -> str:
        """Counts in words, such as '14 figures, 84 areas'."""
        figures, areas = self.figures, self.areas
        return f"{figures} figure{'s' * (figures != 1)}, {areas} area{'s' * (areas != 1)}"


def relaid(before: Scheme, after: Scheme) -> frozenset[str]:
    """Patterns by id that both schemes have and that look otherwise in the second."""
    return frozenset(
        one.id
        for one in after.patterns
        if one.id in before.pattern_by_id and replace(before.pattern_by_id[one.id], name=one.name) != one
    )


def changes(before: Resolution, after: Resolution, patterns: frozenset[str] = frozenset()) -> Preview:
    """``after`` less ``before``, for figures that are in both. patterns: those whose shapes or inks are others."""
    old = _by_rank(before)
    found = []
    for one in after.classes:
        groups: dict[int, tuple[FigureClass, list[int]]] = {}
        touched = not patterns.isdisjoint(one.patterns)
        for ordinal in one.ordinals:
            was = old.get((one.unit, one.rank), {}).get(ordinal)
            if was is not None and was.type == one.type and (touched or was.cells is not one.cells):
                groups.setdefault(id(was), (was, []))[1].append(ordinal)
        for was, ordinals in groups.values():
            areas = tuple(
                (area, was.cells[area].role, cell.role)
                for area, cell in one.cells.items()
                if _worn(was.cells[area]) != _worn(cell) or cell.pattern in patterns
            )
            if areas:
                found.append(Change(tuple(Figure(one.unit, one.rank, ordinal) for ordinal in ordinals), areas))
    return Preview(tuple(found))


def _worn(cell: Cell) -> tuple[str | None, str, tuple[str, ...]]:
    return cell.role, cell.pattern, cell.inks


def _by_rank(resolution: Resolution) -> dict[tuple[str, str], dict[int, FigureClass]]:
    found: dict[tuple[str, str], dict[int, FigureClass]] = {}
    for one in resolution.classes:
        found.setdefault((one.unit, one.rank), {}).update(dict.fromkeys(one.ordinals, one))
    return found
