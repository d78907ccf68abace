"""Variants: branched, compared, worked on, adopted and rejected, and nothing lost on the way."""

from mantello.workspace.models import Army, Variant
from tests.rooms.case import RoomCase
from tests.samples import LAPEL

LANTERN = {"unit": "2nd-lantern-line", "rank": "fusilier", "figure": "1", "area": LAPEL, "role": "gull", "rung": "3"}


class Variants(RoomCase):
    def variant(self, name: str) -> Variant:
        return Variant.objects.get(army=self.army, name=name)

    def branch(self):
        self.post("new-variant", name="Grey facings")
        self.post("set-here", **LANTERN)

    def test_branching_keeps_the_scheme_so_far_and_edits_go_to_the_new_variant(self):
        before = self.now()
        self.branch()
        after = self.now()
        self.assertNotEqual(before, after)
        self.assertEqual(Army.objects.get(pk=self.army.pk).variant, self.variant("Grey facings"))
        self.post("change-variant", self.variant("As it was").pk, do="work")
        self.assertEqual(self.now(), before)
        self.post("change-variant", self.variant("Grey facings").pk, do="work")
        self.assertEqual(self.now(), after)

    def test_they_stand_side_by_side_with_checks_and_cost(self):
        self.branch()
        page = self.see("variants", distance="table")
        for said in (
            "As it was",
            "Grey facings",
            "8 figures, 16 areas differ",
            "Coats",
            "Brushwork",
            "you are working on Grey facings",
        ):
            self.assertContains(page, said)
        self.assertContains(page, "edition=1&amp;")
        self.assertEqual(page.content.count(b'class="variant-facts"'), 2)

    def test_a_picture_of_another_edition_is_that_editions(self):
        self.branch()
        query = {"unit": "2nd-lantern-line", "rank": "fusilier", "figure": "1"}
        now, then = (self.see("figure", "front", **query, **more).content for more in ({}, {"edition": "1"}))
        self.assertNotEqual(now, then)
        self.see("figure", "front", status=404, edition="99", **query)

    def test_adopting_rejects_the_others_with_the_reason_and_keeps_them(self):
        self.branch()
        self.post("change-variant", self.variant("As it was").pk, do="adopt", reason="The yellow reads better")
        self.assertEqual(self.variant("As it was").state, "adopted")
        rejected = self.variant("Grey facings")
        self.assertEqual(
            (rejected.state, rejected.reason), ("rejected", "As it was was adopted: The yellow reads better")
        )
        self.assertContains(self.see("variants"), "Take it up again")
        self.post("change-variant", rejected.pk, do="work")
        self.assertEqual(self.variant("Grey facings").state, "open")

    def test_adopting_without_a_reason_and_rejecting_what_is_worked_on_are_refused(self):
        self.branch()
        mine = self.variant("Grey facings").pk
        self.assertContains(
            self.post("change-variant", mine, do="adopt", reason=" ", status=422),
            "allowed is 1 to 280",
            status_code=422,
        )
        self.assertContains(
            self.post("change-variant", mine, do="reject", reason="dull", status=422),
            "working on this variant",
            status_code=422,
        )
        self.post("change-variant", self.variant("As it was").pk, do="reject", reason="too loud")
        self.assertEqual(self.variant("As it was").reason, "too loud")

    def test_names_are_once_and_at_most_six_are_open(self):
        for name in ("B", "C", "D", "E", "F"):
            self.post("new-variant", name=name)
        self.assertContains(
            self.post("new-variant", name="B", status=422), "There is a variant called", status_code=422
        )
        answer = self.post("new-variant", name="G", status=422)
        self.assertContains(answer, "reject one first", status_code=422)
        self.assertContains(answer, 'value="G"', status_code=422)

    def test_undo_moves_the_variant_that_is_worked_on_and_no_other(self):
        self.branch()
        other = self.variant("As it was").edition_id
        self.post("undo")
        self.assertEqual(self.variant("Grey facings").edition_id, Army.objects.get(pk=self.army.pk).head_id)
        self.assertEqual(self.variant("As it was").edition_id, other)

    def test_another_painter_finds_nothing_here(self):
        self.branch()
        self.assert_hidden("variants")
        self.assert_hidden("new-variant", post=True)
        self.assert_hidden("change-variant", self.variant("As it was").pk, post=True)
