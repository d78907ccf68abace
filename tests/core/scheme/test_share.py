"""How much of an army each role covers, against counting it area by area."""

from collections import defaultdict
from unittest import TestCase

from mantello_core.formats.sample import calvessa, camouflaged_levy
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.share import role_shares, shown_of


def counted(resolution, scheme):
    covered, whole = defaultdict(float), 0.0
    for one in resolution.classes:
        for area, cell in one.cells.items():
            mm2 = one.plate.areas[area].mm2 * len(one.ordinals)
            whole += mm2
            for role, share in shown_of(cell, scheme):
                covered[role] += mm2 * share
    return {role: mm2 / whole for role, mm2 in covered.items()}


class Shares(TestCase):
    def setUp(self):
        self.camouflaged = camouflaged_levy()
        self.resolution = resolve(self.camouflaged.army, self.camouflaged.scheme)

    def test_of_plain_colours_all_of_an_area_is_its_roles(self):
        design = calvessa()
        resolution = resolve(design.army, design.scheme)
        self.same(role_shares(resolution, design.scheme), counted(resolution, design.scheme))

    def test_of_a_pattern_every_ink_takes_its_share(self):
        self.same(
            role_shares(self.resolution, self.camouflaged.scheme), counted(self.resolution, self.camouflaged.scheme)
        )

    def test_without_a_scheme_a_patterns_ground_takes_all(self):
        plain = role_shares(self.resolution)
        self.same(plain, counted(self.resolution, None))
        self.assertNotEqual(plain, role_shares(self.resolution, self.camouflaged.scheme))

    def test_the_greatest_comes_first(self):
        found = list(role_shares(self.resolution, self.camouflaged.scheme).values())
        self.assertEqual(found, sorted(found, reverse=True))

    def same(self, found, wanted):
        self.assertEqual(set(found), set(wanted))
        for role, share in wanted.items():
            self.assertAlmostEqual(found[role], share, places=12)
