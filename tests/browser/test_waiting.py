"""A page that fills in while its job waits, fails, and fails once more."""

import re
import threading
from dataclasses import replace
from unittest.mock import patch

from django.contrib.auth import get_user_model
from django.urls import reverse
from playwright.sync_api import expect

from mantello.archive.views import archive_bytes
from mantello.jobs.models import Job
from mantello.settings.options import OPTIONS
from mantello.shell import soon
from mantello.workspace import reading, readings
from mantello.workspace.editing import keep_design
from mantello.workspace.models import Army
from mantello_core.planning.compiling import rank_sheets
from tests.samples import calvessa

from .case import PATIENCE, BrowserCase


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


@patch.object(soon, "OPTIONS", replace(OPTIONS, mode="local"))
@patch.object(reading, "SMALL", 0)
class Held(BrowserCase):
    """A form that comes to a process which has not seen its army."""

    def setUp(self):
        super().setUp()
        self.sign_up()
        self.army = keep_design(get_user_model().objects.get(), calvessa(), "Imported")
        self.calendar = reverse("calendar", args=[self.army.pk])
        self.ready = threading.Event()
        self.addCleanup(self.ready.set)

    def cold(self):
        """What pages need takes until the test says so."""

        def after_a_while(*given, **how):
            self.ready.wait(PATIENCE / 1000)
            return rank_sheets(*given, **how)

        held = patch.object(reading, "rank_sheets", after_a_while)
        held.start()
        self.addCleanup(held.stop)
        readings._kept.empty()

    def test_an_edit_is_sent_again_by_itself_and_what_was_typed_stays_meanwhile(self):
        self.go(self.calendar)
        days = self.page.get_by_label("Other evenings, and none")
        days.fill("soon")
        self.cold()
        with self.page.expect_response(lambda answer: answer.status == 202):
            self.page.get_by_role("button", name="Keep", exact=True).click()
        expect(self.page.locator("body[aria-busy]")).to_be_attached()
        expect(days).to_have_value("soon")
        self.ready.set()
        expect(self.page.get_by_text("'soon' is not understood")).to_be_visible()
        expect(days).to_have_value("soon")
        expect(self.page.locator("body[aria-busy]")).not_to_be_attached()
        expect(self.page.locator("#kept")).to_be_hidden()

    def test_without_script_the_form_is_held_on_the_page_until_it_is_sent_again(self):
        context = self.browser.new_context(java_script_enabled=False, storage_state=self.context.storage_state())
        self.addCleanup(context.close)
        page = context.new_page()
        page.goto(f"{self.live_server_url}{self.calendar}")
        page.get_by_label("Other evenings, and none").fill("soon <and> so")
        self.cold()
        page.get_by_role("button", name="Keep", exact=True).click()
        expect(page.get_by_role("heading", name="One moment")).to_be_visible()
        self.ready.set()
        while page.get_by_role("heading", name="One moment").is_visible():
            page.get_by_role("button", name="Send it now").click()
            page.wait_for_load_state()
        expect(page.get_by_text("'soon <and> so' is not understood")).to_be_visible()
        expect(page.get_by_label("Other evenings, and none")).to_have_value("soon <and> so")
