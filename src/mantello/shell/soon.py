"""What a page needs and takes long: worked out beside the requests, while the page says so and looks again.

A worker of the task queue could not help: what is worked out lives in the memory of the process that shows it. So every
process has threads for it, two, so that a large army keeps no small one waiting. Whoever asks for a page while it is under way
is told to wait, and whoever asks for anything else (a picture, a fragment, a file) waits for it. A form whose answer needs it
is held on the page that waits and sent again: until something is changed it has done nothing, and from then on it waits for
what it asks for.
"""

import threading
from collections.abc import Callable, Hashable, Iterator
from concurrent.futures import Future, ThreadPoolExecutor, wait
from contextlib import contextmanager
from contextvars import ContextVar
from time import monotonic
from typing import TypeVar

from django.http import HttpRequest, HttpResponse
from django.shortcuts import render

from mantello.settings.options import OPTIONS
from mantello_core.memory import Memory

from .typed import typed_in

T = TypeVar("T")
#: seconds that a page waits, for all that it asks for, before it says so: what is ready sooner is shown at once
PATIENCE = 0.35
#: answers that are left here, the newest: whoever comes back for the page finds even one that is too large to be kept
_LEFT = 2
_AT_ONCE = 2
#: seconds after which a page that waits is asked for again, or its form sent again
_AGAIN = 1
_PLAIN_FORM = "application/x-www-form-urlencoded"
#: seconds that are left of it; None where no page that waits can be shown
_patience: ContextVar[float | None] = ContextVar("patience", default=None)
_lock = threading.Lock()
_under_way: dict[Hashable, Future] = {}
_threads: list[ThreadPoolExecutor] = []


class BeingWorkedOut(Exception):
    """It is being worked out; a page that waits is shown instead."""


def worked_out(holder: object, name: str, work: Callable[[], T], *, little: bool = False) -> T:
    """What ``work`` gives for a kept property of an object: at once where nobody looks at a page or it is little, else from beside
    the request.

    Raises: BeingWorkedOut while a page is asked for that can wait for it; whatever ``work`` raised.
    """
    kept = vars(holder)
    if little or _patience.get() is None:
        return kept.setdefault(name, work())

    key = id(holder), name

    def keep() -> None:
        if name not in kept:
            kept.setdefault(name, work())  # the first one stays: what follows from it is known by it
        with _lock:
            _under_way.pop(key, None)

    beside(key, keep)
    return kept[name]


def beside(key: Hashable, work: Callable[[], T], *, little: bool = False) -> T:
    """What ``work`` gives, and may keep where whoever asks next looks first: at once where nobody looks at a page or it is little,
    else from beside the request, once for all who ask by that key meanwhile.

    Raises: BeingWorkedOut while a page is asked for that can wait for it; whatever ``work`` raised.
    """
    left = _patience.get()
    if little or left is None:
        return work()

    with _lock:
        running = _under_way.get(key)
        if running is None:
            if not _threads:
                _threads.append(ThreadPoolExecutor(max_workers=_AT_ONCE, thread_name_prefix="soon"))
            for old in [one for one, other in _under_way.items() if other.done()][:-_LEFT]:
                del _under_way[old]
            running = _under_way[key] = _threads[0].submit(work)
    since = monotonic()
    wait([running], left)
    _patience.set(max(0.0, left - (monotonic() - since)))
    if not running.done():
        raise BeingWorkedOut
    if running.exception():
        with _lock:  # whoever asks is told, and the next one tries again
            _under_way.pop(key, None)
    return running.result()


def kept_beside(
    memory: Memory, key: Hashable, work: Callable[[], T], size: Callable[[T], int], *, little: bool = False
) -> T:
    """What a store keeps under a key, or else what ``work`` gives, kept there: as ``beside`` gives it. size: its bytes.

    Raises: as ``beside``.
    """

    def keep() -> T:
        made = work()
        return memory.put(key, made, size(made))

    return memory.get(key) or beside((memory.name, key), keep, little=little)


@contextmanager
def to_the_end() -> Iterator[None]:
    """What is begun in it is not broken off, nor is the rest of the request: it changes something, and what it then asks for would
    be new each time it is sent. A change that is refused changes nothing: the page that tells so may wait like any other."""
    before = _patience.get()
    _patience.set(None)
    try:
        yield
    except BaseException:
        _patience.set(before)
        raise


def is_held(answer: HttpResponse) -> bool:
    """Whether an answer is a page that waits, with nothing done yet."""
    return answer.status_code == 202 and "Retry-After" in answer.headers


class Soon:
    """Pages that wait for what is worked out beside them. Tests are answered at once, unless they ask for this."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request):
        mark = _patience.set(PATIENCE if OPTIONS.mode != "test" and _takes_pages(request) else None)
        try:
            return self.get_response(request)
        finally:
            _patience.reset(mark)

    def process_exception(self, request, exception):
        """A page that looks again by itself, or sends its form again; nothing for anything else."""
        if not isinstance(exception, BeingWorkedOut):
            return None
        typed = typed_in(request) if request.method == "POST" else None
        answer = render(request, "shell/soon.html", {"title": "One moment", "typed": typed}, status=202)
        answer.headers["Cache-Control"] = "no-store"
        answer.headers["Retry-After"] = str(_AGAIN)
        return answer


def _takes_pages(request: HttpRequest) -> bool:
    """Whether a page can be shown in answer: not for a file, whose address has an ending, nor where files come, which a page
    cannot hold."""
    if "text/html" not in request.headers.get("Accept", "") or "." in request.path.rpartition("/")[2]:
        return False
    return request.method == "GET" or (request.method == "POST" and request.content_type == _PLAIN_FORM)


def ended(request):
    """What a waiting page asks for: to be drawn anew. It tells nothing of anyone."""
    return render(request, "shell/soon_ended.html")
