"""A figure type that one of a painter's armies has can be taken into another, as a copy of its own."""

from django.urls import reverse

from mantello.workspace.editing import create_army
from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from tests.rooms.case import RoomCase


class Borrowing(RoomCase):
    def setUp(self):
        super().setUp()
        parts = {"kit": "skimmer", "body": "vehicle", "hull": "skim.hull", "top": "skim.canopy", "chosen": "yes"}
        self.post("make-type", title="Reed skimmer", **parts)
        self.carried_out()
        (self.own,) = self.now().army.types
        self.second = create_army(self.owner, "Second army")

    def take(self, **more):
        address = reverse("take-type", args=[self.second.pk])
        self.second.refresh_from_db()
        sent = {"army": self.army.pk, "type": self.own.id, "base": self.second.head.number} | more
        return self.client.post(address, sent, follow=True)

    def types(self):
        return reading_of(Army.objects.select_related("head").get(pk=self.second.pk).head).design.army.types

    def test_it_is_offered_with_its_picture_taken_once_and_then_offered_no_more(self):
        page = self.client.get(reverse("figure-types", args=[self.second.pk]))
        self.assertContains(page, "From your other armies")
        self.assertContains(page, reverse("type-picture", args=[self.army.pk, self.own.id]))
        self.assertContains(self.take(), "Reed skimmer taken in from")
        (copy,) = self.types()
        self.assertEqual((copy.title, copy.digest, copy.making), ("Reed skimmer", self.own.digest, self.own.making))
        page = self.client.get(reverse("figure-types", args=[self.second.pk]))
        self.assertNotContains(page, "From your other armies")
        self.assertContains(self.take(), "is here already, drawn just so")
        self.assertEqual(len(self.types()), 1)

    def test_a_title_that_is_taken_tells_whose_it_is(self):
        self.post("change-type", self.own.id, title="Float plane of ours")
        self.take()
        self.post("make-type", title="Reed skimmer", kit="skimmer", body="vehicle", hull="skim.hull", chosen="yes")
        self.carried_out()
        second = next(one for one in self.now().army.types if one.title == "Reed skimmer")
        self.take(type=second.id)
        self.client.post(
            reverse("change-type", args=[self.second.pk, self.types()[0].id]),
            {"title": "Tide barge", "base": Army.objects.select_related("head").get(pk=self.second.pk).head.number},
        )
        self.assertEqual({one.title for one in self.types()}, {"Tide barge", "Reed skimmer"})

    def test_anothers_and_unknown_ones_are_not_found(self):
        self.assertContains(self.take(type="own-nothing"), "own-nothing")
        self.assertEqual(self.take(army="99999").status_code, 404)
        self.assertEqual(self.take(army="x").status_code, 404)
        self.assert_hidden("take-type", post=True)
        self.assertEqual(self.types(), ())
