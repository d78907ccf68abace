"""Facing: what lies on one side is told, what lies on both is not."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.figures.catalogue import plate, plate_types
from mantello_core.figures.facing import facing_words

FUSILIER = plate("fusilier")


def only_on(side: str) -> set[str]:
    """Areas that one side alone shows."""
    seen = {view.name: {one.area for one in view.areas} for view in FUSILIER.views}
    return seen[side] - set().union(*(names for name, names in seen.items() if name != side))


class Facing(TestCase):
    def test_a_pack_is_painted_from_behind_and_a_face_from_before(self):
        self.assertTrue(only_on("back"))
        self.assertIn("All of it is on the back", facing_words(FUSILIER, only_on("back")))
        self.assertIn("All of it is on the front", facing_words(FUSILIER, only_on("front")))

    def test_a_coat_is_on_both_sides(self):
        coat = [name for name in FUSILIER.areas if name.startswith("torso.coat")]
        self.assertTrue(coat)
        self.assertEqual(facing_words(FUSILIER, list(FUSILIER.areas)), "")

    def test_a_little_of_the_other_side_is_told_as_a_turn_at_the_end(self):
        back = only_on("back")
        front = {one.area: one.mm2 for view in FUSILIER.views if view.name == "front" for one in view.areas}
        small = next(name for name in sorted(only_on("front")) if 3.0 < front[name] < 20.0)
        self.assertIn("turn them once at the end", facing_words(FUSILIER, back | {small}))

    @given(st.sampled_from(plate_types()), st.data())
    def test_no_choice_of_areas_breaks_it(self, kind, data):
        shape = plate(kind)
        areas = data.draw(st.sets(st.sampled_from(sorted(shape.areas))))
        said = facing_words(shape, areas)
        self.assertTrue(said == "" or said.endswith("."))
        self.assertEqual(facing_words(shape, ()), "")
