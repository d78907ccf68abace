"""What is asked of a figure on its way: its name, its size, its photographs."""

from django import forms

from mantello.shell.fields import CoreField
from mantello.shell.photograph import PhotoField
from mantello_core.figures.height import LEAST_MM, MOST_MM
from mantello_core.naming import named

#: sides that a figure is seen from
VIEWS = ("front", "back", "left", "right", "top")
_SIZE = {
    "min_value": LEAST_MM, "max_value": MOST_MM, "required": False,
    "error_messages": {"min_value": f"Write {LEAST_MM:g} to {MOST_MM:g} mm.", "max_value": f"Write {LEAST_MM:g} to {MOST_MM:g} mm.", "invalid": f"Write a number of millimetres, {LEAST_MM:g} to {MOST_MM:g}."},
}  # fmt: skip


class TitleForm(forms.Form):
    """What a figure is called."""

    title = CoreField(lambda text: named(text, "title"), label="Name of the figure type", max_length=80)


class SizeForm(TitleForm):
    """What a figure is called, and by what it is scaled."""

    base_mm = forms.FloatField(
        label="Width of its base, mm",
        help_text="Such as 25 or 32. It does not change with the height of the camera.",
        **_SIZE,
    )
    height_mm = forms.FloatField(label="Or its height, mm", help_text="From the lowest to the highest point.", **_SIZE)

    def clean(self):
        """One of the two."""
        given = super().clean()
        if not self.errors and not (given.get("base_mm") or given.get("height_mm")):
            self.add_error("base_mm", "Say how wide the base is, or how tall the figure.")
        return given


class PhotographsForm(SizeForm):
    """A new figure: its size, and one photograph or more."""

    front = PhotoField(label="From the front")
    back = PhotoField(label="From the back", required=False)
    left = PhotoField(label="From its left", required=False)
    right = PhotoField(label="From its right", required=False)
    top = PhotoField(label="From above", required=False)


class AnotherForm(forms.Form):
    """One more photograph of a figure, or one in the place of another."""

    view = forms.ChoiceField(label="Seen from", choices=[(view, view.capitalize()) for view in VIEWS])
    photograph = PhotoField(label="Photograph")
