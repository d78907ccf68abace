"""Pictures of single figures, drawn on request."""

from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpResponse
from django.shortcuts import get_object_or_404
from django.views.decorators.http import require_GET

from mantello.record.queries import progress
from mantello.shell.download import drawing
from mantello.workspace.models import Army, Edition
from mantello.workspace.page import army_for
from mantello.workspace.readings import reading_of
from mantello.workspace.seeing import seeing_from
from mantello_core.army.tree import Figure
from mantello_core.errors import MantelloError
from mantello_core.figures.catalogue import plate, plate_types
from mantello_core.formats.drawing import plate_svg
from mantello_core.numerals import whole_number

#: undercoat grey of plates without a scheme
GREY = "#bdbdbd"


@login_required
@require_GET
def figure(request, army_id, view):
    """One figure as a picture, as designed or as painted today; the query names it, since ranks may hold any sign."""
    army = army_for(request, army_id)
    return figure_of(request, army, view, _asked_edition(request, army))


def figure_of(request, army: Army, view: str, edition: Edition) -> HttpResponse:
    """The figure that the query names, as an edition has it, drawn from a view; one that is not there is not found."""
    reading = reading_of(edition)
    unit, rank, number = (request.GET.get(name, "") for name in ("unit", "rank", "figure"))
    try:
        one = reading.resolution.of(Figure(unit, rank, int(number)))
    except (MantelloError, StopIteration, ValueError) as error:
        raise Http404 from error
    ordinal = int(number)
    seeing = seeing_from(request.GET)
    if request.GET.get("as") == "painted":
        done = progress(army, edition)[unit, rank, ordinal].done
        fill = lambda area: reading.painted_fill(one, area, done, seeing)  # noqa: E731
        laid = reading.inks_done(one, done)
        worn = reading.camouflage(one, view, ordinal, seeing, laid) if laid else ()
        svg = plate_svg(one.plate, view, fill, detail="small", blur=seeing.blur, camouflage=worn)
    else:
        svg = reading.drawn(one, view, seeing, "small", ordinal)
    return drawing(svg, request)


@login_required
@require_GET
def face(request, army_id, number, at):
    """One of the faces kept with an edition."""
    army = get_object_or_404(Army.objects.visible_to(request.user), pk=army_id)
    faces = get_object_or_404(army.editions.only("faces"), number=number).faces or ()
    if at >= len(faces):
        raise Http404
    response = HttpResponse(faces[at], content_type="image/svg+xml")
    response["Cache-Control"] = "private, max-age=31536000, immutable"
    return response


def _asked_edition(request, army):
    """The edition a picture is asked of; the one the work stands at if none is named."""
    number = request.GET.get("edition", "")
    if not number:
        return army.head
    return get_object_or_404(army.editions, number=whole_number(number, 10**9) or 0)


@require_GET
def grey_plate(request, type_id):
    """A figure type in undercoat grey, for pages that have no colours yet."""
    if type_id not in plate_types():
        raise Http404
    shape = plate(type_id)
    response = HttpResponse(
        plate_svg(shape, shape.views[0].name, lambda area: GREY, detail="small"), content_type="image/svg+xml"
    )
    response["Cache-Control"] = "public, max-age=86400"
    return response
