"""``manage demo``: the demo account, its army and its shelf; nothing is done when they are there."""

from django.contrib.auth import get_user_model
from django.core.management.base import BaseCommand
from django.db import transaction

from mantello.shelf.models import OwnedPaint
from mantello.trials.sample import sample_test
from mantello.workspace.editing import branch, edit, keep_design, work_on
from mantello.workspace.models import Army
from mantello_core.formats.sample import camouflaged_levy, sample_shelf, whitewashed

NAME = "demo"


class Command(BaseCommand):
    """Make the demo account."""

    help = "Make the demo account with the Levy of Calvessa; --reset puts its armies and shelf back as they were."

    def add_arguments(self, parser):
        """--reset."""
        parser.add_argument("--reset", action="store_true")

    @transaction.atomic
    def handle(self, *args, reset=False, **options):
        """Make what is missing."""
        user, made = get_user_model().objects.get_or_create(
            is_demo=True, defaults={"username": NAME, "email": "demo@localhost.invalid"}
        )
        if made:
            user.set_unusable_password()
            user.save()
        if reset:
            Army.objects.visible_to(user).delete()
        if made or reset or not Army.objects.visible_to(user).exists():
            army = keep_design(user, camouflaged_levy(), "The Levy of Calvessa")
            _winter(army)
            sample_test(army)
            OwnedPaint.objects.filter(owner=user).delete()
            OwnedPaint.objects.keep(user, sample_shelf())


def _winter(army: Army) -> None:
    """A variant with the vehicles whitewashed; the work stays on the army as it was."""
    branch(army, army.head.number, "Winter")
    edit(army, army.head.number, whitewashed, "Whitewash over the vehicles")
    army.refresh_from_db()
    work_on(army, army.head.number, army.variants.exclude(name="Winter").get())
