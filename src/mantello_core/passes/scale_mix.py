"""Paint lightened for the scale: a little pale grey in the inks of a pattern."""

from ..camouflage.sizing import PALE, lightening
from ..colour.difference import differences
from ..colour.spaces import Lab
from ..design.camouflaged import denominator_of
from ..design.design import Design
from ..film.surface import solid
from ..memory import remembered
from ..paints.catalogue import Catalogue
from ..paints.paint import Paint
from ..paints.range import paints
from ..recipes.remixing import mixed_of
from ..recipes.step import Mix

#: parts of the colour to one of pale grey, the least grey first
_PARTS = range(12, 1, -1)


def for_scale(design: Design, mix: Mix) -> Mix:
    """The mix with as much pale grey as lightens it for the army's scale: none, or 1 part to 12 up to 1 to 2.

    What is meant is a rise of L*, the share of ``lightening`` of the way to 85; of the ratios the nearest is taken, by the
    colour of an opaque film. Metallic paint is left as it is.
    """
    share = lightening(denominator_of(design))
    if not share or any(pot.kind == "metallic" for pot in mix.paints):
        return mix
    return _lightened(mix, _pale_grey(design.scheme.catalogue), share)


@remembered(2_000)
def _lightened(mix: Mix, grey: Paint, share: float) -> Mix:
    start = solid(mix.film).colour.lightness
    rise = share * (PALE - start)
    tried = [mix]
    for parts in _PARTS:
        made = mixed_of([(mix, parts), (grey, 1)])
        whole = sum(amount for _, amount in made)
        thinned = max(0.5, round(2 * mix.dilution * whole) / 2) if mix.diluent != "neat" else 0.0
        tried.append(Mix(made, mix.diluent, thinned))
    return min(tried, key=lambda one: abs(solid(one.film).colour.lightness - start - rise))


@remembered(200)
def _pale_grey(catalogue: Catalogue) -> Paint:
    """The covering paint that is nearest to a pale neutral grey."""
    known = [pot for pot in (*paints().values(), *catalogue.own) if pot.covers and pot.kind != "metallic"]
    away = differences([pot.film.masstone for pot in known], Lab(PALE, 0.0, 0.0))
    return known[int(away.argmin())]
