"""Colours read off a photograph of a figure: pointed at, freed of the light, beside the prediction, kept, and nobody else's."""

import io

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from PIL import Image

from mantello.record.models import FigurePhoto
from mantello.rooms.log.measuring import expected_colour
from mantello.rooms.log.pictured import SHOWN
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import coded_light, hex_of, lab_of, linear_light, xyz_of_linear
from mantello_core.order.subject import of_role
from tests.rooms.case import RoomCase

UNIT, RANK, AREA, ROLE = "1st-harbour-line", "fusilier", "torso.coat.body.left", "field"
#: a warm lamp, brighter at the left
LAMP = np.array([0.9, 0.78, 0.6])
WIDE, TALL = 640, 480


class Pictured(RoomCase):
    def setUp(self):
        super().setUp()
        chosen = {"unit": UNIT, "rank": RANK, "figure": "1"}
        page = self.see("figure-history", **chosen)
        steps = [
            atom.id
            for atom in page.context["to_come"]
            if atom.subject in (of_role(ROLE), of_role("")) or atom.step == "undercoat"
        ]
        self.post("log-elsewhere", of="figure", atom=steps, **chosen)
        self.done = frozenset((of_role(entry.role), entry.step) for entry in self.army.entries.all())
        self.wanted = expected_colour(reading_of(self.army.head), "rank", ROLE, self.done)
        self.post(
            "keep-photo", photo=SimpleUploadedFile("f.png", self.picture(), "image/png"), caption="On paper", **chosen
        )
        self.photo = FigurePhoto.objects.get()

    def picture(self) -> bytes:
        """Plain paper under a lamp that falls off, with a grey card at the left and the role's colour in the middle."""
        light = LAMP * (1.0 - 0.4 * np.linspace(0, 1, WIDE))[None, :, None] * np.ones((TALL, 1, 1))
        surface = np.full((TALL, WIDE, 3), 0.62)
        surface[60:140, 60:140] = 0.18
        surface[180:300, 280:360] = linear_light(np.array([*bytes.fromhex(hex_of(self.wanted)[1:])]) / 255)
        out = io.BytesIO()
        Image.fromarray(np.round(255 * coded_light(np.clip(surface * light, 0, 1))).astype(np.uint8)).save(out, "PNG")
        return out.getvalue()

    def point(self, name, x, y, status=302):
        return self.post("point-at", self.photo.pk, point=name, status=status, **{"at.x": str(x), "at.y": str(y)})

    def test_an_area_is_read_beside_what_is_predicted_and_kept(self):
        self.assertContains(
            self.see("figure-history", unit=UNIT, rank=RANK), reverse("pictured", args=[self.army.pk, self.photo.pk])
        )
        self.assertContains(self.see("pictured", self.photo.pk), "Point at the grey card first")
        self.see("evened-photo", self.photo.pk, status=404)
        self.point("card", 88, 88)
        self.assertContains(self.see("pictured", self.photo.pk), "Nothing is pointed at yet")
        self.point(AREA, 280, 210)
        page = self.see("pictured", self.photo.pk)
        row = page.context["rows"][0]
        self.assertEqual((row.area, row.role), (AREA, ROLE))
        self.assertLess(row.compared.apart, 2.0)
        self.assertContains(page, "as predicted")
        self.post("keep-readings", self.photo.pk)
        kept = self.army.measurements.get()
        self.assertEqual((kept.unit, kept.rank, kept.ordinal, kept.role), (UNIT, RANK, 1, ROLE))
        self.assertAlmostEqual(kept.lightness, self.wanted.lightness, delta=2)

    def test_the_picture_is_shown_in_even_daylight(self):
        self.point("card", 88, 88)
        evened = Image.open(io.BytesIO(self.see("evened-photo", self.photo.pk).content)).convert("RGB")
        pixels = np.asarray(evened, float) / 255
        left, right = pixels[400, 40], pixels[400, 600]
        self.assertLess(np.abs(left - right).max(), 0.03)
        card = lab_of(xyz_of_linear(linear_light(pixels[100, 100])))
        self.assertAlmostEqual(card.lightness, 49.5, delta=1.5)
        self.assertLess(card.chroma, 2)

    def test_what_is_nowhere_is_refused(self):
        self.assertContains(self.point("moon", 1, 1, 422), "moon", status_code=422)
        self.assertContains(self.point(AREA, SHOWN + 1, 1, 422), f"allowed is 0 to {SHOWN}", status_code=422)
        self.post("keep-readings", self.photo.pk)
        self.assertEqual(self.army.measurements.count(), 0)

    def test_a_colour_that_is_not_painted_yet_has_no_prediction(self):
        self.point("card", 88, 88)
        self.point("head.face", 280, 210)
        self.assertContains(self.see("pictured", self.photo.pk), "It is not painted with its role yet")

    def test_places_go_along_in_archives(self):
        self.point("card", 88, 88)
        data = self.archived()
        self.read_in(file=data)
        taken = FigurePhoto.objects.latest("pk")
        self.assertNotEqual(taken.pk, self.photo.pk)
        self.assertEqual(set(taken.patches), {"card"})

    def test_nobody_else_sees_or_changes_it(self):
        for name, post in (("pictured", False), ("evened-photo", False), ("point-at", True), ("keep-readings", True)):
            self.assert_hidden(name, self.photo.pk, post=post)
