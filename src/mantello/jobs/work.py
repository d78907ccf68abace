"""A job done: it tells after every step how far it is, is heard of all the while, and ends when it is stopped."""

import threading
from contextlib import contextmanager

from django.db import connection
from django.utils import timezone

from mantello_core.errors import MantelloError

from .kinds import kind_of
from .models import Job

#: seconds between two beats
_BEAT = 20.0


def carry_out(job: Job) -> None:
    """Do a job that waits, unless it was stopped before its turn came, at the time of day of whoever asked for it; what goes wrong is
    told and raised."""
    going_on = Job.objects.going_on().filter(pk=job.pk)
    if not going_on.filter(state=Job.State.WAITING).update(state=Job.State.RUNNING, heartbeat=timezone.now()):
        return
    try:
        with _beating(job), timezone.override(job.zone or None):
            steps = kind_of(job.kind).work(job)
            for step in steps:
                told = {"reached": step.reached, "of": step.of, "heartbeat": timezone.now()}
                if not going_on.update(**told, **({} if step.result is None else {"result": step.result})):
                    steps.close()
                    return
    except Exception as error:
        fault = error.message if isinstance(error, MantelloError) else "Something went wrong with it on our side."
        going_on.update(state=Job.State.FAILED, fault=fault[:300])
        raise
    going_on.update(state=Job.State.DONE, heartbeat=timezone.now())


@contextmanager
def _beating(job: Job):
    """Let the job be heard of while one step takes long; not inside a transaction, which nobody else could see into."""
    if connection.in_atomic_block:
        yield
        return
    ended = threading.Event()

    def beat():
        try:
            while not ended.wait(_BEAT):
                Job.objects.filter(pk=job.pk).update(heartbeat=timezone.now())
        finally:
            connection.close()

    thread = threading.Thread(target=beat, daemon=True)
    thread.start()
    try:
        yield
    finally:
        ended.set()
        thread.join()
