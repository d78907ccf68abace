"""Places that were pointed at in a photograph, as a page sends them: grey marks, a place, and the picture made small."""

import base64
import binascii
from dataclasses import dataclass

import numpy as np

from ..colour.patch import Patch, patch_of
from ..colour.scene_light import Freed, coarse, freed, scene_light
from ..colour.spaces import linear_light
from ..errors import OutOfRange, Unreadable
from .strict_json import read_json
from .validation import check

#: bytes of the whole, pixels of a place, and of the small picture along a side
MOST_BYTES, MOST_PLACE, MOST_SMALL = 200_000, 6_000, 128


@dataclass(frozen=True)
class Pointed:
    """What was pointed at: x and y as shares of the picture, and the patch there."""

    marks: tuple[tuple[float, float, Patch], ...]
    #: None while marks are being pointed at
    place: tuple[float, float, Patch] | None
    #: linear light in coarse cells, (rows, columns, 3)
    grid: np.ndarray


def read_pointed(data: bytes) -> Pointed:
    """What a page sent.

    Raises: Unreadable or OutOfRange with a place in it.
    """
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The places have {len(data)} bytes; allowed is up to {MOST_BYTES}.", "picked")
    document = read_json(data, "What was picked", "picked")
    check(document, "picked")
    small = document["small"]
    wide, tall = small["width"], small["height"]
    rgb = _bytes(small["rgb"], "/small/rgb")
    if len(rgb) != wide * tall * 3:
        raise Unreadable(f"A picture of {wide} x {tall} has {wide * tall * 3} bytes; {len(rgb)} came.", "/small/rgb")
    picture = np.frombuffer(rgb, np.uint8).reshape(tall, wide, 3) / 255
    marks = tuple(_place(one, f"/marks/{at}") for at, one in enumerate(document["marks"]))
    place = _place(document["place"], "/place") if "place" in document else None
    return Pointed(marks, place, coarse(linear_light(picture)))


def colour_pointed_at(pointed: Pointed) -> Freed:
    """The colour of the place freed of its light.

    Raises: OutOfRange without a grey mark that can be used, or without a place.
    """
    light = scene_light(pointed.marks, pointed.grid)
    if pointed.place is None:
        raise OutOfRange("No place was pointed at.", "place")
    return freed(light, *pointed.place)


def _place(one: dict, where: str) -> tuple[float, float, Patch]:
    rgb = _bytes(one["rgb"], f"{where}/rgb")
    if not rgb or len(rgb) % 3 or len(rgb) > 3 * MOST_PLACE:
        raise Unreadable(f"A place has 1 to {MOST_PLACE} pixels of three bytes; {len(rgb)} bytes came.", f"{where}/rgb")
    return one["x"], one["y"], patch_of(np.frombuffer(rgb, np.uint8).reshape(-1, 3) / 255)


def _bytes(text: str, where: str) -> bytes:
    try:
        return base64.b64decode(text, validate=True)
    except (binascii.Error, ValueError) as error:
        raise Unreadable(f"The pixels are not base64: {error}.", where) from error
