"""Starting points: the brief, colours through a grey card, and schemes computed for an army's formations."""

from dataclasses import replace
from datetime import date
from functools import cache
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.checks.inspect import inspect
from mantello_core.colour.difference import difference
from mantello_core.colour.patch import patch_of
from mantello_core.colour.scene_light import CARD, freed, scene_light
from mantello_core.colour.spaces import Lab, hex_of, lab_of, lab_of_hex, linear_of, xyz_of_linear
from mantello_core.design.brief import GENRES, Brief, checked_brief, days_to_spare, formation_names
from mantello_core.design.design import Design
from mantello_core.design.muster import Entry, empty_army, with_entries
from mantello_core.errors import MantelloError, OutOfRange, UnknownName
from mantello_core.figures.catalogue import plate_types
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.proposals.proposal import army_for_brief, proposals, with_proposal
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.scheme import Scheme
from tests.samples import calvessa, small_design

DULL = st.tuples(*[st.integers(40, 150)] * 3).map(lambda rgb: "#" + "".join(f"{one:02x}" for one in rgb))


def for_brief(**said):
    brief = Brief(**said)
    return army_for_brief("Force", brief, formation_names("", brief.formations)), brief


@cache
def proposed(**said):
    """What is proposed for a brief, worked out once for all tests that look at it."""
    return proposals(*for_brief(**said))


def through_card(picked: str, card: str):
    """A colour that lies beside a grey card in the same picture, freed of its light."""
    patches = [patch_of([[int(code[at : at + 2], 16) / 255 for at in (1, 3, 5)]] * 9) for code in (card, picked)]
    return freed(scene_light([(0.5, 0.5, patches[0])]), 0.55, 0.5, patches[1]).colour


class Card(TestCase):
    def test_under_the_lights_it_was_made_for_nothing_changes(self):
        grey = hex_of(lab_of(xyz_of_linear(linear_of(lab_of_hex("#808080")) * 0 + CARD)))
        for picked in ("#8a2f20", "#204060", "#777777"):
            self.assertLess(difference(through_card(picked, grey), lab_of_hex(picked)), 0.5)

    @given(DULL, st.tuples(*[st.floats(0.55, 1.0)] * 3))
    @settings(max_examples=60, deadline=None)
    def test_a_coloured_light_is_taken_away(self, true, light):
        def lit(colour: str) -> str:
            return hex_of(lab_of(xyz_of_linear(linear_of(lab_of_hex(colour)) * light)))

        grey = hex_of(lab_of(xyz_of_linear(linear_of(lab_of_hex("#808080")) * 0 + CARD)))
        self.assertLess(difference(through_card(lit(true), lit(grey)), lab_of_hex(true)), 2.5)

    def test_what_is_no_card_is_refused(self):
        for card in ("#050505", "#ffffff", "#d02828"):
            with self.assertRaises(OutOfRange):
                through_card("#808080", card)


class Briefs(TestCase):
    def test_what_is_not_allowed_is_refused_at_its_field(self):
        for said, field in (
            ({"genre": "space"}, "genre"),
            ({"height_mm": 3}, "height_mm"),
            ({"metres": 9.0}, "metres"),
            ({"formations": 0}, "formations"),
            ({"accuracy": "so-so"}, "accuracy"),
            ({"deadline": "soon"}, "deadline"),
            ({"dirt": 6}, "dirt"),
            ({"method": "airbrushing"}, "method"),
            ({"height_mm": float("nan")}, "height_mm"),
        ):
            with self.assertRaises(MantelloError) as caught:
                checked_brief(Brief(**said))
            self.assertEqual(caught.exception.where, field)

    def test_formations_are_named_as_written_and_then_numbered(self):
        self.assertEqual(formation_names(" Harbour ,, Gull ", 4), ("Harbour", "Gull", "3rd", "4th"))
        with self.assertRaises(OutOfRange):
            formation_names("A, B, C", 2)

    def test_days_are_counted_to_the_deadline(self):
        brief = Brief(deadline="2027-03-01")
        self.assertEqual(days_to_spare(brief, date(2027, 2, 24)), 5)
        self.assertEqual(days_to_spare(brief, date(2027, 3, 4)), -3)
        self.assertIsNone(days_to_spare(Brief(), date(2027, 3, 4)))

    def test_a_brief_is_kept_in_the_document(self):
        design = replace(small_design(), brief=checked_brief(Brief(genre="marsh", deadline="2027-03-01")))
        self.assertEqual(read_design_bytes(design_bytes(design)), design)
        self.assertIn("by 1 March 2027", design.brief.words)

    def test_look_alikes_are_judged_from_the_distance_and_size_of_the_brief(self):
        design = calvessa()
        near, far = (
            next(check for check in inspect(one, resolve(one.army, one.scheme)) if check.id == "lookalikes")
            for one in (
                replace(design, brief=Brief(metres=0.3)),
                replace(design, brief=Brief(metres=4.0, height_mm=12)),
            )
        )
        self.assertIn("from 0.3 m", near.rule)
        self.assertLess(len(near.findings), len(far.findings))


class Proposals(TestCase):
    def test_three_formations_are_told_apart_by_the_checks_and_nothing_is_left_bare(self):
        for genre in GENRES:
            made = proposed(genre=genre)
            self.assertEqual(len(made), 6)
            for one in made:
                verdicts = {check.id: check.verdict for check in one.checks}
                self.assertEqual(verdicts["unmapped"], "clear", (genre, one.title))
                self.assertNotIn("wrong", verdicts.values(), (genre, one.title))
        for genre in ("drill", "marsh", "guard"):
            for one in proposed(genre=genre):
                self.assertEqual({c.id: c.verdict for c in one.checks}["lookalikes"], "clear", (genre, one.title))

    def test_what_is_shown_is_what_an_inspection_of_the_design_finds(self):
        one = proposed()[0]
        again = inspect(one.design, resolve(one.design.army, one.design.scheme))
        self.assertEqual([c.verdict for c in again], [c.verdict for c in one.checks])

    def test_the_same_question_has_the_same_answer(self):
        army, brief = for_brief(formations=2)
        self.assertEqual([p.design for p in proposals(army, brief)], [p.design for p in proposals(army, brief)])

    def test_proposals_differ_in_their_field(self):
        made = proposed()
        self.assertEqual(len(made), 6)
        fields = [one.design.scheme.role("field").paint_name for one in made]
        self.assertEqual(len(set(fields)), 6)
        self.assertGreaterEqual(len({one.school for one in made}), 4)

    def test_every_shipped_figure_type_is_dressed(self):
        entries = [Entry(type_id, type_id, "Figure", 1) for type_id in plate_types()]
        army = with_entries(Design(empty_army("All"), Scheme("x")), entries).army
        for genre in GENRES:
            one = proposals(army, Brief(genre=genre), count=1)[0]
            self.assertEqual(resolve(army, one.design.scheme).gaps, [])

    def test_a_picked_colour_leads_the_field_and_others_a_mark_each(self):
        blue, red = lab_of_hex("#1e3d82"), lab_of_hex("#a02828")
        made = proposals(*for_brief(), seeds=(blue, red), count=2)
        self.assertEqual(len(made), 2)
        for one in made:
            field = one.design.scheme.role("field").recipe().steps[0].mix.paints[0].swatch
            self.assertLess(difference(field, blue), 30)
            marks = [
                role.recipe().steps[0].mix.paints[0] for role in one.design.scheme.roles if role.id.endswith("-mark")
            ]
            self.assertEqual(sum(pot.swatch.a > 30 and pot.swatch.b > 0 for pot in marks) >= 1, True)

    def test_strict_sources_keep_to_tame_dyes_and_dirt_to_darker_cloth(self):
        strict = proposed(accuracy="strict")
        self.assertGreaterEqual(len(strict), 4)
        for one in strict:
            self.assertLessEqual(one.design.scheme.role("field").recipe().steps[0].mix.paints[0].swatch.chroma, 48)
        clean, muddy = (
            proposed(dirt=dirt)[0].design.scheme.role("cloth").recipe().steps[0].mix.film.masstone for dirt in (0, 5)
        )
        self.assertGreater(clean.lightness, muddy.lightness)

    def test_the_method_decides_the_steps(self):
        kinds = {
            method: [step.kind for step in proposed(method=method)[0].design.scheme.role("field").recipe().steps]
            for method in ("speed", "classic", "stipple")
        }
        self.assertNotIn("layer", kinds["speed"])
        self.assertIn("layer", kinds["classic"])
        self.assertIn("drybrush", kinds["stipple"])

    def test_houses_differ_in_two_large_colours(self):
        one = proposed(genre="houses", formations=2)[0]
        self.assertEqual([column.id for column in one.design.scheme.tables[0].columns], ["first", "second"])
        self.assertEqual(len(one.design.scheme.tables[0].cells), 4)

    def test_an_army_without_formations_gets_no_table(self):
        army = with_entries(Design(empty_army("One"), Scheme("x")), [Entry("Line", "fusilier", "Fusilier", 3)]).army
        self.assertEqual(proposals(army, Brief(), count=1)[0].design.scheme.tables, ())

    def test_taking_one_keeps_army_and_evenings(self):
        design = calvessa()
        one = proposals(design.army, Brief(), count=1)[0]
        after = with_proposal(design, one)
        self.assertEqual((after.army, after.evenings), (design.army, design.evenings))
        self.assertEqual(after.brief, Brief())
        self.assertEqual(read_design_bytes(design_bytes(after)), after)

    def test_too_much_and_too_little_is_refused(self):
        army, brief = for_brief()
        for arguments, where in (
            ((army, brief, (), 7), "count"),
            ((army, brief, tuple(Lab(50, 0, at) for at in range(9))), "seeds"),
            ((empty_army("None"), brief), "army"),
        ):
            with self.assertRaises(OutOfRange) as caught:
                proposals(*arguments)
            self.assertEqual(caught.exception.where, where)
        with self.assertRaises(UnknownName):
            proposals(army, Brief(genre="space"))
