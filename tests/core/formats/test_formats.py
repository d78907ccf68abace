"""Documents, rosters and the command line: what is written reads back; what is not understood is said."""

import csv
import io
import json
import unittest
from dataclasses import replace
from datetime import datetime
from unittest.mock import patch

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.army.figure_filter import Filter
from mantello_core.checks.inspect import CHECKS, inspect
from mantello_core.design import muster
from mantello_core.design.design import Design
from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName, Unreadable
from mantello_core.formats.command import VERBS, _function, answer
from mantello_core.formats.document.design import (
    design_bytes,
    read_design,
    read_design_bytes,
    read_kept_design,
    write_design,
)
from mantello_core.formats.roster.reading import read_roster
from mantello_core.formats.roster.writing import write_roster, write_roster_json
from mantello_core.formats.sample import camouflaged_levy, levy
from mantello_core.formats.text_file import decoded
from mantello_core.formats.validation import schema
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.rule import Rule
from mantello_core.scheme.scheme import Scheme
from tests.core.case import RefusalCase
from tests.samples import calvessa, rule, small_design

NAMES = st.text(st.characters(codec="utf-8", exclude_categories=("C", "Z")), min_size=1, max_size=30)


class Documents(RefusalCase):
    def test_the_demo_reads_back_identical(self):
        self.assertEqual(read_design_bytes(design_bytes(calvessa())), calvessa())

    def test_what_was_kept_is_read_without_going_over_its_form_and_refused_all_the_same(self):
        document = write_design(calvessa())
        with patch("mantello_core.formats.document.design.check", side_effect=AssertionError):
            self.assertEqual(read_kept_design(document, {}.get), calvessa())
        damaged = document | {"scheme": document["scheme"] | {"roles": [{"id": "field"}]}}
        with self.assertRaisesMessage(Unreadable, "/scheme/roles/0"):
            read_kept_design(damaged, {}.get)
        named = document | {"scheme": document["scheme"] | {"locked": ["nowhere"]}}
        with self.assertRaisesMessage(UnknownName, "nowhere"):
            read_kept_design(named, {}.get)

    def test_what_an_earlier_version_kept_is_gone_over(self):
        older = write_design(calvessa()) | {"version": 7}
        with patch("mantello_core.formats.document.design.check") as check:
            self.assertEqual(read_kept_design(older, {}.get), calvessa())
        check.assert_called_once()

    @given(
        st.lists(st.tuples(NAMES, st.sampled_from(("fusilier", "ranger")), st.integers(1, 40)), min_size=1, max_size=6),
        st.booleans(),
        st.integers(0, 4),
    )
    @settings(deadline=None, max_examples=40)
    def test_any_design_reads_back_identical(self, units, binding, every):
        entries = [
            muster.Entry(f"{name} {at}", type_id, "Figure", count, ("One",))
            for at, (name, type_id, count) in enumerate(units)
        ]
        design = muster.with_entries(Design(muster.empty_army("Force"), small_design().scheme), entries)
        made = Rule(
            "r",
            "army",
            ("arm.*.cuff", "@metal"),
            "field",
            Filter(type="fusilier", every=every, first=2 if every else 1),
            binding,
        )
        design = replace(design, scheme=replace(design.scheme, rules=(made,)))
        self.assertEqual(read_design_bytes(design_bytes(design)), design)

    def test_the_levy_is_an_army_of_six_formations_wholly_dressed(self):
        army = levy().army
        self.assertEqual(len(army.root.children), 6)
        self.assertTrue(180 <= army.figures <= 220)
        self.assertGreaterEqual(len({rank.type for unit in army.units for rank in unit.ranks}), 14)
        resolution = resolve(army, levy().scheme)
        self.assertEqual(resolution.gaps, [])
        self.assertEqual(resolution.dead_rules(levy().scheme, army), [])
        self.assertNotIn("wrong", {check.verdict for check in inspect(levy(), resolution)})

    def test_the_same_design_gives_the_same_bytes(self):
        self.assertEqual(design_bytes(calvessa()), design_bytes(read_design(write_design(calvessa()))))

    def test_what_is_no_document_is_refused_with_its_place(self):
        for data, said in (
            (b"\xff\xfe", "not UTF-8"),
            (b"{", "line 1"),
            (b"[]", "group of named values"),
            (b"{}", "lacks"),
            (rb'{"format": "half \ud800"}', "U+D800"),
            (b"[" * 100_000, "nested"),
        ):
            with self.assertRaisesMessage(Unreadable, said):
                read_design_bytes(data)
        with self.assertRaises(OutOfRange):
            read_design_bytes(b" " * 12_000_001)

    def broken(self, change) -> MantelloError:
        document = write_design(calvessa())
        change(document)
        with self.assertRaises(MantelloError) as refusal:
            read_design(document)
        return refusal.exception

    def test_what_contradicts_itself_is_refused_with_a_pointer(self):
        def set_scope(document):
            document["scheme"]["rules"][3]["scope"] = "nowhere"

        def set_role(document):
            document["scheme"]["rules"][0]["role"] = "trimm"

        def set_paint(document):
            document["scheme"]["roles"][0]["recipes"]["rank"][0]["mix"]["parts"][0]["paint"] = "brine-gren"

        def set_count(document):
            document["army"]["root"]["children"][0]["children"][0]["children"][0]["ranks"][0]["figures"] = 0

        def count_in_fractions(document):
            document["army"]["root"]["children"][0]["children"][0]["children"][0]["ranks"][0]["figures"] = 3.0

        def start_in_fractions(document):
            document["evenings"]["pattern"][0][1] = 1140.0

        def set_type(document):
            document["army"]["root"]["children"][0]["children"][0]["children"][0]["ranks"][0]["type"] = "dragoon"

        def twice(document):
            document["scheme"]["roles"].append(document["scheme"]["roles"][0])

        def null(document):
            document["scheme"]["name"] = "Winter\x00dress"

        def half_a_sign(document):
            document["army"]["root"]["name"] = "Levy \ud800"

        def undercoat(document):
            document["scheme"]["undercoat"] = "brine-green"

        for change, kind, place in (
            (set_scope, UnknownName, "/scheme/rules/3/scope"),
            (set_role, UnknownName, "/scheme/rules/0/role"),
            (set_paint, UnknownName, "/scheme/roles/0/recipes/rank/0/mix/parts/0"),
            (set_count, Unreadable, "/army/root/children/0/children/0/children/0/ranks/0/figures"),
            (count_in_fractions, Unreadable, "/army/root/children/0/children/0/children/0/ranks/0/figures"),
            (start_in_fractions, Unreadable, "/evenings/pattern/0/1"),
            (set_type, UnknownName, "/army/root/children/0/children/0/children/0/ranks/0/type"),
            (twice, Contradiction, "/scheme/roles"),
            (undercoat, OutOfRange, "/scheme/undercoat"),
            (null, Unreadable, "/scheme/name"),
            (half_a_sign, Unreadable, "/army/root/name"),
        ):
            error = self.broken(change)
            self.assertIsInstance(error, kind)
            self.assertEqual(error.where, place)

    @given(
        st.recursive(
            st.none() | st.booleans() | st.integers() | st.text(max_size=8),
            lambda inner: (
                st.lists(inner, max_size=3)
                | st.dictionaries(
                    st.sampled_from(["format", "version", "army", "scheme", "root", "id"]), inner, max_size=4
                )
            ),
            max_leaves=12,
        )
    )
    def test_no_json_whatever_ends_in_anything_but_a_refusal(self, document):
        with self.assertRaises(MantelloError):
            read_design(document)


class Rosters(RefusalCase):
    def test_commas_semicolons_and_tabs_are_recognised_with_and_without_header(self):
        plain = "Line,fusilier,Fusilier,9,1st / Blue\n"
        for text in (
            plain,
            plain.replace(",", ";"),
            plain.replace(",", "\t"),
            "Squad;Model;Grade;Qty;Belongs to\n" + plain.replace(",", ";"),
        ):
            line = read_roster(text).lines[0]
            self.assertEqual(line.doubts, {})
            self.assertEqual(
                (line.entry.unit, line.entry.type, line.entry.rank, line.entry.figures, line.entry.path),
                ("Line", "fusilier", "Fusilier", 9, ("1st", "Blue")),
            )

    def test_columns_may_come_in_any_order_once_they_are_named(self):
        line = read_roster("count,type,unit\n4,ranger,Scouts").lines[0]
        self.assertEqual(
            (line.entry.figures, line.entry.type, line.entry.unit, line.entry.rank), (4, "ranger", "Scouts", "Figure")
        )

    def test_a_line_in_doubt_comes_back_with_each_doubt_at_its_field(self):
        line = read_roster("Line,fusileer,Fusilier,many,1st").lines[0]
        self.assertIsNone(line.entry)
        self.assertEqual(set(line.doubts), {"type", "figures"})
        self.assertIn("did you mean fusilier", line.doubts["type"])
        self.assertIn("'many' is no count", line.doubts["figures"])
        self.assertEqual(line.values["figures"], "many")

    def test_nothing_is_dropped(self):
        lines = read_roster("Line,fusilier,Fusilier,9,1st,and more\n,,,,\n???\nLine,sergeant,Sergeant,x1,1st").lines
        self.assertEqual(len(lines), 3)
        self.assertIn("and more", lines[0].doubts["formation"])
        self.assertIn("unit", lines[1].values)
        self.assertEqual(lines[2].entry.figures, 1)

    def test_plain_words_without_headings_make_units_and_leaders_join_them(self):
        lines = read_roster(
            "1 captain\n9 fusiliers\n1 x fusilier sergeant\n3 knights\nWatch:\n  6 rangers\n2 lancers"
        ).lines
        self.assertEqual(
            [line.entry.unit for line in lines],
            ["Fusiliers", "Fusiliers", "Fusiliers", "Knights", "Watch", "Watch"],
        )
        self.assertEqual(
            [line.entry.unit for line in read_roster("1 captain\n1 sergeant").lines], ["Captain", "Sergeant"]
        )

    def test_plain_words_under_headings_are_read(self):
        text = "1st Weir:\n  Blue:\n    9 fusiliers\n    1 x Fusilier sergeant\n  Grey:\n    - 4 rangers\n    some dragoons\n"
        lines = read_roster(text).lines
        told = [
            (one.entry.figures, one.entry.type, one.entry.rank, one.entry.unit, one.entry.path) for one in lines[:3]
        ]
        self.assertEqual(told[0], (9, "fusilier", "Fusilier", "Blue", ("1st Weir",)))
        self.assertEqual(told[1], (1, "sergeant", "Fusilier sergeant", "Blue", ("1st Weir",)))
        self.assertEqual(told[2], (4, "ranger", "Ranger", "Grey", ("1st Weir",)))
        self.assertEqual(lines[1].entry.tier, "leader")
        self.assertEqual(set(lines[3].doubts), {"type", "figures"})
        self.assertEqual(lines[3].values["type"], "some dragoons")

    def test_a_roster_in_json_that_is_none_or_holds_half_a_sign_is_refused(self):
        for text, said in (('[{"unit": "Line"', "is not JSON"), (r'[{"unit": "half \ud800"}]', "U+D800")):
            with self.assertRaisesMessage(Unreadable, said) as refused:
                read_roster(text)
            self.assertEqual(refused.exception.where, "roster")

    def test_json_is_read_and_what_does_not_fit_is_asked_back(self):
        found = read_roster(
            '{"roster": [{"squad": "Line", "model": "fusilier", "qty": 4, "formation": ["1st", "Blue"]}, 7, {"unit": "A", "mood": "grim"}]}'
        )
        lines = found.lines
        self.assertEqual(
            (lines[0].entry.unit, lines[0].entry.figures, lines[0].entry.path), ("Line", 4, ("1st", "Blue"))
        )
        self.assertIn("7", lines[1].doubts["formation"])
        self.assertEqual([one.text for one in found.told], ["mood: grim"])
        for text in ("[", "{}", "[]", '{"roster": "x"}'):
            with self.assertRaises(Unreadable):
                read_roster(text)

    def test_a_sign_that_cannot_be_kept_is_told_at_its_field_and_shown_as_such(self):
        (line,) = read_roster("Li\x00ne,fusilier,Fusilier,3,Weir").lines
        self.assertIn("U+0000", line.doubts["unit"])
        self.assertEqual(line.values["unit"], "Li\ufffdne")
        with self.assertRaisesMessage(Unreadable, "NUL"):
            read_roster('[{"unit": "Li\\u0000ne", "type": "fusilier", "figures": 3}]')

    def test_names_that_look_like_formulas_are_harmless_in_a_spreadsheet_and_read_back_to_the_letter(self):
        design = calvessa()
        names = ("=1+2", "-- Old Guard", "@home", "'=quoted", "+Volunteers")
        for unit, name in zip([one.id for one in design.army.units], names, strict=False):
            design = muster.with_node_named(design, unit, name)
        text = write_roster(design.army)
        self.assertFalse(
            [cell for row in csv.reader(io.StringIO(text)) for cell in row if cell[:1] in ("=", "+", "-", "@")]
        )
        said = {line.values["unit"] for line in read_roster(text).lines}
        self.assertTrue({node.name for node in design.army.units} <= said)

    def test_the_demo_survives_the_way_to_a_json_roster_and_back(self):
        army = calvessa().army
        entries = [line.entry for line in read_roster(write_roster_json(army)).lines]
        back = muster.with_entries(Design(muster.empty_army(army.root.name), Scheme("Scheme")), entries).army
        self.assertEqual(
            [(unit.name, unit.ranks) for unit in back.units], [(unit.name, unit.ranks) for unit in army.units]
        )

    def test_files_in_usual_encodings_are_read_and_pictures_refused(self):
        text = "Ligne,fusilier,Fusilier,9,Côté mer"
        for name in ("utf-8", "utf-8-sig", "utf-16", "cp1252"):
            self.assertEqual(decoded(text.encode(name)), text)
        for data in (b"\x89PNG\r\n\x1a\n\x00\xff", b"\xff\xfe\x00"):
            with self.assertRaises(Unreadable):
                decoded(data)

    def test_a_leader_is_known_by_the_name_of_the_rank(self):
        self.assertEqual(
            [line.entry.tier for line in read_roster("A,sergeant,Sergeant,1\nA,fusilier,Fusilier,9").lines],
            ["leader", "rank"],
        )

    def test_the_demo_survives_the_way_to_a_roster_and_back(self):
        army = calvessa().army
        back = muster.with_entries(
            Design(muster.empty_army(army.root.name), Scheme("Scheme")),
            [line.entry for line in read_roster(write_roster(army)).lines],
        ).army
        self.assertEqual(
            [(unit.name, unit.ranks) for unit in back.units], [(unit.name, unit.ranks) for unit in army.units]
        )

    def test_lines_that_an_open_quotation_mark_ran_together_are_asked_back(self):
        line = read_roster('Line,fusilier,"Fusilier,3\nLine,sergeant,Sergeant,1').lines[0]
        self.assertIn("quotation mark", line.doubts["rank"])
        with self.assertRaisesMessage(Unreadable, "quotation mark"):
            read_roster('Line,fusilier,"' + "x" * 140_000)

    def test_an_empty_or_a_huge_roster_is_refused(self):
        for text, kind in (
            ("  \n", Unreadable),
            ('"', Unreadable),
            ("unit,type\n", Unreadable),
            ("x" * 200_001, OutOfRange),
            ("a,b\n" * 2001, OutOfRange),
        ):
            with self.assertRaises(kind):
                read_roster(text)

    @given(st.text(max_size=300))
    def test_any_text_is_read_or_refused_and_never_passes_unnoticed(self, text):
        try:
            lines = read_roster(text).lines
        except MantelloError:
            return
        for line in lines:
            self.assertTrue(line.entry or line.doubts)


class Command(RefusalCase):
    def ask(self, verb, document):
        status, text = answer(verb, json.dumps(document).encode())
        return status, json.loads(text)

    def test_resolve_gives_every_area_and_the_ladder_of_a_figure(self):
        design = small_design(rule("a", "army", "torso", "field"))
        status, said = self.ask(
            "resolve",
            {"design": write_design(design), "figure": {"unit": "first-line", "rank": "fusilier", "ordinal": 2}},
        )
        self.assertEqual((status, said["figures"]), (0, 6))
        area = said["classes"][0]["areas"]["torso.coat.lapel.left"]
        self.assertEqual(area, {"role": "field", "rung": 1, "rule": "a"})
        self.assertEqual(said["ladder"]["areas"]["torso.coat.lapel.left"][0]["rule"], "a")
        self.assertEqual([rung["number"] for rung in said["ladder"]["rungs"]], [1, 2, 3, 4, 5, 6])

    def test_coats_and_mix_answer_for_a_mix(self):
        mix = {"parts": [{"paint": "madder-rope", "parts": 2}], "diluent": "water", "diluent_parts": 1}
        status, said = self.ask("coats", {"mix": mix, "undercoat": "undercoat-soot"})
        self.assertEqual((status, said["undercoats"][0]["undercoat"]), (0, "undercoat-soot"))
        self.assertGreaterEqual(said["undercoats"][0]["coats"], 1)
        status, said = self.ask("mix", mix)
        self.assertEqual((status, said["mix"], said["coat_micrometres"]), (0, "Madder Rope 2, water 1", 8.0))
        self.assertRegex(said["colour"]["hex"], "^#[0-9a-f]{6}$")

    def test_plan_lays_the_design_into_evenings(self):
        design = small_design(rule("a", "army", "", "field"))
        status, said = self.ask("plan", {"design": write_design(design), "start": "2026-11-24T19:00"})
        self.assertEqual((status, said["unplaced"]), (0, 0))
        first = said["sessions"][0]["blocks"][0]
        self.assertEqual(first["pot"], "spray|Undercoat Slate")
        self.assertGreaterEqual(said["desk_minutes"], said["bound_minutes"])
        self.assertEqual(datetime.fromisoformat(said["sessions"][0]["start"]).hour, 19)

    def test_plates_lists_types_areas_and_neighbours(self):
        status, said = self.ask("plates", {})
        self.assertEqual(status, 0)
        self.assertGreaterEqual(len(said["plates"]), 4)
        status, said = self.ask("plates", {"type": "ranger"})
        area = said["plates"][0]["areas"][0]
        self.assertEqual(
            set(area),
            {
                "area",
                "name",
                "material",
                "mm2",
                "surface_mm2",
                "synonyms",
                "visibility",
                "depth",
                "edge_exposure",
                "neighbours",
            },
        )

    def test_checks_lists_findings_with_place_number_and_fix(self):
        status, said = self.ask("checks", {"design": write_design(calvessa())})
        self.assertEqual((status, len(said["checks"])), (0, len(CHECKS)))
        for one in said["checks"]:
            self.assertEqual(one["verdict"] == "clear", not one["findings"], one["check"])
        self.assertAlmostEqual(sum(hue["share"] for hue in said["harmony"]["hues"]), 1, places=2)
        bare = self.ask("checks", {"design": write_design(small_design(rule("a", "army", "torso", "field")))})[1]
        found = bare["checks"][0]
        self.assertEqual((found["check"], found["verdict"]), ("unmapped", "wrong"))
        self.assertIn("base.rim", [finding["place"]["area"] for finding in found["findings"]])

    def test_roster_takes_what_is_clear_and_gives_back_what_is_doubtful(self):
        text = "unit,type,rank,figures\nHarbour,fusilier,Fusilier,9\nHarbour,balloonist,Balloonist,2"
        status, said = self.ask("roster", {"text": text, "name": "Tidewall"})
        self.assertEqual((status, said["figures"]), (0, 9))
        self.assertEqual([line["taken"] for line in said["lines"]], [True, False])
        self.assertEqual(list(said["lines"][1]["doubts"]), ["type"])
        self.assertEqual(read_design(said["design"]).army.root.name, "Tidewall")
        status, said = self.ask("roster", {"text": ""})
        self.assertEqual((status, said["error"]["where"]), (2, "roster"))

    def test_bad_input_ends_with_two_and_says_kind_message_and_place(self):
        cases = {
            ("dance", b"{}"): "Unreadable",
            ("mix", b"{"): "Unreadable",
            ("mix", b"\xff"): "Unreadable",
            ("mix", b"{}"): "Unreadable",
            ("mix", b'{"parts": [{"paint": "x", "parts": 1}]}'): "UnknownName",
            ("mix", b'{"parts": [{"paint": "madder-rope", "parts": 99}]}'): "Unreadable",
            ("mix", b'{"parts": [{"paint": "madder-rope", "parts": 1}], "diluent": "water"}'): "OutOfRange",
            ("plates", b'{"type": "dragoon"}'): "UnknownName",
            ("plan", b'{"design": {}, "start": "soon"}'): "Unreadable",
        }
        for (verb, data), kind in cases.items():
            status, text = answer(verb, data)
            self.assertEqual(status, 2, verb)
            error = json.loads(text)["error"]
            self.assertEqual(set(error), {"kind", "message", "where"})
            self.assertEqual(error["kind"], kind, (verb, data))

    def test_an_impossible_date_is_refused_at_its_place(self):
        status, said = self.ask("plan", {"design": write_design(small_design()), "start": "2026-13-45"})
        self.assertEqual((status, said["error"]["where"]), (2, "/start"))

    def test_every_verb_has_a_schema_and_help_names_it(self):
        status, text = answer("help", b"")
        self.assertEqual(status, 0)
        lines = dict(line.split(maxsplit=1) for line in text.splitlines())
        self.assertEqual(list(lines), list(VERBS))
        for verb in VERBS:
            self.assertEqual(lines[verb], _function(verb).__doc__.splitlines()[0])
            self.assertEqual(schema(verb)["$schema"], "https://json-schema.org/draft/2020-12/schema")


class CamouflageVerb(unittest.TestCase):
    def asked(self, **given):
        status, text = answer("camouflage", json.dumps(given).encode())
        return status, json.loads(text)

    def test_a_figure_of_a_design_answers_as_the_product_draws_it(self):
        design = json.loads(design_bytes(camouflaged_levy()))
        figure = {"unit": "punt-cars", "rank": "punt-car", "ordinal": 2}
        status, found = self.asked(design=design, figure=figure, pattern="estuary-blotch")
        self.assertEqual(status, 0, found)
        self.assertAlmostEqual(sum(found["shares"]), 1, places=3)
        self.assertEqual([view["name"] for view in found["views"]], ["left", "right", "top"])
        self.assertTrue(all(len(view["inks"]) == 3 for view in found["views"]))
        self.assertEqual([work["ink"] for work in found["work"]], [1, 2])

    def test_nonsense_is_refused_with_its_place(self):
        pattern = {
            "id": "x",
            "name": "X",
            "family": "blotch",
            "inks": [{"role": "a", "share": 0.5}, {"role": "b", "share": 0.5}],
        }
        for asked, where in (
            ({}, "/"), ({"type": "puntcar", "pattern": "x"}, "/"), ({"type": "puntcar", "pattern": pattern, "areas": ["moon"]}, "/areas"),
            ({"type": "ranger", "pattern": pattern}, "/areas"), ({"type": "puntcar", "pattern": pattern | {"family": "tartan"}}, "/pattern/family"),
            ({"type": "puntcar", "pattern": pattern | {"inks": pattern["inks"][:1]}}, "/pattern/inks"),
        ):  # fmt: skip
            status, found = self.asked(**asked)
            self.assertEqual((status, found["error"]["where"]), (2, where), found)


class VarietyVerb(unittest.TestCase):
    def asked(self, **given):
        status, text = answer("variety", json.dumps(given).encode())
        return status, json.loads(text)

    def test_who_wears_what_with_pots_and_openings(self):
        cloth = [["undyed", "#cfc4a8"], ["brown", "#5f4534"], ["blue", "#6d8295"], ["moss", "#5d6340"]]
        options = [{"id": name, "colours": [[name, colour, 1]]} for name, colour in cloth]
        garments = [{"id": name, "options": options} for name in ("tunic", "breeches", "cap")]
        pins = [{"figure": 3, "garment": "cap", "option": "moss"}]
        status, found = self.asked(figures=12, garments=garments, touching=[["tunic", "breeches"]], pins=pins, least=2)
        self.assertEqual(status, 0, found)
        self.assertEqual((len(found["figures"]), found["figures"][2]["cap"]), (12, "moss"))
        self.assertEqual(sum(one["is"] for one in found["counts"]["tunic"].values()), 12)
        self.assertEqual(sum(len(one["work"]) for one in found["openings"]), 36)
        more = self.asked(
            figures=18, garments=garments, touching=[["tunic", "breeches"]], kept=found["figures"], least=2
        )[1]
        self.assertEqual(more["figures"][:12], found["figures"])

    def test_nonsense_is_refused_with_its_place(self):
        garment = {"id": "tunic", "options": [{"id": "blue", "colours": [["blue", "#6d8295", 1]]}]}
        good = {"figures": 6, "garments": [garment]}
        for changed, where in (
            ({"figures": 0}, "/figures"), ({"figures": 9999}, "/figures"), ({"garments": []}, "/garments"), ({"touching": [["tunic", "hat"]]}, "/touching/0/1"),
            ({"pins": [{"figure": 1, "garment": "tunic", "option": "red"}]}, "/pins/0/option"), ({"kept": [{}]}, "/kept/0/tunic"),
            ({"leaders": [7]}, "/leaders"), ({"abreast": 9}, "/abreast"), ({"moon": 1}, "/"),
        ):  # fmt: skip
            status, found = self.asked(**good | changed)
            self.assertEqual((status, found["error"]["where"]), (2, where), found)
