"""What is borne: copies of every mark by site and size with spares, and who shows the arms of their house nowhere."""

from django.contrib.auth.decorators import login_required
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.rooms.army.page import army_for, room_page
from mantello.rooms.army.reading import reading_of
from mantello_core.colour.spaces import hex_of
from mantello_core.formats.arms_svg import arms_svg
from mantello_core.insignia.arms_drawing import drawn_arms
from mantello_core.insignia.device import ARMS, MARGIN
from mantello_core.schemes.allotment import allotments, lacks
from mantello_core.schemes.bearing import device_words
from mantello_core.schemes.inspection.finding import class_title

from .views import colours_of


@login_required
@require_safe
def bearers(request, army_id):
    """The list of marks and the list of those who lack one."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    design, scheme = reading.design, reading.design.scheme

    def picture(device, at: int) -> str:
        if device.kind != ARMS:
            return ""
        one = scheme.named_arms(device.text)
        colour = colours_of(one, reading)
        return mark_safe(
            arms_svg(drawn_arms(one.tree), lambda id_: hex_of(colour(id_)), prefix=f"b{at}", title=one.name)
        )

    rows = [
        {
            "allotment": one,
            "words": device_words(scheme, one.device),
            "picture": picture(one.device, at),
            "role": scheme.role(one.role).name if one.role else "",
            "site": one.site.id.replace(".", " ").capitalize(),
            "wide": one.site.width * MARGIN,
            "tall": one.site.height * MARGIN,
            "types": list(dict.fromkeys(each.plate.title for each in one.bearers)),
            "first": one.bearers[0],
        }
        for at, one in enumerate(allotments(reading.resolution))
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
        "copies": sum(row["allotment"].with_spares for row in rows),
    }
    return room_page(request, army, "insignia", "insignia/bearers.html", context)
