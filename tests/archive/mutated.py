"""Archives and designs changed at random: each is refused in words, or becomes an army whose pages open."""

import copy
import json
import random
import uuid
from contextlib import suppress
from datetime import UTC, datetime

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.urls import reverse

from mantello.archive.views import archive_bytes
from mantello.jobs.models import Job
from mantello.jobs.work import carry_out
from mantello.workspace.models import Army
from mantello_core.errors import MantelloError
from mantello_core.formats.archive import read_archive, write_archive

_WHEN = datetime(2026, 11, 24, tzinfo=UTC)
#: pages that everything of an army is shown on
PAGES = (
    "army",
    "scheme",
    "table",
    "checks",
    "recipes",
    "paints",
    "plan",
    "desk",
    "log",
    "insignia",
    "undercoats",
    "metals",
    "lenses",
)
_STRANGE = (
    None, True, -1, 0, 1, 10**12, 10**400, 0.5, -1e300, "", "x", "\u202e<b>", "\x00", "a" * 5000, "9999-12-31T23:59:59+14:00", "0001-01-01",
    [], {}, [[]], ["x"], {"x": 1}, [1] * 50, "NaN", "../x", "\ud800",
)  # fmt: skip


class Mutator:
    """Makes changed copies of an archive; the same seed makes the same."""

    def __init__(self, archive: bytes, seed: int):
        self._chance, self._read = random.Random(seed), read_archive(archive)
        self._raw = archive

    def mutant(self) -> bytes:
        """One changed archive: a member's document in a place or two, a member's bytes, or the file's own."""
        way = self._chance.random()
        if way < 0.1:
            return self._bytes_changed(self._raw)
        files = dict(self._read.files)
        documents = [name for name in files if name.endswith(".json")]
        if way < 0.85:
            name = self._chance.choice([*documents, "log.json", "design.json"])
            document = json.loads(files[name])
            for _ in range(self._chance.choice((1, 1, 2))):
                document = self._changed(document)
            files[name] = json.dumps(document, ensure_ascii=self._chance.random() < 0.5).encode(
                "utf-8", "surrogatepass"
            )
        elif way < 0.93:
            name = self._chance.choice(list(files))
            files[name] = self._bytes_changed(files[name])
        else:
            name = self._chance.choice(list(files))
            content = files.pop(name)
            if self._chance.random() < 0.5:
                files[self._chance.choice(documents)] = content
        return write_archive(self._read.name, files, _WHEN)

    def design(self) -> bytes:
        """The design alone, in a place or two changed, or its bytes."""
        raw = self._read.files["design.json"]
        if self._chance.random() < 0.1:
            return self._bytes_changed(raw)
        document = json.loads(raw)
        for _ in range(self._chance.choice((1, 1, 2))):
            document = self._changed(document)
        return json.dumps(document, ensure_ascii=self._chance.random() < 0.5).encode("utf-8", "surrogatepass")

    def _bytes_changed(self, data: bytes) -> bytes:
        at = self._chance.randrange(max(1, len(data)))
        return data[:at] + bytes([self._chance.randrange(256)]) + data[at + self._chance.choice((0, 1, 40)) :]

    def _changed(self, document):
        """The document with one of its places changed."""
        document = copy.deepcopy(document)
        places = list(_places(document))
        if not places:
            return self._chance.choice(_STRANGE)
        holder, key = self._chance.choice(places)
        way = self._chance.random()
        if way < 0.15:
            del holder[key]
        elif way < 0.3 and isinstance(holder, list):
            holder.append(copy.deepcopy(holder[key]))
        elif way < 0.45:
            other, name = self._chance.choice(places)
            holder[key] = copy.deepcopy(other[name])
        elif way < 0.55 and isinstance(holder[key], (int, float)):
            holder[key] = holder[key] * self._chance.choice((-1, 0, 1000, 1e9)) + self._chance.choice((0, 1, -1, 0.5))
        else:
            holder[key] = self._chance.choice(_STRANGE)
        return document


def _places(document):
    if isinstance(document, (dict, list)):
        for key, one in document.items() if isinstance(document, dict) else enumerate(document):
            yield document, key
            yield from _places(one)


def tried(browser: Client, data: bytes, page: str = "archives", name: str = "a.zip") -> str:
    """What became of an archive, or of a design: 'refused', or 'let in' with all its pages open; an army that was let in
    goes again.

    page: that takes it. Raises: AssertionError for anything else.
    """
    before = set(Army.objects.values_list("pk", flat=True))
    answer = browser.post(reverse(page), {"file": SimpleUploadedFile(name, data), "token": str(uuid.uuid4())})
    if answer.status_code == 422:
        assert set(Army.objects.values_list("pk", flat=True)) == before, "refused, and half of it is there"
        assert b"field-error" in answer.content, "refused without a word"
        return "refused"
    assert answer.status_code == 302, answer.status_code
    if page == "archives":
        for job in Job.objects.going_on():
            with suppress(MantelloError):
                carry_out(job)
        told = browser.get(answer.url)
        assert told.status_code == 200, told.status_code
        if job_failed := Job.objects.filter(state=Job.State.FAILED).first():
            assert set(Army.objects.values_list("pk", flat=True)) == before, "refused, and half of it is there"
            assert b"field-error" in told.content and job_failed.fault, "refused without a word"
            job_failed.delete()
            return "refused"
    (made,) = set(Army.objects.values_list("pk", flat=True)) - before
    for page in PAGES:
        status = browser.get(reverse(page, args=[made])).status_code
        assert status in (200, 302), f"{page}: {status}"
    archive_bytes(Army.objects.with_head().get(pk=made), {})
    Army.objects.get(pk=made).delete()
    return "let in"
