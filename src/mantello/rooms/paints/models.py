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

    def keep(self, user, shelf: dict[str, Stock]) -> None:
        """Replace what is known about these paints; what is empty goes."""
        with transaction.atomic():
            for paint_id, stock in shelf.items():
                if stock.empty:
                    self.filter(owner=user, paint=paint_id).delete()
                else:
                    kept = {"pots": stock.pots, "price": stock.price, "note": stock.note}
                    self.update_or_create(owner=user, paint=paint_id, defaults=kept)


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
