"""The thread of edits: every state of the work with the figure before and after it, to go back or on to."""

from dataclasses import dataclass
from urllib.parse import urlencode

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace import editing as actions
from mantello.workspace.models import Army, Edition
from mantello.workspace.page import army_for, base_of, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.numerals import whole_number

#: states that are shown behind and before where the work stands
_BEHIND, _AHEAD = 40, 10
#: px that a figure of the thread is tall
_TALL = 84


@dataclass(frozen=True)
class Knot:
    """One state on the thread."""

    edition: Edition
    #: 'ahead', 'here' or 'behind'
    state: str
    #: the figure in the state before and in this one; '' where there is none
    before: str
    after: str


@login_required
@require_safe
def thread(request, army_id):
    """The states behind where the work stands, and those ahead that were undone, the newest first."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    behind = [army.head]
    while behind[-1].parent_id and len(behind) < _BEHIND:
        behind.append(army.editions.get(pk=behind[-1].parent_id))
    ahead: list[Edition] = []
    at = army.head
    while len(ahead) < _AHEAD and (at := army.onwards(at).first()):
        ahead.append(at)
    asked = _figure(reading)
    knots = [
        *(_knot(army, one, "ahead", asked) for one in reversed(ahead)), _knot(army, army.head, "here", asked),
        *(_knot(army, one, "behind", asked) for one in behind[1:]),
    ]  # fmt: skip
    context = {"title": "Thread of edits", "knots": knots, "tall": _TALL, "more": bool(behind[-1].parent_id)}
    return room_page(request, army, "army", "army/thread.html", context)


@login_required
@require_POST
def go_to(request, army_id):
    """Let the work stand at another state of its thread; nothing that was made since is lost."""
    army = army_for(request, army_id)
    given = request.POST.get("to", "")
    reached = actions.go_to(army, base_of(request), whole_number(given, 10**9) or 0)
    if reached is None:
        raise Http404
    messages.success(request, f"The work stands where it was after: {reached.words}")
    return redirect("thread", army.pk)


def _figure(reading: Reading) -> tuple[str, dict] | None:
    """The figure that is shown in every state: of the commonest kind."""
    classes = reading.resolution.classes
    if not classes:
        return None
    one = max(classes, key=lambda one: len(one.ordinals))
    said = {"unit": one.unit, "rank": one.rank, "figure": one.ordinals[0], "as": "designed"}
    return one.plate.views[0].name, said


def _knot(army: Army, edition: Edition, state: str, asked) -> Knot:
    if asked is None:
        return Knot(edition, state, "", "")
    view, said = asked
    numbers = (edition.parent.number if edition.parent_id else 0, edition.number)
    before, after = (
        f"{reverse('figure', args=[army.pk, view])}?{urlencode(said | {'edition': number, 'v': number})}"
        if number
        else ""
        for number in numbers
    )
    return Knot(edition, state, before, after)
