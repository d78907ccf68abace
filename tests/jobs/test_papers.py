"""Papers: printed by a worker, asked for once, given again while nothing changed, told when they fail."""

from unittest.mock import patch

from django.urls import reverse

from mantello.jobs import papers
from mantello.jobs.models import Job, Paper
from mantello.jobs.queue import stop
from mantello.jobs.work import carry_out
from tests.rooms.case import RoomCase


class Papers(RoomCase):
    def work(self):
        for job in Job.objects.going_on():
            carry_out(job)

    def test_it_is_printed_once_and_given_again_until_the_army_changes(self):
        first = self.printed("shooting").content
        self.assertEqual(self.see("shooting").content, first)
        self.assertEqual(Job.objects.count(), 1)
        self.post("change-node", self.now().army.root.id, name="Another name", kind="")
        self.see("shooting", status=202)
        self.assertEqual(Job.objects.count(), 2)

    def test_asked_for_twice_at_once_one_worker_prints_it(self):
        self.see("shooting", status=202)
        self.see("shooting", status=202)
        self.assertEqual(Job.objects.count(), 1)

    def test_while_it_waits_the_page_says_so_and_the_fragment_opens_it_when_it_is_there(self):
        self.assertContains(self.see("shooting", status=202), "waits for a free worker", status_code=202)
        job = Job.objects.get()
        address = self.client.get(f"/jobs/{job.pk}/")
        self.assertContains(address, "data-behaviour")
        self.work()
        done = self.client.get(f"/jobs/{job.pk}/")
        self.assertContains(done, f'data-open="{job.asked["address"]}"')
        self.assertContains(done, ">Open it<")

    def test_what_fails_is_told_and_can_be_asked_for_again(self):
        self.see("shooting", status=202)
        with patch.object(papers, "pdf_bytes", side_effect=ZeroDivisionError), self.assertRaises(ZeroDivisionError):
            self.work()
        page = self.see("shooting", status=202)
        self.assertContains(page, "Something went wrong with it on our side", status_code=202)
        self.assertContains(page, "Make it anew", status_code=202)
        self.assertEqual(Job.objects.count(), 1)
        self.see("shooting", status=202, again="")
        self.work()
        self.assertEqual(self.see("shooting").content[:4], b"%PDF")

    def test_one_that_was_stopped_says_so(self):
        self.see("shooting", status=202)
        self.assertTrue(stop(Job.objects.get()))
        self.assertContains(self.see("shooting", status=202), "It was stopped", status_code=202)

    def test_only_the_newest_are_kept(self):
        with patch.object(papers, "MOST_KEPT", 2), patch.object(papers, "pdf_bytes", return_value=b"%PDF"):
            for unit in [one.id for one in self.now().army.units][:3]:
                self.see("guide", unit, status=202)
                self.work()
        self.assertEqual(Paper.objects.count(), 2)

    def test_anothers_is_not_found(self):
        self.printed("shooting")
        self.assert_hidden("shooting")


class Status(RoomCase):
    def test_whoever_runs_the_machine_sees_what_is_kept_and_nobody_else(self):
        self.see("army")
        page = self.client.get(reverse("status"))
        for said in ("Answering process", "Kept answers", "Jobs waiting", "<meter"):
            self.assertContains(page, said)
        self.assertEqual(self.client.get(reverse("status"), REMOTE_ADDR="10.1.2.3").status_code, 404)
        self.owner.is_staff = True
        self.owner.save()
        self.assertEqual(self.client.get(reverse("status"), REMOTE_ADDR="10.1.2.3").status_code, 200)
