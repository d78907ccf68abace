"""Openings of units whose figures differ, against a count by hand."""

import unittest
from datetime import datetime

from mantello_core.formats.sample import demo_levy, dressed
from mantello_core.order.subject import of_role
from mantello_core.planning.plan import plan
from mantello_core.planning.schedule import Block, Task
from mantello_core.planning.task import Atom
from mantello_core.planning.varied import pot_by_pot, varied_roles

START = datetime(2026, 11, 24, 19, 0)


def block(role: str, ordinals: tuple[int, ...], figures: tuple[int, ...], opening: float = 1.0, coat: int = 1) -> Block:
    """Figures of one squad through one pot, of which some wear the role."""
    atom = Atom(f"{role}{coat}", "u", "R", of_role(role), "s1", "base", f"wet|{role}", 60, 600, 2, ordinals, 10.0, role, coat=coat, of=2)  # fmt: skip
    task = Task(0, atom.pot, "u", 0, [atom], {})
    return Block(0, opening, START, START, task, tuple(("R", ordinal) for ordinal in figures))


class ByHand(unittest.TestCase):
    varied = {"u": frozenset({"red", "blue"})}

    def test_a_pot_opened_for_three_figures_twice_is_two_openings_and_not_six(self):
        blocks = [block("red", (1, 2, 3), (1, 2, 3)), block("red", (1, 2, 3), (1, 2, 3), coat=2)]
        (told,) = pot_by_pot(blocks, self.varied)
        self.assertEqual((told.unit, told.openings, told.one_by_one), ("u", 2, 6))

    def test_a_pot_still_open_is_no_opening_and_other_roles_and_figures_do_not_count(self):
        blocks = [
            block("red", (1, 3), (1, 2, 3)), block("blue", (2,), (2,), opening=0.0), block("boots", (1, 2, 3), (1, 2, 3)),
        ]  # fmt: skip
        (told,) = pot_by_pot(blocks, self.varied)
        self.assertEqual((told.openings, told.one_by_one), (1, 3))

    def test_where_nothing_varies_nothing_is_told(self):
        self.assertEqual(pot_by_pot([block("boots", (1,), (1,))], self.varied), ())
        self.assertEqual(pot_by_pot([block("red", (1,), (1,))], {}), ())


class OfTheDemo(unittest.TestCase):
    def test_the_cast_unit_is_painted_in_far_fewer_openings_than_figure_by_figure(self):
        design = demo_levy()
        varied = varied_roles(design.scheme, design.army)
        self.assertEqual(list(varied), ["reed-cutters"])
        (told,) = pot_by_pot(plan(design, START, units=("reed-cutters",)).blocks, varied)
        self.assertLess(told.openings * 2, told.one_by_one)

    def test_a_dress_as_ordered_varies_nobody(self):
        design = dressed(demo_levy())
        self.assertEqual(list(varied_roles(design.scheme, design.army)), ["reed-cutters"])
