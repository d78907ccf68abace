"""What a column of a dress table is: key, garment, or something said of the cells."""

import re
from dataclasses import dataclass
from difflib import get_close_matches

from ...memory import remembered
from ..folding import fold
from ..garments import DRESS, known_headers, lookup, rank_of
from ..period import Period, read_period
from ..phrase import read_phrase

#: words that a header may have besides and that say nothing
_EMPTY = {
    "colour",
    "colours",
    "color",
    "farbe",
    "farben",
    "couleur",
    "couleurs",
    "colore",
    "colori",
    "kleur",
    "of",
    "the",
    "des",
    "der",
    "die",
    "das",
    "du",
    "de",
    "del",
    "della",
    "di",
    "d",
    "la",
    "le",
    "les",
    "l",
    "dei",
    "von",
    "am",
    "an",
    "für",
    "fur",
    "for",
    "s",
    "and",
    "per",
    "im",
    "coloured",
    "a",
    "n",
    "in",
    "on",
}
_AND = re.compile(r"\s*(?:,|&|\+|/|;|\band\b|\bund\b|\bet\b|\by\b|\bu\.|\ben\b|\be\b|\n)\s*", re.I)
_HEAD_FIRST = {"du", "de", "des", "del", "della", "di", "d", "of", "la", "le", "les", "dei", "auf", "am", "for", "on"}


@dataclass(frozen=True)
class Column:
    """One column: what it is, and how sure that is. kind: key, garment, meta, context, unknown."""

    at: int
    header: str
    kind: str
    #: key or meta id; for a garment several, where one cell speaks of two
    ids: tuple[str, ...] = ()
    rank: str = ""
    dress: str = ""
    #: part of a garment the garment belongs to: piping of cuffs
    of: str = ""
    period: Period | None = None
    doubt: str = ""
    group: str = ""


@remembered(3_000)
def read_header(text: str, at: int = 0, group: str = "") -> Column:
    """One header cell.

    >>> read_header("Collar & cuffs").ids, read_header("Officers' lace").rank, read_header("Passepoil du collet").of
    (('collar', 'cuff'), 'officer', 'collar')
    >>> read_header("FARBE DER AUFSCHLÄGE").ids, read_header("Nr.").ids, read_header("Facing (212)").period.since
    (('cuff',), ('number',), 212)
    """
    whole = " ".join(text.split())
    if not whole and not group:
        return Column(at, text, "unknown")
    if found := _exact(whole):
        return Column(at, text, found[0], (found[1],), group=group)
    period = None
    for bit in re.findall(r"\d{3,4}(?:\s*[-–]\s*\d{1,4})?", whole):
        period = read_period(bit)
        whole = whole.replace(bit, " ").replace("()", " ")
    tokens = fold(whole).split()
    rank = dress = ""
    for length in (3, 2, 1):
        for start in range(len(tokens) - length + 1):
            some = " ".join(tokens[start : start + length])
            found_rank = rank_of(some)
            found_dress = next((name for name, words in DRESS.items() if some in words), "")
            if ((found_rank and not rank) or (found_dress and not dress)) and len(tokens) > length:
                rank, dress = rank or found_rank, dress or found_dress
                whole = re.sub(
                    r"(?i)" + r"\W+".join(map(re.escape, tokens[start : start + length])) + r"'?s?", " ", _plain(whole)
                )
                tokens = [token for token in fold(whole).split() if token != "s"]
                break
    ids, of = [], ""
    for piece in _AND.split(whole):
        found, inside = _garment_in(fold(piece).split())
        if found:
            ids.append(found)
            of = of or inside
    if ids:
        kinds = {kind for kind, _ in ids}
        kind = "garment" if "garment" in kinds else ids[0][0]
        named = tuple(dict.fromkeys(name for k, name in ids if k == kind))
        return Column(at, text, kind, named, rank, dress, "" if of in named else of, period, group=group)
    if period:
        return Column(at, text, "context", (), rank, dress, "", period, group=group)
    if (
        rank
        or dress
        or (rank := rank_of(whole))
        or (dress := next((name for name, words in DRESS.items() if fold(whole) in words), ""))
    ):
        return Column(at, text, "context", (), rank, dress, group=group)
    near = (
        get_close_matches(fold(whole), [word for word in known_headers() if len(word) > 3], n=1, cutoff=0.84)
        if len(fold(whole)) > 4
        else []
    )
    if near:
        kind, name = known_headers()[near[0]][0]
        return Column(
            at, text, kind, (name,), rank, dress, "", period, f"'{text.strip()}' was taken for '{near[0]}'", group
        )
    return Column(at, text, "unknown", (), rank, dress, "", period, group=group)


def _plain(text: str) -> str:
    return fold(text) if not _AND.search(text) else " & ".join(fold(one) for one in _AND.split(text))


def _exact(text: str) -> tuple[str, str] | None:
    said = fold(text)
    if text.strip() in ("#", "№", "N°", "Nº"):
        return ("key", "number")
    return lookup(said) if said else None


def _garment_in(tokens: list[str]) -> tuple[tuple[str, str] | None, str]:
    """The garment that some words name, and the one it is part of."""
    if found := lookup(" ".join(tokens)):
        return found, ""
    hits, at = [], 0
    while at < len(tokens):
        for length in (3, 2, 1):
            some = tokens[at : at + length]
            if (
                len(some) == length
                and (length > 1 or some[0] not in _EMPTY)
                and (found := lookup(" ".join(some), ("garment", "key", "meta")))
            ):
                hits.append((at, found))
                at += length
                break
        else:
            if len(tokens[at]) > 8 and (inner := _compound(tokens[at])):
                hits += [(at, one) for one in inner]
            at += 1
    garments = [(at, name) for at, (kind, name) in hits if kind == "garment"]
    if len(garments) > 1:
        first, last = garments[0], garments[-1]
        head_first = any(token in _HEAD_FIRST for token in tokens[first[0] + 1 : last[0]])
        head, inside = (first[1], last[1]) if head_first else (last[1], first[1])
        if head in (
            "collar",
            "cuff",
            "lapel",
            "turnback",
            "buttons",
            "plume",
            "cords",
            "cockade",
            "pompom",
            "cap_plate",
            "bag",
        ):
            inside = ""
        return ("garment", head), inside
    if garments:
        return ("garment", garments[0][1]), ""
    return (hits[0][1] if hits else None), ""


def _compound(word: str):
    """'Kragenvorstoss': piping of the collar."""
    for cut in range(4, len(word) - 3):
        first = lookup(word[:cut], ("garment", "key", "meta")) or lookup(
            word[: cut - 1] if word[cut - 1] == "s" else ""
        )
        second = lookup(word[cut:], ("garment", "key", "meta"))
        if first and second and second[0] == "garment":
            return [first, second] if first[0] == "garment" else [second]
        if second and second[0] == "garment" and word[:cut] in ("regiments", "offiziers", "mannschafts", "tuch"):
            return [second]
    return None


def joined(upper: str, lower: Column) -> Column:
    """A column under a group header: 'Coat' over 'collar', 'Officers' over 'lace', 'Parade' over 'plume', '209' over 'facing'."""
    if not upper.strip():
        return lower
    over = read_header(upper)
    rank, dress, period = lower.rank or over.rank, lower.dress or over.dress, lower.period or over.period
    if (
        over.kind == "garment"
        and lower.kind in ("meta", "unknown", "context")
        and (lower.ids[:1] in (("value",), ()) or lower.kind == "context")
    ):
        return Column(
            lower.at, f"{upper} / {lower.header}", "garment", over.ids, rank, dress, over.of, period, lower.doubt, upper
        )
    of = lower.of
    if over.kind == "garment" and lower.kind == "garment":
        if lower.ids == ("lace",) and over.ids[0] == "hat":
            return Column(
                lower.at,
                f"{upper} / {lower.header}",
                "garment",
                ("hat_lace",),
                rank,
                dress,
                "",
                period,
                lower.doubt,
                upper,
            )
        if lower.ids[0] in ("piping", "lace", "lining", "device", "fur"):
            of = of or (over.ids[0] if over.ids[0] != lower.ids[0] else "")
    return Column(
        lower.at, f"{upper} / {lower.header}", lower.kind, lower.ids, rank, dress, of, period, lower.doubt, upper
    )


def looks_like_colour(text: str) -> bool:
    """Whether a cell reads as colours."""
    phrase = read_phrase(text)
    return phrase.kind == "colour" and len(phrase.left) <= len(phrase.parts)
