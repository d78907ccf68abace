"""Reinforcements: figures matched to what the log says was really used."""

import uuid
from datetime import timedelta

from django.utils import timezone

from mantello.record.logging import record
from mantello.shelf.models import OwnedPaint
from mantello.workspace.readings import reading_of
from mantello_core.paints.stock import Stock
from tests.rooms.case import RoomCase

RANK = {"unit": "1st-harbour-line", "rank": "fusilier"}


class Reinforcements(RoomCase):
    def paint(self, ordinals=None):
        """Everything on the first company's fusiliers, or on some of them."""
        reading = reading_of(self.army.head)
        at = timezone.now() - timedelta(days=400)
        for atom in reading.work.atoms:
            if atom.unit == "1st-harbour-line":
                at += timedelta(minutes=9)
                figures = {(atom.rank, one) for one in atom.ordinals if ordinals is None or one in ordinals}
                record(self.army, [atom], figures, 5, at, uuid.uuid4())

    def test_nothing_painted_says_so(self):
        self.assertContains(self.see("reinforcements"), "Nothing is painted yet")

    def test_the_recipe_as_painted_is_listed_step_by_step(self):
        self.paint()
        page = self.see("reinforcements", **RANK)
        for said in (
            "Fusilier, 1st, the Harbour, as painted",
            "Undercoat Slate",
            "Madder Rope",
            "version 1",
            "Record the test piece",
        ):
            self.assertContains(page, said)
        self.assertContains(self.see("log"), "Reinforcements")

    def test_a_paint_that_is_gone_has_a_stand_in_with_its_difference(self):
        self.paint()
        OwnedPaint.objects.keep(self.owner, {"madder-rope": Stock(0, None, "", True), "field-drab": Stock(1)})
        page = self.see("reinforcements", **RANK)
        self.assertContains(page, "Madder Rope: no longer to be had")
        self.assertContains(page, "off by day")
        self.assertContains(page, "cannot be had: try the mix")
        OwnedPaint.objects.keep(self.owner, {"madder-rope": Stock(0.5, None, "", True)})
        self.assertNotContains(self.see("reinforcements", **RANK), "no longer to be had")

    def test_figures_with_another_mix_and_a_changed_scheme_are_told(self):
        self.paint()
        entry = self.army.entries.filter(role="harbour", rank="fusilier").first()
        entry.pk, entry.mix, entry.ordinals = None, "Madder Rope 2, Pitch Barrel 1", [1]
        entry.done_at += timedelta(days=1)
        entry.batch = uuid.uuid4()
        entry.save()
        self.assertContains(self.see("reinforcements", **RANK), "otherwise Madder Rope 2, Pitch Barrel 1: 1")
        step = self.now().scheme.role("harbour").recipe().steps[0]
        self.assertTrue(step.mix.words)

    def test_more_are_mustered_and_nonsense_is_refused(self):
        self.paint()
        before = self.now().army.rank(*RANK.values()).figures
        self.post("muster-more", **RANK, more="4")
        self.assertEqual(self.now().army.rank(*RANK.values()).figures, before + 4)
        self.assertContains(self.post("muster-more", status=422, **RANK, more="0"), "Write 1 to 200", status_code=422)
        self.post("muster-more", status=422, unit="nowhere", rank="fusilier", more="2")

    def test_nobody_else_comes_near(self):
        self.assert_hidden("reinforcements")
        self.assert_hidden("muster-more", post=True)
