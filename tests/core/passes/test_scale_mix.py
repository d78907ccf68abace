"""Paint lightened for the scale: as light as it is shown, in parts that are mixed with a brush."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.camouflage.sizing import lightened, lightening
from mantello_core.design.brief import Brief
from mantello_core.film.surface import solid
from mantello_core.formats.sample import levy
from mantello_core.paints.range import paint, paints
from mantello_core.passes.scale_mix import for_scale
from mantello_core.recipes.step import MOST_PARTS, Mix

COVERING = sorted(pot.id for pot in paints().values() if pot.kind in ("acrylic", "air") and not pot.transparent)


def at_scale(scale: float):
    """The levy at so many mm of a figure."""
    return replace(levy(), brief=replace(levy().brief or Brief(), height_mm=scale))


class ScaleMix(TestCase):
    @given(st.sampled_from(COVERING), st.integers(1, 3))
    def test_any_colour_is_about_as_light_as_it_is_shown(self, pot, water):
        mix = Mix(((paint(pot), 3.0),), "water", float(water))
        made = for_scale(levy(), mix)
        start, now = (solid(one.film).colour for one in (mix, made))
        shown = lightened(start, lightening(56.0))
        if start.lightness > 25:
            self.assertAlmostEqual(now.lightness, shown.lightness, delta=1.6)
        self.assertTrue(all(parts == int(parts) and parts <= MOST_PARTS for _, parts in made.parts), made.words)
        self.assertGreaterEqual(now.lightness, start.lightness - 1.6)

    def test_the_smaller_the_figure_the_more_grey(self):
        mix = Mix(((paint("reed-bank"), 3.0),), "water", 1.0)
        light = [solid(for_scale(at_scale(scale), mix).film).colour.lightness for scale in (54.0, 28.0, 10.0)]
        self.assertEqual(light, sorted(light))
        self.assertLess(light[0] + 1, light[2])

    def test_metal_and_neat_paint_stay_what_they_are(self):
        metal = next(pot for pot in paints().values() if pot.kind == "metallic")
        mix = Mix(((metal, 1.0),))
        self.assertIs(for_scale(levy(), mix), mix)
        self.assertEqual(for_scale(levy(), Mix(((paint("reed-bank"), 1.0),))).diluent, "neat")
