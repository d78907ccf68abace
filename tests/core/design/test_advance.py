"""A formation duplicated with its distinctions carried on."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.checks.inspect import inspect
from mantello_core.colour.difference import difference
from mantello_core.design.advance import CLEAR, advanced_name, marks_for_copy, with_advanced_copy
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.film.surface import solid
from mantello_core.mixing.starting import light_for, shade_for, started
from mantello_core.paints.range import paint, paints
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.rule import Column, Distinction
from mantello_core.scheme.scheme import Role
from tests.samples import base, calvessa, small_design

OPAQUE = [pot.id for pot in paints().values() if pot.kind == "acrylic"]


class Names(TestCase):
    def test_numbers_numerals_and_letters_count_on(self):
        for name, taken, wanted in (
            ("1st Company", set(), "2nd Company"),
            ("2nd, the Lantern", {"3rd, the Gull"}, "4th"),
            ("11th", set(), "12th"),
            ("21st", set(), "22nd"),
            ("Gun 9", set(), "Gun 10"),
            ("Company IV", {"Company V"}, "Company VI"),
            ("A Troop", set(), "B Troop"),
            ("Line", {"Line 2"}, "Line 3"),
        ):
            self.assertEqual(advanced_name(name, taken), wanted)

    @given(st.text(min_size=1, max_size=20), st.sets(st.text(max_size=6), max_size=5))
    @settings(max_examples=80, deadline=None)
    def test_the_next_name_is_never_taken(self, name, taken):
        self.assertNotIn(advanced_name(name, taken | {name}).casefold(), {one.casefold() for one in taken | {name}})


class Marks(TestCase):
    def test_a_copied_company_gets_a_facing_that_no_other_has(self):
        design = calvessa()
        after = with_advanced_copy(design, "2nd-lantern", "4th")
        table = after.scheme.tables[0]
        facing = table.role("4th", "facing")
        self.assertNotIn(facing, {cell.role for cell in table.cells if cell.row != "4th"})
        self.assertEqual(table.role("4th", "plume-tip"), facing)
        made = after.scheme.role(facing)
        for other in ("lantern", "gull"):
            one, two = (solid(after.scheme.role(id_).recipe().steps[0].mix.film).colour for id_ in (made.id, other))
            self.assertGreater(difference(one, two), CLEAR)
        worn = {one.cells["torso.coat.lapel.left"].role for one in resolve(after.army, after.scheme).of_unit("line")}
        self.assertEqual(worn, {facing})

    def test_two_copies_are_told_apart_by_the_checks(self):
        design = calvessa()
        for _ in range(2):
            name = advanced_name("1st", {node.name for node in design.army.nodes.values()})
            design = with_advanced_copy(design, "2nd-lantern", name)
        check = next(one for one in inspect(design, resolve(design.army, design.scheme)) if one.id == "lookalikes")
        made = {id_ for id_ in design.army.nodes if id_ in ("4th", "5th")}
        self.assertEqual(len(made), 2)
        full_sight = [one for one in check.findings if one.key.count("|") == 2 and made & set(one.key.split("|"))]
        self.assertEqual(full_sight, [])

    def test_a_spare_role_that_is_far_enough_is_taken_before_a_new_one_is_made(self):
        design = small_design()
        spare = Role("spare", "Spare", (("rank", base("ferry-blue")),))
        design = replace(design, scheme=design.scheme.with_role(spare))
        cells = (("first", "c", "facing"), ("second", "c", "lace"))
        table = Distinction("t", "Facings", "company", (Column("c", "Facing", ("torso.coat.lapel",)),), cells)
        design = replace(design, scheme=replace(design.scheme, tables=(table,)))
        mark = marks_for_copy(design, "first", "Third")[0]
        self.assertFalse(mark.new)
        self.assertEqual(mark.role, spare)

    def test_a_formation_without_distinctions_is_just_copied(self):
        design = small_design()
        self.assertEqual(marks_for_copy(design, "first", "Third"), ())
        self.assertEqual(with_advanced_copy(design, "first", "Third").army.figures, design.army.figures + 4)


class Starts(TestCase):
    def test_a_started_recipe_darkens_in_recesses_and_lightens_on_edges(self):
        for paint_id in OPAQUE:
            tones = predicted(started(paint(paint_id), "leader"), Ground(paint("undercoat-slate"))).tones
            if shade_for(paint(paint_id)):
                self.assertLess(tones.recess.lightness, tones.flats.lightness - 4, paint_id)
            if light_for(paint(paint_id)):
                self.assertGreater(tones["edge"].lightness, tones.flats.lightness, paint_id)

    def test_greys_are_shaded_without_turning_them_brown(self):
        shade = predicted(started(paint("rain-grey")), Ground(paint("undercoat-slate"))).tones.recess
        self.assertLess(shade.chroma, 12)

    def test_black_has_no_room_to_darken_and_white_none_to_lighten(self):
        self.assertIsNone(shade_for(paint("pitch-barrel")))
        self.assertIsNone(light_for(paint("gull-white")))

    def test_metals_stay_neat(self):
        self.assertTrue(all(step.mix.diluent == "neat" for step in started(paint("lamp-brass")).steps))
