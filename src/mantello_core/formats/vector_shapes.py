"""Filled shapes out of an SVG file that may come from anyone: read by events, nothing followed, nothing run."""

import io
import math
import re
import xml.sax
from dataclasses import dataclass
from xml.sax import handler

from fontTools.pens.basePen import BasePen
from fontTools.svgLib.path import parse_path

from ..errors import OutOfRange, Unreadable
from ..geometry import affine
from ..geometry.outline import outline

#: the largest file that is read, bytes; the most shapes; the most points of one file
MOST_BYTES, MOST_SHAPES, MOST_POINTS = 1_500_000, 400, 60_000
#: how deep groups may lie in each other
MOST_DEEP = 60
#: names of groups that are views, in the usual order
VIEWS = ("front", "back", "left", "right", "top")
_SHAPES = {"path", "rect", "circle", "ellipse", "polygon", "polyline"}
_GROUPS = {"svg", "g", "a", "switch"}
#: what no drawing needs and what may harm whoever opens it
_HOSTILE = {"script", "foreignobject", "iframe", "object", "embed", "audio", "video", "handler", "listener", "set", "animate", "animatetransform", "animatemotion"}  # fmt: skip
_LOST = {"image": "a picture", "use": "a copy of another shape", "text": "a text", "line": "a line without area"}
_NUMBER = re.compile(r"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?")
_CALL = re.compile(r"\s*,?\s*([a-zA-Z]+)\s*\(([^()]*)\)")
_HIDDEN = re.compile(r"display\s*:\s*none|visibility\s*:\s*hidden")
_UNFILLED = re.compile(r"(?:^|;)\s*fill\s*:\s*none")


@dataclass(frozen=True)
class Found:
    """One filled shape: the view it belongs to, what it is called, the likeliest first, and its outline."""

    view: str
    names: tuple[str, ...]
    commands: tuple


def read_shapes(data: bytes) -> tuple[tuple[Found, ...], tuple[str, ...]]:
    """The filled shapes of an SVG file in drawing order, and what was left out, in words.

    Raises: Unreadable with the line, OutOfRange.
    """
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The file has {len(data)} bytes; allowed is up to {MOST_BYTES}.", "file")
    reader = _Reader()
    parser = xml.sax.make_parser()
    parser.setFeature(handler.feature_external_ges, False)
    parser.setFeature(handler.feature_external_pes, False)
    parser.setFeature(handler.feature_namespaces, False)
    parser.setContentHandler(reader)
    parser.setProperty(handler.property_lexical_handler, reader)
    try:
        parser.parse(io.BytesIO(data))
    except xml.sax.SAXParseException as error:
        raise Unreadable(
            f"The file is not well-formed SVG: {error.getMessage()} in line {error.getLineNumber()}.", "file"
        ) from error
    except (LookupError, ValueError, xml.sax.SAXException) as error:
        raise Unreadable(f"The file cannot be read as SVG: {error}.", "file") from error
    return tuple(reader.found), tuple(dict.fromkeys(reader.left_out))


class _Pen(BasePen):
    """Takes a path down as the commands of an outline."""

    def __init__(self):
        super().__init__()
        self.commands: list[tuple] = []

    def _moveTo(self, point):
        self.commands.append(("M", point))

    def _lineTo(self, point):
        self.commands.append(("L", point))

    def _curveToOne(self, first, second, point):
        self.commands.append(("C", first, second, point))

    def _closePath(self):
        self.commands.append(("Z",))

    def _endPath(self):
        self.commands.append(("Z",))


class _Reader(handler.ContentHandler, handler.LexicalHandler):
    def __init__(self):
        super().__init__()
        self.found: list[Found] = []
        self.left_out: list[str] = []
        self.points = 0
        #: (name, matrix, view, shown) of every open element
        self.open: list[tuple] = []
        self.titled: list[str] | None = None

    def setDocumentLocator(self, locator):
        self.locator = locator

    def startDTD(self, *_):
        self._refuse("a document type, which could name files and entities")

    def startElement(self, name, attributes):
        name = name.split(":")[-1].lower()
        given = {key.split(":")[-1].lower(): value for key, value in attributes.items()}
        if len(self.open) >= MOST_DEEP:
            raise OutOfRange(f"Groups lie more than {MOST_DEEP} deep in each other.", "file")
        if not self.open and name != "svg":
            raise Unreadable(f"The file begins with <{name[:40]}>; an SVG begins with <svg>.", "file")
        if name in _HOSTILE:
            self._refuse(f"<{name}>")
        for key, value in given.items():
            if key.startswith("on"):
                self._refuse(f"'{key[:30]}', which runs code")
            if key == "href" and not value.strip().startswith("#"):
                self._refuse("a link to something outside it")
            if "url(" in value.lower() and not re.search(r"url\(\s*['\"]?#", value.lower()):
                self._refuse("a link to something outside it")
        _, matrix, view, shown = self.open[-1] if self.open else ("", (1, 0, 0, 1, 0, 0), "", True)
        style = given.get("style", "")
        shown = shown and name in (_GROUPS | _SHAPES) and not _HIDDEN.search(style)
        shown = shown and given.get("display") != "none" and given.get("visibility") != "hidden"
        matrix = self._moved(matrix, given.get("transform", ""))
        called = [given[key].strip() for key in ("data-area", "label", "id") if given.get(key, "").strip()]
        if name == "g" and not view:
            view = next((one.lower() for one in called if one.lower() in VIEWS), "")
        if name == "title":
            self.titled = []
        elif name in _LOST:
            self.left_out.append(f"{_LOST[name]}{f' ({called[0][:40]})' if called else ''}")
        elif name in _SHAPES and shown:
            self._take(name, given, matrix, view or VIEWS[0], called)
        self.open.append((name, matrix, view, shown))

    def endElement(self, name):
        name = self.open.pop()[0]
        if name == "title" and self.titled is not None:
            text = " ".join("".join(self.titled).split())
            self.titled = None
            if text and self.found and self.open and self.open[-1][0] in _SHAPES:
                last = self.found[-1]
                self.found[-1] = Found(last.view, (text, *last.names), last.commands)

    def characters(self, content):
        if self.titled is not None and sum(map(len, self.titled)) < 200:
            self.titled.append(content)

    def _take(self, name, given, matrix, view, called):
        if given.get("fill") == "none" or _UNFILLED.search(given.get("style", "")):
            self.left_out.append(f"a shape without fill{f' ({called[0][:40]})' if called else ''}")
            return
        commands = self._outline(name, given)
        commands = affine.transform(commands, matrix)
        self.points += sum(len(step) - 1 for step in commands)
        if self.points > MOST_POINTS:
            raise OutOfRange(f"The file has more than {MOST_POINTS} points; simplify its outlines.", "file")
        if any(not math.isfinite(v) or abs(v) > 1e7 for step in commands for point in step[1:] for v in point):
            raise OutOfRange(f"A shape in line {self.locator.getLineNumber()} reaches beyond all bounds.", "file")
        if len(commands) < 3:
            return
        if len(self.found) >= MOST_SHAPES:
            raise OutOfRange(f"The file has more than {MOST_SHAPES} shapes.", "file")
        self.found.append(Found(view, tuple(dict.fromkeys(called)), tuple(_holed(commands))))

    def _outline(self, name, given):
        number = lambda key: self._length(given.get(key, "0"))  # noqa: E731
        if name == "rect":
            x, y, w, h = (number(key) for key in ("x", "y", "width", "height"))
            return [("M", (x, y)), ("L", (x + w, y)), ("L", (x + w, y + h)), ("L", (x, y + h)), ("Z",)]
        if name in ("circle", "ellipse"):
            rx = number("r") if name == "circle" else number("rx")
            ry = rx if name == "circle" else number("ry")
            return list(outline(f"e:{number('cx')},{number('cy')},{rx},{ry}"))
        if name in ("polygon", "polyline"):
            values = [float(one) for one in _NUMBER.findall(given.get("points", ""))]
            points = list(zip(values[::2], values[1::2], strict=False))
            return [("M" if at == 0 else "L", point) for at, point in enumerate(points)] + [("Z",)]
        pen = _Pen()
        try:
            parse_path(given.get("d", ""), pen)
        except (ValueError, IndexError, TypeError, AssertionError, OverflowError, ZeroDivisionError) as error:
            raise Unreadable(f"The path in line {self.locator.getLineNumber()} cannot be read.", "file") from error
        return pen.commands

    def _length(self, text):
        found = _NUMBER.match(text.strip())
        if not found:
            raise Unreadable(f"'{text[:30]}' in line {self.locator.getLineNumber()} is no length.", "file")
        return float(found[0])

    def _moved(self, matrix, text):
        for name, inner in _CALL.findall(text):
            try:
                step = _matrix(name.lower(), [float(one) for one in _NUMBER.findall(inner)])
            except (ValueError, TypeError) as error:
                line = self.locator.getLineNumber()
                raise Unreadable(
                    f"The transform '{name[:20]}({inner[:40]})' in line {line} cannot be read.", "file"
                ) from error
            matrix = affine.multiply(matrix, step)
        return matrix

    def _refuse(self, what):
        line = self.locator.getLineNumber()
        raise Unreadable(f"The file holds {what} (line {line}). A drawing needs none; save it as plain SVG.", "file")


def _matrix(name: str, values: list[float]) -> tuple:
    match name, values:
        case "matrix", [a, b, c, d, e, f]:
            return (a, b, c, d, e, f)
        case "translate", [x]:
            return (1, 0, 0, 1, x, 0)
        case "translate", [x, y]:
            return (1, 0, 0, 1, x, y)
        case "scale", [s]:
            return (s, 0, 0, s, 0, 0)
        case "scale", [x, y]:
            return (x, 0, 0, y, 0, 0)
        case "rotate", [angle]:
            return affine.rotation(angle)
        case "rotate", [angle, x, y]:
            return affine.rotation(angle, x, y)
        case "skewx", [angle]:
            return (1, 0, math.tan(math.radians(angle)), 1, 0, 0)
        case "skewy", [angle]:
            return (1, math.tan(math.radians(angle)), 0, 1, 0, 0)
    raise ValueError(name)


def _holed(commands: list[tuple]) -> list[tuple]:
    """Rings within an odd number of earlier rings close as holes ('z'); every ring is closed."""
    rings: list[list[tuple]] = []
    for step in commands:
        if step[0] == "M":
            rings.append([])
        if rings:
            rings[-1].append(step)
    boxes, out = [], []
    for ring in rings:
        points = [step[-1] for step in ring if len(step) > 1]
        if len(points) < 3 and not any(step[0] == "C" for step in ring):
            continue
        across, down = zip(*points, strict=True)
        box = (min(across), min(down), max(across), max(down))
        inside = sum(o[0] <= box[0] and o[1] <= box[1] and o[2] >= box[2] and o[3] >= box[3] for o in boxes)
        boxes.append(box)
        body = [step for step in ring if step[0] not in "Zz"]
        out += [*body, ("z",) if inside % 2 else ("Z",)]
    return out
