"""Two connections at once: requests that overlap on one army end well, and nothing is done twice."""

import errno
import re
import threading
import uuid
from contextlib import contextmanager
from pathlib import Path
from unittest.mock import patch

from django.contrib.auth import get_user_model
from django.db import OperationalError, connection
from django.test import Client, TestCase, TransactionTestCase
from django.urls import reverse
from psycopg.errors import DiskFull

from mantello import rooms
from mantello.accounts import once
from mantello.accounts.models import Press
from mantello.almanacs.models import Almanac, FoundList
from mantello.record import logging as log
from mantello.record.models import Entry
from mantello.workspace import editing
from mantello.workspace.editing import keep_design
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.formats.sample import dress_almanac
from tests.emptied import Emptied
from tests.rooms.case import RoomCase
from tests.samples import calvessa


class AtOnce(Emptied, TransactionTestCase):
    """Real transactions, each request in a thread and on a connection of its own."""

    def setUp(self):
        self.owner = get_user_model().objects.create_user("rosa", "rosa@example.test")
        self.army = keep_design(self.owner, calvessa(), "Imported")

    def together(self, count: int, ask) -> list:
        """What so many threads got that ask at the same moment. ask: of a signed-in browser and the thread's number."""
        start, found = threading.Barrier(count), [None] * count

        def run(number: int):
            try:
                browser = Client()
                browser.force_login(self.owner)
                start.wait(30)
                found[number] = ask(browser, number)
            finally:
                connection.close()

        threads = [threading.Thread(target=run, args=(number,)) for number in range(count)]
        for one in threads:
            one.start()
        for one in threads:
            one.join(60)
        return found

    def edited(self, times: int) -> None:
        for at in range(times):
            army = Army.objects.get(pk=self.army.pk)
            unit = reading_of(army.head).design.army.root.children[0].id
            answer = self.signed_in().post(
                reverse("change-node", args=[army.pk, unit]),
                {"base": army.head.number, "name": f"Name {at}", "kind": ""},
            )
            self.assertEqual(answer.status_code, 302)

    def signed_in(self) -> Client:
        browser = Client()
        browser.force_login(self.owner)
        return browser

    def base(self) -> int:
        return Army.objects.get(pk=self.army.pk).head.number

    def test_undo_pressed_in_several_places_undoes_once_and_the_others_are_told(self):
        self.edited(4)
        base = self.base()
        address = reverse("undo", args=[self.army.pk])
        found = self.together(4, lambda browser, _: browser.post(address, {"base": base}).status_code)
        self.assertEqual(sorted(found), [302, 409, 409, 409])

    def test_edits_of_one_state_made_at_once_end_in_one_and_the_older_page(self):
        base, unit = self.base(), reading_of(Army.objects.get(pk=self.army.pk).head).design.army.root.children[0].id
        address = reverse("change-node", args=[self.army.pk, unit])
        found = self.together(
            4, lambda browser, at: browser.post(address, {"base": base, "name": f"Name {at}", "kind": ""}).status_code
        )
        self.assertEqual(sorted(found), [302, 409, 409, 409])

    def test_done_pressed_in_two_places_at_the_same_moment_is_logged_once(self):
        reading = reading_of(self.army.head)
        atom = next(one for one in reading.work.atoms if one.subject.is_ground)
        figures = {(atom.rank, ordinal) for ordinal in atom.ordinals}
        moment = self.army.made_at

        def press(_, number):
            return len(log.record(self.army, [atom], figures, 10.0, moment, uuid.uuid4()))

        self.assertEqual(sorted(self.together(3, press)), [0, 0, 1])
        self.assertEqual(Entry.objects.count(), 1)

    def test_done_beside_an_edit_is_never_a_fault(self):
        reading = reading_of(self.army.head)
        atoms = [one for one in reading.work.atoms if one.subject.is_ground][:2]
        unit = reading.design.army.root.children[0].id
        base = self.base()

        def ask(browser, number):
            if number < 2:
                atom = atoms[number]
                return len(log.record(self.army, [atom], {(atom.rank, 1)}, 1.0, self.army.made_at, uuid.uuid4()))
            address = reverse("change-node", args=[self.army.pk, unit])
            return browser.post(address, {"base": base, "name": "Other", "kind": ""}).status_code

        self.assertEqual(self.together(3, ask), [1, 1, 302])

    def test_a_form_sent_twice_at_once_is_done_once_and_leads_to_the_same_place(self):
        token = str(uuid.uuid4())
        found = self.together(
            3, lambda browser, _: browser.post(reverse("new-army"), {"name": "Twice", "token": token}).url
        )
        self.assertEqual(len(set(found)), 1)
        self.assertEqual(Army.objects.filter(name="Twice").count(), 1)

    def test_an_army_that_is_deleted_meanwhile_is_not_found(self):
        with patch.object(editing, "locked", side_effect=lambda army: _gone(army)):
            unit = reading_of(self.army.head).design.army.root.children[0].id
            answer = self.signed_in().post(
                reverse("change-node", args=[self.army.pk, unit]), {"base": 1, "name": "x", "kind": ""}
            )
        self.assertEqual(answer.status_code, 404)


def _gone(army):
    from mantello.workspace.locking import locked

    Army.objects.filter(pk=army.pk).update(head=None)
    Army.objects.filter(pk=army.pk).delete()
    return locked(army)


class Once(TestCase):
    @classmethod
    def setUpTestData(cls):
        cls.owner = get_user_model().objects.create_user("rosa", "rosa@example.test")

    def setUp(self):
        self.client.force_login(self.owner)
        self.token = str(uuid.uuid4())

    def make(self, **said):
        return self.client.post(reverse("new-army"), {"name": "Force", "token": self.token} | said)

    def test_a_form_that_comes_again_leads_to_what_it_made_the_first_time(self):
        first, second = self.make(), self.make()
        self.assertEqual(first.url, second.url)
        self.assertEqual(Army.objects.count(), 1)
        self.assertNotEqual(self.make(token=str(uuid.uuid4())).url, first.url)

    def test_one_that_was_refused_may_come_again_mended(self):
        self.assertEqual(self.make(name="").status_code, 422)
        self.assertEqual(self.make().status_code, 302)

    def test_a_mark_is_the_painters_own(self):
        self.make()
        other = get_user_model().objects.create_user("nils", "nils@example.test")
        self.client.force_login(other)
        self.make()
        self.assertEqual(Army.objects.filter(owner=other).count(), 1)

    def test_what_fails_leaves_no_mark_and_nothing_half(self):
        self.client.raise_request_exception = False
        with patch("mantello.workspace.editing.columns", side_effect=ZeroDivisionError):
            self.assertEqual(self.make().status_code, 500)
        self.assertEqual((Army.objects.count(), Press.objects.count()), (0, 0))
        self.assertEqual(self.make().status_code, 302)

    def test_every_form_that_makes_something_carries_a_mark(self):
        page = self.client.get(reverse("armies")).content.decode()
        self.assertEqual(
            page.count('name="token"'),
            page.count('method="post"') - page.count('action="/account/sign-out/"') - page.count('action="/look/"'),
        )

    def test_every_form_of_a_room_carries_a_mark(self):
        """In its template, itself or by the fields it includes; one that only stops a job can be sent as often as one likes."""
        without = [
            (path.name, form[:120])
            for path in Path(rooms.__path__[0]).rglob("*.html")
            for form in re.findall(r'<form\b[^>]*method="post".*?</form>', path.read_text(encoding="utf-8"), re.S)
            if not re.search(r"{% edit_fields|plan/order_fields.html|'stop-job'", form)
        ]
        self.assertEqual(without, [])

    def test_old_marks_are_forgotten(self):
        self.make()
        self.assertEqual(once.forget_old(), 0)
        Press.objects.update(made_at="2020-01-01T00:00Z")
        self.assertEqual(once.forget_old(), 1)


class Twice(RoomCase):
    """What makes something new in a room, sent twice with one mark."""

    def twice(self, address: str, /, **said):
        token = str(uuid.uuid4())
        first, second = (
            self.client.post(reverse(address, args=[self.army.pk]), said | {"token": token}) for _ in range(2)
        )
        self.assertEqual((first.status_code, second.status_code, second.url), (302, 302, first.url))

    def test_a_list_is_read_once(self):
        self.twice("lists", name="A list", text="1st Harbour; coat green; facings yellow")
        self.assertEqual(FoundList.objects.filter(owner=self.owner).count(), 1)

    def test_a_note_and_a_source_are_kept_once(self):
        kept = Almanac.objects.keep(self.owner, dress_almanac())
        before = kept.as_core()
        self.twice("keep-source", almanac=kept.pk, title="A stone in the yard", kind="", year="", note="", id="")
        self.twice(
            "keep-note", almanac=kept.pk, of="0", rank="", garment="plume", said="yellow", since="", until="",
            source=before.sources[0].id, certainty="inferred", picked="",
        )  # fmt: skip
        after = Almanac.objects.get(pk=kept.pk).as_core()
        self.assertEqual((len(after.sources) - len(before.sources), len(after.facts) - len(before.facts)), (1, 1))


class Away(RoomCase):
    """The database goes away under a request."""

    @contextmanager
    def away(self, error: Exception | None = None):
        self.client.raise_request_exception = False
        with patch("mantello.workspace.models.ArmyQuerySet.seen_by", side_effect=error or OperationalError("gone")):
            yield

    def test_a_page_that_cannot_be_read_says_so_and_looks_again_by_itself(self):
        with self.away():
            answer = self.client.get(reverse("army", args=[self.army.pk]))
        self.assertContains(answer, "looks again every five seconds", status_code=503)
        self.assertEqual((answer["Retry-After"], answer["Refresh"]), ("5", "5"))
        self.assertEqual(self.see("army").status_code, 200)

    def test_what_was_typed_stays_on_the_page_and_can_be_sent_again(self):
        said = {"base": 1, "name": "Tide <b>", "kind": "", "token": str(uuid.uuid4())}
        with self.away():
            answer = self.client.post(reverse("change-node", args=[self.army.pk, self.now().army.root.id]), said)
        self.assertContains(answer, "Send it again", status_code=503)
        self.assertContains(answer, 'name="name" value="Tide &lt;b&gt;"', status_code=503)
        self.assertNotIn("Refresh", answer.headers)

    def test_a_full_disk_is_told_as_what_it_is_and_what_was_typed_stays(self):
        no_room = OperationalError("could not extend file")
        no_room.__cause__ = DiskFull("could not extend file")
        for error in (no_room, OSError(errno.ENOSPC, "No space left on device")):
            with self.away(error):
                read = self.client.get(reverse("army", args=[self.army.pk]))
                sent = self.client.post(
                    reverse("change-node", args=[self.army.pk, self.now().army.root.id]), {"base": 1, "name": "Tide"}
                )
            for answer in (read, sent):
                self.assertContains(answer, "No room to save", status_code=503)
                self.assertContains(answer, "All that was saved is safe", status_code=503)
            self.assertContains(sent, 'name="name" value="Tide"', status_code=503)
        with self.away(OSError(errno.ENOENT, "No such file")):
            self.assertEqual(self.client.get(reverse("army", args=[self.army.pk])).status_code, 500)
