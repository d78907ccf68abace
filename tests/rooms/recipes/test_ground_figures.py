"""The same figure on the best undercoats, bare and with first coats."""

from dataclasses import replace

from mantello.rooms.recipes.ground_figures import SHOWN, commonest
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import hex_of
from mantello_core.design.edit import with_undercoat
from mantello_core.paints.range import paint
from tests.rooms.case import RoomCase
from tests.samples import rule, small_design


class Best(RoomCase):
    def test_six_grounds_stand_side_by_side_the_recommended_first(self):
        best = self.filled("undercoats").context["best"]
        self.assertEqual(len(best), SHOWN)
        self.assertEqual(best[0].advice.ground, reading_of(self.army.head).recommended.advice.ground)
        self.assertEqual(len({one.advice.ground.undercoat.id for one in best}), SHOWN)
        for one in best:
            bare, first = (self.client.get(address).content.decode() for address in (one.bare, one.first))
            ground = hex_of(one.advice.ground.colour)
            self.assertIn(ground, bare)
            self.assertGreater(bare.count(ground), first.count(ground))

    def test_the_figure_has_all_its_colours_where_one_has(self):
        reading = reading_of(self.army.head)
        whole = [one for one in reading.resolution.classes if all(cell.role is not None for cell in one.cells.values())]
        self.assertEqual(commonest(reading) in whole, bool(whole))

    def test_a_ground_that_is_none_is_not_found(self):
        self.see("ground-figure", undercoat="nothing", status=404)
        self.see("ground-figure", status=404)
        self.assert_hidden("ground-figure")


class PotOverCan(RoomCase):
    @staticmethod
    def design():
        made = with_undercoat(small_design(rule("a", "army", "", "field")), paint("can-brine-green"), None, None)
        return replace(made, scheme=replace(made.scheme, finishing=replace(made.scheme.finishing, touch_up=True)))

    def test_it_is_proposed_with_its_reason_and_laid_at_a_press(self):
        page = self.filled("undercoats")
        self.assertContains(page, "over the can?")
        self.assertContains(page, "Touch-ups are planned")
        self.post("set-undercoat", undercoat="can-brine-green", above="", pot_coat="brine-green")
        self.assertEqual(self.now().scheme.ground.pot_coat.id, "brine-green")
        self.assertNotContains(self.filled("undercoats"), "over the can?")
