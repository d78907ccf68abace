"""From when the work is planned, and searches for better plans."""

from django.db import models

from mantello.rooms.army.models import Army


class Replan(models.Model):
    """The painter asked to plan anew from a moment inside a session."""

    army = models.OneToOneField(Army, on_delete=models.CASCADE, related_name="replan")
    start = models.DateTimeField()


class Search(models.Model):
    """A longer search for a better plan, done in the background; what it found is tried whenever the plan is laid."""

    class State(models.TextChoices):
        """How far it is."""

        WAITING = "waiting", "waiting for a free worker"
        RUNNING = "running", "searching"
        DONE = "done", "done"
        STOPPED = "stopped", "stopped"
        FAILED = "failed", "could not go on"

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="searches")
    #: id of the painter whose plan it is; '' for the owner's
    painter = models.CharField(max_length=80, blank=True)
    state = models.CharField(max_length=10, choices=State.choices, default=State.WAITING)
    tries = models.PositiveIntegerField()
    tried = models.PositiveIntegerField(default=0)
    #: desk minutes of the fast plan and of the best one so far, and what no plan can beat
    started = models.FloatField(null=True)
    best = models.FloatField(null=True)
    bound = models.FloatField(null=True)
    #: the style found: patience, chain, spread and seeds; None while none beats the fast plan
    style = models.JSONField(null=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-made_at", "-pk"]

    @property
    def on(self) -> bool:
        """Whether it still goes on."""
        return self.state in (self.State.WAITING, self.State.RUNNING)

    @property
    def saved(self) -> float:
        """Desk minutes that it spares so far."""
        return (self.started or 0.0) - (self.best or 0.0)

    @property
    def gap(self) -> float:
        """How far its best lies above the bound, percent."""
        return (self.best / self.bound - 1) * 100 if self.best and self.bound else 0.0
