"""Files that workers read: what came is kept with the job until it is read, and the page that sent it tells how that stands."""

import base64
import uuid
import zlib

from .models import Job
from .queue import asked_for

#: readings of an army that are remembered, of every kind
_REMEMBERED = 2


def file_to_read(user, army, kind: str, page: str, data: bytes, **asked) -> Job:
    """The job that reads a file for an army. page: address of the page that shows how it stands."""
    token = str(uuid.uuid4())
    Job.objects.filter(army=army, kind=kind).keep_newest(_REMEMBERED)
    kept = base64.b64encode(zlib.compress(data, 1)).decode()
    return asked_for(user, kind, token, army, address=f"{page}?read={token}", file=kept, **asked)


def reading_asked(request, army, kind: str) -> Job | None:
    """The reading that the address of a page names."""
    token = request.GET.get("read", "")[:40].replace("\0", "")
    return Job.objects.visible_to(request.user).filter(army=army, kind=kind, key=token).first()


def file_that_came(job: Job) -> bytes:
    """The file of a job that reads one."""
    return zlib.decompress(base64.b64decode(job.asked["file"]))
