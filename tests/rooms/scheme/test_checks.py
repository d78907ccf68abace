"""The checks' page: fixes previewed and applied, findings accepted, aims and thresholds set."""

import html
import re
from urllib.parse import parse_qs, urlsplit

from mantello.workspace.models import Army
from mantello.workspace.readings import reading_of
from mantello_core.checks.card import cards_of
from tests.rooms.case import RoomCase

GAP = "rangers-skirmish-line|ranger|gear.lantern.glass"


class Checks(RoomCase):
    def findings(self, check: str):
        reading = reading_of(Army.objects.select_related("head").get(pk=self.army.pk).head)
        return next(one for one in reading.checks if one.id == check)

    def test_all_checks_are_shown_worst_first_with_harmony(self):
        page = self.see("checks").content.decode()
        checks = reading_of(self.army.head).checks
        self.assertEqual(len(checks), 23)
        for check in checks:
            self.assertIn(f'id="{check.id}"', page)
        self.assertEqual(page.count('class="check-block"'), sum(bool(check.findings) for check in checks) + 1)
        self.assertLess(page.index("Unmapped areas"), page.index("Weak neighbours"))
        self.assertIn("hue-ring", page)
        self.assertIn("Near hues, one opposite accent", page)

    def test_a_fix_is_previewed_and_applied_in_one_step(self):
        weak = cards_of(self.findings("neighbours"))[0]
        page = self.see("checks", check="neighbours", card=weak.key)
        self.assertContains(page, "areas would change")
        self.assertContains(page, "Mend all" if len(weak.findings) > 1 else "Mend it")
        self.post("fix", check="neighbours", card=weak.key)
        self.assertNotIn(weak.first.key, {one.key for one in self.findings("neighbours").findings})
        self.assertContains(self.see("checks"), "Fixed: ")

    def test_findings_of_one_cause_are_one_card_with_a_lit_figure(self):
        page = self.see("checks").content.decode()
        findings = sum(len(check.findings) for check in reading_of(self.army.head).checks)
        cards = page.count('<li class="cause')
        self.assertGreater(findings, 40)
        self.assertLess(cards, findings / 2)
        picture = html.unescape(re.search(r'<img src="([^"]*checks/figure.svg[^"]*)"', page)[1])
        drawn = self.client.get(picture)
        self.assertEqual(drawn["Content-Type"], "image/svg+xml")
        area = parse_qs(urlsplit(picture).query)["area"][0]
        self.assertIn(f'data-area="{area}"', drawn.content.decode())

    def test_a_card_is_accepted_whole(self):
        card = next(one for one in cards_of(self.findings("unmapped")) if len(one.findings) > 1)
        self.post("accept", check="unmapped", card=card.key, note="left bare")
        left = {one.key for one in self.findings("unmapped").findings}
        self.assertFalse(left & {one.key for one in card.findings})
        self.assertEqual(len(self.findings("unmapped").accepted), len(card.findings))

    def test_a_figure_nobody_has_is_not_drawn(self):
        self.see("lit-figure", unit="nowhere", rank="x", figure="1", area="y", status=404)
        self.see("lit-figure", status=404)

    def test_what_has_no_fix_or_is_gone_is_not_found(self):
        self.post("fix", check="lookalikes", card="x", status=404)
        self.post("accept", check="nonsense", finding="x", note="so", status=404)

    def test_a_finding_is_accepted_with_a_note_and_taken_back(self):
        self.post("accept", check="unmapped", finding=GAP, note="glass is left clear")
        self.assertEqual(len(self.findings("unmapped").findings), 12)
        self.assertContains(self.see("checks"), "glass is left clear")
        self.post("accept", check="unmapped", finding=GAP, do="withdraw")
        self.assertEqual(len(self.findings("unmapped").findings), 13)

    def test_accepting_without_a_reason_is_refused(self):
        self.assertContains(
            self.post("accept", check="unmapped", finding=GAP, note=" ", status=422), "say why", status_code=422
        )

    def test_a_threshold_is_set_refused_and_put_back(self):
        self.post("set-threshold", name="coats", value="8")
        self.assertEqual(self.findings("coats").verdict, "clear")
        self.assertContains(
            self.post("set-threshold", name="coats", value="0", status=422), "allowed is 1 to 20", status_code=422
        )
        self.assertContains(
            self.post("set-threshold", name="coats", value="many", status=422), "is no number", status_code=422
        )
        self.post("set-threshold", name="coats", do="usual")
        self.assertEqual(self.now().scheme.aims.thresholds, ())

    def test_roles_are_marked_and_shares_wanted(self):
        self.post("mark-role", "plume", kind="accents", on="yes")
        self.post("mark-role", "rim", kind="signatures", on="yes")
        self.post("mark-role", "field", kind="share", share="40 %")
        aims = self.now().scheme.aims
        self.assertEqual((aims.accents, aims.signatures, aims.shares), (("plume",), ("rim",), (("field", 0.4),)))
        self.assertContains(self.see("checks"), "Field takes 11 %, wanted 40 %")
        self.post("mark-role", "plume", kind="accents")
        self.post("mark-role", "field", kind="share", share="")
        self.assertEqual((self.now().scheme.aims.accents, self.now().scheme.aims.shares), ((), ()))

    def test_another_painter_finds_nothing_here(self):
        for name, *more in (("fix",), ("accept",), ("set-threshold",), ("mark-role", "field")):
            self.assert_hidden(name, *more, post=True)
