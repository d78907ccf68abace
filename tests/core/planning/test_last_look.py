"""Where to look last, how figures are photographed, and what a decision stands on."""

from dataclasses import replace

from django.test import SimpleTestCase

from mantello_core.colour.spaces import Lab
from mantello_core.errors import UnknownName
from mantello_core.figures.vocabulary import sideless
from mantello_core.formats.sample import calvessa, levy
from mantello_core.planning.last_look import last_look
from mantello_core.planning.presenting import shooting_card
from mantello_core.schemes.brief import Brief
from mantello_core.schemes.cascade import resolve
from mantello_core.schemes.decision import stands, subjects_of
from mantello_core.schemes.edit import with_undercoat
from mantello_core.schemes.finishing import Finishing
from mantello_core.schemes.share import role_shares


def fusilier():
    design = calvessa()
    return next(one for one in resolve(design.army, design.scheme).classes if one.type == "fusilier")


class LastLook(SimpleTestCase):
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


class Shooting(SimpleTestCase):
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


class Decisions(SimpleTestCase):
    def test_every_subject_stands_on_something(self):
        design = levy()
        for subject in subjects_of(design):
            self.assertTrue(stands(design, subject), subject)

    def test_what_a_subject_stands_on_changes_with_it_and_with_nothing_else(self):
        design = calvessa()
        changed = with_undercoat(design, "undercoat-soot")
        self.assertNotEqual(stands(design, "undercoat"), stands(changed, "undercoat"))
        for subject in set(subjects_of(design)) - {"undercoat"}:
            self.assertEqual(stands(design, subject), stands(changed, subject))
        matt = replace(design, scheme=replace(design.scheme, finishing=Finishing(varnish="matt", level=3)))
        self.assertEqual((stands(matt, "varnish"), stands(matt, "dirt")), ("matt by can, play", "3: no pass"))

    def test_what_is_gone_stands_on_nothing_and_nonsense_is_refused(self):
        self.assertEqual(stands(calvessa(), "role:gone"), "")
        self.assertEqual(stands(calvessa(), "unit:gone"), "")
        with self.assertRaises(UnknownName):
            stands(calvessa(), "weather")
