"""Takes the pictures in docs/screenshots/ from the demo, with two evenings painted. Run by './mantello shots'."""

import uuid
from datetime import UTC, datetime, timedelta
from pathlib import Path
from unittest.mock import patch

from django.contrib.auth import get_user_model
from django.core.management import call_command
from django.urls import reverse
from django.utils import timezone
from playwright.sync_api import expect

from mantello.record.logging import record
from mantello.rooms.plan.evening import Evening
from mantello.shelf.models import OwnedPaint
from mantello.workpieces.models import Workpiece
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.figures.photographed.packing import unpacked
from mantello_core.paints.stock import Stock
from tests.core.figures.modelled.case import carrier
from tests.core.figures.modelled.case import clicked as clicked_on
from tests.core.figures.photographed.case import clicked, sample

from .case import BrowserCase

FOLDER = Path(__file__).resolve().parents[2] / "docs" / "screenshots"
EVENINGS = (datetime(2026, 11, 24, 22, 0, tzinfo=UTC), datetime(2026, 11, 26, 20, 6, tzinfo=UTC))
LAPEL = "unit=2nd-lantern-line&rank=fusilier&figure=1&area=torso.coat.lapel.left&role=lantern&rung=2"
SHOTS = {
    "army": "?node=2nd-lantern-line",
    "scheme": f"scheme/?{LAPEL}",
    "maker": "types/make/",
    "table": f"scheme/table/?{LAPEL}",
    "camouflage": "scheme/camouflage/?pattern=estuary-blotch&figure=punt-cars%7Cpunt-car%7C2",
    "dress": "scheme/dress/?year=212&of=4&garment=facing",
    "variety": "scheme/variety/?unit=reed-cutters",
    "checks": "scheme/checks/",
    "insignia": "insignia/?arms=brazzacorta",
    "recipe": "recipes/lantern/",
    "finish": "recipes/across/finish/",
    "paints": "paints/",
    "plan": "plan/",
    "order": "plan/order/?of=1st-harbour-line|fusilier",
    "desk": "desk/",
    "figures": "log/figures/?unit=1st-harbour-line&rank=fusilier&figure=1",
}


class Shots(BrowserCase):
    def test_take_them(self):
        call_command("demo")
        self.work()
        army = Army.objects.select_related("head").get()
        for now in EVENINGS:
            self.paint_until(army, now)
        self.clock(EVENINGS[-1])
        user = get_user_model().objects.get()
        self.client.force_login(user)
        self.context.add_cookies([
            {"name": "sessionid", "value": self.client.cookies["sessionid"].value, "url": self.live_server_url},
            {"name": "mantello-zone", "value": "UTC", "url": self.live_server_url},
        ])  # fmt: skip
        for name, path in SHOTS.items():
            self.take(name, f"/armies/{army.pk}/{path}")
        self.photograph(army)
        self.model(army)
        self.take("log", f"/armies/{army.pk}/log/")
        self.finish(army, "1st-harbour-line")

    def photograph(self, army):
        """The product's own photographs, with the pieces of the first given as someone would who knows it."""
        figure = Workpiece.objects.get(model=None)
        address = f"{reverse('photographed', args=[army.pk, figure.pk])}?view=front"
        self.go(address)
        expect(self.page.locator("[data-ready]")).to_be_visible()
        one, (_, truth, names) = figure.photographs.get(view="front"), sample("diver", "front")
        given = clicked(unpacked(bytes(one.cut)), truth, 3)
        one.given = {str(piece): names[area - 1] for piece, area in given.items()}
        one.save()
        self.go(address)
        expect(self.page.locator("[data-ready]")).to_be_visible()
        self.page.get_by_role("button", name="left arm sleeve").click()
        self.page.screenshot(path=FOLDER / "photographs.png")

    def model(self, army):
        """The product's own 3D file, given as someone would who knows it, in the army's colours."""
        figure = Workpiece.objects.exclude(model=None).get()
        address = reverse("photographed", args=[army.pk, figure.pk])
        self.go(address)
        expect(self.page.locator("[data-ready]")).to_be_visible()
        model, true, names = carrier()
        given = {str(piece): names[area] for piece, area in clicked_on(model, true, 3).items()}
        figure.photographs.update(given=given)
        self.go(f"{address}?step=keep")
        expect(self.page.locator("[data-turned]")).to_be_visible()
        self.page.screenshot(path=FOLDER / "model.png")

    def take(self, name, path):
        self.go(path)
        expect(self.page.locator("[data-behaviour=poll]")).to_have_count(0)
        self.page.wait_for_load_state("networkidle")
        self.page.screenshot(path=FOLDER / f"{name}.png")

    def finish(self, army, unit):
        """Log everything that is left of a unit; the facing's red is no longer made meanwhile."""
        army.refresh_from_db()
        reading = reading_of(army.head)
        for number, atom in enumerate(one for one in reading.work.atoms if one.unit == unit):
            figures = {(atom.rank, ordinal) for ordinal in atom.ordinals}
            record(
                army,
                [atom],
                figures,
                None,
                EVENINGS[0] + timedelta(minutes=number),
                uuid.uuid5(uuid.NAMESPACE_OID, atom.id),
            )
        OwnedPaint.objects.keep(army.owner, {"madder-rope": Stock(0, None, "", True)})

    def paint_until(self, army, now):
        """Log the evening's batches that end before a moment, a little faster or slower than planned."""
        self.clock(now.replace(hour=19, minute=0))
        for batch in Evening(army, timezone.now()).tonight:
            ended = batch.block.end.replace(tzinfo=UTC)
            if ended <= now:
                slower = 1 + ((batch.number * 37) % 23 - 8) / 100
                record(
                    army,
                    batch.atoms,
                    set(batch.block.figures),
                    batch.minutes * slower,
                    ended,
                    uuid.uuid5(uuid.NAMESPACE_OID, batch.id),
                )

    def clock(self, now):
        if hasattr(self, "patched"):
            self.patched.stop()
        self.patched = patch.object(timezone, "now", return_value=now)
        self.patched.start()

    def tearDown(self):
        self.patched.stop()
        super().tearDown()
