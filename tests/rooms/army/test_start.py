"""The first army: ours copied, or a list or file of any kind; what cannot be read stays and is told."""

import json

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse

from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.formats.document.design import design_bytes
from tests.rooms.case import RoomCase


class Start(RoomCase):
    def setUp(self):
        super().setUp()
        # another painter, who has nothing yet
        self.client.force_login(self.other)

    def begin(self, **sent):
        return self.client.post(reverse("begin-with-list"), sent)

    def mine(self) -> Army:
        return Army.objects.select_related("head").get(owner=self.other)

    def test_home_with_nothing_offers_three_ways_with_pictures(self):
        page = self.client.get(reverse("armies"))
        for words in (
            "Look around first",
            "Start from a brief",
            "I have a list or a file",
            "shell/pictures/levy-1.svg",
        ):
            self.assertContains(page, words)
        self.client.force_login(self.owner)
        self.assertNotContains(self.client.get(reverse("armies")), "Look around first")

    def test_ours_is_copied_and_is_the_painters_own(self):
        answer = self.client.post(reverse("copy-ours"))
        army = self.mine()
        self.assertRedirects(answer, reverse("army", args=[army.pk]), fetch_redirect_response=False)
        self.assertEqual(reading_of(army.head).design.army.figures, 196)

    def test_a_pasted_list_becomes_an_army(self):
        self.begin(text="9 fusiliers\n1 x fusilier sergeant\n6 rangers")
        army = self.mine()
        force = reading_of(army.head).design.army
        self.assertEqual((army.name, force.figures), ("My army", 16))
        # the sergeant is with the fusiliers
        self.assertEqual([(unit.name, len(unit.ranks)) for unit in force.units], [("Fusiliers", 2), ("Rangers", 1)])

    def test_a_file_gives_the_army_its_name_and_doubts_come_back(self):
        file = SimpleUploadedFile("river_watch.txt", b"9 fusiliers\n4 zeppelins")
        page = self.begin(file=file, text="")
        self.assertContains(page, "zeppelins", status_code=422)
        self.assertEqual(self.mine().name, "River watch")
        file = SimpleUploadedFile("x.csv", b"unit,type,rank,figures\nLine,fusilier,Fusilier,9")
        self.begin(file=file, text="", name="Quay Guard")
        self.assertTrue(Army.objects.filter(owner=self.other, name="Quay Guard").exists())

    def test_a_design_is_known_by_its_content_and_an_archive_is_led_on(self):
        design = SimpleUploadedFile("what.txt", design_bytes(self.design()))
        self.begin(file=design, text="")
        self.assertEqual(reading_of(self.mine().head).design.army.figures, self.design().army.figures)
        answer = self.begin(file=SimpleUploadedFile("army.mantello", b"PK\x03\x04rest"), text="")
        self.assertRedirects(answer, reverse("archives"), fetch_redirect_response=False)

    def test_nothing_and_nonsense_are_told_and_what_was_typed_stays(self):
        self.assertContains(self.begin(text="  "), "Write or paste a list", status_code=422)
        broken = SimpleUploadedFile("d.json", json.dumps({"format": "mantello-design", "version": 999}).encode())
        self.assertContains(self.begin(file=broken, text="", name="Kept name"), "Kept name", status_code=422)
        self.assertFalse(Army.objects.filter(owner=self.other).exists())

    def test_only_painters_begin(self):
        self.client.logout()
        for name in ("copy-ours", "begin-with-list"):
            self.assertIn(reverse("sign-in"), self.client.post(reverse(name))["Location"])
