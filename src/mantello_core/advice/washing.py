"""How far a wash may go: all over, in the recesses or along the lines, in one pass or several, and what each costs."""

from dataclasses import dataclass, replace

from ..errors import UnknownName
from ..figures.extent import Extent
from ..film.calibration import Calibration
from ..film.ground import Ground
from ..film.prediction import predicted
from ..film.tones import Tones
from ..recipes.handwork import Circumstances, seconds_of
from ..recipes.step import Manner, Recipe, Step
from ..recipes.where import Where

#: kinds of step that can go all over or be led into recesses
KINDS = ("shade", "recess")
#: passes that stand side by side
PASSES = (1, 2, 3)
#: L* that flats may lose before a painter lays their colour again, and how much of an area that is
LOSS, AGAIN = 3.0, 0.82
#: every way to lay a wash: name in words, kind of step, and where it goes
SCOPES: dict[str, tuple[str, str, Where | None]] = {
    "all": ("all over", "shade", None),
    "recesses": ("recesses alone", "recess", None),
    "lines": ("along the lines", "recess", Where("lines")),
}


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
    return replace(step, kind=kind, coats=passes, spot=spot, where="", manner=replace(step.manner, share=None))


def ways(
    recipe: Recipe,
    at: int,
    ground: Ground,
    calibrations: tuple[Calibration, ...],
    extent: Extent,
    around: Circumstances,
) -> tuple[Washed, ...]:
    """The step of a recipe at a place in its order, laid in every way; none for what is no wash over a base.

    extent: all of the role on one figure. Laying the base again is one coat of the recipe's first mix off the recesses.
    """
    step = recipe.steps[at]
    if step.kind not in KINDS or at == 0:
        return ()
    before = predicted(replace(recipe, steps=recipe.steps[:at]), ground, calibrations).tones.flats
    panel = Step("again", "layer", recipe.steps[0].mix, 1, manner=Manner(share=AGAIN))
    found = []
    for scope in SCOPES:
        for passes in PASSES if scope == "all" else (1,):
            laid = washed_step(step, scope, passes)
            tones = predicted(replace(recipe, steps=(*recipe.steps[:at], laid)), ground, calibrations).tones
            lost = max(0.0, before.lightness - tones.flats.lightness)
            again = seconds_of(panel, extent, 1, around) / 60 if lost > LOSS else 0.0
            found.append(Washed(scope, passes, tones, lost, seconds_of(laid, extent, passes, around) / 60, again))
    return tuple(found)
