"""The verbs film, ramp and recipe answer as the core computes, and refuse with a place."""

import json
from unittest import TestCase

from mantello_core.formats.command import BAD_INPUT, GOOD, answer
from mantello_core.formats.document.design import design_bytes
from tests.samples import calvessa

MIX = {"parts": [{"paint": "madder-rope", "parts": 1}], "diluent": "water", "diluent_parts": 1}


def said(verb: str, **document) -> tuple[int, dict]:
    status, text = answer(verb, json.dumps(document).encode())
    return status, json.loads(text)


class Film(TestCase):
    def test_coats_come_nearer_the_opaque_colour(self):
        status, told = said("film", mix=MIX, undercoat="undercoat-gull", coats=6)
        self.assertEqual((status, len(told["coats"])), (GOOD, 6))
        goal = told["opaque"]["lab"][0]
        left = [abs(coat["lab"][0] - goal) for coat in told["coats"]]
        self.assertLess(left[-1], left[0])
        self.assertGreater(told["varnished"]["matt"]["lab"][0], told["varnished"]["gloss"]["lab"][0])
        self.assertGreater(told["wet"]["lab"][0], goal)

    def test_light_from_above_and_a_pot_coat_change_the_ground(self):
        grounds = [
            said("film", mix=MIX, undercoat="undercoat-soot", **more)[1]["on"]["hex"]
            for more in ({}, {"above": "undercoat-gull"}, {"pot_coat": "salt-linen"})
        ]
        self.assertEqual(len(set(grounds)), 3)

    def test_a_metal_is_seen_from_three_sides(self):
        _, told = said("film", mix={"parts": [{"paint": "lamp-brass", "parts": 1}]})
        self.assertEqual(set(told["views"]), {"facing", "middling", "turned"})
        self.assertNotIn("views", said("film", mix=MIX)[1])

    def test_what_is_wrong_is_told_with_its_place(self):
        for document, where in (
            ({"mix": MIX, "undercoat": "salt-linen"}, "/undercoat"),
            ({"mix": MIX, "above": "undercoat-nothing"}, "/above"),
            ({"mix": {"parts": [{"paint": "madder-ropes", "parts": 1}]}}, "/mix/parts/0"),
            ({"mix": MIX, "coats": 0}, "/coats"),
            ({}, "/"),
        ):
            status, told = said("film", **document)
            self.assertEqual((status, told["error"]["where"]), (BAD_INPUT, where))


class Ramp(TestCase):
    def test_routes_tell_their_steps_and_drift(self):
        status, told = said("ramp", mix=MIX, paints=["salt-linen", "gull-white"], steps=3, rise=20)
        self.assertEqual((status, len(told["routes"])), (GOOD, 2))
        for one in told["routes"]:
            self.assertEqual((len(one["mixes"]), len(one["colours"]), len(one["steps"])), (3, 3, 3))
            self.assertGreaterEqual(one["gain"], 10)

    def test_limits_are_told(self):
        self.assertEqual(said("ramp", mix=MIX, steps=9)[0], BAD_INPUT)
        self.assertEqual(said("ramp", mix=MIX, paints=["nothing"])[1]["error"]["where"], "/paints/0")


class Recipe(TestCase):
    def test_a_colour_and_a_mix_give_steps_with_tools_drying_and_cautions(self):
        for target in ({"hex": "#6f7f5a"}, {"lab": [40, 30, 10]}, {"mix": MIX}):
            status, told = said("recipe", **target, method="oil", tier="leader")
            self.assertEqual(status, GOOD)
            self.assertEqual("apart" in told, "mix" not in target)
            oil = next(step for step in told["steps"] if step["kind"] == "oil")
            self.assertTrue(any("spirit" in caution.lower() for caution in oil["cautions"]))
            self.assertGreaterEqual(oil["drying_minutes"], 120)

    def test_what_wants_a_paint_is_told_and_nonsense_refused(self):
        _, told = said("recipe", mix=MIX, paints=["madder-rope", "salt-linen"])
        self.assertIn("shade", told["missing"])
        for document in (
            {"hex": "red"},
            {"hex": "#123456", "mix": MIX},
            {"mix": MIX, "method": "magic"},
            {"mix": MIX, "tier": "king"},
        ):
            self.assertEqual(said("recipe", **document)[0], BAD_INPUT)


class Transfers(TestCase):
    def test_one_of_each_unless_more_are_asked_for(self):
        mark = {"blazon": "Or, a fess gules", "width": 6}
        for more, pieces in (([], 1), ([{"copies": 3}], 3), ([{"copies": 2}, {}], 3)):
            marks = [mark | one for one in more] or [mark]
            status, told = said("transfers", marks=marks)
            self.assertEqual((status, told["pieces"]), (GOOD, pieces))


class Order(TestCase):
    def test_every_phase_lists_its_own_steps(self):
        design = calvessa()
        unit = design.army.units[0]
        status, told = said("order", design=json.loads(design_bytes(design)), unit=unit.id, rank=unit.ranks[0].id)
        self.assertEqual(status, GOOD)
        (sheet,) = told["ranks"]
        phases = {phase["id"]: [step["name"] for step in phase["steps"]] for phase in sheet["phases"]}
        self.assertIn("Undercoat", phases["undercoat"])
        self.assertNotIn("Undercoat", [name for id_, names in phases.items() if id_ != "undercoat" for name in names])
        self.assertTrue(all(name.endswith("base") for name in phases["block-in"]), phases["block-in"])
        self.assertGreater(len(phases["block-in"]), 2)
