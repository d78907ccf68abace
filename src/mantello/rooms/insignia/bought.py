"""Bought transfer sheets: the stock, which piece goes on which figure, and what is short."""

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.page import apply, apply_form, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.bearers.sheet_stock import needs_of, with_sheet, without_sheet
from mantello_core.colour.spaces import lab_of_hex
from mantello_core.insignia.transfers.bought_sheet import MOST_OWNED, shared_out, write_designs

#: figures of one need that are listed
_LISTED = 60


class SheetStockForm(forms.Form):
    """A kind of sheet, how many of it there are, and what is on it."""

    sheet = forms.CharField(required=False, widget=forms.HiddenInput)
    name = forms.CharField(label="Name", max_length=80)
    owned = forms.IntegerField(
        min_value=0, max_value=MOST_OWNED, label="Sheets in the drawer",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), f"Write 0 to {MOST_OWNED}."),
    )  # fmt: skip
    designs = forms.CharField(
        label="What is on it", max_length=20000, widget=forms.Textarea(attrs={"rows": 7, "spellcheck": "false"}),
        help_text="One design a line: name; what; colour; width; height; count. What: a numeral, 'disc', or 'arms:' and an id.",
    )  # fmt: skip


@login_required
@require_safe
def bought(request, army_id):
    """The sheets and how they are shared out."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None):
    reading = reading_of(army.head)
    sheets = reading.design.sheets
    chosen = next((one for one in sheets if one.id == request.GET.get("sheet")), None)
    initial = {"owned": 1}
    if chosen:
        initial = {
            "sheet": chosen.id,
            "name": chosen.name,
            "owned": chosen.owned,
            "designs": write_designs(chosen.designs),
        }

    def colour_of(role: str, tier: str):
        tones = reading.tones(role, tier)
        return tones.flats if tones else None

    by_id = {one.id: one for one in sheets}
    rows = []
    for share in shared_out(needs_of(reading.design, reading.allotments, colour_of), sheets):
        given = [
            (
                figure,
                by_id[key[0]].designs[key[1]] if key else None,
                lab_of_hex(by_id[key[0]].designs[key[1]].colour) if key else None,
            )
            for figure, key in share.given
        ]
        rows.append({
            "share": share, "given": given[:_LISTED], "more": max(0, len(given) - _LISTED),
            "got": sum(one is not None for _, one, _ in given), "wanted": len(given),
        })  # fmt: skip
    context = {
        "title": "Bought sheets",
        "sheets": [(one, [(each, lab_of_hex(each.colour)) for each in one.designs]) for one in sheets],
        "chosen": chosen,
        "form": form or SheetStockForm(initial=initial),
        "rows": rows,
    }
    return room_page(request, army, "insignia", "insignia/bought.html", context, status)


@login_required
@require_POST
def keep_sheet(request, army_id):
    """A kind of sheet is added or changed."""
    army = army_for(request, army_id)
    form = SheetStockForm(request.POST)
    if not form.is_valid():
        return _page(request, army, 422, form)
    given = form.cleaned_data
    kept = apply_form(
        request, army, form,
        lambda design: with_sheet(design, given["sheet"], given["name"], given["owned"], given["designs"]),
        f"Sheet {given['name']} kept",
    )  # fmt: skip
    return redirect(reverse("bought", args=[army.pk])) if kept else _page(request, army, 422, form)


@login_required
@require_POST
def remove_sheet(request, army_id, sheet):
    """A kind of sheet is removed."""
    army = army_for(request, army_id)
    apply(request, army, lambda design: without_sheet(design, sheet), "A sheet removed")
    return redirect("bought", army.pk)
