"""A whole army out and in again, and the difference between two archives."""

import io
import json
import uuid
import zipfile

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from django.utils import timezone

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

    def take_in(self, data: bytes, status=302):
        answer = self.client.post(reverse("archives"), {"file": SimpleUploadedFile("a.zip", data)})
        self.assertEqual(answer.status_code, status, answer.content[:500])
        return answer

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
        self.take_in(data)
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
        self.client.post(reverse("undo", args=[again.pk]), {"base": again.head.number})
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
            (b"hello", "no archive"),
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
            self.assertContains(self.take_in(data, 422), said, status_code=422)
        self.assertEqual(Army.objects.count(), 1)

    def test_a_member_that_was_changed_is_found_by_its_checksum(self):
        packed = zipfile.ZipFile(io.BytesIO(self.archived()))
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w") as other:
            for name in packed.namelist():
                data = packed.read(name)
                other.writestr(name, data.replace(b"Undercoat", b"Overcoats") if name == "log.json" else data)
        self.assertContains(self.take_in(out.getvalue(), 422), "log.json is damaged", status_code=422)

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

        def compare(one, two, status=200):
            sent = {"do": "compare", "one": SimpleUploadedFile("a.zip", one), "two": SimpleUploadedFile("b.zip", two)}
            answer = self.client.post(reverse("archives"), sent)
            self.assertEqual(answer.status_code, status)
            return answer

        page = compare(before, after)
        for said in ("figures, now 9", "Field is called Coat green", "new: Undercoat on"):
            self.assertContains(page, said)
        self.assertContains(compare(before, before), "Both hold the same")
        self.assertContains(compare(b"x", before, 422), "no archive", status_code=422)

    def test_nobody_else_comes_near(self):
        self.assert_hidden("archive-file")
        self.assertContains(self.client.get(reverse("archives")), "Take one in")
        self.client.logout()
        self.assertEqual(self.client.get(reverse("archives")).status_code, 302)
