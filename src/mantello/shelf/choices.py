"""Paints to choose from in a form, in groups by range; a painter's own come first."""

from collections.abc import Callable, Sequence

from mantello_core.paints.own import OWN
from mantello_core.paints.paint import Paint
from mantello_core.paints.range import ranges

Choices = list[tuple[str, list[tuple[str, str]]]]
#: kinds that can carry a colour
_COLOURS = ("acrylic", "air", "metallic", "ink", "wash", "stain", "enamel", "oil")

#: attributes of a list of paints beside which one can be found by letters and colour
PICKER = {"data-behaviour": "paint-picker"}


def paint_choices(own: Sequence[Paint] = ()) -> Choices:
    """Paints that can carry a colour."""
    return _grouped(own, lambda pot: pot.kind in _COLOURS)


def pot_choices(own: Sequence[Paint] = ()) -> Choices:
    """Everything a step can be done with."""
    return _grouped(own, lambda pot: pot.kind != "medium")


def _grouped(own: Sequence[Paint], fit: Callable[[Paint], bool]) -> Choices:
    shelves = [(OWN, own), *((shelf.name, shelf.paints) for shelf in ranges())]
    groups = [(name, [(pot.id, pot.name) for pot in pots if fit(pot)]) for name, pots in shelves]
    return [(name, pots) for name, pots in groups if pots]
