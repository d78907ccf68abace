"""What if: the plan with other settings beside the plan as it is, where the minutes go, and what must give for the deadline."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.views.decorators.http import require_safe

from mantello.workspace.page import army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import TIERS
from mantello_core.calendar.evenings import MOST_DESK
from mantello_core.film.tones import Tones
from mantello_core.paints.range import paint, paints
from mantello_core.planning.plan import Plan, laid_out, prepared
from mantello_core.planning.whatif import Load, WhatIf, changed, giving_way, late_minutes, levers, loads
from mantello_core.record.pace import finish_range, spread_of

from .evening import Evening
from .laying import units_of
from .painters import can_plan, painter_in_hand


class WhatIfForm(forms.Form):
    """Settings that are tried."""

    attention = forms.IntegerField(
        min_value=1, max_value=60, label="Figures in hand at once",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), "Write 1 to 60."),
    )  # fmt: skip
    desk = forms.IntegerField(
        required=False, min_value=1, max_value=MOST_DESK, label="Figures on the desk at most",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), f"Write 1 to {MOST_DESK}, or nothing for as it is."),
    )  # fmt: skip
    undercoat = forms.ChoiceField(required=False, label="Undercoat")
    plain = forms.MultipleChoiceField(
        required=False, label="Painted like rank and file", widget=forms.CheckboxSelectMultiple,
        choices=[(tier, name) for tier, name in TIERS.items() if tier != "rank"],
    )  # fmt: skip
    without = forms.MultipleChoiceField(required=False, label="Left out", widget=forms.CheckboxSelectMultiple)

    def __init__(self, known, *arguments, **options):
        super().__init__(*arguments, **options)
        grounds = [(pot.id, pot.name) for pot in paints().values() if pot.sprayed]
        self.fields["undercoat"].choices = [("", "as it is"), *grounds]
        self.fields["without"].choices = [(one.id, one.words) for one in known]


@dataclass(frozen=True)
class Told:
    """One plan in numbers."""

    finish: date | None
    desk: float
    openings: int
    idle: float
    late: float | None

    @classmethod
    def of(cls, plan: Plan, deadline: date | None) -> "Told":
        """The numbers of a plan. deadline: None for none."""
        late = late_minutes(plan, deadline) if deadline else None
        return cls(plan.finish.date() if plan.finish else None, plan.desk_minutes, plan.openings, plan.idle, late)


@dataclass(frozen=True)
class LoadGroup:
    """Steps that one thing would make cheaper."""

    cheaper: str
    #: step, its tones, and its minutes in per cent of the longest
    loads: tuple[tuple[Load, Tones | None, float], ...]

    @property
    def minutes(self) -> float:
        """Of all of them together."""
        return sum(one.minutes for one, _, _ in self.loads)


@login_required
@require_safe
def what_if(request, army_id):
    """The form, both plans in numbers, the levers and the biggest steps."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    if not can_plan(army, painter_in_hand(request, army)):
        return redirect("plan", army.pk)
    evening = Evening(army, timezone.now(), painter_in_hand(request, army))
    design = reading.design
    atoms = [atom for task in evening.plan.tasks for atom in task.atoms]
    atoms = list({atom.id: atom for atom in atoms}.values())
    known = levers(design, atoms)
    given = request.GET
    form = WhatIfForm(known, {
        "attention": given.get("attention", str(design.evenings.attention)), "undercoat": given.get("undercoat", ""), "desk": given.get("desk", ""),
        "plain": given.getlist("plain"), "without": [one for one in given.getlist("without") if one in {each.id for each in known}],
    })  # fmt: skip
    brief = design.brief
    deadline = date.fromisoformat(brief.deadline) if brief and brief.deadline else None
    now = Told.of(evening.plan, deadline)
    then = None
    if form.is_valid() and any(given.get(name) for name in ("attention", "undercoat", "plain", "without", "desk")):
        then = Told.of(_tried(form, evening), deadline)
    give, still = giving_way(known, now.late) if now.late else ((), 0.0)
    ticked = set(form["without"].value() or ())
    context = {
        "title": "What if",
        "form": form,
        "levers": [(one, one.id, one.id in ticked) for one in known],
        "now": now,
        "then": then,
        "deadline": deadline,
        "give": give,
        "saved": sum(one.minutes for one in give),
        "still": still,
        "loads": _grouped(reading, loads(atoms)),
        "likely": finish_range(evening.plan, spread_of(evening.timed)),
        "pace": evening.pace,
    }
    return room_page(request, army, "plan", "plan/what_if.html", context, 422 if form.errors else 200)


def _grouped(reading: Reading, found: Sequence[Load]) -> list[LoadGroup]:
    """Loads by what would be cheaper, the most minutes first; those that nothing would make cheaper last."""
    most = max((one.minutes for one in found), default=1.0)
    groups: dict[str, list[Load]] = {}
    for one in found:
        groups.setdefault(one.cheaper, []).append(one)
    made = [
        LoadGroup(cheaper, tuple((one, reading.tones(one.role or None), 100 * one.minutes / most) for one in known))
        for cheaper, known in groups.items()
    ]
    return sorted(made, key=lambda group: (not group.cheaper, -group.minutes))


def _tried(form: WhatIfForm, evening: Evening) -> Plan:
    said = form.cleaned_data
    without = tuple(tuple(one.split(":", 1)) for one in said["without"])
    undercoat = paint(said["undercoat"]) if said["undercoat"] else None
    tried = WhatIf(said["attention"], undercoat, tuple(said["plain"]), without, said["desk"] or 0)
    design = changed(evening.reading.design, tried)
    work = prepared(
        design, evening.reading.resolution, evening.done_before, units_of(design, evening.painter), evening.pace,
        faults=evening.faults,
    )  # fmt: skip
    return laid_out(work, design.evenings.of_painter(evening.painter), timezone.make_naive(evening.start))
