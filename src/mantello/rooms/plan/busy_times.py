"""Busy times read from a calendar file by a worker, in a process of its own that is given a time.

A rule that is never met keeps whoever counts out its repeats at it to the end of the calendar, six to sixteen seconds each, and a
file may hold thousands.
"""

import json
import os
import subprocess
import sys
import uuid
from collections.abc import Iterator
from dataclasses import replace
from datetime import date
from pathlib import Path

from django import forms
from django.urls import reverse

import mantello_core
from mantello.jobs.files import file_that_came, file_to_read
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.shell.refusal import StaleEdit
from mantello.workspace.editing import edit
from mantello.workspace.models import Army
from mantello_core.calendar.evenings import checked_evenings
from mantello_core.design.design import Design
from mantello_core.errors import OutOfRange, Unreadable
from mantello_core.formats.calendar_file import MOST_BYTES

BUSY = "plan.busy"
#: seconds that a file may take to be counted out
PATIENCE = 20.0
#: edits of others that a reading waits for
_TRIES = 5


class BusyForm(forms.Form):
    """A calendar file."""

    file = forms.FileField(
        label="Calendar file (.ics)",
        widget=forms.FileInput(attrs={"accept": ".ics,text/calendar"}),
        error_messages={"required": "Choose a calendar file (.ics) first.", "empty": "The file is empty."},
    )

    def clean_file(self) -> str:
        """The text of the file."""
        file = self.cleaned_data["file"]
        if file.size > MOST_BYTES:
            raise forms.ValidationError(f"The file has {file.size} bytes; allowed are {MOST_BYTES}.")
        try:
            text = file.read().decode("utf-8-sig")
        except UnicodeDecodeError as error:
            raise forms.ValidationError("The file is not UTF-8 text, as calendar files are.") from error
        if not text.lstrip().upper().startswith("BEGIN:VCALENDAR"):
            raise forms.ValidationError("This is no iCalendar file; it begins with BEGIN:VCALENDAR.")
        return text


def busy_to_read(user, army: Army, text: str, first: date, last: date) -> Job:
    """The job that reads a calendar's busy times between two days and cuts them out of the army's sessions."""
    return file_to_read(
        user, army, BUSY, reverse("calendar", args=[army.pk]), text.encode(), first=first.isoformat(), last=last.isoformat()
    )  # fmt: skip


def busy_read(job: Job) -> Iterator[Step]:
    """Read the file, then change the evenings of the army as it stands by then."""
    yield Step(0, 1)
    asked = job.asked
    text = file_that_came(job).decode()
    found = _counted_out({"calendar": text, "zone": job.army.zone, "first": asked["first"], "last": asked["last"]})

    def with_busy(design: Design) -> Design:
        return replace(design, evenings=checked_evenings(replace(design.evenings, busy=found)))

    words = f"{len(found)} busy time{'s' * (len(found) != 1)} read"
    for left in reversed(range(_TRIES)):
        army = Army.objects.with_head().get(pk=job.army_id)
        try:
            edit(army, army.head.number, with_busy, words, uuid.UUID(job.key))
            break
        except StaleEdit:
            if not left:
                raise
    yield Step(1, 1, {"read": len(found)})


def _counted_out(asked: dict) -> tuple[tuple[str, str], ...]:
    """What the core's verb answers in its own process.

    Raises: what it refuses; OutOfRange if it takes too long.
    """
    place = os.environ | {"PYTHONPATH": str(Path(mantello_core.__file__).parents[1])}
    try:
        done = subprocess.run(
            [sys.executable, "-m", "mantello_core", "busy"], input=json.dumps(asked).encode(), capture_output=True, timeout=PATIENCE,
            env=place, check=False,
        )  # fmt: skip
    except subprocess.TimeoutExpired as error:
        raise OutOfRange(
            "Its repeats take too long to count out: there is one that comes by the minute, or never. Leave it out.",
            "file",
        ) from error
    answer = json.loads(done.stdout)
    if "error" in answer:
        raise Unreadable(answer["error"]["message"], "file")
    return tuple((start, end) for start, end in answer["busy"])
