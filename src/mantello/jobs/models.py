"""Jobs: what is done by workers, how far it is, and what came of it."""

from datetime import timedelta

from django.conf import settings
from django.db import models
from django.utils import timezone

from .awake import just_woke

#: how long a running job may be silent before its worker counts as gone
SILENT = timedelta(minutes=3)


class JobQuerySet(models.QuerySet):
    """Questions about jobs."""

    def visible_to(self, user) -> "JobQuerySet":
        """The jobs a painter may see: their own."""
        return self.filter(owner=user)

    def going_on(self) -> "JobQuerySet":
        """Those that wait or run."""
        return self.filter(state__in=(Job.State.WAITING, Job.State.RUNNING))

    def keep_newest(self, most: int) -> None:
        """Forget those that ended, but for so many of the newest."""
        ended = self.exclude(state__in=(Job.State.WAITING, Job.State.RUNNING)).values_list("pk", flat=True)
        self.model.objects.filter(pk__in=list(ended[most:])).delete()

    def sweep(self) -> int:
        """Let running jobs whose worker is gone fail, so that they can be asked for again; how many those were. None where this
        machine has just slept: its worker did too."""
        if just_woke(SILENT.total_seconds()):
            return 0
        dead = self.filter(state=Job.State.RUNNING, heartbeat__lt=timezone.now() - SILENT)
        return dead.update(state=Job.State.FAILED, fault="The worker that did it went away.")


class Job(models.Model):
    """One piece of work in the background. ``kind`` names what does it, ``key`` tells it from others of its kind."""

    class State(models.TextChoices):
        """How far it is."""

        WAITING = "waiting", "waiting for a free worker"
        RUNNING = "running", "going on"
        DONE = "done", "done"
        STOPPED = "stopped", "stopped"
        FAILED = "failed", "could not go on"

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="jobs")
    #: the army it is for, with which it goes
    army = models.ForeignKey("army.Army", on_delete=models.CASCADE, null=True, related_name="jobs")
    kind = models.CharField(max_length=40)
    key = models.CharField(max_length=120)
    #: what the kind was asked for besides
    asked = models.JSONField(default=dict)
    #: time zone of whoever asked; '' for the server's
    zone = models.CharField(max_length=60, blank=True)
    state = models.CharField(max_length=10, choices=State.choices, default=State.WAITING)
    #: progress: how much of how much
    reached = models.PositiveIntegerField(default=0)
    of = models.PositiveIntegerField(default=0)
    #: what came of it so far; the kind knows what it means
    result = models.JSONField(null=True)
    #: why it failed, in words for the painter
    fault = models.CharField(max_length=300, blank=True)
    #: when its worker was last heard of
    heartbeat = models.DateTimeField(null=True)
    made_at = models.DateTimeField(default=timezone.now)

    objects = JobQuerySet.as_manager()

    class Meta:
        ordering = ["-made_at", "-pk"]
        indexes = [models.Index(fields=["kind", "key"]), models.Index(fields=["state", "heartbeat"])]
        constraints = [
            models.UniqueConstraint(
                fields=["owner", "kind", "key"], condition=models.Q(state__in=("waiting", "running")), name="one_job_on"
            )
        ]

    def __str__(self):
        return f"{self.kind} {self.key}: {self.state}"

    @property
    def on(self) -> bool:
        """Whether it still goes on."""
        return self.state in (self.State.WAITING, self.State.RUNNING)


class Paper(models.Model):
    """Something printed by a worker, kept until newer ones take its place. ``key`` tells it from every other."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="papers")
    army = models.ForeignKey("army.Army", on_delete=models.CASCADE, related_name="papers")
    kind = models.CharField(max_length=40)
    key = models.CharField(max_length=64)
    name = models.CharField(max_length=120)
    data = models.BinaryField()
    made_at = models.DateTimeField(default=timezone.now)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "kind", "key"], name="paper_once")]
        indexes = [models.Index(fields=["owner", "made_at"])]

    def __str__(self):
        return self.name
