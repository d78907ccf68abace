"""Which source is worn, what fills gaps, and what is told of it."""

from dataclasses import replace
from unittest import TestCase
from unittest.mock import patch

from mantello_core.errors import Contradiction, UnknownName, Unreadable
from mantello_core.formats.almanac_document import (
    almanac_bytes,
    read_almanac_bytes,
    read_kept_almanac,
    write_almanac,
)
from mantello_core.formats.sample import dress_almanac
from mantello_core.uniforms.almanac import with_certainty, with_settled, with_source
from mantello_core.uniforms.bibliography import anachronisms, bibliography
from mantello_core.uniforms.distinction import mistaken
from mantello_core.uniforms.fact import Source, Wearer
from mantello_core.uniforms.worn import DISTINCTIVE, open_questions, sheet, worn
from tests.core.uniforms.samples import almanac


def who(number: int, title: str, **more) -> Wearer:
    """A regiment of the samples."""
    return Wearer(arm="F", number=number, title=title, **more)


class Worn(TestCase):
    def test_narrower_then_firmer_then_nearer_in_time(self):
        book = almanac(
            "F,1,H,,,facing,red,,,order,documented\nF,1,H,,,facing,blue,,,roll,guess\nF,1,H,2nd,,facing,green,,,log,guess\n"
            "F,2,L,,,facing,red,,,order,inferred\nF,2,L,,,facing,blue,,,roll,inferred\n"
        )
        self.assertEqual(worn(book, who(1, "H"), "facing", 212).value.words, "red")
        self.assertEqual(worn(book, who(1, "H", company="2nd"), "facing", 212).value.words, "green")
        later = worn(book, who(2, "L"), "facing", 212)
        self.assertEqual((later.value.words, later.status), ("blue", "inferred"))
        self.assertEqual([fact.phrase.words for fact in later.alternatives], ["red"])

    def test_equal_sources_of_one_time_are_disputed_until_settled(self):
        book = almanac(
            "F,1,H,,,facing,red,,,log,inferred\nF,1,H,,,facing,blue,,,roll,inferred\nF,1,H,,,coat,blue,,,roll,inferred\n"
        )
        self.assertEqual(worn(book, who(1, "H"), "facing", 212).status, "disputed")
        settled = with_settled(book, who(1, "H"), "facing", "f1")
        found = worn(settled, who(1, "H"), "facing", 212)
        self.assertEqual((found.status, found.value.words), ("settled", "red"))
        self.assertEqual(worn(settled, who(1, "H"), "coat", 212), worn(book, who(1, "H"), "coat", 212))
        self.assertEqual(with_settled(settled, who(1, "H"), "facing", ""), book)

    def test_settling_on_what_is_not_there_is_refused(self):
        book = almanac("F,1,H,,,facing,red,,,log,inferred\n")
        with self.assertRaises(UnknownName):
            with_settled(book, who(1, "H"), "facing", "f9")
        with self.assertRaises(UnknownName):
            with_certainty(book, "f1", "sure")

    def test_a_source_held_for_less_sure_loses(self):
        book = almanac("F,1,H,,,facing,red,,,log,inferred\nF,1,H,,,facing,blue,,,roll,inferred\n")
        self.assertEqual(worn(with_certainty(book, "f2", "guess"), who(1, "H"), "facing", 212).value.words, "red")

    def test_gaps_are_filled_by_named_analogies_and_say_so(self):
        lines = "".join(
            f"F,{n},T{n},,,breeches,grey,,,order,documented\nF,{n},T{n},,,facing,red,,,order,documented\n"
            for n in (1, 2, 3)
        )
        book = almanac(
            lines + "F,4,T4,,,coat,blue,,,order,documented\nF,5,T5,,,facing,white,200,205,order,documented\n"
        )
        breeches = worn(book, who(4, "T4"), "breeches", 212)
        self.assertEqual((breeches.status, breeches.value.words), ("assumed", "grey"))
        self.assertIn("the same arm", breeches.why)
        old = worn(book, who(5, "T5"), "facing", 212)
        self.assertEqual((old.status, old.value.words), ("assumed", "white"))
        self.assertIn("7 years off", old.why)
        self.assertLess(old.strength, 0.5)

    def test_the_same_arm_is_asked_in_years_around_and_says_how_far_off(self):
        book = almanac(
            "".join(f"F,{n},T{n},,,breeches,grey,215,216,order,documented\n" for n in (1, 2, 3))
            + "F,4,T4,,,coat,blue,,,order,documented\n"
        )
        found = worn(book, who(4, "T4"), "breeches", 212)
        self.assertEqual((found.status, found.value.words), ("assumed", "grey"))
        self.assertIn("the same arm, 3 years off", found.why)
        self.assertEqual(worn(book, who(4, "T4"), "breeches", 219).value.words, "grey")

    def test_marks_of_distinction_are_never_filled_from_other_regiments(self):
        book = dress_almanac()
        for one in book.regiments:
            for verdict in sheet(book, one, 212, DISTINCTIVE):
                if verdict.status == "assumed":
                    self.assertEqual(verdict.fact.wearer.regiment, one.regiment)

    def test_what_is_worn_by_officers_alone_is_no_question_for_the_men(self):
        book = dress_almanac()
        lantern = next(one for one in book.regiments if one.title == "Lantern")
        self.assertNotIn("sash", [one.garment for one in sheet(book, lantern, 212)])
        self.assertIn("sash", [one.garment for one in sheet(book, replace(lantern, rank="officer"), 212)])

    def test_open_questions_are_the_disputed_and_the_untold(self):
        found = open_questions(dress_almanac(), 212)
        self.assertTrue(found)
        self.assertLessEqual({verdict.status for _, verdict in found}, {"open", "disputed"})

    def test_a_reference_takes_the_colour_it_points_at(self):
        book = almanac("F,1,H,,,facing,red,,,roll,inferred\nF,1,H,,,turnback,facing colour,,,roll,inferred\n")
        found = worn(book, who(1, "H"), "turnback", 212)
        self.assertEqual(found.value.words, "red")


class Told(TestCase):
    def test_shared_marks_and_anachronisms(self):
        book = almanac(
            "F,1,A,,,facing,red,,,order,documented\nF,2,B,,,facing,red,,,order,documented\nF,3,C,,,facing,yellow,,,order,documented\n"
            "F,3,C,,,coat,blue,200,205,order,documented\nF,3,C,,,belts,buff,208,,order,documented\n"
        )
        self.assertEqual(
            {(one.first.number, one.second.number): one.kind for one in mistaken(book, 212)}, {(1, 2): "same"}
        )
        said = [words for _, words in anachronisms(book, who(3, "C"), 212)]
        self.assertTrue(any("never worn together" in one for one in said))
        self.assertTrue(any("not of 212" in one for one in said))

    def test_facings_that_painters_tell_apart_across_a_table_are_told_apart(self):
        book = almanac(
            "".join(
                f"F,{n},T{n},,,coat,dark blue,,,order,documented\nF,{n},T{n},,,facing,{colour},,,order,documented\n"
                for n, colour in ((1, "yellow"), (2, "white"), (3, "red"))
            )
        )
        self.assertEqual(mistaken(book, 212), ())
        self.assertEqual({one.kind for one in mistaken(book, 212, height=4.0, metres=3.0)}, {"alike"})

    def test_bibliography_counts_what_a_source_says_decides_and_loses(self):
        book = almanac("F,1,H,,,facing,red,,,order,documented\nF,1,H,,,facing,blue,,,roll,guess\n")
        cited = {one.source.id: (one.says, one.worn, one.alone, one.overruled) for one in bibliography(book, 212)}
        self.assertEqual(cited, {"order": (1, 1, 0, 0), "roll": (1, 0, 0, 1), "log": (0, 0, 0, 0)})

    def test_sources_are_listed_by_their_word_until_told_of(self):
        book = almanac("F,1,H,,,facing,red,,,the old book,documented\n")
        self.assertEqual(book.source_by_id["the old book"].title, "the old book")
        told = with_source(book, Source("the old book", "The old book of coats", "memoir", 240))
        self.assertIn("The old book of coats", worn(told, who(1, "H"), "facing", 212).why)
        with self.assertRaises(UnknownName):
            with_source(book, Source("x", "X", "rumour"))

    def test_what_was_kept_is_read_without_going_over_its_form_and_refused_all_the_same(self):
        document = write_almanac(dress_almanac())
        with patch("mantello_core.formats.almanac_document.check", side_effect=AssertionError):
            self.assertEqual(read_kept_almanac(document), dress_almanac())
        with self.assertRaises(Unreadable) as found:
            read_kept_almanac(document | {"facts": [{"id": "f1"}]})
        self.assertEqual(found.exception.where, "/facts/0")
        with self.assertRaises(Contradiction):
            read_kept_almanac(document | {"facts": document["facts"][:1] * 2})
        with patch("mantello_core.formats.almanac_document.check") as check:
            read_kept_almanac(document | {"version": 0})
        check.assert_called_once()

    def test_an_almanac_reads_back_identical(self):
        book = with_settled(dress_almanac(), dress_almanac().regiments[4], "facing", "f1")
        self.assertEqual(read_almanac_bytes(almanac_bytes(book)), book)
        self.assertEqual(almanac_bytes(book), almanac_bytes(read_almanac_bytes(almanac_bytes(book))))
