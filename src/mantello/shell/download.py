"""Answers that are files or pictures."""

from django.http import HttpResponse
from django.utils import timezone
from django.utils.http import content_disposition_header
from django.utils.text import slugify

#: signs of an army's name in the name of a file
_SIGNS = 40


def file_of(army_name: str, what: str) -> str:
    """A file's name: the army, what it is, and the day, such as 'river-watch-roster-2026-11-30.csv' for 'roster.csv'."""
    stem, _, ending = what.rpartition(".")
    army = slugify(army_name, allow_unicode=True)[:_SIGNS].strip("-")
    return f"{'-'.join(filter(None, (army, stem, str(timezone.localdate()))))}.{ending}"


def download(content: str | bytes, name: str, kind: str) -> HttpResponse:
    """A file to keep under ``name``. kind: its media type."""
    answer = HttpResponse(content, content_type=kind)
    answer["Content-Disposition"] = content_disposition_header(True, name)
    return answer


def private_jpeg(data: bytes) -> HttpResponse:
    """A painter's photograph: kept by their browser alone, and nothing in it is run."""
    answer = HttpResponse(bytes(data), content_type="image/jpeg")
    answer["Cache-Control"] = "private, max-age=3600"
    answer["Content-Security-Policy"] = "default-src 'none'"
    return answer


def drawing(svg: str, request, *, lasting: bool = True) -> HttpResponse:
    """A drawing as a picture. An address that names a state with 'v' shows the same for good, or for an hour if not ``lasting``;
    any other is asked for again each time."""
    answer = HttpResponse(svg, content_type="image/svg+xml")
    kept = "private, max-age=31536000, immutable" if lasting else "private, max-age=3600"
    answer["Cache-Control"] = kept if "v" in request.GET else "no-cache"
    return answer
