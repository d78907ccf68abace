"""From when the work is planned."""

from django.db import models

from mantello.workspace.models import Army


class Replan(models.Model):
    """The painter asked to plan anew from a moment inside a session."""

    army = models.OneToOneField(Army, on_delete=models.CASCADE, related_name="replan")
    start = models.DateTimeField()
