"""Varnish, dirt, plants, masks and loose parts as work: who gets what, in which order, and inside which window."""

from dataclasses import replace
from datetime import datetime
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.spaces import Lab
from mantello_core.design.brief import Brief
from mantello_core.design.muster import with_rank
from mantello_core.errors import Contradiction, OutOfRange, UnknownName
from mantello_core.figures.catalogue import plate
from mantello_core.figures.exposure import exposure
from mantello_core.figures.loose import loose_advice
from mantello_core.figures.vocabulary import group_of
from mantello_core.formats.document.design import read_design, write_design
from mantello_core.formats.sample import calvessa
from mantello_core.order.subject import GROUND
from mantello_core.paints.range import paint
from mantello_core.passes.basing import figures_on, off_ground, standing_on
from mantello_core.passes.pieces import dealt, finishing_needed
from mantello_core.planning.compiling import compiled, slots_of
from mantello_core.planning.consumable import consumables
from mantello_core.planning.plan import plan
from mantello_core.planning.validating import Painted, faults_of
from mantello_core.recipes.slots import Slots
from mantello_core.recipes.step import Manner, Mix, Recipe, Step
from mantello_core.record.progress import progress_of
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import (
    Basing,
    Finishing,
    Plant,
    checked_finishing,
    usual_dirt,
    usual_plants,
    with_paint,
)
from tests.core.order.case import pairs_before

TUESDAY = datetime(2026, 11, 24, 18, 0)


def finished(design=None, **given):
    """The sample army with a finish."""
    design = design or calvessa()
    finishing = checked_finishing(Finishing(**given), tuple(design.scheme.role_by_id))
    return replace(design, scheme=replace(design.scheme, finishing=finishing))


def work_of(design):
    return compiled(design, resolve(design.army, design.scheme))


def pieces(design):
    return {atom.subject.piece: atom for atom in work_of(design).atoms if atom.subject.piece}


def ways(work, rule):
    names = {atom.id: atom.name for atom in work.atoms}
    return {(names[edge.before], names[edge.after]) for edge in work.edges if edge.rule.id == rule}


class Exposure(TestCase):
    def test_mud_reaches_shoes_and_no_hat(self):
        shape = plate("fusilier")
        self.assertEqual(exposure(shape, "leg.left.shoe", "ground", 0.2), 1.0)
        self.assertEqual(exposure(shape, "head.hat.body", "ground", 0.2), 0.0)

    @given(st.floats(0, 1), st.floats(0, 1))
    def test_higher_mud_never_reaches_less(self, one, two):
        shape = plate("fusilier")
        low, high = sorted((one, two))
        for area in ("leg.left.breeches", "torso.coat.body.left", "weapon.stock"):
            self.assertLessEqual(exposure(shape, area, "ground", low), exposure(shape, area, "ground", high) + 1e-12)

    def test_cloth_does_not_chip_and_bases_stay_clean(self):
        shape = plate("fusilier")
        self.assertEqual(exposure(shape, "torso.coat.body.left", "edges"), 0.0)
        self.assertGreater(exposure(shape, "weapon.bayonet", "edges"), 0.5)
        for law in ("ground", "edges", "falls", "all"):
            self.assertEqual(exposure(shape, "base.ground", law, 1.0), 0.0)


class Loose(TestCase):
    def test_a_cloak_hides_the_sleeves_and_is_worth_painting_apart(self):
        first = loose_advice(plate("ranger"))[0]
        self.assertEqual(first.group, "Cloak")
        self.assertIn("left sleeve", first.words)

    def test_what_hides_little_may_stay_on(self):
        self.assertEqual(loose_advice(plate("stiltwalker")), ())


class Pieces(TestCase):
    def test_without_a_finish_nothing_is_added(self):
        self.assertEqual(pieces(calvessa()), {})

    def test_a_clean_army_gets_no_dirt_and_a_dirtier_one_more_minutes(self):
        seconds = [
            sum(atom.seconds for atom in pieces(finished(dirt=usual_dirt(), level=level)).values())
            for level in range(6)
        ]
        self.assertEqual(seconds[0], 0)
        self.assertEqual(seconds, sorted(seconds))
        self.assertLess(seconds[1], seconds[5])

    def test_the_brief_says_how_dirty_unless_the_finish_does(self):
        design = replace(calvessa(), brief=Brief(dirt=4))
        self.assertEqual(design.dirt_level, 4)
        self.assertEqual(finished(design, level=0).dirt_level, 0)

    def test_a_cloak_is_joined_after_all_that_is_painted_and_before_the_varnish(self):
        design = finished(apart=("Cloak",), varnish="matt")
        work = work_of(design)
        joined = [atom for atom in work.atoms if atom.subject.piece == "join-cloak"]
        wearers = {
            unit.id
            for unit in design.army.units
            for rank in unit.ranks
            if any(group_of(a) == "Cloak" for a in design.army.plate(rank.type).areas)
        }
        self.assertEqual({atom.unit for atom in joined}, wearers)
        known = pairs_before(work)
        self.assertIn(("Join cloak", "Matt varnish"), known)
        cloaked = {atom.name for atom in work.atoms if atom.subject.role == "cloak"}
        self.assertTrue(all((name, "Join cloak") in known for name in cloaked))

    def test_what_was_held_is_touched_up_before_the_varnish(self):
        work = work_of(finished(touch_up=True, varnish="matt"))
        known = pairs_before(work)
        self.assertIn(("Touch up what was held", "Matt varnish"), known)
        self.assertIn(("Field layer", "Touch up what was held"), known)

    def test_magnets_plants_and_joints_are_counted_among_what_to_have_ready(self):
        plants = (replace(usual_plants()[1], in_ten=10),)
        design = finished(basing=Basing(plants, magnets=True), apart=("Cloak",))
        counts = {one.name: one.count for one in consumables(work_of(design).atoms)}
        self.assertEqual((counts["Magnets"], counts["Large tuft"]), (design.army.figures,) * 2)
        self.assertGreater(counts["Joints to glue"], 0)

    def test_hard_use_takes_two_coats_of_varnish(self):
        self.assertEqual(pieces(finished(varnish="satin", use="hard"))["varnish"].of, 2)
        brushed = pieces(finished(varnish="satin", can=False))["varnish"]
        self.assertFalse(brushed.sprayed)
        self.assertTrue(pieces(finished(varnish="satin"))["varnish"].sprayed)

    def test_a_barrier_comes_only_with_solvents(self):
        streaks = tuple(one for one in usual_dirt() if one.id == "streaks")
        work = work_of(finished(dirt=streaks, level=3, barrier="gloss", varnish="matt"))
        self.assertIn(("Barrier varnish", "Streaks"), ways(work, "D-32"))
        self.assertIn(("Streaks", "Matt varnish"), ways(work, "D-34"))
        self.assertNotIn("barrier", pieces(finished(barrier="gloss", level=3)))

    def test_large_plants_come_before_small_ones_and_after_the_ground(self):
        plants = tuple(replace(one, in_ten=10) for one in usual_plants())
        work = work_of(finished(basing=Basing(plants, magnets=True), varnish="matt"))
        self.assertIn(("Shrub", "Scatter"), ways(work, "D-49"))
        self.assertIn(("Ground drybrush", "Shrub"), ways(work, "D-48"))
        self.assertEqual(ways(work, "D-47"), {("Magnets", "Undercoat")})

    def test_a_mask_goes_on_before_what_is_sprayed_and_off_after_it(self):
        design = calvessa()
        role = design.scheme.role("field")
        sprayed = Step("spray", "base", Mix(((paint("varnish-satin"), 1.0),)), 1)
        role = role.with_recipe("rank", Recipe((*role.recipe().steps, sprayed)))
        work = work_of(finished(replace(design, scheme=design.scheme.with_role(role)), masks=True))
        masked = ways(work, "mask")
        self.assertIn(("Mask for Field", "Field base"), masked)
        self.assertIn(("Field base", "Mask of Field off"), masked)
        # the spray comes last in its recipe: what is painted before it is masked, what comes later waits for the peeling
        known = pairs_before(work, "1st-harbour-line", "fusilier")
        self.assertIn(("Flesh base", "Mask for Field"), known)
        self.assertIn(("Mask of Field off", "Timber layer"), known)

    def test_only_what_is_laid_takes_paint(self):
        design = finished(varnish="matt", apart=("Cloak",), dirt=usual_dirt(), level=1)
        needed = finishing_needed(design, resolve(design.army, design.scheme))
        laid = {one.step.mix.paints[0].id for one in usual_dirt()}
        self.assertEqual(set(needed), {"varnish-matt", *laid})
        self.assertTrue(all(ml > 0 for ml in needed.values()))


class States(TestCase):
    def test_a_magnet_alone_leaves_a_figure_bare(self):
        design = finished(basing=Basing(magnets=True))
        work = work_of(design)
        one = next(atom for atom in work.atoms if atom.subject.piece == "magnet")
        done = frozenset({(one.unit, one.rank, 1, one.subject, one.step)})
        known = progress_of(work.atoms, done)[one.unit, one.rank, 1]
        self.assertEqual((known.state, known.progress.done_steps), ("bare", 1))
        sprayed = done | {(one.unit, one.rank, 1, GROUND, "undercoat")}
        self.assertEqual(progress_of(work.atoms, sprayed)[one.unit, one.rank, 1].state, "undercoat")


class Slotted(TestCase):
    def test_the_method_has_its_profile_and_the_finish_may_say_otherwise(self):
        design = replace(calvessa(), brief=Brief(method="airbrush"))
        self.assertEqual(slots_of(design).metals, "after")
        self.assertEqual(slots_of(finished(design, slots=Slots(metals="first"))), Slots("first", "any", "last"))

    def test_metals_after_the_varnish_are_not_held_up_by_themselves(self):
        design = finished(slots=Slots("after", "late", "last"), varnish="matt")
        work = work_of(design)
        known = pairs_before(work)
        self.assertIn(("Matt varnish", "Trim metal base"), known)
        self.assertNotIn(("Trim metal highlight", "Matt varnish"), known)
        self.assertIn(("Matt varnish", "Ground base"), known)

    def test_skin_early_and_late(self):
        self.assertIn(("Flesh base", "Field base"), pairs_before(work_of(finished(slots=Slots(skin="early")))))
        self.assertIn(("Field base", "Flesh base"), pairs_before(work_of(finished(slots=Slots(skin="late")))))

    def test_metals_first_and_last(self):
        self.assertIn(("Trim metal base", "Field base"), pairs_before(work_of(finished(slots=Slots("first")))))
        self.assertIn(("Field layer", "Trim metal base"), pairs_before(work_of(finished(slots=Slots("last")))))


class Dealing(TestCase):
    @given(st.floats(0, 10), st.integers(0, 999))
    def test_about_as_many_of_ten_as_asked_for_and_the_same_again(self, in_ten, seed):
        army = calvessa().army
        basing = Basing((Plant("tuft", "Tuft", 6, in_ten),), seed=seed)
        given_to = dealt(basing, army)["tuft"]
        self.assertEqual(given_to, dealt(basing, army)["tuft"])
        ranks = sum(len(unit.ranks) for unit in army.units)
        self.assertAlmostEqual(len(given_to), army.figures * in_ten / 10, delta=ranks)

    def test_all_and_none_are_exact(self):
        army = calvessa().army
        for in_ten, count in ((0.0, 0), (10.0, army.figures)):
            self.assertEqual(len(dealt(Basing((Plant("tuft", "Tuft", 6, in_ten),)), army)["tuft"]), count)

    @given(st.floats(0.5, 9.5), st.integers(1, 30))
    def test_reinforcements_change_nothing_for_those_there_are(self, in_ten, more):
        design = calvessa()
        unit = design.army.units[0]
        grown = with_rank(design, unit.id, replace(unit.ranks[0], figures=unit.ranks[0].figures + more))
        basing = Basing((Plant("tuft", "Tuft", 6, in_ten),))
        before, after = (dealt(basing, one.army)["tuft"] for one in (design, grown))
        new = {(unit.id, unit.ranks[0].id, unit.ranks[0].figures + at) for at in range(1, more + 1)}
        self.assertEqual(after - new, before)

    def test_another_seed_deals_otherwise(self):
        army = calvessa().army
        plants = (Plant("tuft", "Tuft", 6, 5),)
        self.assertNotEqual(dealt(Basing(plants, seed=1), army), dealt(Basing(plants, seed=2), army))


class Windows(TestCase):
    def wiped(self, window):
        """The sample with an oil over all that is wiped inside a window, minutes."""
        oil = replace(
            usual_dirt()[0],
            id="grime",
            step=Step("grime", "oil", Mix(((paint("bilge-grime"), 1.0),)), 1, manner=Manner(window=window)),
        )
        return finished(dirt=(oil,), level=5)

    @settings(max_examples=8, deadline=None)
    @given(st.sampled_from((3.0, 8.0, 20.0, 60.0)))
    def test_no_more_figures_are_laid_than_can_be_wiped_in_time(self, window):
        design = self.wiped(window)
        resolution = resolve(design.army, design.scheme)
        found = plan(design, TUESDAY, resolution=resolution, horizon=400)
        self.assertEqual(faults_of(design, resolution, TUESDAY, found.stretches()), ())
        most = max(len(block.figures) for block in found.blocks if block.task.atoms[0].subject.piece == "grime")
        self.assertGreaterEqual(most, 1)
        self.assertTrue(window > 3 or most < 10)

    def test_figures_that_set_before_they_are_wiped_are_found(self):
        design = self.wiped(60.0)
        resolution = resolve(design.army, design.scheme)
        found = plan(design, TUESDAY, resolution=resolution, horizon=400).stretches()
        tight = self.wiped(3.0)
        rules = {fault.rule for fault in faults_of(tight, resolve(tight.army, tight.scheme), TUESDAY, found)}
        self.assertEqual(rules, {"window"})
        self.assertTrue(all(isinstance(one, Painted) for one in found))


class Document(TestCase):
    def test_a_finish_is_read_back_identical(self):
        plants = tuple(replace(one, in_ten=3) for one in usual_plants())
        design = finished(
            slots=Slots("last"), varnish="matt", can=False, use="hard", varnish_last=True, barrier="satin",
            shiny=("trim",), apart=("Cloak",), masks=True, level=2, dirt=usual_dirt(), basing=Basing(plants, True, 7, 50, 25),
        )  # fmt: skip
        self.assertEqual(read_design(write_design(design)), design)
        self.assertNotIn("finishing", write_design(calvessa())["scheme"])

    def test_nonsense_is_refused_at_its_place(self):
        roles = ("field",)
        wrong = (
            (UnknownName, "finishing/varnish", Finishing(varnish="silk")),
            (UnknownName, "finishing/use", Finishing(use="war")),
            (UnknownName, "finishing/shiny", Finishing(shiny=("lens",))),
            (UnknownName, "finishing/apart", Finishing(apart=("Nose",))),
            (UnknownName, "finishing/slots/metals", Finishing(slots=Slots("never"))),
            (OutOfRange, "finishing/level", Finishing(level=6)),
            (Contradiction, "finishing/dirt", Finishing(dirt=usual_dirt()[:1] * 2)),
            (OutOfRange, "finishing/dirt/0/height", Finishing(dirt=(replace(usual_dirt()[0], height=2.0),))),
            (UnknownName, "finishing/dirt/0/law", Finishing(dirt=(replace(usual_dirt()[0], law="wind"),))),
            (OutOfRange, "finishing/basing/plants/0", Finishing(basing=Basing((Plant("t", "Tree", 90, 1),)))),
            (OutOfRange, "finishing/basing/seed", Finishing(basing=Basing(seed=-1))),
            (OutOfRange, "finishing/basing/width", Finishing(basing=Basing(width=900))),
            (OutOfRange, "finishing/basing/plants", Finishing(basing=Basing(tuple(Plant(f"p{n}", "P", 1, 1) for n in range(13))))),
        )  # fmt: skip
        for kind, where, finishing in wrong:
            with self.subTest(where), self.assertRaises(kind) as caught:
                checked_finishing(finishing, roles)
            self.assertEqual(caught.exception.where, where)
        with self.assertRaises(UnknownName):
            with_paint(usual_dirt()[0], paint("gold-of-fools"))


class Bases(TestCase):
    def test_one_figure_stands_on_a_small_base_and_several_on_a_large_one(self):
        shape = plate("fusilier")
        self.assertEqual([figures_on(side, side, shape) for side in (25, 40, 60)], [1, 4, 9])
        self.assertLess(figures_on(60, 60, plate("lighthorse")), 9)
        self.assertEqual(figures_on(60, 60, shape, scale=2.0), 2)
        for width, depth in ((0, 40), (40, -1)):
            with self.assertRaises(OutOfRange):
                figures_on(width, depth, shape)

    @given(st.floats(10, 200), st.floats(10, 200), st.floats(0, 100))
    def test_a_larger_base_never_holds_fewer(self, width, depth, more):
        shape = plate("ranger")
        self.assertLessEqual(figures_on(width, depth, shape), figures_on(width + more, depth, shape))

    def test_boots_of_the_grounds_colour_do_not_stand_out(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        black = standing_on(design, resolution, lambda role, tier: Lab(20, 0, 0))
        self.assertTrue(black)
        self.assertFalse(any(one.stands_out for one in black))
        told = standing_on(design, resolution, lambda role, tier: Lab(60 if role == "ground" else 20, 0, 0))
        self.assertTrue(all(one.stands_out and one.lightness == 40 for one in told))
        self.assertEqual(standing_on(design, resolution, lambda role, tier: None), ())
        self.assertTrue(all(one.figures > 0 for one in told))

    def test_only_dirt_from_the_ground_is_held_against_the_ground(self):
        passes = {one.id: one for one in usual_dirt()}
        earth = passes["mud"].step.mix.film.masstone
        self.assertAlmostEqual(off_ground(passes["mud"], earth), 0.0, places=6)
        self.assertIsNone(off_ground(passes["chips"], earth))
        self.assertIsNone(off_ground(passes["mud"], None))
