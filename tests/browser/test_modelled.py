"""From a 3D file to a kept figure type, with its pieces given in the browser, and the finished look turned about."""

from playwright.sync_api import expect

from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from tests.core.figures.modelled.case import stl
from tests.rooms.army.test_modelled import POST

from .case import IN_HAND, BrowserCase

#: areas in words, and how far down the picture of the post they are
PARTS = (("base rim", 0.95), ("torso coat", 0.5), ("head helm", 0.12))


class Modelled(BrowserCase):
    def setUp(self):
        super().setUp()
        self.army = self.make_army()
        self.work()

    def test_from_a_3d_file_to_a_type_that_can_be_turned(self):
        self.go(f"{self.army}types/models/")
        self.page.get_by_label("Name of the figure type").fill("Harbour post")
        self.page.get_by_label("The 3D file").set_input_files(
            {"name": "post.stl", "mimeType": "model/stl", "buffer": stl(POST)}
        )
        self.page.get_by_role("button", name="Cut it up").click()
        expect(self.page.locator("[data-ready]")).to_be_visible()
        sheet = self.page.locator("canvas[data-areas]")
        box = sheet.bounding_box()
        for words, down in PARTS:
            self.page.get_by_label("In hand").fill(words)
            self.page.get_by_label("In hand").press("Enter")
            expect(self.page.locator("[data-said]")).to_contain_text(IN_HAND)
            sheet.click(position={"x": box["width"] / 2, "y": box["height"] * down})
            expect(self.page.locator("[data-said]")).to_contain_text("Given to")
        expect(self.page.locator("#hand-kept")).to_have_text("kept")
        self.page.get_by_role("link", name="Back").click()
        expect(self.page.locator("[data-ready]")).to_be_visible()
        expect(self.page.locator("#hand-told")).to_contain_text("3 areas")
        self.page.get_by_role("link", name="Check and keep").last.click()
        expect(self.page.locator(".hand-pictures svg")).to_have_count(5)
        expect(self.page.locator("[data-turned='-30 10']")).to_be_visible()
        self.page.get_by_label("Turn it").press("ArrowRight")
        expect(self.page.locator("[data-turned='-25 10']")).to_be_visible()
        self.page.get_by_role("button", name="Keep as a figure type").click()
        self.note("Harbour post taken from a 3D file: 3 areas")
        (own,) = reading_of(Army.objects.select_related("head").get().head).design.army.types
        self.assertEqual(set(own.plate.measured), set(own.plate.areas))
