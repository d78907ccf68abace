"""Rosters as text: separated values with or without a header line, JSON, or plain words.

Nothing is dropped: a line that cannot be taken as it stands comes back with its doubts, each at its
field, and what was written stays.
"""

import codecs
import csv
import io
import json
import re
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from difflib import get_close_matches
from itertools import zip_longest
from types import MappingProxyType

from ..army.tree import MOST_FIGURES, TIERS, Army
from ..design.muster import Entry
from ..errors import OutOfRange, Unreadable
from ..figures.catalogue import shipped_titles
from .spreadsheet import harmless, said_in
from .strict_json import read_json

FIELDS = ("unit", "type", "rank", "figures", "formation", "tier", "due")
#: without a header only so many of them are read
_PLAIN_FIELDS = 5
_SYNONYMS = {
    "unit": {"unit", "squad", "name", "unit name", "section"},
    "type": {"type", "unit type", "figure type", "model", "plate"},
    "rank": {"rank", "role", "grade", "title"},
    "figures": {"figures", "count", "number", "models", "qty", "quantity", "no", "figs"},
    "tier": {"tier", "quality", "level", "painted to"},
    "due": {"due", "by", "deadline", "wanted by", "date"},
    "formation": {"formation", "formation path", "path", "regiment", "company", "parent", "belongs to"},
}
#: the most text a roster may have, and the most lines
MOST_CHARACTERS, MOST_LINES = 200_000, 2000
#: ranks whose name suggests a leader's tier
_LEADERS = {
    "captain",
    "sergeant",
    "warden",
    "officer",
    "ensign",
    "lieutenant",
    "colonel",
    "banneret",
    "bearer",
    "leader",
}


@dataclass(frozen=True)
class RosterLine:
    """One line as it came, field by field, and what is doubtful about it."""

    number: int
    values: dict[str, str]
    #: field to what is wrong and what is allowed
    doubts: dict[str, str]
    #: what it means, if nothing is doubtful
    entry: Entry | None


def read_roster(text: str, titles: dict[str, str] | None = None) -> list[RosterLine]:
    """Every line of a roster, in order. titles: the figure types there are, id to title; the shipped ones if not given.

    Raises: Unreadable if there is no line in it; OutOfRange if it is too long.
    """
    if len(text) > MOST_CHARACTERS:
        raise OutOfRange(f"The roster has {len(text)} characters; allowed is up to {MOST_CHARACTERS}.", "roster")
    text = text.lstrip("\ufeff")
    if text.lstrip()[:1] in ("[", "{"):
        return _from_json(text, titles)
    if text.strip() and _is_plain(text):
        return _from_words(text, titles)
    rows = _rows(text) if text.strip() else []
    numbered = [
        (number, [said_in(cell) for cell in row]) for number, row in enumerate(rows, 1) if any(map(str.strip, row))
    ]
    if not numbered:
        raise Unreadable(
            "The roster is empty; write one line for each rank: unit, type, rank, figures, formation.", "roster"
        )
    if len(numbered) > MOST_LINES:
        raise OutOfRange(f"The roster has {len(numbered)} lines; allowed is up to {MOST_LINES}.", "roster")
    columns = _header(numbered[0][1])
    if columns:
        numbered = numbered[1:]
        if not numbered:
            raise Unreadable("The roster has a header and no line below it.", "roster")
    else:
        columns = list(FIELDS[:_PLAIN_FIELDS])
    return [read_line(number, _fields(row, columns), titles) for number, row in numbered]


def read_line(number: int, values: dict[str, str], titles: dict[str, str] | None = None) -> RosterLine:
    """One line from its fields; a missing rank becomes 'Figure', all else is asked back."""
    extra = _whole(values.get("extra", "").strip())
    given = {field: values.get(field, "").strip() for field in FIELDS}
    values = {field: _whole(text) for field, text in given.items()}
    doubts = {}
    for field, text in given.items():
        if (strange := _strange(text)) is not None:
            doubts[field] = (
                f"It holds the sign U+{ord(strange):04X}, which cannot be kept; it is shown as \ufffd. Write it anew."
            )
    if extra:
        doubts["formation"] = f"More was written than a roster has fields for: '{extra}'. It is left out if you go on."
    if not values["unit"]:
        doubts["unit"] = "No unit is named."
    type_id = _type_of(values["type"], titles)
    if type_id is None:
        near = get_close_matches(values["type"].lower(), list(titles or shipped_titles()), n=2, cutoff=0.4)
        said = f"'{values['type']}' is no figure type" if values["type"] else "No figure type is given"
        doubts["type"] = f"{said}; {'did you mean ' + ' or '.join(near) + '?' if near else 'choose one of the plates.'}"
    count = re.fullmatch(r"(?:x\s*)?(\d{1,6})(?:\s*x)?", values["figures"].lower())
    if not count or not 1 <= int(count[1]) <= MOST_FIGURES:
        said = f"'{values['figures']}' is no count" if values["figures"] else "No count is given"
        doubts["figures"] = f"{said}; write a whole number from 1 to {MOST_FIGURES}."
    for field in ("unit", "rank"):
        if len(values[field]) > 80:
            doubts[field] = f"The name has {len(values[field])} characters; allowed is up to 80."
    for field in FIELDS:
        if "\n" in values[field]:
            doubts[field] = "Several lines ran together here; is a quotation mark left open?"
    tier = _tier_of(values["tier"])
    if tier is None:
        doubts["tier"] = (
            f"'{values['tier']}' is no tier; there are {', '.join(TIERS.values())}. Empty: by the rank's name."
        )
    if values["due"] and not _is_day(values["due"]):
        doubts["due"] = f"'{values['due']}' is no day; write it like 2027-03-01, or nothing."
    path = tuple(step.strip() for step in re.split(r"[/>]", values["formation"]) if step.strip())
    if doubts:
        return RosterLine(number, values, doubts, None)
    rank = values["rank"] or "Figure"
    tier = tier or ("leader" if set(rank.lower().split()) & _LEADERS else "rank")
    return RosterLine(
        number, values, {}, Entry(values["unit"], type_id, rank, int(count[1]), path, tier, values["due"])
    )


def _strange(text: str) -> str | None:
    """The first sign that cannot be kept: half of one, or a control sign other than a break."""
    return next((sign for sign in text if "\ud800" <= sign <= "\udfff" or (sign < " " and sign not in "\t\n\r")), None)


def _whole(text: str) -> str:
    """The text with what cannot be kept shown as such."""
    while (strange := _strange(text)) is not None:
        text = text.replace(strange, "\ufffd")
    return text


def _tier_of(text: str) -> str | None:
    """The tier that a text names, by id or by its name; '' where nothing is said, None for none there is."""
    said = text.strip().lower()
    if not said:
        return ""
    return next((id_ for id_, name in TIERS.items() if said in (id_, name.lower())), None)


def _is_day(text: str) -> bool:
    try:
        date.fromisoformat(text)
    except ValueError:
        return False
    return len(text) == 10


def write_roster(army: Army, due: Mapping[str, str] = MappingProxyType({})) -> str:
    """The army as a roster that reads back to the same tree. due: day by which a unit is wanted, by its id."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(FIELDS)
    for unit in army.units:
        path = " / ".join(army.nodes[node_id].name for node_id in army.paths[unit.id][1:-1])
        for rank in unit.ranks:
            row = unit.name, rank.type, rank.name, rank.figures, path, rank.tier, due.get(unit.id, "")
            writer.writerow(map(harmless, row))
    return out.getvalue()


def decoded(data: bytes) -> str:
    """The text of a roster file: UTF-8 or UTF-16 by their marks, else UTF-8, else Western (Windows-1252).

    Raises: Unreadable if it is no text at all.
    """
    for mark, name in (
        (codecs.BOM_UTF8, "utf-8-sig"),
        (codecs.BOM_UTF16_LE, "utf-16"),
        (codecs.BOM_UTF16_BE, "utf-16"),
    ):
        if data.startswith(mark):
            return _decoded(data, name)
    try:
        return data.decode("utf-8")
    except UnicodeDecodeError:
        if any(byte < 9 or 13 < byte < 32 for byte in data):
            raise Unreadable(
                "The file is not text: it holds signs that no text has. Save it as CSV or text.", "file"
            ) from None
        return _decoded(data, "cp1252")


def _decoded(data: bytes, name: str) -> str:
    try:
        return data.decode(name)
    except UnicodeDecodeError as error:
        raise Unreadable(
            f"The file is not readable text ({name}): byte {error.start} has no meaning.", "file"
        ) from error


_PLAIN = re.compile(r"^\s*[-*•]?\s*(?P<figures>\d{1,6})\s*(?:x|×)?\s+(?P<what>\D.*?)\s*$", re.IGNORECASE)


def _is_plain(text: str) -> bool:
    lines = [line for line in text.splitlines() if line.strip()]
    counted = sum(bool(_PLAIN.match(line)) and not re.search(r"[,;\t]", line) for line in lines)
    return counted > 0 and not any(re.search(r"[;\t]|,.*,", line) for line in lines)


def _from_words(text: str, titles: dict[str, str] | None) -> list[RosterLine]:
    """'3 x Fusilier sergeant' under headings; a heading ends with a colon, its depth is how far it is set in.

    Lines under no heading make a unit each, called as it was written; a leader belongs to the unit beside it.
    """
    written: list[tuple[int, list[str], re.Match | None, str]] = []
    headings: list[tuple[int, str]] = []
    for number, raw in enumerate(text.splitlines(), 1):
        line = raw.expandtabs(4)
        if not line.strip():
            continue
        found = _PLAIN.match(line)
        indent = len(line) - len(line.lstrip())
        if not found and line.rstrip().endswith(":"):
            headings = [one for one in headings if one[0] < indent]
            headings.append((indent, line.strip().rstrip(":").strip()))
            continue
        above = [name for depth, name in headings if depth < indent or depth == 0]
        written.append((number, above, found, found["what"] if found else line.strip()))
    units = _units_of([(bool(above), words) for _, above, _, words in written])
    lines = []
    for (number, above, found, words), unit in zip(written, units, strict=True):
        values = {"unit": above[-1] if above else unit, "formation": " / ".join(above[:-1])}
        if found:
            type_id, rank = _words_of(words, titles)
            values |= {"figures": found["figures"], "type": type_id, "rank": rank}
        else:
            values |= {"type": words, "rank": "", "figures": ""}
        lines.append(read_line(number, values, titles))
    return lines


def _units_of(lines: list[tuple[bool, str]]) -> list[str]:
    """The unit of every line, given whether a heading names it, and its words."""
    names: list[str] = []
    open_unit, waiting = "", 0
    for headed, words in lines:
        leads = bool(set(words.lower().split()) & _LEADERS)
        if headed:
            open_unit, waiting = "", 0
        elif leads and not open_unit:
            waiting += 1
        elif not leads:
            open_unit = words[:1].upper() + words[1:]
            names[len(names) - waiting :] = [open_unit] * waiting
            waiting = 0
        names.append(open_unit or words[:1].upper() + words[1:])
    return names


def _words_of(text: str, titles: dict[str, str] | None) -> tuple[str, str]:
    """Figure type and rank told by some words: the type is the last word that names one, the rank all of them."""
    words = text.split()
    for word in reversed(words):
        singular = word.lower().rstrip("s")
        type_id = _type_of(word, titles) or _type_of(singular, titles)
        if type_id:
            return type_id, text if len(words) > 1 else word.rstrip("s").capitalize()
    return text, text


def _from_json(text: str, titles: dict[str, str] | None) -> list[RosterLine]:
    """A list of lines as objects with the fields' names, or an object with such a list under 'roster' or 'units'."""
    data = read_json(text.encode("utf-8", "surrogatepass"), "The roster", "roster")
    if isinstance(data, dict):
        data = next((data[name] for name in ("roster", "units", "lines") if isinstance(data.get(name), list)), None)
    if not isinstance(data, list) or not data:
        raise Unreadable(
            'The roster is JSON without a list of lines; write [{"unit": ..., "type": ..., "figures": ...}].', "roster"
        )
    if len(data) > MOST_LINES:
        raise OutOfRange(f"The roster has {len(data)} lines; allowed is up to {MOST_LINES}.", "roster")
    return [read_line(number, _json_fields(row), titles) for number, row in enumerate(data, 1)]


def _json_fields(row: object) -> dict[str, str]:
    if not isinstance(row, dict):
        return {"extra": str(row)[:200]}
    values: dict[str, str] = {}
    for key, value in row.items():
        field = next((one for one, words in _SYNONYMS.items() if str(key).lower().strip() in words), "extra")
        said = " / ".join(map(str, value)) if isinstance(value, list) else "" if value is None else str(value)
        values[field] = f"{values[field]} / {said}" if values.get(field) else said[:400]
    return values


def write_roster_json(army: Army, due: Mapping[str, str] = MappingProxyType({})) -> str:
    """The army as a JSON roster that reads back to the same tree."""
    lines = [
        {
            "unit": unit.name,
            "type": rank.type,
            "rank": rank.name,
            "figures": rank.figures,
            "formation": [army.nodes[node_id].name for node_id in army.paths[unit.id][1:-1]],
            "tier": rank.tier,
            **({"due": due[unit.id]} if unit.id in due else {}),
        }
        for unit in army.units
        for rank in unit.ranks
    ]
    return json.dumps({"roster": lines}, indent=1, ensure_ascii=False) + "\n"


def _rows(text: str) -> list[list[str]]:
    try:
        return list(csv.reader(io.StringIO(text, newline=None), delimiter=_delimiter(text), skipinitialspace=True))
    except csv.Error as error:
        raise Unreadable(
            f"The roster cannot be taken apart: {error}. Is a quotation mark left open?", "roster"
        ) from error


def _delimiter(text: str) -> str:
    first = next(line for line in text.splitlines() if line.strip())
    return max(("\t", ";", ","), key=first.count)


def _header(row: list[str]) -> list[str] | None:
    found = [next((f for f, words in _SYNONYMS.items() if cell.lower().strip("#. ") in words), "") for cell in row]
    return found if sum(map(bool, found)) >= 2 else None


def _fields(row: list[str], columns: list[str]) -> dict[str, str]:
    values: dict[str, str] = {}
    for field, cell in zip_longest(columns, row[: len(columns)], fillvalue=""):
        field = field or "extra"
        values[field] = f"{values[field]} / {cell}" if values.get(field) and cell else values.get(field) or cell
    if beyond := " / ".join(filter(None, row[len(columns) :])):
        values["extra"] = " / ".join(filter(None, (values.get("extra"), beyond)))
    return values


def _type_of(written: str, titles: dict[str, str] | None) -> str | None:
    wanted = written.strip().lower()
    known = (titles or shipped_titles()).items()
    return next((id_ for id_, title in known if wanted in (id_, title.lower(), f"{id_}s")), None)
