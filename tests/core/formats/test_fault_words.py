"""Faults of files in plain words: where, what came, what is allowed; never the checker's own jargon."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.errors import Unreadable
from mantello_core.formats.document.design import write_design
from mantello_core.formats.fault_words import place_words
from mantello_core.formats.validation import check
from tests.samples import small_design

JARGON = ("property", "properties", "is not of type", "non-empty", "schema", "expected", "instance", "does not match")


def said(change, name: str = "design") -> str:
    document = write_design(small_design())
    change(document)
    try:
        check(document, name)
    except Unreadable as refusal:
        return refusal.message
    raise AssertionError("it was let in")


class Words(TestCase):
    def test_each_kind_of_fault(self):
        role = lambda document: document["scheme"]["roles"][1]  # noqa: E731
        for change, words in (
            (lambda d: d.pop("army"), "The file lacks 'army'. (at /)"),
            (lambda d: role(d).update(name=7), "In scheme, roles 2: 'name' is 7; wanted is a text. (at /scheme/roles/1/name)"),
            (lambda d: role(d).update(name=""), "In scheme, roles 2: 'name' has 0 signs; allowed is 1 to 80."),
            (lambda d: role(d).update(colour="red"), "In scheme: roles 2 has 'colour', which nothing here is called."),
            (lambda d: d["evenings"].update(attention=99999), "'attention' is 99999; allowed is"),
            (lambda d: d["scheme"].update(roles={}), "In scheme: 'roles' is a group of named values; wanted is a list."),
            (lambda d: d.update(format="other"), "'other'; allowed is"),
            (lambda d: role(d).update(name="x" * 300), "has 300 signs; allowed is 1 to 80."),
        ):  # fmt: skip
            with self.subTest(words):
                self.assertIn(words.replace("roles 2 has", "'roles' 2 has"), said(change))

    def test_a_place_is_read_from_the_outside_in(self):
        self.assertEqual(place_words([]), "The file")
        self.assertEqual(place_words(["army"]), "'army'")
        self.assertEqual(place_words(["army", "root", "children", 0, "name"]), "In army, root, children 1: 'name'")
        self.assertEqual(place_words([3]), "Entry 4")

    @settings(max_examples=60)
    @given(
        st.sampled_from(["army", "scheme", "evenings", "format", "version", "brief"]),
        st.recursive(
            st.none() | st.booleans() | st.integers() | st.floats(allow_nan=False) | st.text(max_size=90),
            lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=9), inner, max_size=3),
            max_leaves=6,
        ),
    )
    def test_whatever_stands_in_the_place_of_a_part_is_told_in_a_sentence(self, part, value):
        document = write_design(small_design()) | {part: value}
        try:
            check(document, "design")
        except Unreadable as refusal:
            told = refusal.message.rpartition(" (at ")[0]
            self.assertTrue(told.endswith("."), told)
            self.assertLess(len(told), 900)
            kept = told.replace(str(value), "")
            self.assertFalse([word for word in JARGON if word in kept and word not in str(value)], told)
