"""Starting from a brief: proposals shown, one taken, nonsense told at its field."""

import base64
import json
import re
from dataclasses import replace
from functools import cache
from html import unescape
from unittest.mock import patch

from django.urls import reverse

from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.rooms.army import proposing
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.design.brief import Brief
from mantello_core.proposals.proposal import proposals
from tests.core.colour.test_scene_light import sent as pointed
from tests.rooms.case import RoomCase

SAID = {"genre": "drill", "height_mm": "28", "metres": "1.2", "accuracy": "plausible", "dirt": "1", "method": "classic"}
NEW = SAID | {"name": "Tidal watch", "formations": "2", "names": "Ebb"}


@cache
def _schemes(army, brief, seeds):
    return proposals(army, brief, seeds)


def schemes(army, brief, seeds):
    """The schemes for a brief, worked out once for all tests; the deadline, which no scheme follows, is the brief's own."""
    found = _schemes(army, replace(brief, deadline=""), seeds)
    return tuple(replace(one, design=replace(one.design, brief=brief)) for one in found)


class BriefCase(RoomCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.enterClassContext(patch.object(proposing, "proposals", schemes))

    def answered(self, address: str, said: dict):
        """The page with its schemes, once a worker has worked them out."""
        waiting = self.client.get(address, said)
        for job in Job.objects.going_on():
            carry_out(job)
        return self.client.get(address, said) if waiting.status_code == 202 else waiting

    def title_of(self, page, number: int) -> str:
        return unescape(re.search(rf'name="title-{number}" value="([^"]+)"', page.content.decode())[1])


class NewBriefs(BriefCase):
    def ask(self, **said):
        return self.answered(reverse("new-brief"), NEW | said)

    def test_while_they_are_worked_out_the_page_says_so_and_asks_once(self):
        for _ in range(2):
            page = self.client.get(reverse("new-brief"), NEW)
            self.assertContains(page, "Waiting for a free worker", status_code=202)
            self.assertContains(page, "Look again", status_code=202)
        self.assertEqual(Job.objects.count(), 1)

    def test_what_fails_is_told_and_asked_for_again(self):
        self.client.get(reverse("new-brief"), NEW)
        with patch.object(proposing, "proposals", side_effect=ZeroDivisionError), self.assertRaises(ZeroDivisionError):
            carry_out(Job.objects.get())
        page = self.client.get(reverse("new-brief"), NEW)
        self.assertContains(page, "Something went wrong with it on our side")
        self.client.get(reverse("new-brief"), NEW | {"again": ""})
        self.assertEqual(Job.objects.filter(state=Job.State.WAITING).count(), 1)

    def test_it_can_be_stopped_and_is_worked_out_when_that_is_asked(self):
        self.client.get(reverse("new-brief"), NEW)
        page = self.client.post(reverse("stop-job", args=[Job.objects.get().pk]), follow=True)
        self.assertContains(page, "It was stopped")
        self.assertContains(page, "Work it out")
        self.assertFalse(Job.objects.going_on().exists())
        self.client.get(reverse("new-brief"), NEW | {"again": ""})
        self.assertTrue(Job.objects.going_on().exists())

    def test_whoever_comes_back_to_an_earlier_brief_is_answered(self):
        self.client.get(reverse("new-brief"), NEW)
        self.client.get(reverse("new-brief"), NEW | {"genre": "guard"})
        page = self.client.get(reverse("new-brief"), NEW)
        self.assertContains(page, "Waiting for a free worker", status_code=202)
        self.assertEqual(Job.objects.going_on().count(), 1)

    def test_a_choice_before_they_are_there_is_refused_and_waits(self):
        answer = self.client.post(reverse("new-brief"), NEW | {"choose": "0", "title-0": "x"})
        self.assertContains(answer, "Waiting for a free worker", status_code=422)
        self.assertEqual(Army.objects.count(), 1)

    def test_six_schemes_are_proposed_with_their_checks_and_cost(self):
        answer = self.ask()
        self.assertContains(answer, 'class="proposal"', count=6)
        self.assertContains(answer, "apart (CIEDE2000)")
        self.assertContains(answer, "Brushwork")

    def test_an_army_starts_with_the_one_that_is_taken(self):
        title = self.title_of(self.ask(), 1)
        answer = self.client.post(reverse("new-brief"), NEW | {"choose": "1", "title-1": title})
        made = Army.objects.latest("pk")
        self.assertRedirects(answer, reverse("scheme", args=[made.pk]))
        design = reading_of(made.head).design
        self.assertEqual((made.name, made.owner), ("Tidal watch", self.owner))
        self.assertEqual([node.name for node in design.army.root.children], ["Ebb", "2nd"])
        self.assertEqual(design.brief, Brief(formations=2))
        self.assertEqual(reading_of(made.head).resolution.gaps, [])

    def test_a_scheme_that_was_not_shown_is_not_taken(self):
        for sent in ({"choose": "1", "title-1": "Another"}, {"choose": "99"}, {}):
            answer = self.client.post(reverse("new-brief"), NEW | sent)
            self.assertEqual(answer.status_code, 422)
        self.assertEqual(Army.objects.count(), 1)

    def test_nonsense_comes_back_at_its_field_with_what_was_typed(self):
        for said, told in (
            ({"height_mm": "900"}, "Write a number from 6 to 120 mm"),
            ({"formations": "many"}, "Write a number from 1 to 12"),
            ({"seeds": "blueish"}, "blueish"),
            ({"names": "A, B, C"}, "3 names for 2 formations"),
            ({"deadline": "2027-02-31"}, "Write a day such as"),
            ({"name": ""}, "Nothing is written here"),
        ):
            answer = self.ask(**said)
            self.assertContains(answer, told)
            self.assertContains(answer, "field-error")
            self.assertNotContains(answer, 'class="proposal"')

    def test_a_deadline_is_weighed_against_the_evenings(self):
        self.assertContains(self.ask(deadline="2039-01-01"), "fits")
        self.assertContains(self.ask(deadline="2020-01-01"), "The deadline is past")

    def test_a_stranger_is_sent_to_sign_in(self):
        self.client.logout()
        self.assertIn(reverse("sign-in"), self.ask().url)


class ArmyBriefs(BriefCase):
    def ask(self, **said):
        return self.answered(reverse("army-brief", args=[self.army.pk]), SAID | said)

    def test_schemes_are_computed_for_the_formations_there_are_and_can_be_undone(self):
        before = self.now()
        answer = self.ask()
        self.assertContains(answer, "Choosing one puts its roles")
        title = self.title_of(answer, 0)
        self.post("army-brief", **SAID, choose="0", **{"title-0": title})
        after = self.now()
        self.assertEqual(after.army, before.army)
        self.assertEqual(after.brief.genre, "drill")
        self.assertNotEqual(after.scheme, before.scheme)
        self.assertContains(self.see("army"), "Drilled regiments, 28 mm")
        self.post("undo")
        self.assertEqual(self.now(), before)

    def test_the_plan_counts_the_days_to_the_deadline(self):
        title = self.title_of(self.ask(deadline="2039-01-01"), 0)
        self.post("army-brief", **SAID, deadline="2039-01-01", choose="0", **{"title-0": title})
        self.assertContains(self.see("plan"), "Deadline 1 January")
        self.assertContains(self.see("plan"), "to spare")

    def test_an_army_without_figures_is_told_to_get_some(self):
        self.client.post(reverse("new-army"), {"name": "Empty"})
        empty = Army.objects.latest("pk")
        self.assertContains(self.client.get(reverse("army-brief", args=[empty.pk])), "The army has no figures")

    def test_anothers_brief_is_not_found(self):
        self.assert_hidden("army-brief")
        self.assert_hidden("army-brief", post=True)


class Picked(RoomCase):
    def ask(self, data: bytes):
        return self.client.post(reverse("picked"), data, content_type="application/json")

    def test_a_colour_is_freed_of_its_light(self):
        answer = self.ask(pointed())
        self.assertEqual(answer.json()["hex"][:2], "#1")
        marks = json.loads(pointed())
        del marks["place"]
        self.assertEqual(self.ask(json.dumps(marks).encode()).json(), {"by": "ground", "doubts": []})

    def test_what_cannot_be_told_says_why(self):
        burnt = {"x": 0.2, "y": 0.3, "rgb": base64.b64encode(b"\xff" * 75).decode()}
        for data, said in (
            (pointed(marks=[burnt]), "burnt out"),
            (pointed(place=burnt), "burnt out"),
            (b"{", "not JSON"),
            (b"", ""),
        ):
            self.assertContains(self.ask(data), said, status_code=400)
        self.assertEqual(self.client.get(reverse("picked")).status_code, 405)
