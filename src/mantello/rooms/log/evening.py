"""The evening put right: what was really used, how long it took, on which figures; and a mix made again."""

import re
from datetime import date, datetime, time, timedelta

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db import transaction
from django.http import Http404
from django.shortcuts import get_object_or_404, redirect
from django.urls import reverse
from django.utils import timezone
from django.views.decorators.http import require_POST, require_safe

from mantello.record import logging as actions
from mantello.record.models import Entry
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.mix_field import MixField
from mantello.workspace.page import army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.recipes.quantity import DROP
from mantello_core.recipes.step import MOST_COATS

#: ml that a mix may be made again for
MOST_ML = 500.0
_RANGE = re.compile(r"^(\d{1,4})(?:\s*-\s*(\d{1,4}))?$")


class EntryForm(forms.Form):
    """One entry as it really was."""

    minutes = forms.FloatField(
        required=False, min_value=0, max_value=1440, label="Minutes",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), "Write 0 to 1440 minutes, or nothing if you do not know."),
    )  # fmt: skip
    coats = forms.IntegerField(
        min_value=1, max_value=MOST_COATS, label="Coats",
        error_messages=dict.fromkeys(("required", "invalid", "min_value", "max_value"), f"Write 1 to {MOST_COATS}."),
    )  # fmt: skip
    mix = MixField(label="Mix")
    figures = forms.CharField(
        max_length=400, label="Figures", error_messages={"required": "Which figures? Such as 1-5, 7."}
    )
    note = forms.CharField(required=False, max_length=2000, label="Note")
    back = forms.BooleanField(required=False, label="Not done")

    def __init__(self, entry: Entry, pots, *arguments, **options):
        super().__init__(*arguments, prefix=f"e{entry.pk}", **options)
        self.entry = entry
        self.fields["mix"].pots = pots

    @classmethod
    def showing(cls, entry: Entry, pots) -> "EntryForm":
        """The form with an entry in it."""
        return cls(entry, pots, initial={
            "minutes": None if entry.minutes is None else round(entry.minutes, 1), "coats": max(1, entry.coats),
            "mix": "", "figures": figures_said(entry.ordinals), "note": entry.note,
        })  # fmt: skip

    def clean_figures(self) -> list[int]:
        """The ordinals; each was of this entry, or is of its rank."""
        found: set[int] = set()
        for part in filter(None, (one.strip() for one in self.cleaned_data["figures"].split(","))):
            match = _RANGE.match(part)
            if not match:
                raise forms.ValidationError(f"'{part[:20]}' is no figure; write such as 1-5, 7.")
            first, last = int(match[1]), int(match[2] or match[1])
            if not 1 <= first <= last <= 2000:
                raise forms.ValidationError(f"'{part[:20]}' counts backwards, or from 0.")
            found.update(range(first, last + 1))
        return sorted(found)


def figures_said(ordinals) -> str:
    """Ordinals as a painter writes them.

    >>> figures_said([1, 2, 3, 5, 7, 8])
    '1-3, 5, 7-8'
    """
    runs: list[list[int]] = []
    for one in sorted(ordinals):
        if runs and runs[-1][1] == one - 1:
            runs[-1][1] = one
        else:
            runs.append([one, one])
    return ", ".join(str(low) if low == high else f"{low}-{high}" for low, high in runs)


@login_required
@require_safe
def evening(request, army_id):
    """The entries of one day, to be put right."""
    army = army_for(request, army_id)
    return _page(request, army, _day(request.GET.get("day", ""), army))


def _day(text: str, army) -> date:
    """The day asked for; else the last one that something was logged on; else today."""
    if text:
        try:
            return date.fromisoformat(text)
        except ValueError as error:
            raise Http404 from error
    last = army.entries.standing().first()
    return timezone.localtime(last.done_at).date() if last else timezone.localdate()


def _entries(army, day: date) -> list[Entry]:
    start = timezone.make_aware(datetime.combine(day, time()))
    known = army.entries.standing().filter(done_at__gte=start, done_at__lt=start + timedelta(days=1))
    return list(known.order_by("done_at", "pk"))


def _page(request, army, day: date, status: int = 200, rows=None):
    entries = _entries(army, day)
    pots = catalogue_for(army)
    rows = rows if rows is not None else [(entry, EntryForm.showing(entry, pots)) for entry in entries]
    days = army.entries.standing().dates("done_at", "day", order="DESC")[:14]
    context = {
        "title": "The evening put right",
        "day": day,
        "days": days,
        "rows": rows,
        "untimed": sum(entry.minutes is None for entry, _ in rows),
    }
    return room_page(request, army, "log", "log/evening.html", context, status)


@login_required
@require_POST
def put_right(request, army_id):
    """Keep what was changed of an evening: old entries stay in the log, struck through; or none of it."""
    army = army_for(request, army_id)
    day, pots = _day(request.POST.get("day", ""), army), catalogue_for(army)
    rows = [
        (entry, EntryForm(entry, pots, request.POST))
        for entry in _entries(army, day)
        if f"e{entry.pk}-coats" in request.POST
    ]
    design = reading_of(army.head).design
    for entry, form in rows:
        if form.is_valid():
            most = next((rank.figures for unit in design.army.units if unit.id == entry.unit for rank in unit.ranks if rank.id == entry.rank), 0)  # fmt: skip
            strange = [one for one in form.cleaned_data["figures"] if one > most and one not in entry.ordinals]
            if strange:
                form.add_error("figures", f"There are {most} of {entry.rank_name}; {strange[0]} is none of them.")
    if not all(form.is_valid() for _, form in rows):
        return _page(request, army, day, 422, rows)
    changed = 0
    with transaction.atomic():
        for entry, form in rows:
            given = form.cleaned_data
            if given["back"]:
                actions.take_back(entry)
                changed += 1
                continue
            shown = None if entry.minutes is None else round(entry.minutes, 1)
            minutes = entry.minutes if given["minutes"] == shown else given["minutes"]
            made = actions.put_right(
                entry, minutes=minutes, coats=given["coats"], mix=given["mix"], note=given["note"].replace("\x00", ""),
                ordinals=given["figures"],
            )  # fmt: skip
            changed += made.pk != entry.pk
    messages.success(
        request, f"{changed} entr{'y' if changed == 1 else 'ies'} put right." if changed else "Nothing differed."
    )
    return redirect(f"{reverse('evening', args=[army.pk])}?day={day}")


@login_required
@require_safe
def remake(request, army_id, entry_id):
    """The mix of an entry again, for any volume."""
    army = army_for(request, army_id)
    entry = get_object_or_404(army.entries, pk=entry_id)
    asked, refused = request.GET.get("ml", ""), ""
    try:
        ml = float(asked.replace(",", ".")) if asked else 1.0
    except ValueError:
        ml = -1.0
    if not 0 < ml <= MOST_ML:
        refused, ml = f"'{asked[:20]}' ml; write more than 0 and up to {MOST_ML:g}.", 1.0
    sides = [(one["name"], float(one["parts"])) for one in entry.paints]
    if entry.diluent and entry.diluent != "neat" and entry.diluent_parts:
        sides.append((entry.diluent, entry.diluent_parts))
    whole = sum(parts for _, parts in sides) or 1.0
    rows = [(name, parts, ml * parts / whole, ml * parts / whole / DROP) for name, parts in sides]
    context = {
        "title": "The mix again", "entry": entry, "ml": ml, "asked": asked, "refused": refused, "rows": rows,
        "unknown": not entry.diluent and bool(sides),
    }  # fmt: skip
    return room_page(request, army, "log", "log/remake.html", context, 422 if refused else 200)
