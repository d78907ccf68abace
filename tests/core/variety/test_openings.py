"""Pots of a cast: each garment's work once, inner before outer."""

from unittest import TestCase

from mantello_core.variety.casting import cast
from mantello_core.variety.openings import openings, pots_of
from tests.core.variety.samples import marsh

BAND = marsh(24)
CAST = cast(BAND)


class Openings(TestCase):
    def test_every_pot_of_every_garment_is_laid_once(self):
        laid = [(figure, garment, one.pot) for one in openings(BAND, CAST) for figure, garment in one.work]
        asked = [
            (figure, garment, pot)
            for figure, row in enumerate(CAST.rows)
            for garment, option in enumerate(row)
            for pot in BAND.garments[garment].options[option].pots
        ]
        self.assertEqual(sorted(laid), sorted(asked))

    def test_inner_garments_before_outer_ones_and_grounds_before_their_stripes(self):
        when: dict[tuple[int, int], list[int]] = {}
        order: dict[tuple[int, int], list[str]] = {}
        for at, one in enumerate(openings(BAND, CAST)):
            for place in one.work:
                when.setdefault(place, []).append(at)
                order.setdefault(place, []).append(one.pot)
        for figure, row in enumerate(CAST.rows):
            for garment, option in enumerate(row):
                self.assertEqual(tuple(order[figure, garment]), BAND.garments[garment].options[option].pots)
                for other in range(len(row)):
                    if BAND.garments[garment].depth < BAND.garments[other].depth:
                        self.assertLessEqual(when[figure, garment][-1], when[figure, other][0])

    def test_each_opened_pot_serves_enough_and_openings_stay_few(self):
        self.assertGreaterEqual(min(pots_of(BAND, CAST).values()), BAND.least)
        self.assertLessEqual(len(openings(BAND, CAST)), 32)
