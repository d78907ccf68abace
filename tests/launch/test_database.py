"""The project's own server: shared by commands, reached by nobody else, its application no superuser; secrets unreadable."""

import os
import signal
import tempfile
import time
from contextlib import contextmanager
from pathlib import Path
from unittest import mock

from django.test import SimpleTestCase

from launch import application, backup, command, database
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


def until(holds, seconds: float = 120):
    """Wait for a condition; so long that only a fault takes it."""
    since = time.monotonic()
    while not holds():
        if time.monotonic() - since > seconds:
            raise AssertionError("It does not come about.")
        time.sleep(0.02)


class Servers(SimpleTestCase):
    def test_commands_share_a_server_and_the_last_one_stops_it(self):
        with elsewhere():
            one, two = database.Database(), database.Database()
            one.start()
            two.start()
            one.stop()
            self.assertTrue(two._running())
            self.assertEqual(two.query("postgres", "SHOW listen_addresses"), "")
            self.assertEqual(
                two.query("postgres", f"SELECT rolsuper FROM pg_roles WHERE rolname = '{database.USER}'"), "f"
            )
            self.assertEqual(
                two.query("postgres", "SELECT datdba::regrole FROM pg_database WHERE datname = 'mantello'"),
                database.USER,
            )
            self.assertEqual((two.sockets / ".s.PGSQL.5432").stat().st_mode & 0o777, 0o700)
            two.stop()
            self.assertFalse(two._running())
            two.stop()

    def test_what_an_earlier_version_owned_becomes_the_applications(self):
        with elsewhere("long-" * 24) as state:
            first = database.Database()
            first.start()
            self.assertLess(len(str(first.sockets)), 60)
            self.assertEqual(first.sockets, database.Database().sockets)
            try:
                for said in (
                    "CREATE TABLE old (id serial PRIMARY KEY)", "CREATE TYPE kind AS ENUM ('a')", "CREATE VIEW seen AS SELECT * FROM old",
                    "CREATE FUNCTION one() RETURNS int LANGUAGE sql AS 'SELECT 1'", "ALTER DATABASE mantello OWNER TO mantello",
                ):  # fmt: skip
                    first.query("mantello", said)
                first.start()
                owners = first.query(
                    "mantello",
                    "SELECT DISTINCT relowner::regrole FROM pg_class WHERE relnamespace = 'public'::regnamespace",
                )
                self.assertEqual(owners, database.USER)
                asked = "SELECT count(*) FROM pg_proc WHERE pronamespace = 'public'::regnamespace AND proowner <> 'mantello_application'::regrole"
                self.assertEqual(first.query("mantello", asked), "0")
            finally:
                first.stop()
            self.assertTrue(state.exists())

    def test_a_server_that_ends_by_itself_is_started_again_and_a_stopped_one_is_not(self):
        with (
            elsewhere() as state,
            mock.patch.object(database, "_LOOK", 0.1),
            mock.patch.object(database, "say") as said,
        ):
            store = database.Database()
            store.start()
            try:
                with store.kept_up():
                    first = int((store.folder / "postmaster.pid").read_text().split()[0])
                    os.kill(first, signal.SIGKILL)
                    until(lambda: said.call_args_list[-1:] == [mock.call("PostgreSQL had ended; it runs again")])
                    self.assertEqual(store.query("postgres", "SELECT 1"), "1")
                    self.assertNotEqual(int((store.folder / "postmaster.pid").read_text().split()[0]), first)
            finally:
                store.stop()
            self.assertFalse(store._running())
            self.assertTrue(state.exists())

    def test_a_server_that_cannot_start_is_told_once_and_tried_until_it_can(self):
        with elsewhere(), mock.patch.object(database, "_LOOK", 0.01), mock.patch.object(database, "say") as said:
            store, tries = database.Database(), []

            def launch():
                tries.append(None)
                if len(tries) < 5:
                    raise SetupError("Starting PostgreSQL failed.", "read the log")

            with (
                mock.patch.object(store, "_running", return_value=False),
                mock.patch.object(store, "_launch", launch),
                store.kept_up(),
            ):
                until(lambda: len(tries) >= 5)
            told = [one.args[0] for one in said.call_args_list]
            self.assertEqual(sum("Starting PostgreSQL failed" in one for one in told), 1, told)
            self.assertTrue(any("runs again" in one for one in told), told)

    def test_why_a_cluster_cannot_be_made_is_told_and_not_that_it_cannot_be_stopped(self):
        def failing(*_, what, **__):
            raise SetupError(what, "read the message")

        with elsewhere():
            store = database.Database()
            with (
                mock.patch.object(store, "_server", failing),
                self.assertRaisesMessage(SetupError, "Making the database"),
            ):
                try:
                    store.start()
                finally:
                    store.stop()


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


class Backups(SimpleTestCase):
    def test_everything_comes_back_and_what_was_there_is_kept(self):
        with elsewhere() as state, mock.patch.object(backup, "_FOLDER", state / "backups"):
            store = database.Database()
            store.start()
            try:
                self.there_and_back(store, state)
            finally:
                store.stop()

    def there_and_back(self, store, state):
        self.assertIsNone(backup.backup_before_migrating(store), "an empty store wants no backup")
        store.query("mantello", "CREATE TABLE accounts_user (name text)")
        store.query("mantello", "INSERT INTO accounts_user VALUES ('rosa')")
        file = state / "all.mantello"
        backup.backup(store, file)
        self.assertEqual(file.stat().st_mode & 0o777, 0o600)
        store.query("mantello", "INSERT INTO accounts_user VALUES ('carlo')")
        kept = backup.restore(store, file)
        self.assertEqual(store.query("mantello", "SELECT name FROM accounts_user"), "rosa")
        self.assertEqual(store.query(kept, "SELECT count(*) FROM accounts_user"), "2")
        owner = store.query("mantello", "SELECT tableowner FROM pg_tables WHERE tablename = 'accounts_user'")
        self.assertEqual(owner, database.USER)
        for _ in range(2):
            self.assertTrue(backup.backup_before_migrating(store).exists())
        self.refused(store, file, state)

    def refused(self, store, file, state):
        """What cannot be done is told and changes nothing."""
        with self.assertRaisesMessage(SetupError, "is there already"):
            backup.backup(store, file)
        with self.assertRaisesMessage(SetupError, "cannot be written"):
            backup.backup(store, state / "none" / "x")
        damaged = state / "damaged"
        damaged.write_bytes(file.read_bytes()[:-200])
        other = state / "other"
        other.write_bytes(b"no backup")
        for wrong in (state / "nowhere", damaged, other):
            with self.assertRaises(SetupError):
                backup.restore(store, wrong)
        self.assertEqual(store.query("mantello", "SELECT name FROM accounts_user"), "rosa")
        self.assertEqual(list(state.glob("*.half")), [])
