"""The main flows by keyboard alone, and where the focus is after every exchange."""

import re

from django.contrib.auth import get_user_model
from django.urls import reverse
from playwright.sync_api import expect

from mantello.workspace.editing import keep_design
from tests.samples import calvessa

from .case import BrowserCase


class Keys(BrowserCase):
    def coloured(self) -> str:
        """A signed-up painter's army with a scheme; its address."""
        self.sign_up()
        army = keep_design(get_user_model().objects.get(), calvessa(), "Imported")
        return reverse("army", args=[army.pk])

    def focused(self) -> str:
        """What has the focus, in words."""
        return self.page.evaluate(
            "() => { const one = document.activeElement; return one.getAttribute('aria-label') || one.textContent.trim().replace(/\\s+/g, ' ') || one.tagName; }"
        )

    def tab_to(self, selector: str, most: int = 120):
        """Press Tab until what is named has the focus."""
        for _ in range(most):
            self.page.keyboard.press("Tab")
            if self.page.evaluate("(selector) => document.activeElement.matches(selector)", selector):
                return
        raise AssertionError(f"{selector} is not reached by {most} tabs; the focus is on {self.focused()!r}")

    def test_a_colour_is_set_at_a_rung_and_taken_back_without_a_mouse(self):
        army = self.coloured()
        self.go(f"{army}scheme/")
        rung = self.page.locator(".rung button[data-preview]").first.get_attribute("data-rung")
        self.page.keyboard.press(rung)
        expect(self.page.locator(f'button.aim[data-rung="{rung}"]')).to_be_visible()
        self.page.keyboard.press("Enter")
        expect(self.page.locator("#said")).to_contain_text("set on")
        self.page.keyboard.press("Control+z")
        expect(self.page.locator("#said")).to_contain_text("Undone")

    def test_the_stage_before_the_last_edit_and_turned_by_keys(self):
        army = self.coloured()
        self.go(f"{army}scheme/")
        rung = self.page.locator(".rung button[data-preview]").first.get_attribute("data-rung")
        self.page.keyboard.press(rung)
        expect(self.page.locator(f'button.aim[data-rung="{rung}"]')).to_be_visible()
        self.page.keyboard.press("Enter")
        expect(self.page.locator("#said")).to_contain_text("set on")
        self.page.locator(".plate-box").focus()
        self.page.keyboard.down("b")
        expect(self.page.locator('#plate-svg[data-shown="before"]')).to_be_visible()
        self.page.keyboard.up("b")
        expect(self.page.locator("#plate-svg[data-shown]")).to_have_count(0)
        self.page.keyboard.press("x")
        expect(self.page.locator('#plate-svg[data-shown="turned"]')).to_be_visible()
        self.page.keyboard.press("x")
        expect(self.page.locator("#plate-svg[data-shown]")).to_have_count(0)

    def test_enter_on_a_link_follows_it_whatever_rung_is_aimed_at(self):
        army = self.coloured()
        self.go(f"{army}scheme/")
        self.page.keyboard.press("2")
        self.page.locator('.seam a[href$="/recipes/"]').focus()
        self.page.keyboard.press("Enter")
        expect(self.page).to_have_url(re.compile(r"/recipes/"))
        expect(self.page.locator("#said")).to_have_text("")

    def test_rooms_are_changed_by_number_and_things_found_by_name(self):
        army = self.coloured()
        self.go(f"{army}")
        self.page.keyboard.press("Alt+2")
        expect(self.page.locator(".ladder-col h2")).to_be_visible()
        self.page.wait_for_load_state()
        self.page.keyboard.press("/")
        expect(self.page.locator("dialog[open] input[type=search], dialog[open] input").first).to_be_focused()
        self.page.keyboard.press("Escape")
        expect(self.page.locator("dialog[open]")).to_have_count(0)
        self.page.keyboard.press("?")
        expect(self.page.locator("#keys")).to_be_visible()

    def test_a_step_of_a_recipe_is_changed_and_the_focus_stays_by_it(self):
        army = self.coloured()
        self.go(f"{army}recipes/")
        self.tab_to('a[aria-label^="Change step"]')
        self.page.keyboard.press("Enter")
        kind = self.page.locator("form.step-form [name=kind]")
        expect(kind).to_be_focused()
        self.tab_to("form.step-form button[type=submit]")
        self.page.keyboard.press("Enter")
        change = self.page.locator('a[aria-label^="Change step"]').first
        expect(change).to_be_focused()
        self.page.keyboard.press("Enter")
        expect(kind).to_be_focused()
        self.tab_to("form.step-form ~ form a")
        self.page.keyboard.press("Enter")
        expect(change).to_be_focused()

    def test_a_link_that_the_next_page_does_not_have_leads_to_its_heading(self):
        army = self.coloured()
        self.go(f"{army}recipes/")
        self.page.evaluate(
            "(to) => { const one = document.createElement('a'); one.dataset.visit = ''; one.href = to; one.textContent = 'Elsewhere'; document.getElementById('main').append(one); one.focus(); }",
            f"{army}paints/",
        )
        self.page.keyboard.press("Enter")
        expect(self.page.locator("#main h1").first).to_be_focused()

    def test_a_rule_is_written_on_the_figure_by_keys(self):
        army = self.coloured()
        self.go(f"{army}scheme/rules/?edit=new")
        area = self.page.locator('[data-plates] [data-area="torso.coat.body.left"]').first
        area.focus()
        self.page.keyboard.press("Space")
        expect(area).to_have_attribute("aria-checked", "true")
        self.assertIn("torso.coat.body.*", self.page.locator("#rule_select").input_value())
        self.page.keyboard.press("Enter")
        expect(area).to_have_attribute("aria-checked", "false")

    def test_a_check_is_accepted_and_the_focus_is_not_lost(self):
        army = self.coloured()
        self.go(f"{army}scheme/checks/")
        self.tab_to(".cause .btn-s")
        self.page.keyboard.press("Enter")
        expect(self.page.locator(".cause.open form :focus")).to_be_in_viewport(ratio=1)
        self.page.locator("#accept-note").focus()
        self.page.keyboard.type("meant so")
        self.page.keyboard.press("Enter")
        expect(self.page.locator("#said")).to_contain_text("Accepted: meant so")
        self.page.wait_for_function("() => document.activeElement !== document.body")

    def test_names_are_copied_and_pasted_in_the_table(self):
        army = self.coloured()
        self.go(f"{army}scheme/table/?in=all")
        self.page.context.grant_permissions(["clipboard-read", "clipboard-write"])
        self.page.locator("td.sel a").focus()
        self.page.keyboard.press("Control+c")
        expect(self.page.locator("#chosen")).to_contain_text("1 cell copied")
        self.page.evaluate("navigator.clipboard.writeText('No such role')")
        self.page.locator("td.sel a").focus()
        self.page.keyboard.press("Control+v")
        expect(self.page.get_by_role("heading", name="Pasted names")).to_be_visible()
        expect(self.page.get_by_label("What 'No such role' means")).to_be_visible()

    def test_an_army_is_begun_from_a_list_by_keys(self):
        self.sign_up()
        self.go("/")
        self.page.get_by_label("Paste or type it").focus()
        self.page.keyboard.type("9 fusiliers")
        self.tab_to("button.btn-ink")
        self.page.keyboard.press("Enter")
        expect(self.page.get_by_role("link", name="Colour it now")).to_be_visible()
