"""The triangles of an STL, OBJ or 3MF file, read with bounds on everything; nothing else of the file is kept."""

import io
import struct
from itertools import pairwise

import numpy as np

from ...errors import OutOfRange, Unreadable
from .three_mf import triangles_of_3mf

#: bytes of a file, triangles in it, and how far from the middle a point may lie, in the file's own unit
MOST_BYTES, MOST_TRIANGLES, MOST_FAR = 60_000_000, 1_000_000, 1e6
#: where a binary STL tells its count, bytes before its triangles, and bytes of each
_COUNT_AT, _HEAD, _EACH = 80, 84, 50
_STL = np.dtype([("normal", "<f4", 3), ("corners", "<f4", (3, 3)), ("rest", "<u2")])
#: corners that one face of an OBJ may have
_MOST_CORNERS = 64
_KINDS = ".stl, .obj and .3mf"


def triangles(data: bytes, name: str) -> np.ndarray:
    """Corners, (n, 3, 3), in the file's own unit; that of a 3MF in mm. name: of the file, whose ending tells its kind.

    Raises: OutOfRange for what is too large; Unreadable for what is no such file.
    """
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"{len(data) / 1e6:.0f} MB; up to {MOST_BYTES / 1e6:.0f} MB are taken.", "file")
    ending = name.lower().rpartition(".")[2]
    read = {"stl": _stl, "obj": _obj, "3mf": triangles_of_3mf}.get(ending)
    if read is None:
        raise Unreadable(f"'{name[-40:]}' ends with no kind that is read: {_KINDS} are.", "file")
    corners = read(data)
    if not len(corners):
        raise Unreadable("The file has no triangles, so there is nothing to paint.", "file")
    if len(corners) > MOST_TRIANGLES:
        raise _many(len(corners))
    if not np.isfinite(corners).all() or np.abs(corners).max() > MOST_FAR:
        raise Unreadable("The file has points that are no numbers, or that lie too far out.", "file")
    return corners


def _stl(data: bytes) -> np.ndarray:
    if len(data) >= _HEAD:
        (count,) = struct.unpack_from("<I", data, _COUNT_AT)
        if _HEAD + _EACH * count == len(data):
            if count > MOST_TRIANGLES:
                raise _many(count)
            return np.frombuffer(data, _STL, count, _HEAD)["corners"].astype(np.float64)
    if not data.lstrip()[:5].lower() == b"solid":
        raise Unreadable("The STL is cut short, or is longer than it says.", "file")
    corners: list[tuple[float, float, float]] = []
    for line in io.BytesIO(data):
        words = line.split()
        if words[:1] == [b"vertex"]:
            corners.append(_point(words[1:4]))
            if len(corners) > 3 * MOST_TRIANGLES:
                raise _many(MOST_TRIANGLES + 1)
    if len(corners) % 3:
        raise Unreadable("The STL is cut short in the middle of a triangle.", "file")
    return np.array(corners, float).reshape(-1, 3, 3)


def _obj(data: bytes) -> np.ndarray:
    points: list[tuple[float, float, float]] = []
    faces: list[tuple[int, int, int]] = []
    for line in io.BytesIO(data):
        words = line.split()
        if words[:1] == [b"v"]:
            points.append(_point(words[1:4]))
        elif words[:1] == [b"f"]:
            try:
                told = [int(one.split(b"/")[0]) for one in words[1 : _MOST_CORNERS + 1]]
            except ValueError:
                raise Unreadable("A face of the OBJ is no list of numbers.", "file") from None
            first, *rest = [at - 1 if at > 0 else len(points) + at for at in told] or [0]
            faces += [(first, one, other) for one, other in pairwise(rest)]
        if len(points) > 3 * MOST_TRIANGLES or len(faces) > MOST_TRIANGLES:
            raise _many(len(faces))
    index = np.array(faces, int).reshape(-1, 3)
    if len(index) and not (index.min() >= 0 and index.max() < len(points)):
        raise Unreadable("A face of the OBJ names a point that is not there.", "file")
    return np.array(points, float).reshape(-1, 3)[index]


def _point(words: list[bytes]) -> tuple[float, float, float]:
    try:
        x, y, z = (float(one) for one in words)
    except ValueError:
        raise Unreadable("A point of the file is no three numbers.", "file") from None
    return x, y, z


def _many(count: int) -> OutOfRange:
    words = (
        f"{count} triangles; up to {MOST_TRIANGLES} are taken. Save the model coarser, which painted areas do not mind."
    )
    return OutOfRange(words, "file")
