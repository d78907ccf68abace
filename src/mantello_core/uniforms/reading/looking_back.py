"""What can be told only when the whole table is read: references, footnotes, repeats, contradictions, blanks."""

import re
from collections import defaultdict
from collections.abc import Mapping
from dataclasses import replace

from ...numerals import whole_number
from ..fact import Fact
from ..folding import fold, stems
from ..garments import title_of
from ..period import Period
from ..phrase import Phrase
from .grid import Raw
from .key_cell import read_key_cell
from .table_reading import TableReading, plain_mark

_BOUND = re.compile(
    r"\b(until|bis|jusqu'en|fino al|hasta|from|ab|since|dès|depuis|dal)\b\D{0,6}(\d{3,4})", re.IGNORECASE
)
_UNTIL = ("until", "bis", "jusqu en", "fino al", "hasta")
_DOUBTED = re.compile(
    r"\b(disputed|strittig|contest|doubtful|unsicher|uncertain|other sources?|according to)\b", re.IGNORECASE
)
#: a column with more blanks than this share is one that is seldom filled
_FEW_BLANKS = 0.25
_LINES_LISTED, _GARMENTS_LISTED = 8, 4


def looked_back(reading: TableReading, decisions: Mapping[str, str], body: list) -> None:
    """Join what points elsewhere, and ask about what the whole shows. Changes the reading."""
    _join_likes(reading)
    _join_footnotes(reading)
    _ask_titles(reading, decisions)
    _join_repeats(reading, decisions)
    _ask_blanks(reading, body)
    _tell_merged(reading)
    _ask_certainty(reading, decisions)


def _place(fact: Fact) -> Raw:
    return Raw("", fact.line, fact.column)


def _join_likes(reading: TableReading) -> None:
    """'as 3rd' takes what the 3rd's row says, wherever it stands."""
    known = {_spot(fact, fact.wearer.number): fact for fact in reading.facts if fact.phrase.kind != "like"}
    found = []
    for fact in reading.facts:
        if fact.phrase.kind == "like":
            like = fact.phrase.like
            plain = whole_number(like, 10**4)
            numbers = read_key_cell(like).numbers if plain is None else (plain,)
            other = known.get(_spot(fact, numbers[0])) if numbers else None
            if other is None:
                words = f"'{fact.phrase.text}' in line {fact.line}: there is no {like} that says so."
                reading.ask(f"like:{like}:{fact.garment}", "like", words, "unknown", (), _place(fact))
                fact = replace(fact, phrase=replace(fact.phrase, kind="unknown"))
            else:
                said = replace(other.phrase, text=fact.phrase.text)
                fact = replace(fact, phrase=said, by=f"as {like} (line {other.line})")
        found.append(fact)
    reading.facts = found


def _spot(fact: Fact, number: int | None) -> tuple:
    return number, fact.wearer.arm, fact.garment, fact.of


def _join_footnotes(reading: TableReading) -> None:
    """Marks join their notes; a mark without a note is asked about."""
    found = []
    for fact in reading.facts:
        for mark in fact.phrase.marks:
            text = reading.notes.get(plain_mark(mark))
            if text is None:
                words = f"The mark '{mark}' stands at values and no note below explains it."
                reading.ask(f"mark:{mark}", "mark", words, "ignore", (), _place(fact))
                continue
            note = "; ".join(one for one in (fact.note, text) if one)
            certainty = "disputed" if _DOUBTED.search(text) else fact.certainty
            fact = replace(fact, note=note, period=_bounded(fact.period, text), certainty=certainty)
        found.append(fact)
    reading.facts = found


def _bounded(period: Period, note: str) -> Period:
    """A period as a footnote bounds it."""
    bound = _BOUND.search(note)
    if not bound:
        return period
    year = int(bound[2])
    if fold(bound[1]) not in _UNTIL:
        return Period(year, None)
    return Period(period.since if (period.since or year) < year else None, year)


def _ask_titles(reading: TableReading, decisions: Mapping[str, str]) -> None:
    """One number under two titles: one regiment, or two?"""
    known: dict[tuple, dict[str, Fact]] = defaultdict(dict)
    for fact in reading.facts:
        one = fact.wearer
        if one.number is not None and one.title:
            known[fold(one.force), fold(one.arm), one.number].setdefault(fold(one.title), fact)
    apart = set()
    for (force, arm, number), titles in known.items():
        if len(titles) < 2:
            continue
        said = " and ".join(f"'{fact.wearer.title}' (line {fact.line})" for fact in titles.values())
        id_ = f"title:{arm}:{number}"
        words = f"No. {number} is called {said}: one regiment, or two?"
        reading.ask(id_, "title", words, "one", ("one", "two"), _place(list(titles.values())[-1]))
        if decisions.get(id_) == "two":
            apart.add((force, arm, number))
    if apart:
        reading.facts = [
            replace(fact, wearer=replace(one, number=None))
            if (one := fact.wearer).title and (fold(one.force), fold(one.arm), one.number) in apart
            else fact
            for fact in reading.facts
        ]


def _join_repeats(reading: TableReading, decisions: Mapping[str, str]) -> None:
    """Rows said twice are kept once and told; rows that contradict each other are kept both and told."""
    groups: dict[tuple, list[Fact]] = defaultdict(list)
    for fact in reading.facts:
        groups[fact.wearer.key, fact.garment, fact.of, fact.period].append(fact)
    kept: list[Fact] = []
    repeats: dict[tuple[int, int], list[str]] = defaultdict(list)
    for facts in groups.values():
        said: dict[tuple, Fact] = {}
        for fact in facts:
            mark = _said(fact.phrase)
            first = said.get(mark)
            if first is None:
                said[mark] = fact
            elif first.line != fact.line:
                repeats[first.line, fact.line].append(title_of(fact.garment).lower())
                sources = "; ".join(dict.fromkeys(one for one in (first.source, fact.source) if one))
                said[mark] = replace(first, source=sources)
        found = list(said.values())
        told = [fact for fact in found if fact.phrase.kind != "unknown"]
        if len({fact.line for fact in told}) > 1:
            found = [*_against(reading, decisions, told), *(fact for fact in found if fact not in told)]
        kept += found
    reading.facts = sorted(kept, key=lambda fact: (fact.line, fact.column))
    for (first_line, line), garments in repeats.items():
        words = f"Line {line} says again what line {first_line} says of {_listed(garments)}; it is kept once, with both sources."
        reading.ask(f"repeat:{first_line}:{line}", "repeat", words, "once", (), Raw("", line, 1))


def _listed(garments: list[str]) -> str:
    named = list(dict.fromkeys(garments))
    more = len(named) - _GARMENTS_LISTED
    return ", ".join(named[:_GARMENTS_LISTED]) + (f" and {more} garments more" if more > 0 else "")


def _said(phrase: Phrase) -> tuple:
    """What two phrases share that say the same."""
    if phrase.kind == "colour":
        return phrase.kind, phrase.parts
    return phrase.kind, fold(phrase.text) if phrase.kind == "text" else ""


def _against(reading: TableReading, decisions: Mapping[str, str], found: list[Fact]) -> list[Fact]:
    """Facts that contradict each other: all are kept; those not chosen count as disputed once one is."""
    last = found[-1]
    said = " against ".join(f"{fact.phrase.words} (line {fact.line})" for fact in found)
    id_ = f"against:{found[0].line}:{last.line}:{last.garment}"
    words = f"{last.wearer.words}, {title_of(last.garment).lower()}: {said}. Both are kept; the surer, then the nearer in time, is worn."
    options = ("keep both", *(f"line {fact.line}" for fact in found))
    reading.ask(id_, "against", words, "keep both", options, _place(last))
    chosen = decisions.get(id_, "keep both")
    if chosen == "keep both":
        return found
    return [fact if f"line {fact.line}" == chosen else replace(fact, certainty="disputed") for fact in found]


def _ask_blanks(reading: TableReading, body: list) -> None:
    """Blank cells of a column that is nearly always filled: not known, not worn, or as above? They stay open questions."""
    if reading.layout == "long":
        return
    read = ("key", "value")
    rows = [
        row for row in body if any(reading.fates.get((cell.line, cell.column)) in read for cell in row if cell.text)
    ]
    for column in reading.columns:
        if column.kind != "garment":
            continue
        empty = [row for row in rows if column.at < len(row) and not row[column.at].text]
        if not 0 < len(empty) <= _FEW_BLANKS * len(rows):
            continue
        lines = ", ".join(str(next(cell.line for cell in row if cell.text)) for row in empty[:_LINES_LISTED])
        many = "s" if len(empty) > 1 else ""
        words = f"{len(empty)} row{many} say nothing under '{column.header}' (line{many} {lines}); they stay open questions."
        for row in empty:
            reading.ask(
                f"blank:{column.at + 1}", "blank", words, "unknown", ("unknown", "none", "as above"), row[column.at]
            )


def _tell_merged(reading: TableReading) -> None:
    """Different words that are read as one colour: told, so that a shade is not lost in silence."""
    words: dict[tuple, dict[str, Fact]] = defaultdict(dict)
    for fact in reading.facts:
        if fact.phrase.kind == "colour" and not fact.by:
            words[fact.garment, fact.phrase.parts].setdefault(fold(fact.phrase.text), fact)
    for said in words.values():
        roots = {stems(text)[-1] if " " not in text else text for text in said}
        if len(said) > 1 and len(roots) > 1:
            listed = "', '".join(fact.phrase.text.strip() for fact in said.values())
            first = next(iter(said.values()))
            told = f"'{listed}' are read as one colour, {first.phrase.words}."
            reading.ask(f"merged:{'|'.join(sorted(said))}", "merged", told, "one colour", (), _place(first))


def _ask_certainty(reading: TableReading, decisions: Mapping[str, str]) -> None:
    unsaid = sum(not fact.certainty for fact in reading.facts)
    if unsaid > 0.5 * len(reading.facts):
        words = "Most rows do not say how sure they are; they count as inferred until you say more."
        reading.ask("certainty", "certainty", words, "inferred", ("documented", "inferred", "guess"))
    usual = decisions.get("certainty", "inferred")
    reading.facts = [fact if fact.certainty else replace(fact, certainty=usual) for fact in reading.facts]
