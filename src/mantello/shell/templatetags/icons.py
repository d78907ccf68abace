"""The marks of the pattern book: icons, ribbons, laps, drops, bars. All of them SVG without styles."""

import uuid

from django import template
from django.urls import reverse
from django.utils.html import format_html, format_html_join
from django.utils.safestring import mark_safe

from mantello.shell.words import Term, term
from mantello_core.army.tree import TIERS
from mantello_core.colour.spaces import Lab, hex_of, on_screen
from mantello_core.film.tones import Tones
from mantello_core.memory import remembered

register = template.Library()

_ICONS = {
    "down": '<path d="M4 6.5 8 10.5 12 6.5"/>',
    "right": '<path d="M6 4 10 8 6 12"/>',
    "left": '<path d="M10 4 6 8 10 12"/>',
    "up": '<path d="M4 10 8 6 12 10"/>',
    "arrow": '<path d="M2.5 8H13M9.5 4.5 13 8 9.5 11.5"/>',
    "find": '<circle cx="7" cy="7" r="4.2"/><path d="M10.2 10.2 14 14"/>',
    "undo": '<path d="M6 3.5 3 6.5 6 9.5"/><path d="M3 6.5H9.5A3.25 3.25 0 0 1 9.5 13H6.5"/>',
    "redo": '<path d="M10 3.5 13 6.5 10 9.5"/><path d="M13 6.5H6.500A3.25 3.25 0 0 0 6.5 13H9.5"/>',
    "help": '<circle cx="8" cy="8" r="6.2"/><path d="M6.2 6.3A1.9 1.9 0 1 1 8 8.4V9.3"/><path d="M8 11.5V11.7" stroke-width="1.8"/>',
    "lamp": '<path d="M5 2H9.500L13.5 8.500H1.500Z"/><path d="M7.500 8.500V13.500M4.500 13.800H10.500"/><path d="M5.5 10.500 4.800 11.500M9.500 10.500 10.200 11.500"/>',
    "ok": '<circle cx="8" cy="8" r="6.3"/><path d="M5 8.3 7.2 10.4 11.2 5.9"/>',
    "note": '<path d="M8 2 14.5 13.5H1.5Z"/><path d="M8 6.5V9.5M8 11.5V11.7"/>',
    "bad": '<path d="M8 1.5 15 14H1Z" fill="currentColor"/><path d="M8 6V9.6M8 11.7V12" stroke="#fbfbfb" stroke-width="1.8"/>',
    "plus": '<path d="M8 3V13M3 8H13"/>',
    "grip": '<path d="M6 4V4.01M6 8V8.01M6 12V12.01M10 4V4.01M10 8V8.01M10 12V12.01"/>',
    "minus": '<path d="M3 8H13"/>',
    "cross": '<path d="M4 4 12 12M12 4 4 12"/>',
    "dots": '<path d="M3.5 8H3.6M8 8H8.1M12.5 8H12.6" stroke-width="2.4"/>',
    "brush": '<path d="M13.5 2.5 7.5 9M7.5 9C5.5 8.6 4.3 9.8 4.2 11.3 4.1 12.6 3.3 13 2.5 13.2 4 14.3 8.7 13.6 8.7 10.300Z"/>',
    "spray": '<path d="M5 6.5H10V14H5ZM6 6.5V4.5H9V6.5M12 3H12.1M14 2H14.1M14 4.5H14.1M12.5 5.5H12.6"/>',
    "clock": '<circle cx="8" cy="8" r="6"/><path d="M8 4.5V8L10.5 9.5"/>',
    "mask": '<path d="M3 5.5C6 4 10 4 13 5.5V9C13 12 10 13.5 8 13.5S3 12 3 9ZM5.5 8.5H10.5M3 7 1 6M13 7 15 6"/>',
    "eye": '<path d="M1.5 8C4 4 12 4 14.5 8 12 12 4 12 1.5 8Z"/><circle cx="8" cy="8" r="2"/>',
    "pause": '<path d="M5.5 3.500V12.500M10.5 3.500V12.5" stroke-width="2.2"/>',
    "print": '<path d="M4.5 6V2.5H11.5V6M4.5 11.5H2.5V6H13.5V11.5H11.5M4.5 9.5H11.5V13.5H4.5Z"/>',
    "out": '<path d="M8 10V2.500M5 5 8 2.5 11 5M3 9V13.500H13V9"/>',
    "in": '<path d="M8 2.500V10M5 7.5 8 10 11 7.500M3 9V13.500H13V9"/>',
}
#: chip icon of each verdict
VERDICT_ICONS = {"clear": "ok", "look": "note", "wrong": "bad"}


@register.simple_tag
def icon(name: str, size: int = 16) -> str:
    """One of the line icons, decorative: words stand beside it."""
    return _icon(name, size)


@remembered(100)
def _icon(name: str, size: int) -> str:
    return format_html(
        '<svg class="i" width="{0}" height="{0}" viewBox="0 0 16 16" aria-hidden="true">{1}</svg>',
        size,
        mark_safe(_ICONS[name]),
    )


@register.simple_tag
def word(id_: str, said: str = "") -> str:
    """A word that explains itself: dotted beneath, its line and drawing shown where it is pointed at, its place on the page of all
    words where it is followed. said: how it stands in the text, where not by its own name."""
    one = term(id_)
    return format_html(
        '<a class="word" href="{}#{}" data-word="{}">{}<template>{}<span>{}</span></template></a>',
        reverse("words"), one.id, one.line, said or one.word, term_drawing(one), one.line,
    )  # fmt: skip


@register.simple_tag
def term_drawing(one: Term) -> str:
    """The drawing of a word."""
    return format_html(
        '<svg class="word-d" viewBox="0 -2 64 44" width="96" height="66" aria-hidden="true">{}</svg>',
        mark_safe(one.drawing),
    )


@register.simple_tag
def verdict_icon(verdict: str, size: int = 16) -> str:
    """The icon of a verdict: tick in ring, outlined triangle, filled triangle."""
    return icon(VERDICT_ICONS[verdict], size)


@register.filter
def hex_colour(lab: Lab) -> str:
    """A colour as '#rrggbb'."""
    return hex_of(lab)


@register.simple_tag
def ribbon(tones: Tones | None, size: str = "list", label: str = "") -> str:
    """A recipe as cut lengths of its own tones; dashed and empty when there is none yet."""
    if not tones:
        return format_html('<span class="ribbon blank ribbon-{}" role="img" aria-label="no recipe yet"></span>', size)
    pieces, at = [], 0.0
    places = tones.places.all
    for place in places:
        width = 100 * place.share
        drawn = width + (0.4 if place is not places[-1] else 0)
        pieces.append(f'<rect x="{at:.1f}" width="{drawn:.1f}" height="10" fill="{hex_of(tones[place.id])}"/>')
        at += width
    said = ", ".join(f"{place.name} {100 * place.share:.0f}" for place in places)
    return format_html(
        '<svg class="ribbon ribbon-{}" viewBox="0 0 100 10" preserveAspectRatio="none" role="img" aria-label="{}: {} per cent of the area">{}</svg>',
        size,
        label or "Tones",
        said,
        mark_safe("".join(pieces)),
    )


@register.simple_tag
def lap(before: Lab, after: Lab, size: str = "") -> str:
    """A predicted colour lying over the one before it, with a slanted edge."""
    return format_html(
        '<svg class="lap {}" viewBox="0 0 68 54" preserveAspectRatio="none" aria-hidden="true"><rect width="68" height="54" fill="{}"/>'
        '<path d="M28 0H68V54H19Z" fill="{}"/></svg>',
        size, hex_of(before), hex_of(after),
    )  # fmt: skip


@register.simple_tag
def swatch(lab: Lab, size: str = "") -> str:
    """A flat swatch; its corner is cut when no screen can show the colour."""
    corner = "M0 0V12L-12 0Z" if size == "pot" else "M0 0V6L-6 0Z"
    cut = (
        ""
        if on_screen(lab)
        else format_html('<svg x="100%" overflow="visible"><path d="{}" fill="#fbfbfb"/></svg>', corner)
    )
    title = "" if on_screen(lab) else mark_safe("<title>a screen cannot show this colour</title>")
    return format_html(
        '<svg class="sw {}" aria-hidden="true">{}<rect width="100%" height="100%" fill="{}"/>{}</svg>',
        size,
        title,
        hex_of(lab),
        cut,
    )


_DROP = "M5.5 .8C8 4.5 10.2 6.8 10.2 9.6A4.7 4.7 0 0 1 .8 9.6C.8 6.8 3 4.5 5.5 .8Z"


@register.simple_tag
def drops(mix) -> str:
    """One outlined drop for each part, diluent pale; the words stand beside it."""
    colours = [hex_of(pot.swatch) for pot, parts in mix.parts for _ in range(_whole(parts))]
    colours += ["#fbfbfb"] * (_whole(mix.diluent_parts) if mix.diluent_parts else 0)
    return format_html(
        '<span class="drops" aria-hidden="true">{}</span>',
        format_html_join(
            "",
            '<svg width="11" height="15" viewBox="0 0 11 15"><path d="{}" fill="{}" stroke="#1b1b1b" stroke-width=".8"/></svg>',
            ((_DROP, colour) for colour in colours[:12]),
        ),
    )


def _whole(parts: float) -> int:
    return max(1, round(parts))


@register.simple_tag
def bar(share: float, kind: str = "") -> str:
    """A thin bar filled to a share, 0 to 1."""
    return format_html(
        '<svg class="bar {}" viewBox="0 0 100 4" preserveAspectRatio="none" aria-hidden="true"><rect class="bar-all" width="100" height="4"/>'
        '<rect class="bar-done" width="{}" height="4"/></svg>',
        kind, f"{100 * min(max(share, 0), 1):.1f}",
    )  # fmt: skip


@register.simple_tag
def meter(words: str, share: float, why: str) -> str:
    """A share, 0 to 1, as words, a short bar and per cent."""
    return format_html(
        '<div title="{}"><dt>{}</dt><dd>{}<span class="num">{} %</span></dd></div>',
        why,
        words,
        bar(share),
        round(100 * share),
    )


@register.filter
def per_cent(share: float) -> str:
    """A share as whole per cent; what is there but little is said to be under one.

    >>> per_cent(0.314), per_cent(0.0004), per_cent(0)
    ('31 %', '<1 %', '0 %')
    """
    if 0 < share < 0.005:
        return "<1 %"
    return f"{100 * share:.0f} %"


@register.filter
def money(amount: float, currency: str = "") -> str:
    """An amount of money with the painter's currency behind it.

    >>> money(12.4, "kr"), money(3)
    ('12.40 kr', '3.00')
    """
    return f"{amount:.2f} {currency}".rstrip()


@register.filter
def middle(name: str, most: int) -> str:
    """A name shortened in its middle, so that both what it begins and what it ends with stay.

    >>> middle("2nd Tidewall Fusiliers, Colour party", 24), middle("Line", 24)
    ('2nd Tidewall...lour party', 'Line')
    """
    if len(name) <= most + 1:
        return name
    first = most // 2
    return f"{name[:first].rstrip()}...{name[-(most - first - 2) :].lstrip()}"


#: signs from which on a name may be shortened, and how much of its end always stays
_LONG, _END = 28, 12


@register.filter
def ends(name: str) -> str:
    """A name whose end stays where it is too long for its place: it is shortened before its last words, by the page.

    >>> ends("Facing"), ends("Weatherbeaten and mended Facing")
    ('Facing', '<span class="ends"><span>Weatherbeaten and mended</span><span> Facing</span></span>')
    """
    if len(name) < _LONG:
        return name
    at = name.find(" ", len(name) - _END - 1)
    at = at if 0 < at < len(name) - 2 else len(name) - _END
    return format_html('<span class="ends"><span>{}</span><span>{}</span></span>', name[:at], name[at:])


@register.filter
def hours(minutes: float) -> str:
    """Minutes as hours and minutes.

    >>> hours(1059.3), hours(44), hours(0.4)
    ('17 h 39', '44 min', 'under 1 min')
    """
    if 0 < minutes < 1:
        return "under 1 min"
    whole = round(minutes)
    return f"{whole // 60} h {whole % 60:02d}" if whole >= 60 else f"{whole} min"


@register.filter
def absolute(value: float) -> float:
    """A number without its sign."""
    return abs(value)


@register.simple_tag(takes_context=True)
def edit_fields(context, token: str = "") -> str:
    """The hidden fields of every edit: the token against forgery, the state of the work the page shows, and a mark by which
    a form that is sent twice is done once."""
    csrf = context.get("csrf_token", "")
    base = context["work"].number if "work" in context else ""
    return format_html(
        '<input type="hidden" name="csrfmiddlewaretoken" value="{}"><input type="hidden" name="base" value="{}">'
        '<input type="hidden" name="token" value="{}"{}>',
        csrf,
        base,
        token or uuid.uuid4(),
        "" if token else mark_safe(" data-fresh"),
    )


@register.filter
def at(mapping, key):
    """A mapping's value, or None."""
    return mapping.get(key)


@register.filter
def as_values(value) -> list:
    """A field's value as the members of a form would hold it; nothing for none."""
    return [] if value in (None, "") else list(value) if isinstance(value, list | tuple) else [value]


@register.filter
def clear_checks(checks) -> int:
    """How many checks found nothing."""
    return sum(check.verdict == "clear" for check in checks)


@register.filter
def tones_of(reading, role: str):
    """The tones of a role for rank and file."""
    return reading.tones(role)


@register.filter
def tones_on(role, reading):
    """The tones a role would have on a reading's undercoat, in the scheme or not; None without a recipe."""
    recipe = role.recipe()
    return reading.design.scheme.predicted(recipe).tones if recipe.steps else None


@register.filter
def undercoat_name(reading) -> str:
    """The undercoat's name."""
    return reading.design.scheme.ground.words


@register.filter
def tier_name(tier: str) -> str:
    """A tier in words."""
    return TIERS.get(tier, tier)


@register.filter
def minutes_of(seconds: float) -> str:
    """Seconds as hours and minutes."""
    return hours(seconds / 60)
