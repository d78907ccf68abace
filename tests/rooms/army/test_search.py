"""The search that every page opens: things with swatches and plates, checks, pages; only of one's own army."""

from django.urls import reverse

from mantello.rooms.army.searching import PAGES
from tests.rooms.case import RoomCase
from tests.samples import calvessa, pared


class Search(RoomCase):
    def test_things_are_found_with_a_swatch_or_a_plate_and_lead_there(self):
        page = self.see("search", q="field")
        self.assertContains(page, reverse("recipe", args=[self.army.pk, "field"]))
        self.assertContains(page, '<svg class="sw ')
        self.assertContains(self.see("search", q="fusilier"), "types/fusilier.svg")
        self.assertContains(self.see("search", q="salt linen"), "?pot=salt-linen")
        self.assertContains(self.see("search", q="trousers"), "area=leg")

    def test_checks_are_found_once_they_are_worked_out(self):
        self.see("checks")
        self.assertContains(self.see("search", q="room for marks"), "#sites")

    def test_nothing_is_told_as_such_and_words_are_shown_as_text(self):
        self.assertContains(self.see("search", q="<b>zz"), "&lt;b&gt;zz")
        self.assertContains(self.see("search"), "Two letters are enough")
        self.assert_hidden("search")


class Pages(RoomCase):
    @staticmethod
    def design():
        return pared(calvessa(), {"1st-harbour-line": "fusilier"})

    def test_pages_are_found_and_all_are_there(self):
        self.assertContains(self.see("search", q="transfer"), reverse("transfers", args=[self.army.pk]))
        for name in PAGES:
            self.assertIn(self.client.get(reverse(name, args=[self.army.pk])).status_code, (200, 202), name)
