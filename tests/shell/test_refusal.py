"""What a view lets through becomes a page that says what came."""

from django.db import DataError
from django.test import RequestFactory, SimpleTestCase, TestCase
from django.urls import reverse

from mantello.shell.refusal import Refusals


class Refused(SimpleTestCase):
    def test_what_the_database_cannot_hold_is_refused_with_what_came_and_is_no_fault(self):
        request = RequestFactory().post("/", {"note": "beside\x00 the sea", "base": "4"})
        answer = Refusals(lambda _: None).process_exception(request, DataError("unsupported Unicode escape sequence"))
        self.assertContains(answer, "a character that no text may hold", status_code=422)
        self.assertContains(answer, "the sea", status_code=422)
        self.assertNotContains(answer, "base", status_code=422)

    def test_a_fault_of_ours_stays_one(self):
        request = RequestFactory().post("/")
        self.assertIsNone(Refusals(lambda _: None).process_exception(request, KeyError("note")))


class NotTaken(TestCase):
    def test_an_address_that_only_takes_forms_has_a_page_of_ours(self):
        answer = self.client.get(reverse("set-look"))
        self.assertContains(answer, "takes what a form sends", status_code=405)
        self.assertContains(answer, reverse("armies"), status_code=405)
        self.assertEqual(answer.headers["Allow"], "POST")
