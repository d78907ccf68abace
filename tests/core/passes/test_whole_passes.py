"""Passes over the figure: who gets them, what they cover, and that they lie in every stack they reach."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.army.figure_filter import Filter
from mantello_core.checks.inspect import inspect
from mantello_core.colour.difference import difference
from mantello_core.design.edit import without_role
from mantello_core.design.order_edit import with_pass, without_pass
from mantello_core.design.pass_offer import pass_offers, with_offer_taken
from mantello_core.errors import Contradiction, OutOfRange, UnknownName, Unreadable
from mantello_core.figures.vocabulary import group_of
from mantello_core.formats.document.design import design_bytes, read_design, read_design_bytes, write_design
from mantello_core.order.stacks import Stacks
from mantello_core.order.subject import of_pass
from mantello_core.paints.range import paint
from mantello_core.passes.pieces import covering_nothing
from mantello_core.planning.compiling import compiled
from mantello_core.recipes.step import Mix, Step
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.whole_pass import WholePass, checked_passes
from tests.samples import calvessa

UNIT, RANK = "1st-harbour-line", "fusilier"
WASH = WholePass(
    "wash",
    "One wash",
    Step("wash", "shade", Mix(((paint("tar-wash"), 1.0),), "medium", 2.0), 1),
    leaves=("base", "@skin"),
)
GOLD = WholePass(
    "gold", "Gold over everything", Step("gold", "base", Mix(((paint("lamp-brass"), 1.0),))), leaves=("base",)
)


def laid(*passes):
    """The sample army with passes, and its resolution."""
    design = calvessa()
    for one in passes:
        design = with_pass(design, one)
    return design, resolve(design.army, design.scheme)


def line(resolution):
    """The class of line fusiliers."""
    return next(one for one in resolution.classes if (one.unit, one.rank) == (UNIT, RANK))


class Covering(TestCase):
    def test_one_wash_over_all_but_base_and_skin_is_one_task_of_every_figure(self):
        design, resolution = laid(WASH)
        work = compiled(design, resolution)
        mine = [atom for atom in work.atoms if atom.subject == of_pass("wash")]
        self.assertEqual(sum(len(atom.ordinals) for atom in mine), design.army.figures)
        one = line(resolution)
        covered = WASH.covered(one.plate, one.roles_worn)
        self.assertNotIn("head.face", covered)
        self.assertFalse(any(group_of(area) == "Base" for area in covered))
        self.assertIn("torso.coat.body.left", covered)

    def test_it_lies_once_in_every_stack_it_reaches_between_base_and_lights(self):
        design, resolution = laid(WASH)
        stacks, one = Stacks(design, resolution), line(resolution)
        coat = [step.id for step in stacks.recipe(one, "torso.coat.body.left").steps]
        self.assertEqual(coat.count("over-wash"), 1)
        self.assertLess(coat.index("base"), coat.index("over-wash"))
        self.assertLess(coat.index("over-wash"), coat.index("layer"))
        self.assertNotIn("over-wash", [step.id for step in stacks.recipe(one, "head.face").steps])

    def test_it_darkens_what_it_reaches_and_leaves_the_rest(self):
        plain, washed = (laid(*given) for given in ((), (WASH,)))
        colours = []
        for design, resolution in (plain, washed):
            stacks, one = Stacks(design, resolution), line(resolution)
            colours.append({
                area: design.scheme.predicted(stacks.recipe(one, area)).tones.recess
                for area in ("torso.coat.body.left", "head.face")
            })  # fmt: skip
        self.assertGreater(difference(colours[0]["torso.coat.body.left"], colours[1]["torso.coat.body.left"]), 2)
        self.assertEqual(colours[0]["head.face"], colours[1]["head.face"])

    def test_on_gold_white_takes_other_coats_than_on_grey_and_gold_comes_first(self):
        (_, bare), (design, resolution) = laid(), laid(GOLD)
        before, after = (
            {atom.name: atom.of for atom in compiled(one, known).atoms if (atom.unit, atom.rank) == (UNIT, RANK)}
            for one, known in ((calvessa(), bare), (design, resolution))
        )
        self.assertNotEqual(before["Small clothes base"], after["Small clothes base"])
        stack = [step.id for step in Stacks(design, resolution).recipe(line(resolution), "torso.coat.body.left").steps]
        self.assertEqual(stack[0], "over-gold")

    def test_an_open_pass_takes_as_many_coats_as_cover_what_it_really_lies_on(self):
        white = Step("white", "base", Mix(((paint("gull-white"), 3.0),), "water", 1.0))
        under = WholePass("white", "White first", replace(white, coats=3), select=("torso.coat",))
        over = WholePass("again", "White over the coat", replace(white, id="again"), select=("torso.coat",))
        found = {}
        for where, passes in (("grey", (over,)), ("white", (under, over))):
            design, _ = laid(*passes)
            atoms = compiled(design, resolve(design.army, design.scheme), units=(UNIT,)).atoms
            found[where] = max(atom.of for atom in atoms if atom.name == over.name and atom.rank == RANK)
        self.assertEqual(found["grey"], 3)
        self.assertLess(found["white"], 3)

    def test_mud_reaches_shoes_and_no_hat(self):
        mud = replace(WASH, id="mud", law="ground", height=0.2, leaves=())
        one = line(laid(mud)[1])
        covered = mud.covered(one.plate, one.roles_worn)
        self.assertIn("leg.left.shoe", covered)
        self.assertNotIn("head.hat.body", covered)


class Ladder(TestCase):
    def test_a_lower_rung_replaces_it_or_leaves_it_out(self):
        thin = replace(WASH, name="Thin wash", scope=UNIT)
        off = replace(WASH, scope="2nd-harbour-line", off=True) if "2nd-harbour-line" in calvessa().army.nodes else None
        design, resolution = laid(WASH, thin, *([off] if off else []))
        self.assertEqual([one.name for one in line(resolution).passes], ["Thin wash"])
        others = {one.unit: [each.name for each in one.passes] for one in resolution.classes}
        if off:
            self.assertEqual(others["2nd-harbour-line"], [])
        self.assertIn(["One wash"], list(others.values()))
        self.assertEqual(without_pass(design, "wash").scheme.passes, ())
        kept = without_pass(design, "wash", UNIT).scheme.passes
        self.assertNotIn(thin, kept)
        self.assertIn(WASH, kept)

    def test_single_figures_tiers_and_ranks_can_be_meant(self):
        one = replace(WASH, scope=UNIT, filter=Filter(rank=RANK, ordinals=(2,)))
        design, resolution = laid(one)
        atoms = [atom for atom in compiled(design, resolution).atoms if atom.subject == of_pass("wash")]
        self.assertEqual([(atom.unit, atom.rank, atom.ordinals) for atom in atoms], [(UNIT, RANK, (2,))])
        leaders = laid(replace(WASH, tiers=("leader",)))[1]
        self.assertEqual({each.tier for each in leaders.classes if each.passes}, {"leader"})


class Offers(TestCase):
    def test_a_wash_that_six_roles_have_is_offered_and_becomes_one_pass(self):
        design = calvessa()
        offer = pass_offers(design.scheme)[0]
        self.assertGreaterEqual(len(offer.roles), 3)
        taken = with_offer_taken(design, offer.id)
        (made,) = taken.scheme.passes
        self.assertEqual(made.roles, offer.roles)
        for role in offer.roles:
            kinds = [(step.kind, step.mix) for step in taken.scheme.role(role).recipe().steps]
            self.assertNotIn((offer.kind, offer.mix), kinds)
        atoms = [compiled(one, resolve(one.army, one.scheme)).atoms for one in (design, taken)]
        self.assertLess(len(atoms[1]), len(atoms[0]))
        with self.assertRaises(UnknownName):
            with_offer_taken(taken, offer.id)


class Documents(TestCase):
    def test_passes_are_written_and_read(self):
        design, _ = laid(
            WASH, GOLD, replace(WASH, scope=UNIT, off=True), replace(WASH, id="mud", law="ground", height=0.2)
        )
        self.assertEqual(read_design_bytes(design_bytes(design)), design)

    def test_what_cannot_be_is_refused_at_its_place(self):
        roles = tuple(calvessa().scheme.role_by_id)
        for bad, error, where in (
            (replace(WASH, name=""), OutOfRange, "passes/0/name"),
            (replace(WASH, select=(), roles=()), Unreadable, "passes/0/select"),
            (replace(WASH, leaves=("@cheese",)), Unreadable, "passes/0/leaves/0"),
            (replace(WASH, roles=("nobody",)), UnknownName, "passes/0/roles/0"),
            (replace(WASH, height=2.0), OutOfRange, "passes/0/height"),
            (replace(WASH, tiers=("king",)), UnknownName, "passes/0/tiers/0"),
            (replace(WASH, law="nowhere"), UnknownName, "passes/0/law"),
        ):
            with self.assertRaises(error) as caught:
                checked_passes((bad,), roles)
            self.assertEqual(caught.exception.where, where)

    def test_a_pass_may_not_take_the_id_of_other_work_nor_name_a_node_there_is_not(self):
        for bad, error in ((replace(WASH, id="varnish"), Contradiction), (replace(WASH, scope="moon"), UnknownName)):
            document = write_design(laid(bad)[0] if bad.scope == "" else with_pass(calvessa(), bad))
            with self.assertRaises(error):
                read_design(document)

    def test_a_pass_over_what_nobody_has_is_found_and_a_role_it_names_cannot_go(self):
        fins = replace(WASH, id="fins", select=("vehicle.sail",))
        design, resolution = laid(WASH, fins)
        self.assertEqual([one.select for one in covering_nothing(design.scheme, resolution)], [("vehicle.sail",)])
        told = next(check for check in inspect(design, resolution) if check.id == "passes")
        self.assertEqual((told.verdict, len(told.findings)), ("wrong", 1))
        mended = told.findings[0].fix.change(design)
        self.assertEqual(
            next(one for one in inspect(mended, resolve(mended.army, mended.scheme)) if one.id == "passes").verdict,
            "clear",
        )
        with self.assertRaises(Contradiction):
            without_role(with_pass(calvessa(), replace(WASH, roles=("plume",))), "plume")
