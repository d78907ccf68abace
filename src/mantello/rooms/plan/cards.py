"""The batches of a session as cards to lay beside the palette."""

from datetime import datetime

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.template.loader import render_to_string
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.jobs.papers import paper, paper_kind
from mantello.record.queries import progress
from mantello.workspace.page import army_for
from mantello_core.planning.compiling import UNDERCOAT
from mantello_core.recipes.hazard import DEFERENCE

from .desk import areas_to_paint, areas_words, desk_svg
from .evening import Evening, lately
from .handling import Handling
from .painters import can_plan, painter_in_hand

#: cards printed at once
MOST_CARDS = 24


@login_required
@require_safe
def cards(request, army_id):
    """The batches of the session as cards to lay beside the palette, as PDF."""
    army = army_for(request, army_id)
    painter = painter_in_hand(request, army)
    if not can_plan(army, painter):
        return redirect("plan", army.pk)
    return paper(request, army, "cards", "desk-cards.pdf", army.log_mark, painter=painter, now=lately())


@paper_kind("cards", "Cards for the desk", "cards.css")
def cards_page(army, asked) -> str:
    """The batches of a session as cards, as a page to print."""
    evening = Evening(army, datetime.fromisoformat(asked["now"]), asked["painter"])
    everyone, called = progress(army), evening.reading.design.army.called
    printed = []
    for batch in [one for one in evening.tonight if not one.done][:MOST_CARDS]:
        figure = (batch.left or batch.block.figures)[0]
        unit = batch.block.task.unit
        handling = Handling(evening.reading, batch)
        printed.append({
            "batch": batch, "how": handling.how, "hints": handling.hints, "portion": handling.portion, "cautions": handling.cautions,
            "where": areas_words(areas_to_paint(evening.reading, batch, figure)) if batch.atoms[0].step != UNDERCOAT else "The whole figure",
            "picture": mark_safe(desk_svg(evening.reading, batch, figure, everyone[unit, *figure].done, "print")),
            "figures": ", ".join(called(unit, rank, ordinal) for rank, ordinal in batch.left),
        })  # fmt: skip
    return render_to_string(
        "plan/cards.html",
        {"army": army, "pairs": [printed[at : at + 2] for at in range(0, len(printed), 2)], "deference": DEFERENCE},
    )
