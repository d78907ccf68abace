"""What a process reads of an edition that another process wrote."""

from mantello.workspace import readings
from mantello.workspace.models import Edition
from mantello.workspace.readings import reading_of
from tests.rooms.case import RoomCase


class WrittenElsewhere(RoomCase):
    """An edition is made; then the process knows the one before it only, as one that did not make the edit."""

    def after(self, address: str, *about, **posted):
        before = self.army.head_id
        self.post(address, *about, **posted)
        readings._kept.empty()
        was = reading_of(Edition.objects.get(pk=before))
        self.army.refresh_from_db()
        return was, reading_of(Edition.objects.get(pk=self.army.head_id))

    def test_what_the_edit_left_is_what_is_known_already(self):
        was, now = self.after("rename-role", "lantern", name="Beacon")
        self.assertEqual(now.design.scheme.role("lantern").name, "Beacon")
        self.assertIs(now.design.army, was.design.army)
        self.assertIs(now.resolution, was.resolution)

    def test_what_the_edit_changed_is_new(self):
        unit = self.now().army.units[0]
        was, now = self.after("change-node", unit.id, name="Elsewhere")
        self.assertIsNot(now.design.army, was.design.army)
        self.assertEqual(now.design.army.nodes[unit.id].name, "Elsewhere")
        self.assertIs(now.design.scheme, was.design.scheme)
