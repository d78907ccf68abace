"""Work at the bench: where it stands in the order, what it is held with, and what to mind."""

from dataclasses import replace
from datetime import datetime
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import UnknownName
from mantello_core.figures.vocabulary import group_of
from mantello_core.order.figure_order import order_of
from mantello_core.passes.pieces import pieces_of
from mantello_core.planning.compiling import compiled, rank_sheets
from mantello_core.planning.loose import loose_part
from mantello_core.planning.plan import plan
from mantello_core.planning.validating import faults_of
from mantello_core.scheme.assembly import BASE_MATERIALS, MATERIALS, Assembly, checked_assembly, glue_for, wrong_glue
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.finishing import Basing, Finishing, checked_finishing, usual_plants
from tests.samples import calvessa

UNIT = "1st-harbour-line"


def finished(**said):
    """The sample army with a finish."""
    design = calvessa()
    return replace(design, scheme=replace(design.scheme, finishing=replace(design.scheme.finishing, **said)))


def line_of(design) -> list[str]:
    """Names of a line fusilier's steps, in order."""
    resolution = resolve(design.army, design.scheme)
    return [node.name for node in order_of(design, resolution.of_rank(UNIT, "fusilier")).line]


ALL = {
    "assembly": Assembly(True, "resin", "wood", "", "first", True), "tidy": True, "look": True, "photograph": True, "varnish": "matt",
    "touch_up": True, "apart": ("Weapon",), "basing": Basing((replace(usual_plants()[1], in_ten=10.0),)),
}  # fmt: skip


class Order(TestCase):
    def assert_in_order(self, line, *names):
        places = [line.index(name) for name in names]
        self.assertEqual(places, sorted(places), [line[at] for at in sorted(places)])

    def test_from_the_sprue_to_the_photograph(self):
        self.assert_in_order(
            line_of(finished(**ALL)), "Choose options and what stays loose", "Clean and glue", "Onto a temporary base", "Undercoat",
            "Field base", "Tidy before it is sealed", "Field shade", "Join weapon", "Last look before the varnish", "Matt varnish",
            "Move to the base", "Large tuft", "Photograph it",
        )  # fmt: skip
        line = line_of(finished(**ALL))
        self.assert_in_order(line, "Prime the base", "Grit on the base", "Undercoat", "Ground base")
        self.assert_in_order(line, "Touch up what was held", "Last look before the varnish")

    def test_the_undercoat_is_mended_before_any_colour(self):
        self.assertNotIn("Mend the undercoat", line_of(finished()))
        self.assert_in_order(line_of(finished(mend=True)), "Undercoat", "Mend the undercoat", "Field base")

    def test_what_is_handled_often_comes_late_and_is_touched_up(self):
        line = line_of(finished(handled=("Weapon", "Base"), varnish="matt"))
        self.assert_in_order(line, "Flesh base", "Hair base", "Timber base")
        self.assert_in_order(line, "Trim metal highlight", "Arms metal highlight")
        self.assert_in_order(line, "Touch up what is handled often", "Matt varnish")
        one = resolve(finished().army, finished().scheme).of_rank(UNIT, "fusilier")[0]
        touched = next(piece for piece in pieces_of(finished(handled=("Base",)), one) if piece.id == "touch-up")
        self.assertEqual({group_of(area) for area in touched.areas}, {"Base"})
        whole = next(
            piece for piece in pieces_of(finished(handled=("Base",), touch_up=True), one) if piece.id == "touch-up"
        )
        self.assertEqual(whole.areas, ())

    def test_a_part_that_nobody_knows_is_refused(self):
        for name in ("handled", "fragile"):
            with self.assertRaises(UnknownName) as refused:
                checked_finishing(Finishing(**{name: ("Wheels",)}), ())
            self.assertTrue(refused.exception.where.endswith(name))

    def test_grit_on_the_undercoat_needs_no_primer_of_its_own(self):
        line = line_of(finished(assembly=Assembly(grit="after")))
        self.assert_in_order(line, "Undercoat", "Grit on the base", "Ground base")
        self.assertNotIn("Prime the base", line)

    def test_nothing_asked_for_is_nothing_done(self):
        self.assertFalse(set(line_of(finished())) & {"Clean and glue", "Grit on the base", "Photograph it"})

    def test_a_plan_with_all_of_it_keeps_every_rule(self):
        design = finished(**ALL)
        start = datetime(2026, 11, 2, 18)
        made = plan(design, start)
        self.assertFalse(made.unplaced)
        resolution = resolve(design.army, design.scheme)
        self.assertEqual(faults_of(design, resolution, start, made.stretches()), ())


class Loose(TestCase):
    def test_what_is_loose_waits_for_nothing_of_the_rest(self):
        plain, loose = finished(), finished(apart=("Weapon",))
        waits = [self.between(design) for design in (plain, loose)]
        self.assertGreater(waits[0], waits[1])

    def between(self, design) -> int:
        """Bonds between what is on the weapon alone and what is not on it, recipes aside."""
        resolution = resolve(design.army, design.scheme)
        arranged = order_of(design, resolution.of_rank(UNIT, "fusilier"))
        areas = {node.id: node.areas for node in arranged.line if node.sort == "step"}
        on = {id_ for id_, names in areas.items() if all(group_of(name) == "Weapon" for name in names)}
        off = {id_ for id_, names in areas.items() if all(group_of(name) != "Weapon" for name in names)}
        self.assertTrue(on and off)
        return sum(
            (one.before in on and one.after in off) or (one.before in off and one.after in on)
            for one in arranged.bonds
            if one.rule.relation != "any"
        )

    def test_in_one_unit_only(self):
        design = finished(apart_in=((UNIT, "Weapon"),))
        resolution = resolve(design.army, design.scheme)
        joined = {
            one.unit: any(piece.id == "join-weapon" for piece in pieces_of(design, one))
            for one in resolution.classes
            if any(group_of(area) == "Weapon" for area in one.cells)
        }
        self.assertGreater(len(joined), 1)
        self.assertEqual([unit for unit, apart in joined.items() if apart], [UNIT])

    def test_a_batch_on_a_loose_part_alone_is_told(self):
        design = finished(apart=("Weapon",))
        resolution = resolve(design.army, design.scheme)
        atoms = [atom for atom in compiled(design, resolution).atoms if atom.unit == UNIT and atom.rank == "fusilier"]
        parts = {atom.name: loose_part(design, resolution, [atom]) for atom in atoms}
        self.assertEqual(parts["Timber base"], "Weapon")
        self.assertEqual(parts["Field base"], "")
        both = [atom for atom in atoms if atom.name in ("Timber base", "Field base")]
        self.assertEqual(loose_part(design, resolution, both), "")
        self.assertEqual(loose_part(finished(), resolution, both[:1]), "")


class Gluing(TestCase):
    def test_what_a_desk_would_say(self):
        self.assertEqual(glue_for("plastic", "plastic").id, "cement")
        self.assertEqual(glue_for("resin", "plastic").id, "superglue")
        self.assertEqual(glue_for("metal", "metal").id, "two-part")
        self.assertIn("does not hold resin", wrong_glue(Assembly(material="resin", glue="cement")))
        self.assertEqual(wrong_glue(Assembly(material="plastic", glue="cement")), "")
        self.assertIn("too weak", wrong_glue(Assembly(glue="white")))

    @given(st.sampled_from(BASE_MATERIALS), st.sampled_from(BASE_MATERIALS))
    def test_every_pair_is_held_by_something_either_way(self, one, other):
        glue = glue_for(one, other)
        self.assertEqual(glue, glue_for(other, one))
        self.assertTrue(glue.id != "cement" or one == other == "plastic")

    def test_resin_metal_and_glue_have_their_cautions_at_the_step(self):
        words = {"plastic": "no flame", "resin": "fully cured", "metal": "eye protection"}
        for material in MATERIALS:
            design = finished(assembly=Assembly(True, material))
            one = resolve(design.army, design.scheme).of_rank(UNIT, "fusilier")[0]
            piece = next(piece for piece in pieces_of(design, one) if piece.id == "bench.glue")
            self.assertIn(words[material], piece.caution)
            self.assertIn("Cut away from your fingers", piece.caution)
            self.assertGreaterEqual(piece.seconds, 300)

    def test_strangers_are_refused_at_their_field(self):
        for field, value in (("material", "cheese"), ("base", "cork"), ("glue", "spit"), ("grit", "often")):
            with self.assertRaises(UnknownName) as refused:
                checked_assembly(replace(Assembly(), **{field: value}))
            self.assertEqual(refused.exception.where, f"assembly/{field}")
        with self.assertRaises(UnknownName):
            glue_for("cheese", "plastic")


class Faults(TestCase):
    def test_a_spray_that_went_wrong_costs_every_counted_base_a_coat(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        sheets = rank_sheets(design, resolution, (UNIT,))
        figures = next(sum(len(c.ordinals) for c in one.classes) for one in sheets if one.rank == "fusilier")
        bad = frozenset((UNIT, "fusilier", ordinal) for ordinal in range(1, figures + 1))

        def coats(faults):
            work = compiled(design, resolution, units=(UNIT,), sheets=sheets, faults=faults)
            found = {}
            for atom in work.atoms:
                if atom.rank == "fusilier" and atom.subject.role:
                    found[atom.subject.role, atom.step] = found.get((atom.subject.role, atom.step), 0) + 1
            return found

        usual, worse = coats(frozenset()), coats(bad)
        more = {key[1] for key in usual if worse[key] != usual[key]}
        self.assertEqual(more, {"base"})
        for (role, step), count in usual.items():
            fixed = design.scheme.role(role).recipe().base.coats is not None
            self.assertEqual(worse[role, step], count + (step == "base" and not fixed), role)
        few = frozenset(sorted(bad)[: figures // 3])
        self.assertEqual(coats(few), usual)
