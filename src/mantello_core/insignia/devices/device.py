"""A device: numerals, letters or a plain figure, as an outline that fills a given space."""

import json
from dataclasses import dataclass
from functools import cache, reduce
from importlib.resources import files

from shapely.geometry import Polygon
from shapely.geometry.base import BaseGeometry

from ...errors import Contradiction, OutOfRange, UnknownName
from ...geometry import affine
from ...geometry.outline import outline, to_rings
from ...memory import remembered
from ...naming import named
from .cloth import PATTERNS, WIDTHS
from .own_outline import own_commands
from .repeated import REPEATED, WAYS, checked_count, checked_way, repeated_outline

#: the most signs of a text device
MOST_SIGNS = 3
#: kind of a device that is arms of the scheme; its text is their id
ARMS = "arms"
#: kind of a device that is a painter's own emblem
OWN = "own"
#: share of a site's width and height that a device keeps to, so that a brush can pass round it
MARGIN = 0.84
#: plain figures, drawn in a square of 100 units about the middle, and their names
_FIGURES = {
    "bar": ("Bar", "-50,-11 50,-11 50,11 -50,11"),
    "bars": ("Two bars", "-50,-30 50,-30 50,-8 -50,-8|-50,8 50,8 50,30 -50,30"),
    "pale": ("Upright bar", "-11,-50 11,-50 11,50 -11,50"),
    "chevron": ("Chevron", "0,-34 50,16 50,42 0,-8 -50,42 -50,16"),
    "chevrons": ("Two chevrons", "0,-50 50,-10 50,14 0,-26 -50,14 -50,-10|0,-8 50,32 50,56 0,16 -50,56 -50,32"),
    "chevrons3": ("Three chevrons", "0,-62 50,-22 50,-2 0,-42 -50,-2 -50,-22|0,-30 50,10 50,30 0,-10 -50,30 -50,10|0,2 50,42 50,62 0,22 -50,62 -50,42"),
    "bars3": ("Three bars", "-50,-46 50,-46 50,-26 -50,-26|-50,-10 50,-10 50,10 -50,10|-50,26 50,26 50,46 -50,46"),
    "disc": ("Disc", "o:0,0,50"),
    "hexagon": ("Hexagon", "-25,-43/0 25,-43/0 50,0/0 25,43/0 -25,43/0 -50,0/0"),
    "pennant": ("Pennant", "-50,-36/0 50,0/0 -50,36/0"),
    "arrow": ("Arrow", "0,-50/0 40,-6/0 14,-6/0 14,50/0 -14,50/0 -14,-6/0 -40,-6/0"),
    "square": ("Square", "-44,-44/0 44,-44/0 44,44/0 -44,44/0"),
    "triangle": ("Triangle", "0,-48/0 52,42/0 -52,42/0"),
    "lozenge": ("Lozenge", "0,-50/0 38,0/0 0,50/0 -38,0/0"),
    "cross": ("Cross", "-13,-50/0 13,-50/0 13,-13/0 50,-13/0 50,13/0 13,13/0 13,50/0 -13,50/0 -13,13/0 -50,13/0 -50,-13/0 -13,-13/0"),
    "saltire": ("Diagonal cross", "-50,-34/0 -34,-50/0 0,-16/0 34,-50/0 50,-34/0 16,0/0 50,34/0 34,50/0 0,16/0 -34,50/0 -50,34/0 -16,0/0"),
    "crescent": ("Crescent", "0,-50~ 30,-40~ 10,0~ 30,40~ 0,50~ -42,28~ -50,0~ -42,-28~"),
}  # fmt: skip
#: figures that may frame numerals, which are cut out of them: middle, width and height of the room for those
FRAMES = {
    "disc": (0, 0, 62, 62), "square": (0, 0, 66, 70), "triangle": (0, 15, 44, 46), "lozenge": (0, 0, 34, 46),
    "hexagon": (0, 0, 62, 62), "pennant": (-26, 0, 34, 42),
}  # fmt: skip


@dataclass(frozen=True)
class Device:
    """A plain figure by its id, or up to three numerals and capital letters, alone or cut out of a figure."""

    #: 'text', 'arms', 'own', a kind of repeated parts, or the id of a plain figure
    kind: str
    #: of repeated parts how many, of an own emblem its name
    text: str = ""
    #: of a text, the id of the figure it is cut out of, '' for none; of repeated parts which way they lean
    frame: str = ""
    #: of an own emblem its outline, as ``own_outline`` has it
    drawn: str = ""

    @property
    def cloth(self) -> float:
        """mm that a part of a pattern of cloth is wide; 0 for other devices."""
        return float(self.text) if self.kind in PATTERNS else 0.0

    @property
    def words(self) -> str:
        """What it is, in words."""
        if self.kind in PATTERNS:
            return f"{self.kind} {self.text} mm wide"
        if self.kind == ARMS:
            return f"the arms '{self.text}'"
        if self.kind == OWN:
            return self.text
        if self.kind in REPEATED:
            name, parts = REPEATED[self.kind]
            return f"{name.lower()} of {self.text} {parts}{', ' + WAYS[self.frame] if self.frame else ''}"
        if self.kind != "text":
            return _FIGURES[self.kind][0].lower()
        return f"'{self.text}' in a {_FIGURES[self.frame][0].lower()}" if self.frame else f"'{self.text}'"


def figures() -> dict[str, str]:
    """The plain figures: id to name."""
    return {id_: name for id_, (name, _) in _FIGURES.items()}


def checked_device(device: Device, where: str = "device") -> Device:
    """The device, if it can be drawn; letters become capitals. Whether arms exist is for the scheme to say.

    Raises: UnknownName for a figure; OutOfRange for a text with other signs, or too many.
    """
    if device.kind == ARMS:
        return device
    if device.kind in PATTERNS:
        return Device(device.kind, f"{_width(device.text, where):.4g}")
    if device.kind == OWN:
        own_commands(device.drawn, where)
        return Device(OWN, named(device.text, where), drawn=device.drawn)
    if device.kind in REPEATED:
        return Device(device.kind, str(checked_count(device.text, where)), checked_way(device.frame, where))
    if device.kind != "text":
        if device.kind not in _FIGURES:
            raise UnknownName("device", device.kind, ["text", ARMS, OWN, *REPEATED, *PATTERNS, *_FIGURES], where)
        return Device(device.kind)
    if device.frame and device.frame not in FRAMES:
        raise UnknownName("frame", device.frame, list(FRAMES), where)
    text = device.text.strip().upper()
    strange = [sign for sign in text if sign not in _glyphs()]
    if strange or not 1 <= len(text) <= MOST_SIGNS:
        raise OutOfRange(
            f"The device '{device.text[:20]}' cannot be drawn; allowed are 1 to {MOST_SIGNS} numerals and letters A to Z.",
            where,
        )
    return Device("text", text, device.frame)


def _width(text: str, where: str) -> float:
    try:
        width = float(text)
    except ValueError:
        width = 0.0
    if not WIDTHS[0] <= width <= WIDTHS[1]:
        raise OutOfRange(f"A pattern '{text[:20]}' mm wide; allowed is {WIDTHS[0]:g} to {WIDTHS[1]:g}.", where)
    return width


@remembered(16_000)
def device_outline(device: Device, width_mm: float, height_mm: float, turn: float = 0.0) -> tuple:
    """The outline as large as fits a site with its margin, in drawing units (0.1 mm) about the site's middle.

    turn: degrees clockwise. A text in a frame is a hole in it, by the even-odd rule.
    Raises: what ``checked_device`` refuses; Contradiction for arms, which have no one outline.
    """
    device = checked_device(device)
    if device.kind == ARMS or device.kind in PATTERNS:
        raise Contradiction(
            "Arms are drawn from their blazon and patterns on their area; neither has one outline.", "device"
        )
    if device.kind == "text":
        commands = _text(device.text)
        if device.frame:
            x, y, wide, tall = FRAMES[device.frame]
            inside = affine.transform(_fitted(commands, wide, tall), (1, 0, 0, 1, x, y))
            commands = [*outline(_FIGURES[device.frame][1], 0), *inside]
    elif device.kind == OWN:
        commands = own_commands(device.drawn)
    elif device.kind in REPEATED:
        commands = repeated_outline(device.kind, int(device.text), device.frame)
    else:
        commands = outline(_FIGURES[device.kind][1], 0)
    if turn:
        commands = affine.transform(commands, affine.rotation(turn))
    return tuple(_fitted(commands, width_mm * 10 * MARGIN, height_mm * 10 * MARGIN))


@remembered(16_000)
def device_shape(device: Device, width_mm: float, height_mm: float, turn: float = 0.0) -> BaseGeometry:
    """The same as a polygon, curves flattened.

    Raises: as ``device_outline``.
    """
    rings = [Polygon(ring).buffer(0) for ring, _ in to_rings(device_outline(device, width_mm, height_mm, turn), 9)]
    return reduce(lambda one, two: one.symmetric_difference(two), rings)


def _fitted(commands, width: float, height: float) -> list[tuple]:
    """Commands about the origin, as large as fits the box, by the outline itself and not by what its curves aim at."""
    points = [point for ring, _ in to_rings(commands, 9) for point in ring]
    across, down = zip(*points, strict=True)
    wide, tall = max(across) - min(across), max(down) - min(down)
    scale = min(width / wide, height / tall)
    middle_x, middle_y = (max(across) + min(across)) / 2, (max(down) + min(down)) / 2
    return affine.transform(commands, (scale, 0, 0, scale, -scale * middle_x, -scale * middle_y))


@cache
def _glyphs() -> dict:
    text = (files(__package__) / "data" / "glyphs.json").read_text(encoding="utf-8")
    return json.loads(text)["glyphs"]


def _text(text: str) -> list[tuple]:
    """Signs beside each other, y downwards."""
    commands, x = [], 0.0
    for sign in text:
        glyph = _glyphs()[sign]
        for step in glyph["outline"]:
            values = step[1:]
            points = [(x + values[at], -values[at + 1]) for at in range(0, len(values), 2)]
            commands.append((step[0], *points))
        x += glyph["advance"]
    return commands
