"""What a start makes ready: nothing is done on tables that a later version changed."""

from unittest.mock import patch

from django.core.management import call_command
from django.db import connection
from django.db.migrations.loader import MigrationLoader
from django.db.migrations.recorder import MigrationRecorder
from django.test import TestCase

from mantello.commands.management.commands import prepare
from mantello.workspace.models import Army


class Ahead(TestCase):
    def setUp(self):
        self.ran, self.app = MigrationRecorder(connection), Army._meta.app_label

    def test_tables_that_a_later_version_changed_are_left_alone(self):
        self.ran.record_applied(self.app, "9999_later")
        self.assertEqual(prepare.ahead(MigrationLoader(connection)), ((self.app, "9999_later"),))
        with patch.object(prepare, "call_command") as asked, self.assertRaises(SystemExit) as ended:
            call_command("prepare", stop_if_pending=True)
        self.assertEqual((ended.exception.code, asked.called), (prepare.AHEAD, False))

    def test_what_is_gone_by_now_is_not_later(self):
        self.ran.record_applied(self.app, "0000_gone")
        self.ran.record_applied("an_application_that_was", "9999_last")
        self.assertEqual(prepare.ahead(MigrationLoader(connection)), ())
