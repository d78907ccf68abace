"""Unit codes in a scheme: holders, allotting, pins, retiring, freeing; the marks that follow; the checks."""

import json
from dataclasses import replace
from unittest import TestCase

from mantello_core.army.tree import Figure
from mantello_core.checks.inspect import inspect
from mantello_core.colour.spaces import lab_of_hex
from mantello_core.design.bearing import with_manner
from mantello_core.design.edit import without_role
from mantello_core.design.muster import with_duplicate, with_rank, without_node
from mantello_core.design.transfer import transferred
from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName
from mantello_core.formats.document.design import design_bytes, read_design, read_design_bytes, write_design
from mantello_core.formats.sample import levy
from mantello_core.insignia.devices.device import Device
from mantello_core.insignia.devices.manner import Manner
from mantello_core.insignia.systems.code import Code, CodePlan, Holder
from mantello_core.marks.unit_codes import (
    CodeSystem,
    holders,
    marks_of,
    taken_codes,
    with_codes,
    with_freed,
    with_pin,
    with_retired,
    with_system,
    without_system,
)
from mantello_core.scheme.cascade import resolve
from tests.samples import small_design

NUMERALS = tuple("123456789")
LOOKS = {"field": "#1f7a3a", "metal": "#c0a050", "lace": "#eeeeea"}
SYSTEM = CodeSystem("", "Squads", CodePlan(("metal", "lace"), (), NUMERALS), "hat.plate", "unit", "army")


def coded(design, id_="squads", *, anew=False):
    return with_codes(design, id_, lambda role: lab_of_hex(LOOKS[role]), (3.0, 4.0), lab_of_hex("#303030"), anew=anew)


def ready():
    return coded(with_system(small_design(), SYSTEM))


def code(design, holder):
    return design.scheme.code_systems[0].code_of[holder].code


class Holders(TestCase):
    def test_units_formations_and_figures_of_a_type_hold_codes(self):
        army = levy().army
        units = holders(army, CodeSystem("", "x", SYSTEM.plan, "hat.plate", "unit", "2nd-tidewall", "fusilier"))
        self.assertEqual([one.id for one, _ in units], ["1st-harbour-line", "2nd-lantern-line", "3rd-gull-line"])
        formations = holders(army, CodeSystem("", "x", SYSTEM.plan, "hat.plate", "formation", "houses"))
        self.assertEqual([name for _, name in formations], ["House Orsolin", "House Brazzacorta", "House Tremar"])
        cars = holders(army, CodeSystem("", "x", SYSTEM.plan, "hull.number", "figure", "army", "puntcar"))
        self.assertEqual([one.id for one, _ in cars], [f"punt-cars/punt-car/{at}" for at in range(1, 5)])
        self.assertIn("Punt-car 2", cars[1][1])

    def test_a_scope_that_is_gone_has_no_holders(self):
        self.assertEqual(holders(small_design().army, replace(SYSTEM, scope="nowhere")), ())


class Codes(TestCase):
    def test_every_unit_shows_its_own_and_the_document_keeps_it(self):
        design = ready()
        shown = {
            one.unit: one.borne["hat.plate"].placement.device
            for one in resolve(design.army, design.scheme).classes
            if "hat.plate" in one.borne
        }
        self.assertEqual(set(shown), {"first-line", "second-line"})
        self.assertEqual(len({(one, code(design, unit).colour) for unit, one in shown.items()}), 2)
        self.assertEqual(read_design_bytes(design_bytes(design)), design)

    def test_figures_show_codes_of_their_own(self):
        design = levy()
        resolution = resolve(design.army, design.scheme)
        shown = [
            resolution.of(Figure("punt-cars", "punt-car", at)).borne["hull.number"].placement.device.text
            for at in range(1, 5)
        ]
        self.assertEqual(shown, ["1", "2", "4", "5"])

    def test_a_retired_code_stays_retired_until_it_is_freed(self):
        design = ready()
        old = code(design, "first-line")
        retired = with_retired(design, "squads", "first-line", "lost at the weir")
        system = retired.scheme.code_systems[0]
        self.assertEqual((system.retired[0].code, system.retired[0].why), (old, "lost at the weir"))
        self.assertNotIn("first-line", system.code_of)
        again = coded(retired)
        self.assertNotEqual(code(again, "first-line"), old)
        self.assertEqual(taken_codes(again.army, again.scheme.code_systems[0]), (old,))
        freed = with_freed(again, "squads", old)
        self.assertEqual(freed.scheme.code_systems[0].retired, ())

    def test_the_code_of_who_left_is_remembered_and_given_to_nobody(self):
        design = ready()
        lost = code(design, "second-line")
        gone = without_node(design, "second-line")
        system = gone.scheme.code_systems[0]
        self.assertEqual(taken_codes(gone.army, system), (lost,))
        self.assertEqual(read_design_bytes(design_bytes(gone)), gone)
        self.assertNotIn(
            lost, [one.code for one in coded(gone, anew=True).scheme.code_systems[0].held if one.holder == "first-line"]
        )
        self.assertEqual(taken_codes(gone.army, with_freed(gone, "squads", lost).scheme.code_systems[0]), ())

    def test_designing_anew_leaves_the_pinned(self):
        design = with_retired(ready(), "squads", "first-line", "worn off")
        design = with_pin(coded(design), "squads", "first-line", on=True)
        kept = code(design, "first-line")
        design = replace(design, scheme=replace(design.scheme, code_systems=tuple(
            replace(one, plan=replace(one.plan, signs=tuple("ABCDEFG"))) for one in design.scheme.code_systems
        )))  # fmt: skip
        anew = coded(design, anew=True)
        self.assertEqual(code(anew, "first-line"), kept)
        self.assertIn(code(anew, "second-line").sign, "ABCDEFG")

    def test_ranks_are_marked_on_a_site_of_their_own(self):
        system = replace(SYSTEM, rank_site="collar.left", rank_role="lace", rank_marks=(("sergeant", "chevrons"),))
        marks = marks_of(with_system(small_design(), system).scheme.code_systems[0])
        self.assertEqual(
            (marks[0].device, marks[0].filter.rank, marks[0].site), (Device("chevrons"), "sergeant", "collar.left")
        )
        with self.assertRaises(Contradiction):
            with_system(small_design(), replace(system, rank_site="hat.plate"))

    def test_a_manner_is_the_whole_systems(self):
        design = with_manner(ready(), "squads:first-line", method="stencil", outline="lace")
        self.assertEqual({mark.manner for mark in design.scheme.marks}, {Manner("stencil", outline="lace")})
        self.assertEqual(read_design_bytes(design_bytes(design)), design)

    def test_holders_follow_a_rank_that_is_renamed(self):
        design = levy()
        rank = design.army.rank("punt-cars", "punt-car")
        renamed = with_rank(design, "punt-cars", replace(rank, name="Barge"))
        self.assertIn("punt-cars/punt-car/3", renamed.scheme.code_system("car-numbers").code_of)
        names = dict(holders(renamed.army, renamed.scheme.code_system("car-numbers")))
        self.assertIn("Barge 3", names[Holder("punt-cars/punt-car/3", "punt-cars")])

    def test_what_cannot_be_is_refused_at_its_field(self):
        design = ready()
        for change, where in (
            (lambda: with_system(design, replace(SYSTEM, id="nobody")), "system"),
            (lambda: with_system(design, replace(SYSTEM, scope="nowhere")), "scope"),
            (lambda: with_system(design, replace(SYSTEM, bearers="dogs")), "bearers"),
            (lambda: with_system(design, replace(SYSTEM, bearers="figure")), "type"),
            (lambda: with_system(design, replace(SYSTEM, plan=CodePlan(("plaid",), (), NUMERALS))), "colours"),
            (lambda: with_retired(design, "squads", "nobody", "lost"), "holder"),
            (lambda: with_retired(design, "squads", "first-line", "  "), "why"),
            (lambda: with_freed(design, "squads", Code("lace", "", "9")), "code"),
            (lambda: with_pin(design, "gangs", "first-line", on=True), "system"),
        ):  # fmt: skip
            with self.assertRaises(MantelloError) as caught:
                change()
            self.assertEqual(caught.exception.where, where)
        self.assertEqual(without_system(design, "squads").scheme.marks, ())

    def test_a_role_that_codes_wear_cannot_go(self):
        with self.assertRaises(Contradiction):
            without_role(ready(), "lace")

    def test_a_damaged_document_is_refused_with_its_place(self):
        written = write_design(ready())
        for spoil, where in (
            (lambda one: one["plan"].update(apart=9), "/scheme/code_systems/0"), (lambda one: one.update(bearers="dogs"), "/scheme/code_systems/0/bearers"),
            (lambda one: one["held"][0].update(sign="??"), "/scheme/code_systems/0"), (lambda one: one["held"][0].update(colour="plaid"), "/scheme/code_systems/0"),
        ):  # fmt: skip
            damaged = read_again(written)
            spoil(damaged["scheme"]["code_systems"][0])
            with self.assertRaises(MantelloError) as caught:
                read_design(damaged)
            self.assertTrue(caught.exception.where.startswith(where), caught.exception.where)

    def test_a_scheme_taken_over_brings_its_systems_and_the_codes_of_who_is_here(self):
        found = transferred(small_design(), ready()).design
        self.assertEqual(code(found, "first-line"), code(ready(), "first-line"))
        self.assertEqual(found.scheme.code_systems[0].scope, "army")


class Checked(TestCase):
    def check(self, design):
        return next(one for one in inspect(design, resolve(design.army, design.scheme)) if one.id == "codes")

    def test_a_copy_without_a_code_is_found(self):
        design = levy()
        self.assertEqual([one for one in self.check(design).findings if "has no code" in one.what], [])
        copied = with_duplicate(design, "punt-cars", "Second troop")
        said = [one.what for one in self.check(copied).findings if "has no code" in one.what]
        self.assertEqual(len(said), 4)
        self.assertIn("'Punt-car numbers'", said[0])

    def test_a_code_that_another_mark_covers_is_found(self):
        design = levy()
        mark = replace(design.scheme.placements[0], id="over", site="pack.flap", scope="1st-harbour-line")
        covered = replace(design, scheme=replace(design.scheme, placements=(*design.scheme.placements, mark)))
        self.assertIn("where its code would be", " ".join(one.what for one in self.check(covered).findings))

    def test_too_many_retired_or_systems_are_refused(self):
        design = small_design()
        for at in range(12):
            design = with_system(design, replace(SYSTEM, name=f"System {at}"))
        with self.assertRaises(OutOfRange):
            with_system(design, SYSTEM)
        with self.assertRaises(UnknownName):
            design.scheme.code_system("nobody")


def read_again(written):
    return json.loads(json.dumps(written))
