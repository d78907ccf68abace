"""Answers that are files."""

from django.http import HttpResponse


def download(content: str | bytes, name: str, kind: str) -> HttpResponse:
    """A file to keep under ``name``. kind: its media type."""
    answer = HttpResponse(content, content_type=kind)
    answer["Content-Disposition"] = f'attachment; filename="{name}"'
    return answer
