"""What a painter wants of a scheme: accents, signatures, focus, shares, thresholds, and findings accepted."""

from dataclasses import dataclass, replace

from ..errors import OutOfRange, UnknownName

#: adjustable thresholds: name to (usual value, least, most, what it is and why)
THRESHOLDS = {
    "neighbours": (12.0, 2, 60, "CIEDE2000 between touching areas; 20 is advised without a line between, a dark line gives the rest"),
    "seam": (2.0, 0.2, 30, "mm of shared edge that make two areas matter to each other"),
    "lookalikes": (20.0, 2, 80, "CIEDE2000 left at distance between two values of a distinction"),
    "lookalikes_sight": (12.0, 2, 80, "the same for a dichromat, who has fewer differences to go by"),
    "emblem": (30.0, 5, 80, "L* between a mark and its ground that lets it read by itself"),
    "emblem_left": (10.0, 2, 60, "CIEDE2000 that must be left at distance of a mark against its ground; twice that reads without the L*"),
    "values": (25.0, 5, 80, "L* between the 10th and 90th percentile of the army by area; less reads as flat"),
    "accent_least": (0.02, 0, 1, "share of a figure below which an accent is lost"),
    "accent_most": (0.15, 0, 1, "share of a figure above which an accent is no accent"),
    "common_least": (0.15, 0, 1, "share of the army decided at the army's rung below which it falls apart"),
    "common_most": (0.80, 0, 1, "share above which formations vanish"),
    "metals": (3.0, 1, 12, "different metals on one figure; more are confused"),
    "metals_apart": (10.0, 1, 40, "CIEDE2000 between any two metals; nearer ones are taken for each other"),
    "coats": (4.0, 1, 20, "coats of one step; beyond it another undercoat or a bridge colour is quicker"),
    "paints": (3.0, 1, 8, "paints in one mix; more cannot be mixed twice alike"),
    "hidden": (0.3, 0.0, 1, "share of an area seen on the finished model below which lights on it are lost"),
    "focus": (0.8, 0.1, 2, "contrast in the focal areas, as a share of the strongest elsewhere"),
    "share": (0.05, 0.005, 0.5, "how far a role's share may lie from its target"),
}  # fmt: skip
MOST_ACCEPTED = 500


@dataclass(frozen=True)
class Aims:
    """Everything here is optional: without it the checks use their usual thresholds."""

    #: roles that are meant as accents
    accents: tuple[str, ...] = ()
    #: roles that every figure should carry two of
    signatures: tuple[str, ...] = ()
    #: selectors of areas that should hold the eye, and of those that should not
    focus: tuple[str, ...] = ("head.face", "head.helm", "head.hood", "torso", "shield.face", "flag")
    quiet: tuple[str, ...] = ()
    #: role to its wanted share of the army's visible area
    shares: tuple[tuple[str, float], ...] = ()
    #: threshold to another value than the usual
    thresholds: tuple[tuple[str, float], ...] = ()
    #: (check, finding) to the painter's note
    accepted: tuple[tuple[str, str, str], ...] = ()

    def threshold(self, name: str) -> float:
        """The value of a threshold."""
        return dict(self.thresholds).get(name, THRESHOLDS[name][0])

    def notes(self, check: str) -> dict[str, str]:
        """The findings of a check that were accepted, by key, with their notes."""
        return {key: note for one, key, note in reversed(self.accepted) if one == check}


def with_threshold(aims: Aims, name: str, value: float | None) -> Aims:
    """The aims with one threshold changed; None puts the usual value back.

    Raises: UnknownName, OutOfRange.
    """
    if name not in THRESHOLDS:
        raise UnknownName("threshold", name, list(THRESHOLDS), "threshold")
    rest = tuple(one for one in aims.thresholds if one[0] != name)
    if value is None or value == THRESHOLDS[name][0]:
        return replace(aims, thresholds=rest)
    _, least, most, _ = THRESHOLDS[name]
    if not least <= value <= most:
        raise OutOfRange(f"{name} is {value:g}; allowed is {least:g} to {most:g}.", "value")
    return replace(aims, thresholds=(*rest, (name, value)))


def with_accepted(aims: Aims, check: str, key: str, note: str | None) -> Aims:
    """The aims with a finding accepted under a note, or with its acceptance taken back (None).

    Raises: OutOfRange if the note is empty or there are too many.
    """
    rest = tuple(one for one in aims.accepted if one[:2] != (check, key))
    if note is None:
        return replace(aims, accepted=rest)
    note = " ".join(note.split())
    if not 1 <= len(note) <= 200:
        raise OutOfRange(f"The note has {len(note)} characters; allowed is 1 to 200: say why it is right so.", "note")
    if len(rest) >= MOST_ACCEPTED:
        raise OutOfRange(f"There are {len(rest)} accepted findings; allowed are {MOST_ACCEPTED}.", "note")
    return replace(aims, accepted=(*rest, (check, key, note)))


def with_marked(aims: Aims, role: str, kind: str, *, on: bool) -> Aims:
    """The aims with a role marked as an accent or a signature, or no longer.

    Raises: UnknownName for another kind.
    """
    if kind not in ("accents", "signatures"):
        raise UnknownName("kind of mark", kind, ("accents", "signatures"), "kind")
    marked = tuple(one for one in getattr(aims, kind) if one != role)
    return replace(aims, **{kind: (*marked, role) if on else marked})


def with_share(aims: Aims, role: str, share: float | None) -> Aims:
    """The aims with a role's wanted share set, or none.

    Raises: OutOfRange outside 0 to 1.
    """
    rest = tuple(one for one in aims.shares if one[0] != role)
    if share is None:
        return replace(aims, shares=rest)
    if not 0 <= share <= 1:
        raise OutOfRange(f"The share is {share:g}; allowed is 0 to 1.", "share")
    return replace(aims, shares=(*rest, (role, share)))
