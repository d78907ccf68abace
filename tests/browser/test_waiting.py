"""A page that fills in while its job waits, fails, and fails once more."""

import re

from django.contrib.auth import get_user_model
from django.urls import reverse
from playwright.sync_api import expect

from mantello.archive.views import archive_bytes
from mantello.jobs.models import Job
from mantello.workspace.editing import keep_design
from mantello.workspace.models import Army
from tests.samples import calvessa

from .case import BrowserCase


class Waiting(BrowserCase):
    def test_what_fails_is_told_and_asked_for_again_only_when_that_is_said(self):
        self.sign_up()
        army = keep_design(get_user_model().objects.get(), calvessa(), "Imported")
        self.go(reverse("fewest", args=[army.pk]))
        failed = self.page.get_by_role("heading", name="No answer came of it")
        for tries in (1, 2):
            expect(self.page.get_by_role("progressbar")).to_be_visible()
            Job.objects.going_on().update(state=Job.State.FAILED, fault="The worker that did it went away.")
            expect(failed).to_be_visible()
            self.assertEqual(Job.objects.filter(kind="paints.fewest").count(), tries)
            expect(self.page).not_to_have_url(re.compile("again"))
            if tries == 1:
                self.page.get_by_role("link", name="Try again").click()

    def test_an_archive_is_refused_at_its_field_or_taken_in_by_a_worker(self):
        self.make_army()
        data = archive_bytes(Army.objects.with_head().get(), {})
        self.work()
        self.go(reverse("archives"))
        file = self.page.get_by_label("Archive (.zip)")
        file.set_input_files({"name": "wrong.zip", "mimeType": "application/zip", "buffer": b"hello"})
        self.page.get_by_role("button", name="Take it in").click()
        expect(self.page.get_by_text("This is no archive of an army")).to_be_visible()
        file.set_input_files({"name": "river.zip", "mimeType": "application/zip", "buffer": data})
        self.page.get_by_role("button", name="Take it in").click()
        expect(self.page.get_by_role("heading", name="River Watch is here again")).to_be_visible()
        self.page.get_by_role("link", name="Open it").click()
        expect(self.page.get_by_role("heading", name="Muster")).to_be_visible()
        self.assertEqual(Army.objects.count(), 2)
