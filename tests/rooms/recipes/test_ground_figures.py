"""The same figure on the best undercoats, bare and with first coats."""

from mantello.rooms.recipes.ground_figures import SHOWN, commonest
from mantello.workspace.reading import reading_of
from mantello_core.colour.spaces import hex_of
from tests.rooms.case import RoomCase


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
