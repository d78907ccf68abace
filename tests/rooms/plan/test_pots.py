"""An evening as a row of pots."""

import itertools
from datetime import datetime

from django.utils import timezone

from mantello.rooms.plan.evening import Evening
from mantello.rooms.plan.pots import pots_of
from tests.rooms.case import RoomCase


class Pots(RoomCase):
    def evening(self) -> Evening:
        return Evening(self.army, timezone.make_aware(datetime(2026, 3, 3, 19, 5)))

    def test_batches_of_one_pot_one_after_another_are_one_stop_and_none_is_lost(self):
        evening = self.evening()
        tonight = evening.tonight
        pots = pots_of(evening, tonight)
        self.assertGreater(len(tonight), 3)
        self.assertLess(len(pots), len(tonight))
        self.assertEqual([batch.id for pot in pots for batch in pot.batches], [batch.id for batch in tonight])
        for before, after in itertools.pairwise(pots):
            self.assertNotEqual(before.mix, after.mix)
        self.assertAlmostEqual(sum(pot.minutes for pot in pots), sum(batch.minutes for batch in tonight))

    def test_every_pot_shows_who_is_at_it(self):
        evening = self.evening()
        for pot in pots_of(evening, evening.tonight):
            self.assertRegex(pot.colour, "^#[0-9a-f]{6}$")
            self.assertGreater(len(pot.figures), 0)
            self.assertLessEqual(sum(count for _, count in pot.figures), pot.count)
            self.assertEqual(self.client.get(pot.figures[0][0].src)["Content-Type"], "image/svg+xml")

    def test_the_page_leads_from_a_pot_to_the_desk(self):
        page = self.see("plan")
        if pots := page.context.get("pots"):
            self.assertContains(page, f"?batch={pots[0].batches[0].id}")
            self.assertContains(page, "Pot by pot")
