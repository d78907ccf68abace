"""Where a refusal of the core becomes an error at its field."""

from collections.abc import Callable

from django import forms

from mantello_core.errors import MantelloError


class CoreField(forms.CharField):
    """A text that the core reads; its value is what the core made of it."""

    def __init__(self, parse: Callable[[str], object], **options):
        super().__init__(**options)
        self.parse = parse

    def clean(self, value):
        """The core's value, or the core's refusal at this field."""
        text = super().clean(value)
        try:
            return self.parse(text) if text or self.required else None
        except MantelloError as error:
            raise forms.ValidationError(error.message, code=error.kind) from error


def refused(form: forms.Form, error: MantelloError) -> forms.Form:
    """The form with the core's refusal at the field it names, or above all fields."""
    field = error.where.strip("/").split("/")[-1]
    form.add_error(field if field in form.fields else None, error.message)
    return form
