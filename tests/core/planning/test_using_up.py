"""Paints that run out, what they cost, and what else is used up."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.design.edit import with_step
from mantello_core.film.ground import Ground
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.costing import cost_of
from mantello_core.paints.range import paint
from mantello_core.paints.stock import Stock
from mantello_core.planning.compiling import atoms_of
from mantello_core.planning.consumable import STICK, consumables
from mantello_core.planning.shortage import shortages
from mantello_core.recipes.step import Mix, Step
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.share import paint_by_unit, paint_needed
from tests.samples import calvessa

DESIGN = calvessa()
RESOLUTION = resolve(DESIGN.army, DESIGN.scheme)
BY_UNIT = paint_by_unit(DESIGN.scheme, RESOLUTION)
NEEDED = paint_needed(DESIGN.scheme, RESOLUTION)
UNITS = [unit.id for unit in DESIGN.army.units]


class Needs(TestCase):
    def test_units_add_up_to_the_army(self):
        for id_, ml in NEEDED.items():
            self.assertAlmostEqual(sum(one.get(id_, 0) for one in BY_UNIT.values()), ml)


class Shortages(TestCase):
    USED = max(NEEDED, key=lambda id_: sum(id_ in one for one in BY_UNIT.values()))

    def short(self, pots: float, *, gone: bool = True):
        return shortages(DESIGN.army, BY_UNIT, {self.USED: Stock(pots, None, "", gone)}, SHIPPED, 0)

    def test_the_split_lies_between_units_and_nothing_is_promised_twice(self):
        uses = [(unit, BY_UNIT[unit][self.USED]) for unit in UNITS if self.USED in BY_UNIT[unit]]
        self.assertGreater(len(uses), 2)
        half = (uses[0][1] + uses[1][1] / 2) / paint(self.USED).volume
        (one,) = self.short(half)
        self.assertEqual((one.before, one.after), ((uses[0][0],), tuple(unit for unit, _ in uses[1:])))
        self.assertLessEqual(sum(BY_UNIT[unit][self.USED] for unit in one.before), one.owned)
        self.assertAlmostEqual(one.missing, NEEDED[self.USED] - one.owned)

    def test_enough_is_no_shortage_and_none_of_what_is_still_made_is_merely_bought(self):
        self.assertEqual(self.short(50), ())
        self.assertEqual(self.short(0, gone=False), ())
        self.assertEqual(len(self.short(0)), 1)
        self.assertEqual(self.short(0)[0].before, ())

    def test_what_is_no_longer_made_comes_first(self):
        other = next(id_ for id_ in NEEDED if id_ != self.USED)
        found = shortages(DESIGN.army, BY_UNIT, {other: Stock(0.001), self.USED: Stock(0.001, None, "", True)}, SHIPPED)
        self.assertEqual([one.paint.id for one in found], [self.USED, other])


class Costs(TestCase):
    def test_price_times_what_is_used_and_unknown_stays_unknown(self):
        cost = cost_of({"salt-linen": 8.5, "brine-green": 1.0}, {"salt-linen": Stock(1, 3.0)}, SHIPPED)
        self.assertAlmostEqual(cost.money, 1.5)
        self.assertEqual((cost.unknown, cost.known), (("brine-green",), False))
        self.assertTrue(cost_of({}, {}, SHIPPED).known)


class UsedUp(TestCase):
    def test_sticks_brushes_and_sheets_follow_from_the_work(self):
        found = {one.name: one for one in consumables(atoms_of(DESIGN, RESOLUTION))}
        self.assertEqual(found["Painting sticks"].count, -(-min(DESIGN.army.figures, 30) // STICK))
        self.assertIn("Fine brush", found)
        self.assertNotIn("Cotton buds", found)
        self.assertTrue(all(one.count > 0 and one.why for one in found.values()))

    def test_oils_want_buds_and_spirit(self):
        step = Step("oil", "oil", Mix(((paint("oil-burnt-umber"), 1.0),), "thinner", 8.0))
        oiled = with_step(DESIGN, "field", "rank", step)
        found = {one.name for one in consumables(atoms_of(oiled, resolve(oiled.army, oiled.scheme)))}
        self.assertLessEqual({"Cotton buds", "White spirit, ml"}, found)

    def test_nothing_to_paint_uses_up_nothing(self):
        self.assertEqual(consumables(()), ())

    def test_a_ground_of_three_coats_is_three_atoms_in_order(self):
        scheme = replace(
            DESIGN.scheme, ground=Ground(paint("undercoat-soot"), paint("undercoat-gull"), paint("salt-linen"))
        )
        atoms = [atom for atom in atoms_of(replace(DESIGN, scheme=scheme), RESOLUTION) if atom.subject.is_ground]
        self.assertEqual([atom.step for atom in atoms[:3]], ["undercoat", "above", "pot-coat"])
        self.assertEqual([atom.sprayed for atom in atoms[:3]], [True, True, False])
