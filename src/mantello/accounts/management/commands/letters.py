"""Read the letters to an address that the stand-in for a mail server kept."""

from django.core.management.base import BaseCommand

from mantello.accounts.models import OutboxMail


class Command(BaseCommand):
    """For whoever runs the machine: on screen a letter is shown to nobody but the painter it is for."""

    help = __doc__

    def add_arguments(self, parser):
        """The address, and how many letters."""
        parser.add_argument("address")
        parser.add_argument("--count", type=int, default=1)

    def handle(self, *args, **options):
        """Print the newest letters to the address."""
        letters = OutboxMail.objects.filter(to__iexact=options["address"])[: max(1, options["count"])]
        for letter in letters:
            self.stdout.write(f"{letter.sent_at:%Y-%m-%d %H:%M} {letter.subject}\n\n{letter.body}\n")
        if not letters:
            self.stdout.write(f"There is no letter to {options['address']}.")
