"""Places on a piece: the agreed values, and what they are asked for."""

from mantello_core.colour.spaces import Lab, mean_lab
from mantello_core.errors import UnknownName
from mantello_core.film.tones import Tones
from mantello_core.recipes.place import Place, Places, usual_places
from mantello_core.recipes.technique import techniques
from tests.core.case import RefusalCase


class Usual(RefusalCase):
    def test_the_agreed_values(self):
        self.assertEqual(
            [(one.id, one.name, one.share, one.sprayed, one.left, one.band, one.pools) for one in usual_places()],
            [
                ("shade", "recess", 0.20, 0.08, 0.7, 0.9, True),
                ("base", "flat", 0.55, 0.5, 0.12, 2.4, False),
                ("layer", "raised", 0.15, 0.8, 0.05, 1.6, False),
                ("highlight", "ridge", 0.08, 0.95, 0.03, 0.8, False),
                ("edge", "edge", 0.02, 1.0, 0.02, 0.35, False),
            ],
        )
        self.assertEqual(
            (usual_places().flats, usual_places().raised, usual_places().recess), ("base", "highlight", "shade")
        )

    def test_where_each_kind_of_step_goes(self):
        reached = {kind: [place.id for place in technique.places] for kind, technique in techniques().items()}
        every = ["shade", "base", "layer", "highlight", "edge"]
        for kind, places in {
            "base": every, "shade": every, "glaze": every, "varnish": every, "layer": every[2:], "highlight": every[3:],
            "edge": every[4:], "recess": every[:1], "line": every[:1], "dot": every[4:], "drybrush": every[1:],
            "powder": every[:3],
        }.items():  # fmt: skip
            self.assertEqual(reached[kind], places, kind)

    def test_shares_touched_and_where_a_step_shows(self):
        for kind, share, shown in (
            ("base", 1.0, "base"), ("layer", 0.25, "layer"), ("highlight", 0.10, "highlight"), ("edge", 0.02, "edge"),
            ("recess", 0.20, "shade"), ("line", 0.10, "shade"), ("drybrush", 0.156, "edge"), ("stipple", 0.7195, "layer"),
        ):  # fmt: skip
            technique = techniques()[kind]
            self.assertAlmostEqual(technique.share, share, 6, kind)
            self.assertEqual(technique.shown, shown, kind)

    def test_an_unknown_place_is_refused_by_name(self):
        with self.assertRaisesMessage(UnknownName, "edge"):
            usual_places()["edges"]


class Measured(RefusalCase):
    PLACES = Places(
        (Place("deep", "recess", 0.3, 0.1, 0.6, 1.0, True), Place("top", "raised", 0.7, 0.9, 0.1, 2.0)), "top", "top"
    )

    def test_tones_follow_the_places_they_are_given(self):
        dark, light = Lab(20.0, 0.0, 0.0), Lab(80.0, 5.0, 5.0)
        tones = Tones({"top": light, "deep": dark}, self.PLACES)
        self.assertEqual(list(tones), ["deep", "top"])
        self.assertEqual((tones.flats, tones.recess, tones.raised), (light, dark, light))
        self.assertEqual(tones.apparent, mean_lab([dark, light], [0.3, 0.7]))
        self.assertEqual([(one.id, two.id) for one, two in self.PLACES.neighbours], [("deep", "top")])
