"""A figure type from photographs: sent, cut up, given to areas by click, looked at, kept."""

import json

from django.contrib.auth.decorators import login_required
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import transaction
from django.http import Http404, HttpResponse, JsonResponse
from django.shortcuts import get_object_or_404, redirect
from django.urls import reverse
from django.views.decorators.http import require_http_methods, require_POST, require_safe

from mantello.jobs.models import Job
from mantello.workpieces.models import MOST_WORKPIECES, FigurePhotograph, Workpiece
from mantello.workspace.page import army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.errors import MantelloError
from mantello_core.figures.catalogue import materials_of_areas
from mantello_core.figures.photographed.sample import BASE_MM, TITLE, sample_photographs
from mantello_core.figures.vocabulary import SIDES
from mantello_core.formats.figure_drawing import own_area

from .cutting import BORDER, CUT, FIGURE, TABLE, asked_cut
from .keeping import address_of, keep_page, work_of
from .modelled import upright_form, waiting_page
from .workpiece_forms import VIEWS, AnotherForm, PhotographsForm

#: pieces given in one view, and points of strokes, at most
_MOST_GIVEN, _MOST_STROKES, _MOST_POINTS = 4000, 200, 4000
#: other figures whose areas are offered to begin with
_LIKE = 3


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def photographs(request, army_id):
    """Figures on their way, and the way to send another."""
    army = army_for(request, army_id)
    form = PhotographsForm()
    if request.method == "POST":
        form = PhotographsForm(*_ours() if "sample" in request.POST else (request.POST, request.FILES))
    if request.method == "POST" and form.is_valid():
        if Workpiece.objects.filter(owner=request.user).count() >= MOST_WORKPIECES:
            form.add_error(None, f"{MOST_WORKPIECES} figures are on their way; remove one first.")
        else:
            return redirect(address_of(_begun(army, request.user, form.cleaned_data), "front"))
    context = {"title": "From photographs", "form": form, "works": Workpiece.objects.filter(army=army)}
    return room_page(request, army, "army", "army/photographs.html", context, 422 if form.errors else 200)


def _ours() -> tuple[dict, dict]:
    """The product's own photographs, as if they were sent."""
    files = {view: SimpleUploadedFile(f"{view}.jpg", data) for view, data in sample_photographs().items()}
    return {"title": TITLE, "base_mm": BASE_MM}, files


@transaction.atomic
def _begun(army, owner, given: dict) -> Workpiece:
    work = Workpiece.objects.create(
        army=army,
        owner=owner,
        title=given["title"],
        base_mm=given["base_mm"] or 0.0,
        height_mm=given["height_mm"] or 0.0,
    )
    for view in VIEWS:
        if given.get(view):
            FigurePhotograph.objects.create(workpiece=work, view=view, jpeg=given[view][0])
    return work


def _photograph(work: Workpiece, view: str) -> FigurePhotograph:
    return get_object_or_404(work.photographs, view=view)


@login_required
@require_safe
def photographed(request, army_id, work_id):
    """One view of a figure: being cut up, refused, or to be handed out; or the whole of it, to be looked at and kept."""
    army = army_for(request, army_id)
    work = work_of(army, work_id)
    if request.GET.get("step") == "keep":
        return keep_page(request, army, work)
    return _view_page(request, army, work, request.GET.get("view", ""))


def _view_page(request, army, work: Workpiece, view: str, status=200, another=None):
    views = list(work.photographs.all())
    if work.solid is not None and not views:
        return waiting_page(request, army, work)
    one = next((each for each in views if each.view == view), views[0] if views else None)
    if one is None:
        raise Http404
    job = None if one.pieces else asked_cut(army, one, address_of(work, one.view), again="again" in request.GET)
    if job and job.state == Job.State.DONE:
        one.refresh_from_db()
        job = None if one.pieces else job
    context = {
        "title": work.title, "figure": work, "views": views, "one": one, "job": job,
        "handing": _handing(army, one) if job is None else None, "known": _known(army, work),
        "another": another or AnotherForm(initial={"view": one.view if job else _missing(views)}),
        "counts": {each.view: len(set(each.given.values())) for each in views},
        "others": _others(army, work, one, views),
        "solid": work.solid, "upright": upright_form(work.solid) if work.solid else None,
    }  # fmt: skip
    return room_page(request, army, "army", "army/photographed.html", context, status)


def _others(army, work: Workpiece, one: FigurePhotograph, views: list[FigurePhotograph]) -> list[dict]:
    """Pictures that may suggest areas: of the other side of the figure, and of the same side of others on their way."""
    found = [
        _handing(army, each) | {"from": f"the {each.view}", "turned": True}
        for each in views
        if not work.solid
        and {each.view, one.view} in ({"front", "back"}, {"left", "right"})
        and each.pieces
        and each.given
    ]
    like = FigurePhotograph.objects.filter(workpiece__army=army, view=one.view).exclude(workpiece=work)
    like = like.exclude(pieces=b"").exclude(given={}).select_related("workpiece").defer("jpeg", "cut", "graph")
    return found + [
        _handing(army, each) | {"from": each.workpiece.title, "turned": False} for each in like.order_by("-pk")[:_LIKE]
    ]


def _missing(views: list[FigurePhotograph]) -> str:
    """The first side that is not photographed yet."""
    seen = {each.view for each in views}
    return next((view for view in VIEWS if view not in seen), VIEWS[0])


def _handing(army, one: FigurePhotograph) -> dict:
    """What the page's script needs besides pictures: addresses, and what was given."""
    base = [army.pk, one.workpiece_id, one.view]
    return {
        "picture": reverse("figure-photograph", args=base), "pieces": f"{reverse('figure-pieces', args=base)}?v={len(one.pieces)}",
        "graph": f"{reverse('figure-graph', args=base)}?v={len(one.pieces)}", "given": json.dumps(one.given),
        "save": reverse("give-pieces", args=base), "mend": reverse("mend-outline", args=base),
    }  # fmt: skip


def _known(army, work: Workpiece) -> list[tuple[str, str]]:
    """Areas to choose from, in words, each with its name: those of this figure first, then of the army's own types, then of the
    shipped ones."""
    mine = {area for one in work.photographs.all() for area in one.given.values()}
    kept = {area for own in reading_of(army.head).design.army.types for area in own.plate.areas}
    others = dict.fromkeys((*sorted(kept - mine), *(area for area in materials_of_areas() if area not in mine)))
    return [(area, area_words(area)) for area in (*sorted(mine), *others)]


def area_words(area: str) -> str:
    """An area as a painter would type it, with its head: 'left arm sleeve'.

    >>> area_words("arm.left.sleeve"), area_words("torso.coat.lapel.right"), area_words("base.rim")
    ('left arm sleeve', 'right torso coat lapel', 'base rim')
    """
    steps = area.replace("_", " ").split(".")
    side = [step for step in steps if step in SIDES]
    return " ".join([*side, *(step for step in steps if step not in SIDES)])


@login_required
@require_safe
def figure_photograph(request, army_id, work_id, view):
    """The photograph, as it was kept."""
    one = _photograph(work_of(army_for(request, army_id), work_id), view)
    return HttpResponse(bytes(one.jpeg), content_type="image/jpeg")


@login_required
@require_safe
def figure_pieces(request, army_id, work_id, view):
    """The piece of every pixel, as a PNG."""
    one = _photograph(work_of(army_for(request, army_id), work_id), view)
    if not one.pieces:
        raise Http404
    return HttpResponse(bytes(one.pieces), content_type="image/png")


@login_required
@require_safe
def figure_graph(request, army_id, work_id, view):
    """How the pieces touch, as JSON."""
    one = _photograph(work_of(army_for(request, army_id), work_id), view)
    if not one.graph:
        raise Http404
    return JsonResponse(one.graph)


@login_required
@require_safe
def name_area(request, army_id):
    """The area that some words mean, as JSON; 422 with a reason where they mean none."""
    army_for(request, army_id)
    try:
        area = own_area(request.GET.get("words", "")[:80])
    except MantelloError as error:
        return HttpResponse(error.message, content_type="text/plain; charset=utf-8", status=422)
    return JsonResponse({"area": area, "words": area_words(area), "new": area not in materials_of_areas()})


@login_required
@require_POST
def give_pieces(request, army_id, work_id, view):
    """Keep what pieces were given to which areas; bad ones are refused and nothing changes."""
    one = _photograph(work_of(army_for(request, army_id), work_id), view)
    count = len(one.graph.get("size", ()))
    try:
        said = json.loads(request.POST.get("given", ""))
        given = {str(int(piece)): own_area(str(area)) for piece, area in said.items()}
        if len(given) > _MOST_GIVEN or not all(0 <= int(piece) < count for piece in given):
            raise ValueError(f"pieces are 0 to {count - 1}, at most {_MOST_GIVEN}")
    except (ValueError, AttributeError, TypeError, MantelloError) as error:
        words = f"That cannot be kept: {error}"
        return HttpResponse(words[:300], content_type="text/plain; charset=utf-8", status=422)
    # the pieces of a 3D file are those of its surface, so what is given in one view is given in all
    same = one.workpiece.photographs.all() if one.workpiece.solid else one.workpiece.photographs.filter(pk=one.pk)
    same.update(given=given)
    return JsonResponse({"areas": len(set(given.values()))})


@login_required
@require_POST
def mend_outline(request, army_id, work_id, view):
    """Strokes for figure, table and borders: the photograph is cut up anew, and what was given carried over."""
    army = army_for(request, army_id)
    one = _photograph(work_of(army, work_id), view)
    drawn = [] if request.POST.get("do") == "none" else _strokes(request.POST.get("strokes", ""))
    strokes = None if drawn is None else [*one.strokes, *drawn][-_MOST_STROKES:] if drawn else []
    if strokes is None:
        return HttpResponse("Strokes that cannot be read.", content_type="text/plain; charset=utf-8", status=422)
    # what was cut stays until it is cut anew: what was given is carried over by where it lies
    one.strokes, one.pieces, one.graph = strokes, b"", {}
    one.save(update_fields=["strokes", "pieces", "graph"])
    # the same strokes may come back: what was worked out for them was not kept
    Job.objects.filter(army=army, kind=CUT, asked__photograph=one.pk, state=Job.State.DONE).delete()
    return redirect(address_of(one.workpiece, one.view))


def _strokes(text: str) -> list | None:
    """Strokes as they were sent, each [mark, points in shares]; None if they are none."""
    try:
        said = json.loads(text)
        strokes = [
            [str(mark), [[min(max(float(x), 0.0), 1.0), min(max(float(y), 0.0), 1.0)] for x, y in points]]
            for mark, points in said
        ]
    except (ValueError, TypeError):
        return None
    marks = {mark for mark, _ in strokes}
    points = sum(len(line) for _, line in strokes)
    fits = marks <= {FIGURE, TABLE, BORDER} and len(strokes) <= _MOST_STROKES and points <= _MOST_POINTS
    return strokes if fits and all(line for _, line in strokes) else None


@login_required
@require_POST
def add_photograph(request, army_id, work_id):
    """One more photograph, or one in the place of another, whose areas begin anew."""
    army = army_for(request, army_id)
    work = work_of(army, work_id)
    form = AnotherForm(request.POST, request.FILES)
    if not form.is_valid():
        return _view_page(request, army, work, request.POST.get("view", ""), 422, form)
    fresh = {
        "jpeg": form.cleaned_data["photograph"][0],
        "cut": b"",
        "pieces": b"",
        "graph": {},
        "strokes": [],
        "given": {},
        "cut_off": [],
    }
    one, _ = FigurePhotograph.objects.update_or_create(workpiece=work, view=form.cleaned_data["view"], defaults=fresh)
    return redirect(address_of(work, one.view))
