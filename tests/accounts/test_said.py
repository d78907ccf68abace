"""What a change says reaches the next page of its painter, and nobody else's."""

from django.db import connection
from django.http import HttpResponse
from django.test import RequestFactory
from django.test.utils import CaptureQueriesContext
from django.urls import reverse

from mantello.accounts.said import OwnCookie, OwnStorage
from tests.rooms.case import RoomCase

#: as the note at the top of a page has it
SAID = "<span>Renamed to Quay</span>"


class Said(RoomCase):
    def renamed(self):
        return self.post("change-node", "1st-harbour", name="Quay", kind="company")

    def test_it_is_told_once_and_the_database_is_not_asked(self):
        with CaptureQueriesContext(connection) as asked:
            self.renamed()
            first, second = self.see("army"), self.see("army")
        self.assertContains(first, SAID)
        self.assertNotContains(second, SAID)
        self.assertEqual([one["sql"] for one in asked if one["sql"].startswith('UPDATE "django_session"')], [])

    def test_who_signs_in_next_in_the_same_browser_is_not_told(self):
        self.renamed()
        self.assertIn("messages", self.client.cookies)
        mine = self.client.cookies["messages"].value
        self.client.logout()
        self.client.force_login(self.other)
        self.client.cookies["messages"] = mine
        self.assertNotContains(self.client.get(reverse("armies")), SAID)

    def test_what_has_no_room_in_the_cookie_goes_by_the_session(self):
        asked = RequestFactory().get("/")
        asked.user, asked.session = self.owner, self.client.session
        storage = OwnStorage(asked)
        storage.add(25, "x" * (OwnCookie.max_cookie_size + 1))
        storage.add(25, "short")
        answer = HttpResponse()
        self.assertEqual(storage.update(answer), [])
        asked.COOKIES["messages"] = answer.cookies["messages"].value
        self.assertEqual([len(str(one)) for one in OwnStorage(asked)], [OwnCookie.max_cookie_size + 1, 5])
