"""What surfaces of a figure type have in common is worked out by a worker when the type is kept, and read by requests."""

from django.test import TestCase

from mantello.workspace.models import BareSurface, Drawing
from mantello.workspace.surfaces import keep_surfaces, kept_surface, read_kept_surfaces, worn_types
from mantello.workspace.tasks import surface
from mantello_core.camouflage.preparing import bare_plate
from mantello_core.camouflage.surface import COARSE
from mantello_core.figures.catalogue import plate
from mantello_core.figures.plate import plate_mapping


class Surfaces(TestCase):
    def test_a_shipped_type_is_kept_once_and_read_back(self):
        cart = plate("quaygun")
        self.assertIsNone(kept_surface((cart, COARSE)))
        self.assertEqual((keep_surfaces(cart), keep_surfaces(cart)), (2, 0))
        self.assertEqual(len(kept_surface((cart, COARSE)).depths), len(cart.views))

    def test_a_worker_keeps_shipped_types_by_name_and_own_ones_by_their_drawing(self):
        surface("quaygun")
        self.assertEqual(BareSurface.objects.count(), 2)
        Drawing.objects.create(pk="d" * 64, data=plate_mapping(plate("crossbowman")))
        surface("d" * 64)
        self.assertEqual(BareSurface.objects.count(), 4)
        surface("e" * 64)
        self.assertEqual(BareSurface.objects.count(), 4)

    def test_vehicles_and_cloaks_are_worked_out_ahead(self):
        self.assertLessEqual({"puntcar", "lighter", "crossbowman"}, set(worn_types()))
        self.assertNotIn("fusilier", worn_types())

    def test_a_process_that_serves_asks_the_database_first(self):
        try:
            read_kept_surfaces()
            self.assertIs(bare_plate.memory.behind, kept_surface)
        finally:
            bare_plate.memory.behind = None
