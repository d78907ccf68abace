"""A whole army out and in: design, versions, log, test pieces, photographs, variants and drawings as one checked file."""

import uuid

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db import DataError, IntegrityError, transaction
from django.shortcuts import redirect, render
from django.utils import timezone
from django.views.decorators.http import require_http_methods, require_safe

from mantello.jobs.papers import file_kind, paper
from mantello.workspace.editing import keep_design
from mantello.workspace.models import Army
from mantello.workspace.page import army_for
from mantello.workspace.readings import reading_of
from mantello_core.errors import MantelloError, Unreadable
from mantello_core.formats.archive import MOST_BYTES, Archive, read_archive, write_archive
from mantello_core.formats.archive_difference import archive_difference
from mantello_core.formats.document.design import read_design_bytes

from .part import Taking, parts


class ArchiveForm(forms.Form):
    """An archive to be taken in."""

    file = forms.FileField(
        label="Archive (.zip)", help_text="As exported in the Log room; it becomes an army of its own."
    )


class CompareForm(forms.Form):
    """Two archives to be compared."""

    one = forms.FileField(label="The older archive")
    two = forms.FileField(label="The newer archive")


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
    """Take an archive in as an army of its own, or tell what is different between two."""
    taking, comparing, lines = ArchiveForm(), CompareForm(), None
    status = 200
    if request.method == "POST" and request.POST.get("do") == "compare":
        comparing = CompareForm(request.POST, request.FILES)
        if comparing.is_valid():
            lines = _compared(comparing)
        status = 422 if comparing.errors else 200
    elif request.method == "POST":
        taking = ArchiveForm(request.POST, request.FILES)
        if taking.is_valid():
            try:
                army, told = _taken_in(request.user, _read(taking.cleaned_data["file"]))
            except (MantelloError, forms.ValidationError) as error:
                taking.add_error("file", error.message)
            else:
                entries = army.entries.count()
                messages.success(
                    request, f"{army.name} is here again, with {entries} log entr{'y' if entries == 1 else 'ies'}."
                )
                for said in told:
                    messages.warning(request, said)
                return redirect("army", army.pk)
        status = 422
    context = {
        "title": "Archives",
        "taking": taking,
        "comparing": comparing,
        "lines": lines,
        "most": MOST_BYTES // 1_000_000,
    }
    return render(request, "archive/archives.html", context, status=status)


def _read(upload) -> Archive:
    return read_archive(upload.read(MOST_BYTES + 1))


def _compared(form: CompareForm):
    """What is different, grouped by where; None if a file cannot be read, which the form then tells."""
    read = []
    for name in ("one", "two"):
        try:
            read.append(_read(form.cleaned_data[name]))
        except MantelloError as error:
            form.add_error(name, error.message)
    if form.errors:
        return None
    try:
        found = archive_difference(*read)
    except MantelloError as error:
        form.add_error("two", error.message)
        return None
    grouped: dict[str, list[str]] = {}
    for where, what in found:
        grouped.setdefault(where, []).append(what)
    return {
        "name": read[0].name,
        "other": read[1].name,
        "from": read[0].made_at,
        "to": read[1].made_at,
        "groups": list(grouped.items()),
        "count": len(found),
    }


def _taken_in(owner, archive: Archive) -> tuple[Army, list[str]]:
    """An army as the archive has it, and what the painter should know of it.

    Raises: Unreadable, OutOfRange and the like for what is in it; ValidationError for a photograph.
    """
    if "design.json" not in archive.files:
        raise Unreadable("The archive has no design.json.", "file")
    head = read_design_bytes(archive.files["design.json"])
    try:
        with transaction.atomic():
            army = keep_design(owner, head, "Taken in from an archive")
            taking = Taking(archive, army, [head])
            for part in parts():
                part.read(taking)
    except (DataError, IntegrityError) as error:
        raise Unreadable(
            "The archive holds something that cannot be kept, or twice what comes once.", "file"
        ) from error
    return army, taking.told
