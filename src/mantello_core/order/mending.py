"""Phases that agree with every firm bond: what moves least moves."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from .bond import Bond
from .node import Node

#: what moving a pass over the figure costs against a single step; what moving a chosen step costs
_PASS, _PINNED = 50.0, 1e6
#: how much dearer pulling forward is than pushing back for a hard rule
_PULLS_DEAR = 3.0


@dataclass(frozen=True)
class Move:
    """A step that stands in another phase than it asked for: places of both, and why."""

    asked: int
    stands: int
    why: str


def mended(
    nodes: Mapping[str, Node], kept: Sequence[Bond], phases: Sequence[str]
) -> tuple[dict[str, int], dict[str, Move], list[str]]:
    """The phase of every node, what moved, and what must be told of choices.

    Chosen and hard bonds first pull forward or push back, whichever moves less; then chosen steps pull what must come
    before them; then everything is pushed behind what must come before it.
    """
    mending = _Mending(nodes, kept, phases)
    for one in kept:
        if one.rule.level in ("chosen", "hard"):
            mending.agree(one)
    mending.pull()
    mending.push()
    mending.tell_drag()
    return mending.place, mending.moved, mending.told


class _Mending:
    def __init__(self, nodes, kept, phases):
        self.nodes, self.phases = nodes, phases
        self.place = {id_: node.phase for id_, node in nodes.items()}
        self.pinned = {id_ for id_, node in nodes.items() if node.pinned}
        self.moved: dict[str, Move] = {}
        self.told: list[str] = []
        self.before: dict[str, list[Bond]] = defaultdict(list)
        self.after: dict[str, list[Bond]] = defaultdict(list)
        for one in kept:
            self.before[one.after].append(one)
            self.after[one.before].append(one)

    def put(self, id_: str, place: int, why: str) -> None:
        if self.place[id_] != place:
            self.moved[id_] = Move(self.nodes[id_].phase, place, why)
            self.place[id_] = place

    def _earlier(self, start: str, place: int) -> set[str]:
        """The node and what must come before it, as far as it stands later than a phase."""
        return self._cone(start, lambda id_: self.place[id_] > place, lambda id_: [b.before for b in self.before[id_]])

    def _later(self, start: str, place: int) -> set[str]:
        return self._cone(start, lambda id_: self.place[id_] < place, lambda id_: [b.after for b in self.after[id_]])

    @staticmethod
    def _cone(start, bad, steps) -> set[str]:
        found: set[str] = set()
        queue = [start]
        while queue:
            here = queue.pop()
            if here not in found and bad(here):
                found.add(here)
                queue += steps(here)
        return found

    def _cost(self, ids: set[str]) -> float:
        return sum(
            (_PASS if self.nodes[id_].sort == "pass" else 1.0) + (_PINNED if id_ in self.pinned else 0.0) for id_ in ids
        )

    def agree(self, one: Bond) -> None:
        """Make the phases of a firm bond agree."""
        low, high = self.place[one.after], self.place[one.before]
        if high <= low:
            return
        pull, push = self._earlier(one.before, low), self._later(one.after, high)
        dear = 1.0 if one.rule.level == "chosen" else _PULLS_DEAR
        ids, place = (pull, low) if dear * self._cost(pull) <= self._cost(push) else (push, high)
        for id_ in sorted(ids):
            self.put(id_, place, f"{one.rule.name}: {one.rule.because}")
        if one.rule.level == "chosen":
            self.pinned.add(one.before if place == low else one.after)

    def pull(self) -> None:
        """Chosen steps pull what must come before them."""
        for id_ in sorted(self.pinned, key=lambda one: (self.place[one], one)):
            at = self.place[id_]
            needed = set().union(*(self._earlier(one.before, at) for one in self.before[id_]))
            for other in sorted(needed):
                if other in self.pinned:
                    self.told.append(
                        f"Two choices disagree: {self.nodes[other].name} is put into '{self.phases[self.place[other]]}',"
                        f" but must come before {self.nodes[id_].name} in '{self.phases[at]}'. The later one moves."
                    )
                else:
                    self.put(other, at, f"must come before {self.nodes[id_].name}")

    def push(self) -> None:
        """Everything goes behind what must come before it."""
        need = {id_: len(self.before[id_]) for id_ in self.nodes}
        ready = sorted(id_ for id_ in self.nodes if not need[id_])
        while ready:
            here = ready.pop(0)
            latest = max(
                self.before[here], key=lambda one: (self.place[one.before], one.weight, one.before), default=None
            )
            if latest and self.place[latest.before] > self.place[here]:
                other = self.nodes[latest.before].name
                if here in self.pinned:
                    self.told.append(
                        f"{self.nodes[here].name} was put into '{self.phases[self.place[here]]}' and goes to"
                        f" '{self.phases[self.place[latest.before]]}': {other} must come before it"
                        f" ({latest.rule.name}: {latest.rule.because}). To have it there, move {other} too."
                    )
                self.put(here, self.place[latest.before], f"after {other}: {latest.rule.because}")
            for one in self.after[here]:
                need[one.after] -= 1
                if not need[one.after]:
                    ready.append(one.after)

    def tell_drag(self) -> None:
        """A rule that drags much of the figure is worth a look."""
        dragged = [
            id_ for id_, move in sorted(self.moved.items()) if move.stands > move.asked and "your rule" not in move.why
        ]
        chosen = [id_ for id_ in dragged if self.nodes[id_].sort in ("step", "pass")]
        if len(chosen) > max(8, len(self.nodes) // 2):
            self.told.append(
                f"Firm rules move {len(chosen)} of {len(self.nodes)} steps to later phases, first"
                f" {self.nodes[chosen[0]].name} ({self.moved[chosen[0]].why})."
            )
