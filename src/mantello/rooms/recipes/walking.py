"""A role on the figure that shows most of it, step by step from the undercoat to the finished figure."""

from dataclasses import dataclass
from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.urls import reverse
from django.views.decorators.http import require_safe

from mantello.shell.download import drawing
from mantello.workspace.muster import moments_of
from mantello.workspace.page import army_for
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import hex_of
from mantello_core.formats.drawing import plate_svg
from mantello_core.numerals import whole_number

#: px that a figure of the walk is tall
TALL = 150


@dataclass(frozen=True)
class Moment:
    """One picture of the walk: what has just been done, and the figure after it."""

    words: str
    src: str
    width: int
    height: int


def walk_of(army, reading: Reading, role_id: str) -> list[Moment]:
    """Every step of a role on the figure that shows most of it, then the whole figure painted, varnished and dirty."""
    one = reading.resolution.showing_most(role_id)
    if one is None:
        return []
    _, _, wide, tall = one.plate.views[0].view_box
    size = round(wide * TALL / tall), TALL
    outcomes = reading.prediction(role_id, one.tier).outcomes
    words = ["Undercoat", *(outcome.step.technique.verb for outcome in outcomes)]
    found = []
    for at, said in enumerate(words):
        query = urlencode({"at": at, "v": army.head.number})
        found.append(Moment(said, f"{reverse('recipe-figure', args=[army.pk, role_id])}?{query}", *size))
    whole = moments_of(army, reading, one, one.ordinals[0], TALL)[1:]
    return [*found, *(Moment(said, picture.src, picture.width, picture.height) for said, picture in whole)]


@login_required
@require_safe
def recipe_figure(request, army_id, role):
    """The figure that shows most of a role, all else as designed, the role as far as the step that is asked for."""
    army = army_for(request, army_id)
    reading, asked = reading_of(army.head), request.GET.get("at", "0")
    one = reading.resolution.showing_most(role) if role in reading.design.scheme.role_by_id else None
    outcomes = reading.prediction(role, one.tier).outcomes if one else ()
    at = whole_number(asked, len(outcomes))
    if one is None or at is None:
        raise Http404
    # after no step it is the undercoat
    colour = hex_of(outcomes[at - 1].after if at else reading.undercoat)
    front = one.plate.views[0]

    def fill(area: str) -> str:
        return colour if one.cells[area].role == role else reading.fill(one, area)

    return drawing(plate_svg(one.plate, front.name, fill, detail="small"), request)
