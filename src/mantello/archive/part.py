"""Parts of an archive: what each app writes of an army, and takes in again."""

import json
from collections.abc import Callable
from dataclasses import dataclass, field
from datetime import UTC, datetime

from mantello.shell.photograph import kept
from mantello.workspace.models import Army, Edition
from mantello.workspace.reading import Reading
from mantello.workspace.storing import columns
from mantello_core.design.design import Design
from mantello_core.errors import Unreadable
from mantello_core.formats.archive import Archive
from mantello_core.formats.document.design import read_design_bytes, write_design

#: years that anything of a record may be of
YEARS = (1970, 2199)


@dataclass
class Taking:
    """An army being taken in from an archive."""

    archive: Archive
    army: Army
    #: the design it was made with, and every other that was read since
    designs: list[Design]
    #: what the painter should know of it, in sentences
    told: list[str] = field(default_factory=list)
    _numbers: int = field(default=1)

    def edition(self, name: str, words: str) -> Edition:
        """An edition of the design that a member holds.

        Raises: Unreadable if it is missing; what ``read_design_bytes`` refuses.
        """
        if name not in self.archive.files:
            raise Unreadable(f"The archive has no {name}.", "file")
        design = read_design_bytes(self.archive.files[name], write_design(self.designs[0], drawings=False))
        self.designs.append(design)
        self._numbers += 1
        made = Edition.objects.create(army=self.army, number=self._numbers, words=words, **columns(design))
        self.army.newest = made.number
        self.army.save(update_fields=["newest"])
        return made

    def rank_id(self, unit: str, rank: str) -> str:
        """The id of a rank that a photograph, look or reading names: in archives from before ranks had ids, that of the
        rank that had the name in the design, or else in the other designs, the newest first."""
        if self.archive.version > 1:
            return rank
        for design in (self.designs[0], *reversed(self.designs[1:])):
            for one in design.army.nodes[unit].ranks if unit in design.army.nodes else ():
                if one.name == rank:
                    return one.id
        return rank

    def moment(self, text: str) -> datetime:
        """A date and time of the archive.

        Raises: Unreadable.
        """
        try:
            found = datetime.fromisoformat(text)
            moment = (found if found.tzinfo else found.replace(tzinfo=UTC)).astimezone(UTC)
        except (ValueError, OverflowError) as error:
            raise Unreadable(f"'{text[:30]}' in the archive is no date and time.", "file") from error
        if not YEARS[0] <= moment.year <= YEARS[1]:
            raise Unreadable(f"'{text[:30]}' in the archive lies outside {YEARS[0]} to {YEARS[1]}.", "file")
        return moment

    def photograph(self, name: str) -> tuple[bytes, int, int]:
        """A photograph of the archive, encoded anew, with its width and height.

        Raises: Unreadable if it is missing; ValidationError if it is no picture.
        """
        if name not in self.archive.files:
            raise Unreadable(f"The archive has no {name}.", "file")
        return kept(self.archive.files[name])


@dataclass(frozen=True)
class Part:
    """One part: its place in the order of taking in, what it writes, by member's name, and how it is taken in."""

    place: int
    write: Callable[[Army, Reading], dict[str, bytes]]
    read: Callable[[Taking], None]


_PARTS: dict[str, Part] = {}


def archive_part(name: str, place: int, write: Callable, read: Callable[[Taking], None] = lambda taking: None) -> None:
    """Register a part."""
    assert name not in _PARTS, name
    _PARTS[name] = Part(place, write, read)


def parts() -> list[Part]:
    """Every part, in the order of taking in."""
    return sorted(_PARTS.values(), key=lambda part: part.place)


def json_bytes(value) -> bytes:
    """A value as JSON text, the same bytes for the same value."""
    return (json.dumps(value, indent=1, ensure_ascii=False) + "\n").encode()
