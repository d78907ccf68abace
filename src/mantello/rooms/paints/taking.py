"""Paints of a file taken in by a worker: each is estimated once, when it comes, and what is no paint is told."""

import hashlib
import json
from collections.abc import Iterator
from dataclasses import asdict

from django.urls import reverse

from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.jobs.queue import asked_for
from mantello.shelf.models import OwnedPaint, OwnPaint
from mantello_core.formats.document.own_paints import read_said, write_own_paint
from mantello_core.formats.shelf_document import ShelfRead
from mantello_core.paints.stock import Stock

TAKING = "paints-taken"
#: paints between two steps
_EACH = 8


def paints_to_take(user, army, read: ShelfRead) -> Job:
    """The job that takes what a file says of a shelf."""
    asked = {
        "own": [write_own_paint(one) for one in read.said],
        "shelf": {id_: asdict(stock) for id_, stock in read.shelf.items()},
        "told": [[one.number, one.text, one.words] for one in read.told],
    }
    key = hashlib.sha256(json.dumps(asked, sort_keys=True).encode()).hexdigest()
    return asked_for(user, TAKING, key, army, address=reverse("paints", args=[army.pk]), **asked)


def paints_taken(job: Job) -> Iterator[Step]:
    """Keep own paints one after another, and what is owned of each."""
    own, shelf = job.asked["own"], {id_: Stock(**one) for id_, one in job.asked["shelf"].items()}
    came = {one["id"] for one in own}
    yield Step(0, len(own) or 1)
    OwnedPaint.objects.keep(job.owner, {id_: stock for id_, stock in shelf.items() if id_ not in came})
    for begin in range(0, len(own), _EACH):
        some = [OwnPaint.objects.add(job.owner, read_said(one)) for one in own[begin : begin + _EACH]]
        OwnedPaint.objects.keep(job.owner, {pot.id: shelf[pot.id] for pot in some if pot.id in shelf})
        yield Step(begin + len(some), len(own))
    yield Step(len(own) or 1, len(own) or 1, {"paints": len(shelf), "own": len(own)})
