"""Test pieces: what was tried before a batch, with photographs, and what came of it."""

from django.db import models
from django.utils import timezone

from mantello.workspace.models import Army


class TestPieceQuerySet(models.QuerySet):
    """Questions about test pieces."""

    def settled(self) -> "TestPieceQuerySet":
        """Those that let a batch start: accepted, or done without."""
        return self.filter(verdict__in=[TestPiece.Verdict.ACCEPTED, TestPiece.Verdict.WAIVED])


class TestPiece(models.Model):
    """One role's recipe tried on one figure or limb, or done without a trial."""

    class Verdict(models.TextChoices):
        """What came of it."""

        OPEN = "open", "not judged yet"
        ACCEPTED = "accepted", "accepted"
        AGAIN = "again", "to be tried again"
        WAIVED = "waived", "done without"

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="tests")
    role = models.CharField(max_length=80)
    role_name = models.CharField(max_length=80)
    tier = models.CharField(max_length=20)
    #: light it was judged in, of ``colour.light.LIGHTS``
    lamp = models.CharField(max_length=10, blank=True)
    #: ground and steps as they were, as the document of a design writes them; null for one done without
    ground = models.JSONField(null=True)
    steps = models.JSONField(null=True)
    #: step id to {"coats", "minutes", "drying"}, each a number or null where the painter did not know
    done = models.JSONField(default=dict)
    verdict = models.CharField(max_length=10, choices=Verdict.choices, default=Verdict.OPEN)
    #: what is to be changed, and anything else
    note = models.TextField(blank=True)
    made_at = models.DateTimeField(default=timezone.now)

    objects = TestPieceQuerySet.as_manager()

    class Meta:
        ordering = ["-made_at", "-pk"]
        indexes = [models.Index(fields=["army", "role"])]


class Photo(models.Model):
    """A photograph of a test piece, re-encoded: nothing of the file that came is kept but its pixels."""

    class Moment(models.TextChoices):
        """When it was taken."""

        BEFORE = "before", "before"
        AFTER = "after", "after"
        # once more under lights of ``colour.light.LIGHTS``, each with its own grey card
        WINDOW = "window", "by daylight"
        BOOTH = "booth", "under a daylight lamp"
        LAMP = "lamp", "under a warm lamp"
        TUBE = "tube", "under a cold tube"

    test = models.ForeignKey(TestPiece, on_delete=models.CASCADE, related_name="photos")
    moment = models.CharField(max_length=10, choices=Moment.choices)
    jpeg = models.BinaryField()
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    #: where something was sampled: name to [x, y, '#rrggbb'], x and y as shares of the picture
    patches = models.JSONField(default=dict)
    #: what was read off its pixels: ``grid`` of linear light, and ``patches`` by name; None before anything was
    light = models.JSONField(null=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["test", "moment"], name="one_photo_a_moment")]
        ordering = ["pk"]
