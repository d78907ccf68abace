"""Which figures are meant: by type, rank, tag, or their place in a rank."""

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True)
class Filter:
    """Which figures below a scope a rule speaks of; all given conditions must hold."""

    type: str = ""
    #: id of a rank
    rank: str = ""
    tag: str = ""
    #: single figures, counted from 1
    ordinals: tuple[int, ...] = ()
    #: every nth figure ...
    every: int = 0
    #: ... from this one on
    first: int = 1

    @property
    def by_ordinal(self) -> bool:
        """Whether it tells figures of one rank apart."""
        return bool(self.ordinals or self.every)

    @property
    def narrowness(self) -> tuple[bool, bool, bool, bool]:
        """Compared as a tuple: ordinal > rank > tag > type > none."""
        return (self.by_ordinal, bool(self.rank), bool(self.tag), bool(self.type))

    def admits(self, type_id: str, rank: str, tags: tuple[str, ...]) -> bool:
        """Whether figures of that type, rank and tags can pass, ordinals aside."""
        return (
            (not self.type or self.type == type_id)
            and (not self.rank or self.rank == rank)
            and (not self.tag or self.tag in tags)
        )

    def admits_ordinal(self, ordinal: int) -> bool:
        """Whether the nth figure passes."""
        if self.ordinals and ordinal not in self.ordinals:
            return False
        return not self.every or (ordinal >= self.first and (ordinal - self.first) % self.every == 0)

    def words(self, rank_names: Mapping[str, str]) -> str:
        """The conditions in plain words; empty if there are none. rank_names: as ``Army.rank_names`` gives them."""
        said = [f"of type {self.type}"] if self.type else []
        said += [f"tagged {self.tag}"] if self.tag else []
        said += [f"of rank {rank_names.get(self.rank, self.rank)}"] if self.rank else []
        said += [f"no. {', '.join(map(str, self.ordinals))}"] if self.ordinals else []
        said += [f"every {self.every} from no. {self.first}"] if self.every else []
        return ", ".join(said)
