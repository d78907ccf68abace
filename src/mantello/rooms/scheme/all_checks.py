"""Every check of an army: those that are made on every change, and that of camouflage once a worker has measured it."""

from collections.abc import Iterable

from django.urls import reverse

from mantello.jobs.models import Job
from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello_core.checks.card import Card, cards_of
from mantello_core.checks.finding import Check

from .camouflage_checks import asked_checks, check_of


def measures_of(army: Army, reading: Reading, *, again: bool = False) -> Job | None:
    """The job that measures the army's camouflage; None where there is none."""
    return asked_checks(army, reading, reverse("checks", args=[army.pk]), again=again)


def all_checks(reading: Reading, measures: Job | None) -> tuple[Check, ...]:
    """The checks there are, that of camouflage among them where it is measured; worst first."""
    camouflage = check_of(reading, measures)
    if camouflage is None:
        return tuple(reading.ranked_checks)
    return tuple(
        sorted((*reading.checks, camouflage), key=lambda check: ("wrong", "look", "clear").index(check.verdict))
    )


def check_named(army: Army, reading: Reading, check: str) -> Check | None:
    """A check by its id; None where there is none of it."""
    measures = measures_of(army, reading) if check == "camouflage" else None
    return next((one for one in all_checks(reading, measures) if one.id == check), None)


def card_of(army: Army, reading: Reading, check: str, key: str) -> Card | None:
    """A card by its check and key; None where there is none of it."""
    found = check_named(army, reading, check)
    return card_in((found,), check, key) if found else None


def card_in(made: Iterable[Check], check: str, key: str) -> Card | None:
    """A card among checks, by its check and key."""
    return next((card for one in made if one.id == check for card in cards_of(one) if card.key == key), None)
