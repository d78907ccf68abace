"""Areas too small for a brush become part of what they lie beside: nothing of the figure is lost, and it is taken back whole."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import example, given, settings
from hypothesis import strategies as st

from mantello_core.checks.look import Look
from mantello_core.checks.small import small
from mantello_core.design.brief import Brief
from mantello_core.design.joining import small_areas, with_small_joined, without_joined
from mantello_core.figures.catalogue import plate, plate_types
from mantello_core.figures.joining import LEAST_ROOM, too_small, with_joined
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.scheme.cascade import resolve
from tests.samples import calvessa


class Plates(TestCase):
    def test_at_28_mm_all_are_painted_apart_and_the_smaller_the_fewer(self):
        whole = plate("fusilier")
        self.assertEqual(too_small(whole, 1), ())
        ten, six = too_small(whole, 10 / 28), too_small(whole, 6 / 28)
        self.assertIn("torso.coat.buttons", ten)
        self.assertNotIn("arm.left.sleeve", six)
        self.assertLess(set(ten), set(six))

    def test_joined_areas_are_gone_and_their_surface_is_not(self):
        for name in ("fusilier", "knight", "mudcarrier", "lancer"):
            whole = plate(name)
            small_ones = too_small(whole, 10 / 28)
            made = with_joined(whole, small_ones)
            self.assertEqual(set(made.areas), set(whole.areas) - set(small_ones), name)
            self.assertAlmostEqual(
                sum(one.mm2 for one in made.areas.values()), sum(one.mm2 for one in whole.areas.values()), places=0
            )
            for view in made.views:
                self.assertEqual({layer.area for layer in view.layers}, {seen.area for seen in view.areas})
                self.assertEqual(len({seen.area for seen in view.areas}), len(view.areas))
                self.assertTrue(all(one in made.areas and other in made.areas for one, other, _ in view.seams))
            self.assertFalse(set(made.sites) - set(made.areas))
            self.assertIs(with_joined(whole, small_ones), made)

    def test_buttons_become_part_of_the_coat_they_lie_on(self):
        made = with_joined(plate("fusilier"), ["torso.coat.buttons"])
        coat = [name for name in made.areas if made.areas[name].mm2 > plate("fusilier").areas[name].mm2]
        self.assertEqual(len(coat), 1)
        self.assertTrue(coat[0].startswith("torso.coat"), coat)

    @settings(max_examples=25, deadline=None)
    @given(st.sampled_from(plate_types()), st.floats(0.15, 1.2))
    @example("bearer", 0.1875)
    @example("quaygun", 0.15)
    def test_whatever_the_size_what_is_left_has_room_or_no_neighbour(self, name, size):
        whole = plate(name)
        made = with_joined(whole, too_small(whole, size))
        for area, one in made.areas.items():
            if not area.startswith("base.") and one.extent.room_mm * size < LEAST_ROOM:
                self.assertFalse(
                    {other for other in whole.neighbours[area] if not other.startswith("base.")}
                    & set(made.areas) - {area}
                    and area in too_small(made, size),
                    area,
                )


class Designs(TestCase):
    @classmethod
    def setUpClass(cls):
        cls.design = replace(calvessa(), brief=Brief(height_mm=10.0))

    def test_a_check_tells_it_and_its_fix_joins_a_type_in_one_go(self):
        found = small(Look(self.design, resolve(self.design.army, self.design.scheme)))
        self.assertEqual(found.verdict, "look")
        first = found.findings[0]
        self.assertRegex(first.what, r"\d+ areas of .* are too small: ")
        mended = first.fix.change(self.design)
        again = small(Look(mended, resolve(mended.army, mended.scheme)))
        self.assertEqual(len(again.findings), len(found.findings) - 1)
        usual = calvessa()
        self.assertEqual(small(Look(usual, resolve(usual.army, usual.scheme))).verdict, "clear")

    def test_a_document_keeps_it_and_it_is_taken_back_whole(self):
        made = with_small_joined(self.design, "fusilier")
        self.assertFalse(small_areas(made, "fusilier"))
        self.assertLess(len(made.army.plate("fusilier").areas), 70)
        self.assertEqual(read_design_bytes(design_bytes(made)), made)
        self.assertEqual(without_joined(made, "fusilier"), self.design)
        self.assertIs(without_joined(made, "fusilier").army.plate("fusilier"), self.design.army.plate("fusilier"))
