"""Lists of figures as people write them: every line is understood or told, nothing is added up in silence."""

import json
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.design.design import Design
from mantello_core.design.muster import empty_army, with_entries
from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.figures.catalogue import shipped_titles
from mantello_core.formats.roster.line import FIELDS, REPEAT, figures_of, types_in
from mantello_core.formats.roster.reading import read_roster
from mantello_core.formats.roster.repeats import with_repeats_asked
from mantello_core.formats.roster.vocabulary import counted, field_called
from mantello_core.scheme.scheme import Scheme
from tests.core.case import RefusalCase


def entries(text, **by_hand):
    return [one.entry for one in read_roster(text, **by_hand).lines]


def short(text, **by_hand):
    return [(one.path, one.unit, one.type, one.figures) for one in entries(text, **by_hand)]


class Counts(TestCase):
    def test_counts_in_every_usual_form(self):
        for text, number in (
            ("24", 24), ("24 x", 24), ("20x", 20), ("x20", 20), ("2 x 12", 24), ("2×12", 24), ("twenty-four", 24), ("a dozen", 12),
            ("two dozen", 24), ("half a dozen", 6), ("12 models", 12), ("1,200", 1200), ("10.0", 10), ("one", 1), ("a pair of", 2),
        ):  # fmt: skip
            self.assertEqual(counted(text), number, text)

    def test_what_is_no_count_is_none(self):
        for text in ("", "many", "10+1", "~20", "ten or so", "1.5", "five ten", "x"):
            self.assertIsNone(counted(text), text)
        self.assertIn("from 1 to", figures_of("0")[1])

    def test_headings_are_known_by_many_words_in_any_dress(self):
        for heading, field in (
            ("QTY", "figures"), ("No. of models", "figures"), ("# ", "figures"), ("Unit_Name", "unit"), ("Régiment", "formation"), ("Miniature(s)", "type"),
            ("Painted to:", "tier"), ("Anzahl", "figures"), ("Grade", "rank"), ("mood", ""),
        ):  # fmt: skip
            self.assertEqual(field_called(heading), field, heading)


class Days(TestCase):
    def test_a_day_is_kept_and_what_is_none_is_a_doubt_at_its_field(self):
        kept, wrong, none = read_roster(
            "unit,type,rank,figures,due\nA,fusilier,F,3,2027-03-01\nB,fusilier,F,3,in spring\nC,fusilier,F,3,\n"
        ).lines
        self.assertEqual((dict(kept.doubts), kept.entry is None), ({}, False))
        self.assertEqual(list(wrong.doubts), ["due"])
        self.assertIn("'in spring' is no day", wrong.doubts["due"])
        self.assertEqual(dict(none.doubts), {})


class Types(TestCase):
    def test_a_type_is_found_in_words_and_two_are_both_told(self):
        titles = shipped_titles()
        self.assertEqual(types_in("Line Fusiliers", titles), ("fusilier",))
        self.assertEqual(types_in("fusilier sergeant", titles), ("sergeant",))
        self.assertEqual(types_in("knight or ranger", titles), ("knight", "ranger"))
        (line,) = read_roster("1 fusilier ranger").lines
        self.assertIn("names 2 figure types: fusilier and ranger", line.doubts["type"])


class Words(TestCase):
    def test_counts_may_stand_anywhere(self):
        text = "24 x fusiliers\n20x rangers\nKnights (6)\nLancers: 5\nGunners - 4\nSailors x 3\na dozen pikemen\ntwo captains\n"
        found = [(one.entry.figures if one.entry else one.values["figures"]) for one in read_roster(text).lines]
        self.assertEqual(list(map(int, found)), [24, 20, 6, 5, 4, 3, 12, 2])

    def test_two_times_twelve_are_two_units_or_twice_as_many_of_one(self):
        self.assertEqual(
            [(unit, figures) for _, unit, _, figures in short("2 x 12 fusiliers")],
            [("Fusiliers 1", 12), ("Fusiliers 2", 12)],
        )
        found = read_roster("Blue Company:\n  2 x 12 fusiliers")
        self.assertEqual([(one.entry.unit, one.entry.figures) for one in found.lines], [("Blue Company", 24)])
        self.assertIn("Read as 24 fusiliers of 'Blue Company'", next(one.words for one in found.told if one.matters))

    def test_several_groups_on_a_line_and_some_within_others(self):
        self.assertEqual(
            [one[2:] for one in short("9 fusiliers, 1 sergeant and 2 rangers")],
            [("fusilier", 9), ("sergeant", 1), ("ranger", 2)],
        )
        found = read_roster("10 fusiliers including 1 sergeant")
        self.assertEqual([one.entry.figures for one in found.lines], [9, 1])
        self.assertEqual([one.kind for one in found.told], ["assumed"])

    def test_headings_by_colon_underline_signs_or_standing_alone(self):
        text = "River Watch\n===========\n\nBlue Company\n9 fusiliers\n\n# Grey\n- 4 rangers\n[Red]\n* 2 knights\nBlack:\n  3 lancers"
        self.assertEqual(
            short(text),
            [
                (("River Watch",), "Blue Company", "fusilier", 9),
                (("River Watch",), "Grey", "ranger", 4),
                (("River Watch", "Grey"), "Red", "knight", 2),
                (("River Watch", "Grey"), "Black", "lancer", 3),
            ],
        )

    def test_points_remarks_and_totals_are_told_and_a_total_that_is_not_reached_first(self):
        found = read_roster("9 fusiliers [120 pts]\n// bought in spring\n6 rangers\nTotal: 15\n4 knights\nIn all 20")
        self.assertEqual(
            [(one.number, one.kind) for one in found.told], [(1, "remark"), (2, "remark"), (4, "total"), (6, "missing")]
        )
        self.assertEqual([one.entry.figures for one in found.lines], [9, 6, 4])
        self.assertIn("says 20; read were 4", found.told[-1].words)


class Tables(RefusalCase):
    SHEET = "River Watch, spring\n\nName,Models,What,Notes\n1st Company\nLine A,10,Fusilier,bases\nLine B,10,Fusiliers,\nTotal,20\n# later\nScouts,6,Ranger"

    def test_titles_sections_totals_remarks_and_other_columns(self):
        found = read_roster(self.SHEET)
        self.assertEqual(found.table.columns, ("unit", "figures", "type", ""))
        self.assertEqual(
            [(one.entry.path, one.entry.unit) for one in found.lines],
            [(("1st Company",), "Line A"), (("1st Company",), "Line B"), (("1st Company",), "Scouts")],
        )
        kinds = {one.number: one.kind for one in found.told if one.kind != "column"}
        self.assertEqual(kinds, {1: "remark", 3: "heading", 4: "heading", 7: "total", 8: "remark"})
        self.assertIn("bases", next(one.text for one in found.told if one.kind == "column"))

    def test_by_hand_the_header_and_the_columns_are_as_said(self):
        text = "mood,how,what\ngrim,7,ranger\n"
        self.assertEqual(short(text, header=1, columns=["unit", "figures", "type"]), [((), "grim", "ranger", 7)])
        first = read_roster(text, header=0, columns=["unit", "figures", "type"]).lines[0]
        self.assertIn("'how' is no count", first.doubts["figures"])

    def test_columns_without_names_are_known_by_what_stands_in_them(self):
        self.assertEqual(read_roster("9,Fusilier,Line A\n4,Ranger,Scouts").table.columns, ("figures", "type", "unit"))

    def test_empty_and_ditto_cells_are_those_above_and_it_is_told(self):
        found = read_roster('unit;type;count\nLine;fusilier;9\n;sergeant;1\n"";ranger;1\n')
        self.assertEqual([one.entry.unit for one in found.lines], ["Line", "Line", "Line"])
        self.assertEqual([one.kind for one in found.told if one.matters], ["assumed", "assumed"])
        same = read_roster("unit,type,rank,count\nLine,fusilier,Fusilier,9\nScouts,ditto,do.,4\n")
        self.assertEqual([(one.entry.type, one.entry.rank) for one in same.lines], [("fusilier", "Fusilier")] * 2)

    def test_a_heading_with_nothing_below_is_asked_back(self):
        found = read_roster("unit,type,count\nLine,fusilier,9\nReserve")
        self.assertEqual(set(found.lines[1].doubts), {"type", "figures"})

    def test_a_table_of_headings_and_remarks_only_is_refused(self):
        with self.assertRaisesMessage(Unreadable, "headings and remarks only"):
            read_roster("// one\n// two")


class Nested(TestCase):
    def test_formations_within_formations_down_to_ranks(self):
        text = json.dumps({
            "name": "River Watch", "points": 900,
            "regiments": [{"name": "1st", "companies": [{"name": "Blue", "units": [
                {"name": "Line A", "type": "fusilier", "count": 9, "mood": "grim"},
                {"name": "Line B", "ranks": [{"rank": "Fusilier", "type": "fusilier", "count": 8}, {"title": "Sergeant", "type": "sergeant", "count": 1}]},
            ]}]}],
        })  # fmt: skip
        found = read_roster(text)
        self.assertEqual(
            [(one.entry.path, one.entry.unit, one.entry.rank, one.entry.figures) for one in found.lines],
            [
                (("1st", "Blue"), "Line A", "Figure", 9),
                (("1st", "Blue"), "Line B", "Fusilier", 8),
                (("1st", "Blue"), "Line B", "Sergeant", 1),
            ],
        )
        self.assertEqual({one.text for one in found.told}, {"name: River Watch", "points: 900", "mood: grim"})

    def test_counts_by_type_under_names(self):
        self.assertEqual(
            short('{"1st Weir": {"Blue": {"fusilier": 9, "sergeant": 1}}}'),
            [(("1st Weir",), "Blue", "fusilier", 9), (("1st Weir",), "Blue", "sergeant", 1)],
        )

    def test_too_deep_is_refused(self):
        text = (
            '{"units": '
            + '[{"name": "a", "units": ' * 20
            + '[{"unit": "x", "type": "ranger", "count": 1}]'
            + "}]" * 20
            + "}"
        )
        with self.assertRaises(OutOfRange):
            read_roster(text)


class Repeats(TestCase):
    def asked(self, text, army=None, settled=()):
        return with_repeats_asked(read_roster(text).lines, army or empty_army("River Watch"), settled)

    def test_a_line_that_says_the_same_is_asked_and_more_of_it_is_added(self):
        text = "Line,fusilier,Fusilier,9\nLine,fusilier,Fusilier,9"
        first, second = self.asked(text)
        self.assertIsNotNone(first.entry)
        self.assertIn("stands in line 1 already, with 9", second.doubts[REPEAT])
        settled = self.asked(text, settled=[1])
        design = with_entries(Design(empty_army("A"), Scheme("S")), [one.entry for one in settled])
        self.assertEqual(design.army.figures, 18)

    def test_names_alike_but_for_capitals_are_asked_and_then_written_as_first(self):
        text = "Line,fusilier,Fusilier,9,Blue Company\nScouts,ranger,Ranger,4,blue company"
        second = self.asked(text)[1]
        self.assertIn("'blue company' is 'Blue Company' in line 1", second.doubts[REPEAT])
        self.assertEqual(self.asked(text, settled=[1])[1].entry.path, ("Blue Company",))

    def test_what_the_army_has_already_is_asked_too(self):
        design = with_entries(Design(empty_army("A"), Scheme("S")), entries("Line,fusilier,Fusilier,9"))
        (line,) = self.asked("Line,fusilier,Fusilier,9", design.army)
        self.assertIn("in the army already, with 9", line.doubts[REPEAT])
        (other,) = self.asked("Line,ranger,Fusilier,9", design.army)
        self.assertIn("drawn as fusilier already", other.doubts["type"])
        (new,) = self.asked("Line,sergeant,Sergeant,1", design.army)
        self.assertEqual(new.doubts, {})


WORDS = st.sampled_from(["9 fusiliers", "Blue:", "Total 9", "# note", "2 x 3 rangers", "  - 4 knights", "", "---", "Line,fusilier,Fusilier,9", "one captain", "half", "unit,type,count", ",,", "Section", "12", "\u202e", "x"])  # fmt: skip


class Everything(TestCase):
    @settings(max_examples=150, deadline=None)
    @given(
        st.lists(
            WORDS | st.text(st.characters(exclude_characters='"\r\x0b\x0c\x1c\x1d\x1e\x85\u2028\u2029'), max_size=20),
            max_size=12,
        )
    )
    def test_every_line_is_understood_or_told(self, lines):
        text = "\n".join(lines)
        try:
            found = read_roster(text)
        except MantelloError:
            return
        if text.lstrip("\ufeff").lstrip()[:1] in ("[", "{") and found.table is None:
            return
        seen = {one.number for one in found.lines} | {one.number for one in found.told}
        wanted = {
            number
            for number, line in enumerate(text.lstrip("\ufeff").split("\n"), 1)
            if line.strip(" \t,;|'\u00a0\u2003") and line.strip()
        }
        self.assertEqual(wanted - seen, set(), text)
        for line in found.lines:
            self.assertTrue(line.entry or line.doubts)

    @settings(max_examples=60, deadline=None)
    @given(
        st.recursive(
            st.text(max_size=8) | st.integers(0, 30) | st.none() | st.floats(allow_nan=False, allow_infinity=False),
            lambda inner: (
                st.lists(inner, max_size=4)
                | st.dictionaries(
                    st.sampled_from(["name", "units", "type", "count", "Blue", "fusilier", "mood"]), inner, max_size=4
                )
            ),
            max_leaves=14,
        )
    )
    def test_any_json_is_read_or_refused(self, data):
        try:
            found = read_roster(json.dumps([data]))
        except MantelloError:
            return
        for line in found.lines:
            self.assertTrue(line.entry or line.doubts)
            self.assertEqual(set(line.values), set(FIELDS))
