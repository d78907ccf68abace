"""A figure's history: photographs, the last look, what was done elsewhere, decisions quoted, drying found, cards."""

import io
import uuid
import zipfile
from datetime import timedelta

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import override_settings
from django.utils import timezone
from PIL import Image

from mantello.record.handing import unit_record
from mantello.record.logging import record
from mantello.record.models import Decision, FigurePhoto
from mantello.record.queries import done_steps, progress
from mantello.rooms.plan.evening import Evening
from mantello.workspace.models import Army
from mantello_reader.instrument import Instrument
from tests.reader.test_reader import serving
from tests.rooms.plan.test_plan import TUESDAY, DeskCase

HERE = {"unit": "1st-harbour-line", "rank": "fusilier", "figure": "2"}


def picture(kind="JPEG"):
    data = io.BytesIO()
    Image.new("RGB", (64, 48), (150, 150, 150)).save(data, kind)
    return SimpleUploadedFile("fusilier.jpg", data.getvalue(), content_type="image/jpeg")


class FigureCase(DeskCase):
    def setUp(self):
        super().setUp()
        army = self.now().army
        unit = next(one for one in army.units if any(rank.name == "Fusilier" for rank in one.ranks))
        self.here = HERE | {"unit": unit.id}

    def painted(self):
        evening = Evening(self.army, TUESDAY)
        batch = next(
            evening._batch(n)
            for n in range(1, evening.count + 1)
            if evening._batch(n).block.task.unit == self.here["unit"]
            and ("fusilier", 2) in evening._batch(n).block.figures
        )
        return record(self.army, batch.atoms, {("fusilier", 2)}, 7.0, TUESDAY, uuid.uuid4(), "over a cold palette")


class History(FigureCase):
    def test_what_was_done_is_told_with_mix_version_and_note(self):
        entries = self.painted()
        page = self.see("figure-history", **self.here)
        for words in ("Fusilier 2", entries[0].mix, "over a cold palette", "version 1", "Still to come"):
            self.assertContains(page, words)
        self.assertNotContains(self.see("figure-history", **self.here | {"figure": "3"}), "over a cold palette")

    def test_a_form_about_a_figure_that_is_not_there_is_refused_and_kept_with_no_other(self):
        stale = {"unit": self.here["unit"], "rank": "Fusilier", "figure": "2"}
        for here in (stale, self.here | {"figure": "900"}, self.here | {"figure": ""}, self.here | {"unit": "gone"}):
            for name in ("keep-photo", "keep-look", "log-elsewhere", "measure"):
                self.post(name, status=422, **here, photo=picture(), role="field")
        self.assertEqual(FigurePhoto.objects.count() + self.army.last_looks.count() + self.army.entries.count(), 0)
        page = self.post("keep-photo", status=422, **stale, photo=picture(), caption="my caption")
        self.assertContains(page, "my caption", status_code=422)

    def test_ranks_that_swap_names_keep_photographs_looks_readings_and_log_apart(self):
        entries = self.painted()
        self.post("keep-photo", **self.here, photo=picture(), caption="a fusilier")
        self.post("keep-look", **self.here)
        leader = self.here | {"rank": "sergeant", "figure": "1"}
        for id_, name, type_ in (
            ("fusilier", "Spare", "fusilier"), ("sergeant", "Fusilier", "sergeant"), ("fusilier", "Sergeant", "fusilier"),
        ):  # fmt: skip
            rank = self.now().army.rank(self.here["unit"], id_)
            self.post(
                "change-rank", self.here["unit"], id=id_, rank=name, type=type_, figures=rank.figures, tier=rank.tier
            )
        page = self.see("figure-history", **self.here)
        for words in ("Sergeant 2", "a fusilier", "over a cold palette", "looked over"):
            self.assertContains(page, words)
        other = self.see("figure-history", **leader)
        self.assertContains(other, "Fusilier 1")
        for words in ("a fusilier", "over a cold palette"):
            self.assertNotContains(other, words)
        self.assertIn((self.here["unit"], "fusilier", 2, entries[0].subject, entries[0].step), done_steps(self.army))
        self.assertContains(self.see("log"), "1 Fusilier")  # what it was called when it was painted

    def test_a_variant_that_calls_ranks_otherwise_has_the_same_record(self):
        self.painted()
        self.post("keep-photo", **self.here, photo=picture(), caption="a fusilier")
        self.post("new-variant", name="Other names")
        rank = self.now().army.rank(self.here["unit"], "fusilier")
        self.post(
            "change-rank",
            self.here["unit"],
            id="fusilier",
            rank="Sailor",
            type="fusilier",
            figures=rank.figures,
            tier="rank",
        )
        self.assertContains(self.see("figure-history", **self.here), "a fusilier")
        first = self.army.variants.exclude(name="Other names").get()
        self.post("change-variant", first.pk, do="work")
        self.assertContains(self.see("figure-history", **self.here), "Fusilier 2")
        self.assertContains(self.see("figure-history", **self.here), "over a cold palette")

    def test_a_figure_that_is_not_there_shows_the_first_one(self):
        self.assertContains(self.see("figure-history", unit="gone", rank="x", figure="900"), "Last look")

    def test_a_photograph_is_kept_shown_and_removed(self):
        self.post("keep-photo", **self.here, photo=picture(), caption="after the shade")
        kept = FigurePhoto.objects.get()
        self.assertEqual((kept.ordinals, kept.caption, kept.width), ([2], "after the shade", 64))
        self.assertContains(self.see("figure-history", **self.here), "after the shade")
        self.assertEqual(self.see("figure-photo", kept.pk)["Content-Type"], "image/jpeg")
        self.assert_hidden("figure-photo", kept.pk)
        self.assert_hidden("remove-photo", kept.pk, post=True)
        self.printed("strip", **self.here)
        self.post("remove-photo", kept.pk, **self.here)
        self.assertEqual(FigurePhoto.objects.count(), 0)
        self.see("strip", status=404, **self.here)

    def test_a_photograph_of_the_whole_rank_is_with_every_figure_of_it(self):
        self.post("keep-photo", **self.here, photo=picture(), whole="on")
        count = next(
            rank.figures
            for unit in self.now().army.units
            if unit.id == self.here["unit"]
            for rank in unit.ranks
            if rank.name == "Fusilier"
        )
        self.assertEqual(FigurePhoto.objects.get().ordinals, list(range(1, count + 1)))

    def test_what_is_no_picture_is_refused_and_the_caption_stays(self):
        wrong = SimpleUploadedFile("fusilier.jpg", b"GIF89a nonsense", content_type="image/jpeg")
        page = self.post("keep-photo", status=422, **self.here, photo=wrong, caption="my caption")
        self.assertContains(page, "my caption", status_code=422)
        self.assertEqual(FigurePhoto.objects.count(), 0)
        self.post("keep-photo", status=422, **self.here, caption="nothing chosen")

    def test_what_was_forgotten_is_looked_for_first_on_the_next_figure(self):
        page = self.see("figure-history", **self.here).content.decode()
        listed = [part.split('"')[0] for part in page.split('name="seen" value="')[1:]]
        self.post("keep-look", **self.here, seen=[one for one in listed if one != listed[5]])
        self.assertEqual(self.army.last_looks.get().missed, [listed[5]])
        after = self.see("figure-history", **self.here | {"figure": "3"})
        self.assertContains(after, "missed 1 time")
        self.assertIn(
            listed[5], [part.split('"')[0] for part in after.content.decode().split('name="seen" value="')[1:]][:2]
        )
        self.post("keep-look", **self.here, seen=listed)
        self.assertContains(self.see("log"), "Nothing was forgotten.")

    def test_what_was_done_elsewhere_is_logged_without_minutes(self):
        atoms = [
            atom
            for atom in Evening(self.army, TUESDAY).reading.work.atoms
            if atom.unit == self.here["unit"] and atom.rank == "fusilier"
        ][:2]
        self.post("log-elsewhere", **self.here, atom=[atoms[0].id], of="figure", note="at the club")
        entry = self.army.entries.get()
        self.assertEqual((entry.ordinals, entry.minutes, entry.note), ([2], None, "at the club"))
        self.post("log-elsewhere", **self.here, atom=[atoms[0].id, atoms[1].id], of="rank")
        done = {(ordinal, step) for _, rank, ordinal, _, step in done_steps(self.army) if rank == "fusilier"}
        self.assertEqual(done, {(ordinal, atom.step) for atom in atoms for ordinal in atom.ordinals})
        self.post("log-elsewhere", **self.here, of="figure")
        self.assertContains(self.see("log"), "No step is ticked")

    def test_another_painter_finds_none_of_it(self):
        for name in ("figure-history", "shooting", "strip", "decisions"):
            self.assert_hidden(name)
        for name in ("keep-photo", "keep-look", "log-elsewhere", "decide"):
            self.assert_hidden(name, post=True)

    def test_the_shooting_card_is_printed(self):
        self.printed("shooting")


class Measuring(FigureCase):
    def test_a_colour_is_read_beside_what_is_predicted_and_units_are_compared(self):
        with serving(Instrument(3, faults=False)):
            self.post("measure", **self.here, role="field")
            self.assertContains(self.see("log"), "not painted on this figure yet")
            atoms = [
                atom
                for atom in Evening(self.army, TUESDAY).reading.work.atoms
                if atom.subject.role == "field" and atom.step == "base"
            ]
            units = [atom for atom in atoms if atom.rank == "fusilier"][:2]
            for atom in units:
                record(self.army, [atom], {(atom.rank, one) for one in atom.ordinals}, None, TUESDAY, uuid.uuid4())
                self.post("measure", unit=atom.unit, rank=atom.rank, figure="1", role="field")
        kept = list(self.army.measurements.all())
        self.assertEqual({one.unit for one in kept}, {atom.unit for atom in units})
        page = self.see("figure-history", unit=units[0].unit, rank="fusilier", figure="1")
        self.assertRegex(page.content.decode(), r"[0-9]\.[0-9] off")
        self.assertContains(self.see("log"), "Measured on figures")
        self.assert_hidden("measure", post=True)

    def test_a_reader_that_is_not_there_is_told(self):
        atom = next(
            atom
            for atom in Evening(self.army, TUESDAY).reading.work.atoms
            if (atom.unit, atom.rank, atom.subject.role) == (self.here["unit"], "fusilier", "field")
        )
        record(self.army, [atom], {("fusilier", 2)}, None, TUESDAY, uuid.uuid4())
        with override_settings(MANTELLO_READER=""):
            self.post("measure", **self.here, role="field")
        self.assertContains(self.see("log"), "No colour reader is set up")
        self.assertEqual(self.army.measurements.count(), 0)


class Drying(DeskCase):
    def test_what_is_found_dry_is_dry_and_the_plan_learns(self):
        evening = Evening(self.army, TUESDAY)
        batch = evening.current
        entries = record(self.army, batch.atoms, set(batch.block.figures), 3.0, TUESDAY, uuid.uuid4())
        self.assertContains(self.see("desk"), "Dry now")
        self.at(TUESDAY + timedelta(minutes=12))
        self.post("found-dry", entries[0].batch)
        entries[0].refresh_from_db()
        self.assertAlmostEqual(entries[0].dried, 12.0, places=3)
        self.assertNotContains(self.see("desk"), "Dry now")
        self.assertContains(self.see("log"), "Minutes until it was found dry")
        later = Evening(self.army, TUESDAY + timedelta(days=3))
        factor = dict(later.pace)["dry:undercoat"]
        self.assertLess(factor, 1.0)
        self.post("found-dry", uuid.uuid4())
        self.assert_hidden("found-dry", entries[0].batch, post=True)


class Deciding(DeskCase):
    FORM = {
        "about": "undercoat",
        "question": "Which undercoat?",
        "options": "slate\nsoot",
        "chosen": "Slate.",
        "reason": "the reds want it.",
    }

    def test_it_is_written_down_and_quoted_when_the_design_leaves_it(self):
        self.post("decide", **self.FORM | {"final": "on"})
        made = Decision.objects.get()
        self.assertEqual((made.options, made.reversible), (["slate", "soot"], False))
        self.post("set-undercoat", undercoat="undercoat-soot")
        page = self.see("recipes")
        self.assertContains(
            page, "This leaves what was decided on 24 November 2026: Which undercoat? Slate., because the reds want it."
        )
        self.assertContains(page, "final for painted figures")
        self.assertContains(self.see("decisions"), "It holds for this too")
        self.post("change-decision", made.pk, do="renew")
        self.assertNotContains(self.see("decisions"), "It holds for this too")
        self.post("set-undercoat", undercoat="undercoat-slate")
        self.post("change-decision", made.pk, do="close")
        self.assertContains(self.see("decisions"), "1 given up")
        self.post("change-decision", made.pk, do="open")
        self.assert_hidden("change-decision", made.pk, post=True)

    def test_a_units_look_is_held_and_quoted_when_an_edit_changes_it(self):
        unit = self.now().army.units[0].id
        page = self.see("decisions", about=f"look:{unit}")
        self.assertContains(page, "May its look still change?")
        self.post(
            "decide",
            about=f"look:{unit}",
            question="May its look still change?",
            options="it may\nit may not",
            chosen="It may not.",
            reason="it won a prize.",
            final="on",
        )
        self.post("set-undercoat", undercoat="undercoat-soot")
        self.assertContains(self.see("recipes"), "It may not., because it won a prize.")

    def test_other_edits_do_not_quote_it(self):
        self.post("decide", **self.FORM)
        self.post("set-evenings", attention="6", on6="on", start6="10:30", minutes6="60")
        self.assertNotContains(self.see("plan"), "This leaves what was decided")

    def test_nonsense_stays_typed(self):
        for field, value, told in (
            ("about", "weather", "is none of the choices"),
            ("reason", "", "Nothing is written here"),
            ("options", "\n".join(f"o{n}" for n in range(13)), "13 options"),
        ):
            with self.subTest(field):
                page = self.post("decide", status=422, **self.FORM | {field: value})
                self.assertContains(page, told, status_code=422)
                self.assertContains(page, "Which undercoat?", status_code=422)
        self.assertEqual(Decision.objects.count(), 0)


class Archived(FigureCase):
    def test_history_goes_out_and_comes_in_again(self):
        self.painted()
        self.post("keep-photo", **self.here, photo=picture(), caption="after the shade")
        self.post("decide", **Deciding.FORM)
        self.post("keep-look", **self.here)
        data = self.archived()
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            self.assertIn("photos/figures-1.jpg", packed.namelist())
        self.read_in(file=data)
        taken = Army.objects.exclude(pk=self.army.pk).get(owner=self.owner)
        self.assertEqual(taken.figure_photos.get().caption, "after the shade")
        self.assertEqual(taken.decisions.get().made_at, self.army.decisions.get().made_at)
        self.assertEqual(taken.last_looks.get().missed, self.army.last_looks.get().missed)
        self.assertEqual(
            {one.done for one in progress(taken).values()}, {one.done for one in progress(self.army).values()}
        )
        self.assertLess(timezone.now() - taken.entries.first().done_at, timedelta(days=1))


class HandedOver(FigureCase):
    def test_the_record_of_a_unit_tells_what_is_uneven_noted_and_decided_about_it(self):
        atom = next(
            one
            for one in Evening(self.army, TUESDAY).reading.work.atoms
            if (one.unit, one.rank, one.subject.role) == (self.here["unit"], "fusilier", "field")
        )
        record(self.army, [atom], {("fusilier", 1)}, 4.0, TUESDAY, uuid.uuid4(), "third pot, darker")
        other = self.now().army.units[1].id
        for about in ("role:field", "varnish", f"look:{self.here['unit']}", f"look:{other}", f"unit:{other}"):
            self.army.decisions.create(about=about, question="Q?", options=["a"], chosen="A.", reason="R.", stood="")
        found = unit_record(self.army, Evening(self.army, TUESDAY).reading, self.here["unit"])
        self.assertEqual([(one.name, one.done) for one in found.uneven], [(atom.name, 1)])
        self.assertEqual([note for _, _, note in found.notes], ["third pot, darker"])
        self.assertEqual({one.about for one in found.decisions}, {"role:field", "varnish", f"look:{self.here['unit']}"})
        self.assertGreater(found.minutes_left, 0)
