"""The freehand guide of arms and marks: whether a brush can, every stage drawn, and a sheet to print at true size."""

from dataclasses import dataclass

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.template.loader import render_to_string
from django.urls import reverse
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.jobs.papers import paper, paper_kind
from mantello.workspace.page import army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import hex_of
from mantello_core.formats.arms_svg import arms_svg
from mantello_core.formats.freehand_svg import stage_svg
from mantello_core.insignia.arms.arms_drawing import ArmsDrawing, drawn_arms
from mantello_core.insignia.arms.spacing import divisions, spacing
from mantello_core.insignia.devices.device import ARMS
from mantello_core.insignia.devices.device_drawing import GROUND, INK, device_drawing
from mantello_core.insignia.devices.freehand import FINEST_LINE, Guide, freehand
from mantello_core.insignia.devices.repeated import REPEATED, WAYS

from .last_look import USUAL_WIDTH, keep_look, last_look
from .views import LookForm, inked

#: mm across of a printed stage, about
_STAGE_WIDTH = 50


#: radius that equal parts stand on, as a share of the surface's width
_ROUND = 0.4
#: what a query may say
_ASKED = ("shape", "width", "line", "unit", "rank", "figure", "site")
_NUMBER = dict.fromkeys(("invalid", "min_value", "max_value", "required"), "Write 0.1 to 3 mm.")


class HandForm(LookForm):
    """What is painted on, how wide, and with which brush."""

    line = forms.FloatField(min_value=0.1, max_value=3, label="Brush line, mm", error_messages=_NUMBER)

    def __init__(self, *arguments, **options):
        super().__init__(*arguments, **options)
        self.fields["width"].label = "Width, mm"


class MarkHandForm(forms.Form):
    """A mark on its site, and the brush."""

    unit = forms.CharField(widget=forms.HiddenInput)
    rank = forms.CharField(widget=forms.HiddenInput)
    figure = forms.CharField(widget=forms.HiddenInput)
    site = forms.CharField(widget=forms.HiddenInput)
    line = forms.FloatField(min_value=0.1, max_value=3, label="Brush line, mm", error_messages=_NUMBER)


@dataclass(frozen=True)
class Hand:
    """A guide and its drawings."""

    guide: Guide
    width: float
    line: float
    #: the arms as they are, and as they are painted, enlarged; the second at true size
    whole: str
    painted: str
    true_size: str
    stages: tuple[tuple[int, str, str, str], ...]
    #: how many times a printed stage is larger than it is painted
    enlarged: int


@login_required
@require_safe
def freehand_guide(request, army_id, arms):
    """Verdict and stages of arms."""
    army = army_for(request, army_id)
    known = reading_of(army.head).design.scheme.named_arms(arms)
    shape, width = last_look(request, army, known)
    one, form, hand = _hand_of_arms({"shape": shape, "width": f"{width:g}"} | request.GET.dict(), army, arms)
    if hand:
        keep_look(request, army, one, form.cleaned_data["shape"], hand.width)
    addresses = (reverse(name, args=[army.pk, one.id]) for name in ("freehand", "freehand-sheet"))
    back = f"{reverse('insignia', args=[army.pk])}?arms={one.id}", "Back to the arms"
    return _page(request, army, one.name, form, hand, divisions(one.tree), *addresses, back)


@login_required
@require_safe
def freehand_sheet(request, army_id, arms):
    """The same as PDF: the true size, and every stage enlarged by a round number."""
    army = army_for(request, army_id)
    one, form = _asked_of_arms(request.GET, army, arms)
    return _paper(request, army, form, f"freehand-{one.id}.pdf", arms=arms)


@login_required
@require_safe
def mark_guide(request, army_id):
    """Verdict and stages of a numeral or plain device on its site."""
    army = army_for(request, army_id)
    name, form, hand = _hand_of_mark(request.GET, army)
    addresses = (reverse(address, args=[army.pk]) for address in ("mark-by-hand", "mark-by-hand-sheet"))
    back = reverse("bearers", args=[army.pk]), "Back to who bears what"
    return _page(request, army, name, form, hand, _equal(request.GET, army), *addresses, back)


@login_required
@require_safe
def mark_sheet(request, army_id):
    """The same as PDF."""
    army = army_for(request, army_id)
    form = _asked_of_mark(request.GET, army)[1]
    return _paper(request, army, form, "freehand-mark.pdf", arms="")


def _page(request, army, name, form, hand, equal, action, sheet, back):
    context = {
        "title": f"{name} by hand", "name": name, "form": form, "hand": hand, "query": request.GET.urlencode(),
        "divisions": [(what, one, one.apart(hand.width * _ROUND)) for what, one in equal] if hand else [],
        "least_apart": 2 * hand.line if hand else 0, "action": action, "sheet": sheet, "back": back,
    }  # fmt: skip
    return room_page(request, army, "insignia", "insignia/freehand.html", context, 422 if form.errors else 200)


def _equal(asked, army) -> tuple:
    """Parts that a mark repeats all round, with how they are spaced by hand."""
    device = _asked_of_mark(asked, army)[2].device
    if device.kind not in REPEATED:
        return ()
    parts = REPEATED[device.kind][1]
    leaning = f", {WAYS[device.frame]}" if device.frame else ""
    return ((f"{device.text} {parts}{leaning}", spacing(int(device.text))),)


def _paper(request, army, form, filename: str, arms: str):
    if not form.is_valid():
        raise Http404
    asked = {name: request.GET[name] for name in _ASKED if name in request.GET}
    return paper(request, army, "freehand", filename, str(timezone.localdate()), arms=arms, **asked)


@paper_kind("freehand", "By hand")
def sheet_page(army, asked) -> str:
    """The guide of arms or of a mark, as a page to print."""
    if asked["arms"]:
        one, _, hand = _hand_of_arms(asked, army, asked["arms"])
        name, blazon = one.name, one.blazon
    else:
        (name, _, hand), blazon = _hand_of_mark(asked, army), ""
    given = {"army": army, "name": name, "blazon": blazon, "hand": hand, "day": timezone.localdate()}
    return render_to_string("insignia/freehand_sheet.html", given)


def _asked_of_arms(asked, army, arms):
    """Arms, and the form of what is asked of them, before anything is drawn."""
    one = reading_of(army.head).design.scheme.named_arms(arms)
    usual = {"shape": "heater", "width": f"{USUAL_WIDTH:g}", "line": f"{FINEST_LINE:g}"}
    return one, HandForm({name: asked.get(name, value) for name, value in usual.items()})


def _hand_of_arms(asked, army, arms):
    one, form = _asked_of_arms(asked, army, arms)
    if not form.is_valid():
        return one, form, None
    shape, width, line = (form.cleaned_data[name] for name in ("shape", "width", "line"))
    reading = reading_of(army.head)
    scheme = reading.design.scheme

    def called(id_: str) -> str:
        role = scheme.role_by_id.get(one.role_of(id_) or "")
        return f"{id_} ({role.name})" if role else id_

    return (
        one,
        form,
        _hand(
            drawn_arms(one.tree, shape),
            width,
            line,
            called,
            inked(one, reading),
            one.blazon,
            reading.design.scheme.finishing.light,
        ),
    )


def _asked_of_mark(asked, army):
    """A figure's class, and the form of what is asked of the mark on its site. Another's or none is not found."""
    reading = reading_of(army.head)
    names = ("unit", "rank", "figure", "site")
    form = MarkHandForm({name: asked.get(name, "") for name in names} | {"line": asked.get("line", f"{FINEST_LINE:g}")})
    ordinal = asked.get("figure", "")
    one = next(
        (
            each for each in reading.resolution.classes
            if (each.unit, each.rank) == (asked.get("unit"), asked.get("rank")) and ordinal in map(str, each.ordinals)
        ), None,
    )  # fmt: skip
    borne = one.borne.get(asked.get("site", "")) if one else None
    if borne is None or borne.placement.device.kind == ARMS:
        raise Http404
    return one, form, borne.placement


def _hand_of_mark(asked, army):
    one, form, placement = _asked_of_mark(asked, army)
    reading = reading_of(army.head)
    scheme = reading.design.scheme
    site = one.plate.named_sites(placement.site)[0][1]
    name = f"{placement.device.words[:1].upper()}{placement.device.words[1:]} on {site.id.replace('.', ' ')}"
    if not form.is_valid():
        return name, form, None
    under = next(each.ground for each in reading.allotments if one in each.bearers and each.site.id == site.id)
    roles = {INK: placement.role, GROUND: placement.manner.ground or under}

    def called(part: str) -> str:
        role = scheme.role_by_id.get(roles[part])
        return role.name if role else "the colour beneath"

    def painted_in(part: str) -> str:
        tones = reading.tones(roles[part], one.tier)
        return hex_of(tones.flats) if tones else hex_of(reading.undercoat)

    drawing = device_drawing(placement.device, site.width, site.height, placement.manner.turn)
    return (
        name,
        form,
        _hand(drawing, site.width, form.cleaned_data["line"], called, painted_in, name, scheme.finishing.light),
    )


def _hand(drawing: ArmsDrawing, width: float, line: float, called, painted_in, said: str, light: str) -> Hand:
    guide = freehand(drawing, max(0.5, width), line, called, light)
    enlarged = max(1, int(_STAGE_WIDTH / width))

    def large(what, prefix: str) -> str:
        return mark_safe(arms_svg(what, painted_in, prefix=prefix, title=said))

    stages = tuple(
        (at, stage.title, stage.words, mark_safe(
            stage_svg(stage, drawing.surface, painted_in, prefix=f"st{at}", width_mm=width * enlarged)
        ))
        for at, stage in enumerate(guide.stages, 1)
    )  # fmt: skip
    true_size = mark_safe(arms_svg(guide.drawing, painted_in, prefix="true", title="True size", width_mm=width))
    return Hand(
        guide, width, line, large(drawing, "whole"), large(guide.drawing, "painted"), true_size, stages, enlarged
    )
