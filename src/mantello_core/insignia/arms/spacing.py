"""Equal divisions by hand: how to find them, where they stand on the clock, and which guide marks they meet."""

import math
from dataclasses import dataclass

from ...errors import OutOfRange
from .charge import CHARGES
from .coat import Arms, Charged, Divided, Varied, coats_of

#: divisions of a round or a line at most
MOST_DIVISIONS = 48
_TIMES = {1: "once", 2: "twice", 3: "three times", 4: "four times", 5: "five times"}


@dataclass(frozen=True)
class Spacing:
    """So many equal parts of a round: degrees from the top, which of them a quarter mark meets, and how to find them."""

    count: int
    angles: tuple[float, ...]
    #: numbers of the marks, from 1, that fall on top, right, foot or left
    meets: tuple[int, ...]
    words: str

    def apart(self, radius_mm: float) -> float:
        """mm from mark to mark on a round of that radius: 2 r sin(180 / n); the whole round for one mark."""
        return 2 * radius_mm * (math.sin(math.pi / self.count) if self.count > 1 else math.pi)

    @property
    def clock(self) -> tuple[str, ...]:
        """Each mark as a time on a clock face, to five minutes' exactness or 'past'."""
        return tuple(_clock(angle) for angle in self.angles)


def spacing(count: int) -> Spacing:
    """Equal divisions of a round, the first at the top.

    Raises: OutOfRange unless 1 to 48.
    """
    if not 1 <= count <= MOST_DIVISIONS:
        raise OutOfRange(f"{count} divisions; allowed are 1 to {MOST_DIVISIONS}.", "count")
    angles = tuple(360 * at / count for at in range(count))
    meets = tuple(at + 1 for at in range(count) if (4 * at) % count == 0)
    return Spacing(count, angles, meets, _how(count))


def divisions(arms: Arms) -> tuple[tuple[str, Spacing], ...]:
    """What of arms is divided equally, in words, each with its spacing: gyronny, barry and the like, charges in orle."""
    found: dict[str, Spacing] = {}
    for coat in coats_of(arms):
        if isinstance(coat.field, Divided | Varied) and coat.field.count > 1:
            found[f"{coat.field.kind} of {coat.field.count}"] = spacing(coat.field.count)
        for one in coat.elements:
            groups = [one.group] if isinstance(one, Charged) else [*one.bears, *one.between]
            for group in (each for mine in groups for each in mine.within()):
                if group.parts > 1:
                    found[f"{group.parts} {CHARGES[group.charge].counted} of each {group.charge}"] = spacing(
                        group.parts
                    )
                if group.arrangement == "in orle" and group.count > 1:
                    found[f"{group.count} of {group.charge} in orle"] = spacing(group.count)
    return tuple(found.items())


def _how(count: int) -> str:
    """How so many equal parts are found: by halving, thirds, and a strip of paper for what is left."""
    halves, rest = 0, count
    while rest % 2 == 0:
        halves, rest = halves + 1, rest // 2
    thirds = 0
    while rest % 3 == 0:
        thirds, rest = thirds + 1, rest // 3
    said = []
    if rest > 1:
        said.append(f"mark {rest} equal parts on a strip of paper and bend it round")
    if thirds:
        said.append("divide by thirds" if thirds == 1 else f"divide by thirds {_TIMES[thirds]}")
    if halves:
        said.append(f"halve {_TIMES[halves]}")
    return ", then ".join(said) or "one mark at the top"


def _clock(angle: float) -> str:
    minutes = angle / 360 * 720
    hour, minute = divmod(round(minutes), 60)
    return f"{(hour - 1) % 12 + 1}:{minute:02d}"
