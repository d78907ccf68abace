"""What is borne: copies of every mark by site and size with spares, and who shows the arms of their house nowhere."""

from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.bearers.allotment import Allotment, lacks
from mantello_core.bearers.mark_work import by_hand
from mantello_core.checks.finding import class_title
from mantello_core.design.bearing import device_words, with_manner
from mantello_core.insignia.devices.device import ARMS, MARGIN
from mantello_core.insignia.devices.manner import METHODS
from mantello_core.insignia.devices.mark_step import hand_or_transfer, mark_steps
from mantello_core.insignia.devices.worn import surface_for, width_on

from .views import small


@login_required
@require_safe
def bearers(request, army_id):
    """The list of marks and the list of those who lack one."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    design, scheme = reading.design, reading.design.scheme

    rows = [
        {
            "allotment": one,
            "choice": hand_or_transfer(by_hand(scheme, one.device, one.site), one.site, one.with_spares),
            "mark": one.placement.id,
            "method": METHODS[one.manner.method],
            "guide": _guide(army, one),
            "words": device_words(scheme, one.device),
            "picture": small(scheme.named_arms(one.device.text), reading, f"b{at}") if one.device.kind == ARMS else "",
            "role": scheme.role(one.role).name if one.role else "",
            "site": one.site.id.replace(".", " ").capitalize(),
            "wide": one.site.width * MARGIN,
            "tall": one.site.height * MARGIN,
            "types": list(dict.fromkeys(each.plate.title for each in one.bearers)),
            "first": one.bearers[0],
        }
        for at, one in enumerate(reading.allotments)
        if not one.device.cloth
    ]
    lacking = [
        (
            scheme.named_arms(one.arms),
            class_title(design.army, one.bearer),
            one,
            [id_.replace(".", " ") for id_ in one.sites],
        )
        for one in lacks(design.army, scheme, reading.resolution)
    ]
    context = {
        "title": "Who bears what",
        "rows": rows,
        "lacking": lacking,
        "methods": METHODS.items(),
        "used": [
            (METHODS[method], mark_steps(method, 120, "cyl"))
            for method in METHODS
            if any(row["allotment"].manner.method == method for row in rows)
        ],
        "copies": sum(row["allotment"].with_spares for row in rows),
    }
    return room_page(request, army, "insignia", "insignia/bearers.html", context)


def _guide(army, one: Allotment) -> str:
    """Where the guide by hand of a mark is."""
    if one.device.kind == ARMS:
        width = f"{width_on(one.site):.1f}"
        rest = urlencode({"shape": surface_for(one.site), "width": width})
        return f"{reverse('freehand', args=[army.pk, one.device.text])}?{rest}"
    first = one.bearers[0]
    figure = {"unit": first.unit, "rank": first.rank, "figure": first.ordinals[0], "site": one.site.id}
    return f"{reverse('mark-by-hand', args=[army.pk])}?{urlencode(figure)}"


@login_required
@require_POST
def mark_method(request, army_id):
    """A mark is made in another way; of all that are alike in device, colour and site."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    method, mark = request.POST.get("method", ""), request.POST.get("mark", "")
    alike = next(
        (
            [each.borne[one.site.id].placement.id for each in one.bearers]
            for one in reading.allotments
            if any(each.borne[one.site.id].placement.id == mark for each in one.bearers)
        ),
        [mark],
    )

    def change(design):
        for id_ in dict.fromkeys(alike):
            design = with_manner(design, id_, method=method)
        return design

    apply(request, army, change, f"Marks made {METHODS.get(method, method)}")
    return redirect("bearers", army.pk)
