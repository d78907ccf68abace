"""Pages whose work takes long say so and look again; everything else waits for it."""

import threading
from dataclasses import replace
from unittest.mock import patch

from django.db import OperationalError
from django.urls import reverse

from mantello.rooms.plan import laying
from mantello.settings.options import OPTIONS
from mantello.shell import soon
from mantello.workspace import reading, readings
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello.workspace.warming import warm_armies
from mantello_core.memory import Memory
from tests.rooms.case import RoomCase

PAGE = {"HTTP_ACCEPT": "text/html"}


def under_way():
    """Wait until what is under way has ended: the one thread takes things in turn."""
    soon._thread[0].submit(lambda: None).result()


@patch.object(soon, "OPTIONS", replace(OPTIONS, mode="local"))
@patch.object(soon, "PATIENCE", 0)
class Soon(RoomCase):
    def setUp(self):
        super().setUp()
        readings._kept.empty()
        self.plan = reverse("plan", args=[self.army.pk])

    def cold(self):
        return reading_of(self.army.head).__dict__.pop("sheets", None)

    def shown(self):
        """The page, once all that it waits for in turn is worked out."""
        answer = self.client.get(self.plan, **PAGE)
        for _ in range(4):
            if answer.status_code == 202:
                under_way()
                answer = self.client.get(self.plan, **PAGE)
        return answer.status_code

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
        under_way()
        self.assertEqual(self.client.get(page, **PAGE).status_code, 200)

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

    def test_of_answers_the_newest_two_are_left(self):
        mark = soon._can_wait.set(True)
        self.addCleanup(soon._can_wait.reset, mark)
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
