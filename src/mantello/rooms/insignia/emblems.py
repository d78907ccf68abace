"""Emblems of the painter's own: outlines out of SVG files, named, measured at the sizes they are borne at."""

from dataclasses import dataclass

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.shell.fields import CoreField
from mantello.workspace.page import apply, apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.design.own_devices import with_own_device, with_own_device_named, without_own_device
from mantello_core.errors import MantelloError
from mantello_core.figures.plate import Site
from mantello_core.formats.mark_svg import mark_svg
from mantello_core.formats.own_emblem import read_emblem
from mantello_core.formats.vector.tree import MOST_BYTES
from mantello_core.insignia.devices.device import MARGIN, Device
from mantello_core.insignia.devices.freehand import FINEST_LINE
from mantello_core.insignia.devices.stroke import device_stroke
from mantello_core.insignia.devices.worn import WornMark
from mantello_core.naming import named

#: mm of the squares that an emblem is judged on where nobody bears it yet: a shoulder, a shield, a banner
USUAL_SIZES = (4.0, 8.0, 20.0)


class EmblemForm(forms.Form):
    """A name and a file."""

    name = CoreField(lambda text: named(text, "name"), label="What to call it", max_length=80)
    file = forms.FileField(
        label="Its outline (.svg)",
        help_text="All filled shapes in it together; holes stay holes. Colours do not matter: it is painted in a role.",
    )

    def clean(self):
        """The emblem, under ``device``, and what of the file was left out, under ``left_out``."""
        given = super().clean()
        if self.errors:
            return given
        upload = given["file"]
        if upload.size > MOST_BYTES:
            self.add_error("file", f"The file has {upload.size} bytes; allowed is up to {MOST_BYTES}.")
            return given
        try:
            given["device"], given["left_out"] = read_emblem(given["name"], upload.read())
        except MantelloError as error:
            self.add_error("file", error.message)
        return given


@dataclass(frozen=True)
class Size:
    """An emblem at one size: its picture, its narrowest part, and where it is borne so."""

    where: str
    width: float
    height: float
    picture: str
    stroke: float

    @property
    def fine(self) -> bool:
        """Whether a brush can follow all of it."""
        return self.stroke >= FINEST_LINE


@login_required
@require_safe
def emblems(request, army_id):
    """The emblems, each at the sizes it is borne at."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None):
    reading = reading_of(army.head)
    rows = [(one, _sizes(reading, one)) for one in reading.design.scheme.devices]
    context = {"title": "Own emblems", "rows": rows, "form": form or EmblemForm(), "finest": FINEST_LINE}
    return room_page(request, army, "insignia", "insignia/emblems.html", context, status)


def _sizes(reading: Reading, device: Device) -> list[Size]:
    """An emblem where it is borne, each place once; at usual sizes if it is not."""
    found: dict[tuple, Size] = {}
    for one in reading.resolution.classes:
        for site_id, borne in one.borne.items():
            if borne.placement.device == device:
                site = one.plate.named_sites(site_id)[0][1]
                key = (one.plate.id, site_id)
                found.setdefault(
                    key, _size(device, f"{one.plate.title}: {site_id.replace('.', ' ')}", site.width, site.height)
                )
    return list(found.values())[:6] or [_size(device, f"{size:g} mm", size, size) for size in USUAL_SIZES]


def _size(device: Device, where: str, width: float, height: float) -> Size:
    site = Site("shown", "area", 0.0, 0.0, width, height, "rect", "flat")
    picture = mark_svg(site, "#d9d7d2", WornMark(device, "#17141c"))
    return Size(where, width * MARGIN, height * MARGIN, mark_safe(picture), device_stroke(device, width, height))


@login_required
@require_POST
def keep_emblem(request, army_id):
    """An emblem is taken in, or drawn anew."""
    army = army_for(request, army_id)
    form = EmblemForm(request.POST, request.FILES)
    if not form.is_valid():
        return _page(request, army, 422, form)
    device = form.cleaned_data["device"]
    if not apply_form(
        request, army, form, lambda design: with_own_device(design, device), f"Emblem {device.text} kept"
    ):
        return _page(request, army, 422, form)
    if form.cleaned_data["left_out"]:
        messages.info(request, f"Left out of the file: {'; '.join(form.cleaned_data['left_out'][:6])}.")
    return redirect("emblems", army.pk)


@login_required
@require_POST
def change_emblem(request, army_id):
    """An emblem is called otherwise, or taken away."""
    army = army_for(request, army_id)
    name = request.POST.get("emblem", "")
    if request.POST.get("do") == "remove":
        apply(request, army, lambda design: without_own_device(design, name), f"Emblem {name[:80]} taken away")
    else:
        now = request.POST.get("name", "")
        apply(request, army, lambda design: with_own_device_named(design, name, now), f"Emblem {name[:80]} renamed")
    return redirect("emblems", army.pk)
