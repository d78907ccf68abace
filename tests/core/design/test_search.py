"""What is found in an army by a word: the nearest first, whatever kind it is."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.design.own_devices import with_own_device
from mantello_core.design.search import MOST_OF_KIND, found_in
from mantello_core.formats.sample import levy
from mantello_core.naming import match_rank
from mantello_core.paints.catalogue import SHIPPED
from tests.core.insignia.devices.test_own_emblems import ring

DESIGN = with_own_device(levy(), ring("Lantern ring"))


def kinds(words):
    return [(hit.kind, hit.name) for hit in found_in(DESIGN, SHIPPED, words)]


class Search(TestCase):
    def test_things_of_every_kind_are_found_by_their_beginning(self):
        found = kinds("lant")
        self.assertEqual(
            {kind for kind, _ in found} & {"role", "unit", "paint", "emblem", "area"},
            {"role", "unit", "paint", "emblem", "area"},
        )
        self.assertTrue(found[0][1].casefold().startswith("lant"))
        self.assertIn(("paint", "Salt Linen"), kinds("salt lin"))
        self.assertIn(("figure", DESIGN.army.type_titles["fusilier"]), kinds("fusilier"))

    def test_areas_are_found_by_what_they_are_also_called(self):
        self.assertTrue(any(kind == "area" for kind, _ in kinds("trousers")))

    def test_a_misspelt_word_is_still_found_and_nonsense_is_not(self):
        self.assertIn("Salt Linen", [name for _, name in kinds("Slat Linen")])
        self.assertEqual(kinds("zzxqv"), [])
        self.assertEqual(kinds("  "), [])

    def test_a_name_that_begins_so_comes_first(self):
        self.assertEqual(
            [match_rank("wei", name) for name in ("Weir", "1st Weir", "Overweight", "Tide")], [0, 1, 2, None]
        )
        self.assertEqual(match_rank("weer", "Weir"), None)
        self.assertEqual(match_rank("fusileer", "Fusilier"), 3)

    @settings(max_examples=60, deadline=None)
    @given(st.text(max_size=12))
    def test_no_words_make_it_fall_over_and_no_kind_crowds_the_others_out(self, words):
        found = [kind for kind, _ in kinds(words)]
        self.assertTrue(all(found.count(kind) <= MOST_OF_KIND for kind in set(found)))
