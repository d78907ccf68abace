"""A phone of 390 pixels: the stage comes first, nothing scrolls sideways, no title is overprinted, Done lies under the thumb."""

import re

from playwright.sync_api import expect

from .case import BrowserCase

_WIDE = "document.documentElement.scrollWidth"
#: boxes of the children of every column's head that overlap another
_OVERPRINTED = """() => [...document.querySelectorAll('.col-h')].flatMap((head) => {
  const boxes = [...head.children].map((one) => [one, one.getBoundingClientRect()]).filter(([, box]) => box.width && box.height);
  return boxes.flatMap(([one, a], at) => boxes.slice(at + 1).filter(([, b]) => a.left < b.right - 2 && b.left < a.right - 2 && a.top < b.bottom - 2 && b.top < a.bottom - 2)
    .map(([other]) => `${one.textContent.trim().slice(0, 20)} / ${other.textContent.trim().slice(0, 20)}`));
})"""


class Phone(BrowserCase):
    def setUp(self):
        super().setUp()
        self.army = self.make_army()
        self.page.set_viewport_size({"width": 390, "height": 844})

    def shown(self, path: str):
        self.go(f"{self.army}{path}")
        self.page.wait_for_function("() => !document.querySelector('[data-behaviour=poll]')")
        self.assertLessEqual(self.page.evaluate(_WIDE), 391, path)
        self.assertEqual(self.page.evaluate(_OVERPRINTED), [], path)

    def test_no_page_scrolls_sideways_and_no_title_is_overprinted(self):
        for path in ("", "scheme/", "scheme/checks/", "insignia/", "insignia/codes/", "insignia/bearers/", "recipes/", "paints/",
                     "plan/", "desk/", "log/", "types/", "types/make/"):  # fmt: skip
            self.shown(path)

    def test_the_stage_comes_before_roles_and_the_ladder_is_a_drawer_from_below(self):
        self.shown("scheme/")
        stage = self.page.locator(".sch .stage").first.bounding_box()["y"]
        self.assertLess(stage, self.page.locator(".cols.sch > .col").first.bounding_box()["y"])
        ladder = self.page.locator(".sch .ladder-col")
        self.assertAlmostEqual(ladder.bounding_box()["y"] + ladder.bounding_box()["height"], 844, delta=1)
        self.assertLess(ladder.bounding_box()["height"], 90)
        rung = ladder.locator(".rung").first
        expect(rung).to_be_hidden()
        ladder.get_by_role("button", name="Open").click()
        expect(rung).to_be_visible()
        ladder.get_by_role("link", name="Role", exact=True).click()
        expect(ladder.get_by_role("link", name="Role", exact=True)).to_have_class(re.compile(r"\bon\b"))
        # an exchange of the page leaves it open
        expect(ladder.get_by_role("button", name="Close")).to_be_visible()

    def test_the_plate_is_seen_closer_dragged_and_stays_close_about_what_is_chosen(self):
        self.shown("scheme/")
        box = self.page.locator(".plate-box")
        area = box.get_attribute("data-area")
        path = box.locator(f'path[data-area="{area}"]').first
        before = path.bounding_box()
        for _ in range(3):
            box.get_by_role("button", name="Closer").click()
        expect(box.get_by_role("button", name="Closer")).to_be_disabled()
        near = path.bounding_box()
        self.assertGreater(near["width"], 3.5 * before["width"])
        # it lies in the middle, large enough to hit
        middle = box.bounding_box()
        self.assertLess(abs(near["x"] + near["width"] / 2 - middle["x"] - middle["width"] / 2), 60)
        self.page.mouse.move(195, 450)
        self.page.mouse.down()
        self.page.mouse.move(195, 380, steps=4)
        self.page.mouse.up()
        self.assertAlmostEqual(path.bounding_box()["y"], near["y"] - 70, delta=4)
        self.assertEqual(box.get_attribute("data-area"), area)
        # another one is chosen by a press, and is in the middle then
        box.focus()
        self.page.keyboard.press("ArrowUp")
        expect(self.page.locator(f'.plate-box[data-close]:not([data-area="{area}"])')).to_be_visible()
        self.page.locator(".plate-box").focus()
        for _ in range(3):
            self.page.keyboard.press("-")
        expect(self.page.locator(".plate-box:not([data-close])")).to_be_visible()

    def test_at_four_times_the_size_nothing_scrolls_sideways(self):
        self.page.set_viewport_size({"width": 320, "height": 256})
        for path in ("", "scheme/", "scheme/checks/", "scheme/rules/", "recipes/", "paints/", "plan/", "log/"):
            self.go(f"{self.army}{path}")
            self.page.wait_for_function("() => !document.querySelector('[data-behaviour=poll]')")
            self.assertLessEqual(self.page.evaluate(_WIDE), 321, path)
            self.assertLessEqual(
                self.page.evaluate(
                    "document.getElementById('main').scrollWidth - document.getElementById('main').clientWidth"
                ),
                1,
                path,
            )
