"""Pages printed as PDF, with the application's own type and nothing from elsewhere."""

from pathlib import Path

import weasyprint
from django.http import HttpResponse
from weasyprint.text.fonts import FontConfiguration

_STATIC = Path(__file__).resolve().parent / "static" / "shell"


def pdf(html: str, name: str, style: str = "guide.css") -> HttpResponse:
    """A page as PDF, shown in the browser, kept under ``name``. style: one of the shell's style sheets."""
    fonts = FontConfiguration()
    sheet = weasyprint.CSS(filename=str(_STATIC / "css" / style), font_config=fonts)
    document = weasyprint.HTML(string=html, base_url=str(_STATIC), url_fetcher=_own_files)
    answer = HttpResponse(document.write_pdf(stylesheets=[sheet], font_config=fonts), content_type="application/pdf")
    answer["Content-Disposition"] = f'inline; filename="{name}"'
    return answer


def _own_files(url: str):
    """Only the application's own fonts may be fetched."""
    if not url.startswith(_STATIC.as_uri()):
        raise ValueError("What is printed uses the application's own files only.")
    return weasyprint.default_url_fetcher(url)
