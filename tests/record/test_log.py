"""The log as pages read it: what stands of it, and that nothing older is ever told."""

import contextlib
import random
import uuid
from copy import copy
from datetime import timedelta
from unittest.mock import patch

from django.db import connection, transaction
from django.test.utils import CaptureQueriesContext

from mantello.record import log, logging
from mantello.record.laid import coats_of
from mantello.record.log import log_of
from mantello.record.models import AWAY, Entry, Settlement
from mantello_core.order.subject import GROUND
from tests.rooms.plan.test_plan import TUESDAY, DeskCase


class LogCase(DeskCase):
    def mark(self) -> str:
        self.army.refresh_from_db()
        return self.army.log_mark

    def paint(self, **used):
        """The figures of one rank done of the first batch of the desk; the entry that it makes."""
        given = self.batch()
        rank = given["figure"][0].partition("|")[0]
        given["figure"] = [one for one in given["figure"] if one.startswith(f"{rank}|")]
        self.post("desk-done", token=str(uuid.uuid4()), **(given | used))
        self.army.refresh_from_db()
        return self.army.entries.get()


class Told(LogCase):
    def test_it_tells_what_stands(self):
        self.assertEqual(log_of(self.army).done, frozenset())
        entry = self.paint()
        log = log_of(self.army)
        self.assertEqual(
            log.done, {(entry.unit, entry.rank, ordinal, GROUND, "undercoat") for ordinal in entry.ordinals}
        )
        self.assertEqual((log.lines[0].batch, log.roles), (entry.batch, {""}))
        self.assertEqual(log.paints, {one["paint"] for one in entry.paints})
        self.assertEqual([one.name for one in log.since(TUESDAY)], [entry.name])
        self.assertEqual(list(log.since(TUESDAY + timedelta(hours=1))), [])

    def test_what_was_done_later_was_not_done_before(self):
        entry = self.paint()
        log = log_of(self.army)
        self.assertEqual(log.done_before(entry.done_at), frozenset())
        self.assertEqual(log.done_before(entry.done_at + timedelta(seconds=1)), log.done)
        self.assertEqual(log.timed_before(entry.done_at), ())
        self.assertEqual([minutes for _, minutes, _ in log.timed_before(entry.done_at + timedelta(seconds=1))], [3.0])

    def test_every_change_of_the_log_gives_it_another_mark_and_is_told(self):
        marks = [self.mark()]
        entry = self.paint()
        marks.append(self.mark())
        logging.found_dry(self.army, entry.batch, entry.done_at + timedelta(minutes=7))
        marks.append(self.mark())
        self.assertEqual(log_of(self.army).lines[0].dried, 7.0)
        logging.found_dry(self.army, entry.batch, entry.done_at + timedelta(minutes=9))
        marks.append(self.mark())
        self.assertEqual(log_of(self.army).lines[0].dried, 9.0)
        logging.take_back(entry)
        marks.append(self.mark())
        self.assertEqual(log_of(self.army).lines, ())
        logging.restore(entry)
        marks.append(self.mark())
        self.assertEqual(len(log_of(self.army).lines), 1)
        settled = Settlement.objects.create(
            army=self.army, version=entry.version, kind=Settlement.Kind.REPAINT, key="0", unit=entry.unit, rank=entry.rank,
            words="", ordinals=entry.ordinals, role=entry.role,
        )  # fmt: skip
        marks.append(self.mark())
        self.assertIn(entry.role, {role for *_, role in log_of(self.army).reopened})
        settled.delete()
        marks.append(self.mark())
        self.assertEqual(log_of(self.army).reopened, {})
        entry.pk, entry.batch = None, uuid.uuid4()
        Entry.objects.bulk_create([entry])
        marks.append(self.mark())
        self.assertEqual(len(log_of(self.army).lines), 2)
        entry.delete()
        marks.append(self.mark())
        self.assertEqual(len(log_of(self.army).lines), 1)
        self.assertEqual(len(set(marks)), len(marks), "a mark never comes again")

    def test_a_change_that_is_rolled_back_leaves_no_log_behind(self):
        entry, mark = self.paint(), self.mark()
        with contextlib.suppress(ZeroDivisionError), transaction.atomic():
            logging.take_back(entry)
            self.assertEqual(log_of(self.army).lines, (), "whoever changes it sees the change")
            _ = 1 / 0
        self.assertEqual(self.mark(), mark)
        self.assertEqual(len(log_of(self.army).lines), 1)

    def test_an_undercoat_that_went_wrong_is_told_until_it_is_sprayed_again(self):
        entry = self.paint(mishap="grain")
        figures = {(entry.unit, entry.rank, ordinal) for ordinal in entry.ordinals}
        self.assertEqual(log_of(self.army).faults, figures)
        entry.pk, entry.mishap, entry.batch = None, "", uuid.uuid4()
        entry.done_at += timedelta(hours=1)
        entry.save()
        self.assertEqual(log_of(self.army).faults, frozenset())

    def test_it_is_read_once_for_a_page_and_not_again_while_it_stands(self):
        self.paint()
        self.see("desk")
        with CaptureQueriesContext(connection) as asked:
            self.see("desk")
        about = [one["sql"] for one in asked.captured_queries if 'FROM "log_entry"' in one["sql"]]
        self.assertEqual(about, [])


@patch.object(log, "_FEW", 0)
class ReadOn(LogCase):
    """A log that changed is read on from what was known of it."""

    def entries(self) -> list[Entry]:
        """Two dozen entries of one and two figures, on three days."""
        one = self.paint()
        one.delete()
        made = []
        for number in range(24):
            other = copy(one)
            other.pk, other.batch, other.step, other.coats = (
                None,
                uuid.uuid4(),
                ("base", "base~1", "wash")[number % 3],
                1 + number % 2,
            )
            other.role = ("", "field", "field.trim", "belting")[number % 4]
            other.ordinals, other.minutes = [1 + number % 5, 6], (None, 2.0, 7.5)[number % 3]
            other.note = AWAY if number % 7 == 0 else ""
            other.done_at = TUESDAY - timedelta(days=number % 3, minutes=number)
            made.append(other)
        return Entry.objects.bulk_create(made)

    def told(self, log) -> tuple:
        moments = [TUESDAY - timedelta(days=days, hours=1) for days in (0, 1, 2)]
        return (
            log.lines, log.keys, log.done, log.reopened, coats_of(log), log.faults,
            [(log.done_before(one), log.timed_before(one), log.dried_before(one)) for one in moments],
        )  # fmt: skip

    def test_whatever_was_changed_it_is_as_if_it_were_read_anew(self):
        entries, draw = self.entries(), random.Random(7)
        self.mark()
        for _ in range(40):
            self.told(log_of(self.army))  # what follows from it is known before it changes
            entry = draw.choice(entries)
            entry.army = self.army
            change = draw.choice(("take back", "restore", "note", "dry", "again", "repaint", "drop"))
            if change == "take back":
                logging.take_back(entry)
            elif change == "restore":
                logging.restore(entry)
            elif change == "note":
                entry.note = draw.choice(("", AWAY, "Well covered."))
                entry.save(update_fields=["note"])
            elif change == "dry":
                logging.found_dry(self.army, entry.batch, entry.done_at + timedelta(minutes=draw.randint(1, 90)))
            elif change == "again":
                other = copy(entry)
                other.pk, other.batch, other.taken_back_at = None, uuid.uuid4(), None
                other.done_at = TUESDAY + timedelta(minutes=draw.randint(-2000, 50))
                entries += Entry.objects.bulk_create([other])
            elif change == "repaint":
                Settlement.objects.create(
                    army=self.army, version=entry.version, kind=Settlement.Kind.REPAINT, key="0", unit=entry.unit, rank=entry.rank,
                    words="", ordinals=entry.ordinals, role=entry.role,
                )  # fmt: skip
            elif len(entries) > 1:
                entry.delete()
                entries.remove(entry)
            self.mark()
            self.assertEqual(self.told(log_of(self.army)), self.told(log._read(self.army)), change)

    def test_only_entries_that_changed_are_read(self):
        entries = self.entries()
        self.mark()
        log_of(self.army)
        logging.found_dry(self.army, entries[3].batch, entries[3].done_at + timedelta(minutes=5))
        self.mark()
        with CaptureQueriesContext(connection) as asked:
            found = log_of(self.army)
        self.assertEqual([one.dried for one in found.lines if one.dried], [5.0])
        whole = [one["sql"] for one in asked.captured_queries if '"planned_minutes"' in one["sql"]]
        self.assertEqual(len(whole), 1)
        self.assertIn(f'"log_entry"."id" IN ({entries[3].pk})', whole[0])
