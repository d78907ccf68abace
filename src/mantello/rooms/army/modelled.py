"""A figure type from a 3D file: sent, set upright, cut up; handed out, looked at and kept like one from photographs."""

from django import forms
from django.contrib.auth.decorators import login_required
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import transaction
from django.http import HttpResponse
from django.shortcuts import get_object_or_404, redirect
from django.urls import reverse
from django.views.decorators.http import require_http_methods, require_POST, require_safe

from mantello.jobs.models import Job
from mantello.shell.fields import CoreField
from mantello.workpieces.models import MOST_WORKPIECES, FigureModel, Workpiece
from mantello.workspace.page import army_for, room_page
from mantello_core.figures.height import LEAST_MM, MOST_MM
from mantello_core.figures.modelled.sample import NAME, TITLE, sample_model
from mantello_core.figures.modelled.solid import UP
from mantello_core.figures.modelled.triangles import MOST_BYTES, MOST_TRIANGLES
from mantello_core.naming import named

from .cutting import asked_model

#: sides of the file that may be up, in words
_SIDES = {
    "+z": "z, as files for printing have it", "+y": "y, as most drawing programs have it", "-z": "z, upside down",
    "-y": "y, upside down", "+x": "x", "-x": "x, upside down",
}  # fmt: skip
_QUARTERS = ("as it is", "a quarter to its left", "half about", "a quarter to its right")
_TAKEN = (".stl", ".obj", ".3mf")
_RANGE = f"Write {LEAST_MM:g} to {MOST_MM:g} mm, or nothing if the file is in mm."
_HEIGHT = {
    "label": "Its height, mm", "min_value": LEAST_MM, "max_value": MOST_MM, "required": False,
    "help_text": "From the lowest to the highest point. Empty: the file is in mm already.",
    "error_messages": {"min_value": _RANGE, "max_value": _RANGE, "invalid": _RANGE},
}  # fmt: skip


class ModelField(forms.FileField):
    """A 3D file; its value is (name, bytes). What is in it is read by a worker."""

    widget = forms.ClearableFileInput(attrs={"accept": ",".join(_TAKEN)})

    def to_python(self, data):
        """The file, or a refusal that says what is taken."""
        file = super().to_python(data)
        if file is None:
            return None
        if not file.name.lower().endswith(_TAKEN):
            raise forms.ValidationError(f"'{file.name[-40:]}' is no STL, OBJ or 3MF file.")
        if file.size > MOST_BYTES:
            raise forms.ValidationError(
                f"The file has {file.size / 1e6:.0f} MB; up to {MOST_BYTES / 1e6:.0f} are taken."
            )
        return file.name[-80:], file.read()


class ModelForm(forms.Form):
    """A new figure from a 3D file."""

    title = CoreField(lambda text: named(text, "title"), label="Name of the figure type", max_length=80)
    model = ModelField(label="The 3D file")
    height_mm = forms.FloatField(**_HEIGHT)


class UprightForm(forms.Form):
    """How a 3D file stands, and how large it is."""

    up = forms.ChoiceField(label="Which way of the file is up", choices=[(side, _SIDES[side]) for side in UP])
    quarters = forms.TypedChoiceField(label="Turned", choices=list(enumerate(_QUARTERS)), coerce=int)
    height_mm = forms.FloatField(**_HEIGHT)


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def models(request, army_id):
    """Figures on their way, and the way to send a 3D file."""
    army = army_for(request, army_id)
    form = ModelForm()
    if request.method == "POST":
        form = ModelForm(*_ours() if "sample" in request.POST else (request.POST, request.FILES))
    if request.method == "POST" and form.is_valid():
        if Workpiece.objects.filter(owner=request.user).count() >= MOST_WORKPIECES:
            form.add_error(None, f"{MOST_WORKPIECES} figures are on their way; remove one first.")
        else:
            work = _begun(army, request.user, form.cleaned_data)
            return redirect("photographed", army.pk, work.pk)
    context = {
        "title": "From a 3D file", "form": form, "works": Workpiece.objects.filter(army=army),
        "most_mb": MOST_BYTES // 1_000_000, "most_triangles": MOST_TRIANGLES,
    }  # fmt: skip
    return room_page(request, army, "army", "army/models.html", context, 422 if form.errors else 200)


def _ours() -> tuple[dict, dict]:
    """The product's own file, as if it were sent."""
    return {"title": TITLE}, {"model": SimpleUploadedFile(NAME, sample_model())}


@transaction.atomic
def _begun(army, owner, given: dict) -> Workpiece:
    work = Workpiece.objects.create(army=army, owner=owner, title=given["title"])
    name, data = given["model"]
    FigureModel.objects.create(workpiece=work, name=name, data=data, height_mm=given["height_mm"] or 0.0)
    return work


@login_required
@require_POST
def turn_model(request, army_id, work_id):
    """Set a 3D file upright another way, or give it another size: it is cut up anew."""
    army = army_for(request, army_id)
    one = get_object_or_404(FigureModel, workpiece__pk=work_id, workpiece__army=army)
    form = UprightForm(request.POST)
    if not form.is_valid():
        return waiting_page(request, army, one.workpiece, form, 422)
    given = form.cleaned_data
    one.up, one.quarters, one.height_mm = given["up"], given["quarters"], given["height_mm"] or 0.0
    with transaction.atomic():
        one.cut = b""
        one.save(update_fields=["up", "quarters", "height_mm", "cut"])
        one.workpiece.photographs.all().delete()
    return redirect("photographed", army.pk, work_id)


@login_required
@require_safe
def model_surface(request, army_id, work_id):
    """The surface that a browser turns, with the areas of the newest drawing."""
    army = army_for(request, army_id)
    one = get_object_or_404(FigureModel.objects.exclude(surface=b""), workpiece__pk=work_id, workpiece__army=army)
    answer = HttpResponse(bytes(one.surface), content_type="application/octet-stream")
    answer["Content-Encoding"] = "gzip"
    return answer


def upright_form(one: FigureModel) -> UprightForm:
    """How the file stands now, as a form."""
    return UprightForm(initial={"up": one.up or "+z", "quarters": one.quarters, "height_mm": one.height_mm or None})


def waiting_page(request, army, work: Workpiece, form: UprightForm | None = None, status=200):
    """The page of a 3D file that is being cut up, or could not be; its sides as soon as they are there."""
    address = reverse("photographed", args=[army.pk, work.pk])
    job = asked_model(army, work.solid, address, again="again" in request.GET)
    if job.state == Job.State.DONE and not (form and form.errors):
        return redirect("photographed", army.pk, work.pk)
    context = {"title": work.title, "figure": work, "job": job, "form": form or upright_form(work.solid)}
    return room_page(request, army, "army", "army/modelled.html", context, status)
