"""Figure types: the wall, the maker, a drawing taken in; nobody sees another's."""

import re
from contextlib import suppress
from functools import cache
from unittest.mock import patch

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse
from procrastinate.contrib.django.models import ProcrastinateJob

from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.rooms.army import drawn_types
from mantello.workspace.editing import edit
from mantello.workspace.models import Army, Drawing
from mantello.workspace.readings import reading_of
from mantello_core.design.figure_types import own_of
from mantello_core.design.locking import with_lock
from mantello_core.errors import MantelloError
from mantello_core.figures.kit import usual_making
from mantello_core.figures.own import made_type
from tests.core.formats.test_own_types import FIGURE
from tests.rooms.case import RoomCase

SVG = FIGURE.encode()
GUN = {"kit": "gun", "chosen": "yes", "body": "vehicle"} | dict(usual_making("gun").parts)


class FigureTypes(RoomCase):
    """Figures put together alike are drawn once for all of these tests, which ask what becomes of a drawing."""

    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.enterClassContext(patch.object(drawn_types, "made_type", cache(made_type)))

    def make(self, title="Long gun", status=302, **more):
        answer = self.post("make-type", status=status, title=title, **(GUN | more))
        self.carried_out()
        return answer

    def drawn(self, answer) -> str:
        """The card on the wall that a post led to."""
        page = self.client.get(answer["Location"]).content.decode()
        return re.search(r'<div class="search type-drawn".*?</div>', page, re.S)[0]

    def test_a_worker_draws_it_while_the_wall_says_so(self):
        answer = self.post("make-type", title="Long gun", **GUN)
        waiting = self.drawn(answer)
        self.assertIn("waiting for a free worker", waiting)
        self.assertIn('data-behaviour="poll"', waiting)
        self.assertEqual(self.now().army.types, ())
        self.post("add-unit", unit="Watch", type="fusilier", rank="Guard", figures="2", formation="", tier="rank")
        self.carried_out()
        self.assertIn("Long gun hangs on the wall", self.drawn(answer))
        self.assertContains(self.see("army"), "Watch")
        self.assertEqual(Army.objects.get(pk=self.army.pk).head.words, f"Long gun made from {len(GUN) - 3} parts")
        self.post("undo")
        self.assertEqual(self.now().army.types, ())

    def test_one_that_is_stopped_or_loses_its_title_is_told_with_the_way_back(self):
        answer = self.post("make-type", title="Long gun", **GUN)
        self.client.post(reverse("stop-job", args=[Job.objects.get().pk]))
        self.carried_out()
        self.assertIn("was stopped and is not kept", self.drawn(answer))
        self.assertEqual(self.now().army.types, ())
        answer = self.post("make-type", title="Long gun", **GUN)
        self.post(
            "take-drawing",
            title="Long gun",
            height_mm="30",
            file=SimpleUploadedFile("f.svg", SVG),
            **{"skip-front-4": "yes"},
        )
        later, sooner = Job.objects.going_on().order_by("-pk")
        carry_out(later)
        with self.assertRaises(MantelloError):
            carry_out(sooner)
        said = self.drawn(answer)
        self.assertIn("called &#x27;Long gun&#x27; already", said)
        back = re.search(r'href="([^"]+)">Back to the choice', said)[1].replace("&amp;", "&")
        page = self.client.get(back)
        self.assertContains(page, 'value="gun.barrel" checked')
        self.assertContains(page, 'value="Long gun"')

    def test_every_shipped_type_hangs_on_the_wall(self):
        answer = self.see("figure-types")
        for title in ("Tidewall fusilier", "Quay gun", "Lagoon lighter"):
            self.assertContains(answer, title)
        picture = self.client.get(reverse("type-picture", args=[self.army.pk, "fusilier"]))
        self.assertEqual(picture["Content-Type"], "image/svg+xml")
        self.see("type-picture", "own-none", status=404)

    def test_the_maker_shows_what_is_chosen_before_anything_is_kept(self):
        answer = self.see("make-type", kit="foot", chosen="yes", body="tall", head="head.hood", torso="torso.jerkin")
        self.assertContains(answer, "Nothing is chosen for")
        answer = self.see("make-type")
        self.assertContains(answer, 'data-area="weapon.barrel"')
        self.assertEqual(len(self.now().army.types), 0)
        self.assertContains(self.see("make-type", kit="mounted"), 'data-area="mount.body"')

    def test_a_type_that_is_kept_can_be_worn_and_goes_through_export_and_import(self):
        self.make()
        own = own_of(self.now().army, "own-long-gun")
        self.assertEqual(own.making, usual_making("gun"))
        self.assertEqual(Drawing.objects.count(), 1)
        ahead = ProcrastinateJob.objects.get(task_name="workspace.surface")
        self.assertEqual(ahead.args, {"named": own.digest})
        self.post("add-unit", unit="Battery", type=own.id, rank="Gun", figures="2", formation="", tier="rank")
        self.assertContains(self.see("army"), "Battery")
        self.assertContains(self.see("roster"), "own-long-gun")
        self.assertEqual(self.see("figure", "left", unit="battery", rank="gun", figure="1").status_code, 200)
        data = self.see("export-design").content
        Drawing.objects.all().delete()
        self.client.post(reverse("import-army"), {"file": SimpleUploadedFile("d.json", data)})
        copy = Army.objects.latest("pk")
        self.assertEqual(reading_of(copy.head).design, self.now())
        self.assertEqual(Drawing.objects.count(), 1)

    def test_editions_do_not_carry_the_drawing(self):
        self.make()
        document = Army.objects.get(pk=self.army.pk).head.document
        self.assertNotIn("drawings", document)
        self.assertEqual(document["army"]["types"][0]["id"], "own-long-gun")

    def test_what_is_wrong_with_the_choice_or_the_name_comes_back_with_the_choice(self):
        answer = self.make(title="", status=422)
        self.assertContains(answer, "Nothing is written here", status_code=422)
        self.assertContains(answer, 'value="gun.barrel" checked', status_code=422)
        self.assertContains(
            self.make(title="Quay gun", status=422), "called &#x27;Quay gun&#x27; already", status_code=422
        )
        self.make(wheels="", status=422)
        self.assertEqual(len(self.now().army.types), 0)

    def test_parts_are_changed_and_the_figures_follow(self):
        self.post(
            "make-type", title="Skiff", kit="hull", chosen="yes", body="vehicle", hull="punt.hull", top="boat.mast"
        )
        self.carried_out()
        self.assertIn("vehicle.mast", self.now().army.plate("own-skiff").areas)
        self.assertContains(self.see("make-type", type="own-skiff"), 'value="boat.mast" checked')
        self.post(
            "make-type", type="own-skiff", title="Skiff", kit="hull", chosen="yes", body="vehicle", hull="punt.hull"
        )
        self.carried_out()
        self.assertNotIn("vehicle.mast", self.now().army.plate("own-skiff").areas)
        self.assertEqual(len(self.now().army.types), 1)

    def test_a_locked_unit_keeps_its_figures(self):
        hull = {"kit": "hull", "chosen": "yes", "body": "vehicle", "hull": "punt.hull"}
        self.post("make-type", title="Skiff", top="boat.mast", **hull)
        self.carried_out()
        self.post("add-unit", unit="Boats", type="own-skiff", rank="Skiff", figures="1", formation="", tier="rank")
        head = Army.objects.select_related("head").get(pk=self.army.pk).head
        edit(self.army, head.number, lambda design: with_lock(design, "boats"), "Boats locked")
        answer = self.post("make-type", type="own-skiff", title="Skiff", **hull)
        self.carried_out()
        self.assertIn("painted and locked", self.drawn(answer))
        self.assertIn("type=own-skiff", self.drawn(answer))
        self.assertIn("vehicle.mast", self.now().army.plate("own-skiff").areas)

    def test_a_page_older_than_the_work_draws_nothing_anew(self):
        self.make()
        older = self.base()
        self.post("change-type", "own-long-gun", title="Culverin")
        self.post("make-type", status=409, base=older, type="own-long-gun", title="Long gun", **GUN)
        self.assertFalse(Job.objects.going_on().exists())
        self.assertEqual(self.now().army.types[0].title, "Culverin")

    def test_what_is_drawn_anew_just_so_makes_no_edition(self):
        self.make()
        head = Army.objects.get(pk=self.army.pk).head_id
        answer = self.make(type="own-long-gun")
        self.assertIn("drawn just so", self.drawn(answer))
        self.assertEqual(Army.objects.get(pk=self.army.pk).head_id, head)

    def test_it_is_renamed_and_removed_unless_it_is_worn(self):
        self.make()
        self.post("change-type", "own-long-gun", title="Culverin")
        self.assertEqual(self.now().army.types[0].title, "Culverin")
        self.post("change-type", "own-long-gun", title="Quay gun", status=422)
        self.post("add-unit", unit="Battery", type="own-long-gun", rank="Gun", figures="1", formation="", tier="rank")
        self.post("change-type", "own-long-gun", remove="yes")
        self.assertContains(self.see("figure-types"), "still drawn for Battery")
        self.post("remove-node", "battery")
        self.post("change-type", "own-long-gun", remove="yes")
        self.assertEqual(self.now().army.types, ())
        self.post("change-type", "own-none", title="X", status=404)

    def test_parts_and_template_are_pictures_for_anyone(self):
        for name, arguments, signed in (("part-picture", ["head.hood"], False), ("drawing-template", [], True)):
            self.assertEqual(self.client.get(reverse(name, args=arguments))["Content-Type"], "image/svg+xml", name)
            self.assertTrue(signed or not name.startswith("drawing"))
        self.assertEqual(self.client.get(reverse("part-picture", args=["head.crown"])).status_code, 404)

    def test_anothers_types_are_not_found(self):
        for name, arguments, post in (
            ("figure-types", [], False),
            ("make-type", [], False),
            ("make-type", [], True),
            ("take-drawing", [], True),
            ("change-type", ["own-x"], True),
            ("type-picture", ["fusilier"], False),
        ):
            self.assert_hidden(name, *arguments, post=post)


class Drawings(RoomCase):
    def take(self, data: bytes | None = SVG, status=422, **more):
        sent = {"title": "Tide walker", "height_mm": "30"} | more
        if data is not None:
            sent["file"] = SimpleUploadedFile("figure.svg", data)
        answer = self.post("take-drawing", status=status, **sent)
        self.carried_out()
        return answer

    def kept(self, answer) -> str:
        return re.search(r'name="kept" value="([^"]+)"', answer.content.decode())[1]

    def test_shapes_without_a_name_are_asked_for_and_the_file_goes_along(self):
        answer = self.take()
        self.assertContains(answer, "1 without a name", status_code=422)
        self.assertContains(answer, 'name="name-front-4"', status_code=422)
        again = self.take(None, kept=self.kept(answer), **{"name-front-4": "gibberish"})
        self.assertContains(again, "no area called", status_code=422)
        self.assertContains(again, 'value="gibberish"', status_code=422)
        self.take(None, status=302, kept=self.kept(again), **{"name-front-4": "torso.vest", "mat-front-4": "fur"})
        areas = self.now().army.plate("own-tide-walker").areas
        self.assertEqual(areas["torso.vest"].material, "fur")
        self.assertAlmostEqual(areas["base.rim"].mm2, 80 * 20 * (30 / 200) ** 2, delta=0.5)

    def test_one_that_could_not_be_measured_leads_back_to_its_names(self):
        given = {"title": "Tide walker", "height_mm": "30"}
        answer = self.post(
            "take-drawing", file=SimpleUploadedFile("f.svg", SVG), **given, **{"name-front-4": "torso.vest"}
        )
        self.post("take-drawing", file=SimpleUploadedFile("f.svg", SVG), **given, **{"skip-front-4": "yes"})
        for job in Job.objects.going_on().order_by("-pk"):
            with suppress(MantelloError):
                carry_out(job)
        page = self.client.get(answer["Location"])
        self.assertContains(page, "already")
        sent = dict(
            re.findall(
                r'<input type="hidden" name="((?:name|mat|skip|kept|title|height)[^"]*)" value="([^"]*)"',
                page.content.decode(),
            )
        )
        again = self.post("take-drawing", status=422, look="yes", **sent)
        self.assertContains(again, 'value="torso.vest"', status_code=422)

    def test_shapes_can_be_left_out(self):
        self.take(status=302, **{"skip-front-4": "yes"})
        self.assertEqual(len(self.now().army.plate("own-tide-walker").areas), 4)

    def test_hostile_and_broken_files_come_back_at_their_field(self):
        for data, said in (
            (b"<svg><script/></svg>", "&lt;script&gt;"),
            (b"\x89PNG", "not well-formed"),
            (None, "No file came"),
        ):
            answer = self.take(data)
            self.assertContains(answer, said, status_code=422)
            self.assertContains(answer, 'value="Tide walker"', status_code=422)
        self.assertContains(self.take(height_mm="900"), "Write 2 to 400 mm", status_code=422)
        self.assertContains(self.take(None, kept="%%%"), "No file came", status_code=422)
        self.assertEqual(self.now().army.types, ())

    def test_the_template_can_be_taken_in_as_it_is(self):
        template = self.client.get(reverse("drawing-template")).content
        self.take(template, status=302)
        self.assertGreater(len(self.now().army.plate("own-tide-walker").areas), 60)
