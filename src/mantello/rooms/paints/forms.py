"""Forms of the shelf."""

from django import forms

from mantello_core.errors import MantelloError
from mantello_core.formats.roster import decoded
from mantello_core.formats.shelf import MOST_CHARACTERS, ShelfLine, read_shelf
from mantello_core.paints.range import paint
from mantello_core.paints.stock import MOST_NOTE, MOST_POTS, MOST_PRICE, Stock


def _number(label: str, most: float, said: str, **options) -> forms.FloatField:
    field = forms.FloatField(
        label=label, required=False, min_value=0, max_value=most,
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value"), said), **options,
    )  # fmt: skip
    field.widget.attrs["step"] = "any"
    return field


class StockForm(forms.Form):
    """One paint on the shelf."""

    pots = _number("Pots", MOST_POTS, f"Write 0 to {MOST_POTS:g} pots; half a pot is 0.5.")
    price = _number("Price of one", MOST_PRICE, f"Write 0 to {MOST_PRICE:g}, or nothing if you do not know.")
    note = forms.CharField(
        required=False, label="Note", max_length=MOST_NOTE, help_text="A defect, a lot number, where it stands."
    )

    def clean(self):
        """What is owned, under ``stock``."""
        given = super().clean()
        if not self.errors:
            given["stock"] = Stock(given["pots"] or 0.0, given["price"], given["note"])
        return given


class CountForm(forms.Form):
    """Pots of many paints at once, one field a paint."""

    def __init__(self, shelf: dict[str, Stock], paint_ids, *arguments, **options):
        super().__init__(*arguments, **options)
        self.shelf = shelf
        for id_ in paint_ids:
            field = _number(
                f"Pots of {paint(id_).name}", MOST_POTS, f"0 to {MOST_POTS:g}; half a pot is 0.5.",
                initial=f"{shelf[id_].pots:g}" if id_ in shelf and shelf[id_].pots else None,
            )  # fmt: skip
            field.widget.attrs["aria-label"] = field.label
            self.fields[f"pots-{id_}"] = field

    def clean(self):
        """The shelf as counted, under ``shelf``; prices and notes stay."""
        given = super().clean()
        counted = {}
        for name in self.fields:
            if name in given:
                id_ = name.removeprefix("pots-")
                old = self.shelf.get(id_, Stock())
                counted[id_] = Stock(given[name] or 0.0, old.price, old.note)
        given["shelf"] = counted
        return given


class ShelfFileForm(forms.Form):
    """A shelf from a file."""

    file = forms.FileField(label="A shelf as CSV", help_text="Columns: paint or name, pots, perhaps price and note.")

    def clean_file(self) -> list[ShelfLine]:
        """The file's lines."""
        try:
            return read_shelf(decoded(self.cleaned_data["file"].read(MOST_CHARACTERS * 4)))
        except MantelloError as error:
            raise forms.ValidationError(error.message, code=error.kind) from error
