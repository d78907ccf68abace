"""Four jobs as painters plan them, on the shipped figures: what must come before what."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.design.brief import Brief
from mantello_core.design.order_edit import with_pass, with_work_moved
from mantello_core.order.figure_order import order_of
from mantello_core.paints.range import paint
from mantello_core.planning.compiling import compiled
from mantello_core.planning.plan import plan
from mantello_core.planning.validating import faults_of
from mantello_core.recipes.slots import Slots
from mantello_core.recipes.step import Manner, Mix, Recipe, Step
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import Basing, Finishing, usual_plants
from mantello_core.scheme.whole_pass import WholePass
from tests.core.planning.test_plan import TUESDAY
from tests.samples import calvessa

UNIT, RANK = "1st-harbour-line", "fusilier"


def step(id_: str, kind: str, pot: str, diluent: str = "neat", parts: float = 0.0, **given) -> Step:
    return Step(id_, kind, Mix(((paint(pot), 1.0),), diluent, parts), **given)


def over(id_: str, name: str, laid: Step, **given) -> WholePass:
    return WholePass(id_, name, replace(laid, id=id_), **given)


def painted(method: str, roles: dict[str, tuple[Step, ...]], *passes: WholePass, rest=None, **finish):
    """The sample army by a method, with some recipes and all others cut down to what ``rest`` leaves of their kinds."""
    design = replace(calvessa(), brief=Brief(method=method))
    scheme = design.scheme
    for role in scheme.roles:
        steps = roles.get(role.id)
        if steps is None:
            steps = tuple(one for one in role.recipe().steps if rest is None or one.kind in rest)
        for tier in ("rank", "leader", "centrepiece"):
            if tier == "rank" or role.own_recipe(tier) is not None:
                role = role.with_recipe(tier, Recipe(steps))
        scheme = scheme.with_role(role)
    design = replace(design, scheme=replace(scheme, finishing=Finishing(**finish)))
    for one in passes:
        design = with_pass(design, one)
    return design


class Job(TestCase):
    def check(self, design, pairs, unit=UNIT, rank=RANK):
        """Every pair stands in the order, in the line and in a plan that its validator finds legal."""
        resolution = resolve(design.army, design.scheme)
        line = [
            node.name for node in order_of(design, [one for one in resolution.of_unit(unit) if one.rank == rank]).line
        ]
        for before, after in pairs:
            self.assertIn(before, line)
            self.assertIn(after, line)
            self.assertLess(line.index(before), line.index(after), f"{before} before {after}: {line}")
        found = plan(design, TUESDAY, units=(unit,), resolution=resolution)
        self.assertEqual(faults_of(design, resolution, TUESDAY, found.stretches(), units=(unit,)), ())
        starts: dict[tuple, object] = {}
        for block in found.blocks:
            for atom in block.task.atoms:
                if atom.rank == rank:
                    for figure in block.figures:
                        starts.setdefault((figure, atom.name), block.start)
        for before, after in pairs:
            for (figure, name), start in starts.items():
                if name == after and (figure, before) in starts:
                    self.assertLessEqual(starts[figure, before], start, f"{before} before {after}")


class Platoon(Job):
    def test_bases_sprayed_and_masked_then_the_uniform_one_wash_skin_late(self):
        spray = step("base", "base", "varnish-satin", coats=1)
        design = painted(
            "speed",
            {
                "ground": (spray, step("drybrush", "drybrush", "silt-pale")),
                "field": (replace(spray, mix=Mix(((paint("varnish-matt"), 1.0),))), step("overbrush", "overbrush", "salt-linen")),
                "flesh": (step("base", "base", "harbour-rose", "water", 0.3), step("shade", "shade", "umber-wash", "medium", 3.0)),
            },
            over("wash", "One umber wash", step("wash", "shade", "umber-wash", "medium", 3.0, coats=1), leaves=("base",)),
            rest=("base",), varnish="matt", slots=Slots("", "late", "first"),
            basing=Basing((replace(usual_plants()[1], in_ten=10),), magnets=True),
        )  # fmt: skip
        design = with_work_moved(design, "role:ground/drybrush", "base", "when the figure is done")
        self.check(design, [
            ("Magnets", "Undercoat"), ("Undercoat", "Ground base"), ("Ground base", "Mask for Field"), ("Mask for Field", "Field base"),
            ("Field base", "Mask of Field off"), ("Field base", "Belting base"), ("Field overbrush", "Timber base"),
            ("Belting base", "One umber wash"), ("Blacking base", "One umber wash"), ("One umber wash", "Flesh base"),
            ("Flesh base", "Flesh shade"), ("Flesh shade", "Matt varnish"), ("Matt varnish", "Large tuft"),
            ("Ground drybrush", "Large tuft"), ("Large tuft", "Rim base"), ("Field overbrush", "Arms metal base"),
            ("Arms metal base", "Matt varnish"),
        ])  # fmt: skip


class Flyer(Job):
    def test_underlayer_gloss_oil_over_all_matt_then_details(self):
        design = painted(
            "oil", {}, over("rose", "Rose underlayer", step("rose", "base", "harbour-rose", "water", 0.3, coats=1), leaves=("base",)),
            over("oil", "Oil over all", step("oil", "oil", "oil-burnt-umber", "thinner", 2.0, coats=1), leaves=("base",)),
            rest=("base", "layer"), varnish="matt", barrier="gloss",
        )  # fmt: skip
        self.check(design, [
            ("Undercoat", "Rose underlayer"), ("Rose underlayer", "Field base"), ("Rose underlayer", "Blacking base"),
            ("Field layer", "Barrier varnish"), ("Barrier varnish", "Oil over all"), ("Oil over all", "Matt varnish"),
            ("Matt varnish", "Arms metal base"), ("Matt varnish", "Ground base"), ("Matt varnish", "Rim base"),
        ])  # fmt: skip


class Candy(Job):
    def test_metal_over_everything_lies_under_every_colour(self):
        gold = over("gold", "Brass over everything", step("gold", "base", "lamp-brass", coats=1), leaves=("base",))
        design = painted(
            "stains",
            {"field": (step("stain", "stain", "wine-wash", "medium", 1.0),)},
            gold,
            rest=("base", "shade", "edge"),
            varnish="gloss",
        )
        self.check(design, [
            ("Undercoat", "Brass over everything"), ("Brass over everything", "Field stain"),
            ("Brass over everything", "Blacking base"), ("Brass over everything", "Flesh base"), ("Flesh shade", "Gloss varnish"),
            ("Gloss varnish", "Rim base"),
        ])  # fmt: skip
        work = compiled(design, resolve(design.army, design.scheme), units=(UNIT,))
        mine = [atom for atom in work.atoms if atom.name == "Brass over everything" and atom.rank == RANK]
        self.assertEqual(len(mine), 1)


class Greatcoats(Job):
    def test_overbrush_block_in_one_wash_lights_and_metals_last(self):
        design = painted(
            "overbrush",
            {"field": (step("base", "base", "brine-green", "water", 0.3), step("overbrush", "overbrush", "salt-linen"), step("dot", "dot", "gull-white"))},
            over("wash", "One wash", step("wash", "shade", "peat-wash", "medium", 2.0, coats=1), leaves=("base", "@skin", "@metal")),
            rest=("base", "edge"), varnish="matt",
        )  # fmt: skip
        self.check(design, [
            ("Field base", "Field overbrush"), ("Field overbrush", "Belting base"), ("Field overbrush", "Small clothes base"),
            ("Belting base", "One wash"), ("Timber base", "One wash"), ("One wash", "Field points"), ("One wash", "Flesh base"),
            ("One wash", "Arms metal base"), ("Arms metal base", "Matt varnish"), ("Matt varnish", "Rim base"),
        ])  # fmt: skip

    def test_a_late_gentle_drybrush_does_not_drag_its_role_forward(self):
        plain = painted("overbrush", {}, rest=("base",))
        late = painted("overbrush", {"belting": (step("base", "base", "sailcloth", "water", 0.3), step("shade", "shade", "silt-wash"), step("drybrush", "drybrush", "gull-white", manner=Manner(note="gentle")))}, rest=("base",))  # fmt: skip
        places = []
        for design in (plain, late):
            resolution = resolve(design.army, design.scheme)
            line = order_of(design, [one for one in resolution.of_unit(UNIT) if one.rank == RANK]).line
            places.append([node.name for node in line if node.name in ("Field base", "Belting base", "Blacking base")])
        self.assertEqual(*places)
