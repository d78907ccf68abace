"""The visitor's time zone, told by the browser in a cookie."""

from functools import cache
from zoneinfo import ZoneInfo, available_timezones

from django.utils import timezone

COOKIE = "mantello-zone"


@cache
def _known() -> frozenset[str]:
    return frozenset(available_timezones())


class VisitorZone:
    """Show times in the zone of the visitor's browser, or in the server's until it is known."""

    def __init__(self, get_response):
        self.get_response = get_response

    def __call__(self, request):
        name = request.COOKIES.get(COOKIE, "")
        if name in _known():
            timezone.activate(ZoneInfo(name))
        else:
            timezone.deactivate()
        return self.get_response(request)
