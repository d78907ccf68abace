"""The lamp: one press makes the pages dark, and they stay so; paper stays paper."""

from playwright.sync_api import expect

from .case import BrowserCase

_PAGE = "getComputedStyle(document.body).backgroundColor"


class Look(BrowserCase):
    def test_dark_by_one_press_on_every_page_and_white_in_print(self):
        army = self.make_army()
        self.go(army)
        self.assertEqual(self.page.evaluate(_PAGE), "rgb(251, 251, 251)")
        self.page.get_by_role("button", name="Dark pages, for the lamp").click()
        expect(self.page.locator("html")).to_have_attribute("data-look", "lamp")
        self.assertEqual(self.page.evaluate(_PAGE), "rgb(28, 28, 28)")
        self.go(f"{army}scheme/")
        self.assertEqual(self.page.evaluate(_PAGE), "rgb(28, 28, 28)")
        expect(self.page.get_by_role("button", name="Dark pages, for the lamp")).to_have_attribute(
            "aria-pressed", "true"
        )
        self.page.emulate_media(media="print")
        self.assertEqual(self.page.evaluate(_PAGE), "rgb(251, 251, 251)")
        self.page.emulate_media(media="screen")
        self.page.get_by_role("button", name="Dark pages, for the lamp").press("Enter")
        expect(self.page.locator("html")).to_have_attribute("data-look", "paper")

    def test_as_the_system_wishes_until_something_is_chosen(self):
        self.page.emulate_media(color_scheme="dark")
        army = self.make_army()
        self.go(army)
        self.assertEqual(self.page.evaluate(_PAGE), "rgb(28, 28, 28)")
        self.page.get_by_role("button", name="Dark pages, for the lamp").click()
        self.assertEqual(self.page.evaluate(_PAGE), "rgb(251, 251, 251)")
