"""The bench: brushes and cans by hours of use, mixes on the palette by age, metals by where they are."""

from datetime import datetime

from django.contrib.auth.decorators import login_required
from django.utils import timezone
from django.views.decorators.http import require_safe

from mantello.rooms.army.page import army_for, room_page
from mantello.rooms.army.reading import Reading, reading_of
from mantello_core.figures.vocabulary import sideless, spoken
from mantello_core.recipes.technique import techniques
from mantello_core.record.upkeep import Leftover, Use, leftovers, metal_places, wears

from .pace import kind_of

#: words of a search at most
_MOST_WORDS = 6


@login_required
@require_safe
def bench(request, army_id):
    """Wear, leftovers and metals; metals are searched by part, role or paint."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    uses, now = _uses(army.entries.standing(), reading), timezone.now()
    sought = request.GET.get("metal", "")[:80].strip()
    words = sought.casefold().split()[:_MOST_WORDS]
    metals = []
    for one in metal_places(reading.design.scheme, reading.resolution, words):
        parts = list(dict.fromkeys(spoken(sideless(name)) for name in one.areas))
        found = [part for part in parts if any(word in part.casefold() for word in words)]
        metals.append((one, found or parts))
    context = {
        "title": "Bench",
        "wears": wears(uses),
        "leftovers": [(one, one.until > now) for one in leftovers(uses, now)],
        "metals": metals,
        "sought": sought,
    }
    return room_page(request, army, "log", "log/bench.html", context)


def aged(army, reading: Reading, mix: str, now: datetime) -> Leftover | None:
    """The mix as it was last used, if it has stood too long on the palette to match itself by now."""
    found = leftovers(_uses(army.entries.standing().filter(mix=mix)[:1], reading), now)
    return found[0] if found and found[0].until <= now else None


def _uses(entries, reading: Reading) -> list[Use]:
    """What the log knows, with the tool of each step: as its recipe says, or as usual for its kind."""
    tools = {
        (role.id, step.id): (step.tool, step.kind)
        for role in reading.design.scheme.roles
        for _, recipe in role.recipes
        for step in recipe.steps
    }
    found = []
    for entry in entries:
        kind = kind_of(entry.step)
        usual = (
            (techniques()[kind].tool, kind)
            if kind in techniques()
            else ("aerosol" if not entry.role else "round brush", kind)
        )
        tool, kind = tools.get((entry.role, entry.step), usual)
        minutes = entry.planned_minutes if entry.minutes is None else entry.minutes
        paints = tuple(str(one.get("paint", "")) for one in entry.paints)
        found.append(Use(tool, kind, minutes, entry.mix, paints, entry.done_at))
    return found
