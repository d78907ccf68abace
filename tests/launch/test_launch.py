"""The launcher: what is missing is named with its command, and a failed step says what to do."""

import io
import os
import shutil
import signal
import socket
import subprocess
import sys
from contextlib import redirect_stderr, redirect_stdout
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest import mock

from django.test import SimpleTestCase

from launch import checks, command, environment, packages, prepared
from launch.application import serve
from launch.step import SetupError, run

ROOT = Path(__file__).resolve().parents[2]


class Launcher(SimpleTestCase):
    def test_without_rights_the_exact_command_is_told(self):
        with (
            mock.patch.object(packages, "_installed", return_value=False),
            mock.patch.object(packages, "_privilege", return_value=None),
            self.assertRaises(SetupError) as refusal,
        ):
            packages.ensure_packages({"postgresql": "database server"})
        self.assertIn("postgresql (database server)", str(refusal.exception))
        self.assertIn("sudo apt-get install -y --no-install-recommends postgresql", str(refusal.exception))

    def test_where_the_quickest_browser_cannot_be_had_the_other_does(self):
        def installed(name):
            return name == "chromium"

        with (
            mock.patch.object(packages, "_installed", side_effect=installed),
            mock.patch.object(packages, "_privilege", return_value=None),
        ):
            packages.ensure_browser()
        with (
            mock.patch.object(packages, "_installed", return_value=False),
            mock.patch.object(packages, "_privilege", return_value=None),
            self.assertRaisesMessage(SetupError, "apt-get install -y --no-install-recommends chromium"),
        ):
            packages.ensure_browser()

    def test_what_administers_the_system_is_found_also_by_whoever_became_root_without_its_path(self):
        self.assertEqual(
            packages.with_system_folders("/home/rosa/bin:/usr/sbin"), "/home/rosa/bin:/usr/sbin:/usr/local/sbin:/sbin"
        )
        for bare in ("/usr/bin:/bin", ""):
            with mock.patch.dict(os.environ, {"PATH": packages.with_system_folders(bare)}):
                self.assertTrue(shutil.which("runuser") and shutil.which("env"), bare)

    def test_nothing_is_installed_when_nothing_is_missing(self):
        with mock.patch.object(packages, "_installed", return_value=True), mock.patch.object(packages, "run") as ran:
            packages.ensure_packages(packages.SERVING)
        ran.assert_not_called()

    def test_the_environment_is_made_with_the_systems_python_where_that_can_make_one(self):
        with TemporaryDirectory() as folder:
            for named, ends, taken in (("fits", 0, True), ("old", 1, False)):
                python = Path(folder) / named
                python.write_text(f"#!/bin/sh\nexit {ends}\n")
                python.chmod(0o755)
                self.assertEqual(environment.best_python(str(python)), str(python) if taken else sys.executable)
            self.assertEqual(environment.best_python(str(Path(folder) / "none")), sys.executable)

    def test_a_broken_step_shows_the_end_of_what_it_said_and_what_to_do(self):
        with self.assertRaises(SetupError) as refusal:
            run(
                [sys.executable, "-c", "print('the disk is full'); raise SystemExit(3)"],
                "Making the cluster",
                "free some space",
            )
        for said in ("Making the cluster failed", "the disk is full", "ended with 3", "What to do: free some space"):
            self.assertIn(said, str(refusal.exception))

    def test_a_port_in_use_is_told_with_the_way_out(self):
        with socket.socket() as taken:
            taken.bind(("127.0.0.1", 0))
            taken.listen()
            with self.assertRaisesMessage(SetupError, "choose another with --port"):
                serve({}, "127.0.0.1", taken.getsockname()[1])

    def test_one_of_several_wants_the_secret_that_they_share(self):
        for verb in ("serve", "prepare"):
            with (
                mock.patch.dict("os.environ"),
                mock.patch.object(command, "ensure_environment"),
                redirect_stderr(io.StringIO()) as told,
            ):
                os.environ.pop("MANTELLO_SECRET_KEY", None)
                os.environ.pop("MANTELLO_MODE", None)
                self.assertEqual(command.main([verb, "--database", "postgresql://m@127.0.0.1/none"]), 1)
            self.assertIn("MANTELLO_SECRET_KEY is not set", told.getvalue())

    def test_one_of_several_changes_no_tables_and_says_what_to_do(self):
        set_so = {"MANTELLO_SECRET_KEY": "shared-by-all", "MANTELLO_MODE": "production", "MANTELLO_POOL": "4"}
        for answered, ends in ((command.PENDING, 1), (command.AHEAD, 1), (0, 0), (5, 5)):
            with (
                mock.patch.dict("os.environ", set_so),
                mock.patch.object(command, "ensure_environment"),
                mock.patch.object(command, "try_port"),
                mock.patch.object(command, "manage", return_value=answered) as managed,
                mock.patch.object(command, "serve", return_value=0) as served,
                redirect_stderr(io.StringIO()) as told,
            ):
                self.assertEqual(command.main(["serve", "--database", "postgresql://m@db/mantello"]), ends)
            environment, *asked = managed.call_args.args
            self.assertEqual(asked, ["prepare", "--no-demo", "--stop-if-pending"])
            self.assertEqual(environment["MANTELLO_DATABASE_URL"], "postgresql://m@db/mantello")
            self.assertEqual({name: environment[name] for name in set_so}, set_so)
            self.assertEqual(served.called, answered == 0)
            self.assertEqual("prepare --database URL" in told.getvalue(), answered == command.PENDING)
            self.assertEqual("a later version" in told.getvalue(), answered == command.AHEAD)

    def test_only_loopback_opens_the_demo(self):
        self.assertEqual(
            [command._is_loopback(host) for host in ("127.0.0.1", "::1", "0.0.0.0", "192.168.1.4", "mantello.test")],
            [True, True, False, False, False],
        )

    def test_the_closing_line_counts_what_ran_and_what_failed(self):
        for text, status, wanted in (
            ("Ran 7 tests in 1s\n\nFAILED (failures=2, errors=1)", 1, (7, 3)),
            ("Ran 5 tests in 1s\n\nOK", 0, (5, 0)),
            ("ImportError: no such thing", 1, (1, 1)),
        ):
            process = mock.Mock(stdout=io.StringIO(text))
            process.wait.return_value = status
            with mock.patch.object(subprocess, "Popen", return_value=process), redirect_stdout(io.StringIO()):
                self.assertEqual(checks._tested({}, ["tests"], None), wanted)

    def test_whoever_is_told_to_end_ends_what_it_attends_to(self):
        inner = "import os, signal; print(os.getpid(), flush=True); signal.pause()"
        outer = (
            "import sys; from launch.step import attended, told_to_end\n"
            f"with told_to_end(): attended([sys.executable, '-c', {inner!r}])"
        )
        for told in (signal.SIGTERM, signal.SIGHUP, signal.SIGINT):
            with subprocess.Popen(
                [sys.executable, "-c", outer], cwd=ROOT, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, text=True
            ) as process:
                attended_to = int(process.stdout.readline())
                process.send_signal(told)
                self.assertNotEqual(process.wait(60), 0)
            self.assertFalse(Path(f"/proc/{attended_to}").exists(), told)

    def test_without_a_verb_the_help_is_shown_and_an_unknown_one_is_refused(self):
        out = io.StringIO()
        with redirect_stdout(out):
            self.assertEqual(command.main([]), 2)
        for verb in ("start", "test", "bench", "shots", "core", "manage"):
            self.assertIn(verb, out.getvalue())
        with redirect_stderr(io.StringIO()), self.assertRaises(SystemExit):
            command.main(["dance"])

    def test_the_core_answers_through_the_command(self):
        done = subprocess.run([str(ROOT / "mantello"), "core", "mix"], input=b"{", capture_output=True, check=False)
        self.assertEqual(done.returncode, 2)
        self.assertIn(b'"kind": "Unreadable"', done.stdout)

    def test_no_lock_file_names_an_address_and_every_package_has_a_hash(self):
        for lock in ("run", "check"):
            text = (ROOT / "requirements" / f"{lock}.lock").read_text()
            self.assertNotIn("://", text)
            self.assertEqual(
                text.count("=="), len([line for line in text.splitlines() if "==" in line and line.endswith("\\")])
            )


class Prepared(SimpleTestCase):
    """A start looks at everything once, and again only after something changed."""

    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.root = Path(folder.name)
        (self.root / "src").mkdir()
        (self.root / "src" / "one.py").write_text("ONE = 1")
        for name, value in (
            ("ROOT", self.root),
            ("STATE", self.root),
            ("VENV", self.root),
            ("_STAMP", self.root / "stamp"),
        ):
            changed = mock.patch.object(prepared, name, value)
            changed.start()
            self.addCleanup(changed.stop)
        self.database = mock.Mock()
        self.database.query.return_value = "120 120|t"
        prepared.note_prepared(self.database, True)

    def asked(self, demo: bool = True) -> bool:
        return prepared.is_prepared(self.database, demo)

    def test_nothing_changed_is_prepared(self):
        self.assertTrue(self.asked())
        (self.root / "src" / "__pycache__").mkdir()
        (self.root / "src" / "__pycache__" / "one.pyc").write_bytes(b"read")
        self.assertTrue(self.asked())

    def test_other_code_tables_or_ways_are_not(self):
        self.assertFalse(self.asked(demo=False))
        for left in ("121 121|t", "120 120|f", ""):
            self.database.query.return_value = left
            self.assertFalse(self.asked(), left)
        self.database.query.side_effect = SetupError("no tables", "make them")
        self.assertFalse(self.asked())

    def test_a_file_that_was_written_is_looked_at(self):
        (self.root / "src" / "one.py").write_text("ONE = 11")
        self.assertFalse(self.asked())
        prepared.note_prepared(self.database, True)
        self.assertTrue(self.asked())

    def test_what_could_not_be_told_is_not_taken_for_prepared(self):
        self.database.query.side_effect = SetupError("no tables", "make them")
        prepared.note_prepared(self.database, True)
        self.database.query.side_effect = None
        self.assertFalse(self.asked())
