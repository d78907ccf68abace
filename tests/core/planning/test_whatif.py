"""What if, what must give, where the minutes go; a painter's pace and the likely end."""

from dataclasses import replace
from datetime import date, datetime
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.formats.sample import calvessa
from mantello_core.paints.range import paint
from mantello_core.planning.compiling import compiled
from mantello_core.planning.plan import laid_out, plan, prepared
from mantello_core.planning.whatif import Lever, WhatIf, changed, giving_way, late_minutes, levers, loads
from mantello_core.record.pace import finish_range, pace_of, spread_of
from mantello_core.scheme.cascade import resolve

TUESDAY = datetime(2026, 11, 24, 18, 0)
LEVER = st.builds(Lever, st.just("rank"), st.sampled_from(("edge", "layer")), st.just("x"), st.floats(1, 500))


class Tried(TestCase):
    def setUp(self):
        self.design = calvessa()
        self.resolution = resolve(self.design.army, self.design.scheme)
        self.atoms = compiled(self.design, self.resolution).atoms

    def desk(self, **tried):
        return plan(changed(self.design, WhatIf(**tried)), TUESDAY, resolution=self.resolution)

    def test_nothing_tried_changes_nothing(self):
        self.assertEqual(changed(self.design, WhatIf()), self.design)

    def test_what_is_left_out_saves_what_the_lever_says(self):
        known = levers(self.design, self.atoms)
        self.assertEqual(
            [one.tier for one in known],
            sorted((one.tier for one in known), key=["rank", "leader", "centrepiece"].index),
        )
        usual = self.desk()
        for one in known[:3]:
            lighter = self.desk(without=((one.tier, one.kind),))
            self.assertAlmostEqual(usual.hands_on - lighter.hands_on, one.minutes, delta=0.02 * usual.hands_on)

    def test_leaders_painted_plainly_take_less(self):
        plain = self.desk(plain=("leader", "centrepiece"))
        self.assertLess(plain.hands_on, self.desk().hands_on)
        self.assertEqual(
            {role.recipe("leader") for role in changed(self.design, WhatIf(plain=("leader",))).scheme.roles},
            {role.recipe("rank") for role in self.design.scheme.roles},
        )

    def test_batch_size_and_undercoat_reach_the_plan(self):
        self.assertEqual(changed(self.design, WhatIf(attention=3)).evenings.attention, 3)
        self.assertNotEqual(self.desk(undercoat=paint("undercoat-gull")).hands_on, self.desk().hands_on)

    def test_the_biggest_steps_come_first_with_something_cheaper(self):
        found = loads(self.atoms)
        self.assertEqual([one.minutes for one in found], sorted((one.minutes for one in found), reverse=True))
        self.assertTrue(any("fewer coats" in one.cheaper for one in found if one.coats > 1))
        self.assertEqual({one.cheaper for one in found if one.coats == 1 and one.name.endswith("base")} - {""}, set())

    def test_desk_time_after_a_day_is_counted(self):
        found = self.desk()
        self.assertAlmostEqual(
            late_minutes(found, date(2026, 1, 1)), found.desk_minutes + sum(found.breaks) - found.idle, places=3
        )
        self.assertEqual(late_minutes(found, found.finish.date()), 0)


class Giving(TestCase):
    @given(st.lists(LEVER, max_size=12), st.floats(0, 2000))
    def test_enough_gives_way_and_nothing_needless(self, known, lacking):
        chosen, still = giving_way(known, lacking)
        saved = sum(one.minutes for one in chosen)
        self.assertAlmostEqual(still, max(0.0, lacking - saved), places=6)
        if still:
            self.assertEqual(len(chosen), len(known), "only when all have given way something is lacking")
        elif lacking:
            self.assertTrue(all(saved - one.minutes < lacking for one in chosen))
        else:
            self.assertEqual(chosen, ())

    def test_what_is_missed_least_gives_way_first(self):
        known = [
            Lever("rank", "edge", "edges", 60),
            Lever("rank", "layer", "layers", 60),
            Lever("leader", "edge", "edges", 60),
        ]
        self.assertEqual(giving_way(known, 70)[0], tuple(known[:2]))


class Paces(TestCase):
    def test_few_observations_are_believed_little_and_many_much(self):
        one, many = (dict(pace_of([("base", 20.0, 10.0)] * count))["base"] for count in (1, 60))
        self.assertAlmostEqual(one, 2 ** (1 / 6), places=6)
        self.assertAlmostEqual(many, 2 ** (60 / 65), places=6)

    def test_a_telephone_call_is_no_brush_stroke(self):
        usual = [("edge", 11.0, 10.0)] * 9
        self.assertAlmostEqual(dict(pace_of([*usual, ("edge", 95.0, 10.0)]))["edge"], 1.1 ** (10 / 15), places=6)
        self.assertEqual(pace_of([("edge", 5000.0, 10.0), ("edge", 1.0, 0.0)]), ())

    @given(st.lists(st.tuples(st.just("base"), st.floats(0.5, 200), st.floats(0.5, 200)), max_size=30))
    def test_it_stays_between_the_extremes_and_one(self, timed):
        for _, factor in pace_of(timed):
            ratios = [minutes / planned for _, minutes, planned in timed]
            self.assertTrue(min([1.0, *ratios]) - 1e-9 <= factor <= max([1.0, *ratios]) + 1e-9)
        self.assertGreater(spread_of(timed), 0)

    def test_the_plan_takes_the_pace(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        usual, slow = (
            laid_out(prepared(design, resolution, pace=pace), design.evenings, TUESDAY)
            for pace in ((), (("base", 1.5),))
        )
        bases = (
            sum(atom.seconds * len(atom.ordinals) for atom in compiled(design, resolution).atoms if atom.kind == "base")
            / 60
        )
        self.assertAlmostEqual(slow.hands_on - usual.hands_on, bases / 2, places=3)
        atoms = compiled(design, resolution).atoms
        self.assertEqual(compiled(design, resolution, pace=()).atoms, atoms)

    def test_the_likely_end_lies_about_the_planned_one_and_widens_with_the_spread(self):
        found = plan(calvessa(), TUESDAY)
        narrow, wide = (finish_range(found, spread) for spread in (0.05, 0.6))
        self.assertTrue(wide[0] <= narrow[0] <= found.finish.date() <= narrow[1] <= wide[1])
        self.assertLess(narrow[1] - narrow[0], wide[1] - wide[0])
        self.assertIsNone(finish_range(plan(calvessa(), TUESDAY, horizon=2), 0.2))
        self.assertIsNone(finish_range(replace(found, blocks=()), 0.2))
