"""What lies on an area, and how the areas of a role are formed on the figure at hand."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.checks.look import Look
from mantello_core.figures.form import USUAL_FORM
from mantello_core.formats.sample import calvessa
from mantello_core.order.stacks import Stacks
from mantello_core.paints.range import paint
from mantello_core.planning.compiling import compiled
from mantello_core.recipes.step import Mix, Recipe, Step
from mantello_core.recipes.where import Where
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import usual_dirt

LIGHT = Mix(((paint("gull-white"), 1.0),))


def stacks_of(design) -> Stacks:
    return Stacks(design, resolve(design.army, design.scheme))


def with_light(design, role_id: str, spot: Where):
    role = design.scheme.role(role_id)
    steps = (*role.recipe("rank").steps, Step("rim", "line", LIGHT, spot=spot))
    return replace(design, scheme=design.scheme.with_role(role.with_recipe("rank", Recipe(steps))))


class FormsWornTest(TestCase):
    def test_one_role_is_formed_otherwise_on_other_figures_and_all_together_in_between(self):
        stacks = stacks_of(calvessa())
        forms = {}
        for one in stacks.resolution.classes:
            for role in set(one.roles_worn.values()) - {None, ""}:
                forms.setdefault((role, one.tier), set()).add(stacks.resolution.worn.form(one, role).edge)
        several = {key: edges for key, edges in forms.items() if len(edges) > 1}
        self.assertTrue(several)
        for (role, tier), edges in several.items():
            self.assertTrue(min(edges) <= stacks.resolution.worn.usual_form(role, tier).edge <= max(edges), role)

    def test_a_role_that_nobody_wears_lies_on_the_usual_figure(self):
        self.assertEqual(stacks_of(calvessa()).resolution.worn.usual_form("nothing", "rank"), USUAL_FORM)

    def test_a_step_beside_a_neighbour_is_as_long_as_their_seam(self):
        design = calvessa()
        stacks = stacks_of(with_light(design, "field", Where("beside", beside="trim")))
        shares = set()
        for one in stacks.resolution.classes:
            for area, cell in one.cells.items():
                if cell.role == "field" and one.tier == "rank":
                    step = stacks.recipe(one, area).step("rim")
                    beside = any(one.cells[other].role == "trim" for other in one.plate.neighbours[area])
                    shares.add(step.goes.along)
                    if step.goes.along == 0:
                        self.assertFalse(beside)
        self.assertTrue(any(0 < share < 1 for share in shares), shares)
        self.assertIsNone(stacks.design.scheme.role("field").recipe("rank").step("rim").goes.along)

    def test_work_beside_a_neighbour_is_counted_along_their_seam(self):
        rims = {}
        for other in ("trim", "hair"):
            design = with_light(calvessa(), "field", Where("beside", beside=other))
            atoms = compiled(design, resolve(design.army, design.scheme)).atoms
            rims[other] = {one.id: one.surface for one in atoms if one.step == "rim"}
        self.assertTrue(rims["trim"])
        self.assertEqual(rims["trim"].keys(), rims["hair"].keys())
        self.assertNotEqual(rims["trim"], rims["hair"])


class DirtSeenTest(TestCase):
    def test_checks_see_colours_under_the_armys_dirt(self):
        clean = calvessa()
        finishing = replace(clean.scheme.finishing, dirt=usual_dirt(), level=4)
        dirty = replace(clean, scheme=replace(clean.scheme, finishing=finishing))
        before, after = (Look(one, resolve(one.army, one.scheme)).apparent("field", "rank") for one in (clean, dirty))
        self.assertNotEqual(before, after)
        level_none = replace(dirty, scheme=replace(dirty.scheme, finishing=replace(finishing, level=0)))
        self.assertEqual(Look(level_none, resolve(clean.army, level_none.scheme)).apparent("field", "rank"), before)
