"""The stage: every type of figure fits on it, its views apart from each other."""

from itertools import combinations

from django.test import SimpleTestCase

from mantello.rooms.scheme.stage import FRAME, HEIGHT, WIDTH, _places
from mantello_core.figures.catalogue import plate, plate_types


def boxes(type_id):
    shape = plate(type_id)
    for view, (x, y, scale) in zip(shape.views, _places(shape.views, shape.kind), strict=True):
        left, top, width, height = view.view_box
        yield x + scale * left, y + scale * top, x + scale * (left + width), y + scale * (top + height)


class Stage(SimpleTestCase):
    def test_every_type_stays_on_the_stage(self):
        for type_id in plate_types():
            for left, top, right, bottom in boxes(type_id):
                self.assertGreaterEqual(min(left, top), 0, type_id)
                self.assertLessEqual(right, WIDTH, type_id)
                self.assertLessEqual(bottom, HEIGHT, type_id)

    def test_views_of_vehicles_keep_clear_of_each_other_and_of_the_callout(self):
        for type_id in plate_types():
            if plate(type_id).kind != "vehicle":
                continue
            self.assertGreaterEqual(min(box[0] for box in boxes(type_id)), FRAME[0] - 0.01, type_id)
            for one, other in combinations(boxes(type_id), 2):
                apart = one[2] <= other[0] or other[2] <= one[0] or one[3] <= other[1] or other[3] <= one[1]
                self.assertTrue(apart, type_id)

    def test_tall_engines_stand_side_by_side_and_long_ones_below_each_other(self):
        walker, car = list(boxes("stiltwalker")), list(boxes("puntcar"))
        self.assertAlmostEqual(walker[0][3], walker[1][3], places=1)
        self.assertGreater(walker[1][0], walker[0][2])
        self.assertGreater(car[1][1], car[0][3])
