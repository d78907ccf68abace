"""The words of blazon: which phrase is which kind of token, however it is spelled."""

import re
import unicodedata
from dataclasses import dataclass
from difflib import get_close_matches
from functools import cache

from ...errors import Unreadable
from .charge import CHARGES
from .tincture import COUNTERCHANGED, PROPER, TINCTURES

NUMBERS = ("a", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve")
ORDINALS = ("first", "second", "third", "fourth")
#: ordinaries: singular to plural (empty for those that come once)
ORDINARIES = {
    "fess": "", "bar": "bars", "pale": "", "pallet": "pallets", "bend": "", "bend sinister": "", "bendlet": "bendlets",
    "chevron": "", "chevronel": "chevronels", "cross": "", "saltire": "", "chief": "", "base": "", "bordure": "",
    "orle": "", "canton": "", "quarter": "", "pile": "", "pall": "", "flaunch": "flaunches", "fillet": "",
    "inescutcheon": "inescutcheons", "gyron": "",
}  # fmt: skip
#: lines that ordinaries and divisions may have
LINES = ("engrailed", "invected", "wavy", "embattled", "indented", "dancetty", "nebuly", "raguly", "dovetailed")
DIVISIONS = ("pale", "fess", "bend sinister", "bend", "chevron", "saltire", "pall")
VARIED = ("barry", "paly", "bendy sinister", "bendy", "chevronny", "checky", "lozengy", "fusily", "pily")
ARRANGEMENTS = (
    "in pale", "in fess", "in bend", "in bend sinister", "in chevron", "in chief", "in base", "in saltire", "in cross",
    "in orle", "two and one", "one and two", "two and two", "two one and two", "three and two", "three two and one",
    "in dexter", "in sinister",
)  # fmt: skip
DETAILS = (
    "armed",
    "langued",
    "crowned",
    "winged",
    "beaked",
    "legged",
    "barbed",
    "seeded",
    "hilted",
    "pommelled",
    "garnished",
    "masoned",
    "lit",
)
_ALSO = {
    "field": ("FIELD", "field"), "checquy": ("VARIED", "checky"), "checkered": ("VARIED", "checky"), "chequy": ("VARIED", "checky"),
    "masculy": ("VARIED", "lozengy"), "nebulee": ("LINE", "nebuly"), "undy": ("LINE", "wavy"), "dancette": ("LINE", "dancetty"),
    "embattelled": ("LINE", "embattled"), "border": ("ORDINARY", "bordure"), "overall": ("OVERALL", "overall"),
    "over all": ("OVERALL", "overall"), "surmounted by": ("OVERALL", "overall"), "impaling": ("IMPALING", "impaling"), "charged with": ("BEARING", "charged with"),
    "semee of": ("SEMY", "semy of"), "semy of": ("SEMY", "semy of"), "strewn with": ("SEMY", "semy of"), "semee": ("SEMY", "semy of"), "semy": ("SEMY", "semy of"),
    "fretty": ("FRETTY", "fretty"), "between": ("BETWEEN", "between"), "on": ("ON", "on"), "within": ("WITHIN", "within"),
    "and": ("AND", "and"), "&": ("AND", "and"), "of": ("OF", "of"), "the": ("THE", "the"), "per": ("PER", "per"), "party per": ("PER", "per"),
    "parted per": ("PER", "per"), "quarterly": ("QUARTERLY", "quarterly"), "gyronny": ("GYRONNY", "gyronny"), "tierced": ("TIERCED", "tierced"),
    "label": ("LABEL", "label"), "points": ("POINTS", "points"), "counter-changed": ("TINCTURE", COUNTERCHANGED),
    "counterchanged": ("TINCTURE", COUNTERCHANGED), "proper": ("TINCTURE", PROPER), "an": ("NUMBER", 1), "one": ("NUMBER", 1),
    ",": ("COMMA", ","), ";": ("SEMICOLON", ";"), ":": ("COMMA", ","), ".": ("STOP", "."),
    "(": ("OPEN", "("), ")": ("CLOSE", ")"), "all": ("ALL", "all"), "en surtout": ("SURTOUT", "on an inescutcheon"),
}  # fmt: skip
MOST_SIGNS = 1600
_NO_COMMA_BEFORE = {
    "SEMY",
    "FRETTY",
    "BETWEEN",
    "BEARING",
    "IMPALING",
    "AND",
    "DETAIL",
    "ARRANGEMENT",
    "SURTOUT",
    "SEMICOLON",
}
_NO_COMMA_AFTER = {"OVERALL", "QUARTERLY", "SURTOUT", "IMPALING", "SEMICOLON"}
_WORD = re.compile(r"[a-z&'-]+|\d+|[,;:.()]|\S")


@dataclass(frozen=True)
class Word:
    """One token: its kind, what it stands for, what was written and where (signs from the start)."""

    kind: str
    value: object
    text: str
    at: int


def words_of(text: str) -> list[Word]:
    """The tokens of a blazon.

    Raises: Unreadable for a word that blazon does not have, with its place and the nearest there is.
    """
    if len(text) > MOST_SIGNS:
        raise Unreadable(f"The blazon has {len(text)} signs; allowed is up to {MOST_SIGNS}.", "blazon")
    plain = _plain(text)
    found = [(match.group(), match.start()) for match in _WORD.finditer(plain)]
    tokens, at = [], 0
    while at < len(found):
        for length in range(min(5, len(found) - at), 0, -1):
            phrase = " ".join(word for word, _ in found[at : at + length])
            entry = phrases().get(phrase)
            if entry or (phrase.isdigit() and phrase.isascii()):
                kind, value = entry or ("NUMBER", int(phrase))
                start, last = found[at][1], found[at + length - 1]
                tokens.append(Word(kind, value, text[start : last[1] + len(last[0])], start))
                at += length
                break
        else:
            raise _unknown(*found[at])
    if tokens and tokens[-1].kind == "STOP":
        tokens.pop()
    return _joined([word for at, word in enumerate(tokens) if not _parts_nothing(tokens, at)])


def _parts_nothing(words: list[Word], at: int) -> bool:
    """Whether a comma stands where one may stand or be left out without changing anything."""
    if words[at].kind != "COMMA":
        return False
    after = words[at + 1].kind if at + 1 < len(words) else ""
    before = words[at - 1].kind if at else ""
    return after in _NO_COMMA_BEFORE or before in _NO_COMMA_AFTER


def _joined(words: list[Word]) -> list[Word]:
    """The words with the numbers of quarters, such as '1 and 4', made into one."""
    if not words or words[0].kind != "QUARTERLY":
        return words
    found: list[Word] = []
    at = 0
    while at < len(words):
        begins = found and found[-1].kind in ("QUARTERLY", "SEMICOLON") and words[at].kind == "NUMBER"
        if not begins:
            found.append(words[at])
            at += 1
            continue
        first, numbers = words[at], []
        while at < len(words) and words[at].kind in ("NUMBER", "AND", "COMMA"):
            if words[at].kind == "NUMBER":
                if words[at].text.lower() in ("a", "an"):
                    break
                numbers.append(words[at].value)
            at += 1
        found.append(Word("QUARTERS", tuple(numbers), first.text, first.at))
    return found


def _plain(text: str) -> str:
    """Lower case without accents, sign for sign, so that places stay."""
    signs = []
    for sign in text:
        base = unicodedata.normalize("NFD", sign)[0].lower()
        signs.append(base if len(base) == 1 else sign)
    return "".join(signs).replace("\u2019", "'")


def _unknown(word: str, at: int) -> Unreadable:
    near = get_close_matches(word, list(phrases()), 3, 0.6)
    more = f"; near it: {', '.join(near)}" if near else ""
    return Unreadable(f"'{word[:40]}' at sign {at + 1} is no word of blazon{more}.", f"sign {at + 1}")


@cache
def phrases() -> dict[str, tuple[str, object]]:
    """Every phrase that is known, in lower case."""
    found: dict[str, tuple[str, object]] = {}
    for one in TINCTURES.values():
        found |= dict.fromkeys((one.id, *one.also), ("TINCTURE", one.id))
    for count, name in enumerate(NUMBERS, 1):
        found[name] = ("NUMBER", count)
    for at, name in enumerate(ORDINALS):
        found[name] = ("ORDINAL", at)
    for singular, plural in ORDINARIES.items():
        found[singular] = ("ORDINARY", singular)
        if plural:
            found[plural] = ("ORDINARY", singular)
    for name in LINES:
        found[name] = ("LINE", name)
    for name in VARIED:
        found[name] = ("VARIED", name)
    for name in ARRANGEMENTS:
        found[name] = ("ARRANGEMENT", name)
    for name in DETAILS:
        found[name] = ("DETAIL", name)
    for charge in CHARGES.values():
        for name in (charge.name, charge.plural, *charge.also):
            found[name] = ("CHARGE", charge.id)
        for attitude in charge.attitudes:
            found[attitude] = ("ATTITUDE", attitude)
    return found | _ALSO
