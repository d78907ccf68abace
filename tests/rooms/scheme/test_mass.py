"""The massed block, and a colour tried on a role."""

from xml.etree import ElementTree

from mantello.rooms.scheme.mass import FEW, MOST, mass_of, mass_svg
from mantello.rooms.scheme.pick import pick_from
from mantello.rooms.scheme.trying import near_paints
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import Lab
from mantello_core.film.surface import solid
from mantello_core.formats.massing import massed_group
from mantello_core.formats.sample import levy
from mantello_core.paints.range import paint
from tests.rooms.case import RoomCase


class Mass(RoomCase):
    def pick(self, **asked):
        return pick_from(reading_of(self.army.head), asked)

    def test_the_formation_stands_beside_one_figure_of_it(self):
        answer = self.see("scheme", mass="yes", unit="2nd-lantern-line")
        self.assertContains(answer, '<use href="#mass-', count=24)
        self.assertContains(answer, "2nd Tidewall Fusiliers: 24 figures")
        self.assertContains(answer, "Try a colour on")
        self.assertNotContains(self.see("scheme", unit="2nd-lantern-line"), '<use href="#mass-')

    def test_a_small_formation_takes_the_one_around_it(self):
        self.assertEqual(mass_of(self.pick(unit="rangers-skirmish-line")).node.id, "army")
        self.assertEqual(mass_of(self.pick(unit="1st-harbour-line")).node.figures, 24)
        self.assertGreaterEqual(mass_of(self.pick()).node.figures, FEW)

    def test_the_drawing_is_sound_and_every_role_can_be_reached(self):
        pick = self.pick(unit="2nd-lantern-line", distance="table")
        drawing = ElementTree.fromstring(mass_svg(pick).replace("<svg ", '<svg xmlns="http://www.w3.org/2000/svg" ', 1))
        roles = {one.get("data-role") for one in drawing.iter() if one.get("data-role")}
        front = {seen.area for seen in pick.plate.views[0].areas}
        worn = {cell.role for area, cell in pick.figures.cells.items() if cell.role and area in front}
        self.assertLessEqual(worn, roles)

    def test_areas_of_one_role_are_one_path(self):
        one = self.pick(unit="2nd-lantern-line").figures
        drawn = massed_group(one.plate, "front", lambda area: one.cells[area].role or "", lambda area: "#123456")
        self.assertEqual(drawn.count('data-role="field"'), 1)


class LargeMass(RoomCase):
    @staticmethod
    def design():
        return levy()

    def test_a_block_shows_sixty_at_most_and_says_so(self):
        answer = self.see("scheme", mass="yes", unit="lantern-watch")
        self.assertContains(answer, '<use href="#mass-', count=MOST)
        self.assertContains(answer, "196 figures, 60 shown")

    def test_the_table_of_a_large_army_starts_with_one_formation(self):
        answer = self.see("table", unit="orsolin-knights", rank="knight")
        self.assertContains(answer, '<option value="houses" selected>')
        self.assertNotContains(answer, ">Reed-cutter <")
        whole = self.see("table", unit="orsolin-knights", rank="knight", **{"in": "all"})
        self.assertContains(whole, ">Reed-cutter <")
        self.assertContains(whole, "in=all&amp;role=")


class Trying(RoomCase):
    def test_near_paints_are_offered_the_nearest_first(self):
        answer = self.see("near", role="field", colour="#004d3a")
        self.assertContains(answer, "Brine Green")
        self.assertContains(answer, "Take", count=4)
        purple = near_paints(Lab(43, 73, -65))
        self.assertEqual(purple[0].pot.id, "violet-sash")
        exact = near_paints(solid(paint("ferry-blue").film).colour)[0]
        self.assertEqual((exact.pot.id, round(exact.apart, 6)), ("ferry-blue", 0))

    def test_a_role_is_made_anew_from_the_paint_that_is_taken(self):
        self.post("start-recipe", "field", paint="ferry-blue")
        role = self.now().scheme.role("field")
        self.assertEqual(
            [step.mix.paints[0].id for step in role.recipe("rank").steps if step.kind == "base"], ["ferry-blue"]
        )
        self.assertEqual([tier for tier, _ in role.recipes], ["rank", "leader"])
        self.post("undo")
        self.assertEqual(self.now().scheme.role("field").paint_name, "Brine Green")

    def test_nonsense_is_refused(self):
        self.see("near", role="field", colour="green", status=400)
        self.see("near", role="nothing", colour="#00ff00", status=400)
        self.post("start-recipe", "field", paint="moon-dust", status=422)
        self.post("start-recipe", "nothing", paint="ferry-blue", status=422)
        self.assert_hidden("near")
        self.assert_hidden("start-recipe", "field", post=True)
