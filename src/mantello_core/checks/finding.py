"""What a check says: findings with places and fixes."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import cached_property

from ..army.tree import Army
from ..design.design import Design
from ..figures.vocabulary import spoken
from ..frozen import but
from ..scheme.aim import Aims
from ..scheme.cascade import FigureClass


@dataclass(frozen=True)
class Fix:
    """A change that would mend a finding, in words and as an edit."""

    words: str
    change: Callable[[Design], Design]
    #: the role it gives, where it gives one
    role: str = ""


@dataclass(frozen=True)
class Finding:
    """One place that a check points at."""

    what: str
    #: stays the same while the finding does, so that it can be accepted
    key: str = ""
    #: unit, rank and area to open on the plate; empty where there is none
    unit: str = ""
    rank: str = ""
    area: str = ""
    ordinal: int = 1
    number: float = 0.0
    #: a change that would mend it, or what looks for one when it is asked for, since few are ever shown
    mending: Fix | Callable[[], Fix | None] | None = None
    #: what it has in common with others of its check, in words; '' where it is alone
    cause: str = ""
    #: roles it is about, and the areas of the figure, for swatches and a lit figure
    roles: tuple[str, ...] = ()
    areas: tuple[str, ...] = ()
    #: how many figures show it
    figures: int = 1

    @cached_property
    def fix(self) -> Fix | None:
        """A change that would mend it; None where there is none."""
        return self.mending() if callable(self.mending) else self.mending


@dataclass(frozen=True)
class Check:
    """One check and what it found, worst first."""

    id: str
    name: str
    #: clear, look or wrong
    verdict: str
    #: the worst case in one line, or why all is well
    worst: str
    findings: tuple[Finding, ...] = ()
    #: what the check asks, with its threshold
    rule: str = ""
    #: thresholds it uses, to be adjusted
    thresholds: tuple[str, ...] = ()
    #: findings the painter accepted, with the note
    accepted: tuple[tuple[Finding, str], ...] = ()


def class_title(army: Army, one: FigureClass) -> str:
    """A class of figures in words: rank, then where it stands.

    >>> from ..formats.sample import calvessa
    >>> from ..scheme.cascade import resolve
    >>> class_title(calvessa().army, resolve(calvessa().army, calvessa().scheme).classes[0])
    'Sergeant, 1st, the Harbour'
    """
    return f"{one.rank_name}, {army.title(one.unit)}"


def at(
    army: Army,
    one: FigureClass,
    area: str,
    said: str,
    key: str,
    number: float = 0.0,
    mending: Fix | Callable[[], Fix | None] | None = None,
) -> Finding:
    """A finding on an area of a class of figures."""
    where = f"{class_title(army, one)}: {said}" if said else f"{class_title(army, one)}: {spoken(area)}"
    return Finding(where, key, one.unit, one.rank, area, one.ordinals[0], number, mending)


def of(
    finding: Finding, cause: str, roles: tuple[str, ...] = (), areas: tuple[str, ...] = (), figures: int = 1
) -> Finding:
    """The finding with what it has in common with others told."""
    return but(finding, cause=cause, roles=roles, areas=areas or finding.areas, figures=figures)


def checked(check: Check, aims: Aims) -> Check:
    """The check with accepted findings set apart and its verdict and worst line told from the rest."""
    notes = aims.notes(check.id)
    left = tuple(finding for finding in check.findings if finding.key not in notes)
    accepted = tuple((finding, notes[finding.key]) for finding in check.findings if finding.key in notes)
    if left:
        return replace(
            check, findings=left, accepted=accepted, worst=check.worst if left == check.findings else left[0].what
        )
    calm = check.worst if not check.findings else f"{len(accepted)} accepted with a note"
    return replace(check, verdict="clear", findings=(), accepted=accepted, worst=calm)
