"""Dress and variety in a browser: a cell settled, a year drawn, a question answered, a unit dealt to, on a phone as on a desk."""

from django.contrib.auth import get_user_model
from playwright.sync_api import expect

from mantello.almanacs.models import Almanac, FoundList
from mantello.workspace.editing import keep_design
from mantello_core.formats.sample import dress_almanac, levy, sample_list

from .case import BrowserCase


class Dress(BrowserCase):
    def setUp(self):
        super().setUp()
        self.sign_up()
        user = get_user_model().objects.get(first_name="rosa")
        self.army = keep_design(user, levy(), "Imported")
        Almanac.objects.keep(user, dress_almanac())
        FoundList(owner=user, name="Copied facings", data=sample_list()).read()
        self.work()

    def cell(self, words):
        return self.page.get_by_role("link", name=words)

    def test_a_cell_is_settled_and_another_year_is_drawn(self):
        self.go(f"/armies/{self.army.pk}/scheme/dress/")
        self.cell("5, Saltpan, facing: white, disputed").click()
        ladder = self.page.get_by_label("The cell")
        expect(ladder).to_contain_text("Ledger of Bassa the tailor")
        ladder.get_by_role("button", name="Settle on this").nth(1).click()
        expect(self.cell("5, Saltpan, facing: buff, settled")).to_be_visible()
        year = self.page.get_by_label("Year")
        year.focus()
        for _ in range(6):
            year.press("ArrowLeft")
        expect(self.cell("2, Lantern, facing: buff, documented")).to_be_visible()

    def test_a_question_is_answered_with_one_click(self):
        self.go(f"/armies/{self.army.pk}/scheme/dress/lists/")
        self.page.get_by_role("link", name="Copied facings").click()
        questions = self.page.get_by_label("Questions")
        asked = questions.locator("li", has_text="Cells hold a dash")
        asked.get_by_role("button", name="Unknown").click()
        expect(
            questions.locator("li", has_text="Cells hold a dash").get_by_role("button", name="Ask again")
        ).to_be_visible()

    def test_a_unit_is_dealt_to_and_one_figure_chosen_for(self):
        self.go(f"/armies/{self.army.pk}/scheme/variety/?unit=reed-cutters")
        self.page.get_by_role("button", name="Deal", exact=True).click()
        expect(self.page.get_by_role("heading", name="Pot by pot")).to_be_visible()
        self.page.get_by_role("link", name="No. 3, Reed-cutter 3").click()
        figure = self.page.get_by_label("What they may wear")
        expect(figure.get_by_role("heading", name="Reed-cutter 3")).to_be_visible()
        figure.get_by_label("Tunic").select_option(label="Straw")
        figure.get_by_role("button", name="Keep it so").click()
        expect(figure.get_by_label("Tunic, kept")).to_be_visible()

    def test_on_a_phone_nothing_runs_over_the_edge(self):
        self.page.set_viewport_size({"width": 390, "height": 844})
        for place in ("dress/", "dress/worn/", "dress/sources/", "dress/lists/", "variety/?unit=reed-cutters"):
            self.go(f"/armies/{self.army.pk}/scheme/{place}")
            self.assertLessEqual(self.page.evaluate("document.documentElement.scrollWidth"), 390, place)
