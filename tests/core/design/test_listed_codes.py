"""Unit codes from plain lists: what is read, what is told, and that nothing is dropped in silence."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.design.listed_codes import with_code_list
from mantello_core.errors import MantelloError, UnknownName
from mantello_core.formats.sample import levy
from mantello_core.insignia.systems.code import Code, CodePlan
from mantello_core.marks.unit_codes import CodeSystem, Held, Retired, with_system

PLAN = CodePlan(("harbour", "lantern"), ("disc",), ("1", "2", "3"))
SYSTEM = CodeSystem("", "Squads", PLAN, "hat.plate", "unit", "2nd-tidewall", "fusilier")
DESIGN = with_system(levy(), SYSTEM)


def read(text: str, design=DESIGN):
    changed, found = with_code_list(design, "squads", text.encode())
    return changed.scheme.code_system("squads"), found


class Read(TestCase):
    def test_columns_in_any_order_with_a_heading(self):
        system, found = read(
            "Sign;Unit;Colour;Shape\n7;Harbour;Harbour facing;lozenge\nA2;Lantern;Lantern facing;disc\n"
        )
        self.assertEqual(system.code_of["1st-harbour-line"].code, Code("harbour", "lozenge", "7"))
        self.assertEqual(system.code_of["2nd-lantern-line"].code, Code("lantern", "disc", "A2"))
        self.assertEqual((found.codes, found.left), (2, ()))
        self.assertTrue(all(one.pinned for one in system.held))
        self.assertEqual((system.plan.frames, system.plan.signs[-2:]), (("disc", "lozenge"), ("7", "A2")))

    def test_words_in_one_cell_and_what_is_left_out_is_the_systems_first(self):
        system, found = read("Harbour\tno. 9 in a hexagon\nGull\t4\n")
        self.assertEqual(system.code_of["1st-harbour-line"].code, Code("harbour", "hexagon", "9"))
        self.assertEqual(system.code_of["3rd-gull-line"].code, Code("harbour", "disc", "4"))
        self.assertEqual(found.left, ())

    def test_what_cannot_be_placed_is_told_by_its_line(self):
        _, found = read("Harbour;1\nNobody;2\nLantern;mauvish thing\nGull;1\nHarbour;3\n")
        self.assertEqual(found.codes, 1)
        self.assertEqual(len(found.left), 4)
        for words, said in zip(
            found.left, ("called so", "no colour, figure or sign", "given to", "in a line before"), strict=True
        ):
            self.assertIn(said, words)
        self.assertIn("line 3, 'Lantern mauvish thing'", found.left[1])

    def test_a_retired_code_is_not_given_and_a_taken_one_leaves_its_bearer_without(self):
        code = Code("harbour", "disc", "1")
        held = CodeSystem("squads", *(getattr(SYSTEM, name) for name in ("name", "plan", "site", "bearers", "scope", "type")),
                          held=(Held("2nd-lantern-line", code, "Lantern"),), retired=(Retired(Code("harbour", "disc", "2"), "x", "lost"),))  # fmt: skip
        system, found = read("Harbour;1\nGull;2\n", with_system(DESIGN, held))
        self.assertEqual(set(system.code_of), {"1st-harbour-line"})
        self.assertIn("retired", found.left[0])

    def test_an_unknown_system_or_no_text_is_refused(self):
        with self.assertRaises(UnknownName):
            with_code_list(DESIGN, "nowhere", b"Harbour;1")
        with self.assertRaises(MantelloError):
            read("")

    @settings(max_examples=60, deadline=None)
    @given(st.lists(st.tuples(st.sampled_from(["Harbour", "Lantern", "Gull", "Nobody", "1st"]), st.text("AB123 redlozenge;,'", max_size=14)), min_size=1, max_size=6))  # fmt: skip
    def test_every_line_becomes_a_code_or_is_told(self, lines):
        text = "\n".join(f"{name}\t{cell}" for name, cell in lines)
        system, found = read(text)
        told = {int(words.split(",")[0].split()[1]) for words in found.left}
        for at, (name, cell) in enumerate(lines, 1):
            self.assertTrue(at in told or any(name in one.name for one in system.held), (at, name, cell))
