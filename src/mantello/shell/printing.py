"""Pages printed as PDF, with the application's own type and nothing from elsewhere."""

from collections.abc import Sequence
from io import BytesIO
from pathlib import Path
from urllib.parse import unquote, urlsplit

from mantello_core.memory import remembered

_STATIC = Path(__file__).resolve().parent / "static" / "shell"


def pdf_bytes(html: str, style: str = "guide.css") -> bytes:
    """A page as PDF; seconds to half a minute, for workers. style: one of the shell's style sheets."""
    import weasyprint  # most processes never print, and reading it takes as long as all the rest
    from weasyprint.text.fonts import FontConfiguration

    fonts = FontConfiguration()
    sheet = weasyprint.CSS(filename=str(_STATIC / "css" / style), font_config=fonts, url_fetcher=_own_files)
    document = weasyprint.HTML(string=html, base_url=str(_STATIC), url_fetcher=_own_files)
    return document.write_pdf(stylesheets=[sheet], font_config=fonts)


def bound(parts: Sequence[bytes]) -> bytes:
    """Several PDFs as one; what they share, such as type, is kept once."""
    from pypdf import PdfWriter

    writer = PdfWriter()
    for part in parts:
        writer.append(BytesIO(part), import_outline=False)
    writer.compress_identical_objects(remove_duplicates=True, remove_unreferenced=True)
    out = BytesIO()
    writer.write(out)
    return out.getvalue()


def _own_files(url: str):
    """Only the application's own fonts may be fetched."""
    if not url.startswith(_STATIC.as_uri()):
        raise ValueError("What is printed uses the application's own files only.")
    if url.endswith(".woff2"):
        return {"string": _unpacked(Path(unquote(urlsplit(url).path))), "mime_type": "font/ttf"}
    from weasyprint import default_url_fetcher

    return default_url_fetcher(url)


@remembered(4_000)
def _unpacked(path: Path) -> bytes:
    """A font that ships, as type setters take it: unpacking the few there are for every sheet takes half a second each time."""
    from fontTools.ttLib.woff2 import decompress

    out = BytesIO()
    decompress(BytesIO(path.read_bytes()), out)
    return out.getvalue()
