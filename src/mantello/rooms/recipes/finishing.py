"""The army's finish: the order of work, parts painted apart, varnish, dirt and bases, one object that all units share."""

from dataclasses import replace

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.record.soiling import dirtied_otherwise, dirty_again
from mantello.shelf.models import OwnPaint
from mantello.shell.photograph import PhotoField, light_plan_of
from mantello.workspace.page import apply, apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello.workspace.seeing import Seeing
from mantello_core.design.design import Design
from mantello_core.errors import OutOfRange
from mantello_core.figures.loose import LOOSE, loose_advice
from mantello_core.figures.vocabulary import group_of, spoken
from mantello_core.paints.range import paint
from mantello_core.passes.basing import figures_on, grounds_standing_off, off_ground, plant_counts, standing_on
from mantello_core.passes.planting import spare
from mantello_core.passes.soiled import swallowed
from mantello_core.planning.compiling import slots_of
from mantello_core.recipes.hazard import DEFERENCE, cautions_for
from mantello_core.scheme.assembly import wrong_glue
from mantello_core.scheme.finishing import MOST_LEVEL
from mantello_core.scheme.sheen import SHEENS, sheen_of

from .finishing_form import FinishingForm
from .forms import LIGHT_CHOICES


@login_required
@require_safe
def finishing(request, army_id):
    """The form, what it costs, and what the bases want."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None):
    reading = reading_of(army.head)
    design = reading.design
    form = form or FinishingForm.showing(design, OwnPaint.objects.of(request.user))
    context = (
        {
            "title": "Finish and bases",
            "form": form,
            "parts": _apart_rows(form, reading),
            "slots": slots_of(design),
            "wrong_glue": wrong_glue(design.scheme.finishing.assembly),
            "level": design.dirt_level,
            "most_level": MOST_LEVEL,
            "pieces": _pieces(reading),
            "cautions": _cautions(reading),
            "sheen": _shining(design),
            "dulled": _dulled(design),
            "sheens": _sheens(reading),
            "deference": DEFERENCE,
            "otherwise": dirtied_otherwise(army, reading),
        }
        | _base_facts(reading)
        | _soiled(reading)
    )
    return room_page(request, army, "recipes", "recipes/finishing.html", context, status)


def _apart_rows(form: FinishingForm, reading: Reading) -> list:
    """The tick of every group of parts that the army has, with figures that want it, and what it hides on them at most."""
    found: dict[str, list] = {}
    worst: dict[str, float] = {}
    for unit in reading.design.army.units:
        for rank in unit.ranks:
            plate = reading.design.army.plate(rank.type)
            for area in plate.areas:
                if group_of(area) in LOOSE:
                    found.setdefault(group_of(area), [0, ""])
            for one in loose_advice(plate):
                found[one.group][0] += rank.figures
                if one.hidden_mm2 > worst.get(one.group, 0.0):
                    worst[one.group] = one.hidden_mm2
                    found[one.group][1] = f"{one.words}; {one.joint}"
    ticks = {tick.data["value"]: tick for tick in form["apart"]}
    rows = [(tick, *found[group]) for group, tick in ticks.items() if group in found]
    return sorted(rows, key=lambda row: -row[1])


def _pieces(reading: Reading) -> list:
    """Every piece of work with the figures that get it, hands-on minutes of all, and minutes it dries."""
    rows: dict[str, list] = {}
    for atom in reading.atoms:
        if atom.subject.piece:
            row = rows.setdefault(atom.subject.piece, [atom.name, atom.pot.split("|", 1)[1], 0, 0.0, atom.drying / 60])
            row[2] += len(atom.ordinals)
            row[3] += atom.seconds * len(atom.ordinals) / 60
    return list(rows.values())


def _shining(design: Design) -> str:
    """What will shine for want of a last coat, in words; '' for nothing."""
    finishing = design.scheme.finishing
    if finishing.varnish:
        return ""
    found = [one.name.lower() for one in finishing.dirt if any(pot.finish == "gloss" for pot in one.step.mix.paints)]
    if any(mark.manner.method == "transfer" for mark in design.scheme.marks):
        found.append("transfers")
    return " and ".join(found)


def _dulled(design: Design) -> str:
    """Metals whose flash a matt last coat takes, in words; '' for none, or where they are laid after it."""
    finishing = design.scheme.finishing
    if finishing.varnish != "matt" or finishing.slots.over(design.method.slots).metals == "after":
        return ""
    found = [
        role.name.lower()
        for role in design.scheme.roles
        if any(step.kind == "base" and step.mix.film.flake for step in role.recipe().steps)
    ]
    return ", ".join(found)


def _cautions(reading: Reading) -> list[str]:
    finishing = reading.design.scheme.finishing
    found = [
        caution
        for one in finishing.dirt
        for caution in cautions_for(one.step.kind, one.step.mix.paints, one.step.mix.diluent)
    ]
    if finishing.varnish:
        found += cautions_for("varnish", tuple(map(paint, finishing.products(finishing.varnish))))
    return list(dict.fromkeys(found))


def _sheens(reading: Reading) -> list[tuple[str, list]]:
    """How the army's colours shine in the end, the most area first, with their roles."""
    design = reading.design
    after = design.scheme.finishing.slots.over(design.method.slots).metals == "after"
    found: dict[str, list] = {}
    for id_ in reading.shares:
        role = design.scheme.role(id_)
        sheen = sheen_of(role.recipe(), id_, design.scheme.finishing, metals_after=after)
        if sheen:
            found.setdefault(sheen, []).append(role)
    return [(SHEENS[sheen], roles) for sheen, roles in found.items()]


class LightForm(forms.Form):
    """A photograph of a lit figure."""

    photo = PhotoField(label="A photograph of a lit figure", error_messages={"required": "Choose a photograph."})


@login_required
@require_POST
def light_by_photo(request, army_id):
    """The army's light plan is the one that a photograph of a lit figure shows; nothing of the photograph is kept."""
    army = army_for(request, army_id)
    form = LightForm(request.POST, request.FILES)
    if not form.is_valid():
        messages.error(request, " ".join(form.errors["photo"]))
        return redirect("finishing", army.pk)
    try:
        plan = light_plan_of(form.cleaned_data["photo"][0])
    except OutOfRange as error:
        messages.error(request, error.message)
        return redirect("finishing", army.pk)
    light = "" if plan == "overhead" else plan

    def change(design):
        finishing = replace(design.scheme.finishing, light=light)
        return replace(design, scheme=replace(design.scheme, finishing=finishing))

    apply(request, army, change, f"Lit from {dict(LIGHT_CHOICES)[light]}, as in the photograph")
    return redirect("finishing", army.pk)


def _soiled(reading: Reading) -> dict:
    """The army's commonest figure clean and dirty, and edges that dirt swallows on it."""
    design = reading.design
    if not reading.resolution.classes or not design.dirt_level or not design.scheme.finishing.dirt:
        return {"dirty": None}
    one = max(reading.resolution.classes, key=lambda each: len(each.ordinals))
    colours = reading.soiled(one)
    view = one.plate.views[0].name

    def drawn(moment: str, seed: int = 0):
        return mark_safe(reading.drawn(one, view, Seeing(moment=moment), seed=seed))

    lost = [
        (spoken(each.area), spoken(each.other).lower(), each.clean, each.dirty)
        for each in swallowed(design, one, colours)
    ]
    return {
        "dirty": (drawn("painted"), drawn("finished", 1), drawn("finished", 2)),
        "shown": one.rank_name,
        "lost": lost[:4],
    }


def _base_facts(reading: Reading) -> dict:
    design, basing = reading.design, reading.design.scheme.finishing.basing

    def colour_of(role: str, tier: str):
        tones = reading.tones(role, tier)
        return tones.flats if tones else None

    ground = next(
        (
            one.cells["base.ground"].role
            for one in reading.resolution.classes
            if one.cells.get("base.ground") and one.cells["base.ground"].role
        ),
        "",
    )
    earth = colour_of(ground, "rank") if ground else None
    scale = design.brief.scale if design.brief else 1.0
    rooms = []
    if basing.width and basing.depth:
        types = dict.fromkeys(rank.type for unit in design.army.units for rank in unit.ranks)
        rooms = [
            (design.army.type_titles[one], figures_on(basing.width, basing.depth, design.army.plate(one), scale))
            for one in types
        ]
    counts = plant_counts(design)
    standing = standing_on(design, reading.resolution, colour_of)
    lost = earth is not None and any(not one.stands_out for one in standing)
    return {
        "other_grounds": grounds_standing_off(standing, earth, design.catalogue)[:3] if lost else (),
        "ground": design.scheme.role(ground) if ground else None,
        "earth": earth,
        "mud": [(one, off) for one in design.scheme.finishing.dirt if (off := off_ground(one, earth)) is not None],
        "standing": [(design.scheme.role(one.role), one) for one in standing][:6],
        "rooms": rooms,
        "counts": [(one, counts[one.id], spare(counts[one.id])) for one in basing.plants],
        "magnet_count": design.army.figures if basing.magnets else 0,
    }  # fmt: skip


@login_required
@require_POST
def keep_finishing(request, army_id):
    """The army's finish is changed."""
    army = army_for(request, army_id)
    form = FinishingForm(reading_of(army.head).design, OwnPaint.objects.of(request.user), request.POST)
    kept = form.is_valid() and apply_form(
        request, army, form,
        lambda design: replace(design, scheme=replace(design.scheme, finishing=form.finishing(design))), "Finish and bases changed",
    )  # fmt: skip
    return redirect("finishing", army.pk) if kept else _page(request, army, 422, form)


@login_required
@require_POST
def dirty_figures_again(request, army_id):
    """Figures that were dirtied at another level get the pass again."""
    army = army_for(request, army_id)
    count = dirty_again(army, reading_of(army.head), request.POST.get("piece", ""))
    messages.success(
        request,
        f"The plan asks for it again on {count} figure{'s' * (count != 1)}."
        if count
        else "No figure was dirtied otherwise.",
    )
    return redirect("finishing", army.pk)
