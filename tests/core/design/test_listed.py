"""A plain list into a distinction table: rows by number and name, marks, roles by name and by colour, and what is left."""

import unittest

from mantello_core.design.edit import with_new_table
from mantello_core.design.listed import with_list
from mantello_core.errors import UnknownName, Unreadable
from mantello_core.formats.sample import calvessa


class Listed(unittest.TestCase):
    def filled(self, text: str, table: str = "company-facings", design=None):
        design, found = with_list(design or calvessa(), table, text.encode())
        return next(one for one in design.scheme.tables if one.id == table), found

    def test_companies_are_known_by_number_and_name_and_colours_by_role_or_word(self):
        table, found = self.filled(
            "Company;Facing;Plume tip\n1st;Field;white\n2nd, the Lantern;yellow;red\nGull;Gull facing;blue\n"
        )
        self.assertEqual(table.role("1st-harbour", "facing"), "field")
        self.assertEqual(table.role("2nd-lantern", "facing"), "lantern")
        self.assertEqual(table.role("3rd-gull", "facing"), "gull")
        self.assertEqual((found.cells, len(found.left)), (2, 2))

    def test_a_mark_the_table_has_not_becomes_a_column(self):
        table, _ = self.filled("Company,Cuffs\n1,Lantern facing\n")
        column = next(one for one in table.columns if one.name == "Cuffs")
        self.assertEqual(table.role("1st-harbour", column.id), "lantern")

    def test_what_cannot_be_placed_is_told_line_by_line_and_changes_nothing(self):
        before = next(one for one in calvessa().scheme.tables)
        table, found = self.filled("Company,Facing,Wugget\n9th,Field,red\n1st,moth,x\n")
        self.assertEqual((table.cells, found.cells), (before.cells, 0))
        self.assertEqual(len(found.left), 3)
        self.assertIn("Wugget", found.left[0])
        self.assertIn("line 2", found.left[1])

    def test_ranks_are_known_by_their_names(self):
        design, made = with_new_table(calvessa(), "Ranks", "rank")
        table, _ = self.filled("Rank,Sash\nSergeant,Harbour facing\n", made.id, design)
        self.assertEqual([cell[0] for cell in table.cells], ["sergeant"])

    def test_nonsense_is_refused(self):
        for text, table, kind in (
            ("", "company-facings", Unreadable),
            ("Company,Facing\n1,red\n", "nothing", UnknownName),
        ):
            with self.assertRaises(kind):
                self.filled(text, table)
