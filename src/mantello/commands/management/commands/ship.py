"""Work out anew what ships with the core because it depends on nothing but what ships."""

import json
from functools import partial
from pathlib import Path

from django.core.management.base import BaseCommand

import mantello
import mantello_core
from mantello.workspace.reading import Reading
from mantello_core.data_table import kept_form
from mantello_core.figures import sampling
from mantello_core.figures.catalogue import boxes_of, index_of_plates, plate_types
from mantello_core.figures.drafting import drafted
from mantello_core.figures.figure import FIGURES
from mantello_core.formats.sample import demo_levy
from mantello_core.mixing import starting
from mantello_core.proposals import on_grounds
from mantello_core.recipes.method import METHODS

_CORE = Path(mantello_core.__file__).parent
_PICTURES = Path(mantello.__file__).parent / "shell" / "static" / "shell" / "pictures"
_PLATES = _CORE / "figures" / "data" / "plates"
_TABLES = {
    "figures/data/plates_index.json": index_of_plates,
    **{f"figures/data/boxes/{type_id}.json": partial(boxes_of, type_id) for type_id in plate_types()},
    "figures/data/sample.json": sampling.usual_mapping,
    "mixing/data/starts.json": starting.worked_out_table,
    **{f"proposals/data/on_grounds/{method}.json": partial(on_grounds.worked_out_table, method) for method in METHODS},
}


class Command(BaseCommand):
    """To be run after a change of ranges, methods or the film model; a test tells when it was forgotten."""

    help = __doc__

    def handle(self, *args, **options):
        """Write every plate, the kept form of every written table, then every table that is worked out, a line a paint."""
        for figure in FIGURES:
            text = json.dumps(drafted(figure), separators=(",", ":"), ensure_ascii=False)
            (_PLATES / f"{figure.id}.json").write_text(text + "\n", encoding="utf-8")
            self.stdout.write(f"{figure.id}: {len(text) // 1000} kB")
        for name, text in levy_pictures().items():
            (_PICTURES / f"{name}.svg").write_text(text + "\n", encoding="utf-8")
        for written in sorted(_CORE.rglob("data/*.toml")):
            kept = written.parent / "kept" / f"{written.stem}.json"
            kept.parent.mkdir(exist_ok=True)
            kept.write_text(kept_form(written.read_bytes()) + "\n", encoding="utf-8")
        for name, worked_out in _TABLES.items():
            text = json.dumps(worked_out()).replace("}, ", "},\n").replace("]], ", "]],\n")
            (_CORE / name).write_text(text + "\n", encoding="utf-8")
            self.stdout.write(f"{name}: {len(text) // 1000} kB")


def levy_pictures() -> dict[str, str]:
    """Figures of the demo army as SVG, by the number of their place in the row."""
    reading = Reading(demo_levy())
    kinds: dict[str, object] = {}
    for one in reading.resolution.classes:
        kinds.setdefault(one.type, one)
    wanted = ("captain", "fusilier", "ranger")
    return {
        f"levy-{number}": reading.drawn(kinds[name], kinds[name].plate.views[0].name, detail="small")
        for number, name in enumerate(wanted, 1)
    }
