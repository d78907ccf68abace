"""Documents against their schemas: counts before content, and texts that nothing can hold."""

import json
from unittest import TestCase
from unittest.mock import patch

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import Unreadable
from mantello_core.formats import validation
from mantello_core.formats.document.design import write_design
from mantello_core.formats.document.texts import check_texts
from mantello_core.formats.validation import check
from tests.samples import small_design

CONTENT = AssertionError("content was looked at")
SIGNS = st.characters(codec="utf-8", exclude_characters="\x00")
KEPT = st.recursive(
    st.text(SIGNS, max_size=8) | st.integers() | st.none(),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(SIGNS, max_size=5), inner, max_size=3),
)


class CountsBeforeContent(TestCase):
    def refused(self, change) -> Unreadable:
        """What is said of a design, of which nothing but counts is looked at."""
        document = json.loads(json.dumps(write_design(small_design())))
        change(document)
        with self.assertRaises(Unreadable) as found, patch.object(validation, "_validator", side_effect=CONTENT):
            check(document, "design")
        return found.exception

    def test_a_list_far_too_long_is_refused_before_its_entries_are_read(self):
        def many(document):
            document["scheme"]["rules"] = [{"nonsense": at} for at in range(100_000)]

        said = self.refused(many)
        self.assertIn("has 100000 entries; allowed is up to 4000", said.message)
        self.assertEqual(said.where, "/scheme/rules")

    def test_so_is_one_within_parts_that_are_told_elsewhere(self):
        def many(document):
            recipes = document["scheme"]["roles"][0]["recipes"]
            tier = next(iter(recipes))
            recipes[tier] = [recipes[tier][0]] * 500

        self.assertRegex(self.refused(many).where, "^/scheme/roles/0/recipes/")

    def test_so_are_names_that_nothing_is_called_and_texts_without_end(self):
        def strange(document):
            document["army"]["root"]["notes"] = [{}] * 1000

        def endless(document):
            document["army"]["root"]["name"] = "x" * 10_000

        self.assertIn("'notes', which nothing here is called", self.refused(strange).message)
        self.assertIn("10000 signs", self.refused(endless).message)

    def test_what_is_within_its_counts_is_left_to_the_rest(self):
        document = write_design(small_design())
        looked = patch.object(validation, "_validator", side_effect=CONTENT)
        with self.assertRaisesRegex(AssertionError, "content"), looked:
            check(document, "design")
        check(document, "design")


class Texts(TestCase):
    @given(KEPT)
    def test_what_can_be_kept_passes(self, value):
        check_texts(value, "")

    def test_what_cannot_is_told_with_its_place(self):
        for value, place in (
            ({"a": [1, {"b": "x\x00"}]}, "/a/1/b"),
            (["\ud800"], "/0"),
            ({"a": {"\udfff": 1}}, "/a"),
            ("\x00", ""),
        ):
            with self.assertRaises(Unreadable) as found:
                check_texts(value, "")
            self.assertEqual(found.exception.where, place)
