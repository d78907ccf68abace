"""Decisions with their options and reasons, and where the design has left them since."""

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import get_object_or_404, redirect
from django.utils import timezone
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.page import army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.design.decision import stands, subjects_of
from mantello_core.design.design import Design

#: options of one decision, and signs of each
MOST_OPTIONS, MOST_SIGNS = 12, 200


class DecisionForm(forms.Form):
    """Something that was decided."""

    about = forms.ChoiceField(label="About")
    question = forms.CharField(max_length=200, label="The question")
    options = forms.CharField(
        max_length=3000,
        label="Options, one a line",
        widget=forms.Textarea(attrs={"rows": 3}),
        help_text="What could have been done.",
    )
    chosen = forms.CharField(max_length=200, label="Chosen")
    reason = forms.CharField(max_length=500, label="Because", widget=forms.Textarea(attrs={"rows": 2}))
    final = forms.BooleanField(required=False, label="It cannot be undone on painted figures")

    def __init__(self, design: Design, *arguments, **options):
        super().__init__(*arguments, **options)
        self.fields["about"].choices = list(subjects_of(design).items())

    @property
    def written(self):
        """Fields that are written, in order."""
        return [self[name] for name in ("about", "question", "options", "chosen", "reason")]

    def clean_options(self):
        """The options, each once."""
        found = list(dict.fromkeys(line.strip() for line in self.cleaned_data["options"].splitlines() if line.strip()))
        if len(found) > MOST_OPTIONS or any(len(one) > MOST_SIGNS for one in found):
            raise forms.ValidationError(
                f"{len(found)} options; allowed are {MOST_OPTIONS} of up to {MOST_SIGNS} signs."
            )
        return found


@login_required
@require_safe
def decisions(request, army_id):
    """What was decided and why, what the design has left since, and a form for the next."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None):
    design = reading_of(army.head).design
    subjects = subjects_of(design)
    rows = [
        (one, subjects.get(one.about, "gone from the scheme"), stands(design, one.about))
        for one in army.decisions.all()
    ]
    context = {
        "title": "Decisions",
        "form": form or DecisionForm(design, initial=_begun(request.GET.get("about", ""))),
        "standing": [row for row in rows if row[0].closed_at is None and row[2] == row[0].stood],
        "left": [row for row in rows if row[0].closed_at is None and row[2] != row[0].stood],
        "closed": [row for row in rows if row[0].closed_at is not None],
    }
    return room_page(request, army, "log", "log/decisions.html", context, status)


def _begun(about: str) -> dict:
    """What a form that is opened for a subject starts with."""
    if about.startswith("look:"):
        return {
            "about": about,
            "question": "May its look still change?",
            "options": "it may\nit may not",
            "chosen": "It may not",
            "final": True,
        }
    return {"about": about}


@login_required
@require_POST
def decide(request, army_id):
    """A decision is written down, with how the design has its subject now."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    form = DecisionForm(design, request.POST)
    if not form.is_valid():
        return _page(request, army, 422, form)
    given = form.cleaned_data
    army.decisions.create(
        about=given["about"], question=given["question"], options=given["options"], chosen=given["chosen"], reason=given["reason"],
        reversible=not given["final"], stood=stands(design, given["about"]),
    )  # fmt: skip
    messages.success(request, "Written down. It is quoted when the design leaves it.")
    return redirect("decisions", army.pk)


@login_required
@require_POST
def change_decision(request, army_id, pk):
    """A decision is given up, holds again, or holds for the design as it is now."""
    army = army_for(request, army_id)
    found = get_object_or_404(army.decisions, pk=pk)
    do = request.POST.get("do")
    if do == "close":
        found.closed_at = timezone.now()
    elif do == "open":
        found.closed_at = None
    elif do == "renew":
        found.stood = stands(reading_of(army.head).design, found.about)
    found.save(update_fields=["closed_at", "stood"])
    return redirect("decisions", army.pk)
