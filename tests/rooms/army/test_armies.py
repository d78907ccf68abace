"""Armies: made, imported, listed, exported, deleted; nobody sees another's."""

import json

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse

from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from tests.rooms.case import RoomCase


class Armies(RoomCase):
    def upload(self, data: bytes):
        return self.client.post(reverse("import-army"), {"file": SimpleUploadedFile("design.json", data)})

    def test_the_list_shows_ones_own_armies_only(self):
        self.assertContains(self.client.get(reverse("armies")), "Levy of Calvessa")
        self.client.force_login(self.other)
        answer = self.client.get(reverse("armies"))
        self.assertNotContains(answer, "Levy of Calvessa")
        self.assertContains(answer, "Where would you like to begin?")

    def test_a_new_army_is_empty_and_asks_for_its_roster(self):
        answer = self.client.post(reverse("new-army"), {"name": "  River   Watch "})
        made = Army.objects.get(name="River Watch")
        self.assertRedirects(answer, reverse("roster", args=[made.pk]))
        self.assertContains(self.client.get(reverse("army", args=[made.pk])), "Start with one unit")
        self.assertContains(self.client.get(reverse("scheme", args=[made.pk])), "Nothing to dress yet")
        self.assertContains(self.client.get(reverse("plan", args=[made.pk])), "Nothing to plan yet")

    def test_a_name_that_is_missing_or_too_long_is_asked_back_with_what_was_typed(self):
        for name in ("", "x" * 81):
            answer = self.client.post(reverse("new-army"), {"name": name})
            self.assertEqual(answer.status_code, 422)
            self.assertContains(answer, "field-error", status_code=422)
        self.assertContains(answer, "x" * 81, status_code=422)

    def test_export_and_import_give_an_identical_army(self):
        data = self.see("export-design").content
        self.assertEqual(data, design_bytes(self.now()))
        self.upload(data)
        copy = Army.objects.latest("pk")
        self.assertNotEqual(copy.pk, self.army.pk)
        self.assertEqual(reading_of(copy.head).design, self.now())
        self.assertEqual(copy.owner, self.owner)

    def test_a_file_that_is_no_design_is_refused_at_its_field(self):
        document = json.loads(design_bytes(self.now()))
        document["scheme"]["rules"][0]["role"] = "trimm"
        for data, said in (
            (b"hello", "not JSON"),
            (b"\xff\xd8\xff", "not UTF-8"),
            (json.dumps(document).encode(), "no colour role called"),
        ):
            answer = self.upload(data)
            self.assertContains(answer, said, status_code=422)
        self.assertEqual(Army.objects.count(), 1)

    def test_the_roster_can_be_exported(self):
        self.assertContains(
            self.see("export-roster"), 'Line,fusilier,Fusilier,7,"2nd Tidewall Fusiliers / 1st, the Harbour"'
        )

    def test_an_army_is_deleted_only_when_its_name_is_typed(self):
        self.client.post(reverse("remove-army", args=[self.army.pk]), {"name": "levy"})
        self.assertEqual(Army.objects.count(), 1)
        self.client.post(reverse("remove-army", args=[self.army.pk]), {"name": "Levy of Calvessa"})
        self.assertEqual(Army.objects.count(), 0)

    def test_nothing_of_an_army_is_shown_to_another(self):
        for name in ("army", "roster", "export-design", "export-roster"):
            self.assert_hidden(name)
        self.assert_hidden("figure", "front")
        self.assert_hidden("guide", "1st-harbour-line")
        for name in ("undo", "redo", "add-unit", "remove-army"):
            self.assert_hidden(name, post=True)

    def test_the_document_that_was_kept_is_the_one_that_is_read(self):
        self.assertEqual(read_design_bytes(json.dumps(self.army.head.document).encode()), self.now())
