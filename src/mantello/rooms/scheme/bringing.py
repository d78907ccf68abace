"""Almanacs brought in from files: a short one is read at once, a long one by a worker."""

from collections.abc import Iterator

from django import forms
from django.urls import reverse

from mantello.almanacs.models import Almanac
from mantello.jobs.files import file_that_came, file_to_read, reading_asked
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello_core.formats.almanac_document import MOST_BYTES, read_almanac_bytes

#: kind of job that reads a long almanac
BROUGHT = "scheme.almanac"
#: bytes of an almanac that is read at once, some 400 facts; a longer one is read by a worker
_SHORT = 150_000


class BringForm(forms.Form):
    """An almanac from a file."""

    file = forms.FileField(label="An almanac (.json)", max_length=200)

    def clean_file(self) -> bytes:
        """What is in the file."""
        file = self.cleaned_data["file"]
        if file.size > MOST_BYTES:
            raise forms.ValidationError(f"The file has {file.size} bytes; allowed is up to {MOST_BYTES}.")
        return file.read()


def brought(user, army, data: bytes, page: str) -> str:
    """Read an almanac, or let a worker read it; the address where it is to be seen. page: the one it was sent from.

    Raises: what ``read_almanac_bytes`` and keeping it refuse.
    """
    if len(data) > _SHORT:
        return file_to_read(user, army, BROUGHT, page, data).asked["address"]
    return address_of(army, Almanac.objects.keep(user, read_almanac_bytes(data)).pk)


def address_of(army, almanac: int) -> str:
    """The address of an almanac."""
    return f"{reverse('almanac', args=[army.pk])}?almanac={almanac}"


def bringing(request, army) -> tuple[Job | None, str]:
    """The reading of an almanac that the address of a page names, and where the almanac is to be seen once it is kept; '' till then,
    and when it is gone again."""
    job = reading_asked(request, army, BROUGHT)
    made = job.result.get("almanac") if job and job.state == Job.State.DONE and job.result else None
    there = made and Almanac.objects.visible_to(request.user).filter(pk=made).exists()
    return job, address_of(army, made) if there else ""


def almanac_brought(job: Job) -> Iterator[Step]:
    """Read an almanac and keep it, unless it was stopped meanwhile."""
    yield Step(0, 2)
    said = read_almanac_bytes(file_that_came(job))
    yield Step(1, 2)
    yield Step(2, 2, {"almanac": Almanac.objects.keep(job.owner, said).pk})
