"""Armies from before ranks had ids: editions get them along the renames, and what was left behind is found again."""

from datetime import timedelta

from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.test import TransactionTestCase
from django.utils import timezone

from tests.core.formats.test_rank_ids import old

BEFORE = [("army", "0003_drawings"), ("log", "0003_record_and_history")]
AFTER = [("army", "0004_rank_ids"), ("log", "0004_rank_ids")]


def names(edition):
    return [(rank["id"], rank["name"]) for rank in edition.document["army"]["root"]["children"][0]["ranks"]]


class Migrated(TransactionTestCase):
    def setUp(self):
        executor = MigrationExecutor(connection)
        executor.migrate(BEFORE)
        apps = executor.loader.project_state(BEFORE).apps
        self.addCleanup(self.forward)
        user = apps.get_model("accounts", "User").objects.create(username="rosa")
        army = apps.get_model("army", "Army").objects.create(owner=user, name="Force")
        self.now, self.army, made = timezone.now(), army.pk, []
        # renamed, then undone and swapped on another line, which is worked on
        for parent, ranks in ((None, ("Private", "Drummer")), (0, ("Trooper", "Drummer")), (0, ("Private", "Spare")),
                              (2, ("Drummer", "Spare")), (3, ("Drummer", "Private"))):  # fmt: skip
            one = apps.get_model("army", "Edition").objects.create(
                army=army, number=len(made) + 1, parent=None if parent is None else made[parent], words="x",
                document=old(*ranks),
            )  # fmt: skip
            apps.get_model("army", "Edition").objects.filter(pk=one.pk).update(
                made_at=self.now - timedelta(days=10 - len(made))
            )
            made.append(one)
        army.head = made[4]
        army.save()
        version = apps.get_model("log", "Version").objects.create(army=army, number=1, edition=made[0], digest="x")
        apps.get_model("log", "Entry").objects.create(
            army=army, version=version, batch="00000000-0000-0000-0000-000000000001", unit="line", unit_name="Line",
            rank="Drummer", step="undercoat", name="Undercoat", ordinals=[1], mix="x", paints=[], coats=1,
            planned_minutes=1, drying=1, done_at=self.now,
        )  # fmt: skip
        for days, rank in ((9.5, "Private"), (8.5, "Trooper"), (0, "Private")):
            apps.get_model("log", "FigurePhoto").objects.create(
                army=army, unit="line", rank=rank, ordinals=[1], jpeg=b"x", width=1, height=1,
                taken_at=self.now - timedelta(days=days),
            )  # fmt: skip
        executor = MigrationExecutor(connection)
        executor.migrate(AFTER)
        self.apps = executor.loader.project_state(AFTER).apps

    @staticmethod
    def forward():
        executor = MigrationExecutor(connection)
        executor.migrate(executor.loader.graph.leaf_nodes())

    def test_a_rank_has_one_id_in_all_editions_and_the_record_means_it(self):
        editions = self.apps.get_model("army", "Edition").objects.filter(army=self.army).order_by("number")
        self.assertEqual(
            [names(one) for one in editions],
            [
                [("Drummer", "Private"), ("Private", "Drummer")],
                [("Drummer", "Trooper"), ("Private", "Drummer")],
                [("Drummer", "Private"), ("Private", "Spare")],
                [("Drummer", "Drummer"), ("Private", "Spare")],
                [("Drummer", "Drummer"), ("Private", "Private")],
            ],
        )
        photos = self.apps.get_model("log", "FigurePhoto").objects.order_by("taken_at")
        self.assertEqual([one.rank for one in photos], ["Drummer", "Drummer", "Private"])
        entry = self.apps.get_model("log", "Entry").objects.get()
        self.assertEqual((entry.rank, entry.rank_name), ("Drummer", "Drummer"))

    def test_going_on_the_editions_are_counted_for_lists(self):
        executor = MigrationExecutor(connection)
        after = [("army", "0005_counts_and_faces")]
        executor.migrate(after)
        apps = executor.loader.project_state(after).apps
        document = old("Private", "Drummer")
        units = [one for one in document["army"]["root"]["children"] if one["kind"] == "unit"]
        figures = sum(rank["figures"] for unit in units for rank in unit["ranks"])
        self.assertGreater(figures, 0)
        counts = {one.number: one.counts for one in apps.get_model("army", "Edition").objects.all()}
        self.assertEqual(len(counts), 5)
        roles = len(document["scheme"]["roles"])
        self.assertEqual(counts[1], {"figures": figures, "units": len(units), "roles": roles})
