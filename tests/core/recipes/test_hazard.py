"""Cautions at the step: from what is laid, how it is laid and what it is dried with; every hazard of the list has its words."""

from unittest import TestCase

from mantello_core.calendar.evenings import AIDS
from mantello_core.paints.range import paint
from mantello_core.recipes.hazard import cautions, cautions_for, hazard_words
from mantello_core.recipes.technique import techniques


class Hazards(TestCase):
    def told(self, *given, **options) -> set[str]:
        """Ids of the cautions that are told."""
        ids = {words: id_ for id_, words in cautions().items()}
        return {ids[words] for words in cautions_for(*given, **options)}

    def test_all_thirty_one_have_one_sentence_or_two(self):
        self.assertEqual(sorted(cautions()), [f"H-{number:02}" for number in range(1, 32)])
        for words in cautions().values():
            self.assertTrue(words.endswith("."))
            self.assertLess(len(words), 190)

    def test_what_a_desk_would_say(self):
        slate, oil, base = paint("undercoat-slate"), paint("oil-burnt-umber"), paint("brine-green")
        self.assertEqual(self.told("undercoat", (slate,)), {"H-01", "H-30"})
        self.assertLessEqual({"H-07", "H-08", "H-09", "H-10", "H-23", "H-25"}, self.told("oil", (oil,), "thinner"))
        self.assertLessEqual({"H-14", "H-15"}, self.told("sponge", (base,)))
        self.assertIn("H-26", self.told("shade", (paint("tar-wash"),)))
        self.assertLessEqual({"H-02", "H-04", "H-06"}, self.told("varnish", (base,), airbrushed=True))
        self.assertEqual(self.told("base", (base,)), set())

    def test_heat_is_told_at_the_step_that_is_dried_with_it(self):
        base = (paint("brine-green"),)
        found = {aid: self.told("base", base, aid=aid) for aid in AIDS}
        self.assertEqual(found["hairdryer"], {"H-17"})
        self.assertEqual(found["radiator"], {"H-18"})
        self.assertEqual((found["none"], found["fan"]), (set(), set()))

    def test_no_kind_of_step_is_told_a_caution_twice(self):
        for kind in techniques():
            told = cautions_for(kind, (paint("undercoat-slate"), paint("oil-burnt-umber")), "thinner", aid="radiator")
            self.assertEqual(len(told), len(set(told)), kind)

    def test_several_hazards_make_one_text(self):
        self.assertEqual(hazard_words(["H-11", "H-14"]), f"{cautions()['H-11']} {cautions()['H-14']}")
