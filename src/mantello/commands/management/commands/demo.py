"""``manage demo``: the demo account, its army and its shelf; nothing is done when they are there."""

from django.contrib.auth import get_user_model
from django.core.management.base import BaseCommand
from django.db import transaction

from mantello.almanacs.models import Almanac, FoundList, KnownWord
from mantello.shelf.models import OwnedPaint
from mantello.trials.sample import sample_test
from mantello.workpieces.samples import sample_workpieces
from mantello.workspace.editing import branch, edit, keep_design, work_on
from mantello.workspace.models import Army
from mantello_core.formats.sample import demo_levy, dress_almanac, dressed, sample_list, sample_shelf, whitewashed

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
            army = keep_design(user, demo_levy(), "The Levy of Calvessa")
            _almanac(user)
            _variant(army, "Winter", whitewashed, "Whitewash over the vehicles")
            _variant(army, "Dress of 212", dressed, "The almanac's dress put on the fusiliers")
            sample_test(army)
            sample_workpieces(army)
            OwnedPaint.objects.filter(owner=user).delete()
            OwnedPaint.objects.keep(user, sample_shelf())


def _variant(army: Army, name: str, change, words: str) -> None:
    """A variant with a change of its own; the work stays on the army as it was."""
    branch(army, army.head.number, name)
    edit(army, army.head.number, change, words)
    army.refresh_from_db()
    work_on(army, army.head.number, army.variants.earliest("pk"))
    army.refresh_from_db()


def _almanac(user) -> None:
    """The invented almanac, and a list as it was found, with doubts left in it."""
    Almanac.objects.filter(owner=user).delete()
    FoundList.objects.filter(owner=user).delete()
    KnownWord.objects.filter(owner=user).delete()
    Almanac.objects.keep(user, dress_almanac())
    FoundList(owner=user, name="Facings copied in the reading room", data=sample_list()).read()
