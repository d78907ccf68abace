"""The look of the pages: paper by day, lamp in a dark room, or as the visitor's system wishes."""

from django.shortcuts import redirect
from django.views.decorators.http import require_POST

from .page import way_back

COOKIE = "mantello-look"
#: looks that can be chosen; none is as the system wishes
LOOKS = ("paper", "lamp")
_YEAR = 365 * 86400


def look(request) -> dict:
    """The look that was chosen, for every page; '' for none."""
    chosen = request.COOKIES.get(COOKIE, "")
    return {"page_look": chosen if chosen in LOOKS else ""}


@require_POST
def set_look(request):
    """Choose a look, or leave it to the system; a visitor without scripts comes back to where they were."""
    answer = redirect(way_back(request) or "armies")
    chosen = request.POST.get("look", "")
    if chosen in LOOKS:
        answer.set_cookie(COOKIE, chosen, max_age=_YEAR, samesite="Lax")
    else:
        answer.delete_cookie(COOKIE)
    return answer
