"""From a photograph of a figure to its planned evening, with the pieces given in the browser."""

import io
import json

import numpy as np
from PIL import Image
from playwright.sync_api import expect

from mantello.workpieces.models import Workpiece
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.figures.photographed.packing import unpacked
from tests.core.figures.photographed.case import drawn

from .case import IN_HAND, BrowserCase

#: areas in words, and where they are on the drawn figure, as shares across and down
PARTS = (("face", 0.5, 0.225), ("torso corselet", 0.4, 0.55), ("tunic", 0.58, 0.55), ("base rim", 0.3, 0.86))


def photograph() -> dict:
    picture, _ = drawn()
    out = io.BytesIO()
    Image.fromarray((picture * 255).round().astype(np.uint8)).save(out, "PNG")
    return {"name": "figure.png", "mimeType": "image/png", "buffer": out.getvalue()}


class Photographs(BrowserCase):
    def setUp(self):
        super().setUp()
        self.army = self.make_army()
        self.work()

    def sent(self):
        self.go(f"{self.army}types/photographs/")
        self.page.get_by_label("Name of the figure type").fill("Quay diver")
        self.page.get_by_label("Width of its base, mm").fill("25")
        self.page.get_by_label("From the front").set_input_files(photograph())
        self.page.get_by_role("button", name="Cut it up").click()
        expect(self.page.locator("[data-ready]")).to_be_visible()
        return self.page.locator("canvas[data-areas]")

    def test_from_a_photograph_to_the_planned_evening(self):
        sheet = self.sent()
        for words, x, y in PARTS:
            self.page.get_by_label("In hand").fill(words)
            self.page.get_by_label("In hand").press("Enter")
            expect(self.page.locator("[data-said]")).to_contain_text(IN_HAND)
            # measured each time: type that comes late moves the sheet
            box = sheet.bounding_box()
            sheet.click(position={"x": box["width"] * x, "y": box["height"] * y})
            expect(self.page.locator("[data-said]")).to_contain_text("Given to")
        expect(self.page.locator("#hand-told")).to_contain_text("4 areas, 100 % of the figure")
        expect(self.page.locator("#hand-kept")).to_have_text("kept")
        self.assert_alike()
        self.page.get_by_role("link", name="Check and keep").last.click()
        expect(self.page.locator(".hand-pictures svg")).to_be_visible()
        self.page.get_by_role("button", name="Keep as a figure type").click()
        self.note("Quay diver taken from photographs: 4 areas")
        (own,) = reading_of(Army.objects.select_related("head").get().head).design.army.types
        self.go(f"{self.army}roster/")
        self.page.get_by_label("Paste the roster").fill(
            f"unit,type,rank,figures,formation\nDivers,{own.id},Diver,4,Harbour"
        )
        self.page.get_by_role("button", name="Read the roster").click()
        expect(self.page.get_by_role("heading", name="Muster")).to_be_visible()
        self.go(f"{self.army}scheme/")
        if not self.page.get_by_label("Name of the role").is_visible():
            self.page.get_by_text("New role").click()
        self.page.get_by_label("Name of the role").fill("Suit")
        self.page.get_by_label("First paint").select_option("brine-green")
        self.page.get_by_role("button", name="Add role").click()
        self.note("Role Suit added")
        self.page.get_by_role("button", name="Set Suit at 1 Army").click()
        self.note("at 1 Army")
        self.go(f"{self.army}plan/")
        self.page.get_by_text("Batch by batch, in this order").click()
        expect(self.page.get_by_role("cell", name="4 of Harbour").first).to_be_visible()

    def assert_alike(self):
        """The browser gave every piece to the area that the server would."""
        one = Workpiece.objects.get().photographs.get()
        cut = unpacked(bytes(one.cut))
        names = sorted(set(one.given.values()))
        number = {name: at for at, name in enumerate(names)}
        server = [
            names[at] for at in cut.graph.assigned({int(piece): number[name] for piece, name in one.given.items()})
        ]
        browser = self.page.evaluate(
            "async ([graph, given]) => { const { assigned, ways } = await import('/static/shell/js/piecework.js');"
            " return assigned(ways(graph), new Map(Object.entries(given).map(([piece, area]) => [Number(piece), area]))); }",
            [one.graph, one.given],
        )
        self.assertEqual(browser, server)
        self.assertTrue(json.dumps(one.given))

    def test_all_of_it_works_by_keys_and_can_be_undone(self):
        sheet = self.sent()
        self.page.get_by_label("In hand").fill("gear bellows")
        self.page.get_by_label("In hand").press("Enter")
        expect(self.page.locator("[data-said]")).to_contain_text("a name of your own")
        expect(sheet).to_be_focused()
        self.page.keyboard.press("ArrowRight")
        self.page.keyboard.press("ArrowDown")
        self.page.keyboard.press("+")
        self.page.keyboard.press("Enter")
        expect(self.page.locator("#hand-list")).to_contain_text("gear bellows")
        expect(self.page.locator("#hand-told")).to_contain_text("1 areas, 100 %")
        self.page.keyboard.press("Control+z")
        expect(self.page.locator("#hand-told")).to_contain_text("Nothing is given yet")
        self.page.get_by_label("In hand").fill("blorb")
        self.page.get_by_label("In hand").press("Enter")
        expect(self.page.locator("#hand-wrong")).to_contain_text("blorb")

    def test_a_stroke_finds_the_outline_anew(self):
        sheet = self.sent()
        box = sheet.bounding_box()
        self.page.get_by_role("button", name="This is table").click()
        self.page.mouse.move(box["x"] + box["width"] * 0.3, box["y"] + box["height"] * 0.86)
        self.page.mouse.down()
        self.page.mouse.move(box["x"] + box["width"] * 0.7, box["y"] + box["height"] * 0.86, steps=8)
        self.page.mouse.up()
        self.page.get_by_role("button", name="Cut it so").click()
        expect(self.page.get_by_role("button", name="Cut it without what was drawn")).to_be_visible()
        one = Workpiece.objects.get().photographs.get()
        self.assertEqual(one.strokes[0][0], "table")
        self.assertLess(unpacked(bytes(one.cut)).labels[344, 100], 0)

    def test_a_border_is_drawn_by_keys_and_what_was_given_stays(self):
        self.sent()
        self.page.get_by_label("In hand").fill("gear bellows")
        self.page.get_by_label("In hand").press("Enter")
        expect(self.page.locator("[data-said]")).to_contain_text("a name of your own")
        self.page.keyboard.press("ArrowRight")
        self.page.keyboard.press("Enter")
        expect(self.page.locator("#hand-kept")).to_have_text("kept")
        self.page.get_by_role("button", name="Draw a border").press("Enter")
        for key in ("ArrowDown", "Enter", "Shift+ArrowRight", "Shift+ArrowRight", "Enter", "End"):
            self.page.keyboard.press(key)
        self.page.get_by_role("button", name="Cut it so").press("Enter")
        expect(self.page.get_by_role("button", name="Cut it without what was drawn")).to_be_visible()
        one = Workpiece.objects.get().photographs.get()
        self.assertEqual((one.strokes[0][0], len(one.strokes[0][1])), ("border", 2))
        self.assertEqual(list(one.given.values()), ["gear.bellows"])
