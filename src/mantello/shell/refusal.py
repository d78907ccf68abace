"""Refusals as pages: what came, what is allowed, what is safe, and one thing to do."""

import errno
import sys
from collections.abc import Iterator

from django.db import DataError, InterfaceError, OperationalError
from django.http import HttpResponse
from django.middleware.csrf import get_token
from django.shortcuts import render
from django.template.loader import render_to_string
from psycopg.errors import DiskFull
from psycopg_pool import PoolTimeout

from mantello_core.errors import MantelloError, Unreadable

from .typed import typed_in

#: what came is no text or number that the database holds, and no field of ours told so before
_NOT_TO_BE_KEPT = (
    "Something that came cannot be kept: a character that no text may hold, such as a null, or a number far too large."
    " Leave it out and send the rest again."
)
#: fields a repeated form must not carry over
_OWN = ("base", "token")


class StaleEdit(Exception):
    """An edit made on a page that is older than the work."""

    def __init__(self, army, base: int, since: list[str]):
        super().__init__("The page is older than the work.")
        self.army, self.base, self.since = army, base, since


class NotOwner(Exception):
    """A guest asked for what only the owner of an army does."""

    def __init__(self, army, said: str):
        super().__init__(said)
        self.army, self.said = army, said


class Refusals:
    """Turn refusals that a view lets through into pages that keep what was typed, and an address that only takes forms, which
    is what a refused form leaves in the address bar, into one that leads on."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request):
        answer = self.get_response(request)
        if answer.status_code != 405:
            return answer
        page = render(request, "shell/not_taken.html", status=405)
        page.headers["Allow"] = answer.headers["Allow"]
        return page

    def process_exception(self, request, exception):
        """A page for a stale edit (409), for what is the owner's to do (403), or a refusal of the core or of the database (422);
        nothing else."""
        if isinstance(exception, DataError):
            exception = Unreadable(_NOT_TO_BE_KEPT)
        if isinstance(exception, StaleEdit):
            return render(request, "shell/stale.html", {"stale": exception, "typed": _typed(request)}, status=409)
        if isinstance(exception, NotOwner):
            return render(
                request, "shell/not_owner.html", {"said": exception.said, "not_ours": exception.army}, status=403
            )
        if isinstance(exception, MantelloError):
            return render(request, "shell/refused.html", {"refusal": exception, "typed": _typed(request)}, status=422)
        return None


def _typed(request) -> list[tuple[str, str]]:
    return [(name, value) for name, value in typed_in(request) if name not in _OWN]


def not_found(request, exception=None):
    """No such page, or not yours."""
    return render(request, "shell/not_found.html", status=404)


def forbidden(request, exception=None):
    """Not allowed."""
    return render(request, "shell/forbidden.html", status=403)


def broken(request):
    """A fault of ours, or the database is away or has no room; rendered without anything that could fail again."""
    came_of = list(_chain(sys.exc_info()[1]))
    full = any(map(_is_full, came_of))
    if full or any(isinstance(error, (OperationalError, InterfaceError, PoolTimeout)) for error in came_of):
        return away(request, full=full)
    return HttpResponse(render_to_string("shell/broken.html"), status=500)


def away(request, *, full: bool = False):
    """The database cannot be reached, or what is kept finds no room: a page that looks again by itself, or sends again what was
    typed."""
    context = {
        "typed": typed_in(request) if request.method == "POST" else [],
        "sent": request.method == "POST",
        "full": full,
        "path": request.get_full_path(),
        "csrf": get_token(request),
    }
    answer = HttpResponse(render_to_string("shell/away.html", context), status=503)
    answer.headers["Retry-After"] = "5"
    if request.method != "POST":
        answer.headers["Refresh"] = "5"
    answer.headers["Cache-Control"] = "no-store"
    return answer


def _chain(error: BaseException | None) -> Iterator[BaseException]:
    """An error and those it came from."""
    while error is not None:
        yield error
        error = error.__cause__ or error.__context__


def _is_full(error: BaseException) -> bool:
    """Whether it tells that a disk has no room, here or the database's."""
    return isinstance(error, DiskFull) or (isinstance(error, OSError) and error.errno in (errno.ENOSPC, errno.EDQUOT))


def unproved(request, reason=""):
    """A form without its token: the page was open too long, or the browser sent no cookie."""
    return render(
        request,
        "shell/forbidden.html",
        {"typed": _typed(request)},
        status=403,
    )


def unreadable(request, exception=None):
    """A request that cannot be read, or for a name that is not ours; rendered without anything of the request."""
    return HttpResponse(render_to_string("shell/unreadable.html"), status=400)
