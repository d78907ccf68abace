"""Rosters in plain words: '3 x Fusilier sergeant' under headings, in the forms that people write."""

import re
from dataclasses import dataclass

from .line import RosterLine, leads, read_line, types_in
from .told import Told, is_remark, remark_told, total_in, total_told
from .vocabulary import counted

_BULLET = re.compile(r"^\s*(?:[-*•–·>]|\d{1,2}[.)](?=\s)|\[[ x]?\])\s*")
_POINTS = re.compile(r"[\s,;:–-]*[\[(]?\s*\b\d+\s*(?:pts?|points?)\b\.?\s*[\])]?", re.IGNORECASE)
_GROUPS = re.compile(
    r"^(?P<units>\d{1,3}|[a-z]+)\s*(?:x|×|\*|(?:units|squads|groups|teams|lots|bands)\s+of)\s*(?P<figures>\d{1,6})\s*(?:x|×)?\s+(?P<what>\D.*)$",
    re.IGNORECASE,
)
_BEFORE = re.compile(
    r"^(?:x|×)?\s*(?P<figures>\d{1,6})\s*(?:(?:x|×|\*)\s*|\s+)(?:of\s+)?(?P<what>[^\W\d_(\"'].*)$", re.IGNORECASE
)
_AFTER = re.compile(
    r"^(?P<what>[^\W\d_].*?)\s*(?:[(\[]\s*(?:x|×)?\s*(?P<held>\d{1,6})\s*(?:x|×)?\s*(?:figures|models|minis|men|figs)?\s*[)\]]"
    r"|(?:[:=,]|\s[-–]|\.{2,}|…|\s(?:x|×|\*)\s?|\sx)\s*(?P<figures>\d{1,6})\s*(?:x|×)?(?:\s*(?:figures|models|minis|men|figs))?|\s+(?P<bare>\d{1,6}))$",
    re.IGNORECASE,
)
#: words that count one and begin names too
_ARTICLES = ("a", "an", "one", "single", "the")
_JOINED = re.compile(r"\s*(?:[,;+&]|\band\b|\bplus\b|\bwith\b)\s*", re.IGNORECASE)
_INCLUDING = re.compile(r"\s*[,(]?\s*\b(?:including|incl\.?|of whom|of which)\b\s*", re.IGNORECASE)


@dataclass(frozen=True)
class _Group:
    """Some figures of one kind: how many units of them, how many in each, and the words for them."""

    units: int
    figures: str
    what: str


def is_plain(text: str, titles: dict[str, str] | None = None) -> bool:
    """Whether a text is a list in words and no table."""
    lines = [line for line in text.splitlines() if line.strip()]
    if any("\t" in line.strip() or line.count(";") > 1 for line in lines):
        return False
    cells = [[cell.strip() for cell in line.split(",")] for line in lines]
    tabular = sum(len(row) > 2 and any(re.fullmatch(r"x?\d{1,6}x?", cell) for cell in row) for row in cells)
    spoken = sum(bool(_groups(line, titles)) for line in lines)
    return spoken > tabular


def read_words(text: str, titles: dict[str, str] | None) -> tuple[list[RosterLine], list[Told]]:
    """Lines of a list in words. A heading ends with a colon, or stands alone above counted lines; its depth is how far it is set in.

    Lines under no heading make a unit each, called as it was written; a leader belongs to the unit beside it.
    """
    raw = [(number, line.expandtabs(4)) for number, line in enumerate(text.splitlines(), 1) if line.strip()]
    headings: list[tuple[int, int, str]] = []
    told: list[Told] = []
    written: list[tuple[int, list[str], _Group | None, str]] = []
    since = everything = 0
    for at, (number, line) in enumerate(raw):
        following = raw[at + 1][1] if at + 1 < len(raw) else ""
        said, points = _without_points(line)
        groups = _groups(said, titles)
        indent = len(line) - len(line.lstrip())
        heading = None if groups else _heading(line, following, titles)
        if heading:
            depth, least, name = heading
            headings = [one for one in headings if one[0] < depth]
            headings.append((depth, least, name))
            told.append(Told(number, line.strip()[:200], "heading", f"What follows belongs to '{name}'."))
            continue
        if (says := total_in([said])) is not None:
            told.append(total_told(number, line.strip()[:200], says, since, everything))
            since = 0
            continue
        if not groups and (remark := remark_told(number, line.strip()[:200], said)):
            told.append(remark)
            continue
        if points:
            told.append(Told(number, points, "remark", "Points; they are not kept."))
        above = [name for _, least, name in headings if least <= indent]
        if len(groups) > 1 and _INCLUDING.search(said):
            words = f"Read as {groups[0].figures} {groups[0].what} and {', '.join(f'{one.figures} {one.what}' for one in groups[1:])}."
            told.append(Told(number, said.strip()[:200], "assumed", words))
        if above and any(one.units > 1 for one in groups):
            groups = [_Group(1, str(one.units * int(one.figures)), one.what) for one in groups]
            words = f"Read as {' and '.join(f'{one.figures} {one.what}' for one in groups)} of '{above[-1]}'."
            told.append(Told(number, said.strip()[:200], "assumed", words))
        for group in groups:
            written += [(number, above, group, _numbered(group, each)) for each in range(group.units)]
            since += group.units * int(group.figures)
            everything += group.units * int(group.figures)
        if not groups:
            written.append((number, above, None, _BULLET.sub("", said).strip()))
    return _lines(written, titles), told


def _lines(written: list, titles: dict[str, str] | None) -> list[RosterLine]:
    units = _units_of(
        [(bool(above), group is not None and group.units > 1, words) for _, above, group, words in written]
    )
    lines = []
    for (number, above, group, words), unit in zip(written, units, strict=True):
        values = {"unit": above[-1] if above else unit, "formation": " / ".join(above[:-1])}
        if group:
            type_id, rank = _words_of(group.what, titles)
            values |= {"figures": group.figures, "type": type_id, "rank": rank}
        else:
            values |= {"type": words, "rank": "", "figures": ""}
        lines.append(read_line(number, values, titles))
    return lines


def _numbered(group: _Group, each: int) -> str:
    return group.what if group.units == 1 else f"{group.what} {each + 1}"


def _groups(line: str, titles: dict[str, str] | None) -> list[_Group]:
    """The groups of figures that a line counts, all of it or none."""
    text = _BULLET.sub("", line, count=1).strip().rstrip(".;,")
    if not text or text.endswith(":"):
        return []
    parts = _INCLUDING.split(text.rstrip(")") if _INCLUDING.search(text) else text)
    if len(parts) == 2:
        whole, others = _group(parts[0], titles), _groups(parts[1], titles)
        if whole and others and whole.units == 1:
            left = int(whole.figures) - sum(int(one.figures) * one.units for one in others)
            if left > 0:
                return [_Group(1, str(left), whole.what), *others]
    several = [_group(part, titles) for part in _JOINED.split(text)]
    if len(several) > 1 and all(several):
        return several
    one = _group(text, titles)
    return [one] if one else []


def _group(text: str, titles: dict[str, str] | None) -> _Group | None:
    if found := _GROUPS.match(text):
        units = counted(found["units"])
        if units and units <= 60:
            return _Group(units, found["figures"], found["what"].strip())
    if found := _BEFORE.match(text):
        return _Group(1, found["figures"], found["what"].strip())
    if found := _AFTER.match(text):
        return _Group(1, found["held"] or found["figures"] or found["bare"], found["what"].strip(" -–:"))
    words = text.split()
    for most in (3, 2, 1):
        if len(words) > most and not any(map(str.isdigit, words[:most])):
            figures = counted(" ".join(words[:most]))
            sure = most > 1 or words[0].lower() not in _ARTICLES
            if figures and (sure or types_in(" ".join(words[most:]), titles)):
                rest = words[most + 1 :] if words[most].lower() == "of" else words[most:]
                return _Group(1, str(figures), " ".join(rest)) if rest else None
    return None


def _heading(line: str, following: str, titles: dict[str, str] | None) -> tuple[int, int, str] | None:
    """Depth of a heading, least indent of what belongs to it, and its name; None for another line."""
    indent = len(line) - len(line.lstrip())
    text = line.strip()
    if found := re.match(r"^(#{1,6})\s*([^\W_].*?)\s*#*$", text):
        if _groups(following, titles) or _heading(following, "", titles):
            return len(found[1]) - 10, 0, found[2].rstrip(":").strip()
        return None
    if text.endswith(":") and len(text) > 1:
        return indent, indent + 1 if indent else 0, _BULLET.sub("", text).rstrip(":").strip() or text
    framed = re.match(r"^(?:\[(.+)\]|[=*_~-]{2,}\s*(.+?)\s*[=*_~-]{2,}|\*(.+)\*)$", text)
    bare = next(filter(None, framed.groups()), "") if framed else text
    if not re.search(r"[^\W\d_]", bare) or (is_remark(text) and not framed):
        return None
    under = bool(re.fullmatch(r"\s*[-=_~]{3,}\s*", following))
    if under:
        return (-12 if "=" in following else -11), 0, bare.strip(" :")
    deeper = len(following) - len(following.lstrip()) > indent
    if framed or (_groups(following, titles) and (deeper or not types_in(bare, titles))):
        return indent, indent, bare.strip(" :")
    return None


def _without_points(line: str) -> tuple[str, str]:
    found = _POINTS.search(line)
    if not found:
        return line, ""
    return line[: found.start()] + line[found.end() :], found[0].strip(" ,;:–-")


def _units_of(lines: list[tuple[bool, bool, str]]) -> list[str]:
    """The unit of every line, given whether a heading names it, whether it is one of several alike, and its words."""
    names: list[str] = []
    open_unit, waiting = "", 0
    for headed, alone, words in lines:
        leader = leads(words) and not alone
        if headed:
            open_unit, waiting = "", 0
        elif leader and not open_unit:
            waiting += 1
        elif not leader:
            open_unit = words[:1].upper() + words[1:]
            names[len(names) - waiting :] = [open_unit] * waiting
            waiting = 0
        names.append(open_unit or words[:1].upper() + words[1:])
    return names


def _words_of(text: str, titles: dict[str, str] | None) -> tuple[str, str]:
    """Figure type and rank told by some words: the type that they name, the rank all of them."""
    found = types_in(text, titles)
    if len(found) != 1:
        return text, text
    words = text.split()
    return found[0], text if len(words) > 1 else text.rstrip("s").capitalize()
