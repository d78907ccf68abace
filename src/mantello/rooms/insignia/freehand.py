"""The freehand guide of arms: whether a brush can, every stage drawn, and a sheet to print at true size."""

from dataclasses import dataclass

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.template.loader import render_to_string
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.rooms.army.page import army_for, room_page
from mantello.rooms.army.reading import reading_of
from mantello.shell.printing import pdf
from mantello_core.formats.arms_svg import arms_svg
from mantello_core.formats.freehand_svg import stage_svg
from mantello_core.insignia.arms_drawing import drawn_arms
from mantello_core.insignia.freehand import FINEST_LINE, Guide, freehand
from mantello_core.insignia.spacing import divisions

from .views import USUAL_WIDTH, LookForm, inked

#: mm across of a printed stage, about
_STAGE_WIDTH = 50


class HandForm(LookForm):
    """What is painted on, how wide, and with which brush."""

    line = forms.FloatField(
        min_value=0.1, max_value=3, label="Brush line, mm",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), "Write 0.1 to 3 mm."),
    )  # fmt: skip

    def __init__(self, *arguments, **options):
        super().__init__(*arguments, **options)
        self.fields["width"].label = "Width, mm"


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
    """Verdict and stages."""
    army = army_for(request, army_id)
    one, form, hand = _hand(request, army, arms)
    context = {
        "title": f"{one.name} by hand",
        "arms": one,
        "form": form,
        "hand": hand,
        "query": request.GET.urlencode(),
        "divisions": divisions(one.tree),
    }
    return room_page(request, army, "insignia", "insignia/freehand.html", context, 422 if form.errors else 200)


@login_required
@require_safe
def freehand_sheet(request, army_id, arms):
    """The same as PDF: the true size, and every stage enlarged by a round number."""
    army = army_for(request, army_id)
    one, form, hand = _hand(request, army, arms)
    if hand is None:
        raise Http404
    html = render_to_string(
        "insignia/freehand_sheet.html",
        {"army": army, "arms": one, "hand": hand, "surface": form.cleaned_data["shape"], "day": timezone.localdate()},
    )
    return pdf(html, f"freehand-{one.id}.pdf")


def _hand(request, army, arms):
    reading = reading_of(army.head)
    one = reading.design.scheme.named_arms(arms)
    usual = {"shape": "heater", "width": f"{USUAL_WIDTH:g}", "line": f"{FINEST_LINE:g}"}
    form = HandForm({name: request.GET.get(name, value) for name, value in usual.items()})
    if not form.is_valid():
        return one, form, None
    shape, width, line = (form.cleaned_data[name] for name in usual)
    drawing = drawn_arms(one.tree, shape)
    scheme = reading.design.scheme

    def called(id_: str) -> str:
        role = scheme.role_by_id.get(one.role_of(id_) or "")
        return f"{id_} ({role.name})" if role else id_

    guide = freehand(drawing, width, line, called)
    enlarged = max(1, int(_STAGE_WIDTH / width))

    painted_in = inked(one, reading)

    def large(what, prefix: str) -> str:
        return mark_safe(arms_svg(what, painted_in, prefix=prefix, title=one.blazon))

    stages = tuple(
        (at, stage.title, stage.words, mark_safe(
            stage_svg(stage, drawing.surface, painted_in, prefix=f"st{at}", width_mm=width * enlarged)
        ))
        for at, stage in enumerate(guide.stages, 1)
    )  # fmt: skip
    true_size = mark_safe(arms_svg(guide.drawing, painted_in, prefix="true", title="True size", width_mm=width))
    return one, form, Hand(
        guide, width, line, large(drawing, "whole"), large(guide.drawing, "painted"), true_size, stages, enlarged
    )  # fmt: skip
