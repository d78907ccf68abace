"""Answers that are files or pictures."""

from django.http import HttpResponse


def download(content: str | bytes, name: str, kind: str) -> HttpResponse:
    """A file to keep under ``name``. kind: its media type."""
    answer = HttpResponse(content, content_type=kind)
    answer["Content-Disposition"] = f'attachment; filename="{name}"'
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
