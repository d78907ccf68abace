"""Dress put on an army: who wears whose, roles for words, what wins and loses, departures, and the field."""

import unittest
from dataclasses import replace
from unittest.mock import patch

from mantello_core.checks.finding import Check
from mantello_core.checks.inspect import inspect
from mantello_core.colour.difference import difference
from mantello_core.design.dressing import (
    lost_cells,
    proposed_ranks,
    proposed_worn,
    with_aims,
    with_cells_first,
    with_departure,
    with_dress,
    without_dress,
    words_used,
)
from mantello_core.design.edit import with_scheme
from mantello_core.design.fielding import field_tones, with_campaign
from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName
from mantello_core.formats.document.design import design_bytes, read_design_bytes, read_kept_design, write_design
from mantello_core.formats.sample import calvessa, dress_almanac
from mantello_core.mixing.cloth_mix import cloth_mix, graded_mixes
from mantello_core.paints.range import paints
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.dress_rules import cell_of_dress, tones_worn
from mantello_core.scheme.left_to_knife import left_to_knife
from mantello_core.scheme.worn_over import ordered_over
from mantello_core.uniforms.campaign import Campaign
from mantello_core.uniforms.colour_word import ColourWord
from mantello_core.uniforms.dress import Dress, checked_dress
from mantello_core.uniforms.dye import target

ROSE = (next(iter(paints().values())), 1.0)


class Dressed(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.plain = calvessa()
        cls.resolution = resolve(cls.plain.army, cls.plain.scheme)
        cls.book = dress_almanac()
        worn = proposed_worn(cls.plain.army, cls.book)
        cls.dress = Dress(
            cls.book, 212, worn=worn, ranks=proposed_ranks(cls.plain.army, tuple(node for node, _ in worn))
        )
        cls.design = cls.put_on(cls.dress)

    @classmethod
    def put_on(cls, dress: Dress, **chosen):
        mixes = {word.key: {"rank": (ROSE,)} for word in words_used(cls.plain, cls.resolution, dress)}
        return with_dress(cls.plain, cls.resolution, dress, chosen, mixes)

    def cell(self, design, unit: str, area: str):
        return next(one.cells[area] for one in resolve(design.army, design.scheme).of_unit(unit) if area in one.cells)


class PutOn(Dressed):
    def test_a_regiment_is_known_by_its_name_and_number(self):
        self.assertEqual([(node, who.number) for node, who in self.dress.worn], [("2nd-tidewall", 2)])
        self.assertEqual(dict(self.dress.ranks), {"sergeant": "sergeant"})

    def test_words_take_near_roles_of_clothes_or_new_ones(self):
        words = {word.colour.words: word for word in words_used(self.plain, self.resolution, self.dress)}
        self.assertEqual(words["buff"].suggested, "belting")
        self.assertEqual(words["dark blue"].suggested, "")
        for word in words.values():
            self.assertNotIn("rim", [role for role, _ in word.near])
            self.assertTrue(all(off <= word.plainest.radius for role, off in word.near if role == word.suggested))

    def test_its_rules_are_worn_where_no_written_one_ties(self):
        found = self.cell(self.design, "1st-harbour-line", "torso.coat.body.left")
        cell = cell_of_dress(self.design.scheme.dress, found.rule)
        self.assertEqual((cell.garment, cell.colour.words, cell.verdict.status), ("coat", "dark blue", "documented"))
        self.assertEqual(self.cell(self.design, "1st-harbour-line", "leg.left.breeches").role, "smallclothes")

    def test_cells_that_lose_are_told_with_the_rules_that_win(self):
        lost = {one.cell.garment: one for one in lost_cells(self.design, resolve(self.design.army, self.design.scheme))}
        self.assertEqual([rule.id for rule in lost["breeches"].rules], ["r19"])
        self.assertEqual(lost["breeches"].wins, 0)
        self.assertGreater(lost["coat"].wins, 0)

    def test_worn_before_the_written_rules_only_narrower_ones_win(self):
        lost = lost_cells(self.design, resolve(self.design.army, self.design.scheme))
        first = with_cells_first(self.design, tuple(one.cell.key for one in lost))
        self.assertNotEqual(self.cell(first, "1st-harbour-line", "leg.left.breeches").role, "smallclothes")
        left = lost_cells(first, resolve(first.army, first.scheme))
        self.assertEqual({rule.table for one in left for rule in one.rules}, {"company-facings"})
        self.assertEqual(with_cells_first(first, first.scheme.dress.first, first=False), self.design)

    def test_kept_with_a_design_its_almanac_is_not_gone_over_again(self):
        kept = write_design(self.design)
        with patch("mantello_core.formats.almanac_document.check", side_effect=AssertionError):
            self.assertEqual(read_kept_design(kept, {}.get), self.design)

    def test_a_cell_left_with_a_reason_is_no_loss_and_comes_back(self):
        key = "2nd-tidewall//breeches"
        left = with_departure(self.design, key, "They were never issued.")
        self.assertNotIn("breeches", [one.cell.garment for one in lost_cells(left, resolve(left.army, left.scheme))])
        self.assertEqual(with_departure(left, key, " "), self.design)
        with self.assertRaises(Contradiction):
            with_departure(self.design, "2nd-tidewall//crown", "x")

    def test_strict_dress_binds_what_is_below_it(self):
        strict = self.put_on(replace(self.dress, accuracy="strict"))
        facing = self.cell(strict, "2nd-lantern-line", "torso.coat.collar.left")
        self.assertEqual((facing.rule.made_by, facing.rule.binding), ("dress", True))

    def test_taken_off_everything_is_as_it_was_but_for_new_roles(self):
        off = without_dress(self.design)
        self.assertEqual(off.scheme.rules, self.plain.scheme.rules)
        before, after = self.resolution, resolve(off.army, off.scheme)
        self.assertEqual([one.roles_worn for one in after.classes], [one.roles_worn for one in before.classes])

    def test_a_point_within_a_words_reach_is_what_all_grades_are_aimed_at(self):
        middle = target(next(one.colour for one in self.dress.cells if one.colour.words == "dark blue")).lab
        point = middle._replace(lightness=middle.lightness + 4)
        aimed = with_aims(self.dress, {"dark-blue": point})
        (word,) = [one for one in words_used(self.plain, self.resolution, aimed) if one.key == "dark-blue"]
        plain = next(one for one in words_used(self.plain, self.resolution, self.dress) if one.key == "dark-blue")
        for (_, aim), (_, usual) in zip(word.targets, plain.targets, strict=True):
            self.assertAlmostEqual(aim.lab.lightness - usual.lab.lightness, 4)
        self.assertEqual(word.aim, point)
        design = self.put_on(aimed)
        self.assertEqual(read_design_bytes(design_bytes(design)), design)
        self.assertEqual(with_aims(aimed, {"dark-blue": None}), self.dress)
        with self.assertRaisesRegex(OutOfRange, "off 'dark blue', which reaches") as refused:
            with_aims(self.dress, {"dark-blue": middle._replace(lightness=90)})
        self.assertEqual(refused.exception.where, "aim-dark-blue")

    def test_the_tones_of_the_field_follow_the_point(self):
        campaign = Campaign(9, seed=212)
        middle = target(next(one.colour for one in self.dress.cells if one.colour.words == "dark blue")).lab
        dress = with_aims(self.design.scheme.dress, {"dark-blue": middle._replace(lightness=middle.lightness + 4)})
        moved = replace(self.design, scheme=replace(self.design.scheme, dress=dress))
        plain, aimed = (
            {(colour.words, name): aims["rank"].lab for colour, _, name, aims in field_tones(one, campaign)}
            for one in (self.design, moved)
        )
        self.assertAlmostEqual(aimed["dark blue", "faded"].lightness - plain["dark blue", "faded"].lightness, 4)
        self.assertEqual(aimed["grey", "as issued"], plain["grey", "as issued"])

    def test_a_new_role_needs_a_mix(self):
        with self.assertRaisesRegex(Contradiction, "no mix for 'dark blue'"):
            with_dress(self.plain, self.resolution, self.dress, {}, {})
        with self.assertRaises(UnknownName):
            self.put_on(self.dress, **{"dark-blue": "nobody"})

    def test_it_reads_back_identical(self):
        design = with_departure(
            with_cells_first(self.design, ("2nd-tidewall//coat",)), "2nd-tidewall//belts", "White ones."
        )
        self.assertEqual(read_design_bytes(design_bytes(design)), design)

    def test_what_is_not_there_is_refused_at_its_field(self):
        who = self.book.regiments[0]
        for changed, kind, where in (
            ({"year": 0}, OutOfRange, "dress/year"), ({"accuracy": "loose"}, UnknownName, "dress/accuracy"),
            ({"worn": (("nowhere", who),)}, UnknownName, "dress/worn/0"),
        ):  # fmt: skip
            with self.subTest(where=where), self.assertRaises(kind) as refused:
                checked_dress(replace(self.dress, **changed), self.plain.army.nodes, self.plain.scheme.role_by_id)
            self.assertEqual(refused.exception.where, where)


class Checked(Dressed):
    def checks(self, design) -> dict[str, Check]:
        return {one.id: one for one in inspect(design, resolve(design.army, design.scheme))}

    def test_without_a_dress_nothing_is_asked(self):
        self.assertNotIn("dress-losses", self.checks(self.plain))

    def test_open_cells_advise_bind_or_stay_silent_by_accuracy(self):
        for accuracy, verdict in (("strict", "wrong"), ("plausible", "look"), ("free", "clear")):
            with self.subTest(accuracy=accuracy):
                found = self.checks(self.put_on(replace(self.dress, accuracy=accuracy)))
                self.assertEqual(found["dress-sources"].verdict, verdict)

    def test_a_role_far_from_its_word_is_told(self):
        found = self.checks(self.put_on(self.dress, yellow="field"))["dress-words"]
        self.assertIn("off 'yellow'", " ".join(one.what for one in found.findings))

    def test_a_loss_can_be_mended_by_its_fix(self):
        finding = next(one for one in self.checks(self.design)["dress-losses"].findings if "breeches" in one.what)
        mended = finding.fix.change(self.design)
        self.assertNotIn(finding.key, [one.key for one in self.checks(mended)["dress-losses"].findings])


class InField(Dressed):
    campaign = Campaign(months=9, seed=212)

    def fielded(self):
        mixes = {
            (colour.words, metal, name): {"rank": (ROSE,)}
            for colour, metal, name, _ in field_tones(self.design, self.campaign)
        }
        return with_campaign(self.design, self.campaign, mixes)

    def test_every_figure_is_dealt_a_tone(self):
        design = self.fielded()
        ranks = {(unit.id, rank.id): rank.figures for unit in design.army.units for rank in unit.ranks}
        for unit, rank, cell, dealt in tones_worn(design.scheme.dress, design.army):
            told = sorted(ordinal for ordinals in dealt.values() for ordinal in ordinals)
            self.assertEqual(told, list(range(1, ranks[unit, rank.id] + 1)), (unit, rank.id, cell.garment))

    def test_figures_wear_few_tones_and_reinforcements_change_nobody(self):
        design = self.fielded()
        rank = resolve(design.army, design.scheme).of_rank("1st-harbour-line", "fusilier")
        coats = {ordinal: one.cells["torso.coat.body.left"].role for one in rank for ordinal in one.ordinals}
        self.assertGreater(len(set(coats.values())), 1)
        self.assertLessEqual(len(set(coats.values())), 6)
        unit = design.army.nodes["1st-harbour-line"]
        more = tuple(replace(one, figures=20) if one.id == "fusilier" else one for one in unit.ranks)
        document = read_design_bytes(design_bytes(design))
        larger = replace(document, army=_with_ranks(document.army, "1st-harbour-line", more))
        after = resolve(larger.army, larger.scheme).of_rank("1st-harbour-line", "fusilier")
        now = {ordinal: one.cells["torso.coat.body.left"].role for one in after for ordinal in one.ordinals}
        self.assertEqual({ordinal: now[ordinal] for ordinal in coats}, coats)

    def test_greatcoats_and_covers_hide_the_dress_of_all_and_need_no_tones_of_the_coat(self):
        self.campaign = Campaign(months=9, weather=3, seed=212, over=True)
        self.assertEqual({one.garment for one in ordered_over(replace(self.design.scheme.dress, campaign=self.campaign), self.design.army)["2nd-tidewall"]}, {"greatcoat", "hat"})  # fmt: skip
        self.assertNotIn("dark blue", {colour.words for colour, *_ in field_tones(self.design, self.campaign)})
        first = with_cells_first(self.fielded(), ("2nd-tidewall//facing",))
        for design in (
            first,
            with_scheme(first, replace(first.scheme, dress=replace(first.scheme.dress, accuracy="strict"))),
        ):
            for one in resolve(design.army, design.scheme).of_unit("1st-harbour-line"):
                worn = {
                    one.cells[area].role for area in ("torso.coat.body.left", "torso.coat.lapel.left", "arm.left.cuff")
                }
                self.assertEqual({design.scheme.role(role).name for role in worn}, {"Grey greatcoat cloth"})
                cap = {
                    one.cells[area].role
                    for area in ("head.hat.body", "head.hat.plume", "head.hat.plate")
                    if area in one.cells
                }
                self.assertEqual({design.scheme.role(role).name for role in cap}, {"Black cover cloth"})
                shown = one.cells["torso.coat.buttons"].role, one.cells["head.hat.peak"].role
                self.assertFalse(set(shown) & (worn | cap))

    def test_a_figure_is_told_what_no_colour_tells_and_nothing_that_is_hidden(self):
        design = self.fielded()
        told = left_to_knife(design.scheme.dress, design.army, "1st-harbour-line")
        words = [word for said in told.values() for word in said]
        self.assertIn("patched breeches", words)
        self.assertIn("patched coat", words)
        hidden = replace(design.scheme.dress, campaign=replace(self.campaign, weather=3, over=True))
        still = left_to_knife(hidden, design.army, "1st-harbour-line")
        self.assertFalse([one for said in still.values() for one in said if "coat" in one or "plume" in one])
        self.assertEqual(left_to_knife(self.dress, self.plain.army, "1st-harbour-line"), {})

    def test_as_ordered_again_nothing_of_it_is_left(self):
        back = with_campaign(self.fielded(), None, {})
        self.assertIsNone(back.scheme.dress.campaign)
        self.assertEqual(back.scheme.dress.roles, self.design.scheme.dress.roles)

    def test_a_tone_without_a_mix_or_an_army_without_a_dress_is_refused(self):
        for design in (self.design, self.plain):
            with self.assertRaises(MantelloError):
                with_campaign(design, self.campaign, {})


class Mixed(unittest.TestCase):
    def test_owned_paints_do_where_they_come_near_and_few_before_many(self):
        pots = tuple(paints().values())
        aim = target(ColourWord("buff"))
        free = cloth_mix(aim.lab, metal=False, reach=aim.radius, pots=pots, owned=frozenset())
        self.assertLessEqual(free.apart, 0.4 * aim.radius)
        mine = cloth_mix(aim.lab, metal=False, reach=aim.radius, pots=pots, owned=frozenset({"sailcloth"}))
        self.assertEqual([pot.id for pot in mine.mix.paints], ["sailcloth"])

    def test_metal_is_mixed_from_what_glints_and_cloth_from_what_covers(self):
        pots = tuple(paints().values())
        brass = target(ColourWord("yellow"), metal=True)
        self.assertTrue(cloth_mix(brass.lab, metal=True, reach=brass.radius, pots=pots, owned=frozenset()).metallic)
        crimson = target(ColourWord("crimson"))
        found = cloth_mix(crimson.lab, metal=False, reach=crimson.radius, pots=pots, owned=frozenset())
        self.assertFalse(any(pot.transparent for pot in found.mix.paints))

    def test_one_mix_does_for_grades_that_it_is_near(self):
        pots = tuple(paints().values())
        blue, red = (target(ColourWord(name)) for name in (["dark", "blue"][1], "red"))
        same = graded_mixes(
            [("rank", blue.lab), ("leader", blue.lab)], metal=False, reach=blue.radius, pots=pots, owned=frozenset()
        )
        self.assertEqual(list(same), ["rank"])
        apart = graded_mixes(
            [("rank", blue.lab), ("leader", red.lab)], metal=False, reach=blue.radius, pots=pots, owned=frozenset()
        )
        self.assertGreater(difference(apart["rank"].colour, apart["leader"].colour), 20)


def _with_ranks(army, unit: str, ranks):
    def changed(node):
        node = replace(node, children=tuple(map(changed, node.children)))
        return replace(node, ranks=ranks) if node.id == unit else node

    return replace(army, root=changed(army.root))
