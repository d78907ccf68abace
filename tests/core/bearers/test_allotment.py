"""Who bears what: copies, spares, and who shows the arms of their house nowhere."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.bearers.allotment import allotments, lacks
from mantello_core.formats.sample import levy
from mantello_core.insignia.devices.device import ARMS, Device
from mantello_core.scheme.cascade import resolve


class Allotments(TestCase):
    def setUp(self):
        self.design = levy()
        self.found = allotments(resolve(self.design.army, self.design.scheme))

    def of(self, kind, text, site):
        return next(one for one in self.found if one.device == Device(kind, text) and one.site.id == site)

    def test_every_figure_that_bears_one_counts(self):
        one = self.of("text", "2", "hat.plate")
        self.assertEqual((one.figures, one.copies, one.with_spares), (13, 13, 15))
        self.assertEqual({each.unit for each in one.bearers}, {"2nd-lantern-line"})

    def test_two_sides_take_two_copies_and_a_shield_one(self):
        self.assertEqual(self.of("text", "1", "hull.number").copies, 2)
        flag, shield = (self.of(ARMS, "orsolin", site) for site in ("flag.field", "shield.face"))
        self.assertEqual((flag.figures, flag.copies, flag.with_spares), (1, 2, 3))
        self.assertEqual((shield.figures, shield.copies, shield.role), (9, 9, ""))

    def test_the_most_copies_come_first(self):
        copies = [one.copies for one in self.found]
        self.assertEqual(copies, sorted(copies, reverse=True))

    def test_leaders_without_the_arms_are_told_with_the_room_they_have(self):
        army, scheme = self.design.army, self.design.scheme
        self.assertEqual(lacks(army, scheme, resolve(army, scheme)), ())
        bare = replace(
            scheme, placements=tuple(one for one in scheme.placements if one.device != Device(ARMS, "tremar"))
        )
        found = lacks(army, bare, resolve(army, bare))
        self.assertEqual({one.arms for one in found}, {"tremar"})
        self.assertNotIn("rank", {one.bearer.tier for one in found})
        captain = next(one for one in found if one.bearer.rank == "captain")
        self.assertIn("shield.face", captain.sites)

    def test_arms_without_a_bearer_lack_nobody(self):
        army, scheme = self.design.army, self.design.scheme
        bare = replace(scheme, placements=(), arms=tuple(replace(one, bearer="") for one in scheme.arms))
        self.assertEqual(lacks(army, bare, resolve(army, bare)), ())
