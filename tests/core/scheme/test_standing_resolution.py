"""A resolution stands while what decides it stands, and what follows from it alone stands with it."""

from dataclasses import fields, replace
from unittest import TestCase

import numpy as np

from mantello_core.design.edit import with_step
from mantello_core.design.muster import with_node_named, with_rank, with_tags, without_node
from mantello_core.formats.sample import levy
from mantello_core.scheme import cascade
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.scheme import Scheme
from mantello_core.scheme.worn import Worn
from tests.samples import calvessa


class StandingResolution(TestCase):
    def setUp(self):
        self.design = levy()

    def test_what_decides_nothing_changes_nothing(self):
        army, scheme, other = self.design.army, self.design.scheme, calvessa().scheme
        whole = cascade._resolved(army, scheme)
        for one in fields(Scheme):
            if one.name not in cascade._DECIDING:
                changed = replace(scheme, **{one.name: getattr(other, one.name)})
                self.assertEqual(cascade._resolved(army, changed), whole, one.name)
                self.assertIs(resolve(army, changed), resolve(army, scheme), one.name)

    def test_each_part_that_decides_makes_it_another(self):
        army, scheme = self.design.army, self.design.scheme
        for name in cascade._DECIDING:
            was = getattr(scheme, name)
            if was:
                changed = replace(scheme, **{name: None if name == "dress" else was[:-1]})
                self.assertIsNot(resolve(army, changed), resolve(army, scheme), name)
                self.assertEqual(resolve(army, changed), cascade._resolved(army, changed), name)

    def test_what_formations_are_called_changes_nothing(self):
        design, whole = self.design, resolve(self.design.army, self.design.scheme)
        for node in design.army.nodes.values():
            kind = "" if node.is_unit else "host"
            renamed = with_node_named(design, node.id, f"{node.name} of old", kind)
            self.assertIs(resolve(renamed.army, design.scheme), whole, node.id)
            self.assertEqual(cascade._resolved(renamed.army, design.scheme), whole, node.id)

    def test_an_army_of_other_figures_has_another(self):
        design, unit = self.design, self.design.army.units[0]
        joined = replace(design.army, joined=((unit.ranks[0].type, ("base.rim",)),))
        more = with_rank(design, unit.id, replace(unit.ranks[0], figures=unit.ranks[0].figures + 1)).army
        moved = with_tags(design, unit.id, ("veterans",)).army
        for army in (joined, more, moved, without_node(design, unit.id).army):
            self.assertIsNot(resolve(army, design.scheme), resolve(design.army, design.scheme))

    def test_a_recipe_leaves_what_is_told_of_it_standing(self):
        scheme = self.design.scheme
        step = scheme.role("field").recipe("rank").steps[0]
        edited = with_step(self.design, "field", "rank", replace(step, coats=3))
        before, after = (resolve(one.army, one.scheme) for one in (self.design, edited))
        self.assertIs(after.worn, before.worn)
        one = before.classes[0]
        self.assertIs(after.worn.numbers(one), before.worn.numbers(one))

    def test_numbers_name_the_roles_of_all_areas(self):
        resolution = resolve(self.design.army, self.design.scheme)
        worn = Worn(resolution.classes)
        self.assertEqual(list(worn.roles), sorted(worn.roles))
        for one in resolution.classes[:6]:
            said = [worn.roles[at] if at >= 0 else "" for at in worn.numbers(one)]
            self.assertEqual(said, [one.cells[area].role or "" for area in one.plate.areas])
            self.assertEqual(worn.numbers(one).dtype, np.dtype(np.int32))
