"""A unit cast from few pots: garments found, pins and figures kept, new ones dealt to, words, documents."""

import unittest
from dataclasses import replace

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.design.cast_words import counts_of, fault_words, openings_of, pots_worn, with_option
from mantello_core.design.casting import figures_of, told, usual_cast, with_cast, without_cast
from mantello_core.errors import Contradiction, MantelloError, OutOfRange, UnknownName
from mantello_core.formats.document.design import design_bytes, read_design, read_design_bytes, write_design
from mantello_core.formats.sample import levy
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.unit_cast import CastGarment, UnitCast

UNIT = "reed-cutters"


def larger(design, figures: int):
    """The design with so many reed-cutters."""
    document = write_design(design)

    def walk(node):
        if node["id"] == UNIT:
            node["ranks"][0]["figures"] = figures
        for child in node.get("children", ()):
            walk(child)

    walk(document["army"]["root"])
    return read_design(document)


class Cast(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.plain = levy()
        cls.usual = usual_cast(cls.plain, resolve(cls.plain.army, cls.plain.scheme), UNIT)
        cls.design = with_cast(cls.plain, cls.usual, steps=300)
        cls.cast = cls.design.scheme.casts[0]

    def test_garments_are_those_of_the_figures_in_roles_of_their_folk(self):
        self.assertEqual(
            {one.name for one in self.usual.garments}, {"Jerkin", "Tunic", "Hat", "Wrap", "Breeches", "Shoe"}
        )
        tunic = next(one for one in self.usual.garments if one.name == "Tunic")
        self.assertIn("arm.*.sleeve", tunic.select)
        self.assertNotIn("trim", [option.role for one in self.usual.garments for option in one.options])

    def test_every_figure_wears_what_was_drawn(self):
        resolution = resolve(self.design.army, self.design.scheme)
        at = [one.name for one in self.cast.garments].index("Breeches")
        for one in resolution.of_unit(UNIT):
            for ordinal in one.ordinals:
                option = self.cast.garments[at].option(self.cast.worn_by("reed-cutter", ordinal)[at])
                self.assertEqual(one.cells["leg.left.breeches"].role, option.role)

    def test_rules_do_not_grow_with_the_figures(self):
        many = larger(self.plain, 200)
        cast = with_cast(many, self.usual, steps=1).scheme.casts[0]
        self.assertLessEqual(len(cast.rules(many.army)), sum(len(one.options) for one in cast.garments))

    def test_no_neighbours_repeat_and_no_two_are_alike(self):
        found = told(self.design, self.cast)
        self.assertEqual([one for one in found.cast.faults if one.kind in ("repeat", "twin")], [])
        self.assertEqual(found.figures, figures_of(self.design, self.cast))

    @settings(max_examples=8, deadline=None)
    @given(st.integers(1, 20), st.integers(0, 5), st.integers(0, 5), st.integers(0, 999))
    def test_what_is_pinned_is_worn(self, ordinal, garment, option, seed):
        one = self.usual.garments[garment]
        pin = ("reed-cutter", ordinal, one.id, one.options[option % len(one.options)].id)
        made = with_cast(self.plain, replace(self.usual, pins=(pin,), seed=seed), steps=20).scheme.casts[0]
        self.assertEqual(made.worn_by("reed-cutter", ordinal)[garment], pin[3])

    def test_figures_kept_and_those_there_before_change_nothing(self):
        kept = [("reed-cutter", ordinal) for ordinal in range(1, 21)]
        grown = larger(self.design, 30)
        before = grown.scheme.casts[0]
        self.assertIsNone(told(grown, before))
        after = with_cast(grown, replace(before, seed=7), kept, steps=300).scheme.casts[0]
        self.assertEqual([after.worn_by(*one) for one in kept], [before.worn_by(*one) for one in kept])
        self.assertTrue(after.worn_by("reed-cutter", 30))

    def test_counts_pots_and_openings_are_told(self):
        found = told(self.design, self.cast)
        self.assertEqual(sum(came for (garment, _), (_, came) in counts_of(found).items() if garment == "breeches"), 20)
        pots = pots_worn(self.cast, found)
        self.assertGreaterEqual(pots[0].figures, pots[-1].figures)
        self.assertTrue(all(pot.figures >= self.cast.least for pot in pots))
        by_pot, by_figure = openings_of(found)
        self.assertLess(by_pot, by_figure)

    def test_faults_are_told_as_sentences(self):
        one = self.usual.garments[0]
        same = replace(self.usual, garments=(replace(one, options=one.options[:2]),))
        made = with_cast(self.plain, same, steps=50)
        found = told(made, made.scheme.casts[0])
        said = {fault.kind: fault_words(made, made.scheme.casts[0], found, fault) for fault in found.cast.faults}
        self.assertIn("are dressed alike", said["twin"])

    def test_a_striped_cloth_is_made_once(self):
        garment = self.usual.garments[1].id
        design, cast = with_option(self.plain, self.usual, garment, "canvas", "rust")
        self.assertEqual(design.scheme.patterns[-1].family, "stripes")
        again, _ = with_option(design, self.usual, garment, "canvas", "rust")
        self.assertEqual(len(again.scheme.patterns), len(design.scheme.patterns))
        dealt = with_cast(design, cast, steps=100)
        worn = [one for one in resolve(dealt.army, dealt.scheme).of_unit(UNIT) if one.patterns]
        self.assertTrue(worn)
        for second, kind in (("canvas", Contradiction), ("nobody", UnknownName)):
            with self.assertRaises(kind):
                with_option(self.plain, self.usual, garment, "canvas", second)

    def test_it_reads_back_identical_and_goes_without_a_trace(self):
        self.assertEqual(read_design_bytes(design_bytes(self.design)), self.design)
        self.assertEqual(without_cast(self.design, UNIT), self.plain)

    def test_what_cannot_be_cast_is_refused(self):
        garment = self.usual.garments[0]
        for cast, kind in (
            (UnitCast(UNIT, ()), OutOfRange), (UnitCast("nobody", self.usual.garments), UnknownName),
            (replace(self.usual, garments=(CastGarment("x", "Crown", ("head.crown",), garment.options),)), MantelloError),
        ):  # fmt: skip
            with self.assertRaises(kind):
                with_cast(self.plain, cast)
        with self.assertRaises(OutOfRange):
            usual_cast(self.plain, resolve(self.plain.army, self.plain.scheme), "stilt-walkers")
