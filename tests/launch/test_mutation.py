"""The sample of changes says what it should: another program each time, and never what is only said."""

import ast
from unittest import TestCase

from tests.mutation.__main__ import sample
from tests.mutation.change import changes_of
from tests.mutation.reach import Reach

SOURCE = b'''"""Words with 3 numbers."""
LIMIT = 40


def share(parts, whole):
    """A share."""
    if parts > whole or whole == 0:
        raise ValueError(f"{parts + 1} of {whole}")
    return parts / whole
'''


class Changes(TestCase):
    def test_every_kind_of_change_is_found_and_messages_are_left_alone(self):
        found = [(one.line, one.kind, one.before, one.after.strip()) for one in changes_of("a.py", SOURCE)]
        self.assertEqual(
            found,
            [
                (2, "constant", "40", "51"),
                (7, "comparison", ">", "<="),
                (7, "logic", "or", "and"),
                (7, "comparison", "==", "!="),
                (7, "constant", "0", "1"),
                (9, "answer", "parts / whole", "None"),
                (9, "arithmetic", "/", "*"),
            ],
        )

    def test_each_is_another_program_that_can_be_read(self):
        made = {one.applied(SOURCE) for one in changes_of("a.py", SOURCE)}
        self.assertEqual(len(made), 7)
        for source in made:
            self.assertNotEqual(ast.dump(ast.parse(source)), ast.dump(ast.parse(SOURCE)))

    def test_the_sample_is_the_same_for_a_seed_and_half_of_it_are_constants(self):
        once = sample(3, 20)
        self.assertEqual(once, sample(3, 20))
        self.assertNotEqual(once, sample(4, 20))
        self.assertEqual(sum(one.kind == "constant" for one in once), 10)

    def test_a_line_is_tried_by_the_tests_that_ran_it_or_else_by_all_of_its_module(self):
        near, far = "tests.core.film.test_a.A.test_a", "tests.core.army.test_b.B.test_b"
        reach = Reach({"mantello_core/film/a.py": {3: frozenset({far}), 5: frozenset({near, far})}}, {near: 9, far: 1})
        self.assertEqual(reach.of("mantello_core/film/a.py", 3), (far,))
        at_reading, *others = reach.of("mantello_core/film/a.py", 1)
        self.assertIn("agreed_numbers", at_reading)
        self.assertEqual(others, [near, far])
        self.assertEqual(reach.of("mantello_core/film/b.py", 1), ())
