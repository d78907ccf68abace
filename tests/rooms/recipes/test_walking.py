"""A role on the figure from bare to finished, and cautions told once."""

import re

from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import hex_of
from tests.rooms.case import RoomCase


class Walking(RoomCase):
    def test_every_step_has_its_figure_from_the_undercoat_to_dirt(self):
        page = self.see("recipe", "plume")
        steps = [
            outcome.step.technique.verb for outcome in reading_of(self.army.head).prediction("plume", "rank").outcomes
        ]
        words = [moment.words for moment in page.context["walk"]]
        self.assertEqual(words[: len(steps) + 1], ["Undercoat", *steps])
        self.assertEqual(words[-2:], ["Painted", "Varnished and dirty"])
        for moment in page.context["walk"]:
            self.assertEqual(self.client.get(moment.src)["Content-Type"], "image/svg+xml", moment.words)

    def test_the_role_is_as_far_as_the_step_and_all_else_as_designed(self):
        reading = reading_of(self.army.head)
        one = reading.resolution.showing_most("plume")
        outcomes = reading.prediction("plume", one.tier).outcomes
        area = next(
            name
            for name, cell in one.cells.items()
            if cell.role == "plume" and name in {seen.area for seen in one.plate.views[0].areas}
        )
        for at in range(len(outcomes) + 1):
            drawn = self.see("recipe-figure", "plume", at=at).content.decode()
            wanted = hex_of(outcomes[at - 1].after if at else reading.undercoat)
            self.assertRegex(
                drawn, rf'data-area="{re.escape(area)}"[^>]*{wanted}|{wanted}[^>]*data-area="{re.escape(area)}"'
            )

    def test_steps_and_roles_that_are_not_there_are_not_found(self):
        for role, at in (("plume", "99"), ("plume", "x"), ("nothing", "0")):
            self.see("recipe-figure", role, at=at, status=404)
        self.assert_hidden("recipe-figure", "plume")

    def test_a_caution_is_told_in_full_once(self):
        page = self.see("recipe", "field").content.decode()
        seen = re.sub(r'title="[^"]*"|<span class="visually-hidden">.*?</span>', "", page)
        told = re.findall(r"Keep rinse water and drinks apart", seen.partition("Before you start")[0])
        self.assertEqual(len(told), 1)
        self.assertIn("Care as told", seen)
