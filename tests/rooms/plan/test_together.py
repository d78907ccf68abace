"""Units with days of their own, units painted together, cautions that keep quiet once read."""

from dataclasses import replace
from datetime import date

from mantello_core.design.order_edit import with_units_alone, with_units_joined
from mantello_core.errors import Unreadable
from mantello_core.formats.document.design import read_design, write_design
from mantello_core.formats.roster.reading import read_roster
from mantello_core.formats.sample import levy
from mantello_core.planning.compiling import compiled, rank_sheets
from mantello_core.planning.joining import lots_of, together_advice
from mantello_core.planning.merging import runs
from mantello_core.planning.plan import plan
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.work_order import Run, WorkOrder, checked_order
from tests.rooms.plan.test_plan import TUESDAY, DeskCase

NAIVE = TUESDAY.replace(tzinfo=None)


class Together(DeskCase):
    def test_units_that_share_pots_are_advised_joined_and_parted(self):
        page = self.see("plan")
        self.assertContains(page, "Paint together")
        one = page.context["together"][0][0]
        self.post("join-units", unit=list(one.units))
        self.assertEqual(self.now().scheme.order.runs[0].units, one.units)
        self.assertContains(self.see("plan"), "Together: ")
        self.post("join-units", do="apart", run="0")
        self.assertEqual(self.now().scheme.order.runs, ())

    def test_joined_units_open_no_more_pots_than_apart(self):
        design = self.now()
        apart = plan(design, NAIVE)
        units = tuple(unit.id for unit in design.army.units)[:3]
        joined = plan(with_units_joined(design, units), NAIVE)
        self.assertLessEqual(joined.openings, apart.openings + 2)

    def test_advice_names_no_units_that_find_no_room_together(self):
        design = self.now()
        resolution = resolve(design.army, design.scheme)
        tight = replace(design, evenings=replace(design.evenings, desk=1))
        self.assertEqual(together_advice(tight, rank_sheets(tight, resolution)), ())

    def test_a_large_unit_goes_in_even_lots(self):
        self.assertEqual(lots_of(33, 12), (11, 11, 11))
        self.assertEqual(sum(lots_of(29, 6)), 29)

    def test_units_are_painted_by_themselves_and_told_so(self):
        first, second = (unit.id for unit in self.now().army.units[:2])
        self.post("join-units", unit=[first, second])
        self.post("join-units", do="alone", unit=[first])
        order = self.now().scheme.order
        self.assertEqual((order.alone, order.runs), ((first,), ()))
        self.assertContains(self.see("plan"), "Painted by themselves: 1")
        self.post("join-units", unit=[first, second])
        self.assertEqual(self.now().scheme.order.alone, ())
        self.post("join-units", do="alone", unit=["moon"], status=422)
        self.post("join-units", do="alone")
        self.assertEqual(self.now().scheme.order.alone, ())

    def test_steps_of_a_unit_by_itself_are_grouped_with_no_others(self):
        design = with_units_alone(levy(), (levy().army.units[0].id,))
        work = compiled(design, resolve(design.army, design.scheme))
        alone = design.scheme.order.alone[0]
        usual, apart = (runs(list(work.atoms), list(work.edges), given) for given in ((), (alone,)))

        def mixed(groups):
            return sum(
                len({atom.unit for atom in group}) > 1 and alone in {atom.unit for atom in group} for group in groups
            )

        self.assertGreater(mixed(usual), 10)
        self.assertEqual(mixed(apart), 0)
        self.assertEqual(read_design(write_design(design)).scheme.order, design.scheme.order)
        self.assertFalse(
            any(
                alone in one.units
                for one in together_advice(design, rank_sheets(design, resolve(design.army, design.scheme)))
            )
        )

    def test_by_itself_and_together_is_refused(self):
        order = WorkOrder(runs=(Run(("a", "b")),), alone=("b",))
        with self.assertRaises(Unreadable) as refused:
            checked_order(order, (), "/order")
        self.assertEqual(refused.exception.where, "/order/alone/0")


class Wanted(DeskCase):
    def keep(self, **changed):
        page = self.see("calendar")
        sent = {
            field.html_name: field.value() for field in page.context["form"] if field.value() not in (None, False, ())
        }
        return self.post("keep-calendar", **(sent | changed))

    def test_the_unit_that_is_wanted_soonest_comes_first(self):
        units = [unit.id for unit in self.now().army.units]
        self.keep(**{f"due-{units[-1]}": "2026-11-30", "desk": "1"})
        design = self.now()
        self.assertEqual(design.evenings.due, ((units[-1], "2026-11-30"),))
        first = plan(design, NAIVE).blocks[0]
        self.assertEqual(first.task.unit, units[-1])
        self.assertContains(self.see("plan"), "wanted 30 Nov")

    def test_a_day_that_is_none_is_told_at_its_field(self):
        unit = self.now().army.units[0].id
        page = self.see("calendar")
        sent = {
            field.html_name: field.value() for field in page.context["form"] if field.value() not in (None, False, ())
        }
        answer = self.post("keep-calendar", status=422, **(sent | {f"due-{unit}": "soon"}))
        self.assertContains(answer, "Write a day like 2027-03-01", status_code=422)

    def test_it_travels_with_the_roster_and_so_does_the_tier(self):
        unit = self.now().army.units[0]
        self.keep(**{f"due-{unit.id}": "2027-03-01"})
        text = self.see("export-roster").content.decode()
        self.assertIn("2027-03-01", text)
        self.assertIn(",leader,", text)
        entries = [line.entry for line in read_roster(text).lines]
        tiers = {(entry.unit, entry.rank): entry.tier for entry in entries}
        for one in self.now().army.units:
            for rank in one.ranks:
                self.assertEqual(tiers[one.name, rank.name], rank.tier)
        self.assertIn("2027-03-01", [entry.due for entry in entries])
        self.assertTrue(date.fromisoformat("2027-03-01"))


class Quiet(DeskCase):
    def test_what_was_read_keeps_quiet_for_the_evening(self):
        page = self.see("desk")
        said = page.context["cautions"]
        self.assertTrue(said)
        self.post("confirm-cautions", caution=said)
        page = self.see("desk")
        self.assertEqual(page.context["cautions"], [])
        self.assertContains(page, "read this evening")
        self.assert_hidden("confirm-cautions", post=True)


class Undecided(DeskCase):
    def test_a_colour_that_is_open_is_told_with_the_day_by_which_it_must_be_firm(self):
        self.post("provisional-role", "field", provisional="yes")
        self.assertTrue(self.now().scheme.role("field").provisional)
        self.assertContains(self.see("recipe", "field"), "Not decided yet")
        self.assertContains(self.see("plan"), "must be firm by <b>Tue 24 Nov</b>")
        page = self.see("plan")
        batch = next(one for one in page.context["tonight"] if "field" in one.roles)
        self.assertContains(self.see("desk", batch=batch.id), "is not decided yet")
        self.post("provisional-role", "field", provisional="no")
        self.assertNotContains(self.see("plan"), "must be firm by")
        self.assert_hidden("provisional-role", "field", post=True)
