"""Arms typed with a live drawing, kept, placed on a cap plate and taken to a transfer sheet, with hands on the real interface."""

from django.contrib.auth import get_user_model
from playwright.sync_api import expect

from mantello.workspace.editing import keep_design
from tests.samples import calvessa

from .case import BrowserCase

PLATE = "unit=2nd-lantern-line&rank=fusilier&figure=1&area=head.hat.plate&role=lantern"


class ArmsTyped(BrowserCase):
    def test_arms_are_typed_kept_placed_and_laid_on_a_sheet(self):
        self.sign_up()
        army = f"/armies/{keep_design(get_user_model().objects.get(), calvessa(), 'Imported').pk}/"
        self.go(f"{army}insignia/")
        self.page.get_by_label("Name", exact=True).fill("House Weir")
        blazon = self.page.get_by_role("textbox", name="Blazon")
        blazon.press_sequentially("azure, a star or")
        expect(self.page.locator(".canonical")).to_have_text("Azure, a star or.")
        expect(self.page.locator('.arms-large path[data-of="star"]')).to_have_count(1)
        blazon.press_sequentially(", a fes")
        expect(self.page.locator("#seen .field-error")).to_contain_text("fes")
        expect(self.page.locator('.arms-large path[data-of="star"]')).to_have_count(1)
        blazon.fill("azure, a star or")
        self.page.get_by_role("button", name="Keep").click()
        self.note("Arms of House Weir kept")

        self.page.get_by_role("link", name="By hand").click()
        expect(self.page.get_by_role("heading", name="1. Ground")).to_be_visible()
        self.page.get_by_label("Width, mm").fill("1")
        self.page.get_by_label("Width, mm").press("Enter")
        expect(self.page.locator(".verdict")).to_contain_text("in a simpler form")

        self.go(f"{army}scheme/?{PLATE}")
        self.page.locator(".site-row > details > summary").click()
        self.page.get_by_label("Device").select_option("Arms of House Weir")
        self.page.get_by_role("button", name="Place it").click()
        self.note("The arms of House Weir placed on hat.plate")
        expect(self.page.locator(".site-row b")).to_have_text("The arms of House Weir")
        expect(self.page.locator("#stage .device, .stage .device").first).to_be_attached()

        self.go(f"{army}insignia/bearers/")
        expect(self.page.locator(".borne-table")).to_contain_text("The arms of House Weir")
        self.page.get_by_label("How the arms of House Weir on Hat plate is made").select_option("transfer")
        self.note("Marks made as transfer")
        self.page.get_by_role("link", name="Transfers", exact=True).click()
        expect(self.page.locator(".sheet-paper .cutline").first).to_be_attached()
        self.page.get_by_label("The 50 mm bar measured, mm").fill("49")
        self.page.get_by_label("The 50 mm bar measured, mm").press("Enter")
        expect(self.page.get_by_text("102.0 %")).to_be_visible()
