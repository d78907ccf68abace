"""What a step of work is about: the ground under everything, a colour role, a mark on a site, or a pass over all figures."""

from dataclasses import dataclass
from enum import StrEnum


class Kind(StrEnum):
    """Kinds of subject, in the order in which they are usually painted."""

    GROUND = "ground"
    ROLE = "role"
    MARK = "mark"
    PASS = "pass"


#: how marks and passes are written in records
_WRITTEN = {Kind.MARK: "mark:", Kind.PASS: "army:"}


@dataclass(frozen=True, order=True)
class Subject:
    """What a step is about; ``id`` is that of the role, of the mark's site, or of the pass, and '' for the ground."""

    kind: Kind
    id: str = ""

    @property
    def text(self) -> str:
        """As records write it: '' for the ground, a role by its id, 'mark:' and a site, 'army:' and a pass.

        >>> of_mark("hat.plate").text, of_role("field").text, GROUND.text
        ('mark:hat.plate', 'field', '')
        """
        return _WRITTEN.get(self.kind, "") + self.id

    @property
    def is_ground(self) -> bool:
        """Whether it is the ground."""
        return self.kind == Kind.GROUND

    @property
    def role(self) -> str:
        """The role whose recipe is painted; '' for anything else."""
        return self.id if self.kind == Kind.ROLE else ""

    @property
    def site(self) -> str:
        """The site whose mark is painted; '' for anything else."""
        return self.id if self.kind == Kind.MARK else ""

    @property
    def piece(self) -> str:
        """The piece of work that all figures get; '' for anything else."""
        return self.id if self.kind == Kind.PASS else ""

    @property
    def phase(self) -> int:
        """Its place in the usual order: ground, colours, marks, what all figures get."""
        return list(Kind).index(self.kind)


GROUND = Subject(Kind.GROUND)


def of_role(role_id: str) -> Subject:
    """The subject of a role's recipe."""
    return Subject(Kind.ROLE, role_id)


def of_mark(site_id: str) -> Subject:
    """The subject of the mark on a site."""
    return Subject(Kind.MARK, site_id)


def of_pass(piece_id: str) -> Subject:
    """The subject of a piece of work that all figures get."""
    return Subject(Kind.PASS, piece_id)


def subject_of(text: str) -> Subject:
    """The subject that a record writes so.

    >>> subject_of("army:varnish"), subject_of("")
    (Subject(kind=<Kind.PASS: 'pass'>, id='varnish'), Subject(kind=<Kind.GROUND: 'ground'>, id=''))
    """
    for kind, written in _WRITTEN.items():
        if text.startswith(written):
            return Subject(kind, text.removeprefix(written))
    return of_role(text) if text else GROUND
