"""Blazons that refer back and lie across: what was named before, all quarters, edges, rows in a part, marks for difference."""

from unittest import TestCase

from shapely import unary_union

from mantello_core.errors import OutOfRange, Unreadable
from mantello_core.insignia.arms.arms_drawing import drawn_arms
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.branch import branch_of
from mantello_core.insignia.arms.coat import coats_of
from mantello_core.insignia.arms.tincture_rule import breaches
from mantello_core.insignia.arms.writing import write_blazon


def pieces(text, of):
    return [one for one in drawn_arms(read_blazon(text)).pieces if one.of == of]


class Referring(TestCase):
    def test_only_ordinaries_are_interlaced_in_base(self):
        chevronels = read_blazon("Argent, three chevronels interlaced or")
        self.assertEqual(read_blazon("Argent, three chevronels interlaced in base or"), chevronels)
        self.assertEqual(read_blazon("Argent, three chevronels braced in base or"), chevronels)
        acorns = read_blazon("Argent, two acorns interlaced in base or")
        self.assertEqual(acorns.elements[0].group.arrangement, "in base")
        self.assertEqual(read_blazon(write_blazon(acorns)), acorns)

    def test_what_was_named_before_is_charged(self):
        on_it = read_blazon("Azure, on a fess argent between three cinquefoils or, a roundel gules")
        self.assertEqual(read_blazon("Azure, a fess argent between three cinquefoils or, on the fess a torteau"), on_it)
        latter = read_blazon(
            "Gules, a lion or within a bordure argent, the latter charged with eight roses of the field"
        )
        self.assertEqual(latter.elements[1].bears[0].count, 8)
        self.assertEqual(latter.elements[1].bears[0].tincture, "gules")
        self.assertEqual(latter.elements[0].group.bears, ())
        lion = read_blazon("Gules, a lion or, the lion charged with a star azure").elements[0].group
        self.assertEqual(lion.bears[0].charge, "star")

    def test_what_was_not_named_is_refused(self):
        with self.assertRaisesRegex(Unreadable, "'the' at sign"):
            read_blazon("Azure, a fess argent, on the bend a star or")

    def test_quarters_as_others_are(self):
        self.assertEqual(
            write_blazon(
                read_blazon("Quarterly, first, or; second, gules, a key argent; third as the second; fourth as 1")
            ),
            "Quarterly, 1 and 4, or; 2 and 3, gules, a key argent",
        )
        with self.assertRaisesRegex(Unreadable, "quarter 3 is not given before it"):
            read_blazon("Quarterly, first, or; second as the third; third, gules; fourth, azure")

    def test_of_the_last_two(self):
        bordure = read_blazon("Gules, a fess argent, a chief or, all within a bordure gobony of the last two").elements[
            2
        ]
        self.assertEqual(bordure.pattern.tinctures, ("argent", "or"))
        with self.assertRaisesRegex(Unreadable, "fewer than two"):
            read_blazon("Gules, a bordure gobony of the last two")

    def test_a_mark_for_difference_shows_on_the_field(self):
        self.assertEqual(
            read_blazon("Azure, a lion or, a crescent for difference").elements[1].group.tincture, "argent"
        )
        self.assertEqual(read_blazon("Or, a lion azure, a label for difference").elements[1].tincture, "gules")


class Across(TestCase):
    QUARTERS = "Quarterly, 1 and 4, azure, a key or; 2 and 3, or, a rose gules"

    def test_a_bordure_about_the_whole_takes_room_from_every_quarter(self):
        for said in (
            "; all within a bordure argent",
            ", all within a bordure argent",
            "; a bordure argent",
            "; over all, a bordure argent",
        ):
            arms = read_blazon(self.QUARTERS + said)
            self.assertEqual([one.kind for one in arms.across], ["bordure"], said)
            self.assertEqual(read_blazon(write_blazon(arms)), arms)
        border = unary_union([one.shape for one in drawn_arms(arms).pieces if one.of == "bordure"])
        self.assertGreater(border.area, 1000)
        keys = [one for one in drawn_arms(arms).pieces if one.of == "key"]
        self.assertEqual(len(keys), 2)
        for key in keys:
            self.assertLess(key.shape.intersection(border).area, 0.01 * key.shape.area)

    def test_within_the_last_quarter_it_is_that_quarters(self):
        arms = read_blazon(self.QUARTERS + ", within a bordure argent")
        self.assertEqual(arms.across, ())
        self.assertEqual(arms.parts[1][1].elements[1].kind, "bordure")

    def test_a_label_over_all_and_a_small_shield(self):
        arms = read_blazon(self.QUARTERS + "; over all a label argent; en surtout, vert, a star or")
        self.assertEqual([one.kind for one in arms.across], ["label"])
        self.assertEqual(arms.overall.field.tincture, "vert")
        self.assertEqual(len(coats_of(arms)), 4)
        self.assertIn("label", [part.words.split()[1] for part in branch_of(arms).parts if part.kind == "ordinary"])
        self.assertFalse([one for one in breaches(arms) if not one.excused])

    def test_counterchanged_over_an_ordinary_on_a_plain_field(self):
        areas = drawn_arms(read_blazon("Gules, a pale or, over all a fess counterchanged")).areas(10)
        plain = drawn_arms(read_blazon("Gules, a pale or")).areas(10)
        self.assertEqual(set(areas), {"gules", "or"})
        self.assertGreater(areas["or"], plain["or"])
        with self.assertRaisesRegex(Unreadable, "this one is plain"):
            read_blazon("Gules, a fess counterchanged")


class Places(TestCase):
    def test_rows_and_crossings_in_a_part(self):
        group = read_blazon("Gules, in chief two swords in saltire argent").elements[0].group
        self.assertEqual(group.arrangement, "in saltire in chief")
        swords = [
            one.shape.bounds
            for one in drawn_arms(read_blazon("Gules, in chief two swords in saltire argent")).pieces[1:]
        ]
        self.assertTrue(all(bottom < 0 for *_, bottom in swords), swords)
        rows = read_blazon("Or, three stars two and one in base azure").elements[0].group
        self.assertEqual(rows.arrangement, "two and one in base")
        self.assertTrue(
            all(
                one.shape.bounds[1] > 0
                for one in drawn_arms(read_blazon("Or, three stars two and one in base azure")).pieces[1:]
            )
        )
        with self.assertRaisesRegex(Unreadable, "in chief already"):
            read_blazon("Or, in chief three stars in base azure")

    def test_two_above_and_one_below(self):
        self.assertEqual(
            read_blazon("Gules, a chevron or between three stars, two in chief and one in base, argent"),
            read_blazon("Gules, a chevron or between three stars two and one argent"),
        )

    def test_edges_that_things_issue_from(self):
        arm = read_blazon("Gules, an arm issuing from the sinister argent").elements[0].group
        self.assertEqual((arm.arrangement, arm.manners), ("in sinister", {"issuant"}))
        low, high = (
            unary_union(
                [one.shape for one in pieces(f"Gules, three piles issuant from the {side} or", "pile")]
            ).centroid.x
            for side in ("dexter", "sinister")
        )
        self.assertLess(low, -10)
        self.assertGreater(high, 10)

    def test_a_side_by_itself(self):
        rose, lily = (
            read_blazon("Azure, on a chief per pale or and gules, dexter a rose gules and sinister a lily argent")
            .elements[0]
            .bears
        )
        self.assertEqual((rose.arrangement, lily.arrangement), ("in dexter", "in sinister"))

    def test_two_things_held(self):
        held = (
            read_blazon("Gules, an eagle or holding in the dexter claw a sword and in the sinister a key argent")
            .elements[0]
            .group.holds
        )
        self.assertEqual([one.charge for one in held], ["sword", "key"])
        sword, key = (
            pieces("Gules, an eagle or holding a sword argent and holding a key argent", of)[0]
            for of in ("sword", "key")
        )
        self.assertLess(sword.shape.centroid.x, key.shape.centroid.x)


class Drawn(TestCase):
    def test_charges_on_a_bordure_lie_on_it(self):
        arms = drawn_arms(read_blazon("Gules, a lion or within a bordure argent charged with eight roses gules"))
        border = next(one.shape for one in arms.pieces if one.of == "bordure")
        roses = [one.shape for one in arms.pieces if one.of == "rose"]
        self.assertEqual(len(roses), 8)
        for rose in roses:
            self.assertGreater(rose.intersection(border).area, 0.98 * rose.area)
        lion = next(one.shape for one in arms.pieces if one.of == "lion")
        self.assertLess(lion.intersection(border).area, 0.01 * lion.area)

    def test_each_of_several_is_charged(self):
        self.assertEqual(len(pieces("Or, three piles azure, each charged with a bezant", "roundel")), 3)
        self.assertEqual(len(pieces("Or, two bars azure, each charged with a star argent", "star")), 2)

    def test_a_broken_chevron_and_a_pierced_cross(self):
        plain, broken = (pieces(f"Azure, a chevron{word} or", "chevron")[0].shape for word in ("", " rompu"))
        self.assertLess(broken.bounds[1], plain.bounds[1] - 5)
        cross, pierced = (pieces(f"Azure, a cross{word} or", "cross")[0].shape for word in ("", " quarter pierced"))
        self.assertGreater(cross.area - pierced.area, 100)

    def test_a_sun_in_splendour_is_gold(self):
        self.assertEqual(read_blazon("Azure, a sun in splendour"), read_blazon("Azure, a sun or"))
        self.assertEqual(read_blazon("Or, a sun in splendour gules").elements[0].group.tincture, "gules")

    def test_details_nobody_told_of_are_kept_and_told(self):
        arms = read_blazon("Azure, a boar argent, bristled or")
        self.assertIn("bristled or of the boar", drawn_arms(arms).undrawn)
        other = read_blazon("Azure, a boar argent, beribboned gules")
        self.assertIn("beribboned gules of the boar", drawn_arms(other).undrawn)
        self.assertEqual(read_blazon(write_blazon(other)), other)
        with self.assertRaisesRegex(Unreadable, "near it: engrailed"):
            read_blazon("Azure, a fess engraled or")

    def test_rows_of_a_chequered_fess(self):
        self.assertEqual(read_blazon("Or, a fess checky of four tracts azure and argent").elements[0].pattern.rows, 4)
        with self.assertRaisesRegex(OutOfRange, "2 to 6"):
            read_blazon("Or, a fess checky of nine rows azure and argent")
