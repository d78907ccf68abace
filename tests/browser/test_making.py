"""Recipes worked out, lights taken, a paint added and a test piece pointed at, in a real browser."""

import re

from django.contrib.auth import get_user_model
from playwright.sync_api import expect

from mantello.trials.models import Photo
from mantello.trials.sample import sample_test
from mantello.workspace.editing import keep_design
from tests.browser.case import BrowserCase
from tests.samples import calvessa


class Making(BrowserCase):
    def setUp(self):
        super().setUp()
        self.sign_up()
        self.army = keep_design(get_user_model().objects.get(first_name="rosa"), calvessa(), "Imported")

    def test_a_recipe_is_worked_out_lightened_and_stopped(self):
        self.go(f"/armies/{self.army.pk}/recipes/field/")
        self.page.get_by_role("link", name="Work it out").click()
        self.page.get_by_label("Method").select_option("oil")
        expect(self.page.get_by_role("heading", name="Oil and enamel")).to_be_visible()
        self.page.get_by_role("button", name="Take this recipe").click()
        self.note("Field: worked out as oil and enamel")
        expect(self.page.get_by_text("Lay and wipe").first).to_be_visible()
        self.page.get_by_role("link", name="Lights").click()
        self.page.get_by_role("button", name=re.compile("^Lighten Field, Leader, with")).first.click()
        self.note("Field, leader: lightened with")
        self.page.get_by_role("button", name=re.compile("^Stop here, step 2")).first.click()
        self.note("stops after")

    def test_a_mix_in_words_is_asked_back_until_both_sides_are_named(self):
        self.go(f"/armies/{self.army.pk}/recipes/field/?edit=rank:base")
        self.page.get_by_label("The mix in words, or below").fill("2:1")
        self.page.get_by_role("button", name="Save step").click()
        expect(self.page.get_by_text("does not say which side is which")).to_be_visible()
        expect(self.page.get_by_label("The mix in words, or below")).to_have_value("2:1")
        self.page.get_by_label("The mix in words, or below").fill("2 Brine Green : 1 Salt Linen : 3 water")
        self.page.get_by_role("button", name="Save step").click()
        self.note("base is now Brine Green 2, Salt Linen 1, water 3")

    def test_a_paint_is_added_by_its_swatch_after_a_look(self):
        self.go(f"/armies/{self.army.pk}/paints/add/")
        self.page.get_by_label("Name on the pot").fill("Roof Slatt")
        self.page.get_by_label("Swatch, painted until it is opaque").fill("#5a6068")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_text("Mixes with it will be off by about")).to_be_visible()
        expect(self.page.get_by_text("reads alike").first).to_be_visible()
        self.page.get_by_role("button", name="Put it on my shelf").click()
        expect(self.page.get_by_role("heading", name="Roof Slatt")).to_be_visible()

    def test_a_click_in_a_photograph_takes_the_colour_from_there(self):
        test = sample_test(self.army)
        Photo.objects.update(patches={})
        self.go(f"/armies/{self.army.pk}/recipes/across/tests/{test.pk}/")
        for at, name in (
            ((90, 180), "The grey card"),
            ((360, 80), "A recess"),
            ((360, 180), "A flat"),
            ((360, 280), "A raised part"),
        ):
            self.page.get_by_label(name).first.check()
            self.page.locator("input[type=image]").first.click(position={"x": at[0], "y": at[1]})
            self.page.wait_for_load_state("networkidle")
        expect(self.page.get_by_text("as predicted", exact=False).first).to_be_visible()
        expect(self.page.locator(".seen tbody tr")).to_have_count(3)
        self.page.get_by_role("button", name="Use what was learned of Salt Linen").click()
        self.note("Salt Linen: hides")
        expect(self.page.get_by_text("in use")).to_be_visible()
