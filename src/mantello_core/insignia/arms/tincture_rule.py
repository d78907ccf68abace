"""The rule of tincture: metal is not set on metal, nor colour on colour; and what custom lets pass."""

from dataclasses import dataclass

from .charge import CHARGES
from .coat import Arms, Charged, Coat, Group, Plain, Strewn, Varied, coats_of
from .tincture import COUNTERCHANGED, PROPER, TINCTURES
from .writing import write_blazon

#: ordinaries that custom counts as set beside the field, not on it
BESIDE = ("chief", "bordure", "canton", "quarter", "base")


@dataclass(frozen=True)
class Breach:
    """One thing set on another of its kind, and whether custom lets it pass."""

    what: str
    on: str
    kind: str
    #: why custom lets it pass; empty if it does not
    excused: str = ""

    @property
    def words(self) -> str:
        """In words."""
        said = f"{self.what}: {self.kind} on {self.kind} ({self.on})"
        return f"{said}; passes as {self.excused}" if self.excused else said


def breaches(arms: Arms) -> tuple[Breach, ...]:
    """Everything that goes against the rule of tincture, excused or not, from the back to the front.

    Furs, 'proper' and counterchanged pass; so does what lies on a field of metal and colour both. Chiefs, bordures,
    cantons and labels (custom), and what lies over everything, are told as excused.
    """
    return tuple(breach for coat in coats_of(arms) for breach in _coat(coat))


def keeps_rule(arms: Arms) -> bool:
    """Whether nothing goes against the rule but what custom lets pass."""
    return all(breach.excused for breach in breaches(arms))


def _coat(coat: Coat) -> tuple[Breach, ...]:
    field, found = coat.field, []
    ground = field.tinctures
    if isinstance(field, Strewn):
        found += _set(field.of, (field.tincture,), "what is strewn", write_blazon(Coat(Plain(field.tincture))), "")
    if isinstance(field, Varied) and _kind(field.tinctures[0]) == _kind(field.tinctures[1]) in ("metal", "colour"):
        found.append(
            Breach("the field", "its own pieces", _kind(field.tinctures[0]), "a field of pieces lies in one plane")
        )
    for one in coat.elements:
        over = "what lies over everything" if one.overall else ""
        if isinstance(one, Charged):
            found += _group(one.group, ground, "the field", over)
            continue
        excuse = (
            over
            or ("a chief, bordure or canton, which stands beside the field" if one.kind in BESIDE else "")
            or ("a label, a mark of difference" if one.kind == "label" else "")
        )
        if one.pattern is None:
            found += _set(one.tincture, ground, f"the {one.kind}", "the field", excuse)
        if one.laid:
            found += _set(one.laid.tincture, one.tinctures, f"the {one.laid.kind}", f"the {one.kind}", "")
        for group in one.bears:
            found += _group(group, one.tinctures, f"the {one.kind}", "")
        for group in one.between:
            found += _group(group, ground, "the field", "")
    return tuple(found)


def _group(group: Group, ground: tuple[str, ...], on: str, excuse: str) -> list[Breach]:
    """What of a group is set against the rule, on its ground, and what lies on it."""
    found = [] if group.pattern else _set(group.tincture, ground, _named(group), on, excuse)
    for one in (*group.between, *group.holds):
        found += _group(one, ground, on, excuse)
    for one in group.bears:
        found += _group(one, group.tinctures, _named(group), "")
    return found


def _set(tincture: str, ground: tuple[str, ...], what: str, on: str, excuse: str) -> list[Breach]:
    kind = _kind(tincture)
    kinds = {_kind(one) for one in ground}
    if kind not in ("metal", "colour") or kinds != {kind}:
        return []
    return [Breach(what, f"{tincture} on {' and '.join(ground)}, {on}", kind, excuse)]


def _kind(tincture: str) -> str:
    if tincture in (COUNTERCHANGED, PROPER):
        return "any"
    kind = TINCTURES[tincture].kind
    return "colour" if kind == "stain" else kind


def _named(group: Group) -> str:
    kind = CHARGES[group.charge]
    return f"the {kind.name if group.count == 1 else kind.plural}"
