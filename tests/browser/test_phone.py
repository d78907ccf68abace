"""A phone of 390 pixels: the stage comes first, nothing scrolls sideways, no title is overprinted, Done lies under the thumb."""

from .case import COME, BrowserCase

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
        self.page.wait_for_function("() => !document.querySelector('[data-behaviour=poll]')", timeout=COME)
        self.assertLessEqual(self.page.evaluate(_WIDE), 391, path)
        self.assertEqual(self.page.evaluate(_OVERPRINTED), [], path)

    def test_no_page_scrolls_sideways_and_no_title_is_overprinted(self):
        for path in ("", "scheme/", "scheme/checks/", "insignia/", "insignia/codes/", "insignia/bearers/", "recipes/", "paints/",
                     "plan/", "desk/", "log/", "types/", "types/make/"):  # fmt: skip
            self.shown(path)

    def test_the_stage_comes_before_roles_and_ladder(self):
        self.shown("scheme/")
        tops = [self.page.locator(one).first.bounding_box()["y"] for one in (".sch .stage", ".sch .ladder-col")]
        roles = self.page.locator(".cols.sch > .col").first.bounding_box()["y"]
        self.assertLess(tops[0], min(tops[1], roles))
