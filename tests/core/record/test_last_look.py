"""Where to look last, how figures are photographed, and what a decision stands on."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.design.brief import Brief
from mantello_core.design.decision import stands, subjects_of
from mantello_core.design.edit import with_recipe_started, with_undercoat
from mantello_core.errors import UnknownName
from mantello_core.figures.vocabulary import sideless
from mantello_core.formats.sample import calvessa, levy
from mantello_core.paints.range import paint
from mantello_core.passes.soiled import soiled, swallowed
from mantello_core.recipes.quantity import portion
from mantello_core.recipes.step import Mix
from mantello_core.record.evenness import evenness
from mantello_core.record.last_look import last_look
from mantello_core.record.shooting_card import shooting_card
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import Finishing, usual_dirt
from mantello_core.scheme.share import role_shares


def fusilier():
    design = calvessa()
    return next(one for one in resolve(design.army, design.scheme).classes if one.type == "fusilier")


class LastLook(TestCase):
    def test_straps_and_buckles_behind_come_before_the_coat(self):
        names = [look.area for look in last_look(fusilier(), {})]
        self.assertLess(names.index("gear.pack.buckle"), names.index("torso.coat.body.left"))
        self.assertEqual(set(names), {name for name, cell in fusilier().cells.items() if cell.role})

    def test_what_was_missed_before_comes_first_on_either_side(self):
        looks = last_look(fusilier(), {sideless("leg.left.gaiter"): 2}, most=3)
        self.assertEqual({look.area for look in looks[:2]}, {"leg.left.gaiter", "leg.right.gaiter"})
        self.assertEqual((len(looks), looks[0].missed), (3, 2))

    def test_it_says_where_an_area_shows(self):
        looks = {look.area: look for look in last_look(fusilier(), {})}
        self.assertEqual(looks["gear.pack.buckle"].views, ("back",))
        self.assertEqual(looks["gear.pack.buckle"].words, "Pack buckle")


class Shooting(TestCase):
    def card(self, lightness, design=None):
        design = design or calvessa()
        resolution = resolve(design.army, design.scheme)
        return shooting_card(design, resolution, role_shares(resolution), lambda role: Lab(lightness, 0, 0))

    def test_larger_figures_are_taken_from_farther_away(self):
        large = replace(calvessa(), brief=Brief(height_mm=54))
        self.assertAlmostEqual(self.card(50, large).distance / self.card(50).distance, 54 / 28, places=6)

    def test_white_is_exposed_for_and_grey_is_not(self):
        self.assertEqual(self.card(50).stops, 0)
        self.assertLess(self.card(95).stops, -0.3)
        self.assertTrue(any("nearly white" in one for one in self.card(95).minds))
        self.assertTrue(any("nearly black" in one for one in self.card(8).minds))


class Decisions(TestCase):
    def test_every_subject_stands_on_something(self):
        design = levy()
        for subject in subjects_of(design):
            self.assertTrue(stands(design, subject), subject)

    def test_what_a_subject_stands_on_changes_with_it_and_with_nothing_else(self):
        design = calvessa()
        changed = with_undercoat(design, paint("undercoat-soot"))
        self.assertNotEqual(stands(design, "undercoat"), stands(changed, "undercoat"))
        looks = {subject for subject in subjects_of(design) if subject.startswith("look:")}
        for subject in looks:
            self.assertNotEqual(stands(design, subject), stands(changed, subject))
        for subject in set(subjects_of(design)) - {"undercoat"} - looks:
            self.assertEqual(stands(design, subject), stands(changed, subject))
        matt = replace(design, scheme=replace(design.scheme, finishing=Finishing(varnish="matt", level=3)))
        self.assertEqual((stands(matt, "varnish"), stands(matt, "dirt")), ("matt by can, play", "3: no pass"))

    def test_a_finished_units_look_is_left_only_by_what_it_wears(self):
        design = calvessa()
        worn = {
            cell.role
            for one in resolve(design.army, design.scheme).of_unit("rangers-skirmish-line")
            for cell in one.cells.values()
        }
        other = next(role.id for role in design.scheme.roles if role.id not in worn)
        mine = next(role for role in worn if role)
        look = "look:rangers-skirmish-line"
        self.assertEqual(stands(with_recipe_started(design, other, paint("gull-white")), look), stands(design, look))
        self.assertNotEqual(stands(with_recipe_started(design, mine, paint("gull-white")), look), stands(design, look))

    def test_what_is_gone_stands_on_nothing_and_nonsense_is_refused(self):
        self.assertEqual(stands(calvessa(), "role:gone"), "")
        self.assertEqual((stands(calvessa(), "unit:gone"), stands(calvessa(), "look:gone")), ("", ""))
        with self.assertRaises(UnknownName):
            stands(calvessa(), "weather")


class Even(TestCase):
    def test_units_far_apart_come_first_and_one_unit_alone_matches(self):
        rows = evenness(
            [
                ("field", "a", Lab(40, 0, 0)),
                ("field", "a", Lab(42, 0, 0)),
                ("field", "b", Lab(46, 0, 0)),
                ("lace", "a", Lab(70, 5, 5)),
            ]
        )
        self.assertEqual(
            [(one.role, one.count, one.one, one.other) for one in rows], [("field", 3, "a", "b"), ("lace", 1, "", "")]
        )
        self.assertEqual((rows[0].mean, rows[0].matches, rows[1].matches), (Lab(128 / 3, 0, 0), False, True))
        self.assertAlmostEqual(rows[0].apart, difference(Lab(41, 0, 0), Lab(46, 0, 0)))


class Soiled(TestCase):
    def dirty(self, level, **given):
        design = calvessa()
        finishing = Finishing(dirt=usual_dirt(), level=level, **given)
        return replace(design, scheme=replace(design.scheme, finishing=finishing))

    def test_clean_is_clean_and_more_dirt_takes_boots_further_and_hats_little(self):
        one = fusilier()
        apart = []
        for level in range(6):
            colours = soiled(self.dirty(level), one)
            apart.append([difference(*colours[area]) for area in ("leg.left.shoe", "leg.left.gaiter", "head.hat.body")])
        self.assertEqual(apart[0], [0.0, 0.0, 0.0])
        for at in (0, 1):
            self.assertEqual([row[at] for row in apart], sorted(row[at] for row in apart))
        self.assertGreater(apart[5][1], 3 * apart[5][2])

    def test_edges_that_dirt_swallows_are_named(self):
        one, design = fusilier(), self.dirty(5)
        lost = swallowed(design, one, soiled(design, one))
        least = design.scheme.aims.threshold("neighbours")
        self.assertTrue(all(pair.clean >= least > pair.dirty for pair in lost))
        self.assertEqual(swallowed(design, one, soiled(design, one, 0)), ())
        everything = {
            area: (Lab(0, 0, 0) if number % 2 else Lab(100, 0, 0), Lab(50, 0, 0))
            for number, area in enumerate(one.cells)
        }
        self.assertTrue(swallowed(design, one, everything))


class Portions(TestCase):
    def test_whole_drops_keep_the_parts(self):
        mix = Mix(((paint("brine-green"), 3.0), (paint("salt-linen"), 1.0)), "water", 2.0)
        small, large = portion(mix, 10, 1), portion(mix, 30_000, 2)
        self.assertEqual(small.words, "3 drops Brine Green, 1 drop Salt Linen, 2 drops water")
        counts = [count for _, count in large.drops]
        self.assertEqual([count / counts[1] for count in counts], [3.0, 1.0, 2.0])
        self.assertGreaterEqual(large.millilitres, 30_000 * 2 * 0.04 / 1000 / 0.7)

    def test_halves_are_counted_in_whole_drops(self):
        self.assertEqual(
            portion(Mix(((paint("brine-green"), 1.5), (paint("salt-linen"), 1.0))), 1, 1).drops,
            (("Brine Green", 3), ("Salt Linen", 2)),
        )

    @given(st.floats(0.1, 1e5), st.integers(1, 6))
    def test_it_is_never_too_little(self, surface, coats):
        mix = Mix(((paint("brine-green"), 1.0),), "water", 1.0)
        self.assertGreaterEqual(portion(mix, surface, coats).millilitres + 1e-9, surface * coats * 0.04 / 1000 / 0.7)
