"""Own paints, shelves from files, what costs, what runs out, and what is taken for another."""

import json

from django.core.files.uploadedfile import SimpleUploadedFile
from django.urls import reverse

from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.shelf.models import OwnedPaint, OwnPaint
from mantello.workspace.editing import create_army
from mantello_core.paints.range import paint
from mantello_core.paints.stock import Stock
from mantello_reader.instrument import Instrument
from tests.reader.test_reader import serving
from tests.rooms.case import RoomCase

GOOD = {
    "name": "Stall rose",
    "kind": "acrylic",
    "finish": "matt",
    "volume": "17",
    "swatch": "#c04a6a",
    "opacity": "opaque",
}


class Adding(RoomCase):
    def test_a_swatch_is_enough_and_it_is_on_the_shelf(self):
        answer = self.post("add-paint", **GOOD)
        (pot,) = OwnPaint.objects.of(self.owner)
        self.assertEqual((pot.name, OwnedPaint.objects.stocked(self.owner)), ("Stall rose", {pot.id}))
        page = self.client.get(answer.url)
        self.assertContains(page, "Own paints")
        self.assertContains(page, "Take it off my paints")

    def test_what_follows_is_shown_before_it_is_kept(self):
        page = self.post("add-paint", status=200, preview="", **GOOD | {"name": "Roof Slatt", "swatch": "50 0 0"})
        self.assertContains(page, "Mixes with it will be off by about")
        self.assertContains(page, "Roof Slate")
        self.assertEqual(OwnPaint.objects.count(), 0)

    def test_nonsense_is_told_and_what_was_typed_stays(self):
        page = self.post("add-paint", status=422, **GOOD | {"swatch": "purple", "volume": "-1"})
        self.assertEqual(set(page.context["form"].errors), {"swatch", "volume"})
        self.assertContains(page, "Stall rose", status_code=422)
        page = self.post("add-paint", status=422, **GOOD | {"swatch": ""})
        self.assertIn("Nothing tells its colour", page.context["form"].errors["swatch"][0])
        self.assertEqual(OwnPaint.objects.count(), 0)

    def test_it_can_be_used_in_recipes_matches_and_is_remembered_by_the_document(self):
        self.post("add-paint", **GOOD)
        (pot,) = OwnPaint.objects.of(self.owner)
        step = self.now().scheme.role("field").recipe().steps[0]
        self.post("keep-step", "field", "rank", step=step.id, kind="base", paint1=pot.id, parts1="1", diluent="neat")
        self.assertContains(self.see("recipe", "field"), "Stall rose")
        self.assertContains(self.see("match", wanted="", colour="#c04a6a"), "Stall rose")
        for page in ("scheme", "rules"):
            self.assertContains(self.see(page), f'<option value="{pot.id}">Stall rose</option>')
        self.post("new-role", name="Sash", paint=pot.id)
        self.assertEqual(self.now().scheme.role("sash").recipe().steps[0].mix.paints, (pot,))
        self.post("tone", like="sash", name="Rose field", paint=pot.id, parts="1")
        self.assertIn(pot, self.now().scheme.role("rose-field").recipe().steps[0].mix.paints)
        self.post("forget-paint", pot.id)
        self.assertEqual(OwnPaint.objects.count(), 0)
        self.assertContains(self.see("recipe", "field"), "Stall rose")

    def test_another_account_has_its_own(self):
        self.post("add-paint", **GOOD)
        self.assertEqual(OwnPaint.objects.of(self.other), ())
        self.assert_hidden("add-paint")
        self.assert_hidden("forget-paint", "own-1", post=True)
        self.post("forget-paint", "own-1")
        self.assertEqual(OwnPaint.objects.count(), 1)


class WithAReader(RoomCase):
    def test_a_press_reads_into_its_field_and_keeps_the_rest(self):
        with serving(Instrument(2, 0.0, False)):
            self.assertContains(self.see("add-paint"), "Simulated reader is connected")
            page = self.post("add-paint", status=200, **GOOD | {"swatch": "", "sample": "market-rose", "read-tint": ""})
            self.assertContains(page, "Stall rose")
            value = page.context["form"]["tint"].value()
            self.assertEqual(len(value.split()), 3)
            self.post("add-paint", **GOOD | {"tint": value})
        (pot,) = OwnPaint.objects.of(self.owner)
        self.assertIn("tint", {one.kind for one in pot.said.readings})

    def test_what_the_instrument_says_is_told_at_the_field(self):
        with serving(Instrument(2, 0.0, False)):
            page = self.post("add-paint", status=200, **GOOD | {"sample": "nothing", "read-swatch": ""})
        self.assertIn("to read", page.context["form"].errors["swatch"][0])
        self.assertContains(page, "Stall rose")

    def test_without_one_the_page_says_so(self):
        with self.settings(MANTELLO_READER=""):
            self.assertContains(self.see("add-paint"), "No colour reader is connected")


class Files(RoomCase):
    def send(self, text: str, status=302, **more):
        answer = self.post("read-shelf", status=status, file=SimpleUploadedFile("shelf", text.encode()), **more)
        if status != 302:
            return answer
        self.assertContains(self.client.get(answer.url), "Taking the paints in")
        for job in Job.objects.going_on():
            carry_out(job)
        return self.client.get(answer.url)

    def test_the_shelf_goes_out_as_json_and_comes_back(self):
        self.post("add-paint", **GOOD)
        OwnedPaint.objects.keep(self.owner, {"salt-linen": Stock(0.5, 2.8, "thick", True)})
        before, own = OwnedPaint.objects.of(self.owner), OwnPaint.objects.of(self.owner)
        text = self.see("shelf-document").content.decode()
        OwnedPaint.objects.all().delete()
        OwnPaint.objects.all().delete()
        self.send(text)
        self.assertEqual((OwnedPaint.objects.of(self.owner), OwnPaint.objects.of(self.owner)), (before, own))

    def test_a_palette_puts_known_names_on_the_shelf_and_adds_the_rest(self):
        self.send("GIMP Palette\n 1 2 3\tSalt Linen\n192 74 106\tMarket rose\n", opacity="opaque")
        self.assertEqual(OwnedPaint.objects.of(self.owner)["salt-linen"], Stock(1.0))
        self.assertEqual([pot.name for pot in OwnPaint.objects.of(self.owner)], ["Market rose"])

    def test_lines_that_are_no_colour_are_told_on_the_page_and_only_to_their_painter(self):
        page = self.send("GIMP Palette\nName: Quay\n# mixed in spring\n192 74 106\tMarket rose\n", opacity="opaque")
        self.assertContains(page, "# mixed in spring")
        self.assertContains(page, "1 paint taken in, 1 of them your own")
        self.assertEqual([one.note for one in OwnedPaint.objects.of(self.owner).values()], ["From the palette Quay"])
        job = Job.objects.get(kind="paints-taken")
        self.assertContains(self.see("paints", taking="x"), "Shopping list")
        self.client.force_login(self.other)
        self.assertEqual(self.client.get(reverse("watch-job", args=[job.pk])).status_code, 404)

    def test_estimates_are_kept_with_the_paint_and_made_anew_when_they_are_of_an_older_way(self):
        self.send("GIMP Palette\n192 74 106\tMarket rose\n", opacity="opaque")
        (pot,) = OwnPaint.objects.of(self.owner)
        row = OwnPaint.objects.get()
        self.assertEqual(tuple(map(tuple, row.optics[1])), pot.optics)
        OwnPaint.objects.update(optics=[0, [[1.0] * 16, [1.0] * 16]])
        self.assertEqual(OwnPaint.objects.of(self.owner)[0].optics, pot.optics)
        OwnPaint.objects.update(optics=[1, [[1.0] * 16, [1.0] * 16]])
        self.assertEqual(OwnPaint.objects.of(self.owner)[0].optics[0], (1.0,) * 16)

    def test_a_wrong_file_changes_nothing_and_says_where(self):
        document = {"format": "mantello-shelf", "version": 1, "shelf": [{"paint": "salt-lime", "pots": 1}]}
        page = self.send(json.dumps(document), status=422)
        self.assertIn("/shelf/0/paint", page.context["file_form"].errors["file"][0])
        self.send("GIMP Palette\n", status=422)
        self.send("{", status=422)
        self.assertEqual(OwnedPaint.objects.count(), 0)


class Alerts(RoomCase):
    def test_what_a_pot_is_taken_for_is_said_on_it(self):
        page = self.see("paints", pot="roof-slate")
        self.assertContains(page, "Easily taken for")
        self.assertContains(page, "Roof Slade")
        self.assertContains(self.see("paints", pot="brush-varnish-matt"), "dries satin")

    def test_a_discontinued_paint_that_runs_short_names_the_units_to_change_at(self):
        used = self.now().scheme.role("field").recipe().steps[0].mix.paints[0].id
        self.post("keep-stock", used, pots="0.001", price="", note="", discontinued="on")
        self.assertTrue(OwnedPaint.objects.of(self.owner)[used].discontinued)
        page = self.see("paints")
        (one,) = page.context["shortages"]
        self.assertEqual(one.paint.id, used)
        self.assertContains(page, "Will not go round")
        self.assertContains(page, "no longer made")

    def test_tools_are_on_the_list(self):
        self.assertContains(self.see("paints"), "Painting sticks")


class Costs(RoomCase):
    def test_units_and_figures_cost_and_unknown_prices_are_named(self):
        used = self.now().scheme.role("field").recipe().steps[0].mix.paints[0].id
        OwnedPaint.objects.keep(self.owner, {used: Stock(1.0, 3.4)})
        page = self.see("costs")
        rows, whole = page.context["rows"], page.context["whole"]
        self.assertAlmostEqual(sum(row.cost.money for row in rows), whole.money)
        self.assertGreater(whole.money, 0)
        self.assertNotIn(used, whole.unknown)
        self.assertContains(page, paint(whole.unknown[0]).name)

    def test_an_empty_army_and_others(self):
        empty = create_army(self.owner, "Empty")
        self.assertContains(self.client.get(reverse("costs", args=[empty.pk])), "Nothing to cost yet")
        self.assertContains(self.client.get(reverse("paints", args=[empty.pk])), "Nothing yet")
        self.assert_hidden("costs")
        self.assert_hidden("shelf-document")
