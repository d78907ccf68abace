"""The catalogue is a value: what is known of paints depends on nothing that was read before."""

import json
import subprocess
import sys

from mantello_core.colour.spaces import Lab
from mantello_core.design.edit import with_recipe_started
from mantello_core.design.worked_out import with_calibration
from mantello_core.errors import UnknownName
from mantello_core.film.calibration import Calibration
from mantello_core.formats.document.design import design_bytes, read_design_bytes, write_design
from mantello_core.paints.catalogue import SHIPPED, Catalogue
from mantello_core.paints.own import by_swatch, own_paint
from mantello_core.paints.range import paints
from tests.core.case import RefusalCase
from tests.samples import small_design

ROSE = own_paint(by_swatch("Stall rose", "acrylic", Lab(50, 40, 10), "opaque"))
MOSS = own_paint(by_swatch("Weir moss", "acrylic", Lab(40, -12, 20), "opaque"))


class Catalogues(RefusalCase):
    def test_own_paints_come_after_those_of_the_ranges_each_once(self):
        both = SHIPPED.with_own([ROSE, MOSS]).with_own([ROSE, paints()["gull-white"]])
        self.assertEqual([pot.id for pot in both][-2:], [ROSE.id, MOSS.id])
        self.assertEqual(len(list(both)), len(paints()) + 2)
        self.assertIs(both.with_own([MOSS]), both)

    def test_it_names_what_it_holds_and_refuses_the_rest_with_near_names(self):
        self.assertEqual(Catalogue((ROSE,)).paint(ROSE.id), ROSE)
        self.assertIn(ROSE.id, Catalogue((ROSE,)))
        self.assertNotIn(ROSE.id, SHIPPED)
        with self.assertRaisesMessage(UnknownName, "gull-white"):
            SHIPPED.paint("gul-white")

    def test_a_design_brings_its_own_paints_and_no_others(self):
        design = with_recipe_started(small_design(), "field", ROSE)
        self.assertEqual(design.scheme.own_paints, (ROSE,))
        self.assertEqual([one["id"] for one in write_design(design)["paints"]], [ROSE.id])
        self.assertIn(ROSE.id, read_design_bytes(design_bytes(design)).catalogue)

    def test_a_document_that_names_an_own_paint_it_does_not_bring_is_refused_whatever_was_read_before(self):
        document = write_design(with_recipe_started(small_design(), "field", ROSE))
        del document["paints"]
        with self.assertRaisesMessage(UnknownName, ROSE.id):
            read_design_bytes(json.dumps(document).encode())

    def test_what_was_learnt_of_an_own_paint_outlives_its_use(self):
        design = with_calibration(with_recipe_started(small_design(), "field", ROSE), Calibration(ROSE.id, 1.5))
        unused = with_recipe_started(design, "field", MOSS)
        again = read_design_bytes(design_bytes(unused))
        self.assertEqual(again, unused)
        self.assertEqual(again.scheme.calibrations, (Calibration(ROSE.id, 1.5),))

    def test_a_fresh_process_says_the_same_as_this_one(self):
        data = design_bytes(with_recipe_started(small_design(), "field", ROSE))
        program = (
            "import sys; from mantello_core.formats.document.design import read_design_bytes;"
            "d = read_design_bytes(sys.stdin.buffer.read());"
            "print(d.scheme.own_paints[0].id, d.scheme.predicted(d.scheme.role('field').recipe()).apparent)"
        )
        there = subprocess.run([sys.executable, "-c", program], input=data, capture_output=True, check=True)
        here = read_design_bytes(data).scheme
        said = f"{here.own_paints[0].id} {here.predicted(here.role('field').recipe()).apparent}"
        self.assertEqual(there.stdout.decode().strip(), said)
