"""Plans that are kept: the same while nothing they follow from changes, and never older than the design."""

from dataclasses import replace

from mantello.rooms.plan.evening import Evening
from mantello.workspace import editing as actions
from mantello.workspace.models import Army
from mantello_core.design import edit
from mantello_core.design.muster import with_node_named
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix, Step
from tests.rooms.plan.test_plan import TUESDAY, DeskCase


class Laying(DeskCase):
    def laid(self):
        return Evening(Army.objects.get(pk=self.army.pk), TUESDAY).plan

    def change(self, change):
        army = Army.objects.get(pk=self.army.pk)
        actions.edit(army, army.head.number, change, "changed")

    def test_another_name_for_a_formation_leaves_the_plan_as_it_is(self):
        before = self.laid()
        army = self.now().army
        formation = army.paths[before.blocks[0].task.unit][-2]
        self.change(lambda design: with_node_named(design, formation, "Marsh people"))
        self.assertIs(self.laid(), before)
        self.assertContains(self.see("plan"), "Marsh people")

    def test_a_day_by_which_a_unit_is_wanted_is_seen_at_once(self):
        last = self.now().army.units[-1].id
        self.assertNotEqual(self.laid().blocks[0].task.unit, last)
        self.change(
            lambda design: replace(design, evenings=replace(design.evenings, due=((last, "2026-11-30"),), desk=1))
        )
        self.assertEqual(self.laid().blocks[0].task.unit, last)

    def test_a_step_more_is_laid(self):
        before = self.laid()
        late = Step("late", "edge", Mix(((paint("gull-white"), 1.0),)))
        self.change(lambda design: edit.with_step(design, design.scheme.roles[0].id, "rank", late))
        after = self.laid()
        steps = {atom.step for block in after.blocks for atom in block.task.atoms}
        self.assertIn("late", steps)
        self.assertGreater(after.hands_on, before.hands_on)
