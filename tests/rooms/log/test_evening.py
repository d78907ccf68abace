"""What was really done: used otherwise than planned, an evening put right, a mix made again, what the coats taught."""

from datetime import timedelta

from mantello.record.models import Entry
from mantello.record.queries import done_steps
from mantello.rooms.log.evening import figures_said
from mantello.rooms.plan.evening import Evening
from mantello_core.order.subject import of_role
from tests.rooms.plan.test_plan import TUESDAY, DeskCase


class Used(DeskCase):
    def coat(self, of: int = 2):
        """The first batch that is the first of several coats of one role, what its form would send, and its atom."""
        evening = Evening(self.army, TUESDAY)
        for number in range(1, evening.count + 1):
            batch = evening._batch(number)
            atom = batch.atoms[0]
            if (
                atom.subject.role
                and atom.coat == 1
                and atom.of >= of
                and len({(a.subject, a.of) for a in batch.atoms}) == 1
            ):
                page = self.see("desk", batch=batch.id)
                return page, self.batch(page), atom
        raise AssertionError("no step takes several coats")

    def test_planned_minutes_are_no_pace_and_are_not_filled_in(self):
        page, given, _ = self.coat()
        self.assertNotIn("value", page.context["form"]["minutes"].as_widget())
        self.post("desk-done", **given | {"minutes": ""})
        self.assertEqual({entry.minutes for entry in Entry.objects.all()}, {None})

    def test_one_coat_is_logged_and_the_next_is_still_asked_for(self):
        _, given, atom = self.coat()
        self.post("desk-done", **given)
        figure = given["figure"][0].rpartition("|")
        key = atom.unit, figure[0], int(figure[2]), atom.subject
        self.assertIn((*key, f"{atom.step}~1"), done_steps(self.army))
        self.assertNotIn((*key, atom.step), done_steps(self.army))
        left = Evening(self.army, TUESDAY + timedelta(days=1))
        coats = [one.coat for task in left.work.tasks for one in task.atoms if (one.subject, one.step, one.rank) == (atom.subject, atom.step, figure[0]) and key[2] in one.ordinals and one.unit == atom.unit]  # fmt: skip
        self.assertNotIn(1, coats)
        self.assertIn(2, coats)

    def test_what_was_really_used_is_kept_beside_what_was_planned(self):
        _, given, atom = self.coat()
        self.post(
            "desk-done",
            **given | {"mix": "2 Brine Green : 1 Salt Linen : 1 medium", "tool": "a sponge", "enough": "on"},
        )
        entry = Entry.objects.first()
        self.assertEqual((entry.mix, entry.tool), ("Brine Green 2, Salt Linen 1, medium 1", "a sponge"))
        self.assertEqual((entry.diluent, entry.diluent_parts), ("medium", 1))
        self.assertTrue(entry.planned_mix)
        self.assertEqual(entry.step, atom.step)
        page = self.see("log")
        for words in ("planned:", "with a sponge"):
            self.assertContains(page, words)

    def test_a_mix_that_cannot_be_read_is_told_at_its_field_and_stays(self):
        _, given, _ = self.coat()
        page = self.post("desk-done", status=422, **given | {"mix": "2:1"})
        self.assertContains(page, "does not say which side is which", status_code=422)
        self.assertContains(page, 'value="2:1"', status_code=422)
        self.assertFalse(Entry.objects.exists())

    def test_too_pale_is_written_into_the_recipe_where_that_is_asked_for(self):
        _, given, atom = self.coat()
        tier = self.now().army.rank(atom.unit, atom.rank).tier
        self.post("desk-done", **given | {"mishap": "pale", "correct": "on"})
        step = self.now().scheme.role(atom.subject.role).recipe(tier).step(atom.step)
        self.assertEqual(step.coats, atom.of + 1)
        self.assertIn("Went wrong: too pale", Entry.objects.first().note)


class PutRight(DeskCase):
    def setUp(self):
        super().setUp()
        self.post("desk-done", **self.batch() | {"minutes": ""})

    def form(self, **changed) -> dict:
        """What the page would send, with one entry changed."""
        page = self.see("evening")
        sent = {"day": "2026-11-24"}
        for entry, form in page.context["rows"]:
            for name in ("minutes", "coats", "mix", "figures", "note"):
                value = form[name].value()
                sent[f"e{entry.pk}-{name}"] = "" if value is None else value
        first = page.context["rows"][0][0]
        return sent | {f"e{first.pk}-{name}": value for name, value in changed.items()}

    def test_minutes_and_note_are_put_right_and_the_old_entry_stays_struck_through(self):
        count = Entry.objects.count()
        self.post("put-right", **self.form(minutes="14", note="in the draught"))
        self.assertEqual(Entry.objects.count(), count + 1)
        self.assertEqual(Entry.objects.standing().count(), count)
        changed = Entry.objects.standing().exclude(minutes=None).get()
        self.assertEqual((changed.minutes, changed.note), (14, "in the draught"))

    def test_nothing_changed_makes_no_entry(self):
        count = Entry.objects.count()
        self.post("put-right", **self.form())
        self.assertEqual(Entry.objects.count(), count)

    def test_a_figure_that_was_not_painted_is_asked_for_again(self):
        before = len(done_steps(self.army))
        page = self.see("evening")
        entry = next(entry for entry, _ in page.context["rows"] if len(entry.ordinals) > 1)
        sent = self.form() | {f"e{entry.pk}-figures": figures_said(entry.ordinals[:-1])}
        self.post("put-right", **sent)
        self.assertEqual(len(done_steps(self.army)), before - 1)

    def test_what_cannot_be_is_told_at_its_field_and_nothing_is_kept(self):
        count = Entry.objects.count()
        for changed, words in (
            ({"coats": "0"}, "Write 1 to 12"),
            ({"figures": "one"}, "is no figure"),
            ({"figures": "900"}, "is none of them"),
            ({"mix": "a bit of green"}, "field-error"),
            ({"minutes": "long"}, "Write 0 to 1440 minutes"),
        ):
            self.assertContains(self.post("put-right", status=422, **self.form(**changed)), words, status_code=422)
        self.assertEqual(Entry.objects.count(), count)

    def test_days_are_chosen_and_a_day_without_work_says_so(self):
        self.assertContains(self.see("evening", day="2026-01-01"), "Nothing logged that day")
        self.see("evening", day="yesterday", status=404)

    def test_another_painter_finds_nothing_here(self):
        self.assert_hidden("evening")
        self.assert_hidden("put-right", post=True)
        self.assert_hidden("remake", Entry.objects.first().pk)


class Again(DeskCase):
    def test_a_mix_is_made_again_for_any_volume(self):
        entry = self.laid("field", "base", [1], coats=1, paints=[{"paint": "brine-green", "name": "Brine Green", "parts": 3}], diluent="water", diluent_parts=1)  # fmt: skip
        page = self.see("remake", entry.pk, ml="8")
        self.assertContains(page, "6.00")
        self.assertContains(page, "2.00")
        self.assertContains(page, "120")
        self.assertContains(self.see("remake", entry.pk, ml="lots", status=422), "write more than 0", status_code=422)

    def laid(self, role, step, ordinals, **given):
        """An entry as the log has it."""
        self.post("desk-done", **self.batch()) if not Entry.objects.exists() else None
        one = Entry.objects.first()
        one.pk, one.role, one.step, one.unit, one.rank = None, role, step, "1st-harbour-line", "fusilier"
        one.ordinals, one.name = ordinals, f"{role} {step}"
        for name, value in given.items():
            setattr(one, name, value)
        one.save(force_insert=True)
        return one

    def test_coats_that_were_really_laid_teach_how_a_paint_hides(self):
        evening = Evening(self.army, TUESDAY)
        atom = next(one for one in evening.reading.atoms if one.of >= 3 and one.subject == of_role("smallclothes") and one.rank == "fusilier" and one.unit == "1st-harbour-line")  # fmt: skip
        self.laid("smallclothes", atom.step, list(range(1, 41)), coats=1, mix="x", paints=[])
        page = self.see("log")
        self.assertContains(page, "What the coats taught")
        (one, _, pot) = page.context["taught"][0]
        self.assertEqual((one.figures, one.lesson.coats), (40, (1, atom.of)))
        self.assertGreater(one.calibration.hiding, 1)
        self.assertLess(one.calibration.hiding, one.lesson.calibration.hiding)
        self.post("learn", paint=pot.id, hiding=one.calibration.hiding, drying=1)
        self.army.refresh_from_db()
        after = Evening(self.army, TUESDAY).reading.atoms
        self.assertLess(next(one.of for one in after if one.id == atom.id), atom.of)
