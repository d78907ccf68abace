"""Colours picked from photographs: on invented scenes whose truth is known, a number within its bounds or a warning instead."""

import base64
import io
import json
from unittest import TestCase

import numpy as np
from PIL import Image

from mantello_core.colour.difference import difference
from mantello_core.colour.patch import patch_of
from mantello_core.colour.scene_light import coarse, freed, scene_light
from mantello_core.colour.spaces import Lab, lab_of, lab_of_hex, linear_light, linear_of, xyz_of_linear
from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.formats.picked import colour_pointed_at, read_pointed
from tests.core.case import RefusalCase

SIZE = (900, 680)
PLAIN = (0.22, 0.2, 0.17)


def encoded(linear):
    return np.where(linear <= 0.0031308, linear * 12.92, 1.055 * np.maximum(linear, 1e-9) ** (1 / 2.4) - 0.055)


class Scene:
    """A picture of grey marks and coloured cloths under some light, through a camera with grain and JPEG."""

    def __init__(
        self, seed, *, marks=1, ground=PLAIN, fall=0.0, cast=(1, 1, 1), noise=0.0, stops=0.0, tilt=0.0, tint=0.0
    ):
        random = np.random.default_rng(seed)
        wide, tall = SIZE
        y, x = np.mgrid[0:tall, 0:wide]
        sent = np.ones((tall, wide, 3)) * (PLAIN if ground == "busy" else ground)
        if ground == "busy":
            for _ in range(250):
                left, top = random.integers(0, wide), random.integers(0, tall)
                sent[top : top + random.integers(30, 200), left : left + random.integers(30, 200)] = random.uniform(
                    0.03, 0.8, 3
                )
        places = [(column, row) for row in range(5) for column in range(7)]
        random.shuffle(places)
        self.marks, self.cloths = [], []
        for at, (column, row) in enumerate(places[: 16 + marks]):
            across, down = (column + 1) / 8.2 * wide, (row + 0.8) / 5.6 * tall
            across, down = int(across + tilt * (down - tall / 2)), int(down + 0.1 * tilt * (across - wide / 2))
            lab = Lab(random.uniform(20, 90), random.uniform(-35, 35), random.uniform(-35, 35))
            colour = np.array([0.18] * 3) if at < marks else np.clip(linear_of(lab), 0.01, 0.95)
            sent[down - 24 : down + 24, across - 26 : across + 26] = colour
            (self.marks if at < marks else self.cloths).append((across / wide, down / tall, colour))
        light = (
            np.exp(-fall * ((x / wide - 0.2) ** 2 + (y / tall - 0.15) ** 2) * 1.2)[..., None]
            * np.array(cast)
            * 2**stops
        )
        light = light * np.exp(tint * (x[..., None] / wide - 0.5) * np.array([1, 0, -1]))
        linear = sent * light
        linear += random.normal(0, 0.5 * noise, linear.shape) * np.sqrt(np.maximum(linear, 1e-4))
        self.keep(linear)

    def keep(self, linear):
        out = io.BytesIO()
        Image.fromarray(np.round(255 * np.clip(encoded(np.clip(linear, 0, 1)), 0, 1)).astype(np.uint8)).save(
            out, "JPEG", quality=90
        )
        self.picture = np.asarray(Image.open(out).convert("RGB"), float) / 255

    def patch(self, x, y):
        across, down = int(x * SIZE[0]), int(y * SIZE[1])
        return patch_of(self.picture[down - 9 : down + 10, across - 9 : across + 10])

    def light(self):
        return scene_light(
            [(x, y, self.patch(x, y)) for x, y, _ in self.marks], coarse(linear_light(self.picture[::2, ::2]))
        )

    def told(self):
        """CIEDE2000 of every cloth that a number is given for, and how many are warned of instead."""
        light = self.light()
        found = [(freed(light, x, y, self.patch(x, y)), colour) for x, y, colour in self.cloths]
        apart = [
            difference(one.colour, lab_of(xyz_of_linear(colour))) for one, colour in found if one.colour is not None
        ]
        return apart, len(found) - len(apart)


class Scenes(TestCase):
    """Mean at most 1.5 and worst 4 CIEDE2000, whatever the light."""

    def assert_told(self, least=14, **scene):
        apart, numbers = [], 0
        for seed in range(2):
            some, _ = Scene(seed, **scene).told()
            apart += some
            numbers += len(some)
        self.assertGreaterEqual(numbers, 2 * least, scene)
        self.assertLessEqual(np.mean(apart), 1.5, scene)
        self.assertLessEqual(max(apart), 4, scene)

    def test_even_noisy_dim_and_coloured_light(self):
        for scene in ({}, {"noise": 0.08}, {"stops": -2, "noise": 0.05}, {"cast": (1, 0.8, 0.55), "noise": 0.03}):
            self.assert_told(**scene)

    def test_uneven_light_is_put_right_by_a_plain_ground_of_any_colour(self):
        for scene in (
            {"fall": 0.8}, {"fall": 1.5, "noise": 0.05}, {"fall": 0.8, "tilt": 0.06, "cast": (0.8, 1, 0.9)}, {"fall": 1, "stops": -2, "noise": 0.05},
            {"fall": 0.8, "ground": (0.03, 0.03, 0.03)}, {"fall": 0.8, "ground": (0.1, 0.2, 0.4)}, {"fall": 0.8, "ground": (0.85, 0.85, 0.84)},
        ):  # fmt: skip
            self.assert_told(**scene)
        light = Scene(3, fall=0.8).light()
        self.assertEqual(light.by, "ground")
        self.assertGreater(light.fall, 2)

    def test_lamps_of_two_colours_are_followed_by_the_ground(self):
        self.assert_told(least=11, fall=0.4, tint=0.25, stops=-0.5)

    def test_on_a_busy_ground_a_number_is_told_near_marks_or_not_at_all(self):
        for marks in (1, 2, 3, 4):
            for fall in (0.0, 0.8):
                apart, warned = Scene(marks, marks=marks, ground="busy", fall=fall, noise=0.03).told()
                self.assertLessEqual(max(apart, default=0), 4)
                self.assertGreater(warned, 0)
        scene = Scene(1, ground="busy")
        x, y, _ = scene.marks[0]
        self.assertIn(
            "second mark",
            freed(scene.light(), (x + 0.5) % 1, (y + 0.5) % 1, scene.patch(*scene.cloths[0][:2])).doubts[0],
        )


class Spoilt(RefusalCase):
    def flat(self, value, count=300):
        return np.full((count, 3), value, float)

    def test_burnt_and_glossy_pixels_are_left_out_and_told_or_refused(self):
        cloth = np.array([0.3, 0.5, 0.4])
        some = np.vstack([np.tile(cloth, (260, 1)), np.ones((40, 3))])
        self.assertEqual(patch_of(some).hex, patch_of(np.tile(cloth, (260, 1))).hex)
        self.assertIn("13 % of it is burnt", patch_of(some).told[0])
        gloss = np.vstack([np.tile(cloth, (240, 1)), np.tile(cloth + 0.3, (60, 1))])
        self.assertEqual(patch_of(gloss).hex, patch_of(np.tile(cloth, (240, 1))).hex)
        self.assertIn("gloss on 20 %", patch_of(gloss).told[0])
        self.assertIn("burnt out", patch_of(self.flat(1.0)).doubts[0])
        self.assertIn("too dark", patch_of(self.flat(0.002)).doubts[0])
        half = np.vstack([np.tile(cloth, (150, 1)), np.tile(cloth * 0.6, (150, 1))])
        self.assertIn("no one colour", patch_of(half).doubts[0])

    def test_grain_is_no_doubt(self):
        grain = np.random.default_rng(1).normal(0, 0.02, (400, 3)) + 0.4
        self.assertEqual((patch_of(grain).doubts, patch_of(grain).told), ((), ()))

    def test_marks_that_are_none_are_refused(self):
        for value, said in (([0.9, 0.2, 0.1], "no grey"), ([0.05, 0.05, 0.05], "too dark"), ([1, 1, 1], "burnt out")):
            with self.assertRaisesMessage(OutOfRange, said):
                scene_light([(0.5, 0.5, patch_of([value] * 50))])
        with self.assertRaisesMessage(OutOfRange, "grey card first"):
            scene_light([])

    def test_marks_of_different_casts_and_a_shaded_one_are_told(self):
        warm, cold = patch_of([[0.5, 0.44, 0.36]] * 50), patch_of([[0.38, 0.44, 0.52]] * 50)
        self.assertIn("two colours", scene_light([(0.2, 0.5, warm), (0.8, 0.5, cold)]).doubts[0])
        grid = np.full((18, 24, 3), 0.2)
        grey, shaded = patch_of([[0.46] * 3] * 50), patch_of([[0.3] * 3] * 50)
        self.assertIn("shadow falls on one", scene_light([(0.2, 0.5, grey), (0.8, 0.5, shaded)], grid).doubts[0])
        two = scene_light([(0.2, 0.5, grey), (0.5, 0.4, grey), (0.8, 0.5, shaded)], grid)
        self.assertEqual(two.doubts, ())

    def test_what_is_brighter_than_white_is_no_colour(self):
        light = scene_light([(0.5, 0.5, patch_of([[0.3] * 3] * 50))])
        self.assertIn("more light than a white", freed(light, 0.5, 0.5, patch_of([[0.95] * 3] * 50)).doubts[0])


def sent(**change):
    grey = base64.b64encode(bytes([118, 118, 118] * 25)).decode()
    document = {
        "small": {"width": 24, "height": 18, "rgb": base64.b64encode(bytes([120, 110, 100] * 24 * 18)).decode()},
        "marks": [{"x": 0.2, "y": 0.3, "rgb": grey}],
        "place": {"x": 0.8, "y": 0.7, "rgb": base64.b64encode(bytes([30, 60, 130] * 25)).decode()},
    }
    return json.dumps(document | change).encode()


class Sent(TestCase):
    def test_what_a_page_sends_is_read_and_freed(self):
        found = colour_pointed_at(read_pointed(sent()))
        self.assertLess(difference(found.colour, lab_of_hex("#1e3c82")), 1)

    def test_what_is_wrong_is_refused_with_its_place(self):
        place = {"x": 0.2, "y": 0.3, "rgb": "AAAA"}
        for change, kind in (
            ({"marks": []}, MantelloError), ({"marks": [place | {"rgb": "A"}]}, Unreadable), ({"marks": [place | {"rgb": "AAAAAA=="}]}, Unreadable),
            ({"small": {"width": 24, "height": 18, "rgb": "AAAA"}}, Unreadable), ({"place": place | {"x": 2}}, MantelloError), ({"more": 1}, MantelloError),
        ):  # fmt: skip
            with self.assertRaises(kind):
                read_pointed(sent(**change))
        with self.assertRaises(OutOfRange):
            read_pointed(b" " * 200_001)
