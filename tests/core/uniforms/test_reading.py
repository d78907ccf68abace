"""Tables as they are found: ten layouts, doubts, answers, refusals, and nothing lost."""

import json

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.uniforms.reading.grid import grid_of
from mantello_core.uniforms.reading.table import read_table
from tests.core.case import RefusalCase
from tests.core.uniforms.samples import TABLES

#: orders of dress as the samples write them, by what they are read as
_DRESS = {"gala": "parade", "campaña": "field"}
_CELLS = st.sampled_from(
    [
        "red",
        "blau",
        "",
        "do.",
        "1st",
        "2-4",
        "Collar",
        "?",
        "-",
        "x;y",
        "a, b",
        "sure",
        "212",
        "*",
        "[1] note",
        "wie 3.",
        "“",
        "vert",
        "Offizier",
        "all others",
        "=1+1",
        '"',
    ]
)


def called(fact) -> set[str]:
    """Every way in which the expected facts may name a wearer."""
    one = fact.wearer
    base = str(one.number) if one.number is not None else one.title
    return {base, f"{base} {one.arm}", f"{base} {one.dress}", f"{base} {_DRESS.get(one.dress, '')}"}


class Layouts(RefusalCase):
    def test_every_fact_of_ten_layouts_is_found_and_no_cell_lost(self):
        for name, wanted in json.loads((TABLES / "expected.json").read_text("utf-8")).items():
            reading = read_table((TABLES / name).read_bytes())
            self.assertEqual(reading.lost, [], name)
            left = list(reading.facts)
            for who, rank, garment, value, *period in wanted:
                found = next(
                    (
                        one
                        for one in left
                        if who in called(one)
                        and (one.wearer.rank, one.garment, one.phrase.words) == (rank, garment, value)
                        and (not period or one.period.words == period[0])
                    ),
                    None,
                )
                with self.subTest(table=name, who=who, garment=garment):
                    self.assertIsNotNone(found)
                left.remove(found)

    def test_commas_in_some_cells_do_not_make_columns_of_a_list_with_semicolons(self):
        listed = "crimson, buff, white, green, sky blue, black, yellow, grey"
        lines = [f"{at}th Foot;{listed if at % 2 else 'crimson'}" for at in range(4, 24)]
        grid = grid_of("\n".join(["regiment;facing", *lines]).encode())
        self.assertEqual(grid.delimiter, ";")
        self.assertEqual({len(row) for row in grid.rows}, {2})

    def test_alphabets_are_told_and_mended(self):
        for name, encoding in (
            ("b_gezeitenwall.csv", "cp1252"), ("f_ordinanza.txt", "cp850"), ("h_twice_decoded.csv", "utf-8 read twice"),
            ("i_two_years.txt", "utf-16"),
        ):  # fmt: skip
            with self.subTest(name=name):
                self.assertEqual(read_table((TABLES / name).read_bytes()).grid.encoding, encoding)

    def test_an_old_apple_alphabet_is_read_without_a_wrong_letter(self):
        table = "Regt,Aufschläge\n1,grün\n2,weiß\n3,dunkelgrün\n"
        reading = read_table(table.encode("mac_roman"))
        self.assertEqual([fact.phrase.words for fact in reading.facts], ["green", "white", "dark green"])
        self.assertEqual([cell.text for cell in reading.grid.filled][1], "Aufschläge")


class Nothing(RefusalCase):
    @settings(max_examples=300, deadline=None)
    @given(st.lists(st.lists(_CELLS, min_size=1, max_size=7), min_size=1, max_size=9), st.sampled_from(",;\t|"))
    def test_no_cell_is_lost_whatever_comes(self, rows, delimiter):
        text = "\n".join(delimiter.join(cell.replace(delimiter, " ") for cell in row) for row in rows)
        try:
            reading = read_table(text.encode())
        except Unreadable:
            return
        self.assertEqual(reading.lost, [])

    @settings(max_examples=100, deadline=None)
    @given(st.binary(max_size=400))
    def test_any_bytes_are_read_or_refused(self, data):
        try:
            reading = read_table(data)
        except MantelloError as refused:
            self.assertEqual(refused.where, "table")
        else:
            self.assertEqual(reading.lost, [])

    def test_what_is_no_table_is_refused_at_its_place(self):
        for data, kind, said in (
            (b"", Unreadable, "empty"), (b"  \n ", Unreadable, "empty"), (b"\x00\x01\x02\x00\x07" * 30, Unreadable, "no text"),
            (b"a," * 1_500_000, OutOfRange, "2000000"), (b"a" * 900_000, Unreadable, "too long"),
            (b",".join([b"x"] * 300) + b"\n", OutOfRange, "200"), (b'Regt,Collar\n1,"' + b"r" * 5000, OutOfRange, "line 2, column 2"),
        ):  # fmt: skip
            with self.subTest(said=said), self.assertRaisesMessage(kind, said):
                read_table(data)

    def test_formulas_stay_text(self):
        reading = read_table(b"Regt,Collar\n1,=cmd()\n2,red\n3,blue\n")
        self.assertEqual(reading.facts[0].phrase.kind, "text")
        self.assertEqual(reading.facts[0].phrase.text, "=cmd()")


class Doubts(RefusalCase):
    def words(self, text: bytes, **answers) -> list[str]:
        return [
            fact.phrase.words
            for fact in read_table(text, {key.replace("__", ":"): value for key, value in answers.items()}).facts
        ]

    def kinds(self, text: bytes) -> set[str]:
        return {doubt.kind for doubt in read_table(text).doubts}

    def test_answers_change_what_they_speak_of_and_nothing_else(self):
        text = b"Regt,Collar,Plume\n1,moth,-\n2,red,white\n3,red and white,blue\n"
        before = self.words(text)
        for answer, at, words in (
            ({"word__moth": "olive"}, 0, "olive"), ({"dash": "unknown"}, 1, "not known"),
            ({"two__red and white": "halves"}, 4, "red, halved white"), ({"two__red and white": "either"}, 4, "red, or white"),
        ):  # fmt: skip
            with self.subTest(answer=answer):
                after = self.words(text, **answer)
                self.assertEqual(after[at], words)
                self.assertEqual(
                    [one for n, one in enumerate(after) if n != at], [one for n, one in enumerate(before) if n != at]
                )

    def test_every_answered_question_is_still_asked(self):
        text = b"Regt,Collar,Plume\n1,moth,-\n2,red,white\n"
        self.assertEqual(
            {one.id for one in read_table(text).doubts},
            {one.id for one in read_table(text, {"dash": "unknown", "word:moth": "olive"}).doubts},
        )

    def test_a_column_that_is_not_known_is_asked_about_and_follows_the_answer(self):
        text = b"Regt,Zibbel\n1,red\n2,blue\n3,green\n"
        self.assertIn("column", self.kinds(text))
        self.assertEqual({fact.garment for fact in read_table(text, {"column:2": "cuff"}).facts}, {"cuff"})

    def test_contradictions_are_kept_both_and_repeats_once_with_both_sources(self):
        reading = read_table(b"Regt,Facing,Source\n7,green,a\n7,GREEN,b\n8,red,a\n8,blue,b\n")
        self.assertEqual([fact.phrase.words for fact in reading.facts], ["green", "red", "blue"])
        self.assertEqual(reading.facts[0].source, "a; b")
        self.assertLessEqual({"repeat", "against"}, {doubt.kind for doubt in reading.doubts})

    def test_choosing_a_line_makes_the_others_disputed(self):
        text = b"Regt,Facing,Certainty\n8,red,sure\n8,blue,sure\n"
        against = next(one.id for one in read_table(text).doubts if one.kind == "against")
        facts = read_table(text, {against: "line 3"}).facts
        self.assertEqual([fact.certainty for fact in facts], ["disputed", "documented"])

    def test_blanks_of_a_full_column_stay_open_until_answered(self):
        text = b"Regt,Collar,Cuff\n1,red,red\n2,,blue\n3,green,green\n4,red,red\n"
        self.assertIn("blank", self.kinds(text))
        self.assertEqual(len(self.words(text)), 7)
        self.assertEqual(self.words(text, blank__2="as above")[2], "red")
        self.assertEqual(self.words(text, blank__2="none")[2], "not worn")

    def test_one_number_under_two_titles_may_be_two(self):
        text = b"No,Title,Facing\n5,Harbour,red\n5,Gull,blue\n"
        title = next(one.id for one in read_table(text).doubts if one.kind == "title")
        self.assertEqual({fact.wearer.number for fact in read_table(text).facts}, {5})
        self.assertEqual({fact.wearer.number for fact in read_table(text, {title: "two"}).facts}, {None})

    def test_ranges_are_spread_or_kept_as_one(self):
        text = b"Regt,Facing\n1-3,red\n4,blue\n5,green\n"
        self.assertEqual(len(read_table(text).facts), 5)
        self.assertEqual(len(read_table(text, {"spread": "keep as one"}).facts), 3)

    def test_a_cell_too_many_is_joined_or_left(self):
        text = b"Regt,Facing,Buttons,Certainty\n1,red,brass,sure\n2,blue,piped white,pewter,sure\n3,green,brass,sure\n"
        joined = [fact for fact in read_table(text).facts if fact.wearer.number == 2]
        self.assertEqual([fact.phrase.words for fact in joined], ["blue, piped white", "pewter"])
        self.assertNotEqual(self.words(text), self.words(text, shift__3="leave"))

    def test_an_unknown_garment_keeps_its_name_or_takes_one(self):
        text = b"Regt,Garment,Colour\n1,Wugget,red\n1,Collar,blue\n2,Collar,red\n"
        self.assertEqual(read_table(text).facts[0].garment, "?wugget")
        self.assertEqual(read_table(text, {"area:wugget": "sash"}).facts[0].garment, "sash")

    def test_reading_again_gives_the_same(self):
        data = (TABLES / "a_facings_plain.csv").read_bytes()
        self.assertEqual(read_table(data).facts, read_table(data).facts)
