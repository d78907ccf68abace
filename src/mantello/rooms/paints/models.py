"""What a painter owns: one row a paint. It belongs to the account and serves all armies."""

from django.conf import settings
from django.db import models, transaction

from mantello_core.paints.range import paints
from mantello_core.paints.stock import MOST_NOTE, Stock


class ShelfQuerySet(models.QuerySet):
    """The shelf of an account."""

    def of(self, user) -> dict[str, Stock]:
        """Paint id to what is owned; paints that are no longer in any range are left out."""
        return {
            row.paint: Stock(row.pots, row.price, row.note) for row in self.filter(owner=user) if row.paint in paints()
        }

    def stocked(self, user) -> frozenset[str]:
        """Ids of the paints that an account has some of."""
        return frozenset(id_ for id_, stock in self.of(user).items() if stock.pots)

    def keep(self, user, shelf: dict[str, Stock]) -> None:
        """Replace what is known about these paints; what is empty goes."""
        rows = [
            OwnedPaint(owner=user, paint=paint_id, pots=stock.pots, price=stock.price, note=stock.note)
            for paint_id, stock in shelf.items()
            if not stock.empty
        ]
        with transaction.atomic():
            self.filter(owner=user, paint__in=[id_ for id_, stock in shelf.items() if stock.empty]).delete()
            self.bulk_create(
                rows,
                update_conflicts=True,
                unique_fields=["owner", "paint"],
                update_fields=["pots", "price", "note"],
            )


class OwnedPaint(models.Model):
    """A paint on the shelf."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="shelf")
    paint = models.CharField(max_length=80)
    pots = models.FloatField()
    #: of one pot; None if it is not known
    price = models.FloatField(null=True)
    note = models.CharField(max_length=MOST_NOTE, blank=True)

    objects = ShelfQuerySet.as_manager()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "paint"], name="paint_on_shelf_once")]
        ordering = ["pk"]
