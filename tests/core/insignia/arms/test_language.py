"""The language of blazon at large: texts of three degrees, spellings, what is refused and why, and how words are drawn."""

from dataclasses import replace
from pathlib import Path
from unittest import TestCase

from shapely import box, unary_union
from shapely.geometry import Point

from mantello_core.errors import MantelloError
from mantello_core.insignia.arms import beast, bird
from mantello_core.insignia.arms.arms_drawing import ArmsDrawing, drawn_arms
from mantello_core.insignia.arms.arranging import part_for, spots_for
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.branch import branch_of
from mantello_core.insignia.arms.charge import CHARGES, charge_shape
from mantello_core.insignia.arms.coat import (
    Charged,
    Detail,
    Group,
    Impaled,
    Parted,
    Quartered,
    Strewn,
    Varied,
    coats_of,
)
from mantello_core.insignia.arms.retinue import livery_of
from mantello_core.insignia.arms.spacing import divisions
from mantello_core.insignia.arms.tincture_rule import breaches
from mantello_core.insignia.arms.variation import varied_pieces
from mantello_core.insignia.arms.vocabulary import ARRANGEMENTS, DETAILS, LINES, VARIED
from mantello_core.insignia.arms.words import words_of
from mantello_core.insignia.arms.worn import Piece
from mantello_core.insignia.arms.writing import write_blazon

from .seen import seen

CORPUS = Path(__file__).parent / "corpus" / "blazons.txt"


def texts():
    lines = CORPUS.read_text(encoding="utf-8").splitlines()
    return [line for line in lines if line and not line.startswith("#")]


def one(text):
    """The first element of a coat."""
    return read_blazon(text).elements[0]


class Corpus(TestCase):
    def test_every_text_is_read_written_back_and_drawn(self):
        self.assertGreater(len(texts()), 200)
        for text in texts():
            with self.subTest(text):
                arms = read_blazon(text)
                self.assertEqual(read_blazon(write_blazon(arms)), arms)
                areas = drawn_arms(arms).areas(10)
                self.assertGreater(min(areas.values()), 0.01)
                branch_of(arms)
                livery_of(arms)
                breaches(arms)

    def test_capitals_commas_and_accents_say_nothing(self):
        for text in texts()[::5]:
            bare = text.replace(", ", " ").upper() if ";" not in text and "uarter" not in text else text.upper()
            self.assertEqual(read_blazon(bare), read_blazon(text), text)

    def test_old_spellings_are_heard(self):
        for said, meant in (
            ("Gueules, a lyon passaunt gardaunt or", "Gules, a lion passant guardant or"),
            ("Azur, a fesse ingrailed argent", "Azure, a fess engrailed argent"),
            ("Argent, a cheveron betweene three mullettes sable", "Argent, a chevron between three mullets sable"),
            ("Sable, a bende wavee or", "Sable, a bend wavy or"),
            ("Or, a crosse patonce goules", "Or, a cross patonce gules"),
            ("Azure, three fleurs de lys or", "Azure, three fleurs-de-lis or"),
            ("Vert, a gryphon segreaunt or", "Vert, a griffin segreant or"),
        ):
            self.assertEqual(read_blazon(said), read_blazon(meant), said)


class Words(TestCase):
    def test_every_name_is_itself(self):
        for charge in CHARGES.values():
            if charge.id == "escutcheon":
                # on a field it is an ordinary; as a charge it stands only where no ordinary can
                continue
            for name in (charge.name, charge.plural):
                self.assertEqual([(word.kind, word.value) for word in words_of(name)], [("CHARGE", (charge.id, ""))])
        for kind, names in (("DETAIL", DETAILS), ("ARRANGEMENT", ARRANGEMENTS), ("LINE", LINES), ("VARIED", VARIED)):
            for name in names:
                self.assertEqual([(word.kind, word.value) for word in words_of(name)], [(kind, name)])


class Tinctures(TestCase):
    def test_one_serves_all_that_wait_for_it(self):
        chevron = one("Azure, a chevron between three roses argent")
        self.assertEqual((chevron.tincture, chevron.between[0].tincture), ("argent", "argent"))
        fess, stars = read_blazon("Azure, a fess and in chief three stars or").elements
        self.assertEqual((fess.tincture, stars.group.tincture, stars.group.arrangement), ("or", "or", "in chief"))

    def test_what_has_none_is_told_at_its_place(self):
        for text, sign, said in (
            ("Azure, a lion rampant", "sign 22", "After 'rampant' a tincture is missing"),
            ("Azure, a fess between three stars", "sign 34", "After 'stars'"),
            ("Quarterly, 1 and 4, azure, a key; 2 and 3, gules", "sign 33", "After 'key'"),
        ):
            with self.assertRaises(MantelloError) as refused:
                read_blazon(text)
            self.assertEqual(refused.exception.where, sign, text)
            self.assertIn(said, refused.exception.message)

    def test_looking_back(self):
        coat = read_blazon(
            "Argent, on a bend azure three stars of the first, a chief of the last, a canton of the second"
        )
        self.assertEqual([each.tincture for each in coat.elements], ["azure", "argent", "azure"])
        self.assertEqual(one("Gules, two fishes or, as many stars of the same").group.count, 2)

    def test_names_that_say_their_tincture_refuse_another(self):
        self.assertEqual(one("Gules, three bezants").group.tincture, "or")
        self.assertEqual(one("Gules, three bezants or").group.tincture, "or")
        self.assertEqual(one("Sable, a fountain").group.pattern, Varied("barry", ("argent", "azure"), "wavy", 6))
        for text in ("Gules, three bezants argent", "Argent goutty de sang azure"):
            with self.assertRaises(MantelloError) as refused:
                read_blazon(text)
            self.assertIn("leave one out", refused.exception.message)

    def test_what_is_said_twice_is_named(self):
        for text, twice in (
            ("Azure, a lion passant rampant or", "passant already"),
            ("Azure, three stars in pale in fess or", "in pale already"),
            ("Azure, a fess or argent", "or already"),
            ("Quarterly, 1 and 4, azure; 2 and 4, gules", "Quarter 4 is given twice"),
            ("Dexter, azure; dexter, gules", "was given before"),
        ):
            with self.assertRaises(MantelloError, msg=text) as refused:
                read_blazon(text)
            self.assertIn(twice, refused.exception.message)

    def test_everyday_words_lead_to_those_of_blazon(self):
        for text, led in (
            ("Azure, a stripe or", "fess"),
            ("Azure, two circles or", "roundel"),
            ("Azure, a flower or", "rose"),
        ):
            with self.assertRaises(MantelloError) as refused:
                read_blazon(text)
            self.assertIn(led, refused.exception.message)


class Groups(TestCase):
    def test_details_with_and_without_a_tincture(self):
        lion = one("Azure, a lion rampant guardant argent, armed and langued gules, crowned or").group
        self.assertEqual(
            lion.details,
            (Detail(("guardant",)), Detail(("armed", "langued"), "gules"), Detail(("crowned",), "or")),
        )

    def test_counts_rows_and_places(self):
        for text, count, arrangement in (
            ("Azure, six stars three, two and one or", 6, "three, two and one"),
            ("Azure, ten billets 4, 3, 2, 1 or", 10, "four, three, two and one"),
            ("Azure, a star in the second quarter or", 1, "in the second quarter"),
            ("Azure, in the first and fourth quarters a star or", 1, "in the first and fourth quarters"),
            ("Azure, an orle of ten bees or", 10, "in orle"), ("Azure, fifteen bees or", 15, ""), ("Azure, a pair of keys or", 2, ""),
            ("Azure, a pale fusilly or", 5, "in pale"), ("Azure, a bend of five lozenges or", 5, "in bend"),
        ):  # fmt: skip
            group = one(text).group
            self.assertEqual((group.count, group.arrangement), (count, arrangement), text)
        self.assertEqual(one("Gules, a cog of ten teeth or").group.parts, 10)
        self.assertEqual(dict(divisions(read_blazon("Gules, a cog of ten teeth or")))["10 teeth of each cog"].count, 10)

    def test_charges_on_charges_and_beside_them(self):
        roundels = one("Argent, on three roundels gules as many stars or").group
        self.assertEqual((roundels.count, roundels.bears[0].count), (3, 1))
        sword = one("Azure, a sword between two wings or").group
        self.assertEqual((sword.between[0].charge, sword.between[0].tincture), ("wing", "or"))
        held = one("Azure, a lion rampant holding an axe or").group
        self.assertEqual((held.tincture, held.holds[0].charge), ("or", "axe"))

    def test_two_laid_across_each_other(self):
        sword, key = (each.group.manners for each in read_blazon("Azure, a sword and a key in saltire or").elements)
        self.assertEqual((sword, key), ({"bendwise"}, {"bendwise sinister"}))


class Parts(TestCase):
    def test_quarters_by_words_figures_and_within_each_other(self):
        for text in (
            "Quarterly, first and fourth, azure, a key or; second and third, gules",
            "Quarterly: 1st and 4th quarters azure, a key or, 2nd and 3rd gules",
            "Quarterly, I and IV, azure, a key or; II and III, gules",
        ):
            self.assertEqual(write_blazon(read_blazon(text)), "Quarterly, 1 and 4, azure, a key or; 2 and 3, gules")
        grand = read_blazon(
            "Quarterly, 1 and 4, quarterly, i and iv, azure, ii and iii, or; 2 and 3, argent, a cross sable"
        )
        self.assertIsInstance(grand, Quartered)
        self.assertIsInstance(grand.parts[0][1], Quartered)
        self.assertEqual(len(coats_of(grand)), 3)
        six = read_blazon("Quarterly of six: 1, azure; 2, or; 3, gules; 4, argent; 5, vert; 6, sable")
        self.assertEqual(six.quarters, 6)

    def test_divisions_hold_fields_and_whole_coats(self):
        field = read_blazon("Per fess gules and barry of six or and azure, a lion argent").field
        self.assertIsInstance(field, Parted)
        pale = read_blazon("Per pale, dexter, azure, three keys or; sinister, gules").field
        self.assertEqual([len(coat.elements) for coat in pale.coats], [1, 0])
        self.assertIsInstance(read_blazon("Dexter, azure, a key or; sinister, gules"), Impaled)
        four = read_blazon("Per saltire, 1, azure; 2 and 3, or; 4, gules")
        self.assertEqual(len(drawn_arms(four).areas(10)), 3)
        self.assertEqual([len(part.field.tinctures) for part in four.field.coats], [1, 1, 1, 1])

    def test_strewn_on_any_ground(self):
        self.assertEqual(read_blazon("Azure semy-de-lis or").field, Strewn("azure", "lily", "or"))
        self.assertEqual(read_blazon("Gules bezanty").field, Strewn("gules", "roundel", "or"))
        self.assertEqual(read_blazon("Per pale azure and gules semy of bees or").field.tinctures, ("azure", "gules"))


class Looks(TestCase):
    def test_beasts_and_birds_take_every_attitude(self):
        for name in (*beast.kinds(), *bird.birds()):
            for attitude in CHARGES[name].attitudes:
                shape = charge_shape(name, attitude)
                left, top, right, bottom = shape.bounds
                self.assertAlmostEqual(max(right - left, bottom - top), 100, delta=1.5)
                self.assertTrue(shape.is_valid, (name, attitude))

    def test_what_changes_an_outline_changes_it(self):
        for name, manner in (
            ("lion", "guardant"), ("lion", "reguardant"), ("lion", "tail forked"), ("lion's head", "erased"), ("stag's head", "cabossed"),
            ("eagle", "double headed"), ("eagle", "wings inverted"), ("crosslet", "fitchy"), ("lozenge", "voided"), ("tree", "eradicated"),
            ("sword", "reversed"), ("key", "bendwise"), ("fish", "palewise"), ("lion", "to sinister"), ("tower", "triple towered"), ("peacock", "in his pride"),
        ):  # fmt: skip
            plain, changed = charge_shape(name), charge_shape(name, "", frozenset({manner}))
            self.assertGreater(plain.symmetric_difference(changed).area, 40, (name, manner))
        self.assertGreater(charge_shape("lion").area * 1.5, charge_shape("lion", demi=True).area)

    def test_counted_parts_are_as_many(self):
        for parts in (6, 8, 11):
            rim = charge_shape("cog", parts=parts)
            ring = rim.intersection(rim.centroid.buffer(46, 32).exterior.buffer(0.5))
            self.assertEqual(len(ring.geoms), parts)

    def test_what_faces_each_other_is_turned(self):
        drawing = drawn_arms(read_blazon("Or, two lions combatant gules"))
        left, right = sorted(
            (piece.shape for piece in drawing.pieces if piece.of == "lion"), key=lambda shape: shape.bounds
        )
        self.assertAlmostEqual(left.area, right.area, delta=left.area * 0.02)
        centre = (drawing.surface.bounds[0] + drawing.surface.bounds[2]) / 2
        self.assertAlmostEqual(centre - left.centroid.x, right.centroid.x - centre, delta=0.5)

    def test_nothing_that_lies_over_all_hides_its_bearer(self):
        for text in ("Or, a tree vert, overall a bend gules", "Or, a lion sable, overall a fess gules"):
            areas = drawn_arms(read_blazon(text)).areas(10)
            self.assertGreater(min(areas.values()), 1.0, text)

    def test_patterns_take_both_tinctures(self):
        for text in (
            "Or, a fess checky argent and azure", "Or, a bordure compony gules and argent", "Gules, a lion rampant barry of ten argent and azure",
            "Or, a chevron vairy argent and sable", "Or, a chief scaly gules and argent",
        ):  # fmt: skip
            self.assertEqual(len(drawn_arms(read_blazon(text)).areas(10)), 3, text)

    def test_seeds_and_barbs_of_a_rose_are_drawn_and_other_details_told(self):
        drawing = drawn_arms(read_blazon("Gules, a rose argent barbed vert and seeded or"))
        self.assertEqual(
            [piece.tincture for piece in drawing.pieces if piece.of != "field"], ["vert"] * 5 + ["argent", "or"]
        )
        self.assertEqual(drawing.unseen(6.5), ())
        self.assertGreater(drawing.areas(6.5)["vert"], 0.1)
        lion = drawn_arms(read_blazon("Azure, a lion rampant guardant or, armed and langued gules, wrapped"))
        self.assertEqual(lion.undrawn, ("wrapped of the lion", "armed and langued gules of the lion"))

    def test_what_is_covered_wholly_is_unseen(self):
        whole, small = box(0, 0, 100, 100), box(40, 40, 50, 50)
        pieces = (
            Piece(whole, "azure", "field"),
            Piece(small, "or", "star"),
            Piece(box(10, 10, 10.5, 11), "or", "speck"),
        )
        self.assertEqual(ArmsDrawing(whole, pieces).unseen(6.5), ("speck",))
        self.assertEqual(
            ArmsDrawing(whole, (*pieces, Piece(box(30, 30, 60, 60), "gules", "fess"))).unseen(100), ("star",)
        )
        self.assertEqual(drawn_arms(read_blazon("Azure, a fess or")).unseen(6.5), ())

    def test_a_part_of_the_field_is_as_large_as_it_is_said(self):
        room = box(10, 20, 110, 120)
        for place, bounds in (
            ("in chief", (10, 20, 110, 60)), ("in base", (10, 72, 110, 116)), ("in dexter", (10, 20, 52, 110)), ("in sinister", (68, 20, 110, 110)),
            ("in sinister base", (60, 70, 110, 115)),
        ):  # fmt: skip
            group, part = part_for(Group(2, "star", "or", arrangement=f"in saltire {place}"), room)
            self.assertEqual(
                (group.arrangement, tuple(round(one, 6) for one in part.bounds)), ("in saltire", bounds), place
            )

    def test_more_than_custom_has_rows_for_stand_as_even_as_can_be_the_longer_rows_above(self):
        for count, rows in ((13, [4, 3, 3, 3]), (14, [4, 4, 3, 3]), (16, [4, 4, 4, 4]), (20, [5, 5, 5, 5])):
            spots = spots_for(Group(count, "star", "or"), box(0, 0, 100, 120))
            heights = sorted({round(spot[1], 3) for spot in spots})
            self.assertEqual([sum(round(spot[1], 3) == y for spot in spots) for y in heights], rows, count)

    def test_charges_in_orle_stand_where_no_ring_is_left(self):
        narrow = [
            spots_for(Group(6, "star", "or", arrangement="in orle"), room, "")
            for room in (box(0, 0, 100, 2), box(0, 0, 1, 1).union(box(50, 0, 51, 1)))
        ]
        self.assertEqual([len(spots) for spots in narrow], [6, 6])

    def test_as_many_are_drawn_as_are_said(self):
        said = [
            text
            for count in range(2, 9)
            for text in (
                f"Azure, a lion or between {count} roses argent",
                f"Azure, two swords in saltire or between {count} roses argent",
                f"Azure, three books or between {count} roses argent",
                f"Azure, a castle or within an orle of {count} roses argent",
                f"Azure, a fess or between {count} roses argent",
            )
        ]
        for text in said:
            roses = [piece for piece in drawn_arms(read_blazon(text)).pieces if piece.of == "rose"]
            self.assertEqual(len(roses), int(text.split(" roses")[0].split()[-1]), text)
            self.assertGreater(min(piece.shape.area for piece in roses), 1.0, text)
        for count in (1, 2, 3):
            flaunches = drawn_arms(read_blazon(f"Ermine, two flaunches azure each charged with {count} roses argent"))
            self.assertEqual(sum(piece.of == "rose" for piece in flaunches.pieces), 2 * count)
        self.assertEqual(one("Gules, two wings conjoined in lure or").group.count, 1)

    def test_two_groups_about_one_stand_above_and_below_it(self):
        text = "Gules, a castle argent between in chief two pheons and in base a rose or"
        where = {piece.of: piece.shape.centroid.y for piece in drawn_arms(read_blazon(text)).pieces}
        self.assertLess(where["pheon"], where["castle"])
        self.assertLess(where["castle"], where["rose"])

    def test_cotises_have_a_line_of_their_own(self):
        plain, wavy = (
            seen(drawn_arms(read_blazon(f"Argent, a bend sable cotised{line} azure")))["azure"]
            for line in ("", " wavy")
        )
        self.assertGreater(wavy.length, 1.1 * plain.length)

    def test_what_is_seen_taken_together_is_what_is_seen_piece_by_piece(self):
        for text in texts()[::30]:
            drawing = drawn_arms(read_blazon(text))
            mm2, plainly = drawing.areas(20), seen(drawing)
            for tincture, area in mm2.items():
                self.assertAlmostEqual(area, plainly[tincture].area * drawing.scale(20) ** 2, delta=5e-4 * area + 1e-3)

    def test_three_parts_are_named_from_the_chief_down(self):
        for text, order in (
            ("Per pall azure, or and gules", ("azure", "or", "gules")),
            ("Per pall reversed azure, gules and or", ("azure", "or", "gules")),
        ):
            shown = seen(drawn_arms(read_blazon(text)))
            heights = [shown[tincture].centroid.y for tincture in ("azure", "or")]
            self.assertLess(*heights, text)
            self.assertEqual(set(shown), set(order))

    def test_the_second_may_be_of_the_whole_blazon(self):
        quarters = read_blazon("Quarterly, 1st and 4th, azure, a rose or; 2nd and 3rd, gules, a castle of the second")
        self.assertEqual(quarters.parts[1][1].elements[0].group.tincture, "or")

    def test_a_detail_that_would_be_one_word_with_the_attitude_stands_apart(self):
        erect = replace(one("Or, a lion sejant gules").group, details=(Detail(("erect",)),))
        text = write_blazon(replace(read_blazon("Or"), elements=(Charged(erect),)))
        self.assertEqual(one(text).group, erect)
        self.assertEqual(one("Or, a lion sejant erect gules").group.attitude, "sejant erect")

    def test_a_group_whose_room_is_cut_away_is_not_drawn(self):
        self.assertGreater(
            len(
                drawn_arms(
                    read_blazon(
                        "Quarterly of six, 1 azure a bend sinister wavy or, 2 gules, 3 argent, 4 or, 5 gules, 6 azure on a bordure argent ten stars gules"
                    )
                ).pieces
            ),
            5,
        )

    def test_bands_in_several_parts_have_a_row_each(self):
        field = Varied("compony", ("argent", "azure"))
        for surface in (
            box(0, 0, 40, 4).union(box(0, 8, 40, 12)),
            Point(0, 0).buffer(20).boundary.buffer(1).union(box(30, 0, 70, 4)),
        ):
            parts = [surface] if surface.geom_type == "Polygon" else list(surface.geoms)
            self.assertGreater(len(parts), 1)
            second = unary_union([piece for piece, tincture in varied_pieces(field, surface) if tincture == "azure"])
            self.assertTrue(all(0.3 < second.intersection(part).area / part.area < 0.7 for part in parts))

    def test_trim_and_what_lies_on_an_ordinary_are_drawn(self):
        for text in (
            "Or, a bend azure cotised gules",
            "Or, a cross vert fimbriated gules",
            "Or, a saltire azure charged with another gules",
        ):
            self.assertEqual(
                set(drawn_arms(read_blazon(text)).areas(10)) - {"or"}, {read_blazon(text).elements[0].tincture, "gules"}
            )
        self.assertIsInstance(one("Or, a fess between two chevrons gules"), type(one("Or, a fess gules")))
        self.assertEqual(len(read_blazon("Or, a raven sable perched on a mount vert").elements), 2)
        self.assertIsInstance(read_blazon("Or, a raven sable perched on a mount vert").elements[0], Charged)
