"""What workers do for figure types that are new to the database."""

from django.db import connection
from procrastinate.contrib.django import app

from mantello_core.figures.catalogue import plate, plate_types
from mantello_core.figures.own import own_type

from .drawings import drawing_of
from .surfaces import keep_surfaces


@app.task(name="workspace.surface", queue="jobs")
def surface(named: str) -> None:
    """Work out what surfaces of a type have in common. named: the id of a shipped type, or the digest of a kept drawing."""
    try:
        if named in plate_types():
            keep_surfaces(plate(named))
        elif (drawing := drawing_of(named)) is not None:
            keep_surfaces(own_type("own", "Own", drawing, digest=named).plate)
    finally:
        # a worker's thread lives on, its connection shall not; inside a transaction it is the caller's
        if not connection.in_atomic_block:
            connection.close()
