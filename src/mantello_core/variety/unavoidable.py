"""Clashes that no cast with the wanted counts avoids."""

from collections import deque
from itertools import pairwise

from .apart import Matrix, clashing
from .band import Band
from .counts import wanted_counts


def least_clashes(band: Band) -> int:
    """For each touching pair: figures, less the largest flow between the counts of one garment and those of the other over
    options that can be told apart. Pairs are counted apart, so they add up.

    Source: largest flow by shortest augmenting paths (Edmonds and Karp, 1972).
    """
    wanted, clash = wanted_counts(band), clashing(band)
    return sum(band.figures - _flow(wanted[one], wanted[other], clash[one, other]) for one, other in band.touching)


def _flow(left: tuple[int, ...], right: tuple[int, ...], bad: Matrix) -> int:
    free_left, free_right = list(left), list(right)
    flow = [[0] * len(right) for _ in left]
    total = 0
    while path := _path(free_left, free_right, flow, bad):
        steps = list(pairwise(path))
        back = [flow[two[1]][one[1]] for one, two in steps if one[0]]
        most = min(free_left[path[0][1]], free_right[path[-1][1]], *back)
        for one, two in steps:
            if one[0]:
                flow[two[1]][one[1]] -= most
            else:
                flow[one[1]][two[1]] += most
        free_left[path[0][1]] -= most
        free_right[path[-1][1]] -= most
        total += most
    return total


def _path(free_left: list[int], free_right: list[int], flow: list[list[int]], bad: Matrix) -> list[tuple[bool, int]]:
    """The shortest way from what is free at the left to what is free at the right: (at the right, place); empty if none."""
    came: dict[tuple[bool, int], tuple[bool, int] | None] = {
        (False, at): None for at, rest in enumerate(free_left) if rest
    }
    queue = deque(came)
    while queue:
        here = queue.popleft()
        at_right, at = here
        if at_right and free_right[at]:
            path: list[tuple[bool, int]] = [here]
            while (before := came[path[-1]]) is not None:
                path.append(before)
            return path[::-1]
        if at_right:
            ways = [(False, to) for to in range(len(flow)) if flow[to][at]]
        else:
            ways = [(True, to) for to in range(len(free_right)) if not bad[at][to]]
        for way in ways:
            if way not in came:
                came[way] = here
                queue.append(way)
    return []
