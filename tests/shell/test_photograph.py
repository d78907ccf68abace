"""Photographs as they are kept: upright, scaled down, true in colour, refused in words."""

import io

import numpy as np
from django import forms
from django.test import SimpleTestCase
from PIL import Image

from mantello.shell.photograph import LONGEST, kept

ORIENTATION = 0x0112


def encoded(width: int, height: int, kind: str = "JPEG", turned: int = 1) -> bytes:
    """A picture that is red on the left and blue on the right. turned: as cameras write it."""
    picture = Image.new("RGB", (width, height), (180, 40, 30))
    picture.paste((30, 50, 160), (width // 2, 0, width, height))
    exif, out = Image.Exif(), io.BytesIO()
    exif[ORIENTATION] = turned
    picture.save(out, kind, exif=exif)
    return out.getvalue()


class Kept(SimpleTestCase):
    def seen(self, data: bytes) -> np.ndarray:
        jpeg, width, height = kept(data)
        picture = Image.open(io.BytesIO(jpeg))
        self.assertEqual((picture.width, picture.height), (width, height))
        self.assertFalse(picture.getexif(), "nothing of the camera's is kept")
        return np.asarray(picture, float)

    def test_a_large_one_is_scaled_down_whatever_its_format(self):
        for kind in ("JPEG", "PNG", "WEBP"):
            with self.subTest(kind):
                seen = self.seen(encoded(4000, 3000, kind))
                self.assertEqual(seen.shape, (LONGEST * 3 // 4, LONGEST, 3))
                for side, colour in ((seen[:, :700], (180, 40, 30)), (seen[:, 900:], (30, 50, 160))):
                    self.assertLess(np.abs(side.mean((0, 1)) - colour).max(), 4)

    def test_a_small_one_keeps_its_size_and_one_that_lies_is_stood_up(self):
        self.assertEqual(self.seen(encoded(320, 200)).shape, (200, 320, 3))
        turned = self.seen(encoded(4000, 3000, turned=6))
        self.assertEqual(turned.shape, (LONGEST, LONGEST * 3 // 4, 3))
        self.assertLess(np.abs(turned[:700].mean((0, 1)) - (180, 40, 30)).max(), 4)

    def test_what_is_no_picture_or_too_large_is_refused_in_words(self):
        whole = encoded(640, 480)
        for data, said in (
            (b"GIF89a", "no picture"),
            (whole[: len(whole) // 2], "no picture"),
            (encoded(9000, 5000), "9000 x 5000"),
        ):
            with self.assertRaisesMessage(forms.ValidationError, said):
                kept(data)
