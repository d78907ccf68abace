"""An archive of the first version, as it was written before ranks had ids, is taken in with nothing lost."""

from django.test import TestCase
from django.urls import reverse

from mantello.record.log import log_of
from mantello.record.queries import done_steps
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.formats.archive import read_archive
from mantello_core.order.subject import GROUND
from tests.kept import kept
from tests.rooms.case import RoomCase

UNIT = "1st-harbour-line"


class KeptArchiveOfTheSecondVersion(RoomCase):
    def test_its_entries_stand_without_what_was_not_kept_then(self):
        self.read_in(file=kept("archive-2.zip"))
        taken = Army.objects.exclude(pk=self.army.pk).get()
        entries = list(taken.entries.all())
        self.assertGreater(len(entries), 2)
        self.assertEqual(
            {(one.diluent, one.diluent_parts, one.tool, one.planned_mix) for one in entries}, {("", 0, "", "")}
        )
        self.assertEqual(reading_of(taken.head).design.scheme.passes, ())
        self.assertEqual({one.step for one in entries}, {"undercoat"})
        for room in ("plan", "desk", "order", "log", "passes", "evening"):
            self.assertEqual(self.client.get(reverse(room, args=[taken.pk])).status_code, 200, room)


class KeptArchiveOfTheThirdVersion(RoomCase):
    def test_its_entries_stand_and_no_fault_is_read_out_of_their_notes(self):
        self.read_in(file=kept("archive-3.zip"))
        taken = Army.objects.exclude(pk=self.army.pk).get()
        entries = list(taken.entries.order_by("pk"))
        self.assertEqual(len(entries), 5)
        self.assertEqual({one.mishap for one in entries}, {""})
        self.assertEqual(sorted({one.tool for one in entries}), ["", "size 2"])
        self.assertEqual(log_of(taken).faults, frozenset())
        for room in ("plan", "desk", "order", "log", "passes", "evening"):
            self.assertEqual(self.client.get(reverse(room, args=[taken.pk])).status_code, 200, room)


class KeptArchive(RoomCase):
    def setUp(self):
        super().setUp()
        data = kept("archive-1.zip")
        self.files = read_archive(data).files
        self.read_in(file=data)
        self.taken = Army.objects.exclude(pk=self.army.pk).get()

    def test_its_renamed_rank_has_its_entries_and_the_photograph_that_was_left_behind(self):
        rank = reading_of(self.taken.head).design.army.nodes[UNIT].ranks[1]
        self.assertEqual((rank.id, rank.name), ("Trooper", "Trooper"))
        self.assertEqual(
            {(one.rank, one.rank_name, tuple(one.ordinals)) for one in self.taken.entries.all()},
            {("Trooper", "Trooper", (2,)), ("Sergeant", "Sergeant", (1,))},
        )
        for records in (self.taken.figure_photos, self.taken.last_looks, self.taken.measurements):
            self.assertEqual([one.rank for one in records.all()], ["Trooper"])
        page = self.client.get(
            reverse("figure-history", args=[self.taken.pk]), {"unit": UNIT, "rank": "Trooper", "figure": 2}
        )
        for words in ("Trooper 2", "before they were Troopers", "over a cold palette"):
            self.assertContains(page, words)

    def test_the_version_that_was_painted_to_knows_the_same_rank(self):
        version = self.taken.versions.get()
        self.assertEqual(reading_of(version.edition).design.army.rank(UNIT, "Trooper").name, "Fusilier")
        self.assertIn((UNIT, "Trooper", 2, GROUND, "undercoat"), done_steps(self.taken))

    def test_every_room_opens(self):
        for room in ("army", "scheme", "recipes", "paints", "plan", "log", "insignia", "table", "checks"):
            self.assertEqual(self.client.get(reverse(room, args=[self.taken.pk])).status_code, 200, room)


class Sample(TestCase):
    def test_the_kept_archive_is_of_the_first_version(self):
        self.assertEqual(read_archive(kept("archive-1.zip")).version, 1)
