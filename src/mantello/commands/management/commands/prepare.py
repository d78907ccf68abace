"""Make ready to serve in one go: the database as this version wants it, static files collected, the demo there."""

import hashlib
import json

from django.contrib.staticfiles.finders import get_finders
from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.db import connection
from django.db.migrations.executor import MigrationExecutor
from django.db.migrations.loader import MigrationLoader

from mantello.settings import STATIC_ROOT
from mantello.settings.options import OPTIONS
from mantello.workspace.surfaces import worn_types
from mantello.workspace.tasks import surface

#: exit statuses where tables would have to change, and where a later version changed them
PENDING, AHEAD = 3, 4
_STAMP = STATIC_ROOT / "collected.stamp"


class Command(BaseCommand):
    """What './mantello start' does before it serves; nothing is done again that is done."""

    help = __doc__

    def add_arguments(self, parser):
        """--reset-demo, --no-demo, --stop-if-pending."""
        parser.add_argument(
            "--stop-if-pending", action="store_true", help="change no tables; exit with 3 if they have to"
        )
        parser.add_argument("--reset-demo", action="store_true")
        parser.add_argument("--no-demo", action="store_true")

    def handle(self, *args, **options):
        """Migrate, collect, and make what is missing of the demo."""
        executor = MigrationExecutor(connection)
        if ahead(executor.loader):
            raise SystemExit(AHEAD)
        if options["stop_if_pending"] and executor.migration_plan(executor.loader.graph.leaf_nodes()):
            raise SystemExit(PENDING)
        call_command("migrate", verbosity=0, interactive=False)
        collect()
        for type_id in worn_types():
            surface.defer(named=type_id)
        if not options["no_demo"]:
            call_command("demo", reset=options["reset_demo"])


def ahead(loader: MigrationLoader) -> tuple[tuple[str, str], ...]:
    """(application, migration) of what a later version did to the tables: it ran here, and this version does not have it.

    Earlier ones that are gone by now, since they were put together or moved, do not count.
    """
    last = {app: max(name for of, name in loader.disk_migrations if of == app) for app in loader.migrated_apps}
    unknown = loader.applied_migrations.keys() - loader.disk_migrations.keys()
    return tuple(sorted((app, name) for app, name in unknown if app in last and name > last[app]))


def collect() -> bool:
    """Collect static files, unless they are as they were when it was last done; whether it was done."""
    digest = _digest()
    if _STAMP.exists() and _STAMP.read_text() == digest:
        return False
    call_command("collectstatic", verbosity=0, interactive=False)
    _STAMP.write_text(digest)
    return True


def _digest() -> str:
    """What tells one set of static files from another: names, sizes and times."""
    found = []
    for finder in get_finders():
        for name, storage in finder.list(None):
            known = storage.path(name)
            found.append((name, storage.size(name), storage.get_modified_time(name).timestamp(), known))
    return hashlib.sha256(json.dumps([sorted(found), OPTIONS.mode]).encode()).hexdigest()
