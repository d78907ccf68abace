"""Names that sign in, made so that none can be taken."""

import re
import secrets

from django.contrib.auth import get_user_model

#: numbers that can follow a name; every account has one, so a number tells nothing of others
_LOWEST, _COUNT = 1000, 9000
#: tries with four figures before more are taken
_TRIES = 20


def free_name(called: str) -> str:
    """A name to sign in by that no account has: what the painter is called, and a number."""
    stem = re.sub(r"[^\w.+-]+", "-", called.strip().casefold()).strip("-.")[:60] or "painter"
    accounts = get_user_model().objects
    for attempt in range(1, 1000):
        number = _LOWEST + secrets.randbelow(_COUNT if attempt <= _TRIES else _COUNT * attempt**2)
        if not accounts.filter(username=f"{stem}-{number}").exists():
            break
    return f"{stem}-{number}"
