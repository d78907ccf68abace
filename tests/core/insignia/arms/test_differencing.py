"""Differences of arms, liveries and badges."""

import json
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.spaces import Lab, lab_of_hex
from mantello_core.errors import OutOfRange
from mantello_core.formats.arms_svg import PLAIN_COLOURS
from mantello_core.formats.command import BAD_INPUT, GOOD, answer
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.cadency import cadency
from mantello_core.insignia.arms.charge import CHARGES
from mantello_core.insignia.arms.differencing import MOST, differenced
from mantello_core.insignia.arms.retinue import alike, livery_of
from mantello_core.insignia.arms.spacing import spacing
from mantello_core.insignia.arms.tincture import TINCTURES
from mantello_core.insignia.arms.tincture_rule import keeps_rule
from mantello_core.insignia.arms.writing import write_blazon
from tests.core.insignia.arms.test_blazon import ARMS

PARENT = read_blazon("Gules, a fess wavy or between three lanterns argent")


def colour(id_: str) -> Lab:
    return lab_of_hex(PLAIN_COLOURS[(TINCTURES[id_].made_of or (id_,))[0]])


class Differences(TestCase):
    def test_all_differ_keep_the_rule_and_say_how(self):
        found = differenced(PARENT, 6, colour)
        coats = [one.arms for one in found.differences]
        self.assertEqual(len({PARENT, *coats}), 7)
        for one in found.differences:
            self.assertTrue(keeps_rule(one.arms), one.blazon)
            self.assertTrue(one.how)
            self.assertEqual(read_blazon(one.blazon), one.arms)

    def test_the_proof_is_the_smallest_of_what_each_says_and_weak_sight_sees_no_more(self):
        found = differenced(PARENT, 5, colour)
        self.assertAlmostEqual(found.smallest_weak, min(one.nearest_weak for one in found.differences))
        self.assertLessEqual(found.smallest_weak, found.smallest + 1e-9)
        for at, one in enumerate(found.differences):
            self.assertNotEqual(one.nearest_to, at)
            self.assertLessEqual(one.nearest_weak, one.nearest + 1e-9)

    def test_a_greedy_first_choice_of_another_set_is_never_better_than_told(self):
        few, many = (differenced(PARENT, count, colour).smallest_weak for count in (2, 10))
        self.assertGreaterEqual(few, many)
        self.assertGreater(few, 15)

    def test_the_same_number_gives_the_same_set(self):
        self.assertEqual(differenced(PARENT, 4, colour, 7), differenced(PARENT, 4, colour, 7))

    def test_what_is_pinned_stays(self):
        pin = read_blazon("Gules, a fess wavy or between three lanterns argent, a canton sable")
        found = differenced(PARENT, 3, colour, 0, [pin])
        self.assertEqual(found.differences[0].arms, pin)
        self.assertIn("canton", found.differences[0].blazon)

    def test_limits(self):
        for count, pins in ((0, []), (MOST + 1, []), (1, [PARENT, PARENT])):
            with self.assertRaises(OutOfRange):
                differenced(PARENT, count, colour, 0, pins)

    def test_the_verb_answers_and_refuses(self):
        status, text = answer("difference", json.dumps({"blazon": "Ermine, a bend gules", "count": 3}).encode())
        told = json.loads(text)
        self.assertEqual((status, len(told["differences"])), (GOOD, 3))
        for document in (
            {"blazon": "Azure, impaling or", "count": 2},
            {"blazon": "azur, a fes", "count": 2},
            {"blazon": "Or", "count": 99},
        ):
            self.assertEqual(answer("difference", json.dumps(document).encode())[0], BAD_INPUT)


class Liveries(TestCase):
    def test_the_field_and_the_main_thing_on_it_give_the_colours_and_the_charge_the_badge(self):
        for blazon, words in (
            ("Gules, a fess wavy or between three lanterns argent", "gules and or, a lantern argent for badge"),
            ("Per pale azure and argent, a heron counterchanged", "azure and argent, a heron argent for badge"),
            ("Sable, on a bend argent, three roses gules", "sable and argent, a rose gules for badge"),
            ("Ermine, a chevron gules", "argent and sable"), ("Azure", "azure and argent"), ("Argent", "argent and sable"),
            ("Vert semy of acorns or", "vert and or, an acorn or for badge"),
            ("Quarterly, 1 and 4, azure, a sun or; 2 and 3, gules", "azure and or, a sun or for badge"),
            ("Gules, a bordure or", "gules and argent"),
        ):  # fmt: skip
            self.assertEqual(livery_of(read_blazon(blazon)).words, words)

    @settings(max_examples=60, deadline=None)
    @given(ARMS)
    def test_any_arms_have_two_plain_colours(self, arms):
        livery = livery_of(arms)
        self.assertEqual(len(set(livery.colours)), 2, write_blazon(arms))
        self.assertTrue(all(TINCTURES[id_].made_of is None for id_ in livery.colours))
        if livery.badge:
            self.assertIn(livery.badge[0], CHARGES)
            self.assertIsNone(TINCTURES[livery.badge[1]].made_of)

    @given(st.permutations(["Azure, a fess or", "Or, a bend azure", "Gules, a star argent"]))
    def test_the_same_two_colours_are_alike_whichever_comes_first(self, blazons):
        pairs = alike([livery_of(read_blazon(text)) for text in blazons])
        self.assertEqual(len(pairs), 1)
        self.assertNotIn("Gules", blazons[pairs[0][0]] + blazons[pairs[0][1]])


class Cadency(TestCase):
    def test_children_have_their_marks_in_order_and_all_keep_the_rule(self):
        parent = read_blazon("Gules, a fess wavy or between three lanterns argent")
        found = cadency(parent, 5, lambda id_: lab_of_hex(PLAIN_COLOURS[id_]))
        self.assertEqual(
            [one.how.split(",")[0] for one in found.differences],
            ["a label", "a crescent", "a star", "an owl", "an annulet"],
        )
        self.assertTrue(all(keeps_rule(one.arms) for one in found.differences))
        self.assertGreater(found.smallest_weak, 0)
        self.assertEqual(found, cadency(parent, 5, lambda id_: lab_of_hex(PLAIN_COLOURS[id_])))

    def test_more_children_than_marks_are_refused(self):
        with self.assertRaises(OutOfRange):
            cadency(read_blazon("Or, a fess gules"), 10, lambda id_: lab_of_hex(PLAIN_COLOURS[id_]))

    def test_a_round_tells_mm_from_mark_to_mark(self):
        self.assertAlmostEqual(spacing(4).apart(5), 5 * 2**0.5)
        self.assertAlmostEqual(spacing(12).apart(10), 5.176, places=3)
