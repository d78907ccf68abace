"""Camouflage in a browser: laid on a model as the form is filled in, kept, laid out otherwise, on a phone as on a desk."""

import re

from django.contrib.auth import get_user_model
from playwright.sync_api import expect

from mantello.workspace.editing import keep_design
from mantello_core.formats.sample import levy

from .case import BrowserCase

CAPTION = "as it would be; nothing is kept yet."


class Camouflage(BrowserCase):
    def setUp(self):
        super().setUp()
        self.sign_up()
        self.army = keep_design(get_user_model().objects.get(first_name="rosa"), levy(), "Imported")
        self.work()

    def stage(self):
        return self.page.locator(".camo-views")

    def test_it_is_seen_while_the_form_is_filled_in_and_then_kept(self):
        self.go(f"/armies/{self.army.pk}/scheme/camouflage/")
        expect(self.stage()).to_contain_text(CAPTION)
        first = self.stage().locator("img").first.get_attribute("src")
        self.page.get_by_label("Shapes").select_option("splinter")
        expect(self.stage().locator("img").first).not_to_have_attribute("src", first)
        # a glance of one side is followed by the whole of it
        expect(self.stage().locator("img").first).not_to_have_attribute("src", re.compile("glance"))
        self.assertGreater(self.stage().locator("img").first.evaluate("one => one.naturalWidth"), 0)
        self.page.get_by_label("Share of the ground").fill("90")
        self.page.get_by_role("button", name="Lay it").click()
        told = self.page.locator(".field-error")
        expect(told).to_contain_text("they must make 100")
        expect(told).to_be_in_viewport()
        self.page.get_by_label("Share of the ground").fill("50")
        self.page.get_by_role("button", name="Lay it").click()
        expect(self.page.get_by_role("heading", name="Others of the pattern")).to_be_visible()
        expect(self.page.get_by_label("Measured")).to_contain_text("mm on the model")
        self.page.get_by_role("button", name="Layout").first.click()
        expect(self.page.get_by_text(", kept; every one has its own")).to_be_visible()

    def test_on_a_phone_the_model_comes_first_and_nothing_runs_over_the_edge(self):
        self.page.set_viewport_size({"width": 390, "height": 844})
        self.go(f"/armies/{self.army.pk}/scheme/camouflage/")
        expect(self.stage()).to_contain_text(CAPTION)
        self.assertLessEqual(self.page.evaluate("document.documentElement.scrollWidth"), 390)
        expect(self.stage().locator("img").first).to_be_in_viewport()
