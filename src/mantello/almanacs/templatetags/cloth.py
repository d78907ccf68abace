"""Cells of dress drawn as cloth: their colours, and how they are known, told by form as well as by word."""

from django import template
from django.utils.html import format_html
from django.utils.safestring import SafeString, mark_safe

register = template.Library()

_SVG = (
    '<svg class="cloth" xmlns="http://www.w3.org/2000/svg" viewBox="0 0 56 26" preserveAspectRatio="none" aria-hidden="true"'
    ' focusable="false">{}{}</svg>'
)
#: of the ground, and of what is joined to it
_GROUND, _JOINED = "M0 0h56v26H0z", ("M38 0h18v26H26z", "M50 0h6v26H44z")
_UNTOLD = "#f3f3f3"
_HATCH = '<path fill="none" {} d="M-2 14 14-2M6 28 36-2M28 28 58-2M46 30 62 14"/>'
_DASHED = '<rect x="2" y="2" width="52" height="22" fill="none" {}/>'
_SLASH = '<path fill="none" {} d="M22 28 34-2"/>'
_FRAME = '<rect x="2.5" y="2.5" width="51" height="21" fill="none" {}/>'
_TICK = '<path fill="none" {} d="m5 14 5 5 9-12"/>'
#: what is drawn over the colours by how they are known, and what its dark line has besides
_FORMS = {
    "assumed": (_HATCH, ""),
    "guess": (_DASHED, ' stroke-dasharray="5 4"'),
    "open": (_DASHED, ' stroke-dasharray="5 4"'),
    "disputed": (_SLASH, ""),
    "inferred": (_FRAME, ""),
    "settled": (_TICK, ""),
}
#: a dark line on a light one, which is seen on any cloth
_MARKS = {
    status: mark_safe(
        form.format('stroke="#fff" stroke-width="4.5"') + form.format(f'stroke="#1b1b1b" stroke-width="1.4"{besides}')
    )
    for status, (form, besides) in _FORMS.items()
}


@register.simple_tag
def cloth(swatch) -> SafeString:
    """A cell of dress. swatch: a Swatch."""
    ground, *joined = swatch.colours or (_UNTOLD,)
    parts = [(_GROUND, ground), *zip(_JOINED, joined, strict=False)]
    return _drawn(parts, swatch.verdict.status)


@register.simple_tag
def cloth_known(status: str, colour: str) -> SafeString:
    """Any cloth that is known in one way."""
    return _drawn([(_GROUND, colour)], status)


def _drawn(parts: list[tuple[str, str]], status: str) -> SafeString:
    painted = mark_safe("".join(format_html('<path d="{}" fill="{}"/>', *part) for part in parts))
    return format_html(_SVG, painted, _MARKS.get(status, ""))
