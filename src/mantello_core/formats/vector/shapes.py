"""Filled shapes out of an SVG file: placed, clipped, shown or hidden as a browser would; what is no shape is told."""

import math
import re
from dataclasses import dataclass, replace
from xml.etree.ElementTree import Element

from fontTools.pens.basePen import BasePen
from fontTools.svgLib.path import parse_path

from ...errors import OutOfRange, Unreadable
from ...geometry import affine
from ...geometry.outline import outline
from ...geometry.polygon import merged, polygon_of
from .placing import IDENTITY, NUMBER, Frame, fitted, transform_of
from .rings import closed_rings, refuse_crossed
from .style import Look, Styles, within
from .tree import MOST_DEEP, Tree, read_tree

#: the most shapes; the most points of one file; the most elements that copies may add up to
MOST_SHAPES, MOST_POINTS, MOST_DRAWN = 400, 60_000, 40_000
#: names of groups that are views, in the usual order
VIEWS = ("front", "back", "left", "right", "top")
_VIEW_WORDS = {
    "front": "front", "front view": "front", "view front": "front", "front side": "front", "face": "front", "vorne": "front", "devant": "front",
    "back": "back", "back view": "back", "view back": "back", "rear": "back", "rear view": "back", "back side": "back", "behind": "back",
    "left": "left", "left view": "left", "left side": "left", "side left": "left", "view left": "left", "right": "right", "right view": "right",
    "right side": "right", "side right": "right", "view right": "right", "top": "top", "top view": "top", "view top": "top", "above": "top", "from above": "top",
}  # fmt: skip
_SHAPES = {"path", "rect", "circle", "ellipse", "polygon", "polyline"}
_GROUPS = {"svg", "g", "a", "switch", "symbol"}
_LOST = {"text": "a text", "line": "a line without area"}
#: what is there to be used by others
_APART = {
    "defs",
    "clippath",
    "mask",
    "pattern",
    "marker",
    "lineargradient",
    "radialgradient",
    "filter",
    "style",
    "title",
    "desc",
    "metadata",
    "namedview",
    "symbol",
    "stop",
}


@dataclass(frozen=True)
class Found:
    """One filled shape: the view it belongs to, what it is called, the likeliest first, and its outline."""

    view: str
    names: tuple[str, ...]
    commands: tuple


@dataclass(frozen=True)
class _Place:
    """Where the walk is: what holds for all that lies there."""

    matrix: tuple
    frame: Frame
    look: Look
    view: str = ""
    #: an outline that all is cut to, as commands in the drawing's own units
    clip: tuple | None = None
    #: ids of what is being copied
    copied: tuple[str, ...] = ()


def read_shapes(data: bytes) -> tuple[tuple[Found, ...], tuple[str, ...]]:
    """The filled shapes of an SVG file in drawing order, and what was left out, in words.

    Raises: Unreadable with the line, OutOfRange.
    """
    walk = _Walk(read_tree(data))
    walk.begin()
    refuse_crossed(one.commands for one in walk.found)
    return tuple(walk.found), tuple(dict.fromkeys(walk.left_out))


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


class _Walk:
    def __init__(self, tree: Tree):
        self.tree = tree
        self.styles = Styles(tree.root)
        self.by_id = {element.get("id"): element for element in tree.root.iter() if element.get("id")}
        self.found: list[Found] = []
        self.left_out: list[str] = []
        self.points = self.drawn = 0

    def begin(self) -> None:
        """Walk the whole drawing. Its own size does not matter, only how it is squeezed."""
        root = self.tree.root
        frame = Frame()
        matrix = IDENTITY
        box = root.get("viewbox", "")
        sizes = [
            self._length(root, root.get(key, ""), Frame())
            if NUMBER.match(root.get(key, "").strip()) and not root.get(key, "").strip().endswith("%")
            else 0.0
            for key in ("width", "height")
        ]
        if box:
            inner = self._fit(root, box, *(size or 1.0 for size in sizes))[1]
            frame = inner
            if all(sizes) and root.get("preserveaspectratio", "").strip().lower() == "none":
                across, down = sizes[0] / inner.width, sizes[1] / inner.height
                matrix = (1.0, 0, 0, down / across, 0, 0)
        elif all(sizes):
            frame = Frame(*sizes)
        self._walk(root, _Place(matrix, frame, Look()), root=True)

    def _walk(self, element: Element, place: _Place, *, root: bool = False, used: bool = False) -> None:
        name = element.tag
        self.drawn += 1
        if self.drawn > MOST_DRAWN:
            raise OutOfRange(f"With all its copies the file draws more than {MOST_DRAWN} elements.", "file")
        if name in _APART and not (used and name == "symbol"):
            return
        said = self.styles.said(element)
        look = within(place.look, said)
        called = names_of(element)
        if not look.shown:
            if place.look.shown and name in (_SHAPES | _GROUPS | {"use", "image"}):
                self._tell("something hidden", called)
            return
        place = replace(place, look=look)
        if not root:
            place = self._moved(element, said, place)
        place = self._cut(element, said, place)
        if (name == "svg" and not root) or name == "symbol":
            place = self._framed(element, said, place)
        if name in ("g", "svg", "symbol") and not place.view:
            view = next((found for one in called if (found := _view(one))), "")
            place = replace(place, view=view)
        self._enter(element, said, place, called)

    def _enter(self, element: Element, said: dict[str, str], place: _Place, called: list[str]) -> None:
        """What an element of its kind comes to, once it is placed."""
        name = element.tag
        if name == "image":
            self._tell("an embedded picture: it is made of dots, which have no outlines to paint along", called)
        elif name in _LOST:
            self._tell(_LOST[name], called)
        elif name == "use":
            self._use(element, said, place)
        elif name in _SHAPES:
            self._take(element, said, place, called)
        elif name == "switch":
            fits = next((child for child in element if not child.get("requiredextensions")), None)
            if fits is not None:
                self._walk(fits, place)
        elif name in _GROUPS:
            for child in element:
                self._walk(child, place)
        elif name not in _APART:
            self._tell(f"<{name[:30]}>, which is no shape", called)

    def _moved(self, element: Element, said: dict[str, str], place: _Place) -> _Place:
        text = said.get("transform", "")
        if not text:
            return place
        box = None
        origin = said.get("transform-origin", "")
        if origin and said.get("transform-box", "view-box") != "view-box" and element.tag in _SHAPES:
            bounds = polygon_of(self._outline(element, said, place.frame)).bounds
            box = (bounds[0], bounds[1], bounds[2] - bounds[0], bounds[3] - bounds[1]) if bounds else None
        try:
            step = transform_of(text, place.frame, origin, box)
        except (ValueError, OverflowError) as error:
            raise Unreadable(
                f"The transform '{text[:60]}' in line {self.tree.line(element)} cannot be read.", "file"
            ) from error
        return replace(place, matrix=affine.multiply(place.matrix, step))

    def _framed(self, element: Element, said: dict[str, str], place: _Place) -> _Place:
        """Within a nested drawing: moved to its corner, its view box laid into its size, cut at its edge."""
        x, y = (
            (0.0, 0.0)
            if element.tag == "symbol" and "x" not in said
            else (self._length(element, said.get(key, "") or "0", place.frame, key) for key in ("x", "y"))
        )
        wide, tall = (
            self._length(element, "100%" if said.get(key, "auto") in ("auto", "") else said[key], place.frame, of)
            for key, of in (("width", "x"), ("height", "y"))
        )
        if wide <= 0 or tall <= 0:
            return replace(place, look=replace(place.look, shown=False))
        matrix = affine.multiply(place.matrix, (1, 0, 0, 1, x, y))
        frame = Frame(wide, tall)
        edge = [("M", (0, 0)), ("L", (wide, 0)), ("L", (wide, tall)), ("L", (0, tall)), ("Z",)]
        if said.get("overflow", "hidden") not in ("visible", "auto"):
            place = replace(place, clip=self._both(place.clip, affine.transform(edge, matrix)))
        if box := element.get("viewbox", ""):
            step, frame = self._fit(element, box, wide, tall)
            matrix = affine.multiply(matrix, step)
        return replace(place, matrix=matrix, frame=frame)

    def _fit(self, element: Element, box: str, wide: float, tall: float) -> tuple[tuple, Frame]:
        try:
            return fitted(box, wide, tall, element.get("preserveaspectratio", ""))
        except ValueError as error:
            raise Unreadable(f"The view box '{box[:60]}' in line {self.tree.line(element)} is none.", "file") from error

    def _cut(self, element: Element, said: dict[str, str], place: _Place) -> _Place:
        for name, words in (
            ("mask", "a mask, which would show only part of it"),
            ("filter", "an effect, such as a blur or a shadow"),
        ):
            if said.get(name, "none").lower() not in ("none", ""):
                self._tell(words, names_of(element))
        text = said.get("clip-path", "none").strip()
        if text.lower() == "none" or not text:
            return place
        found = re.match(r"url\(\s*['\"]?#([^'\")]+)['\"]?\s*\)", text)
        target = self.by_id.get(found[1].strip()) if found else None
        if target is None or target.tag != "clippath":
            self._tell("a cut that is not in the file", names_of(element))
            return place
        if target.get("clippathunits", "").lower() == "objectboundingbox":
            self._tell("a cut by parts of a shape's box; the shape is taken whole", names_of(element))
            return place
        rings: list[tuple] = []
        at = self._moved(target, self.styles.said(target), place)
        for child in target:
            self._clip_of(child, at, rings)
        return replace(place, clip=self._both(place.clip, rings))

    def _clip_of(self, child: Element, place: _Place, rings: list[tuple]) -> None:
        said = self.styles.said(child)
        look = within(place.look, said)
        if said.get("display") == "none" or not look.visible:
            return
        inner = self._moved(child, said, place)
        if child.tag == "use":
            target = self.by_id.get(child.get("href", "").strip()[1:])
            x, y = (self._length(child, said.get(key, "0"), place.frame, key) for key in ("x", "y"))
            if target is not None and target.tag in _SHAPES:
                moved = replace(inner, matrix=affine.multiply(inner.matrix, (1, 0, 0, 1, x, y)))
                self._clip_of(target, moved, rings)
        elif child.tag in _SHAPES:
            shape = affine.transform(self._outline(child, said, inner.frame), inner.matrix)
            rings += closed_rings(shape, look.clip_rule)

    def _both(self, clip: tuple | None, more) -> tuple:
        if clip is None:
            return tuple(more)
        if not clip or not more:
            return ()
        return tuple(merged(list(clip), clip=list(more)))

    def _use(self, element: Element, said: dict[str, str], place: _Place) -> None:
        id_ = element.get("href", "").strip()[1:]
        target = self.by_id.get(id_)
        if target is None:
            self._tell(f"a copy of '{id_[:40]}', which is not in the file", names_of(element))
            return
        if id_ in place.copied or len(place.copied) > MOST_DEEP // 3:
            self._tell(f"a copy of '{id_[:40]}' within itself", names_of(element))
            return
        x, y = (self._length(element, said.get(key, "0"), place.frame, key) for key in ("x", "y"))
        inner = replace(place, matrix=affine.multiply(place.matrix, (1, 0, 0, 1, x, y)), copied=(*place.copied, id_))
        before = len(self.found)
        if target.tag in ("symbol", "svg"):
            sized = Element(
                target.tag, target.attrib | {key: element.get(key) for key in ("width", "height") if element.get(key)}
            )
            sized.extend(list(target))
            self.tree.lines[sized] = self.tree.line(element)
            self._walk(sized, inner, used=True)
        else:
            self._walk(target, inner, used=True)
        called = names_of(element)
        if called and len(self.found) == before + 1:
            only = self.found[-1]
            self.found[-1] = replace(only, names=tuple(dict.fromkeys((*called, *only.names))))

    def _take(self, element: Element, said: dict[str, str], place: _Place, called: list[str]) -> None:
        look = place.look
        if not look.visible:
            self._tell("something hidden", called)
            return
        if not look.filled:
            self._tell("a shape without fill", called)
            return
        commands = affine.transform(self._outline(element, said, place.frame), place.matrix)
        self.points += sum(len(step) - 1 for step in commands)
        if self.points > MOST_POINTS:
            raise OutOfRange(f"The file has more than {MOST_POINTS} points; simplify its outlines.", "file")
        if any(not math.isfinite(v) or abs(v) > 1e7 for step in commands for point in step[1:] for v in point):
            raise OutOfRange(f"A shape in line {self.tree.line(element)} reaches beyond all bounds.", "file")
        rings = closed_rings(commands, look.fill_rule)
        if rings and place.clip is not None:
            rings = tuple(merged(list(rings), clip=list(place.clip))) if place.clip else ()
            if not rings:
                self._tell("a shape that is cut away wholly", called)
                return
        if not rings:
            self._tell("an outline that encloses nothing", called)
            return
        if look.opacity * look.fill_opacity < 1:
            self._tell("how much shows through: taken as if it covered", called)
        if len(self.found) >= MOST_SHAPES:
            raise OutOfRange(f"The file has more than {MOST_SHAPES} shapes.", "file")
        self.found.append(Found(place.view or VIEWS[0], tuple(called), rings))

    def _outline(self, element: Element, said: dict[str, str], frame: Frame) -> list[tuple]:
        name = element.tag

        def number(key: str, of: str = "") -> float:
            text = said.get(key, "0")
            return self._length(element, "0" if text == "auto" else text, frame, of)

        if name == "rect":
            x, y, w, h = number("x", "x"), number("y", "y"), number("width", "x"), number("height", "y")
            if w <= 0 or h <= 0:
                return []
            rx, ry = number("rx", "x"), number("ry", "y")
            rx, ry = (
                (rx if "rx" in said and said["rx"] != "auto" else ry),
                (ry if "ry" in said and said["ry"] != "auto" else rx),
            )
            return _rounded(x, y, w, h, min(max(rx, 0), w / 2), min(max(ry, 0), h / 2))
        if name in ("circle", "ellipse"):
            rx = number("r") if name == "circle" else number("rx", "x")
            ry = rx if name == "circle" else number("ry", "y")
            if name == "ellipse":
                rx, ry = (
                    (rx if said.get("rx", "auto") != "auto" else ry),
                    (ry if said.get("ry", "auto") != "auto" else rx),
                )
            if rx <= 0 or ry <= 0:
                return []
            return list(outline(f"e:{number('cx', 'x')!r},{number('cy', 'y')!r},{rx!r},{ry!r}"))
        if name in ("polygon", "polyline"):
            values = [float(one) for one in NUMBER.findall(element.get("points", ""))]
            points = list(zip(values[::2], values[1::2], strict=False))
            return [("M" if at == 0 else "L", point) for at, point in enumerate(points)] + [("Z",)] if points else []
        text = said.get("d", "")
        if called := re.match(r"path\(\s*['\"](.*)['\"]\s*\)$", text.strip(), re.DOTALL):
            text = called[1]
        pen = _Pen()
        try:
            parse_path(text if text.strip().lower() != "none" else "", pen)
        except (ValueError, IndexError, TypeError, AssertionError, OverflowError, ZeroDivisionError) as error:
            raise Unreadable(f"The path in line {self.tree.line(element)} cannot be read.", "file") from error
        return pen.commands

    def _length(self, element: Element, text: str, frame: Frame, of: str = "") -> float:
        try:
            value = frame.length(text, of)
        except (ValueError, OverflowError) as error:
            line = self.tree.line(element)
            raise Unreadable(f"'{text[:30]}' in line {line} is no length.", "file") from error
        return value

    def _tell(self, words: str, called: list[str]) -> None:
        self.left_out.append(f"{words}{f' ({called[0][:40]})' if called else ''}")


def names_of(element: Element) -> list[str]:
    """What an element is called, the likeliest first: as a title, as an area, by label, by id."""
    title = next((" ".join((child.text or "").split()) for child in element if child.tag == "title"), "")
    given = [element.get(key, "").strip() for key in ("data-area", "label", "data-name", "id")]
    return list(dict.fromkeys(one[:200] for one in (title if element.tag in _SHAPES else "", *given) if one))


def _view(name: str) -> str:
    plain = re.sub(r"_x([0-9a-fA-F]{2})_", lambda found: chr(int(found[1], 16)), name)
    plain = re.sub(r"(?<=[a-z])(?=[A-Z])", " ", plain)
    plain = re.sub(r"[\s_.:-]*\d*$", "", " ".join(re.split(r"[\s_.:-]+", plain.strip().lower())))
    return _VIEW_WORDS.get(plain, "")


def _rounded(x: float, y: float, w: float, h: float, rx: float, ry: float) -> list[tuple]:
    if not rx or not ry:
        return [("M", (x, y)), ("L", (x + w, y)), ("L", (x + w, y + h)), ("L", (x, y + h)), ("Z",)]
    k = 4 / 3 * math.tan(math.pi / 8)
    a, b = rx * (1 - k), ry * (1 - k)
    right, low = x + w, y + h
    return [
        ("M", (x + rx, y)), ("L", (right - rx, y)), ("C", (right - a, y), (right, y + b), (right, y + ry)),
        ("L", (right, low - ry)), ("C", (right, low - b), (right - a, low), (right - rx, low)),
        ("L", (x + rx, low)), ("C", (x + a, low), (x, low - b), (x, low - ry)),
        ("L", (x, y + ry)), ("C", (x, y + b), (x + a, y), (x + rx, y)), ("Z",),
    ]  # fmt: skip
