"""Marks placed from the Scheme room."""

from mantello_core.army.tree import Figure
from mantello_core.insignia.devices.device import Device
from mantello_core.scheme.cascade import resolve
from tests.rooms.case import RoomCase

WHERE = {"unit": "2nd-lantern-line", "rank": "fusilier", "figure": "1", "site": "hat.plate"}


class Marking(RoomCase):
    def borne(self):
        design = self.now()
        return resolve(design.army, design.scheme).of(Figure("2nd-lantern-line", "fusilier", 1)).borne

    def look(self, **more):
        return self.see("scheme", unit="2nd-lantern-line", rank="fusilier", area="head.hat.plate", **more)

    def test_a_numeral_is_placed_for_a_company_and_drawn_everywhere(self):
        self.assertContains(self.look(), "Place a mark")
        self.post("place-device", **WHERE, kind="text", text="2", role="blacking", rung="3")
        self.assertEqual(self.borne()["hat.plate"].placement.device, Device("text", "2"))
        page = self.look()
        self.assertContains(page, "Change the mark")
        self.assertContains(page, 'class="device"')
        self.assertContains(self.see("table"), "Bears &#x27;2&#x27;")
        self.assertIn("bears '2'", self.see("table-csv").content.decode())
        picture = self.see(
            "figure", "front", unit="2nd-lantern-line", rank="fusilier", figure="1", **{"as": "designed"}
        )
        self.assertContains(picture, 'class="device"')

    def test_it_is_taken_away_left_bare_and_undone(self):
        self.post("place-device", **WHERE, kind="disc", role="trim", rung="1")
        self.post("place-device", **WHERE, do="bare", rung="3")
        self.assertEqual(self.borne(), {})
        self.post("undo")
        self.assertIn("hat.plate", self.borne())
        self.post("place-device", **WHERE, do="clear", rung="1")
        self.assertEqual(self.borne(), {})

    def test_nonsense_is_refused_and_nothing_is_placed(self):
        for sent in (
            {"kind": "text", "text": "1234", "role": "trim", "rung": "3"},
            {"kind": "skull", "role": "trim", "rung": "3"},
            {"kind": "disc", "role": "gold", "rung": "3"},
            {"kind": "disc", "role": "trim", "rung": "99"},
            {"kind": "disc", "role": "trim", "rung": "x"},
            {"do": "clear", "rung": "3"},
        ):
            self.post("place-device", status=422, **(WHERE | sent))
        self.post("place-device", status=422, **(WHERE | {"site": "hat.feather"}), kind="disc", role="trim", rung="3")
        self.assertEqual(self.now().scheme.placements, ())

    def test_another_painter_places_nothing(self):
        self.assert_hidden("place-device", post=True)
