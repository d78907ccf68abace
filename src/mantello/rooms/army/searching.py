"""The search that every page opens with a key: things of the army with a swatch or a small plate, checks and pages."""

from dataclasses import dataclass
from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.shortcuts import render
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.shell.templatetags.icons import swatch
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import army_for
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.design.search import Hit, found_in
from mantello_core.naming import folded, match_rank

#: pages by address, with what people may call them
PAGES = {
    "army": "Muster and tree of the army", "roster": "Roster: read a list of figures", "army-brief": "Brief", "figure-types": "Figure types",
    "make-type": "Put a figure together", "photographs": "Figures from photographs", "models": "Figures from 3D files", "scheme": "Scheme: plate and ladder",
    "table": "Mapping table", "rules": "Rules and distinctions", "checks": "Checks", "variants": "Variants side by side", "camouflage": "Camouflage",
    "almanac": "Dress of history: almanac", "variety": "Variety of irregulars", "insignia": "Arms and blazon", "emblems": "Own emblems", "unit-codes": "Unit codes",
    "mark-map": "Map of marks", "bearers": "Who bears what", "transfers": "Transfer sheets", "bought": "Bought sheets", "cloth": "Cloth: stripes and checks",
    "recipes": "Recipes", "passes": "Passes over the whole figure", "undercoats": "Undercoats compared", "finishing": "Finish and bases", "metals": "Metals",
    "lenses": "Lenses and gems", "tests": "Test pieces", "paints": "Paints and shopping list", "match": "Match a colour", "fewest": "Fewest paints", "add-paint": "Add a paint",
    "costs": "Costs", "plan": "Plan of evenings", "order": "Order of work", "calendar": "Calendar", "what-if": "What if", "painters": "Painters", "desk": "Desk",
    "log": "Log", "figure-history": "Figures one by one", "upkeep": "Bench: brushes, mixes, metals", "decisions": "Decisions", "evening": "Evening log",
}  # fmt: skip
_MOST_PAGES = 6


@dataclass(frozen=True)
class Line:
    """One line of the list."""

    kind: str
    name: str
    more: str
    address: str
    #: a swatch, drawn; or the address of a small plate
    swatch: str = ""
    picture: str = ""


@login_required
@require_safe
def search(request, army_id):
    """What some words may mean, as a part of a page."""
    army = army_for(request, army_id)
    words = request.GET.get("q", "")[:80]
    reading = reading_of(army.head)
    lines = [_line(army, reading, hit) for hit in found_in(reading.design, catalogue_for(army), words)]
    asked = folded(words)
    if asked:
        checks = vars(reading).get("checks", ())
        lines += [
            Line("check", one.name, one.worst, f"{reverse('checks', args=[army.pk])}#{one.id}")
            for one in checks
            if match_rank(asked, one.name) is not None
        ][:_MOST_PAGES]
        pages = [(rank, name) for name, title in PAGES.items() if (rank := match_rank(asked, title)) is not None]
        lines += [
            Line("page", PAGES[name], "", reverse(name, args=[army.pk]))
            for _, name in sorted(pages, key=lambda one: one[0])[:_MOST_PAGES]
        ]
    return render(request, "army/found.html", {"lines": lines, "words": words.strip()})


def _line(army, reading: Reading, hit: Hit) -> Line:
    design = reading.design
    drawn = picture = ""
    if hit.kind == "role":
        tones = reading.tones(hit.id)
        drawn = mark_safe(swatch(tones.flats)) if tones else ""
        address = reverse("recipe", args=[army.pk, hit.id])
    elif hit.kind == "unit":
        node = design.army.nodes[hit.id]
        scheme = node.is_unit and node.ranks
        address = f"{reverse('scheme' if scheme else 'army', args=[army.pk])}?{urlencode({'unit' if scheme else 'node': hit.id})}"
    elif hit.kind == "figure":
        picture = f"{reverse('type-picture', args=[army.pk, hit.id])}?v={army.head.number}"
        address = (
            f"{reverse('scheme', args=[army.pk])}?{urlencode(_first(reading, lambda one: one.plate.id == hit.id))}"
        )
    elif hit.kind == "area":
        first = _first(reading, lambda one: hit.id in one.plate.areas)
        address = f"{reverse('scheme', args=[army.pk])}?{urlencode(first | {'area': hit.id})}"
    elif hit.kind == "paint":
        drawn = mark_safe(swatch(catalogue_for(army).paint(hit.id).swatch))
        address = f"{reverse('paints', args=[army.pk])}?{urlencode({'pot': hit.id})}"
    elif hit.kind == "arms":
        address = f"{reverse('insignia', args=[army.pk])}?{urlencode({'arms': hit.id})}"
    else:
        address = reverse("emblems", args=[army.pk])
    return Line(hit.kind, hit.name, hit.more, address, drawn, picture)


def _first(reading: Reading, fits) -> dict[str, str]:
    """The first figure that fits, as an address of the Scheme names it."""
    one = next((each for each in reading.resolution.classes if fits(each)), None)
    return {"unit": one.unit, "rank": one.rank, "figure": str(one.ordinals[0])} if one else {}
