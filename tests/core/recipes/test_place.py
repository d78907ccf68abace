"""Places on a piece: the agreed values, and what they are asked for."""

from mantello_core.colour.spaces import Lab, mean_lab
from mantello_core.errors import UnknownName
from mantello_core.film.tones import Tones
from mantello_core.recipes.place import Place, Places, usual_places
from tests.core.case import RefusalCase


class Usual(RefusalCase):
    def test_the_agreed_values(self):
        self.assertEqual(
            [(one.id, one.name, one.share, one.band) for one in usual_places()],
            [
                ("shade", "recess", 0.20, 0.9),
                ("base", "flat", 0.55, 2.4),
                ("layer", "raised", 0.15, 1.6),
                ("highlight", "ridge", 0.08, 0.8),
                ("edge", "edge", 0.02, 0.35),
            ],
        )
        self.assertEqual(
            (usual_places().flats, usual_places().raised, usual_places().recess), ("base", "highlight", "shade")
        )

    def test_an_unknown_place_is_refused_by_name(self):
        with self.assertRaisesMessage(UnknownName, "edge"):
            usual_places()["edges"]


class Measured(RefusalCase):
    PLACES = Places((Place("deep", "recess", 0.3, 1.0), Place("top", "raised", 0.7, 2.0)), "top", "top")

    def test_tones_follow_the_places_they_are_given(self):
        dark, light = Lab(20.0, 0.0, 0.0), Lab(80.0, 5.0, 5.0)
        tones = Tones({"top": light, "deep": dark}, self.PLACES)
        self.assertEqual(list(tones), ["deep", "top"])
        self.assertEqual((tones.flats, tones.recess, tones.raised), (light, dark, light))
        self.assertEqual(tones.apparent, mean_lab([dark, light], [0.3, 0.7]))
        self.assertEqual([(one.id, two.id) for one, two in self.PLACES.neighbours], [("deep", "top")])
