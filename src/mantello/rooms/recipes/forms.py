"""The form of one recipe step."""

from django import forms

from mantello.shelf.choices import PaintField, pot_choices
from mantello_core.errors import MantelloError
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.range import paints
from mantello_core.recipes.mix_words import MOST_SIGNS as MOST_SAID
from mantello_core.recipes.mix_words import mix_said
from mantello_core.recipes.step import (
    DILUENTS,
    MOST_COATS,
    MOST_MINUTES,
    MOST_PARTS,
    MOST_SIGNS,
    STEP_KINDS,
    Manner,
    Mix,
    Step,
)
from mantello_core.recipes.technique import techniques
from mantello_core.recipes.where import (
    LEAST_COUNT,
    LEAST_LENGTH,
    LEAST_MM,
    MOST_COUNT,
    MOST_LENGTH,
    MOST_MM,
    PLACES,
    Where,
    checked_where,
)

#: rows for paints in a mix
MIX_ROWS = (1, 2, 3, 4)


#: fields of how a step is done
MANNER = ("full", "tool", "share", "drying", "window", "leave", "pose", "note")
_MINUTES = f"Write 0 to {MOST_MINUTES:g} minutes, or nothing for as usual."


def _number(label: str, most: float, said: str, least: float = 0) -> forms.FloatField:
    field = forms.FloatField(
        required=False, min_value=least, max_value=most, label=label,
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), said),
    )  # fmt: skip
    field.widget.attrs["step"] = "any"
    return field


#: light plans in words; nothing said is overhead
LIGHT_CHOICES = [
    ("", "overhead"), ("front", "front and above"), ("left", "upper left"), ("right", "upper right"),
    ("lamps", "four lamps round it"),
]  # fmt: skip
#: fields of where it goes
SPOT = (
    "spot", "spot_share", "spot_width", "spot_count", "spot_length", "spot_which", "spot_plan", "spot_angle", "spot_spread",
    "spot_beside",
)  # fmt: skip


def _spot(given: dict) -> Where | None:
    """The place that was chosen; what is said of it and does not belong to it is refused by ``checked_where``."""
    if not given.get("spot"):
        return None
    share = given["spot_share"]
    return Where(
        given["spot"], None if share is None else share / 100, given["spot_width"], given["spot_which"], given["spot_plan"],
        given["spot_angle"], None if given["spot_spread"] is None else given["spot_spread"] / 100, given["spot_count"],
        given["spot_length"], given["spot_beside"],
    )  # fmt: skip


def _manner(given: dict) -> Manner:
    said = {name: given[name] for name in MANNER}
    return Manner(**said | {"share": None if given["share"] is None else given["share"] / 100})


class StepForm(forms.Form):
    """Kind of work, mix with named sides, coats and place."""

    kind = forms.ChoiceField(choices=[(kind, techniques()[kind].verb) for kind in STEP_KINDS], label="Kind of work")
    coats = forms.IntegerField(
        required=False,
        min_value=1,
        max_value=MOST_COATS,
        label="Coats",
        help_text="Empty: until it is even.",
        error_messages=dict.fromkeys(
            ("invalid", "min_value", "max_value"), f"Write 1 to {MOST_COATS}, or nothing for until it is even."
        ),
    )
    diluent = forms.ChoiceField(choices=[(one, one.capitalize()) for one in DILUENTS], label="Diluent")
    diluent_parts = forms.FloatField(
        required=False,
        min_value=0,
        max_value=20,
        label="Parts of it",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), "Write a number from 0 to 20."),
    )
    said = forms.CharField(
        required=False, max_length=MOST_SAID, label="The mix in words, or below",
        help_text="Such as 2 Brine Green : 1 water. Both sides are named; a side may be the base mix, or the mix before.",
    )  # fmt: skip
    where = forms.CharField(required=False, max_length=120, label="Where, in your own words")
    full = forms.BooleanField(required=False, label="Coats until its full colour, not only until even")
    spot = forms.ChoiceField(
        choices=[("", "as usual for its kind"), *((name, usual.words) for name, usual in PLACES.items())],
        required=False, label="Where it goes",
    )  # fmt: skip
    spot_share = _number("Share of the surface, per cent", 100, "Write 2 to 100 per cent, or nothing for as usual.", 2)
    spot_width = _number(
        "Width, mm", MOST_MM, f"Write {LEAST_MM:g} to {MOST_MM:g} mm, or nothing for as usual.", LEAST_MM
    )
    spot_which = forms.ChoiceField(
        choices=[("", "as usual"), ("all", "all"), ("exposed", "level or facing up"), ("sharp", "facing up, and corners"), ("lower", "lower lips"), ("upper", "upper lips")],
        required=False, label="Which edges or lips",
    )  # fmt: skip
    spot_plan = forms.ChoiceField(
        choices=LIGHT_CHOICES,
        required=False, label="Lit from",
    )  # fmt: skip
    spot_angle = _number("Spray from, degrees above level", 90, "Write 0 to 90 degrees, or nothing for straight down.")
    spot_spread = _number("Spray fades over, per cent", 150, "Write 10 to 150 per cent, or nothing for as usual.", 10)
    spot_count = _number(
        "Marks on a cm², or stripes on a cm", MOST_COUNT, f"Write {LEAST_COUNT:g} to {MOST_COUNT:g}, or nothing for as usual.", LEAST_COUNT
    )  # fmt: skip
    spot_length = _number(
        "How long each is, mm", MOST_LENGTH, f"Write {LEAST_LENGTH:g} to {MOST_LENGTH:g} mm, or nothing for as usual.", LEAST_LENGTH
    )  # fmt: skip
    spot_beside = forms.ChoiceField(choices=[("", "any neighbour")], required=False, label="Beside which colour")
    tool = forms.CharField(required=False, max_length=MOST_SIGNS, label="Tool, if not as usual")
    share = _number("Share of the area, per cent", 100, "Write 0.5 to 100 per cent, or nothing for as usual.", 0.5)
    drying = _number("Dries, minutes", MOST_MINUTES, _MINUTES)
    window = _number("Can be lifted for, minutes", MOST_MINUTES, _MINUTES)
    leave = _number("Leave alone for, minutes", MOST_MINUTES, _MINUTES)
    pose = forms.CharField(required=False, max_length=MOST_SIGNS, label="How the figure dries")
    note = forms.CharField(required=False, max_length=MOST_SIGNS, label="Note")

    def __init__(self, *arguments, own=(), roles=(), mixes=None, **options):
        super().__init__(*arguments, **options)
        self.mixes = mixes or {}
        self.fields["spot_beside"].choices = [("", "any neighbour"), *((role.id, role.name) for role in roles)]
        wrong = f"Write a number above 0, up to {MOST_PARTS}."
        self.catalogue = SHIPPED.with_own(own)
        self.pots = (*own, *paints().values())
        spoken = bool(self.is_bound and self.data.get("said", "").strip())
        for row in MIX_ROWS:
            first = row == 1 and not spoken
            self.fields[f"paint{row}"] = PaintField(
                choices=(("", "no paint"), *pot_choices(own)), required=first, label="Paint" if first else f"Paint {row}",
                error_messages={"required": "Choose a paint."},
            )  # fmt: skip
            self.fields[f"parts{row}"] = forms.FloatField(
                required=first, min_value=0.01, max_value=MOST_PARTS, label="Parts",
                error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), wrong),
            )  # fmt: skip

    @classmethod
    def showing(cls, step: Step, prefix: str, own=(), roles=()) -> "StepForm":
        """The form filled with a step."""
        initial = {
            "kind": step.kind, "coats": step.coats, "diluent": step.mix.diluent,
            "diluent_parts": step.mix.diluent_parts or None, "where": step.where,
        }  # fmt: skip
        initial |= vars(step.manner) | {"share": step.manner.share and round(100 * step.manner.share, 2)}
        if step.spot:
            share = step.spot.share
            initial |= {
                "spot": step.spot.place, "spot_share": share and round(100 * share, 2), "spot_width": step.spot.width,
                "spot_which": step.spot.which, "spot_plan": step.spot.plan, "spot_angle": step.spot.angle,
                "spot_spread": step.spot.spread and round(100 * step.spot.spread, 1), "spot_count": step.spot.count,
                "spot_length": step.spot.length, "spot_beside": step.spot.beside,
            }  # fmt: skip
        for row, (pot, parts) in zip(MIX_ROWS, step.mix.parts, strict=False):
            initial |= {f"paint{row}": pot.id, f"parts{row}": f"{parts:g}"}
        return cls(initial=initial, auto_id=f"{prefix}_%s", own=own, roles=roles)

    def manner_rows(self):
        """The fields of how it is done, and whether any of them is filled or wrong."""
        fields = [self[name] for name in MANNER]
        return {
            "fields": fields,
            "open": any(field.value() not in (None, "", False) or field.errors for field in fields),
        }

    def spot_fields(self):
        """The fields of where it goes besides the place, and whether one is filled or wrong."""
        fields = [self[name] for name in SPOT[1:]]
        return {"fields": fields, "open": any(field.value() not in (None, "") or field.errors for field in fields)}

    def mix_rows(self):
        """Pairs of bound fields: paint and parts."""
        return [(self[f"paint{row}"], self[f"parts{row}"]) for row in MIX_ROWS]

    def clean(self):
        """The step, under ``step``; a second paint without parts is asked back."""
        given = super().clean()
        self._check_spot(given)
        if given.get("said"):
            return self._as_said(given)
        parts = []
        for row in MIX_ROWS:
            paint, amount = given.get(f"paint{row}"), given.get(f"parts{row}")
            if paint and amount is None and f"parts{row}" not in self.errors:
                self.add_error(f"parts{row}", "How many parts of it?")
            elif paint and amount:
                parts.append((self.catalogue.paint(paint), amount))
            elif amount and not paint and f"paint{row}" not in self.errors:
                self.add_error(f"paint{row}", f"{amount:g} parts of which paint?")
        if not self.errors:
            thinned = 0.0 if given["diluent"] == "neat" else (given["diluent_parts"] or 0.0)
            if given["diluent"] != "neat" and not thinned:
                self.add_error(
                    "diluent_parts",
                    f"How many parts of {given['diluent']} to the paint? Write a number above 0, up to 20.",
                )
            given["step"] = Step(
                "", given["kind"], Mix(tuple(parts), given["diluent"], thinned), given["coats"], given["where"],
                _manner(given), _spot(given),
            )  # fmt: skip
        return given

    def _check_spot(self, given: dict) -> None:
        """Refuse at its field what does not belong to the place."""
        if not given.get("spot"):
            for name in SPOT[1:]:
                if given.get(name) not in (None, ""):
                    self.add_error(name, "Choose where it goes first; as usual takes nothing more.")
        elif not any(name in self.errors for name in SPOT):
            try:
                checked_where(_spot(given))
            except MantelloError as error:
                self.add_error(f"spot_{error.where.rpartition('/')[2]}".removesuffix("_place"), error.message)

    def _as_said(self, given):
        """The step with its mix as written in words; what is ambiguous is asked back there."""
        try:
            mix = mix_said(given["said"], self.pots, self.mixes)
        except MantelloError as error:
            self.add_error("said", error.message)
            return given
        if not self.errors:
            given["step"] = Step("", given["kind"], mix, given["coats"], given["where"], _manner(given), _spot(given))
        return given


def mixes_by_name(steps: tuple[Step, ...], step_id: str) -> dict[str, Mix]:
    """The mixes that a step's own may be made of, by what a painter calls them; step_id: '' for a step at the end."""
    at = next((number for number, step in enumerate(steps) if step.id == step_id), len(steps))
    before = steps[:at]
    found = {f"{step.technique.verb.casefold()} mix": step.mix for step in before}
    if before:
        found |= {"base mix": before[0].mix, "mix before": before[-1].mix, "the mix before": before[-1].mix}
    return found | {f"the {name}": mix for name, mix in found.items() if not name.startswith("the ")}
