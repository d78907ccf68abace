"""Subjects of work: what a step is about, as a type and as records write it."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import UnknownName
from mantello_core.formats.sample import levy
from mantello_core.order.subject import GROUND, Kind, Subject, of_mark, of_pass, of_role, subject_of
from mantello_core.planning.compiling import compiled
from mantello_core.planning.painted_with import painted_with, recipe_step
from mantello_core.scheme.cascade import resolve

IDS = st.from_regex(r"[a-z][a-z0-9.-]{0,20}", fullmatch=True)


class Written(TestCase):
    def test_each_kind_is_written_as_records_have_it_from_the_first_version(self):
        for subject, text in (
            (GROUND, ""),
            (of_role("field"), "field"),
            (of_mark("hat.plate"), "mark:hat.plate"),
            (of_pass("varnish"), "army:varnish"),
        ):
            self.assertEqual(subject.text, text)
            self.assertEqual(subject_of(text), subject)

    @given(st.sampled_from([Kind.ROLE, Kind.MARK, Kind.PASS]), IDS)
    def test_what_is_written_reads_back(self, kind, id_):
        self.assertEqual(subject_of(Subject(kind, id_).text), Subject(kind, id_))

    def test_only_its_own_side_has_an_id(self):
        self.assertEqual([of_mark("a").role, of_mark("a").site, of_mark("a").piece], ["", "a", ""])
        self.assertEqual([of_pass("a").role, of_pass("a").site, of_pass("a").piece], ["", "", "a"])
        self.assertEqual([of_role("a").role, of_role("a").site, of_role("a").piece], ["a", "", ""])

    def test_ground_colours_marks_and_passes_follow_each_other(self):
        subjects = [of_pass("a"), of_mark("a"), GROUND, of_role("z")]
        self.assertEqual(
            sorted(subjects, key=lambda one: one.phase), [GROUND, of_role("z"), of_mark("a"), of_pass("a")]
        )


class PaintedWith(TestCase):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.design = levy()
        cls.resolution = resolve(cls.design.army, cls.design.scheme)
        cls.atoms = compiled(cls.design, cls.resolution).atoms

    def of(self, kind):
        found = [atom for atom in self.atoms if atom.subject.kind == kind]
        self.assertTrue(found)
        return [(atom, painted_with(self.design, self.resolution, atom)) for atom in found]

    def test_a_role_is_painted_with_the_mix_of_its_step(self):
        for atom, told in self.of(Kind.ROLE):
            self.assertEqual((told.step, told.parts), (recipe_step(self.design, atom), told.step.mix.parts))
            self.assertEqual((told.words, told.diluent), (told.step.mix.words, told.step.mix.diluent))

    def test_the_ground_is_its_coat(self):
        for atom, told in self.of(Kind.GROUND):
            self.assertEqual(told.paints, (self.design.scheme.ground.coat(atom.step).paint,))
            self.assertIsNone(told.step)

    def test_marks_and_passes_tell_their_own_step(self):
        self.assertTrue(all(told.mark and not told.step for _, told in self.of(Kind.MARK)))
        passes = self.of(Kind.PASS)
        self.assertTrue(all(told.piece for _, told in passes))
        self.assertTrue(any(told.step and told.paints for _, told in passes))

    def test_a_step_that_is_gone_is_refused_by_name(self):
        atom = next(atom for atom in self.atoms if atom.subject.role)
        with self.assertRaises(UnknownName):
            painted_with(self.design, self.resolution, replace(atom, step="no-such-step"))
