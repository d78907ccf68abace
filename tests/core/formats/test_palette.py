"""Palettes: every line is a colour to the letter, or told; names are kept, each once."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.spaces import hex_of
from mantello_core.errors import MantelloError, OutOfRange, UnknownName, Unreadable
from mantello_core.formats.palette import MOST_COLOURS, is_palette, read_palette, write_palette
from mantello_core.formats.shelf_document import shelf_of_palette
from mantello_core.paints.own import own_paint
from mantello_core.paints.range import paint


def colours(text):
    return [(one.name, one.hex) for one in read_palette(text).colours]


class Notations(TestCase):
    def test_colours_are_read_in_every_usual_notation(self):
        for line in (
            "47 93 80 Reed", " 47  93  80\tReed", "47,93,80,Reed", "#2f5d50 Reed", "Reed #2F5D50", "Reed,#2f5d50", "0x2f5d50 Reed", "2f5d50 Reed", '"Reed";"#2f5d50"',
            "Reed: rgb(47, 93, 80)", "rgb( 47,93,80 ) Reed", "Reed = hsl(163, 32.857%, 27.451%)", "--#2f5d50 Reed",
        ):  # fmt: skip
            (one,) = read_palette(line).colours
            self.assertEqual(one.hex, "#2f5d50", line)
            self.assertIn("Reed", one.name)
        self.assertEqual(colours("#fc0 Sun\n0.0 0.5 1.0 Sky\n"), [("Sun", "#ffcc00"), ("Sky", "#0080ff")])

    def test_the_palettes_own_name_is_kept_and_what_is_no_colour_is_told_with_its_line(self):
        palette = read_palette(
            "GIMP Palette\nName: Harbour, by lamp\nColumns: 4\n# mixed in spring\n#\n1 2 3 Ink\nhello\n300 0 0 Red\nrgb(9)\n"
        )
        self.assertEqual(palette.name, "Harbour, by lamp")
        self.assertEqual(
            [(one.number, one.text) for one in palette.told],
            [(4, "# mixed in spring"), (7, "hello"), (8, "300 0 0 Red"), (9, "rgb(9)")],
        )
        self.assertIn("each number is 0 to 255", palette.told[2].words)

    def test_long_names_strange_signs_repeats_and_alpha_are_kept_or_told(self):
        palette = read_palette(
            f"1 2 3 {'x' * 90}\n1 2 4 Gr\u202eey\n1 2 5 Red\n9 9 9 red\n1 2 5 Red\n#11223380 Glass\n7 7 7\n"
        )
        self.assertEqual(
            [one.name for one in palette.colours], ["x" * 80, "Grey", "Red", "red (2)", "Glass", "Colour 6"]
        )
        self.assertEqual([one.number for one in palette.told], [1, 2, 4, 5, 6])
        self.assertEqual(palette.told[0].text, f"1 2 3 {'x' * 90}")
        self.assertIn("kept once", palette.told[3].words)

    def test_what_is_no_palette_or_too_much_is_refused(self):
        for text, kind in (("GIMP Palette\nName: x\n", Unreadable), ("", Unreadable), ("".join(f"{at // 256} {at % 256} 3 c{at}\n" for at in range(MOST_COLOURS + 1)), OutOfRange)):  # fmt: skip
            with self.assertRaises(kind):
                read_palette(text)
        self.assertFalse(is_palette("paint,pots\nsalt-linen,1"))
        self.assertTrue(is_palette("Reed #2f5d50\nRope #aa9977"))

    @settings(max_examples=120, deadline=None)
    @given(
        st.lists(
            st.sampled_from(
                ["1 2 3 a", "#123 b", "Name: x", "junk", "rgb(1,2", "999 1 1", "0x12 c", "# d", "hsl(1,2%,300%)", ""]
            )
            | st.text(max_size=15),
            max_size=8,
        )
    )
    def test_every_line_is_a_colour_a_heading_or_told(self, lines):
        text = "\n".join(lines)
        try:
            palette = read_palette(text)
        except MantelloError:
            return
        seen = {one.number for one in (*palette.colours, *palette.told)}
        for number, line in enumerate(text.lstrip("\ufeff").splitlines(), 1):
            plain = line.strip()
            heading = plain.lower().startswith(("name", "columns", "channels")) and ":" in plain
            self.assertTrue(not plain or plain in ("#", "GIMP Palette") or heading or number in seen, line)
        self.assertEqual(len({one.name.casefold() for one in palette.colours}), len(palette.colours))


class Shelves(TestCase):
    def test_known_names_are_on_the_shelf_and_others_become_own_paints_with_their_colour_to_the_letter(self):
        text = (
            write_palette("Mine", [paint("salt-linen")])
            + "192  74 106\tMarket rose\n119 250 58\tLime\n 10 20 30\n1 2 3 Brine Green\n"
        )
        read = shelf_of_palette(read_palette(text), "semi-opaque")
        self.assertEqual([one.name for one in read.said], ["Market rose", "Lime", "Colour 4"])
        self.assertEqual([hex_of(own_paint(one).swatch) for one in read.said], ["#c04a6a", "#77fa3a", "#0a141e"])
        self.assertEqual(set(read.shelf), {"salt-linen", "brine-green", *(one.id for one in read.said)})
        self.assertEqual(read.shelf["salt-linen"].note, "From the palette Mine")
        self.assertIn("its colour is another than #010203", read.told[-1].words)

    def test_an_unknown_class_of_opacity_is_refused(self):
        with self.assertRaises(UnknownName):
            shelf_of_palette(read_palette("1 2 3 x\n"), "thick")
