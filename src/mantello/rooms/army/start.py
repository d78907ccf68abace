"""The first army: a copy of ours to look around in, a brief, or a list or file of the painter's own."""

import re
from pathlib import PurePath

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db import transaction
from django.shortcuts import redirect
from django.views.decorators.http import require_POST

from mantello.workspace import editing as actions
from mantello.workspace.page import army_for
from mantello_core.design import muster as tree
from mantello_core.design.design import Design
from mantello_core.design.muster import empty_army
from mantello_core.errors import MantelloError
from mantello_core.formats.sample import demo_levy
from mantello_core.scheme.scheme import Scheme

from .rostering import asked_back, looked_at
from .start_form import UNNAMED, list_form
from .views import armies_page


@login_required
@require_POST
def copy_ours(request):
    """A copy of the army that comes with the product, to look around in and change at will."""
    army = actions.keep_design(request.user, demo_levy(), "A copy to look around in")
    messages.success(request, f"{army.name} is yours to look around in; nothing you do here is lost or shared.")
    return redirect("army", army.pk)


@login_required
@require_POST
@transaction.atomic
def begin_with_list(request):
    """A new army from a list or a file; lines in doubt come back as on the page of rosters."""
    form = list_form(request.POST, request.FILES)
    if not form.is_valid():
        return armies_page(request, listing=form, status=422)
    given = form.cleaned_data
    if given.get("packed"):
        messages.error(request, "That is an archive of a whole army; send it here, where archives are taken in.")
        return redirect("archives")
    if given.get("design"):
        army = actions.keep_design(request.user, given["design"], "Army imported")
        return redirect("army", army.pk)
    name = given["name"].strip() or _called(given.get("file"))
    found, force = given["roster"], empty_army(name)
    rows, clear = looked_at(found, force)
    if not clear:
        army = army_for(request, actions.create_army(request.user, name).pk)
        return asked_back(request, army, rows, found, given["source"])
    try:
        design = tree.with_entries(Design(force, Scheme("Scheme")), [row.line.entry for row in rows])
    except MantelloError as error:
        form.add_error("text", error.message)
        return armies_page(request, listing=form, status=422)
    return redirect("army", actions.keep_design(request.user, design, f"List of {len(rows)} lines").pk)


def _called(upload) -> str:
    """A name from that of a file, or one for an army that nobody named."""
    words = re.sub(r"[^\w ]+", " ", PurePath(upload.name).stem.replace("_", " ")).strip() if upload else ""
    return words[:80].capitalize() or UNNAMED
