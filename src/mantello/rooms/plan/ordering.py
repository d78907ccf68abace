"""Changes of the order of work: steps put elsewhere, rules of one's own, rules given up, phases moved and added."""

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.utils.http import urlencode
from django.views.decorators.http import require_POST

from mantello.workspace.page import apply, apply_form, army_for
from mantello_core.design import order_edit as edits
from mantello_core.errors import UnknownName
from mantello_core.order.phases import phase_list, usual_phases
from mantello_core.order.rules import every_rule
from mantello_core.scheme.work_order import MOST_REASON, SWITCHES, checked_order

from .order import order_page


class MoveForm(forms.Form):
    """Work put into a phase; no phase: where the method has it."""

    what = forms.CharField(max_length=MOST_REASON)
    phase = forms.CharField(required=False, max_length=40)
    because = forms.CharField(required=False, max_length=MOST_REASON)
    scope = forms.CharField(required=False, max_length=80)


class RuleForm(forms.Form):
    """This before that, and why."""

    before = forms.CharField(max_length=MOST_REASON)
    after = forms.CharField(max_length=MOST_REASON)
    because = forms.CharField(
        required=False, max_length=MOST_REASON,
        error_messages={"max_length": f"The reason may have up to {MOST_REASON} signs."},
    )  # fmt: skip
    scope = forms.CharField(required=False, max_length=80)


class PhaseForm(forms.Form):
    """What is done with a phase."""

    do = forms.ChoiceField(choices=[(name, name) for name in ("up", "down", "to", "rename", "add", "remove", "usual")])
    phase = forms.CharField(required=False, max_length=40)
    name = forms.CharField(
        required=False, max_length=60, error_messages={"max_length": "A phase's name may have up to 60 signs."}
    )
    like = forms.CharField(required=False, max_length=40)
    to = forms.IntegerField(required=False, min_value=0, max_value=60)


def _changed(request, army, form, change, words):
    """Apply a change of the order; the page again with the form where it is refused."""
    if not form.is_valid() or not apply_form(request, army, form, _checked(change), words):
        return order_page(request, army, 422, form)
    return _back(request, army)


def _checked(change):
    def made(design):
        after = change(design)
        checked_order(after.scheme.order, tuple(usual_phases()), "")
        for one in (*after.scheme.order.moved, *after.scheme.order.rules):
            if one.scope:
                after.army.node(one.scope, "scope")
        return after

    return made


def _back(request, army):
    query = {name: request.POST[name] for name in ("unit", "rank") if request.POST.get(name)}
    return redirect(
        f"{reverse('order', args=(army.pk,))}?{urlencode(query)}" if query else reverse("order", args=(army.pk,))
    )


@login_required
@require_POST
def move_work(request, army_id):
    """Put a step, a pass or a role into a phase, or back."""
    army, form = army_for(request, army_id), MoveForm(request.POST)
    given = lambda: form.cleaned_data  # noqa: E731
    return _changed(
        request, army, form,
        lambda design: edits.with_work_moved(
            design, given()["what"], given()["phase"], given()["because"], given()["scope"]
        ),
        "A step put into another phase" if request.POST.get("phase") else "A step back where the method has it",
    )  # fmt: skip


@login_required
@require_POST
def add_rule(request, army_id):
    """A rule of the painter's own."""
    army, form = army_for(request, army_id), RuleForm(request.POST)

    def change(design):
        given = form.cleaned_data
        return edits.with_own_rule(design, given["before"], given["after"], given["because"], given["scope"])

    return _changed(request, army, form, change, "Rule of the order added")


@login_required
@require_POST
def drop_rule(request, army_id):
    """Give up a rule: one of the painter's own, or one of the order for this army; or ask for it again."""
    army = army_for(request, army_id)
    own, rule, switch = (request.POST.get(name, "") for name in ("own", "rule", "switch"))
    if own:
        apply(request, army, lambda design: edits.without_own_rule(design, own), "Rule of the order given up")
    elif switch:
        on = request.POST.get("on") == "yes"
        if switch not in SWITCHES:
            raise UnknownName("switch of the order", switch, list(SWITCHES), "switch")
        apply(request, army, lambda design: edits.with_switch(design, switch, on=on), "Rule of the method changed")
    else:
        if rule not in every_rule():
            raise UnknownName("rule of the order", rule, list(every_rule()), "rule")
        give = request.POST.get("again") != "yes"
        words = f"'{every_rule()[rule].name}' {'given up' if give else 'asked for again'}"
        apply(request, army, lambda design: edits.with_rule_given_up(design, rule, given_up=give), words)
    return _back(request, army)


@login_required
@require_POST
def change_phase(request, army_id):
    """Move, rename, add, repeat or remove a phase; or let the list be the method's again."""
    army, form = army_for(request, army_id), PhaseForm(request.POST)

    def change(design):
        given, phases = form.cleaned_data, phase_list(design).phases
        do, id_ = given["do"], given["phase"]
        at = next((at for at, one in enumerate(phases) if one.id == id_), 0)
        if do in ("up", "down", "to"):
            to = given["to"] if do == "to" and given["to"] is not None else at - 1 if do == "up" else at + 1
            return edits.with_phase_moved(design, phases, id_, min(max(to, 0), len(phases) - 1))
        if do == "rename":
            return edits.with_phase_renamed(design, phases, id_, given["name"])
        if do == "add":
            return edits.with_phase_added(design, phases, id_, given["name"], given["like"] or "block-in")
        if do == "remove":
            return edits.without_phase(design, phases, id_)
        return edits.with_method_phases(design)

    words = {
        "rename": "Phase renamed", "add": "Phase added", "remove": "Phase taken away", "usual": "The method's phases again",
    }  # fmt: skip
    return _changed(request, army, form, change, words.get(request.POST.get("do", ""), "Phase moved"))
