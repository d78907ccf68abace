"""Paints to choose from in a form, in groups by range; a painter's own come first."""

from collections.abc import Callable, Sequence

from django import forms
from django.forms.fields import Field
from django.utils.html import conditional_escape, format_html
from django.utils.safestring import SafeString, mark_safe

from mantello.shell.rendering import attributes
from mantello_core.memory import remembered
from mantello_core.paints.own import OWN
from mantello_core.paints.paint import Paint
from mantello_core.paints.range import ranges

#: an id and what it is called
Choice = tuple[str, str]
#: choices, alone or in groups that are called something
Choices = tuple[Choice | tuple[str, tuple[Choice, ...]], ...]
#: kinds that can carry a colour
_COLOURS = ("acrylic", "air", "metallic", "ink", "wash", "stain", "enamel", "oil")


def paint_choices(own: Sequence[Paint] = ()) -> Choices:
    """Paints that can carry a colour."""
    return _grouped(own, lambda pot: pot.kind in _COLOURS)


def pot_choices(own: Sequence[Paint] = ()) -> Choices:
    """Everything a step can be done with."""
    return _grouped(own, lambda pot: pot.kind != "medium")


def _grouped(own: Sequence[Paint], fit: Callable[[Paint], bool]) -> Choices:
    shelves = ((OWN, own), *((shelf.name, shelf.paints) for shelf in ranges()))
    groups = ((name, tuple((pot.id, pot.name) for pot in pots if fit(pot))) for name, pots in shelves)
    return tuple((name, pots) for name, pots in groups if pots)


class PaintSelect(forms.Select):
    """A list of paints beside which one can be found by letters and colour. Its options are written once for all who have the same:
    a page with a few of these would spend half its time on them."""

    def __init__(self, attrs=None, choices=()):
        super().__init__({"data-behaviour": "paint-picker"} | (attrs or {}), choices)

    @property
    def choices(self) -> Choices:
        """What can be chosen, as it was given: Django would go through all of it for every form."""
        return self._choices

    @choices.setter
    def choices(self, given: Choices):
        self._choices = given

    def render(self, name, value, attrs=None, renderer=None):
        """The list's HTML, as any select's is."""
        options = _written(self.choices)
        for chosen in self.format_value(value):
            option = format_html('<option value="{}"', chosen)
            options = options.replace(option, f"{option} selected", 1)
        said = attributes({"name": name} | self.build_attrs(self.attrs, attrs))
        return mark_safe(f"<select{said}>{options}</select>")


class PaintField(forms.ChoiceField):
    """One of some paints, which are given as ``paint_choices`` gives them, and maybe of some other choices."""

    widget = PaintSelect

    @property
    def choices(self) -> Choices:
        """What can be chosen."""
        return self._choices

    @choices.setter
    def choices(self, given: Choices):
        self._choices = self.widget.choices = tuple(given)

    def __deepcopy__(self, memo):
        # what can be chosen is never changed, so a form's own field shares it
        made = Field.__deepcopy__(self, memo)
        made._choices = self._choices
        return made


@remembered(300)
def _written(choices: Choices) -> SafeString:
    return mark_safe("".join(map(_choice, choices)))


def _choice(one: Choice | tuple[str, tuple[Choice, ...]]) -> str:
    value, words = one
    if isinstance(words, str):
        return format_html('<option value="{}">{}</option>', value, words)
    return f'<optgroup label="{conditional_escape(value)}">{"".join(map(_choice, words))}</optgroup>'
