"""The Paints room: what the army takes, and the shelf of ranges."""

from django.contrib.auth.decorators import login_required
from django.views.decorators.http import require_safe

from mantello.rooms.army.page import army_for, room_page
from mantello.rooms.army.reading import reading_of
from mantello.rooms.scheme.forms import paint_choices
from mantello_core.paints.range import paint, ranges


@login_required
@require_safe
def paints(request, army_id):
    """Every paint by range; those the scheme uses with the amount they take."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    used: dict[str, list[str]] = {}
    for role in reading.design.scheme.roles:
        for _, recipe in role.recipes:
            for step in recipe.steps:
                for pot in step.mix.paints:
                    used.setdefault(pot.id, [])
                    if role.name not in used[pot.id]:
                        used[pot.id].append(role.name)
    needed = reading.needed
    shelves = [
        (shelf, [(pot, needed.get(pot.id, 0.0), used.get(pot.id, [])) for pot in shelf.paints]) for shelf in ranges()
    ]
    pots = sorted(((paint(paint_id), ml) for paint_id, ml in needed.items()), key=lambda row: -row[1])
    rows = [(pot, ml, ml / pot.volume) for pot, ml in pots]
    context = {
        "title": "Paints",
        "shelves": shelves,
        "rows": rows,
        "undercoat": paint(reading.design.scheme.undercoat),
        "replaceable": {id_ for _, pots in paint_choices() for id_, _ in pots},
    }
    return room_page(request, army, "paints", "paints/paints.html", context)
