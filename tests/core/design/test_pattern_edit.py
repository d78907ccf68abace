"""Camouflage in a design: by rule, per figure, kept in documents, worked out in the plan."""

import json
from dataclasses import replace
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.army.figure_filter import Filter
from mantello_core.camouflage.pattern import (
    FAMILIES,
    LEAST_SIZE,
    MOST_SEED,
    MOST_SIZE,
    Ink,
    Overlay,
    Pattern,
    checked_pattern,
)
from mantello_core.camouflage.working import ink_work
from mantello_core.design.camouflaged import layout_seed, layouts_on
from mantello_core.design.edit import find_table, set_cell, with_rule, with_scheme, without_role
from mantello_core.design.muster import with_duplicate
from mantello_core.design.pattern_edit import (
    inks_like,
    placing_rule,
    rule_to_start,
    starts,
    with_layout,
    with_pattern,
    without_pattern,
)
from mantello_core.design.preview import changed
from mantello_core.design.transfer import transferred
from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName
from mantello_core.formats.document.design import design_bytes, read_design, read_design_bytes, write_design
from mantello_core.formats.sample import levy
from mantello_core.order.figure_order import order_of
from mantello_core.passes.camouflaging import patches_words
from mantello_core.passes.pieces import finishing_needed, pieces_of
from mantello_core.passes.scale_mix import for_scale
from mantello_core.planning.compiling import rank_sheets
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.rule import Column, Distinction, Rule
from mantello_core.scheme.sentence import rule_sentence
from mantello_core.scheme.share import paint_needed, role_shares
from mantello_core.scheme.substitution import Substitution

UNIT, RANK = "punt-cars", "punt-car"
INKS = (Ink("hullpale", 0.5), Ink("hull", 0.3), Ink("blacking", 0.2))
ESTUARY = Pattern("estuary", "Estuary", "blotch", INKS, 0.42, "airbrush", 1.0, 18, 1.5, 0.5)
ON_CARS = Rule("", "punt-car-troop", ("#camo",), "", Filter(type="puntcar"))


def camouflaged(pattern: Pattern = ESTUARY, rule: Rule = ON_CARS):
    """The demo's army with a pattern, and its resolution."""
    design = with_pattern(levy(), pattern, rule)
    return design, resolve(design.army, design.scheme)


class ByRule(TestCase):
    def test_it_lies_where_its_rule_wins_and_every_check_knows_its_ground(self):
        _, resolution = camouflaged()
        one = resolution.of_rank(UNIT, RANK)[0]
        areas = one.patterns["estuary"]
        self.assertIn("vehicle.casemate.roof", areas)
        self.assertNotIn("vehicle.deck", areas)
        cell = one.cells["vehicle.casemate.roof"]
        self.assertEqual(
            (cell.role, cell.pattern, cell.inks), ("hullpale", "estuary", ("hullpale", "hull", "blacking"))
        )

    def test_where_rules_of_its_rung_name_areas_it_names_them_too(self):
        design, resolution = camouflaged(rule=replace(ON_CARS, filter=Filter()))
        select = placing_rule(design, "estuary").select
        self.assertIn("=vehicle.casemate.roof", select)
        worn = {one.unit for one in resolution.classes if one.patterns}
        self.assertEqual(worn, {"punt-cars", "lighters"})

    def test_an_exact_rule_takes_an_area_out(self):
        design, _ = camouflaged()
        design = with_rule(design, Rule("", UNIT, ("=vehicle.hatch",), "deck"))
        one = resolve(design.army, design.scheme).of_rank(UNIT, RANK)[0]
        self.assertNotIn("vehicle.hatch", one.patterns["estuary"])
        self.assertEqual(one.cells["vehicle.hatch"].role, "deck")

    def test_a_role_worn_instead_is_worn_by_the_ink_too(self):
        design, _ = camouflaged()
        scheme = replace(design.scheme, substitutions=(Substitution("punt-car-troop", "blacking", "timber"),))
        one = resolve(design.army, scheme).of_rank(UNIT, RANK)[0]
        self.assertEqual(one.cells["vehicle.casemate.roof"].inks, ("hullpale", "hull", "timber"))

    def test_a_preview_counts_the_areas_that_it_is_laid_on_and_that_look_otherwise_after(self):
        plain, design = levy(), camouflaged()[0]
        laid = changed(plain, design)
        self.assertEqual(laid.figures, 4)
        areas = {area for change in laid.changes for area, _, _ in change.areas}
        self.assertIn("vehicle.casemate.roof", areas)
        other = with_scheme(design, replace(design.scheme, patterns=(replace(ESTUARY, size_m=0.6),)))
        self.assertEqual((changed(design, other).figures, changed(design, other).areas), (4, laid.areas))
        named = with_scheme(design, replace(design.scheme, patterns=(replace(ESTUARY, name="Delta"),)))
        self.assertEqual(changed(design, named).figures, 0)

    def test_its_rule_is_a_sentence(self):
        design, _ = camouflaged()
        said = rule_sentence(placing_rule(design, "estuary"), design.army, design.scheme)
        self.assertIn("everything tagged camo in the pattern Estuary", said)

    def test_every_ink_has_its_share_of_surface_and_paint(self):
        plain, design = levy(), camouflaged()[0]
        before, after = (role_shares(resolve(one.army, one.scheme), one.scheme) for one in (plain, design))
        self.assertAlmostEqual(sum(before.values()), sum(after.values()), places=6)
        self.assertGreater(after["blacking"], before["blacking"])
        needed = [paint_needed(one.scheme, resolve(one.army, one.scheme)) for one in (plain, design)]
        self.assertGreater(needed[1]["dry-sedge"], needed[0]["dry-sedge"])
        dark = camouflaged(replace(ESTUARY, lighten=False))[0]
        extra = [finishing_needed(one, resolve(one.army, one.scheme)) for one in (plain, dark)]
        self.assertEqual(extra[0], extra[1], "inks are counted as roles, and not a second time")

    def test_the_grey_that_lightens_inks_and_the_layers_over_them_are_bought_too(self):
        def needed(**changed):
            design = camouflaged(replace(ESTUARY, **changed))[0]
            return finishing_needed(design, resolve(design.army, design.scheme))

        plain, light = needed(lighten=False), needed(lighten=True)
        greys = {paint_id for paint_id in light if paint_id not in plain}
        base = levy().scheme.role("hull").recipe("rank").base.mix
        mixed = {pot.id for pot in for_scale(camouflaged()[0], base).paints} - {pot.id for pot in base.paints}
        self.assertEqual(greys, mixed)
        # four cars of some 20 cm² each: a few drops, not a pot
        self.assertTrue(all(0.02 < light[paint_id] < 2.0 for paint_id in greys), light)
        white = levy().scheme.role("plume").recipe("rank").base.mix.paints[0].id
        fresh, worn = (needed(lighten=False, overlays=(Overlay("plume", 0.6, months=months),)) for months in (0, 2.5))
        self.assertAlmostEqual(fresh[white] - plain.get(white, 0), 2 * (worn[white] - plain.get(white, 0)), places=4)


class Layouts(TestCase):
    def test_every_car_has_its_own_and_another_car_moves_none(self):
        design, resolution = camouflaged()
        seeds = [layout_seed(ESTUARY, UNIT, RANK, number) for number in range(1, 5)]
        self.assertEqual(len(set(seeds)), 4)
        one = resolution.of_rank(UNIT, RANK)[0]
        first = layouts_on(design, one, 1)[0]
        grown = replace(one, ordinals=(*one.ordinals, 5))
        self.assertIs(layouts_on(design, grown, 1)[0], first)
        self.assertIsNot(layouts_on(design, one, 2)[0], first)

    def test_one_can_be_pinned_and_let_go(self):
        design, _ = camouflaged()
        pinned = with_layout(design, "estuary", UNIT, RANK, 2, 77)
        self.assertEqual(layout_seed(pinned.scheme.pattern("estuary"), UNIT, RANK, 2), 77)
        self.assertEqual(with_layout(pinned, "estuary", UNIT, RANK, 2, None), design)
        for figure, seed in ((9, 1), (0, 1)):
            with self.assertRaises(OutOfRange):
                with_layout(design, "estuary", UNIT, RANK, figure, seed)
        with self.assertRaises(UnknownName):
            with_layout(design, "reeds", UNIT, RANK, 1, 1)

    @given(st.integers(0, MOST_SEED), st.text(max_size=20), st.integers(1, 2000))
    def test_seeds_stay_in_bounds_for_any_names(self, seed, name, ordinal):
        self.assertTrue(0 <= layout_seed(ESTUARY.seeded(seed), name, name, ordinal) <= MOST_SEED)


class Refused(TestCase):
    def test_nonsense_is_refused_at_its_field(self):
        roles = ("hullpale", "hull", "blacking")
        for nonsense, field in (
            ({"family": "tartan"}, "family"), ({"tool": "broom"}, "tool"), ({"inks": INKS[:1]}, "inks"),
            ({"inks": (*INKS[:2], Ink("gold", 0.2))}, "inks/2/role"), ({"inks": (*INKS[:2], Ink("blacking", 0.3))}, "inks"),
            ({"inks": (Ink("hull", 0.5), Ink("hull", 0.5))}, "inks"), ({"inks": (Ink("hull", 0.995), Ink("blacking", 0.005))}, "inks/0/share"),
            ({"size_m": 99.0}, "size_m"), ({"rough": 2.0}, "rough"), ({"feather": 9.0}, "feather"), ({"name": ""}, "name"),
            ({"inks": (*INKS[:2], Ink("blacking", 0.2, 9.0))}, "inks/2/scale"), ({"seed": -1}, "seed"),
        ):  # fmt: skip
            with self.assertRaises(MantelloError) as refused:
                checked_pattern(replace(ESTUARY, **nonsense), roles)
            self.assertEqual(refused.exception.where, f"pattern/{field}")

    def test_every_limit_is_taken_and_a_little_more_is_not(self):
        roles = ("hullpale", "hull", "blacking")
        for name, least, most in (
            ("size_m", LEAST_SIZE, MOST_SIZE), ("turn", -180, 180), ("stretch", 1, 6), ("rough", 0, 1), ("clear", 0, 10),
        ):  # fmt: skip
            for limit, beyond in ((least, least - 0.01), (most, most + 0.01)):
                self.assertEqual(getattr(checked_pattern(replace(ESTUARY, **{name: limit}), roles), name), limit)
                with self.assertRaises(OutOfRange, msg=(name, beyond)):
                    checked_pattern(replace(ESTUARY, **{name: beyond}), roles)

    def test_a_pattern_that_would_lie_on_nobody_is_refused(self):
        with self.assertRaises(Contradiction):
            with_pattern(levy(), ESTUARY, replace(ON_CARS, select=("cloak",)))
        with self.assertRaises(UnknownName):
            with_pattern(levy(), ESTUARY, replace(ON_CARS, scope="moon"))

    def test_a_role_that_is_an_ink_stays(self):
        design = levy()
        pattern = replace(ESTUARY, inks=(Ink("hullpale", 0.5), Ink("plume", 0.5)))
        spare = with_pattern(design, pattern, ON_CARS)
        with self.assertRaises(Contradiction):
            without_role(spare, "plume")


class Kept(TestCase):
    def test_documents_keep_it_and_read_it_back(self):
        design = with_layout(camouflaged()[0], "estuary", UNIT, RANK, 2, 77)
        self.assertEqual(read_design_bytes(design_bytes(design)), design)

    def test_documents_keep_what_lies_over_it(self):
        layers = (Overlay("plume", 0.6, edges=2.0, late=True), Overlay("ground", 0.2, seed=9))
        design = camouflaged(replace(ESTUARY, overlays=layers))[0]
        self.assertEqual(read_design_bytes(design_bytes(design)), design)
        with self.assertRaises(Contradiction):
            without_role(design, "plume")

    def test_a_document_that_names_no_such_pattern_is_refused_at_its_place(self):
        document = json.loads(json.dumps(write_design(camouflaged()[0])))
        rule = next(at for at, one in enumerate(document["scheme"]["rules"]) if one.get("pattern"))
        document["scheme"]["rules"][rule]["pattern"] = "reeds"
        with self.assertRaises(UnknownName) as refused:
            read_design(document)
        self.assertEqual(refused.exception.where, f"/scheme/rules/{rule}/pattern")

    def test_taken_away_it_leaves_nothing(self):
        design = camouflaged()[0]
        self.assertEqual(without_pattern(design, "estuary"), levy())
        with self.assertRaises(UnknownName):
            without_pattern(levy(), "estuary")

    def test_another_army_takes_it_over(self):
        other = camouflaged()[0]
        army = replace(other.army, root=replace(other.army.root, name="Elsewhere"))
        here = replace(
            levy(),
            army=army,
            scheme=replace(levy().scheme, rules=(), tables=(), placements=(), code_systems=(), arms=()),
        )
        made = transferred(here, other).design
        self.assertEqual([one.name for one in made.scheme.patterns], ["Estuary"])
        self.assertTrue(resolve(made.army, made.scheme).of_rank(UNIT, RANK)[0].patterns)


class Starts(TestCase):
    def test_three_to_start_from_in_roles_near_the_ground(self):
        design = levy()
        ground = design.scheme.predicted(design.scheme.role("ground").recipe()).apparent
        roles = inks_like(design, ground)
        self.assertGreaterEqual(len(roles), 2)
        for cloth in (False, True):
            found = starts(design, roles, cloth=cloth)
            self.assertEqual(len({one.family for one in found}), 3)
            for one in found:
                self.assertEqual(
                    checked_pattern(replace(one, id="x"), design.scheme.role_by_id).tool in FAMILIES, False
                )

    def test_they_lie_on_a_unit_that_has_such_areas_and_no_pattern_yet(self):
        plain, (design, resolution) = levy(), camouflaged()
        before = resolve(plain.army, plain.scheme)
        self.assertEqual(rule_to_start(plain, before, "vehicle.casemate").scope, "punt-cars")
        self.assertNotIn(rule_to_start(design, resolution, "#camo").scope, ("punt-cars",))
        only = rule_to_start(design, resolution, "vehicle.casemate")
        self.assertEqual(only.scope, "punt-cars", "none is without a pattern")
        self.assertTrue(with_pattern(design, replace(ESTUARY, id="", name="More"), only))
        self.assertIsNone(rule_to_start(design, resolution, "#nowhere"))

    def test_they_are_dull_though_a_bright_colour_is_nearer(self):
        scheme = levy().scheme
        roles = inks_like(levy(), scheme.predicted(scheme.role("ground").recipe()).apparent)
        self.assertTrue(all(scheme.predicted(scheme.role(one).recipe()).apparent.chroma < 30 for one in roles), roles)


class Work(TestCase):
    def line(self, design):
        resolution = resolve(design.army, design.scheme)
        return [node.name for node in order_of(design, resolution.of_rank(UNIT, RANK)).line]

    def test_inks_lie_on_their_ground_in_order_before_shades_and_marks(self):
        line = self.line(camouflaged()[0])
        names = ["Hull sand base", "Estuary: Hull green", "Estuary: Blacking", "Hull sand shade"]
        self.assertEqual([name for name in line if name in names], names)

    def test_masks_cost_time_and_are_told(self):
        design, resolution = camouflaged(replace(ESTUARY, tool="mask", family="splinter", feather=None))
        one = resolution.of_rank(UNIT, RANK)[0]
        inks = [piece for piece in pieces_of(design, one) if piece.id.startswith("camo.")]
        self.assertEqual([piece.id for piece in inks], ["camo.estuary.1", "camo.estuary.2"])
        self.assertTrue(all("masks" in piece.words for piece in inks))
        self.assertTrue(all(120 < piece.seconds < 1800 for piece in inks), [piece.seconds for piece in inks])

    def test_a_brush_takes_longer_than_an_airbrush(self):
        brush, spray = (
            sum(ink_work(replace(ESTUARY, tool=tool), at, 2000, 56, 1.2).seconds for at in (1, 2))
            for tool in ("brush", "airbrush")
        )
        self.assertGreater(brush, 2 * spray)
        self.assertTrue(15 * 60 < brush < 45 * 60, brush)

    def test_the_plan_has_a_row_for_each_and_the_car_as_many_figures(self):
        design, resolution = camouflaged()
        sheet = next(one for one in rank_sheets(design, resolution, (UNIT,)) if one.rank == RANK)
        rows = [row.atom for row in sheet.rows if row.atom.subject.piece.startswith("camo.")]
        self.assertEqual([len(atom.ordinals) for atom in rows], [4, 4])
        self.assertTrue(all(atom.surface > 0 for atom in rows))

    def test_what_lies_over_it_follows_its_marks_before_the_varnish_or_after_it(self):
        for late in (False, True):
            design = camouflaged(replace(ESTUARY, overlays=(Overlay("plume", 0.6, late=late),)))[0]
            line = self.line(design)
            layer, varnish = line.index("Estuary: Plume over it"), line.index("Matt varnish")
            self.assertLess(line.index("Estuary: Blacking"), layer)
            self.assertEqual(layer > varnish, late, line)
            one = resolve(design.army, design.scheme).of_rank(UNIT, RANK)[0]
            piece = next(piece for piece in pieces_of(design, one) if piece.id == "camo.estuary.3")
            self.assertTrue(3 * 60 < piece.seconds < 15 * 60, piece.seconds)

    def test_lights_of_its_ground_go_on_their_own_patches(self):
        design, resolution = camouflaged()
        car, walker = resolution.of_rank(UNIT, RANK)[0], resolution.of_unit("stilt-walkers")[0]
        said = patches_words(design, car, "hullpale", "layer")
        self.assertEqual(said, "Of Estuary only the patches of Hull sand; the other inks stay as they are.")
        for one, role, kind in (
            (car, "hullpale", "shade"),
            (car, "deck", "layer"),
            (car, "deck", "base"),
            (walker, "hullpale", "layer"),
        ):
            self.assertEqual(patches_words(design, one, role, kind), "")

    def test_inks_and_ground_are_mixed_lighter_for_the_scale_as_they_are_shown(self):
        design, resolution = camouflaged()
        car = resolution.of_rank(UNIT, RANK)[0]
        said = patches_words(design, car, "hullpale", "base")
        self.assertIn("Lightened for 1:56 under Estuary: Dry Sedge 4, Gannet Grey 1, water 1.5.", said)
        pieces = {piece.id: piece for piece in pieces_of(design, car) if piece.id.startswith("camo.")}
        self.assertEqual(pieces["camo.estuary.1"].step.mix.words, "Reed Bank 5, Gannet Grey 1, water 2")
        dark = replace(ESTUARY, lighten=False)
        design, resolution = camouflaged(dark)
        car = resolution.of_rank(UNIT, RANK)[0]
        self.assertEqual(patches_words(design, car, "hullpale", "base"), "")
        ink = next(piece for piece in pieces_of(design, car) if piece.id == "camo.estuary.1")
        self.assertEqual(ink.step.mix.words, "Reed Bank 3, water 1")

    def test_edges_follow_the_size(self):
        small, large = (ink_work(replace(ESTUARY, size_m=size), 1, 2000, 56, 1.2) for size in (0.42, 0.84))
        self.assertAlmostEqual(small.edge_mm, 2 * large.edge_mm, delta=1)


class Ranks(TestCase):
    def test_cloaks_of_rangers_wear_it_by_brush(self):
        pattern = replace(
            ESTUARY,
            id="marsh",
            name="Marsh",
            family="strokes",
            tool="brush",
            size_m=0.11,
            inks=(Ink("cloak", 0.6), Ink("lining", 0.4)),
        )
        design, resolution = camouflaged(pattern, Rule("", "saltmarsh-rangers", ("cloak",), ""))
        worn = [one for one in resolution.classes if one.patterns]
        self.assertTrue(worn)
        self.assertTrue(all(layout.error < 0.01 for layout in layouts_on(design, worn[0], 1)))

    def test_a_unit_without_such_areas_is_not_touched(self):
        _, resolution = camouflaged()
        self.assertFalse(any(one.patterns for one in resolution.of_unit("2nd-lantern-line")))


class InTables(TestCase):
    """A cell of a distinction table holds a role or a pattern."""

    def setUp(self):
        laid, _ = camouflaged()
        stands = Distinction("dazzle", "Dazzle", "unit", (Column("hull", "Hull", ("#camo",)),))
        plain = replace(laid, scheme=replace(laid.scheme, rules=tuple(r for r in laid.scheme.rules if not r.pattern)))
        self.design = with_scheme(plain, replace(plain.scheme, tables=(*plain.scheme.tables, stands)))

    def celled(self, role=""):
        return set_cell(self.design, "dazzle", UNIT, "hull", role, "" if role else "estuary")

    def worn(self, design):
        return [one.patterns for one in resolve(design.army, design.scheme).of_unit(UNIT)]

    def test_a_pattern_in_a_cell_is_worn_like_that_of_a_rule(self):
        self.assertNotIn("estuary", str(self.worn(self.design)))
        design = self.celled()
        self.assertTrue(all("estuary" in one for one in self.worn(design)))
        table = find_table(design.scheme, "dazzle")
        self.assertIsNone(table.role(UNIT, "hull"))
        self.assertEqual(table.cell(UNIT, "hull").pattern, "estuary")

    def test_a_role_or_nothing_takes_its_place(self):
        design = self.celled()
        other = set_cell(design, "dazzle", UNIT, "hull", "hull")
        self.assertEqual([cell[2:] for cell in find_table(other.scheme, "dazzle").cells], [("hull", "")])
        self.assertEqual(find_table(set_cell(design, "dazzle", UNIT, "hull", None).scheme, "dazzle").cells, ())

    def test_documents_keep_it_and_refuse_one_that_is_not_there(self):
        design = self.celled()
        written = write_design(design)
        self.assertEqual(read_design(written).scheme.tables, design.scheme.tables)
        written["scheme"]["tables"][-1]["cells"][0]["pattern"] = "gone"
        with self.assertRaises(UnknownName) as refused:
            read_design(written)
        self.assertTrue(refused.exception.where.endswith("/cells/0/pattern"))
        with self.assertRaises(UnknownName):
            set_cell(self.design, "dazzle", UNIT, "hull", "", "gone")

    def test_with_the_pattern_the_cell_goes(self):
        self.assertEqual(find_table(without_pattern(self.celled(), "estuary").scheme, "dazzle").cells, ())

    def test_another_army_takes_the_cell_over_with_its_pattern(self):
        here, there = levy(), self.celled()
        taken = transferred(here, there).design.scheme
        cells = [cell for table in taken.tables for cell in table.cells if cell.pattern]
        self.assertEqual(len(cells), 1)
        self.assertIn(cells[0].pattern, taken.pattern_by_id)

    def test_a_copy_of_a_unit_wears_it_too(self):
        design = with_duplicate(self.celled(), UNIT, "Second cars")
        cells = find_table(design.scheme, "dazzle").cells
        self.assertEqual([cell.pattern for cell in cells], ["estuary", "estuary"])
