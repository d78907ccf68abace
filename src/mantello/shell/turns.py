"""Requests of one process take turns: one is done before the next begins.

Threads of one process share one interpreter. Twenty requests that work side by side each take twenty times as long; one after
the other, most are answered much sooner, and no time goes into changing between them. Who waits for a turn does not wait for
ever: a request that takes its time holds nobody up for long.
"""

import threading
from contextlib import suppress

from django.http import UnreadablePostError

#: requests that work at once, so that one works while another waits for the database
AT_ONCE = 1
#: seconds that a request waits for its turn; then it begins beside the others
PATIENCE = 6.0
#: methods with a body, which may come slowly
_WITH_BODY = frozenset({"POST", "PUT", "PATCH"})


class Turns:
    """A place to work for a few requests at once; bodies are read before."""

    def __init__(self, get_response):
        self.get_response = get_response
        self._places = threading.BoundedSemaphore(AT_ONCE)

    def __call__(self, request):
        if request.method in _WITH_BODY:
            with suppress(UnreadablePostError):  # told by who needs it
                request.POST  # noqa: B018 read now: a line that is slow must not hold a place
        mine = self._places.acquire(timeout=PATIENCE)
        try:
            return self.get_response(request)
        finally:
            if mine:
                self._places.release()
