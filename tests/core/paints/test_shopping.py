"""What must be bought, and what a shelf may hold."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.range import paint, paints
from mantello_core.paints.shopping import RESERVE, shopping
from mantello_core.paints.stock import MOST_NOTE, Stock, checked_stock

IDS = st.sampled_from(list(paints()))


class Shopping(TestCase):
    def test_by_hand(self):
        # 40 ml and a fifth are 48; half a pot of 17 is owned; 39.5 ml are missing, three pots at 2.50
        (one,) = shopping({"salt-linen": 40.0}, {"salt-linen": Stock(0.5, 2.5)}, SHIPPED)
        self.assertEqual((one.wanted, one.owned, one.pots, one.cost), (48.0, 8.5, 3, 7.5))
        self.assertAlmostEqual(one.missing, 39.5)

    def test_what_fits_the_pot_to_the_drop_asks_for_no_more(self):
        self.assertEqual(shopping({"salt-linen": 17 / 1.2}, {}, SHIPPED)[0].pots, 1)
        self.assertEqual(shopping({"salt-linen": 17.0}, {"salt-linen": Stock(1.0)}, SHIPPED, 0)[0].pots, 0)
        self.assertIsNone(shopping({"salt-linen": 17.0}, {}, SHIPPED)[0].cost)

    @given(st.dictionaries(IDS, st.floats(0, 500), max_size=8), st.dictionaries(IDS, st.floats(0, 40), max_size=8))
    def test_bought_and_owned_is_enough_and_one_pot_less_is_not(self, needed, pots):
        found = shopping(needed, {id_: Stock(count) for id_, count in pots.items()}, SHIPPED)
        self.assertEqual({one.paint.id for one in found}, {id_ for id_, ml in needed.items() if ml > 0})
        for one in found:
            self.assertGreaterEqual(one.owned + one.pots * one.paint.volume, one.wanted - 1e-4)
            if one.pots:
                self.assertLess(one.owned + (one.pots - 1) * one.paint.volume, one.wanted)
        self.assertEqual([one.pots == 0 for one in found], sorted(one.pots == 0 for one in found))

    def test_a_reserve_or_paint_that_cannot_be_is_refused(self):
        for reserve in (-0.1, 2.1):
            with self.assertRaises(OutOfRange):
                shopping({"salt-linen": 1.0}, {}, SHIPPED, reserve)
        with self.assertRaises(UnknownName):
            shopping({"no-such": 1.0}, {}, SHIPPED)
        self.assertEqual(RESERVE, 0.2)


class Stocks(TestCase):
    def test_limits(self):
        good = Stock(99, 1000, "x" * MOST_NOTE)
        self.assertIs(checked_stock(good), good)
        for bad, field in (
            (Stock(-1), "pots"), (Stock(99.5), "pots"), (Stock(float("nan")), "pots"),
            (Stock(1, -0.01), "price"), (Stock(1, 1001), "price"), (Stock(1, None, "x" * (MOST_NOTE + 1)), "note"),
        ):  # fmt: skip
            with self.assertRaises(OutOfRange) as refused:
                checked_stock(bad, "/salt-linen")
            self.assertEqual(refused.exception.where, f"/salt-linen/{field}")

    def test_empty_only_without_anything_to_keep(self):
        self.assertTrue(Stock().empty)
        self.assertFalse(any(one.empty for one in (Stock(0.1), Stock(0, 0.0), Stock(0, None, "x"))))
        self.assertEqual(paint("salt-linen").volume, 17.0)
