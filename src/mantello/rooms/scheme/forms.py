"""Forms of the Scheme room."""

from django import forms

from mantello.shell.fields import CoreField
from mantello_core.paints.range import ranges
from mantello_core.schemes.edit import named


def paint_choices() -> list:
    """Paints that can carry a colour, by range."""
    kinds = ("acrylic", "metallic", "ink", "wash", "enamel")
    return [
        (shelf.name, [(pot.id, pot.name) for pot in shelf.paints if pot.kind in kinds])
        for shelf in ranges()
        if any(pot.kind in kinds for pot in shelf.paints)
    ]


class RoleForm(forms.Form):
    """A new colour role."""

    name = CoreField(
        named, label="Name of the role", max_length=80, widget=forms.TextInput(attrs={"placeholder": "Such as: Facing"})
    )
    paint = forms.ChoiceField(
        choices=lambda: [("", "Decide later"), *paint_choices()], required=False, label="First paint"
    )


class TableForm(forms.Form):
    """A new distinction table."""

    name = CoreField(named, label="Name of the table", max_length=80)
    key = forms.CharField(label="One row for each", max_length=40)


class ColumnForm(forms.Form):
    """A column of a distinction table: a mark, and the areas that carry it."""

    name = CoreField(named, label="Mark", max_length=80)
    select = forms.CharField(
        label="Areas that carry it",
        max_length=600,
        help_text="Names with commas between, such as: torso.coat.lapel, arm.*.cuff. * stands for left and right, @metal for a material.",
    )

    def clean_select(self):
        """The selectors."""
        return tuple(one.strip() for one in self.cleaned_data["select"].split(",") if one.strip())
