"""Dark pages by choice: kept in a cookie, readable everywhere, never on paper."""

import re
from pathlib import Path

from django.urls import reverse

import mantello
from mantello.shell.look import COOKIE
from tests.rooms.case import RoomCase

CSS = Path(mantello.__file__).parent / "shell" / "static" / "shell" / "css"


def luminance(colour: str) -> float:
    """Relative luminance of #rrggbb (WCAG 2)."""
    if len(colour) == 4:
        colour = "#" + "".join(2 * sign for sign in colour[1:])
    parts = [int(colour[at : at + 2], 16) / 255 for at in (1, 3, 5)]
    linear = [part / 12.92 if part <= 0.04045 else ((part + 0.055) / 1.055) ** 2.4 for part in parts]
    return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]


def contrast(one: str, other: str) -> float:
    high, low = sorted((luminance(one), luminance(other)), reverse=True)
    return (high + 0.05) / (low + 0.05)


class Look(RoomCase):
    def test_a_look_is_chosen_kept_and_given_back_to_the_system(self):
        page = self.see("army")
        self.assertContains(page, '<html lang="en">')
        answer = self.client.post(reverse("set-look"), {"look": "lamp", "next": f"/armies/{self.army.pk}/plan/"})
        self.assertRedirects(answer, f"/armies/{self.army.pk}/plan/", fetch_redirect_response=False)
        self.assertContains(self.see("army"), '<html lang="en" data-look="lamp">')
        self.assertContains(self.see("insignia"), 'data-look="lamp"')
        self.client.post(reverse("set-look"), {"look": "velvet"})
        self.assertContains(self.see("army"), '<html lang="en">')

    def test_nonsense_in_the_cookie_and_outside_addresses_are_left_alone(self):
        self.client.cookies[COOKIE] = '"><script>'
        self.assertContains(self.see("army"), '<html lang="en">')
        answer = self.client.post(reverse("set-look"), {"look": "lamp", "next": "//elsewhere.example/"})
        self.assertEqual(answer["Location"], reverse("armies"))
        self.assertEqual(self.client.get(reverse("set-look")).status_code, 405)

    def test_what_is_written_can_be_read_in_both_looks(self):
        tokens, lamp = (CSS / "tokens.css").read_text(), (CSS / "lamp.css").read_text()
        dark = re.search(r":root\[data-look=lamp\]\{([^}]*)\}", lamp)[1]
        for told in (tokens, dark):
            value = dict(re.findall(r"--([\w-]+):(#[0-9a-f]{3,6})\b", told))
            for ink, least in (("ink", 10), ("ink-2", 7), ("ink-3", 4.5), ("thread-ink", 4.5)):
                for sheet in ("paper", "paper-2", "sheet"):
                    self.assertGreaterEqual(contrast(value[ink], value[sheet]), least, (ink, sheet))
            self.assertGreaterEqual(contrast(value["ink"], value["on-ink"]), 10)
            self.assertGreaterEqual(contrast(value["ink-held"], value["on-ink"]), 7)
            self.assertGreaterEqual(contrast(value["rule-2"], value["paper"]), 3)

    def test_it_is_the_same_by_choice_and_by_the_systems_wish_and_never_printed(self):
        lamp = (CSS / "lamp.css").read_text()
        chosen, wished = lamp.split("@media screen and (prefers-color-scheme:dark){")
        self.assertIn("@media screen{", chosen)
        chosen = chosen.split("@media screen{")[1]
        self.assertEqual(chosen.replace(":root[data-look=lamp]", ":root:not([data-look])").strip(), wished.strip())
