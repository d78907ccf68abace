"""Blazon: what it reads, how it writes it back, what it says when it cannot; drawing and the rule of tincture."""

import json
from dataclasses import replace
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.spaces import lab_of_hex
from mantello_core.errors import MantelloError, OutOfRange, UnknownName, Unreadable
from mantello_core.formats.arms_svg import PLAIN_COLOURS, arms_svg
from mantello_core.formats.command import BAD_INPUT, GOOD, answer
from mantello_core.insignia.arms.appearance import contrasts
from mantello_core.insignia.arms.arms_drawing import drawn_arms
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.charge import CHARGES, charge_shape
from mantello_core.insignia.arms.coat import (
    Charged,
    Coat,
    Detail,
    Divided,
    Group,
    Impaled,
    Ordinary,
    Plain,
    Quartered,
    Strewn,
    Varied,
)
from mantello_core.insignia.arms.reading_group import BY_NATURE
from mantello_core.insignia.arms.shape import SHAPES, shape_polygon
from mantello_core.insignia.arms.tincture import COUNTERCHANGED, TINCTURES
from mantello_core.insignia.arms.tincture_rule import breaches, keeps_rule
from mantello_core.insignia.arms.vocabulary import ARRANGEMENTS, DETAILS, DIVISIONS, LINES, ORDINARIES, VARIED
from mantello_core.insignia.arms.words import MOST_SIGNS, phrases
from mantello_core.insignia.arms.writing import write_blazon

from .seen import seen

TINCTURE = st.sampled_from(sorted(TINCTURES))
ANY_TINCTURE = TINCTURE | st.just(COUNTERCHANGED)
LINE = st.sampled_from(("", *LINES))


PATTERNS = st.builds(
    Varied, st.sampled_from(sorted(VARIED)), st.tuples(TINCTURE, TINCTURE), LINE, st.sampled_from((0, 6, 8))
)

#: words of two details
TOGETHER = frozenset(f"{one} {other}" for one in DETAILS for other in DETAILS) & frozenset(phrases())

#: charges that stand on a field; a small shield there is an ordinary
ON_FIELDS = sorted(set(CHARGES) - {"escutcheon"})


@st.composite
def groups(draw, most=12):
    charge = CHARGES[draw(st.sampled_from(ON_FIELDS))]
    attitude = draw(st.sampled_from(charge.attitudes)) if charge.attitudes else ""
    # what a charge is by nature is not said of it
    words = sorted(set(DETAILS) - {word for id_, word in BY_NATURE if id_ == charge.id})
    # two that make one word together, as 'conjoined in lure', are that word
    pairs = st.lists(st.sampled_from(words), max_size=2, unique=True).filter(
        lambda said: " ".join(said) not in TOGETHER
    )
    bare = tuple(draw(pairs))
    coloured = draw(st.lists(st.builds(Detail, st.tuples(st.sampled_from(words)), TINCTURE), max_size=1))
    pattern = draw(st.none() | PATTERNS)
    return Group(
        draw(st.integers(1, most)), charge.id, pattern.tinctures[0] if pattern else draw(ANY_TINCTURE), attitude,
        (*([Detail(bare)] if bare else []), *coloured), draw(st.sampled_from(("", *(one for one in ARRANGEMENTS if one != "in saltire")))),
        draw(st.booleans()), draw(st.sampled_from((0, 3, 6, 9))) if charge.counted else 0, pattern,
    )  # fmt: skip


@st.composite
def ordinaries(draw):
    if draw(st.integers(0, 6)) == 0:
        bears = tuple(draw(st.lists(groups(3), max_size=1)))
        return Ordinary("label", draw(TINCTURE), 1, "", bears, (), draw(st.integers(3, 7)))
    kind = draw(st.sampled_from(sorted(ORDINARIES)))
    count = draw(st.integers(1, 6)) if ORDINARIES[kind] and kind != "flaunch" else 1
    bears = tuple(draw(st.lists(groups(), max_size=1)))
    between = tuple(draw(st.lists(groups(), max_size=2)))
    if bears and kind in ("bordure", "orle", "tressure", "double tressure"):
        between = ()
    return Ordinary(kind, draw(ANY_TINCTURE), count, draw(LINE), bears, between, 0, draw(st.booleans()))


FIELDS = st.one_of(
    st.builds(Plain, TINCTURE),
    st.builds(
        Divided,
        st.sampled_from([one.replace(" ", "-") for one in DIVISIONS]),
        st.tuples(TINCTURE, TINCTURE),
        LINE,
    ),
    st.builds(
        Divided, st.just("gyronny"), st.tuples(TINCTURE, TINCTURE), st.just(""), st.sampled_from((6, 8, 10, 12, 16))
    ),
    st.builds(
        Divided, st.sampled_from(("tierced-pale", "tierced-fess")), st.tuples(TINCTURE, TINCTURE, TINCTURE), LINE
    ),
    st.builds(
        Varied,
        st.sampled_from(sorted(VARIED)),
        st.tuples(TINCTURE, TINCTURE),
        LINE,
        st.sampled_from((0, 4, 6, 8, 12, 16)),
    ),
    st.builds(Strewn, TINCTURE, st.sampled_from(["fret", *ON_FIELDS]), TINCTURE),
)


def on_plain(one):
    """An element as a plain field takes it: with nothing to counterchange."""
    if isinstance(one, Charged):
        return replace(one, group=on_plain(one.group))
    if isinstance(one, Ordinary):
        one = replace(one, bears=tuple(map(on_plain, one.bears)), between=tuple(map(on_plain, one.between)))
    return replace(one, tincture="or") if one.tincture == COUNTERCHANGED else one


def coat_of(field, elements):
    return Coat(field, tuple(map(on_plain, elements) if isinstance(field, Plain) else elements))


COATS = st.builds(coat_of, FIELDS, st.lists(ordinaries() | st.builds(Charged, groups(), st.booleans()), max_size=3))
ARMS = st.one_of(
    COATS,
    st.builds(Impaled, COATS, COATS),
    st.tuples(COATS, COATS, st.none() | COATS).map(lambda one: Quartered((((1, 4), one[0]), ((2, 3), one[1])), one[2])),
    st.tuples(COATS, COATS, COATS).map(lambda one: Quartered((((1, 5), one[0]), ((2, 4), one[1]), ((3, 6), one[2])))),
)
SIMPLE = (
    "Azure, a fess or", "Per pale wavy or and vert, a lion passant counterchanged", "Argent, on a bend gules, three roses or",
    "Quarterly, 1 and 4, azure, a sun or; 2 and 3, gules, a tower argent; en surtout, or, a lily azure",
    "Azure, a bend or, impaling gules, three roses argent", "Sable semy of lilies or", "Argent fretty gules, a canton azure",
    "Gyronny of eight or and sable", "Ermine, a chevron engrailed gules between three crabs sable, a label of five points azure",
    "Vair, a pall or", "Or, a bordure embattled sable", "Checky or and gules, a pile azure", "Pily or and gules", "Or, two flaunches gules".replace("two flaunches", "a flaunch"),
)  # fmt: skip


class Reading(TestCase):
    def test_what_would_be_one_phrase_with_the_charge_is_written_behind_a_comma(self):
        for group, said in (
            (Group(1, "hare", "or", details=(Detail(("heads downwards",)),)), "a hare, heads downwards or"),
            (Group(1, "castle", "or", parts=3), "a castle, of three towers or"),
        ):
            arms = Coat(Plain("gules"), (Charged(group, overall=False),))
            self.assertEqual(write_blazon(arms), f"Gules, {said}")
            self.assertEqual(read_blazon(write_blazon(arms)).elements[0].group.details, group.details)
            self.assertEqual(read_blazon(write_blazon(arms)).elements[0].group.parts, group.parts)

    def test_what_stands_beside_a_branch_is_no_fruit_of_it(self):
        for branch in ("tree", "branch", "oak leaf", "wreath"):
            (bar,) = read_blazon(f"Argent, a bar gules between a {branch} vert and an acorn or").elements
            self.assertEqual([(one.charge, one.tincture) for one in bar.between], [(branch, "vert"), ("acorn", "or")])
        (sprig,) = read_blazon("Argent, a branch of three acorns vert").elements
        self.assertEqual([detail.what for detail in sprig.group.details], [("of three acorns",)])

    @settings(max_examples=120, deadline=None)
    @given(ARMS)
    def test_what_is_written_reads_back_to_the_same_tree(self, arms):
        text = write_blazon(arms)
        if len(text) > MOST_SIGNS:
            self.assertRaises(Unreadable, read_blazon, text)
            return
        self.assertEqual(read_blazon(text), arms, text)
        self.assertEqual(write_blazon(read_blazon(text)), text)

    def test_spelling_capitals_and_commas_may_vary(self):
        wanted = read_blazon("Gules, a fess wavy or between three lanterns argent")
        for text in (
            "GULES A FESS WAVY OR BETWEEN THREE LANTERNS ARGENT", "Red, a wavy fess gold, between 3 lanterns silver.",
            "gueules, a fess undy or between three lanterns argent", "Gules a fess wavy or, between three lanterns white",
        ):  # fmt: skip
            self.assertEqual(read_blazon(text), wanted, text)

    def test_of_the_first_and_of_the_field_look_back(self):
        coat = read_blazon("Vert, a chevron or charged with a star of the first, a chief of the second")
        self.assertEqual([one.tincture for one in coat.elements], ["or", "or"])
        self.assertEqual(coat.elements[0].bears[0].tincture, "vert")
        self.assertEqual(read_blazon("Azure, on a fess or, a fish of the field").elements[0].bears[0].tincture, "azure")

    def test_errors_tell_the_place_what_was_expected_and_the_nearest_word(self):
        for text, where, said in (
            ("blurple, a fess or", "sign 1", "purple"),
            ("Azure, a fess", "sign 14", "a tincture"),
            ("Azure, a fess btween", "sign 15", "between"),
            ("Azure, or", "sign 8", "a number"),
            ("on a fess or", "sign 1", "a tincture"),
            ("Per crab or and azure", "sign 5", "an ordinary"),
            ("Per chief or and azure", "sign 5", "parted per"),
            ("", "sign 1", "begin with the field"),
            ("Azure, a fess or of the", "sign 18", "a number"),
            ("Azure, a bend or impaling", "sign 26", "a tincture"),
        ):
            with self.assertRaises(Unreadable) as refused:
                read_blazon(text)
            self.assertEqual(refused.exception.where, where, text)
            self.assertIn(said, refused.exception.message, text)

    def test_numbers_that_cannot_be_drawn_are_refused(self):
        for text in (
            "Azure, two fess or", "Azure, 21 stars or", "Barry of seven or and azure", "Barry of 40 or and azure", "Gyronny of 7 or and azure",
            "Azure, a label of 9 points or", "Azure, seven bars or", "Quarterly, 1 and 4, azure; 2, gules", "Quarterly, 1, azure; 1 and 2 and 3 and 4, gules",
        ):  # fmt: skip
            with self.assertRaises(OutOfRange, msg=text):
                read_blazon(text)

    def test_what_contradicts_itself_is_refused(self):
        for text in (
            "Azure, a fish rampant or",
            "Azure, three stars in pale or in fess",
            "Azure of the third, a fess or",
            "of the field",
        ):
            with self.assertRaises(Unreadable, msg=text):
                read_blazon(text)

    @settings(max_examples=120, deadline=None)
    @given(
        st.text(max_size=60)
        | st.lists(
            st.sampled_from(
                [
                    "a",
                    "three",
                    "azure",
                    "or",
                    "fess",
                    "on",
                    "between",
                    "stars",
                    ",",
                    ";",
                    "and",
                    "of",
                    "the",
                    "first",
                    "quarterly",
                    "1",
                    "2",
                    "per",
                    "pale",
                    "charged",
                    "with",
                    "overall",
                    "wavy",
                    "lion",
                    "rampant",
                    "in",
                    "label",
                    "impaling",
                ]
            ),
            max_size=14,
        ).map(" ".join)
    )
    def test_nothing_crashes_and_nothing_passes_silently(self, text):
        try:
            arms = read_blazon(text)
        except MantelloError as error:
            self.assertTrue(error.message)
            self.assertTrue(error.where)
        else:
            self.assertEqual(read_blazon(write_blazon(arms)), arms)

    def test_too_much_is_refused(self):
        with self.assertRaises(Unreadable):
            read_blazon("azure " * 400)


class Rule(TestCase):
    def test_metal_on_colour_keeps_it_and_metal_on_metal_does_not(self):
        for text, keeps in (
            ("Azure, a fess or", True), ("Azure, a fess gules", False), ("Or, a fess argent", False), ("Ermine, a fess gules", True),
            ("Gules, a lion proper", True), ("Per pale or and gules, a star counterchanged", True), ("Per pale or and gules, a star azure", True),
            ("Per pale azure and gules, a star sable", False), ("Azure, on a fess or, three stars argent", False),
            ("Azure, a fess or between three stars gules", False), ("Azure, a chief gules", True), ("Azure, a bordure sable", True),
            ("Or, a label of three points argent", True), ("Azure, a fess or, overall a bend gules", True), ("Sable semy of stars azure", False),
            ("Barry of six azure and gules", True), ("Azure, a fess or, impaling or, a fess argent", False),
            ("Quarterly, 1 and 4, azure, a sun gules; 2 and 3, or", False), ("Tenny, a fess gules", False),
        ):  # fmt: skip
            self.assertEqual(keeps_rule(read_blazon(text)), keeps, text)

    def test_what_passes_by_custom_is_told_with_its_reason(self):
        (one,) = breaches(read_blazon("Azure, a chief gules"))
        self.assertIn("beside the field", one.words)
        (one,) = breaches(read_blazon("Azure, a fess gules"))
        self.assertEqual((one.kind, one.excused), ("colour", ""))


class Drawn(TestCase):
    def test_all_charges_have_a_shape_in_each_attitude(self):
        self.assertGreaterEqual(len(CHARGES), 250)
        for one in CHARGES.values():
            for attitude in one.attitudes or ("",):
                shape = charge_shape(one.id, attitude)
                self.assertTrue(shape.is_valid, one.id)
                self.assertGreater(shape.area, 600, one.id)
                left, top, right, bottom = shape.bounds
                self.assertTrue(left >= -58 and top >= -58 and right <= 58 and bottom <= 58, (one.id, shape.bounds))
        with self.assertRaises(UnknownName):
            charge_shape("wardrobe")
        with self.assertRaises(UnknownName):
            charge_shape("star", "rampant")

    def test_tinctures_share_out_the_whole_surface(self):
        for text in SIMPLE:
            for shape in ("heater", "pennon"):
                drawing = drawn_arms(read_blazon(text), shape)
                whole = shape_polygon(shape).area * drawing.scale(10) ** 2
                self.assertAlmostEqual(sum(drawing.areas(10).values()) / whole, 1, places=2, msg=(text, shape))

    def test_every_surface_takes_every_kind_of_arms(self):
        for at, shape in enumerate(SHAPES):
            for text in SIMPLE[at % 3 :: 3]:
                svg = arms_svg(drawn_arms(read_blazon(text), shape))
                self.assertTrue(svg.startswith("<svg") and svg.endswith("</svg>"))
                self.assertNotIn("nan", svg)

    def test_mm2_grow_with_the_square_of_the_width_and_strokes_with_the_width(self):
        drawing = drawn_arms(read_blazon("Gules, a key or"))
        small, large = drawing.areas(5), drawing.areas(10)
        for tincture, area in small.items():
            self.assertAlmostEqual(large[tincture], 4 * area)
        self.assertAlmostEqual(drawing.thinnest(10)[0], 2 * drawing.thinnest(5)[0])
        self.assertEqual(drawing.thinnest(5)[1], "key")
        for width in (0.4, 501):
            with self.assertRaises(OutOfRange):
                drawing.areas(width)

    def test_halves_are_halves(self):
        areas = drawn_arms(read_blazon("Per pale or and gules"), "banner").areas(10)
        self.assertAlmostEqual(areas["or"], 50, places=3)
        areas = drawn_arms(read_blazon("Quarterly or and gules"), "banner").areas(10)
        self.assertAlmostEqual(areas["or"], 50, places=3)
        areas = drawn_arms(read_blazon("Paly of six or and gules"), "banner").areas(10)
        self.assertAlmostEqual(areas["gules"], 50, places=3)

    def test_counterchanged_takes_the_other_tincture_on_each_side(self):
        drawing = drawn_arms(read_blazon("Per pale or and gules, a roundel counterchanged"), "banner")
        halves = [piece for piece in drawing.pieces if piece.of == "roundel"]
        self.assertEqual(
            {(piece.tincture, piece.shape.centroid.x < 0) for piece in halves}, {("gules", True), ("or", False)}
        )

    def test_counterchanged_wants_two_tinctures_and_takes_those_of_a_strewn_field(self):
        for text in ("Azure, a lantern counterchanged", "Or, on a fess gules, a star counterchanged"):
            with self.assertRaises(Unreadable) as caught:
                read_blazon(text)
            self.assertIn("this one is plain", str(caught.exception))
        text = "Azure semy of stars or"
        plain, with_lantern = (
            drawn_arms(read_blazon(one)).areas(10) for one in (text, f"{text}, a roundel counterchanged")
        )
        self.assertGreater(with_lantern["or"], 2 * plain["or"])
        lantern = [
            one for one in drawn_arms(read_blazon(f"{text}, a roundel counterchanged")).pieces if one.of == "roundel"
        ]
        self.assertEqual({one.tincture for one in lantern}, {"or", "azure"})

    def test_the_other_side_is_mirrored(self):
        arms = read_blazon("Azure, a canton or")
        one, other = (seen(drawn_arms(arms, "banner", mirrored=turned))["or"].centroid.x for turned in (False, True))
        self.assertLess(one, 0)
        self.assertAlmostEqual(other, -one)

    def test_charges_keep_to_what_they_lie_on(self):
        for text in (
            "Azure, on a fess or, five stars gules",
            "Azure, on a pale or, four keys gules",
            "Azure, on a chief or, six crescents gules",
        ):
            drawing = drawn_arms(read_blazon(text))
            ordinary = next(piece.shape for piece in drawing.pieces if piece.tincture == "or")
            marks = [piece.shape for piece in drawing.pieces if piece.tincture == "gules"]
            self.assertEqual(len(marks), read_blazon(text).elements[0].bears[0].count)
            for mark in marks:
                self.assertTrue(ordinary.buffer(0.01).contains(mark), text)

    def test_in_the_paints_light_steps_tell_and_likeness_is_lost(self):
        drawing = drawn_arms(read_blazon("Sable, a fess or between two stars azure"))
        colours = {id_: lab_of_hex(text) for id_, text in PLAIN_COLOURS.items()}
        found = contrasts(drawing, colours.__getitem__, 8, 0.6)
        self.assertEqual(found[0].of, "star")
        self.assertGreater(next(one for one in found if one.of == "fess").step, 40)
        self.assertEqual([one.left for one in found], sorted(one.left for one in found))

    def test_a_title_cannot_break_out_of_the_drawing(self):
        self.assertIn("&lt;b&gt;", arms_svg(drawn_arms(read_blazon("Or")), title="<b>"))


class Verb(TestCase):
    def said(self, **document):
        status, text = answer("blazon", json.dumps(document).encode())
        return status, json.loads(text)

    def test_it_answers_with_tree_text_drawing_and_verdict(self):
        status, told = self.said(blazon="azure a fess gules", shape="roundel", width=5)
        self.assertEqual((status, told["blazon"], told["keeps_rule"]), (GOOD, "Azure, a fess gules", False))
        self.assertEqual(told["tree"]["elements"][0]["kind"], "fess")
        self.assertTrue(told["svg"].startswith("<svg"))
        self.assertAlmostEqual(sum(told["areas_mm2"].values()), 19.6, delta=0.1)

    def test_it_refuses_with_a_place(self):
        for document, where in (
            ({"blazon": "azure, a fess"}, "sign 14"),
            ({"blazon": "azure", "shape": "moon"}, "shape"),
            ({"blazon": "azure", "width": 0}, "width"),
            ({}, "/"),
        ):
            status, told = self.said(**document)
            self.assertEqual((status, told["error"]["where"]), (BAD_INPUT, where))
