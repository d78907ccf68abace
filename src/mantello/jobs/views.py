"""How a job stands, as a fragment that fills in; and a job stopped."""

import os
import resource

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db.models import Count
from django.http import Http404
from django.shortcuts import get_object_or_404, redirect, render
from django.views.decorators.http import require_POST, require_safe

from mantello.accounts.visitor import from_this_machine
from mantello.settings.options import OPTIONS
from mantello_core.memory import memories

from .kinds import kind_of
from .models import Job
from .queue import stop


@login_required
@require_safe
def status(request):
    """How the product runs: what the answering process keeps in memory, and what workers do. For whoever runs it."""
    if not (request.user.is_staff or (OPTIONS.mode != "production" and from_this_machine(request))):
        raise Http404
    counts = sorted((one.counts for one in memories()), key=lambda one: -one.held)
    states = dict(Job.objects.values_list("state").annotate(many=Count("pk")).order_by())
    context = {
        "title": "How it runs",
        "process": os.getpid(),
        "resident": resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024,
        "stores": [one for one in counts if one.entries][:24],
        "held": sum(one.held for one in counts) / 2**20,
        "limit": sum(one.limit for one in counts) / 2**20,
        "states": [(Job.State(state).label, states.get(state, 0)) for state in Job.State.values],
    }
    return render(request, "jobs/status.html", context)


@login_required
@require_safe
def watch_job(request, job_id):
    """How a job stands, as a fragment."""
    Job.objects.sweep()
    job = get_object_or_404(Job.objects.visible_to(request.user), pk=job_id)
    kind = kind_of(job.kind)
    return render(request, kind.template, {"job": job} | kind.told(job))


@login_required
@require_POST
def stop_job(request, job_id):
    """A job is stopped; what came of it so far stays."""
    job = get_object_or_404(Job.objects.visible_to(request.user), pk=job_id)
    if not stop(job):
        messages.info(request, "It does not go on any more.")
    return redirect(kind_of(job.kind).page(job))
