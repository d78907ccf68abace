"""An SVG file as a tree of elements; what may harm whoever opens it is refused with its line."""

import re
from dataclasses import dataclass
from xml.etree.ElementTree import Element
from xml.parsers import expat

from ...errors import OutOfRange, Unreadable

#: the largest file that is read, bytes; how deep groups may lie in each other; the most elements
MOST_BYTES, MOST_DEEP, MOST_ELEMENTS = 1_500_000, 60, 20_000
#: entities that a document type may name: how many, how long, how often used
_ENTITIES, _ENTITY_LONG, _ENTITY_USED = 40, 200, 5_000
#: what no drawing needs and what may harm whoever opens it
_HOSTILE = {"script", "foreignobject", "iframe", "object", "embed", "audio", "video", "handler", "listener", "set", "animate", "animatetransform", "animatemotion"}  # fmt: skip
#: elements whose text is read
_TOLD = ("title", "style", "text", "tspan")
_MOST_TEXT = 200_000


@dataclass(frozen=True)
class Tree:
    """The elements of a file by name without their prefix, in lower case, and the line each begins in."""

    root: Element
    lines: dict[Element, int]

    def line(self, element: Element) -> int:
        """The line an element begins in."""
        return self.lines.get(element, 0)


def read_tree(data: bytes) -> Tree:
    """The elements of an SVG file.

    Raises: Unreadable with the line, OutOfRange.
    """
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The file has {len(data)} bytes; allowed is up to {MOST_BYTES}.", "file")
    reader = _Reader(data.count(b"&"))
    try:
        reader.parser.Parse(data, True)
    except expat.ExpatError as error:
        raise Unreadable(
            f"The file is not well-formed SVG: {expat.ErrorString(error.code)} in line {error.lineno}.", "file"
        ) from error
    except (LookupError, ValueError) as error:
        raise Unreadable(f"The file cannot be read as SVG: {error}.", "file") from error
    return Tree(reader.root, reader.lines)


class _Reader:
    def __init__(self, ampersands: int):
        self.parser = expat.ParserCreate()
        self.parser.StartDoctypeDeclHandler = self._doctype
        self.parser.EntityDeclHandler = self._entity
        self.parser.StartElementHandler = self._start
        self.parser.EndElementHandler = self._end
        self.parser.CharacterDataHandler = self._characters
        self.root: Element | None = None
        self.lines: dict[Element, int] = {}
        self.open: list[Element] = []
        self.ampersands = ampersands
        self.entities = 0
        self.text = 0

    def _doctype(self, name, system, public, internal):
        """A document type that only says what the file is does no harm; nothing it points to is loaded."""
        if name.split(":")[-1].lower() != "svg":
            self._refuse(f"a document type of '{name[:30]}'")

    def _entity(self, name, parameter, value, base, system, public, notation):
        """Short names for plain text, as some programs write for their namespaces, do no harm; others could grow without end."""
        if system or public:
            self._refuse("an entity that names a file")
        self.entities += 1
        harmless = not parameter and not set(value or "") & set("&%<") and len(value or "") <= _ENTITY_LONG
        if not harmless or self.entities > _ENTITIES or self.ampersands > _ENTITY_USED:
            self._refuse("entities, which could grow without end")

    def _start(self, name, attributes):
        name = name.split(":")[-1].lower()
        given = {key.split(":")[-1].lower(): value for key, value in attributes.items()}
        if len(self.open) >= MOST_DEEP:
            raise OutOfRange(f"Groups lie more than {MOST_DEEP} deep in each other.", "file")
        if len(self.lines) >= MOST_ELEMENTS:
            raise OutOfRange(f"The file has more than {MOST_ELEMENTS} elements.", "file")
        if self.root is None and name != "svg":
            raise Unreadable(f"The file begins with <{name[:40]}>; an SVG begins with <svg>.", "file")
        if name in _HOSTILE:
            self._refuse(f"<{name}>")
        for key, value in given.items():
            self._check(name, key, value)
        made = Element(name, given)
        self.lines[made] = self.parser.CurrentLineNumber
        if self.open:
            self.open[-1].append(made)
        else:
            self.root = made
        self.open.append(made)

    def _check(self, name: str, key: str, value: str):
        if key.startswith("on"):
            self._refuse(f"'{key[:30]}', which runs code")
        pasted = name == "image" and re.match(r"\s*data:image/(?!svg)", value, re.IGNORECASE)
        if key == "href" and not value.strip().startswith("#") and not pasted:
            self._refuse("a link to something outside it")
        if "url(" in value.lower():
            self._check_css(value)

    def _check_css(self, text: str):
        if re.search(r"url\(\s*(?!['\"]?\s*#)", text, re.IGNORECASE):
            self._refuse("a link to something outside it")

    def _end(self, name):
        done = self.open.pop()
        if done.tag == "style":
            if re.search(r"@import|expression\s*\(|javascript:", done.text or "", re.IGNORECASE):
                self._refuse("a style that loads or runs something")
            self._check_css(done.text or "")

    def _characters(self, content):
        if self.open and self.open[-1].tag in _TOLD:
            self.text += len(content)
            if self.text > _MOST_TEXT:
                raise OutOfRange(f"The file holds more than {_MOST_TEXT} letters of text.", "file")
            self.open[-1].text = (self.open[-1].text or "") + content

    def _refuse(self, what):
        line = self.parser.CurrentLineNumber
        raise Unreadable(f"The file holds {what} (line {line}). A drawing needs none; save it as plain SVG.", "file")
