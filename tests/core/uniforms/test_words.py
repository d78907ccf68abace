"""Words of lists: numbers, years, phrases and headers in the hands that wrote them."""

from unittest import TestCase

from mantello_core.uniforms.colour_word import ColourWord, shades, terms
from mantello_core.uniforms.dye import target
from mantello_core.uniforms.folding import fold, stems
from mantello_core.uniforms.period import Period, read_period
from mantello_core.uniforms.phrase import ditto_rest, read_phrase
from mantello_core.uniforms.reading.heading import joined, read_header
from mantello_core.uniforms.reading.key_cell import Named, read_key_cell, roman
from mantello_core.uniforms.word_lists import word_list


class Words(TestCase):
    def test_case_accents_and_marks_do_not_matter(self):
        self.assertEqual(fold("Pantalon (Été) d’Officier"), "pantalon ete d officier")
        self.assertEqual(fold("Weiß – Aufschläge"), "weiss aufschlage")
        self.assertIn("rot", stems("rotes"))

    def test_numbers_are_read_in_many_hands(self):
        for text, numbers in (
            ("1st–4th", (1, 2, 3, 4)), ("I. bis III.", (1, 2, 3)), ("2, 3 & 7", (2, 3, 7)), ("du 1er au 3e", (1, 2, 3)),
            ("4th–6th & 9th", (4, 5, 6, 9)), ("No 7", (7,)), ("IV.", (4,)), ("Lantern Guard", ()),
        ):  # fmt: skip
            with self.subTest(text=text):
                self.assertEqual(read_key_cell(text).numbers, numbers)
        self.assertEqual(read_key_cell("12th (Harbour)"), Named((12,), "Harbour"))
        self.assertTrue(read_key_cell("all others").others)
        self.assertEqual((roman("XIV"), roman("IIX"), roman("")), (14, None, None))

    def test_years_are_read_in_many_hands(self):
        for text, period in (
            ("209–12", Period(209, 212)), ("ab 211", Period(211, None)), ("c. 210?", Period(210, 210, about=True)),
            ("before 205", Period(None, 204)), ("jusqu'en 208", Period(None, 208)), ("spring", None), ("212-209", None),
        ):  # fmt: skip
            with self.subTest(text=text):
                self.assertEqual(read_period(text), period)
        self.assertEqual(read_period("c. 207–9").words, "about 207 to 209")

    def test_about_a_year_holds_two_years_around(self):
        self.assertTrue(Period(210, 210, about=True).holds(212))
        self.assertFalse(Period(210, 210).holds(212))
        self.assertEqual(
            (Period(205, 208).distance(212), Period(205, 208).distance(200), Period(205).distance(300)), (4, 5, 0)
        )

    def test_phrases_are_said_back_in_plain_english(self):
        for text, words in (
            ("rot mit weißem Vorstoß", "red, piped white"), ("vert foncé, passepoil rouge", "dark green, piped red"),
            ("yellow (later buff)?", "yellow, later buff"), ("white tipped red", "white, tipped red"),
            ("vert foncé, passepoil aurore", "dark green, piped aurora"), ("blau-grau", "pike grey"), ("greenish grey", "green-tinted grey"),
            ("rouge garance", "madder red"), ("brass or pewter", "brass, or pewter"), ("black over white", "black, based white"),
        ):  # fmt: skip
            with self.subTest(text=text):
                self.assertEqual(read_phrase(text).words, words)

    def test_cells_that_are_no_colour_say_what_they_are(self):
        for text, kind in (
            ("none", "none"),
            ("?", "unknown"),
            ("-", "dash"),
            ("do.", "ditto"),
            ("", "blank"),
            ("anchor", "text"),
        ):
            with self.subTest(text=text):
                self.assertEqual(read_phrase(text).kind, kind)
        self.assertEqual(
            [read_phrase(text).maybe for text in ("red", "red?", "[red]", "[red", "red]")],
            [False, True, True, False, False],
        )
        self.assertEqual((read_phrase("wie 3.").like, read_phrase("as 14th Regt").like), ("3", "14"))
        self.assertEqual((ditto_rest("ditto, piped red"), ditto_rest("dove grey")), ("piped red", None))

    def test_words_that_are_not_understood_stay(self):
        self.assertEqual(read_phrase("moth red").left, ("moth",))

    def test_headers_tell_garment_rank_part_and_year(self):
        self.assertEqual(read_header("Collar & cuffs").ids, ("collar", "cuff"))
        self.assertEqual(read_header("Officers' lace").rank, "officer")
        self.assertEqual(read_header("Passepoil du collet").of, "collar")
        self.assertEqual(read_header("FARBE DER AUFSCHLÄGE").ids, ("cuff",))
        self.assertEqual(read_header("Facing (212)").period, Period(212, 212))

    def test_a_garment_over_a_column_of_values_is_what_they_are_of(self):
        coat = joined("Coat", read_header("colour"))
        self.assertEqual((coat.kind, coat.ids, coat.header), ("garment", ("coat",), "Coat / colour"))
        self.assertEqual(joined(" ", read_header("colour")).kind, read_header("colour").kind)
        lace = joined("Officers", read_header("lace"))
        self.assertEqual((lace.ids, lace.rank), (("lace",), "officer"))
        self.assertEqual(joined("Coat", read_header("collar")).ids, ("collar",))

    def test_every_term_has_a_dye_and_every_shade_a_shift(self):
        for term in terms():
            with self.subTest(term=term):
                self.assertIn(target(ColourWord(term)).dye, word_list("dyes")["dye"])
        for shade in shades():
            self.assertEqual(len(shades()[shade]["shift"]), 3)
