"""What surfaces of a plate have in common, written and read back."""

from unittest import TestCase

import numpy as np

from mantello_core.camouflage.bare_file import bare_digest, read_bare, write_bare
from mantello_core.camouflage.laying import patterned
from mantello_core.camouflage.preparing import bare_plate, surface_of
from mantello_core.camouflage.surface import COARSE, PITCH
from mantello_core.figures.catalogue import plate
from tests.core.camouflage.samples import PATTERNS, tagged


class BareFile(TestCase):
    def test_a_pattern_on_what_was_read_back_is_the_same_to_the_bit(self):
        car, pattern = plate("puntcar"), PATTERNS["blotch"].seeded(3)
        fresh = patterned(surface_of(car, tagged("puntcar"), pitch=COARSE), pattern)
        data = write_bare(bare_plate(car, COARSE))
        memories = bare_plate.memory, surface_of.memory
        try:
            for memory in memories:
                memory.empty()
            asked = []
            bare_plate.memory.behind = lambda question: asked.append(question) or read_bare(data, car)
            kept = patterned(surface_of(car, tagged("puntcar"), pitch=COARSE), pattern)
        finally:
            bare_plate.memory.behind = None
            for memory in memories:
                memory.empty()
        self.assertEqual(asked, [(car, COARSE)])
        self.assertEqual(kept.shares, fresh.shares)
        for one, other in zip(kept.views, fresh.views, strict=True):
            self.assertEqual([each.wkb for each in one.seen], [each.wkb for each in other.seen])

    def test_a_figure_has_no_depths_of_its_own(self):
        figure = plate("crossbowman")
        read = read_bare(write_bare(bare_plate(figure, COARSE)), figure)
        self.assertEqual((read.depths, read.slope), ((), None))
        self.assertTrue(np.array_equal(read.views[0].owner, bare_plate(figure, COARSE).views[0].owner))

    def test_each_plate_and_raster_has_its_own_name(self):
        names = {bare_digest(plate(type_id), pitch) for type_id in ("puntcar", "lighter") for pitch in (PITCH, COARSE)}
        self.assertEqual(len(names), 4)

    def test_what_is_no_surface_of_the_plate_is_not_read(self):
        car = plate("puntcar")
        data = write_bare(bare_plate(plate("crossbowman"), COARSE))
        for broken in (b"", b"not one", data[: len(data) // 2], data):
            self.assertIsNone(read_bare(broken, car), broken[:10])
