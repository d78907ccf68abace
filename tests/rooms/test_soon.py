"""Pages whose work takes long say so and look again; everything else waits for it."""

import threading
import uuid
from concurrent.futures import wait
from dataclasses import replace
from unittest.mock import patch
from urllib.parse import urlencode

from django.db import OperationalError
from django.urls import reverse
from django.utils import timezone

from mantello.rooms.plan import laying
from mantello.rooms.plan.evening import Evening
from mantello.settings.options import OPTIONS
from mantello.shell import soon
from mantello.workspace import reading, readings
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello.workspace.warming import warm_armies
from mantello_core.memory import Memory
from tests.rooms.case import RoomCase

PAGE = {"HTTP_ACCEPT": "text/html"}
FORM = "application/x-www-form-urlencoded"


def under_way():
    """Wait until what is under way has ended."""
    wait(list(soon._under_way.values()))


def answered(ask):
    """The first answer that is not a page that waits."""
    answer = ask()
    for _ in range(6):
        if answer.status_code == 202:
            under_way()
            answer = ask()
    return answer


@patch.object(soon, "OPTIONS", replace(OPTIONS, mode="local"))
@patch.object(soon, "PATIENCE", 0)
@patch.object(reading, "SMALL", 0)
@patch.object(laying, "_FEW", 0)
class Soon(RoomCase):
    def setUp(self):
        super().setUp()
        readings._kept.empty()
        self.plan = reverse("plan", args=[self.army.pk])

    def cold(self):
        return reading_of(self.army.head).__dict__.pop("sheets", None)

    def shown(self, page: str | None = None) -> int:
        """How a page answers, once all that it waits for in turn is worked out."""
        return answered(lambda: self.client.get(page or self.plan, **PAGE)).status_code

    def sent(self, name: str, /, *arguments, **given):
        """A form as a browser sends it."""
        given = {"base": self.base(), "token": str(uuid.uuid4())} | given
        page = reverse(name, args=[self.army.pk, *arguments])
        return lambda: self.client.post(page, urlencode(given, doseq=True), content_type=FORM, **PAGE)

    def test_a_cold_page_waits_and_is_there_when_it_is_worked_out(self):
        self.cold()
        waiting = self.client.get(self.plan, **PAGE)
        self.assertContains(waiting, 'data-behaviour="poll"', status_code=202)
        self.assertEqual(waiting["Cache-Control"], "no-store")
        self.assertEqual(self.shown(), 200)
        self.assertContains(self.client.get(reverse("soon")), "data-ended")

    def test_what_is_ready_soon_is_shown_at_once(self):
        self.cold()
        with patch.object(soon, "PATIENCE", 60):
            self.assertEqual(self.client.get(self.plan, **PAGE).status_code, 200)

    def test_checks_of_another_variant_are_waited_for_too(self):
        here = reading_of(self.army.head)
        here.__dict__.pop("checks", None)
        page = reverse("checks", args=[self.army.pk])
        self.assertEqual(self.client.get(page, **PAGE).status_code, 202)
        self.assertEqual(self.shown(page), 200)

    def test_of_a_small_army_nothing_takes_long(self):
        readings._kept.empty()
        with patch.object(reading, "SMALL", 12), patch.object(laying, "_FEW", 600):
            self.assertEqual(self.client.get(self.plan, **PAGE).status_code, 200)

    def test_what_is_no_page_waits_for_it(self):
        self.cold()
        self.assertEqual(self.client.get(self.plan).status_code, 200)

    def test_a_failure_is_told_once_and_tried_again(self):
        self.cold()
        with patch.object(reading, "rank_sheets", side_effect=RuntimeError("broken")):
            self.assertEqual(self.client.get(self.plan, **PAGE).status_code, 202)
            under_way()
            with self.assertRaisesRegex(RuntimeError, "broken"):
                self.client.get(self.plan, **PAGE)
        self.assertEqual(self.client.get(self.plan, **PAGE).status_code, 202)
        self.assertEqual(self.shown(), 200)

    def test_what_is_too_large_to_be_kept_is_there_for_who_comes_back(self):
        with patch.object(laying, "_laid", Memory("of this test", 100)):
            self.cold()
            self.assertEqual(self.shown(), 200)

    def test_patience_is_one_for_all_that_a_page_asks_for(self):
        mark = soon._patience.set(60)
        self.addCleanup(soon._patience.reset, mark)
        soon.beside(("of this test", "first"), lambda: None)
        self.assertLess(soon._patience.get(), 60)
        never = threading.Event()
        self.addCleanup(never.set)
        soon._patience.set(0.05)
        for name in ("second", "third"):
            with self.assertRaises(soon.BeingWorkedOut):
                soon.beside(("of this test", name), never.wait)
            self.assertEqual(soon._patience.get(), 0)

    def test_of_answers_the_newest_two_are_left(self):
        mark = soon._patience.set(0)
        self.addCleanup(soon._patience.reset, mark)
        soon._under_way.clear()
        under = threading.Event()
        for number in range(6):
            with self.assertRaises(soon.BeingWorkedOut):
                soon.beside(("of this test", number), lambda: under.wait(30))
        under.set()
        under_way()
        with self.assertRaises(soon.BeingWorkedOut):
            soon.beside(("of this test", "last"), lambda: None)
        under_way()
        left = [name for _, name in soon._under_way]
        self.assertEqual(left, [4, 5, "last"])
        self.assertTrue(soon.beside(("of this test", 5), lambda: False))

    def test_a_refused_form_is_held_on_the_page_and_refused_when_it_is_sent_again(self):
        send = self.sent("set-evenings", attention="tea <time>", csrfmiddlewaretoken="of-before")
        held = send()
        self.assertEqual(held.status_code, 202)
        self.assertContains(held, '<input type="hidden" name="attention" value="tea &lt;time&gt;">', status_code=202)
        self.assertContains(held, '<input type="hidden" name="base"', status_code=202)
        self.assertNotContains(held, "of-before", status_code=202)
        refused = answered(send)
        self.assertContains(refused, "tea &lt;time&gt;", status_code=422)

    def test_work_that_is_done_while_the_plan_is_worked_out_is_logged_once_it_is_there(self):
        batch = Evening(self.army, timezone.now())._batch(1)
        given = {"batch": batch.id, "figure": [f"{rank}|{at}" for rank, at in batch.left], "minutes": "9"}
        readings._kept.empty()
        send = self.sent("desk-done", **given)
        self.assertEqual(send().status_code, 202)
        self.assertEqual(self.army.entries.count(), 0)
        self.assertRedirects(answered(send), reverse("desk", args=[self.army.pk]), fetch_redirect_response=False)
        logged = self.army.entries.count()
        self.assertGreater(logged, 0)
        send()
        self.assertEqual(self.army.entries.count(), logged)

    def test_what_was_begun_goes_through_and_is_not_held(self):
        before = self.base()
        form = {"name": "River Levy", "kind": "", "base": before, "token": str(uuid.uuid4())}
        page = reverse("change-node", args=[self.army.pk, self.now().army.root.id])
        work = reading.Reading.resolution.func

        def asks(reading_):
            """Stands for a change that asks for something that takes long, once the army is held."""
            return soon.beside(("of this test", id(reading_)), lambda: work(reading_))

        with patch.object(reading.Reading, "resolution", property(asks)):
            answer = self.client.post(page, urlencode(form), content_type=FORM, **PAGE)
        self.assertEqual(answer.status_code, 302)
        self.assertEqual(self.base(), before + 1)

    def test_a_refused_change_lets_its_page_wait_and_one_that_was_made_does_not(self):
        mark = soon._patience.set(0)
        self.addCleanup(soon._patience.reset, mark)
        with self.assertRaises(ValueError), soon.to_the_end():
            raise ValueError
        self.assertEqual(soon._patience.get(), 0)
        with soon.to_the_end():
            self.assertIsNone(soon._patience.get())
        with self.assertRaises(ValueError), soon.to_the_end():
            raise ValueError
        self.assertIsNone(soon._patience.get())

    def test_what_stands_first_stays_where_two_work_it_out_at_once(self):
        here = reading_of(self.army.head)
        here.__dict__.pop("resolution", None)
        begun, go_on = threading.Event(), threading.Event()
        work = reading.resolve

        def slowly(*given):
            begun.set()
            go_on.wait(30)
            return work(*given)

        with patch.object(reading, "resolve", slowly):
            self.client.get(self.plan, **PAGE)
            begun.wait(30)
            go_on.set()
            first = here.resolution
            under_way()
        self.assertIs(vars(here)["resolution"], first)

    def test_files_and_forms_that_bring_files_are_not_held(self):
        self.cold()
        self.assertEqual(self.client.get(reverse("shopping-file", args=[self.army.pk]), **PAGE).status_code, 200)
        self.cold()
        page, given = reverse("set-evenings", args=[self.army.pk]), {"base": self.base(), "minutes": "no"}
        self.assertEqual(self.client.post(page, given, **PAGE).status_code, 422)

    def test_what_a_change_says_is_told_on_the_page_that_was_waited_for(self):
        self.cold()
        self.sent("change-node", self.now().army.root.id, name="River Levy", kind="")()
        readings._kept.empty()
        held = self.client.get(self.plan, **PAGE)
        self.assertNotContains(held, "River Levy is", status_code=202)
        self.assertContains(answered(lambda: self.client.get(self.plan, **PAGE)), 'class="notice success"')


class ReadAhead(RoomCase):
    def setUp(self):
        super().setUp()
        readings._kept.empty()

    def test_the_army_worked_on_last_is_there_with_what_its_pages_ask(self):
        found = warm_armies()
        self.assertIn(reading_of(self.army.head), found)
        self.assertLessEqual({"resolution", "checks", "sheets", "atoms", "needed"}, set(vars(found[0])))

    def test_an_army_that_cannot_be_read_does_not_stop_a_start(self):
        with (
            patch("mantello.workspace.warming.reading_of", side_effect=RuntimeError("broken")),
            self.assertLogs("mantello.workspace.warming", "ERROR"),
        ):
            self.assertEqual(warm_armies(), [])
        with patch.object(Army.objects, "filter", side_effect=OperationalError("gone")):
            self.assertEqual(warm_armies(), [])
