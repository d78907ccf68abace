"""The paints that can be named in an army's rooms."""

from mantello.shelf.catalogue import catalogue_of
from mantello_core.paints.catalogue import Catalogue

from .models import Army
from .readings import reading_of


def catalogue_for(army: Army) -> Catalogue:
    """The paints that ship, its painter's own, and own ones that came with the design."""
    return catalogue_of(army.owner).with_own(reading_of(army.head).design.scheme.own_paints)
