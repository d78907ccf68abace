"""How far a wash may go: all over, in the recesses or along the lines, in one pass or several, and what each costs."""

from dataclasses import dataclass, replace

from ..colour.difference import difference
from ..errors import UnknownName
from ..figures.extent import Extent
from ..film.calibration import Calibration
from ..film.ground import Ground
from ..film.prediction import predicted
from ..film.surface import solid, washed
from ..film.tones import Tones
from ..mixing.choosing import light_order
from ..paints.range import paints
from ..recipes.handwork import Circumstances, seconds_of
from ..recipes.remixing import as_thin, mixed_of
from ..recipes.step import Manner, Mix, Recipe, Step
from ..recipes.where import Where

#: kinds of step that can go all over or be led into recesses
KINDS = ("shade", "recess", "oil")
#: passes that stand side by side
PASSES = (1, 2, 3)
#: L* that flats may lose before a painter lays their colour again, and how much of an area that is
LOSS, AGAIN = 3.0, 0.82
#: every way to lay a wash: name in words, kind of step, and where it goes
SCOPES: dict[str, tuple[str, str, Where | None]] = {
    "all": ("all over", "shade", None),
    "recesses": ("recesses alone", "recess", None),
    "lines": ("along the lines", "recess", Where("lines")),
    "oil": ("oil, laid and wiped", "oil", None),
}
#: kinds of paint that stay open long enough to be wiped, and what thins them, parts to one
OPEN = {"oil": 8.0, "enamel": 1.0}
#: parts of a base and of a lightener that are tried beneath a wash
LIGHTER = ((8, 1), (4, 1), (2, 1), (1, 1), (1, 2), (1, 4))


@dataclass(frozen=True)
class Washed:
    """One way to lay a wash, one figure of it."""

    scope: str
    passes: int
    #: what it runs into when it is dry
    tones: Tones
    #: L* that the flats lose by it
    lost: float
    #: hands-on minutes of it, and of laying the base again where too much is lost
    minutes: float
    again: float
    #: the base mixed so much lighter that the wash brings it back to its own lightness; None where it loses too little
    lighter: Mix | None = None

    @property
    def words(self) -> str:
        """As in 'all over, 2 passes'."""
        return SCOPES[self.scope][0] + (f", {self.passes} passes" if self.passes > 1 else "")


def washed_step(step: Step, scope: str, passes: int) -> Step:
    """The step laid another way.

    Raises: UnknownName for the scope.
    """
    if scope not in SCOPES:
        raise UnknownName("way to lay a wash", scope, list(SCOPES), "scope")
    _, kind, spot = SCOPES[scope]
    mix = oil_like(step.mix) if kind == "oil" else step.mix
    return replace(step, kind=kind, mix=mix, coats=passes, spot=spot, where="", manner=replace(step.manner, share=None))


def oil_like(mix: Mix) -> Mix:
    """The oil or enamel whose colour comes nearest a wash, thinned to be laid and wiped; a mix of such paints as it is."""
    if all(pot.kind in OPEN for pot in mix.paints):
        return mix
    known = [pot for pot in paints().values() if pot.kind in OPEN]
    pot = min(known, key=lambda one: (difference(one.swatch, mix.paints[0].swatch), one.id))
    return Mix(((pot, 1.0),), "thinner", OPEN[pot.kind])


def lighter_beneath(base: Mix, wash: Mix) -> Mix | None:
    """The base with the least of a light paint in it that a wash brings back to the base's own lightness on the flats; None
    where the wash takes too little to mind, or no light paint is enough.

    Judged on opaque films: a wash on the raised surface of each.
    """
    own = solid(base.film).colour.lightness

    def washed_to(mix: Mix) -> float:
        return washed(solid(mix.film), wash.film, wash.dilution, recess=False).colour.lightness

    if own - washed_to(base) <= LOSS or base.film.flake:
        return None
    lights = light_order(Mix(base.parts), tuple(paints().values()))
    lightest = sorted(lights, key=lambda pot: (-pot.swatch.lightness, pot.id))[:1]
    for light in (*lights[:2], *lightest):
        for parts, more in LIGHTER:
            made = mixed_of([(base, parts), (light, more)])
            mix = as_thin(base, made)
            if washed_to(mix) >= own - LOSS / 3:
                return mix
    return None


def ways(
    recipe: Recipe,
    at: int,
    ground: Ground,
    calibrations: tuple[Calibration, ...],
    extent: Extent,
    around: Circumstances,
) -> tuple[Washed, ...]:
    """The step of a recipe at a place in its order, laid in every way; none for what is no wash over a base.

    extent: all of the role on one figure. Laying the base again is one coat of the recipe's base off the recesses.
    """
    step = recipe.steps[at]
    if step.kind not in KINDS or at == 0:
        return ()
    before = predicted(replace(recipe, steps=recipe.steps[:at]), ground, calibrations).tones.flats
    panel = Step("again", "layer", recipe.base.mix, 1, manner=Manner(share=AGAIN))
    found = []
    for scope in SCOPES:
        for passes in PASSES if scope == "all" else (1,):
            laid = washed_step(step, scope, passes)
            tones = predicted(replace(recipe, steps=(*recipe.steps[:at], laid)), ground, calibrations).tones
            lost = max(0.0, before.lightness - tones.flats.lightness)
            lighter = lighter_beneath(recipe.base.mix, step.mix) if scope == "all" and passes == 1 else None
            again = seconds_of(panel, extent, 1, around) / 60 if lost > LOSS else 0.0
            found.append(
                Washed(scope, passes, tones, lost, seconds_of(laid, extent, passes, around) / 60, again, lighter)
            )
    return tuple(found)
