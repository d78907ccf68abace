"""Edges of a role worth a light, and lines worth a line: ranked, drawn, and cut off where it is enough."""

from dataclasses import replace

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.advice.edge_list import CUT, edge_list
from mantello_core.army.tree import TIERS
from mantello_core.design import edit
from mantello_core.errors import OutOfRange
from mantello_core.figures.vocabulary import spoken
from mantello_core.formats.drawing import plate_group

#: how wide edges are drawn, drawing units
_WIDE = 5


@login_required
@require_safe
def edges(request, army_id, role, tier, step):
    """The page: areas ranked on the left, the figure with its edges in the middle."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    chosen = reading.design.scheme.role(role)
    asked = _step(chosen, tier, step)
    one = reading.resolution.showing_most(role, tier)
    share = asked.manner.share or CUT[tier]
    rows = _rows(reading, one, role, asked) if one else ()
    kept = [row for row in rows if row.kept(share)]
    context = {
        "title": f"Edges of {chosen.name}",
        "role": chosen,
        "tier": tier,
        "tier_name": TIERS[tier],
        "step": asked,
        "lines": asked.work == "line",
        "rows": [(row, spoken(row.area), row.kept(share)) for row in rows],
        "share": share,
        "kept": sum(row.seconds for row in kept) / 60,
        "whole": sum(row.seconds for row in rows) / 60,
        "figure": one.rank_name if one else "",
        "pictures": [_drawn(reading, one, view, {row.area: row.kept(share) for row in rows}, asked) for view in one.plate.views]
        if one else [],
    }  # fmt: skip
    return room_page(request, army, "recipes", "recipes/edges.html", context)


def _step(role, tier: str, step_id: str):
    if tier not in TIERS:
        raise Http404
    step = role.recipe(tier).step(step_id)
    if step.work not in ("edge", "line"):
        raise Http404
    return step


def _rows(reading: Reading, one, role: str, step):
    areas = [name for name, cell in one.cells.items() if cell.role == role]
    colours = {name: reading.tones(role, one.tier).flats for name in areas}
    return edge_list(one.plate, areas, step, colours, reading.around(one))


def _drawn(reading: Reading, one, view, kept: dict[str, bool], step):
    """A view in pale, with the edges that are lit in gold and those left out dashed."""
    box = " ".join(f"{value:g}" for value in view.view_box)
    lines = step.work == "line"
    parts = [plate_group(one.plate, view.name, lambda area: reading.fill(one, area), prefix=f"edges-{view.name}-")]
    for seen in view.areas:
        d = (seen.foot_d if lines else seen.sharp_d) if seen.area in kept else ""
        if d and kept[seen.area]:
            parts.append(f'<path class="edge-kept" d="{d}" fill="none" stroke-width="{_WIDE}"/>')
        elif d:
            parts.append(f'<path class="edge-left" d="{d}" fill="none" stroke-width="{_WIDE * 0.7}"/>')
    said = f"{one.rank_name}, {view.name}"
    return mark_safe(f'<svg viewBox="{box}" role="img" aria-label="{said}">{"".join(parts)}</svg>')


@login_required
@require_POST
def cut_edges(request, army_id, role, tier, step):
    """Light or line so much of the edges, the best first."""
    army = army_for(request, army_id)
    asked = _step(reading_of(army.head).design.scheme.role(role), tier, step)
    given = request.POST.get("share", "")
    try:
        share = float(given)
    except ValueError as error:
        raise OutOfRange(f"'{given[:20]}' is no share; allowed is 0.005 to 1.", "share") from error
    changed = replace(asked, manner=replace(asked.manner, share=round(share, 3) if share < 1 else None))
    apply(
        request, army, lambda design: edit.with_step(design, role, tier, changed),
        lambda before, after: f"{after.scheme.role(role).name}, {TIERS[tier].lower()}: {100 * share:.0f} % of its edges",
    )  # fmt: skip
    return redirect(reverse("edges", args=[army.pk, role, tier, step]))
