"""Armies, and the editions of their designs: every edit makes one, none is ever changed."""

from django.conf import settings
from django.db import models

#: columns of an edition that are read only where they are looked at
_LARGE = ("document", "faces")


def large_of(edition: str) -> tuple[str, ...]:
    """Names of what is large in an edition that a query joins, to be deferred; edition: the way to it, as 'army__head'."""
    return tuple(f"{edition}__{name}" for name in _LARGE)


class ArmyQuerySet(models.QuerySet):
    """Questions about armies."""

    def visible_to(self, user) -> "ArmyQuerySet":
        """The armies a painter may see: their own, and those they are invited to."""
        return self.filter(models.Q(owner=user) | models.Q(pk__in=Member.objects.filter(user=user).values("army")))

    def seen_by(self, user, army_id: int) -> "Army":
        """One army with its head, as ``visible_to`` would find it: every page asks, so a painter's own takes one plain statement.

        Raises: Army.DoesNotExist.
        """
        army = self.with_head().get(pk=army_id)
        if army.owner_id == user.pk:
            army.owner = user
        elif not army.members.filter(user=user).exists():
            raise self.model.DoesNotExist
        return army

    def owned_by(self, user) -> "ArmyQuerySet":
        """The armies that are a painter's own."""
        return self.filter(owner=user)

    def with_head(self) -> "ArmyQuerySet":
        """Each with the edition it stands at, without what is large in that."""
        return self.select_related("head").defer(*large_of("head"))


class Army(models.Model):
    """One army of one painter."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="armies")
    #: the root formation's name, kept here for lists
    name = models.CharField(max_length=80)
    #: the time zone its evenings are told in, kept here so that a page need not read the design for it; '' for none
    zone = models.CharField(max_length=60, blank=True)
    made_at = models.DateTimeField(auto_now_add=True)
    #: the variant that is worked on; None until there are variants
    variant = models.ForeignKey("Variant", on_delete=models.SET_NULL, null=True, related_name="+")
    #: the edition the work stands at
    head = models.OneToOneField("Edition", on_delete=models.RESTRICT, null=True, related_name="+")
    #: number of its newest edition, kept here so that a page need not look for what redo would do; None where it is not known
    newest = models.PositiveIntegerField(null=True)
    #: another after every change of its log, kept here so that no page need ask the log whether it changed
    log_mark = models.CharField(max_length=16, default="0")

    objects = ArmyQuerySet.as_manager()

    class Meta:
        ordering = ["name", "pk"]

    def __str__(self):
        return self.name

    def onwards(self, edition: "Edition | None" = None) -> models.QuerySet:
        """What was made from an edition, or from where the work stands, the newest first; without what other variants stand at."""
        if edition is None and self.head.number == self.newest:
            return self.editions.none()
        others = self.variants.exclude(pk=self.variant_id).values_list("edition_id", flat=True)
        return (edition or self.head).children.exclude(pk__in=others).order_by("-number")


class Link(models.Model):
    """A secret address: whoever has it may look at an army, or paint units of it as one of its painters."""

    class Kind(models.TextChoices):
        """What a link is good for."""

        LOOK = "look", "look"
        JOIN = "join", "join"

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="links")
    kind = models.CharField(max_length=4, choices=Kind.choices)
    secret = models.CharField(max_length=64, unique=True)
    #: who is invited, as the design names painters; '' for a link to look
    painter = models.CharField(max_length=80, blank=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["made_at", "pk"]


class Member(models.Model):
    """A painter who was invited to another's army and came."""

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="members")
    user = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="memberships")
    #: as the design names painters
    painter = models.CharField(max_length=80)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["army", "user"], name="member_once")]
        ordering = ["made_at", "pk"]


class EditionManager(models.Manager):
    """Editions without what is large in them, which is read where it is asked for."""

    def get_queryset(self):
        """Every edition; its document and faces come when they are looked at."""
        return super().get_queryset().defer(*_LARGE)


class Edition(models.Model):
    """A state of an army's design. Undo goes to ``parent``; redo to the newest child."""

    army = models.ForeignKey(Army, on_delete=models.CASCADE, related_name="editions")
    number = models.PositiveIntegerField()
    parent = models.ForeignKey("self", on_delete=models.CASCADE, null=True, related_name="children")
    #: the design document of docs/formats/design.md
    document = models.JSONField()
    #: {"figures": n, "units": n, "roles": n}, for lists
    counts = models.JSONField()
    #: a few figures to know the army by, as SVG, once they are drawn; null until then
    faces = models.JSONField(null=True)
    #: width and height of every face
    face_sizes = models.JSONField(null=True)
    #: what the edit did, such as 'Facing set for 2nd Company: 8 figures, 40 areas'
    words = models.CharField(max_length=240)
    #: given by the browser, so that a repeated request does not edit twice
    token = models.UUIDField(null=True)
    made_at = models.DateTimeField(auto_now_add=True)

    objects = EditionManager()

    class Meta:
        base_manager_name = "objects"
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


class BareSurface(models.Model):
    """What surfaces of a figure type have in common, worked out by a worker; see ``mantello_core.camouflage.bare_file``."""

    digest = models.CharField(max_length=64, primary_key=True)
    data = models.BinaryField()
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-made_at"]

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
