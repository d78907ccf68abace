"""Which units are worth painting together."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.design.order_edit import with_units_joined
from mantello_core.formats.sample import levy
from mantello_core.planning.compiling import rank_sheets
from mantello_core.planning.joining import WORTH_JOINING, together_advice
from mantello_core.scheme.cascade import resolve


class Advised(TestCase):
    def setUp(self):
        self.design = levy()
        self.sheets = rank_sheets(self.design, resolve(self.design.army, self.design.scheme))

    def test_units_that_are_joined_already_are_not_advised_again(self):
        first, *others = together_advice(self.design, self.sheets)
        joined = with_units_joined(self.design, first.units)
        again = [one.units for one in together_advice(joined, self.sheets)]
        self.assertEqual(again, [one.units for one in others])

    def test_what_is_advised_shares_most_of_its_pots_and_finds_room(self):
        advised = together_advice(self.design, self.sheets)
        self.assertTrue(advised)
        self.assertTrue(all(WORTH_JOINING <= one.share <= 1 and one.pots > 0 for one in advised))
        self.assertEqual(list(advised), sorted(advised, key=lambda one: (-one.share, -one.pots, one.units)))

    def test_a_unit_that_is_painted_by_itself_is_advised_with_none(self):
        unit = together_advice(self.design, self.sheets)[0].units[0]
        order = replace(self.design.scheme.order, alone=(unit,))
        alone = replace(self.design, scheme=replace(self.design.scheme, order=order))
        self.assertFalse([one for one in together_advice(alone, self.sheets) if unit in one.units])
