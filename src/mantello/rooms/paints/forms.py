"""Forms of the shelf."""

from collections.abc import Iterable

from django import forms

from mantello.shell.fields import CoreField
from mantello_core.errors import MantelloError
from mantello_core.formats.palette import is_palette, read_palette
from mantello_core.formats.shelf import read_shelf
from mantello_core.formats.shelf_document import read_shelf_document, shelf_of_palette
from mantello_core.formats.text_file import decoded
from mantello_core.naming import noted
from mantello_core.paints.catalogue import SHIPPED, Catalogue
from mantello_core.paints.estimate import CLASS_CONTRAST
from mantello_core.paints.paint import Paint
from mantello_core.paints.stock import MOST_NOTE, MOST_POTS, MOST_PRICE, Stock

#: the largest shelf file that is read
MOST_BYTES = 2_000_000


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
    note = CoreField(
        noted, required=False, label="Note", max_length=MOST_NOTE, help_text="A defect, a lot number, where it stands."
    )

    discontinued = forms.BooleanField(required=False, label="No longer made")

    def clean(self):
        """What is owned, under ``stock``."""
        given = super().clean()
        if not self.errors:
            given["stock"] = Stock(given["pots"] or 0.0, given["price"], given["note"] or "", given["discontinued"])
        return given


class CountForm(forms.Form):
    """Pots of many paints at once, one field a paint."""

    def __init__(self, shelf: dict[str, Stock], pots: Iterable[Paint], *arguments, **options):
        super().__init__(*arguments, **options)
        self.shelf = shelf
        for pot in pots:
            id_ = pot.id
            field = _number(
                f"Pots of {pot.name}", MOST_POTS, f"0 to {MOST_POTS:g}; half a pot is 0.5.",
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
                counted[id_] = Stock(given[name] or 0.0, old.price, old.note, old.discontinued)
        given["shelf"] = counted
        return given


class ShelfFileForm(forms.Form):
    """A shelf from a file: separated values, JSON, or a palette of a program that draws."""

    file = forms.FileField(
        label="A shelf as CSV or JSON, or a palette",
        help_text="CSV columns: paint or name, pots, perhaps price, note and discontinued. Palettes: of GIMP, or lines of names and colours such as #2f5d50.",
    )
    opacity = forms.ChoiceField(
        choices=[(one, one.capitalize()) for one in CLASS_CONTRAST], initial="semi-opaque", required=False,
        label="Colours of a palette hide as",
    )  # fmt: skip

    def __init__(self, *arguments, catalogue: Catalogue = SHIPPED, **options):
        """catalogue: the paints a shelf may name besides those it brings."""
        super().__init__(*arguments, **options)
        self.catalogue = catalogue

    def clean(self):
        """The file's lines under ``lines``, or what it says of a shelf under ``read``."""
        given = super().clean()
        if "file" not in given:
            return given
        try:
            text = decoded(given["file"].read(MOST_BYTES + 4))
            if text.lstrip("\ufeff \n\r\t").startswith("{"):
                given["read"] = read_shelf_document(text, self.catalogue)
            elif is_palette(text.lstrip("\ufeff")):
                given["read"] = shelf_of_palette(read_palette(text), given.get("opacity") or "semi-opaque")
            else:
                given["lines"] = read_shelf(text, self.catalogue)
        except MantelloError as error:
            place = f" (at {error.where})" if error.where.startswith("/") else ""
            self.add_error("file", f"{error.message}{place}")
        return given
