"""Figures painted to an older version: listed, kept, accepted, painted again."""

import uuid
from dataclasses import replace

from django.utils import timezone

from mantello.record.drifting import differences
from mantello.record.logging import record
from mantello.record.models import Settlement
from mantello.record.queries import done_steps
from mantello.workspace.editing import edit
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.design.edit import set_cell, with_step, with_undercoat
from mantello_core.order.subject import of_role
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix
from tests.rooms.case import RoomCase

UNIT, RANK = "2nd-lantern-line", "fusilier"


class Differences(RoomCase):
    def setUp(self):
        super().setUp()
        self.paint("lantern", "field")

    def army_now(self) -> Army:
        return Army.objects.select_related("head").get(pk=self.army.pk)

    def paint(self, *roles: str):
        army = self.army_now()
        atoms = [
            atom
            for atom in reading_of(army.head).work.atoms
            if (atom.unit, atom.rank) == (UNIT, RANK) and atom.subject.role in roles
        ]
        record(army, atoms, {(RANK, 1), (RANK, 2)}, 20, timezone.now(), uuid.uuid4())

    def change(self, change):
        army = self.army_now()
        edit(army, army.head.number, change, "Changed")

    def change_facing(self):
        self.change(lambda design: set_cell(design, "company-facings", "2nd-lantern", "facing", "plume"))

    def change_field(self):
        step = self.now().scheme.role("field").recipe().steps[0]
        self.change(
            lambda design: with_step(design, "field", "rank", replace(step, mix=Mix(((paint("madder-rope"), 1.0),))))
        )

    def found(self):
        army = self.army_now()
        return differences(army, reading_of(army.head))

    def asked_for(self, role: str) -> bool:
        return not any(done[:4] == (UNIT, RANK, 1, of_role(role)) for done in done_steps(self.army_now()))

    def test_nothing_differs_while_the_scheme_stays(self):
        self.assertEqual(self.found(), [])
        self.assertNotContains(self.see("log"), "Painted otherwise")

    def test_another_role_is_listed_with_figures_areas_and_version(self):
        self.change_facing()
        (one,) = self.found()
        self.assertEqual((one.drift.kind, one.drift.ordinals, one.version.number), ("role", (1, 2), 1))
        page = self.see("log")
        self.assertContains(page, "2 Fusilier")
        self.assertContains(page, "Lantern facing, now <b>Plume</b>")
        self.assertContains(page, "The plan asks for Plume on them.")
        self.assertTrue(self.asked_for("plume"))

    def test_kept_as_painted_the_scheme_tells_the_truth_and_undo_takes_it_back(self):
        self.change_facing()
        self.post("settle-difference", drift=self.found()[0].drift.key, do="keep")
        self.assertEqual(self.found(), [])
        cells = {
            ordinal: one.cells["torso.coat.lapel.left"].role
            for one in reading_of(self.army_now().head).resolution.classes
            if (one.unit, one.rank) == (UNIT, RANK)
            for ordinal in one.ordinals
        }
        self.assertEqual((cells[1], cells[2], cells[3]), ("lantern", "lantern", "plume"))
        self.post("undo")
        self.assertEqual(len(self.found()), 1)

    def test_another_recipe_is_accepted_with_a_reason_only(self):
        self.change_field()
        (one,) = self.found()
        self.assertEqual(one.drift.kind, "recipe")
        page = self.post("settle-difference", drift=one.drift.key, do="accept", note=" ", status=422)
        self.assertContains(page, "No reason was written", status_code=422)
        self.post("settle-difference", drift=one.drift.key, do="accept", note="reads the same on the table")
        self.assertEqual(self.found(), [])
        self.assertContains(self.see("log"), "reads the same on the table")
        self.post("reopen-settlement", Settlement.objects.get().pk)
        self.assertEqual(len(self.found()), 1)

    def test_painted_again_the_plan_asks_until_it_is_done(self):
        self.change_field()
        self.assertFalse(self.asked_for("field"))
        self.post("settle-difference", drift=self.found()[0].drift.key, do="repaint")
        self.assertTrue(self.asked_for("field"))
        self.assertFalse(self.asked_for("lantern"))
        self.assertContains(self.see("log"), "The plan asks for Field on them.")
        self.paint("field")
        self.assertFalse(self.asked_for("field"))
        self.assertEqual(self.found(), [])

    def test_a_changed_scheme_opens_an_accepted_difference_again(self):
        self.change(lambda design: with_undercoat(design, paint("undercoat-soot")))
        self.paint("")
        self.change(lambda design: with_undercoat(design, paint("undercoat-slate")))
        one = next(one for one in self.found() if one.drift.kind == "undercoat")
        self.post("settle-difference", drift=one.drift.key, do="accept", note="covered anyway")
        self.assertNotIn("undercoat", [one.drift.kind for one in self.found()])
        self.change(lambda design: with_undercoat(design, paint("undercoat-cask")))
        self.assertIn("undercoat", [one.drift.kind for one in self.found()])

    def test_what_cannot_be_done_is_refused_and_what_is_gone_is_said(self):
        self.change_field()
        key = self.found()[0].drift.key
        self.post("settle-difference", drift=key, do="keep", status=422)
        self.post("settle-difference", drift=key, do="dance", status=422)
        answer = self.client.post(
            f"/armies/{self.army.pk}/log/differences/", {"base": self.base(), "drift": "x", "do": "keep"}, follow=True
        )
        self.assertContains(answer, "no longer there")
        self.assertEqual(Settlement.objects.count(), 0)

    def test_decisions_stay_with_a_renamed_rank(self):
        self.change_field()
        self.post("settle-difference", drift=self.found()[0].drift.key, do="repaint")
        settlement = Settlement.objects.get()
        self.assertEqual((settlement.rank, settlement.ordinals), (RANK, [1, 2]))
        self.post("change-rank", UNIT, id=RANK, rank="Musketeer", type="fusilier", figures="7", tier="rank")
        settlement.refresh_from_db()
        self.assertEqual(settlement.rank, RANK)
        self.assertEqual([one.drift.rank for one in self.found()], [RANK])
        self.assertContains(self.see("log"), "2 Musketeer, ")

    def test_taken_back_entries_count_as_not_painted_at_once(self):
        self.change_field()
        self.assertEqual(len(self.found()), 1)
        entries = list(self.army.entries.filter(role="field"))
        for entry in entries:
            self.post("change-entry", entry.pk, do="back")
        self.assertEqual(self.found(), [])
        self.post("change-entry", entries[0].pk, do="stand")
        self.assertEqual(len(self.found()), 1)

    def test_another_painters_differences_are_hidden(self):
        self.assert_hidden("settle-difference", post=True)
        self.assert_hidden("reopen-settlement", 1, post=True)
