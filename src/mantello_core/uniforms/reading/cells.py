"""One cell of a table, as what it says of one garment or several."""

import re
from dataclasses import replace
from difflib import get_close_matches

from ..colour_word import terms
from ..fact import Fact, Wearer
from ..folding import fold
from ..garments import lookup, title_of
from ..lexicon import lexicon
from ..period import Period
from ..phrase import Phrase, ditto_rest, read_phrase
from .grid import Raw
from .heading import Column, looks_like_colour
from .table_reading import TableReading

#: how a ditto came that is of the cell to its left
_LEFT = "ditto of the cell to the left"


class CellReader:
    """Reads cells, and remembers what dittos and references may point at."""

    def __init__(self, reading: TableReading, decisions: dict[str, str]):
        self.reading, self.decisions = reading, decisions
        self.last: dict = {}

    def read(self, cell: Raw, column: Column, wearers, about) -> None:
        text = cell.text.replace("\n", ", ")
        if not text.strip():
            return
        self.reading.met("value", [cell])
        for ids, piece in _by_garment(text, column.ids):
            for garment in ids:
                self._value(cell, replace(column, ids=(garment,)), piece, wearers, about)

    def _value(self, cell: Raw, column: Column, text: str, wearers, about) -> None:
        """What a cell says of one garment, as facts of everyone its row names."""
        garment = column.ids[0]
        phrase, by = self._referred(cell, column, text)
        slot = ("value", column.at, garment)
        self.last["left"], self.last["left line"] = phrase, cell.line
        self.last["row", cell.line, garment] = phrase
        repeated = by and slot in self.last and not ditto_rest(text)
        self.last[slot] = phrase, self.last[slot][1] if repeated else cell.line, by == _LEFT
        phrase = self._decided(phrase, text, cell)
        if column.dress or column.rank:
            wearers = [replace(one, rank=column.rank or one.rank, dress=column.dress or one.dress) for one in wearers]
        certainty = about["certainty"]
        if phrase.maybe and certainty in ("", "documented"):
            certainty = "guess" if "?" in text else "inferred"
        if phrase.alternatives:
            certainty = "disputed"
        period = column.period or about["period"]
        for wearer in wearers:
            for one_wearer, one_phrase, one_period in _split(wearer, phrase, period):
                fact = Fact(
                    one_wearer,
                    garment,
                    one_phrase,
                    cell.line,
                    cell.column,
                    column.of,
                    one_period,
                    about["source"],
                    certainty,
                    about["note"],
                    by,
                )
                self.reading.facts.append(fact)

    def _referred(self, cell: Raw, column: Column, text: str) -> tuple[Phrase, str]:
        """A cell's phrase with what it points at filled in, and by what."""
        phrase = read_phrase(text)
        if (other := _as_garment(text)) and ("row", cell.line, other) in self.last:
            return replace(
                self.last["row", cell.line, other], text=text
            ), f"as the {title_of(other).lower()} of its row"
        if phrase.kind != "ditto":
            return phrase, ""
        before = self.last.get(("value", column.at, column.ids[0]))
        # where the first of a column's dittos is of the cell to its left, those right below it are too
        if before is None or (before[2] and self._left(cell) is not None):
            return self._ditto_of_nothing(cell, text)
        found = replace(before[0], text=text)
        if rest := ditto_rest(text):
            more = read_phrase(rest)
            parts = tuple(replace(part, relation="and") if part.relation == "ground" else part for part in more.parts)
            found = replace(found, parts=found.parts + parts, left=found.left + more.left)
        return found, f"ditto of line {before[1]}"

    def _ditto_of_nothing(self, cell: Raw, text: str) -> tuple[Phrase, str]:
        """A ditto in the first row: of the cell to its left, or not known."""
        id_, unknown = f"ditto:{cell.column}", replace(read_phrase("?"), text=text)
        left = self._left(cell)
        if left is None:
            words = f"Line {cell.line} says 'as above' and nothing stands above."
            self.reading.ask(id_, "ditto", words, "unknown", (), cell)
            return unknown, ""
        words = "Dittos begin a column and nothing stands above; the cell to the left of each is taken."
        self.reading.ask(id_, "ditto", words, "left", ("left", "unknown"), cell)
        if self.decisions.get(id_) == "unknown":
            return unknown, ""
        return replace(left, text=text), _LEFT

    def _left(self, cell: Raw) -> Phrase | None:
        """What the cell to the left says, in its row."""
        return self.last.get("left") if cell.line == self.last.get("left line") else None

    def _decided(self, phrase: Phrase, text: str, cell: Raw) -> Phrase:
        """A phrase with its doubts asked, and answered as far as the painter has."""
        if phrase.kind == "dash":
            meaning = self.decisions.get("dash", "none")
            words = "Cells hold a dash: not worn, or not known?"
            self.reading.ask("dash", "dash", words, "none", ("none", "unknown"), cell)
            phrase = replace(phrase, kind=meaning if meaning in ("none", "unknown") else "none")
        for word in phrase.left:
            if (known := lookup(word, ("garment", "key", "meta"))) and known[0] == "garment":
                continue
            words = f"'{word}' is no colour, cloth or garment that is known{_near(word)}; it is kept as a note."
            self.reading.ask(f"word:{word}", "word", words, "note", ("note", *terms()), cell)
            if answer := self.decisions.get(f"word:{word}"):
                phrase = _with_word(phrase, word, answer)
        if phrase.kind == "text" and not phrase.left and not phrase.cut:
            words = f"'{text}' says nothing that is known of a garment; it is kept as a note."
            self.reading.ask(f"word:{fold(text)}", "word", words, "note", ("note", *terms()), cell)
            if answer := self.decisions.get(f"word:{fold(text)}"):
                phrase = _with_word(phrase, text, answer)
        if phrase.kind == "colour" and any(part.relation == "and" for part in phrase.parts):
            id_, words = (
                f"two:{fold(text)}",
                f"'{text}' names two colours side by side; the first is taken for the ground.",
            )
            self.reading.ask(id_, "two", words, "first is ground", ("first is ground", "halves", "either"), cell)
            joined = {"halves": "halved", "either": "or"}.get(self.decisions.get(id_, ""), "and")
            parts = tuple(replace(one, relation=joined) if one.relation == "and" else one for one in phrase.parts)
            phrase = replace(phrase, parts=parts)
        return phrase


def _split(wearer: Wearer, phrase: Phrase, period: Period):
    """One fact, or several where a cell speaks of several times or ranks."""
    if phrase.kind != "colour":
        return [(wearer, phrase, period)]
    ground, found = [], []
    for part in phrase.parts:
        if part.relation.startswith("rank:"):
            found.append(
                (
                    replace(wearer, rank=part.relation[5:]),
                    replace(phrase, parts=(replace(part, relation="ground"),)),
                    period,
                )
            )
        elif part.relation in ("later", "earlier"):
            span = Period(period.since, part.until)
            if part.relation == "later":
                span = _later(part.since, ground[0].until if ground else None, period)
            found.append((wearer, replace(phrase, parts=(replace(part, relation="ground"),)), span))
        else:
            ground.append(part)
    if not ground:
        return found
    first = ground[0]
    later = next((span for _, _, span in found if span.since and span != period), None)
    span = period
    if first.since or first.until:
        span = Period(
            first.since or (period.since if (period.since or 0) <= (first.until or 9999) else None),
            first.until
            or (period.until if (period.until or 9999) > (first.since or 0) and period.since != period.until else None),
        )
        ground[0] = replace(first, since=None, until=None)
    elif later and any(part.relation == "later" for part in phrase.parts):
        span = Period(period.since, min(later.since - 1, period.until or later.since - 1))
    return [(wearer, replace(phrase, parts=tuple(ground)), span), *found]


def _later(since: int | None, until: int | None, period: Period) -> Period:
    """When 'later' is: from its year, else after what stands before it ends, else after the row's own year."""
    if since or until:
        return Period(since or (until or 0) + 1, period.until)
    known = period.until or period.since
    return Period(known + 1, None) if known else Period(None, period.until)


def _as_garment(text: str) -> str:
    """The garment in 'as collar', 'wie der Kragen', 'come il colletto'; '' if it says no such thing."""
    found = re.fullmatch(
        r"(?:as|like|same as|wie|comme|come|como|igual que)\s+(?:the\s+|der\s+|die\s+|das\s+|le\s+|la\s+|les\s+|il\s+|i\s+|el\s+|los\s+)?([^\d]+?)\.?",
        text.strip(),
        re.I,
    )
    named = lookup(fold(found[1]), ("garment", "key", "meta")) if found else None
    return named[1] if named and named[0] == "garment" and named[1] not in ("coat", "facing") else ""


def _by_garment(text: str, ids: tuple[str, ...]):
    """(garments, text) pairs of a cell: 'red / white' under 'collar / cuffs', 'collar red, cuffs white', or all alike."""
    pieces = [one for one in re.split(r"\s*[;,]\s*", text) if one]
    if len(pieces) > 1 or re.search(r":", text):
        told = [(_named_garment(piece), piece) for piece in pieces]
        if (any(name for name, _ in told) and told[0][0]) or sum(bool(name) for name, _ in told) >= 2:
            found, current = [], ids
            for name, piece in told:
                if name:
                    found.append([(name[0],), name[1]])
                elif found:
                    found[-1][1] += f", {piece}"
                else:
                    found.append([current, piece])
            return [(tuple(names), piece) for names, piece in found]
    halves = re.split(r"\s*/\s*", text)
    if len(ids) == len(halves) > 1 and all(looks_like_colour(half) or ditto_rest(half) is not None for half in halves):
        return [((name,), half) for name, half in zip(ids, halves, strict=True)]
    return [(ids, text)]


def _named_garment(piece: str) -> tuple[str, str] | None:
    """A garment named at the head or the end of some words, and the rest."""
    words = piece.replace(":", " ").split()
    for at in (0, len(words) - 1):
        if len(words) < 2:
            continue
        found = lookup(fold(words[at]), ("garment", "key", "meta"))
        rest = " ".join(words[1:] if at == 0 else words[:-1])
        if (
            found
            and found[0] == "garment"
            and found[1]
            in ("collar", "cuff", "lapel", "turnback", "cuff_flap", "waistcoat", "breeches", "plume", "buttons", "coat")
            and looks_like_colour(rest)
        ):
            return found[1], rest
    return None


def _near(word: str) -> str:
    near = get_close_matches(word, [entry for entry in lexicon().entries if len(entry) > 3], n=1, cutoff=0.75)
    return f" (did you mean '{near[0]}'?)" if near else ""


def _with_word(phrase: Phrase, word: str, term: str) -> Phrase:
    """A phrase with an unknown word decided: a colour term, or 'note'."""
    if term not in terms():
        return replace(phrase, left=tuple(one for one in phrase.left if one != word))
    again = read_phrase(re.sub(re.escape(word), terms()[term]["words"][0], phrase.text, flags=re.I))
    return replace(again, text=phrase.text)
