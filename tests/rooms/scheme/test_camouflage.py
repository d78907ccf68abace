"""Camouflage in its room: laid, seen on every figure, laid out otherwise, measured, refused at its field."""

import html
import io
import re
import subprocess
from dataclasses import replace

import numpy as np
from django.urls import reverse
from django.utils import timezone
from PIL import Image

from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.rooms.plan.evening import Evening
from mantello.rooms.plan.handling import Handling
from mantello.rooms.scheme.camouflage_checks import CHECKED
from mantello.workspace.editing import keep_design
from mantello_core.design.camouflaged import layout_seed
from mantello_core.design.pattern_edit import with_changed
from mantello_core.formats.sample import levy
from tests.rooms.case import RoomCase

FORM = {
    "pattern": "new", "name": "Estuary", "family": "blotch", "tool": "airbrush", "size": "42", "feather": "", "turn": "18", "stretch": "1.5",
    "rough": "50", "clear": "0.8", "seed": "5", "lighten": "on", "ink-0": "hullpale", "share-0": "50", "ink-1": "hull", "share-1": "30",
    "ink-2": "blacking", "share-2": "20", "scope": "punt-car-troop", "type": "puntcar", "select": "#camo",
}  # fmt: skip
CAR = "punt-cars|punt-car|2"


def sources(answer):
    """The addresses of the pictures of a part of a page."""
    return [html.unescape(one) for one in re.findall(r'<img [^>]*src="([^"]+)"', answer.content.decode())]


def _with(node, changed):
    """A tree with one of its nodes changed."""
    if node.id == changed.id:
        return changed
    return replace(node, children=tuple(_with(one, changed) for one in node.children))


class Camouflage(RoomCase):
    @staticmethod
    def design():
        return levy()

    def lay(self, **changed):
        answer = self.post("keep-pattern", **FORM | changed)
        self.assertIn("?pattern=", answer.url)
        return self.now().scheme.patterns[-1]

    def test_an_army_without_patterns_is_offered_some_to_start_from(self):
        page = self.see("camouflage")
        for words in ("Soft blotches", "Hanging strokes", "Lay it"):
            self.assertContains(page, words)
        self.assertContains(self.see("camouflage", pattern="new", start="1"), 'value="Sharp shards"')

    def test_laid_it_is_seen_on_every_car_and_each_has_its_own(self):
        pattern = self.lay()
        self.assertEqual(
            [(ink.role, round(ink.share, 2)) for ink in pattern.inks],
            [("hullpale", 0.5), ("hull", 0.3), ("blacking", 0.2)],
        )
        page = self.see("camouflage", pattern=pattern.id, figure=CAR)
        self.assertContains(page, "Punt-car 2")
        self.assertEqual(len(page.context["fleet"]), 4)
        pictures = [self.client.get(src).content for _, _, src in page.context["fleet"]]
        self.assertEqual(len(set(pictures)), 4)
        self.assertTrue(all(b'class="camo"' in picture for picture in pictures))
        for name, src in page.context["views"]:
            self.assertIn(b"<feGaussianBlur", self.client.get(src).content, name)
        stage = self.see("scheme", unit="punt-cars", rank="punt-car", figure="2").content.decode()
        self.assertEqual(stage.count('class="camo"'), 3)

    def test_its_measures_fill_in(self):
        pattern = self.lay()
        page = self.filled("camouflage", pattern=pattern.id, figure=CAR)
        for words in ("50.0 %", "runs on at", "mm on the model", "from the ground of the bases", "nearest is Punt-car"):
            self.assertContains(page, words)
        self.assertNotContains(page, 'data-behaviour="poll"')
        self.assertNotContains(page, "laid out much like")
        seed = self.see("camouflage", pattern=pattern.id, figure=CAR).context["seed"]
        self.post("change-pattern", pattern.id, figure="punt-cars|punt-car|4", seed=str(seed))
        page = self.filled("camouflage", pattern=pattern.id, figure=CAR)
        self.assertContains(page, "It is laid out much like Punt-car 4.")
        Job.objects.all().delete()
        self.see("camouflage", pattern=pattern.id, figure=CAR)
        job = Job.objects.get()
        job.state = Job.State.FAILED
        job.save()
        self.assertContains(self.see("camouflage", pattern=pattern.id, figure=CAR), "No answer came of it")
        self.see("camouflage", pattern=pattern.id, figure=CAR, again="")
        for one in Job.objects.going_on():
            carry_out(one)
        self.assertContains(self.see("camouflage", pattern=pattern.id, figure=CAR), "runs on at")

    def test_it_is_seen_on_a_model_before_it_is_kept(self):
        page = self.see("camouflage", pattern="new", start="4")
        for _, _, address in page.context["starts"]:
            picture = self.client.get(address)
            self.assertIn(b'class="camo"', picture.content, address)
        said = {name: value for name, value in FORM.items() if name != "pattern"}
        stage = self.see("try-pattern", **said | {"figure": CAR})
        rough = self.see("try-pattern-view", "first", **said | {"figure": CAR, "glance": "yes"}).content
        fine = self.client.get(sources(stage)[0]).content
        self.assertEqual(rough.count(b'class="camo"'), fine.count(b'class="camo"'))
        self.assertLess(len(rough), len(fine))
        self.assertContains(stage, "Punt-car 2 as it would be; nothing is kept yet.")
        pictures = [self.client.get(src).content for src in sources(stage)]
        self.assertEqual(len(pictures), 3)
        other = self.client.get(sources(self.see("try-pattern", **said | {"figure": CAR, "family": "splinter"}))[0])
        self.assertNotEqual(pictures[0], other.content)
        self.assertEqual(self.now().scheme.patterns, ())
        laid = self.lay()
        kept = self.see("camouflage", pattern=laid.id, figure=CAR).context["views"]
        self.assertEqual([self.client.get(src).content for _, src in kept], pictures)

    def test_it_is_among_the_checks_once_it_is_measured_and_mended_there(self):
        self.assertNotContains(self.see("checks"), "measured figure by figure")
        self.lay()
        waiting = self.see("checks")
        self.assertContains(waiting, 'id="camouflage"')
        self.assertContains(waiting, "measured figure by figure")
        job = Job.objects.get(kind=CHECKED)
        carry_out(job)
        job.refresh_from_db()
        self.assertEqual((job.state, job.result["figures"]), (Job.State.DONE, 4))
        told = {
            "pattern": "estuary", "unit": "punt-cars", "rank": "punt-car", "ordinal": 2, "words": "Its sides are alike by 40 %.",
            "cause": "Its sides are alike", "better": 4711,
        }  # fmt: skip
        Job.objects.filter(pk=job.pk).update(result={"figures": 4, "told": [told]})
        page = self.see("checks")
        self.assertContains(page, "Estuary: its sides are alike")
        given = {"check": "camouflage", "card": "Estuary: its sides are alike"}
        opened = self.see("checks", **given)
        self.assertContains(opened, "Lay Punt-car 2 out otherwise.")
        now, after = opened.context["fix_pictures"]
        pictures = [self.client.get(src).content for src in (now, after)]
        self.assertTrue(all(one.startswith(b"<svg") for one in pictures))
        self.assertNotEqual(*pictures)
        self.post("accept", note="As in the photograph", **given)
        self.assertContains(self.see("checks"), "As in the photograph")
        self.post("accept", do="withdraw", check="camouflage", finding=f"estuary|{CAR}|Its sides are alike")
        self.post("fix", **given)
        self.assertEqual(self.now().scheme.patterns[0].layouts, (("punt-cars", "punt-car", 2, 4711),))

    def test_a_figure_laid_out_like_one_of_another_rank_is_told_by_that_ones_own_name(self):
        self.lay()
        design = self.now()
        pinned = (("punt-cars", "punt-car", 2, 7), ("punt-cars", "scout", 1, 7))
        cars = design.army.node("punt-cars")
        ranks = (replace(cars.ranks[0], figures=2), replace(cars.ranks[0], id="scout", name="Scout", figures=1))
        design = with_changed(design, replace(design.scheme.patterns[0], layouts=pinned))
        root = _with(design.army.root, replace(cars, ranks=ranks))
        self.army = keep_design(self.owner, replace(design, army=replace(design.army, root=root)), "Two ranks of cars")
        self.see("checks")
        job = Job.objects.filter(kind=CHECKED).latest("pk")
        carry_out(job)
        job.refresh_from_db()
        alike = [one for one in job.result["told"] if one["cause"] == "Laid out much like another"]
        self.assertEqual(
            [(one["rank"], one["words"]) for one in alike], [("scout", "It is laid out much like Punt-car 2.")]
        )

    def test_pictures_of_a_fix_are_nobody_elses_and_only_where_there_is_one(self):
        self.see("fixed-figure", check="neighbours", card="nothing of the kind", status=404)
        self.assert_hidden("fixed-figure")

    def test_a_cell_of_a_table_holds_it(self):
        laid = self.lay()
        self.post("new-table", name="Dazzle", key="unit")
        table = self.now().scheme.tables[-1].id
        self.post("set-column", table, name="Hull", select="#camo")
        self.assertContains(self.see("rules"), f'<option value="pattern:{laid.id}">')
        unit, column = CAR.split("|")[0], self.now().scheme.tables[-1].columns[0].id
        self.post("set-cell", table, row=unit, column=column, role=f"pattern:{laid.id}")
        self.assertEqual(self.now().scheme.tables[-1].cells, ((unit, column, "", laid.id),))
        page = self.see("rules")
        self.assertContains(page, f'<option value="pattern:{laid.id}" selected>')
        self.assertContains(page, f'role="img" aria-label="{laid.name}"')
        self.post("set-cell", table, row=unit, column=column, role="bare")
        self.assertContains(self.see("rules"), '<option value="bare" selected>')
        self.post("set-cell", table, row=unit, column=column, role="pattern:gone", status=422)

    def test_what_cannot_be_laid_has_no_picture(self):
        said = {name: value for name, value in FORM.items() if name != "pattern"}
        for changed in ({"share-0": "60"}, {"select": "cloak"}, {"family": "tartan"}, {"size": ""}):
            self.see("try-pattern", status=422, **said | changed)
            self.see("try-pattern-view", "left", status=404, **said | changed)
        self.see("try-pattern-view", "below", status=404, **said)
        self.client.force_login(self.other)
        self.see("try-pattern", status=404, **said)

    def test_one_car_is_laid_out_otherwise_and_back(self):
        pattern = self.lay()
        other = self.see("camouflage", pattern=pattern.id, figure=CAR).context["others"][0]
        before = self.client.get(self.see("camouflage", pattern=pattern.id, figure=CAR).context["views"][0][1]).content
        offered = self.client.get(other[1]).content
        self.assertNotEqual(before, offered)
        self.post("change-pattern", pattern.id, figure=CAR, seed=str(other[0]))
        pattern = self.now().scheme.pattern(pattern.id)
        self.assertEqual(layout_seed(pattern, "punt-cars", "punt-car", 2), other[0])
        page = self.see("camouflage", pattern=pattern.id, figure=CAR)
        self.assertContains(page, ", kept")
        self.assertEqual(self.client.get(page.context["views"][0][1]).content, offered)
        self.post("change-pattern", pattern.id, figure=CAR)
        self.assertEqual(self.now().scheme.pattern(pattern.id).layouts, ())

    def test_whitewash_lies_over_it_and_can_be_taken_off(self):
        pattern = self.lay(over="plume", cover="60", late="on")
        self.assertEqual([(one.role, one.cover, one.late) for one in pattern.overlays], [("plume", 0.6, True)])
        page = self.see("camouflage", pattern=pattern.id, figure=CAR)
        self.assertContains(page, '<option value="plume" selected>', count=1)
        picture = self.client.get(page.context["views"][0][1]).content
        self.assertEqual(picture.count(b'class="camo"'), 2)
        self.post("keep-pattern", **FORM | {"pattern": pattern.id, "over": "plume", "cover": "30"})
        self.assertEqual([(one.cover, one.late) for one in self.now().scheme.patterns[0].overlays], [(0.3, False)])
        self.post("keep-pattern", **FORM | {"pattern": pattern.id, "over": "plume", "cover": "60", "months": "2.5"})
        self.assertEqual([one.left for one in self.now().scheme.patterns[0].overlays], [0.3])
        self.assertContains(
            self.post("keep-pattern", status=422, **FORM | {"over": "plume", "cover": "60", "months": "99"}),
            "Write 0 to 24 months.",
            status_code=422,
        )
        self.assertContains(
            self.post("keep-pattern", status=422, **FORM | {"over": "plume", "cover": "100"}),
            "Write 2 to 98 %.",
            status_code=422,
        )
        self.post("keep-pattern", **FORM | {"pattern": pattern.id, "over": ""})
        self.assertEqual(self.now().scheme.patterns[0].overlays, ())

    def test_its_inks_are_put_in_the_order_of_a_school(self):
        pattern = self.lay()
        page = self.filled("camouflage", pattern=pattern.id, figure=CAR)
        self.assertContains(page, "Laying it on one")
        self.assertEqual([name for name, _, _ in page.context["laid"]], ["Hull sand", "Hull green", "Blacking"])
        answer = self.post("change-pattern", pattern.id, order="dark", figure=CAR)
        self.assertIn("pattern=estuary", answer.url)
        self.assertEqual([ink.role for ink in self.now().scheme.patterns[0].inks], ["blacking", "hull", "hullpale"])
        self.assertEqual([ink.share for ink in self.now().scheme.patterns[0].inks], [0.2, 0.3, 0.5])

    def test_changed_and_taken_away(self):
        pattern = self.lay()
        self.post(
            "keep-pattern",
            **FORM | {"pattern": pattern.id, "name": "Delta", "family": "splinter", "tool": "mask", "select": "#camo"},
        )
        self.assertEqual(
            [(one.id, one.name, one.family) for one in self.now().scheme.patterns], [(pattern.id, "Delta", "splinter")]
        )
        self.assertContains(self.see("rules"), "in the pattern Delta")
        self.post("change-pattern", pattern.id, do="remove")
        self.assertEqual(self.now().scheme.patterns, ())
        self.post("change-pattern", pattern.id, do="remove", status=404)

    def test_nonsense_is_told_at_its_field_and_stays_typed(self):
        for name, value, told in (
            ("share-0", "60", "The shares add up to 110 %; they must make 100."), ("share-1", "", "Write 1 to 98 %."), ("share-2", "", "How much of it?"),
            ("ink-1", "", "Nothing is chosen here."), ("ink-2", "", "In which colour?"), ("size", "tiny", "Write 2 to 1000 cm."),
            ("rough", "300", "Write 0 to 100 %."), ("family", "tartan", "is none of the choices"), ("scope", "moon", "is none of the choices"),
            ("select", "cloak", "the pattern would lie on nobody"), ("name", "", "Nothing is written here."),
            ("ink-1", "hullpale", "One role is named for two inks"),
        ):  # fmt: skip
            with self.subTest(name=name, value=value):
                page = self.post("keep-pattern", status=422, **FORM | {name: value})
                self.assertContains(page, told, status_code=422)
                self.assertContains(page, "Estuary" if name != "name" else "hullpale", status_code=422)
        self.assertEqual(self.now().scheme.patterns, ())

    def test_what_is_not_there_is_a_404(self):
        pattern = self.lay()
        for query in (
            {"pattern": "reeds", "figure": CAR},
            {"pattern": pattern.id, "figure": "moon|a|1"},
            {"pattern": pattern.id, "figure": "2nd-lantern-line|fusilier|1"},
        ):
            self.assertEqual(
                self.client.get(reverse("camouflage-view", args=[self.army.pk, "left"]), query).status_code, 404, query
            )
        good = {"pattern": pattern.id, "figure": CAR}
        self.assertEqual(
            self.client.get(reverse("camouflage-view", args=[self.army.pk, "below"]), good).status_code, 404
        )
        self.client.force_login(self.other)
        for name in ("camouflage", "keep-pattern"):
            self.assertIn(self.client.get(reverse(name, args=[self.army.pk])).status_code, (404, 405), name)
        self.assertEqual(
            self.client.get(reverse("camouflage-view", args=[self.army.pk, "left"]), good).status_code, 404
        )

    def test_a_rule_written_by_hand_keeps_its_pattern(self):
        pattern = self.lay()
        rule = next(one for one in self.now().scheme.rules if one.pattern)
        self.assertContains(self.see("rules", edit=rule.id), f'value="pattern:{pattern.id}" selected')
        self.post(
            "keep-rule",
            rule=rule.id,
            scope=rule.scope,
            type="",
            rank="",
            tag="",
            which="",
            select="#camo",
            role=f"pattern:{pattern.id}",
        )
        self.assertEqual(next(one.pattern for one in self.now().scheme.rules if one.id == rule.id), pattern.id)

    def test_the_ladder_names_it(self):
        self.lay()
        page = self.see("scheme", unit="punt-cars", rank="punt-car", figure="2", area="vehicle.casemate.roof")
        self.assertContains(page, "Estuary")
        self.assertContains(page, "Its camouflage")
        self.assertContains(page, "Hull sand, Hull green, Blacking")

    def test_the_plan_lays_its_inks(self):
        self.lay()
        self.army.refresh_from_db()
        evening = Evening(self.army, timezone.now())
        names = {atom.name for task in evening.work.tasks for atom in task.atoms}
        self.assertLessEqual({"Estuary: Hull green", "Estuary: Blacking"}, names)

    def test_the_order_of_a_vehicle_shows_its_side_and_the_colours_of_its_inks(self):
        self.lay()
        page = self.see("order", of="punt-cars|punt-car")
        pictures = sources(page)
        self.assertTrue(pictures)
        for address in pictures:
            self.assertEqual(self.client.get(address).status_code, 200, address)
        rows = {row.node.name: row for band in page.context["order"].bands for row in band.rows}
        green, dark = rows["Estuary: Hull green"].colour, rows["Estuary: Blacking"].colour
        self.assertGreater(green.lightness, dark.lightness + 15)
        whole = self.see("army-order")
        self.assertContains(whole, "Estuary: Hull green")

    def test_the_desk_says_which_patches_its_lights_go_on(self):
        self.lay()
        self.army.refresh_from_db()
        evening = Evening(self.army, timezone.now())
        said = {
            atom.name: Handling(evening.reading, batch).hints
            for number in dict.fromkeys(one.session for one in evening.plan.blocks if one.task.unit == "punt-cars")
            for batch in evening.batches_of(number)
            for atom in batch.atoms[:1]
            if batch.block.task.unit == "punt-cars"
        }
        self.assertIn("Of Estuary only the patches of Hull sand", " ".join(said["Hull sand layer"]))
        self.assertNotIn("only the patches", " ".join(said["Hull sand base"] + said["Decking layer"]))

    def test_sheets_are_printed_at_true_size(self):
        pattern = self.lay(family="splinter", tool="mask")
        sheet = self.printed("camouflage-sheets", "pdf", pattern=pattern.id, figure=CAR, mirrored="yes").content
        told = subprocess.run(["pdfinfo", "-"], input=sheet, capture_output=True, check=True).stdout.decode()
        self.assertIn("Pages:           4", told)
        wide, tall = (float(one) for one in re.search(r"Page size:\s+([\d.]+) x ([\d.]+) pts", told).groups())
        self.assertAlmostEqual(wide / 72 * 25.4, 297, delta=0.1)
        self.assertAlmostEqual(tall / 72 * 25.4, 210, delta=0.1)
        picture = subprocess.run(
            ["pdftoppm", "-r", "508", "-f", "1", "-l", "1", "-gray", "-x", "4500", "-y", "180", "-W", "1440", "-H", "80", "-"],
            input=sheet, capture_output=True, check=True,
        ).stdout  # fmt: skip
        grey = np.array(Image.open(io.BytesIO(picture)))
        bar = np.nonzero(grey[60] < 128)[0]
        stroke = 0.25
        self.assertAlmostEqual((bar.max() - bar.min() + 1) / 20 - stroke, 50.0, delta=0.1)
        text = subprocess.run(["pdftotext", "-", "-"], input=sheet, capture_output=True, check=True).stdout.decode()
        for words in ("cover what stays Hull sand", "Turned over", "50 mm if printed at true size"):
            self.assertIn(words, text)
        drawing = self.made(
            reverse("camouflage-sheets", args=[self.army.pk, "svg"]), {"pattern": pattern.id, "figure": CAR}
        )
        self.assertEqual(drawing["Content-Type"], "image/svg+xml")
        self.assertEqual(drawing.content.count(b"data-bar"), 4)

    def test_sheets_of_what_is_not_there_are_a_404(self):
        pattern = self.lay()
        for form, query in (
            ("png", {"pattern": pattern.id, "figure": CAR}), ("pdf", {"pattern": "reeds", "figure": CAR}),
            ("pdf", {"pattern": pattern.id, "figure": "moon|a|b"}), ("pdf", {}),
        ):  # fmt: skip
            answer = self.client.get(reverse("camouflage-sheets", args=[self.army.pk, form]), query)
            self.assertEqual(answer.status_code, 404, (form, query))
