"""The validator of plans: the scheduler's plans are legal for armies of all kinds, and every broken rule is found."""

import json
from dataclasses import replace
from datetime import datetime, timedelta
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.army.figure_filter import Filter
from mantello_core.army.tree import Army, Node, Rank
from mantello_core.calendar.evenings import AIDS, AIR, Evenings, Spraying
from mantello_core.design.brief import Brief
from mantello_core.design.design import Design
from mantello_core.errors import MantelloError
from mantello_core.formats.command import BAD_INPUT, GOOD, answer
from mantello_core.formats.document.design import write_design
from mantello_core.formats.sample import calvessa, levy
from mantello_core.order.subject import of_role
from mantello_core.paints.range import paint
from mantello_core.planning.plan import plan
from mantello_core.planning.validating import faults_of
from mantello_core.recipes.method import METHODS
from mantello_core.recipes.slots import BASE, METALS, SKIN, Slots
from mantello_core.recipes.step import Mix, Recipe, Step
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import USES, Basing, Finishing, checked_finishing, usual_dirt, usual_plants
from mantello_core.scheme.rule import Rule
from mantello_core.scheme.scheme import Role, Scheme
from mantello_core.scheme.whole_pass import WholePass
from mantello_core.scheme.work_order import SWITCHES, Moved, OwnRule, Run, WorkOrder
from tests.samples import rule, small_design

TUESDAY = datetime(2026, 11, 24, 18, 0)


@st.composite
def recipes(draw):
    """A base and up to three steps over it, some of mixed paints."""
    kinds = ["base", *draw(st.lists(st.sampled_from(("shade", "layer", "edge", "drybrush", "glaze")), max_size=3))]
    known = [one for role in calvessa().scheme.roles for step in role.recipe().steps for one in step.mix.paints]
    steps = []
    for at, kind in enumerate(kinds):
        first = draw(st.sampled_from(known))
        second = draw(st.sampled_from(known))
        parts = ((first, 2), (second, 1)) if draw(st.booleans()) and second != first else ((first, 1),)
        steps.append(Step(f"s{at}", kind, Mix(parts), draw(st.sampled_from((1, 2)))))
    return Recipe(tuple(steps))


@st.composite
def finishings(draw):
    """Varnish, dirt, plants, loose parts and slots drawn at random."""
    dirt = tuple(one for one in usual_dirt() if draw(st.booleans()))
    plants = tuple(replace(one, in_ten=draw(st.sampled_from((0.0, 2.5, 10.0)))) for one in usual_plants()[:2])
    slots = Slots(
        draw(st.sampled_from(("", *METALS))), draw(st.sampled_from(("", *SKIN))), draw(st.sampled_from(("", *BASE)))
    )
    return checked_finishing(
        Finishing(
            slots, draw(st.sampled_from(("", "matt", "gloss"))), draw(st.booleans()), draw(st.sampled_from(tuple(USES))),
            draw(st.booleans()), draw(st.sampled_from(("", "gloss"))), ("r0",) if draw(st.booleans()) else (),
            ("Cloak", "Head") if draw(st.booleans()) else (), draw(st.booleans()), draw(st.booleans()), draw(st.integers(0, 5)), dirt,
            Basing(plants, draw(st.booleans()), draw(st.integers(0, 99))),
        ), ("r0",),
    )  # fmt: skip


@st.composite
def whole_passes(draw):
    """Up to three passes over the figure, of colours, washes, dry brushes and oil, over all or over parts."""
    laid = (
        ("base", "lamp-brass"),
        ("shade", "tar-wash"),
        ("drybrush", "gull-white"),
        ("oil", "oil-burnt-umber"),
        ("glaze", "silt-wash"),
    )
    found = []
    for at in range(draw(st.integers(0, 3))):
        kind, pot = draw(st.sampled_from(laid))
        step = Step(f"p{at}", kind, Mix(((paint(pot), 1.0),)), draw(st.sampled_from((1, 2))))
        found.append(WholePass(
            f"p{at}", f"Pass {at}", step, draw(st.sampled_from(("", "u0"))), select=draw(st.sampled_from((("",), ("torso",), ("@cloth",)))),
            leaves=draw(st.sampled_from(((), ("base",), ("@skin",)))), law=draw(st.sampled_from(("all", "ground"))), height=0.3,
            phase=draw(st.sampled_from(("", "shade", "details", "all-over"))), tiers=draw(st.sampled_from(((), ("rank",)))),
        ))  # fmt: skip
    return tuple(found)


@st.composite
def orders(draw):
    """Own rules, work put elsewhere, rules given up, a run of units."""
    works = (
        "role:r0",
        "role:r0*",
        "role:r1",
        "pass:p0",
        "pass:p1",
        "class:skin",
        "kind:shade",
        "kind:base",
        "pass:varnish",
    )
    rules = []
    for at in range(draw(st.integers(0, 3))):
        before, after = draw(st.lists(st.sampled_from(works), min_size=2, max_size=2, unique=True))
        rules.append(OwnRule(f"o{at}", before, after, scope=draw(st.sampled_from(("", "u0")))))
    moved = tuple(
        Moved(draw(st.sampled_from(works)), draw(st.sampled_from(("shade", "details", "block-in", "last-coat"))))
        for _ in range(draw(st.integers(0, 2)))
    )
    runs = (Run(("u0", "u1")),) if draw(st.booleans()) else ()
    return WorkOrder(
        switches=tuple((name, draw(st.booleans())) for name in draw(st.lists(st.sampled_from(tuple(SWITCHES)), max_size=2, unique=True))),
        moved=moved, rules=tuple(rules), given_up=draw(st.sampled_from(((), ("D-14", "D-12")))), runs=runs,
    )  # fmt: skip


@st.composite
def designs(draw):
    """Small armies of one to three units with recipes, evenings and spraying drawn at random."""
    roles = tuple(Role(f"r{at}", f"Role {at}", (("rank", draw(recipes())),)) for at in range(draw(st.integers(1, 3))))
    types = ("fusilier", "sergeant", "drummer", "ranger")
    units = []
    for number in range(draw(st.integers(1, 3))):
        names = draw(st.lists(st.sampled_from(types), min_size=1, max_size=2, unique=True))
        ranks = tuple(Rank(name, name.capitalize(), name, draw(st.integers(1, 9))) for name in names)
        units.append(Node(f"u{number}", "unit", f"Unit {number}", (), ranks))
    army = Army(Node("army", "army", "Army", tuple(units)), ("unit",))
    rules = [Rule("all", "army", ("",), roles[0].id, Filter())]
    for at, area in enumerate(("torso", "leg", "head", "base")):
        rules.append(Rule(f"rule{at}", "army", (area,), draw(st.sampled_from(roles)).id, Filter()))
    spraying = draw(st.sampled_from((None, Spraying((1, 5), 600, 1200), Spraying(off=("2026-11-24",)))))
    evenings = Evenings(
        draw(st.sampled_from((((1, 1140, 150),), ((0, 1080, 90), (3, 1140, 200)), ((5, 600, 480),), ((1, 1200, 45), (2, 1200, 45))))),
        draw(st.integers(2, 12)), 3, zone=draw(st.sampled_from(("", "Europe/Rome"))), spraying=spraying,
        air=draw(st.sampled_from(tuple(AIR))), aid=draw(st.sampled_from(tuple(AIDS))), desk=draw(st.sampled_from((0, 0, 6, 12))),
        due=draw(st.sampled_from(((), (("u0", "2026-12-24"),)))),
    )  # fmt: skip
    finishing = draw(st.one_of(st.just(Finishing()), finishings()))
    scheme = Scheme(
        "Drawn", roles, tuple(rules), finishing=finishing, passes=draw(whole_passes()), order=draw(orders())
    )
    return Design(army, scheme, evenings, Brief(method=draw(st.sampled_from(tuple(METHODS)))))


def made(design, start=TUESDAY):
    resolution = resolve(design.army, design.scheme)
    found = plan(design, start, resolution=resolution, horizon=400)
    return resolution, found


class Legal(TestCase):
    @settings(max_examples=40, deadline=None)
    @given(designs())
    def test_every_plan_the_scheduler_makes_is_legal(self, design):
        resolution, found = made(design)
        faults = faults_of(design, resolution, TUESDAY, found.stretches(), complete=not found.unplaced)
        self.assertEqual(faults, ())

    def test_a_colour_behind_a_pass_that_was_put_last_keeps_its_figures_in_hand(self):
        kinds = ((("ranger", 1), ("fusilier", 1)), (("fusilier", 1),), (("fusilier", 5),))
        units = tuple(
            Node(
                f"u{at}",
                "unit",
                f"Unit {at}",
                (),
                tuple(Rank(one, one.capitalize(), one, figures) for one, figures in ranks),
            )
            for at, ranks in enumerate(kinds)
        )
        mix = Mix(((paint("brine-green"), 1.0),))
        shaded = Recipe(tuple(Step(f"s{at}", kind, mix, 1) for at, kind in enumerate(("base", "shade", "shade"))))
        roles = (Role("r0", "Role 0", (("rank", Recipe(shaded.steps[:1])),)), Role("r1", "Role 1", (("rank", shaded),)))
        rules = (Rule("all", "army", ("",), "r0", Filter()), Rule("torso", "army", ("torso",), "r1", Filter()))
        last = WholePass("p0", "Pass 0", Step("p0", "base", mix, 1), select=("torso",), law="ground", height=0.3)
        scheme = Scheme("Made", roles, rules, passes=(last,), order=WorkOrder(moved=(Moved("pass:p0", "last-coat"),)))
        army = Army(Node("army", "army", "Army", units), ("unit",))
        design = Design(army, scheme, Evenings(((1, 1140, 150),), 2, 3, desk=6), Brief(method="classic"))
        resolution, found = made(design)
        self.assertEqual(faults_of(design, resolution, TUESDAY, found.stretches()), ())

    def test_the_samples_plans_are_legal_and_hold_everything(self):
        for design in (calvessa(), levy()):
            resolution, found = made(design)
            self.assertEqual(found.unplaced, [])
            self.assertEqual(faults_of(design, resolution, TUESDAY, found.stretches()), ())

    def test_spraying_waits_for_its_hours(self):
        design = replace(calvessa(), evenings=replace(calvessa().evenings, spraying=Spraying((5,), 14 * 60, 15 * 60)))
        resolution, found = made(design)
        self.assertEqual(faults_of(design, resolution, TUESDAY, found.stretches()), ())
        sprayed = [block for block in found.blocks if block.task.sprayed]
        self.assertTrue(sprayed)
        self.assertEqual({block.start.weekday() for block in sprayed}, {5})
        self.assertTrue(all(block.end.hour * 60 + block.end.minute <= 15 * 60 for block in sprayed))

    def test_units_that_come_first_are_finished_first(self):
        design = levy()
        unit = "quay-battery"
        resolution, usual = made(design)
        rushed = plan(
            replace(design, evenings=replace(design.evenings, first=(unit,))),
            TUESDAY,
            resolution=resolution,
            horizon=400,
        )
        ends = [max(block.end for block in one.blocks if block.task.unit == unit) for one in (usual, rushed)]
        self.assertLess(ends[1], ends[0] - timedelta(days=20))


class Faulty(TestCase):
    def setUp(self):
        self.design = small_design(rule("a", "army", "", "field"), rule("b", "army", "torso", "metal"))
        self.resolution, self.plan = made(self.design)
        self.stretches = self.plan.stretches()

    def rules(self, stretches, **options):
        return {one.rule for one in faults_of(self.design, self.resolution, TUESDAY, stretches, **options)}

    def changed(self, at, **changes):
        return [replace(one, **changes) if number == at else one for number, one in enumerate(self.stretches)]

    def test_what_is_left_out_or_done_twice_is_found(self):
        self.assertEqual(self.rules(self.stretches), set())
        self.assertIn("missing", self.rules(self.stretches[:-1]))
        self.assertEqual(self.rules(self.stretches[:-1], complete=False), set())
        twice = [
            *self.stretches,
            replace(
                self.stretches[-1], start=self.stretches[-1].end, end=self.stretches[-1].end + timedelta(seconds=1)
            ),
        ]
        self.assertIn("twice", self.rules(twice))

    def test_steps_that_do_not_exist_are_found(self):
        rank = self.stretches[0].figures[0][0]
        self.assertIn("unknown", self.rules(self.changed(0, steps=((rank, of_role("field"), "gold-leaf"),))))

    def test_two_things_at_once_and_work_outside_the_evenings_are_found(self):
        first, second = self.stretches[:2]
        self.assertIn(
            "hands", self.rules(self.changed(1, start=first.start, end=first.start + (second.end - second.start)))
        )
        self.assertIn(
            "session",
            self.rules(self.changed(0, start=first.start - timedelta(hours=9), end=first.end - timedelta(hours=9))),
        )
        self.assertIn("hands", self.rules(self.changed(0, end=first.start - timedelta(minutes=1))))

    def test_wet_paint_is_found(self):
        order = [one for one in self.stretches if one.steps[0][1].is_ground]
        later = next(
            at
            for at, one in enumerate(self.stretches)
            if not one.steps[0][1].is_ground and one.unit == order[0].unit and set(one.figures) & set(order[0].figures)
        )
        length = self.stretches[later].end - self.stretches[later].start
        self.assertIn("order", self.rules(self.changed(later, start=order[0].end, end=order[0].end + length)))

    def test_spraying_at_a_forbidden_hour_is_found(self):
        self.design = replace(self.design, evenings=replace(self.design.evenings, spraying=Spraying((6,))))
        self.assertIn("spray", self.rules(self.stretches))

    def test_a_pot_that_is_opened_again_in_the_same_evening_is_found(self):
        sprayed = {atom.pot for block in self.plan.blocks for atom in block.task.atoms if atom.sprayed}
        opened = [one for one in self.stretches if one.opening and one.pot not in sprayed]
        again = next(
            at
            for at, one in enumerate(self.stretches)
            if not one.opening and any(one.pot == other.pot and other.start < one.start for other in opened)
        )
        self.assertIn("opening", self.rules(self.changed(again, opening=1.0)))

    def test_a_mix_that_is_made_twice_without_need_is_found(self):
        design = levy()
        resolution, found = made(design)
        stretches = found.stretches()
        mixed = {atom.pot for block in found.blocks for atom in block.task.atoms if atom.mixed}
        at, one = next((at, one) for at, one in enumerate(stretches) if one.pot in mixed and len(one.figures) > 3)
        half = len(one.figures) // 2
        moved = timedelta(days=700)
        stretches[at] = replace(one, figures=one.figures[:half])
        stretches.append(
            replace(
                one, figures=one.figures[half:], start=one.start + moved, end=one.start + moved + timedelta(seconds=60)
            )
        )
        self.assertIn("mix", {fault.rule for fault in faults_of(design, resolution, TUESDAY, stretches)})


class Verb(TestCase):
    def ask(self, **changes):
        design = small_design(rule("a", "army", "", "field"))
        asked = {"design": write_design(design), "start": "2026-11-24T18:00"}
        made_plan = json.loads(answer("plan", json.dumps(asked).encode())[1])
        asked["plan"] = {"sessions": made_plan["sessions"], "unplaced": made_plan["unplaced"]}
        return asked | changes

    def test_a_plan_of_the_plan_verb_is_legal_and_a_spoilt_one_is_not(self):
        asked = self.ask()
        status, text = answer("validate-plan", json.dumps(asked).encode())
        self.assertEqual((status, json.loads(text)["legal"]), (GOOD, True))
        asked["plan"]["sessions"][0]["blocks"][0]["start"] = "2026-11-24T03:00:00"
        found = json.loads(answer("validate-plan", json.dumps(asked).encode())[1])
        self.assertFalse(found["legal"])
        self.assertIn("session", found["counts"])

    def test_nonsense_is_refused_with_its_place(self):
        for changes, where in (
            ({"start": "soon"}, "/start"), ({"start": "2026-11-24T18:00+01:00"}, "/start"), ({"units": ["nobody"]}, "/units/0"), ({"plan": {}}, "/plan"),
        ):  # fmt: skip
            status, text = answer("validate-plan", json.dumps(self.ask(**changes)).encode())
            self.assertEqual(status, BAD_INPUT)
            self.assertTrue(json.loads(text)["error"]["where"].startswith(where), text)
        with self.assertRaises(MantelloError):
            faults_of(
                replace(small_design(), evenings=Evenings(pattern=())),
                resolve(small_design().army, small_design().scheme),
                TUESDAY,
                [],
            )
