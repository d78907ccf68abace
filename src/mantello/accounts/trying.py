"""Tries at names, passwords and letters, counted by name and by address, so that nobody goes through many."""

from collections.abc import Callable

from django_ratelimit.core import is_ratelimited

#: tries in a quarter of an hour: at one name, and from one address
BY_NAME, BY_ADDRESS = "10/15m", "60/15m"
#: letters to one address, and accounts made from one address of the net, in an hour
LETTERS, MADE = "5/h", "30/h"

#: what someone is told who tried too often
TOO_OFTEN = "That was tried too often. Wait a quarter of an hour, then try again; what you typed stays here."


def tried_too_often(request, group: str, name: str, by_name: str = BY_NAME, by_address: str = BY_ADDRESS) -> bool:
    """Count one try at a name from the visitor's address; whether it is one too many for either.

    group: what is tried; name: account or mail address, as typed.
    """

    def named(group: str, request) -> str:
        return name.strip().casefold()

    limits: tuple[tuple[str | Callable, str], ...] = ((named, by_name), ("ip", by_address))
    over = [is_ratelimited(request, group=group, key=key, rate=rate, increment=True) for key, rate in limits]
    return any(over)
