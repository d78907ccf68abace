"""A whole army out and in: design, versions, log, test pieces, photographs, variants and drawings as one checked file."""

import uuid
import zipfile
from datetime import datetime

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect, render
from django.utils import timezone
from django.views.decorators.http import require_http_methods, require_safe

from mantello.jobs.models import Job
from mantello.jobs.papers import file_kind, paper
from mantello.workspace.models import Army
from mantello.workspace.page import army_for
from mantello.workspace.readings import reading_of
from mantello_core.formats.archive import MOST_BYTES, write_archive

from .models import GivenArchive
from .part import parts
from .reading_in import COMPARE, TAKE, read_again, still_kept, to_be_read


def _may_be_archive(upload) -> None:
    """What tells at once that a file is none; all else is told by who reads it.

    Raises: ValidationError.
    """
    if upload.size > MOST_BYTES:
        raise forms.ValidationError(f"The file has {upload.size} bytes; allowed are {MOST_BYTES}.")
    if not zipfile.is_zipfile(upload):
        raise forms.ValidationError("This is no archive of an army, or it is damaged.")


class ArchiveForm(forms.Form):
    """An archive to be taken in."""

    file = forms.FileField(
        label="Archive (.zip)", help_text="As exported in the Log room; it becomes an army of its own.",
        validators=[_may_be_archive],
    )  # fmt: skip


class CompareForm(forms.Form):
    """Two archives to be compared."""

    one = forms.FileField(label="The older archive", validators=[_may_be_archive])
    two = forms.FileField(label="The newer archive", validators=[_may_be_archive])


@login_required
@require_safe
def archive_file(request, army_id):
    """Everything of an army as one zip file."""
    army = army_for(request, army_id)
    try:
        asked = uuid.UUID(request.GET.get("asked", ""))
    except ValueError:  # made anew whenever it is asked for: so much may have changed
        return redirect(f"{request.path}?asked={uuid.uuid4()}")
    return paper(request, army, "archive", "archive.zip", str(asked))


@file_kind("archive", "Archive of the army", "application/zip")
def archive_bytes(army, asked) -> bytes:
    """Everything of an army as one zip file."""
    reading = reading_of(army.head)
    files = {name: data for part in parts() for name, data in part.write(army, reading).items()}
    return write_archive(army.name, files, timezone.now())


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def archives(request):
    """Take an archive in as an army of its own, or tell what is different between two; a worker reads them."""
    compare = request.POST.get("do") == "compare"
    posted = (request.POST, request.FILES) if request.method == "POST" else ()
    taking, comparing = ArchiveForm(*(() if compare else posted)), CompareForm(*(posted if compare else ()))
    form, kind = (comparing, COMPARE) if compare else (taking, TAKE)
    if form.is_valid():
        given = [GivenArchive.objects.keep(request.user, form.cleaned_data[name]) for name in form.fields]
        return redirect(to_be_read(request.user, kind, given).asked["address"])
    job = _read(request)
    result = (job.result or {}) if job and not job.on else {}
    difference = result if "groups" in result else None
    context = {
        "title": "Archives",
        "taking": taking,
        "comparing": comparing,
        "most": MOST_BYTES // 1_000_000,
        "job": None if result else job,
        "difference": difference,
        "sides": difference and [(result[name], _when(result[at])) for name, at in (("name", "from"), ("other", "to"))],
        "taken": result if "army" in result else None,
        "army_taken": Army.objects.visible_to(request.user).filter(pk=result.get("army")).first(),
    }
    context |= still_kept(job) if job else {}
    return render(request, "archive/archives.html", context, status=422 if form.errors else 200)


def _when(text: str) -> datetime | str:
    """When an archive was made, as it says; its words where they are no date."""
    try:
        return datetime.fromisoformat(text)
    except ValueError:
        return text


def _read(request) -> Job | None:
    """The reading that the address names; one that failed or was stopped is tried again, if that is asked."""
    mine = Job.objects.visible_to(request.user).filter(kind__in=(TAKE, COMPARE))
    job = mine.filter(key=request.GET.get("read", "")[:120].replace("\0", "")).first()
    return read_again(job) if job and "again" in request.GET else job
