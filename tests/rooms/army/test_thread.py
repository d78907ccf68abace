"""The thread of edits: every state with the figure before and after, to go back and on to."""

from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from tests.rooms.case import RoomCase


class Thread(RoomCase):
    def head(self) -> int:
        return Army.objects.select_related("head").get(pk=self.army.pk).head.number

    def three_edits(self) -> list[int]:
        for name in ("Alpha", "Beta", "Gamma"):
            self.post("new-role", name=name)
        return [self.head() - 2, self.head() - 1, self.head()]

    def test_the_work_goes_back_and_on_along_its_thread(self):
        first, second, third = self.three_edits()
        self.post("go-to", to=first)
        self.assertEqual(self.head(), first)
        names = [
            role.name
            for role in reading_of(Army.objects.select_related("head").get(pk=self.army.pk).head).design.scheme.roles
        ]
        self.assertIn("Alpha", names)
        self.assertNotIn("Beta", names)
        states = [(knot.edition.number, knot.state) for knot in self.see("thread").context["knots"]]
        self.assertEqual(states[:3], [(third, "ahead"), (second, "ahead"), (first, "here")])
        self.post("go-to", to=third)
        self.assertEqual(self.head(), third)

    def test_every_state_shows_the_figure_before_and_after(self):
        self.three_edits()
        knots = self.see("thread").context["knots"]
        self.assertEqual(knots[-1].before, "")
        for knot in knots[:2]:
            self.assertNotEqual(knot.before, knot.after)
            for address in (knot.before, knot.after):
                self.assertEqual(self.client.get(address)["Content-Type"], "image/svg+xml")

    def test_what_is_not_on_the_thread_is_not_gone_to(self):
        first, second, _ = self.three_edits()
        self.post("go-to", to=first)
        self.post("new-role", name="Delta")
        # what was undone before another edit lies on another thread
        self.post("go-to", to=second, status=404)
        for nonsense in ("", "x", "99999"):
            self.post("go-to", to=nonsense, status=404)
        self.post("go-to", to=first, base=first, status=409)
        self.assert_hidden("go-to", post=True)
        self.assert_hidden("thread")
