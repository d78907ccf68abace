"""The documented examples answer, and the documented limits are those of the code."""

import json
from pathlib import Path
from unittest import TestCase

from mantello_core.formats.command import VERBS, answer

FOLDER = Path(__file__).resolve().parents[3] / "docs" / "formats"


class Documentation(TestCase):
    def test_every_verb_has_an_example_that_answers(self):
        for verb in VERBS:
            status, text = answer(verb, (FOLDER / "examples" / f"{verb}.json").read_bytes())
            self.assertEqual(status, 0, text[:300])
            self.assertTrue(json.loads(text))

    def test_the_example_of_a_refusal_is_what_is_said(self):
        told = next(line for line in (FOLDER / "README.md").read_text().splitlines() if line.startswith('{"error"'))
        bad = {"mix": {"parts": [{"paint": "lantern-yelow", "parts": 1}]}}
        said = json.loads(answer("coats", json.dumps(bad).encode())[1])["error"]
        self.assertEqual(
            (said["kind"], said["where"]), (json.loads(told)["error"]["kind"], json.loads(told)["error"]["where"])
        )
