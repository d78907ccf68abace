"""Minutes against yardsticks of an average painter, on figures that they were not fitted to as well."""

from collections import defaultdict
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.figures.catalogue import plate, plate_types
from mantello_core.figures.extent import NOTHING, Extent, united
from mantello_core.figures.plate import SeenArea
from mantello_core.paints.range import paint
from mantello_core.recipes.handwork import (
    CARE,
    PACES,
    Circumstances,
    brushing_seconds,
    ground_seconds,
    hands,
    seconds_of,
)
from mantello_core.recipes.step import Manner, Mix, Step

ALONE, OF_TWENTY, RAPID = Circumstances(), Circumstances(figures=20), Circumstances(pace="rapid", figures=20)
#: figures that the starting values were fitted to, and others
FITTED, OTHERS = (
    ("fusilier", "knight", "reedcutter"),
    ("warden", "ranger", "sergeant", "skirmisher", "gunner", "sluicer"),
)


def step(kind: str, share: float | None = None, pot: str = "salt-linen") -> Step:
    return Step(kind, kind, Mix(((paint(pot), 1.0),)), manner=Manner(share=share))


def roles(figure) -> dict:
    """The areas of a figure as a painter would share them out: by what they are made of, the base and what is carried apart."""
    found = defaultdict(list)
    for name, area in figure.areas.items():
        head, _, rest = name.partition(".")
        apart = head if head in ("base", "weapon", "shield", "vehicle") else ""
        found[apart, area.material, rest if apart == "base" else ""].append(area)
    return {key: united(area.extent for area in areas) for key, areas in found.items()}


def classic(figure, around: Circumstances) -> float:
    """Minutes of base coats, wash, layers and edge lights on one whole figure."""
    seconds = 0.0
    for (apart, material, rest), extent in roles(figure).items():
        if apart == "base":
            kinds = ("base",) if rest == "rim" else ("base", "drybrush")
        elif extent.surface_mm2 < 3:
            kinds = ("base",)
        elif material in ("metal", "plate", "mail"):
            kinds = ("base", "base", "shade", "edge")
        else:
            kinds = ("base", "base", "shade", "layer", "highlight", "edge")
        seconds += sum(seconds_of(step(kind), extent, 1, around) for kind in kinds)
    return seconds / 60


def stains(figure, around: Circumstances) -> float:
    """Minutes of one-coat stains over a drybrushed ground."""
    seconds = seconds_of(step("drybrush"), figure.extent, 1, around)
    for (apart, material, _), extent in roles(figure).items():
        seconds += seconds_of(step("base" if apart == "base" or material == "metal" else "stain"), extent, 1, around)
    return seconds / 60


def worn_plate(figure) -> Extent:
    return united(
        area.extent for name, area in figure.areas.items()
        if area.material in ("plate", "metal") and not name.startswith(("base", "weapon", "shield", "gear"))
    )  # fmt: skip


class Yardsticks(TestCase):
    def test_a_whole_figure_takes_what_painters_take(self):
        for name in (*FITTED, *OTHERS):
            with self.subTest(name):
                self.assertTrue(50 <= classic(plate(name), ALONE) <= 120, classic(plate(name), ALONE))
                self.assertTrue(14 <= stains(plate(name), ALONE) <= 30, stains(plate(name), ALONE))

    def test_a_warband_of_twenty_in_stains_takes_a_fast_painter_an_evening(self):
        for name in ("reedcutter", "skirmisher"):
            hours = [20 * stains(plate(name), around) / 60 for around in (OF_TWENTY, RAPID)]
            self.assertTrue(3 < hours[0] < 5 and 1.5 < hours[1] < 2.5, hours)

    def test_a_champion_takes_hours(self):
        display = Circumstances("centrepiece", "display")
        self.assertTrue(4 < classic(plate("captain"), display) / 60 < 9)

    def test_edges_and_lines_of_full_plate_are_the_long_stages_they_are(self):
        worn = worn_plate(plate("knight"))
        every_edge = seconds_of(step("edge", 1.0), worn, 1) / 60
        lining = seconds_of(step("line"), worn, 1) / 60
        again = seconds_of(step("layer", 0.82), worn, 2) / 60
        self.assertTrue(8 <= every_edge <= 15, every_edge)
        self.assertTrue(8 <= lining <= 15, lining)
        self.assertGreater(again, max(every_edge, lining))

    def test_coats_rims_shields_and_lenses(self):
        knight = plate("knight")
        shield = united(area.extent for name, area in knight.areas.items() if name.startswith("shield.face"))
        surcoat = united(area.extent for name, area in knight.areas.items() if name.startswith("torso.surcoat.q"))
        self.assertTrue(0.5 <= seconds_of(step("base"), shield, 1) / 60 <= 1)
        self.assertTrue(1 <= seconds_of(step("base"), surcoat, 1) / 60 <= 3)
        self.assertTrue(0.3 <= seconds_of(step("base"), knight.areas["base.rim"].extent, 1) / 60 <= 0.7)
        lenses = plate("artificer").areas["head.goggles.lens"].extent
        self.assertEqual(lenses.lenses, 2)
        values = sum(seconds_of(step(kind), lenses, 1) for kind in ("base", "layer", "highlight", "dot"))
        self.assertTrue(3 <= values / 60 <= 5, values)

    def test_at_half_the_height_a_figure_takes_a_third_to_a_half(self):
        for name in (*FITTED, *OTHERS):
            share = classic(plate(name), Circumstances(figures=20, height=14)) / classic(plate(name), OF_TWENTY)
            self.assertTrue(0.33 <= share <= 0.5, share)


class Laws(TestCase):
    @given(st.sampled_from(("base", "shade", "stain", "layer", "highlight", "edge", "line", "dot", "oil", "drybrush")),
           st.floats(1, 400), st.integers(1, 5), st.sampled_from(tuple(CARE)), st.sampled_from(tuple(PACES)), st.integers(1, 60))  # fmt: skip
    def test_more_takes_longer_and_care_and_pace_tell(self, kind, surface, coats, tier, pace, figures):
        extent = Extent(surface, surface / 2, surface / 3, surface / 6, surface / 3, 2, 3, 2, 1 + surface / 80)
        around = Circumstances(tier, pace, figures)
        taken = seconds_of(step(kind), extent, coats, around)
        self.assertGreater(taken, 0)
        self.assertGreater(seconds_of(step(kind), extent, coats + 1, around), taken)
        self.assertGreaterEqual(seconds_of(step(kind), united((extent, extent)), coats, around), taken)
        self.assertLess(seconds_of(step(kind), extent, coats, Circumstances(tier, pace, figures + 5)), taken)
        self.assertGreaterEqual(
            seconds_of(step(kind), extent, coats, Circumstances("centrepiece", "display", figures)), taken
        )

    def test_an_area_more_adds_its_brushing_and_no_picking_up(self):
        extent = plate("knight").areas["head.helm.skull"].extent
        whole, added = seconds_of(step("base"), extent, 2), brushing_seconds(step("base"), extent, 2)
        self.assertAlmostEqual(whole - added, 2 * hands()["pick"].value)

    def test_everything_in_the_table_is_positive_and_has_a_unit_and_a_spread(self):
        self.assertGreater(len(hands()), 15)
        for name, hand in hands().items():
            self.assertTrue(hand.value > 0 and 0 < hand.spread < 1 and " " in hand.unit, name)

    def test_sprayed_paints_are_sprayed_and_a_panel_laid_again_is_known(self):
        self.assertEqual(step("base", pot="undercoat-soot").work, "can")
        self.assertEqual(step("layer", 0.8).work, "relay")
        self.assertEqual(step("layer").work, "layer")
        knight = plate("knight").extent
        self.assertLess(ground_seconds("can", knight.surface_mm2), 20)


class Measured(TestCase):
    def test_every_shipped_area_has_edges_and_seams_that_fit_its_outline(self):
        for name in plate_types():
            for view in plate(name).views:
                for seen in view.areas:
                    self.assertLessEqual(seen.sharp_mm, seen.exposed_mm + 1e-6)
                    self.assertLessEqual(seen.exposed_mm, seen.free_mm + 1e-6)
                    self.assertLessEqual(seen.free_mm + seen.foot_mm, seen.outline_mm * 1.02 + 0.5, (name, seen.area))

    def test_quarters_of_one_coat_have_no_edge_between_them(self):
        front = next(view for view in plate("knight").views if view.name == "front")
        inner = next(seen for seen in front.areas if seen.area == "torso.surcoat.q2")
        self.assertEqual(inner.free_mm, 0)

    def test_drawings_from_before_are_measured_by_what_they_have(self):
        plain = SeenArea.plain("a", 4, 2)
        self.assertEqual(plain.extent.free_mm, 12)
        self.assertEqual(plain.extent.foot_mm, 0)
        self.assertLess(plain.extent.sharp_mm, plain.extent.exposed_mm)

    def test_nothing_is_nothing(self):
        self.assertEqual(united(()), NOTHING)
        self.assertEqual(united((NOTHING, NOTHING)).surface_mm2, 0)
