"""Ids of ranks: kept when ranks are called otherwise, shared by ranks that are one to the painter."""

from dataclasses import replace

from mantello_core.army.figure_filter import Filter
from mantello_core.army.rank_id import rank_id_for, rank_ids_there
from mantello_core.army.tree import Figure, Rank
from mantello_core.design.edit import set_cell, with_column, with_new_table
from mantello_core.design.muster import Entry, with_duplicate, with_entries, with_rank
from mantello_core.design.transfer import transferred
from mantello_core.errors import Contradiction, OutOfRange, UnknownName
from mantello_core.scheme.cascade import resolve
from tests.core.case import RefusalCase
from tests.samples import LAPEL, rule, small_design


def called(design, unit, id_, name):
    return with_rank(design, unit, replace(design.army.rank(unit, id_), name=name))


class Ids(RefusalCase):
    def test_ranks_may_swap_names_and_stay_what_they_are(self):
        design = small_design(
            rule("f", "first-line", "torso", "facing", rank="fusilier"),
            rule("s", "first-line", "torso", "lace", rank="sergeant"),
        )
        swapped = called(design, "first-line", "fusilier", "Spare")
        swapped = called(swapped, "first-line", "sergeant", "Fusilier")
        swapped = called(swapped, "first-line", "fusilier", "Sergeant")
        self.assertEqual(swapped.army.called("first-line", "fusilier", 2), "Sergeant 2")
        worn = resolve(swapped.army, swapped.scheme)
        self.assertEqual(worn.of(Figure("first-line", "fusilier", 2)).cells[LAPEL].role, "facing")
        self.assertEqual(worn.of(Figure("first-line", "sergeant", 1)).cells[LAPEL].role, "lace")
        self.assertEqual(worn.of(Figure("first-line", "sergeant", 1)).rank_name, "Fusilier")

    def test_a_new_rank_shares_the_id_of_those_of_its_name(self):
        army = small_design().army
        self.assertEqual(rank_id_for("sergeant", army.root, army.nodes["second-line"]), "sergeant")
        self.assertEqual(rank_id_for("Sergeant", army.root, None), "sergeant")
        self.assertEqual(rank_id_for("Lamp bearer", army.root, None), "lamp-bearer")

    def test_a_new_rank_never_gets_the_id_of_one_that_is_called_otherwise(self):
        design = called(small_design(), "first-line", "sergeant", "Corporal")
        design = with_rank(design, "first-line", Rank("", "Sergeant", "sergeant", 1))
        self.assertEqual([one.id for one in design.army.nodes["first-line"].ranks][1:], ["sergeant", "sergeant-2"])
        lines = [Entry("Line", "sergeant", "Sergeant", 1, ("Tidewall", "Second"))]
        self.assertEqual(with_entries(design, lines).army.nodes["second-line"].ranks[-1].id, "sergeant-2")

    def test_a_rule_for_all_of_a_rank_says_whom_it_means(self):
        design = called(small_design(), "second-line", "fusilier", "Skirmisher")
        self.assertEqual(design.army.rank_names["fusilier"], "Fusilier or Skirmisher")
        self.assertEqual(Filter(rank="fusilier").words(design.army.rank_names), "of rank Fusilier or Skirmisher")

    def test_a_copy_of_a_unit_has_the_ids_of_its_ranks(self):
        copy = with_duplicate(small_design(), "first-line", "Copy").army.nodes["copy"]
        self.assertEqual([one.id for one in copy.ranks], ["fusilier", "sergeant"])

    def test_unknown_ranks_and_figures_are_refused(self):
        army = small_design().army
        with self.assertRaises(UnknownName):
            army.figure("first-line", "Fusilier", 1)
        with self.assertRaisesMessage(OutOfRange, "Figure 4 of Fusilier; there are 3."):
            army.figure("first-line", "fusilier", 4)
        with self.assertRaises(UnknownName):
            resolve(army, small_design().scheme).of(Figure("first-line", "gone", 1))
        with self.assertRaises(UnknownName):
            with_rank(small_design(), "first-line", Rank("gone", "Gone", "fusilier", 1))
        with self.assertRaises(Contradiction):
            called(small_design(), "first-line", "fusilier", "Sergeant")


class Transferred(RefusalCase):
    def test_ranks_of_another_army_are_known_by_their_names(self):
        other = small_design(rule("a", "first-line", "torso", "lace", rank="sergeant"))
        other, table = with_new_table(other, "By rank", "rank")
        other = with_column(other, table.id, "Sash", ("gear.sash",))
        other = set_cell(other, table.id, "sergeant", "sash", "metal")
        here = small_design()
        unit = here.army.nodes["first-line"]
        ranks = (unit.ranks[0], replace(unit.ranks[1], id="Sergeant"))
        company = replace(here.army.nodes["first"], children=(replace(unit, ranks=ranks),))
        regiment = replace(here.army.nodes["regiment"], children=(company, here.army.nodes["second"]))
        here = replace(here, army=replace(here.army, root=replace(here.army.root, children=(regiment,))))
        after = transferred(here, other).design
        self.assertEqual(after.scheme.rules[-1].filter.rank, "Sergeant")
        self.assertEqual(after.scheme.tables[-1].cells[0][0], "Sergeant")

    def test_a_rank_that_is_not_here_means_nobody_here(self):
        other = called(small_design(), "first-line", "sergeant", "Warden").army
        self.assertEqual(rank_ids_there(other, small_design().army), {"fusilier": "fusilier", "sergeant": "sergeant-2"})
