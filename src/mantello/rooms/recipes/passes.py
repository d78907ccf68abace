"""Passes over the figure: what is laid on many colours at once, where, in which phase, and on whom."""

from dataclasses import dataclass, replace

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.shelf.models import OwnPaint
from mantello.workspace.page import apply, apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import Lab
from mantello_core.design.order_edit import with_pass, without_pass
from mantello_core.design.pass_offer import pass_offers, with_offer_taken
from mantello_core.formats.drawing import plate_svg
from mantello_core.numerals import whole_number
from mantello_core.order.phases import phase_list
from mantello_core.order.stacks import OVER
from mantello_core.order.subject import of_pass
from mantello_core.passes.piece import RESERVED
from mantello_core.passes.pieces import covering_nothing
from mantello_core.recipes.hazard import cautions_for
from mantello_core.recipes.technique import techniques
from mantello_core.scheme.cascade import FigureClass
from mantello_core.scheme.scheme import Scheme
from mantello_core.scheme.whole_pass import WholePass

from .pass_form import PassForm

#: what is drawn of a figure: covered, and the rest
COVERED, REST = "#c9962b", "#dcdcda"


@dataclass(frozen=True)
class PassRow:
    """A pass as the page shows it."""

    one: WholePass
    scope: str
    phase: str
    figures: int
    minutes: float
    drying: float
    #: a figure with what is covered; '' where it covers nothing
    picture: str
    before: Lab | None
    after: Lab | None
    cautions: tuple[str, ...]


def _rows(reading: Reading) -> list[PassRow]:
    design = reading.design
    phases = phase_list(design)
    found = []
    for one in design.scheme.passes:
        subject = of_pass(one.id)
        rows = [
            row.atom
            for sheet in reading.sheets
            if not one.scope or one.scope in design.army.paths[sheet.unit]
            for row in sheet.rows
            if row.atom.subject == subject
        ]
        worn = next((each for each in reading.resolution.classes if one in each.passes), None)
        before, after = _change(reading, worn, one) if worn else (None, None)
        found.append(PassRow(
            one, design.army.nodes[one.scope].name if one.scope else "whole army",
            phases.phases[rows[0].phase].name if rows else "", sum(len(atom.ordinals) for atom in rows),
            sum(atom.seconds * len(atom.ordinals) for atom in rows) / 60, one.step.drying,
            _picture(worn, one) if worn else "", before, after,
            tuple(cautions_for(one.step.kind, one.step.mix.paints, one.step.mix.diluent)),
        ))  # fmt: skip
    return found


def _picture(worn: FigureClass, one: WholePass) -> str:
    covered = one.covered(worn.plate, worn.roles_worn)
    view = worn.plate.views[0].name
    return mark_safe(plate_svg(worn.plate, view, lambda area: COVERED if area in covered else REST, detail="small"))


def _change(reading: Reading, worn: FigureClass, one: WholePass) -> tuple[Lab | None, Lab | None]:
    """The colour of the largest area that it covers, before it and after it."""
    covered = sorted(one.covered(worn.plate, worn.roles_worn), key=lambda area: -worn.plate.areas[area].surface_mm2)
    for area in covered[:1]:
        recipe, form = reading.stacks.laid_on(worn, area)
        for outcome in reading.design.scheme.predicted(recipe, worn.ground_of(area), form).outcomes:
            if outcome.step.id == f"{OVER}{one.id}":
                return outcome.before, outcome.after
    return None, None


@login_required
@require_safe
def passes(request, army_id):
    """Every pass with where it goes, what it does and what it costs; and the form of one."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status: int = 200, form: PassForm | None = None):
    reading = reading_of(army.head)
    design, own = reading.design, OwnPaint.objects.of(request.user)
    given = request.POST if request.method == "POST" else request.GET
    chosen = _named(design.scheme, given.get("pass", ""))
    if form is None:
        form = (
            PassForm.showing(design, own, chosen)
            if chosen
            else PassForm(design, own, initial={"kind": "shade", "diluent": "neat", "law": "all"})
        )
    context = {
        "title": "Passes over the figure",
        "rows": _rows(reading),
        "chosen": chosen,
        "chosen_key": given.get("pass", "") if chosen else "",
        "form": form,
        "offers": [
            (one, techniques()[one.kind].verb, [design.scheme.role(role).name for role in one.roles])
            for one in pass_offers(design.scheme)
        ],
        "nowhere": covering_nothing(design.scheme, reading.resolution),
    }
    return room_page(request, army, "recipes", "recipes/passes.html", context, status)


def _named(scheme: Scheme, key: str) -> WholePass | None:
    """A pass by its place on the list."""
    at = whole_number(key, len(scheme.passes) - 1) if scheme.passes else None
    return None if at is None else scheme.passes[at]


@login_required
@require_POST
def keep_pass(request, army_id):
    """Add a pass, or change one."""
    army = army_for(request, army_id)
    design, own = reading_of(army.head).design, OwnPaint.objects.of(request.user)
    old = _named(design.scheme, request.POST.get("pass", ""))
    form = PassForm(design, own, request.POST)

    def change(before):
        made = form.made(before, old)
        if old and (old.scope, old.filter) != (made.scope, made.filter):
            passes = tuple(made if one == old else one for one in before.scheme.passes)
            return replace(before, scheme=replace(before.scheme, passes=passes))
        return with_pass(before, made)

    kept = form.is_valid() and apply_form(request, army, form, change, f"Pass {'changed' if old else 'added'}")
    return redirect("passes", army.pk) if kept else _page(request, army, 422, form)


@login_required
@require_POST
def drop_pass(request, army_id):
    """Take a pass away."""
    army = army_for(request, army_id)
    one = _named(reading_of(army.head).design.scheme, request.POST.get("pass", ""))
    if one:
        apply(request, army, lambda design: without_pass(design, one.id, one.scope), f"{one.name} taken away")
    return redirect("passes", army.pk)


@login_required
@require_POST
def take_offer(request, army_id):
    """Make a step that several roles share one pass over the figure."""
    army = army_for(request, army_id)
    taken = (*RESERVED, *(one.id for one in reading_of(army.head).design.scheme.finishing.dirt))
    offer = request.POST.get("offer", "")
    apply(
        request,
        army,
        lambda design: with_offer_taken(design, offer, taken=taken),
        "One pass instead of a step of every role",
    )
    return redirect("passes", army.pk)
