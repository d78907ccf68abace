"""Plans: what every plan must satisfy, checked from outside the scheduler."""

from dataclasses import replace
from datetime import datetime, timedelta
from itertools import pairwise

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.calendar.evenings import Evenings
from mantello_core.calendar.session import sessions
from mantello_core.design.edit import with_undercoat
from mantello_core.errors import OutOfRange
from mantello_core.formats.sample import levy
from mantello_core.order.rules import PHASES, RECIPE_ORDER
from mantello_core.paints.range import paint
from mantello_core.planning.batch import batch_size
from mantello_core.planning.compiling import compiled
from mantello_core.planning.done import is_done
from mantello_core.planning.merging import runs
from mantello_core.planning.plan import BREAK, plan
from mantello_core.planning.task import Atom, Edge
from mantello_core.record.progress import progress_of, summed
from mantello_core.scheme.cascade import resolve
from tests.core.case import RefusalCase
from tests.samples import calvessa, rule, small_design

TUESDAY = datetime(2026, 11, 24, 18, 0)


def atom(id_: str, pot: str = "p", seconds: float = 60, drying: float = 600) -> Atom:
    return Atom(id_, "u", "R", id_, "base", "base", pot, seconds, drying, 1, (1, 2, 3), 10.0, id_)


class Batches(RefusalCase):
    def test_the_first_is_dry_when_the_last_is_done(self):
        self.assertEqual(batch_size(drying=480, hands_on=160, unit=30), 4)
        self.assertEqual(batch_size(drying=480, hands_on=160, unit=30, stick=3), 6)

    def test_unit_and_attention_bound_it(self):
        self.assertEqual(batch_size(drying=9000, hands_on=10, unit=8), 8)
        self.assertEqual(batch_size(drying=9000, hands_on=10, unit=80), 20)
        self.assertEqual(batch_size(drying=9000, hands_on=600, unit=80, palette=3600), 6)
        self.assertEqual(batch_size(drying=9000, hands_on=600, unit=80, palette=60), 1)

    @given(st.floats(0, 5000), st.floats(1, 600), st.integers(1, 60))
    def test_a_batch_it_allows_never_waits(self, drying, hands_on, unit):
        size = batch_size(drying, hands_on, unit, attention=10_000)
        self.assertTrue(size == unit or (size - 1) * hands_on >= drying - 1e-6)

    def test_no_time_at_all_is_refused(self):
        with self.assertRaises(OutOfRange):
            batch_size(60, 0, 5)


class Calendar(RefusalCase):
    def test_sessions_follow_the_weekly_pattern(self):
        found = sessions(Evenings(), TUESDAY, 3)
        self.assertEqual(
            [session.start.strftime("%a %H:%M") for session in found], ["Tue 19:00", "Thu 19:00", "Sat 14:00"]
        )
        self.assertEqual(found[0].seconds, 9000)

    def test_a_session_that_is_on_is_cut_to_what_is_left(self):
        first = sessions(Evenings(), TUESDAY.replace(hour=20), 1)[0]
        self.assertEqual((first.start.hour, first.end.strftime("%H:%M")), (20, "21:30"))

    def test_no_evening_is_refused_in_words(self):
        with self.assertRaisesMessage(OutOfRange, "mark at least one"):
            sessions(Evenings(pattern=()), TUESDAY, 1)


class Order(RefusalCase):
    @given(
        st.lists(st.tuples(st.integers(0, 7), st.integers(0, 7)), max_size=14),
        st.lists(st.sampled_from("pqr"), min_size=8, max_size=8),
    )
    @settings(deadline=None)
    def test_merging_keeps_every_edge_and_every_atom(self, pairs, pots):
        atoms = [atom(str(number), pots[number]) for number in range(8)]
        edges = [Edge(str(min(pair)), str(max(pair)), 0, RECIPE_ORDER) for pair in pairs if pair[0] != pair[1]]
        groups = runs(atoms, edges)
        place = {one.id: at for at, group in enumerate(groups) for one in group}
        self.assertEqual(sorted(place), [str(number) for number in range(8)])
        for group in groups:
            self.assertEqual(len({one.pot for one in group}), 1)
        for edge in edges:
            self.assertTrue(place[edge.before] < place[edge.after] or place[edge.before] == place[edge.after])

    def test_one_pot_is_opened_once_when_nothing_must_come_between(self):
        self.assertEqual(len(runs([atom("A"), atom("B"), atom("C", "q")], [])), 2)
        kept_apart = runs(
            [atom("A"), atom("C", "q"), atom("B")], [Edge("A", "C", 0, RECIPE_ORDER), Edge("C", "B", 0, RECIPE_ORDER)]
        )
        self.assertEqual([[one.id for one in group] for group in kept_apart], [["A"], ["C"], ["B"]])


class WholePlans(RefusalCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.design = calvessa()
        cls.resolution = resolve(cls.design.army, cls.design.scheme)
        cls.work = compiled(cls.design, cls.resolution)
        cls.plan = plan(cls.design, TUESDAY, resolution=cls.resolution)

    def placed(self):
        """(unit, rank, ordinal, subject, step) to when it is begun and ended for that figure."""
        found = {}
        for block in self.plan.blocks:
            clock = block.start
            for figure in block.figures:
                ends = clock + timedelta(seconds=block.task.figures[figure])
                for one in block.task.atoms:
                    if one.rank == figure[0] and figure[1] in one.ordinals:
                        key = (block.task.unit, *figure, one.subject, one.logged)
                        self.assertNotIn(key, found, "painted twice")
                        found[key] = clock, ends
                clock = ends
        return found

    def test_every_step_of_every_figure_is_planned_once(self):
        wanted = {
            (one.unit, one.rank, ordinal, one.subject, one.logged)
            for one in self.work.atoms
            for ordinal in one.ordinals
        }
        self.assertEqual(set(self.placed()), wanted)
        self.assertEqual(self.plan.unplaced, [])

    def test_no_step_begins_before_the_one_under_it_is_dry_on_that_figure(self):
        placed = self.placed()
        atoms = {one.id: one for one in self.work.atoms}
        checked = 0
        for edge in self.plan.edges:
            one, two = atoms[edge.before], atoms[edge.after]
            for ordinal in set(one.ordinals) & set(two.ordinals):
                ended = placed[one.unit, one.rank, ordinal, one.subject, one.logged][1]
                begun = placed[two.unit, two.rank, ordinal, two.subject, two.logged][0]
                if any(
                    one.id in {a.id for a in block.task.atoms} and two.id in {a.id for a in block.task.atoms}
                    for block in self.plan.blocks
                ):
                    continue
                self.assertGreaterEqual(
                    (begun - ended).total_seconds(), edge.lag - 1.0, f"{one.id} then {two.id}, figure {ordinal}"
                )
                checked += 1
        self.assertGreater(checked, 1000)

    def test_one_pair_of_hands_inside_sessions(self):
        last = datetime.min
        for block in self.plan.blocks:
            session = self.plan.sessions[block.session]
            opened = block.start - timedelta(seconds=block.opening)
            self.assertTrue(session.start <= opened and block.end <= session.end)
            self.assertGreaterEqual(opened, last)
            last = block.end

    def test_no_lot_is_larger_than_the_painter_can_attend_to(self):
        self.assertLessEqual(max(len(block.figures) for block in self.plan.blocks), self.design.evenings.attention)

    def test_it_is_near_to_what_no_plan_can_beat(self):
        self.assertGreaterEqual(self.plan.desk_minutes, self.plan.bound)
        self.assertLess(self.plan.desk_minutes, 1.1 * self.plan.bound)

    def test_a_long_wait_is_a_break_and_no_time_at_the_desk(self):
        opening = sum(block.opening for block in self.plan.blocks) / 60
        self.assertTrue(all(wait >= BREAK for wait in self.plan.breaks))
        waited = self.plan.desk_minutes - self.plan.hands_on - opening
        self.assertAlmostEqual(waited + sum(self.plan.breaks), self.plan.idle, places=6)
        self.assertGreater(len(self.plan.breaks), 0, "an undercoat dries for half an hour, and all waits for it")
        self.assertEqual(self.plan.rating, (0, self.plan.desk_minutes + sum(self.plan.breaks)))

    def test_a_mix_is_opened_once_an_evening(self):
        opened = [
            (block.session, block.task.pot) for block in self.plan.blocks if block.opening and not block.task.sprayed
        ]
        self.assertEqual(len(opened), len(set(opened)))

    def test_it_is_the_same_plan_every_time(self):
        again = plan(self.design, TUESDAY)
        self.assertEqual(
            [(block.start, block.figures) for block in again.blocks],
            [(block.start, block.figures) for block in self.plan.blocks],
        )

    def test_a_mark_by_hand_is_marked_out_blocked_in_and_cut_back_and_older_records_of_it_hold(self):
        design = levy()
        work = compiled(design, resolve(design.army, design.scheme), units=("orsolin-lances",))
        marks: dict[tuple, list] = {}
        for one in work.atoms:
            if one.subject.site and one.step in ("guide", "outline", "freehand"):
                marks.setdefault((one.unit, one.rank, one.subject), []).append(one)
        parted = [chain for chain in marks.values() if len(chain) > 1]
        self.assertTrue(parted)
        bonds = {(edge.before, edge.after) for edge in work.edges}
        for chain in parted:
            guide, outline, whole = sorted(chain, key=lambda one: ("guide", "outline", "freehand").index(one.step))
            self.assertLessEqual({(guide.id, outline.id), (outline.id, whole.id)}, bonds)
            at = whole.unit, whole.rank, whole.ordinals[0], whole.subject
            old, begun = frozenset({(*at, "freehand")}), frozenset({(*at, "guide")})
            self.assertTrue(all(is_done(one, whole.ordinals[0], old) for one in (guide, outline, whole)))
            self.assertFalse(any(is_done(one, whole.ordinals[0], begun) for one in (outline, whole)))

    def test_what_is_done_is_not_planned_again(self):
        done = frozenset(
            (one.unit, one.rank, ordinal, one.subject, one.step)
            for one in self.work.atoms
            for ordinal in one.ordinals
            if one.step == "undercoat"
        )
        rest = plan(self.design, TUESDAY, done=done)
        self.assertFalse(any(one.step == "undercoat" for block in rest.blocks for one in block.task.atoms))
        self.assertLess(rest.desk_minutes, self.plan.desk_minutes)
        everything = frozenset(
            (one.unit, one.rank, ordinal, one.subject, one.step) for one in self.work.atoms for ordinal in one.ordinals
        )
        self.assertEqual(plan(self.design, TUESDAY, done=everything).blocks, ())

    def test_too_short_a_horizon_says_what_found_no_room(self):
        short = plan(self.design, TUESDAY, horizon=1)
        self.assertIsNone(short.finish)
        self.assertTrue(short.unplaced)

    def test_another_undercoat_changes_the_work(self):
        other = with_undercoat(self.design, paint("undercoat-linen"))
        minutes = [
            sum(one.seconds * len(one.ordinals) for one in compiled(design, resolve(design.army, design.scheme)).atoms)
            for design in (self.design, other)
        ]
        self.assertNotAlmostEqual(*minutes)


class Progress(RefusalCase):
    def test_a_figure_goes_from_bare_to_finished(self):
        design = small_design(rule("a", "army", "torso", "field"), rule("b", "army", "head", "facing"))
        work = compiled(design, resolve(design.army, design.scheme))
        figure = ("first-line", "fusilier", 1)
        steps = [
            (*figure, one.subject, one.step)
            for one in work.atoms
            if one.unit == "first-line" and one.rank == "fusilier"
        ]
        states = [progress_of(work.atoms, frozenset(steps[:count]))[figure].state for count in range(len(steps) + 1)]
        self.assertEqual(states, ["bare", "undercoat", "base coats", "finished"])
        whole = summed(one.progress for one in progress_of(work.atoms, frozenset(steps)).values())
        self.assertEqual((whole.figures, whole.finished), (6, 1))
        self.assertTrue(0 < whole.share < 1)


class TwoCoatsOfOnePot(RefusalCase):
    def test_steps_of_one_pot_that_dry_between_are_two_openings(self):
        one, two, other = atom("a"), atom("b"), atom("c")
        wet = [Edge("a", "b", 600, RECIPE_ORDER)]
        self.assertEqual(sorted(map(len, runs([one, two, other], wet))), [1, 2])
        dry = [Edge("a", "b", 0, PHASES)]
        self.assertEqual(len(runs([one, two, other], dry)), 1)


class LongDrying(RefusalCase):
    def test_an_evening_is_not_over_because_the_undercoat_dries_longer_than_anyone_likes_to_wait(self):
        found = plan(calvessa(), datetime(2026, 11, 24, 19, 0), units=("1st-harbour-line",))
        first = found.of(0)
        self.assertGreater(len(first), 2)
        self.assertGreater(max(block.end for block in first), datetime(2026, 11, 24, 19, 40))
        self.assertTrue(any(block.start - before.end > timedelta(minutes=25) for before, block in pairwise(first)))

    def test_what_is_sprayed_is_one_lot_whatever_attention_allows(self):
        design = calvessa()
        design = replace(design, evenings=replace(design.evenings, attention=2))
        found = plan(design, datetime(2026, 11, 24, 19, 0), units=("1st-harbour-line",))
        sprayed = [block for block in found.blocks if block.task.sprayed]
        self.assertEqual([len(block.figures) for block in sprayed], [design.army.nodes["1st-harbour-line"].figures])
        self.assertLessEqual(max(len(block.figures) for block in found.blocks if not block.task.sprayed), 2)
