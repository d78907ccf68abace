"""Sites for marks on a figure type: shown on its views, placed, moved, sized, taken away."""

from urllib.parse import urlencode

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.shell.fields import refused
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.design.sites import with_site, without_site
from mantello_core.errors import MantelloError
from mantello_core.figures.placed_site import (
    CURVES,
    LEAST_MM,
    LEAST_RADIUS,
    MOST_MM,
    MOST_RADIUS,
    SHAPES,
    PlacedSite,
    area_at,
)
from mantello_core.figures.plate import Plate, Site, View
from mantello_core.figures.vocabulary import spoken
from mantello_core.formats.site_map_svg import site_map_svg

_MM = {"error_messages": {"invalid": "Write a number of millimetres."}}


class SiteForm(forms.Form):
    """Where a mark may sit, how large it may be, and how the surface bends there."""

    name = forms.CharField(
        label="Name", max_length=40, help_text="Small letters, digits and dots: shoulder.left, knee, door.",
        widget=forms.TextInput(attrs={"placeholder": "Such as: shoulder.left"}),
    )  # fmt: skip
    x = forms.FloatField(label="Right of the middle, mm", **_MM)
    y = forms.FloatField(label="Above the soles, mm", **_MM)
    width = forms.FloatField(label=f"Width, mm ({LEAST_MM:g} to {MOST_MM:g})", initial=3, **_MM)
    height = forms.FloatField(label="Height, mm", initial=3, **_MM)
    shape = forms.ChoiceField(label="Form", choices=list(SHAPES.items()))
    curve = forms.ChoiceField(label="The surface is", choices=list(CURVES.items()))
    radius = forms.FloatField(
        label="Radius of its bend, mm",
        required=False,
        help_text=f"Where it is round: {LEAST_RADIUS:g} to {MOST_RADIUS:g}.",
        **_MM,
    )

    @classmethod
    def showing(cls, site: Site) -> "SiteForm":
        """The form as a site is now."""
        kind, _, radius = site.curve.partition(":")
        return cls(
            initial={
                "name": site.id, "x": site.x / 10, "y": -site.y / 10, "width": site.width, "height": site.height,
                "shape": site.shape, "curve": kind, "radius": radius or None,
            }
        )  # fmt: skip

    def clean(self):
        """A round surface says how round."""
        given = super().clean()
        if given.get("curve") in ("cyl", "dome") and given.get("radius") is None and "radius" not in self.errors:
            self.add_error("radius", "Say the radius of the bend; a limb at 28 mm has some 3 mm.")
        return given

    def site(self, view: View) -> Site:
        """The site it says, on the area that lies uppermost there."""
        given = self.cleaned_data
        x, y = given["x"] * 10, -given["y"] * 10
        curve = f"{given['curve']}:{given['radius']:g}" if given["curve"] in ("cyl", "dome") else given["curve"]
        area = area_at(view, x, y)
        return Site(given["name"].strip(), area, x, y, given["width"], given["height"], given["shape"], curve)


def _type_of(army, type_id: str) -> Plate:
    force = reading_of(army.head).design.army
    if type_id not in force.type_titles:
        raise Http404
    return force.plate_apart(type_id)


@login_required
@require_safe
def type_sites(request, army_id, type_id):
    """A type's views with every site framed and numbered, and one of them, or a new one, as a form."""
    return _page(request, army_for(request, army_id), type_id)


def _page(request, army, type_id: str, status=200, form=None):
    plate = _type_of(army, type_id)
    given = request.POST if request.method == "POST" else request.GET
    view = next((one for one in plate.views if one.name == given.get("view")), plate.views[0])
    chosen = view.named_site(given.get("site", "")) if given.get("site") in {site.id for site in view.sites} else None
    numbers = {site.id: at for at, site in enumerate(view.sites, 1)}
    own = {(one.type, one.view, one.site.id) for one in reading_of(army.head).design.army.sites}
    rows = [
        (numbers[site.id], site, spoken(site.area), (type_id, view.name, site.id) in own, urlencode({"view": view.name, "site": site.id}))
        for site in view.sites
    ]  # fmt: skip
    context = {
        "title": f"Sites of {plate.title}", "plate": plate, "view": view, "views": [one.name for one in plate.views], "rows": rows, "chosen": chosen,
        "chosen_own": chosen is not None and (type_id, view.name, chosen.id) in own,
        "picture": mark_safe(site_map_svg(plate, view.name, (), numbers, "site-")),
        "form": form or (SiteForm.showing(chosen) if chosen else SiteForm()),
    }  # fmt: skip
    return room_page(request, army, "army", "army/type_sites.html", context, status)


@login_required
@require_POST
def place_site(request, army_id, type_id):
    """Place a site, or move and size one; or take one that was placed away."""
    army = army_for(request, army_id)
    plate = _type_of(army, type_id)
    view = next((one for one in plate.views if one.name == request.POST.get("view")), None)
    if view is None:
        raise Http404
    back = f"{reverse('type-sites', args=[army.pk, type_id])}?{urlencode({'view': view.name})}"
    if "remove" in request.POST:
        name = request.POST.get("site", "")
        apply(request, army, lambda design: without_site(design, type_id, view.name, name), f"Site {name} as it was")
        return redirect(back)
    form = SiteForm(request.POST)
    if form.is_valid():
        placed = PlacedSite(type_id, view.name, form.site(view))
        try:
            apply(request, army, lambda design: with_site(design, placed), f"Site {placed.site.id} on {plate.title}")
            return redirect(f"{back}&{urlencode({'site': placed.site.id})}")
        except MantelloError as error:
            if error.where == "area":
                form.add_error("x", "It lies on no area of this view; click the figure.")
            else:
                refused(form, error)
    return _page(request, army, type_id, 422, form)
