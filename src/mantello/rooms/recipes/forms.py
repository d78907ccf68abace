"""The form of one recipe step."""

from django import forms

from mantello.rooms.scheme.forms import paint_choices
from mantello_core.recipes.step import DILUENTS, MOST_COATS, MOST_PARTS, STEP_KINDS, Mix, Step

#: rows for paints in a mix
MIX_ROWS = (1, 2, 3, 4)


class StepForm(forms.Form):
    """Kind of work, mix with named sides, coats and place."""

    kind = forms.ChoiceField(choices=[(kind, kind.capitalize()) for kind in STEP_KINDS], label="Kind of work")
    coats = forms.IntegerField(
        required=False,
        min_value=1,
        max_value=MOST_COATS,
        label="Coats",
        help_text="Empty: as many as cover.",
        error_messages=dict.fromkeys(
            ("invalid", "min_value", "max_value"), f"Write 1 to {MOST_COATS}, or nothing for as many as cover."
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
    where = forms.CharField(required=False, max_length=120, label="Where, if not as usual")

    def __init__(self, *arguments, **options):
        super().__init__(*arguments, **options)
        wrong = f"Write a number above 0, up to {MOST_PARTS}."
        for row in MIX_ROWS:
            first = row == 1
            self.fields[f"paint{row}"] = forms.ChoiceField(
                choices=lambda: [("", "no paint"), *paint_choices()], required=first, label="Paint" if first else f"Paint {row}",
                error_messages={"required": "Choose a paint."},
            )  # fmt: skip
            self.fields[f"parts{row}"] = forms.FloatField(
                required=first, min_value=0.01, max_value=MOST_PARTS, label="Parts",
                error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), wrong),
            )  # fmt: skip

    @classmethod
    def showing(cls, step: Step, prefix: str) -> "StepForm":
        """The form filled with a step."""
        initial = {
            "kind": step.kind, "coats": step.coats, "diluent": step.mix.diluent,
            "diluent_parts": step.mix.diluent_parts or None, "where": step.where,
        }  # fmt: skip
        for row, (paint, parts) in zip(MIX_ROWS, step.mix.parts, strict=False):
            initial |= {f"paint{row}": paint, f"parts{row}": f"{parts:g}"}
        return cls(initial=initial, auto_id=f"{prefix}_%s")

    def mix_rows(self):
        """Pairs of bound fields: paint and parts."""
        return [(self[f"paint{row}"], self[f"parts{row}"]) for row in MIX_ROWS]

    def clean(self):
        """The step, under ``step``; a second paint without parts is asked back."""
        given = super().clean()
        parts = []
        for row in MIX_ROWS:
            paint, amount = given.get(f"paint{row}"), given.get(f"parts{row}")
            if paint and amount is None and f"parts{row}" not in self.errors:
                self.add_error(f"parts{row}", "How many parts of it?")
            elif paint and amount:
                parts.append((paint, amount))
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
                "", given["kind"], Mix(tuple(parts), given["diluent"], thinned), given["coats"], given["where"]
            )
        return given
