"""The Insignia room: arms blazoned, drawn in the army's paints, and judged."""

from dataclasses import dataclass
from functools import partial
from urllib.parse import urlencode

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import JsonResponse
from django.shortcuts import redirect, render
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.shell.download import download, file_of
from mantello.workspace.page import apply, apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import TIERS
from mantello_core.colour.acuity import DISTANCES
from mantello_core.colour.spaces import hex_of
from mantello_core.errors import MantelloError
from mantello_core.formats.arms_svg import arms_svg
from mantello_core.insignia.arms.appearance import Contrast, contrasts
from mantello_core.insignia.arms.arms_drawing import ArmsDrawing, drawn_arms
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.branch import Branch, branch_of
from mantello_core.insignia.arms.coat import Arms
from mantello_core.insignia.arms.completing import completions
from mantello_core.insignia.arms.retinue import RIGHTS, alike, livery_of
from mantello_core.insignia.arms.shape import SHAPES
from mantello_core.insignia.arms.tincture_rule import Breach, breaches
from mantello_core.insignia.arms.words import MOST_SIGNS
from mantello_core.insignia.arms.writing import write_blazon
from mantello_core.insignia.devices.freehand import FINEST_LINE
from mantello_core.marks.named_arms import NamedArms, with_arms, without_arms

from .composing import ComposeForm
from .last_look import USUAL_WIDTH, keep_look, last_look


class LookForm(forms.Form):
    """What the arms are painted on, and how wide that is."""

    shape = forms.ChoiceField(choices=[(id_, one.title) for id_, one in SHAPES.items()], label="On")
    width = forms.FloatField(
        min_value=0.5, max_value=500, label="mm wide",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), "Write 0.5 to 500 mm."),
    )  # fmt: skip


class ArmsForm(forms.Form):
    """A name, a blazon and who bears it."""

    arms = forms.CharField(required=False, widget=forms.HiddenInput)
    name = forms.CharField(label="Name", max_length=80)
    blazon = forms.CharField(
        label="Blazon", max_length=MOST_SIGNS, widget=forms.Textarea(attrs={"rows": 4, "spellcheck": "false"})
    )
    bearer = forms.ChoiceField(required=False, label="Borne by")

    def __init__(self, reading: Reading, *arguments, **options):
        super().__init__(*arguments, **options)
        army = reading.design.army
        nodes = [
            (node.id, node.name if node.kind != "unit" else army.title(node.id))
            for node in army.nodes.values()
            if node.kind != "army"
        ]
        self.fields["bearer"].choices = [("", "nobody yet"), *nodes]


@dataclass(frozen=True)
class Seen:
    """Arms as they are drawn and judged; or what is wrong with the blazon."""

    error: str = ""
    blazon: str = ""
    svg: str = ""
    breaches: tuple[Breach, ...] = ()
    contrasts: tuple[Contrast, ...] = ()
    areas: tuple[tuple[str, str, float], ...] = ()
    thinnest: float = 0.0
    thinnest_of: str = ""
    width: float = USUAL_WIDTH
    shape: str = "heater"
    reverse: str = ""
    branch: Branch | None = None
    #: parts of which nothing is left
    unseen: tuple[str, ...] = ()

    @property
    def paintable_at(self) -> float:
        """How wide it would have to be for the finest line of a brush, mm."""
        return self.width * FINEST_LINE / self.thinnest if self.thinnest else 0.0

    @property
    def too_fine(self) -> bool:
        """Whether its thinnest part is finer than a brush draws."""
        return self.thinnest < FINEST_LINE


@login_required
@require_safe
def insignia(request, army_id):
    """The arms of the force; one of them, or new ones, large."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None, compose=None):
    reading = reading_of(army.head)
    scheme = reading.design.scheme
    asked = request.GET.get("arms", "")
    chosen = next((one for one in scheme.arms if one.id == asked), None)
    if chosen is None and "new" not in request.GET and not form:
        chosen = next(iter(scheme.arms), None)
    blazon = request.GET.get("blazon") or (chosen.blazon if chosen else "")
    form = form or ArmsForm(
        reading,
        initial={"arms": chosen.id, "name": chosen.name, "blazon": blazon, "bearer": chosen.bearer}
        if chosen
        else {"blazon": blazon},
    )
    look = _look(request, last_look(request, army, chosen))
    if chosen and look.is_valid() and "shape" in request.GET:
        keep_look(request, army, chosen, look.cleaned_data["shape"], look.cleaned_data["width"])
    context = {
        "title": "Insignia",
        "listed": [
            (one, small(one, reading, f"small-{one.id}"), reading.design.army.nodes.get(one.bearer))
            for one in scheme.arms
        ],
        "chosen": chosen,
        "form": form,
        "look": look,
        "seen": _seen(form["blazon"].value() or "", chosen, reading, look),
        "compose": compose or ComposeForm(),
        "livery": livery_of(chosen.tree) if chosen else None,
        "rights": [(name, RIGHTS[tier]) for tier, name in TIERS.items()],
        "same_livery": _same_livery(chosen, scheme.arms) if chosen else (),
        "tinctures": [(id_, chosen.role_of(id_)) for id_ in chosen.tinctures] if chosen else [],
        "roles": scheme.roles,
        "finest": FINEST_LINE,
    }
    return room_page(request, army, "insignia", "insignia/insignia.html", context, status)


def _same_livery(chosen: NamedArms, arms: tuple[NamedArms, ...]) -> list[NamedArms]:
    """Other arms whose livery cannot be told from this one's."""
    pairs = alike([livery_of(one.tree) for one in arms])
    at = arms.index(chosen)
    return [arms[two if one == at else one] for one, two in pairs if at in (one, two)]


def _look(request, last: tuple[str, float] = ("heater", USUAL_WIDTH)) -> LookForm:
    given = request.GET if request.method == "GET" else request.POST
    return LookForm({"shape": given.get("shape", last[0]), "width": given.get("width", f"{last[1]:g}")})


def colours_of(chosen: NamedArms | None, reading: Reading):
    """How a tincture looks: in the paint of its role, or as heraldry draws it."""
    return partial(reading.tincture, chosen)


def inked(chosen: NamedArms | None, reading: Reading):
    """The same as '#rrggbb', to draw with."""
    return lambda id_: hex_of(reading.tincture(chosen, id_))


def _seen(blazon: str, chosen: NamedArms | None, reading: Reading, look: LookForm) -> Seen:
    if not blazon.strip():
        return Seen()
    if not look.is_valid():
        return Seen(error="Say what it is painted on, and how wide that is.")
    shape, width = look.cleaned_data["shape"], look.cleaned_data["width"]
    try:
        arms: Arms = read_blazon(blazon)
    except MantelloError as error:
        return Seen(error=error.message, shape=shape, width=width)
    drawing: ArmsDrawing = drawn_arms(arms, shape)
    colour = colours_of(chosen, reading)
    metres = reading.design.brief.metres if reading.design.brief else DISTANCES["table"]
    thin, of = drawing.thinnest(width)
    said = write_blazon(arms)
    reverse = arms_svg(
        drawn_arms(arms, shape, mirrored=True),
        inked(chosen, reading),
        prefix="reverse",
        title=f"{said}, the other side",
    )
    return Seen(
        "", said, mark_safe(arms_svg(drawing, inked(chosen, reading), prefix="large", title=said)), breaches(arms),
        contrasts(drawing, colour, width, metres), tuple((id_, hex_of(colour(id_)), area) for id_, area in drawing.areas(width).items()),
        thin, of, width, shape, mark_safe(reverse) if SHAPES[shape].reverse else "", branch_of(arms), drawing.unseen(width),
    )  # fmt: skip


def small(one: NamedArms, reading: Reading, prefix: str) -> str:
    """Arms of the scheme as a small drawing. prefix: of ids, unlike on one page."""
    return mark_safe(arms_svg(drawn_arms(one.tree), inked(one, reading), prefix=prefix, title=one.name))


@login_required
@require_safe
def draw(request, army_id):
    """The drawing and the verdicts of a blazon as it is typed."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    chosen = next((one for one in reading.design.scheme.arms if one.id == request.GET.get("arms", "")), None)
    seen = _seen(request.GET.get("blazon", "")[: MOST_SIGNS + 1], chosen, reading, _look(request))
    return render(
        request, "insignia/seen.html", {"seen": seen, "finest": FINEST_LINE}, status=422 if seen.error else 200
    )


@login_required
@require_safe
def complete(request, army_id):
    """Phrases that fit at the end of what is typed so far, as JSON."""
    army_for(request, army_id)
    found = completions(request.GET.get("text", "")[:MOST_SIGNS])
    return JsonResponse({"words": [{"phrase": one.phrase, "start": one.start} for one in found]})


@login_required
@require_safe
def compose(request, army_id):
    """Choices put together as a blazon, which the page then shows."""
    army = army_for(request, army_id)
    form = ComposeForm(request.GET)
    if not form.is_valid():
        return _page(request, army, 422, compose=form)
    at = {"arms": request.GET["arms"]} if request.GET.get("arms") else {"new": "yes"}
    return redirect(f"{reverse('insignia', args=[army.pk])}?{urlencode({'blazon': form.cleaned_data['blazon']} | at)}")


@login_required
@require_POST
def keep_arms(request, army_id):
    """Arms are kept: name, blazon, bearer, and the roles their tinctures are painted in."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    form = ArmsForm(reading, request.POST)
    bound = {name.removeprefix("role-"): role for name, role in request.POST.items() if name.startswith("role-")}
    if not form.is_valid():
        return _page(request, army, 422, form)
    given = form.cleaned_data
    kept = apply_form(
        request, army, form,
        lambda design: with_arms(design, given["arms"], given["name"], given["blazon"], given["bearer"], bound),
        f"Arms of {given['name']} kept",
    )  # fmt: skip
    if not kept:
        return _page(request, army, 422, form)
    arms = reading_of(army.head).design.scheme.arms
    at = next((one for one in arms if one.id == given["arms"]), arms[-1])
    return redirect(f"{reverse('insignia', args=[army.pk])}?arms={at.id}")


@login_required
@require_POST
def remove_arms(request, army_id, arms):
    """Arms are taken out of the scheme."""
    army = army_for(request, army_id)
    name = reading_of(army.head).design.scheme.named_arms(arms).name
    apply(request, army, lambda design: without_arms(design, arms), f"Arms of {name} removed")
    return redirect("insignia", army.pk)


@login_required
@require_safe
def arms_file(request, army_id, arms):
    """Arms as SVG, in the army's paints."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    one = reading.design.scheme.named_arms(arms)
    text = arms_svg(drawn_arms(one.tree), inked(one, reading), title=f"{one.name}: {one.blazon}")
    return download(text, file_of(army.name, f"arms-{one.id}.svg"), "image/svg+xml")
