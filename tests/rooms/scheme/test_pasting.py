"""A block of names pasted into the mapping table, and the table on paper."""

import json
from unittest import mock

from mantello.rooms.scheme.pasting import MOST_CELLS
from mantello.rooms.scheme.table import columns_of
from mantello.rooms.scheme.table_sheet import table_page
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Figure
from mantello_core.scheme.cascade import resolve
from tests.rooms.case import RoomCase

SERGEANT = ["1st-harbour-line", "sergeant", 1]


def block(*cells):
    return json.dumps([[*SERGEANT, area, words] for area, words in cells])


class Pasting(RoomCase):
    def worn(self, area: str) -> str | None:
        design = self.now()
        return resolve(design.army, design.scheme).of(Figure(*SERGEANT)).cells[area].role

    def test_known_names_are_set_at_once_for_the_rank_on_both_sides(self):
        self.post(
            "paste-cells", cells=block(("arm.left.cuff", "  plume "), ("head.face", "Flesh: anything")), **{"in": ""}
        )
        self.assertEqual((self.worn("arm.left.cuff"), self.worn("arm.right.cuff")), ("plume", "plume"))
        self.assertEqual(self.worn("head.face"), "flesh")
        self.assertContains(self.see("table"), "2 cells pasted")

    def test_names_in_doubt_are_asked_once_each_with_near_ones(self):
        cells = block(
            ("arm.left.cuff", "Plum"), ("arm.right.cuff", "Plum"), ("head.face", "Field"), ("torso.vest", "Mystery")
        )
        page = self.post("paste-cells", cells=cells, status=200)
        self.assertEqual([(one.words, one.cells) for one in page.context["doubts"]], [("Plum", 2), ("Mystery", 1)])
        self.assertIn("plume", page.context["doubts"][0].near)
        self.assertNotEqual(self.worn("head.face"), "field")
        again = self.post("paste-cells", cells=cells, status=422, **{"as-0": "plume", "as-1": ""})
        self.assertContains(again, "Choose for every name", status_code=422)
        self.post("paste-cells", cells=cells, **{"as-0": "plume", "as-1": "-"})
        self.assertEqual((self.worn("arm.left.cuff"), self.worn("head.face")), ("plume", "field"))

    def test_bare_is_a_word_and_what_lay_beyond_is_told(self):
        self.post("paste-cells", cells=block(("torso.vest", "left bare")), beyond="3")
        self.assertEqual(self.worn("torso.vest"), "")
        self.assertContains(self.see("table"), "3 values lay beyond the table")

    def test_what_is_no_block_is_refused(self):
        many = block(*[("head.face", "Field")] * (MOST_CELLS + 1))
        for cells, said in (
            ("nonsense", "did not come as cells"), ("[]", "0 cells were pasted"), (many, "allowed are 1 to"), ("[[1,2]]", "did not come as cells"),
            (block(("no.area", "Field")), "is no area of that figure"), (block(("head.face", "x" * 200)), "has 200 signs"),
            ('[["nowhere","x",1,"head.face","Field"]]', "not there any more"),
        ):  # fmt: skip
            self.assertContains(self.post("paste-cells", cells=cells, status=422), said, status_code=422)

    def test_another_painter_pastes_nothing_here(self):
        self.assert_hidden("paste-cells", post=True)


class Paper(RoomCase):
    def test_no_column_is_lost_on_paper(self):
        columns = columns_of(reading_of(self.army.head))
        with mock.patch("mantello.rooms.scheme.table_sheet.COLUMNS", 3):
            page = table_page(self.army, {"within": ""})
        self.assertEqual(page.count("<section>"), -(-len(columns) // 3))
        for column in columns:
            self.assertIn(
                f"<th>{column.rank}<small>{column.unit.replace(chr(39), '&#x27;')}, {column.figures}</small>", page
            )
        self.printed("table-pdf")
        self.assert_hidden("table-pdf")
