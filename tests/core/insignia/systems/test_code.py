"""Marking systems: codes that keep their rules, as unlike as can be, the same for the same seed."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.spaces import lab_of_hex
from mantello_core.errors import MantelloError, OutOfRange
from mantello_core.insignia.devices.device import FRAMES, Device
from mantello_core.insignia.systems.code import (
    Code,
    CodePlan,
    CodeSite,
    Holder,
    allotted,
    checked_plan,
    free_codes,
    proof,
)

LOOKS = {
    "red": "#a51f24", "green": "#1f7a3a", "blue": "#27509c", "yellow": "#e0b030", "white": "#eeeeea", "black": "#1a1a1a",
}  # fmt: skip
SITE = CodeSite(4.0, 4.0, lab_of_hex("#7a7a70"), lambda role: lab_of_hex(LOOKS[role]))
NUMERALS = tuple("123456789")


def company(*sizes):
    return [Holder(f"{group}{at}", f"g{group}") for group, size in enumerate(sizes) for at in range(size)]


class Allotted(TestCase):
    def test_a_company_has_its_colour_and_counts_its_squads(self):
        found = allotted(company(3, 2), CodePlan(tuple(LOOKS), (), NUMERALS), {}, [], SITE)
        self.assertEqual([code.sign for code in found.values()], ["1", "2", "3", "1", "2"])
        colours = [code.colour for code in found.values()]
        self.assertEqual((len(set(colours[:3])), len(set(colours[3:]))), (1, 1))
        self.assertNotEqual(colours[0], colours[3])

    def test_the_run_goes_on_through_the_army(self):
        found = allotted(company(3, 2), CodePlan(("red",), (), NUMERALS, "one", sign_by="run"), {}, [], SITE)
        self.assertEqual([code.sign for code in found.values()], list("12345"))

    @settings(max_examples=12, deadline=None)
    @given(st.integers(2, 14), st.integers(1, 3), st.integers(0, 50))
    def test_any_two_differ_in_so_many_features_and_the_seed_decides(self, count, apart, seed):
        plan = CodePlan(tuple(LOOKS), tuple(FRAMES), NUMERALS, "holder", "holder", "holder", apart, seed)
        holders = [Holder(str(at)) for at in range(count)]
        try:
            found = allotted(holders, plan, {}, [], SITE)
        except OutOfRange:
            self.assertTrue(apart == 3 and count > 4, "six of each allow at least a few codes that share nothing")
            return
        codes = list(found.values())
        self.assertTrue(all(one.unlike(two) >= apart for at, one in enumerate(codes) for two in codes[:at]))
        self.assertEqual(found, allotted(holders, plan, {}, [], SITE))
        self.assertGreaterEqual(proof(codes, SITE).features, apart)

    def test_it_is_better_than_taking_them_as_they_come(self):
        plan = CodePlan(tuple(LOOKS), tuple(FRAMES), (), "holder", "holder", apart=1)
        holders = [Holder(str(at)) for at in range(6)]
        chosen = proof(list(allotted(holders, plan, {}, [], SITE).values()), SITE)
        naive = proof([Code("red", frame) for frame in FRAMES], SITE)
        self.assertGreater(chosen.smallest_weak, 2 * naive.smallest_weak)

    def test_pins_stay_and_retired_codes_are_given_to_nobody(self):
        plan = CodePlan(("red", "blue"), (), NUMERALS)
        kept = {"02": Code("blue", "", "7")}
        retired = [Code("blue", "", "1")]
        found = allotted(company(4), plan, kept, retired, SITE)
        self.assertEqual(found["02"], kept["02"])
        self.assertEqual({code.colour for code in found.values()}, {"blue"}, "the company follows its pinned squad")
        self.assertEqual([found[id_].sign for id_ in ("00", "01", "03")], ["2", "3", "4"])

    def test_too_few_codes_are_told_with_how_many_there_are(self):
        plan = CodePlan(("red", "blue"), ("disc", "square"), (), "holder", "holder", apart=2)
        with self.assertRaises(OutOfRange) as caught:
            allotted([Holder(str(at)) for at in range(3)], plan, {}, [], SITE)
        self.assertIn("codes for 2 of 3", str(caught.exception))
        with self.assertRaises(OutOfRange) as caught:
            allotted(company(1, 1, 1), CodePlan(("red", "blue"), (), NUMERALS), {}, [], SITE)
        self.assertIn("3 formations but 2", str(caught.exception))

    def test_plans_that_make_no_codes_are_refused_at_their_field(self):
        for plan, where in (
            (CodePlan(()), "colours"), (CodePlan(("red",)), "frames"), (CodePlan(("red",), ("crab",)), "frames"),
            (CodePlan(("red",), (), ("1", "1")), "signs"), (CodePlan(("red",), (), ("?",)), "signs"),
            (CodePlan(("red",), (), NUMERALS, "mine"), "colour_by"), (CodePlan(("red",), (), NUMERALS, apart=3), "apart"),
        ):  # fmt: skip
            with self.assertRaises(MantelloError) as caught:
                checked_plan(plan)
            self.assertEqual(caught.exception.where, where, plan)


class Proven(TestCase):
    def test_red_and_green_are_nearer_for_the_weakest_sight(self):
        shown = proof([Code("red", "disc"), Code("green", "disc")], SITE)
        self.assertGreater(shown.smallest, 1.5 * shown.smallest_weak)
        self.assertGreater(shown.colours, 1.5 * shown.colours_weak)
        self.assertEqual([near for _, _, near in shown.nearest], [1, 0])

    def test_alike_codes_are_nothing_apart_and_one_code_has_no_other(self):
        self.assertEqual(proof([Code("red", "disc")] * 2, SITE).smallest, 0)
        self.assertEqual(proof([Code("red", "disc")], SITE).nearest, ((0.0, 0.0, -1),))

    def test_distance_is_symmetric_and_grows_with_what_differs(self):
        one, two, three = Code("red", "", "1"), Code("red", "", "7"), Code("white", "", "8")
        near = proof([one, two], SITE).smallest
        self.assertEqual(near, proof([two, one], SITE).smallest)
        self.assertGreater(proof([one, three], SITE).smallest, near)

    def test_codes_left_are_counted(self):
        plan = CodePlan(("red", "blue"), ("disc",), ("1", "2", "3"))
        self.assertEqual(free_codes(plan, [Code("red", "disc", "1")], [Code("blue", "disc", "3")]), 4)

    def test_a_code_shows_as_its_device(self):
        self.assertEqual(Code("red", "disc", "3").device, Device("text", "3", "disc"))
        self.assertEqual(Code("red", "square").device, Device("square"))
