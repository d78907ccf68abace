"""Photographs as they are kept: decoded with a limit, turned upright, scaled down, re-encoded without anything else."""

import io
import warnings
from contextlib import contextmanager

import numpy as np
from django import forms
from PIL import Image, ImageFile, ImageFilter, ImageOps, UnidentifiedImageError

from mantello_core.colour.patch import Patch, patch_of
from mantello_core.colour.scene_light import SceneLight, coarse, evened
from mantello_core.colour.spaces import linear_light
from mantello_core.errors import OutOfRange
from mantello_core.figures.lit_from import lit_from
from mantello_core.numerals import whole_number

#: bytes of an upload, pixels of a picture, and pixels along the longer side that are kept
MOST_BYTES, MOST_PIXELS, LONGEST = 12_000_000, 40_000_000, 1600
#: formats that are read
FORMATS = ("JPEG", "PNG", "WEBP")
#: pixels along the longer side from which the light is read
LIT_LONGEST = 320
#: and from which its evenness is judged
GRID_LONGEST = 480
#: half the side of a sampled square, as a share of the picture's width
SAMPLE = 0.008
#: shares of a picture that count as lit: the brightest, and with what is next
BRIGHTEST = (0.12, 0.37)


class PhotoField(forms.FileField):
    """A photograph; its value is (JPEG bytes, width, height)."""

    widget = forms.ClearableFileInput(attrs={"accept": "image/jpeg,image/png,image/webp"})

    def to_python(self, data):
        """The kept picture, or a refusal that says what is allowed."""
        file = super().to_python(data)
        if file is None:
            return None
        if file.size > MOST_BYTES:
            raise forms.ValidationError(
                f"The picture has {file.size / 1e6:.0f} MB; allowed is up to {MOST_BYTES / 1e6:.0f}."
            )
        return kept(file.read())


def kept(data: bytes) -> tuple[bytes, int, int]:
    """The picture as it is kept.

    Raises: ValidationError if it is no picture that is read, or too large.
    """
    try:
        with warnings.catch_warnings(), _whole_pictures_only():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            with Image.open(io.BytesIO(data), formats=FORMATS) as opened:
                if opened.width * opened.height > MOST_PIXELS:
                    raise forms.ValidationError(
                        f"The picture has {opened.width} x {opened.height} pixels; allowed are {MOST_PIXELS / 1e6:.0f} million."
                    )
                # a large JPEG is decoded at half its size or less, which takes a third of the time
                share = LONGEST / max(opened.size)
                opened.draft("RGB", (int(opened.width * share), int(opened.height * share)))
                picture = ImageOps.exif_transpose(opened).convert("RGB")
    except forms.ValidationError:
        raise
    except (
        UnidentifiedImageError,
        OSError,
        ValueError,
        SyntaxError,
        Image.DecompressionBombWarning,
        Image.DecompressionBombError,
    ) as error:
        raise forms.ValidationError("That is no picture that can be read; JPEG, PNG and WebP are.") from error
    picture.thumbnail((LONGEST, LONGEST))
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=92, subsampling=0)
    return out.getvalue(), picture.width, picture.height


@contextmanager
def _whole_pictures_only():
    """A picture that ends too soon is refused; the PDF library asks Pillow to fill it up with grey instead."""
    before, ImageFile.LOAD_TRUNCATED_IMAGES = ImageFile.LOAD_TRUNCATED_IMAGES, False
    try:
        yield
    finally:
        ImageFile.LOAD_TRUNCATED_IMAGES = before


def pointed_at(jpeg: bytes, x: float, y: float) -> Patch:
    """What a small square about a place is like. x, y: shares of width and height, 0 to 1."""
    with Image.open(io.BytesIO(jpeg)) as picture:
        half = max(2, round(picture.width * SAMPLE))
        left, top = round(x * picture.width), round(y * picture.height)
        box = (
            max(0, left - half),
            max(0, top - half),
            min(picture.width, left + half + 1),
            min(picture.height, top + half + 1),
        )
        return patch_of(np.asarray(picture.convert("RGB").crop(box), float) / 255)


def share_of(text: str, size: int) -> float:
    """A place that was clicked in a picture shown so many pixels large, as a share of it.

    Raises: OutOfRange.
    """
    place = whole_number(text, size)
    if place is None:
        raise OutOfRange(f"The place in the picture came as '{text[:20]}'; allowed is 0 to {size}.", "at")
    return round(place / size, 4)


def light_grid(jpeg: bytes) -> list[list[list[float]]]:
    """The picture's linear light in coarse cells, rows of columns of three, by which its plain ground is found."""
    with Image.open(io.BytesIO(jpeg)) as picture:
        picture.draft("RGB", (GRID_LONGEST, GRID_LONGEST))
        small = picture.convert("RGB")
        small.thumbnail((GRID_LONGEST, GRID_LONGEST))
        grid = coarse(linear_light(np.asarray(small, float) / 255))
    return [[[round(float(value), 5) for value in cell] for cell in row] for row in grid]


def evened_jpeg(jpeg: bytes, light: SceneLight) -> bytes:
    """A photograph as it would be in even daylight, its longer side up to ``GRID_LONGEST`` twice over."""
    with Image.open(io.BytesIO(jpeg)) as picture:
        small = picture.convert("RGB")
        small.thumbnail((2 * GRID_LONGEST, 2 * GRID_LONGEST))
        made = evened(np.asarray(small, float) / 255, light)
    out = io.BytesIO()
    Image.fromarray(np.round(made * 255).astype(np.uint8)).save(out, "JPEG", quality=90, subsampling=0)
    return out.getvalue()


def light_plan_of(jpeg: bytes) -> str:
    """The light plan that a photograph of a lit figure shows; see ``lit_from``.

    Raises: OutOfRange where no figure stands out from its ground.
    """
    with Image.open(io.BytesIO(jpeg)) as picture:
        grey = picture.convert("L")
        grey.thumbnail((LIT_LONGEST, LIT_LONGEST))
        return lit_from(np.asarray(grey, float) / 255)


def lit_parts(jpeg: bytes) -> bytes:
    """A PNG of where the light falls: the brightest 12 % white, the next 25 % grey, the rest black."""
    with Image.open(io.BytesIO(jpeg)) as picture:
        grey = picture.convert("L").filter(ImageFilter.GaussianBlur(picture.width / 200))
    counts, total, seen = grey.histogram(), grey.width * grey.height, 0
    limits = []
    for share in BRIGHTEST:
        level = 255
        while level > 0 and seen + counts[level] <= share * total:
            seen += counts[level]
            level -= 1
        limits.append(level)
    mapped = grey.point([255 if value > limits[0] else 128 if value > limits[1] else 0 for value in range(256)])
    out = io.BytesIO()
    mapped.save(out, "PNG")
    return out.getvalue()
