"""How deep a tree of formations may be, to the level."""

from mantello_core.errors import OutOfRange
from mantello_core.formats.document.design import read_design, write_design
from tests.core.case import RefusalCase
from tests.samples import small_design


class Depth(RefusalCase):
    def nested(self, levels: int) -> dict:
        document = write_design(small_design())
        for number in range(levels):
            root = document["army"]["root"]
            root["children"] = [{"id": f"in-{number}", "kind": "company", "name": "In", "children": root["children"]}]
        return document

    def test_twelve_levels_are_read_and_thirteen_refused(self):
        design = read_design(self.nested(9))
        self.assertEqual(max(len(path) for path in design.army.paths.values()), 13)
        with self.assertRaisesMessage(OutOfRange, "more than 12 levels deep"):
            read_design(self.nested(10))
