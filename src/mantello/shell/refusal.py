"""Refusals as pages: what came, what is allowed, what is safe, and one thing to do."""

from django.http import HttpResponse
from django.shortcuts import render
from django.template.loader import render_to_string

from mantello_core.errors import MantelloError

#: fields a repeated form must not carry over
_OWN = ("csrfmiddlewaretoken", "base", "token")


class StaleEdit(Exception):
    """An edit made on a page that is older than the work."""

    def __init__(self, army, base: int, since: list[str]):
        super().__init__("The page is older than the work.")
        self.army, self.base, self.since = army, base, since


class Refusals:
    """Turn refusals that a view lets through into pages that keep what was typed."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request):
        return self.get_response(request)

    def process_exception(self, request, exception):
        """A page for a stale edit (409) or a refusal of the core (422); nothing else."""
        if isinstance(exception, StaleEdit):
            return render(request, "shell/stale.html", {"stale": exception, "typed": _typed(request)}, status=409)
        if isinstance(exception, MantelloError):
            return render(request, "shell/refused.html", {"refusal": exception, "typed": _typed(request)}, status=422)
        return None


def _typed(request) -> list[tuple[str, str]]:
    return [(name, value) for name, values in request.POST.lists() if name not in _OWN for value in values]


def not_found(request, exception=None):
    """No such page, or not yours."""
    return render(request, "shell/not_found.html", status=404)


def forbidden(request, exception=None):
    """Not allowed."""
    return render(request, "shell/forbidden.html", status=403)


def broken(request):
    """A fault of ours; rendered without anything that could fail again."""
    return HttpResponse(render_to_string("shell/broken.html"), status=500)


def unproved(request, reason=""):
    """A form without its token: the page was open too long, or the browser sent no cookie."""
    return render(
        request,
        "shell/forbidden.html",
        {"typed": [(name, value) for name, value in _typed(request) if "password" not in name]},
        status=403,
    )


def unreadable(request, exception=None):
    """A request that cannot be read, or for a name that is not ours; rendered without anything of the request."""
    return HttpResponse(render_to_string("shell/unreadable.html"), status=400)
