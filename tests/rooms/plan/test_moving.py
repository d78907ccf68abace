"""Work moved by hand, the lanes while it moves, and a longer search in the background."""

import re
from datetime import timedelta

from django.urls import reverse
from procrastinate.contrib.django.models import ProcrastinateJob

from mantello.jobs.models import Job
from mantello.jobs.tasks import carry_out
from mantello.record.models import Measurement
from mantello.rooms.plan.better import SEARCH, search_key
from mantello.rooms.plan.evening import Evening
from mantello_core.errors import UnknownName
from tests.rooms.plan.test_plan import TUESDAY, DeskCase


class Moving(DeskCase):
    def batch(self, number):
        return Evening(self.army, TUESDAY)._batch(number)

    def start_of(self, batch):
        self.army.refresh_from_db()
        evening = Evening(self.army, TUESDAY)
        mine = batch.atoms[0].id
        return min(block.start for block in evening.plan.blocks if any(atom.id == mine for atom in block.task.atoms))

    def test_a_batch_goes_where_it_is_dragged_and_back(self):
        batch = self.batch(3)
        session = Evening(self.army, TUESDAY).plan.sessions[0]
        self.post("move-batch", batch=batch.id, to="97")
        self.assertGreaterEqual(self.start_of(batch), session.start + timedelta(minutes=95))
        self.assertEqual(len(self.now().evenings.wishes), 1)
        self.assertContains(self.see("plan"), "Put back what was moved (1)")
        self.post("move-batch", do="forget")
        self.assertEqual(self.now().evenings.wishes, ())
        self.assertEqual(self.start_of(batch), batch.block.start)

    def test_the_next_session_and_what_holds_it_up_is_told(self):
        batch = self.batch(2)
        self.post("move-batch", batch=batch.id, to="next")
        self.assertGreaterEqual(self.start_of(batch).date(), Evening(self.army, TUESDAY).plan.sessions[1].start.date())
        late = Evening(self.army, TUESDAY).tonight[-1]
        self.post("move-batch", batch=late.id, to="0")
        self.assertContains(self.see("plan"), "what must come before it, and dry, holds it until then")

    def test_moving_twice_keeps_the_last_wish_alone(self):
        batch = self.batch(3)
        self.post("move-batch", batch=batch.id, to="60")
        self.army.refresh_from_db()
        again = next(one for one in Evening(self.army, TUESDAY).tonight if one.atoms[0].id == batch.atoms[0].id)
        self.post("move-batch", batch=again.id, to="90")
        self.assertEqual([moment for _, moment in self.now().evenings.wishes], ["2026-11-24T20:30"])

    def test_the_lanes_are_shown_as_they_would_be_and_nothing_is_kept(self):
        batch = self.batch(3)
        before = self.see("plan").content.decode()
        lanes = self.see("moved-lanes", batch=batch.id, to="90").content.decode()
        self.assertTrue(lanes.startswith("<svg"))
        self.assertNotIn(lanes, before)
        self.assertEqual(self.now().evenings.wishes, ())
        self.see("moved-lanes", batch="gone", to="90", status=404)

    def test_nonsense_is_refused(self):
        batch = self.batch(3)
        for to in ("soon", "-5", "9000", "nan"):
            with self.subTest(to):
                answer = self.client.post(
                    f"/armies/{self.army.pk}/plan/move/", {"base": self.base(), "batch": batch.id, "to": to}
                )
                self.assertEqual(answer.status_code, 422)
        self.post("move-batch", batch="gone", to="0")
        self.assertContains(self.see("plan"), "nothing was moved")
        self.assertEqual(self.now().evenings.wishes, ())

    def test_another_painter_finds_none_of_it(self):
        self.assert_hidden("move-batch", post=True)
        self.assert_hidden("moved-lanes")
        self.assert_hidden("start-search", post=True)


class Searching(DeskCase):
    def search(self, painter="", tries=30, **more) -> Job:
        return Job.objects.create(
            owner=self.owner, army=self.army, kind=SEARCH, key=search_key(self.army, painter),
            asked={"painter": painter, "tries": tries}, **more,
        )  # fmt: skip

    def test_a_search_is_put_in_the_queue_once_and_tells_how_it_stands(self):
        self.post("start-search")
        self.post("start-search")
        job = Job.objects.get()
        self.assertEqual(
            [one.args for one in ProcrastinateJob.objects.filter(task_name="jobs.carry_out")], [{"job_id": job.pk}]
        )
        watched = self.client.get(reverse("watch-job", args=[job.pk]))
        self.assertContains(watched, "waiting for a free worker")
        self.assertContains(self.see("plan"), 'data-behaviour="poll"')

    def test_what_it_finds_is_tried_whenever_the_plan_is_laid(self):
        fast = Evening(self.army, TUESDAY).plan.desk_minutes
        made = self.search()
        carry_out(made.pk)
        made.refresh_from_db()
        self.assertEqual((made.state, made.reached, made.of), (Job.State.DONE, 30, 30))
        self.assertLessEqual(made.result["best"], made.result["started"])
        self.assertAlmostEqual(made.result["started"], fast, places=3)
        if made.result["style"]:
            self.assertAlmostEqual(Evening(self.army, TUESDAY).plan.desk_minutes, made.result["best"], places=3)
        self.assertContains(self.see("plan"), "done after 30 ways")

    def test_it_can_be_stopped_before_and_while_it_goes_on(self):
        self.post("start-search")
        job = Job.objects.get()
        answer = self.client.post(reverse("stop-job", args=[job.pk]))
        self.assertRedirects(answer, reverse("plan", args=[self.army.pk]))
        carry_out(job.pk)
        job.refresh_from_db()
        self.assertEqual((job.state, job.reached), (Job.State.STOPPED, 0))
        self.assertContains(self.see("plan"), "Look longer")
        self.client.post(reverse("stop-job", args=[job.pk]))
        self.assertContains(self.see("plan"), "It does not go on any more.")

    def test_one_that_cannot_go_on_says_so(self):
        made = self.search("nobody", 3)
        with self.assertRaises(UnknownName):
            carry_out(made.pk)
        made.refresh_from_db()
        self.assertEqual(made.state, Job.State.FAILED)
        Job.objects.filter(pk=made.pk).update(key=search_key(self.army, ""))
        self.assertContains(self.see("plan"), "could not go on")


class Painters(DeskCase):
    def kept(self, **more):
        """Two painters: the owner, and Noemi with the second unit."""
        self.post("keep-painters", new_name="Noemi", new_evenings="Monday 20:00 90\nFri 19:30 60")
        unit = self.now().army.units[1].id
        self.post(
            "keep-painters",
            **{"name-noemi": "Noemi", "evenings-noemi": "Monday 20:00 90\nFri 19:30 60", f"unit-{unit}": "noemi"}
            | more,
        )
        self.army.refresh_from_db()
        return unit

    def test_each_has_a_plan_and_a_desk_of_their_own(self):
        unit = self.kept()
        painter = self.now().evenings.painter("noemi")
        self.assertEqual((painter.pattern, painter.units), (((0, 1200, 90), (4, 1170, 60)), (unit,)))
        mine, theirs = (Evening(self.army, TUESDAY, one).plan for one in ("", "noemi"))
        self.assertEqual({block.task.unit for block in theirs.blocks}, {unit})
        self.assertNotIn(unit, {block.task.unit for block in mine.blocks})
        self.assertEqual({session.start.weekday() for session in theirs.sessions}, {0, 4})
        page = self.see("painters")
        self.assertContains(page, "Noemi")
        self.post("choose-painter", painter="noemi")
        plan = self.see("plan").content.decode()
        self.assertRegex(plan, r'<option value="noemi" selected>Noemi')
        self.assertIn("Friday 27 November", plan)

    def test_work_is_logged_for_who_did_it_and_their_pace_is_their_own(self):
        self.kept()
        self.post("choose-painter", painter="noemi")
        sent = self.batch_sent()
        self.post("desk-done", **sent | {"minutes": "2"})
        entry = self.army.entries.first()
        self.assertEqual(entry.painter, "noemi")
        later = TUESDAY + timedelta(days=9)
        self.assertEqual(Evening(self.army, later).pace, ())
        self.assertNotEqual(Evening(self.army, later, "noemi").pace, ())

    def batch_sent(self):
        text = self.see("desk").content.decode()
        figures = re.findall(r'name="figure" value="([^"]+)" checked', text)
        return {name: re.search(rf'name="{name}" value="([^"]*)"', text)[1] for name in ("batch", "token")} | {
            "figure": figures
        }

    def test_a_painter_without_evenings_is_told_and_the_owner_is_found_again(self):
        self.post("keep-painters", new_name="Ugo", new_evenings="")
        self.post("choose-painter", painter="ugo")
        page = self.see("plan")
        self.assertContains(page, "This painter has no evening to lay work into.")
        self.assertContains(page, "Whose plan")
        self.post("choose-painter", painter="")
        self.assertContains(self.see("plan"), "Edit evenings")
        for name in ("desk", "order", "what-if", "calendar"):
            self.post("choose-painter", painter="ugo")
            self.assertIn(
                self.client.get(f"/armies/{self.army.pk}/{'desk/' if name == 'desk' else f'plan/{name}/'}").status_code,
                (200, 302),
                name,
            )

    def read(self, unit, role, lightness):
        rank = self.now().army.nodes[unit].ranks[0].id
        Measurement.objects.create(
            army=self.army, unit=unit, rank=rank, ordinal=1, role=role, lightness=lightness, a=-20.0, b=4.0,
            measured_at=TUESDAY,
        )  # fmt: skip

    def test_colours_of_two_hands_are_held_against_each_other(self):
        theirs = self.kept()
        ours = self.now().army.units[0].id
        self.assertContains(self.see("painters"), "Read a colour on a figure of each painter")
        for role, here, there in (("field", 34.0, 41.0), ("leather", 30.0, 30.5)):
            self.read(ours, role, here)
            self.assertNotContains(
                self.see("painters"), f'<th scope="row">{self.now().scheme.role(role).name}</th><td>'
            )
            self.read(theirs, role, there)
        hands = self.see("painters").context["hands"]
        self.assertEqual([(one.role, one.alike) for one in hands], [("Field", False), ("Leather", True)])
        self.assertIn("Noemi", (hands[0].one, hands[0].other))
        self.assertContains(self.see("painters"), "lay both side by side")

    def test_who_is_gone_leaves_the_units_to_the_owner(self):
        unit = self.kept()
        self.post(
            "keep-painters",
            **{"name-noemi": "Noemi", "evenings-noemi": "", "gone-noemi": "on", f"unit-{unit}": "noemi"},
        )
        self.assertEqual(self.now().evenings.painters, ())

    def test_nonsense_is_told_at_its_field(self):
        self.kept()
        for field, value, told in (
            ("evenings-noemi", "Monday late", "is not understood"),
            ("evenings-noemi", "Monday 25:00 60", "is not understood"),
            ("name-noemi", "", "Nothing is written here"),
            ("new_evenings", "Monday 19:00 60", "Who paints on these evenings?"),
            (f"unit-{self.now().army.units[0].id}", "nobody", "is none of the choices"),
        ):
            with self.subTest(field=field, value=value):
                sent = {"name-noemi": "Noemi", "evenings-noemi": "Monday 20:00 90"} | {field: value}
                self.assertContains(self.post("keep-painters", status=422, **sent), told, status_code=422)

    def test_a_card_goes_with_a_unit(self):
        unit = self.now().army.units[0].id
        self.printed("hand-over", unit)
        self.see("hand-over", "nowhere", status=404)
        self.assert_hidden("hand-over", unit)
        self.assert_hidden("painters")
        self.assert_hidden("keep-painters", post=True)
        self.assert_hidden("choose-painter", post=True)
