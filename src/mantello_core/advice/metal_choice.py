"""Metals beside each other: what lies beneath one, and which one stands out from a main colour."""

from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..film.ground import Ground
from ..film.laying import coats_laid
from ..film.prediction import predicted
from ..paints.paint import Paint
from ..paints.range import paint
from ..recipes.first_step import base_thinned
from ..recipes.step import Mix, Recipe, Step

#: what is laid beneath metals by hand
BENEATH = {"black": "pitch-barrel", "brown": "eel-brown", "red": "brick-kiln"}
#: coats of a metal that are shown
SHOWN = 2
#: chroma from which a metal leans at all
LEANS = 5.0


@dataclass(frozen=True)
class Beneath:
    """A metal over one thing laid beneath it."""

    #: 'none' or a key of ``BENEATH``
    id: str
    mix: Mix | None
    #: coats of what lies beneath, and of the metal until it is even
    coats_beneath: int
    coats: int
    #: what lies beneath, then the metal after each of ``SHOWN`` coats
    colours: tuple[Lab, ...]
    #: CIEDE2000 of the metal after one coat from where it is opaque
    apart: float


def beneath_metal(metal: Mix, ground: Ground) -> tuple[Beneath, ...]:
    """What black, brown and red beneath a metal do, beside the bare undercoat; the fewest coats in all first."""
    found = [_beneath("none", None, metal, ground)]
    found += [_beneath(id_, base_thinned(((paint(pot), 1.0),)), metal, ground) for id_, pot in BENEATH.items()]
    return tuple(sorted(found, key=lambda one: (one.coats + one.coats_beneath, one.apart)))


def _beneath(id_: str, mix: Mix | None, metal: Mix, ground: Ground) -> Beneath:
    first = (Step("ground", "base", mix),) if mix else ()
    recipe = Recipe((*first, Step("base", "base", metal)))
    *beneath, coats = coats_laid(recipe, (ground,))[0].tolist()
    shown = [
        Recipe((*first, *(Step(f"coat-{at}", "base", metal, 1) for at in range(many)))) for many in range(SHOWN + 1)
    ]
    colours = tuple(predicted(one, ground).tones.flats if one.steps else ground.colour for one in shown)
    return Beneath(id_, mix, sum(beneath), coats, colours, difference(colours[1], metal.film.masstone))


@dataclass(frozen=True)
class MetalBeside:
    """A metal beside a main colour."""

    paint: Paint
    #: CIEDE2000 between them
    apart: float
    #: how far apart their hues lie, degrees; 0 where one of them is neutral
    hue: float

    @property
    def leans(self) -> str:
        """Warm, cold or neutral."""
        colour = self.paint.swatch
        return "neutral" if colour.chroma < LEANS else "warm" if colour.b + colour.a > 0 else "cold"


def metals_beside(colour: Lab, pots: tuple[Paint, ...]) -> tuple[MetalBeside, ...]:
    """Every metal by how it stands out from a colour, hue first: warm metals beside cold colours, and the other way round."""
    found = []
    for pot in (one for one in pots if one.kind == "metallic"):
        neutral = min(colour.chroma, pot.swatch.chroma) < LEANS
        hue = 0.0 if neutral else abs(colour.turn_to(pot.swatch))
        found.append(MetalBeside(pot, difference(colour, pot.swatch), hue))
    return tuple(sorted(found, key=lambda one: (-one.apart - one.hue / 6, one.paint.id)))
