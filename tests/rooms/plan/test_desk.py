"""The desk: work that reaches the server late, figures left out, what went wrong, taking back, cards."""

import re
import uuid
from datetime import timedelta
from itertools import combinations

from django.utils import timezone

from mantello.record import logging as log
from mantello.record.models import Entry
from mantello.record.queries import done_steps
from mantello.rooms.plan.evening import Evening
from tests.rooms.plan.test_plan import TUESDAY, DeskCase
from tests.samples import calvessa, pared


class Minding(DeskCase):
    def test_what_wants_care_is_told_the_first_time_and_the_room_aired_after_spraying(self):
        page = self.see("desk")
        self.assertContains(page, "First time with Undercoat Slate here.")
        self.assertContains(page, "Damp, %")
        self.assertNotContains(page, "Air the room until")
        self.post("desk-done", **self.batch(page))
        self.at(TUESDAY + timedelta(minutes=4))
        self.assertContains(self.see("desk"), "Air the room until 19:30 at least.")
        self.at(TUESDAY + timedelta(minutes=45))
        self.assertNotContains(self.see("desk"), "Air the room until")
        self.assertNotContains(self.see("desk"), "First time with Undercoat Slate")

    def test_drops_strokes_and_drying_are_told(self):
        evening = Evening(self.army, TUESDAY)
        batches = (evening._batch(n) for n in range(1, evening.count + 1))
        shade = next(one for one in batches if one.atoms[0].kind == "shade" and len(one.left) > 1)
        page = self.see("desk", batch=shade.id)
        for words in (
            "For these figures:",
            " drop",
            "Lead it into the recesses",
            "Lift pools within 3 minutes",
            "Dries upright",
            "what is wrong now is sealed",
        ):
            self.assertContains(page, words)


class Weathered(DeskCase):
    def test_the_weather_of_a_spray_is_logged_and_judged(self):
        self.post(
            "desk-done", **self.batch() | {"degrees": "4", "humidity": "88", "wind": "windy", "note": "on the balcony"}
        )
        entry = self.army.entries.first()
        self.assertEqual(entry.note, "Weather: 4 °C, 88 % damp, windy. on the balcony")
        page = self.see("desk")
        for words in ("cold for a spray", "is damp", "thin and missed places"):
            self.assertContains(page, words)

    def test_degrees_that_cannot_be_are_told_at_their_field(self):
        page = self.post("desk-done", status=422, **self.batch() | {"degrees": "hot"})
        self.assertContains(page, "Write -30 to 60 degrees", status_code=422)


class BadlySprayed(DeskCase):
    def coats(self, name: str) -> int:
        """Coats that are planned of a step on the figures of the first batch."""
        evening = Evening(self.army, TUESDAY + timedelta(hours=1))
        return max(
            (
                atom.of
                for task in evening.work.tasks
                for atom in task.atoms
                if atom.name == name and atom.unit == self.unit
            ),
            default=0,
        )

    def test_a_grainy_spray_costs_a_coat_until_it_is_laid_again(self):
        self.unit = Evening(self.army, TUESDAY).current.block.task.unit
        usual = self.coats("Field base")
        self.assertGreater(usual, 0)
        given = self.batch()
        self.post("desk-done", **given | {"mishap": "grain"})
        self.assertEqual(self.army.entries.first().mishap, "grain")
        self.assertEqual(self.coats("Field base"), usual + 1)
        self.assertContains(self.see("plan"), "The undercoat went wrong on")
        self.post("desk-back", pressed_batch=str(self.army.entries.first().batch))
        self.assertEqual(self.coats("Field base"), usual)


class Fresh(DeskCase):
    def test_fresh_paint_tells_until_when_it_is_lifted_left_and_not_judged(self):
        evening = Evening(self.army, TUESDAY)
        batches = (evening._batch(n) for n in range(1, evening.count + 1))
        shade = next(one for one in batches if one.atoms[0].kind == "shade")
        self.assertContains(self.see("desk", batch=shade.id), 'data-lift="3.00" data-leave="25.00"')
        figures = set(shade.block.figures)
        log.record(self.army, shade.atoms, figures, None, TUESDAY, uuid.uuid4())
        lifted, dry = (f"{timezone.localtime(TUESDAY + timedelta(minutes=after)):%H:%M}" for after in (3, 25))
        for minutes, there, gone in (
            (1, (f"Lift pools until {lifted}", f"Do not judge its colour before {dry}"), "Leave it alone"),
            (5, (f"Leave it alone until {dry}", f"Do not judge its colour before {dry}"), "Lift pools until"),
            (26, (), "Do not judge its colour"),
        ):
            self.at(TUESDAY + timedelta(minutes=minutes))
            page = self.see("desk")
            for words in there:
                self.assertContains(page, words)
            self.assertNotContains(page, gone)


class Sticks(DeskCase):
    def test_stitches_hold_in_print_where_no_style_sheet_reaches(self):
        evening = Evening(self.army, TUESDAY)
        base = next(one for n in range(1, evening.count + 1) if (one := evening._batch(n)).atoms[0].subject.role)
        page = self.see("desk", batch=base.id).content.decode()
        self.assertEqual(page.count('class="sel-case" fill="none"'), page.count("sel-case"))
        self.assertGreater(page.count("sel-case"), 0)

    def test_figures_are_told_stick_by_stick(self):
        self.assertContains(self.see("desk"), "; Stick 2: ")

    def test_what_merging_spares_is_told(self):
        text = self.see("plan").content.decode()
        opened, alone = re.search(r"(\d+) openings of pots \((\d+) if every", text).groups()
        self.assertLess(int(opened), int(alone))


class Desk(DeskCase):
    def sent(self, page=None) -> dict:
        """What the desk's form sends, with the steps by name and the moment of pressing."""
        text = (page or self.see("desk")).content.decode()
        return self.batch(page) | {
            "atom": re.findall(r'name="atom" value="([^"]+)"', text),
            "pressed": "2026-11-24T19:08:00Z",
        }

    def test_the_minute_of_pressing_is_logged_and_nonsense_is_now(self):
        self.post("desk-done", **self.sent())
        self.assertEqual(Entry.objects.first().done_at, TUESDAY.replace(minute=8))
        for pressed in ("soon", "2031-01-01T00:00:00Z", "2026-01-01T00:00:00Z", "2026-11-24T19:08:00"):
            self.post("desk-done", **self.sent() | {"pressed": pressed})
            self.assertEqual(Entry.objects.latest("pk").done_at, TUESDAY, pressed)

    def test_work_that_arrives_after_the_plan_has_moved_on_is_logged_once(self):
        first = self.sent()
        self.at(TUESDAY + timedelta(days=3))
        self.post("plan-again")
        late = first | {"token": str(uuid.uuid4())}
        self.post("desk-done", **late)
        self.assertEqual(len(done_steps(self.army)), 8)
        self.assertEqual(Entry.objects.first().done_at, TUESDAY.replace(minute=8))
        self.post("desk-done", **late)
        self.post("desk-done", **first | {"token": str(uuid.uuid4())})
        self.assertEqual(len(done_steps(self.army)), 8)
        self.assertContains(self.see("desk"), "nothing was logged twice")

    def test_late_work_with_minutes_that_cannot_be_read_is_logged_without_them(self):
        first = self.sent()
        self.at(TUESDAY + timedelta(days=3))
        self.post("plan-again")
        self.post("desk-done", **first | {"minutes": "ten", "note": "by the window"})
        self.assertEqual(len(done_steps(self.army)), 8)
        logged = Entry.objects.first()
        self.assertEqual((logged.minutes, logged.note), (None, "by the window"))
        page = self.see("desk")
        self.assertContains(page, "Minutes it took &#x27;ten&#x27;. Write 0 to 1440 minutes")
        self.assertNotContains(page, "nothing was logged twice")

    def test_late_work_is_logged_only_for_the_steps_each_figure_lacks(self):
        atoms = Evening(self.army, TUESDAY).reading.work.atoms
        one, other = next(
            (one, other)
            for one, other in combinations(atoms, 2)
            if (one.unit, one.rank, one.ordinals) == (other.unit, other.rank, other.ordinals) and len(one.ordinals) > 1
        )
        early, *rest = one.ordinals
        log.record(self.army, [one], {(one.rank, early)}, 1.0, TUESDAY, uuid.uuid4())
        self.post(
            "desk-done",
            batch="feedfacefeedface",
            token=str(uuid.uuid4()),
            atom=[one.id, other.id],
            figure=[f"{one.rank}|{ordinal}" for ordinal in one.ordinals],
            minutes="3",
            pressed="2026-11-24T19:08:00Z",
        )
        found = {(entry.role, entry.step): list(entry.ordinals) for entry in Entry.objects.order_by("pk")}
        self.assertEqual(
            found, {(one.subject.text, one.step): rest, (other.subject.text, other.step): list(other.ordinals)}
        )

    def test_steps_that_are_not_in_the_army_are_not_logged(self):
        self.post("desk-done", **self.sent() | {"batch": "feedfacefeedface", "atom": ["no|such|step"]})
        self.assertEqual(Entry.objects.count(), 0)

    def test_a_figure_that_was_left_out_is_told_at_the_next_step(self):
        sent = self.sent()
        self.post("desk-done", **sent | {"figure": sent["figure"][1:]})
        page = self.see("desk")
        for _ in range(40):
            if "Left out?" in page.content.decode():
                break
            after = re.search(r'href="\?batch=([^"]+)" data-visit>Skip', page.content.decode())
            page = self.see("desk", batch=after[1])
        self.assertContains(page, f"{sent['figure'][0].replace('|', ' ').capitalize()}: no Undercoat yet")

    def test_what_went_wrong_is_told_with_numbers_and_noted(self):
        page = self.see("desk")
        while "<h1>Base" not in page.content.decode():
            self.post("desk-done", **self.batch(page))
            page = self.see("desk")
        self.assertContains(page, "Something went wrong")
        self.assertContains(page, "from the mix as it hides, after one more")
        self.post("desk-done", **self.batch(page) | {"mishap": "patchy", "note": "near the hem"})
        self.assertEqual(Entry.objects.latest("pk").note, "Went wrong: patchy. near the hem")
        self.assertContains(
            self.post("desk-done", status=422, **self.batch() | {"mishap": "cursed"}), "Something", status_code=422
        )

    def test_sprays_tell_of_grain_with_a_caution(self):
        page = self.see("desk")
        self.assertContains(page, "Grainy spray")
        self.assertContains(page, "vented booth")

    def test_the_last_press_is_taken_back(self):
        self.post("desk-done", **self.batch())
        self.post("desk-done", **self.batch())
        whole = len(done_steps(self.army))
        page = self.see("desk").content.decode()
        named = re.search(r'name="pressed_batch" value="([^"]+)"', page)[1]
        self.post("desk-back", pressed_batch=named)
        left = len(done_steps(self.army))
        self.assertLess(left, whole)
        self.post("desk-back", pressed_batch=named)
        self.assertEqual(len(done_steps(self.army)), left, "the same press again takes nothing else back")
        page = self.see("desk").content.decode()
        self.post("desk-back", pressed_batch=re.search(r'name="pressed_batch" value="([^"]+)"', page)[1])
        self.post("desk-back")
        self.assertEqual(done_steps(self.army), frozenset())
        self.assertContains(self.see("desk"), "Nothing is logged yet")
        self.assertEqual(Entry.objects.exclude(taken_back_at=None).count(), Entry.objects.count())

    def test_nobody_else_comes_near(self):
        self.assert_hidden("desk-back", post=True)
        self.assert_hidden("desk-cards")


class Cards(DeskCase):
    @staticmethod
    def design():
        return pared(calvessa(), {"1st-harbour-line": "fusilier"})

    def test_the_session_prints_as_cards_which_are_there_when_they_are_waited_for(self):
        self.printed("desk-cards")
        self.at(TUESDAY + timedelta(minutes=4, seconds=7, microseconds=9))
        self.assertEqual(self.see("desk-cards")["Content-Type"], "application/pdf")
        self.at(TUESDAY + timedelta(minutes=15))
        self.see("desk-cards", status=202)
