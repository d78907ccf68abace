"""How colours shine in the end."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.paints.range import paint, paints
from mantello_core.recipes.step import Mix, Recipe, Step
from mantello_core.scheme.finishing import PLAIN_FINISHING
from mantello_core.scheme.sheen import SHEENS, sheen_of


def base(name: str) -> Recipe:
    return Recipe(
        (Step("base", "base", Mix(((paint(name), 1.0),))), Step("edge", "edge", Mix(((paint("gull-white"), 1.0),))))
    )


class Sheens(TestCase):
    def test_the_last_coat_decides_and_takes_a_metals_flash(self):
        for varnish, metal, colour in (("", "metallic", "matt"), ("gloss", "metallic", "gloss"), ("satin", "satin metal", "satin"), ("matt", "matt metal", "matt")):  # fmt: skip
            finishing = replace(PLAIN_FINISHING, varnish=varnish)
            found = [
                sheen_of(base(name), "one", finishing, metals_after=False) for name in ("ferry-steel", "brine-green")
            ]
            self.assertEqual(found, [metal, colour], varnish)
            self.assertTrue(set(found) <= set(SHEENS))

    def test_metals_after_the_varnish_keep_their_flash_and_what_is_glossed_shines(self):
        matt = replace(PLAIN_FINISHING, varnish="matt", shiny=("lens",))
        self.assertEqual(sheen_of(base("ferry-steel"), "one", matt, metals_after=True), "metallic")
        self.assertEqual(sheen_of(base("brine-green"), "lens", matt, metals_after=False), "gloss")

    def test_without_varnish_the_last_broad_coat_shines_and_a_lens_of_nothing_not_at_all(self):
        glossy = next(
            pot for pot in paints().values() if pot.finish == "gloss" and pot.kind in ("ink", "acrylic", "stain")
        )
        broad = Recipe((*base("brine-green").steps, Step("all", "glaze", Mix(((glossy, 1.0),)))))
        self.assertEqual(sheen_of(broad, "one", PLAIN_FINISHING, metals_after=False), "gloss")
        self.assertEqual(sheen_of(Recipe(), "one", PLAIN_FINISHING, metals_after=False), "")
