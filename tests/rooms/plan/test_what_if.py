"""The what-if page, and the pace that the log teaches the plan."""

import uuid
from dataclasses import replace
from datetime import timedelta

from mantello.record.logging import record
from mantello.rooms.plan.evening import Evening
from mantello.rooms.plan.evening import _mark as _id
from mantello.workspace import editing as actions
from mantello.workspace.models import Army
from mantello_core.design.brief import Brief
from tests.rooms.plan.test_plan import TUESDAY, DeskCase


class WhatIfPage(DeskCase):
    def test_the_plan_is_told_in_numbers_with_its_biggest_steps(self):
        page = self.see("what-if")
        for said in (
            "Finished by",
            "Pots opened",
            "likely done between",
            "Where the minutes go",
            "fewer coats",
            "No layers on rank and file",
        ):
            self.assertContains(page, said)
        self.assertContains(self.see("plan"), "What if</a>")

    def test_what_is_tried_stands_beside_and_nothing_is_changed(self):
        before = self.now()
        page = self.see("what-if", attention="4", without=["rank:layer"], plain=["leader"])
        self.assertContains(page, "Tried")
        told = page.context
        self.assertLess(told["then"].desk, told["now"].desk)
        self.assertEqual(self.now(), before)

    def test_more_figures_on_the_desk_are_tried(self):
        page = self.see("what-if", desk="200")
        self.assertLessEqual(page.context["then"].openings, page.context["now"].openings)
        self.assertEqual(self.now().evenings.desk, 0)
        self.assertContains(self.see("what-if", status=422, desk="many"), "Write 1 to 400", status_code=422)

    def test_a_deadline_tells_what_must_give(self):
        def due(design, day):
            return replace(design, brief=replace(design.brief or Brief(), deadline=day))

        army = Army.objects.select_related("head").get(pk=self.army.pk)
        actions.edit(army, army.head.number, lambda design: due(design, "2026-11-28"), "due")
        page = self.see("what-if")
        self.assertContains(page, "lie after it")
        self.assertContains(page, "are lacking still")
        army.refresh_from_db()
        actions.edit(army, army.head.number, lambda design: due(design, "2027-11-28"), "due")
        self.assertContains(self.see("what-if"), "The plan meets it")

    def test_nonsense_is_told(self):
        self.assertContains(self.see("what-if", status=422, attention="0"), "Write 1 to 60", status_code=422)
        self.assertEqual(self.see("what-if", attention="9", without=["rank:magic"]).status_code, 200)

    def test_nobody_else_comes_near(self):
        self.assert_hidden("what-if")


class LearntPace(DeskCase):
    def test_minutes_logged_before_the_session_change_the_plan_and_what_is_planned_stays_what_it_was(self):
        usual = Evening(self.army, TUESDAY)
        batch = next(
            one for one in (usual.find(_id(block)) for block in usual.plan.blocks) if one.atoms[0].kind == "base"
        )
        planned = batch.minutes
        record(self.army, batch.atoms, set(batch.block.figures), 3 * planned, TUESDAY - timedelta(days=7), uuid.uuid4())
        learnt = Evening(self.army, TUESDAY)
        self.assertGreater(dict(learnt.pace)["base"], 1.1)
        self.assertGreater(learnt.plan.hands_on, 1.05 * usual.plan.hands_on - planned)
        again = next(
            one for one in (learnt.find(_id(block)) for block in learnt.plan.blocks) if one.atoms[0].kind == "base"
        )
        (entry,) = record(self.army, again.atoms[:1], {next(iter(again.block.figures))}, 1, TUESDAY, uuid.uuid4())
        own = next(atom for atom in usual.reading.work.atoms if atom.id == again.atoms[0].id)
        self.assertAlmostEqual(entry.planned_minutes, own.seconds / 60)
        self.assertContains(self.see("what-if"), "at your pace as logged")
