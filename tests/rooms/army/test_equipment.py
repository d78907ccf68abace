"""Equipment of a unit: kept line by line, refused at its field, told among the checks, read back from the document."""

from unittest import TestCase

from django.urls import reverse

from mantello.workspace.readings import reading_of
from mantello_core.army.equipment import Equipment, checked_equipment
from mantello_core.design.muster import with_equipment
from mantello_core.errors import Contradiction, OutOfRange, UnknownName
from mantello_core.formats.document.design import read_design, write_design
from tests.rooms.case import RoomCase
from tests.samples import calvessa

BANNER = Equipment("Banner", 1, 1, "command frame", "plastic", "built")


def sent(*lines, start=0):
    given = {"option-TOTAL_FORMS": str(len(lines)), "option-INITIAL_FORMS": str(start)}
    for at, line in enumerate(lines):
        given |= {f"option-{at}-{name}": str(value) for name, value in line.items()}
    return given


class Equipping(RoomCase):
    def setUp(self):
        super().setUp()
        self.unit = self.now().army.units[0].id

    def keep(self, *lines, status=302, start=0):
        address = reverse("keep-equipment", args=[self.army.pk, self.unit])
        answer = self.client.post(address, sent(*lines, start=start) | {"base": self.base()})
        self.assertEqual(answer.status_code, status)
        return answer

    def options(self):
        return self.now().army.nodes[self.unit].equipment

    def test_lines_are_kept_changed_and_taken_away(self):
        self.assertContains(self.see("equipment", self.unit), "Nothing said yet")
        banner = vars(BANNER)
        self.keep(
            banner, {"name": "Plume", "allowed": 4, "built": "", "source": "", "material": "", "state": "looked for"}
        )
        self.assertEqual(self.options(), (BANNER, Equipment("Plume", 4)))
        page = self.see("equipment", self.unit)
        for words in ("command frame, plastic", "1 of 1", "0 of 4", "Looked for"):
            self.assertContains(page, words)
        self.keep(
            banner | {"DELETE": "on"}, {"name": "Plume", "allowed": 2, "built": 0, "state": "in the box"}, start=2
        )
        self.assertEqual(self.options(), (Equipment("Plume", 2, state="in the box"),))
        self.assertContains(self.see("army", node=self.unit), reverse("equipment", args=[self.army.pk, self.unit]))

    def test_too_many_built_is_told_and_not_refused(self):
        self.keep(vars(BANNER) | {"built": 2})
        self.assertContains(self.see("equipment", self.unit), "2 built, 1 allowed")
        self.army.refresh_from_db()
        check = next(one for one in reading_of(self.army.head).checks if one.id == "build")
        self.assertIn("2 with Banner, allowed 1", check.findings[0].what)

    def test_parts_that_are_missing_though_it_is_built_are_told(self):
        self.keep(vars(BANNER) | {"state": "looked for"})
        self.army.refresh_from_db()
        check = next(one for one in reading_of(self.army.head).checks if one.id == "build")
        self.assertIn("still looked for", check.worst)

    def test_nonsense_stays_typed_and_is_told_at_its_line(self):
        good = vars(BANNER)
        for line, told in (
            (good | {"name": ""}, "Nothing is written here"), (good | {"allowed": "many"}, "whole number"), (good | {"built": "900"}, "the unit has no more"),
            (good | {"state": "lost"}, "is none of the choices"),
        ):  # fmt: skip
            page = self.keep(line, status=422)
            self.assertContains(page, told, status_code=422)
            self.assertContains(page, "command frame", status_code=422)
        self.assertContains(self.keep(good, good, status=422), "two options called", status_code=422)
        self.assertEqual(self.options(), ())

    def test_another_painter_and_what_is_no_unit_find_nothing(self):
        self.see("equipment", "nowhere", status=404)
        self.see("equipment", self.now().army.root.id, status=404)
        self.client.force_login(self.other)
        self.see("equipment", self.unit, status=404)


class InTheDocument(TestCase):
    def test_it_reads_back_identical(self):
        design = calvessa()
        made = with_equipment(design, design.army.units[0].id, (BANNER, Equipment("Plume", 4)))
        self.assertEqual(read_design(write_design(made)), made)

    def test_what_cannot_be_is_refused_at_its_field(self):
        for wrong, error, where in (
            (Equipment("", 1), OutOfRange, "equipment/0/name"), (Equipment("a", -1), OutOfRange, "equipment/0/allowed"),
            (Equipment("a", 1, 9), OutOfRange, "equipment/0/built"), (Equipment("a", 1, state="x"), UnknownName, "equipment/0/state"),
        ):  # fmt: skip
            with self.assertRaises(error) as caught:
                checked_equipment((wrong,), 8)
            self.assertEqual(caught.exception.where, where)
        with self.assertRaises(Contradiction):
            checked_equipment((Equipment("a", 1), Equipment("A", 1)), 8)
        with self.assertRaises(OutOfRange):
            checked_equipment(tuple(Equipment(str(at), 1) for at in range(41)), 8)
