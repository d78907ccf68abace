"""Roles in groups of the stuff that they cover."""

from unittest import TestCase

from mantello_core.formats.sample import calvessa
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.role_groups import GROUPS, role_groups


class Groups(TestCase):
    def setUp(self):
        design = calvessa()
        self.scheme = design.scheme
        self.groups = dict(role_groups(design.scheme, resolve(design.army, design.scheme)))

    def test_every_role_is_in_one_group(self):
        self.assertEqual(
            sorted(role for roles in self.groups.values() for role in roles),
            sorted(role.id for role in self.scheme.roles),
        )
        self.assertTrue(set(self.groups) <= set(GROUPS))
        self.assertEqual(list(self.groups), [group for group in GROUPS if group in self.groups])

    def test_roles_are_where_a_painter_looks_for_them(self):
        for role, group in (
            ("field", "Cloth"),
            ("arms", "Metal"),
            ("leather", "Leather and wood"),
            ("flesh", "Skin and hair"),
            ("ground", "Base"),
        ):
            self.assertIn(role, self.groups[group])

    def test_what_nobody_wears_is_told(self):
        worn = {role for group, roles in self.groups.items() if group != "Worn nowhere" for role in roles}
        self.assertFalse(worn & set(self.groups.get("Worn nowhere", ())))
