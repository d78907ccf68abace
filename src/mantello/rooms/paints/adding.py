"""A paint of the painter's own: said by a swatch, by two cards, or read by an instrument."""

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db import transaction
from django.http import QueryDict
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_http_methods, require_POST

from mantello.shelf.models import OwnedPaint
from mantello.shelf.models import OwnPaint as Kept
from mantello.shelf.reader import ReaderError, identify, read
from mantello.shell.fields import CoreField, refused
from mantello.workspace.page import army_for, room_page
from mantello_core.errors import MantelloError
from mantello_core.paints.alike import alike
from mantello_core.paints.estimate import CLASS_CONTRAST, CardReading
from mantello_core.paints.own import FINISHES, MOST_NAME, MOST_VOLUME, SOLIDS, OwnPaint, colour_said, own_paint
from mantello_core.paints.paint import PAINT_KINDS, Paint
from mantello_core.paints.range import paints
from mantello_core.paints.stock import Stock

#: fields that hold a reading, and how the sample is held for it
READINGS = {"swatch": "opaque", "black": "black", "white": "white", "tint": "tint"}
_SHOWN = "#rrggbb, or L*, a* and b* such as 52.3 44 -3.9"


def _colour(label: str, why: str) -> CoreField:
    return CoreField(colour_said, required=False, label=label, help_text=why, max_length=60)


class OwnPaintForm(forms.Form):
    """What is said of a paint; at least one colour."""

    name = forms.CharField(label="Name on the pot", max_length=MOST_NAME)
    kind = forms.ChoiceField(
        choices=[(kind, PAINT_KINDS[kind].capitalize()) for kind in SOLIDS], label="Kind", initial="acrylic"
    )
    finish = forms.ChoiceField(choices=[(one, one.capitalize()) for one in FINISHES], label="Dries", initial="matt")
    volume = forms.FloatField(
        label="ml in the pot", min_value=0.1, max_value=MOST_VOLUME, initial=17,
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), f"Write 0.1 to {MOST_VOLUME:g} ml."),
    )  # fmt: skip
    swatch = _colour(
        "Swatch, painted until it is opaque", f"{_SHOWN}. For washes, stains and inks use the white card instead."
    )
    opacity = forms.ChoiceField(
        choices=[("", "not known"), *((one, one.capitalize()) for one in CLASS_CONTRAST)],
        required=False,
        label="One coat of it is",
    )
    tint = _colour("One drop with one of Gull White", "The best single thing to know: mixes come out far truer.")
    black = _colour("One coat over black card", "")
    white = _colour("One coat over white card", "")
    sample = forms.ChoiceField(required=False, label="What is under the reader")

    def __init__(self, *arguments, samples=(), **options):
        super().__init__(*arguments, **options)
        self.fields["sample"].choices = [("", "what lies there"), *samples]

    def clean(self):
        """What is said, under ``said``."""
        given = super().clean()
        if self.errors:
            return given
        readings = [CardReading(held, given[name]) for name, held in READINGS.items() if given.get(name)]
        if given["opacity"]:
            readings.append(CardReading("contrast", contrast=CLASS_CONTRAST[given["opacity"]]))
        if not any(one.colour for one in readings):
            self.add_error("swatch", "Nothing tells its colour yet; give at least one reading.")
            return given
        given["said"] = OwnPaint(given["name"], given["kind"], tuple(readings), given["finish"], given["volume"])
        return given


@login_required
@require_http_methods(["GET", "POST"])
def add_paint(request, army_id):
    """The page; a press of a reading button asks the instrument and fills its field, the other keeps the paint."""
    army = army_for(request, army_id)
    reader = identify()
    samples = reader.samples if reader else ()
    if request.method == "GET":
        return _page(request, army, OwnPaintForm(samples=samples), reader)
    asked = next((name for name in READINGS if f"read-{name}" in request.POST), None)
    if asked:
        return _page(request, army, _with_reading(request.POST, asked, samples), reader)
    form = OwnPaintForm(request.POST, samples=samples)
    if form.is_valid() and "preview" not in request.POST:
        try:
            pot = Kept.objects.add(request.user, form.cleaned_data["said"])
        except MantelloError as error:
            return _page(request, army, refused(form, error), reader, 422)
        OwnedPaint.objects.keep(request.user, {pot.id: Stock(1.0)})
        messages.success(request, f"{pot.name} is on your shelf")
        return redirect(f"{reverse('paints', args=[army.pk])}?pot={pot.id}")
    return _page(request, army, form, reader, 422 if form.errors else 200)


def _with_reading(posted: QueryDict, name: str, samples) -> OwnPaintForm:
    """The form as typed, with the instrument's reading in its field; or with what the instrument says."""
    given = posted.copy()
    try:
        colour = read(READINGS[name], given.get("sample", ""))
    except ReaderError as error:
        form = OwnPaintForm(given, samples=samples)
        form.errors.clear()
        form.add_error(name, str(error))
        return form
    given[name] = " ".join(f"{value:.2f}" for value in colour)
    return OwnPaintForm(initial=given.dict(), samples=samples)


def _page(request, army, form: OwnPaintForm, reader, status: int = 200):
    said = form.cleaned_data.get("said") if form.is_bound and not form.errors else None
    pot: Paint | None = None
    if said:
        try:
            pot = own_paint(said)
        except MantelloError as error:
            refused(form, error)
    context = {
        "title": "Add a paint",
        "form": form,
        "reader": reader,
        "preview": pot,
        "error": said.error if said else None,
        "mistaken": alike(pot, (*paints().values(), *Kept.objects.of(request.user)))[:6] if pot else (),
        "readings": [(form[name], name) for name in ("tint", "black", "white")],
    }
    return room_page(request, army, "paints", "paints/add.html", context, status)


@login_required
@require_POST
def forget_paint(request, army_id, pot):
    """An own paint leaves the shelf; recipes that use it keep it."""
    army = army_for(request, army_id)
    found = Kept.objects.filter(owner=request.user, paint=pot)
    if not found:
        messages.error(request, "That paint is not among your own.")
    else:
        with transaction.atomic():
            OwnedPaint.objects.filter(owner=request.user, paint=pot).delete()
            found.delete()
        messages.success(request, "The paint is off your shelf; recipes that use it keep it.")
    return redirect("paints", army.pk)
