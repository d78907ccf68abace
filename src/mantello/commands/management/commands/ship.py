"""Work out anew what ships with the core because it depends on nothing but what ships."""

import json
from pathlib import Path

from django.core.management.base import BaseCommand

import mantello_core
from mantello_core.figures import sampling
from mantello_core.mixing import starting
from mantello_core.proposals import on_grounds

_CORE = Path(mantello_core.__file__).parent
_TABLES = {
    "figures/data/sample.json": sampling.usual_mapping,
    "mixing/data/starts.json": starting.worked_out_table,
    "proposals/data/on_grounds.json": on_grounds.worked_out_table,
}


class Command(BaseCommand):
    """To be run after a change of ranges, methods or the film model; a test tells when it was forgotten."""

    help = __doc__

    def handle(self, *args, **options):
        """Write every table, a line a paint."""
        for name, worked_out in _TABLES.items():
            text = json.dumps(worked_out()).replace("}, ", "},\n").replace("]], ", "]],\n")
            (_CORE / name).write_text(text + "\n", encoding="utf-8")
            self.stdout.write(f"{name}: {len(text) // 1000} kB")
