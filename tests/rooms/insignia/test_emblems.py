"""Own emblems: taken in, placed, renamed, taken away; parts counted against a reference."""

from django.core.files.uploadedfile import SimpleUploadedFile

from mantello_core.army.tree import Figure
from mantello_core.insignia.devices.device import OWN, Device
from tests.core.insignia.devices.test_own_emblems import RING
from tests.rooms.case import RoomCase


def svg(text=RING) -> SimpleUploadedFile:
    return SimpleUploadedFile("ring.svg", text.encode(), "image/svg+xml")


class Emblems(RoomCase):
    def placed(self, status=302, **asked):
        design = self.now()
        unit = design.army.units[0]
        rank = unit.ranks[0]
        site = next(one.id for sites in design.army.plate(rank.type).sites.values() for one in sites)
        told = {
            "figure": "1",
            "unit": unit.id,
            "rank": rank.id,
            "site": site,
            "rung": "1",
            "role": design.scheme.roles[0].id,
        }
        return self.post("place-device", status=status, **(told | asked)), Figure(unit.id, rank.id, 1), site

    def test_an_emblem_is_taken_in_placed_and_seen_at_its_size(self):
        self.assertContains(self.see("emblems"), "No emblem yet")
        self.post("keep-emblem", name="Sluice ring", file=svg())
        self.assertContains(self.see("emblems"), "narrowest")
        self.placed(kind=f"{OWN}:Sluice ring")
        (mark,) = [one for one in self.now().scheme.placements if one.device and one.device.kind == OWN]
        self.assertEqual(mark.device.text, "Sluice ring")
        self.assertContains(self.see("emblems"), "hat" if "hat" in mark.site else mark.site.split(".")[0])

    def test_what_is_left_out_of_a_file_and_what_is_wrong_is_told(self):
        text = RING.replace("</svg>", "<text>hail</text></svg>")
        self.post("keep-emblem", name="Ring", file=svg(text))
        self.assertContains(self.see("emblems"), "Left out of the file: a text")
        page = self.post("keep-emblem", name="Ring", file=svg("<svg/>"), status=422)
        self.assertIn("no emblem", page.context["form"].errors["file"][0])
        self.assertContains(page, 'value="Ring"', status_code=422)
        self.assertIn("name", self.post("keep-emblem", name=" ", file=svg(), status=422).context["form"].errors)
        self.assertIn("file", self.post("keep-emblem", name="A", status=422).context["form"].errors)

    def test_an_emblem_is_renamed_and_taken_away(self):
        self.post("keep-emblem", name="Ring", file=svg())
        self.post("change-emblem", emblem="Ring", name="Weir ring")
        self.assertEqual([one.text for one in self.now().scheme.devices], ["Weir ring"])
        self.post("change-emblem", emblem="Weir ring", do="remove")
        self.assertEqual(self.now().scheme.devices, ())
        self.post("change-emblem", emblem="Weir ring", do="remove", status=422)

    def test_teeth_are_counted_against_a_reference(self):
        self.placed(kind="teeth", text="12", frame="clockwise", counted="12")
        self.assertIn(Device("teeth", "12", "clockwise"), [one.device for one in self.now().scheme.placements])
        answer, _, _ = self.placed(status=422, kind="teeth", text="12", counted="11")
        self.assertContains(answer, "you counted 11 in the reference", status_code=422)

    def test_anothers_emblems_are_not_found(self):
        self.assert_hidden("emblems")
        for name in ("keep-emblem", "change-emblem"):
            self.assert_hidden(name, post=True)
