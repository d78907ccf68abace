"""Palettes: colour names beside screen colours, as programs that draw write them."""

import re
from collections.abc import Iterable
from dataclasses import dataclass

from PIL import ImageColor

from ..colour.spaces import hex_of
from ..errors import OutOfRange, Unreadable
from ..naming import LONGEST_NAME, sign_words, strange_in
from ..paints.paint import Paint

#: the most text, and the most colours, of a palette that is read
MOST_CHARACTERS, MOST_COLOURS = 2_000_000, 400
_NUMBERS = re.compile(r"^\s*(\d{1,5})[\s,;]+(\d{1,5})[\s,;]+(\d{1,5})(?:[\s,;]+(.*))?$")
_HEX = r"(?:#|0x)(?:[0-9a-f]{8}|[0-9a-f]{6}|[0-9a-f]{3,4})"
_CALL = r"(?:rgba?|hsla?|hsl|hsv|hsb)\s*\([^()]*\)"
_WRITTEN = re.compile(rf"(?<![\w#])({_HEX}|{_CALL})(?![\w])", re.IGNORECASE)
_BARE = re.compile(r"^\s*([0-9a-f]{6})(?:[\s,;:]+(\S.*))?$", re.IGNORECASE)
_FLOATS = re.compile(
    r"^\s*([01]?\.\d+|[01](?:\.0*)?)\s+([01]?\.\d+|[01](?:\.0*)?)\s+([01]?\.\d+|[01](?:\.0*)?)(?:\s+(.*))?$"
)


@dataclass(frozen=True)
class Colour:
    """A colour of a palette."""

    #: its line, from 1
    number: int
    #: as it will be called: each name once
    name: str
    #: '#rrggbb', to the letter as given
    hex: str


@dataclass(frozen=True)
class PaletteLine:
    """A line that is no colour, or that could not be kept as it was, and what became of it."""

    number: int
    text: str
    words: str


@dataclass(frozen=True)
class Palette:
    """A palette as it was read: every line with something in it is a colour, a heading of the format, or told."""

    #: the palette's own name, '' if it has none
    name: str
    colours: tuple[Colour, ...]
    told: tuple[PaletteLine, ...]


def write_palette(name: str, pots: Iterable[Paint]) -> str:
    """A GIMP palette of the paints' swatches, in the order given; what no screen can show is the nearest it can.

    name: one line; line breaks in it become spaces.
    """
    lines = ["GIMP Palette", f"Name: {' '.join(name.split()) or 'Paints'}", "Columns: 8", "#"]
    for pot in pots:
        red, green, blue = bytes.fromhex(hex_of(pot.swatch)[1:])
        lines.append(f"{red:3d} {green:3d} {blue:3d}\t{pot.name}")
    return "\n".join(lines) + "\n"


def is_palette(text: str) -> bool:
    """Whether a text looks like a palette: it says so, or most of its lines are colours."""
    if re.match(r"\s*GIMP Palette", text):
        return True
    lines = [line for line in text.splitlines() if line.strip()][:50]
    return bool(lines) and sum(_colour(line) is not None for line in lines) * 2 > len(lines)


def read_palette(text: str) -> Palette:
    """Colours of a palette, and every line of it that is none.

    Lines hold three numbers of 0 to 255 and perhaps a name, as GIMP writes them, three of 0 to 1, or a name and a colour
    as '#rgb', '#rrggbb', 'rgb(...)', 'hsl(...)' in either order, with commas, semicolons or tabs between.
    Raises: Unreadable if there is no colour in it; OutOfRange for too much of it.
    """
    if len(text) > MOST_CHARACTERS:
        raise OutOfRange(f"The palette has {len(text)} signs; allowed is up to {MOST_CHARACTERS}.", "file")
    name, colours, told, seen = "", [], [], {}
    for number, line in enumerate(text.lstrip("\ufeff").splitlines(), 1):
        said = line.strip()
        if not said or said == "#" or said == "GIMP Palette":
            continue
        heading = re.match(r"(Name|Columns|Channels)\s*:\s*(.*)$", said, re.IGNORECASE)
        if heading:
            if heading[1].lower() == "name" and not name:
                name, words = _kept(heading[2], "palette")
                told += [PaletteLine(number, said[:200], one) for one in words]
            continue
        found = _colour(line)
        if isinstance(found, str):
            told.append(PaletteLine(number, said[:200], found))
        elif found is None:
            remark = said.startswith(("#", "//", ";", "--"))
            words = "A remark, and no colour." if remark else "No colour is written here; it was left out."
            told.append(PaletteLine(number, said[:200], words))
        else:
            code, called, words = found
            kept, more = _kept(called, "colour")
            kept, repeat = _once(kept or f"Colour {len(colours) + 1}", code, seen)
            told += [PaletteLine(number, said[:400], one) for one in (*words, *more, *repeat)]
            if kept:
                colours.append(Colour(number, kept, code))
    if not colours:
        raise Unreadable("There is no colour in the palette.", "file")
    if len(colours) > MOST_COLOURS:
        raise OutOfRange(f"The palette has {len(colours)} colours; allowed is up to {MOST_COLOURS}.", "file")
    return Palette(name, tuple(colours), tuple(told))


def _once(name: str, code: str, seen: dict[str, str]) -> tuple[str, list[str]]:
    """The name under which a colour is kept, '' for a repeat, and what is told of it."""
    if seen.get(name.casefold()) == code:
        return "", [f"'{name}' stands above already with the same colour; it is kept once."]
    if name.casefold() not in seen:
        seen[name.casefold()] = code
        return name, []
    at = 2
    while (other := f"{name[: LONGEST_NAME - 6]} ({at})").casefold() in seen:
        at += 1
    seen[other.casefold()] = code
    return other, [f"'{name}' stands above already with another colour; this one is called '{other}'."]


def _kept(text: str, what: str) -> tuple[str, list[str]]:
    """A name as it can be kept, and what of it could not."""
    words, kept = [], " ".join(text.split())
    while found := strange_in(kept):
        kept = kept.replace(found[0], "")
        words.append(f"The name of the {what} holds {sign_words(*found)}; it was left out.")
    if len(kept) > LONGEST_NAME:
        words.append(
            f"The name of the {what} has {len(kept)} characters; it is kept as '{kept[:LONGEST_NAME].strip()}'."
        )
        kept = kept[:LONGEST_NAME].strip()
    return kept.strip(), words


def _colour(line: str) -> tuple[str, str, list[str]] | str | None:
    """Colour, name and remarks of a line; a sentence if it is a wrong colour, None if it is none."""
    if found := _NUMBERS.match(line):
        values = [int(found[at]) for at in (1, 2, 3)]
        if max(values) > 255:
            return f"{', '.join(map(str, values))} is no colour: each number is 0 to 255."
        return "#" + bytes(values).hex(), _unquoted(found[4] or ""), []
    if found := _FLOATS.match(line):
        values = [round(float(found[at]) * 255) for at in (1, 2, 3)]
        if max(values) <= 255:
            return "#" + bytes(values).hex(), _unquoted(found[4] or ""), []
    if found := _BARE.match(line):
        return "#" + found[1].lower(), _unquoted(found[2] or ""), []
    found = _WRITTEN.search(line)
    if not found or line.strip().startswith("//"):
        return None
    written = found[1].lower().replace("0x", "#", 1) if found[1].lower().startswith("0x") else found[1].lower()
    try:
        values = ImageColor.getrgb(re.sub(r"\s+", "", written).replace("hsb", "hsv"))
    except ValueError:
        return f"'{found[1][:40]}' is no colour; write #rrggbb, rgb(0 to 255 each) or three numbers of 0 to 255."
    if max(values) > 255:
        return f"'{found[1][:40]}' is no colour: each number is 0 to 255."
    words = (
        ["It is partly transparent; its colour is kept, how much of it shows is not."]
        if len(values) > 3 and values[3] < 255
        else []
    )
    rest = re.sub(r"^[\s,;:=|\t]+|[\s,;:=|\t{}]+$", "", line[: found.start()] + " " + line[found.end() :])
    return "#" + bytes(values[:3]).hex(), _unquoted(rest), words


def _unquoted(name: str) -> str:
    name = name.strip().strip(",;").strip()
    return name[1:-1].replace('""', '"') if len(name) > 1 and name[0] == name[-1] and name[0] in "\"'" else name
