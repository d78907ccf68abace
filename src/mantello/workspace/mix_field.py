"""A field for a mix as a painter writes it."""

from collections.abc import Iterable

from django import forms

from mantello_core.errors import MantelloError
from mantello_core.paints.paint import Paint
from mantello_core.recipes.mix_words import MOST_SIGNS, mix_said
from mantello_core.recipes.step import Mix


class MixField(forms.CharField):
    """A mix in words, such as '2 Brine Green : 1 water'; None where nothing is written."""

    def __init__(self, **options):
        super().__init__(required=False, max_length=MOST_SIGNS, **options)
        #: the paints that it may name; a form says them
        self.pots: Iterable[Paint] = ()

    def clean(self, value) -> Mix | None:
        """The mix, or None; what cannot be read is told with what is allowed."""
        said = super().clean(value).strip()
        if not said:
            return None
        try:
            return mix_said(said, self.pots)
        except MantelloError as error:
            raise forms.ValidationError(error.message) from error
