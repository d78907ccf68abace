"""The log as pages read it: what stands of it, and that nothing older is ever told."""

import contextlib
import uuid
from datetime import timedelta

from django.db import connection, transaction
from django.test.utils import CaptureQueriesContext

from mantello.record import logging
from mantello.record.log import log_of
from mantello.record.models import Entry, Settlement
from mantello_core.order.subject import GROUND
from tests.rooms.plan.test_plan import TUESDAY, DeskCase


class LogTests(DeskCase):
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
