"""Keys, clicks, a lost connection, a second window."""

import re

from playwright.sync_api import expect

from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of

from .case import BrowserCase


class Hands(BrowserCase):
    def setUp(self):
        super().setUp()
        self.army = self.make_army()
        self.role("Coat")

    def role(self, name: str):
        self.go(f"{self.army}scheme/")
        if not self.page.get_by_label("Name of the role").is_visible():
            self.page.get_by_text("New role").click()
        self.page.get_by_label("Name of the role").fill(name)
        self.page.get_by_label("First paint").select_option("brine-green")
        self.page.get_by_role("button", name="Add role").click()
        self.note(f"Role {name} added")

    def design(self):
        return reading_of(Army.objects.select_related("head").get().head).design

    def test_arrows_move_over_the_plate_and_numbers_choose_a_rung(self):
        box = self.page.locator(".plate-box")
        box.focus()
        before = box.get_attribute("data-area")
        self.page.keyboard.press("ArrowDown")
        expect(self.page.locator(f'.plate-box:not([data-area="{before}"])')).to_be_visible()
        self.page.keyboard.press("1")
        expect(self.page.locator("#preview")).to_contain_text("1 Army")
        self.page.keyboard.press("Enter")
        self.note("at 1 Army")
        self.assertEqual(len(self.design().scheme.rules), 1)
        self.page.keyboard.press("Delete")
        self.note("Cleared on")
        self.assertEqual(self.design().scheme.rules, ())

    def test_slash_finds_and_enter_follows_the_first(self):
        self.page.locator(".plate-box").focus()
        self.page.keyboard.press("/")
        expect(self.page.get_by_role("dialog", name="Find")).to_be_visible()
        self.page.keyboard.type("coat")
        expect(self.page.locator(".found-list a").first).to_contain_text("Coat")
        self.page.keyboard.press("ArrowDown")
        expect(self.page.locator(".found-list a").first).to_be_focused()
        self.page.keyboard.press("ArrowUp")
        expect(self.page.locator("#find-words")).to_be_focused()
        self.page.keyboard.press("Enter")
        expect(self.page).to_have_url(re.compile("/recipes/coat/"))
        self.page.keyboard.press("/")
        self.page.keyboard.press("Escape")
        expect(self.page.get_by_role("dialog", name="Find")).to_be_hidden()

    def test_a_paint_is_picked_by_two_letters_and_the_list_follows(self):
        self.go(f"{self.army}scheme/")
        self.page.get_by_text("New role").click()
        self.page.get_by_role("button", name="Find a pot").first.click()
        expect(self.page.locator("[data-paint]").first).to_be_visible()
        self.page.keyboard.type("salt")
        expect(self.page.locator("[data-paint]").first).to_contain_text("Salt Linen")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_label("First paint", exact=True)).to_have_value("salt-linen")
        expect(self.page.get_by_label("First paint", exact=True)).to_be_focused()

    def test_values_only_while_the_key_is_held_and_the_ladder_by_its_key(self):
        self.page.locator(".plate-box").focus()
        self.page.keyboard.down("v")
        expect(self.page.locator("[data-values]")).to_have_attribute("aria-checked", "true")
        self.page.keyboard.up("v")
        expect(self.page.locator("[data-values]")).to_have_attribute("aria-checked", "false")
        self.page.keyboard.press("l")
        self.page.wait_for_function("() => document.activeElement.closest('.ladder-col') !== null")
        self.page.keyboard.press("Alt+4")
        expect(self.page).to_have_url(re.compile("/recipes/"))

    def test_a_late_answer_to_an_older_click_does_not_undo_a_newer_one(self):
        held = []
        self.page.route(
            lambda url: "torso.coat.body" in url, lambda route: held.append(route) if not held else route.continue_()
        )
        body, band = (
            self.page.locator(f'.area-list a[data-id="{area}"]') for area in ("torso.coat.body.left", "head.hat.band")
        )
        body.dispatch_event("click")
        band.dispatch_event("click")
        expect(self.page.locator(".callout")).to_contain_text("Hat band")
        with self.page.expect_response(lambda answer: "torso.coat.body" in answer.url):
            held[0].continue_()
        self.page.evaluate("() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))")
        expect(self.page.locator(".callout")).to_contain_text("Hat band")
        self.assertIn("area=head.hat.band", self.page.url)

    def test_the_table_is_walked_filtered_and_set_by_keys(self):
        self.go(f"{self.army}scheme/table/")
        self.page.locator("td.sel a").focus()
        place = self.page.evaluate("document.activeElement.dataset.focus")
        self.page.keyboard.press("ArrowDown")
        self.assertNotEqual(self.page.evaluate("document.activeElement.dataset.focus"), place)
        self.page.keyboard.press("Enter")
        expect(self.page.locator("td.sel a")).to_be_focused()
        self.page.keyboard.press("f")
        self.page.keyboard.type("lapel")
        expect(self.page.locator("tr[data-words]:visible")).to_have_count(1)
        self.page.locator("tr[data-words]:visible td a").first.click()
        expect(self.page.locator(".ladder-col h2")).to_have_text("Left lapel")

    def test_a_block_of_cells_is_taken_with_shift_and_set_at_once(self):
        self.go(f"{self.army}scheme/table/?unit=line&rank=Fusilier&area=head.hat.band")
        self.page.locator("td.sel a").focus()
        self.page.keyboard.press("Shift+ArrowDown")
        self.page.keyboard.press("Shift+ArrowRight")
        expect(self.page.locator("#chosen")).to_contain_text("4 cells chosen")
        self.page.get_by_role("button", name="Set Coat at 1 Army").click()
        self.note("Coat set on hat band, hat body at 1 Army")

    def test_formations_are_moved_by_keys_and_by_dragging(self):
        self.go(self.army)
        self.page.locator('a[data-node="grey"]').focus()
        self.page.keyboard.press("Alt+ArrowUp")
        self.note("Grey moved")
        self.assertEqual([node.id for node in self.design().army.nodes["1st-weir"].children], ["grey", "blue"])
        self.page.locator('a[data-node="grey"]').drag_to(self.page.locator('a[data-node="army"]'))
        expect(self.page.locator('li.t1 a[data-node="grey"]')).to_be_visible()
        self.assertEqual([node.id for node in self.design().army.root.children], ["1st-weir", "grey"])

    def test_enter_belongs_to_a_link_also_while_a_rung_is_aimed_at(self):
        box = self.page.locator(".plate-box")
        box.focus()
        self.page.keyboard.press("1")
        expect(self.page.locator("#preview")).to_contain_text("1 Army")
        self.page.get_by_role("link", name="Table", exact=True).focus()
        self.page.keyboard.press("Enter")
        expect(self.page.locator("td.sel a")).to_be_visible()
        self.assertEqual(self.design().scheme.rules, ())

    def test_help_opens_and_closes_by_key(self):
        self.page.locator("body").press("?")
        expect(self.page.get_by_role("heading", name="Keys")).to_be_visible()
        self.page.keyboard.press("Escape")
        expect(self.page.get_by_role("heading", name="Keys")).to_be_hidden()

    def test_whatever_the_server_answers_the_edit_stays_until_it_is_taken(self):
        kept = self.page.locator("#kept")
        for status, said, rung in (
            (503, "cannot do it now", "1 Army"), (429, "too much was asked", "2 Regiment"), (404, "not found by this account", "3 Company"),
        ):  # fmt: skip

            def answer(route, request, status=status):
                if request.method == "POST":
                    route.fulfill(status=status, body="<html></html>")
                else:
                    route.continue_()

            self.page.route("**/armies/**", answer)
            self.page.get_by_role("button", name=f"Set Coat at {rung}").click()
            expect(kept).to_contain_text("Kept in this browser, 1 change")
            expect(kept).to_contain_text(said)
            if status == 404:
                expect(kept.get_by_role("button", name="Throw away the first")).to_be_visible()
            self.page.unroute("**/armies/**")
            kept.get_by_role("button", name="Send again").click()
            expect(kept).to_be_hidden()
            self.note(f"at {rung}")
        self.assertEqual(len(self.design().scheme.rules), 3)

    def test_work_kept_at_a_sign_out_is_shown_with_its_name_and_sent_after_signing_in_again(self):
        other = self.new_page()
        self.go("/account/", other)
        other.get_by_role("button", name="Sign out").click()
        expect(other.get_by_role("button", name="Sign in")).to_be_visible()
        self.page.get_by_role("button", name="Set Coat at 1 Army").click()
        expect(self.page.locator("#kept")).to_contain_text("Kept in this browser, 1 change")
        other.reload()
        expect(other.locator("#kept")).to_contain_text("1 of rosa")
        other.get_by_label("Email or name").fill("rosa@example.test")
        other.get_by_label("Password").fill("tide-and-salt-9")
        other.get_by_role("button", name="Sign in").click()
        expect(other.locator("#kept")).to_contain_text("1 of another army of yours")
        self.go(f"{self.army}scheme/", other)
        expect(other.locator("#kept")).to_be_hidden()
        self.assertEqual([rule.scope for rule in self.design().scheme.rules], ["army"])

    def test_what_cannot_be_sent_is_kept_in_the_browser_and_sent_later_once(self):
        self.context.set_offline(True)
        self.page.get_by_role("button", name="Set Coat at 1 Army").click()
        expect(self.page.locator("#kept")).to_contain_text("Kept in this browser, 1 change")
        self.page.get_by_role("button", name="Set Coat at 2 Regiment").click()
        expect(self.page.locator("#kept")).to_contain_text("2 changes")
        self.assertEqual(self.design().scheme.rules, ())
        self.context.set_offline(False)
        self.page.get_by_role("button", name="Send again").click()
        expect(self.page.locator("#kept")).to_be_hidden()
        self.assertEqual(sorted(rule.scope for rule in self.design().scheme.rules), ["1st-weir", "army"])

    def test_a_second_window_does_not_overwrite_the_first_in_silence(self):
        second = self.new_page()
        self.go(f"{self.army}scheme/", second)
        self.page.get_by_role("button", name="Set Coat at 1 Army").click()
        self.note("Coat set on")
        second.get_by_role("button", name="Set Coat at 3 Company").click()
        expect(second.get_by_text("This page was older than the work")).to_be_visible()
        self.assertEqual(len(self.design().scheme.rules), 1)
        second.get_by_role("button", name="Apply it now").click()
        expect(second.locator(".notice")).to_contain_text("at 3 Company")
        self.assertEqual(len(self.design().scheme.rules), 2)

    def test_the_clock_counts_pauses_and_gives_its_minutes(self):
        self.page.get_by_role("button", name="Set Coat at 1 Army").click()
        self.note("Coat set on")
        self.go(f"{self.army}desk/")
        face = self.page.locator("[data-clock]")
        before = face.inner_text()
        self.page.keyboard.press("p")
        expect(face).not_to_have_text(before)
        self.page.keyboard.press("p")
        expect(self.page.locator("[data-clock-words]")).to_have_text("paused")
        self.page.keyboard.press("+")
        self.page.reload()
        expect(self.page.locator("[data-clock-words]")).to_have_text("paused")
        self.page.get_by_label("Minutes it took").fill("7")
        self.page.get_by_role("button", name="Done").click()
        self.note("logged")
        self.assertAlmostEqual(sum(entry.minutes for entry in Army.objects.get().entries.all()), 7)


class Narrow(BrowserCase):
    def test_no_page_scrolls_sideways_at_nine_hundred(self):
        army = self.make_army()
        self.page.set_viewport_size({"width": 900, "height": 800})
        for path in (
            "",
            "scheme/",
            "scheme/table/",
            "scheme/rules/",
            "recipes/",
            "paints/",
            "paints/?count=yes",
            "paints/fewest/",
            "recipes/undercoats/",
            "paints/match/?wanted=paint:salt-linen",
            "plan/",
            "desk/",
            "log/",
            "roster/",
            "types/",
            "types/make/",
            "brief/",
            "scheme/?mass=yes",
        ):
            self.go(army + path)
            wide = self.page.evaluate("document.documentElement.scrollWidth")
            self.assertLessEqual(wide, 900, path)

    def test_everything_works_without_scripts(self):
        self.make_army()
        plain = self.browser.new_context(java_script_enabled=False, storage_state=self.context.storage_state())
        self.addCleanup(plain.close)
        page = plain.new_page()
        page.goto(self.page.url.split("?")[0] + "scheme/")
        page.get_by_label("Name of the role").fill("Coat")
        page.get_by_role("button", name="Add role").click()
        page.get_by_role("button", name="Set Coat at 1 Army").click()
        expect(page.locator(".notice")).to_contain_text("at 1 Army")
        page.get_by_role("button", name="Undo").first.click()
        expect(page.locator(".notice")).to_contain_text("Undone")
