"""Emblems of the painter's own and of repeated parts: outlines read, checked, measured, kept with the design."""

import json
import math

from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Point

from mantello_core.army.tree import Figure
from mantello_core.design.bearing import with_device
from mantello_core.design.own_devices import with_own_device, with_own_device_named, without_own_device
from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName, Unreadable
from mantello_core.formats.document.design import design_bytes, read_design_bytes, write_design
from mantello_core.formats.own_emblem import read_emblem
from mantello_core.formats.sample import levy
from mantello_core.insignia.devices.device import OWN, Device, checked_device, device_shape
from mantello_core.insignia.devices.own_outline import MOST_POINTS, own_commands
from mantello_core.insignia.devices.repeated import compared_with_reference
from mantello_core.insignia.devices.stroke import device_stroke
from tests.core.case import RefusalCase

SVG = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100">{}</svg>'
RING = SVG.format('<path fill-rule="evenodd" d="M0 0H100V100H0Z M30 30H70V70H30Z"/>')


def ring(name="Sluice ring"):
    return read_emblem(name, RING.encode())[0]


class Outlines(RefusalCase):
    def test_the_filled_shapes_of_a_file_are_one_outline_with_its_holes(self):
        shape = device_shape(ring(), 10, 10)
        self.assertAlmostEqual(shape.area, 84**2 * (1 - 0.16), delta=15)
        self.assertAlmostEqual(device_stroke(ring(), 10, 10), 0.3 * 8.4, delta=0.15)
        two, left = read_emblem(
            "Two",
            SVG.format('<rect width="20" height="60"/><rect x="20" width="40" height="20"/><text>x</text>').encode(),
        )
        self.assertEqual(len(device_shape(two, 6, 6).interiors), 0)
        self.assertEqual(left, ("a text",))

    def test_a_drawing_of_very_many_points_is_simplified(self):
        teeth = " ".join(f"L{50 + (40 + at % 2) * 1.0:.3f} {at * 0.05:.3f}" for at in range(2000))
        device, _ = read_emblem("Rough", SVG.format(f'<path d="M0 0 {teeth} L0 100Z"/>').encode())
        self.assertLessEqual(device.drawn.count(","), MOST_POINTS)

    def test_what_is_no_emblem_is_refused(self):
        for name, data, kind in (
            ("", RING, OutOfRange), ("x" * 81, RING, OutOfRange), ("A", SVG.format("<text>a</text>"), Unreadable), ("A", "<svg/>", Unreadable), ("A", SVG.format("<script/>"), Unreadable),
        ):  # fmt: skip
            with self.assertRaises(kind):
                read_emblem(name, data.encode())
        for drawn in (
            "",
            "L0,0",
            "M0,0 L1",
            "M0,0L1,1Zx",
            "M0,0L0,0Z",
            "M0,0L2000,0L0,9Z",
            "M0,0" + "L1,2" * 1000,
            'M0,0"/><script>',
            "M1e9,0L1,1L2,2Z",
        ):
            with self.assertRaises(MantelloError, msg=drawn[:20]):
                checked_device(Device(OWN, "A", drawn=drawn))

    def test_an_outline_that_crosses_itself_without_end_is_refused(self):
        def star(points: int) -> str:
            turns = [2.39996 * at for at in range(points)]
            return "M" + "L".join(f"{95 * math.cos(turn):.1f},{95 * math.sin(turn):.1f}" for turn in turns) + "Z"

        self.assertEqual(len(own_commands(star(20))), 21)
        with self.assertRaisesRegex(OutOfRange, "crosses itself"):
            checked_device(Device(OWN, "A", drawn=star(800)))

    def test_three_points_are_an_outline_and_two_are_none(self):
        self.assertEqual(len(own_commands("M0,0L20,0L0,20Z")), 4)
        self.assertEqual(len(own_commands("M0,0L20,0L0,20")), 3)
        with self.assertRaisesRegex(Unreadable, "encloses nothing"):
            own_commands("M0,0L20,20Z")

    @settings(max_examples=200, deadline=None)
    @given(st.text(st.sampled_from("MLCZ0123456789.,- "), max_size=60) | st.text(max_size=20))
    def test_any_text_is_an_outline_or_refused(self, text):
        try:
            commands = own_commands(text)
        except MantelloError:
            return
        self.assertEqual(commands[0][0], "M")


class Repeated(RefusalCase):
    def test_teeth_and_rays_are_as_many_as_said_and_lean_as_said(self):
        for kind in ("teeth", "rays"):
            for count in (5, 12, 24):
                shape = device_shape(Device(kind, str(count)), 20, 20)
                far = shape.intersection(Point(0, 0).buffer(200).difference(Point(0, 0).buffer(shape.bounds[2] * 0.85)))
                self.assertEqual(len(far.geoms), count, (kind, count))
            upright, one, other = (
                device_shape(Device(kind, "9", way), 20, 20) for way in ("", "clockwise", "anticlockwise")
            )
            self.assertNotEqual(upright, one)
            self.assertGreater(one.symmetric_difference(other).area, 0.05 * one.area)

    def test_counts_and_ways_that_are_none_are_refused(self):
        for text, way, kind in (
            ("2", "", OutOfRange),
            ("37", "", OutOfRange),
            ("many", "", OutOfRange),
            ("8", "up", UnknownName),
        ):
            with self.assertRaises(kind):
                checked_device(Device("teeth", text, way))
        with self.assertRaisesMessage(OutOfRange, "12 teeth, and you counted 11"):
            compared_with_reference("teeth", 12, 11)
        compared_with_reference("rays", 12, 12)
        self.assertEqual(checked_device(Device("rays", " 12 ", "clockwise")).words, "sun of 12 rays, leaning clockwise")


class Designs(RefusalCase):
    def borne(self):
        design = with_own_device(levy(), ring())
        unit = next(one for one in design.army.units if one.id == "1st-harbour-line")
        rank = next(one for one in unit.ranks if one.type == "fusilier")
        site = next(
            id_ for id_ in (site.id for sites in design.army.plate("fusilier").sites.values() for site in sites)
        )
        return with_device(design, Figure(unit.id, rank.id, 1), site, ring(), design.scheme.roles[0].id, 2)

    def test_a_design_with_an_emblem_reads_back_equal_and_holds_its_outline_once(self):
        design = self.borne()
        self.assertEqual(read_design_bytes(design_bytes(design)), design)
        self.assertEqual(json.dumps(write_design(design)).count(ring().drawn), 1)

    def test_a_new_drawing_and_a_new_name_reach_whoever_bears_it(self):
        design = self.borne()
        other, _ = read_emblem("sluice RING", SVG.format('<circle cx="9" cy="9" r="8"/>').encode())
        anew = with_own_device(design, other)
        self.assertEqual(
            [one.device for one in anew.scheme.placements if one.device and one.device.kind == OWN], [other]
        )
        called = with_own_device_named(design, "Sluice ring", "Weir ring")
        self.assertEqual(
            [one.device.text for one in called.scheme.placements if one.device and one.device.kind == OWN],
            ["Weir ring"],
        )

    def test_refusals(self):
        design = self.borne()
        with self.assertRaisesMessage(Contradiction, "take those marks off"):
            without_own_device(design, "Sluice ring")
        with self.assertRaises(UnknownName):
            without_own_device(design, "None")
        two = with_own_device(design, ring("Other"))
        with self.assertRaises(Contradiction):
            with_own_device_named(two, "Other", "sluice ring")
        self.assertEqual(len(without_own_device(two, "Other").scheme.devices), 1)
        document = write_design(design)
        for spoil, kind in (
            (lambda scheme: scheme.pop("devices"), UnknownName), (lambda scheme: scheme["devices"].append(scheme["devices"][0]), Contradiction),
            (lambda scheme: scheme["devices"][0].update(drawn="M0,0"), Unreadable),
        ):  # fmt: skip
            bad = json.loads(json.dumps(document))
            spoil(bad["scheme"])
            with self.assertRaises(kind):
                read_design_bytes(json.dumps(bad).encode())
