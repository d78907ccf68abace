"""What was really painted, and the versions of the scheme it was painted to."""

import secrets

from django.db import models, transaction

from mantello.workspace.models import Army, Edition
from mantello_core.order.subject import Subject, subject_of

#: note of what was not done at the desk, if nothing else is said of it
AWAY = "Done away from the desk."


class Version(models.Model):
    """A scheme struck: from the first figure painted to it on, this state has a number that stays."""

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="versions")
    number = models.PositiveIntegerField()
    edition = models.ForeignKey(Edition, on_delete=models.CASCADE, related_name="+")
    #: digest of the scheme, to know the same one again
    digest = models.CharField(max_length=64)
    struck_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["army", "number"], name="version_number_once")]
        ordering = ["number"]


def mark_anew(army: Army) -> None:
    """Give an army's log another mark. It is drawn, not counted: a change that is rolled back leaves one that never comes again.

    Before anything of the log is written, so that whoever changes an army's log waits for its row first.
    """
    army.log_mark = secrets.token_hex(8)
    Army.objects.filter(pk=army.pk).update(log_mark=army.log_mark)


class LogRow(models.Model):
    """What an army's log is read from: whenever some of it is kept, changed or deleted, the log has another mark."""

    army: Army

    class Meta:
        abstract = True

    def save(self, *args, **options):
        """Keep it; the log is another from here on."""
        with transaction.atomic():
            mark_anew(self.army)
            super().save(*args, **self._marked(options))

    def _marked(self, options: dict) -> dict:
        """The options of keeping it, once it has the mark of the change."""
        return options

    def delete(self, *args, **options):
        """Delete it; the log is another from here on."""
        with transaction.atomic():
            mark_anew(self.army)
            return super().delete(*args, **options)


class EntryQuerySet(models.QuerySet):
    """Questions about the log."""

    def standing(self) -> "EntryQuerySet":
        """Entries that were not taken back."""
        return self.filter(taken_back_at=None)

    def bulk_create(self, objs, *args, **options):
        """Keep many at once, of one army or more; their logs are others from here on."""
        objs = list(objs)
        with transaction.atomic():
            armies = {one.army_id: one.army for one in objs}
            for army in armies.values():
                mark_anew(army)
            for one in objs:
                one.mark = armies[one.army_id].log_mark
            return super().bulk_create(objs, *args, **options)


class Entry(LogRow):
    """One step done on some figures of one rank of one unit, which are named by their ids."""

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="entries")
    version = models.ForeignKey(Version, on_delete=models.CASCADE, related_name="entries")
    #: one press of 'done' may log several steps that shared a pot
    batch = models.UUIDField()
    unit = models.CharField(max_length=80)
    #: formations and unit, and the rank, as they were called when it was logged
    unit_name = models.CharField(max_length=240)
    rank = models.CharField(max_length=80)
    rank_name = models.CharField(max_length=80)
    #: what it is about, as ``mantello_core.order.subject`` writes subjects
    role = models.CharField(max_length=80, blank=True)
    step = models.CharField(max_length=80)
    #: in words, such as 'Field base'
    name = models.CharField(max_length=200)
    #: figures of the rank, counted from 1
    ordinals = models.JSONField()
    #: in words, both sides named
    mix = models.CharField(max_length=400)
    #: [{"paint": id, "name": name, "parts": n}]
    paints = models.JSONField()
    coats = models.PositiveIntegerField()
    #: what it was thinned with and how many parts of it; '' where that was not kept
    diluent = models.CharField(max_length=10, blank=True)
    diluent_parts = models.FloatField(default=0)
    #: tool, where it was another than planned; mix that was planned, where another was used
    tool = models.CharField(max_length=160, blank=True)
    planned_mix = models.CharField(max_length=400, blank=True)
    #: id of what went wrong, as ``advice.mishap`` names it; '' for nothing
    mishap = models.CharField(max_length=20, blank=True)
    #: hands-on minutes of this entry; None if the painter did not know
    minutes = models.FloatField(null=True)
    planned_minutes = models.FloatField()
    #: minutes it dries after ``done_at``
    drying = models.FloatField()
    note = models.TextField(blank=True)
    #: id of the painter who did it, as the design names them; '' for the owner
    painter = models.CharField(max_length=80, blank=True)
    #: minutes after which it was found dry; None if nobody said
    dried = models.FloatField(null=True)
    done_at = models.DateTimeField()
    taken_back_at = models.DateTimeField(null=True)
    #: the log's mark of the change that left it as it is; '' from before there were any
    mark = models.CharField(max_length=16, blank=True)

    objects = EntryQuerySet.as_manager()

    class Meta:
        ordering = ["-done_at", "-pk"]
        indexes = [models.Index(fields=["army", "done_at"])]

    @property
    def subject(self) -> Subject:
        """What it is about."""
        return subject_of(self.role)

    def _marked(self, options: dict) -> dict:
        self.mark = self.army.log_mark
        only = options.get("update_fields")
        return options if only is None else options | {"update_fields": {*only, "mark"}}


class Settlement(LogRow):
    """What the painter decided about figures painted to an older version: accepted, or to be painted again."""

    class Kind(models.TextChoices):
        """What was decided."""

        ACCEPTED = "accepted", "accepted as painted"
        REPAINT = "repaint", "to be painted again"

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="settlements")
    version = models.ForeignKey(Version, on_delete=models.CASCADE, related_name="settlements")
    kind = models.CharField(max_length=10, choices=Kind.choices)
    #: the drift it settles, as the core tells it apart
    key = models.CharField(max_length=16)
    #: in words: figures, what was painted, what is asked for
    words = models.CharField(max_length=400)
    unit = models.CharField(max_length=80)
    rank = models.CharField(max_length=80)
    ordinals = models.JSONField()
    #: role whose steps are asked for again
    role = models.CharField(max_length=80, blank=True)
    note = models.CharField(max_length=300, blank=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-made_at", "-pk"]


class FigurePhoto(models.Model):
    """A photograph of figures, re-encoded: nothing of the file that came is kept but its pixels."""

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="figure_photos")
    unit = models.CharField(max_length=80)
    rank = models.CharField(max_length=80)
    #: figures of the rank that it shows, counted from 1
    ordinals = models.JSONField()
    caption = models.CharField(max_length=200, blank=True)
    jpeg = models.BinaryField()
    width = models.PositiveIntegerField()
    height = models.PositiveIntegerField()
    #: where something was pointed at: grey mark or area to [x, y], shares of the picture
    patches = models.JSONField(default=dict)
    #: what was read off its pixels, as ``mantello.trials.trial.light_of`` keeps it; None before anything was
    light = models.JSONField(null=True)
    taken_at = models.DateTimeField()

    class Meta:
        ordering = ["taken_at", "pk"]
        indexes = [models.Index(fields=["army", "unit", "rank"])]


class Decision(models.Model):
    """Something decided: the options there were, the one chosen, and why; quoted when the design leaves it."""

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="decisions")
    #: what it is about, as ``mantello_core.design.decision`` names subjects
    about = models.CharField(max_length=120)
    question = models.CharField(max_length=200)
    options = models.JSONField()
    chosen = models.CharField(max_length=200)
    reason = models.CharField(max_length=500)
    reversible = models.BooleanField(default=True)
    #: how the design had it when it was decided, in words
    stood = models.TextField()
    made_at = models.DateTimeField(auto_now_add=True)
    #: when it was given up; None while it holds
    closed_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ["-made_at", "-pk"]


class LastLook(models.Model):
    """A finished figure looked over, area by area; those that were not ticked were still to be painted."""

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="last_looks")
    unit = models.CharField(max_length=80)
    rank = models.CharField(max_length=80)
    ordinal = models.PositiveIntegerField()
    #: names of areas that were found unpainted
    missed = models.JSONField()
    looked_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-looked_at", "-pk"]
        indexes = [models.Index(fields=["army", "unit", "rank"])]


class Measurement(models.Model):
    """A colour read on a painted figure."""

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="measurements")
    unit = models.CharField(max_length=80)
    rank = models.CharField(max_length=80)
    ordinal = models.PositiveIntegerField()
    role = models.CharField(max_length=80)
    lightness = models.FloatField()
    a = models.FloatField()
    b = models.FloatField()
    measured_at = models.DateTimeField()

    class Meta:
        ordering = ["-measured_at", "-pk"]
        indexes = [models.Index(fields=["army", "role"])]
