"""How arms were looked at last."""

from django.conf import settings
from django.db import models

from mantello.workspace.models import Army


class ArmsLook(models.Model):
    """The surface and the size at which a painter looked at arms last."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="arms_looks")
    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="arms_looks")
    #: id of the arms in the design
    arms = models.CharField(max_length=80)
    shape = models.CharField(max_length=40)
    #: mm across
    width = models.FloatField()

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "army", "arms"], name="arms_look_once")]

    def __str__(self):
        return f"{self.arms}: {self.shape}, {self.width:g} mm"
