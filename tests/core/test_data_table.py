"""Tables that ship: the kept form says what the text says, and is passed over once the text says something else."""

import json
import sys
import tempfile
import tomllib
import unittest
from importlib import invalidate_caches
from pathlib import Path

import mantello_core
from mantello_core.data_table import data_table, kept_form

CORE = Path(mantello_core.__file__).parent


class DataTables(unittest.TestCase):
    def test_every_kept_form_is_of_its_text(self):
        written = sorted(CORE.rglob("data/*.toml"))
        self.assertGreater(len(written), 20)
        for one in written:
            with self.subTest(one.stem):
                kept = one.parent / "kept" / f"{one.stem}.json"
                self.assertEqual(kept.read_text(encoding="utf-8"), kept_form(one.read_bytes()) + "\n", "run ship")
                self.assertEqual(json.loads(kept.read_bytes())["table"], tomllib.loads(one.read_text(encoding="utf-8")))

    def test_none_is_kept_of_a_text_that_is_gone(self):
        for kept in CORE.rglob("data/kept/*.json"):
            self.assertTrue((kept.parent.parent / f"{kept.stem}.toml").exists(), kept)

    def test_a_text_that_was_changed_is_read_itself(self):
        with tempfile.TemporaryDirectory() as place:
            folder = Path(place) / "rowed_tables" / "data"
            (folder / "kept").mkdir(parents=True)
            (folder.parent / "__init__.py").touch()
            text, kept = folder / "rows.toml", folder / "kept" / "rows.json"
            text.write_text("[[row]]\nname = 'one'\nshare = 0.5\n", encoding="utf-8")
            sys.path.insert(0, place)
            self.addCleanup(sys.path.remove, place)
            self.addCleanup(sys.modules.pop, "rowed_tables", None)
            invalidate_caches()
            self.assertEqual(data_table("rowed_tables", "rows")["row"], [{"name": "one", "share": 0.5}])
            kept.write_text(kept_form(text.read_bytes()).replace("one", "kept"), encoding="utf-8")
            self.assertEqual(data_table("rowed_tables", "rows")["row"][0]["name"], "kept")
            text.write_text("[[row]]\nname = 'two'\n", encoding="utf-8")
            self.assertEqual(data_table("rowed_tables", "rows")["row"], [{"name": "two"}])
