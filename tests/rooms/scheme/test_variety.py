"""Variety in its room: dealt, pinned, dealt to new figures, searched longer, printed, refused at its field."""

from dataclasses import replace

from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.workspace.editing import edit
from mantello_core.design.muster import with_rank
from mantello_core.formats.sample import levy
from tests.rooms.case import RoomCase

UNIT = "reed-cutters"


class Variety(RoomCase):
    @staticmethod
    def design():
        return levy()

    def form(self, **changed):
        """What the form of the unit holds now."""
        form = self.see("variety", unit=UNIT).context["form"]
        filled = {name: form[name].value() for name in form.fields}
        sent = {name: value for name, value in filled.items() if value not in (None, "", False, [])}
        return sent | {"unit": UNIT} | changed

    def deal(self, **changed):
        self.post("draw-cast", **self.form(do="draw", **changed))
        return self.now().scheme.casts[0]

    def test_a_unit_shows_what_its_garments_may_be_before_it_is_cast(self):
        page = self.see("variety", unit=UNIT)
        for words in ("is not cast yet", "Jerkin", "Share of Homespun, tunic"):
            self.assertContains(page, words)
        self.assertEqual(sum(len(row) for stand in page.context["stands"] for row in stand), 20)

    def test_dealt_it_tells_pots_openings_and_what_is_not_as_wished(self):
        cast = self.deal()
        self.assertEqual(len(cast.worn_by("reed-cutter", 20)), 6)
        page = self.see("variety", unit=UNIT)
        self.assertContains(page, "Pot by pot")
        self.assertContains(page, "than was asked")
        self.assertContains(page, "figures would clash whatever was dealt")
        self.assertEqual(self.see("variety").context["unit"].id, UNIT)

    def test_another_seed_deals_otherwise_and_a_share_of_nothing_goes(self):
        first = self.deal()
        self.post("draw-cast", **self.form(do="again"))
        self.assertNotEqual(self.now().scheme.casts[0].drawn, first.drawn)
        garment = first.garments[0]
        left = self.deal(**{f"{garment.id}-{garment.options[1].id}": "0"}).garments[0]
        self.assertNotIn(garment.options[1].id, [one.id for one in left.options])

    def test_a_garment_may_be_striped_and_another_is_left_to_the_scheme(self):
        first = self.deal()
        one, other = first.garments[1].id, first.garments[2].id
        cast = self.deal(**{f"{one}-add": "canvas", f"{one}-with": "rust", f"{other}-off": "on"})
        self.assertTrue(cast.garments[1].options[-1].pattern)
        self.assertNotIn(other, [garment.id for garment in cast.garments])

    def test_a_figure_is_chosen_for_and_kept_while_nobody_else_changes(self):
        before = self.deal()
        garment = before.garments[0]
        wears = {
            f"wear-{one.id}": own for one, own in zip(before.garments, before.worn_by("reed-cutter", 3), strict=True)
        }
        wears[f"wear-{garment.id}"] = next(one.id for one in garment.options if one.id != wears[f"wear-{garment.id}"])
        self.post("pin-figure", unit=UNIT, figure="reed-cutter|3", do="pin", **wears)
        after = self.now().scheme.casts[0]
        self.assertEqual(after.worn_by("reed-cutter", 3)[0], wears[f"wear-{garment.id}"])
        others = [ordinal for ordinal in range(1, 21) if ordinal != 3]
        self.assertEqual(
            [after.worn_by("reed-cutter", one) for one in others],
            [before.worn_by("reed-cutter", one) for one in others],
        )
        self.assertContains(self.see("variety", unit=UNIT, figure="reed-cutter|3"), "kept")
        self.post("pin-figure", unit=UNIT, figure="reed-cutter|3", do="free", **wears)
        self.assertEqual(self.now().scheme.casts[0].pins, ())

    def test_new_figures_are_dealt_to_and_change_nobody(self):
        before = self.deal()
        rank = replace(self.now().army.nodes[UNIT].ranks[0], figures=24)
        edit(self.army, self.base(), lambda design: with_rank(design, UNIT, rank), "More")
        self.assertContains(self.see("variety", unit=UNIT), "4 figures came later")
        self.post("draw-cast", unit=UNIT, do="add")
        after = self.now().scheme.casts[0]
        self.assertEqual(dict(after.drawn)["reed-cutter"][:20], dict(before.drawn)["reed-cutter"])
        self.assertTrue(after.worn_by("reed-cutter", 24))

    def test_a_longer_search_is_a_workers_and_may_be_taken(self):
        self.deal()
        self.assertContains(self.see("variety", unit=UNIT), 'data-behaviour="poll"')
        for job in Job.objects.going_on():
            carry_out(job)
        page = self.see("variety", unit=UNIT)
        self.assertNotContains(page, 'data-behaviour="poll"')
        if page.context["better"] is not None:
            self.post("draw-cast", unit=UNIT, do="take")
        self.assertContains(self.see("variety", unit=UNIT), "found nothing better")

    def test_a_search_that_broke_off_is_told_and_tried_again(self):
        self.deal()
        self.see("variety", unit=UNIT)
        Job.objects.going_on().update(state=Job.State.FAILED, fault="The worker that did it went away.")
        self.assertContains(self.see("variety", unit=UNIT), "The worker that did it went away.")
        self.assertFalse(Job.objects.going_on().exists())
        self.assertContains(self.see("variety", unit=UNIT, again=""), 'data-behaviour="poll"')
        self.assertTrue(Job.objects.going_on().exists())

    def test_who_wears_what_is_printed(self):
        self.deal()
        self.printed("cast-sheet", unit=UNIT)
        self.see("cast-sheet", unit="nobody", status=404)

    def test_nonsense_is_told_at_its_field_and_stays(self):
        first = self.see("variety", unit=UNIT).context["cast"].garments[0]
        field = f"{first.id}-{first.options[0].id}"
        for changed, said in (
            ({field: "many"}, "Write 0 to 100."), ({"abreast": "9"}, "9 abreast do not fit on a stand of 6."),
            ({f"{first.id}-{one.id}": "0" for one in first.options}, "Nothing is left that the"), ({"stand": "0"}, "0 is too little; allowed is 1 and more"),
        ):  # fmt: skip
            answer = self.post("draw-cast", status=422, **self.form(do="draw", **changed))
            self.assertContains(answer, said, status_code=422)
        self.assertEqual(self.now().scheme.casts, ())

    def test_it_is_taken_away(self):
        self.deal()
        self.post("draw-cast", unit=UNIT, do="off")
        self.assertEqual(self.now().scheme.casts, ())

    def test_nobody_else_sees_it_and_what_is_not_there_is_not_found(self):
        self.assert_hidden("variety")
        self.assert_hidden("draw-cast", post=True)
        self.post("draw-cast", status=404, unit="nobody")
        self.post("pin-figure", status=404, unit=UNIT, figure="reed-cutter|1")
