"""Figure types from 3D files: sent, cut up, turned, given to areas on all sides at once, kept; what cannot be is told."""

import gzip
import json
from contextlib import suppress

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse

from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.workpieces.models import FigureModel, Workpiece
from mantello_core.errors import MantelloError
from mantello_core.figures.modelled.packing import unpacked
from tests.core.figures.modelled.case import box, stl
from tests.rooms.case import RoomCase

#: a post with a knob on a plate, 28 mm tall, as a file for printing has it: z up
POST = np.concatenate([box(16, 3, 16), box(6, 19, 6, (0, 3, 0)), box(9, 6, 9, (0, 22, 0))])[..., [0, 2, 1]] * [1, -1, 1]


def file(data: bytes = b"", name="post.stl") -> SimpleUploadedFile:
    return SimpleUploadedFile(name, data or stl(POST), "model/stl")


def work_done():
    for job in Job.objects.going_on():
        # what is refused is told on the page
        with suppress(MantelloError):
            carry_out(job)


class Modelled(RoomCase):
    def sent(self, **more):
        given = {"title": "Harbour post", "height_mm": "", "model": file()} | more
        return self.client.post(reverse("models", args=[self.army.pk]), given)

    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        # cut up once, for all who begin with one that is
        client = cls.client_class()
        client.force_login(cls.owner)
        address = reverse("models", args=[cls.army.pk])
        answer = client.post(address, {"title": "Harbour post", "height_mm": "", "model": file()})
        client.get(answer["Location"])
        work_done()
        cls.post_cut = Workpiece.objects.get()

    def cut(self, **more) -> Workpiece:
        answer = self.sent(**more)
        self.assertEqual(answer.status_code, 302)
        self.client.get(answer["Location"])
        work_done()
        return Workpiece.objects.get()

    def give(self, figure: Workpiece, view="front"):
        """Foot to the base, post and knob to the body."""
        model = unpacked(bytes(figure.model.cut))
        parts = {"base.rim": 1.5, "torso.coat": 12.0, "head.helm": 26.0}
        at = {str(model.patch[np.abs(model.solid.centre[:, 1] - high).argmin()]): area for area, high in parts.items()}
        answer = self.client.post(
            reverse("give-pieces", args=[self.army.pk, figure.pk, view]), {"given": json.dumps(at)}
        )
        self.assertEqual(answer.json(), {"areas": 3})

    def test_a_file_is_cut_up_by_a_worker_stands_upright_and_shows_five_sides(self):
        self.post_cut.delete()
        self.assertContains(self.see("models"), "1,000,000 triangles")
        answer = self.sent()
        waiting = self.client.get(answer["Location"])
        self.assertContains(waiting, 'data-behaviour="poll"')
        self.assertContains(waiting, "Ten seconds for a usual model")
        work_done()
        figure = Workpiece.objects.get()
        self.assertEqual((figure.model.up, figure.model.name), ("+z", "post.stl"))
        self.assertEqual([one.view for one in figure.photographs.all()], ["front", "back", "left", "right", "top"])
        page = self.see("photographed", figure.pk)
        self.assertContains(page, 'data-behaviour="hand-out"')
        self.assertNotContains(page, "This is table")
        for name, kind in (
            ("figure-photograph", "image/jpeg"),
            ("figure-pieces", "image/png"),
            ("figure-graph", "application/json"),
        ):
            self.assertEqual(self.see(name, figure.pk, "left")["Content-Type"], kind)

    def test_what_is_given_on_one_side_holds_on_all_and_is_kept_measured_as_a_type(self):
        figure = self.post_cut
        self.give(figure, "back")
        self.assertEqual({len(one.given) for one in figure.photographs.all()}, {3})
        self.see("photographed", figure.pk, step="keep")
        work_done()
        page = self.see("photographed", figure.pk, step="keep")
        self.assertContains(page, "in recesses")
        self.assertContains(page, "measured on the model itself")
        surface = self.see("model-surface", figure.pk)
        self.assertEqual(surface["Content-Encoding"], "gzip")
        self.assertContains(page, 'data-behaviour="turntable"')
        self.assertEqual((len(gzip.decompress(surface.content)) - 8) % 36, 0)
        self.post("keep-photographed", figure.pk)
        (own,) = self.now().army.types
        self.assertEqual((own.title, len(own.plate.views)), ("Harbour post", 5))
        # the knob: four sides, its top and its underside, and what of the post went with it
        self.assertAlmostEqual(own.plate.measured["head.helm"].surface_mm2, 4 * 54 + 2 * 81, delta=40)
        self.assertAlmostEqual(own.plate.areas["head.helm"].extent.sharp_mm, 36, delta=2)
        types = self.see("figure-types")
        self.assertContains(types, "mm² measured")
        self.assertContains(types, "Look at it, change its areas")
        self.post("change-workpiece", figure.pk, title="Mooring post", **{"mat-torso.coat": "wood"})
        self.see("photographed", figure.pk, step="keep")
        work_done()
        self.post("keep-photographed", figure.pk)
        (own,) = self.now().army.types
        self.assertEqual((own.title, own.plate.areas["torso.coat"].material), ("Mooring post", "wood"))

    def test_it_is_turned_and_sized_and_cut_up_anew(self):
        figure = self.post_cut
        self.give(figure)
        self.post("turn-model", figure.pk, up="-z", quarters="1", height_mm="56")
        self.assertFalse(figure.photographs.exists())
        self.see("photographed", figure.pk)
        work_done()
        model = unpacked(bytes(FigureModel.objects.get().cut))
        self.assertAlmostEqual(float(model.solid.points[:, 1].max()), 56, places=3)
        foot = model.solid.points[model.solid.points[:, 1] < 1]
        self.assertAlmostEqual(float(np.ptp(foot[:, 0])), 18, delta=0.1)
        page = self.post("turn-model", figure.pk, status=422, up="-z", quarters="1", height_mm="0.2")
        self.assertContains(page, "Write 2 to 400 mm", status_code=422)
        self.assertContains(page, 'value="0.2"', status_code=422)
        self.post("turn-model", figure.pk, status=422, up="north", quarters="9")

    def test_what_is_no_model_is_told_at_its_field_or_on_its_page(self):
        self.post_cut.delete()
        for wrong, said in (
            ({"model": file(name="post.step")}, "is no STL, OBJ or 3MF file"), ({"title": ""}, "required"),
            ({"height_mm": "9999"}, "Write 2 to 400 mm"), ({"model": ""}, "required"),
        ):  # fmt: skip
            self.assertContains(self.sent(**wrong), said, status_code=422)
        self.assertFalse(Workpiece.objects.exists())
        for data, said in ((stl(POST)[:-9], "cut short"), (stl(POST / 100), "Say its height")):
            figure = self.cut(model=file(data))
            page = self.see("photographed", figure.pk)
            self.assertContains(page, said)
            self.assertContains(page, "Its height, mm")
            self.post("change-workpiece", figure.pk, remove="yes")
        self.assertFalse(FigureModel.objects.exists())

    def test_ours_can_be_tried(self):
        self.post_cut.delete()
        self.client.post(reverse("models", args=[self.army.pk]), {"sample": "yes"})
        self.assertEqual((Workpiece.objects.get().title, len(FigureModel.objects.get().data)), ("Mud carrier", 288_084))

    def test_anothers_is_not_found(self):
        figure = self.post_cut
        self.assert_hidden("models")
        self.assert_hidden("photographed", figure.pk)
        self.assert_hidden("turn-model", figure.pk, post=True)
        self.see("model-surface", figure.pk, status=404)
        self.give(figure)
        self.see("photographed", figure.pk, step="keep")
        work_done()
        self.see("model-surface", figure.pk)
        self.assert_hidden("model-surface", figure.pk)
        self.see("photographed", figure.pk + 1, status=404)
