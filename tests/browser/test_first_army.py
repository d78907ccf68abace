"""From sign-up to a coloured army of one's own on each of three paths: how many presses it takes, and that no page waits in silence."""

import re

from playwright.sync_api import expect

from .case import BrowserCase

#: presses of a mouse or a finger that a path may take, from the empty home on
MOST_CLICKS = 8
_COUNT = """
  const name = 'clicks-of-this-test';
  addEventListener('click', (event) => { if (event.isTrusted) sessionStorage[name] = Number(sessionStorage[name] || 0) + 1; }, true);
"""


class FirstArmy(BrowserCase):
    def setUp(self):
        super().setUp()
        self.page.add_init_script(_COUNT)
        self.sign_up_by_hand()
        self.work()
        self.page.evaluate("sessionStorage.clear()")

    def clicked(self) -> int:
        return int(self.page.evaluate("sessionStorage['clicks-of-this-test'] || 0"))

    def assert_coloured(self):
        """The army's page stands, its figures have colours, and it took few presses."""
        expect(self.page.get_by_role("heading", name="Muster")).to_be_visible()
        expect(self.page.get_by_role("link", name="Colour it now")).to_have_count(0)
        self.assertTrue(1 <= self.clicked() <= MOST_CLICKS, self.clicked())

    def test_our_levy_is_copied(self):
        self.page.get_by_role("button", name="Copy our levy").click()
        self.assert_coloured()

    def test_a_brief_gives_schemes_of_which_one_is_taken(self):
        self.page.get_by_role("link", name=re.compile("brief", re.I)).first.click()
        self.page.get_by_label("Name of the army").fill("Tidal watch")
        # it says that it works, and fills in
        expect(
            self.page.get_by_role("progressbar").or_(self.page.get_by_role("button", name="Start with this")).first
        ).to_be_visible()
        self.page.get_by_role("button", name="Start with this").first.click()
        self.page.get_by_role("link", name="Army", exact=True).click()
        self.assert_coloured()

    def test_a_list_becomes_figures_and_they_are_coloured(self):
        listed = self.page.locator(".start", has=self.page.get_by_label("Paste or type it"))
        listed.get_by_label("Paste or type it").fill("9 fusiliers\n3 knights")
        listed.get_by_role("button", name="Take it in").click()
        self.page.get_by_role("link", name="Colour it now").click()
        expect(
            self.page.get_by_role("progressbar").or_(self.page.get_by_role("button", name="Take this scheme")).first
        ).to_be_visible()
        self.page.get_by_role("button", name="Take this scheme").first.click()
        self.page.get_by_role("link", name="Army", exact=True).click()
        self.assert_coloured()
