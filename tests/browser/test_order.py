"""The order of work in a browser: a step opened, put elsewhere, a rule kept; on a phone as on a desk."""

import re

from django.contrib.auth import get_user_model
from playwright.sync_api import expect

from mantello.workspace.editing import keep_design
from tests.samples import calvessa

from .case import BrowserCase

OF = "of=1st-harbour-line%7Cfusilier"


class OrderOfWork(BrowserCase):
    def setUp(self):
        super().setUp()
        self.sign_up()
        self.army = keep_design(get_user_model().objects.get(first_name="rosa"), calvessa(), "Imported")

    def row(self, name: str):
        """The row of a step, by its name."""
        return self.page.locator(".o-row", has=self.page.locator("summary b", has_text=name)).first

    def test_a_step_is_put_into_another_phase_and_the_figure_shows_it(self):
        self.go(f"/armies/{self.army.pk}/plan/order/?{OF}")
        self.row("Flesh base").locator("summary").click()
        self.row("Flesh base").get_by_label("Put into").select_option("lights")
        self.row("Flesh base").get_by_role("button", name="Put", exact=True).click()
        expect(self.page.locator("#phase-lights .o-row summary b", has_text="Flesh base")).to_be_visible()
        expect(self.page.get_by_label("Choices")).to_contain_text("Flesh base in Lights")
        picture = self.page.locator("#phase-lights .o-plate img")
        picture.scroll_into_view_if_needed()
        expect(picture).to_have_js_property("complete", True)
        self.assertGreater(picture.evaluate("one => one.naturalWidth"), 0)

    def test_a_step_is_dragged_by_its_grip_into_the_phase_before(self):
        self.go(f"/armies/{self.army.pk}/plan/order/?{OF}")
        row, before = self.row("Flesh base"), self.page.locator("#phase-all-over")
        row.evaluate("one => one.scrollIntoView({ block: 'center' })")
        grip, band = row.locator(".o-grip").bounding_box(), before.bounding_box()
        self.page.mouse.move(grip["x"] + 6, grip["y"] + 12)
        self.page.mouse.down()
        self.page.mouse.move(band["x"] + 60, band["y"] + band["height"] / 2, steps=6)
        expect(before).to_have_class(re.compile("aimed"))
        self.page.mouse.up()
        expect(before.locator(".o-row summary b", has_text="Flesh base")).to_be_visible()
        expect(self.page.get_by_label("Choices")).to_contain_text("Flesh base in All over")

    def test_a_rule_is_kept_on_a_phone_and_nothing_runs_over_the_edge(self):
        self.page.set_viewport_size({"width": 390, "height": 844})
        self.go(f"/armies/{self.army.pk}/plan/order/?{OF}")
        self.assertLessEqual(self.page.evaluate("document.documentElement.scrollWidth"), 390)
        row = self.row("Belting base")
        row.locator("summary").click()
        row.get_by_role("link", name="Say what it comes before").click()
        expect(self.page.get_by_label("This comes first")).to_have_value("role:belting/base")
        self.page.get_by_label("before this").select_option(label="Field base")
        self.page.get_by_label("because").fill("I like it so")
        self.page.get_by_role("button", name="Keep this rule").click()
        expect(self.page.get_by_label("Choices")).to_contain_text("Belting base before Field base because I like it so")
