"""Traces drawn one by one: as many as there are, where they lie, the same for one seed and others for another."""

import re
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.figures.plate import SeenArea
from mantello_core.formats.drawing import Lit, plate_svg
from mantello_core.formats.traces import MOST, Trace, traces_svg
from mantello_core.geometry.levels import levels
from mantello_core.geometry.rings import rings_of
from tests.samples import calvessa

PANEL = SeenArea.plain("hull.side", 20.0, 10.0)  # 2 cm²


def many(drawn: str) -> int:
    return drawn.count("M")


class Traces(TestCase):
    def test_there_are_as_many_as_lie_on_a_square_centimetre(self):
        for place in ("dots", "scratches", "runs"):
            drawn = traces_svg(PANEL, (Trace(place, "#101010", 10.0, 1.5, 0.2),), seed=3)
            self.assertEqual(many(drawn), 20, place)
        self.assertEqual(many(traces_svg(PANEL, (Trace("dots", "#101010", 4000.0, 1.0, 0.2),))), MOST)
        self.assertEqual(traces_svg(PANEL, (Trace("dots", "#101010", 0.0, 1.0, 0.2),)), "")

    def test_one_seed_draws_the_same_and_another_another(self):
        trace = (Trace("dots", "#101010", 10.0, 1.0, 0.3),)
        self.assertEqual(traces_svg(PANEL, trace, 7), traces_svg(PANEL, trace, 7))
        self.assertEqual(len({traces_svg(PANEL, trace, seed) for seed in range(12)}), 12)

    @given(st.integers(0, 10_000))
    def test_chips_lie_at_edges_and_runs_begin_in_the_upper_part(self, seed):
        chips = traces_svg(PANEL, (Trace("dots", "#101010", 10.0, 1.0, 0.1),), seed)
        for ring in rings_of(chips.split('d="')[1].split('"')[0]):
            x, y = ring[0]
            self.assertLess(min(100 - abs(x), 50 - abs(y)), 5)
        runs = traces_svg(PANEL, (Trace("runs", "#101010", 10.0, 1.0, 0.1),), seed).split('d="')[1].split('"')[0]
        for one in runs.split("M")[1:]:
            self.assertLess(float(one.split("h")[0].split(",")[1]), 10.01)

    def test_a_second_hue_lies_in_the_chips_there_are_and_between_the_runs(self):
        def first(trace) -> str:
            """Where the first of them begins."""
            return traces_svg(PANEL, (trace,), 1).split('d="M')[1].replace("h", "L").split("L")[0]

        chip = Trace("dots", "#101010", 3.0, 0.1, 0.1)
        self.assertEqual(first(chip), first(chip._replace(colour="#a05020")))
        run = Trace("runs", "#101010", 3.0, 1.0, 0.1)
        self.assertNotEqual(first(run), first(run._replace(dealt=1)))

    def test_a_lip_lies_beneath_its_chip_or_above(self):
        chip = Trace("dots", "#101010", 0.5, 0.3, 0.3)
        middle = rings_of(traces_svg(PANEL, (chip,), 1).split('d="')[1].split('"')[0])[0]
        at = sum(y for _, y in middle) / len(middle)
        for side, below in (("lower", True), ("upper", False)):
            lip = traces_svg(PANEL, (Trace("lips", "#fff", 0.5, 0.3, 0.3, side=side),), 1)
            y = float(lip.split("M")[1].split("l")[0].split(",")[1])
            self.assertEqual(y > at, below, side)

    def test_stripes_stand_apart_as_many_to_the_centimetre(self):
        self.assertEqual(many(traces_svg(PANEL, (Trace("stripes", "#fff", 5.0, 0.0, 0.4),))), 11)
        self.assertIn('stroke-width="6.0"', traces_svg(PANEL, (Trace("border", "#fff", 0.0, 0.0, 0.3),)))

    def test_a_plate_shows_them_and_clips_them_to_their_area(self):
        plate = next(iter(calvessa().army.units)).ranks[0].type
        shape = calvessa().army.plate(plate)
        area = max(shape.areas.values(), key=lambda one: one.mm2).name
        lit = Lit("#111111", "#222222", "#333333", (Trace("dots", "#abcdef", 60.0, 0.3, 0.3),))
        drawn = plate_svg(
            shape, shape.views[0].name, lambda _: "#888888", lit_of=lambda one: lit if one == area else None
        )
        self.assertEqual(drawn.count('fill="#abcdef"'), 1)
        self.assertIn("clip-path", drawn)
        small = plate_svg(shape, shape.views[0].name, lambda _: "#888888", lit_of=lambda _: lit, detail="small")
        self.assertIn("#abcdef", small)
        self.assertNotIn("#222222", small)


class Bands(TestCase):
    LIT = Lit(
        "#111111", "#222222", "#333333", (), ((0.2, "#fafafa"), (0.55, "#bababa"), (1.0, "#5a5a5a")), (-0.7, -0.7)
    )

    def drawn(self, detail: str) -> str:
        design = calvessa()
        self.shape = shape = design.army.plate(design.army.units[0].ranks[0].type)
        return plate_svg(shape, shape.views[0].name, lambda _: "#888888", lit_of=lambda _: self.LIT, detail=detail)

    def test_broad_lights_lie_as_bands_from_the_light_downwards(self):
        stops = re.findall(
            r'<stop offset="([\d.]+)" stop-color="(#\w+)"/>', self.drawn("large").split("</linearGradient>")[0]
        )
        self.assertEqual(
            [colour for _, colour in stops], ["#fafafa", "#fafafa", "#bababa", "#bababa", "#5a5a5a", "#5a5a5a"]
        )
        offsets = [float(at) for at, _ in stops]
        self.assertEqual(offsets, sorted(offsets))
        view = self.shape.views[0]
        seen, names = {one.area: one for one in view.areas}, [layer.area for layer in view.layers]
        drawn_first = next(name for at, name in enumerate(names) if name in seen and name not in names[at + 1 :])
        narrow, middle = levels(seen[drawn_first].visible, (-0.7, -0.7), (0.2, 0.55))
        self.assertTrue(offsets[1] < narrow < offsets[2] and offsets[3] < middle < offsets[4], offsets)
        self.assertIn('x1="0" y1="0" x2="1" y2="1"', self.drawn("large"))

    def test_small_drawings_have_none(self):
        self.assertNotIn("linearGradient", self.drawn("small"))
