"""Paints as a palette file."""

from unittest import TestCase

from mantello_core.colour.spaces import hex_of
from mantello_core.formats.palette import write_palette
from mantello_core.paints.range import paint, paints


class Palette(TestCase):
    def test_by_hand(self):
        red, green, blue = bytes.fromhex(hex_of(paint("salt-linen").swatch)[1:])
        text = write_palette("My shelf", [paint("salt-linen")])
        self.assertEqual(
            text, f"GIMP Palette\nName: My shelf\nColumns: 8\n#\n{red:3d} {green:3d} {blue:3d}\tSalt Linen\n"
        )

    def test_every_paint_is_one_line_of_three_bytes_and_its_name(self):
        lines = write_palette("All", paints().values()).splitlines()[4:]
        self.assertEqual([line.split("\t")[1] for line in lines], [pot.name for pot in paints().values()])
        for line in lines:
            self.assertTrue(all(0 <= int(part) <= 255 for part in line.split("\t")[0].split()))

    def test_a_name_stays_one_line(self):
        self.assertEqual(write_palette("a\nb\n", []).splitlines()[1], "Name: a b")
        self.assertEqual(write_palette(" ", []).splitlines()[1], "Name: Paints")
