"""The list of armies, and pages of the log, ask for no designs; faces are drawn in the background."""

import uuid

from django.db import connection
from django.test.utils import CaptureQueriesContext
from django.urls import reverse
from django.utils import timezone

from mantello.jobs.models import Job
from mantello.jobs.tasks import carry_out
from mantello.record.logging import record
from mantello.record.models import Entry
from mantello.rooms.army.faces import FACES
from mantello.workspace import readings
from mantello.workspace.editing import create_army, keep_design
from mantello.workspace.models import Army, Edition
from tests.rooms.case import RoomCase
from tests.samples import small_design


def logged(army: Army, number: int = 0) -> Entry:
    """One step on one of the figures it is for."""
    atoms = [one for one in readings.reading_of(army.head).work.atoms if one.subject.is_ground]
    atom, ordinal = [(atom, ordinal) for atom in atoms for ordinal in atom.ordinals][number]
    return record(army, [atom], {(atom.rank, ordinal)}, 5, timezone.now(), uuid.uuid4())[0]


class ListOfArmies(RoomCase):
    def asked(self, ask) -> list[str]:
        """What the database is asked while nothing is remembered."""
        readings._kept.empty()
        with CaptureQueriesContext(connection) as queries:
            answer = ask()
        self.assertLess(answer.status_code, 400)
        self.assertTrue(queries.captured_queries)
        return [one["sql"] for one in queries.captured_queries]

    def draw(self):
        for job in Job.objects.going_on().filter(kind=FACES):
            carry_out(job.pk)

    def test_counts_are_there_at_once_and_faces_fill_in(self):
        page = self.client.get(reverse("armies"))
        self.assertContains(page, "31 figures, ")
        self.assertContains(page, "its figures are being drawn")
        self.draw()
        job = Job.objects.get(kind=FACES)
        self.assertContains(self.client.get(reverse("watch-job", args=[job.pk])), f'data-ended="{job.pk}"')
        page = self.client.get(reverse("armies"))
        self.assertNotContains(page, "being drawn")
        shown = reverse("face", args=[self.army.pk, 1, 0])
        self.assertContains(page, shown)
        picture = self.client.get(shown)
        self.assertEqual(picture["Content-Type"], "image/svg+xml")
        self.assertTrue(picture.content.startswith(b"<svg"))
        self.assertEqual(self.client.get(reverse("face", args=[self.army.pk, 1, 6])).status_code, 404)
        self.assert_hidden("face", 1, 0)

    def test_faces_are_asked_for_once_and_anew_after_an_edit(self):
        for _ in range(2):
            self.client.get(reverse("armies"))
        self.assertEqual(Job.objects.filter(kind=FACES).count(), 1)
        self.draw()
        self.client.get(reverse("armies"))
        self.assertEqual(Job.objects.filter(kind=FACES).count(), 1)

    def test_an_army_without_figures_needs_no_drawing_and_a_failed_one_is_not_tried_again_and_again(self):
        Army.objects.all().delete()
        create_army(self.owner, "Empty")
        self.assertContains(self.client.get(reverse("armies")), "0 figures, 0 units, 0 colour roles")
        self.assertFalse(Job.objects.exists())
        keep_design(self.owner, small_design(), "Imported")
        self.client.get(reverse("armies"))
        Job.objects.update(state=Job.State.FAILED)
        self.assertNotContains(self.client.get(reverse("armies")), "being drawn")
        self.assertEqual(Job.objects.count(), 1)

    def test_the_list_reads_no_design_however_many_armies(self):
        self.client.get(reverse("armies"))
        self.draw()
        one = self.asked(lambda: self.client.get(reverse("armies")))
        for _ in range(3):
            made = keep_design(self.owner, small_design(), "Imported")
            Edition.objects.filter(pk=made.head_id).update(faces=[], face_sizes=[])
        many = self.asked(lambda: self.client.get(reverse("armies")))
        self.assertEqual(len(many), len(one))
        self.assertFalse([sql for sql in one + many if '"document"' in sql])

    def test_an_entry_is_taken_back_without_reading_a_design(self):
        entry = logged(self.army)
        sent = lambda: self.client.post(reverse("change-entry", args=[self.army.pk, entry.pk]), {"do": "back"})  # noqa: E731
        self.assertFalse([sql for sql in self.asked(sent) if '"document"' in sql])
        entry.refresh_from_db()
        self.assertIsNotNone(entry.taken_back_at)

    def test_a_page_of_the_log_reads_each_design_once_and_for_no_single_entry(self):
        for number in range(5):
            logged(self.army, number)
        asked = self.asked(lambda: self.client.get(reverse("log", args=[self.army.pk])))
        self.assertEqual(len([sql for sql in asked if '"document"' in sql]), 1)
