"""What a painter owns, and paints of the painter's own: they belong to the account and serve all armies."""

from django.conf import settings
from django.db import models, transaction

from mantello_core.formats.document.own_paints import read_own_paint, write_own_paint
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.own import OwnPaint as Said
from mantello_core.paints.own import own_paint
from mantello_core.paints.paint import Paint
from mantello_core.paints.stock import MOST_NOTE, Stock

#: changes when what is estimated of the same readings does
_ESTIMATE = 1


def _optics(row: "OwnPaint"):
    """Optics that were estimated before in the same way, or None."""
    if not row.optics or row.optics[0] != _ESTIMATE or not row.optics[1]:
        return None
    return tuple(map(tuple, row.optics[1]))


class OwnPaintQuerySet(models.QuerySet):
    """The own paints of an account."""

    def of(self, user) -> tuple[Paint, ...]:
        """Every own paint, the oldest first."""
        return tuple(read_own_paint(row.said, optics=_optics(row)) for row in self.filter(owner=user))

    def add(self, user, said: Said) -> Paint:
        """Keep an own paint with what is estimated of it; one that is there already stays.

        Raises: what ``own_paint`` refuses.
        """
        pot = own_paint(said)
        self.get_or_create(
            owner=user, paint=pot.id, defaults={"said": write_own_paint(said), "optics": [_ESTIMATE, pot.optics]}
        )
        return pot


class OwnPaint(models.Model):
    """A paint that is in no range."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="own_paints")
    #: id, made from what is said
    paint = models.CharField(max_length=80)
    #: name, kind and readings, as ``formats.own_paints`` writes them
    said = models.JSONField()
    #: the way of estimating, and the optics that came of it; None for a paint of before they were kept
    optics = models.JSONField(null=True)
    made_at = models.DateTimeField(auto_now_add=True)

    objects = OwnPaintQuerySet.as_manager()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "paint"], name="own_paint_once")]
        ordering = ["pk"]


class ShelfQuerySet(models.QuerySet):
    """The shelf of an account."""

    def of(self, user) -> dict[str, Stock]:
        """Paint id to what is owned; paints that are no longer in any range are left out."""
        own = set(OwnPaint.objects.filter(owner=user).values_list("paint", flat=True))
        return {
            row.paint: Stock(row.pots, row.price, row.note, row.discontinued)
            for row in self.filter(owner=user)
            if row.paint in SHIPPED or row.paint in own
        }

    def stocked(self, user) -> frozenset[str]:
        """Ids of the paints that an account has some of."""
        return frozenset(id_ for id_, stock in self.of(user).items() if stock.pots)

    def keep(self, user, shelf: dict[str, Stock]) -> None:
        """Replace what is known about these paints; what is empty goes."""
        rows = [
            OwnedPaint(
                owner=user,
                paint=paint_id,
                pots=stock.pots,
                price=stock.price,
                note=stock.note,
                discontinued=stock.discontinued,
            )
            for paint_id, stock in shelf.items()
            if not stock.empty
        ]
        with transaction.atomic():
            self.filter(owner=user, paint__in=[id_ for id_, stock in shelf.items() if stock.empty]).delete()
            self.bulk_create(
                rows,
                update_conflicts=True,
                unique_fields=["owner", "paint"],
                update_fields=["pots", "price", "note", "discontinued"],
            )


class OwnedPaint(models.Model):
    """A paint on the shelf."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="shelf")
    paint = models.CharField(max_length=80)
    pots = models.FloatField()
    #: of one pot; None if it is not known
    price = models.FloatField(null=True)
    note = models.CharField(max_length=MOST_NOTE, blank=True)
    #: no longer made
    discontinued = models.BooleanField(default=False)

    objects = ShelfQuerySet.as_manager()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "paint"], name="paint_on_shelf_once")]
        ordering = ["pk"]
