"""Findings of one cause as cards, and all of a card mended at once."""

from unittest import TestCase

from mantello_core.checks.card import cards_of, fixed
from mantello_core.checks.finding import Check, Finding, Fix
from mantello_core.checks.inspect import inspect
from mantello_core.errors import OutOfRange
from mantello_core.formats.sample import calvessa
from mantello_core.scheme.cascade import resolve


def finding(what, cause="", *, fix=None, figures=1):
    return Finding(what, what, "u", "r", "a", mending=fix, cause=cause, figures=figures)


class Cards(TestCase):
    def test_findings_of_one_cause_are_one_card_in_the_order_of_the_worst(self):
        check = Check("c", "C", "look", "", (finding("one", "x"), finding("two"), finding("three", "x", figures=9)))
        first, second = cards_of(check)
        self.assertEqual([one.what for one in first.findings], ["one", "three"])
        self.assertEqual((first.words, first.figures), ("x", 9))
        self.assertEqual((second.words, second.key), ("two", "two"))

    def test_fixes_are_applied_in_turn_and_needless_ones_passed_over(self):
        def refuse(design):
            raise OutOfRange("done already", "x")

        fixes = [Fix("a", lambda design: design + "a"), Fix("b", refuse), Fix("c", lambda design: design + "c")]
        card = cards_of(
            Check("c", "C", "look", "", tuple(finding(str(at), "x", fix=fix) for at, fix in enumerate(fixes)))
        )[0]
        self.assertEqual(fixed("", card), "ac")
        self.assertEqual([fix.words for fix in card.fixes], ["a", "b", "c"])

    def test_the_sample_army_has_few_cards_and_they_can_be_mended(self):
        design = calvessa()
        checks = inspect(design, resolve(design.army, design.scheme))
        cards = [card for check in checks for card in cards_of(check)]
        self.assertLess(len(cards), sum(len(check.findings) for check in checks) / 2)
        neighbours = next(check for check in checks if check.id == "neighbours")
        card = next(one for one in cards_of(neighbours) if one.fixes)
        self.assertEqual(len(card.roles), 2)
        after = fixed(design, card)
        again = next(one for one in inspect(after, resolve(after.army, after.scheme)) if one.id == "neighbours")
        self.assertNotIn(card.first.key, {one.key for one in again.findings})

    def test_no_metal_mends_what_is_no_metal(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        shiny = {
            role.id
            for role in design.scheme.roles
            if any(
                pot.kind == "metallic" for _, recipe in role.recipes for step in recipe.steps for pot in step.mix.paints
            )
        }
        neighbours = next(one for one in inspect(design, resolution) if one.id == "neighbours")
        fixed_ones = [finding for finding in neighbours.findings if finding.fix]
        self.assertGreater(len(fixed_ones), 5)
        for finding in fixed_ones:
            if finding.fix.role in shiny:
                one = next(one for one in resolution.classes if (one.unit, one.rank) == (finding.unit, finding.rank))
                stuffs = {one.plate.areas[area].material for area in finding.areas}
                self.assertTrue(stuffs & {"metal", "plate", "mail"}, finding.what)

    def test_cords_in_the_colour_of_what_they_hold_are_ordinary_work(self):
        design = calvessa()
        materials = next(one for one in inspect(design, resolve(design.army, design.scheme)) if one.id == "materials")
        self.assertFalse([one.what for one in materials.findings if "(rope)" in one.what])
