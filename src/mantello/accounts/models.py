"""Painters, and the local outbox."""

from django.contrib.auth.models import AbstractUser
from django.db import models


class User(AbstractUser):
    """A painter with an account."""

    #: not unique: a refusal would tell who has an account
    email = models.EmailField("email address")
    #: the account visitors on this machine are signed in to
    is_demo = models.BooleanField(default=False)
    #: how this painter writes their money, such as 'kr' or '€'; '' where they did not say
    currency = models.CharField(max_length=6, blank=True, default="", db_default="")

    @property
    def called(self) -> str:
        """What the painter is called on pages: as typed at sign-up, or the name older accounts sign in by."""
        return self.first_name or self.username


class Press(models.Model):
    """A form that was sent and led somewhere: sent again with the same mark, it leads there and does nothing."""

    user = models.ForeignKey(User, on_delete=models.CASCADE, related_name="+")
    token = models.UUIDField()
    #: where it was sent, and where it led
    path = models.CharField(max_length=400)
    led_to = models.CharField(max_length=400, blank=True)
    made_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["user", "token", "path"], name="press_once")]
        indexes = [models.Index(fields=["made_at"])]

    def __str__(self):
        return f"{self.token} to {self.path}"


class OutboxMail(models.Model):
    """A letter that the stand-in for a mail server kept instead of sending."""

    to = models.CharField(max_length=320)
    subject = models.CharField(max_length=200)
    body = models.TextField()
    sent_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-sent_at", "-pk"]
