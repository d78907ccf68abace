"""Devices: drawn to fit, refused where they cannot be."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.geometry.polygon import polygon_of
from mantello_core.insignia.devices.device import (
    MARGIN,
    Device,
    checked_device,
    device_outline,
    device_shape,
    figures,
)

SIGNS = st.text("0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ", min_size=1, max_size=3)
DEVICES = SIGNS.map(lambda text: Device("text", text)) | st.sampled_from(sorted(figures())).map(Device)


class Devices(TestCase):
    @given(DEVICES, st.floats(0.5, 40), st.floats(0.5, 40))
    def test_any_device_fills_its_site_to_the_margin_about_its_middle(self, device, width, height):
        left, top, right, bottom = device_shape(device, width, height).bounds
        wide, tall = (right - left) / 10, (bottom - top) / 10
        self.assertLessEqual(wide, width * MARGIN + 1e-6)
        self.assertLessEqual(tall, height * MARGIN + 1e-6)
        self.assertAlmostEqual(max(wide / width, tall / height), MARGIN, places=6)
        self.assertAlmostEqual(left + right, 0, places=6)

    def test_every_figure_and_sign_encloses_something(self):
        for device in (
            *map(Device, figures()),
            *(Device("text", sign) for sign in "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ"),
        ):
            self.assertGreater(polygon_of(device_outline(device, 10, 10)).area, 300, device)

    def test_signs_stand_side_by_side_in_reading_order(self):
        one, seven = (polygon_of(device_outline(Device("text", sign), 10, 10)).area for sign in "17")
        both = device_outline(Device("text", "17"), 20, 10)
        left = min(point[0] for step in both for point in step[1:])
        self.assertLess(left, -20)
        self.assertGreater(polygon_of(both).area, 0.5 * min(one, seven))

    def test_letters_become_capitals_and_a_figure_needs_no_text(self):
        self.assertEqual(checked_device(Device("text", " k2 ")), Device("text", "K2"))
        self.assertEqual(checked_device(Device("disc", "ignored")), Device("disc"))
        self.assertEqual(Device("chevrons").words, "two chevrons")

    def test_what_cannot_be_drawn_is_refused(self):
        for device, kind in (
            (Device("text", ""), OutOfRange),
            (Device("text", "1234"), OutOfRange),
            (Device("text", "é"), OutOfRange),
            (Device("text", "<>"), OutOfRange),
            (Device("skull"), UnknownName),
            (Device(""), UnknownName),
        ):
            with self.assertRaises(kind):
                checked_device(device)
