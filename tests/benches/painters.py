"""Painters for a bench: 'python -m tests.benches.painters N' migrates and prints a session and an army for each."""

import os
import sys

import django

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "mantello.settings")


def main(count: int) -> None:
    """Make them."""
    django.setup()
    from django.contrib.auth import BACKEND_SESSION_KEY, HASH_SESSION_KEY, SESSION_KEY, get_user_model
    from django.contrib.sessions.backends.db import SessionStore
    from django.core.management import call_command

    from mantello.commands.management.commands.prepare import collect
    from mantello.trials.trial import waive
    from mantello.workspace.editing import keep_design
    from mantello.workspace.readings import reading_of
    from mantello_core.formats.sample import calvessa

    call_command("migrate", verbosity=0)
    collect()
    for number in range(count):
        user = get_user_model().objects.create(username=f"painter{number}", email=f"p{number}@example.test")
        user.set_unusable_password()
        user.save()
        army = keep_design(user, calvessa(), "Imported")
        reading = reading_of(army.head)
        waive(army, reading, sorted(reading.shares))
        session = SessionStore()
        session[SESSION_KEY], session[BACKEND_SESSION_KEY] = str(user.pk), "django.contrib.auth.backends.ModelBackend"
        session[HASH_SESSION_KEY] = user.get_session_auth_hash()
        session.create()
        print(session.session_key, army.pk)


if __name__ == "__main__":
    main(int(sys.argv[1]))
