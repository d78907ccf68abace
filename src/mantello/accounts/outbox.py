"""A stand-in for a mail server: letters are kept in the database and can be read in the demo."""

from django.core.mail.backends.base import BaseEmailBackend

from .models import OutboxMail

#: letters kept; older ones go
MOST_KEPT = 200


class OutboxBackend(BaseEmailBackend):
    """Keeps every letter instead of sending it."""

    def send_messages(self, email_messages):
        """Keep the letters; how many there were."""
        kept = [
            OutboxMail(to=recipient, subject=message.subject[:200], body=message.body)
            for message in email_messages
            for recipient in message.recipients()
        ]
        OutboxMail.objects.bulk_create(kept)
        old = OutboxMail.objects.values_list("pk", flat=True)[MOST_KEPT:]
        OutboxMail.objects.filter(pk__in=list(old)).delete()
        return len(email_messages)
