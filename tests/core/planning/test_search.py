"""Other ways of laying a plan: what was moved by hand, several painters' evenings, drying here, and a longer search."""

from dataclasses import replace
from datetime import datetime
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.calendar.evenings import AIDS, Evenings, Painter, checked_evenings
from mantello_core.errors import Contradiction, OutOfRange, UnknownName
from mantello_core.formats.document.design import read_design, write_design
from mantello_core.formats.sample import calvessa, levy
from mantello_core.planning.compiling import compiled
from mantello_core.planning.desk_room import desk_limit
from mantello_core.planning.drying import DRYING
from mantello_core.planning.plan import laid_as, laid_out, prepared
from mantello_core.planning.search import search
from mantello_core.planning.style import Style
from mantello_core.planning.validating import faults_of
from mantello_core.scheme.cascade import resolve

TUESDAY = datetime(2026, 11, 24, 18, 0)


def ready(design):
    resolution = resolve(design.army, design.scheme)
    return resolution, prepared(design, resolution)


class Searching(TestCase):
    def test_a_search_never_ends_worse_than_it_began_and_finds_the_same_again(self):
        design = calvessa()
        _, work = ready(design)
        told = list(search(work, design.evenings, TUESDAY, 25))
        self.assertEqual([one.tries for one in told], list(range(1, 26)))
        bests = [one.best for one in told]
        self.assertEqual(bests, sorted(bests, reverse=True))
        self.assertLessEqual(told[-1].best, told[-1].started)
        self.assertGreaterEqual(told[-1].gap, 0)
        self.assertEqual(told[-1], list(search(work, design.evenings, TUESDAY, 25))[-1])

    @settings(max_examples=6, deadline=None)
    @given(st.lists(st.integers(1, 9999), min_size=1, max_size=5), st.floats(0.01, 0.6), st.floats(0, 0.05))
    def test_every_style_lays_a_legal_plan(self, seeds, spread, chain):
        design = calvessa()
        resolution, work = ready(design)
        found = laid_as(work, design.evenings, TUESDAY, Style(chain=chain, spread=spread, seeds=tuple(seeds)))
        self.assertEqual(faults_of(design, resolution, TUESDAY, found.stretches()), ())

    def test_a_found_style_is_used_only_where_it_is_better(self):
        design = calvessa()
        _, work = ready(design)
        fast = laid_out(work, design.evenings, TUESDAY)
        bad = Style(chain=0.0, spread=3.0, seeds=(1,))
        self.assertLessEqual(laid_out(work, design.evenings, TUESDAY, found=bad).rating, fast.rating)


class Moved(TestCase):
    def test_what_is_moved_later_begins_no_earlier_and_the_plan_stays_legal(self):
        design = calvessa()
        resolution, work = ready(design)
        first = next(
            block for block in laid_out(work, design.evenings, TUESDAY).blocks if block.task.atoms[0].subject.role
        )
        atom = first.task.atoms[0].id
        moved = replace(design, evenings=replace(design.evenings, wishes=((atom, "2026-11-26T19:40"),)))
        found = laid_out(work, moved.evenings, TUESDAY)
        starts = [block.start for block in found.blocks if any(one.id == atom for one in block.task.atoms)]
        self.assertGreaterEqual(min(starts), datetime(2026, 11, 26, 19, 40))
        self.assertEqual(faults_of(moved, resolution, TUESDAY, found.stretches()), ())

    def test_what_is_moved_earlier_comes_as_soon_as_what_holds_it_up_is_over(self):
        design = calvessa()
        resolution, work = ready(design)
        plain = laid_out(work, design.evenings, TUESDAY)
        late = next(block for block in reversed(plain.blocks) if block.task.atoms[0].kind == "layer")
        atom = late.task.atoms[0].id
        wished = replace(design.evenings, wishes=((atom, "2026-11-24T19:00"),))
        found = laid_out(work, wished, TUESDAY)
        start = min(block.start for block in found.blocks if any(one.id == atom for one in block.task.atoms))
        self.assertLess(start, late.start)
        self.assertEqual(faults_of(design, resolution, TUESDAY, found.stretches()), ())


class Drying(TestCase):
    def test_damp_air_dries_slower_and_a_fan_faster_but_not_sprays_and_oils(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        usual = {atom.id: atom for atom in compiled(design, resolution).atoms}
        damp = replace(design, evenings=replace(design.evenings, air="damp"))
        for atom in compiled(damp, resolution).atoms:
            self.assertAlmostEqual(atom.drying, 1.5 * usual[atom.id].drying)
        fan = replace(design, evenings=replace(design.evenings, aid="fan"))
        for atom in compiled(fan, resolution).atoms:
            factor = 1.0 if atom.sprayed else AIDS["fan"][0]
            self.assertAlmostEqual(atom.drying, factor * usual[atom.id].drying)

    def test_what_the_log_taught_lengthens_the_wait_and_not_the_work(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        usual = compiled(design, resolution)
        taught = compiled(design, resolution, pace=((f"{DRYING}base", 2.0),))
        lags = {(edge.before, edge.after, edge.rule.id): edge.lag for edge in usual.edges}
        for edge in taught.edges:
            factor = 2.0 if edge.before.split("~")[0].endswith("|base") else 1.0
            self.assertAlmostEqual(edge.lag, factor * lags[edge.before, edge.after, edge.rule.id])
        self.assertEqual([one.seconds for one in taught.atoms], [one.seconds for one in usual.atoms])


class Painters(TestCase):
    def test_every_unit_is_somebodys(self):
        units = [unit.id for unit in calvessa().army.units]
        evenings = Evenings(painters=(Painter("noemi", "Noemi", ((0, 1200, 60),), (units[0],)),))
        self.assertEqual(evenings.painter_of(units[0]), "noemi")
        self.assertEqual(evenings.painter_of(units[1]), "")
        self.assertEqual(evenings.of_painter("noemi").pattern, ((0, 1200, 60),))
        self.assertIs(evenings.of_painter(""), evenings)

    def test_the_document_keeps_them(self):
        design = calvessa()
        unit = design.army.units[0].id
        evenings = replace(
            design.evenings, painters=(Painter("noemi", "Noemi", ((0, 1200, 60),), (unit,)),), desk=25, air="warm", aid="fan",
            wishes=(("a|b|c|d", "2026-12-01T19:00"),),
        )  # fmt: skip
        self.assertEqual(read_design(write_design(replace(design, evenings=evenings))).evenings, evenings)

    def test_nonsense_is_refused(self):
        one = Painter("noemi", "Noemi", (), ("u",))
        for kind, evenings in (
            (Contradiction, Evenings(painters=(one, one))),
            (Contradiction, Evenings(painters=(one, Painter("ugo", "Ugo", (), ("u",))))),
            (OutOfRange, Evenings(painters=(replace(one, pattern=((7, 0, 60),)),))),
            (OutOfRange, Evenings(painters=tuple(Painter(f"p{n}", "P") for n in range(13)))),
            (OutOfRange, Evenings(wishes=(("a", "soon"),))),
            (OutOfRange, Evenings(wishes=(("a", "2026-12-01T19:00"),) * 201)),
            (OutOfRange, Evenings(desk=401)),
            (UnknownName, Evenings(air="wet")),
            (UnknownName, Evenings(aid="oven")),
        ):
            with self.subTest(evenings=evenings), self.assertRaises(kind):
                checked_evenings(evenings)
        with self.assertRaises(UnknownName):
            Evenings().painter("noemi")


class Desk(TestCase):
    def test_more_figures_on_the_desk_open_fewer_pots(self):
        design = levy()
        self.assertEqual(desk_limit(design), 40)
        roomy = replace(design, evenings=replace(design.evenings, desk=100))
        self.assertEqual(desk_limit(roomy), 100)
        few, many = (laid_out(ready(one)[1], one.evenings, TUESDAY) for one in (roomy, design))
        self.assertLess(few.openings, many.openings)
