"""Questions about an army whose answers take long: asked once, worked out by a worker, kept while nothing changes."""

import hashlib
import json

from .kinds import job_kind
from .models import Job
from .queue import answering, asked_for

#: answers of a kind that are kept for an army, the newest
MOST_KEPT = 4


def answer_kind(kind: str):
    """Decorate the work of a kind of job that answers a question: it leads to the page that asked, and is shown there."""
    return job_kind(kind, template="jobs/answer.html")


def answer_to(army, kind: str, told, address: str, *, again: bool = False, **asked) -> Job:
    """The job that answers a question: the one that did already, that does, or a new one.

    told: all that the answer follows from, JSON-ready; address: of the page that shows it; again: whether one that failed or
    was stopped is tried again; asked: what the kind is given.
    """
    key = hashlib.sha256(json.dumps(told, sort_keys=True).encode()).hexdigest()
    if known := answering(army.owner, kind, key, again=again):
        return known
    # what was asked of an older state is not waited for any more
    mine = Job.objects.filter(army=army, kind=kind)
    mine.going_on().exclude(key=key).delete()
    mine.keep_newest(MOST_KEPT - 1)
    return asked_for(army.owner, kind, key, army, address=address, **asked)
