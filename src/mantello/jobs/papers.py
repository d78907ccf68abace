"""Papers: what is printed, or packed, by a worker. Asked for again while nothing changed, the one that is there is given."""

import hashlib
import json
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from functools import partial

from django.db import transaction
from django.http import HttpResponse
from django.shortcuts import render
from django.utils import timezone
from django.utils.http import content_disposition_header

from mantello.shell.download import file_of
from mantello.shell.printing import bound, pdf_bytes

from .kinds import Step, job_kind
from .models import Job, Paper
from .queue import asked_for, last_job

PRINT = "jobs.print"
#: papers kept of one painter, the newest
MOST_KEPT = 24


@dataclass(frozen=True)
class PaperKind:
    """A kind of paper: the parts that it is made of, of an army and what was asked, and how they are put together; its media
    type; what it is called."""

    id: str
    parts: Callable[[object, dict], Sequence[Callable[[], bytes]]]
    whole: Callable[[list[bytes]], bytes]
    media: str
    title: str


_KINDS: dict[str, PaperKind] = {}


def paper_kind(id_: str, title: str, style: str = "guide.css"):
    """Register what makes the page of a kind of paper: a function of the army and of what was asked."""

    def register(html: Callable[[object, dict], str]):
        file_kind(id_, title, "application/pdf")(lambda army, asked: pdf_bytes(html(army, asked), style))
        return html

    return register


def sheets_kind(id_: str, title: str, style: str = "guide.css"):
    """Register what makes the sheets of a kind of paper, one after another: a function of the army and of what was asked, whose
    answers are functions that give a sheet's page."""

    def register(sheets: Callable[[object, dict], Sequence[Callable[[], str]]]):
        def parts(army, asked):
            return [partial(_sheet, html, style) for html in sheets(army, asked)]

        _register(PaperKind(id_, parts, bound, "application/pdf", title))
        return sheets

    return register


def _sheet(html: Callable[[], str], style: str) -> bytes:
    return pdf_bytes(html(), style)


def _register(kind: PaperKind) -> None:
    assert kind.id not in _KINDS, kind.id
    _KINDS[kind.id] = kind


def file_kind(id_: str, title: str, media: str):
    """Register what makes a kind of file: its bytes, of the army and of what was asked. media: its media type."""

    def register(data: Callable[[object, dict], bytes]):
        _register(
            PaperKind(id_, lambda army, asked: [partial(data, army, asked)], lambda parts: parts[0], media, title)
        )
        return data

    return register


def paper(request, army, kind: str, name: str, mark: str = "", **asked) -> HttpResponse:
    """The paper if it is there; else a page that waits for it and opens it, with 202.

    name: of the file, to which the army's and the day are added; mark: changes whenever what the paper tells may have changed besides the army's edition.
    """
    key = _key(army, kind, mark, asked)
    known = Paper.objects.filter(owner=request.user, kind=kind, key=key).first()
    if known:
        media = _KINDS[kind].media
        answer = HttpResponse(bytes(known.data), content_type=media)
        answer["Content-Disposition"] = content_disposition_header(media != "application/pdf", known.name)
        return answer
    job = last_job(request.user, PRINT, f"{kind}:{key}")
    failed = job and job.state in (Job.State.FAILED, Job.State.STOPPED) and "again" not in request.GET
    if not failed:
        told = {
            "paper": kind,
            "digest": key,
            "name": file_of(army.name, name),
            "given": asked,
            "address": request.get_full_path(),
        }
        job = asked_for(request.user, PRINT, f"{kind}:{key}", army, **told)
    context = {
        "title": _KINDS[kind].title,
        "army": army,
        "job": job,
        "failed": failed,
        "address": request.get_full_path(),
    }
    return render(request, "jobs/paper.html", context, status=202)


@job_kind(PRINT, template="jobs/printing.html")
def printed(job: Job) -> Iterator[Step]:
    """Make a paper, part by part, and keep it."""
    yield Step(0, 1)
    kind, asked = _KINDS[job.asked["paper"]], job.asked
    parts, made = kind.parts(job.army, asked["given"]), []
    for part in parts:
        yield Step(len(made), len(parts))
        made.append(part())
    data = kind.whole(made)
    with transaction.atomic():
        Paper.objects.update_or_create(
            owner=job.owner,
            kind=kind.id,
            key=asked["digest"],
            defaults={"army": job.army, "name": asked["name"], "data": data},
        )
        old = Paper.objects.filter(owner=job.owner).order_by("-made_at", "-pk").values_list("pk", flat=True)[MOST_KEPT:]
        Paper.objects.filter(pk__in=list(old)).delete()
    yield Step(len(parts), len(parts))


def _key(army, kind: str, mark: str, asked: dict) -> str:
    told = [army.pk, army.head.number, kind, mark, timezone.get_current_timezone_name(), sorted(asked.items())]
    return hashlib.sha256(json.dumps(told, default=str).encode()).hexdigest()
