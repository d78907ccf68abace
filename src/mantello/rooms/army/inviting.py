"""Sharing an army: secret links to look at it, painters invited to units of it; made and taken back by its owner."""

import secrets

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import get_object_or_404, redirect
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.models import Army, Link
from mantello.workspace.page import army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.numerals import whole_number

#: links of one kind that an army has at most
MOST_LINKS = 20


@login_required
@require_safe
def sharing(request, army_id):
    """Everyone who may see the army, and the links that let them."""
    army = _own(request, army_id)
    painters = reading_of(army.head).design.evenings.painters
    invited = {link.painter: link for link in army.links.filter(kind=Link.Kind.JOIN)}
    members = list(army.members.select_related("user"))
    came = {member.painter: member for member in members}
    context = {
        "title": "Sharing",
        "looks": army.links.filter(kind=Link.Kind.LOOK),
        "painters": [(one, len(one.units), invited.get(one.id), came.get(one.id)) for one in painters],
        "members": [member for member in members if member.painter not in {one.id for one in painters}],
        "host": request.build_absolute_uri("/")[:-1],
    }  # fmt: skip
    return room_page(request, army, "army", "army/sharing.html", context)


@login_required
@require_POST
def make_link(request, army_id):
    """A link to look, or one for a painter of the army to come by."""
    army = _own(request, army_id)
    painter = request.POST.get("painter", "")
    kind = Link.Kind.JOIN if painter else Link.Kind.LOOK
    if painter and painter not in {one.id for one in reading_of(army.head).design.evenings.painters}:
        raise Http404
    known = army.links.filter(kind=kind, painter=painter)
    if known.count() >= (1 if painter else MOST_LINKS):
        messages.error(request, f"There are {known.count()} such links already; take one back first.")
    else:
        Link.objects.create(army=army, kind=kind, painter=painter, secret=secrets.token_urlsafe(24))
    return redirect("sharing", army.pk)


@login_required
@require_POST
def take_back(request, army_id):
    """Take back a link, which leads nowhere from here on, or a painter's place; what they logged stays."""
    army = _own(request, army_id)
    kind = "member" if request.POST.get("member") else "link"
    number = request.POST.get(kind, "")
    known = army.members if kind == "member" else army.links
    get_object_or_404(known, pk=whole_number(number, 2**62) or 0).delete()
    return redirect("sharing", army.pk)


def _own(request, army_id: int) -> Army:
    army = army_for(request, army_id)
    if army.owner_id != request.user.pk:
        raise Http404
    return army
