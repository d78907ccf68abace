"""How a job stands, as a fragment that fills in; and a job stopped."""

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import get_object_or_404, redirect, render
from django.views.decorators.http import require_POST, require_safe

from .kinds import kind_of
from .models import Job
from .queue import stop


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
