"""The bench in the Log room."""

import uuid
from datetime import timedelta

from django.utils import timezone

from mantello.record.logging import record
from mantello.rooms.plan.evening import Evening
from mantello.rooms.plan.handling import Handling
from tests.rooms.case import RoomCase


class Bench(RoomCase):
    def test_nothing_logged_says_so_and_metals_are_there(self):
        page = self.see("upkeep")
        for said in ("Nothing logged yet", "No mixes of two paints", "Trim metal", "Lamp Brass"):
            self.assertContains(page, said)
        self.assert_hidden("upkeep")

    def test_hours_are_counted_by_tool(self):
        evening = Evening(self.army, timezone.now())
        batch = evening.current
        record(self.army, batch.atoms, set(batch.block.figures), 120, timezone.now() - timedelta(hours=1), uuid.uuid4())
        page = self.see("upkeep")
        self.assertNotContains(page, "Nothing logged yet")
        self.assertAlmostEqual(sum(one.hours for one in page.context["wears"]), 2, places=2)
        self.assertContains(self.see("log"), "Bench")

    def test_a_metal_is_found_by_part_and_nonsense_finds_none(self):
        page = self.see("upkeep", metal="buckle")
        self.assertContains(page, "Buckle")
        self.assertNotContains(page, "Hat chinstrap")
        self.assertContains(self.see("upkeep", metal="<b>moon"), "No metal has all of '&lt;b&gt;moon'")

    def test_a_mix_that_stood_too_long_is_told_at_the_desk(self):
        now = timezone.now()
        evening = Evening(self.army, now)
        later = evening.after(evening.current, 900)
        mixed = next(
            one
            for one in later
            if len(one.left) > 1 and (step := Handling(evening.reading, one).step) and len(step.mix.paints) > 1
        )
        self.assertNotContains(self.see("desk", batch=mixed.id), "no longer matches")
        figure = {mixed.block.figures[0]}
        record(self.army, mixed.atoms, figure, 5, now - timedelta(days=6), uuid.uuid4())
        self.assertContains(self.see("upkeep"), "too old to match")
        evening = Evening(self.army, now)
        again = next(one for one in evening.after(evening.current, 900) if one.mix == mixed.mix)
        self.assertContains(self.see("desk", batch=again.id), "no longer matches")
