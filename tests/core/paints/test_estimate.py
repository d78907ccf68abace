"""Paints estimated from readings, the painter's own paints, and paints taken for each other."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.colour.film import over
from mantello_core.colour.reflectance import to_air, xyz_of
from mantello_core.colour.spaces import Lab, lab_of, lab_of_hex
from mantello_core.errors import OutOfRange, UnknownName, Unreadable
from mantello_core.formats.document.own_paints import read_own_paint, write_own_paint
from mantello_core.paints.alike import alike
from mantello_core.paints.catalogue import SHIPPED, Catalogue
from mantello_core.paints.estimate import CLASS_CONTRAST, CardReading, estimated
from mantello_core.paints.own import SOLIDS, OwnPaint, by_swatch, colour_said, own_paint
from mantello_core.paints.paint import BLACK_CARD, PAINT_KINDS, WHITE_CARD, Film, mixed
from mantello_core.paints.range import paint, paints, ranges
from mantello_core.recipes.hazard import cautions, cautions_for
from mantello_core.recipes.step import Mix, Recipe, Step, checked

WHITE = paint("gull-white").film
TRIED = [pot for pot in paints().values() if pot.kind == "acrylic"][::5]
LABS = st.builds(Lab, st.floats(5, 95), st.floats(-60, 60), st.floats(-60, 60))


def over_card(film: Film, card) -> Lab:
    return lab_of(xyz_of(to_air(over(film.absorption, film.scattering, 12.0, card))))


def known_by(film: Film, *kinds: str) -> list[CardReading]:
    colours = {
        "opaque": film.masstone,
        "tint": mixed([(film, 1), (WHITE, 1)]).masstone,
        "black": over_card(film, BLACK_CARD),
        "white": over_card(film, WHITE_CARD),
    }
    return [
        CardReading("contrast", contrast=CLASS_CONTRAST[film.opacity])
        if kind == "contrast"
        else CardReading(kind, colours[kind])
        for kind in kinds
    ]


def off(*kinds: str) -> list[float]:
    """How far one to three with white is off, for paints known by such readings, in order."""
    found = []
    for pot in TRIED:
        film = Film(*estimated(known_by(pot.film, *kinds), WHITE), 0.36)
        told, true = (mixed([(one, 1), (WHITE, 3)]).masstone for one in (film, pot.film))
        found.append(difference(told, true))
    return sorted(found)


class Estimates(TestCase):
    def test_the_swatch_itself_comes_back(self):
        for pot in TRIED:
            film = Film(*estimated(known_by(pot.film, "opaque", "contrast"), WHITE), 0.36)
            self.assertLess(difference(film.masstone, pot.film.masstone), 0.3, pot.name)

    def test_the_more_is_read_the_truer_mixes_come_out(self):
        swatch, classed, cards, tinted = (
            off(*kinds)
            for kinds in (("opaque",), ("opaque", "contrast"), ("black", "white"), ("opaque", "contrast", "tint"))
        )
        middle = len(TRIED) // 2
        self.assertLess(tinted[middle], 0.5)
        self.assertLess(tinted[-1], 2)
        self.assertLess(tinted[middle], cards[middle])
        self.assertLess(cards[middle], classed[middle])
        self.assertLessEqual(classed[middle], swatch[middle])

    @settings(max_examples=25, deadline=None)
    @given(LABS, st.sampled_from(sorted(CLASS_CONTRAST)))
    def test_any_swatch_gives_a_paint_that_absorbs_and_scatters(self, colour, opacity):
        pot = own_paint(by_swatch("Any", "acrylic", colour, opacity))
        self.assertTrue((pot.film.absorption > 0).all() and (pot.film.scattering > 0).all())
        self.assertTrue(0 < pot.film.contrast <= 1)

    def test_nothing_read_and_nonsense_are_refused(self):
        with self.assertRaises(OutOfRange):
            estimated([CardReading("contrast", contrast=0.5)], WHITE)
        with self.assertRaises(OutOfRange):
            estimated([CardReading("opaque", Lab(50, 0, 0)), CardReading("contrast", contrast=1.5)], WHITE)


class OwnPaints(TestCase):
    SAID = by_swatch("Market rose", "acrylic", lab_of_hex("#c04a6a"), "opaque", finish="satin", volume=20.0)

    def test_it_is_found_by_an_id_that_is_made_from_all_that_is_said(self):
        pot = own_paint(self.SAID)
        self.assertEqual(own_paint(self.SAID), pot)
        self.assertEqual(Catalogue((pot,)).paint(pot.id), pot)
        with self.assertRaises(UnknownName):
            paint(pot.id)
        with self.assertRaises(UnknownName):
            SHIPPED.paint(pot.id)
        self.assertNotEqual(replace(self.SAID, name="Market rose 2").id, pot.id)
        self.assertNotIn(pot.id, paints())
        self.assertEqual((pot.finish, pot.volume, pot.film.solids), ("satin", 20.0, SOLIDS["acrylic"]))

    def test_it_mixes_like_any_other(self):
        pot = own_paint(self.SAID)
        step = checked(Step("a", "base", Mix(((pot, 1.0), (paint("gull-white"), 1.0)))))
        self.assertGreater(step.mix.film.masstone.lightness, pot.film.masstone.lightness)
        self.assertTrue(Recipe((step,)).steps)

    def test_what_is_written_reads_back_to_the_same_paint(self):
        for said in (
            self.SAID,
            OwnPaint("Ink", "ink", (CardReading("white", Lab(60, 20, 40)), CardReading("black", Lab(20, 3, 4)))),
        ):
            self.assertEqual(read_own_paint(write_own_paint(said)), own_paint(said))

    def test_the_expected_error_falls_with_what_was_read(self):
        swatch = self.SAID.error
        cards = OwnPaint("a", "ink", (CardReading("black", Lab(9, 0, 0)), CardReading("white", Lab(50, 9, 9)))).error
        tint = OwnPaint("a", "acrylic", (CardReading("opaque", Lab(9, 0, 0)), CardReading("tint", Lab(50, 9, 9)))).error
        self.assertGreater(swatch, cards)
        self.assertGreater(cards, tint)

    def test_what_cannot_be_is_refused_at_its_place(self):
        swatch = (CardReading("opaque", Lab(50, 0, 0)),)
        for said, kind, where in (
            (OwnPaint(" ", "acrylic", swatch), OutOfRange, "name"),
            (OwnPaint("n" * 81, "acrylic", swatch), OutOfRange, "name"),
            (OwnPaint("n", "medium", swatch), UnknownName, "kind"),
            (OwnPaint("n", "metallic", (CardReading("contrast", None, 0.9),)), OutOfRange, "readings"),
            (OwnPaint("n", "acrylic", swatch, finish="wet"), UnknownName, "finish"),
            (OwnPaint("n", "acrylic", swatch, volume=0), OutOfRange, "volume"),
            (OwnPaint("n", "acrylic", (CardReading("smell", Lab(50, 0, 0)),)), UnknownName, "readings"),
            (OwnPaint("n", "acrylic", (CardReading("opaque", Lab(150, 0, 0)),)), OutOfRange, "readings"),
            (OwnPaint("n", "acrylic", ()), OutOfRange, "readings"),
        ):
            with self.assertRaises(kind) as refused:
                own_paint(said)
            self.assertEqual(refused.exception.where, where)
        with self.assertRaises(UnknownName):
            by_swatch("n", "acrylic", Lab(50, 0, 0), "thick")

    def test_a_file_that_lies_about_the_id_or_lacks_something_is_refused(self):
        good = write_own_paint(self.SAID)
        for bad in (
            good | {"id": "own-1"},
            {"name": "x"},
            [],
            good | {"readings": [{"kind": "opaque", "lab": [1]}]},
            None,
            good | {"volume": "much"},
        ):
            with self.assertRaises(Unreadable):
                read_own_paint(bad, "/own/0")

    def test_colours_are_read_as_they_are_written(self):
        self.assertEqual(colour_said("52.3 44 -3.9"), Lab(52.3, 44, -3.9))
        self.assertEqual(colour_said("52.3,44,-3.9"), Lab(52.3, 44, -3.9))
        self.assertEqual(colour_said(" #c04a6a "), lab_of_hex("#c04a6a"))
        for text in ("purple", "1 2", "1 2 3 4", "nan 1 1", "", "#12"):
            with self.assertRaises(Unreadable):
                colour_said(text)
        with self.assertRaises(OutOfRange):
            colour_said("120 0 0")


class Ranges(TestCase):
    def test_there_are_about_180_paints_of_every_kind_in_four_ranges(self):
        self.assertEqual(len(ranges()), 4)
        self.assertTrue(175 <= len(paints()) <= 205, len(paints()))
        self.assertEqual({pot.kind for pot in paints().values()}, set(PAINT_KINDS))
        self.assertEqual(len({pot.name for pot in paints().values()}), len(paints()))

    def test_sprayed_paints_and_solvents_carry_their_hazards(self):
        for pot in paints().values():
            if pot.sprayed:
                self.assertTrue(pot.hazards, pot.name)
            if pot.kind in ("enamel", "oil"):
                self.assertIn("H-07", pot.hazards, pot.name)
            if pot.kind == "powder":
                self.assertIn("H-21", pot.hazards, pot.name)

    def test_every_hazard_has_its_caution(self):
        for pot in paints().values():
            self.assertTrue(all(hazard in cautions() for hazard in pot.hazards), pot.name)
            if pot.hazards:
                self.assertTrue(cautions_for("base", (pot,)))

    def test_every_aerosol_twin_has_a_pot_and_is_a_little_off(self):
        twins = [pot for pot in paints().values() if pot.twin]
        self.assertGreater(len(twins), 3)
        for can in twins:
            apart = difference(can.film.masstone, paint(can.twin).film.masstone)
            self.assertTrue(0.3 < apart < 8, (can.name, apart))

    def test_transparent_kinds_hide_less_than_opaque_ones(self):
        contrast = {kind: [pot.film.contrast for pot in paints().values() if pot.kind == kind] for kind in PAINT_KINDS}
        self.assertLess(max(contrast["ink"]), 0.85)
        self.assertLess(
            sum(contrast["stain"]) / len(contrast["stain"]), sum(contrast["acrylic"]) / len(contrast["acrylic"])
        )

    def test_a_thin_paint_wants_no_water_and_a_heavy_one_does(self):
        self.assertEqual(paint("tern-soot").thinned, 0)
        self.assertGreater(paint("brine-green").thinned, paint("gannet-grey").thinned)


class LookAlikes(TestCase):
    def test_labels_that_read_alike_are_told_with_how_far_apart_they_are(self):
        for one, other in (
            ("roof-slate", "roof-slade"),
            ("reed-bank", "reed-bend"),
            ("brick-kiln", "brick-kilm"),
            ("tar-wash", "tarn-wash"),
        ):
            found = {told.paint.id: told for told in alike(paint(one), paints().values())}
            self.assertIn(other, found)
            self.assertAlmostEqual(found[other].apart, difference(paint(one).swatch, paint(other).swatch))
            self.assertIn(one, {told.paint.id for told in alike(paint(other), paints().values())})

    def test_another_finish_is_told(self):
        found = {told.paint.id: told for told in alike(paint("brush-varnish-matt"), paints().values())}
        self.assertTrue(found["brush-varnish-satin"].other_finish)

    def test_unlike_paints_are_not(self):
        found = {told.paint.id for told in alike(paint("gull-white"), paints().values())}
        self.assertNotIn("brine-green", found)
        self.assertNotIn("gull-white", found)
