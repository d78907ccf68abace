"""What a secret link shows: an army to look at without an account, or an invitation to paint units of it."""

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import get_object_or_404, redirect, render
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.record.queries import progress
from mantello.workspace import editing as actions
from mantello.workspace.models import Link, Member
from mantello.workspace.muster import Muster
from mantello.workspace.readings import reading_of

from .guide import guide_roles
from .pictures import figure_of


@require_safe
def shared(request, secret):
    """The army as it is today: its figures, its colours and how far it is; nothing can be changed."""
    link = _link(secret, Link.Kind.LOOK)
    army = link.army
    reading = reading_of(army.head)
    painted = request.GET.get("as") == "painted"
    muster = _muster(link, reading, painted=painted)
    roles = [
        (role, reading.tones(role.id), sorted({pot.name for _, recipe in role.recipes for step in recipe.steps for pot in step.mix.paints}))
        for role in reading.design.scheme.roles
        if role.id in reading.shares
    ]  # fmt: skip
    context = {
        "title": army.name, "link": link, "shown": army, "sections": muster.sections() if reading.design.army.figures else (), "size": muster.size,
        "painted": painted, "whole": muster.of(reading.design.army.root), "roles": sorted(roles, key=lambda row: -reading.shares[row[0].id]),
        "shares": reading.shares, "figures": reading.design.army.figures, "scheme": reading.design.scheme,
    }  # fmt: skip
    return _answer(render(request, "army/shared.html", context))


@require_safe
def shared_unit(request, secret, unit):
    """The painting guide of one unit: every kind of figure with its colours and their steps."""
    link = _link(secret, Link.Kind.LOOK)
    reading = reading_of(link.army.head)
    node = reading.design.army.nodes.get(unit)
    if node is None or not node.is_unit:
        raise Http404
    muster = _muster(link, reading, painted=False)
    kinds = [
        (one, muster.single(node, one.rank, one.ordinals[0]), list(guide_roles(reading, one, one.plate)))
        for one in reading.resolution.of_unit(unit)
    ]
    context = {
        "title": reading.design.army.title(unit), "link": link, "shown": link.army, "kinds": kinds, "unit": node,
        "done": muster.of(node), "undercoat": reading.design.scheme.ground,
    }  # fmt: skip
    return _answer(render(request, "army/shared_unit.html", context))


@require_safe
def shared_figure(request, secret, view):
    """One figure of a shared army as a picture: as it stands today, whatever edition is asked for."""
    army = _link(secret, Link.Kind.LOOK).army
    return figure_of(request, army, view, army.head)


@login_required
@require_POST
def copy_shared(request, secret):
    """A copy of a shared army's design of the visitor's own: its figures and colours, not its log."""
    link = _link(secret, Link.Kind.LOOK)
    design = reading_of(link.army.head).design
    army = actions.keep_design(request.user, design, f"Copied from {link.army.owner.called}")
    messages.success(request, f"{army.name} is copied; what you change stays yours.")
    return redirect("army", army.pk)


@login_required
def join(request, secret):
    """An invitation: who invites, to which units; taken by a press."""
    link = _link(secret, Link.Kind.JOIN)
    army = link.army
    if army.owner_id == request.user.pk:
        return redirect("sharing", army.pk)
    design = reading_of(army.head).design
    painter = next((one for one in design.evenings.painters if one.id == link.painter), None)
    if painter is None:
        raise Http404
    if request.method == "POST":
        Member.objects.update_or_create(army=army, user=request.user, defaults={"painter": painter.id})
        messages.success(request, f"You paint at {army.name} as {painter.name}; what you log is told by that name.")
        return redirect("plan", army.pk)
    units = [design.army.title(unit) for unit in painter.units if unit in design.army.nodes]
    context = {"title": "Invitation", "link": link, "shown": army, "painter": painter, "units": units}
    return _answer(render(request, "army/invitation.html", context))


def _link(secret: str, kind: str) -> Link:
    link = get_object_or_404(
        Link.objects.select_related("army__owner", "army__head").defer("army__head__document"), secret=secret, kind=kind
    )
    if link.army.head is None:
        raise Http404
    return link


def _muster(link: Link, reading, *, painted: bool) -> Muster:
    army = link.army
    return Muster(
        army, reading, progress(army), army.log_mark, painted=painted,
        drawn_at=lambda view: reverse("shared-figure", args=[link.secret, view]),
    )  # fmt: skip


def _answer(response):
    """Secret pages are for those who have the link: no robot keeps them, and no other site is told the address."""
    response.headers["X-Robots-Tag"] = "noindex, nofollow"
    response.headers["Referrer-Policy"] = "no-referrer"
    response.headers["Cache-Control"] = "private, no-store"
    return response
