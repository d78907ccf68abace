"""Painters, and the local outbox."""

from django.contrib.auth.models import AbstractUser
from django.db import models


class User(AbstractUser):
    """A painter with an account."""

    #: not unique: a refusal would tell who has an account
    email = models.EmailField("email address")
    #: the account visitors on this machine are signed in to
    is_demo = models.BooleanField(default=False)


class OutboxMail(models.Model):
    """A letter that the stand-in for a mail server kept instead of sending."""

    to = models.CharField(max_length=320)
    subject = models.CharField(max_length=200)
    body = models.TextField()
    sent_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-sent_at", "-pk"]
