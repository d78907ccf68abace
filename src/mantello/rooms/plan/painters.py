"""Who paints what: several painters with evenings of their own, units handed over, and a card that goes with them."""

import re
from dataclasses import dataclass, replace
from datetime import datetime

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.template.loader import render_to_string
from django.utils import timezone
from django.utils.text import slugify
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.papers import paper, paper_kind
from mantello.record.handing import unit_record
from mantello.record.log import log_of
from mantello.record.queries import progress
from mantello.workspace.guests import guest_as
from mantello.workspace.models import Army
from mantello.workspace.page import apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.calendar.evenings import Evenings, Painter, checked_evenings
from mantello_core.colour.spaces import Lab
from mantello_core.design.design import Design
from mantello_core.recipes.hazard import DEFERENCE
from mantello_core.record.evenness import evenness
from mantello_core.record.progress import summed

from .evening import Evening
from .forms import DAYS
from .laying import units_of

#: CIEDE2000 up to which nobody tells two hands apart
SAME_HAND = 2.0
_LINE = re.compile(r"(\w+)\s+(\d{1,2}):(\d{2})\s+(\d{1,3})")
_HELP = "One a line: 'Monday 20:00 90' for an hour and a half."


def painter_in_hand(request, army: Army) -> str:
    """Id of the painter whose plan the visitor looks at; '' for the owner."""
    guest = guest_as(army, request.user)
    chosen = guest.painter if guest else request.session.get(f"painter-{army.pk}", "")
    known = {one.id for one in reading_of(army.head).design.evenings.painters}
    return chosen if chosen in known else ""


def can_plan(army: Army, painter: str) -> bool:
    """Whether there are figures, and evenings of that painter to lay their work into."""
    design = reading_of(army.head).design
    return bool(design.army.figures and design.evenings.of_painter(painter).pattern)


def painter_names(request, army: Army, design: Design) -> list[tuple[str, str]]:
    """Everyone who paints, the owner first: id and name; nothing where the owner paints alone, nor for a guest, who is one of them."""
    others = [(one.id, one.name) for one in design.evenings.painters]
    return [("", army.owner.called), *others] if others and army.owner_id == request.user.pk else []


def read_pattern(text: str) -> tuple[tuple[int, int, int], ...]:
    """Lines such as 'Monday 20:00 90' as (weekday, start minute, minutes).

    Raises: ValidationError naming the line.
    """
    found = []
    for line in filter(str.strip, text.splitlines()):
        match = _LINE.fullmatch(line.strip())
        day = next((at for at, name in enumerate(DAYS) if match and name.lower().startswith(match[1].lower())), None)
        if (
            day is None
            or len(match[1]) < 2
            or int(match[2]) > 23
            or int(match[3]) > 59
            or not 15 <= int(match[4]) <= 720
        ):
            raise forms.ValidationError(f"'{line.strip()[:40]}' is not understood; write 'Monday 20:00 90'.")
        found.append((day, int(match[2]) * 60 + int(match[3]), int(match[4])))
    return tuple(found)


def pattern_words(pattern) -> str:
    """A weekly pattern as lines that ``read_pattern`` reads."""
    return "\n".join(f"{DAYS[day]} {start // 60:02d}:{start % 60:02d} {minutes}" for day, start, minutes in pattern)


class PaintersForm(forms.Form):
    """Everyone who paints besides the owner, one more, and whose every unit is."""

    new_name = forms.CharField(required=False, max_length=80, label="One more painter")
    new_evenings = forms.CharField(
        required=False,
        max_length=600,
        label="Their evenings",
        widget=forms.Textarea(attrs={"rows": 2}),
        help_text=_HELP,
    )

    def __init__(self, reading: Reading, owner: str, *arguments, **options):
        super().__init__(*arguments, **options)
        army, evenings = reading.design.army, reading.design.evenings
        self.old: Evenings = evenings
        for one in evenings.painters:
            self.fields[f"name-{one.id}"] = forms.CharField(max_length=80, label="Name", initial=one.name)
            self.fields[f"evenings-{one.id}"] = forms.CharField(
                required=False, max_length=600, label=f"Evenings of {one.name}", widget=forms.Textarea(attrs={"rows": 2}),
                initial=pattern_words(one.pattern), help_text=_HELP,
            )  # fmt: skip
            self.fields[f"gone-{one.id}"] = forms.BooleanField(required=False, label=f"{one.name} paints no more")
        choices = [("", owner), *((one.id, one.name) for one in evenings.painters)]
        for unit in army.units:
            self.fields[f"unit-{unit.id}"] = forms.ChoiceField(
                required=False, choices=choices, label=army.title(unit.id), initial=evenings.painter_of(unit.id)
            )
        self.units = [unit.id for unit in army.units]

    @property
    def rows(self):
        """Every painter with name, evenings and whether they are gone."""
        return [
            (self[f"name-{one.id}"], self[f"evenings-{one.id}"], self[f"gone-{one.id}"]) for one in self.old.painters
        ]

    def clean(self):
        """The evenings' lines read."""
        given = super().clean()
        for name in [name for name in self.fields if "evenings" in name]:
            try:
                given[name] = read_pattern(given.get(name, ""))
            except forms.ValidationError as error:
                self.add_error(name, error)
        if given.get("new_evenings") and not given.get("new_name"):
            self.add_error("new_name", "Who paints on these evenings?")
        return given

    def evenings(self, old: Evenings) -> Evenings:
        """The evenings as the form says. Raises: what ``checked_evenings`` refuses."""
        given = self.cleaned_data
        painters = [
            Painter(
                one.id, given[f"name-{one.id}"].strip(), given[f"evenings-{one.id}"],
                tuple(unit for unit in self.units if given[f"unit-{unit}"] == one.id),
            )
            for one in self.old.painters
            if not given[f"gone-{one.id}"]
        ]  # fmt: skip
        if given["new_name"].strip():
            taken = {one.id for one in painters}
            wanted = (slugify(given["new_name"]) or "painter")[:36]
            id_ = next(one for one in (wanted, *(f"{wanted}-{n}" for n in range(2, 40))) if one not in taken)
            painters.append(Painter(id_, given["new_name"].strip(), given["new_evenings"]))
        return checked_evenings(replace(old, painters=tuple(painters)))


@dataclass(frozen=True)
class Share:
    """One painter's part of the army."""

    id: str
    name: str
    units: int
    figures: int
    minutes: float
    #: None: not within the calendar, or no evenings
    finish: datetime | None
    evenings: int


def shares_of(army: Army, owner: str) -> list[Share]:
    """Every painter's part, the owner's first."""
    reading = reading_of(army.head)
    design, everyone, now = reading.design, progress(army), timezone.now()
    found = []
    for id_, name in (("", owner), *((one.id, one.name) for one in design.evenings.painters)):
        units = units_of(design, id_)
        figures = sum(design.army.nodes[unit].figures for unit in units)
        left = summed(one.progress for key, one in everyone.items() if key[0] in units).minutes_left
        pattern = design.evenings.of_painter(id_).pattern
        finish = Evening(army, now, id_).plan.finish if pattern and units else None
        found.append(Share(id_, name, len(units), figures, left, finish, len(pattern)))
    return found


@dataclass(frozen=True)
class Hands:
    """One colour as several painters' figures show it: the two farthest apart."""

    role: str
    one: str
    other: str
    apart: float

    @property
    def alike(self) -> bool:
        """Whether nobody will tell whose they are."""
        return self.apart <= SAME_HAND


def hands_of(army: Army, reading: Reading, names: dict[str, str]) -> list[Hands]:
    """Colours that were read on figures of at least two painters, the farthest apart first; whose a figure is, the log tells."""
    painted = {}
    for line in reversed(log_of(army).lines):
        for ordinal in line.ordinals:
            painted[line.unit, line.rank, ordinal, line.role] = line.painter
    scheme, rows = reading.design.scheme, []
    for one in army.measurements.all():
        of = painted.get((one.unit, one.rank, one.ordinal, one.role), reading.design.evenings.painter_of(one.unit))
        if one.role in scheme.role_by_id and of in names:
            rows.append((one.role, names[of], Lab(one.lightness, one.a, one.b)))
    return [Hands(scheme.role(one.role).name, one.one, one.other, one.apart) for one in evenness(rows) if one.other]


@login_required
@require_safe
def painters(request, army_id):
    """The form, and what is left to each."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None):
    reading = reading_of(army.head)
    owner = army.owner.called
    form = form or PaintersForm(reading, owner)
    context = {
        "title": "Painters",
        "form": form,
        "shares": shares_of(army, owner) if reading.design.army.figures else [],
        "units": [
            (unit, reading.design.army.title(unit.id), form[f"unit-{unit.id}"]) for unit in reading.design.army.units
        ],
        "in_hand": painter_in_hand(request, army),
        "hands": hands_of(army, reading, {"": owner} | {one.id: one.name for one in reading.design.evenings.painters}),
    }
    return room_page(request, army, "plan", "plan/painters.html", context, status)


@login_required
@require_POST
def keep_painters(request, army_id):
    """Who paints what is changed; what is done stays done, whoever did it."""
    army = army_for(request, army_id)
    form = PaintersForm(reading_of(army.head), request.user.called, request.POST)
    kept = form.is_valid() and apply_form(
        request,
        army,
        form,
        lambda design: replace(design, evenings=form.evenings(design.evenings)),
        "Who paints what changed",
    )
    return redirect("painters", army.pk) if kept else _page(request, army, 422, form)


@login_required
@require_POST
def choose_painter(request, army_id):
    """Whose plan and desk are looked at from here on."""
    army = army_for(request, army_id)
    request.session[f"painter-{army.pk}"] = request.POST.get("painter", "")[:80]
    return redirect("plan", army.pk)


@login_required
@require_safe
def hand_over(request, army_id, unit):
    """A card that goes with a unit to whoever paints on: what is done, with what, what comes, and what to watch."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    node = reading.design.army.nodes.get(unit)
    if node is None or not node.is_unit:
        raise Http404
    mark = f"{army.log_mark} {timezone.localdate()}"
    return paper(request, army, "hand-over", f"hand-over-{unit}.pdf", mark, unit=unit)


@paper_kind("hand-over", "Card to hand over", "cards.css")
def hand_over_page(army, asked) -> str:
    """A card that goes with a unit, as a page to print."""
    reading, unit = reading_of(army.head), asked["unit"]
    context = {
        "army": army,
        "title": reading.design.army.title(unit),
        "record": unit_record(army, reading, unit),
        "day": timezone.localdate(),
        "deference": DEFERENCE,
    }
    return render_to_string("plan/hand_over.html", context)
