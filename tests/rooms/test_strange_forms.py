"""Every form of an army's pages, sent with what no painter types: told or not found, never a broken page."""

import random
from urllib.parse import parse_qs, urljoin, urlsplit

from django.urls import Resolver404, resolve, reverse

from mantello.almanacs.models import Almanac
from mantello.workspace.models import Army
from mantello_core.formats.sample import dress_almanac
from tests.rooms.case import RoomCase
from tests.rooms.page_forms import Form, Page

STRANGE = (
    "\x00", "-1", "9" * 23, "1e400", "nan", "\u202e<script>alert(1)</script>", "x" * 5000, "../../etc/passwd", "[]", "2026-13-45T99:99",
    '{"a": 1}', "", " ", "0", "'; --", "é|ü,;:\n\r\t", "%ff",
)  # fmt: skip
#: what every field is sent, no text of a database and no part of an address; of the others all fields of a form get one
WORST = "../../\x00etc/passwd"
#: fields of one form that are tried at most, one at a time
MOST_FIELDS = 3
#: what would end the painter's own visit
LEFT_OUT = ("sign-out",)
#: kinds of pages that are looked at at most
MOST_PAGES = 220
ANSWERS = {200, 202, 302, 400, 403, 404, 405, 409, 413, 422, 429}


class StrangeForms(RoomCase):
    @classmethod
    def setUpTestData(cls):
        super().setUpTestData()
        Almanac.objects.keep(cls.owner, dress_almanac())

    def test_whatever_a_field_holds_it_is_told_or_not_found(self):
        chance, faults = random.Random(14), []
        forms = self.forms()
        self.assertGreater(len(forms), 90)
        for action, form in forms:
            names = sorted(form.names)
            for name in chance.sample(names, min(MOST_FIELDS, len(names))):
                self.send(action, form.sent | {name: WORST}, faults)
            self.send(action, dict.fromkeys(names, chance.choice(STRANGE)), faults)
        self.assertEqual(faults, [])

    def forms(self) -> list[tuple[str, Form]]:
        """Every kind of form that changes something, by its view and its fields, once, with the address it goes to."""
        waiting, seen, found = [reverse("army", args=[self.army.pk])], set(), {}
        while waiting and len(seen) < MOST_PAGES:
            address = waiting.pop(0)
            view, asked = self.view(address), frozenset(parse_qs(urlsplit(address).query))
            if view is None or (view, asked) in seen:
                continue
            seen.add((view, asked))
            answer = self.client.get(address)
            if answer.status_code == 302:
                waiting.append(urljoin(address, answer.url))
            if answer.status_code != 200 or not answer["Content-Type"].startswith("text/html"):
                continue
            page = Page(answer.content.decode())
            waiting += [urljoin(address, link).partition("#")[0] for link in page.links]
            for form in page.forms:
                action = urljoin(address, form.action)
                kind = self.view(action)
                if form.method == "post" and form.names and kind and kind not in LEFT_OUT:
                    found.setdefault((kind, *sorted(form.names)), (action, form))
        return list(found.values())

    def view(self, address: str) -> str | None:
        parts = urlsplit(address)
        if parts.netloc or parts.path.startswith("/static/"):
            return None
        try:
            return resolve(parts.path).url_name
        except Resolver404:
            return None

    def send(self, action: str, data: dict[str, str], faults: list[str]) -> None:
        """Send a form as from a page that is up to date; what breaks is noted."""
        army = Army.objects.select_related("head").filter(pk=self.army.pk).first()
        base = {"base": army.head.number} if army else {}
        try:
            status = self.client.post(action, data | base).status_code
        except Exception as error:  # whatever a view lets through is what is looked for
            faults.append(f"{action} {_short(data)}: {error!r}"[:600])
            return
        if status not in ANSWERS:
            faults.append(f"{action} {_short(data)}: {status}")


def _short(data: dict[str, str]) -> dict[str, str]:
    return {name: value[:40] for name, value in data.items()}
