"""The whole way as a painter goes it: from an empty account to a logged step, and back through export and import."""

import json
import re

from playwright.sync_api import expect

from .case import BrowserCase


class WholePath(BrowserCase):
    def test_from_a_pasted_roster_to_a_logged_step_and_back_through_export_and_import(self):
        page = self.page
        army = self.make_army_by_hand()
        expect(page.get_by_text("6 figures in 2 units")).to_be_visible()

        # Scheme: two roles, one set for the army, one for a company
        page.get_by_role("link", name="Scheme").click()
        for name, paint in (("Coat", "brine-green"), ("Facing", "madder-rope")):
            if not page.get_by_label("Name of the role").is_visible():
                page.get_by_text("New role").click()
            page.get_by_label("Name of the role").fill(name)
            page.get_by_label("First paint").select_option(paint)
            page.get_by_role("button", name="Add role").click()
            self.note(f"Role {name} added")
            expect(page.locator("a.role", has_text=name)).to_be_visible()
            expect(page.get_by_label("Name of the role")).to_have_value("")
        page.locator("a.role", has_text="Coat").click()
        expect(page).to_have_url(
            re.compile("role=coat")
        )  # it was on before, and the page is exchanged under the next click
        page.locator('path[data-area="torso.coat.body.left"]').first.click(force=True)
        expect(page.locator(".callout")).to_contain_text("Left coat body")
        expect(page.locator(".callout")).to_contain_text("no rule speaks of it")
        page.locator("a.role", has_text="Coat").click()
        page.get_by_role("button", name="Set Coat at 1 Army").hover()
        expect(page.locator("#preview")).to_contain_text("6 figures, 12 areas would change")
        page.get_by_role("button", name="Set Coat at 1 Army").click()
        self.note("Coat set on coat body at 1 Army: 6 figures, 12 areas changed")
        expect(page.locator(".callout")).to_contain_text("set by River Watch")
        page.locator("a.role", has_text="Facing").click()
        page.get_by_role("button", name="Set Facing at 3 Company").click()
        self.note("Facing set on coat body at 3 Company")
        expect(page.locator(".rung.over")).to_contain_text("Coat")
        expect(page.locator(".chip.wrong").first).to_contain_text("Unmapped areas")

        # Undo and redo by key
        page.keyboard.press("Control+z")
        self.note("Undone: Facing set")
        expect(page.locator(".callout")).to_contain_text("set by River Watch")
        page.keyboard.press("Control+Shift+z")
        self.note("Done again: Facing set")

        # Recipes: coats follow the undercoat
        page.get_by_role("link", name="Recipes").click()
        page.locator("a.rl", has_text="Facing").click()
        before = page.locator(".sp-3").first.inner_text()
        page.get_by_role("button", name="Use Undercoat Gull").click()
        self.note("Undercoat is now Undercoat Gull")
        expect(page.locator(".sp-3").first).not_to_have_text(before)

        # Plan, desk and log
        page.get_by_role("link", name="Plan").click()
        expect(page.get_by_role("heading", name="Undercoat the figures")).to_be_visible()
        page.get_by_role("link", name="Large").click()
        page.wait_for_url("**/desk/**", wait_until="domcontentloaded")  # its scripts listen by then
        expect(page.get_by_text("Spray outdoors").first).to_be_visible()
        page.keyboard.press("Space")
        self.note("Undercoat the figures: ")
        page.get_by_role("link", name="Log").click()
        expect(page.locator(".entries")).to_contain_text("Undercoat Gull")
        page.get_by_role("link", name="Army").first.click()
        expect(page.locator(".legend")).to_contain_text("undercoat")

        # Out and in again
        with page.expect_download() as design:
            page.get_by_role("link", name="Design (JSON)").click()
        kept = self.folder() / "design.json"
        design.value.save_as(kept)
        self.go("/")
        page.get_by_label("Design file (.json)").set_input_files(kept)
        page.get_by_role("button", name="Import").click()
        self.note("River Watch was imported with 6 figures")
        self.assertNotEqual(page.url, self.live_server_url + army)
        with page.expect_download() as again:
            page.get_by_role("link", name="Design (JSON)").click()
        copy = self.folder() / "again.json"
        again.value.save_as(copy)
        self.assertEqual(json.loads(copy.read_text()), json.loads(kept.read_text()))

    def test_the_printed_guide_opens(self):
        army = self.make_army()
        self.page.locator(".m-block").first.click()
        link = self.page.get_by_role("link", name="Painting guide").get_attribute("href")
        self.assertTrue(link.startswith(army))
        self.go(link)
        expect(self.page.get_by_text("It waits for a free worker.")).to_be_visible()
        self.paper(link)
