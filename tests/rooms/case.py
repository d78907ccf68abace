"""What tests of rooms share: a painter, the demo army, and another painter who must not see it."""

from contextlib import suppress

from django.contrib.auth import get_user_model
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import TestCase
from django.urls import reverse

from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.trials.trial import waive
from mantello.workspace.editing import keep_design
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.design.design import Design
from mantello_core.errors import MantelloError
from tests.samples import calvessa


class RoomCase(TestCase):
    """Signed in as the owner of an army with the demo's design."""

    @classmethod
    def setUpTestData(cls):
        users = get_user_model().objects
        cls.owner = users.create_user("rosa", "rosa@example.test")
        cls.other = users.create_user("nils", "nils@example.test")
        cls.army = keep_design(cls.owner, cls.design(), "Imported")
        reading = reading_of(cls.army.head)
        waive(cls.army, reading, sorted(reading.shares) if reading.design.army.figures else [])

    @staticmethod
    def design() -> Design:
        return calvessa()

    def setUp(self):
        self.client.force_login(self.owner)
        self.army.refresh_from_db()

    def now(self) -> Design:
        """The design as it stands."""
        return reading_of(Army.objects.select_related("head").get(pk=self.army.pk).head).design

    def base(self) -> int:
        return Army.objects.select_related("head").get(pk=self.army.pk).head.number

    def see(self, name: str, /, *arguments, status: int = 200, **query):
        answer = self.client.get(reverse(name, args=[self.army.pk, *arguments]), query)
        self.assertEqual(answer.status_code, status)
        return answer

    def filled(self, name: str, /, *arguments, **query):
        """A page that first waits for a worker, once that has answered."""
        self.assertContains(self.see(name, *arguments, **query), 'data-behaviour="poll"')
        for job in Job.objects.going_on():
            carry_out(job)
        return self.see(name, *arguments, **query)

    def printed(self, name: str, /, *arguments, **query):
        """The paper that an address gives: first a page that waits, then, once a worker has printed it, the PDF."""
        answer = self.made(reverse(name, args=[self.army.pk, *arguments]), query)
        self.assertEqual((answer["Content-Type"], answer.content[:4]), ("application/pdf", b"%PDF"))
        return answer

    def archived(self) -> bytes:
        """The army's archive, once a worker has packed it."""
        answer = self.made(self.see("archive-file", status=302).url)
        self.assertEqual(answer["Content-Type"], "application/zip")
        return answer.content

    def read_in(self, **sent):
        """The page of what came of archives that were given, once a worker has read them: one as 'file', or 'one' and 'two'."""
        files = {name: SimpleUploadedFile(f"{name}.zip", data) for name, data in sent.items()}
        do = "compare" if "two" in files else "take"
        answer = self.client.post(reverse("archives"), {"do": do, **files})
        self.assertEqual(answer.status_code, 302, answer.content[:500])
        self.assertContains(self.client.get(answer.url), 'data-behaviour="poll"')
        for job in Job.objects.going_on():
            with suppress(MantelloError):
                carry_out(job)
        return self.client.get(answer.url)

    def made(self, address: str, query: dict | None = None):
        """What an address gives once a worker has made it; before, a page that waits."""
        waiting = self.client.get(address, query)
        self.assertContains(waiting, 'data-behaviour="poll"', status_code=202)
        self.assertLess(len(waiting.content), 20_000)
        for job in Job.objects.going_on():
            carry_out(job)
        answer = self.client.get(address, query)
        self.assertEqual(answer.status_code, 200)
        return answer

    def post(self, name: str, /, *arguments, status: int = 302, base: int | None = None, **data):
        sent = {"base": self.base() if base is None else base} | data
        answer = self.client.post(reverse(name, args=[self.army.pk, *arguments]), sent)
        self.assertEqual(answer.status_code, status, answer.content[:600])
        # the log is asked by the mark that an army was read with
        self.army.log_mark = Army.objects.filter(pk=self.army.pk).values_list("log_mark", flat=True).first()
        return answer

    def carried_out(self) -> None:
        """All that waits for a worker is done; what is refused is told on its page."""
        for job in Job.objects.going_on():
            with suppress(MantelloError):
                carry_out(job)

    def assert_hidden(self, name: str, *arguments, post: bool = False):
        """Another painter does not find it, and a stranger is sent to sign in."""
        address = reverse(name, args=[self.army.pk, *arguments])
        ask = self.client.post if post else self.client.get
        self.client.force_login(self.other)
        self.assertEqual(ask(address, {"base": 1} if post else {}).status_code, 404, address)
        self.client.logout()
        answer = ask(address)
        self.assertEqual(answer.status_code, 302)
        self.assertIn(reverse("sign-in"), answer.url)
        self.client.force_login(self.owner)
