"""Triangles of a 3MF file: the meshes of its core part, read as they stream out of the archive."""

import io
import zipfile
from xml.parsers import expat

import numpy as np

from ...errors import OutOfRange, Unreadable

#: bytes that the models may unpack to, how many times their packed size, and parts of the archive
MOST_UNPACKED, MOST_RATIO, MOST_ENTRIES = 250_000_000, 80, 200
#: triangles, points and placed pieces of one model
_MOST_FACES, _MOST_POINTS, _MOST_ITEMS = 1_000_000, 3_000_000, 200
_BLOCK, _LEAST_PACKED = 1 << 20, 1000
#: mm of each unit a model may be told in
_UNITS = {"micron": 1e-3, "millimeter": 1.0, "centimeter": 10.0, "inch": 25.4, "foot": 304.8, "meter": 1000.0}


def triangles_of_3mf(data: bytes) -> np.ndarray:
    """Corners, (n, 3, 3), in mm, with the placement of plain build items followed; components are not.

    Raises: Unreadable for what is no 3MF; OutOfRange for one that unpacks to more than it may.
    """
    try:
        packed = zipfile.ZipFile(io.BytesIO(data))
        entries = packed.infolist()
    except (zipfile.BadZipFile, ValueError, OSError) as error:
        raise Unreadable("That is no 3MF file: it is no archive.", "file") from error
    models = [one for one in entries if one.filename.lower().endswith(".model")]
    if len(entries) > MOST_ENTRIES:
        raise Unreadable(f"The 3MF holds {len(entries)} files; allowed are up to {MOST_ENTRIES}.", "file")
    if not models:
        raise Unreadable("The 3MF holds no model. Save it from the program that made it, or as STL.", "file")
    total, found = 0, []
    for one in models:
        if one.file_size > MOST_UNPACKED or one.file_size > MOST_RATIO * max(one.compress_size, _LEAST_PACKED):
            raise _too_much()
        reader = _Model()
        try:
            with packed.open(one) as stream:
                while block := stream.read(_BLOCK):
                    # what is said of sizes may lie: what comes out is counted
                    total += len(block)
                    if total > MOST_UNPACKED:
                        raise _too_much()
                    reader.feed(block)
        except (zipfile.BadZipFile, RuntimeError, NotImplementedError, OSError, EOFError) as error:
            raise Unreadable("A model of the 3MF cannot be unpacked.", "file") from error
        reader.feed(b"", last=True)
        found += reader.placed()
    return np.concatenate(found) if found else np.empty((0, 3, 3))


def _too_much() -> OutOfRange:
    return OutOfRange(f"The 3MF unpacks to more than {MOST_UNPACKED / 1e6:.0f} MB, or {MOST_RATIO}-fold.", "file")


class _Model:
    """Reads one model as it streams by; document types and entities are refused."""

    def __init__(self):
        self.parser = expat.ParserCreate(namespace_separator=" ")
        self.parser.StartElementHandler = self._start
        self.parser.StartDoctypeDeclHandler = self._refused
        self.parser.EntityDeclHandler = self._refused
        self.objects: dict[str, tuple[list, list]] = {}
        self.items: list[tuple[str, list[float]]] = []
        self.points: list[tuple[float, float, float]] = []
        self.faces: list[tuple[int, int, int]] = []
        self.unit = 1.0

    def _refused(self, *_):
        raise Unreadable("The 3MF holds a document type, which no model needs.", "file")

    def feed(self, block: bytes, *, last: bool = False) -> None:
        """Read so much more of it."""
        try:
            self.parser.Parse(block, last)
        except expat.ExpatError as error:
            raise Unreadable(f"The 3MF cannot be read, line {error.lineno}.", "file") from None

    def _start(self, tag: str, told: dict[str, str]) -> None:
        try:
            self._taken(tag.rpartition(" ")[2], told)
        except (KeyError, ValueError):
            line = self.parser.CurrentLineNumber
            raise Unreadable(f"The 3MF cannot be read, line {line}.", "file") from None
        if len(self.faces) > _MOST_FACES or len(self.points) > _MOST_POINTS or len(self.items) > _MOST_ITEMS:
            raise OutOfRange(f"More than {_MOST_FACES} triangles or {_MOST_ITEMS} placed pieces in the 3MF.", "file")

    def _taken(self, tag: str, told: dict[str, str]) -> None:
        if tag == "model":
            self.unit = _UNITS.get(told.get("unit", ""), 1.0)
        elif tag == "object":
            self.points, self.faces = self.objects.setdefault(told["id"], ([], []))
        elif tag == "vertex":
            self.points.append((float(told["x"]), float(told["y"]), float(told["z"])))
        elif tag == "triangle":
            self.faces.append((int(told["v1"]), int(told["v2"]), int(told["v3"])))
        elif tag == "item":
            self.items.append((told["objectid"], [float(one) for one in told.get("transform", "").split()]))

    def placed(self) -> list[np.ndarray]:
        """The triangles of every piece where it is placed, in mm.

        Raises: Unreadable for triangles of points that are not there; OutOfRange for more of them than are taken.
        """
        out, count = [], 0
        for name, matrix in self.items or [(name, []) for name in self.objects]:
            points, faces = self.objects.get(name, ([], []))
            if not faces:
                continue
            count += len(faces)
            if count > _MOST_FACES:
                raise OutOfRange(f"More than {_MOST_FACES} triangles in the 3MF.", "file")
            at, index = np.array(points, float).reshape(-1, 3), np.array(faces)
            if index.min() < 0 or index.max() >= len(at):
                raise Unreadable("A triangle of the 3MF names a point that is not there.", "file")
            if len(matrix) == 12:
                at = at @ np.array(matrix[:9]).reshape(3, 3) + matrix[9:]
            out.append(at[index] * self.unit)
        return out
