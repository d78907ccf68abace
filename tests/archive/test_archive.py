"""A whole army out and in again, and the difference between two archives."""

import io
import json
import uuid
import zipfile
from datetime import timedelta
from unittest.mock import patch
from urllib.parse import parse_qsl, urlsplit

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from django.utils import timezone

from mantello.archive import models as given_archives
from mantello.archive.models import ArchivePiece, GivenArchive
from mantello.jobs.kinds import kind_of
from mantello.jobs.models import Job
from mantello.jobs.queue import stop
from mantello.jobs.work import carry_out
from mantello.record import logging as actions
from mantello.record.queries import done_steps
from mantello.rooms.plan.evening import Evening
from mantello.trials.models import Photo
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.formats.archive import read_archive, write_archive
from tests.archive.case import RecordCase


class Archived(RecordCase):
    def setUp(self):
        super().setUp()
        self.keep_record("=note")

    def test_it_holds_documents_tables_drawings_and_photographs(self):
        files = read_archive(self.archived()).files
        for name in (
            "design.json",
            "log.json",
            "log.csv",
            "versions/1.json",
            "tests/1.json",
            "variants/1.json",
        ):
            self.assertIn(name, files)
        self.assertIn(b"'=note", files["log.csv"], "no formula for a spreadsheet")
        drawings = [data for name, data in files.items() if name.startswith("drawings/")]
        self.assertGreater(len(drawings), 5)
        self.assertTrue(all(data.startswith(b"<svg") for data in drawings))

    def test_what_goes_out_comes_in_as_it_was(self):
        data = self.archived()
        self.assertContains(self.read_in(file=data), "is here again")
        again = Army.objects.exclude(pk=self.army.pk).get()
        self.army.refresh_from_db()
        self.assertEqual(again.owner, self.owner)
        self.assertEqual(reading_of(again.head).design, reading_of(self.army.head).design)
        self.assertEqual(done_steps(again), done_steps(self.army))
        for name in ("minutes", "note", "done_at", "paints", "batch"):
            self.assertEqual(
                *(list(one.entries.order_by("pk").values_list(name, flat=True)) for one in (again, self.army))
            )
        self.assertEqual([one.name for one in again.variants.all()], [one.name for one in self.army.variants.all()])
        self.assertEqual(again.variant.name, self.army.variant.name)
        self.assertEqual(again.versions.get().struck_at, self.army.versions.get().struck_at)
        self.assertEqual([one.verdict for one in again.tests.exclude(steps=None)], ["accepted"])
        self.assertEqual(Photo.objects.get(test__army=again).patches, {"card": [0.5, 0.5, "#808080"]})
        edition = again.editions.order_by("number").last().number
        for number in (1, 2):
            root, at = reading_of(again.head).design.army.root.id, again.head.number
            sent = {"base": at, "name": f"Force {number}", "kind": ""}
            self.client.post(reverse("change-node", args=[again.pk, root]), sent)
            again.refresh_from_db()
            self.assertEqual((again.head.number, again.name), (edition + number, f"Force {number}"))
            self.assertFalse(again.onwards().exists())
        self.client.post(reverse("undo", args=[again.pk]), {"base": again.head.number})
        again.refresh_from_db()
        self.assertEqual([one.number for one in again.onwards()], [edition + 2])
        for room in ("army", "scheme", "recipes", "plan", "log", "insignia"):
            self.assertEqual(self.client.get(reverse(room, args=[again.pk])).status_code, 200, room)

    def test_damaged_archives_are_refused_and_leave_nothing(self):
        good = read_archive(self.archived())

        def spoilt(**files):
            return write_archive(
                good.name,
                {name.replace("__", "/"): data for name, data in (dict(good.files) | files).items()},
                timezone.now(),
            )

        log = json.loads(good.files["log.json"])
        log["entries"][0]["version"] = 9
        photo = next(name for name in good.files if name.startswith("photos/"))
        piece = photo.replace("photos/", "tests/").replace("-before.jpg", ".json")
        test = json.loads(good.files[piece])

        def tried(change) -> bytes:
            changed = json.loads(json.dumps(test))
            change(changed)
            return spoilt(**{piece: json.dumps(changed).encode()})

        def parts_in_words(test):
            test["steps"]["steps"][0]["mix"]["parts"][0]["parts"] = "aa"

        def unknown_paint(test):
            test["steps"]["steps"][0]["mix"]["parts"][0]["paint"] = "no-such-paint"

        def done_in_words(test):
            test["done"] = {"base": {"coats": 1, "hours": 2}}

        for data, said in (
            (b"PK" + self.archived()[-22:], "no archive"),
            (spoilt(**{"design.json": b"{}"}), "The file lacks"),
            (spoilt(**{"log.json": b"[]"}), "is a list; wanted is"),
            (spoilt(**{"log.json": json.dumps(log).encode()}), "version 9"),
            (tried(lambda test: test.update(steps={"steps": [{"kind": "magic"}]})), f"{piece}/steps/steps/0"),
            (tried(lambda test: test.update(note="half \ud800")), "U+D800"),
            (tried(parts_in_words), f"{piece}/steps/steps/0/mix/parts/0/parts"),
            (tried(unknown_paint), "steps that cannot be read"),
            (tried(done_in_words), f"{piece}/done/base"),
            (spoilt(**{photo: b"no picture"}), "picture"),
            (spoilt(**{"variants/1.about.json": b"[]"}), "nothing of a variant"),
        ):
            page = self.read_in(file=data)
            self.assertContains(page, said)
            self.assertContains(page, "was not taken in")
            self.assertNotContains(page, "Try again", msg_prefix="the same file would be refused again")
            self.assertFalse(GivenArchive.objects.exists())
        self.assertEqual(Army.objects.count(), 1)

    def test_what_is_plainly_none_is_refused_at_its_field_before_it_is_kept(self):
        for sent in ({"file": b"hello"}, {"do": "compare", "one": b"x", "two": b"y"}):
            files = {name: one if name == "do" else SimpleUploadedFile("a.zip", one) for name, one in sent.items()}
            page = self.client.post(reverse("archives"), files)
            self.assertContains(page, "no archive", status_code=422)
        self.assertFalse(GivenArchive.objects.exists())

    def test_a_member_that_was_changed_is_found_by_its_checksum(self):
        packed = zipfile.ZipFile(io.BytesIO(self.archived()))
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w") as other:
            for name in packed.namelist():
                data = packed.read(name)
                other.writestr(name, data.replace(b"Undercoat", b"Overcoats") if name == "log.json" else data)
        self.assertContains(self.read_in(file=out.getvalue()), "log.json is damaged")

    def test_the_difference_is_told_in_sentences(self):
        before = self.archived()
        self.post(
            "change-rank",
            "2nd-lantern-line",
            id="fusilier",
            rank="Fusilier",
            type="fusilier",
            figures="9",
            tier="rank",
        )
        self.post("rename-role", "field", name="Coat green")
        evening = Evening(Army.objects.select_related("head").get(pk=self.army.pk), timezone.now())
        batch = evening.current
        actions.record(evening.army, batch.atoms, set(batch.left), 4, timezone.now(), uuid.uuid4())
        after = self.archived()

        page = self.read_in(one=before, two=after)
        for said in ("figures, now 9", "Field is called Coat green", "new: Undercoat on"):
            self.assertContains(page, said)
        self.assertContains(self.read_in(one=before, two=before), "Both hold the same")
        good = read_archive(before)
        log = json.loads(good.files["log.json"])
        log["entries"][0]["note"] = "half \ud800 and \x00 nought"
        strange = write_archive(good.name, dict(good.files) | {"log.json": json.dumps(log).encode()}, timezone.now())
        self.assertContains(self.read_in(one=before, two=strange), "holds a NUL")
        design = write_archive("none", {"design.json": b"{}"}, timezone.now())
        self.assertContains(self.read_in(one=before, two=design), "The file lacks")
        self.assertContains(
            self.read_in(one=before, two=before[:-40] + before[-22:]), "The newer one, two.zip: This is no archive"
        )

    def given(self) -> str:
        """The address of what comes of an archive that was given and not read yet."""
        return self.client.post(reverse("archives"), {"file": SimpleUploadedFile("a.zip", self.archived())}).url

    def test_a_reading_that_broke_off_is_tried_again_and_leaves_one_army(self):
        address = self.given()
        Job.objects.going_on().update(state=Job.State.FAILED, fault="The worker that did it went away.")
        self.assertContains(self.client.get(address), "The worker that did it went away")
        self.assertContains(self.client.get(address, {"again": ""} | self.query(address)), 'data-behaviour="poll"')
        (job,) = Job.objects.going_on()
        carry_out(job)
        self.assertContains(self.client.get(address), "is here again")
        self.assertEqual(Army.objects.count(), 2)
        self.assertFalse(GivenArchive.objects.exists(), "what was read is not kept")
        self.client.get(address, {"again": ""} | self.query(address))
        self.assertFalse(Job.objects.going_on().exists(), "what was taken in is not taken in twice")

    def test_one_that_was_stopped_meanwhile_leaves_no_army(self):
        address = self.given()
        (job,) = Job.objects.going_on()
        for step in kind_of(job.kind).work(job):
            if step.reached == 1:
                stop(job)
        self.assertEqual(Army.objects.count(), 1)
        self.assertContains(self.client.get(address), "It was stopped")

    def test_only_the_newest_files_are_kept_and_pieces_are_put_together(self):
        with patch.object(given_archives, "_PIECE", 1000):
            for number in range(given_archives.MOST_KEPT + 2):
                upload = SimpleUploadedFile("a.zip", bytes([number]) * 2500)
                GivenArchive.objects.keep(self.owner, upload)
        self.assertEqual(GivenArchive.objects.count(), given_archives.MOST_KEPT)
        self.assertEqual(GivenArchive.objects.first().data, bytes([number]) * 2500)
        self.assertEqual(ArchivePiece.objects.count(), 3 * given_archives.MOST_KEPT)
        GivenArchive.objects.update(made_at=timezone.now() - timedelta(days=2))
        GivenArchive.objects.keep(self.other, SimpleUploadedFile("b.zip", b"1"))
        self.assertEqual([one.owner for one in GivenArchive.objects.all()], [self.other], "what is old is forgotten")

    @staticmethod
    def query(address: str) -> dict:
        return dict(parse_qsl(urlsplit(address).query))

    def test_nobody_else_comes_near(self):
        self.assert_hidden("archive-file")
        self.assertContains(self.client.get(reverse("archives")), "Take one in")
        address = self.given()
        self.client.force_login(self.other)
        self.assertNotContains(self.client.get(address), "Waiting for a free worker")
        self.client.logout()
        self.assertEqual(self.client.get(reverse("archives")).status_code, 302)
