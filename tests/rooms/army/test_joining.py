"""On the page of figure types, areas too small for a brush are joined by one click, and painted apart again."""

from dataclasses import replace

from mantello_core.design.brief import Brief
from tests.rooms.case import RoomCase


class Joining(RoomCase):
    @staticmethod
    def design():
        return replace(RoomCase.design(), brief=Brief(height_mm=10.0))

    def test_small_areas_are_told_joined_and_taken_apart_again(self):
        page = self.see("figure-types")
        self.assertContains(page, "too small at 10")
        had = len(self.now().army.plate("fusilier").areas)
        self.post("join-areas", "fusilier")
        left = len(self.now().army.plate("fusilier").areas)
        self.assertLess(left, had - 20)
        self.assertContains(self.see("figure-types"), f"{had - left} joined")
        for name in ("scheme", "table", "plan", "type-picture"):
            self.see(name, *(["fusilier"] if name == "type-picture" else []))
        self.post("join-areas", "fusilier", apart="yes")
        self.assertEqual(len(self.now().army.plate("fusilier").areas), had)

    def test_the_check_offers_it(self):
        self.assertContains(self.see("checks"), "Too small to paint apart")

    def test_unknown_and_anothers_are_not_found(self):
        self.post("join-areas", "zeppelin", status=404)
        self.assert_hidden("join-areas", "fusilier", post=True)
