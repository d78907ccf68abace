"""Every word of a cell that is known, and what it means beside others."""

import re
from dataclasses import dataclass, field
from functools import cache
from itertools import product

from .folding import fold, stems
from .word_lists import word_list

_LONGEST = 4
_TINTS = {"ish": "", "lich": "", "atre": "", "astro": "", "iccio": "", "ado": ""}


@dataclass
class _Lexicon:
    entries: dict[str, list[tuple[str, str]]] = field(default_factory=dict)

    def add(self, words, kind: str, value: str) -> None:
        for word in words:
            self.entries.setdefault(fold(word), []).append((kind, value))

    def find(self, tokens: list[str]) -> list[tuple[str, str]]:
        exact = self.entries.get(" ".join(tokens))
        if exact:
            return exact
        options = [stems(token) if len(token) > 3 else (token,) for token in tokens]
        for combination in product(*options):
            if found := self.entries.get(" ".join(combination)):
                return [one for one in found if one[0] not in ("skip", "and", "or")]
        return []


@cache
def lexicon() -> _Lexicon:
    """Every word that is known."""
    data, known = word_list("colour_words"), _Lexicon()
    for term, about in data["term"].items():
        known.add(about["words"], "colour", term)
    for shade, about in data["shade"].items():
        known.add(about["words"], "shade", shade)
    for relation, about in data["relation"].items():
        known.add(about["verb"], "verb", relation)
        known.add(about["noun"], "noun", relation)
    for rank, words in word_list("headers")["rank"].items():
        known.add(words, "rank", rank)
    for kind in ("skip", "and", "or", "none", "unknown", "maybe", "later", "earlier", "facing", "ground"):
        known.add(data["little"][kind], kind, kind)
    return known


def meanings(tokens: list[str]):
    """Tokens grouped by the longest known words: (kind, value, word)."""
    known, at = lexicon(), 0
    while at < len(tokens):
        if tokens[at] in (",", "/"):
            yield ("comma" if tokens[at] == "," else "slash"), "", tokens[at]
            at += 1
            continue
        for length in range(min(_LONGEST, len(tokens) - at), 0, -1):
            some = tokens[at : at + length]
            if "," in some or "/" in some:
                continue
            found = known.find(some)
            if found:
                yield *_chosen(found, tokens, at, length), " ".join(some)
            elif length == 1 and (compound := _compound(some[0])):
                yield from compound
            elif length == 1:
                yield ("year" if re.fullmatch(r"\d{3,4}", some[0]) else "left"), some[0], some[0]
            else:
                continue
            at += length
            break


def _chosen(found, tokens, at, length):
    """One of several meanings, by what stands beside it."""
    kinds = dict(found)
    after = tokens[at + length] if at + length < len(tokens) else ""
    before = tokens[at - 1] if at else ""
    joins = bool(before) and bool(after) and before not in ",/" and after not in ",/"
    if "or" in kinds and "colour" in kinds:
        return (
            ("or", "")
            if joins and lexicon().find([after]) and lexicon().find([before])
            else ("colour", kinds["colour"])
        )
    if "later" in kinds and "skip" in kinds:
        return ("later", "") if re.fullmatch(r"\d{3,4}", after) else ("skip", "")
    if "facing" in kinds and ("noun" in kinds or "verb" in kinds):
        colour_before = bool(before) and any(kind == "colour" for kind, _ in lexicon().find([before]))
        colour_after = bool(after) and any(kind == "colour" for kind, _ in lexicon().find([after]))
        return ("noun", "faced") if colour_before or colour_after else ("facing", "")
    if "verb" in kinds and "noun" in kinds:
        return ("both", kinds["verb"])
    if "none" in kinds and at:
        return ("cut", "")
    kind, value = found[0]
    return (kind, value)


def _compound(word: str):
    """'dunkelgruen', 'rosenrot', 'bluish': one word made of two."""
    known = lexicon()
    for ending in _TINTS:
        if word.endswith(ending) and len(word) > len(ending) + 2:
            root = word[: -len(ending)]
            for stem in (root, root + root[-1:], root[:-1], root + "e", root + "u"):
                if any(kind == "colour" for kind, _ in known.entries.get(stem, [])):
                    return [("tint", dict(known.entries[stem])["colour"], word)]
    for cut in range(3, len(word) - 2):
        first, second = known.entries.get(word[:cut]), known.find([word[cut:]])
        if first and second:
            head = next((value for kind, value in second if kind == "colour"), None)
            shade = next((value for kind, value in first if kind == "shade"), None)
            tint = next((value for kind, value in first if kind == "colour"), None)
            if head and (shade or tint):
                return [("shade", shade, word) if shade else ("tint", tint, word), ("colour", head, word)]
    return None


def tokens_of(text: str) -> list[str]:
    """Folded words, with ',' '/' ';' kept as separators."""
    found = []
    text = re.sub(r"([^\W\d_]+)-([^\W\d_]+)", lambda pair: _joined(pair[1], pair[2]), text)
    for piece in re.split(r"([,;:/()]|\s[-–—]\s)", text):
        if re.fullmatch(r"[,;:()]|\s[-–—]\s", piece):
            found.append(",")
        elif piece == "/":
            found.append("/")
        else:
            found += fold(piece).split()
    return found


def _joined(one: str, other: str) -> str:
    """'blau-grau' is one colour: a grey tinted blue."""
    whole = fold(one + other)
    if lexicon().find([fold(one), fold(other)]):
        return f"{one} {other}"
    return whole if lexicon().find([whole]) or _compound(whole) else f"{one} {other}"
