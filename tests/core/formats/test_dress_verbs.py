"""The verbs about dress: lists to facts and questions, almanacs to what was worn; refusals at their place."""

import base64
import json
from unittest import TestCase

from mantello_core.formats.almanac_document import read_almanac, write_almanac
from mantello_core.formats.command import answer
from mantello_core.formats.found_table import facts_of, write_reading
from mantello_core.formats.sample import dress_almanac, sample_list
from mantello_core.uniforms.reading.table import read_table


def asked(verb: str, document: dict) -> tuple[int, dict]:
    """Status and answer of a verb."""
    status, text = answer(verb, json.dumps(document).encode())
    return status, json.loads(text)


class Verbs(TestCase):
    def test_a_list_becomes_facts_questions_and_fates(self):
        status, said = asked("dress", {"base64": base64.b64encode(sample_list()).decode()})
        self.assertEqual(status, 0)
        self.assertTrue(all(cell["became"] != "empty" for row in said["rows"] for cell in row["cells"] if cell["text"]))
        self.assertIn("word:moth", [one["id"] for one in said["doubts"]])
        _, again = asked("dress", {"text": sample_list().decode(), "answers": {"word:moth": "olive"}})
        self.assertIn("olive", json.dumps(again["facts"]))

    def test_what_was_read_is_read_back(self):
        reading = read_table(sample_list())
        self.assertEqual(facts_of(json.loads(json.dumps(write_reading(reading)))), tuple(reading.facts))

    def test_an_almanac_tells_what_one_regiment_wore(self):
        document = write_almanac(dress_almanac())
        _, said = asked(
            "almanac",
            {
                "almanac": document,
                "year": 212,
                "wearer": {"arm": "Tidewall Fusiliers", "number": 5, "title": "Saltpan"},
            },
        )
        facing = next(one for one in said["regiments"][0]["worn"] if one["garment"] == "facing")
        self.assertEqual((facing["worn"], facing["status"], len(facing["ladder"])), ("white", "disputed", 2))

    def test_refusals_name_their_place(self):
        document = write_almanac(dress_almanac())
        broken = json.loads(json.dumps(document))
        broken["facts"][3]["parts"][0]["term"] = "mauvish"
        twice = json.loads(json.dumps(document))
        twice["facts"][1]["id"] = twice["facts"][0]["id"]
        for verb, given, where in (
            ("dress", {}, "/text"), ("dress", {"text": ""}, "table"), ("dress", {"base64": "***"}, "/base64"),
            ("almanac", {"almanac": broken, "year": 212}, "/almanac/facts/3/parts/0/term"), ("almanac", {"almanac": {}, "year": 212}, "/almanac"),
            ("almanac", {"almanac": twice, "year": 212}, "/almanac/facts"),
        ):  # fmt: skip
            with self.subTest(where=where):
                status, said = asked(verb, given)
                self.assertEqual((status, said["error"]["where"]), (2, where))

    def test_a_settled_choice_and_a_picked_colour_are_kept(self):
        document = write_almanac(dress_almanac())
        document["facts"][0]["picked"] = [40.0, 2.0, -20.0]
        document["settled"] = [["Tidewall Fusiliers 5, Saltpan", "facing", "f5"]]
        self.assertEqual(write_almanac(read_almanac(document)), document)
