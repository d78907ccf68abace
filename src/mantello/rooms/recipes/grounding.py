"""The ground of the whole army: every undercoat compared, one chosen, and what could be sprayed apart."""

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import apply, army_for, back, room_page
from mantello.workspace.reading import reading_of
from mantello.workspace.stack import undercoat_cautions
from mantello_core.design import edit
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import HARD
from mantello_core.film.reached import LOST
from mantello_core.formats.document.ground import read_ground
from mantello_core.mixing.undercoat import twin_apart, undercoats
from mantello_core.recipes.hazard import DEFERENCE


@login_required
@require_safe
def undercoat_choice(request, army_id):
    """Every undercoat for the whole army: coats, minutes, and the colours it makes hard; and for what is kept apart."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    advice = reading.undercoats if reading.design.army.figures else ()
    ground = reading.design.scheme.ground
    now = next((one for one in advice if one.ground == ground), None)
    rows = [(one, one.cost.minutes - now.cost.minutes, one.cost.coats - now.cost.coats) for one in advice]
    context = {
        "title": "Undercoats",
        "kinds": [
            (title, [row for row in rows if _kind(row[0].ground) == kind])
            for kind, title in (
                ("one", "One spray"),
                ("two", "Two tones, the lighter from above"),
                ("pot", "A can, then a coat of its pot"),
            )
        ],
        "assemblies": reading.assemblies if reading.design.army.figures else (),
        "twins": [(pot, twin_apart(pot)) for pot in undercoats() if pot.twin],
        "ground": ground,
        "hard_from": HARD,
        "lost_from": LOST,
        "undercoat_cautions": undercoat_cautions(reading),
        "deference": DEFERENCE,
    }
    return room_page(request, army, "recipes", "recipes/undercoats.html", context)


def _kind(ground: Ground) -> str:
    return "pot" if ground.pot_coat else "two" if ground.above else "one"


@login_required
@require_POST
def set_undercoat(request, army_id):
    """Choose the undercoat of the whole army."""
    army = army_for(request, army_id)
    ground = read_ground(request.POST.dict(), catalogue_for(army))
    apply(
        request,
        army,
        lambda design: edit.with_undercoat(design, ground.undercoat, ground.above, ground.pot_coat),
        lambda before, after: f"Undercoat is now {after.scheme.ground.words}",
    )
    role = request.POST.get("role", "")
    return redirect("recipe", army.pk, role) if role else back(request, "recipes", army.pk)
