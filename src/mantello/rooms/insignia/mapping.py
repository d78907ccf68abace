"""The map of marks: every figure type with its sites framed, what each bears for whom, and what has no room."""

from django.contrib.auth.decorators import login_required
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.workspace.page import army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.bearers.site_map import Shown, Spot, TypeMap, site_map
from mantello_core.design.bearing import device_words
from mantello_core.formats.site_map_svg import site_map_svg
from mantello_core.insignia.devices.device import MARGIN
from mantello_core.insignia.devices.manner import METHODS


@login_required
@require_safe
def mark_map(request, army_id):
    """Every type's drawings and table."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    maps = site_map(reading.resolution)
    checks = {one.id: one for one in reading.checks}
    context = {
        "title": "Map of marks",
        "types": [_type(one, reading) for one in maps],
        "lacking": checks["sites"].findings,
        "faint": checks["emblems"].findings,
    }
    return room_page(request, army, "insignia", "insignia/map.html", context)


def _type(one: TypeMap, reading: Reading) -> dict:
    numbers = {id_: at + 1 for at, id_ in enumerate(dict.fromkeys(spot.site.id for spot in one.spots))}
    fullest = max(one.classes, key=lambda each: len(each.borne))
    views = list(dict.fromkeys(spot.view for spot in one.spots))
    return {
        "title": one.plate.title,
        "id": one.type,
        "figures": one.figures,
        "drawings": [
            (view, mark_safe(site_map_svg(one.plate, view, reading.bearing(fullest), numbers, f"{one.type}-{view}-")))
            for view in views
        ],
        "rows": [_row(spot, numbers, reading) for spot in one.spots if spot.shown],
        "free": [(numbers[spot.site.id], _row(spot, numbers, reading)) for spot in one.spots if not spot.shown],
    }


def _row(spot: Spot, numbers: dict[str, int], reading: Reading) -> dict:
    side = (
        "on the middle"
        if abs(spot.right) < 0.05
        else f"{abs(spot.right):.1f} mm {'right' if spot.right > 0 else 'left'}"
    )
    return {
        "number": numbers[spot.site.id],
        "site": spot.site.id.replace(".", " ").capitalize(),
        "view": spot.view,
        "where": f"{side}, {spot.above:.1f} mm up",
        "size": f"{spot.site.width * MARGIN:.1f} x {spot.site.height * MARGIN:.1f} mm",
        "shown": [_shown(one, reading) for one in spot.shown],
        "bare": spot.bare,
    }


def _shown(one: Shown, reading: Reading) -> dict:
    scheme, army, manner = reading.design.scheme, reading.design.army, one.placement.manner
    words = device_words(scheme, one.placement.device)
    units = list(dict.fromkeys(army.title(each.unit) for each in one.classes))
    return {
        "words": words[:1].upper() + words[1:],
        "role": scheme.role(one.placement.role).name if one.placement.role else "",
        "method": METHODS[manner.method],
        "turn": manner.turn,
        "mirrored": one.mirrored,
        "count": sum(len(each.ordinals) for each in one.classes),
        "who": units[0] if len(units) == 1 else f"{units[0]} and {len(units) - 1} more",
        "all": "; ".join(units),
        "first": one.classes[0],
    }
