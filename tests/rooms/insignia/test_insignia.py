"""The Insignia room: arms typed or put together, kept in the scheme, drawn in the army's paints."""

import io
import subprocess

import numpy
from django.urls import reverse
from PIL import Image

from mantello.jobs.models import Job
from mantello.rooms.insignia.composing import ComposeForm
from mantello.workspace.editing import create_army
from mantello_core.army.tree import Figure
from mantello_core.colour.spaces import hex_of
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.formats.sample import levy
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.writing import write_blazon
from tests.rooms.case import RoomCase

LANTERNS = "Gules, a fess wavy or between three lanterns argent"


class Arms(RoomCase):
    def keep(self, status=302, **given):
        return self.post(
            "keep-arms",
            status=status,
            **{
                "arms": "",
                "name": "House Weir",
                "blazon": "red, a fess wavy gold between 3 lanterns silver",
                "bearer": "",
            }
            | given,
        )

    def test_an_empty_room_asks_for_the_first_blazon(self):
        page = self.see("insignia")
        self.assertContains(page, "No arms yet")
        self.assertContains(page, "A blank shield")

    def test_arms_are_kept_in_the_canonical_way_and_shown(self):
        answer = self.keep(bearer=self.now().army.units[0].id)
        (one,) = self.now().scheme.arms
        self.assertEqual((one.blazon, one.bearer), (LANTERNS, self.now().army.units[0].id))
        page = self.client.get(answer.url)
        for said in (LANTERNS, "House Weir", "Metal lies on colour", "paintable from", "mm²"):
            self.assertContains(page, said)
        self.assertEqual(read_design_bytes(design_bytes(self.now())), self.now())

    def test_tinctures_take_the_paint_of_their_role(self):
        self.keep()
        (one,) = self.now().scheme.arms
        self.keep(arms=one.id, **{"role-gules": "facing", "role-or": "", "role-purpure": "field"})
        (one,) = self.now().scheme.arms
        self.assertEqual(one.bound, (("gules", "facing"),))
        wanted = hex_of(self.now().scheme.predicted(self.now().scheme.role("facing").recipe()).tones.flats)
        self.assertContains(self.see("insignia", arms=one.id), wanted)
        self.assertContains(self.see("arms-file", one.id), wanted)
        self.post("remove-role", "facing", status=422)

    def test_a_new_blazon_unbinds_what_it_no_longer_has(self):
        self.keep()
        (one,) = self.now().scheme.arms
        self.keep(arms=one.id, **{"role-gules": "facing"})
        self.keep(arms=one.id, blazon="Azure, a star or")
        self.assertEqual(self.now().scheme.arms[0].bound, ())

    def test_what_cannot_be_read_is_told_at_the_field_and_stays(self):
        page = self.keep(422, blazon="Gules, a fess wavy or btween three lanterns argent")
        self.assertIn("between", page.context["form"].errors["blazon"][0])
        self.assertContains(page, "btween three lanterns", status_code=422)
        self.assertEqual(self.now().scheme.arms, ())
        self.assertIn("name", self.keep(422, name="").context["form"].errors)
        self.assertIn("bearer", self.keep(422, bearer="nobody").context["form"].errors)
        self.keep(422, arms="nothing")

    def test_they_are_removed_and_come_back_by_undo(self):
        self.keep()
        (one,) = self.now().scheme.arms
        self.post("remove-arms", one.id)
        self.assertEqual(self.now().scheme.arms, ())
        self.post("undo")
        self.assertEqual(self.now().scheme.arms, (one,))
        self.post("remove-arms", "nothing", status=422)

    def test_a_removed_bearer_leaves_the_arms_to_nobody(self):
        unit = self.now().army.units[-1].id
        self.keep(bearer=unit)
        self.post("remove-node", unit)
        self.assertEqual(self.now().scheme.arms[0].bearer, "")

    def test_nobody_else_sees_them(self):
        self.keep()
        for name, arguments, post in (
            ("insignia", (), False),
            ("draw-arms", (), False),
            ("compose-arms", (), False),
            ("keep-arms", (), True),
            ("remove-arms", ("house-weir",), True),
            ("arms-file", ("house-weir",), False),
        ):
            self.assert_hidden(name, *arguments, post=post)


class Drawing(RoomCase):
    def test_it_follows_what_is_typed_and_says_what_is_wrong(self):
        self.assertContains(self.see("draw-arms", blazon=LANTERNS, shape="banner", width="14"), "the other side")
        answer = self.see("draw-arms", status=422, blazon="Gules, a fess")
        self.assertContains(answer, "a tincture is missing", status_code=422)
        self.assertContains(
            self.see("draw-arms", blazon="Azure, a fess gules", shape="heater", width="6"), "colour on colour"
        )
        self.see("draw-arms", status=422, blazon=LANTERNS, shape="moon", width="6")
        self.see("draw-arms", status=422, blazon=LANTERNS, shape="heater", width="0")
        self.assertContains(self.see("draw-arms", blazon=""), "A blank shield")

    def test_nothing_typed_becomes_markup(self):
        answer = self.see("draw-arms", status=422, blazon="<script>alert(1)</script>")
        self.assertNotContains(answer, "<script>", status_code=422)


def flat(choices):
    """The values of choices, those in groups too."""
    for value, words in choices:
        yield from (one for one, _ in words) if isinstance(words, list | tuple) else (value,)


class PutTogether(RoomCase):
    def compose(self, status=302, **given):
        return self.see("compose-arms", status=status, **{"first": "azure", "count": "1"} | given)

    def test_choices_become_a_blazon_that_the_page_shows(self):
        answer = self.compose(
            first="gules",
            ordinary="fess",
            line="wavy",
            ordinary_tincture="or",
            charge="lantern",
            count="3",
            charge_tincture="argent",
            where="between",
            over="label",
            over_tincture="azure",
        )
        page = self.client.get(answer.url)
        self.assertEqual(page.context["form"]["blazon"].value(), f"{LANTERNS}, a label of three points azure")

    def test_every_choice_of_field_ordinary_and_place_can_be_read(self):
        fields = ComposeForm().fields
        for name in ("field", "ordinary", "line", "where", "over", "charge"):
            for value in flat(fields[name].choices):
                given = {
                    "first": "azure",
                    "second": "or",
                    "ordinary": "fess",
                    "ordinary_tincture": "or",
                    "charge": "star",
                    "count": "2",
                    "charge_tincture": "gules",
                    "over_tincture": "argent",
                } | {name: value}
                form = ComposeForm(given)
                self.assertTrue(form.is_valid(), (name, value, form.errors))
                self.assertEqual(write_blazon(read_blazon(form.cleaned_data["blazon"])), form.cleaned_data["blazon"])

    def test_what_does_not_go_together_is_told(self):
        page = self.compose(422, charge="star", attitude="rampant", charge_tincture="or")
        self.assertContains(page, "is not rampant", status_code=422)

    def test_an_empty_army_can_have_arms(self):
        empty = create_army(self.owner, "Empty")
        self.assertContains(self.client.get(reverse("insignia", args=[empty.pk])), "No arms yet")


class Differences(RoomCase):
    def setUp(self):
        super().setUp()
        self.post("keep-arms", arms="", name="House Weir", blazon=LANTERNS, bearer="", **{"role-gules": "facing"})
        self.arms = self.now().scheme.arms[0].id

    def test_a_set_is_proposed_and_what_is_ticked_stays(self):
        page = self.filled("differences", self.arms, count="3", seed="1")
        self.assertEqual(len(page.context["rows"]), 3)
        self.assertContains(page, "apart")
        pin = page.context["found"].differences[2].blazon
        again = self.filled("differences", self.arms, count="3", seed="9", pin=pin)
        self.assertEqual(again.context["found"].differences[0].blazon, pin)
        self.assertContains(again, "checked", 1)

    def test_marks_of_cadency_are_there_at_once_and_a_search_that_cannot_be_says_why(self):
        self.assertEqual(len(self.see("differences", self.arms, count="3", way="cadency").context["rows"]), 3)
        self.assertContains(self.see("differences", self.arms, count="3"), 'data-behaviour="poll"')
        Job.objects.going_on().update(state=Job.State.FAILED, fault="There are too few candidates.")
        self.assertContains(self.see("differences", self.arms, count="3"), "too few candidates")
        self.assertContains(self.see("differences", self.arms, count="3", again=""), 'data-behaviour="poll"')

    def test_one_is_kept_with_the_parents_paints(self):
        one = self.filled("differences", self.arms, count="2").context["found"].differences[0]
        answer = self.post("keep-difference", self.arms, blazon=one.blazon)
        kept = self.now().scheme.arms[1]
        self.assertEqual((kept.name, kept.blazon), ("House Weir, 2", one.blazon))
        self.assertTrue(set(kept.bound) <= {("gules", "facing")})
        self.assertContains(self.client.get(answer.url), "House Weir, 2")

    def test_nonsense_and_quartered_arms_are_told(self):
        self.see("differences", self.arms, status=422, count="99")
        self.see("differences", self.arms, status=422, count="2", pin="azure, a fes")
        self.post("keep-difference", self.arms, status=422, blazon="azure, a fes")
        self.post("keep-arms", arms="", name="Both", blazon="Azure, impaling or", bearer="")
        page = self.see("differences", self.now().scheme.arms[1].id)
        self.assertContains(page, "not differenced as a whole")
        self.assert_hidden("differences", self.arms)
        self.assert_hidden("keep-difference", self.arms, post=True)

    def test_liveries_are_told_and_those_that_are_alike(self):
        page = self.see("insignia", arms=self.arms)
        self.assertContains(page, "Gules and or, a lantern argent for badge")
        self.post("keep-arms", arms="", name="House Sluice", blazon="Or, a fess gules", bearer="")
        self.assertContains(self.see("insignia", arms=self.arms), "House Sluice</a> wears the same two colours")


class ByHand(RoomCase):
    def setUp(self):
        super().setUp()
        self.post("keep-arms", arms="", name="House Weir", blazon=LANTERNS, bearer="", **{"role-gules": "facing"})
        self.arms = self.now().scheme.arms[0].id

    def test_the_guide_tells_whether_a_brush_can_and_draws_the_stages(self):
        page = self.see("freehand", self.arms, width="6.5")
        for said in ("in a simpler form", "Lantern: ", "1. Ground", "Cut back: wavy fess and lantern", "Print at 1:1"):
            self.assertContains(page, said)
        self.assertContains(self.see("freehand", self.arms, width="14"), "A brush can.")
        self.assertContains(self.see("freehand", self.arms, width="2", line="1.5"), "Use a transfer at this size")

    def test_equal_divisions_tell_how_they_are_found(self):
        self.post("keep-arms", arms="", name="House Fan", blazon="Gyronny of eight or and azure", bearer="")
        page = self.see("freehand", self.now().scheme.arms[1].id)
        self.assertContains(page, "halve three times")
        self.assertContains(page, "Marks 1, 3, 5, 7 meet the quarter points")

    def test_stages_name_the_paint_of_the_role(self):
        self.post(
            "keep-arms", arms=self.arms, name="House Weir", blazon=LANTERNS, bearer="", **{"role-gules": "facing"}
        )
        self.assertContains(self.see("freehand", self.arms), "gules (Facing)")

    def test_nonsense_is_told_at_its_field(self):
        page = self.see("freehand", self.arms, status=422, width="wide", line="0")
        for said in ("Write 0.5 to 500 mm", "Write 0.1 to 3 mm", 'value="wide"', "No stages yet"):
            self.assertContains(page, said, status_code=422)
        self.see("freehand-sheet", self.arms, status=404, width="wide")
        self.see("freehand", "nobody", status=422)
        self.assert_hidden("freehand", self.arms)
        self.assert_hidden("freehand-sheet", self.arms)

    def test_the_sheet_prints_the_true_size(self):
        sheet = self.printed("freehand-sheet", self.arms, width="20").content
        picture = subprocess.run(
            ["pdftoppm", "-r", "254", "-f", "1", "-l", "1", "-"], input=sheet, capture_output=True, check=True
        ).stdout
        pixels = numpy.asarray(Image.open(io.BytesIO(picture)).convert("RGB")).astype(int)
        wanted = numpy.array([int(self.gules()[at : at + 2], 16) for at in (1, 3, 5)])
        top = numpy.abs(pixels - wanted).sum(2) < 24
        columns = [numpy.flatnonzero(row) for row in top if row.any()]
        # the first drawing is the true size
        widest = max(row[-1] - row[0] + 1 for row in columns[:60])
        self.assertAlmostEqual(widest / 10, 20, delta=0.5)

    def test_arms_open_on_the_surface_and_size_they_were_last_looked_at(self):
        self.see("freehand", self.arms, shape="banner", width="31")
        self.assertContains(self.see("insignia", arms=self.arms), 'value="31"')
        page = self.see("freehand", self.arms)
        self.assertContains(page, '<option value="banner" selected')
        self.see("insignia", arms=self.arms, shape="roundel", width="9")
        self.assertContains(self.see("freehand", self.arms), 'value="9"')
        self.assertContains(self.see("insignia", arms=self.arms, shape="roundel", width="0"), "0.5 to 500")
        self.assertContains(self.see("freehand", self.arms), 'value="9"')
        self.client.logout()
        self.client.force_login(self.owner)
        self.assertContains(self.see("freehand", self.arms), 'value="9"')

    def test_what_is_said_and_not_seen_is_told_with_the_arms_and_by_hand(self):
        self.post(
            "keep-arms",
            arms=self.arms,
            name="Orsolin",
            blazon="Azure, a lion rampant or, armed and langued gules",
            bearer="",
        )
        for page in (self.see("insignia", arms=self.arms), self.see("freehand", self.arms)):
            self.assertContains(page, "armed and langued gules of the lion")

    def gules(self):
        scheme = self.now().scheme
        return hex_of(scheme.predicted(scheme.role("facing").recipe()).tones.flats)


class Bearers(RoomCase):
    def test_nothing_borne_says_where_marks_are_placed(self):
        self.assertContains(self.see("bearers"), "Marks are placed in the Scheme room")
        self.assert_hidden("bearers")

    def test_arms_placed_in_the_scheme_are_counted_and_drawn_and_their_lack_told(self):
        unit = self.now().army.units[0]
        leader = unit.ranks[0]
        self.post("keep-arms", arms="", name="House Weir", blazon=LANTERNS, bearer=unit.id)
        arms = self.now().scheme.arms[0].id
        placed = {
            "unit": unit.id,
            "rank": leader.id,
            "figure": "1",
            "site": "hat.plate",
            "kind": f"arms:{arms}",
            "text": "",
            "role": "field",
        }
        army = self.now().army
        rung = next(
            one.number
            for one in army.rungs(Figure(unit.id, leader.id, 1))
            if one.scope == unit.id and one.reach != "rank"
        )
        self.post("place-device", **placed, rung=str(rung))
        (borne,) = [one for one in self.now().scheme.placements if one.device and one.device.kind == "arms"]
        self.assertEqual((borne.device.text, borne.role), (arms, ""))
        page = self.see("bearers")
        for said in ("The arms of House Weir", "Hat plate", "2.7 x 3.5"):
            self.assertContains(page, said)
        stage = self.see("scheme", unit=unit.id, rank=leader.id, figure="1", area="head.hat.plate")
        self.assertContains(stage, "The arms of House Weir")
        self.assertContains(stage, 'class="device"')
        table = self.see("table-csv").content.decode()
        self.assertIn("bears the arms of House Weir", table)
        self.post("place-device", status=422, **placed | {"kind": "arms:nobody"}, rung=str(rung))
        self.post("remove-arms", arms)
        self.assertEqual([one for one in self.now().scheme.placements if one.device and one.device.kind == "arms"], [])


class Transfers(RoomCase):
    design = staticmethod(levy)

    def test_the_sheets_show_every_piece_and_tell_how_they_go_on(self):
        page = self.see("transfers", which="all")
        for said in ("149 pieces", "Print at 1:1", "Setting fluid", "keep them off skin", "white (SVG)"):
            self.assertContains(page, said)
        self.assertEqual(page.content.decode().count('class="cutline"'), 149)

    def test_what_comes_out_of_the_printer_is_true_and_a_printer_that_shrinks_is_found_out(self):
        self.assertAlmostEqual(self.bar(), 50, delta=0.1)
        self.assertAlmostEqual(self.bar(error="-3"), 48.5, delta=0.1)
        self.assertContains(self.see("transfers", error="-3", measured="48.5"), "103.1 %")

    def bar(self, **given) -> float:
        """mm of the bar on the first page, measured from the picture of the PDF."""
        sheet = self.printed("transfers-pdf", **given).content
        picture = subprocess.run(
            ["pdftoppm", "-r", "508", "-gray", "-f", "1", "-l", "1", "-"], input=sheet, capture_output=True, check=True
        ).stdout
        pixels = numpy.asarray(Image.open(io.BytesIO(picture)))
        dark = pixels[int(len(pixels) * 0.8) :] < 128
        runs = (len(run) for row in dark for run in "".join("x" if one else " " for one in row).split())
        return max(runs) / 20 - 0.15

    def test_a_sheet_is_kept_as_svg_in_colour_and_white(self):
        self.assertIn('class="cutline"', self.see("transfers-svg", 1).content.decode())
        self.assertNotIn('class="cutline"', self.see("transfers-svg", 1, layer="white").content.decode())
        self.see("transfers-svg", 9, status=404)
        self.see("transfers-pdf", status=404, error="x")

    def test_nonsense_is_told_at_its_field(self):
        page = self.see("transfers", status=422, error="40", paper="B9")
        self.assertContains(page, "Write -10 to 10", status_code=422)
        self.assertContains(self.see("transfers", status=422, measured="5"), "allowed is 40 to 62.5", status_code=422)
        for name, more in (("transfers", ()), ("transfers-pdf", ()), ("transfers-svg", (1,))):
            self.assert_hidden(name, *more)


class NoMarks(RoomCase):
    def test_an_army_without_marks_has_nothing_to_print(self):
        self.assertContains(self.see("transfers"), "Nothing to print yet")
        self.see("transfers-pdf", status=202)
        self.carried_out()
        self.assertContains(self.see("transfers-pdf", status=202), "no mark of this army is laid", status_code=202)
