"""The words of the product: each with a line that explains it and a small drawing; and how an army comes about, in seven pictures."""

from dataclasses import dataclass

from django.http import HttpRequest, HttpResponse
from django.shortcuts import render
from django.views.decorators.http import require_safe


@dataclass(frozen=True)
class Term:
    """A word, a line that explains it, and a drawing of 64 by 40 units in ink, gold and tones of the stage."""

    id: str
    word: str
    line: str
    drawing: str


@dataclass(frozen=True)
class Picture:
    """One step of the way from an army to its log: the room, what is done there, and a drawing of 220 by 120 units."""

    room: str
    line: str
    drawing: str


_INK, _GOLD, _PALE, _MID, _RED, _BLUE = "#1b1b1b", "#b3800f", "#e7e7e7", "#8c8c8c", "#8a2433", "#1f4e79"


def _lines(*paths: str, stroke: str = _INK, width: float = 1.6) -> str:
    return "".join(f'<path d="{path}" fill="none" stroke="{stroke}" stroke-width="{width}"/>' for path in paths)


def _box(x: float, y: float, wide: float, tall: float, fill: str, stroke: str = "none") -> str:
    return f'<rect x="{x}" y="{y}" width="{wide}" height="{tall}" fill="{fill}" stroke="{stroke}"/>'


def _disc(x: float, y: float, radius: float, fill: str, stroke: str = "none") -> str:
    return f'<circle cx="{x}" cy="{y}" r="{radius}" fill="{fill}" stroke="{stroke}"/>'


def _man(x: float, y: float, size: float, coat: str = _PALE, hat: str = _MID) -> str:
    """A small figure on its base, its feet at a point."""
    s = size / 40
    return (
        f'<g transform="translate({x} {y}) scale({s:.3f})" stroke="{_INK}" stroke-width="1.4">'
        f'<ellipse cx="0" cy="0" rx="11" ry="3.4" fill="{_MID}"/><path d="M-4-2V-14H4V-2" fill="{_PALE}"/>'
        f'<path d="M-8-10-6-28H6L8-10Z" fill="{coat}"/><circle cx="0" cy="-31" r="4" fill="{_PALE}"/><path d="M-5-33V-41H5V-33Z" fill="{hat}"/></g>'
    )


TERMS = (
    Term("army", "Army", "All your figures, in formations and units, each unit with its ranks.", _man(16, 37, 32) + _man(32, 37, 32) + _man(48, 37, 32)),
    Term("area", "Area", "One part of a figure that is painted in one go: a cuff, a boot, a blade. Every area of every figure has a colour role, or is left bare on purpose.", _man(32, 38, 36, _GOLD)),
    Term("role", "Colour role", "A job that a colour does, such as Facing or Leather. Areas wear roles, and a role has a recipe: change it once, and it changes on every figure.", _box(6, 12, 24, 16, _RED) + _lines("M32 20H42M38 16 42 20 38 24") + _man(54, 38, 32, _RED)),
    Term("ladder", "Ladder", "Who decides an area: the army, a formation, a unit, a rank, or one figure. The one nearest to the figure wins.", _lines("M22 4V36M42 4V36", "M22 10H42M22 18H42M22 26H42M22 33H42") + _disc(32, 26, 4, _GOLD, _INK)),
    Term("rung", "Rung", "One level of the ladder. What is set on a rung holds for everything below it that sets nothing of its own.", _lines("M22 4V36M42 4V36", "M22 10H42M22 33H42") + _lines("M22 21H42", stroke=_GOLD, width=4)),
    Term("distinction", "Distinction", "What tells units apart: one value for each of them, such as the colour of the facings of every company.", _man(14, 37, 32, hat=_RED) + _man(32, 37, 32, hat=_BLUE) + _man(50, 37, 32, hat=_GOLD)),
    Term("gap", "Gap", "An area that nothing gives a colour. It is drawn pale and told until it has one.", f'<rect x="14" y="8" width="36" height="24" fill="none" stroke="{_INK}" stroke-width="1.6" stroke-dasharray="4 3"/>'),
    Term("recipe", "Recipe", "The steps that make a role: base, shade, layer, highlight, each with its paint, its thinning and its coats.", _box(6, 6, 22, 28, "#2c6b4f") + '<path d="M28 6H42L36 34H22Z" fill="#1d4534"/><path d="M42 6H58V34H36Z" fill="#3f8f6c"/>'),
    Term("lap", "Lap", "Two colours with a slanted edge: what was there, and what is there after the step. Both are predicted from paint over paint.", _box(8, 6, 48, 28, "#6e6e6e") + '<path d="M28 6H56V34H20Z" fill="#2c6b4f"/>'),
    Term("undercoat", "Undercoat", "The first colour over the whole figure. What comes over it shows it through, so it decides how many coats you need.", _man(32, 38, 36, "#6e6e6e", "#6e6e6e")),
    Term("pass", "Pass", "A step over the whole figure at once, whatever its colours: a wash over all of it, a drybrush, a varnish.", _man(32, 38, 36, _PALE) + _lines("M10 12C24 20 40 4 56 12", stroke=_GOLD, width=3)),
    Term("coats", "Coats", "How often a paint is laid until nothing shows through. Worked out from how well the paint hides and what lies beneath.", _box(8, 24, 48, 6, "#c9a0a6") + _box(8, 17, 48, 6, "#a85a66") + _box(8, 10, 48, 6, _RED)),
    Term("apart", "Apart", "How different two colours look to an eye, as one number (CIEDE2000). Under 2 nobody sees it; from 12 on two areas read as two.", _box(10, 8, 22, 24, "#7a5b3a") + _box(32, 8, 22, 24, "#b0854f")),
    Term("lightness", "L*", "How light a colour looks, from 0 for black to 100 for white. Squint, and it is what is left.", "".join(_box(6 + 9 * at, 10, 9, 20, tone) for at, tone in enumerate(("#1b1b1b", "#4a4a4a", "#787878", "#a6a6a6", "#d0d0d0", "#f3f3f3")))),
    Term("batch", "Batch", "Figures that get the same step with the same pot one after another, before the next thing.", _man(10, 37, 28, _RED) + _man(24, 37, 28, _RED) + _man(38, 37, 28, _RED) + _man(54, 37, 28)),
    Term("worth", "Worth a minute", "How much a step changes what is seen, for the minutes it takes. Steps that nobody would see come last.", _lines("M8 34H58M8 34V6") + _box(14, 12, 10, 22, _GOLD) + _box(30, 20, 10, 14, _GOLD) + _box(46, 29, 10, 5, _GOLD)),
    Term("seen", "Seen from", "What is left of a difference at a distance: fine things blur into their neighbours.", _man(12, 38, 36, _RED) + _man(36, 36, 22, _RED) + _man(54, 34, 12, _RED)),
    Term("accent", "Accent", "A colour that is worn little and seen at once. It keeps a small share of every figure.", _man(32, 38, 36, _PALE, _RED)),
    Term("signature", "Signature", "A colour or a mark that every figure of the army carries, so that they belong together.", _man(16, 37, 32, hat=_BLUE) + _man(32, 37, 32, _RED, _BLUE) + _man(48, 37, 32, hat=_BLUE)),
    Term("variant", "Variant", "Another way the same army could look, side by side with the first, until you choose.", _man(18, 37, 34, _RED) + _man(46, 37, 34, _BLUE) + _lines("M32 6V34", width=1)),
    Term("test-piece", "Test piece", "A figure or a card on which you try a recipe. What really came out teaches the prediction.", _box(12, 8, 40, 24, _PALE, _INK) + _box(16, 12, 9, 16, "#2c6b4f") + _box(28, 12, 9, 16, "#3f8f6c") + _lines("M42 20 45 24 50 14", stroke=_GOLD, width=2.4)),
    Term("drift", "Drift", "Figures that were painted to an older scheme than the one you have now. You decide whether they stay.", _man(18, 37, 34, _RED) + _man(46, 37, 34, "#a85a66") + _lines("M28 18H36M33 15 36 18 33 21")),
)  # fmt: skip
_BY_ID = {term.id: term for term in TERMS}

PICTURES = (
    Picture("Army", "Say which figures you have: paste a list, or add units. Own figures come from a photograph or a 3D file.", "".join(_man(30 + 32 * at, 104, 62) for at in range(6))),
    Picture("Scheme", "Give every area a colour role, for the army, a unit, a rank or one figure. What is nearest to the figure wins.", _man(60, 110, 92, _RED, _BLUE) + _lines("M150 12V108M190 12V108", "M150 28H190M150 52H190M150 96H190") + _lines("M150 74H190", stroke=_GOLD, width=5)),
    Picture("Insignia", "Write arms in words, place marks and numbers, and learn which a brush can paint at their true size.", f'<path d="M70 14H150V58C150 84 128 100 110 110 92 100 70 84 70 58Z" fill="{_BLUE}" stroke="{_INK}" stroke-width="2"/><path d="M70 46H150V66H70Z" fill="{_GOLD}"/>'),
    Picture("Recipes", "Each role gets its steps. What paint over paint will look like is predicted, with coats and minutes.", _box(20, 24, 60, 72, "#6e6e6e") + '<path d="M70 24H130L118 96H58Z" fill="#2c6b4f"/><path d="M130 24H200V96H118Z" fill="#3f8f6c"/>'),
    Picture("Paints", "Say what stands on your shelf. What is missing is told with amounts and cost, and what could stand in for it.", "".join(_box(24 + 46 * at, 44, 30, 56, tone, _INK) + _box(28 + 46 * at, 30, 22, 14, _PALE, _INK) for at, tone in enumerate((_RED, _BLUE, "#2c6b4f", _GOLD)))),
    Picture("Plan", "Name your evenings. Work is laid into them in batches, with drying in between, and the finish is told.", _lines("M16 30H206M16 62H206M16 94H206", width=1) + _box(20, 18, 40, 20, _RED) + _box(66, 50, 56, 20, _BLUE) + _box(126, 82, 34, 20, _GOLD) + _box(126, 18, 60, 20, "#2c6b4f")),
    Picture("Log", "Press done, and it is kept: what you laid on which figure, with which pot. The plan learns from it.", "".join(_man(40 + 46 * at, 92, 58, coat) for at, coat in enumerate((_RED, _RED, "#c9a0a6", _PALE))) + _box(18, 102, 184, 8, _PALE, _INK) + _box(18, 102, 104, 8, _GOLD)),
)  # fmt: skip


def term(id_: str) -> Term:
    """The word of that id. Raises: KeyError for one that is explained nowhere."""
    return _BY_ID[id_]


@require_safe
def words_page(request: HttpRequest) -> HttpResponse:
    """All words, the keys, and how it works in seven pictures; for everyone, signed in or not."""
    return render(request, "shell/words.html", {"title": "Words and keys", "terms": TERMS, "pictures": PICTURES})
