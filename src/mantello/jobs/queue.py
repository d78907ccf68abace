"""Jobs asked for and stopped."""

from django.db import IntegrityError, transaction
from django.utils import timezone

from .models import Job


def asked_for(owner, kind: str, key: str, army=None, **asked) -> Job:
    """The job of that kind and key that goes on, or else a new one put in the queue: never two at once."""
    from .tasks import carry_out

    Job.objects.sweep()
    going_on = Job.objects.going_on().filter(owner=owner, kind=kind, key=key)
    known = going_on.first()
    if known:
        return known
    try:
        with transaction.atomic():
            zone = timezone.get_current_timezone_name()
            made = Job.objects.create(owner=owner, army=army, kind=kind, key=key, asked=asked, zone=zone)
            carry_out.defer(job_id=made.pk)
    except IntegrityError:
        # another request asked for it in the same moment
        return going_on.get()
    return made


def last_job(owner, kind: str, key: str) -> Job | None:
    """The newest job of a kind and key."""
    return Job.objects.filter(owner=owner, kind=kind, key=key).first()


def answering(owner, kind: str, key: str, *, again: bool = False) -> Job | None:
    """The newest job of a kind and key, if it did, does, or is not to be tried again. again: whether one that failed or was stopped
    is."""
    known = last_job(owner, kind, key)
    return known if known and (known.on or known.state == Job.State.DONE or not again) else None


def stop(job: Job) -> bool:
    """Stop a job; what came of it so far stays. Whether it still went on."""
    return bool(Job.objects.going_on().filter(pk=job.pk).update(state=Job.State.STOPPED))
