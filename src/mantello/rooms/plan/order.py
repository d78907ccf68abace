"""The order of work: every rule that holds, why, how often, and where one had to give way."""

from collections import Counter

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.views.decorators.http import require_safe

from mantello.workspace.page import army_for, room_page
from mantello.workspace.reading import reading_of
from mantello_core.planning.compiling import slots_of
from mantello_core.planning.task import RULES
from mantello_core.recipes.slots import BASE, METALS, SKIN

from .evening import Evening
from .painters import can_plan, painter_in_hand

#: sentences shown of what gave way
_MOST_TOLD = 24


@login_required
@require_safe
def order(request, army_id):
    """The rules with their reasons, the profile they follow, and what was given up."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    design = reading.design
    if not can_plan(army, painter_in_hand(request, army)):
        return redirect("plan", army.pk)
    plan = Evening(army, timezone.now(), painter_in_hand(request, army)).plan
    kept, given_up = Counter(edge.rule.id for edge in plan.edges), Counter(one.edge.rule.id for one in plan.relaxed)
    told = list(dict.fromkeys(one.why for one in plan.relaxed))
    slots = slots_of(design)
    context = {
        "title": "Order of work",
        "rules": sorted(
            ((rule, kept[rule.id], given_up[rule.id]) for rule in RULES.values() if kept[rule.id] or given_up[rule.id]),
            key=lambda row: (not row[0].hard, -row[0].weight, row[0].name),
        ),
        "profile": (("Metals", METALS[slots.metals]), ("Skin", SKIN[slots.skin]), ("Bases", BASE[slots.base])),
        "method": design.method,
        "told": told[:_MOST_TOLD],
        "more": max(0, len(told) - _MOST_TOLD),
    }
    return room_page(request, army, "plan", "plan/order.html", context)
