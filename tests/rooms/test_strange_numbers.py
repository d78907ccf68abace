"""Numbers in addresses and forms that are none: told or not found, never a broken page."""

from django.urls import reverse

from tests.rooms.case import RoomCase

STRANGE = ("²", "٣", "1" * 400, "-1", "x", "")


class StrangeNumbers(RoomCase):
    def answered(self, answer):
        self.assertIn(answer.status_code, (200, 302, 400, 404, 409, 422), answer.request["PATH_INFO"])

    def test_in_the_addresses_of_pages(self):
        asked = {
            "army": ("figure", "edition"), "scheme": ("figure", "rung"), "table": ("against", "figure"), "variety": ("figure",),
            "camouflage": ("start", "seed", "figure"), "almanac": ("almanac", "year", "of"), "log": ("figure",), "paints": ("taking",),
        }  # fmt: skip
        for page, names in asked.items():
            for text in STRANGE:
                for name in names:
                    with self.subTest(page=page, name=name, text=text[:3]):
                        self.answered(self.client.get(reverse(page, args=[self.army.pk]), {name: text}))

    def test_in_what_forms_send(self):
        for page, names in {
            "place-device": ("figure", "rung"), "go-to": ("edition", "base"), "take-type": ("army",), "join-units": ("run",), "set-here": ("figure", "rung"), "pin-figure": ("figure",), "undo": ("base",),
        }.items():  # fmt: skip
            for text in STRANGE:
                with self.subTest(page=page, text=text[:3]):
                    given = dict.fromkeys(names, text) | {"do": "apart"}
                    self.answered(self.client.post(reverse(page, args=[self.army.pk]), {"base": self.base} | given))
