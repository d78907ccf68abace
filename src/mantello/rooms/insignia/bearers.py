"""What is borne: copies of every mark by site and size with spares, and who shows the arms of their house nowhere."""

from django.contrib.auth.decorators import login_required
from django.views.decorators.http import require_safe

from mantello.rooms.army.page import army_for, room_page
from mantello.rooms.army.reading import reading_of
from mantello_core.insignia.device import ARMS, MARGIN
from mantello_core.schemes.allotment import lacks
from mantello_core.schemes.bearing import device_words
from mantello_core.schemes.inspection.finding import class_title

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
