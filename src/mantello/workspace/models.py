"""Armies, and the editions of their designs: every edit makes one, none is ever changed."""

from django.conf import settings
from django.db import models


class ArmyQuerySet(models.QuerySet):
    """Questions about armies."""

    def visible_to(self, user) -> "ArmyQuerySet":
        """The armies a painter may see: their own."""
        return self.filter(owner=user)


class Army(models.Model):
    """One army of one painter."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="armies")
    #: the root formation's name, kept here for lists
    name = models.CharField(max_length=80)
    made_at = models.DateTimeField(auto_now_add=True)
    #: the variant that is worked on; None until there are variants
    variant = models.ForeignKey("Variant", on_delete=models.SET_NULL, null=True, related_name="+")
    #: the edition the work stands at
    head = models.OneToOneField("Edition", on_delete=models.RESTRICT, null=True, related_name="+")

    objects = ArmyQuerySet.as_manager()

    class Meta:
        ordering = ["name", "pk"]

    def __str__(self):
        return self.name


class Edition(models.Model):
    """A state of an army's design. Undo goes to ``parent``; redo to the newest child."""

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="editions")
    number = models.PositiveIntegerField()
    parent = models.ForeignKey("self", on_delete=models.CASCADE, null=True, related_name="children")
    #: the design document of docs/formats/design.md
    document = models.JSONField()
    #: what the edit did, such as 'Facing set for 2nd Company: 8 figures, 40 areas'
    words = models.CharField(max_length=240)
    #: given by the browser, so that a repeated request does not edit twice
    token = models.UUIDField(null=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["army", "number"], name="edition_number_once"),
            models.UniqueConstraint(fields=["army", "token"], name="edition_token_once"),
        ]

    def __str__(self):
        return f"{self.number}: {self.words}"


class Drawing(models.Model):
    """The drawing of a figure type that is no shipped one; editions name it by its digest. Never changed."""

    digest = models.CharField(max_length=64, primary_key=True)
    #: kind and views, as mantello_core.figures.plate.plate_mapping gives them
    data = models.JSONField()
    made_at = models.DateTimeField(auto_now_add=True)

    def __str__(self):
        return self.digest[:12]


class Variant(models.Model):
    """A named line of editions, to be compared with others; edits move the one that is worked on."""

    class State(models.TextChoices):
        """Where a variant stands."""

        OPEN = "open", "open"
        ADOPTED = "adopted", "adopted"
        REJECTED = "rejected", "rejected"

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="variants")
    name = models.CharField(max_length=80)
    edition = models.ForeignKey(Edition, on_delete=models.CASCADE, related_name="+")
    state = models.CharField(max_length=10, choices=State.choices, default=State.OPEN)
    #: why it was adopted or rejected
    reason = models.CharField(max_length=300, blank=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["army", "name"], name="variant_name_once")]
        ordering = ["made_at", "pk"]

    def __str__(self):
        return self.name
