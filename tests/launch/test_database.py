"""The project's own server: shared by commands, reached by nobody else, its application no superuser; secrets unreadable."""

import tempfile
from contextlib import contextmanager
from pathlib import Path
from unittest import mock

from django.test import SimpleTestCase

from launch import application, command, database
from launch.step import SetupError


@contextmanager
def elsewhere(deep: str = ""):
    """The launcher's state in a folder of its own."""
    with tempfile.TemporaryDirectory() as folder:
        Path(folder).chmod(0o755)
        state = Path(folder) / deep
        state.mkdir(parents=True, exist_ok=True)
        with mock.patch.object(database, "STATE", state):
            yield state


class Servers(SimpleTestCase):
    def test_commands_share_a_server_and_the_last_one_stops_it(self):
        with elsewhere():
            one, two = database.Database(), database.Database()
            one.start()
            two.start()
            one.stop()
            self.assertTrue(two._running())
            self.assertEqual(two._query("postgres", "SHOW listen_addresses"), "")
            self.assertEqual(
                two._query("postgres", f"SELECT rolsuper FROM pg_roles WHERE rolname = '{database.USER}'"), "f"
            )
            self.assertEqual(
                two._query("postgres", "SELECT datdba::regrole FROM pg_database WHERE datname = 'mantello'"),
                database.USER,
            )
            self.assertEqual((two._sockets() / ".s.PGSQL.5432").stat().st_mode & 0o777, 0o700)
            two.stop()
            self.assertFalse(two._running())
            two.stop()

    def test_what_an_earlier_version_owned_becomes_the_applications(self):
        with elsewhere("long-" * 24) as state:
            first = database.Database()
            first.start()
            self.assertLess(len(str(first._sockets())), 60)
            self.assertEqual(first._sockets(), database.Database()._sockets())
            try:
                for said in (
                    "CREATE TABLE old (id serial PRIMARY KEY)", "CREATE TYPE kind AS ENUM ('a')", "CREATE VIEW seen AS SELECT * FROM old",
                    "CREATE FUNCTION one() RETURNS int LANGUAGE sql AS 'SELECT 1'", "ALTER DATABASE mantello OWNER TO mantello",
                ):  # fmt: skip
                    first._query("mantello", said)
                first.start()
                owners = first._query(
                    "mantello",
                    "SELECT DISTINCT relowner::regrole FROM pg_class WHERE relnamespace = 'public'::regnamespace",
                )
                self.assertEqual(owners, database.USER)
                asked = "SELECT count(*) FROM pg_proc WHERE pronamespace = 'public'::regnamespace AND proowner <> 'mantello_application'::regrole"
                self.assertEqual(first._query("mantello", asked), "0")
            finally:
                first.stop()
            self.assertTrue(state.exists())


class Secrets(SimpleTestCase):
    def test_a_secret_is_unreadable_to_others_from_its_first_byte_and_stays(self):
        with tempfile.TemporaryDirectory() as folder:
            path = Path(folder) / "secret"
            application._ensure_secret(path)
            self.assertEqual(path.stat().st_mode & 0o777, 0o600)
            before = path.read_text()
            self.assertGreater(len(before), 50)
            application._ensure_secret(path)
            self.assertEqual(path.read_text(), before)
            with self.assertRaisesMessage(SetupError, "cannot be written"):
                application._ensure_secret(Path(folder) / "none" / "secret")


class Names(SimpleTestCase):
    def test_hosts_are_named_and_never_everything(self):
        names = command._names("0.0.0.0", ["army.local"])
        self.assertIn("army.local", names)
        self.assertNotIn("0.0.0.0", names)
        self.assertFalse(any("*" in one for one in names))
