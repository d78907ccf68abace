"""Transfers: every mark of the army nested on sheets at 1:1, as PDF and SVG; and what a printer does to the size."""

from dataclasses import dataclass

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.template.loader import render_to_string
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.jobs.papers import paper, paper_kind
from mantello.shell.download import download, file_of
from mantello.workspace.page import army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.bearers.allotment import Allotment
from mantello_core.colour.spaces import hex_of
from mantello_core.design.bearing import device_words
from mantello_core.errors import MantelloError, OutOfRange
from mantello_core.formats.transfer_svg import BAR, transfer_svg
from mantello_core.insignia.arms.arms_drawing import drawn_arms
from mantello_core.insignia.devices.device import ARMS, MARGIN
from mantello_core.insignia.devices.worn import surface_for, width_on
from mantello_core.insignia.transfers.decal import DARK, arms_decal, device_decal
from mantello_core.insignia.transfers.transfer_sheet import PAPERS, Decal, Laid, Relief, nested, printer_scale, relief

from .views import inked

#: what stands in for a printer may change the size by so much, per cent
MOST_ERROR = 10


class SheetForm(forms.Form):
    """The paper, how it is laid, and what the printer does."""

    paper = forms.ChoiceField(
        choices=[(name, f"{name}, {wide:g} x {tall:g} mm") for name, (wide, tall) in PAPERS.items()]
    )
    which = forms.ChoiceField(
        label="Marks", choices=[("made", "those made as transfers"), ("all", "every mark of the army")]
    )
    mirrored = forms.BooleanField(required=False, label="Mirrored, for paper laid face down")
    error = forms.FloatField(
        min_value=-MOST_ERROR, max_value=MOST_ERROR, label="Printer's error, %",
        help_text="A printer that shrinks or stretches, to practise the check. 0 for the truth.",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), f"Write -{MOST_ERROR} to {MOST_ERROR}."),
    )  # fmt: skip
    measured = forms.FloatField(
        required=False,
        label=f"The {BAR:g} mm bar measured, mm",
        error_messages={"invalid": "Write it in mm, such as 49.2."},
    )


@dataclass(frozen=True)
class Sheets:
    """What is laid, and what was said of it."""

    laid: tuple[Laid, ...]
    paper: str
    mirrored: bool
    scale: float
    print_at: float | None

    @property
    def numbers(self) -> range:
        """The sheets."""
        return range(max((one.sheet for one in self.laid), default=-1) + 1)

    @property
    def white(self) -> bool:
        """Whether any piece wants white beneath."""
        return any(one.decal.dark for one in self.laid)

    def svg(self, sheet: int, layer: str = "colour") -> str:
        """One sheet as it comes out of the printer."""
        return mark_safe(
            transfer_svg(self.laid, self.paper, sheet, layer=layer, mirrored=self.mirrored, scale=self.scale)
        )


@login_required
@require_safe
def transfers(request, army_id):
    """The sheets, what is on them, cuts for domes, and the size check."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    form, sheets = _sheets(request.GET, reading)
    context = {
        "title": "Transfers",
        "form": form,
        "sheets": sheets,
        "drawn": [(number + 1, sheets.svg(number)) for number in sheets.numbers] if sheets else [],
        "pieces": len(sheets.laid) if sheets else 0,
        "domes": _domes(reading),
        "unseen": _unseen(reading, bool(sheets) and form.cleaned_data["which"] == "all"),
        "query": request.GET.urlencode(),
        "bar": BAR,
    }
    return room_page(request, army, "insignia", "insignia/transfers.html", context, 422 if form.errors else 200)


@login_required
@require_safe
def transfers_pdf(request, army_id):
    """Every sheet as a page of its own size, the white layer after the colour."""
    army, form = army_for(request, army_id), _form(request.GET)
    if not form.is_valid():
        raise Http404
    asked = {name: request.GET[name] for name in form.fields if name in request.GET}
    return paper(request, army, "transfers", "transfers.pdf", **asked)


@paper_kind("transfers", "Transfers", "transfers.css")
def transfers_page(army, asked) -> str:
    """Every sheet, as pages to print.

    Raises: OutOfRange if there is nothing on them.
    """
    _, sheets = _sheets(asked, reading_of(army.head))
    if sheets is None or not sheets.laid:
        raise OutOfRange("Nothing to print: no mark of this army is laid on a sheet.", "which")
    pages = [
        sheets.svg(number, layer)
        for number in sheets.numbers
        for layer in (("colour", "white") if sheets.white else ("colour",))
    ]
    wide, tall = PAPERS[sheets.paper]
    return render_to_string("insignia/transfer_sheet.html", {"pages": pages, "wide": wide, "tall": tall})


@login_required
@require_safe
def transfers_svg(request, army_id, sheet):
    """One sheet as SVG."""
    army = army_for(request, army_id)
    _, sheets = _sheets(request.GET, reading_of(army.head))
    if sheets is None or sheet - 1 not in sheets.numbers:
        raise Http404
    layer = "white" if request.GET.get("layer") == "white" else "colour"
    return download(sheets.svg(sheet - 1, layer), file_of(army.name, f"transfers-{sheet}-{layer}.svg"), "image/svg+xml")


def _form(given) -> SheetForm:
    """What was asked for, with what is usual where nothing is said."""
    return SheetForm({
        "paper": given.get("paper", "A5"), "which": given.get("which", "made"), "mirrored": given.get("mirrored"), "error": given.get("error", "0"),
        "measured": given.get("measured", ""),
    })  # fmt: skip


def _sheets(given, reading: Reading) -> tuple[SheetForm, Sheets | None]:
    form = _form(given)
    if not form.is_valid():
        return form, None
    said = form.cleaned_data
    print_at = None
    try:
        laid = nested(_decals(reading, said["which"] == "all"), said["paper"])
        if said["measured"] is not None:
            print_at = printer_scale(BAR, said["measured"])
    except MantelloError as error:
        form.add_error(error.where if error.where in form.fields else None, error.message)
        return form, None
    return form, Sheets(laid, said["paper"], said["mirrored"], 1 + said["error"] / 100, print_at)


def _decals(reading: Reading, every: bool) -> list[Decal]:
    """The pieces of the marks that are made as transfers, or of every one; patterns of cloth are painted in any case."""
    found = []
    for one in reading.allotments:
        if one.device.cloth or not (every or one.manner.method == "transfer"):
            continue
        label, dark = device_words(reading.design.scheme, one.device), _dark(reading, one)
        if one.device.kind == ARMS:
            arms = reading.design.scheme.named_arms(one.device.text)
            colour = inked(arms, reading)
            turned = one.copies - one.figures
            found.append(arms_decal(label, arms.tree, one.site, colour, one.with_spares - turned, dark=dark))
            if turned > 0:
                found.append(
                    arms_decal(f"{label}, other side", arms.tree, one.site, colour, turned, dark=dark, mirrored=True)
                )
        else:
            tones = reading.tones(one.role)
            fill = hex_of(tones.flats) if tones else "#111111"
            found.append(
                device_decal(label, one.device, one.site, fill, one.with_spares, dark=dark, turn=one.manner.turn)
            )
    return found


def _unseen(reading: Reading, every: bool) -> list[tuple[str, str]]:
    """Arms of which parts are nothing at the size they are printed at, and those parts."""
    found = {}
    for one in reading.allotments:
        if one.device.kind == ARMS and (every or one.manner.method == "transfer"):
            tree = reading.design.scheme.named_arms(one.device.text).tree
            gone = drawn_arms(tree, surface_for(one.site)).unseen(width_on(one.site))
            if gone:
                where = f"{device_words(reading.design.scheme, one.device)} on {one.site.id.replace('.', ' ')}"
                found[where] = ", ".join(gone)
    return list(found.items())


def _dark(reading: Reading, one: Allotment) -> bool:
    """Whether the ground it is first laid on is darker than film can stand."""
    tones = reading.tones(one.ground, one.bearers[0].tier)
    return bool(tones) and tones.flats.lightness < DARK


def _domes(reading: Reading) -> list[tuple[str, str, Relief]]:
    """Cuts for marks on domes."""
    found = []
    for one in reading.allotments:
        kind, _, radius = one.site.curve.partition(":")
        if kind == "dome":
            try:
                cut = relief(max(one.site.width, one.site.height) * MARGIN, float(radius))
            except MantelloError:
                continue
            found.append((device_words(reading.design.scheme, one.device), one.site.id.replace(".", " "), cut))
    return found
