"""What a unit's figures may carry: its options with how many are built, and the sheet of parts to print."""

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.views.decorators.http import require_POST, require_safe

from mantello.record.queries import progress
from mantello.workspace.muster import Muster
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.army.equipment import MOST_COUNT, MOST_OPTIONS, MOST_SIGNS, STATES, Equipment
from mantello_core.army.tree import Node
from mantello_core.design.muster import with_equipment
from mantello_core.errors import MantelloError

#: empty lines that stand ready
SPARE_LINES = 3


class EquipmentForm(forms.Form):
    """One option."""

    name = forms.CharField(label="Option", max_length=MOST_SIGNS)
    allowed = forms.IntegerField(label="Allowed", min_value=0, max_value=MOST_COUNT)
    built = forms.IntegerField(label="Built", min_value=0, required=False)
    source = forms.CharField(label="Parts from", max_length=MOST_SIGNS, required=False)
    material = forms.CharField(label="Made of", max_length=MOST_SIGNS, required=False)
    state = forms.ChoiceField(label="Parts are", choices=[(one, one) for one in STATES])

    def option(self) -> Equipment:
        """The option it says."""
        given = self.cleaned_data
        return Equipment(
            given["name"].strip(), given["allowed"], given["built"] or 0, given["source"].strip(), given["material"].strip(), given["state"],
        )  # fmt: skip


_FORMS = forms.formset_factory(EquipmentForm, extra=SPARE_LINES, max_num=MOST_OPTIONS, can_delete=True)


def _unit(army, unit_id: str) -> Node:
    unit = reading_of(army.head).design.army.nodes.get(unit_id)
    if unit is None or not unit.is_unit:
        raise Http404
    return unit


@login_required
@require_safe
def equipment(request, army_id, unit):
    """The options of a unit."""
    army = army_for(request, army_id)
    return _page(request, army, _unit(army, unit))


def _page(request, army, unit: Node, status=200, lines=None):
    reading = reading_of(army.head)
    design = reading.design
    muster = Muster(army, reading, progress(army), army.log_mark, painted=False)
    firsts = {one.rank: one for one in reversed(reading.resolution.classes) if one.unit == unit.id}
    lines = lines or _FORMS(initial=[vars(one) for one in unit.equipment], prefix="option")
    context = {
        "title": f"Equipment of {design.army.title(unit.id)}",
        "unit": unit,
        "unit_title": design.army.title(unit.id),
        "lines": lines,
        "pictures": [
            (muster.picture(unit, firsts[rank.id], firsts[rank.id].ordinals[0], 92), rank)
            for rank in unit.ranks
            if rank.id in firsts
        ][:4],
        "options": unit.equipment,
        "states": [(state, [one for one in unit.equipment if one.state == state]) for state in STATES],
        "over": [one for one in unit.equipment if one.over],
    }
    return room_page(request, army, "army", "army/equipment.html", context, status)


@login_required
@require_POST
def keep_equipment(request, army_id, unit):
    """The options of a unit are changed."""
    army = army_for(request, army_id)
    node = _unit(army, unit)
    lines = _FORMS(request.POST, initial=[vars(one) for one in node.equipment], prefix="option")
    if not lines.is_valid():
        return _page(request, army, node, 422, lines)
    gone = lines.deleted_forms
    kept = [form for form in lines.forms if form not in gone and (form.has_changed() or form.initial)]
    given = tuple(form.option() for form in kept)
    try:
        apply(request, army, lambda design: with_equipment(design, node.id, given), f"Equipment of {node.name} changed")
    except MantelloError as error:
        _tell(kept, error)
        return _page(request, army, node, 422, lines)
    return redirect("equipment", army.pk, node.id)


def _tell(kept: list[EquipmentForm], error: MantelloError):
    """What the core refused, at the field of the line that it names; at the first line where it names none."""
    steps = (error.where or "").split("/")
    at = int(steps[1]) if len(steps) > 1 and steps[1].isdigit() else 0
    if not kept:
        raise error
    form = kept[at]
    form.add_error(steps[2] if len(steps) > 2 else None, str(error))
