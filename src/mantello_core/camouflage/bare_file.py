"""The part of a surface that depends on the plate alone, written as bytes and read back to the bit."""

import hashlib
import io
import zipfile
from itertools import pairwise
from types import MappingProxyType

import numpy as np
import shapely

from ..figures.plate import Plate
from .preparing import BarePlate, forms_of, names_of
from .surface import Bare

#: how bare plates are worked out: one more whenever that changes
_MADE = 1


def bare_digest(plate: Plate, pitch: float) -> str:
    """What tells a bare plate from every other: of all that it follows from. pitch: of the raster, mm."""
    views = [
        (
            view.name,
            view.view_box,
            view.silhouette,
            view.seams,
            [(one.area, one.part, one.visible) for one in view.areas],
        )
        for view in plate.views
    ]
    told = (
        _MADE,
        pitch,
        np.__version__,
        shapely.__version__,
        shapely.geos_version,
        sorted(forms_of(plate).items()),
        views,
    )
    return hashlib.sha256(repr(told).encode()).hexdigest()


def write_bare(bare: BarePlate) -> bytes:
    """A bare plate as bytes: arrays, and shapes as well-known binary, packed."""
    parts = {}
    for at, view in enumerate(bare.views):
        shapes = [*view.shapes.values(), view.silhouette]
        wkb = shapely.to_wkb(shapes)
        parts |= {
            f"box{at}": np.array(view.box), f"x{at}": view.x, f"y{at}": view.y, f"owner{at}": view.owner,
            f"areas{at}": np.array(list(view.shapes), dtype=str),
            f"ends{at}": np.cumsum([len(one) for one in wkb]), f"wkb{at}": np.frombuffer(b"".join(wkb), np.uint8),
        }  # fmt: skip
    parts |= {f"depth{at}": depth for at, depth in enumerate(bare.depths)}
    if bare.slope is not None:
        parts["slope"] = bare.slope
    out = io.BytesIO()
    np.savez_compressed(out, **parts)
    return out.getvalue()


def read_bare(data: bytes, plate: Plate) -> BarePlate | None:
    """The bare plate that was written; None for bytes that are not one of that plate."""
    try:
        with np.load(io.BytesIO(data), allow_pickle=False) as parts:
            views = tuple(_view(parts, at, view.name) for at, view in enumerate(plate.views))
            depths = tuple(parts[f"depth{at}"] for at in range(len(views)) if f"depth{at}" in parts)
            slope = parts.get("slope")
    except (KeyError, ValueError, OSError, EOFError, zipfile.BadZipFile, shapely.errors.ShapelyError):
        return None
    if slope is not None and (len(slope) != len(names_of(plate)) or len(depths) != len(views)):
        return None
    return BarePlate(views, depths, slope)


def _view(parts, at: int, name: str) -> Bare:
    packed, ends = parts[f"wkb{at}"].tobytes(), [0, *parts[f"ends{at}"].tolist()]
    shapes = shapely.from_wkb([packed[one:other] for one, other in pairwise(ends)])
    areas = parts[f"areas{at}"].tolist()
    box = tuple(parts[f"box{at}"].tolist())
    of_areas = MappingProxyType(dict(zip(areas, shapes[:-1], strict=True)))
    return Bare(name, box, parts[f"x{at}"], parts[f"y{at}"], parts[f"owner{at}"], of_areas, shapes[-1])
