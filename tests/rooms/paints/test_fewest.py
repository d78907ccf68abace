"""The fewest paints for the scheme, and the bases mixed from them."""

from django.urls import reverse

from mantello.shelf.models import OwnedPaint
from mantello.workspace.editing import create_army
from mantello_core.design.base_mix import base_mix
from mantello_core.paints.stock import Stock
from tests.rooms.case import RoomCase


class FewestPage(RoomCase):
    def test_more_may_be_off_so_less_is_bought(self):
        strict, loose = self.filled("fewest", within="1").context, self.filled("fewest", within="5").context
        self.assertLess(len(loose["found"].buy), len(strict["found"].buy))
        self.assertLessEqual(len(strict["found"].buy), strict["now_buy"])
        self.assertLessEqual(strict["found"].least, len(strict["found"].buy))

    def test_every_role_with_a_recipe_is_on_the_page_once(self):
        page = self.filled("fewest")
        shown = [role.id for row in [*page.context["rows"], *page.context["beyond"]] for role in row.roles]
        self.assertCountEqual(shown, [role.id for role in self.now().scheme.roles if base_mix(role)])

    def test_what_is_owned_is_not_bought(self):
        before = self.filled("fewest", within="1").context["found"]
        OwnedPaint.objects.keep(self.owner, {pot.id: Stock(1) for pot in before.buy})
        page = self.filled("fewest", within="1")
        self.assertEqual(page.context["found"].buy, ())
        self.assertContains(page, "on the shelf")

    def test_all_are_taken_in_one_edit_and_undone(self):
        before = self.now()
        found = self.filled("fewest", within="5").context["found"]
        self.post("take-fewest", within="5")
        used = {pot.id for role in self.now().scheme.roles if base_mix(role) for pot in base_mix(role).paints}
        self.assertEqual(used, {pot.id for pot in found.paints})
        self.post("undo")
        self.assertEqual(self.now(), before)

    def test_nothing_is_taken_of_a_search_that_goes_on_and_one_stopped_can_be_asked_again(self):
        before = self.now()
        page = self.see("fewest", within="2")
        answer = self.post("take-fewest", within="2")
        self.assertIn("within=2", answer.url)
        self.assertEqual(self.now(), before)
        self.client.post(reverse("stop-job", args=[page.context["job"].pk]))
        self.assertContains(self.see("fewest", within="2"), "It was stopped")
        self.assertContains(self.see("fewest", within="2", again=""), 'data-behaviour="poll"')

    def test_what_is_no_tolerance_is_told_and_changes_nothing(self):
        before = self.now()
        self.assertContains(self.see("fewest", within="7", status=422), "7", status_code=422)
        self.post("take-fewest", within="everything")
        self.assertEqual(self.now(), before)

    def test_without_a_recipe_there_is_nothing_to_mix(self):
        empty = create_army(self.owner, "Empty")
        self.assertContains(self.client.get(reverse("fewest", args=[empty.pk])), "Nothing to mix yet")

    def test_others_do_not_see_it(self):
        self.assert_hidden("fewest")
        self.assert_hidden("take-fewest", post=True)
