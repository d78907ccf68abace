"""Painted units that are locked: what would change them is refused."""

from dataclasses import replace

from mantello_core.design.locking import refuse_changed_locks, with_lock, without_lock
from mantello_core.errors import Contradiction, OutOfRange
from tests.rooms.case import RoomCase

UNIT = "1st-harbour-line"


class Locks(RoomCase):
    def test_an_edit_that_changes_a_locked_unit_is_refused_until_the_lock_is_lifted_with_a_reason(self):
        self.post("lock-unit", unit=UNIT, do="lock")
        self.assertEqual(self.now().scheme.locked, (UNIT,))
        self.assertContains(self.see("log"), "edits that would change it are refused")
        undercoat = {"undercoat": "undercoat-linen", "above": "", "pot_coat": ""}
        self.client.post(f"/armies/{self.army.pk}/recipes/undercoat/", {"base": self.base()} | undercoat)
        self.assertEqual(self.now().scheme.ground.undercoat.id, "undercoat-slate")
        page = self.post("lock-unit", status=422, unit=UNIT, do="lift", reason=" ")
        self.assertContains(page, "lifted with a reason", status_code=422)
        self.post("lock-unit", unit=UNIT, do="lift", reason="the facings were wrong")
        self.assertEqual(self.now().scheme.locked, ())
        self.client.post(f"/armies/{self.army.pk}/recipes/undercoat/", {"base": self.base()} | undercoat)
        self.assertEqual(self.now().scheme.ground.undercoat.id, "undercoat-linen")

    def test_what_does_not_touch_its_look_goes_on(self):
        locked = with_lock(self.design(), UNIT)
        renamed = replace(locked, scheme=replace(locked.scheme, name="Another name"))
        refuse_changed_locks(locked, renamed)
        field = locked.scheme.role("field")
        shorter = field.with_recipe("rank", replace(field.recipe(), steps=field.recipe().steps[:1]))
        with self.assertRaises(Contradiction):
            refuse_changed_locks(locked, replace(locked, scheme=locked.scheme.with_role(shorter)))
        with self.assertRaises(OutOfRange):
            without_lock(locked, UNIT, "")

    def test_another_painter_finds_nothing_here(self):
        self.assert_hidden("lock-unit", post=True)
