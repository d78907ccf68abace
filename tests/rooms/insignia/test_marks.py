"""The Insignia room's pages of marks: unit codes, map, methods, guides, bought sheets, cloth, completion."""

import re

from mantello.rooms.plan.evening import Evening
from mantello.rooms.plan.evening import _mark as mark_of
from mantello_core.design.design import Design
from mantello_core.design.muster import empty_army
from mantello_core.formats.sample import levy
from mantello_core.insignia.devices.device import Device
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.scheme import Scheme
from tests.rooms.case import RoomCase
from tests.rooms.plan.test_plan import TUESDAY, DeskCase

SYSTEM = {
    "name": "Squads", "scope": "2nd-tidewall", "bearers": "unit", "type": "fusilier", "site": "hat.plate", "colours": ["harbour", "lantern", "gull"],
    "colour_by": "holder", "frames": ["disc", "lozenge", "square"], "frame_by": "holder", "signs": "numerals", "sign_by": "order",
    "apart": "2", "seed": "3", "method": "stencil", "ground": "", "outline": "", "rank_site": "", "rank_role": "",
}  # fmt: skip


class UnitCodes(RoomCase):
    design = staticmethod(levy)

    def test_the_demos_systems_are_shown_with_their_proof(self):
        page = self.see("unit-codes")
        for said in (
            "Punt-car numbers",
            "Tactical marks",
            "smallest difference",
            "codes left to give",
            "lost on the bar in spring",
        ):
            self.assertContains(page, said)
        self.assertContains(self.see("unit-codes", system="tactical-marks"), "2 of 2")
        self.assertContains(self.see("unit-codes", new="yes"), "Make the codes")

    def test_a_system_is_made_and_its_codes_shown_by_the_figures(self):
        self.post("keep-system", **SYSTEM)
        system = self.now().scheme.code_system("squads")
        self.assertEqual([one.holder for one in system.held], ["1st-harbour-line", "2nd-lantern-line", "3rd-gull-line"])
        codes = [one.code for one in system.held]
        self.assertTrue(all(one.unlike(two) >= 2 for at, one in enumerate(codes) for two in codes[:at]))
        self.assertContains(self.see("unit-codes", system="squads"), "of 3")
        self.post("keep-system", **SYSTEM | {"system": "squads", "name": "Squad marks"})
        self.assertEqual(self.now().scheme.code_system("squads").name, "Squad marks")
        self.assertEqual([one.code for one in self.now().scheme.code_system("squads").held], codes)

    def test_codes_are_pinned_retired_given_again_and_freed(self):
        holder = "punt-cars/punt-car/1"
        self.post("change-codes", "car-numbers", do="pin", holder=holder)
        self.assertTrue(self.now().scheme.code_system("car-numbers").code_of[holder].pinned)
        self.post("change-codes", "car-numbers", do="retire", holder=holder, why="burnt")
        self.assertContains(self.see("unit-codes"), "Without a code: Punt-car 1")
        self.post("change-codes", "car-numbers", do="fill")
        self.assertEqual(self.now().scheme.code_system("car-numbers").code_of[holder].code.sign, "6")
        self.post("change-codes", "car-numbers", do="free", colour="white", frame="", sign="3")
        self.assertEqual([one.code.sign for one in self.now().scheme.code_system("car-numbers").retired], ["1"])
        self.post("change-codes", "car-numbers", do="anew")
        self.assertEqual(
            [one.code.sign for one in self.now().scheme.code_system("car-numbers").held], ["2", "3", "4", "5"]
        )
        self.post("remove-system", "car-numbers")
        self.assertEqual([one.id for one in self.now().scheme.code_systems], ["tactical-marks"])

    def test_codes_are_taken_from_a_list_and_what_is_left_is_told_and_stays_typed(self):
        self.post("paste-codes", "car-numbers", text="Bearer;Number\nPunt-car 1;12\nPunt-car 2;7 in white")
        codes = self.now().scheme.code_system("car-numbers").code_of
        self.assertEqual([codes[f"punt-cars/punt-car/{at}"].code.sign for at in (1, 2)], ["12", "7"])
        page = self.post("paste-codes", "car-numbers", status=200, text="Punt-car 3;8\nOx cart;9")
        self.assertContains(page, "Line 2, &#x27;Ox cart 9&#x27;: nobody")
        self.assertContains(page, "Ox cart;9")
        self.assertEqual(self.now().scheme.code_system("car-numbers").code_of["punt-cars/punt-car/3"].code.sign, "8")
        self.assertContains(self.post("paste-codes", "car-numbers", status=422, text=""), "required", status_code=422)

    def test_what_cannot_be_is_told_and_what_was_typed_stays(self):
        for wrong, said in (
            ({"apart": "9"}, "Write 1, 2 or 3"), ({"signs": "?!"}, "cannot be drawn"), ({"colours": []}, "Nothing is chosen here"),
            ({"site": "hull.number"}, "has this site"), ({"colours": ["harbour"], "apart": "3"}, "There are codes for"),
        ):  # fmt: skip
            page = self.post("keep-system", status=422, **SYSTEM | wrong)
            self.assertContains(page, said, status_code=422)
            self.assertContains(page, 'value="Squads"', status_code=422)
        self.assertEqual(len(self.now().scheme.code_systems), 2)

    def test_too_few_codes_when_designing_anew_are_told(self):
        self.post("keep-system", **SYSTEM | {"signs": "1, 2, 3", "frames": [], "apart": "1", "colour_by": "one"})
        for sign in "12":
            system = self.now().scheme.code_system("squads")
            holder = next(one.holder for one in system.held if one.code.sign == sign)
            self.post("change-codes", "squads", do="retire", holder=holder, why="lost")
        self.assertContains(
            self.post("change-codes", "squads", status=422, do="anew"), "There are codes for", status_code=422
        )

    def test_nobody_else_comes_near(self):
        for name, arguments, post in (
            ("unit-codes", (), False), ("keep-system", (), True), ("change-codes", ("car-numbers",), True), ("remove-system", ("car-numbers",), True),
            ("mark-map", (), False), ("mark-method", (), True), ("bought", (), False), ("keep-sheet", (), True), ("remove-sheet", ("cap-numerals",), True),
            ("cloth", (), False), ("keep-cloth", (), True), ("complete-blazon", (), False), ("mark-by-hand", (), False), ("mark-by-hand-sheet", (), False),
        ):  # fmt: skip
            self.assert_hidden(name, *arguments, post=post)


class NothingYet(RoomCase):
    @staticmethod
    def design():
        return Design(empty_army("Bare"), Scheme("Scheme"))

    def test_an_empty_army_has_no_dead_ends(self):
        for name in (
            "unit-codes",
            "mark-map",
            "bearers",
            "transfers",
            "bought",
            "cloth",
            "calendar",
            "reinforcements",
        ):
            self.see(name)
        self.archived()
        self.assertContains(self.see("unit-codes"), "nothing to make codes of yet")
        self.assertContains(self.see("cloth"), "No figure to clothe yet")
        self.see("what-if", status=302)


class Marks(RoomCase):
    design = staticmethod(levy)
    HAT = {"unit": "1st-harbour-line", "rank": "fusilier", "figure": "1", "site": "hat.plate"}

    def test_the_map_shows_every_type_and_what_to_look_at(self):
        page = self.see("mark-map")
        for said in ("House captain", "mirrored on this side", "mm up", "No room for the mark", "Proposed: a line"):
            self.assertContains(page, said)

    def test_who_bears_what_compares_hand_and_transfer_and_keeps_the_choice(self):
        page = self.see("bearers")
        self.assertContains(page, "pays from")
        mark = re.search(r'name="mark" value="(brazzacorta-shield-face)"', page.content.decode())[1]
        self.post("mark-method", mark=mark, method="transfer")
        kept = next(one for one in self.now().scheme.placements if one.id == mark)
        self.assertEqual(kept.manner.method, "transfer")
        self.post("mark-method", status=422, mark=mark, method="magic")
        self.post("mark-method", status=422, mark="nobody", method="cast")

    def test_only_marks_made_as_transfers_are_laid_out_unless_all_are_wanted(self):
        few, every = (
            re.search(r"(\d+) pieces", self.see("transfers", which=which).content.decode())[1]
            for which in ("made", "all")
        )
        self.assertEqual(few, "64")
        self.assertGreater(int(every), 100)

    def test_a_numeral_has_a_guide_and_a_sheet_to_print(self):
        page = self.see("mark-by-hand", **self.HAT)
        for said in ("on hat plate by hand", "A brush can", "6 stages", "Trim metal"):
            self.assertContains(page, said)
        self.printed("mark-by-hand-sheet", **self.HAT)
        self.assertContains(
            self.see("mark-by-hand", status=422, **self.HAT, line="x"), "Write 0.1 to 3 mm", status_code=422
        )
        for wrong in ({"site": "shield.face"}, {"figure": "99"}, {"unit": "x"}):
            self.see("mark-by-hand", status=404, **self.HAT | wrong)

    def test_words_that_fit_are_answered(self):
        words = self.see("complete-blazon", text="azure, a fess wa").json()["words"]
        self.assertEqual(words, [{"phrase": "wavy", "start": 14}])
        self.assertEqual(self.see("complete-blazon", text="?" * 3000).json()["words"], [])

    def test_the_arms_are_shown_as_branches(self):
        self.assertContains(self.see("insignia", arms="brazzacorta"), "three lanterns argent</li>", html=False)


class Bought(RoomCase):
    design = staticmethod(levy)

    def test_pieces_are_given_out_and_what_is_short_is_told(self):
        page = self.see("bought")
        for said in (
            "Cap numerals, black",
            "All 13 figures have a piece",
            "6 of 13 figures have a piece",
            "2 more of Cap numerals",
            "larger than the site",
        ):
            self.assertContains(page, said)

    def test_a_sheet_is_added_changed_and_removed(self):
        self.post("keep-sheet", name="Discs", owned="2", designs="Spot;disc;#ffffff;2;2;9")
        self.assertEqual(self.now().sheets[-1].designs[0].device, Device("disc"))
        self.assertContains(self.see("bought", sheet="discs"), "Spot;disc;#ffffff;2;2;9")
        self.post("keep-sheet", sheet="discs", name="Discs", owned="7", designs="Spot;disc;#ffffff;2;2;9")
        self.assertEqual(self.now().sheets[-1].owned, 7)
        self.post("remove-sheet", "discs")
        self.assertEqual(len(self.now().sheets), 1)

    def test_a_bad_line_is_told_and_the_list_stays(self):
        page = self.post("keep-sheet", status=422, name="Discs", owned="2", designs="Spot;disc;white;2;2;9")
        for said in ("Line 1:", "is no colour", "Spot;disc;white"):
            self.assertContains(page, said, status_code=422)


class Cloth(RoomCase):
    design = staticmethod(levy)
    FORM = {
        "figure": "reed-cutters|reed-cutter", "area": "torso.tunic", "pattern": "stripes", "role": "rust", "girth": "24", "width": "1.1",
        "turn": "0", "line": "0.3", "rung": "3",
    }  # fmt: skip

    def test_a_pattern_is_tried_with_what_goes_round(self):
        page = self.see("cloth", **self.FORM)
        for said in ("22 stripes of 1.09 mm", "A brush can", "told apart", "Pencil every line"):
            self.assertContains(page, said)
        self.assertContains(self.see("cloth", **self.FORM | {"width": "0.15"}), "Too fine for the brush")
        self.assertContains(self.see("cloth"), "Dags 1.4 mm wide")

    def test_it_is_put_on_and_taken_off(self):
        self.post("keep-cloth", **self.FORM)
        design = self.now()
        borne = [
            one.borne.get("cloth.torso.tunic") for one in resolve(design.army, design.scheme).of_unit("reed-cutters")
        ]
        self.assertTrue(all(one and one.placement.device == Device("stripes", "1.091") for one in borne))
        self.post("keep-cloth", **self.FORM, do="remove")
        self.assertNotIn("reed-cutters", [one.scope for one in self.now().scheme.placements])

    def test_nonsense_is_told_at_its_field(self):
        self.assertContains(
            self.see("cloth", status=422, **self.FORM | {"width": "x"}), "Write 0.1 to 30", status_code=422
        )
        self.assertContains(
            self.post("keep-cloth", status=422, **self.FORM | {"width": "25"}), "less than twice", status_code=422
        )
        self.post("keep-cloth", status=422, **self.FORM | {"figure": "x"})


class AtTheDesk(DeskCase):
    design = staticmethod(levy)

    def test_marks_are_plan_and_log_like_other_work(self):
        evening = Evening(self.army, TUESDAY)
        marks = {}
        for block in evening.plan.blocks:
            if block.task.atoms[0].subject.site:
                marks.setdefault(block.task.atoms[0].step, evening.find(mark_of(block)))
        self.assertTrue({"gloss", "place", "soften", "seal", "freehand", "stencil"} <= set(marks))
        soften = marks["soften"]
        page = self.see("desk", batch=soften.id)
        for said in ("Soften hat plate", "Do not touch it while it is soft", "label comes first"):
            self.assertContains(page, said)
        self.post("desk-done", **self.batch(page))
        entry = self.army.entries.latest("pk")
        self.assertEqual((entry.role, entry.mix, entry.paints), ("mark:hat.plate", "Softening fluid", []))
        self.assertContains(self.see("desk", batch=marks["freehand"].id), "By the stages of the guide")
        self.see("log")
        self.see("upkeep")
