"""Every check finds what it is for, is quiet where there is nothing, and its fix mends what it found."""

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.checks.harmony import harmony_of, hue_apart
from mantello_core.checks.inspect import inspect
from mantello_core.design.design import Design
from mantello_core.design.edit import with_step, with_undercoat, without_role
from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.formats.sample import levy
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix, Recipe, Step
from mantello_core.scheme.aim import THRESHOLDS, Aims, with_accepted, with_marked, with_share, with_threshold
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.rule import Column, Distinction
from tests.core.case import RefusalCase
from tests.samples import base, calvessa, rule, small_design


def check(design: Design, id_: str):
    return next(one for one in inspect(design, resolve(design.army, design.scheme)) if one.id == id_)


def aimed(design: Design, **aims) -> Design:
    return replace(design, scheme=replace(design.scheme, aims=replace(design.scheme.aims, **aims)))


def painted(design: Design, **paints: str) -> Design:
    """The design with some roles painted otherwise."""
    scheme = design.scheme
    for role, pot in paints.items():
        scheme = scheme.with_role(replace(scheme.role(role), recipes=(("rank", base(pot)),)))
    return replace(design, scheme=scheme)


#: coat dark green, facing red, lace pale, metal brass; everything mapped
DRESSED = small_design(
    rule("all", "army", "", "field"),
    rule("head", "army", "head", "lace"),
    rule("facing", "regiment", "torso.coat.lapel torso.coat.collar arm.*.cuff", "facing"),
    rule("metal", "army", "@metal", "metal"),
)


class Mapping(RefusalCase):
    def test_a_gap_is_filled_with_what_the_area_wears_elsewhere(self):
        design = small_design(rule("a", "first", "torso", "field"))
        found = check(design, "unmapped")
        lapel = next(one for one in found.findings if one.unit == "second-line" and "lapel" in one.area)
        self.assertEqual(found.verdict, "wrong")
        mended = lapel.fix.change(design)
        left = {(one.unit, one.area) for one in check(mended, "unmapped").findings}
        self.assertNotIn(("second-line", lapel.area), left)

    def test_a_mark_lost_to_a_deeper_rule_is_told_and_can_be_made_to_bind(self):
        design = small_design(
            rule("mark", "army", "torso.coat.lapel", "lace", rank="fusilier"), rule("deep", "first", "torso", "field")
        )
        found = check(design, "overridden")
        self.assertEqual(len(found.findings), 1)
        self.assertIn("Field on torso, not Lace", found.findings[0].what)
        mended = found.findings[0].fix.change(design)
        self.assertEqual(check(mended, "overridden").findings, ())
        self.assertTrue(mended.scheme.rules[0].binding)

    def test_a_deeper_mark_of_the_same_rank_is_no_surprise(self):
        design = small_design(
            rule("a", "army", "torso", "lace", rank="fusilier"),
            rule("b", "first-line", "torso", "field", rank="fusilier"),
        )
        self.assertEqual(check(design, "overridden").findings, ())

    def test_ranks_drawn_and_dressed_alike_are_found(self):
        design = small_design(rule("a", "army", "", "field"))
        unit = design.army.nodes["first-line"]
        alike = replace(unit, ranks=(unit.ranks[0], replace(unit.ranks[0], id="corporal", name="Corporal", figures=1)))
        root = replace(design.army.root, children=(alike,))
        design = replace(design, army=replace(design.army, root=root))
        self.assertIn("looks like", check(design, "ranks").worst)
        marked = replace(
            design,
            scheme=replace(
                design.scheme,
                rules=(*design.scheme.rules, rule("c", "first-line", "arm.*.cuff", "lace", rank="corporal")),
            ),
        )
        self.assertEqual(check(marked, "ranks").findings, ())

    def test_a_dead_rule_is_removed_by_its_fix(self):
        design = small_design(rule("a", "army", "", "field"), rule("b", "army", "vehicle", "lace"))
        finding = check(design, "dead").findings[0]
        self.assertEqual([one.id for one in finding.fix.change(design).scheme.rules], ["a"])


class Contrast(RefusalCase):
    def test_weak_neighbours_are_told_apart_by_their_fix(self):
        design = painted(DRESSED, facing="brine-green")
        found = check(design, "neighbours")
        weak = next(one for one in found.findings if "apel" in one.what or "uff" in one.what)
        self.assertLess(weak.number, 1)
        mended = weak.fix.change(design)
        self.assertNotIn(weak.key, {one.key for one in check(mended, "neighbours").findings})

    def test_the_threshold_decides_what_is_weak(self):
        strict = aimed(DRESSED, thresholds=(("neighbours", 60.0),))
        self.assertGreater(len(check(strict, "neighbours").findings), len(check(DRESSED, "neighbours").findings))

    def test_companies_with_like_facings_are_found_and_unlike_ones_are_not(self):
        table = Distinction(
            "t",
            "Facings",
            "company",
            (Column("c", "Facing", ("torso.coat.lapel",)),),
            (("first", "c", "facing"), ("second", "c", "lace")),
        )
        design = replace(DRESSED, scheme=replace(DRESSED.scheme, tables=(table,)))
        self.assertEqual(check(design, "lookalikes").verdict, "clear")
        self.assertIn("First and Second", check(design, "lookalikes").worst)
        alike = painted(design, lace="brick-kiln")
        self.assertIn("apart across the table", check(alike, "lookalikes").worst)

    def test_red_and_green_facings_are_look_alikes_to_a_dichromat(self):
        table = Distinction(
            "t",
            "Facings",
            "company",
            (Column("c", "Facing", ("torso.coat.lapel",)),),
            (("first", "c", "facing"), ("second", "c", "lace")),
        )
        design = painted(
            replace(DRESSED, scheme=replace(DRESSED.scheme, tables=(table,))), facing="madder-rope", lace="reed-bank"
        )
        strict = aimed(design, thresholds=(("lookalikes", 5.0), ("lookalikes_sight", 30.0)))
        self.assertRegex(check(strict, "lookalikes").worst, "for (protan|deutan|tritan) sight")

    def test_a_force_in_one_dark_tone_is_flat(self):
        flat = small_design(rule("a", "army", "", "field"))
        self.assertIn("All dark", check(flat, "values").worst)
        self.assertEqual(check(calvessa(), "values").verdict, "clear")

    def test_contrast_at_the_feet_outranks_a_quiet_head(self):
        design = small_design(rule("a", "army", "", "field"), rule("b", "army", "leg.*.shoe", "lace"))
        found = check(design, "focus")
        self.assertEqual(found.verdict, "look")
        self.assertIn("outranks", found.worst)
        quiet = aimed(DRESSED, focus=("leg",), quiet=("head",))
        self.assertTrue(any("meant to be quiet" in one.what for one in check(quiet, "focus").findings))


class Balance(RefusalCase):
    def test_an_accent_that_takes_over_or_is_lost_is_told(self):
        self.assertIn("no role is marked", check(DRESSED, "accents").worst)
        self.assertIn("too much", check(aimed(DRESSED, accents=("field",)), "accents").worst)
        lost = aimed(DRESSED, accents=("metal",), thresholds=(("accent_least", 0.9), ("accent_most", 1.0)))
        self.assertIn("too little", check(lost, "accents").worst)

    def test_wanted_shares_are_held_against_the_army(self):
        far = aimed(DRESSED, shares=(("lace", 0.9),))
        self.assertRegex(check(far, "shares").worst, r"Lace takes \d+ %, wanted 90 %")
        self.assertEqual(
            check(aimed(DRESSED, shares=(("lace", 0.2),), thresholds=(("share", 0.5),)), "shares").verdict, "clear"
        )

    def test_an_army_all_set_at_the_top_has_no_formations(self):
        self.assertIn("formations vanish", check(small_design(rule("a", "army", "", "field")), "common").worst)
        self.assertIn("hold the army together", check(small_design(rule("a", "first", "", "field")), "common").worst)

    def test_figures_without_two_signatures_are_listed(self):
        design = aimed(
            small_design(rule("a", "army", "", "field"), rule("b", "first", "torso", "lace")),
            signatures=("field", "lace"),
        )
        self.assertEqual({one.unit for one in check(design, "signatures").findings}, {"second-line"})

    def test_metals_that_adjoin_and_too_many_of_them_are_told(self):
        design = painted(
            small_design(rule("a", "army", "", "field"), rule("b", "army", "torso.coat.lapel", "metal")),
            field="ferry-steel",
        )
        self.assertIn("line them dark", check(design, "metals").worst)
        self.assertIn("2 metals", check(aimed(design, thresholds=(("metals", 1.0),)), "metals").worst)

    def test_cloth_and_leather_of_one_role_merge(self):
        self.assertIn("share Field", check(small_design(rule("a", "army", "", "field")), "materials").worst)

    def test_many_coats_are_eased_by_the_undercoat_of_the_fix(self):
        thin = Step("base", "base", Mix(((paint("salt-linen"), 1.0),), "water", 2.0))
        design = with_undercoat(with_step(calvessa(), "lantern", "rank", thin), paint("undercoat-soot"))
        found = check(design, "coats").findings[0]
        mended = found.fix.change(design)
        self.assertNotEqual(mended.scheme.ground, design.scheme.ground)
        after = [one for one in check(mended, "coats").findings if one.key == found.key]
        self.assertTrue(not after or after[0].number < found.number)

    def test_a_worn_role_without_a_recipe_is_wrong(self):
        design = small_design(rule("a", "army", "", "field"))
        bare = replace(design, scheme=design.scheme.with_role(replace(design.scheme.role("field"), recipes=())))
        self.assertEqual(check(bare, "coats").verdict, "wrong")


class Accepting(RefusalCase):
    def test_an_accepted_finding_is_quiet_and_comes_back_when_taken_back(self):
        found = check(DRESSED, "materials")
        accepted = DRESSED.scheme.aims
        for finding in found.findings:
            accepted = with_accepted(accepted, "materials", finding.key, "painted so on purpose")
        quiet = check(aimed(DRESSED, accepted=accepted.accepted), "materials")
        self.assertEqual((quiet.verdict, len(quiet.accepted)), ("clear", len(found.findings)))
        back = with_accepted(accepted, "materials", found.findings[0].key, None)
        self.assertEqual(len(check(aimed(DRESSED, accepted=back.accepted), "materials").findings), 1)

    def test_a_note_is_wanted(self):
        for note in ("  ", "x" * 201):
            with self.assertRaises(OutOfRange):
                with_accepted(Aims(), "materials", "k", note)

    def test_thresholds_have_bounds_and_their_usual_value_is_not_kept(self):
        self.assertEqual(with_threshold(Aims(), "coats", 6).threshold("coats"), 6)
        self.assertEqual(with_threshold(with_threshold(Aims(), "coats", 6), "coats", THRESHOLDS["coats"][0]), Aims())
        with self.assertRaises(OutOfRange):
            with_threshold(Aims(), "coats", 0)
        with self.assertRaisesMessage(UnknownName, "near it: coats"):
            with_threshold(Aims(), "coat", 3)

    @given(st.floats(0, 1), st.sampled_from(list(THRESHOLDS)), st.booleans())
    def test_aims_survive_the_way_to_a_document_and_back(self, share, name, on):
        usual, least, _, _ = THRESHOLDS[name]
        aims = with_share(with_marked(Aims(), "lace", "accents", on=on), "field", share)
        aims = with_threshold(aims, name, round((usual + least) / 2, 3))
        aims = with_accepted(replace(aims, quiet=("leg",)), "values", "flat", "a night force")
        design = replace(DRESSED, scheme=replace(DRESSED.scheme, aims=aims))
        self.assertEqual(read_design_bytes(design_bytes(design)), design)

    def test_a_removed_role_takes_its_marks_along(self):
        design = aimed(small_design(rule("a", "army", "", "field")), accents=("lace",), shares=(("lace", 0.1),))
        self.assertEqual(without_role(design, "lace").scheme.aims, Aims())

    def test_shares_out_of_bounds_and_unknown_marks_are_refused(self):
        with self.assertRaises(OutOfRange):
            with_share(Aims(), "lace", 1.2)
        with self.assertRaises(UnknownName):
            with_marked(Aims(), "lace", "favourites", on=True)


class Harmony(RefusalCase):
    def test_hues_are_placed_and_the_demo_described(self):
        harmony = harmony_of(calvessa(), resolve(calvessa().army, calvessa().scheme))
        self.assertAlmostEqual(sum(hue.share for hue in harmony.hues), 1)
        self.assertTrue(0.2 < harmony.neutral < 0.5)
        self.assertEqual(len(harmony.schools), 2)

    def test_one_hue_and_its_opposite_are_named(self):
        one = small_design(rule("a", "army", "", "facing"))
        self.assertEqual(harmony_of(one, resolve(one.army, one.scheme)).relation, "one hue")
        two = small_design(rule("a", "army", "", "field"), rule("b", "army", "torso", "facing"))
        two = painted(two, field="ferry-blue", facing="lantern-yellow")
        harmony = harmony_of(two, resolve(two.army, two.scheme))
        self.assertIn("opposite", harmony.relation)
        self.assertEqual(hue_apart(10, 350), 20)


class Effort(RefusalCase):
    def test_lights_on_what_nobody_sees_are_told_with_their_minutes(self):
        found = check(levy(), "hidden")
        breeches = next(one for one in found.findings if "breeches" in one.area)
        self.assertIn("% seen; lights there take", breeches.what)
        self.assertGreater(breeches.number, 1)
        self.assertEqual(found.verdict, "look")

    def test_a_base_coat_there_is_no_waste(self):
        bare = levy()
        for role in bare.scheme.roles:
            steps = tuple(step for step in role.recipe().steps if step.kind == "base")
            plain = replace(role, recipes=(("rank", Recipe(steps)),))
            bare = replace(bare, scheme=bare.scheme.with_role(plain))
        self.assertEqual(check(bare, "hidden").verdict, "clear")

    def test_the_share_below_which_it_is_lost_is_the_painters(self):
        lenient = aimed(levy(), thresholds=(("hidden", 0.0),))
        self.assertEqual(check(lenient, "hidden").findings, ())
