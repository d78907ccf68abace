"""Archives read by a worker: taken in as an army, or two compared."""

from collections.abc import Iterator, Sequence
from contextlib import contextmanager

from django.core.exceptions import ValidationError
from django.db import DataError, IntegrityError, transaction
from django.urls import reverse

from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.jobs.queue import answering, asked_for
from mantello.workspace.editing import keep_design
from mantello.workspace.models import Army
from mantello_core.errors import MantelloError, Unreadable
from mantello_core.formats.archive import Archive, read_archive
from mantello_core.formats.archive_difference import archive_difference
from mantello_core.formats.document.design import read_design_bytes

from .models import GivenArchive
from .part import Taking, parts

TAKE, COMPARE = "archive.take", "archive.compare"
#: outcomes of a kind that are kept for a painter, the newest
_MOST_TOLD = 8


def to_be_read(owner, kind: str, given: Sequence[GivenArchive], *, again: bool = False) -> Job:
    """The job that reads files that were given. kind: TAKE for one file, COMPARE for an older and a newer; again: whether one
    that failed or was stopped is tried again."""
    numbers = [one.pk for one in given]
    key = "-".join(map(str, numbers))
    if known := answering(owner, kind, key, again=again):
        return known
    names = [one.name for one in given]
    Job.objects.filter(owner=owner, kind=kind).keep_newest(_MOST_TOLD - 1)
    return asked_for(owner, kind, key, address=f"{reverse('archives')}?read={key}", given=numbers, names=names)


def read_again(job: Job) -> Job:
    """The job that reads the same files anew; that one itself where it needs no other, or they are not kept."""
    given = _files(job) if not job.on and not job.result else []
    return to_be_read(job.owner, job.kind, given, again=True) if given else job


def still_kept(job: Job) -> dict:
    """Whether the files of a job are kept, so that it can be tried again, as its template asks."""
    return {"kept": bool(_files(job))}


def _files(job: Job) -> list[GivenArchive]:
    """The files of a job, in the order in which they were named; none where one is not kept any more."""
    found = GivenArchive.objects.filter(owner=job.owner).in_bulk(job.asked["given"])
    return [found[number] for number in job.asked["given"]] if len(found) == len(job.asked["given"]) else []


def archive_taken(job: Job) -> Iterator[Step]:
    """Take an archive in: all of it and what is told of it at one stroke, or nothing."""
    with _given(job) as (given,):
        yield Step(0, 3)
        archive = read_archive(given.data)
        yield Step(1, 3)
        with transaction.atomic():
            army, told = taken_in(job.owner, archive)
            given.delete()
            result = {"army": army.pk, "name": army.name, "entries": army.entries.count(), "told": told}
            if not Job.objects.going_on().filter(pk=job.pk).update(result=result):
                transaction.set_rollback(True)  # it was stopped meanwhile
    yield Step(3, 3)


def archives_compared(job: Job) -> Iterator[Step]:
    """Tell what is different between two archives, grouped by where."""
    read: list[Archive] = []
    with _given(job) as given:
        for at, (one, which) in enumerate(zip(given, ("older", "newer"), strict=True)):
            yield Step(at, 3)
            try:
                read.append(read_archive(one.data))
            except MantelloError as error:
                raise Unreadable(f"The {which} one, {one.name}: {error.message}", "file") from error
        yield Step(2, 3)
        found = archive_difference(*read)
    grouped: dict[str, list[str]] = {}
    for where, what in found:
        grouped.setdefault(where, []).append(what)
    one, two = read
    sides = {"name": one.name, "from": str(one.made_at), "other": two.name, "to": str(two.made_at)}
    yield Step(3, 3, sides | {"count": len(found), "groups": list(grouped.items())})
    for archive in given:
        archive.delete()


@contextmanager
def _given(job: Job) -> Iterator[list[GivenArchive]]:
    """The files of a job; when they are refused they are not kept.

    Raises: Unreadable where one is not kept any more.
    """
    given = _files(job)
    if not given:
        raise Unreadable("The file is not kept any more: it was read, or newer ones came. Choose it again.", "file")
    try:
        yield given
    except MantelloError:
        for one in given:
            one.delete()
        raise


def taken_in(owner, archive: Archive) -> tuple[Army, list[str]]:
    """An army as the archive has it, and what the painter should know of it.

    Raises: Unreadable, OutOfRange and the like for what is in it.
    """
    if "design.json" not in archive.files:
        raise Unreadable("The archive has no design.json.", "file")
    head = read_design_bytes(archive.files["design.json"])
    try:
        with transaction.atomic():
            army = keep_design(owner, head, "Taken in from an archive")
            taking = Taking(archive, army, [head])
            for part in parts():
                part.read(taking)
    except (DataError, IntegrityError) as error:
        raise Unreadable(
            "The archive holds something that cannot be kept, or twice what comes once.", "file"
        ) from error
    except ValidationError as error:  # a photograph
        raise Unreadable(error.message, "file") from error
    return army, taking.told
