"""Jobs: asked for once, heard of, swept when their worker is gone, hidden from others."""

from datetime import timedelta
from unittest.mock import patch

from django.contrib.auth import get_user_model
from django.test import TestCase
from django.urls import reverse
from django.utils import timezone
from procrastinate.contrib.django.models import ProcrastinateJob

from mantello.jobs import awake, kinds
from mantello.jobs.kinds import Kind, Step
from mantello.jobs.models import SILENT, Job
from mantello.jobs.queue import asked_for, last_job, stop
from mantello.jobs.tasks import carry_out, sweep
from mantello_core.errors import OutOfRange, UnknownName


class JobCase(TestCase):
    def setUp(self):
        self.owner = get_user_model().objects.create_user("rosa", "rosa@example.test")
        self.client.force_login(self.owner)
        known = self.instead(self.work)
        known.start()
        self.addCleanup(known.stop)

    @staticmethod
    def instead(work):
        """Jobs of kind 'count' done by this."""
        return patch.dict(
            kinds._KINDS, {"count": Kind("count", work, lambda job: "/", "jobs/job.html", lambda job: {})}
        )

    def work(self, job):
        for number in range(1, job.asked["of"] + 1):
            yield Step(number, job.asked["of"], {"seen": number})

    def ask(self, **asked):
        return asked_for(self.owner, "count", "a", **{"of": 3} | asked)


class Jobs(JobCase):
    def test_it_is_done_at_the_time_of_day_of_whoever_asked(self):
        seen = []

        def look(job):
            seen.append(timezone.get_current_timezone_name())
            yield Step(1, 1)

        for zone in ("Pacific/Auckland", "America/Los_Angeles"):
            with timezone.override(zone):
                job = self.ask()
            with self.instead(look):
                carry_out(job.pk)
        self.assertEqual(seen, ["Pacific/Auckland", "America/Los_Angeles"])
        self.assertEqual(timezone.get_current_timezone_name(), "UTC")

    def test_a_job_is_done_step_by_step_and_its_result_kept(self):
        job = self.ask()
        carry_out(job.pk)
        job.refresh_from_db()
        self.assertEqual((job.state, job.reached, job.of, job.result), (Job.State.DONE, 3, 3, {"seen": 3}))
        self.assertIsNotNone(job.heartbeat)

    def test_it_is_asked_for_once_while_it_goes_on_and_anew_when_it_is_over(self):
        first = self.ask()
        self.assertEqual(self.ask(), first)
        self.assertEqual(ProcrastinateJob.objects.filter(task_name="jobs.carry_out").count(), 1)
        carry_out(first.pk)
        self.assertNotEqual(self.ask(), first)
        self.assertEqual(last_job(self.owner, "count", "a").state, Job.State.WAITING)

    def test_a_job_that_is_stopped_ends_after_its_step_and_keeps_what_it_has(self):
        job = self.ask(of=5)
        closed = []

        def work(_):
            try:
                for number in range(1, 6):
                    if number == 3:
                        stop(job)
                    yield Step(number, 5, {"seen": number})
            finally:
                closed.append(True)

        with self.instead(work):
            carry_out(job.pk)
        job.refresh_from_db()
        self.assertEqual((job.state, job.reached, job.result), (Job.State.STOPPED, 2, {"seen": 2}))
        self.assertEqual(closed, [True])

    def test_a_refusal_is_told_in_its_words_and_a_fault_in_ours(self):
        for error, said in ((OutOfRange("Nine is too many."), "Nine is too many."), (KeyError("x"), "on our side")):
            job = self.ask()

            def work(_, error=error):
                yield Step(1, 2)
                raise error

            with (
                patch.dict(
                    kinds._KINDS, {"count": Kind("count", work, lambda job: "/", "jobs/job.html", lambda job: {})}
                ),
                self.assertRaises(type(error)),
            ):
                carry_out(job.pk)
            job.refresh_from_db()
            self.assertEqual(job.state, Job.State.FAILED)
            self.assertIn(said, job.fault)

    def test_jobs_whose_worker_is_gone_fail_and_can_be_asked_for_again(self):
        job, now = self.ask(), timezone.now()
        Job.objects.filter(pk=job.pk).update(state=Job.State.RUNNING, heartbeat=now - SILENT + timedelta(seconds=5))
        sweep(timestamp=0)
        self.assertEqual(self.ask(), job)
        Job.objects.filter(pk=job.pk).update(heartbeat=now - SILENT - timedelta(seconds=5))
        again = self.ask()
        self.assertNotEqual(again, job)
        job.refresh_from_db()
        self.assertEqual((job.state, job.fault), (Job.State.FAILED, "The worker that did it went away."))

    def test_a_worker_that_slept_with_the_machine_is_not_gone_until_it_stays_silent(self):
        job, now = self.ask(), timezone.now()
        Job.objects.filter(pk=job.pk).update(state=Job.State.RUNNING, heartbeat=now - 2 * SILENT)
        with patch.object(awake, "_seen", []), patch.object(awake, "time") as clock:
            # seconds awake, and seconds by the clock
            for awake_for, by_the_clock, swept in ((10, 10, None), (12, 7212, 0), (100, 7300, 0), (200, 7400, 1)):
                clock.monotonic.return_value, clock.time.return_value = 50.0 + awake_for, 1e9 + by_the_clock
                if swept is None:
                    self.assertFalse(awake.just_woke(SILENT.total_seconds()))
                else:
                    self.assertEqual(Job.objects.sweep(), swept, awake_for)

    def test_a_job_that_is_done_twice_is_done_once(self):
        job = self.ask()
        carry_out(job.pk)
        Job.objects.filter(pk=job.pk).update(result={"seen": "kept"})
        carry_out(job.pk)
        job.refresh_from_db()
        self.assertEqual(job.result, {"seen": "kept"})

    def test_an_unknown_kind_is_refused(self):
        job = asked_for(self.owner, "nothing", "a")
        with self.assertRaises(UnknownName):
            carry_out(job.pk)


class Watching(JobCase):
    def test_the_fragment_tells_how_far_it_is_and_when_it_has_ended(self):
        job = self.ask()
        Job.objects.filter(pk=job.pk).update(state=Job.State.RUNNING, reached=1, of=3, heartbeat=timezone.now())
        page = self.client.get(reverse("watch-job", args=[job.pk]))
        self.assertContains(page, "1 of 3")
        self.assertContains(page, 'data-behaviour="poll"')
        self.client.post(reverse("stop-job", args=[job.pk]))
        self.assertContains(self.client.get(reverse("watch-job", args=[job.pk])), "data-ended")

    def test_a_dead_one_is_told_to_whoever_watches(self):
        job = self.ask()
        Job.objects.filter(pk=job.pk).update(state=Job.State.RUNNING, heartbeat=timezone.now() - 2 * SILENT)
        self.assertContains(self.client.get(reverse("watch-job", args=[job.pk])), "went away")

    def test_another_painters_job_is_not_found(self):
        job = self.ask()
        self.client.force_login(get_user_model().objects.create_user("nils", "nils@example.test"))
        self.assertEqual(self.client.get(reverse("watch-job", args=[job.pk])).status_code, 404)
        self.assertEqual(self.client.post(reverse("stop-job", args=[job.pk])).status_code, 404)
        job.refresh_from_db()
        self.assertEqual(job.state, Job.State.WAITING)
