"""Figure types from photographs: sent, cut up, given to areas, looked at, kept; what cannot be is refused."""

import io
import json
from contextlib import suppress

import numpy as np
from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from PIL import Image

from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.workpieces.models import Workpiece
from mantello_core.errors import MantelloError
from mantello_core.figures.photographed.packing import unpacked
from tests.core.figures.photographed.case import drawn
from tests.rooms.case import RoomCase

#: middles of the drawn figure's parts, as rows and columns
PARTS = {"head.face": (90, 150), "torso.tunic": (220, 120), "torso.corselet": (220, 175), "base.rim": (345, 100)}


def photograph(**told) -> SimpleUploadedFile:
    picture, _ = drawn(**told)
    out = io.BytesIO()
    Image.fromarray((picture * 255).round().astype(np.uint8)).save(out, "PNG")
    return SimpleUploadedFile("figure.png", out.getvalue(), "image/png")


def work_done():
    for job in Job.objects.going_on():
        # what is refused is told on the page
        with suppress(MantelloError):
            carry_out(job)


class Photographs(RoomCase):
    def sent(self, **more):
        given = {"title": "Quay diver", "base_mm": "25", "height_mm": "", "front": photograph()} | more
        return self.client.post(reverse("photographs", args=[self.army.pk]), given)

    def cut(self) -> Workpiece:
        self.assertEqual(self.sent().status_code, 302)
        self.see("photographed", Workpiece.objects.get().pk)
        work_done()
        return Workpiece.objects.get()

    def give(self, figure: Workpiece, parts=PARTS, status=200, **sent):
        (one,) = figure.photographs.all()
        labels = unpacked(bytes(one.cut)).labels
        given = {str(labels[place]): name for name, place in parts.items()}
        address = reverse("give-pieces", args=[self.army.pk, figure.pk, "front"])
        answer = self.client.post(address, {"given": json.dumps(given)} | sent)
        self.assertEqual(answer.status_code, status, answer.content)
        return answer

    def test_a_photograph_is_cut_up_by_a_worker_and_the_page_fills_in(self):
        answer = self.sent()
        page = self.client.get(answer["Location"])
        self.assertContains(page, 'data-behaviour="poll"')
        work_done()
        page = self.client.get(answer["Location"])
        self.assertContains(page, 'data-behaviour="hand-out"')
        figure = Workpiece.objects.get()
        for name, kind in (
            ("figure-photograph", "image/jpeg"),
            ("figure-pieces", "image/png"),
            ("figure-graph", "application/json"),
        ):
            self.assertEqual(self.see(name, figure.pk, "front")["Content-Type"], kind)
        self.assertContains(self.see("photographs"), "Quay diver")

    def test_pieces_are_given_looked_at_and_the_figure_kept_as_a_type_then_drawn_anew(self):
        figure = self.cut()
        self.assertEqual(self.give(figure).json(), {"areas": 4})
        self.assertContains(self.see("photographed", figure.pk, step="keep"), 'data-behaviour="poll"')
        work_done()
        page = self.see("photographed", figure.pk, step="keep")
        self.assertContains(page, "Corselet")
        self.assertContains(page, "your own")
        self.post("keep-photographed", figure.pk)
        (own,) = self.now().army.types
        self.assertEqual((own.title, set(own.plate.areas)), ("Quay diver", set(PARTS)))
        self.assertContains(self.see("figure-types"), "Quay diver")
        self.give(
            figure, {"head.helm": PARTS["head.face"]} | {name: at for name, at in PARTS.items() if name != "head.face"}
        )
        self.post(
            "change-workpiece",
            figure.pk,
            title="Quay diver",
            base_mm="25",
            height_mm="",
            **{"mat-torso.corselet": "metal"},
        )
        self.see("photographed", figure.pk, step="keep")
        work_done()
        self.post("keep-photographed", figure.pk)
        (own,) = self.now().army.types
        self.assertIn("head.helm", own.plate.areas)
        self.assertEqual(own.plate.areas["torso.corselet"].material, "metal")

    def test_strokes_cut_it_up_anew_and_are_taken_back(self):
        figure = self.cut()
        self.give(figure)
        stroke = json.dumps([["table", [[0.3, 0.86], [0.7, 0.86]]]])
        self.post("mend-outline", figure.pk, "front", strokes=stroke)
        work_done_page = self.see("photographed", figure.pk)
        self.assertContains(work_done_page, 'data-behaviour="poll"')
        work_done()
        (one,) = Workpiece.objects.get().photographs.all()
        self.assertEqual(one.strokes[0][0], "table")
        # what was given is carried over, but for what is table now
        self.assertEqual(set(one.given.values()), set(PARTS) - {"base.rim"})
        self.assertLess(unpacked(bytes(one.cut)).labels[345, 100], 0)
        self.post("mend-outline", figure.pk, "front", do="none")
        self.see("photographed", figure.pk)
        work_done()
        self.assertContains(self.see("photographed", figure.pk), 'data-behaviour="hand-out"')
        (one,) = Workpiece.objects.get().photographs.all()
        self.assertEqual((one.strokes, set(one.given.values())), ([], set(PARTS) - {"base.rim"}))
        for wrong in ("", "[]x", json.dumps([["paint", [[0, 0]]]]), json.dumps([["figure", []]])):
            self.post("mend-outline", figure.pk, "front", status=422, strokes=wrong)

    def test_a_border_that_is_drawn_parts_what_ran_into_one(self):
        figure = self.cut()
        (one,) = figure.photographs.all()
        labels = unpacked(bytes(one.cut)).labels
        tall = labels.shape[0]
        line = [[0.3, 235 / tall], [0.75, 235 / tall]]
        self.post("mend-outline", figure.pk, "front", strokes=json.dumps([["border", line]]))
        self.see("photographed", figure.pk)
        work_done()
        (one,) = Workpiece.objects.get().photographs.all()
        cut = unpacked(bytes(one.cut))
        row = cut.labels[228:243, 90:150]
        over, under = set(np.unique(row[0])), set(np.unique(row[-1]))
        self.assertFalse(over & under - {-1})

    def test_the_other_side_is_offered_once_something_is_given_there(self):
        figure = self.cut()
        address = reverse("add-photograph", args=[self.army.pk, figure.pk])
        answer = self.client.post(address, {"view": "back", "photograph": photograph()})
        self.client.get(answer["Location"])
        work_done()
        page = self.client.get(answer["Location"])
        self.assertNotContains(page, "As seen from the front")
        front = figure.photographs.get(view="front")
        front.given = {"3": "torso.tunic"}
        front.save()
        self.assertContains(self.client.get(answer["Location"]), "As seen from the front")

    def test_a_figure_like_another_begins_with_its_areas_and_names(self):
        first = self.cut()
        self.give(first)
        self.see("photographed", first.pk, step="keep")
        work_done()
        self.post("keep-photographed", first.pk)
        self.sent(title="Quay diver with a lamp")
        second = Workpiece.objects.exclude(pk=first.pk).get()
        self.see("photographed", second.pk)
        work_done()
        page = self.see("photographed", second.pk)
        self.assertContains(page, "As on Quay diver<")
        self.assertContains(page, reverse("figure-graph", args=[self.army.pk, first.pk, "front"]))
        words = [said for area, said in page.context["known"]]
        self.assertLess(words.index("torso corselet"), words.index("left arm cuff"))

    def test_words_become_areas_and_nonsense_is_told(self):
        self.assertEqual(self.see("name-area", words="left boot").json()["area"], "leg.left.boot")
        own = self.see("name-area", words="gear bellows").json()
        self.assertEqual((own["area"], own["words"], own["new"]), ("gear.bellows", "gear bellows", True))
        self.assertContains(self.see("name-area", words="blorb", status=422), "blorb", status_code=422)

    def test_bad_pieces_are_refused_and_nothing_changes(self):
        figure = self.cut()
        self.give(figure)
        before = figure.photographs.get().given
        for wrong in (
            "",
            "[1]",
            '{"99999": "head.face"}',
            '{"1": "blorb"}',
            '{"x": "head.face"}',
            '{"-1": "head.face"}',
        ):
            self.give(figure, status=422, given=wrong)
        self.assertEqual(figure.photographs.get().given, before)

    def test_what_is_no_photograph_has_no_size_or_shows_no_figure_is_told_at_its_place(self):
        for wrong, said in (
            ({"front": SimpleUploadedFile("x.png", b"no picture")}, "no picture that can be read"),
            ({"base_mm": ""}, "Say how wide the base is"), ({"base_mm": "0.1"}, "Write 2 to 400 mm"), ({"title": ""}, "required"),
        ):  # fmt: skip
            page = self.sent(**wrong)
            self.assertContains(page, said, status_code=422)
        self.assertFalse(Workpiece.objects.exists())
        self.sent(front=photograph(at=-400))
        self.see("photographed", Workpiece.objects.get().pk)
        work_done()
        self.assertContains(self.see("photographed", Workpiece.objects.get().pk), "No figure stands out from the table")

    def test_another_photograph_takes_the_place_of_a_refused_one_and_more_sides_come(self):
        self.sent(front=photograph(at=-400))
        figure = Workpiece.objects.get()
        self.see("photographed", figure.pk)
        work_done()
        page = self.post("add-photograph", figure.pk, status=422, view="front")
        self.assertContains(page, "required", status_code=422)
        for view in ("front", "back"):
            address = reverse("add-photograph", args=[self.army.pk, figure.pk])
            answer = self.client.post(address, {"view": view, "photograph": photograph()})
            self.client.get(answer["Location"])
            work_done()
            self.assertContains(self.client.get(answer["Location"]), 'data-behaviour="hand-out"')
        self.assertEqual(figure.photographs.count(), 2)

    def test_ours_are_there_to_be_tried_and_a_figure_is_thrown_away(self):
        self.client.post(reverse("photographs", args=[self.army.pk]), {"sample": "yes"})
        figure = Workpiece.objects.get()
        self.assertEqual([one.view for one in figure.photographs.all()], ["front", "back"])
        self.post("change-workpiece", figure.pk, remove="yes")
        self.assertFalse(Workpiece.objects.exists())

    def test_an_empty_figure_says_what_to_do_and_keeps_nothing(self):
        figure = self.cut()
        self.assertContains(self.see("photographed", figure.pk, step="keep"), "Nothing is given to an area yet")
        self.give(figure, {"torso.tunic": PARTS["torso.tunic"]})
        self.see("photographed", figure.pk, step="keep")
        work_done()
        self.assertContains(self.see("photographed", figure.pk, step="keep"), "has no base to scale it by")

    def test_anothers_is_not_found(self):
        figure = self.cut()
        for name in ("figure-photograph", "figure-pieces", "figure-graph"):
            self.assert_hidden(name, figure.pk, "front")
        for name in ("give-pieces", "mend-outline"):
            self.assert_hidden(name, figure.pk, "front", post=True)
        for name in ("keep-photographed", "change-workpiece", "add-photograph"):
            self.assert_hidden(name, figure.pk, post=True)
        for name, *more in (("photographed", figure.pk), ("photographs",), ("name-area",)):
            self.assert_hidden(name, *more)
        self.see("photographed", figure.pk + 1, status=404)
        self.see("figure-pieces", figure.pk, "back", status=404)
