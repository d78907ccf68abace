"""The same figure on the best undercoats side by side: bare, and with one coat of every colour's first mix."""

from dataclasses import dataclass, replace
from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.urls import reverse
from django.views.decorators.http import require_safe

from mantello.shell.download import drawing
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import army_for
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import hex_of
from mantello_core.errors import MantelloError
from mantello_core.film.ground import Ground
from mantello_core.formats.document.ground import read_ground
from mantello_core.formats.drawing import plate_svg
from mantello_core.planning.undercoating import UndercoatAdvice
from mantello_core.scheme.cascade import FigureClass

#: how many undercoats are drawn, and px that their figures are tall
SHOWN, TALL = 6, 150


@dataclass(frozen=True)
class OnGround:
    """One undercoat: the figure bare and after first coats, as addresses, and its size."""

    advice: UndercoatAdvice
    bare: str
    first: str
    width: int
    height: int


def on_best(army, reading: Reading, advice: list[UndercoatAdvice]) -> list[OnGround]:
    """The best undercoats on the figure that there are most of; of grounds that begin with one spray the best alone."""
    one = commonest(reading)
    _, _, wide, tall = one.plate.views[0].view_box
    found: dict[str, OnGround] = {}
    for each in advice:
        ground = each.ground
        if ground.undercoat.id in found or len(found) == SHOWN:
            continue
        said = {"undercoat": ground.undercoat.id, "above": ground.above.id if ground.above else "", "pot_coat": ground.pot_coat.id if ground.pot_coat else ""}  # fmt: skip
        at = reverse("ground-figure", args=[army.pk])
        bare, first = (f"{at}?{urlencode(said | {'coats': coats, 'v': army.head.number})}" for coats in (0, 1))
        found[ground.undercoat.id] = OnGround(each, bare, first, round(wide * TALL / tall), TALL)
    return list(found.values())


def commonest(reading: Reading) -> FigureClass:
    """The class with the most figures, of those that have all their colours where there are any."""
    return max(
        reading.resolution.classes,
        key=lambda one: (all(cell.role is not None for cell in one.cells.values()), len(one.ordinals)),
    )


@login_required
@require_safe
def ground_figure(request, army_id):
    """The commonest figure on a ground, bare or with one coat of first mixes."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    try:
        ground = read_ground(request.GET.dict(), catalogue_for(army))
    except MantelloError as error:
        raise Http404 from error
    if not reading.design.army.figures:
        raise Http404
    one = commonest(reading)
    covered = request.GET.get("coats") == "1"

    def fill(area: str) -> str:
        role = one.cells[area].role
        return hex_of(_first_coat(reading, one, role, ground)) if covered and role else hex_of(ground.colour)

    return drawing(plate_svg(one.plate, one.plate.views[0].name, fill, detail="small"), request)


def _first_coat(reading: Reading, one: FigureClass, role: str, ground: Ground):
    """What one coat of a role's first mix looks like on a ground; the ground where there is none."""
    recipe = reading.design.scheme.recipe(role, one.tier)
    if not recipe.steps:
        return ground.colour
    alone = replace(recipe, steps=(replace(recipe.steps[0], coats=1),))
    return reading.design.scheme.predicted(alone, ground).outcomes[0].after
