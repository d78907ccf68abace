"""The paints a painter can name."""

from mantello_core.paints.catalogue import SHIPPED, Catalogue

from .models import OwnPaint


def catalogue_of(user) -> Catalogue:
    """The paints that ship, and the account's own."""
    return SHIPPED.with_own(OwnPaint.objects.of(user))
