"""The ladder of one area, and what an edit at one rung would change."""

from dataclasses import dataclass

from mantello_core.army.tree import Army, Figure
from mantello_core.design.rung_edit import rung_of
from mantello_core.figures.vocabulary import sideless, spoken
from mantello_core.film.tones import Tones
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.change import Preview, changes
from mantello_core.scheme.dress_rules import cell_of_dress, evidence_words
from mantello_core.scheme.rule import Rule
from mantello_core.scheme.scheme import Scheme
from mantello_core.scheme.sentence import rule_sentence

from .pick import Pick


@dataclass(frozen=True)
class Row:
    """One rung as the ladder shows it."""

    number: int
    kind: str
    name: str
    #: win, over (overruled), pass (nothing set, below the winner) or blank (nothing set, above it)
    state: str
    role: str | None
    role_name: str
    paint: str
    #: why, as a sentence; empty where nothing is set
    why: str
    binding: bool
    tones: Tones | None
    #: colours of a pattern's inks; none for one colour
    inks: tuple[str, ...] = ()


@dataclass(frozen=True)
class Effect:
    """What setting the role in hand at a rung would change."""

    preview: Preview
    rung: int
    kind: str
    role_name: str
    before_tones: Tones | None
    after_tones: Tones | None
    #: by unit name, how many figures change
    where: list[tuple[str, int]]
    #: one letter per figure of the army, c(hanges), k(eeps its own), o(ut of reach); a space between units
    marks: str


def rows_of(pick: Pick) -> list[Row]:
    """The rungs of a pick's ladder, from the army down."""
    scheme, army = pick.reading.design.scheme, pick.reading.design.army
    verdicts = pick.verdicts
    winner = verdicts[0] if verdicts else None
    strongest = {}
    for verdict in verdicts:
        strongest.setdefault(verdict.rung, verdict)
    rows = []
    for rung in pick.rungs:
        verdict = strongest.get(rung.number)
        if verdict is None:
            below = winner is not None and rung.number > winner.rung
            rows.append(
                Row(rung.number, rung.kind, rung.name, "pass" if below else "blank", None, "", "", "", False, None)
            )
            continue
        role, pattern = scheme.role_by_id.get(verdict.rule.role), scheme.pattern_by_id.get(verdict.rule.pattern)
        rows.append(
            Row(
                number=rung.number,
                kind=rung.kind,
                name=rung.name,
                state="win" if verdict is winner else "over",
                role=verdict.rule.role,
                role_name=pattern.name if pattern else role.name if role else "left bare",
                paint=role.paint_name if role else "",
                why=_why(verdict.rule, army, scheme),
                binding=verdict.rule.binding,
                tones=pick.reading.tones(role.id, pick.figures.tier) if role else None,
                inks=tuple(pick.reading.ink(pattern, ink.role, pick.figures.tier) for ink in pattern.inks)
                if pattern
                else (),
            )
        )
    return rows


def _why(rule: Rule, army: Army, scheme: Scheme) -> str:
    """A rule as a sentence; one of the dress with how it is known."""
    said = rule_sentence(rule, army, scheme)
    cell = cell_of_dress(scheme.dress, rule) if scheme.dress else None
    return f"{said} {evidence_words(scheme.dress, cell)}" if cell else said


def effect_of(pick: Pick) -> Effect:
    """What setting the role in hand at the pick's rung would change.

    Raises: what ``set_here`` refuses.
    """
    reading = pick.reading
    after = pick.set_in(reading.design)
    preview = changes(reading.resolution, resolve(after.army, after.scheme))
    changed = {figure for change in preview.changes for figure in change.figures}
    army = reading.design.army
    where: dict[str, int] = {}
    for figure in changed:
        title = army.title(figure.unit)
        where[title] = where.get(title, 0) + 1
    rung = rung_of(army, pick.figure, pick.rung)
    role = reading.design.scheme.role_by_id.get(pick.role)
    return Effect(
        preview=preview,
        rung=pick.rung,
        kind=rung.kind,
        role_name=role.name if role else "nothing",
        before_tones=reading.tones(_mostly_worn(preview) if preview.areas else pick.cell.role, pick.figures.tier),
        after_tones=reading.tones(pick.role, pick.figures.tier),
        where=sorted(where.items(), key=lambda item: -item[1]),
        marks=_marks(pick, rung, changed),
    )


def _mostly_worn(preview: Preview) -> str | None:
    """The role that most of the areas would change from; None if most are gaps."""
    worn: dict[str | None, int] = {}
    for change in preview.changes:
        for _, old, _ in change.areas:
            worn[old] = worn.get(old, 0) + len(change.figures)
    return max(worn, key=worn.get)


def areas_said(areas: tuple[str, ...]) -> str:
    """Areas in words, both sides of one piece said once."""
    words = list(dict.fromkeys(spoken(sideless(area)).lower() for area in areas))
    return ", ".join(words[:3]) + (f" and {len(words) - 3} more" if len(words) > 3 else "")


def _marks(pick: Pick, rung, changed: set[Figure]) -> str:
    army = pick.reading.design.army
    groups = []
    for unit in army.units:
        inside = rung.scope in army.paths[unit.id]
        group = []
        for rank in unit.ranks:
            for ordinal in range(1, rank.figures + 1):
                figure = Figure(unit.id, rank.id, ordinal)
                reached = (
                    inside
                    and (rung.reach == "node" or rank.id == pick.figure.rank)
                    and (rung.reach != "figure" or figure == pick.figure)
                )
                group.append("c" if figure in changed else "k" if reached else "o")
        groups.append("".join(group))
    return " ".join(groups)
