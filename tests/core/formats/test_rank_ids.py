"""Designs from before ranks had ids."""

import json
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.army.tree import Figure
from mantello_core.formats.document.design import VERSION, read_design, read_design_bytes, write_design
from mantello_core.formats.document.rank_ids import with_rank_ids
from mantello_core.recipes.where import Where
from mantello_core.scheme.assembly import Assembly
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.work_order import PLAIN_ORDER
from tests.kept import kept

UNIT = "1st-harbour-line"


def old(*names, rules=(), types=()):
    """A small old document: one unit with ranks of these names."""
    ranks = [{"name": name, "type": types[at] if types else "fusilier", "figures": 2} for at, name in enumerate(names)]
    unit = {"id": "line", "kind": "unit", "name": "Line", "ranks": ranks}
    root = {"id": "army", "kind": "army", "name": "Force", "children": [unit]}
    scheme = {
        "name": "Scheme", "undercoat": "undercoat-slate", "roles": [{"id": "field", "name": "Field", "recipes": {}}],
        "rules": list(rules), "tables": [],
    }  # fmt: skip
    return {"format": "mantello-design", "version": 1, "army": {"levels": ["company"], "root": root}, "scheme": scheme}


def ids(document):
    return {rank["name"]: rank["id"] for rank in document["army"]["root"]["children"][0]["ranks"]}


class KeptDesign(TestCase):
    def test_a_design_of_the_first_version_is_read_with_its_names_for_ids(self):
        design = read_design_bytes(kept("design-1.json"))
        unit = next(unit for unit in design.army.units if any(rank.name == "Fusilier" for rank in unit.ranks))
        self.assertEqual(design.army.rank(unit.id, "Fusilier").name, "Fusilier")
        self.assertTrue(all(rank.id == rank.name for unit in design.army.units for rank in unit.ranks))
        worn = resolve(design.army, design.scheme).of(Figure(unit.id, "Fusilier", 2)).cells
        own = next(rule for rule in design.scheme.rules if rule.filter.ordinals == (2,) and rule.scope == unit.id)
        self.assertEqual(worn["leg.left.shoe"].rule, own)

    def test_what_was_written_of_single_figures_holds(self):
        design = read_design_bytes(kept("design-1.json"))
        cars = resolve(design.army, design.scheme).of(Figure("punt-cars", "Punt-car", 3))
        self.assertEqual(cars.borne["hull.number"].placement.device.text, "4")

    def test_it_is_written_anew_with_ids_and_reads_back(self):
        design = read_design_bytes(kept("design-1.json"))
        written = json.loads(json.dumps(write_design(design)))
        self.assertEqual(written["version"], VERSION)
        self.assertEqual(read_design(written), design)

    def test_one_of_the_second_version_keeps_its_mixes_and_its_steps_go_where_their_kinds_go(self):
        document = json.loads(kept("design-2.json"))
        design = read_design_bytes(kept("design-2.json"))
        steps = [step for role in design.scheme.roles for _, recipe in role.recipes for step in recipe.steps]
        self.assertGreater(len(steps), 100)
        self.assertTrue(all(step.spot is None and not step.manner.full for step in steps))
        layer = next(step for step in steps if step.kind == "layer")
        self.assertEqual(layer.goes, layer.technique.goes)
        self.assertTrue(any(step.kind == "base" and step.mix.dilution == 1 for step in steps))
        self.assertEqual((design.scheme.finishing.light, design.evenings.pace), ("", "usual"))
        written = json.loads(json.dumps(write_design(design)))
        self.assertEqual(written["version"], VERSION)
        self.assertEqual(read_design(written), design)
        self.assertEqual({name: part for name, part in written.items() if name != "version"}, {name: part for name, part in document.items() if name != "version"})  # fmt: skip
        self.assertGreater(design.scheme.coats(design.scheme.roles[0].recipe())[0], 0)

    def test_one_of_the_third_version_keeps_its_places_light_and_pace_and_has_one_ground(self):
        document = json.loads(kept("design-3.json"))
        design = read_design_bytes(kept("design-3.json"))
        steps = [step for role in design.scheme.roles for _, recipe in role.recipes for step in recipe.steps]
        self.assertEqual([step.spot for step in steps if step.spot], [Where("edges", width=0.2, which="exposed")])
        self.assertEqual(sum(step.manner.full for step in steps), 1)
        self.assertEqual(
            (design.scheme.finishing.light, design.evenings.pace, design.scheme.grounds), ("front", "rapid", ())
        )
        written = json.loads(json.dumps(write_design(design)))
        self.assertEqual(written["version"], VERSION)
        self.assertEqual({name: part for name, part in written.items() if name != "version"}, {name: part for name, part in document.items() if name != "version"})  # fmt: skip

    def test_one_of_the_fourth_version_has_no_passes_and_the_order_of_its_method(self):
        document = json.loads(kept("design-4.json"))
        design = read_design_bytes(kept("design-4.json"))
        self.assertEqual((design.scheme.passes, design.scheme.order), ((), PLAIN_ORDER))
        written = json.loads(json.dumps(write_design(design)))
        self.assertEqual({name: part for name, part in written.items() if name != "version"}, {name: part for name, part in document.items() if name != "version"})  # fmt: skip

    def test_one_of_the_fifth_version_has_nothing_planned_at_the_bench(self):
        document = json.loads(kept("design-5.json"))
        design = read_design_bytes(kept("design-5.json"))
        finishing = design.scheme.finishing
        self.assertEqual((finishing.assembly, finishing.apart_in), (Assembly(), ()))
        self.assertFalse(finishing.tidy or finishing.look or finishing.photograph)
        self.assertEqual([one.name for one in design.scheme.passes], ["One wash", "Dust"])
        self.assertEqual([one.because for one in design.scheme.order.rules], ["skin is clean"])
        written = json.loads(json.dumps(write_design(design)))
        self.assertEqual({name: part for name, part in written.items() if name != "version"}, {name: part for name, part in document.items() if name != "version"})  # fmt: skip

    def test_one_of_the_sixth_version_wears_no_dress_and_has_no_cast(self):
        document = json.loads(kept("design-6.json"))
        design = read_design_bytes(kept("design-6.json"))
        self.assertEqual((design.scheme.dress, design.scheme.casts), (None, ()))
        self.assertGreater(len(design.scheme.patterns), 0)
        written = json.loads(json.dumps(write_design(design)))
        self.assertEqual(written["version"], VERSION)
        self.assertEqual({name: part for name, part in written.items() if name != "version"}, {name: part for name, part in document.items() if name != "version"})  # fmt: skip

    def test_one_of_the_seventh_version_has_no_emblems_of_its_own(self):
        document = json.loads(kept("design-7.json"))
        design = read_design_bytes(kept("design-7.json"))
        self.assertEqual(design.scheme.devices, ())
        self.assertGreater(len(design.scheme.casts), 0)
        written = json.loads(json.dumps(write_design(design)))
        self.assertEqual(written["version"], VERSION)
        self.assertEqual({name: part for name, part in written.items() if name != "version"}, {name: part for name, part in document.items() if name != "version"})  # fmt: skip


class Ids(TestCase):
    def test_a_document_with_ids_is_left_as_it_is(self):
        document = with_rank_ids(old("Private", "Sergeant"))
        self.assertIs(with_rank_ids(document, old("Other")), document)

    def test_a_rank_that_was_called_otherwise_keeps_the_id_and_its_rules(self):
        now = with_rank_ids(old("Trooper", "Sergeant"))
        rule = {"id": "a", "scope": "line", "select": ["torso"], "role": "field", "filter": {"rank": "Private"}}
        before = with_rank_ids(old("Private", "Sergeant", rules=[rule]), now)
        self.assertEqual(ids(before), {"Private": "Trooper", "Sergeant": "Sergeant"})
        self.assertEqual(before["scheme"]["rules"][0]["filter"]["rank"], "Trooper")
        self.assertEqual(read_design(before).army.rank("line", "Trooper").name, "Private")

    def test_ranks_that_changed_names_step_by_step_are_told_apart(self):
        now = with_rank_ids(old("Sergeant", "Private"))
        step = with_rank_ids(old("Sergeant", "Spare"), now)
        step = with_rank_ids(old("Private", "Spare"), step)
        first = with_rank_ids(old("Private", "Sergeant"), step)
        self.assertEqual(ids(first), {"Private": "Sergeant", "Sergeant": "Private"})

    def test_another_type_or_count_of_ranks_is_another_rank(self):
        now = with_rank_ids(old("Trooper"))
        self.assertEqual(ids(with_rank_ids(old("Private", types=("ranger",)), now)), {"Private": "Private"})
        self.assertEqual(
            ids(with_rank_ids(old("Private", "Drummer"), now)), {"Private": "Private", "Drummer": "Drummer"}
        )

    @given(
        st.lists(st.sampled_from("abcdef"), min_size=1, max_size=5, unique=True),
        st.lists(st.sampled_from("abcdef"), min_size=1, max_size=5, unique=True),
    )
    def test_no_two_ranks_of_a_unit_get_one_id(self, names, before):
        found = ids(with_rank_ids(old(*before), with_rank_ids(old(*names))))
        self.assertEqual(len(set(found.values())), len(found))
