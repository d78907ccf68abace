"""Starting from a brief, making a figure, looking at the mass: with hands on the real interface."""

import io
import re

from PIL import Image, ImageDraw
from playwright.sync_api import expect

from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of

from .case import BrowserCase

CARD, BLUE, RED = (118, 118, 118), (30, 60, 130), (190, 40, 40)


def photograph(light=(1.0, 0.82, 0.6)) -> bytes:
    """A grey card and two cloths under a warm lamp, as PNG."""
    picture = Image.new("RGB", (600, 400), (120, 90, 60))
    draw = ImageDraw.Draw(picture)
    for left, colour in ((20, CARD), (220, BLUE), (420, RED)):
        lit = tuple(round(channel * share) for channel, share in zip(colour, light, strict=True))
        draw.rectangle((left, 40, left + 150, 300), fill=lit)
    out = io.BytesIO()
    picture.save(out, "PNG")
    return out.getvalue()


class Starting(BrowserCase):
    def test_colours_picked_from_a_picture_lead_the_schemes_and_one_is_taken(self):
        self.work()
        self.sign_up_by_hand()
        self.go("/brief/")
        self.page.get_by_label("Name of the army").fill("Tidal watch")
        self.page.get_by_text("Pick from a picture").click()
        self.page.get_by_label("Picture", exact=True).set_input_files(
            {"name": "cloth.png", "mimeType": "image/png", "buffer": photograph()}
        )
        canvas = self.page.locator("canvas")
        expect(canvas).to_be_visible()
        scale = canvas.bounding_box()["width"] / 600
        for x, said in ((90, "Card taken"), (290, "#1e3"), (490, "#b")):
            canvas.click(position={"x": x * scale, "y": 150 * scale})
            expect(self.page.locator("[data-said]")).to_contain_text(said)
        # the schemes that are shown are those for both colours
        expect(self.page).to_have_url(re.compile(r"seeds=%231e3\w+%2C\+%23b"))
        expect(self.page.locator(".proposal h3").first).to_contain_text("Mussel Shell")
        self.page.get_by_role("button", name="Start with this").first.click()
        expect(self.page.locator(".plate-box")).to_be_visible()
        design = reading_of(Army.objects.select_related("head").get().head).design
        self.assertEqual(design.army.root.name, "Tidal watch")

    def test_schemes_that_come_in_while_the_brief_is_changed_do_not_take_the_change_back(self):
        held, ended = [], []
        self.page.route(re.compile(r"/brief/\?.*name=Held"), lambda route: held.append(route))
        self.page.route(
            re.compile("/jobs/"),
            lambda route: route.fulfill(body='<div data-ended="1"></div>') if ended else route.continue_(),
        )
        self.sign_up()
        self.go("/brief/")
        expect(self.page.locator('[data-behaviour="poll"]')).to_be_visible()
        with self.page.expect_request(re.compile("name=Held")):
            self.page.get_by_label("Name of the army").fill("Held back")
            self.page.keyboard.press("Tab")
        with self.page.expect_request(re.compile("/brief/")) as asked:
            ended.append(True)
        self.assertIn("name=Held", asked.value.url)
        for route in held:
            route.continue_()
        expect(self.page).to_have_url(re.compile("name=Held"))
        expect(self.page.get_by_label("Name of the army")).to_have_value("Held back")

    def test_a_figure_is_put_together_with_the_picture_live_and_kept(self):
        army = self.make_army()
        self.go(f"{army}types/make/")
        self.page.get_by_label("Name of the figure type").fill("Quay master")
        self.page.locator("label.mk-tile", has=self.page.locator('[value="head.widehat"]')).click()
        expect(self.page.locator('.mk-stage [data-area="head.hat.crown"]').first).to_be_attached()
        self.page.locator("label.mk-tile", has=self.page.locator('[value="shield.tide"]')).click()
        expect(self.page.locator(".mk-slot.wrong")).to_contain_text("A shield hangs on")
        self.page.locator("label.mk-tile", has=self.page.locator('[id="arm.left-arm.plate"]')).click()
        expect(self.page.locator(".mk-slot.wrong")).to_have_count(0)
        expect(self.page.get_by_label("Name of the figure type")).to_have_value("Quay master")
        self.page.get_by_role("button", name="Keep this figure type").click()
        expect(self.page.locator(".type-drawn")).to_contain_text("Quay master")
        self.work()
        expect(self.page.locator(".type-drawn h3")).to_have_text("Quay master hangs on the wall")
        expect(self.page.locator(".type-wall .type.own b")).to_have_text("Quay master")
        own = reading_of(Army.objects.select_related("head").get().head).design.army.types[0]
        self.assertIn("shield.face.q1", own.plate.areas)

    def test_the_muster_is_walked_from_the_army_to_one_figure_by_keys(self):
        army = self.make_army()
        self.go(army)
        self.page.locator(".m-block").first.click()
        expect(self.page.get_by_text("Closer to Line")).to_be_visible()
        self.page.keyboard.press("+")
        expect(self.page.locator(".zoom b")).to_contain_text("Line")
        self.page.locator(".m-row a").first.click()
        expect(self.page.locator(".single-facts")).to_contain_text("Fusilier 1 of 3")
        self.page.keyboard.press("]")
        expect(self.page.locator(".single-facts")).to_contain_text("Fusilier 2 of 3")
        self.page.keyboard.press("-")
        expect(self.page.locator(".m-block")).to_have_count(1)

    def test_a_tried_colour_is_shown_on_every_figure_and_taken_as_a_paint(self):
        army = self.make_army()
        self.go(f"{army}scheme/")
        if not self.page.get_by_label("Name of the role").is_visible():
            self.page.get_by_text("New role").click()
        self.page.get_by_label("Name of the role").fill("Coat")
        self.page.get_by_label("First paint").select_option("brine-green")
        self.page.get_by_role("button", name="Add role").click()
        self.note("Role Coat added")
        self.page.get_by_role("button", name="Set Coat at 1 Army").click()
        self.note("Coat set on")
        self.page.get_by_role("link", name="Massed").click()
        expect(self.page.get_by_role("link", name="Massed")).to_have_attribute("aria-current", "true")
        tried = self.page.locator("#try-colour")
        expect(tried).to_be_visible()
        before = self.pixels()
        tried.evaluate("one => { one.value = '#1e3d82'; one.dispatchEvent(new Event('input', {bubbles: true})); }")
        canvas = self.page.locator("canvas.recoloured")
        expect(canvas).to_have_attribute("data-colour", "#1e3d82")
        expect(self.page.locator(".near").first).to_contain_text("Tern Channel")
        self.assertGreater(self.changed(before, self.pixels()), 150)
        self.page.get_by_role("button", name="Back").click()
        expect(canvas).to_have_attribute("data-colour", "")
        self.assertLess(self.changed(before, self.pixels()), 40)
        tried.evaluate("one => { one.value = '#1e3d82'; one.dispatchEvent(new Event('input', {bubbles: true})); }")
        self.page.get_by_role("button", name="Make Coat from Tern Channel").click()
        self.note("Coat made anew from Tern Channel")

    def pixels(self) -> Image.Image:
        """The stage below the panel as it stands."""
        # found and measured in one go, for it may be drawn anew at any moment
        box = self.page.wait_for_function(
            "() => { const box = document.querySelector('.plate-box')?.getBoundingClientRect();"
            " return box && box.width > 0 && box.toJSON(); }"
        ).json_value()
        clip = {"x": box["x"], "y": box["y"] + 215, "width": box["width"], "height": box["height"] - 220}
        return Image.open(io.BytesIO(self.page.screenshot(clip=clip))).convert("RGB")

    @staticmethod
    def changed(one: Image.Image, other: Image.Image) -> int:
        pairs = zip(one.getdata(), other.getdata(), strict=True)
        return sum(max(abs(a - b) for a, b in zip(*pair, strict=True)) > 24 for pair in pairs)
