"""What every process reads or works out sooner or later, done once before there are any."""

from pathlib import Path

from django.apps import apps
from django.template import TemplateDoesNotExist
from django.template.loader import get_template
from django.urls import get_resolver

from mantello_core.figures.catalogue import materials_of_areas, plate, plate_types, read_all_plates
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.mixing.mix_index import index_of
from mantello_core.mixing.undercoat import grounds
from mantello_core.order.phases import usual_phases
from mantello_core.order.relations import relations_of
from mantello_core.order.rules import order_rules
from mantello_core.paints.range import paints
from mantello_core.proposals.on_grounds import on_grounds
from mantello_core.recipes.hazard import cautions
from mantello_core.recipes.material import materials
from mantello_core.recipes.technique import techniques


def warm() -> None:
    """Plates, paints and their mixes, tables, the words of blazon, every template and address."""
    read_all_plates()
    for name in plate_types():
        shape = plate(name)
        shape.areas, shape.extent, shape.neighbours, relations_of(shape)
    order_rules(), usual_phases()
    materials_of_areas()
    for pot in paints().values():
        pot.swatch  # noqa: B018  reading it keeps it
    for ground in grounds():
        ground.colour  # noqa: B018
    techniques(), materials(), cautions(), read_blazon("azure, a lyon or"), on_grounds("classic")
    index_of(tuple(pot for pot in paints().values() if pot.mixable))
    get_resolver().url_patterns  # noqa: B018
    for name in _templates():
        try:
            get_template(name)
        except TemplateDoesNotExist:
            continue


def _templates() -> list[str]:
    folders = [Path(app.path) / "templates" for app in apps.get_app_configs() if app.name.startswith("mantello")]
    return [str(file.relative_to(folder)) for folder in folders for file in sorted(folder.rglob("*.html"))]
