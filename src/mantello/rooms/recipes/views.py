"""The Recipes room: the steps of every role, and what each does on this undercoat."""

from dataclasses import replace

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.shelf.models import OwnPaint
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import BARE
from mantello.workspace.readings import reading_of
from mantello.workspace.stack import cautions_of, grounds_of, stacks_of, undercoat_cautions, worn
from mantello_core.advice.shading import shadings
from mantello_core.advice.washing import PASSES, SCOPES, lighter_beneath, washed_step
from mantello_core.army.tree import TIERS
from mantello_core.colour.spaces import lab_of_hex
from mantello_core.design import edit
from mantello_core.design.base_mix import with_bridge
from mantello_core.design.worked_out import with_copied, with_more, with_stop
from mantello_core.errors import MantelloError, OutOfRange, UnknownName
from mantello_core.figures.extent import united
from mantello_core.mixing.bridge import bridge_beneath
from mantello_core.mixing.undercoat import undercoats
from mantello_core.paints.range import paints
from mantello_core.recipes.hazard import DEFERENCE
from mantello_core.recipes.material import materials
from mantello_core.recipes.technique import techniques
from mantello_core.recipes.where import check_there

from .forms import MIX_ROWS, StepForm, mixes_by_name
from .walking import walk_of


@login_required
@require_safe
def recipes(request, army_id, role=""):
    """One role's recipe, tier beside tier; a role that is gone leads to the list."""
    army = army_for(request, army_id)
    if role and role not in reading_of(army.head).design.scheme.role_by_id:
        messages.error(request, "That role is not in the scheme as it stands.")
        return redirect("recipes", army.pk)
    return _page(request, army, role)


def _page(request, army, role_id, status=200, **forms):
    """The page; ``forms`` holds a form that came back with errors, with its ``tier`` and ``step``.

    One form is open at a time, the one that the address asks for: 'tier:step', or 'tier:' for a new step.
    """
    reading = reading_of(army.head)
    scheme = reading.design.scheme
    role = scheme.role_by_id.get(role_id) or next(iter(scheme.roles), None)
    context = {
        "title": f"{role.name}, recipe" if role else "Recipes",
        "listed": [
            (one, reading.tones(one.id), len(one.recipe().steps), reading.shares.get(one.id, 0.0))
            for one in scheme.roles
        ],
        "role": role,
        "undercoats": undercoats(),
        "undercoat_step": techniques()["undercoat"],
        "undercoat_cautions": undercoat_cautions(reading),
        "bare": lab_of_hex(BARE),
        "deference": DEFERENCE,
    }
    if role:
        stacks, own = stacks_of(reading, role.id), OwnPaint.objects.of(request.user)
        others = [one for one in scheme.roles if one.id != role.id]
        asked = request.GET.get("edit", "") or (f"{forms['tier']}:{forms['step']}" if forms else "")
        context |= {
            "stacks": _once(
                [
                    (*_opened(stack, forms, request.GET.get("edit", ""), own, others), followers)
                    for stack, followers in _apart(stacks, asked.split(":")[0])
                ]
            ),
            "grounds": grounds_of(reading, role.id),
            "walk": walk_of(army, reading, role.id),
            "cautions": cautions_of(reading, stacks),
            "material": materials().get(role.material),
            "alike": [
                one for one in scheme.roles if role.material and one.material == role.material and one.id != role.id
            ],
            "uses": sum(rule.role == role.id for rule in scheme.all_rules(reading.design.army)),
        }
    return room_page(request, army, "recipes", "recipes/recipes.html", context, status)


def _apart(stacks, asked):
    """The stacks that stand by themselves, each with those that follow it; one that is asked for stands alone."""
    found = []
    for stack in stacks:
        if stack.follows and found and stack.tier != asked:
            found[-1][1].append(stack)
        else:
            found.append((stack, []))
    return found


def _once(stacks):
    """The stacks with each row's cautions that were not told on the page before it, and whether others were."""
    told: set[str] = set()
    found = []
    for stack, rows, new_form, followers in stacks:
        fresh = []
        for row, form in rows:
            new = [caution for caution in row.cautions if caution not in told]
            told.update(new)
            fresh.append((row, form, new, len(new) < len(row.cautions)))
        found.append((stack, fresh, new_form, followers))
    return found


def _opened(stack, forms, asked, own, roles):
    """A stack with each row's form and the form of a new step; None where it is not open."""

    def form(step_id, make):
        if forms and (forms["tier"], forms["step"]) == (stack.tier, step_id):
            return forms["form"]
        return make() if not forms and asked == f"{stack.tier}:{step_id}" else None

    rows = [
        (
            row,
            form(
                row.outcome.step.id,
                lambda row=row: StepForm.showing(row.outcome.step, f"{stack.tier}-{row.outcome.step.id}", own, roles),
            ),
        )
        for row in stack.rows
    ]
    if not stack.rows and not asked and not forms and stack.tier == "rank":
        asked = "rank:"
    return stack, rows, form("", lambda: _new_form(stack, own, roles))


def _new_form(stack, own, roles):
    initial = {"kind": "layer" if stack.rows else "base", "diluent": "water", "diluent_parts": 1, "parts1": 1}
    return StepForm(initial=initial, auto_id=f"{stack.tier}-new_%s", own=own, roles=roles)


@login_required
@require_POST
def keep_step(request, army_id, role, tier):
    """Change a step of a recipe, or add one at its end."""
    army = army_for(request, army_id)
    step_id = request.POST.get("step", "")
    own = OwnPaint.objects.of(request.user)
    scheme = reading_of(army.head).design.scheme
    others = [one for one in scheme.roles if one.id != role]
    known = scheme.role(role).recipe(tier if tier in TIERS else "rank").steps
    form = StepForm(
        request.POST,
        auto_id=f"{tier}-{step_id or 'new'}_%s",
        own=own,
        roles=others,
        mixes=mixes_by_name(known, step_id),
    )
    if form.is_valid():
        step = replace(form.cleaned_data["step"], id=step_id)
        try:
            _check_there(reading_of(army.head), role, step)
            apply(request, army, lambda design: edit.with_step(design, role, tier, step), _told(role, tier, step))
            return redirect("recipe", army.pk, role)
        except (OutOfRange, UnknownName) as error:
            form.add_error(_field_of(error), error.message)
    return _page(request, army, role, 422, form=form, tier=tier, step=step_id)


def _check_there(reading, role, step):
    """Refuse a place that no area of the role has, where any figure wears it."""
    extents = worn(reading, role)[1].values()
    if step.spot and extents:
        check_there(step.spot, united(extents), "spot")


def _told(role, tier, step):
    def words(before, after):
        return f"{before.scheme.role(role).name}, {TIERS[tier].lower()}: {step.kind} is now {step.mix.words}"

    return words


def _field_of(error: MantelloError) -> str | None:
    place = error.where.strip("/").split("/")
    if place == ["spot", "place"]:
        return "spot"
    if place[:2] == ["mix", "parts"] and len(place) > 2 and int(place[2]) < len(MIX_ROWS):
        return f"parts{int(place[2]) + 1}"
    return place[-1] if place[-1] in ("kind", "coats", "diluent", "diluent_parts") else None


@login_required
@require_POST
def move_step(request, army_id, role, tier, step):
    """Move a step up or down, or remove it."""
    army = army_for(request, army_id)
    name = reading_of(army.head).design.scheme.role(role).name
    if request.POST.get("do") == "remove":
        apply(request, army, lambda design: edit.without_step(design, role, tier, step), f"{name}: step {step} removed")
    else:
        by = -1 if request.POST.get("do") == "up" else 1
        apply(
            request,
            army,
            lambda design: edit.with_step_moved(design, role, tier, step, by),
            f"{name}: step {step} moved",
        )
    return redirect("recipe", army.pk, role)


@login_required
@require_POST
def stop_here(request, army_id, role, tier, step):
    """A tier's recipe ends after this step."""
    army = army_for(request, army_id)
    found = reading_of(army.head).design.scheme.role(role)
    words = f"{found.name}, {TIERS.get(tier, tier).lower()}: stops after {step}"
    apply(request, army, lambda design: with_stop(design, role, tier, step), words)
    return redirect("recipe", army.pk, role)


@login_required
@require_POST
def lay_bridge(request, army_id, role, tier):
    """Lay the bridge colour that saves coats under a role's first step."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    steps = design.scheme.role(role).recipe(tier if tier in TIERS else "rank").steps
    bridge = bridge_beneath(steps[0], design.scheme.ground) if steps else None
    if bridge is None:
        messages.error(request, "No bridge colour saves a coat here any more.")
    else:
        apply(
            request,
            army,
            lambda design: with_bridge(design, role, tier, bridge),
            f"{design.scheme.role(role).name}: {bridge.coats} of {bridge.mix.words} beneath it",
        )
    return redirect("recipe", army.pk, role)


@login_required
@require_POST
def more_of(request, army_id, role, tier, step):
    """A little more of one paint in a step's mix."""
    army = army_for(request, army_id)
    pot = request.POST.get("paint", "")
    apply(
        request,
        army,
        lambda design: with_more(design, role, tier, step, pot),
        lambda before, after: (
            f"{after.scheme.role(role).name}: {after.scheme.role(role).recipe(tier).step(step).mix.words}"
        ),
    )
    return redirect(f"{reverse('recipe', args=[army.pk, role])}?edit={tier}:{step}")


@login_required
@require_POST
def copy_recipe(request, army_id, role):
    """A role's recipes, or only how it is lightened, copied to another role."""
    army = army_for(request, army_id)
    lights, other = request.POST.get("what") == "lights", request.POST.get("to", "")
    apply(
        request,
        army,
        lambda design: with_copied(design, role, (other,), lights=lights),
        lambda before, after: (
            f"{after.scheme.role(other).name}: {'lightened' if lights else 'painted'} like {after.scheme.role(role).name}"
        ),
    )
    return redirect("recipe", army.pk, other)


@login_required
@require_POST
def lay_wash(request, army_id, role, tier):
    """Lay a wash all over, in the recesses or along the lines, in so many passes."""
    army = army_for(request, army_id)
    scope, passes = request.POST.get("scope", ""), request.POST.get("passes", "")
    if passes not in map(str, PASSES):
        raise OutOfRange(f"'{passes[:20]}' passes; allowed are {PASSES[0]} to {PASSES[-1]}.", "passes")
    known = reading_of(army.head).design.scheme.role(role).recipe(tier if tier in TIERS else "rank")
    step = washed_step(known.step(request.POST.get("step", "")), scope, int(passes))
    lighter = lighter_beneath(known.base.mix, step.mix) if "lighter" in request.POST else None

    def change(design):
        if lighter:
            design = edit.with_step(design, role, tier, replace(known.base, mix=lighter))
        return edit.with_step(design, role, tier, step)

    apply(
        request,
        army,
        change,
        lambda before, after: (
            f"{after.scheme.role(role).name}: wash {SCOPES[scope][0]}, {passes} pass{'es' * (passes != '1')}"
        ),
    )
    return redirect("recipe", army.pk, role)


@login_required
@require_POST
def lay_shade(request, army_id, role, tier):
    """Shade with the best wash of a family."""
    army = army_for(request, army_id)
    recipe = reading_of(army.head).design.scheme.role(role).recipe(tier if tier in TIERS else "rank")
    step = recipe.step(request.POST.get("step", ""))
    known = {one.family: one for one in shadings(recipe.base.mix, tuple(paints().values()))}
    family = request.POST.get("family", "")
    if family not in known:
        raise UnknownName("family of washes", family, list(known), "family")
    mix = known[family].mix
    apply(
        request,
        army,
        lambda design: edit.with_step(design, role, tier, replace(step, mix=mix)),
        lambda before, after: f"{after.scheme.role(role).name}: shaded with {mix.words}",
    )
    return redirect("recipe", army.pk, role)


@login_required
@require_POST
def provisional_role(request, army_id, role):
    """A role's colour is left open, or made firm."""
    army = army_for(request, army_id)
    on = request.POST.get("provisional") == "yes"
    name = reading_of(army.head).design.scheme.role(role).name
    apply(
        request, army, lambda design: edit.with_role_provisional(design, role, provisional=on),
        f"{name} is {'open' if on else 'firm'}",
    )  # fmt: skip
    return redirect("recipe", army.pk, role)
