"""The painter's calendar: exceptions, busy times, when to spray, which units come first; and the plan as a calendar file."""

import re
from dataclasses import replace
from datetime import datetime, timedelta

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.files import reading_asked
from mantello.jobs.papers import file_kind, paper
from mantello.workspace.page import apply, apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.calendar.evenings import AIDS, AIR, HEAT, MOST_DESK, Evenings, Spraying, checked_evenings, zone_of
from mantello_core.calendar.session import sessions
from mantello_core.errors import MantelloError, OutOfRange
from mantello_core.formats.calendar_file import Entry, write_calendar
from mantello_core.order.phases import phase_list

from .busy_times import BUSY, BusyForm, busy_to_read
from .evening import Evening, lately
from .forms import DAYS
from .painters import can_plan, painter_in_hand

#: days ahead that busy times are read for, sessions that are shown and written
_AHEAD, _SHOWN, _WRITTEN = 400, 14, 60
_LINE = re.compile(r"(\d{4}-\d{2}-\d{2})\s+(?:(none)|(\d{1,2}):(\d{2})\s+(\d{1,3}))", re.IGNORECASE)


class CalendarForm(forms.Form):
    """What the weekly pattern does not say."""

    zone = forms.CharField(
        required=False, label="Time zone", max_length=60,
        help_text="Such as Europe/Rome, so that summer time is right. Empty: a clock that never changes.",
    )  # fmt: skip
    exceptions = forms.CharField(
        required=False, label="Other evenings, and none", widget=forms.Textarea(attrs={"rows": 4}), max_length=20000,
        help_text="One a line: '2026-12-24 none', or '2026-12-27 10:00 180' for three hours from ten.",
    )  # fmt: skip
    spray = forms.BooleanField(required=False, label="Spray only at certain times")
    spray_start = forms.TimeField(
        required=False, label="From", widget=forms.TimeInput(attrs={"type": "time"}, format="%H:%M")
    )
    spray_end = forms.TimeField(
        required=False, label="Until", widget=forms.TimeInput(attrs={"type": "time"}, format="%H:%M")
    )
    weekdays = forms.TypedMultipleChoiceField(
        required=False, coerce=int, label="On", choices=list(enumerate(DAYS)), widget=forms.CheckboxSelectMultiple
    )
    off = forms.CharField(
        required=False, label="Not on these dates", max_length=8000, widget=forms.Textarea(attrs={"rows": 2}),
        help_text="Rain, frost, guests: dates such as 2026-12-05, one a line.",
    )  # fmt: skip
    latitude = forms.FloatField(required=False, min_value=-90, max_value=90, label="Latitude, for daylight")
    longitude = forms.FloatField(required=False, min_value=-180, max_value=180, label="Longitude")
    air = forms.ChoiceField(
        required=False, label="The air where it dries", choices=[(key, words) for key, (_, words) in AIR.items()]
    )
    aid = forms.ChoiceField(
        required=False, label="What helps drying", choices=[(key, words) for key, (_, words) in AIDS.items()]
    )
    desk = forms.IntegerField(
        required=False, min_value=0, max_value=MOST_DESK, label="Figures on the desk at most",
        help_text="Before the next unit is begun. More spare openings of pots, and the first squad is finished later. Empty: 40, in armies over 300 figures 60.",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), f"Write 0 to {MOST_DESK}."),
    )  # fmt: skip
    first = forms.MultipleChoiceField(
        required=False, label="Paint these first", widget=forms.CheckboxSelectMultiple,
        help_text="Units for the next game; the rest follow in the army's order.",
    )  # fmt: skip

    def __init__(self, reading: Reading, *arguments, **options):
        super().__init__(*arguments, **options)
        army = reading.design.army
        self.fields["first"].choices = [(unit.id, army.title(unit.id)) for unit in army.units]
        for unit in army.units:
            self.fields[f"due-{unit.id}"] = forms.DateField(
                required=False, label=army.title(unit.id), widget=forms.DateInput(attrs={"type": "date"}, format="%Y-%m-%d"),
                error_messages={"invalid": "Write a day like 2027-03-01, or nothing."},
            )  # fmt: skip

    @property
    def when(self):
        """Fields of the calendar."""
        return [self[name] for name in ("zone", "exceptions", "desk", "air", "aid")]

    @property
    def days(self):
        """Fields of the days by which units are wanted."""
        return [self[name] for name in self.fields if name.startswith("due-")]

    @property
    def spraying(self):
        """Fields of spraying after its switch."""
        return [self[name] for name in ("spray_start", "spray_end", "latitude", "longitude", "off")]

    def clean_exceptions(self):
        """Lines as (date, start minute, minutes)."""
        found = []
        for line in filter(str.strip, self.cleaned_data["exceptions"].splitlines()):
            match = _LINE.fullmatch(line.strip())
            if not match or (match[3] and not (int(match[3]) < 24 and int(match[4]) < 60)):
                raise forms.ValidationError(
                    f"'{line.strip()[:40]}' is not understood; write '2026-12-24 none' or '2026-12-27 10:00 180'."
                )
            start = int(match[3]) * 60 + int(match[4]) if match[3] else 0
            found.append((match[1], start, int(match[5]) if match[5] else 0))
        return tuple(found)

    def evenings(self, old: Evenings) -> Evenings:
        """The evenings as the form says, with the old pattern and busy times.

        Raises: what ``checked_evenings`` refuses.
        """
        given = self.cleaned_data
        spraying = None
        if given["spray"]:
            place = None
            if (given["latitude"] is None) != (given["longitude"] is None):
                raise OutOfRange("Daylight wants both latitude and longitude, or neither.", "latitude")
            if given["latitude"] is not None:
                place = given["latitude"], given["longitude"]
            spraying = Spraying(
                tuple(given["weekdays"]), _minute(given["spray_start"], 0), _minute(given["spray_end"], 1440),
                tuple(given["off"].split()), place,
            )  # fmt: skip
        return checked_evenings(
            replace(
                old,
                zone=given["zone"].strip(),
                exceptions=given["exceptions"],
                spraying=spraying,
                first=tuple(given["first"]),
                due=tuple(
                    (name.removeprefix("due-"), day.isoformat())
                    for name, day in sorted(given.items())
                    if name.startswith("due-") and day
                ),
                air=given["air"] or old.air,
                aid=given["aid"] or old.aid,
                desk=given["desk"] or 0,
            )
        )


def _minute(moment, usual: int) -> int:
    return usual if moment is None else moment.hour * 60 + moment.minute


def _initial(evenings: Evenings) -> dict:
    spraying = evenings.spraying or Spraying()
    lines = (
        f"{day} none" if not minutes else f"{day} {start // 60:02d}:{start % 60:02d} {minutes}"
        for day, start, minutes in evenings.exceptions
    )
    return {
        "zone": evenings.zone, "exceptions": "\n".join(lines), "spray": evenings.spraying is not None,
        "spray_start": f"{spraying.start // 60:02d}:{spraying.start % 60:02d}" if spraying.start else "",
        "spray_end": f"{spraying.end // 60:02d}:{spraying.end % 60:02d}" if spraying.end < 1440 else "",
        "weekdays": spraying.weekdays, "off": "\n".join(spraying.off), "first": evenings.first, "air": evenings.air, "aid": evenings.aid, "desk": evenings.desk or None,
        **{f"due-{unit}": day for unit, day in evenings.due},
        "latitude": spraying.place[0] if spraying.place else None, "longitude": spraying.place[1] if spraying.place else None,
    }  # fmt: skip


@login_required
@require_safe
def calendar(request, army_id):
    """The form, and the next sessions as they come out."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None, busy=None):
    reading = reading_of(army.head)
    evenings = reading.design.evenings
    now = timezone.make_naive(timezone.now())
    try:
        coming = sessions(evenings, now, _SHOWN)
    except MantelloError:
        coming = []
    context = {
        "title": "Calendar",
        "form": form or CalendarForm(reading, initial=_initial(evenings)),
        "coming": coming,
        "phases": _phases_of(request, army, reading) if coming else {},
        "busy_times": len(evenings.busy),
        "visitor_zone": str(timezone.get_current_timezone()),
        "busy_form": busy or BusyForm(),
        "job": reading_asked(request, army, BUSY),
        "heat": HEAT if evenings.aid != "none" else "",
    }
    return room_page(request, army, "plan", "plan/calendar.html", context, status)


def _phases_of(request, army, reading: Reading) -> dict[int, tuple[str, str]]:
    """For every coming session with work: the rank that most of it is for, and the names of its phases."""
    painter = painter_in_hand(request, army)
    if not can_plan(army, painter):
        return {}
    names = [phase.name for phase in phase_list(reading.design).phases]
    found: dict[int, tuple[dict, dict]] = {}
    for block in Evening(army, timezone.now(), painter).plan.blocks:
        seconds, phases = found.setdefault(block.session, ({}, {}))
        for atom in block.task.atoms:
            key = f"{atom.unit}|{atom.rank}"
            seconds[key] = seconds.get(key, 0.0) + atom.seconds
            phases[names[atom.phase]] = None
    return {at: (max(seconds, key=seconds.__getitem__), ", ".join(phases)) for at, (seconds, phases) in found.items()}


@login_required
@require_POST
def keep_calendar(request, army_id):
    """The calendar is changed."""
    army = army_for(request, army_id)
    form = CalendarForm(reading_of(army.head), request.POST)
    if not form.is_valid():
        return _page(request, army, 422, form)
    kept = apply_form(
        request, army, form,
        lambda design: replace(design, evenings=form.evenings(design.evenings)), "Calendar changed",
    )  # fmt: skip
    return redirect("calendar", army.pk) if kept else _page(request, army, 422, form)


@login_required
@require_POST
def busy(request, army_id):
    """A worker reads busy times from a calendar file; or they are forgotten."""
    army = army_for(request, army_id)
    if request.POST.get("do") == "forget":
        apply(
            request,
            army,
            lambda design: replace(design, evenings=replace(design.evenings, busy=())),
            "Busy times forgotten",
        )
        return redirect("calendar", army.pk)
    form = BusyForm(request.POST, request.FILES)
    if not form.is_valid():
        return _page(request, army, 422, busy=form)
    today = timezone.localdate()
    job = busy_to_read(
        request.user, army, form.cleaned_data["file"], today - timedelta(days=1), today + timedelta(days=_AHEAD)
    )
    return redirect(job.asked["address"])


@login_required
@require_safe
def calendar_file(request, army_id):
    """The next sessions with what is painted in them, and when batches that dry past their session are dry."""
    army = army_for(request, army_id)
    painter = painter_in_hand(request, army)
    return paper(request, army, "calendar", "plan.ics", army.log_mark, painter=painter, now=lately())


@file_kind("calendar", "The plan as a calendar file", "text/calendar")
def calendar_bytes(army, asked) -> bytes:
    """The calendar file, as it is handed out."""
    now = datetime.fromisoformat(asked["now"])
    entries: list[Entry] = []
    if can_plan(army, asked["painter"]):
        evening = Evening(army, now, asked["painter"])
        for index, session in list(enumerate(evening.plan.sessions))[:_WRITTEN]:
            blocks = evening.plan.of(index)
            if not blocks:
                continue
            batches = evening.batches_of(index)
            words = "\n".join(
                f"{one.block.start:%H:%M} {one.title}: {len(one.block.figures)} of {one.unit}" for one in batches
            )
            entries.append(
                Entry(f"{army.pk}|{session.start}", session.start, session.end, f"Paint: {army.name}", words)
            )
            late = max(batches, key=lambda one: one.block.dry_at)
            if late.block.dry_at > session.end:
                dry = late.block.dry_at
                title = f"Dry by now: {late.title} of {late.unit}"
                entries.append(Entry(f"{army.pk}|dry|{session.start}", dry, dry + timedelta(minutes=5), title))
    zone = zone_of(reading_of(army.head).design.evenings)
    return write_calendar(f"Painting {army.name}", entries, zone, now)
