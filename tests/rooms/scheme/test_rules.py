"""Written rules, substitutions, toned roles, and a scheme taken over."""

from django.urls import reverse

from mantello.workspace.editing import keep_design
from mantello_core.scheme.cascade import resolve
from tests.rooms.case import RoomCase
from tests.samples import calvessa, small_design

RULE = {"scope": "3rd-gull", "rank": "", "type": "", "tag": "", "which": "", "select": "arm.*.cuff", "role": "lantern"}


class WrittenRules(RoomCase):
    def cuff(self, ordinal=1):
        design = self.now()
        classes = resolve(design.army, design.scheme).classes
        return (
            next(
                one
                for one in classes
                if (one.unit, one.rank) == ("3rd-gull-line", "fusilier") and ordinal in one.ordinals
            )
            .cells["arm.left.cuff"]
            .role
        )

    def test_a_table_is_filled_from_a_plain_list_and_what_is_left_is_told(self):
        answer = self.post(
            "paste-list", "company-facings", status=200, text="Company,Facing\n1st,Lantern facing\n9th,red\n"
        )
        self.assertContains(answer, "no company here is")
        self.assertContains(answer, "9th,red")
        table = self.now().scheme.tables[0]
        self.assertEqual(table.role("1st-harbour", "facing"), "lantern")
        self.post("paste-list", "company-facings", text="Company,Facing\n1st,Gull facing\n")
        refused = self.post("paste-list", "company-facings", status=422, text="   ")
        self.assertContains(refused, 'role="alert"', status_code=422)
        self.assert_hidden("paste-list", "company-facings", post=True)

    def test_a_rule_is_written_and_told_with_its_counts(self):
        self.post("keep-rule", **(RULE | {"which": "every 2 from 2"}))
        self.assertEqual((self.cuff(1), self.cuff(2)), ("gull", "lantern"))
        self.assertContains(self.see("rules"), "every 2 from no. 2: cuff in Lantern facing. 3 figures")

    def test_a_rule_is_changed_in_place(self):
        self.post("keep-rule", **RULE)
        made = self.now().scheme.rules[-1]
        self.assertContains(self.see("rules", edit=made.id), "Save the rule")
        self.post("keep-rule", rule=made.id, **(RULE | {"role": "", "binding": "on"}))
        changed = self.now().scheme.rules[-1]
        self.assertEqual((changed.id, changed.role, changed.binding, self.cuff()), (made.id, "", True, ""))

    def test_faults_are_told_at_their_field_and_the_rule_stays_typed(self):
        for change, said in (
            ({"which": "some"}, "is not understood"),
            ({"select": "wings"}, "is no area selector"),
            ({"rank": "Warden"}, "There is no rank in 3rd, the Gull called"),
            ({"which": "0"}, "counted from 1"),
        ):
            answer = self.post("keep-rule", status=422, **(RULE | change))
            self.assertContains(answer, said, status_code=422)
            self.assertContains(answer, (RULE | change)["select"], status_code=422)

    def test_one_role_stands_in_for_another_in_a_formation(self):
        self.post("substitute", scope="3rd-gull", use="harbour", role="gull")
        self.assertEqual(self.cuff(), "harbour")
        self.assertContains(self.see("rules"), "instead of Gull facing")
        page = self.see("scheme", unit="3rd-gull-line", rank="fusilier", figure="1", area="arm.left.cuff")
        self.assertContains(page, "instead of Gull facing")
        self.post("substitute", scope="3rd-gull", role="gull")
        self.assertEqual(self.cuff(), "gull")
        self.assertContains(
            self.post("substitute", scope="3rd-gull", use="gull", role="gull", status=422),
            "cannot stand in for itself",
            status_code=422,
        )

    def test_a_darker_role_is_made(self):
        self.post("tone", like="field", name="Dark field", paint="pitch-barrel", parts="1")
        self.assertIn("Pitch Barrel 1", self.now().scheme.role("dark-field").recipe().steps[0].mix.words)
        answer = self.post("tone", like="field", name="Dark field", paint="pitch-barrel", parts="1", status=422)
        self.assertContains(answer, "There is a role called", status_code=422)

    def test_a_scheme_is_taken_over_after_a_look(self):
        mine = keep_design(self.owner, small_design(), "Second army")
        address = reverse("take-over", args=[mine.pk, self.army.pk])
        page = self.client.get(address)
        for said in (
            "Take over the scheme of Levy of Calvessa",
            "Field, Facing",
            "No place for these here",
            "would change",
        ):
            self.assertContains(page, said)
        self.client.post(address, {"base": "1"})
        mine.refresh_from_db()
        self.assertEqual(mine.head.words, "Scheme of Levy of Calvessa taken over")

    def test_anothers_scheme_cannot_be_taken(self):
        foreign = keep_design(self.other, calvessa(), "Foreign")
        self.assertEqual(self.client.get(reverse("take-over", args=[self.army.pk, foreign.pk])).status_code, 404)
        for name in ("keep-rule", "substitute", "tone"):
            self.assert_hidden(name, post=True)
