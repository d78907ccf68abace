"""Counting the shelf and mixing a stand-in from it, with hands on the real interface."""

from django.contrib.auth import get_user_model
from playwright.sync_api import expect

from mantello.shelf.models import OwnedPaint
from mantello.workspace.editing import keep_design
from tests.samples import calvessa

from .case import BrowserCase


class Shelf(BrowserCase):
    def test_the_shelf_is_counted_and_a_role_mixed_from_it(self):
        self.sign_up()
        painter = get_user_model().objects.get()
        army = f"/armies/{keep_design(painter, calvessa(), 'Imported').pk}/"
        self.go(f"{army}paints/")
        self.page.get_by_role("link", name="Count the shelf").click()
        self.page.get_by_label("Pots of Salt Linen").fill("1")
        self.page.get_by_label("Pots of Ochre Sail").fill("-2")
        self.page.get_by_role("button", name="Save the count").click()
        expect(self.page.locator(".bar-error")).to_contain_text("1 number cannot be taken")
        expect(self.page.get_by_label("Pots of Salt Linen")).to_have_value("1")
        self.page.get_by_label("Pots of Ochre Sail").fill("0.5")
        self.page.get_by_role("button", name="Save the count").click()
        expect(self.page.locator("a.pot", has_text="Ochre Sail")).to_contain_text("0.5 pots")
        self.assertEqual(
            {row.paint: row.pots for row in OwnedPaint.objects.all()}, {"salt-linen": 1, "ochre-sail": 0.5}
        )

        self.page.get_by_role("link", name="Match a colour").click()
        self.page.get_by_label("Wanted", exact=True).select_option("role:lantern")
        expect(self.page.locator(".wanted")).to_contain_text("without Lantern Yellow")
        self.page.get_by_label("What is on my shelf").check()
        expect(self.page.locator(".mixes b", has_text="Candle Yellow")).to_have_count(0)
        self.assertEqual(self.page.url.count("?"), 1)
        expect(self.page.get_by_label("Wanted", exact=True)).to_have_value("role:lantern")
        self.page.get_by_text("How this was worked out").first.click()
        expect(self.page.locator(".worked").first).to_contain_text("of the dry film")
        self.page.get_by_role("button", name="Mix the base of Lantern facing").first.click()
        expect(self.page.locator(".notices")).to_contain_text("Lantern facing: its base is now")
        self.page.get_by_role("button", name="Undo").first.click()
        expect(self.page.locator("h1")).to_contain_text("Lantern Yellow")
