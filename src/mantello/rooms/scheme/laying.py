"""A pattern laid on a model before it is kept: what the form says, seen at once."""

from dataclasses import dataclass
from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.http import Http404, HttpResponse
from django.shortcuts import render
from django.urls import reverse
from django.views.decorators.http import require_safe

from mantello.shell.download import drawing
from mantello.workspace.page import army_for
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.camouflage.pattern import Pattern, checked_pattern
from mantello_core.camouflage.surface import COARSE, PITCH
from mantello_core.design.pattern_edit import placing_rule, with_changed, with_pattern
from mantello_core.errors import MantelloError
from mantello_core.scheme.cascade import FigureClass
from mantello_core.scheme.rule import Rule

from .camouflage_form import CamouflageForm
from .fleet import fleet_of, wearing

#: in place of the name of a view: the first of whoever wears it
FIRST = "first"
#: what an address says besides the fields of the form
_ALSO = ("pattern", "figure")


@dataclass(frozen=True)
class Tried:
    """A design with the pattern laid, the figure of it that is shown, and the address of its pictures."""

    reading: Reading
    one: FigureClass
    ordinal: int
    query: str

    def address(self, army, view: str) -> str:
        """Where its picture from a side is."""
        return f"{reverse('try-pattern-view', args=[army.pk, view])}?{self.query}"


def tried_address(army, pattern: Pattern, rule: Rule | None, reading: Reading) -> str:
    """Where a picture of a pattern is that is not kept, on the first who would wear it."""
    filled = CamouflageForm.showing(reading.design, pattern, rule).initial
    said = {name: value for name, value in filled.items() if value != "" and value is not False}
    return f"{reverse('try-pattern-view', args=[army.pk, FIRST])}?{urlencode(said | {'v': army.head.number})}"


@login_required
@require_safe
def try_pattern(request, army_id):
    """The model in the pattern that a form says, from every side; 422 with nothing while the form cannot be read."""
    army = army_for(request, army_id)
    tried = _tried(army, request.GET)
    if tried is None:
        return HttpResponse(status=422)
    said = tried.reading.design.army.called(tried.one.unit, tried.one.rank, tried.ordinal)
    views = [(view.name, tried.address(army, view.name)) for view in tried.one.plate.views]
    return render(request, "scheme/camouflage_stage.html", {"views": views, "said": said, "tried": True})


@login_required
@require_safe
def try_pattern_view(request, army_id, view):
    """One side of that model."""
    army = army_for(request, army_id)
    tried = _tried(army, request.GET)
    if tried is None:
        raise Http404
    names = [each.name for each in tried.one.plate.views]
    side = names[0] if view == FIRST else view
    if side not in names:
        raise Http404
    pitch = COARSE if request.GET.get("glance") == "yes" else PITCH
    svg = tried.reading.drawn(tried.one, side, detail="small", seed=tried.ordinal, pitch=pitch)
    return drawing(svg, request, lasting=False)


def _tried(army, given) -> Tried | None:
    """What a form says, laid on the figure that is asked for, or else the first who wears it; None if it cannot be laid."""
    reading = reading_of(army.head)
    design = reading.design
    form = CamouflageForm(design, given)
    known = design.scheme.pattern_by_id.get(given.get("pattern", ""))
    if not form.is_valid():
        return None
    pattern = form.pattern(known)
    try:
        laid = _laid(reading, known, pattern, form.rule())
    except MantelloError:
        return None
    kept = known.id if known else laid.design.scheme.patterns[-1].id
    one, ordinal = wearing(laid, given.get("figure", ""), kept) or fleet_of(laid, kept)[0]
    said = {name: given[name] for name in (*form.fields, *_ALSO) if given.get(name)}
    return Tried(laid, one, ordinal, urlencode(said | {"v": army.head.number}))


def _laid(reading: Reading, known: Pattern | None, pattern: Pattern, rule: Rule) -> Reading:
    """The army in a pattern. One that is there in the same roles and places is worn by whoever wears it: nothing is resolved anew.

    Raises: what ``with_pattern`` refuses.
    """
    design = reading.design
    stands = placing_rule(design, known.id) if known else None
    same = stands and (stands.scope, stands.select, stands.filter) == (rule.scope, rule.select, rule.filter)
    if not same or [ink.role for ink in known.inks] != [ink.role for ink in pattern.inks]:
        return Reading(with_pattern(design, pattern, rule))
    made = Reading(with_changed(design, checked_pattern(pattern, design.scheme.role_by_id)))
    made.__dict__["resolution"] = reading.resolution
    return made
