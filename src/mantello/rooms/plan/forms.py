"""Forms of the Plan room."""

from collections.abc import Iterable
from datetime import datetime, timedelta

from django import forms

from mantello.record.used import Used
from mantello.workspace.mix_field import MixField
from mantello_core.advice.mishap import MISHAPS
from mantello_core.advice.weather import WINDS, Weather
from mantello_core.calendar.evenings import Evenings
from mantello_core.paints.paint import Paint
from mantello_core.recipes.step import MOST_COATS

#: the paces, as painters say them
PACE_WORDS = {
    "rapid": "Rapid: done is better than perfect",
    "usual": "Usual",
    "display": "Display: every surface worked out",
}
DAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")


class EveningsForm(forms.Form):
    """The weekly pattern, and how many figures are in hand at once."""

    attention = forms.IntegerField(
        min_value=1,
        max_value=60,
        label="Figures in hand at once",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), "Write 1 to 60."),
    )

    pace = forms.ChoiceField(
        choices=list(PACE_WORDS.items()), label="How you paint", required=False,
        help_text="For the minutes of the first evenings; what you log then tells better.",
    )  # fmt: skip

    def __init__(self, *arguments, **options):
        super().__init__(*arguments, **options)
        for number, day in enumerate(DAYS):
            self.fields[f"on{number}"] = forms.BooleanField(required=False, label=day)
            self.fields[f"start{number}"] = forms.TimeField(
                required=False,
                label=f"{day} from",
                widget=forms.TimeInput(attrs={"type": "time"}, format="%H:%M"),
                error_messages={"invalid": "Write a time such as 19:00."},
            )
            self.fields[f"minutes{number}"] = forms.IntegerField(
                required=False, min_value=15, max_value=720, label=f"{day}, minutes",
                error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), "Write 15 to 720 minutes."),
            )  # fmt: skip

    @classmethod
    def showing(cls, evenings: Evenings) -> "EveningsForm":
        """The form filled with a pattern."""
        initial: dict = {"attention": evenings.attention, "pace": evenings.pace}
        for number in range(7):
            initial |= {f"start{number}": "19:00", f"minutes{number}": 150}
        for weekday, start, minutes in evenings.pattern:
            initial |= {
                f"on{weekday}": True,
                f"start{weekday}": f"{start // 60:02d}:{start % 60:02d}",
                f"minutes{weekday}": minutes,
            }
        return cls(initial=initial)

    def days(self):
        """Triples of bound fields by weekday."""
        return [(self[f"on{number}"], self[f"start{number}"], self[f"minutes{number}"]) for number in range(7)]

    def clean(self):
        """The pattern, under ``pattern``."""
        given = super().clean()
        pattern = []
        for number in range(7):
            if not given.get(f"on{number}"):
                continue
            start, minutes = given.get(f"start{number}"), given.get(f"minutes{number}")
            if start is None and f"start{number}" not in self.errors:
                self.add_error(f"start{number}", "From when?")
            if minutes is None and f"minutes{number}" not in self.errors:
                self.add_error(f"minutes{number}", "For how many minutes?")
            if start and minutes:
                pattern.append((number, start.hour * 60 + start.minute, minutes))
        if not pattern and not self.errors:
            self.add_error(None, "No evening is marked; mark at least one to plan.")
        given["pattern"] = tuple(pattern)
        return given


class DoneForm(forms.Form):
    """A batch done: minutes if they were counted, what was used where it was not as planned, and a note."""

    minutes = forms.FloatField(
        required=False, min_value=0, max_value=1440, label="Minutes it took",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), "Write 0 to 1440 minutes, or nothing if you do not know."),
    )  # fmt: skip
    mix = MixField(label="Really used", help_text="Such as 2 Brine Green : 1 water. Empty: as planned.")
    tool = forms.CharField(required=False, max_length=160, label="With")
    coats = forms.IntegerField(
        required=False, min_value=1, max_value=MOST_COATS, label="Coats just now",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), f"Write 1 to {MOST_COATS}, or nothing for one."),
    )  # fmt: skip
    enough = forms.BooleanField(required=False, label="It covers now: no further coat")
    degrees = forms.FloatField(
        required=False, min_value=-30, max_value=60, label="Degrees",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), "Write -30 to 60 degrees, or nothing."),
    )  # fmt: skip
    humidity = forms.FloatField(
        required=False, min_value=0, max_value=100, label="Damp, %",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), "Write 0 to 100 %, or nothing."),
    )  # fmt: skip
    wind = forms.ChoiceField(required=False, label="Wind", choices=[("", "not looked at"), *WINDS.items()])
    correct = forms.BooleanField(required=False, label="Correct the recipe too, as told")
    note = forms.CharField(required=False, max_length=2000, label="Note")
    mishap = forms.ChoiceField(
        required=False, choices=[("", "nothing"), *((id_, one.name) for id_, one in MISHAPS.items())]
    )

    def __init__(self, *arguments, pots: Iterable[Paint] = (), **options):
        """pots: the paints that a mix may name."""
        super().__init__(*arguments, **options)
        self.fields["mix"].pots = pots

    @property
    def used(self) -> Used:
        """What was not as planned."""
        given = self.cleaned_data
        return Used(
            given.get("mix"),
            given.get("tool", ""),
            given.get("coats"),
            bool(given.get("enough")),
            given.get("mishap", ""),
        )

    @property
    def weather(self) -> Weather:
        """The weather at a spray."""
        given = self.cleaned_data
        return Weather(given.get("degrees"), given.get("humidity"), given.get("wind") or "")

    @property
    def otherwise(self) -> bool:
        """Whether anything was said of what was not as planned."""
        return any(self[name].value() or self[name].errors for name in ("mix", "tool", "coats", "enough"))


#: how long ago a press may be that reaches the server late
LATEST = timedelta(days=7)


def pressed_at(text: str, now: datetime) -> datetime:
    """When 'done' was pressed, as the browser says, if that can be; else now."""
    try:
        moment = datetime.fromisoformat(text.replace("Z", "+00:00"))
    except ValueError:
        return now
    return moment if moment.tzinfo is not None and now - LATEST <= moment <= now else now
